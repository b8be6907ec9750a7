import { useEffect, useRef, type ReactNode } from 'react';
import { landDimensions } from '../../core/drawing/land-dimensions';
import type { Stage } from '../../core/document/finding';
import type { Drawable } from '../../core/footprint/footprint';
import type { SettableSize } from '../../core/land/solution';
import { useEntryOf } from '../fields/choices';
import { EntryInput } from '../fields/EntryInput';
import { useDimensionField, useWritten, type EntryField } from '../fields/useEntry';
import { FaultWords, toldOf, useDimensionFault, useFault, type Fault } from '../fields/fault';
import { useLandFault, useLandField } from '../fields/useLandField';
import type { ValuePlace } from '../sheet/view';
import { useBench } from '../state/context';

/** The choices about heights that are fields on the drawing, by the symbol of their dimension. */
const HEIGHT_FIELDS: Readonly<Record<string, string>> = {
  board: 'body/boardThickness',
  solder: 'body/solderThickness',
};

const SETTABLE: readonly string[] = ['X', 'Y', 'C', 'D', 'H'] satisfies SettableSize[];

/**
 * The field that opens where a dimension's value stands on the drawing: dimensions of the datasheet,
 * and the land sizes and heights that can be set. `null` where the value can only be read.
 */
export function sheetField(
  stage: Stage,
  drawable: Drawable,
  symbol: string,
): ((place: ValuePlace) => ReactNode) | null {
  if (stage === 'measure')
    return (place) => (symbol.startsWith('/') ? <PieceField {...place} /> : <DatasheetField {...place} />);
  if (stage === 'rise') {
    const name = Object.hasOwn(HEIGHT_FIELDS, symbol) ? HEIGHT_FIELDS[symbol] : undefined;
    return name === undefined ? null : (place) => <HeightField {...place} name={name} />;
  }
  if (stage !== 'land') return null;
  const drawn = landDimensions(drawable.footprint).find((line) => line.symbol === symbol);
  if (!drawn || !SETTABLE.includes(drawn.size)) return null;
  return (place) => <LandField {...place} group={drawn.group} size={drawn.size as SettableSize} />;
}

/** A length of a piece's place: its symbol is where the document has it. */
function PieceField(place: ValuePlace) {
  return (
    <FloatingInput
      {...place}
      field={useWritten(place.symbol, place.onClose)}
      fault={useFault(place.symbol)}
    />
  );
}

function DatasheetField(place: ValuePlace) {
  return (
    <FloatingInput
      {...place}
      field={useDimensionField(place.symbol, place.onClose)}
      fault={useDimensionFault(place.symbol)}
    />
  );
}

function HeightField({ name, ...place }: ValuePlace & { name: string }) {
  return (
    <FloatingInput {...place} field={useEntryOf(name, [], place.onClose)} fault={useFault(`/${name}`)} />
  );
}

function LandField({ group, size, ...place }: ValuePlace & { group: string; size: SettableSize }) {
  return (
    <FloatingInput
      {...place}
      field={useLandField(group, size, place.onClose)}
      fault={useLandFault(group, size)}
    />
  );
}

interface FloatingProps extends ValuePlace {
  field: EntryField;
  fault: Fault;
}

function FloatingInput({ symbol, at, field, fault, onClose }: FloatingProps) {
  const ref = useRef<HTMLInputElement>(null);
  const set = useBench((s) => s.set);
  useEffect(() => {
    ref.current?.focus();
    set({ activeDimension: symbol });
  }, [symbol, set]);
  const width = 104;
  return (
    <div className="absolute" style={{ left: Math.max(4, at.x - width / 2), top: at.y - 13, width }}>
      <EntryInput
        ref={ref}
        field={field}
        tone="set"
        className="h-[26px] w-full"
        aria-label={`${symbol} on the drawing`}
        placeholder="computed"
        onBlur={onClose}
        {...toldOf(fault)}
      />
      {fault.words !== null && (
        <div className="border-error bg-base-100 absolute top-full left-0 w-56 border px-1.5 py-0.5">
          <FaultWords fault={fault} />
        </div>
      )}
    </div>
  );
}
