import { boxRound, type Box } from '../../geometry/box';
import { contourOf, place, sizeOf } from '../../geometry/figure';
import { block, type Assembly, type Part, type Shape } from '../../geometry/solid';
import type { Point } from '../../geometry/point';
import { quantise } from '../../units/length';
import { exactly, type Toleranced } from '../../units/toleranced';
import type { BodyExtent } from '../drawn';
import { flatPin, pinShape, roundPin } from '../pins';
import { figureOf, sectionOf, spanFormOf, type Element } from './element';
import { boxOfItem, type Item, type PlacedPiece } from './place';

type Limit = 'min' | 'nom' | 'max';

/** Metal of a terminal over its contact, mm. */
const FOOT = 0.15;
/** How far a pin whose length is not said stands below the seating plane, and how far it reaches into the body. mm */
const BELOW = 3;
const INTO = 0.5;

/** The size of a composed body: all blocks together, at each of their limits; round the terminals where there is none. */
export function extentOf(pieces: readonly PlacedPiece[]): BodyExtent {
  const items = pieces.flatMap((piece) => piece.items);
  const blocks = items.filter(({ element }) => element.what === 'body');
  const through = items.some(({ element }) => element.what === 'pin' || element.what === 'hole');
  const onLands = items.some(({ element }) => element.what === 'terminal' || element.what === 'land');
  const mount = through && !onLands ? ({ mount: 'through' } as const) : {};
  if (blocks.length === 0) {
    const box = boxRound(items.map(boxOfItem)) ?? NOWHERE;
    const flat = exactly(0);
    return {
      x: exactly(quantise(box.maxX - box.minX)),
      y: exactly(quantise(box.maxY - box.minY)),
      standoff: flat,
      height: flat,
      centre: middleOf(box),
      ...mount,
    };
  }
  const [min, nom, max] = (['min', 'nom', 'max'] as const).map((limit) => boxOfBlocks(blocks, limit)) as [
    Box,
    Box,
    Box,
  ];
  const side = (low: 'minX' | 'minY', high: 'maxX' | 'maxY'): Toleranced => ({
    min: quantise(min[high] - min[low]),
    nom: quantise(nom[high] - nom[low]),
    max: quantise(max[high] - max[low]),
    given: 'computed',
  });
  return {
    x: side('minX', 'maxX'),
    y: side('minY', 'maxY'),
    standoff: least(blocks.map(({ element }) => fromOf(element))),
    height: most(blocks.map(({ element }) => upToOf(element))),
    centre: middleOf(nom),
    ...outlineOf(blocks, middleOf(nom)),
    ...mount,
  };
}

const NOWHERE: Box = { minX: 0, minY: 0, maxX: 0, maxY: 0 };

const middleOf = ({ minX, minY, maxX, maxY }: Box): Point => ({
  x: quantise((minX + maxX) / 2),
  y: quantise((minY + maxY) / 2),
});

function boxOfBlocks(blocks: readonly Item[], limit: Limit): Box {
  return boxRound(
    blocks.map(({ element, at, rotation }) => {
      const figure = figureOf(element, limit);
      return place(figure.ok ? figure.value : { kind: 'round', diameter: 0 }, at, rotation);
    }),
  ) as Box;
}

/** A body alone that is round or has a contour is drawn so. */
function outlineOf(blocks: readonly Item[], middle: Point): Pick<BodyExtent, 'outline'> {
  const [only] = blocks;
  if (!only || blocks.length > 1) return {};
  const figure = figureOf(only.element, 'nom');
  if (!figure.ok || (figure.value.kind !== 'round' && figure.value.kind !== 'contour')) return {};
  const outline = contourOf(place(figure.value, only.at, only.rotation));
  return {
    outline: outline.map((vertex) => ({
      ...vertex,
      x: quantise(vertex.x - middle.x) + 0,
      y: quantise(vertex.y - middle.y) + 0,
    })),
  };
}

/** Underside of a block; a turned one has its heights in its profile. */
function fromOf({ shape, profile, bottom }: Element): Toleranced {
  if (shape === 'turned' && profile) return exactly(Math.min(...profile.map(({ y }) => y)));
  return bottom ?? exactly(0);
}

function upToOf({ shape, profile, bottom, top }: Element): Toleranced {
  if (shape === 'turned' && profile) return exactly(Math.max(...profile.map(({ y }) => y)));
  return top ?? bottom ?? exactly(0);
}

const least = (all: readonly Toleranced[]): Toleranced => all.reduce((a, b) => (b.nom < a.nom ? b : a));
const most = (all: readonly Toleranced[]): Toleranced => all.reduce((a, b) => (b.nom > a.nom ? b : a));

