import type { Footprint, Land } from '../footprint/footprint';
import { boxOfPoints, type Box } from '../geometry/box';
import { flatten } from '../geometry/contour';
import { contourOf, type Placed } from '../geometry/figure';
import { isQuarter, type Point } from '../geometry/point';
import type { Polygon, Polyline } from '../geometry/polygon';
import { bodyAt } from '../package/drawn';
import type { Process } from '../process/process';

/** Where something lies at least, nominally and at most, mm. */
export interface Spread {
  readonly min: number;
  readonly nom: number;
  readonly max: number;
}

interface Named {
  /** What it is known by while the footprint changes: `land:rows/3:left`. */
  readonly id: string;
  /** As a person calls it: “land 3, left edge”. */
  readonly name: string;
  /** How it is drawn where it is picked: in the plan, or across the elevations. */
  readonly drawn: Polyline;
}

/** Something that can be measured from: an outline, a point, an edge of the plan, or a height. */
export type Thing = Named &
  (
    | { readonly kind: 'outline'; readonly outline: Polygon; readonly middle: Point }
    | { readonly kind: 'point'; readonly x: Spread; readonly y: Spread }
    /** An edge from top to bottom: where it lies across. */
    | { readonly kind: 'upright'; readonly x: Spread }
    /** An edge from left to right: where it lies upright. */
    | { readonly kind: 'level'; readonly y: Spread }
    | { readonly kind: 'height'; readonly z: Spread }
  );

const exactly = (v: number): Spread => ({ min: v, nom: v, max: v });

/** Everything on a footprint that can be measured from, by name. */
export function thingsOf(footprint: Footprint, process: Process): Thing[] {
  const { lands, bores, courtyard, keepOuts, legend, origin, body } = footprint;
  const box = courtyard.box;
  const calledBy = namesOf(lands);
  return [
    ...lands.flatMap((land) => landThings(land, calledBy(land))),
    ...bores.flatMap(({ hole, isCut }, i) =>
      outlineThings(`bore:${i + 1}`, `${isCut ? 'slot' : 'hole without copper'} ${i + 1}`, hole),
    ),
    ...bodyThings(footprint),
    ...boxThings('courtyard', 'courtyard', box),
    ...cornersOf('courtyard', 'courtyard', box),
    ...keepOuts.flatMap(({ area, why }, i) =>
      outlineThings(`keepOut:${i + 1}`, `keep-out ${i + 1}${why === '' ? '' : ` (${why})`}`, area),
    ),
    ...(legend.pin1 ? [outlineThing('pin1', 'pin-1 mark', legend.pin1)] : []),
    ...legendThings(legend),
    pointThing('origin', 'origin', origin),
    ...axesThrough('origin', 'origin', origin, box),
    ...heightThings(body.heights, process, box),
  ];
}

/**
 * What is flat of one of several footprints in a drawing, told apart from the others'.
 * @param id goes before what things are known by @param name goes before their names
 */
export function thingsAmong(id: string, name: string, footprint: Footprint, process: Process): Thing[] {
  return thingsOf(footprint, process).flatMap((thing): Thing[] =>
    thing.kind === 'height' ? [] : [{ ...thing, id: `${id}/${thing.id}`, name: `${name} ${thing.name}` }],
  );
}

/** Lands by their numbers; those that share one, or have none, by their group and place too. */
function namesOf(lands: readonly Land[]): (land: Land) => string {
  const count = new Map<string, number>();
  for (const { number } of lands) count.set(number, (count.get(number) ?? 0) + 1);
  return ({ id, number }) =>
    number === '' ? id : (count.get(number) ?? 0) > 1 ? `${number} (${id})` : number;
}

function landThings(land: Land, number: string): Thing[] {
  const id = `land:${land.id}`;
  const { min, nom, max } = land.contact;
  return [
    ...outlineThings(id, `land ${number}`, land.copper),
    ...(land.copper.figure.kind === 'rectangle' && isQuarter(land.copper.rotation)
      ? cornersOf(id, `land ${number}`, land.copper)
      : []),
    ...(land.hole ? outlineThings(`hole:${land.id}`, `hole ${number}`, land.hole) : []),
    ...land.mask.slice(0, 1).flatMap((mask) => outlineThings(`mask:${land.id}`, `opening ${number}`, mask)),
    ...(land.terminal ? spreadEdges(`terminal:${land.id}`, `terminal ${number}`, { min, nom, max }) : []),
  ];
}

