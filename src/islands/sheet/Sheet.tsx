import { linesFor, riseOf } from '../../core/drawing/dimension-lines';
import { useMemo, useState } from 'react';
import { ErrorBoundary } from '../common/ErrorBoundary';
import { later } from '../common/later';
import { MISSING } from '../../core/document/finding';
import { neighboursOf } from '../../core/geometry/neighbours';
import type { Point } from '../../core/geometry/point';
import type { View } from '../../core/package/lines';
import type { Drawable } from '../../core/footprint/footprint';
import { useSettled } from '../common/useSettled';
import { useSize } from '../common/useSize';
import { Balloons, placeBalloons } from './Balloons';
import { Dimension, textPlace } from './Dimension';
import { glyphsFor } from './dimension-glyphs';
import { Hatches } from './Hatches';
import {
  divide,
  movedTo,
  placer,
  pointUnder,
  splitFor,
  type Area,
  type Areas,
  type Camera,
  type Quadrant,
} from './layout';
import { drawnArea, targetOf, type PlacedView } from './placed-view';
import { PinLabels } from './PinLabels';
import { LandNumbers } from './PlanView';
import { QuadrantHead } from './QuadrantHead';
import { Readout } from './Readout';
import { Shapes } from './Shapes';
import { SpacingWay } from './SpacingWay';
import { SectionMark } from './SectionMark';
import { TitleBlock } from './TitleBlock';
import { isHeavy, useCamera } from './useCamera';
import { useGestures, type Pointer } from './useGestures';
import { ZoomButtons } from './ZoomButtons';
import { SNAP, useModelGrab } from './useModelGrab';
import type { SheetActions, SheetView } from './view';

const Turn = later(
  'The 3D view',
  async () => (await import('../turn/Turn')).Turn,
  <p className="text-secondary grid h-full place-content-center">Loading the 3D view</p>,
);

const VIEWS: readonly View[] = ['plan', 'side', 'front'];

/** What heavy drawings have ready beyond their views on every side for panning, px. */
const BEYOND = 160;

interface Props {
  view: SheetView;
  actions: SheetActions;
}

