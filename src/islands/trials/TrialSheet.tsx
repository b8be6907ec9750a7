import { memo, useCallback, useMemo, useState } from 'react';
import { fitBoard } from './fit-board';
import { drawBoard, drawBoardFrom, overOf, trialRise, turnedOver } from '../../core/trial/drawing';
import { moveTo } from '../../core/trial/edits';
import { snapPart } from '../../core/trial/snap';
import { moveText, textAt } from '../../core/trial/texts';
import type { CompiledTrial } from '../../core/trial/trial';
import { MISSING } from '../../core/document/finding';
import { encloses } from '../../core/geometry/polygon';
import { neighboursOf } from '../../core/geometry/neighbours';
import { putPoint } from '../../core/geometry/placement';
import type { Point } from '../../core/geometry/point';
import type { View } from '../../core/package/lines';
import { formatLength, type DisplayUnit } from '../../core/units/length';
import { ErrorBoundary } from '../common/ErrorBoundary';
import { later } from '../common/later';
import { useSize } from '../common/useSize';
import { Balloons, placeBalloons } from '../sheet/Balloons';
import { TrialRulerLayer, TrialRulerPanel } from './TrialRuler';
import { SpacingWay } from '../sheet/SpacingWay';
import { Hatches } from '../sheet/Hatches';
import {
  divide,
  placer,
  transformOf,
  type Area,
  type Areas,
  type Camera,
  type Quadrant,
} from '../sheet/layout';
import { QuadrantHead } from '../sheet/QuadrantHead';
import { Strokes } from '../sheet/Strokes';
import { TitleBlock } from '../sheet/TitleBlock';
import { useGestures, type Pointer } from '../sheet/useGestures';
import { ZoomButtons } from '../sheet/ZoomButtons';
import { Ghost, Guides, References, Selected } from './plan-marks';
import { stepOf } from './step';
import { TrialReadout } from './TrialReadout';
import { useTrial, useTrialStore, type TrialStore } from './state';

const BoardTurn = later(
  'The 3D view',
  async () => (await import('../turn/BoardTurn')).BoardTurn,
  <p className="text-secondary grid h-full place-content-center">Loading the 3D view</p>,
);

const VIEWS: readonly View[] = ['plan', 'side', 'front'];

/** A dragged part snaps within so many pixels. */
const REACH = 7;

/** A board in third-angle projection: plan, elevations, and the board in 3D or a title block. */
export function TrialSheet() {
  const { ref, width, height } = useSize<HTMLDivElement>();
  const store = useTrialStore();
  const compiled = useTrial((s) => s.compiled);
  const below = useTrial((s) => s.below);
  const whole = useTrial((s) => s.whole);
  const fourth = useTrial((s) => s.fourth);
  const fits = useTrial((s) => s.fits);
  const unit = useTrial((s) => s.unit);
  const look = useTrial((s) => s.look);
  const isMeasuring = useTrial((s) => s.ruler !== null);
  const shown = useMemo(() => (below ? turnedOver(compiled) : compiled), [compiled, below]);
  const areas = useMemo(() => divide(width, height, whole), [width, height, whole]);
  const { board } = shown;
  const key = `${width} ${height} ${whole} ${fits} ${board.box.maxX} ${board.box.maxY}`;
  const fitted = useMemo(() => fitBoard(board.box, trialRise(shown), areas), [board, shown, areas]);
  const [held, hold] = useState<{ key: string; camera: Camera } | null>(null);
  const camera = held?.key === key ? held.camera : fitted;
  const [pointer, setPointer] = useState<Pointer | null>(null);
  const change = (part: { readonly whole?: Quadrant | null; readonly fourth?: 'title' | 'turn' }) =>
    store.getState().set(part);
  return (
    <section className="bg-base-200 flex min-h-0 min-w-0 flex-1 flex-col" aria-label="Sheet">
      <div ref={ref} className="relative min-h-0 flex-1 overflow-hidden">
        {width > 0 && (
          <Drawings
            shown={shown}
            areas={areas}
            camera={camera}
            hold={(next) => hold({ key, camera: next })}
            size={{ width, height }}
            onPointer={setPointer}
          />
        )}
        <TrialRulerPanel shown={shown} />
        {areas.turn && (
          <div
            className="absolute overflow-hidden"
            style={{
              left: areas.turn.x,
              top: areas.turn.y,
              width: areas.turn.width,
              height: areas.turn.height,
            }}
          >
            {fourth === 'title' && whole !== 'turn' ? (
              <div className="h-full pt-5">
                <TitleBlock title={titleOf(compiled, unit)} unit={unit} scale={camera.scale} />
              </div>
            ) : (
              <ErrorBoundary part="The 3D view">
                <BoardTurn trial={compiled} look={look} />
              </ErrorBoundary>
            )}
          </div>
        )}
        {(Object.keys(areas) as Quadrant[]).map((quadrant) => {
          const area = areas[quadrant];
          return (
            area && (
              <QuadrantHead
                key={quadrant}
                quadrant={quadrant}
                whole={whole}
                fourth={fourth}
                divide={change}
                area={area}
                {...(quadrant === 'plan' && below ? { name: 'From below' } : {})}
              />
            )
          );
        })}
      </div>
      <TrialReadout
        shown={shown}
        pointer={pointer}
        scale={whole === 'turn' ? null : camera.scale}
        zoom={
          <ZoomButtons
            camera={camera}
            hold={(next) => hold({ key, camera: next })}
            onFit={() => hold(null)}
            ruler={{
              on: isMeasuring,
              toggle: () => store.getState().set({ ruler: isMeasuring ? null : { from: null, to: null } }),
            }}
          />
        }
      />
    </section>
  );
}

