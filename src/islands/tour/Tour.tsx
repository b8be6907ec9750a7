import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { useLiveQuery } from 'dexie-react-hooks';
import { useLocation } from 'wouter';
import { useStore } from 'zustand';
import { shelf } from '../common/shelf-store';
import { goTour, tour } from '../common/tour';
import { attempt } from '../common/trouble';
import type { BenchStore } from '../state/bench';
import { openedBench } from '../state/opened';
import { STEPS, stepAfter, wayBack, TOUR_PART, type Seen, type Step } from './steps';

/** A slip of paper at the edge: one step at a time, waiting until it is done. */
export function Tour() {
  const step = useStore(tour, (state) => state.step) ?? 0;
  const [isFolded, setFolded] = useState(false);
  const seen = useSeen();
  const next = stepAfter(step, seen);
  useEffect(() => {
    if (next !== step) goTour(next);
  }, [next, step]);
  const here = STEPS[step];
  const away = here ? wayBack(here, seen) : null;
  useMark(here && away === null && !isFolded ? here.marks : null);
  return (
    <aside
      aria-label="Tour"
      className="border-primary bg-base-100 fixed right-3 bottom-3 z-30 w-[248px] border-2 p-3 text-[13px] shadow-md"
    >
      <p className="text-secondary flex text-[12px]">
        {here ? `Tour, ${step + 1} of ${STEPS.length}` : 'Tour'}
        <button type="button" className="link ml-auto" onClick={() => setFolded(!isFolded)}>
          {isFolded ? 'Unfold' : 'Fold'}
        </button>
        <button type="button" className="link ml-3" onClick={() => goTour(null)}>
          {here ? 'Leave' : 'Close'}
        </button>
      </p>
      {!isFolded && (
        <div aria-live="polite">
          {step > 0 && <p className="text-success mt-1">✓ {STEPS[step - 1]?.title}</p>}
          {here ? <Told step={here} away={away} at={step} seen={seen} /> : <End />}
        </div>
      )}
    </aside>
  );
}

function Told({ step, away, at, seen }: { step: Step; away: string | null; at: number; seen: Seen }) {
  const lacks = !seen.shelf.includes(TOUR_PART);
  return (
    <>
      <h2 className="mt-1 text-[15px] font-semibold">{step.title}</h2>
      <p className="mt-0.5">{step.words}</p>
      {away !== null && (
        <p className="border-warning mt-1.5 border-l-3 pl-2">
          {away}{' '}
          {lacks ? (
            <button
              type="button"
              className="link"
              onClick={() =>
                void attempt('Putting the demo on the Shelf', async () =>
                  (await import('../shelf/demo')).addDemo(),
                )
              }
            >
              Put the demo there
            </button>
          ) : (
            <a className="link" href="/">
              Go there
            </a>
          )}
        </p>
      )}
      <button type="button" className="link mt-1.5 text-[12px]" onClick={() => goTour(at + 1)}>
        Pass over
      </button>
    </>
  );
}

function End() {
  return (
    <>
      <h2 className="mt-1 text-[15px] font-semibold">That was it</h2>
      <p className="mt-0.5">
        Drop a datasheet of your own anywhere on the Shelf: its dimensions are read beside the page that they
        stand on. ? tells of every place what can be done there, K lists it, and the{' '}
        <a className="link" href="/docs" target="_blank" rel="noreferrer">
          documentation
        </a>{' '}
        says why.
      </p>
    </>
  );
}

/** What the tour can see, followed as it changes. */
function useSeen(): Seen {
  const [path] = useLocation();
  const bench = useStore(openedBench, (state) => state.bench);
  const told = useBenchTold(path.startsWith('/bench/') ? bench : null);
  const names = useLiveQuery(async () => (await shelf.entries()).map(({ name }) => name), []);
  return useMemo(
    () => ({
      place: path === '/' ? 'shelf' : path.startsWith('/bench/') ? 'bench' : 'other',
      // until it is known what stands there, nothing is missed
      shelf: names ?? [TOUR_PART],
      bench: told === null ? null : (JSON.parse(told) as Seen['bench']),
    }),
    [path, names, told],
  );
}

/** What is told of an open Bench, as a text: it changes only where something of it does. */
function useBenchTold(bench: BenchStore | null): string | null {
  return useSyncExternalStore(
    (onChange) => bench?.subscribe(onChange) ?? (() => {}),
    () => {
      if (!bench) return null;
      const { document, stage, derived, selectedLand, selectedFinding, fourth } = bench.getState();
      const told: Seen['bench'] = {
        name: document.name,
        stage,
        level: document.level,
        rules: [...new Set(derived.report.findings.map(({ rule }) => rule))],
        hasLand: selectedLand !== null,
        hasFinding: selectedFinding !== null,
        is3D: fourth === 'turn',
      };
      return JSON.stringify(told);
    },
  );
}

/** Marks what is meant on the page, whatever becomes of it. @param selector `null` for nothing */
function useMark(selector: string | null): void {
  useEffect(() => {
    if (selector === null) return;
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(`:is(${selector}) { outline: 2px dashed var(--color-primary); outline-offset: -2px; }`);
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
    return () => {
      document.adoptedStyleSheets = document.adoptedStyleSheets.filter((one) => one !== sheet);
    };
  }, [selector]);
}
