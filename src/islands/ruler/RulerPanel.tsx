import { useId, useMemo, useState } from 'react';
import { DISTANCE_WORDS, measure, nearestPair, type MeasuredDistance } from '../../core/ruler/measure';
import type { Thing } from '../../core/ruler/things';
import { formatLength, formatNumber, type DisplayUnit } from '../../core/units/length';
import { Pick } from '../common/inputs';
import type { Laid } from './RulerLayer';

interface Props {
  things: readonly Thing[];
  laid: Laid;
  unit: DisplayUnit;
  onLay: (laid: Laid) => void;
  onClose: () => void;
  /** Keeps a measurement with the footprint; missing where nothing can be kept. */
  onKeep?: (measured: {
    readonly from: string;
    readonly to: string;
    readonly what: MeasuredDistance['what'];
  }) => void;
  /** Groups of shapes by name, between which the smallest gap is looked for. */
  groups: readonly (readonly [name: string, ids: readonly string[]])[];
  children?: React.ReactNode;
  /** Whether it stands below its drawing, which has no room for it. */
  isBelow?: boolean;
}

/** What the ruler says: the two things, all distances between them in both units, and what can be done with them. */
export function RulerPanel(props: Props) {
  const { things, laid, unit, onLay, onClose, onKeep, groups, children, isBelow = false } = props;
  const known = useMemo(() => new Map(things.map((thing) => [thing.id, thing])), [things]);
  const [from, to] = [known.get(laid.from ?? ''), known.get(laid.to ?? '')];
  const found = from && to ? measure(from, to) : [];
  return (
    <section
      aria-label="Ruler"
      className={`bg-base-100 border-base-300 border p-2 text-[13px] ${isBelow ? 'mt-1' : 'absolute top-8 right-2 z-10 max-h-[85%] w-[300px] overflow-y-auto shadow'}`}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose();
      }}
    >
      <div className="flex items-center gap-2">
        <h2 className="font-semibold">Ruler</h2>
        <button type="button" className="btn btn-sm ml-auto" onClick={onClose}>
          Put away
        </button>
      </div>
      <p className="text-secondary text-[12px]">Press two things on the drawing, or name them here.</p>
      <ThingField
        label="From"
        things={things}
        value={from}
        onChoose={(id) => onLay({ ...laid, from: id })}
        focused
      />
      <ThingField label="To" things={things} value={to} onChoose={(id) => onLay({ ...laid, to: id })} />
      {from && to && found.length === 0 && (
        <p role="status" className="text-secondary">
          {from.id === to.id ? 'Both are the same thing.' : 'No distance between these two means anything.'}
        </p>
      )}
      {found.length > 0 && (
        <ul className="mt-1" aria-label="Distances">
          {found.map((one) => (
            <DistanceRow
              key={one.what}
              found={one}
              unit={unit}
              {...(onKeep && from && to
                ? { onKeep: () => onKeep({ from: from.id, to: to.id, what: one.what }) }
                : {})}
            />
          ))}
        </ul>
      )}
      {groups.length > 0 && <SmallestGap groups={groups} known={known} onLay={onLay} />}
      {children}
    </section>
  );
}

/** A thing by its name: typing narrows the list. */
function ThingField({
  label,
  things,
  value,
  onChoose,
  focused = false,
}: {
  label: string;
  things: readonly Thing[];
  value: Thing | undefined;
  onChoose: (id: string | null) => void;
  focused?: boolean;
}) {
  const list = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? value?.name ?? '';
  const isUnknown =
    typed !== null && typed.trim() !== '' && !things.some(({ name }) => name === typed.trim());
  return (
    <label className="mt-1 flex items-center gap-2">
      <span className="w-10 shrink-0">{label}</span>
      <input
        id={`ruler-${label.toLowerCase()}`}
        className={`bg-base-100 min-w-0 flex-1 border px-1 ${isUnknown ? 'border-warning' : 'border-base-300'}`}
        list={list}
        value={text}
        // eslint-disable-next-line jsx-a11y/no-autofocus
        autoFocus={focused}
        autoComplete="off"
        placeholder="land 3, left edge"
        onChange={({ target }) => {
          const thing = things.find(({ name }) => name === target.value.trim());
          setTyped(thing ? null : target.value);
          if (thing) onChoose(thing.id);
          else if (target.value.trim() === '') onChoose(null);
        }}
        onBlur={() => setTyped(null)}
        aria-invalid={isUnknown || undefined}
      />
      <datalist id={list}>
        {things.slice(0, MOST_NAMED).map(({ id, name }) => (
          <option key={id} value={name} />
        ))}
      </datalist>
    </label>
  );
}

/** Names that the list offers: beyond them they are typed. */
const MOST_NAMED = 1500;

function DistanceRow({
  found,
  unit,
  onKeep,
}: {
  found: MeasuredDistance;
  unit: DisplayUnit;
  onKeep?: () => void;
}) {
  const { value, what, angle } = found;
  const other: DisplayUnit = unit === 'mm' ? 'mil' : 'mm';
  const { min, nom, max } = value;
  const words = `${formatLength(nom, unit)} ${unit}`;
  return (
    <li className="border-base-300 grid grid-cols-[1fr_auto_auto] items-baseline gap-x-2 border-t py-0.5">
      <span>
        <span className="text-secondary">{DISTANCE_WORDS[what]}</span>{' '}
        <b className="font-semibold">{words}</b>{' '}
        <span className="text-secondary text-[12px]">
          {formatLength(nom, other)} {other}
          {angle !== undefined && what !== 'x' && what !== 'y' ? `, ${formatNumber(angle, 0, 2)}°` : ''}
          {min !== max && (
            <span className="block">
              {formatLength(min, unit)} to {formatLength(max, unit)} {unit} with tolerances
            </span>
          )}
        </span>
      </span>
      <button
        type="button"
        className="link text-[12px]"
        aria-label={`Copy ${words}`}
        onClick={() => void navigator.clipboard.writeText(formatNumber(nom, 0, 4))}
      >
        Copy
      </button>
      {onKeep ? (
        <button
          type="button"
          className="link text-[12px]"
          aria-label={`Keep ${DISTANCE_WORDS[what]}`}
          onClick={onKeep}
        >
          Keep
        </button>
      ) : (
        <span />
      )}
    </li>
  );
}

/** The two of two groups that are nearest to each other. */
function SmallestGap({
  groups,
  known,
  onLay,
}: {
  groups: Props['groups'];
  known: ReadonlyMap<string, Thing>;
  onLay: (laid: Laid) => void;
}) {
  const [of, setOf] = useState<readonly [number, number]>([0, Math.min(1, groups.length - 1)]);
  const options = groups.map(([name], i) => [i, name] as const);
  const thingsOf = (i: number) => (groups[i]?.[1] ?? []).flatMap((id) => known.get(id) ?? []);
  return (
    <div className="border-base-300 mt-1.5 border-t pt-1.5">
      <p className="text-secondary text-[12px]">Smallest gap between two groups</p>
      <div className="mt-0.5 flex items-center gap-1">
        <Pick label="First group" value={of[0]} options={options} onChange={(i) => setOf([i, of[1]])} />
        <Pick label="Second group" value={of[1]} options={options} onChange={(i) => setOf([of[0], i])} />
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => {
            const found = nearestPair(thingsOf(of[0]), thingsOf(of[1]));
            if (found) onLay({ from: found.a.id, to: found.b.id });
          }}
        >
          Find
        </button>
      </div>
    </div>
  );
}
