import { linesFor, riseOf, type Labelled } from '../../drawing/dimension-lines';
import { verticesOf, type Stroke } from '../../drawing/drawing';
import { drawElevation, drawSolids } from '../../drawing/elevation';
import { packageViews } from '../../drawing/package-views';
import { drawPlan, numberPlaces } from '../../drawing/plan';
import { firstLand } from '../../footprint/lands';
import { overhang } from '../../geometry/box';
import { contourOf } from '../../geometry/figure';
import { bodyAt } from '../../package/drawn';
import { flatten, type Vertex } from '../../geometry/contour';
import type { Point } from '../../geometry/point';
import { keptMeasurements } from '../../ruler/kept';
import { formatMm } from '../../units/length';
import type { Writable } from '../format';
import { framed, lying, MARGIN, TITLE, type HandOver, type Size } from './frame';
import { LINE, line, rectangle, type Item, type Page } from './page';
import { SECTION, stackSection } from './stack-section';
import { fitted, Flow } from './table';
import {
  boreTable,
  dimensionTable,
  keepOutTable,
  landTable,
  measurementTable,
  padstackTable,
  pinTable,
} from './tables';
import { putViews, scaleWords, strokeItems, type Field, type PutViews } from './views';
import { standardNamed } from '../../document/standard-hash';

/** Sheets of a drawing: the land pattern, the package, and tables. */
export function drawingSheets(compiled: Writable, about: HandOver = {}): Page[] {
  const size = lying(about.paper);
  const pattern = patternSheet(compiled, size);
  const drawn = packageSheet(compiled, size);
  const tables = tablePages(compiled, size, pattern);
  const sheets = [
    { items: pattern.items, title: 'Land pattern', scale: scaleWords(pattern.scale) },
    ...(drawn ? [{ items: drawn.items, title: 'Package', scale: scaleWords(drawn.scale) }] : []),
    ...tables.map((items) => ({ items, title: 'Tables', scale: '–' })),
  ];
  return sheets.map(({ items, title, scale }, i) =>
    framed(
      size,
      [heading(title), ...items],
      titleFields(compiled, about, scale, `${i + 1} of ${sheets.length}`),
    ),
  );
}

const heading = (text: string): Item => ({
  kind: 'text',
  text,
  x: MARGIN + 3,
  y: MARGIN + 6,
  size: 4,
  bold: true,
});

function titleFields(
  { document, footprint, process, standard }: Writable,
  about: HandOver,
  scale: string,
  sheet: string,
): (readonly [string, string])[] {
  const { reference = '', value = '' } = document.marks ?? {};
  return [
    ['footprint', document.name],
    ['standard name, IPC-7351B', footprint.standardName],
    ['reference, value', [reference, value].filter(Boolean).join(', ') || '–'],
    ['level', `${document.level}`],
    ['process', process.name],
    ...(standard.document ? ([['standard', standardNamed(standard)]] as const) : []),
    ['revision', about.revision ?? 'not kept'],
    ['source', document.package.source ?? '–'],
    ['date', about.date ?? '–'],
    ['scale, lengths in mm', scale],
    ['sheet', sheet],
  ];
}

/** Room for views on a sheet: what is left of it by the heading and the title block. */
function fieldOf({ width, height }: Size): Field {
  return {
    left: MARGIN + 4,
    top: MARGIN + 10,
    width: width - 2 * MARGIN - 8,
    height: height - 2 * MARGIN - 14,
    corner: { width: TITLE.width + 4, height: TITLE.height + 4 },
  };
}

/** The land pattern in plan and elevations, its lands dimensioned, and a cut through a joint. */
function patternSheet(compiled: Writable, size: Size): PutViews & { readonly hasDetail: boolean } {
  const { footprint, process } = compiled;
  const rise = riseOf(footprint, process);
  const elevation = (view: 'front' | 'side') =>
    drawElevation(footprint, process, view, { low: rise.low, cut: null });
  const lines: Labelled[] = [
    ...linesFor('land', compiled, 'mm'),
    ...outermost(linesFor('mark', compiled, 'mm'), linesFor('land', compiled, 'mm')),
    ...linesFor('rise', compiled, 'mm').map(({ line, text }) => ({
      line,
      text: text.replace(/^(top|underside|solder|leads|board) /, ''),
    })),
  ];
  const field = fieldOf(size);
  const put = putViews(
    { plan: drawPlan(footprint), front: elevation('front'), side: elevation('side'), lines },
    field,
  );
  const detail = jointDetail(compiled, put.scale, cornerOf(size, put));
  return {
    ...put,
    items: [...put.items, ...numbers(compiled, put), ...measured(compiled, put), ...detail],
    hasDetail: detail.length > 0,
  };
}

