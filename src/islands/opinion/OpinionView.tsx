import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import { compileGuarded } from '../../core/footprint/guarded';
import { isDrawable } from '../../core/footprint/footprint';
import { laidOver } from '../../core/opinion/opinion';
import type { Remark } from '../../core/opinion/remark';
import { thingsAmong } from '../../core/ruler/things';
import type { DisplayUnit } from '../../core/units/length';
import { UnitChoice } from '../common/inputs';
import { PageHead } from '../common/PageHead';
import { shelf } from '../common/shelf-store';
import { attempt, TroubleBar } from '../common/trouble';
import { RulerButton, useLocalRuler } from '../ruler/LocalRuler';
import { keepUnit, keptUnit } from '../state/display-unit';
import { Actions } from './Actions';
import { Against } from './Against';
import { Drawing } from './Drawing';
import { LandTable } from './LandTable';
import { Remarks } from './Remarks';
import { useOpinion } from './useOpinion';

const NOTHING = { lands: new Set<string>(), given: new Set<number>() } as const;

/** Somebody else's pattern against the package that it is meant for, or by itself while nobody says which. */
export function OpinionView({ pattern: id, against }: { pattern: string; against: string | undefined }) {
  const rows = useLiveQuery(async () => {
    const stored = await shelf.get(id);
    const other = against ?? stored?.against;
    return { stored, other: other === undefined ? null : await shelf.get(other) };
  }, [id, against]);
  const [lit, light] = useState<{ lands: ReadonlySet<string>; given: ReadonlySet<number> }>(NOTHING);
  const [unit, setUnit] = useState<DisplayUnit>(() => keptUnit(id) ?? 'mm');
  const { stored = null, other = null } = rows ?? {};
  const read = useMemo(() => {
    if (!stored) return null;
    const [pattern, own] = [stored, other].map((row) => row && compileGuarded(row.document));
    return {
      pattern: pattern && isDrawable(pattern) ? pattern : null,
      own: own && isDrawable(own) ? own : null,
    };
  }, [stored, other]);
  const said = useOpinion(stored?.document ?? null, other?.document ?? null);
  const { opinion = null, alone = null } = said?.ok ? said.value : {};
  useEffect(() => {
    document.title = `Second opinion${stored ? ` on ${stored.document.name}` : ''} · Tapis`;
  }, [stored]);
  const wrongNumbers = useMemo(() => {
    if (!opinion?.ok || !read?.own || !read.pattern) return new Set<number>();
    const { pairs } = opinion.value.fit;
    const [theirs, ours] = [read.pattern.footprint.lands, read.own.footprint.lands];
    return new Set(
      pairs.filter(({ given, own }) => theirs[given]?.number !== ours[own]?.number).map(({ given }) => given),
    );
  }, [opinion, read]);
  const fit = opinion?.ok ? opinion.value.fit : null;
  const laid = useMemo(() => {
    const pattern = read?.pattern ?? null;
    return pattern && (fit ? laidOver(pattern.footprint, fit) : pattern.footprint);
  }, [read, fit]);
  const things = useCallback(() => {
    const { pattern: theirs = null, own: ours = null } = read ?? {};
    return [
      ...(laid && theirs ? thingsAmong('pattern', 'pattern,', laid, theirs.process) : []),
      ...(fit && ours ? thingsAmong('package', 'package,', ours.footprint, ours.process) : []),
    ];
  }, [read, laid, fit]);
  const ruler = useLocalRuler(things, unit, { hasKey: true });
  if (rows && !stored)
    return (
      <main className="flex flex-col items-start gap-3 p-10 text-[15px]">
        <h1>Second opinion</h1>
        <p>This pattern is not in this browser any more.</p>
        <a className="link" href="/">
          Go to the Shelf
        </a>
      </main>
    );
  if (!stored || !read) return <p className="text-secondary p-10">Opening the pattern</p>;
  const found = opinion?.ok ? opinion.value : null;
  const { pattern, own } = read;
  const onLight = (remark: Remark | null) =>
    light(remark ? { lands: new Set(remark.lands), given: new Set(remark.given) } : NOTHING);
  const choose = (next: string) =>
    void attempt('Saying what it is held against', async () => {
      await shelf.holdAgainst(id, next);
      navigate(`/opinion/${id}/${next}`);
    });
  return (
    <div className="flex h-screen min-w-[840px] flex-col">
      <PageHead
        title="Second opinion"
        end={
          <UnitChoice
            unit={unit}
            onChoose={(next) => {
              keepUnit(id, next);
              setUnit(next);
            }}
          />
        }
      >
        <span className="min-w-0">
          on{' '}
          <a className="link" href={`/bench/${id}`}>
            {stored.document.name}
          </a>
        </span>
        {other && (
          <span className="min-w-0">
            against{' '}
            <a className="link" href={`/bench/${other.id}`}>
              {other.document.name}
            </a>
          </span>
        )}
      </PageHead>
      <TroubleBar />
      <div className="flex min-h-0 flex-1">
        <section className="bg-base-200 flex min-w-0 flex-1 flex-col" aria-label="Sheet">
          {pattern && laid ? (
            <Drawing
              laid={laid}
              own={found ? (own?.footprint ?? null) : null}
              lit={lit}
              wrongNumbers={wrongNumbers}
              hasCourtyard={stored.document.marks?.own?.courtyard !== undefined}
              hasBody={stored.document.package.pieces?.some(({ what }) => what === 'body') ?? true}
              overlay={ruler.overlay}
              panel={ruler.panel}
            />
          ) : (
            <div className="flex-1" />
          )}
          <p className="border-base-300 text-secondary flex items-center border-t px-4 py-1.5 text-[12px]">
            <span className="mr-auto">
              {found
                ? 'Copper: the pattern as it was taken in. Blue: the terminals. Dashed: the lands that Tapis computes.'
                : 'The pattern as it was taken in.'}
            </span>
            <RulerButton ruler={ruler} />
          </p>
        </section>
        <main className="border-base-300 bg-base-100 w-[430px] shrink-0 overflow-y-auto border-l px-3 py-3">
          {!pattern && (
            <p role="alert">
              This pattern cannot be drawn yet; open it on the Bench, where its findings say why.
            </p>
          )}
          {!said && <p role="status">Holding it against what is known</p>}
          {said && !said.ok && <p role="alert">{said.error}</p>}
          {opinion && !opinion.ok && (
            <p role="alert" className="border-error border-l-4 pl-3">
              {opinion.error}
            </p>
          )}
          {other && !own && (
            <p role="status" className="border-warning border-l-4 pl-3">
              {other.document.name} gives no lands yet: its dimensions are not complete.{' '}
              <a className="link" href={`/bench/${other.id}`}>
                Go on with them
              </a>
            </p>
          )}
          {found ? (
            <>
              <Remarks title="Against the package" opinion={found} unit={unit} onLight={onLight} />
              {pattern && own && (
                <Actions
                  key={`${id} ${other?.id ?? ''}`}
                  stored={stored}
                  pattern={pattern}
                  against={own}
                  opinion={found}
                />
              )}
              <LandTable
                lands={found.lands}
                unit={unit}
                onLight={(lands) => light({ lands, given: new Set() })}
              />
            </>
          ) : (
            alone && <Remarks title="The pattern by itself" opinion={alone} unit={unit} onLight={onLight} />
          )}
          {found && alone && alone.remarks.length > 0 && (
            <details className="mt-4">
              <summary className="cursor-pointer font-semibold">
                The pattern by itself: {alone.remarks.length}
              </summary>
              <Remarks title="The pattern by itself" opinion={alone} unit={unit} onLight={onLight} isInner />
            </details>
          )}
          <Against stored={stored} other={other} onChoose={choose} />
        </main>
      </div>
    </div>
  );
}
