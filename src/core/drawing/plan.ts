import { boxAt, boxOfPoints, cornersOf, gapBetween, overhang, type Box } from '../geometry/box';
import { circleAt, contourOf, type Placed } from '../geometry/figure';
import { turn, type Point } from '../geometry/point';
import type { Contact } from '../body/contacts';
import { bodyOutline } from '../package/drawn';
import type { Footprint, Land } from '../footprint/footprint';
import { isOnOwnSide } from '../footprint/sides';
import { copiesOf, type Drawing, type Layer, type Ring, type Stroke } from './drawing';

/** The footprint seen from above. What looks alike is one stroke, so that thousands of lands stay light. */
export function drawPlan(footprint: Footprint): Drawing {
  const { courtyard, legend, body, bores, keepOuts } = footprint;
  const lands = footprint.lands.filter((land) => isOnOwnSide(footprint, land));
  const maskOpenings = footprint.maskOpenings.filter(({ far }) => far === footprint.far);
  const across = footprint.lands.filter((land) => !isOnOwnSide(footprint, land));
  const layer = (name: Layer, figures: readonly Placed[]): Stroke[] =>
    figures.length > 0 ? [{ layer: name, rings: figures.flatMap(copiesOf), closed: true }] : [];
  // a via goes through to both sides
  const plated = footprint.lands.flatMap(({ hole, plated, vias }) => [
    ...(hole && plated ? [hole] : []),
    ...vias.map((via) => circleAt(via, via.hole)),
  ]);
  const bare = lands.flatMap(({ hole, plated }) => (hole && !plated ? [hole] : []));
  const strokes: Stroke[] = [
    { layer: 'courtyard', rings: [courtyard.contour ?? cornersOf(courtyard.box)], closed: true },
    ...layer(
      'keep-out',
      keepOuts.map(({ area }) => area),
    ),
    {
      layer: 'mask',
      rings: [
        ...maskOpenings.flatMap(({ opening, lands: freed }) => [
          ...copiesOf(opening),
          ...freed.flatMap((i) => copperWithin(opening, (footprint.lands[i] as Land).copper)),
        ]),
        ...bores.flatMap(({ opening, at, diameter }) => [
          ...copiesOf(opening),
          ...copiesOf(circleAt(at, diameter)),
        ]),
      ],
      closed: true,
      detail: widestRing(footprint),
    },
    ...layer(
      'copper',
      lands.map(({ copper }) => copper),
    ),
    ...layer(
      'paste',
      lands.flatMap(({ paste }) => paste),
    ),
    ...layer(
      'other-side',
      across.map(({ copper }) => copper),
    ),
    ...layer('mask-edge', lands.flatMap(maskEdges)),
    ...layer('plated-hole', plated),
    ...layer(
      'contact',
      lands.filter(isKnown).map(({ contact }) => contact.nom),
    ),
    ...layer(
      'contact-limit',
      lands.filter(isKnown).flatMap(({ contact }) => [contact.min, contact.max]),
    ).map((stroke) => ({ ...stroke, detail: widestLimit(lands) })),
    ...layer('hole', [...bare, ...bores.map(({ hole }) => hole)]),
    { layer: 'body', rings: [bodyOutline(body.extent)], closed: true },
    ...legend.lines.map((line): Stroke => ({
      layer: 'legend',
      rings: [line],
      closed: false,
      width: legend.width,
    })),
  ];
  strokes.push(...seatStrokes(footprint), ...edgeStrokes(footprint));
  if (legend.pin1) strokes.push({ layer: 'legend-fill', rings: [legend.pin1], closed: true });
  return { strokes, extent: courtyard.box };
}

/**
 * Where an imported model touches: a cross on each contact, a ring on each land that nothing touches, and
 * the outline of each contact that has no land.
 */
function seatStrokes({ body: { imported } }: Footprint): Stroke[] {
  const fit = imported?.seen?.fit;
  if (!imported || !fit) return [];
  const cross = ({ x, y, width, height }: Contact): Point[][] => {
    const r = Math.max(0.08, Math.min(0.4, Math.max(width, height) / 4));
    return [
      [
        { x: x - r, y },
        { x: x + r, y },
      ],
      [
        { x, y: y - r },
        { x, y: y + r },
      ],
    ];
  };
  const met = fit.matches.flatMap(({ contact }) => cross(contact));
  const missed = fit.missing.flatMap((i) => {
    const target = imported.ground.targets[i];
    return target ? [contourOf(circleAt(target, Math.max(target.width, target.height)))] : [];
  });
  const extra = fit.extra.map((contact) => cornersOf(boxAt(contact, contact.width, contact.height)));
  return [
    ...(met.length > 0 ? [{ layer: 'model-contact', rings: met, closed: false } as const] : []),
    ...(missed.length + extra.length > 0
      ? [{ layer: 'model-miss', rings: [...missed, ...extra], closed: true } as const]
      : []),
  ];
}

/** The edge of the board beside the courtyard. */
function edgeStrokes({ edge, courtyard: { box } }: Footprint): Stroke[] {
  if (!edge) return [];
  // along the edge as far as the courtyard reaches, and a little beyond
  const along = turn({ x: 0, y: 1 }, edge.outward);
  const reach = cornersOf(box).map(({ x, y }) => (x - edge.at.x) * along.x + (y - edge.at.y) * along.y);
  const over = 0.1 * Math.max(box.maxX - box.minX, box.maxY - box.minY);
  const ring = [Math.min(...reach) - over, Math.max(...reach) + over].map((by) => ({
    x: edge.at.x + along.x * by,
    y: edge.at.y + along.y * by,
  }));
  return [{ layer: 'board-edge', rings: [ring], closed: false }];
}