/** Lines that stand beyond others on their side. */
function outermost(lines: readonly Labelled[], inner: readonly Labelled[]): Labelled[] {
  return lines.map(({ line, text }) => {
    const taken = inner.filter((one) => one.line.view === line.view && one.line.side === line.side);
    return { text, line: { ...line, tier: Math.max(-1, ...taken.map((one) => one.line.tier)) + 1 } };
  });
}

/** Land numbers, as large as they may be without running together. */
function numbers({ footprint }: Writable, { plan, scale }: PutViews): Item[] {
  const [clear, usual] = [3.2, 2];
  const places = numberPlaces(footprint, clear / scale);
  const near = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y) * scale;
  const spots = places.map(({ x, y }) => ({ x, y }));
  const gap = Math.min(
    Infinity,
    ...spots
      .slice(0, 600)
      .flatMap((a, i) => (spots[i + 1] ? [near(a, spots[i + 1] as Point)] : []))
      .filter((d) => d > 0),
  );
  const height = Math.min(usual, Math.max(0.9, gap * 0.8));
  return places.map(({ text, ...at }): Item => {
    const { x, y } = plan(at);
    return { kind: 'text', text, x, y: y + height * 0.35, size: height, anchor: 'middle' };
  });
}

/** Measurements that are kept, in the plan: lines with short strokes at their ends. */
function measured({ measurements, footprint, process }: Writable, { plan }: PutViews): Item[] {
  return keptMeasurements(measurements, footprint, process).flatMap(({ now }): Item[] => {
    if (!now || now.what === 'height') return [];
    const [a, b] = [plan(now.from), plan(now.to)];
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    const [ux, uy] = length < 0.1 ? [1, 0] : [(b.x - a.x) / length, (b.y - a.y) / length];
    const end = ({ x, y }: Point) =>
      line({ x: x - 1.2 * uy, y: y + 1.2 * ux }, { x: x + 1.2 * uy, y: y - 1.2 * ux });
    const text = formatMm(now.value.nom);
    return [
      line(a, b, LINE.usual),
      end(a),
      end(b),
      { kind: 'text', text, x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 - 0.7, size: 2, anchor: 'middle' },
    ];
  });
}

/** A part of the page. */
interface Room {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** The corner between the elevations, over the title block. */
const cornerOf = ({ width, height }: Size, { rooms }: Pick<PutViews, 'rooms'>): Room => ({
  left: Math.max(rooms.plan.right + 16, rooms.front.right + 16),
  top: Math.max(rooms.plan.bottom, rooms.side.bottom) + 20,
  right: width - MARGIN - 4,
  bottom: height - MARGIN - TITLE.height - 6,
});

/** A cut through the first land's joint at a larger scale; nothing where there is no room for one. */
function jointDetail({ footprint, process }: Writable, scale: number, room: Room): Item[] {
  const land = firstLand(footprint.lands);
  const index = land ? footprint.lands.indexOf(land) : -1;
  if (!land || index < 0) return [];
  const along = Math.abs(Math.cos((land.rotation * Math.PI) / 180)) > 0.5;
  const view = along ? 'front' : 'side';
  const rise = riseOf(footprint, process);
  const { strokes } = drawElevation(footprint, process, view, { low: rise.low, cut: index });
  const [from, to] = along ? [land.copper.minX, land.copper.maxX] : [land.copper.minY, land.copper.maxY];
  const [w, h] = [room.right - room.left, room.bottom - room.top - 6];
  const reach = (to - from) * 1.7;
  const heightShown = Math.min(rise.high - rise.low, reach * (h / w));
  const own = [50, 40, 25, 20, 16, 10, 8, 5, 4, 2].find(
    (one) => one > scale && reach * one <= w && heightShown * one <= h,
  );
  if (w < 25 || h < 12 || own === undefined) return [];
  const middle = (from + to) / 2;
  const low = -Math.min(-rise.low, heightShown * 0.35);
  const top = low + Math.min(h / own, heightShown);
  // what is shown is not wider than what there is to show
  const shown = Math.min(w, Math.max(reach * 1.4 * own, 60));
  const put = (p: Point): Point => ({
    x: room.left + shown / 2 + (p.x - middle) * own,
    y: room.top + 6 + (top - p.y) * own,
  });
  const box = { minX: middle - shown / 2 / own, maxX: middle + shown / 2 / own, minY: low, maxY: top };
  return [
    {
      kind: 'text',
      text: `Joint at land ${land.number}, cut, ${scaleWords(own)}`,
      x: room.left,
      y: room.top + 2.5,
      size: 2.5,
      bold: true,
    },
    ...strokeItems(cropped(strokes, box), put, own, false),
    rectangle(room.left, room.top + 6, shown, (top - low) * own, { stroke: LINE.thin, ink: 0.4 }),
  ];
}

type Strokes = ReturnType<typeof drawElevation>['strokes'];

/** Closed rings cut off at a box; open lines that leave it are left out. */
function cropped(
  strokes: Strokes,
  box: { readonly minX: number; readonly maxX: number; readonly minY: number; readonly maxY: number },
): Strokes {
  return strokes.flatMap((stroke) => {
    const rings = stroke.rings.map(verticesOf).flatMap((ring): (readonly Vertex[])[] => {
      const inside = ring.every(
        ({ x, y }) => x >= box.minX && x <= box.maxX && y >= box.minY && y <= box.maxY,
      );
      if (inside) return [ring];
      return stroke.closed ? cropRing(ring, box) : [];
    });
    return rings.length > 0 ? [{ ...stroke, rings }] : [];
  });
}

/** A ring cut at the four sides of a box, one after the other. */
function cropRing(ring: readonly Vertex[], box: Parameters<typeof cropped>[1]): Point[][] {
  let points: Point[] = flatten(ring, 0.005).map(({ x, y }) => ({ x, y }));
  const sides = [
    { inside: (p: Point) => p.x >= box.minX, meet: (a: Point, b: Point) => atX(a, b, box.minX) },
    { inside: (p: Point) => p.x <= box.maxX, meet: (a: Point, b: Point) => atX(a, b, box.maxX) },
    { inside: (p: Point) => p.y >= box.minY, meet: (a: Point, b: Point) => atY(a, b, box.minY) },
    { inside: (p: Point) => p.y <= box.maxY, meet: (a: Point, b: Point) => atY(a, b, box.maxY) },
  ];
  for (const { inside, meet } of sides)
    points = points.flatMap((b, i) => {
      const a = points[(i + points.length - 1) % points.length] as Point;
      const crossing = inside(a) === inside(b) ? [] : [meet(a, b)];
      return inside(b) ? [...crossing, b] : crossing;
    });
  return points.length > 2 ? [points] : [];
}

const atX = (a: Point, b: Point, x: number): Point => ({
  x,
  y: a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x),
});
const atY = (a: Point, b: Point, y: number): Point => ({
  x: a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y),
  y,
});

