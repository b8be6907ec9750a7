import { useMemo, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { pointToSegment } from '../../core/geometry/distance';
import { boxOfPoints, grow, type Box } from '../../core/geometry/box';
import { neighboursOf } from '../../core/geometry/neighbours';
import type { Point } from '../../core/geometry/point';
import type { KeptMeasurement } from '../../core/ruler/kept';
import { measure, type MeasuredDistance } from '../../core/ruler/measure';
import type { Thing } from '../../core/ruler/things';
import { formatLength, type DisplayUnit } from '../../core/units/length';
import { labelAt } from '../sheet/beside';
import type { Area } from '../sheet/layout';

/** A view that things are picked in. */
export interface RulerView {
  readonly view: 'plan' | 'front' | 'side';
  readonly area: Area;
  readonly place: (p: Point) => Point;
}

/** What is laid: the two things, by what they are known by. */
export interface Laid {
  readonly from: string | null;
  readonly to: string | null;
}

interface Props {
  views: readonly RulerView[];
  things: readonly Thing[];
  /** `null` while the ruler is put away; kept measurements are drawn all the same. */
  laid: Laid | null;
  kept: readonly KeptMeasurement[];
  unit: DisplayUnit;
  onPick: (id: string) => void;
}

/** A thing is picked within this of the pointer, px. */
const REACH = 12;
/** Of several within reach the first of these goes before: points, edges, shapes. */
const ORDER: Readonly<Record<Thing['kind'], number>> = {
  point: 0,
  upright: 1,
  level: 1,
  height: 1,
  outline: 2,
};

/** The ruler over a drawing: what lies under the pointer is lit and named, and pressed things are measured between. */
export function RulerLayer({ views, things, laid, kept, unit, onPick }: Props) {
  const [over, setOver] = useState<{ readonly thing: Thing; readonly view: RulerView } | null>(null);
  const isOn = laid !== null;
  const index = useMemo(
    () => (isOn ? neighboursOf(things.map(({ drawn }) => boxOfPoints(drawn) as Box)) : null),
    [things, isOn],
  );
  const known = useMemo(() => new Map(things.map((thing) => [thing.id, thing])), [things]);
  const [from, to] = [known.get(laid?.from ?? ''), known.get(laid?.to ?? '')];
  const pickAt = (view: RulerView, event: PointerEvent<SVGRectElement>): Thing | null => {
    if (!index) return null;
    const svg = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    if (!svg) return null;
    const pixel = { x: event.clientX - svg.left, y: event.clientY - svg.top };
    return nearestThing(view, pixel, things, index);
  };
  /** Arrow keys go from thing to thing, Enter and the space bar take the one that is lit. */
  const walk = (view: RulerView) => (event: KeyboardEvent<SVGRectElement>) => {
    const way = WAYS[event.key];
    const isTaken = event.key === 'Enter' || event.key === ' ';
    if (!way && !isTaken) return;
    event.preventDefault();
    event.stopPropagation();
    if (isTaken && over) onPick(over.thing.id);
    const next = way && nextThing(things, over?.view.view === view.view ? over.thing : null, view, way);
    if (next) setOver({ thing: next, view });
  };
  return (
    <g className="ruler">
      {views.map(({ view, place }) => (
        <g key={view} clipPath={`url(#clip-${view})`}>
          {kept.map(
            ({ id, now }) =>
              now && isIn(now, view) && <Line key={id} found={now} place={place} unit={unit} />,
          )}
          {from &&
            to &&
            laid &&
            chosen(from, to, view).map((found) => (
              <Line key={found.what} found={found} place={place} unit={unit} isLaid />
            ))}
          {[from, to].map(
            (thing, i) =>
              thing && seenIn(thing, view) && <Lit key={i} thing={thing} place={place} isPicked />,
          )}
          {over?.view.view === view && <Lit thing={over.thing} place={place} />}
        </g>
      ))}
      {laid !== null &&
        views.map((view) => (
          <rect
            key={view.view}
            {...view.area}
            className="ruler-field"
            tabIndex={0}
            role="application"
            aria-label={`${over?.view.view === view.view ? `${over.thing.name}; ` : ''}things in the ${view.view === 'plan' ? 'drawing' : `${view.view} elevation`}: arrow keys walk, Enter takes one`}
            onKeyDown={walk(view)}
            onBlur={() => setOver(null)}
            onPointerMove={(event) => {
              const thing = pickAt(view, event);
              setOver(thing && { thing, view });
            }}
            onPointerLeave={() => setOver(null)}
            onPointerDown={(event) => {
              const thing = event.button === 0 ? pickAt(view, event) : null;
              if (!thing) return;
              event.stopPropagation();
              onPick(thing.id);
            }}
            onPointerUp={(event) => {
              // what was picked is not pressed as well
              if (pickAt(view, event)) event.stopPropagation();
            }}
          />
        ))}
      {over && <NameOf thing={over.thing} view={over.view} />}
    </g>
  );
}

/** Where arrow keys lead, px. */
const WAYS: Readonly<Record<string, Point>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

/** The nearest thing in a direction: what lies straight ahead goes before what lies aside. */
function nextThing(
  things: readonly Thing[],
  from: Thing | null,
  { view, place, area }: RulerView,
  way: Point,
): Thing | null {
  const seen = things.filter((thing) => seenIn(thing, view));
  const at = (thing: Thing) => {
    const points = thing.drawn.map(place);
    const sum = points.reduce((a, p) => ({ x: a.x + p.x, y: a.y + p.y }), { x: 0, y: 0 });
    return { x: sum.x / points.length, y: sum.y / points.length };
  };
  const start = from ? at(from) : { x: area.x + area.width / 2, y: area.y + area.height / 2 };
  let best: { readonly thing: Thing; readonly cost: number } | null = null;
  for (const thing of seen) {
    if (thing.id === from?.id) continue;
    const { x, y } = at(thing);
    const [dx, dy] = [x - start.x, y - start.y];
    const [ahead, aside] = [dx * way.x + dy * way.y, Math.abs(dx * way.y) + Math.abs(dy * way.x)];
    // what lies at the very place is gone through first, by the order of names
    const isHere = Math.abs(dx) < 0.5 && Math.abs(dy) < 0.5;
    if (from && !isHere && ahead < 0.5) continue;
    if (isHere && (from === null || thing.id <= from.id)) continue;
    const cost = from === null ? Math.hypot(dx, dy) : isHere ? 0 : ahead + 3 * aside;
    if (!best || cost < best.cost || (cost === best.cost && thing.id < best.thing.id)) best = { thing, cost };
  }
  return best?.thing ?? null;
}

const isIn = ({ what }: MeasuredDistance, view: RulerView['view']): boolean =>
  what === 'height' ? view === 'front' : view === 'plan';

const seenIn = ({ kind }: Thing, view: RulerView['view']): boolean =>
  kind === 'height' ? view !== 'plan' : view === 'plan';

/** Of all that can be said of two things the one that is drawn. */
function chosen(from: Thing, to: Thing, view: RulerView['view']): MeasuredDistance[] {
  const [first] = measure(from, to);
  return first && isIn(first, view) ? [first] : [];
}

function nearestThing(
  { view, place }: RulerView,
  pixel: Point,
  things: readonly Thing[],
  index: ReturnType<typeof neighboursOf>,
): Thing | null {
  // a millimetre is as many pixels in every direction
  const [o, e] = [place({ x: 0, y: 0 }), place({ x: 1, y: 0 })];
  const scale = Math.hypot(e.x - o.x, e.y - o.y);
  const point =
    view === 'side'
      ? { x: (pixel.y - o.y) / -scale, y: (o.x - pixel.x) / scale }
      : { x: (pixel.x - o.x) / scale, y: (o.y - pixel.y) / scale };
  const reach = REACH / scale;
  const near = index
    .near(grow({ minX: point.x, maxX: point.x, minY: point.y, maxY: point.y }, view === 'plan' ? reach : 1e3))
    .flatMap((i) => {
      const thing = things[i] as Thing;
      if (!seenIn(thing, view)) return [];
      const apart = distanceTo(thing, point);
      return apart <= reach ? [{ thing, apart }] : [];
    });
  const best = near.sort((a, b) => ORDER[a.thing.kind] - ORDER[b.thing.kind] || a.apart - b.apart)[0];
  // what is much nearer goes before what is only of a finer kind
  const closest = near.sort((a, b) => a.apart - b.apart)[0];
  if (!best || !closest) return null;
  return best.apart - closest.apart < reach / 2 ? best.thing : closest.thing;
}

function distanceTo({ kind, drawn }: Thing, p: Point): number {
  const [first] = drawn;
  if (!first) return Infinity;
  if (kind === 'height') return Math.abs(p.y - first.y);
  if (drawn.length === 1) return Math.hypot(first.x - p.x, first.y - p.y);
  return Math.min(...drawn.slice(1).map((q, i) => pointToSegment(p, drawn[i] as Point, q)));
}

function Lit({
  thing,
  place,
  isPicked = false,
}: {
  thing: Thing;
  place: (p: Point) => Point;
  isPicked?: boolean;
}) {
  const points = thing.drawn.map(place);
  const [first] = points;
  const className = isPicked ? 'ruler-picked' : 'ruler-over';
  if (!first) return null;
  return points.length === 1 ? (
    <circle className={className} cx={first.x} cy={first.y} r={4} />
  ) : (
    <polyline className={className} points={points.map(({ x, y }) => `${x},${y}`).join(' ')} />
  );
}

function NameOf({ thing, view: { area, place } }: { thing: Thing; view: RulerView }) {
  const at = place(thing.drawn[Math.floor(thing.drawn.length / 2)] ?? { x: 0, y: 0 });
  const width = 10 + 6.2 * thing.name.length;
  const x = Math.min(Math.max(at.x + 10, area.x + 4), area.x + area.width - width - 4);
  const y = Math.min(Math.max(at.y - 26, area.y + 24), area.y + area.height - 22);
  return (
    <g className="ruler-name" transform={`translate(${x} ${y})`}>
      <rect width={width} height={18} rx={2} />
      <text x={5} y={13}>
        {thing.name}
      </text>
    </g>
  );
}

/** A measured distance as a dimension line: its ends, and the value at its middle. */
function Line({
  found: { from, to, value, what },
  place,
  unit,
  isLaid = false,
}: {
  found: MeasuredDistance;
  place: (p: Point) => Point;
  unit: DisplayUnit;
  isLaid?: boolean;
}) {
  const [p, q] = [place(from), place(to)];
  const length = Math.hypot(q.x - p.x, q.y - p.y);
  const text = formatLength(value.nom, unit);
  const width = 8 + 6.2 * text.length;
  const [ux, uy] = length < 1 ? [1, 0] : [(q.x - p.x) / length, (q.y - p.y) / length];
  const middle = { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 };
  const label = labelAt(middle, length, { x: ux, y: uy }, width);
  // the smallest gap is a short double line
  const side = what === 'gap' ? 1.6 : 0;
  const lines = side === 0 ? [0] : [-side, side];
  return (
    <g className={isLaid ? 'ruler-laid' : 'ruler-kept'}>
      {lines.map((by) => (
        <line key={by} x1={p.x - by * uy} y1={p.y + by * ux} x2={q.x - by * uy} y2={q.y + by * ux} />
      ))}
      {[p, q].map(({ x, y }, i) => (
        <line key={`end ${i}`} x1={x - 5 * uy} y1={y + 5 * ux} x2={x + 5 * uy} y2={y - 5 * ux} />
      ))}
      <g transform={`translate(${label.x} ${label.y})`}>
        <rect x={-width / 2} y={-8} width={width} height={16} rx={2} />
        <text y={4} textAnchor="middle">
          {text}
        </text>
      </g>
    </g>
  );
}
