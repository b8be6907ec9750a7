import { mirrored as mirroredFigure, type Figure } from '../../geometry/figure';
import { HOME, OVER, putAngle, putPoint } from '../../geometry/placement';
import { fullTurn, isQuarter, turn } from '../../geometry/point';
import { quantise } from '../../units/length';
import { exactly, type Toleranced } from '../../units/toleranced';
import type { PinGroup, SpanGroup, Spot, SpotGroup, TerminalGroup, TerminalPlace } from '../terminal';
import { figureOf, sectionOf, spanFormOf, spotFormOf, type Element } from './element';
import { isNumbered, type Numbered } from './numbers';
import { calledOf, type Item, type PlacedPiece } from './place';
import { rangeOf } from './slack';

/** What numbers and counts the terminals of a package. */
export interface Counting {
  readonly numbers: ReadonlyMap<Item, Numbered>;
  /** Where each item is counted, from 1. */
  readonly orders: ReadonlyMap<Item, number>;
}

/**
 * The terminals of a piece as groups that are solved: those that differ, and lone ones that point
 * elsewhere, are groups of their own.
 */
export function groupsOf(placedPiece: PlacedPiece, counting: Counting): TerminalGroup[] {
  const { piece, source, items } = placedPiece;
  const kinds = new Map<string, Item[]>();
  // elements that do not differ are one and the same
  const keys = new Map<Element, string>();
  for (const item of items) {
    if (!isNumbered(item.element)) continue;
    const sizes = keys.get(item.element) ?? sizesOf(item.element);
    keys.set(item.element, sizes);
    const key = `${sizes} ${standOf(item)}`;
    const own = kinds.get(key);
    if (own) own.push(item);
    else kinds.set(key, [item]);
  }
  return [...kinds.values()].map((own, i): TerminalGroup => {
    const id = i === 0 ? piece.id : `${piece.id}.${i + 1}`;
    const base = { id, title: calledOf(piece) };
    const { what } = (own[0] as Item).element;
    if (what === 'pin') return pinGroup(base, own, counting);
    if (what === 'hole') return holeGroup(base, own, counting);
    if (what === 'land' || !spanFormOf((own[0] as Item).element))
      return spotGroup(base, own, counting, what === 'land' && source.side === 'far');
    return (own[0] as Item).slot.end === null
      ? loneGroup(base, own, counting)
      : facingGroup(base, placedPiece, own, counting);
  });
}

type Base = Pick<TerminalGroup, 'id' | 'title'>;

/** What elements of one group have in common. */
function sizesOf(element: Element): string {
  const { what, form, shape, length, width, diameter, thickness, radius, chamfer, corners, contour } =
    element;
  const { hole, slot: long, land, vias, shoulder } = element;
  const sizes = [length, width, diameter, thickness, hole, long, land, shoulder].map(
    (v) => v && [v.min, v.nom, v.max],
  );
  return JSON.stringify([what, form, shape, sizes, radius, chamfer, corners, contour, vias]);
}

/** Lone terminals of one group point the same way, and mirrored ones are groups of their own. */
function standOf({ element, rotation, slot, mirrored }: Item): string {
  const isLone = element.what === 'terminal' && slot.end === null && spanFormOf(element) !== null;
  return `${isLone ? fullTurn(rotation) : ''} ${mirrored}`;
}

/** By how much places may lie off, along the axes of a frame at an angle: at slanting ones by the larger. */
function positionOf(items: readonly Item[], angle: number): Pick<TerminalGroup, 'position'> {
  const most = (axis: 'x' | 'y') => quantise(Math.max(...items.map(({ slack }) => rangeOf(slack[axis]))));
  const [x, y] = [most('x'), most('y')];
  if (x === 0 && y === 0) return {};
  const worst = quantise(2 * Math.max(...items.flatMap(({ slack }) => [slack.x.worst, slack.y.worst])));
  if (!isQuarter(angle)) return { position: { x: Math.max(x, y), y: Math.max(x, y), worst } };
  return { position: angle % 180 === 0 ? { x, y, worst } : { x: y, y: x, worst } };
}

