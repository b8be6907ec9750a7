import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import { compileAndCheck, type Checked } from '../../core/check/guarded';
import {
  compareFootprints,
  stageOfDifference,
  type Difference,
  type DifferenceKind,
} from '../../core/compare/differences';
import { LEVELS } from '../../core/document/document';
import { thingsAmong } from '../../core/ruler/things';
import { formatLength, toMm, type DisplayUnit } from '../../core/units/length';
import { TroubleBar } from '../common/trouble';
import { useSize } from '../common/useSize';
import { Pick, UnitChoice } from '../common/inputs';
import { PageHead } from '../common/PageHead';
import { RulerButton, useLocalRuler } from '../ruler/LocalRuler';
import { keepUnit, keptUnit } from '../state/display-unit';
import { STAGE_NAMES } from '../state/stages';
import { Plans } from './Plans';
import { heldOn, readSide, sideText, type Held, type Side } from './sides';

const KINDS: readonly (readonly [DifferenceKind, string])[] = [
  ['entry', 'Entered and chosen'],
  ['name', 'Names'],
  ['land', 'Lands and holes'],
  ['padstack', 'Padstacks'],
  ['number', 'Numbers'],
  ['pin', 'Pins'],
  ['mark', 'Marks'],
  ['courtyard', 'Courtyard'],
  ['height', 'Heights'],
  ['body', 'Body'],
  ['finding', 'Findings'],
];

/** Lands that a line names. */
const NAMED = 3;

