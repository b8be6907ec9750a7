import { EntryInput } from '../common/EntryInput';
import { useEffect, useRef } from 'react';
import { useBench } from '../bench/context';
import { useDimensionField, useOverrideField, type EntryField } from '../common/useEntry';

interface Props {
  symbol: string;
  kind: 'dimension' | 'land';
  /** Middle of the value on the Sheet, px. */
  at: { x: number; y: number };
  onClose: () => void;
}

/** The field that opens where a dimension's value is written on the drawing. */
export function SheetField(props: Props) {
  return props.kind === 'land' ? <LandField {...props} /> : <DatasheetField {...props} />;
}

function DatasheetField({ symbol, at, onClose }: Props) {
  return (
    <FloatingInput symbol={symbol} at={at} field={useDimensionField(symbol, onClose)} onClose={onClose} />
  );
}

function LandField({ symbol, at, onClose }: Props) {
  const land = useBench((s) => s.document.overrides?.land);
  const text = land?.[symbol as 'X' | 'Y' | 'C'] ?? '';
  const field = useOverrideField(`/overrides/land/${symbol}`, text, onClose);
  return <FloatingInput symbol={symbol} at={at} field={field} onClose={onClose} />;
}

function FloatingInput({ symbol, at, field, onClose }: Omit<Props, 'kind'> & { field: EntryField }) {
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