function titleOf({ trial, board, process, parts }: CompiledTrial, unit: DisplayUnit) {
  const { maxX, maxY } = board.box;
  const size = [maxX, maxY, board.thickness].map((mm) => formatLength(mm, unit)).join(' × ');
  return [
    ['Board', trial.name],
    ['Size', `${size} ${unit}`],
    ['Process', process.name],
    ['Parts', String(parts.length)],
  ] as const;
}

interface DrawingsProps {
  shown: CompiledTrial;
  areas: Areas;
  camera: Camera;
  hold: (camera: Camera) => void;
  size: { width: number; height: number };
  onPointer: (pointer: Pointer | null) => void;
}

let drags = 0;

function Drawings({ shown, areas, camera, hold, size, onPointer }: DrawingsProps) {
  const store = useTrialStore();
  const below = useTrial((s) => s.below);
  const selected = useTrial((s) => s.selected);
  const guides = useTrial((s) => s.guides);
  const findings = useTrial((s) => s.report.findings);
  const finding = useTrial((s) => s.finding);
  const preview = useTrial((s) => s.preview);
  const unit = useTrial((s) => s.unit);
  const rise = useMemo(() => trialRise(shown), [shown]);
  const over = useMemo(() => overOf(shown.board), [shown.board]);
  const seen = useCallback((p: Point): Point => (below ? putPoint(over, p) : p), [below, over]);
  const index = useMemo(
    () => neighboursOf(shown.parts.map(({ footprint }) => footprint.courtyard.box)),
    [shown.parts],
  );
  const partAt = ({ x, y }: Point): number | null => {
    const here = index.near({ minX: x, minY: y, maxX: x, maxY: y }).filter((i) => {
      const outline = shown.parts[i]?.footprint.courtyard.contour;
      return !outline || encloses(outline, { x, y });
    });
    // the smaller of two lies in the other's room; what lies on this side goes before
    const sizeAt = (i: number) => {
      const part = shown.parts[i];
      const box = part?.footprint.courtyard.box;
      return box && part ? (box.maxX - box.minX) * (box.maxY - box.minY) + (part.footprint.far ? 1e6 : 0) : 0;
    };
    return here.sort((a, b) => sizeAt(a) - sizeAt(b))[0] ?? null;
  };
  const plan = areas.plan;
  const planPlace = plan && placer('plan', plan, camera, rise);
  const grab = (view: View, pixel: Point) => {
    if (view !== 'plan' || !plan) return null;
    const point = {
      x: camera.x + (pixel.x - plan.x - plan.width / 2) / camera.scale,
      y: camera.y - (pixel.y - plan.y - plan.height / 2) / camera.scale,
    };
    drags += 1;
    const gesture = `drag ${drags}`;
    const text = grabText(store, shown, point, gesture);
    if (text)
      return (moved: Point) =>
        text({ x: (below ? -moved.x : moved.x) / camera.scale, y: -moved.y / camera.scale });
    const at = partAt(point);
    const part = at === null ? undefined : shown.parts[at];
    if (!part) return null;
    const { compiled: before, step } = store.getState();
    const from = before.parts.find(({ id }) => id === part.id)?.placement.at;
    const first = before.parts.find((one) => one.part === part.part)?.placement.at;
    if (!from || !first) return null;
    return (moved: Point) => {
      const { compiled, edit, set } = store.getState();
      const by = { x: (below ? -moved.x : moved.x) / camera.scale, y: -moved.y / camera.scale };
      const wish = { x: first.x + by.x, y: first.y + by.y };
      const snapped = snapPart(compiled, part.part, wish, {
        reach: REACH / camera.scale,
        step: stepOf(step, unit) ?? 0.5,
      });
      set({ guides: snapped.guides, selected: part.part });
      edit(moveTo(before, part.part, snapped.at), gesture, `move ${part.reference}`);
    };
  };
  const { wheel, handlers } = useGestures({
    press: (i) => store.getState().set({ selected: i === null ? null : (shown.parts[i]?.part ?? null) }),
    areas,
    camera,
    hold,
    rise,
    onPointer,
    landAt: partAt,
    grab,
    letGo: () => store.getState().guides.length > 0 && store.getState().set({ guides: [] }),
  });
  const column: Area = {
    x: 0,
    y: 0,
    width: areas.plan?.width ?? areas.front?.width ?? size.width,
    height: areas.plan?.height ?? size.height,
  };
  const way = finding === null ? undefined : findings[finding]?.place.way;
  const balloons = placeBalloons(
    findings,
    ({ rule, place }) => (rule !== MISSING && place.at && planPlace ? planPlace(seen(place.at)) : null),
    column,
  );
  return (
    <svg
      ref={wheel}
      width={size.width}
      height={size.height}
      className="absolute inset-0 touch-none select-none"
      role="group"
      aria-label={`Drawing of ${shown.trial.name}; the list of parts beside it says the same`}
      {...handlers}
    >
      <Hatches scale={camera.scale} />
      <defs>
        {VIEWS.map((view) => {
          const area = areas[view];
          return (
            area && (
              <clipPath key={view} id={`clip-${view}`}>
                <rect {...area} />
              </clipPath>
            )
          );
        })}
      </defs>
      {plan && areas.side && (
        <path
          className="hairline"
          d={`M${plan.width + 0.5} 8V${size.height - 8}M8 ${plan.height + 0.5}H${size.width - 8}`}
        />
      )}
      {VIEWS.map((view) => {
        const area = areas[view];
        return (
          area && (
            <g key={view} clipPath={`url(#clip-${view})`}>
              <ErrorBoundary part="This view" drawnAt={area} from={shown}>
                {view === 'plan' ? (
                  <Plan trial={shown} transform={transformOf(view, area, camera, rise)} />
                ) : (
                  <Elevation trial={shown} view={view} transform={transformOf(view, area, camera, rise)} />
                )}
              </ErrorBoundary>
            </g>
          )
        );
      })}
      {plan && planPlace && (
        <g clipPath="url(#clip-plan)">
          {preview && (
            <Ghost
              before={shown}
              after={below ? turnedOver(preview.compiled) : preview.compiled}
              transform={transformOf('plan', plan, camera, rise)}
            />
          )}
          {selected !== null && (
            <Selected
              trial={shown}
              id={selected}
              place={planPlace}
              unit={unit}
              transform={transformOf('plan', plan, camera, rise)}
            />
          )}
          <Guides guides={guides} area={plan} place={(p) => planPlace(seen(p))} />
          <References trial={shown} place={planPlace} scale={camera.scale} />
        </g>
      )}
      {planPlace && way && (
        <g clipPath="url(#clip-plan)">
          <SpacingWay way={way} place={(p) => planPlace(seen(p))} unit={unit} />
        </g>
      )}
      <Balloons
        balloons={balloons}
        selected={finding}
        onOpen={(i) => store.getState().set({ finding: i, ledgerOpen: true })}
      />
      {plan && planPlace && (
        <TrialRulerLayer shown={shown} plan={{ view: 'plan', area: plan, place: planPlace }} />
      )}
    </svg>
  );
}