/** Two footprints, revisions, levels or processes in one drawing, with the list of what differs. */
export function SideBySide({ a, b }: { a: string; b: string }) {
  const sides = useMemo(() => [readSide(a), readSide(b)] as const, [a, b]);
  const held = useLiveQuery(() => Promise.all(sides.map(heldOn)), [a, b]);
  const [least, setLeast] = useState('0');
  const [wipe, setWipe] = useState(1);
  const [lit, light] = useState<ReadonlySet<string>>(new Set());
  const { ref, width, height } = useSize<HTMLDivElement>();
  const [first = null, second = null] = held ?? [];
  const checked = useMemo(
    () =>
      first && second
        ? ([first, second].map(({ document, model }) => compileAndCheck(document, () => model)) as [
            Checked,
            Checked,
          ])
        : null,
    [first, second],
  );
  const [unit, setUnit] = useState<DisplayUnit>(() => keptUnit(sides[1].id) ?? 'mm');
  const smallest = toMm(Number(least.replace(',', '.')), unit);
  const isLength = least.trim() !== '' && smallest >= 0;
  const compared = useMemo(
    () => checked && compareFootprints(checked[0], checked[1], isLength ? smallest : 0),
    [checked, isLength, smallest],
  );
  const numbers = useMemo(
    () =>
      new Map(
        [...(checked ?? [])]
          .reverse()
          .flatMap(({ compiled }) => compiled.footprint?.lands ?? [])
          .map(({ id, number }) => [id, number === '' ? id : number]),
      ),
    [checked],
  );
  const [one, other] = checked ?? [];
  const things = useCallback(
    () =>
      (
        [
          ['a', 'A', one],
          ['b', 'B', other],
        ] as const
      ).flatMap(([id, name, side]) =>
        side?.compiled.footprint ? thingsAmong(id, name, side.compiled.footprint, side.compiled.process) : [],
      ),
    [one, other],
  );
  const ruler = useLocalRuler(things, unit, { hasKey: true });
  const nameOf = (land: string) => numbers.get(land) ?? land;
  /** Where a difference is looked at on the Bench: on B's, and on A's where B has nothing of it. */
  const placeOf = (one: Difference): string => {
    const [land] = one.lands;
    const isGone =
      land !== undefined && !checked?.[1].compiled.footprint?.lands.some(({ id }) => id === land);
    const [, symbol] = /^\/package\/dimensions\/([^/]+)$/.exec(one.at ?? '') ?? [];
    const part = symbol === undefined ? (land === undefined ? '' : `#land=${land}`) : `#entry-${symbol}`;
    return `/bench/${sides[isGone ? 0 : 1].id}/${stageOfDifference(one)}${part}`;
  };
  useEffect(() => {
    document.title = 'Side by side · Tapis';
  }, []);
  const go = (next: readonly [Side, Side]) =>
    navigate(`/side-by-side/${sideText(next[0])}/${sideText(next[1])}`);
  if (held && (!first || !second))
    return (
      <main className="flex flex-col items-start gap-3 p-10 text-[15px]">
        <h1>Side by side</h1>
        <p>One of the two is not in this browser any more, or has no such revision or process.</p>
        <a className="link" href="/">
          Go to the Shelf
        </a>
      </main>
    );
  return (
    <div className="flex h-screen min-w-[840px] flex-col">
      <PageHead
        title="Side by side"
        end={
          <UnitChoice
            unit={unit}
            onChoose={(next) => {
              keepUnit(sides[1].id, next);
              setUnit(next);
            }}
          />
        }
      >
        <SideHead name="A" side={sides[0]} held={first} onChoose={(side) => go([side, sides[1]])} />
        <SideHead name="B" side={sides[1]} held={second} onChoose={(side) => go([sides[0], side])} />
        <button type="button" className="btn btn-sm" onClick={() => go([sides[1], sides[0]])}>
          Swap
        </button>
      </PageHead>
      <TroubleBar />
      <div className="flex min-h-0 flex-1">
        <section className="bg-base-200 flex min-w-0 flex-1 flex-col" aria-label="Sheet">
          <div ref={ref} className="relative min-h-0 flex-1 overflow-hidden">
            {checked && (
              <Plans
                a={checked[0].compiled.footprint}
                b={checked[1].compiled.footprint}
                wipe={wipe}
                lit={lit}
                width={width}
                height={height}
                overlay={ruler.overlay}
              />
            )}
            {ruler.panel}
          </div>
          <label className="border-base-300 flex items-center gap-3 border-t px-4 py-1.5 text-[12px]">
            <span>B in copper</span>
            <input
              type="range"
              className="range range-xs range-primary flex-1"
              min={0}
              max={1}
              step={0.01}
              value={wipe}
              aria-label="How far A is drawn in copper, and B as outline"
              onChange={({ target }) => setWipe(Number(target.value))}
            />
            <span>A in copper, B as outline</span>
            <RulerButton ruler={ruler} />
          </label>
        </section>
        <main className="border-base-300 bg-base-100 w-[380px] shrink-0 overflow-y-auto border-l px-3 py-3">
          <div className="flex items-baseline gap-2">
            <h2 className="text-[15px] font-semibold">What differs</h2>
            <label className="text-secondary ml-auto text-[12px]">
              from{' '}
              <input
                className={`input input-xs w-14 text-right ${isLength ? '' : 'input-error'}`}
                inputMode="decimal"
                aria-label={`Smallest difference of lengths, ${unit}`}
                value={least}
                onChange={({ target }) => setLeast(target.value)}
              />{' '}
              {unit} on
            </label>
          </div>
          {!isLength && <p className="text-error text-[12px]">“{least}” is no length; write such as 0.01.</p>}
          {compared && (
            <p role="status" className="mt-1">
              {compared.copperDiffers ? 'The copper differs.' : 'The copper is the same.'}
              {compared.symbol && ` ${compared.symbol.words}`}
            </p>
          )}
          {compared &&
            KINDS.map(([kind, title]) => {
              const some = compared.differences.filter(({ what }) => what === kind);
              return (
                some.length > 0 && (
                  <section key={kind} className="mt-3" aria-label={title}>
                    <h3 className="border-base-300 border-b font-semibold">{title}</h3>
                    <ul>
                      {some.map((one, i) => (
                        <Line
                          key={i}
                          difference={one}
                          unit={unit}
                          nameOf={nameOf}
                          place={placeOf(one)}
                          onLight={light}
                        />
                      ))}
                    </ul>
                  </section>
                )
              );
            })}
        </main>
      </div>
    </div>
  );
}

interface HeadProps {
  name: string;
  side: Side;
  held: Held | null;
  onChoose: (side: Side) => void;
}

