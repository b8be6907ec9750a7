import type { Rise } from '../drawing/dimension-lines';
import type { Drawing, Layer, Stroke } from '../drawing/drawing';
import { outsideStrokes } from '../drawing/elevation';
import { modelStrokes } from '../drawing/model';
import { drawPlan, textStrokes } from '../drawing/plan';
import type { ElevationView } from '../drawing/section';
import type { Footprint } from '../footprint/footprint';
import { moved } from '../footprint/move';
import { isOnOwnSide } from '../footprint/sides';
import { overhang, type Box } from '../geometry/box';
import { contourOf } from '../geometry/figure';
import { putContour, putPlaced, within, type Placement } from '../geometry/placement';
import type { Point } from '../geometry/point';
import { bodyOutline } from '../package/drawn';
import { boardWithin, type Board } from './board';
import { featuresOf } from './features';
import type { CompiledTrial, PlacedPart } from './trial';

// A trial in third-angle projection. Parts that stay where they are keep their strokes, so that moving one of a
// thousand draws one.

/** What of a footprint is drawn on a board, from below up: joints are for the Bench. */
const LAYERS: readonly Layer[] = [
  'courtyard',
  'mask',
  'copper',
  'paste',
  'mask-edge',
  'plated-hole',
  'hole',
  'body',
  'legend',
  'legend-fill',
  'other-side',
];

/** How a board is turned over: about the middle of its box, so that it stays in its place. */
export function overOf({ box }: Pick<Board, 'box'>): Placement {
  return { at: { x: box.minX + box.maxX, y: 0 }, angle: 0, far: true };
}

const over = new WeakMap<Footprint, Footprint>();

/** The same board turned over, as it is seen from below; what was at the bottom is at the top. */
export function turnedOver(compiled: CompiledTrial): CompiledTrial {
  const { board, parts, covers, keepOuts } = compiled;
  const placement = overOf(board);
  const side = { top: 'bottom', bottom: 'top', both: 'both' } as const;
  return {
    ...compiled,
    board: boardWithin(putContour(placement, board.outline), board.thickness),
    parts: parts.map((part) => {
      const footprint = over.get(part.footprint) ?? moved(part.footprint, placement);
      over.set(part.footprint, footprint);
      return { ...part, placement: within(placement, part.placement), footprint };
    }),
    covers: covers.map((cover) => ({ ...cover, far: !cover.far, area: putPlaced(placement, cover.area) })),
    keepOuts: keepOuts.map((one) => ({ ...one, side: side[one.side], area: putPlaced(placement, one.area) })),
  };
}

/** The board with its parts seen from above; what is on the other side is drawn in dashes. */
export function drawBoard({ board, parts, keepOuts, covers }: CompiledTrial): Drawing {
  const layers = new Map<Layer, Stroke[]>(LAYERS.map((layer) => [layer, []]));
  for (const part of parts)
    for (const stroke of partStrokes(part.footprint)) layers.get(stroke.layer)?.push(stroke);
  const areas = keepOuts.filter(({ side }) => side !== 'bottom');
  // one over the whole board says nothing in the plan
  const lids = covers.filter(({ far, area }) => !far && overhang(board.box, area) > 1e-6);
  const strokes: Stroke[] = [
    { layer: 'board', rings: [board.outline], closed: true },
    ...(areas.length > 0
      ? [{ layer: 'keep-out', rings: areas.map(({ area }) => contourOf(area)), closed: true } as const]
      : []),
    ...[...layers.values()].flatMap(oneStroke),
    ...lids.map(({ area }): Stroke => ({ layer: 'cover', rings: [contourOf(area)], closed: true })),
  ];
  return { strokes, extent: board.box };
}

/** Strokes of one layer and width as one: thousands of parts stay light. */
function oneStroke(strokes: readonly Stroke[]): Stroke[] {
  const byLook = new Map<string, Stroke[]>();
  for (const stroke of strokes) {
    const key = `${stroke.width ?? ''} ${stroke.closed}`;
    const alike = byLook.get(key);
    if (alike) alike.push(stroke);
    else byLook.set(key, [stroke]);
  }
  return [...byLook.values()].map((alike) => ({
    ...(alike[0] as Stroke),
    rings: alike.flatMap(({ rings }) => rings),
  }));
}

const drawn = new WeakMap<Footprint, readonly Stroke[]>();

