import { lazy, Suspense, useEffect, useMemo, useState } from 'react';
import { landDimensions } from '../../core/drawing/land-dimensions';
import { MISSING } from '../../core/footprint/compile';
import { neighboursOf } from '../../core/geometry/neighbours';
import type { SettableSize } from '../../core/land/solution';
import type { Point } from '../../core/geometry/point';
import type { View } from '../../core/package/lines';
import { useBench } from '../bench/context';
import type { Drawable } from '../bench/derive';
import type { Quadrant } from '../bench/state';
import { useSize } from '../common/useSize';
import { Balloons, placeBalloons } from './Balloons';
import { Dimension, textPlace } from './Dimension';
import { glyphsFor, HEIGHT_FIELDS, linesFor } from './dimension-glyphs';
import { ElevationView } from './ElevationView';
import { Hatches } from './Hatches';
import { divide, placer, transformOf, type Area, type Areas, type Camera } from './layout';
import { drawnArea, targetOf, type PlacedView } from './placed-view';
import { LandNumbers, PlanView } from './PlanView';
import { QuadrantHead } from './QuadrantHead';
import { Readout } from './Readout';
import { SectionMark } from './SectionMark';
import { SheetField, type LandSizeField } from './SheetField';
import { TitleBlock } from './TitleBlock';
import { riseOf, useCamera } from './useCamera';
import { useGestures, type Pointer } from './useGestures';
import { useModelGrab } from './useModelGrab';

const Turn = lazy(() => import('../turn/Turn').then(({ Turn: component }) => ({ default: component })));

const VIEWS: readonly View[] = ['plan', 'side', 'front'];

/** The drawing in the middle of the Bench, in third-angle projection. */
export function Sheet() {
  const { ref, width, height } = useSize<HTMLDivElement>();
  const shown = useBench((s) => s.derived.shown);
  const whole = useBench((s) => s.whole);
  const areas = useMemo(() => divide(width, height, whole), [width, height, whole]);
  const drawable = shown?.drawable ?? null;
  const key = `${width} ${height} ${whole} ${drawable?.document.package.family}`;
  const { camera, hold, refit } = useCamera(
    drawable?.footprint ?? null,
    drawable?.process ?? null,
    areas,
    key,
  );
  const [pointer, setPointer] = useState<Pointer | null>(null);

  useEffect(() => {
    const listen = () => refit();
    addEventListener('tapis:fit', listen);
    return () => removeEventListener('tapis:fit', listen);
  });

  return (
    <section className="bg-base-200 flex min-h-0 min-w-0 flex-1 flex-col" aria-label="Sheet">
      <div ref={ref} className="relative min-h-0 flex-1 overflow-hidden">
        {drawable && width > 0 ? (
          <Drawings
            drawable={drawable}
            areas={areas}
            camera={camera}
            hold={hold}
            size={{ width, height }}
            onPointer={setPointer}
          />
        ) : (
          width > 0 && (
            <p className="text-secondary p-10 text-[15px]">
              Enter the dimensions of the package to see it drawn. The Ledger names what is missing.
            </p>
          )
        )}
        {areas.turn && <FourthQuadrant area={areas.turn} scale={camera.scale} />}
        {(Object.keys(areas) as Quadrant[]).map(
          (quadrant) =>
            areas[quadrant] && <QuadrantHead key={quadrant} quadrant={quadrant} area={areas[quadrant]} />,
        )}
        {shown && shown.stand !== 'current' && <StandNote stand={shown.stand} filled={shown.filled} />}
      </div>
      <Readout cursor={pointer?.point ?? null} over={pointer?.over ?? null} scale={camera.scale} />
    </section>
  );
}

function StandNote({ stand, filled }: { stand: 'last-good' | 'example'; filled: readonly string[] }) {
  const text =
    stand === 'last-good'
      ? 'This is the last good drawing; the Ledger says what cannot be used.'
      : `Drawn with example values for ${filled.join(', ')}.`;
  return (
    <p
      role="status"
      className="bg-base-100 border-warning absolute bottom-2 left-2.5 max-w-[65%] border px-2 py-0.5 text-[12px]"
    >
      {text}
    </p>
  );
}