/** The widest that mask is open round a land or hole, mm. */
function widestRing({ maskOpenings, lands, bores }: Footprint): number {
  let widest = 0;
  for (const {
    opening,
    lands: [only = -1, ...others],
  } of maskOpenings) {
    const copper = lands[only]?.copper;
    // a row in one opening, and a window, show more than a ring
    if (!copper || others.length > 0) return Infinity;
    widest = Math.max(widest, overhang(opening, copper));
  }
  for (const { opening, hole } of bores) widest = Math.max(widest, overhang(opening, hole));
  return widest;
}

/** The furthest that an edge of a contact lies from its nominal one, mm. */
function widestLimit(lands: readonly Land[]): number {
  let widest = 0;
  for (const { contact } of lands)
    widest = Math.max(widest, overhang(contact.max, contact.nom), overhang(contact.nom, contact.min));
  return widest;
}

/** Only the ring between land and opening is hatched; copper that reaches under the mask is not. */
function copperWithin(opening: Placed, copper: Placed): Ring[] {
  return copiesOf(overhang(copper, opening) <= 1e-9 ? copper : opening);
}

/** Edges of the mask that lie on copper: where the mask defines the land, and spots over vias. */
function maskEdges({ mask, islands, copper }: Land): Placed[] {
  return [...mask.filter((opening) => overhang(copper, opening) > 1e-9), ...islands];
}

/** Reference and value as they are printed. */
export function textStrokes({ texts }: Pick<Footprint, 'texts'>): Stroke[] {
  return texts.flatMap(({ lines, stroke }): Stroke[] =>
    lines.length > 0 ? [{ layer: 'legend', rings: lines, closed: false, width: stroke }] : [],
  );
}

/** Whether anything is known of a land's terminal. */
const isKnown = ({ terminal }: Land): boolean => terminal;

/** A land number on the drawing, or the letter or digit of a grid's row or column. */
export interface NumberPlace extends Point {
  readonly text: string;
  /** Whether it stands on its land rather than beside it. */
  readonly inside: boolean;
  /** Beside the drawing, or above or below it; missing where it stands on its land. */
  readonly beside?: 'side' | 'end';
}

const GRID_NUMBER = /^([A-Z]+)(\d+)$/;

/**
 * Where land numbers stand: outside the courtyard, level with the land; on the land where it lies
 * under the package; as letters and digits round a grid.
 * @param clearance of numbers from the courtyard, mm
 */
export function numberPlaces(footprint: Footprint, clearance: number): NumberPlace[] {
  const { courtyard, legend, lands } = footprint;
  const grid = lands.filter(({ number, end }) => end === null && GRID_NUMBER.test(number));
  if (grid.length > 3 && grid.length > lands.length / 2) return gridPlaces(footprint, grid, clearance);
  const mark = boxOfPoints(legend.pin1 ?? []);
  return lands.map(({ at, rotation, end, number }): NumberPlace => {
    if (end === null) return { ...at, text: number, inside: true };
    const out = turn({ x: 1, y: 0 }, rotation);
    const beside = (box: Box): NumberPlace => ({
      text: number,
      inside: false,
      ...(Math.abs(out.x) >= Math.abs(out.y)
        ? { x: out.x > 0 ? box.maxX + clearance : box.minX - clearance, y: at.y, beside: 'side' as const }
        : { x: at.x, y: out.y > 0 ? box.maxY + clearance : box.minY - clearance, beside: 'end' as const }),
    });
    const spot = beside(courtyard.box);
    // a mark that stands in the way is passed
    const blocked = mark && gapBetween(mark, boxAt(spot, clearance, clearance)) < 0;
    return blocked ? beside(mark) : spot;
  });
}

/** Row letters and column digits beside the courtyard; turned grids have their letters along the other side. */
function gridPlaces(
  { courtyard: { box }, lands }: Footprint,
  grid: readonly Land[],
  clearance: number,
): NumberPlace[] {
  const parts = grid.map((land) => {
    const [, letters = '', digits = ''] = GRID_NUMBER.exec(land.number) ?? [];
    return { letters, digits, at: land.at };
  });
  const [a] = parts as [(typeof parts)[number]];
  const sameRow = parts.find(({ letters, digits }) => letters === a.letters && digits !== a.digits);
  const upright = !sameRow || Math.abs(sameRow.at.y - a.at.y) < 1e-6;
  const left = (y: number) => ({ x: box.minX - clearance, y, beside: 'side' as const });
  const above = (x: number) => ({ x, y: box.maxY + clearance, beside: 'end' as const });
  const places = new Map<string, NumberPlace>();
  for (const { letters, digits, at } of parts) {
    const put = (text: string, point: Point & Pick<NumberPlace, 'beside'>) =>
      places.has(text) || places.set(text, { ...point, text, inside: false });
    put(letters, upright ? left(at.y) : above(at.x));
    put(digits, upright ? above(at.x) : left(at.y));
  }
  const others = lands.filter((land) => !grid.includes(land));
  return [
    ...places.values(),
    ...others.map(({ at, number }): NumberPlace => ({ ...at, text: number, inside: true })),
  ];
}