function partStrokes(footprint: Footprint): readonly Stroke[] {
  const known = drawn.get(footprint);
  if (known) return known;
  const found = footprint.far
    ? farStrokes(footprint)
    : [...drawPlan(footprint).strokes, ...textStrokes(printedOnly(footprint))];
  drawn.set(footprint, found);
  return found;
}

/** What only shows where a text would stand is not printed, so it is not on the board. */
function printedOnly(footprint: Footprint): Pick<Footprint, 'texts'> {
  return { texts: footprint.texts.filter(({ isPlaceholder }) => !isPlaceholder) };
}

/** A part of the other side: its outline and lands in dashes, and what of its copper is on this side. */
function farStrokes(footprint: Footprint): Stroke[] {
  const { lands, bores, body } = footprint;
  const through = lands.filter(({ hole }) => hole !== null);
  const holes = (plated: boolean) =>
    through.flatMap((land) => (land.hole && land.plated === plated ? [land.hole] : []));
  const layer = (name: Layer, rings: Stroke['rings']): Stroke[] =>
    rings.length > 0 ? [{ layer: name, rings, closed: true }] : [];
  return [
    ...layer(
      'copper',
      lands
        .filter((land) => land.hole !== null || !isOnOwnSide(footprint, land))
        .map(({ copper }) => contourOf(copper)),
    ),
    ...layer('plated-hole', holes(true).map(contourOf)),
    ...layer('hole', [...holes(false), ...bores.map(({ hole }) => hole)].map(contourOf)),
    ...layer('other-side', [
      bodyOutline(body.extent),
      ...lands
        .filter((land) => land.hole === null && isOnOwnSide(footprint, land))
        .map(({ copper }) => contourOf(copper)),
    ]),
  ];
}

/** The least and the greatest height that a trial's elevations show, mm. */
export function trialRise({ parts, covers, board }: CompiledTrial): Rise {
  let [high, low] = [0.5, -board.thickness - 0.5];
  for (const part of parts) {
    const { body, leads } = featuresOf(part);
    const out = Math.max(0, ...leads.map(({ length }) => length));
    if (body.far) [low, high] = [Math.min(low, -board.thickness - body.top), Math.max(high, out)];
    else [low, high] = [Math.min(low, -board.thickness - out), Math.max(high, body.top)];
  }
  for (const { far, under } of covers) {
    if (far) low = Math.min(low, -board.thickness - under);
    else high = Math.max(high, under);
  }
  return { low, high };
}

/** A board with its parts from the front or from the right, back to front; covers as lines. */
export function drawBoardFrom(compiled: CompiledTrial, view: ElevationView): Drawing {
  const { board, parts, covers } = compiled;
  const { low, high } = trialRise(compiled);
  const across = (box: Box): readonly [number, number] =>
    view === 'front' ? [box.minX, box.maxX] : [box.minY, box.maxY];
  // the front looks along +Y, the side along −X
  const depth = (part: PlacedPart): number => {
    const { minY, maxX } = featuresOf(part).body.figure;
    return view === 'front' ? minY : -maxX;
  };
  const sorted = [...parts].sort((a, b) => depth(b) - depth(a));
  const [from, to] = across(board.box);
  const bar = (a: number, low: number, b: number, high: number): Point[] => [
    { x: a, y: low },
    { x: b, y: low },
    { x: b, y: high },
    { x: a, y: high },
  ];
  const strokes: Stroke[] = [
    ...sorted.flatMap(({ footprint }) => solidsFrom(footprint, view)),
    { layer: 'laminate', rings: [bar(from, -board.thickness, to, 0)], closed: true },
    ...covers.map(({ area, under, far }): Stroke => {
      const [a, b] = across(area);
      const at = far ? -board.thickness - under : under;
      return {
        layer: 'cover',
        rings: [
          [
            { x: a, y: at },
            { x: b, y: at },
          ],
        ],
        closed: false,
      };
    }),
  ];
  return { strokes, extent: { minX: from, maxX: to, minY: low, maxY: high } };
}

const seen = new WeakMap<Footprint, Map<ElevationView, readonly Stroke[]>>();

function solidsFrom(footprint: Footprint, view: ElevationView): readonly Stroke[] {
  const known = seen.get(footprint) ?? new Map<ElevationView, readonly Stroke[]>();
  seen.set(footprint, known);
  const { assembly, imported } = footprint.body;
  const found =
    known.get(view) ?? (imported?.seen ? modelStrokes(imported, view) : outsideStrokes(assembly, view));
  known.set(view, found);
  return found;
}
