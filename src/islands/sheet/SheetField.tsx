import { EntryInput } from '../common/EntryInput';
import { useEffect, useRef } from 'react';
import { useBench } from '../bench/context';
import { useDimensionField, useOverrideField, type EntryField } from '../common/useEntry';
import { useLandField } from '../bench/stages/land/SetByHand';
import type { SettableSize } from '../../core/land/solution';

/** A land size of one group. */
export interface LandSizeField {
  readonly group: string;
  readonly size: SettableSize;
}

interface Props {
  symbol: string;
  /** The land size that it stands for; `null` for other dimensions. */
  land: LandSizeField | null;
  /** The choice about heights that it stands for, as a JSON pointer; `null` for other dimensions. */
  height: string | null;
  /** Middle of the value on the Sheet, px. */
  at: { x: number; y: number };
  onClose: () => void;
}

/** The field that opens where a dimension's value is written on the drawing. */
export function SheetField(props: Props) {
  const { land, height } = props;
  if (height) return <HeightField {...props} height={height} />;
  return land ? <LandField {...props} land={land} /> : <DatasheetField {...props} />;
}

function DatasheetField({ symbol, at, onClose }: Props) {
  return (
    <FloatingInput symbol={symbol} at={at} field={useDimensionField(symbol, onClose)} onClose={onClose} />
  );
}

function HeightField({ symbol, at, height, onClose }: Props & { height: string }) {
  const text = useBench(
    (s) => s.document.body?.[height.split('/').at(-1) as 'boardThickness' | 'solderThickness'] ?? '',
  );
  return (
    <FloatingInput
      symbol={symbol}
      at={at}
      field={useOverrideField(height, text, onClose)}
      onClose={onClose}
    />
  );
}

function LandField({ symbol, at, land, onClose }: Props & { land: LandSizeField }) {
  const field = useLandField(land.group, land.size, onClose);
  return <FloatingInput symbol={symbol} at={at} field={field} onClose={onClose} />;
}

function FloatingInput({
  symbol,
  at,
  field,
  onClose,
}: Omit<Props, 'land' | 'height'> & { field: EntryField }) {
  const ref = useRef<HTMLInputElement>(null);
  const set = useBench((s) => s.set);
  useEffect(() => {
    ref.current?.focus();
    set({ activeDimension: symbol });
  }, [symbol, set]);
  const width = 104;
  return (
    <EntryInput
      ref={ref}
      field={field}
      tone="set"
      className="absolute h-[26px]"
      style={{ left: Math.max(4, at.x - width / 2), top: at.y - 13, width }}
      aria-label={`${symbol} on the drawing`}
      placeholder="computed"
      onBlur={onClose}
    />
  );
}