function FourthQuadrant({ area, scale }: { area: Area; scale: number }) {
  const fourth = useBench((s) => s.fourth);
  const whole = useBench((s) => s.whole);
  const { x: left, y: top, width, height } = area;
  return (
    <div className="absolute overflow-hidden" style={{ left, top, width, height }}>
      {fourth === 'title' && whole !== 'turn' ? (
        <div className="h-full pt-5">
          <TitleBlock scale={scale} />
        </div>
      ) : (
        <Suspense
          fallback={<p className="text-secondary grid h-full place-content-center">Loading the 3D view</p>}
        >
          <Turn />
        </Suspense>
      )}
    </div>
  );
}

interface DrawingsProps {
  drawable: Drawable;
  areas: Areas;
  camera: Camera;
  hold: (camera: Camera) => void;
  size: { width: number; height: number };
  onPointer: (pointer: Pointer | null) => void;
}

/** Plan and elevations in one SVG, so that leaders and projection lines can cross between them. */
function Drawings({ drawable, areas, camera, hold, size, onPointer }: DrawingsProps) {
  const { footprint, process } = drawable;
  const stage = useBench((s) => s.stage);
  const unit = useBench((s) => s.unit);
  const findings = useBench((s) => s.derived.report.findings);
  const selectedFinding = useBench((s) => s.selectedFinding);
  const selectedLand = useBench((s) => s.selectedLand);
  const activeDimension = useBench((s) => s.activeDimension);
  const preview = useBench((s) => s.preview?.derived.compiled.footprint ?? null);
  const openFinding = useBench((s) => s.openFinding);
  const set = useBench((s) => s.set);
  const hidden = useBench((s) => s.hidden);
  const rise = useMemo(() => riseOf(footprint, process), [footprint, process]);
  const lands = useMemo(() => neighboursOf(footprint.lands.map(({ copper }) => copper)), [footprint]);
  const [editing, setEditing] = useState<string | null>(null);
  const selectedGroup = selectedLand === null ? null : (footprint.lands[selectedLand]?.group ?? null);

  const views = VIEWS.flatMap((view): PlacedView[] => {
    const area = areas[view];
    if (!area) return [];
    const place = placer(view, area, camera, rise);
    const labelled = linesFor(stage, drawable, unit, selectedGroup);
    const drawn = drawnArea(view, footprint, rise, place, stage === 'mark');
    return [{ view, area, place, glyphs: glyphsFor(labelled, view, place, drawn) }];
  });
  const glyphs = views.flatMap((v) => v.glyphs);
  const faulty = new Set(
    findings
      .filter(({ severity, rule }) => severity !== 'note' && rule !== MISSING)
      .flatMap(({ place }) => place.dimensions ?? []),
  );
  // balloons stand in a column beside plan and front elevation
  const column: Area = {
    x: 0,
    y: 0,
    width: areas.plan?.width ?? areas.front?.width ?? size.width,
    height: size.height,
  };
  const balloons = placeBalloons(findings, (finding) => targetOf(finding, views, drawable), column);

  const landAt = ({ x, y }: Point) => lands.near({ minX: x, minY: y, maxX: x, maxY: y })[0] ?? null;
  const grab = useModelGrab(footprint, stage, views, camera.scale);
  const gestures = useGestures({ areas, camera, hold, rise, onPointer, landAt, grab });
  const edited = editing === null ? undefined : glyphs.find(({ symbol }) => symbol === editing);

  return (
    <>
      <svg
        width={size.width}
        height={size.height}
        className="absolute inset-0 touch-none select-none"
        role="img"
        aria-label={`Drawing of ${footprint.standardName}; the pad table under Stack lists the same lands`}
        {...gestures.handlers}
      >
        <Hatches scale={camera.scale} />
        <defs>
          {views.map(({ view, area }) => (
            <clipPath key={view} id={`clip-${view}`}>
              <rect {...area} />
            </clipPath>
          ))}
        </defs>
        <Grid areas={areas} size={size} />
        {views.map(({ view, area, place, glyphs: own }) => (
          <g key={view} clipPath={`url(#clip-${view})`}>
            <CentreLines view={view} area={area} place={place} />
            {view === 'plan' ? (
              <PlanView
                footprint={footprint}
                transform={transformOf(view, area, camera, rise)}
                selected={selectedLand}
                preview={preview}
                recommended={stage === 'land' ? drawable.recommended : null}
                showTexts={stage === 'mark'}
              />
            ) : (
              <ElevationView
                footprint={footprint}
                process={process}
                view={view}
                transform={transformOf(view, area, camera, rise)}
                cut={selectedLand}
                low={rise.low}
                hidden={hidden}
              />
            )}
            {selectedLand !== null && (
              <SectionMark view={view} land={footprint.lands[selectedLand]} area={area} place={place} />
            )}
            {own.map((glyph) => (
              <Dimension
                key={`${glyph.symbol}`}
                glyph={glyph}
                active={activeDimension === glyph.symbol}
                fault={faulty.has(glyph.symbol)}
                onPress={isField(stage, drawable, glyph.symbol) ? () => setEditing(glyph.symbol) : undefined}
                onPoint={(over) => editing === null && set({ activeDimension: over ? glyph.symbol : null })}
              />
            ))}
            {view === 'plan' && <LandNumbers footprint={footprint} place={place} scale={camera.scale} />}
          </g>
        ))}
        <Balloons balloons={balloons} selected={selectedFinding} onOpen={openFinding} />
      </svg>
      {edited && (
        <SheetField
          symbol={edited.symbol}
          land={stage === 'land' ? landSizeOf(drawable, edited.symbol) : null}
          height={stage === 'rise' ? (HEIGHT_FIELDS[edited.symbol] ?? null) : null}
          at={textPlace(edited)}
          onClose={() => setEditing(null)}
        />
      )}
    </>
  );
}