/** What a package says of each of its places. */
function placeOf(item: Item, { numbers, orders }: Counting) {
  const { number = '', shared = false } = numbers.get(item) ?? {};
  return {
    order: orders.get(item) ?? 0,
    id: item.slot.name,
    number,
    ...(shared ? { shared } : {}),
  } as const;
}

function spotOf(item: Item, counting: Counting): Spot {
  return { ...placeOf(item, counting), at: item.at, rotation: fullTurn(item.rotation) };
}

/** A figure as an item has it. */
function figureAt({ element, mirrored }: Item, limit: 'min' | 'nom' | 'max'): Figure {
  const figure = figureOf(element, limit);
  const found: Figure = figure.ok ? figure.value : { kind: 'round', diameter: 0 };
  return mirrored ? mirroredFigure(found) : found;
}

/** @param isFar whether its lands are on the far side of the board: a land is as it is seen from its own side */
function spotGroup(base: Base, items: readonly Item[], counting: Counting, isFar: boolean): SpotGroup {
  const first = items[0] as Item;
  const isLand = first.element.what === 'land';
  const figure = (limit: 'min' | 'nom' | 'max') => figureAt(first, isLand ? 'nom' : limit);
  return {
    kind: 'spot',
    ...base,
    frame: isFar ? OVER : HOME,
    ...positionOf(items, 0),
    form: isLand ? 'given' : spotFormOf(first.element),
    contact: { min: figure('min'), nom: figure('nom'), max: figure('max') },
    ...(isLand ? viasOf(first.element) : {}),
    pitch: nearest(items),
    places: items.map((item) => {
      const spot = spotOf(item, counting);
      if (!isFar) return spot;
      return { ...spot, at: putPoint(OVER, spot.at), rotation: putAngle(OVER, spot.rotation) };
    }),
  };
}

function pinGroup(base: Base, items: readonly Item[], counting: Counting): PinGroup {
  const { element } = items[0] as Item;
  const lead = sectionOf(element);
  if (!lead.ok) throw new Error(`a placed pin has a section: ${lead.error}`);
  return {
    kind: 'pin',
    ...base,
    frame: HOME,
    ...positionOf(items, 0),
    lead: lead.value,
    ...(element.shoulder ? { shoulder: element.shoulder } : {}),
    pitch: pitchOf(items),
    places: items.map((item) => spotOf(item, counting)),
  };
}

/** Land over a hole where only the hole is given: the ring that IPC-7251 has at level B. */
const RING_LAND = 0.6;

function holeGroup(base: Base, items: readonly Item[], counting: Counting): PinGroup {
  const { hole, slot, land, vias, diameter } = (items[0] as Item).element;
  const across = (hole ?? exactly(0)).nom;
  const lead = diameter ?? exactly(across);
  return {
    kind: 'pin',
    ...base,
    frame: HOME,
    lead: { shape: 'round', width: lead, thickness: lead },
    ...(diameter ? {} : { bare: true }),
    stated: {
      hole: across,
      land: land?.nom ?? quantise(across + RING_LAND),
      ...(slot && slot.nom > across ? { slot: slot.nom } : {}),
    },
    ...viasOf({ vias }),
    pitch: { x: null, y: null },
    places: items.map((item) => spotOf(item, counting)),
  };
}

/** Hole of a via whose size is not said, and copper that it has all round. mm */
const VIA = { hole: 0.3, ring: 0.15 } as const;

/** The vias in a land. */
function viasOf({ vias }: Pick<Element, 'vias'>): Pick<PinGroup, 'vias'> {
  if (!vias) return {};
  return {
    vias: vias.map(({ x, y, third, fourth }) => {
      const hole = third ?? VIA.hole;
      return { x, y, hole, land: fourth ?? quantise(hole + 2 * VIA.ring) };
    }),
  };
}