/** The package alone in three views with the datasheet's dimensions; `null` where it has none. */
function packageSheet(compiled: Writable, size: Size): PutViews | null {
  const { footprint } = compiled;
  if (footprint.package.lines.length === 0 || footprint.body.assembly.parts.length === 0) return null;
  const views = packageViews(footprint);
  return putViews(
    {
      // terminals under the body are drawn as what is hidden
      plan: { ...views.plan, strokes: [...views.plan.strokes, ...hiddenTerminals(footprint)] },
      front: views.front,
      side: views.side ?? drawSolids(footprint, 'side'),
      lines: linesFor('measure', compiled, 'mm'),
      solid: true,
    },
    fieldOf(size),
  );
}

/** The contacts of terminals that the body covers. */
function hiddenTerminals({ lands, body: { extent } }: Writable['footprint']): Stroke[] {
  const body = bodyAt(extent, 'nom');
  const rings = lands
    .filter(({ terminal, contact }) => terminal && overhang(contact.nom, body) < 1e-6)
    .map(({ contact }) => contourOf(contact.nom));
  return rings.length > 0 ? [{ layer: 'contact', rings, closed: true }] : [];
}

/** Height of the joint's detail where it stands among the tables, mm. */
const DETAIL = 46;

/** Tables, and the joint's detail where the first sheet had no room for it. */
function tablePages(
  compiled: Writable,
  { width, height }: Size,
  { hasDetail, scale }: { readonly hasDetail: boolean; readonly scale: number },
): Item[][] {
  const x = MARGIN + 4;
  const flow = new Flow(MARGIN + 11, height - MARGIN - TITLE.height - 4);
  const detail = (top: number) =>
    jointDetail(compiled, scale, { left: x, top, right: width - x, bottom: top + DETAIL });
  if (!hasDetail && detail(0).length > 0) flow.add([{ height: DETAIL + 4, items: detail }]);
  flow.table(fitted(dimensionTable(compiled), width - 2 * x), x);
  flow.table(fitted(padstackTable(compiled), width - 2 * x), x);
  const { padstacks } = compiled.footprint;
  const inRow = Math.max(1, Math.floor((width - 2 * x) / SECTION.width));
  for (let i = 0; i < padstacks.length; i += inRow) {
    const some = padstacks.slice(i, i + inRow);
    flow.add([
      {
        height: SECTION.height + 2,
        items: (top) =>
          some.flatMap((stack, k) => stackSection(stack, compiled.process, x + k * SECTION.width, top)),
      },
    ]);
  }
  flow.table(fitted(pinTable(compiled), width - 2 * x), x);
  flow.table(fitted(landTable(compiled), width - 2 * x), x);
  flow.table(fitted(boreTable(compiled), width - 2 * x), x);
  flow.table(fitted(keepOutTable(compiled), width - 2 * x), x);
  flow.table(fitted(measurementTable(compiled), width - 2 * x), x);
  return flow.pages.map((items) => [...items]);
}