/** Dimensions of the datasheet, and the land sizes and heights that can be set, can be changed on the drawing. */
function isField(stage: string, drawable: Drawable, symbol: string): boolean {
  if (stage === 'rise') return Object.hasOwn(HEIGHT_FIELDS, symbol);
  return stage === 'measure' || (stage === 'land' && landSizeOf(drawable, symbol) !== null);
}

const SETTABLE: readonly string[] = ['X', 'Y', 'C', 'D', 'H'] satisfies SettableSize[];

/** Which size of which group a dimension of the Land stage shows; `null` where it cannot be set. */
function landSizeOf({ footprint }: Drawable, symbol: string): LandSizeField | null {
  const drawn = landDimensions(footprint).find((line) => line.symbol === symbol);
  if (!drawn || !SETTABLE.includes(drawn.size)) return null;
  return { group: drawn.group, size: drawn.size as SettableSize };
}

/** Hairlines between the quadrants. */
function Grid({ areas, size }: { areas: Areas; size: { width: number; height: number } }) {
  const { plan, side } = areas;
  if (!plan || !side) return null;
  return (
    <path
      className="hairline"
      d={`M${plan.width + 0.5} 8V${size.height - 8}M8 ${plan.height + 0.5}H${size.width - 8}`}
    />
  );
}

/** Axes through the origin; they run through plan and elevations alike. */
function CentreLines({ view, area, place }: { view: View; area: Area; place: (p: Point) => Point }) {
  const { x, y } = place({ x: 0, y: 0 });
  const across = `M${area.x + 6} ${y}H${area.x + area.width - 6}`;
  const down = `M${x} ${area.y + 6}V${area.y + area.height - 6}`;
  const d = view === 'plan' ? across + down : view === 'front' ? down : across;
  return <path className="centre-line" d={d} />;
}