/** Blocks, pins and feet as solids; equal ones share a shape. */
export function solidsOf(pieces: readonly PlacedPiece[]): Assembly {
  const shapes: Record<string, Shape> = {};
  const names = new Map<string, string>();
  const parts: Part[] = [];
  const into = Math.max(
    INTO,
    ...pieces.flatMap(({ items }) =>
      items.map(({ element }) => (element.what === 'body' ? fromOf(element).nom : 0)),
    ),
  );
  // elements that do not differ are one and the same
  const known = new Map<Element, readonly string[]>();
  const nameOf = (shape: Shape, id: string): string => {
    const key = JSON.stringify(shape);
    const name = names.get(key) ?? `${id} ${names.size + 1}`;
    names.set(key, name);
    shapes[name] = shape;
    return name;
  };
  for (const { piece, items } of pieces) {
    items.forEach((item, i) => {
      const own = known.get(item.element) ?? shapesOf(item, into).map((shape) => nameOf(shape, piece.id));
      known.set(item.element, own);
      const called = items.length > 1 ? `${piece.name ?? piece.id} ${i + 1}` : (piece.name ?? piece.id);
      for (const shape of own)
        parts.push({
          name: called,
          shape,
          material: item.element.what === 'body' ? (item.element.material ?? 'moulding') : 'metal',
          ...(item.element.colour ? { colour: item.element.colour } : {}),
          at: { ...item.at, z: 0 },
          rotation: item.rotation,
        });
    });
  }
  return { shapes, parts };
}

/** Solids of an element, from the seating plane. */
function shapesOf({ element }: Item, into: number): Shape[] {
  const { what } = element;
  if (what === 'body') return some(blockOf(element));
  if (what === 'pin') {
    const lead = sectionOf(element);
    const below = element.bottom ? Math.max(0.1, -element.bottom.nom) : BELOW;
    const above = Math.max(element.top?.nom ?? into, 0.05);
    if (!lead.ok) return [];
    const { shoulder } = element;
    if (!shoulder) return [pinShape(lead.value, below, above)];
    // the thicker part stands on the board
    const { shape, thickness } = lead.value;
    const thick = shape === 'round' ? roundPin(shoulder) : flatPin(shoulder, thickness);
    return [pinShape(lead.value, below, 0), pinShape(thick, 0, above)];
  }
  const figure = figureOf(element, 'nom');
  if (what === 'peg' && figure.ok)
    return [
      pinShape(
        roundPin(exactly((element.diameter ?? exactly(sizeOf(figure.value).width)).nom)),
        element.bottom ? Math.max(0.1, -element.bottom.nom) : 1,
        into,
      ),
    ];
  if (what !== 'terminal' || !figure.ok) return [];
  const { width, height } = sizeOf(figure.value);
  if (!spanFormOf(element) && figure.value.kind === 'round')
    return [cylinder(width / 2, 0, Math.max(into, 0.05))];
  return [block(width, height, 0, FOOT)];
}

const some = (shape: Shape | null): Shape[] => (shape ? [shape] : []);

function cylinder(r: number, from: number, to: number): Shape {
  return {
    kind: 'revolution',
    profile: [
      { x: 0, y: from },
      { x: r, y: from },
      { x: r, y: to },
      { x: 0, y: to },
    ],
  };
}

function blockOf(element: Element): Shape | null {
  const [from, to] = [fromOf(element).nom, upToOf(element).nom];
  const figure = figureOf(element, 'nom');
  if (element.shape === 'turned' && element.profile)
    return {
      kind: 'revolution',
      profile: element.profile.map(({ x, y, third }) => ({ x, y, ...(third ? { bulge: third } : {}) })),
    };
  if (!figure.ok || to <= from) return null;
  const { value } = figure;
  if (value.kind === 'round') return cylinder(value.diameter / 2, from, to);
  if (value.kind === 'contour')
    return {
      kind: 'loft',
      sections: [from, to].map((z) => ({ z, corners: value.outline.map(({ x, y }) => ({ x, y })) })),
    };
  const { width, height } = sizeOf(value);
  const lean = Math.tan(((element.draft ?? 0) * Math.PI) / 180) * (to - from);
  const [w, h] = [Math.max(0.01, width - 2 * lean), Math.max(0.01, height - 2 * lean)];
  const [below] = block(width, height, from, to).sections;
  const [, above] = block(w, h, from, to).sections;
  return { kind: 'loft', sections: [below, above] as never };
}