/** A footprint in third-angle projection: plan, elevations, and the body in 3D or a title block. */
export function Sheet({ view, actions }: Props) {
  const { ref, width, height } = useSize<HTMLDivElement>();
  const { drawable, whole, fourth, fits, note } = view;
  const split = useMemo(() => {
    if (!drawable || width === 0) return undefined;
    const { courtyard, package: drawn } = drawable.footprint;
    return splitFor(
      { width, height },
      courtyard.box,
      riseOf(drawable.footprint, drawable.process),
      drawn.lines,
    );
  }, [drawable, width, height]);
  const [planWidth, planHeight] = [split?.width, split?.height];
  const areas = useMemo(
    () =>
      divide(
        width,
        height,
        whole,
        planWidth === undefined || planHeight === undefined
          ? undefined
          : { width: planWidth, height: planHeight },
      ),
    [width, height, whole, planWidth, planHeight],
  );
  const key = `${width} ${height} ${whole} ${fits} ${drawable?.document.package.family}`;
  const {
    camera,
    drawn,
    hold,
    fit: refit,
  } = useCamera(drawable?.footprint ?? null, drawable?.process ?? null, areas, key);
  const [pointer, setPointer] = useState<Pointer | null>(null);
  return (
    <section className="bg-base-200 flex min-h-0 min-w-0 flex-1 flex-col" aria-label="Sheet">
      <div ref={ref} className="relative min-h-0 flex-1 overflow-hidden">
        {drawable && width > 0 ? (
          <Drawings
            view={view}
            actions={actions}
            drawable={drawable}
            areas={areas}
            camera={camera}
            drawn={drawn}
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
        {view.panel}
        {areas.turn && <FourthQuadrant view={view} area={areas.turn} scale={camera.scale} />}
        {(Object.keys(areas) as Quadrant[]).map((quadrant) => {
          const area = areas[quadrant];
          const head = { quadrant, whole, fourth, divide: actions.divide };
          return area && <QuadrantHead key={quadrant} {...head} area={area} />;
        })}
        {note && (
          <p
            role="status"
            className="bg-base-100 border-warning absolute bottom-2 left-2.5 max-w-[65%] border px-2 py-0.5 text-[12px]"
          >
            {note}
          </p>
        )}
      </div>
      <Readout
        cursor={pointer?.point ?? null}
        over={pointer?.over ?? null}
        scale={camera.scale}
        moving={view.moving}
        whole={whole}
        unit={view.unit}
        drawable={drawable}
        selectedLand={view.selectedLand}
        zoom={drawable && <ZoomButtons camera={camera} hold={hold} onFit={refit} ruler={view.ruler} />}
      />
    </section>
  );
}

/** The 3D view follows once nothing was typed for so long, ms. */
const SETTLED = 350;

function FourthQuadrant({ view, area, scale }: { view: SheetView; area: Area; scale: number }) {
  const { fourth, whole, title, unit, hidden, look } = view;
  // thousands of solids are not made anew between two keys
  const drawable = useSettled(view.drawable, SETTLED);
  const { x: left, y: top, width, height } = area;
  return (
    <div className="absolute overflow-hidden" style={{ left, top, width, height }}>
      {fourth === 'title' && whole !== 'turn' ? (
        <div className="h-full pt-5">
          <TitleBlock title={title} unit={unit} scale={scale} />
        </div>
      ) : (
        drawable && (
          <ErrorBoundary part="The 3D view">
            <Turn
              footprint={drawable.footprint}
              process={drawable.process}
              hidden={hidden}
              look={look}
              ruler={view.ruler?.on ? unit : null}
            />
          </ErrorBoundary>
        )
      )}
    </div>
  );
}

interface DrawingsProps extends Props {
  drawable: Drawable;
  areas: Areas;
  camera: Camera;
  /** What shapes are drawn for while a gesture moves them. */
  drawn: Camera;
  hold: (camera: Camera) => void;
  size: { width: number; height: number };
  onPointer: (pointer: Pointer | null) => void;
}

/** Plan and elevations: what is made of matter below, then one SVG, so that leaders can cross between views. */
function Drawings(props: DrawingsProps) {
  const { view: shown, actions, drawable, areas, camera, drawn, hold, size, onPointer } = props;
  const { footprint, process } = drawable;
  const beyond = isHeavy(footprint) ? BEYOND : 0;
  const {
    stage,
    unit,
    letters,
    findings,
    selectedFinding,
    selectedLand,
    activeDimension,
    preview,
    hidden,
    pinNames,
  } = shown;
  const rise = useMemo(() => riseOf(footprint, process), [footprint, process]);
  const lands = useMemo(() => neighboursOf(footprint.lands.map(({ copper }) => copper)), [footprint]);
  const [editing, setEditing] = useState<string | null>(null);
  const selectedGroup = selectedLand === null ? null : (footprint.lands[selectedLand]?.group ?? null);

  const views = VIEWS.flatMap((view): PlacedView[] => {
    const area = areas[view];
    if (!area) return [];
    const place = placer(view, area, camera, rise);
    // names of pins stand where Mark has its dimensions
    const isNamed = stage === 'mark' && !shown.legendTexts && footprint.pins.length > 0;
    const labelled = isNamed ? [] : linesFor(stage, drawable, unit, selectedGroup, letters);
    const drawn = drawnArea(view, footprint, rise, place, stage === 'mark');
    return [{ view, area, place, glyphs: glyphsFor(labelled, view, place, drawn) }];
  });
  const planPlace = views.find(({ view }) => view === 'plan');
  const glyphs = views.flatMap((v) => v.glyphs);
  const faulty = new Set(
    findings
      .filter(({ severity, rule }) => severity !== 'note' && rule !== MISSING)
      .flatMap(({ place }) => [...(place.dimensions ?? []), ...(place.field ? [place.field] : [])]),
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
  const grabModel = useModelGrab(footprint, stage, views, camera.scale, actions.drag);
  const grab: typeof grabModel = (view, pixel) => {
    if (view !== 'plan' || !areas.plan) return grabModel(view, pixel);
    const held = actions.hold?.(pointUnder('plan', areas.plan, camera, rise, pixel));
    return held
      ? ({ x, y }) => held({ x: x / camera.scale, y: -y / camera.scale }, SNAP / camera.scale)
      : grabModel(view, pixel);
  };
  const press = actions.pressLand;
  const { wheel, handlers } = useGestures({
    press,
    areas,
    camera,
    hold,
    rise,
    onPointer,
    landAt,
    grab,
    letGo: actions.letGo,
  });
  const edited = editing === null ? undefined : glyphs.find(({ symbol }) => symbol === editing);
  const field = edited && actions.field?.(edited.symbol);

  return (
    <>
      <svg width={size.width} height={size.height} className="absolute inset-0" aria-hidden>
        <Hatches scale={drawn.scale} />
        <Grid areas={areas} size={size} />
        {views.map(({ view, area, place }) => (
          <CentreLines key={view} view={view} area={area} place={place} />
        ))}
      </svg>
      {views.map(({ view, area }) => (
        <Shapes
          key={view}
          view={view}
          area={area}
          rise={rise}
          drawable={drawable}
          preview={preview}
          camera={drawn}
          moved={movedTo(view, area, rise, { drawn, camera, beyond })}
          beyond={beyond}
          stage={stage}
          selectedLand={selectedLand}
          hidden={hidden}
          legendTexts={shown.legendTexts}
        />
      ))}
      <svg
        ref={wheel}
        width={size.width}
        height={size.height}
        className="absolute inset-0 touch-none select-none"
        role="group"
        aria-label={`Drawing of ${footprint.standardName}; the pad table under Stack lists the same lands`}
        {...handlers}
      >
        <defs>
          {views.map(({ view, area }) => (
            <clipPath key={view} id={`clip-${view}`}>
              <rect {...area} />
            </clipPath>
          ))}
        </defs>
        {views.map(({ view, area, place, glyphs: own }) => (
          <g key={view} clipPath={`url(#clip-${view})`}>
            {selectedLand !== null && (
              <SectionMark view={view} land={footprint.lands[selectedLand]} area={area} place={place} />
            )}
            {own.map((glyph) => (
              <Dimension
                key={`${glyph.symbol}`}
                glyph={glyph}
                active={activeDimension === glyph.symbol}
                fault={faulty.has(glyph.symbol)}
                onPress={actions.field?.(glyph.symbol) ? () => setEditing(glyph.symbol) : undefined}
                onPoint={(over) => editing === null && actions.pointDimension(over ? glyph.symbol : null)}
              />
            ))}
            {view === 'plan' && (
              <LandNumbers
                footprint={footprint}
                place={place}
                scale={camera.scale}
                withTexts={shown.legendTexts}
              />
            )}
            {view === 'plan' && pinNames !== 'off' && footprint.pins.length > 0 && (
              <PinLabels footprint={footprint} place={place} scale={camera.scale} where={pinNames} />
            )}
          </g>
        ))}
        {planPlace && findings[selectedFinding ?? -1]?.place.way && (
          <g clipPath="url(#clip-plan)">
            <SpacingWay
              way={findings[selectedFinding ?? -1]?.place.way ?? []}
              place={planPlace.place}
              unit={unit}
            />
          </g>
        )}
        <Balloons balloons={balloons} selected={selectedFinding} onOpen={actions.openFinding} />
        {shown.overlay?.(views)}
      </svg>
      {edited && field?.({ symbol: edited.symbol, at: textPlace(edited), onClose: () => setEditing(null) })}
    </>
  );
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