/** Two rows that face one another: the land formulas solve them as a pair. */
function facingGroup(
  base: Base,
  { source, middle, across }: PlacedPiece,
  items: readonly Item[],
  counting: Counting,
): SpanGroup {
  const { apart, given, inside, between, under, tall, end } = source;
  const { element } = items[0] as Item;
  const length = element.length as Toleranced;
  const far = apart ?? exactly(0);
  const span = spanOf(far, length, given ?? 'outer');
  const local = ({ at }: Item) => turn({ x: at.x - middle.x, y: at.y - middle.y }, -across);
  return {
    kind: 'span',
    ...base,
    frame: { at: middle, angle: across, far: false },
    ...positionOf(items, across),
    form: spanFormOf(element) ?? 'gull-wing',
    span,
    length,
    width: element.width as Toleranced,
    ...(inside ? { inside } : given === 'gap' ? { inside: far } : {}),
    pitch: pitchAlong(source),
    body: between ? { size: between, standoff: under ?? exactly(0) } : null,
    ...(tall === null ? {} : { height: tall }),
    ...(end === null ? {} : { innerEnd: end }),
    places: items.map((item): TerminalPlace => {
      const { x, y } = local(item);
      return { ...placeOf(item, counting), end: x < 0 ? -1 : 1, along: quantise(y) + 0 };
    }),
  };
}

function spanOf(apart: Toleranced, length: Toleranced, given: 'outer' | 'centre' | 'gap'): Toleranced {
  const times = { outer: 0, centre: 1, gap: 2 }[given];
  if (times === 0) return apart;
  const of = (limit: 'min' | 'nom' | 'max') => quantise(apart[limit] + times * length[limit]);
  return { min: of('min'), nom: of('nom'), max: of('max'), given: 'computed' };
}

function pitchAlong({ n, step, steps }: PlacedPiece['piece']): number | null {
  if (steps) return Math.min(...steps.map(({ nom }) => nom));
  return n !== null && n > 1 && step ? step.nom : null;
}

/** Distance of the point that a lone terminal is reckoned about from its middle: a whole number of every step. mm */
const INSIDE = 100;

/** Terminals that face no others: each is reckoned about a point far inside of it. */
function loneGroup(base: Base, items: readonly Item[], counting: Counting): SpanGroup {
  const [first] = items as [Item];
  const { element, rotation, at } = first;
  const length = element.length as Toleranced;
  const away = turn({ x: -INSIDE, y: 0 }, rotation);
  const frame = { at: { x: at.x + away.x, y: at.y + away.y }, angle: fullTurn(rotation), far: false };
  const reach = (factor: 1 | -1): Toleranced => {
    const [low, high] = factor === 1 ? [length.min, length.max] : [-length.max, -length.min];
    const from = 2 * INSIDE;
    return {
      min: quantise(from + low),
      nom: quantise(from + factor * length.nom),
      max: quantise(from + high),
      given: 'computed',
    };
  };
  const local = items.map((item) => turn({ x: item.at.x - at.x, y: item.at.y - at.y }, -rotation));
  const alongs = [...new Set(local.map(({ y }) => quantise(y)))].sort((a, b) => a - b);
  const gaps = alongs.slice(1).map((y, i) => quantise(y - (alongs[i] as number)));
  return {
    kind: 'span',
    ...base,
    frame,
    ...positionOf(items, frame.angle),
    lone: true,
    form: spanFormOf(element) ?? 'gull-wing',
    span: reach(1),
    inside: reach(-1),
    length,
    width: element.width as Toleranced,
    pitch: gaps.length > 0 ? Math.min(...gaps) : null,
    body: null,
    places: items.map((item, i): TerminalPlace => {
      const { x, y } = local[i] as { x: number; y: number };
      const out = quantise(x);
      return { ...placeOf(item, counting), end: 1, along: quantise(y) + 0, ...(out === 0 ? {} : { out }) };
    }),
  };
}

/** Distances to the nearest neighbours in line, along x and y. */
function pitchOf(items: readonly Item[]): PinGroup['pitch'] {
  const along = (axis: 'x' | 'y', other: 'x' | 'y') => {
    const lines = new Map<number, number[]>();
    for (const { at } of items) lines.set(at[other], [...(lines.get(at[other]) ?? []), at[axis]]);
    let least = Infinity;
    for (const line of lines.values()) {
      line.sort((a, b) => a - b);
      for (let i = 1; i < line.length; i += 1)
        least = Math.min(least, quantise((line[i] as number) - (line[i - 1] as number)));
    }
    return Number.isFinite(least) && least > 0 ? least : null;
  };
  return { x: along('x', 'y'), y: along('y', 'x') };
}

function nearest(items: readonly Item[]): number | null {
  const { x, y } = pitchOf(items);
  return x === null ? y : y === null ? x : Math.min(x, y);
}