/** A shape, its middle, and its edges where they run along the axes. */
export function outlineThings(id: string, name: string, placed: Placed): Thing[] {
  const outline = flatten(contourOf(placed), 0.002);
  const { minX, maxX, minY, maxY } = placed;
  const middle = { x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
  const isStraight = placed.figure.kind === 'round' || isQuarter(placed.rotation);
  return [
    { kind: 'outline', id, name, outline, middle, drawn: closed(outline) },
    pointThing(`${id}:middle`, `${name}, middle`, middle),
    ...(isStraight ? boxThings(id, name, placed) : []),
  ];
}

const closed = (outline: Polygon): Polyline => (outline[0] ? [...outline, outline[0]] : outline);

/** What has an outline and nothing else that is known of it. */
export function outlineThing(id: string, name: string, outline: Polygon): Thing {
  const box = boxOfPoints(outline);
  const middle = box ? { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 } : { x: 0, y: 0 };
  return { kind: 'outline', id, name, outline, middle, drawn: closed(outline) };
}

const pointThing = (id: string, name: string, at: Point): Thing => ({
  kind: 'point',
  id,
  name,
  x: exactly(at.x),
  y: exactly(at.y),
  drawn: [at],
});

const boxThings = (id: string, name: string, box: Box): Thing[] =>
  spreadEdges(id, name, { min: box, nom: box, max: box });

/** The four edges of something that has tolerances: boxes at least, nominally and at most. */
function spreadEdges(
  id: string,
  name: string,
  { min, nom, max }: { readonly min: Box; readonly nom: Box; readonly max: Box },
): Thing[] {
  const spread = (key: keyof Box): Spread => {
    const all = [min[key], nom[key], max[key]];
    return { min: Math.min(...all), nom: nom[key], max: Math.max(...all) };
  };
  const [left, right] = [nom.minX, nom.maxX];
  const [bottom, top] = [nom.minY, nom.maxY];
  const upright = (side: string, key: 'minX' | 'maxX', x: number): Thing => ({
    kind: 'upright',
    id: `${id}:${side}`,
    name: `${name}, ${side} edge`,
    x: spread(key),
    drawn: [
      { x, y: bottom },
      { x, y: top },
    ],
  });
  const level = (side: string, key: 'minY' | 'maxY', y: number): Thing => ({
    kind: 'level',
    id: `${id}:${side}`,
    name: `${name}, ${side} edge`,
    y: spread(key),
    drawn: [
      { x: left, y },
      { x: right, y },
    ],
  });
  return [
    upright('left', 'minX', left),
    upright('right', 'maxX', right),
    level('bottom', 'minY', bottom),
    level('top', 'maxY', top),
  ];
}

function bodyThings({ body: { extent } }: Footprint): Thing[] {
  const at = (limit: 'min' | 'nom' | 'max') => bodyAt(extent, limit);
  const nom = at('nom');
  const middle = { x: (nom.minX + nom.maxX) / 2, y: (nom.minY + nom.maxY) / 2 };
  return [
    ...spreadEdges('body', 'body', { min: at('min'), nom, max: at('max') }),
    pointThing('body:middle', 'body, middle', middle),
    ...cornersOf('body', 'body', nom),
    ...axesThrough('body', 'body', middle, nom),
  ];
}

/** The four corners of a box, nominally. */
function cornersOf(id: string, name: string, { minX, maxX, minY, maxY }: Box): Thing[] {
  return (
    [
      ['upper left', minX, maxY],
      ['upper right', maxX, maxY],
      ['lower left', minX, minY],
      ['lower right', maxX, minY],
    ] as const
  ).map(([where, x, y]) =>
    pointThing(`${id}:${where.replace(' ', '-')}`, `${name}, ${where} corner`, { x, y }),
  );
}

/** The two axes through a point, drawn as far as a box reaches. */
function axesThrough(id: string, name: string, { x, y }: Point, box: Box): Thing[] {
  return [
    {
      kind: 'upright',
      id: `${id}:upright-axis`,
      name: `${name}, upright axis`,
      x: exactly(x),
      drawn: [
        { x, y: box.minY },
        { x, y: box.maxY },
      ],
    },
    {
      kind: 'level',
      id: `${id}:level-axis`,
      name: `${name}, level axis`,
      y: exactly(y),
      drawn: [
        { x: box.minX, y },
        { x: box.maxX, y },
      ],
    },
  ];
}

/** Lines of the legend as they are printed: edges where they run along an axis, and where they end. */
function legendThings({ lines }: Footprint['legend']): Thing[] {
  return lines.flatMap((line, i): Thing[] => {
    const [from, to] = [line[0], line.at(-1)];
    if (!from || !to) return [];
    const name = `legend line ${i + 1}`;
    const id = `legend:${i + 1}`;
    const isUpright = line.every(({ x }) => Math.abs(x - from.x) < 1e-9);
    const isLevel = line.every(({ y }) => Math.abs(y - from.y) < 1e-9);
    const ends = [
      pointThing(`${id}:from`, `${name}, beginning`, from),
      pointThing(`${id}:to`, `${name}, end`, to),
    ];
    if (isUpright) return [...ends, { kind: 'upright', id, name, x: exactly(from.x), drawn: [from, to] }];
    return isLevel ? [...ends, { kind: 'level', id, name, y: exactly(from.y), drawn: [from, to] }] : ends;
  });
}

/** Heights above the laminate, drawn across the elevations. */
function heightThings(heights: Footprint['body']['heights'], process: Process, box: Box): Thing[] {
  const height = (id: string, name: string, z: Spread): Thing => ({
    kind: 'height',
    id: `height:${id}`,
    name,
    z,
    drawn: [
      { x: box.minX, y: z.nom },
      { x: box.maxX, y: z.nom },
    ],
  });
  return [
    height('laminate', 'laminate', exactly(0)),
    height('far', 'underside of the board', exactly(heights.boardBottom)),
    height('mask', 'mask on the laminate', exactly(process.maskThickness)),
    height('land', 'top of the lands', exactly(heights.landTop)),
    height('seating', 'seating plane', exactly(heights.seating)),
    height('underside', 'underside of the body', heights.underside),
    height('top', 'top of the body', heights.top),
  ];
}