/** What stands on one side, and which revision, level and process of it. */
function SideHead({ name, side, held, onChoose }: HeadProps) {
  if (!held) return null;
  const { id } = side;
  const without = (key: keyof Omit<Side, 'id'>): Side => {
    const rest = { ...side };
    delete (rest as Partial<Record<keyof Side, unknown>>)[key];
    return rest;
  };
  return (
    <div
      role="group"
      aria-label={`Side ${name}`}
      className="border-base-300 flex items-center gap-1.5 border-l pl-3"
    >
      <b className="font-semibold">{name}</b>
      <a className="link max-w-44 truncate" href={`/bench/${id}`} title={held.kept.name}>
        {held.kept.name}
      </a>
      <Pick
        className="w-28"
        label={`Revision of ${name}`}
        value={String(side.revision ?? '')}
        options={[
          ['', 'as it stands'],
          ...held.revisions.map((one) => [String(one), `revision ${one}`] as const),
        ]}
        onChange={(chosen) =>
          onChoose(chosen === '' ? without('revision') : { ...side, revision: Number(chosen) })
        }
      />
      <Pick
        className="w-24"
        label={`Level of ${name}`}
        value={side.level ?? ''}
        options={[['', `own, ${held.kept.level}`], ...LEVELS.map((level) => [level, level] as const)]}
        onChange={(chosen) => {
          const level = LEVELS.find((one) => one === chosen);
          onChoose(level ? { ...side, level } : without('level'));
        }}
      />
      <Pick
        className="w-28"
        label={`Process of ${name}`}
        value={side.process ?? ''}
        options={[['', 'own process'], ...held.processes.map((one) => [one.id, one.name] as const)]}
        onChange={(chosen) => onChoose(chosen === '' ? without('process') : { ...side, process: chosen })}
      />
      <Pick
        className="w-28"
        label={`Lands of ${name}`}
        value={side.pattern ?? ''}
        options={[
          ['', 'lands as chosen'],
          ['computed', 'computed'],
          ...(held.recommends ? [['recommended', 'recommended'] as const] : []),
        ]}
        onChange={(chosen) => {
          const pattern = (['computed', 'recommended'] as const).find((one) => one === chosen);
          onChoose(pattern ? { ...side, pattern } : without('pattern'));
        }}
      />
    </div>
  );
}

interface LineProps {
  difference: Difference;
  unit: DisplayUnit;
  /** What a land is called on the drawing. */
  nameOf: (land: string) => string;
  /** Where on the Bench it is looked at. */
  place: string;
  onLight: (lands: ReadonlySet<string>) => void;
}

/** One difference: its words light its lands up, and lead to where it is mended. */
function Line({ difference, unit, nameOf, place, onLight }: LineProps) {
  const { title, from, to, kind, lands } = difference;
  const said = (value: Difference['from']) =>
    value === null ? 'none' : kind === 'length' ? formatLength(Number(value), unit) : String(value);
  const more = lands.length > NAMED ? ` and ${lands.length - NAMED} more` : '';
  const [, stage] = STAGE_NAMES.find(([id]) => id === stageOfDifference(difference)) ?? [];
  return (
    <li className="border-base-300 border-b">
      <a
        href={place}
        className="hover:bg-base-200 flex w-full items-baseline gap-2 py-1 text-left text-[12px]"
        title={`Goes to ${stage}`}
        onPointerEnter={() => onLight(new Set(lands))}
        onPointerLeave={() => onLight(new Set())}
        onFocus={() => onLight(new Set(lands))}
        onBlur={() => onLight(new Set())}
      >
        <span className="min-w-0 flex-1">
          {title}
          {lands.length > 0 && (
            <span className="text-secondary block">
              {lands.length === 1 ? 'land' : 'lands'} {lands.slice(0, NAMED).map(nameOf).join(', ')}
              {more}
            </span>
          )}
        </span>
        <span className="max-w-[180px] text-right tabular-nums wrap-anywhere">
          {said(from)} → <b className="font-semibold">{said(to)}</b>
          {kind === 'length' && ` ${unit}`}
        </span>
      </a>
    </li>
  );
}