/** Takes hold of a printed text of this side of the board; what it gives moves it by a way on the board, mm. */
function grabText(store: TrialStore, shown: CompiledTrial, point: Point, gesture: string) {
  const part = shown.parts.find((one) => !one.footprint.far && textAt(one, point));
  const role = part && textAt(part, point)?.role;
  const { compiled: before } = store.getState();
  // as the document has the board, from above
  const from = before.parts
    .find(({ id }) => id === part?.id)
    ?.footprint.texts.find((text) => text.role === role)?.at;
  if (!part || !role || !from) return null;
  return (by: Point) => {
    const { edit, set, step, unit } = store.getState();
    const grid = stepOf(step, unit) ?? 0.5;
    const stepped = (value: number) => Math.round(value / grid) * grid;
    set({ selected: part.part });
    edit(
      moveText(before, part.id, role, { x: from.x + stepped(by.x), y: from.y + stepped(by.y) }),
      gesture,
      `move the ${role} of ${part.reference}`,
    );
  };
}

const Plan = memo(function Plan({ trial, transform }: { trial: CompiledTrial; transform: string }) {
  const { strokes } = useMemo(() => drawBoard(trial), [trial]);
  return (
    <g className="drawing" transform={transform}>
      <Strokes strokes={strokes} />
    </g>
  );
});

interface ElevationProps {
  trial: CompiledTrial;
  view: 'front' | 'side';
  transform: string;
}

const Elevation = memo(function Elevation({ trial, view, transform }: ElevationProps) {
  const { strokes } = useMemo(() => drawBoardFrom(trial, view), [trial, view]);
  return (
    <g className="drawing elevation" transform={transform}>
      <Strokes strokes={strokes} />
    </g>
  );
});
