import type { PieceRead } from '../../document/pieces';
import { boxRound, type Box } from '../../geometry/box';
import { place as placeFigure } from '../../geometry/figure';
import { fullTurn, isQuarter, turn, type Point } from '../../geometry/point';
import { fail, ok, type Result } from '../../units/result';
import { quantise } from '../../units/length';
import type { Toleranced } from '../../units/toleranced';
import { arranged, TOWARDS, type Slot } from './arrange';
import { figureOf, type Element } from './element';
import { added, between, FIRM, slackOf, type Slack } from './slack';

type Axis = 'x' | 'y';

/** One element of a piece where it lies on the part, and what its place may be off by. mm, degrees */
export interface Item {
  readonly slot: Slot;
  readonly element: Element;
  readonly at: Point;
  readonly rotation: number;
  /** Seen as in a mirror that stands along its own x axis. */
  readonly mirrored: boolean;
  readonly slack: Readonly<Record<Axis, Slack>>;
}

/** A piece where it lies. */
export interface PlacedPiece {
  readonly piece: PieceRead;
  /** The piece that says how its elements lie: itself, or the one that it mirrors or repeats. */
  readonly source: PieceRead;
  /** Its own middle, which places that are left out count for too. */
  readonly middle: Point;
  /** The direction in which facing rows lie apart. */
  readonly across: number;
  /** What the place of its middle may be off by. */
  readonly core: Readonly<Record<Axis, Slack>>;
  readonly items: readonly Item[];
  /** From where to where its lengths are measured; `null` where none was given. */
  readonly ways: Readonly<Record<Axis, Way | null>>;
}

/** What a length of a piece's place is measured between. mm */
export interface Way {
  readonly from: Point;
  readonly to: Point;
  readonly length: Toleranced;
}

/** Why a piece cannot be placed, and which of its fields says so. */
export interface Misplaced {
  readonly piece: PieceRead;
  /** Of the piece, such as `xFrom/of`; empty where it is the piece as a whole. */
  readonly field: string;
  readonly message: string;
}

/** What a piece is called: by its name, else by its id. */
export const calledOf = ({ name, id }: PieceRead): string => name ?? id;

/**
 * Places every piece from the others that it names. One that cannot be placed is told, and so is one
 * that is placed from it.
 */
export function placed(pieces: readonly PieceRead[]): {
  readonly placed: readonly PlacedPiece[];
  readonly trouble: readonly Misplaced[];
} {
  const layout = new Layout(pieces);
  const results = pieces.map((piece) => layout.of(piece));
  return {
    placed: results.flatMap((result) => (result.ok ? [result.value] : [])),
    trouble: results.flatMap((result) => (result.ok || !result.error ? [] : [result.error])),
  };
}

/** A piece, or why it has no place; `null` where that is told of another one. */
type Outcome = Result<PlacedPiece, Misplaced | null>;

/** Most places of all pieces of a part together. */
const MOST_IN_ALL = 10_000;

class Layout {
  private total = 0;
  private readonly byId: ReadonlyMap<string, PieceRead>;
  private readonly done = new Map<string, Outcome>();
  private readonly open: PieceRead[] = [];

  constructor(pieces: readonly PieceRead[]) {
    // of two with one id the first is meant by others
    this.byId = new Map([...pieces].reverse().map((piece) => [piece.id, piece]));
  }

  of(piece: PieceRead): Outcome {
    const known = this.done.get(piece.id);
    if (known) return known;
    this.open.push(piece);
    const outcome = this.place(piece);
    this.open.pop();
    this.done.set(piece.id, outcome);
    return outcome;
  }

  /** Another piece that one refers to in a field. */
  private other(piece: PieceRead, id: string, field: string): Outcome {
    const other = this.byId.get(id);
    const told = (message: string): Outcome => fail({ piece, field, message });
    if (!other) {
      const others = [...this.byId.keys()].filter((known) => known !== piece.id).join(', ');
      return told(`There is no piece “${id}”${others ? `; there are ${others}` : ''}.`);
    }
    const start = this.open.indexOf(other);
    if (start >= 0) {
      const chain = [...this.open.slice(start), other].map(calledOf).join(' → ');
      return told(`It goes round in a circle: ${chain}. Place one of them from the origin.`);
    }
    const outcome = this.of(other);
    // the other one's trouble is told there
    return outcome.ok ? outcome : fail(null);
  }

  private place(piece: PieceRead): Outcome {
    const source = piece.as === 'mirror' || piece.as === 'repeat' ? this.source(piece) : null;
    if (source && !source.ok) return source;
    const made = source ? ok(copied(piece, source.value)) : itemsOf(piece);
    if (!made.ok) return fail({ piece, field: '', message: `${calledOf(piece)} ${made.error}.` });
    const angle = piece.as === 'mirror' ? 0 : (piece.angle ?? 0);
    this.total += made.value.items.length;
    if (this.total > MOST_IN_ALL)
      return fail({
        piece,
        field: '',
        message: `With ${calledOf(piece)} the part has ${this.total} places; at most ${MOST_IN_ALL} are drawn.`,
      });
    const { middle, across } = made.value;
    const items = made.value.items.map((item) => turnedItem(item, angle));
    const core = turnedSlack(made.value.core, angle);
    const x = this.along('x', piece, { items, middle, across, core });
    if (!x.ok) return x;
    const y = this.along('y', piece, { items, middle, across, core });
    if (!y.ok) return y;
    const put = (p: Point): Point => ({
      x: quantise(p.x + x.value.shift),
      y: quantise(p.y + y.value.shift),
    });
    return ok({
      piece,
      source: source ? source.value.source : piece,
      middle: put(middle),
      across: fullTurn(across + angle),
      core: {
        x: added(x.value.slack, between(core.x, x.value.mine)),
        y: added(y.value.slack, between(core.y, y.value.mine)),
      },
      ways: {
        x: x.value.way && { ...x.value.way, to: put(x.value.way.to) },
        y: y.value.way && { ...y.value.way, to: put(y.value.way.to) },
      },
      items: items.map((item) => ({
        ...item,
        at: put(item.at),
        slack: {
          x: added(x.value.slack, between(item.slack.x, x.value.mine)),
          y: added(y.value.slack, between(item.slack.y, y.value.mine)),
        },
      })),
    });
  }

  /** The piece that one mirrors or repeats. */
  private source(piece: PieceRead): Outcome {
    if (piece.of !== null) return this.other(piece, piece.of, 'of');
    const message = `${calledOf(piece)} needs the piece that it ${piece.as === 'mirror' ? 'mirrors' : 'repeats'}.`;
    return fail({ piece, field: 'of', message });
  }

  /** How far a piece is moved along an axis, and by how much that may be off. */
  private along(axis: Axis, piece: PieceRead, own: Lying): Result<Moved, Misplaced | null> {
    const [field, point] = axis === 'x' ? (['xFrom', 'xMine'] as const) : (['yFrom', 'yMine'] as const);
    const told = (where: string, message: string) => fail({ piece, field: where, message });
    const { of, ...theirPoint } = piece[field];
    const mine = pointOf(axis, own, piece[point]);
    if (!mine.ok) return told(point, `${calledOf(piece)} ${mine.error}.`);
    const length = piece[axis];
    const distance = { at: length?.nom ?? 0, slack: length ? slackOf(length) : FIRM };
    // the line that a piece is mirrored at lies where it is put itself, and is off by nothing of its own
    const isMirror = piece.as === 'mirror';
    const ownAt = isMirror ? 0 : mine.value.at;
    const ownSlack = isMirror ? FIRM : mine.value.slack;
    const across = axis === 'x' ? 'y' : 'x';
    const pointAt = (along: number, lying: Lying, at: string | null): Point => {
      const beside = pointOf(across, lying, { at, edge: null });
      const other = beside.ok ? beside.value.at : 0;
      return axis === 'x' ? { x: along, y: other } : { x: other, y: along };
    };
    const to = pointAt(ownAt, own, piece[point].at);
    if (of === null || of === '') {
      return ok({
        shift: quantise(distance.at - ownAt),
        slack: distance.slack,
        mine: ownSlack,
        way: length && { from: ORIGIN, to, length },
      });
    }
    const other = this.other(piece, of, `${field}/of`);
    if (!other.ok) return other;
    const theirs = pointOf(axis, other.value, theirPoint);
    if (!theirs.ok) return told(field, `${calledOf(other.value.piece)} ${theirs.error}.`);
    return ok({
      shift: quantise(theirs.value.at + distance.at - ownAt),
      slack: added(theirs.value.slack, distance.slack),
      mine: ownSlack,
      way: length && { from: pointAt(theirs.value.at, other.value, theirPoint.at), to, length },
    });
  }
}

/** How far a piece is moved along an axis, what that may be off by, and what was measured. */
interface Moved {
  readonly shift: number;
  readonly slack: Slack;
  readonly mine: Slack;
  readonly way: Way | null;
}

/** Elements and their middle, before or after they are moved. */
type Lying = Pick<PlacedPiece, 'items' | 'middle' | 'across' | 'core'>;
const ORIGIN: Point = { x: 0, y: 0 };

/** The elements of another piece, mirrored where they lie, or about their own middle. */
function copied({ as, across: mirror }: PieceRead, { items, middle, across, core }: PlacedPiece): Lying {
  if (as === 'mirror') {
    const way = mirror ?? 'left-right';
    return {
      items: items.map((item) => mirroredItem(item, way)),
      middle: mirroredPoint(middle, way),
      across: mirroredAngle(across, way),
      core,
    };
  }
  const home = ({ x, y }: Point): Point => ({ x: x - middle.x, y: y - middle.y });
  return { items: items.map((item) => ({ ...item, at: home(item.at) })), middle: ORIGIN, across, core };
}

/** The elements of a piece about its own middle. */
function itemsOf(piece: PieceRead): Result<Lying, string> {
  const slots = arranged(piece);
  if (!slots.ok) return slots;
  const items: Item[] = [];
  for (const slot of slots.value) {
    const element = elementAt(piece, slot.name);
    const figure = figureOf(element, 'nom');
    if (!figure.ok) return fail(figure.error);
    const lone = slot.end === null && piece.as !== 'ring' && piece.what === 'terminal';
    const rotation = slot.rotation + (lone ? TOWARDS[piece.toe ?? 'right'] : 0) + (element.turned ?? 0);
    items.push({ slot, element, at: slot.at, rotation, mirrored: false, slack: slot.walk });
  }
  const across = TOWARDS[piece.towards ?? 'down'] - TOWARDS.down;
  return ok({ items, middle: ORIGIN, across, core: coreOf(piece, slots.value) });
}

/** What a place has of its own goes before what the piece says of all. */
function elementAt(piece: PieceRead, name: string): Element {
  const own = piece.differ.get(name);
  if (!own) return piece;
  const said = Object.entries(own).filter(([key, value]) => key !== 'none' && value !== null);
  return { ...piece, ...Object.fromEntries(said) };
}

function turnedItem(item: Item, angle: number): Item {
  if (fullTurn(angle) === 0) return item;
  const { x, y } = turn(item.at, angle);
  return {
    ...item,
    at: { x, y },
    rotation: fullTurn(item.rotation + angle),
    slack: turnedSlack(item.slack, angle),
  };
}

/** At slanting angles both axes may be off by either. */
function turnedSlack(slack: Item['slack'], angle: number): Item['slack'] {
  if (!isQuarter(angle)) {
    const larger = slack.x.worst > slack.y.worst ? slack.x : slack.y;
    return { x: larger, y: larger };
  }
  return angle % 180 === 0 ? slack : { x: slack.y, y: slack.x };
}

function mirroredItem(item: Item, across: 'left-right' | 'top-bottom'): Item {
  return {
    ...item,
    at: mirroredPoint(item.at, across),
    rotation: mirroredAngle(item.rotation, across),
    mirrored: !item.mirrored,
  };
}

const mirroredAngle = (angle: number, across: 'left-right' | 'top-bottom'): number =>
  fullTurn((across === 'left-right' ? 180 : 0) - angle);

const mirroredPoint = ({ x, y }: Point, across: 'left-right' | 'top-bottom'): Point =>
  across === 'left-right' ? { x: 0 - x, y } : { x, y: 0 - y };

/** Where an item reaches to on the part. mm */
export function boxOfItem({ element, at, rotation }: Item): Box {
  const figure = figureOf(element, 'nom');
  return placeFigure(figure.ok ? figure.value : { kind: 'round', diameter: 0 }, at, rotation);
}

interface Reached {
  readonly at: number;
  readonly slack: Slack;
}

/** A point of a piece along an axis, and what lies between it and the piece's first place. */
function pointOf(
  axis: Axis,
  { items, middle, core }: Lying,
  { at: name, edge }: { readonly at: string | null; readonly edge: 'low' | 'centre' | 'high' | null },
): Result<Reached, string> {
  const which = name === null || name === '' ? 'centre' : name;
  const [first, last] = [items[0], items.at(-1)];
  if (!first || !last) return fail('has no places');
  if (which === 'centre') {
    if ((edge ?? 'centre') === 'centre') return ok({ at: middle[axis], slack: core[axis] });
    const box = boxRound(items.map(boxOfItem)) as Box;
    return ok({ at: edgeAt(box, axis, edge), slack: core[axis] });
  }
  const item =
    which === 'first'
      ? first
      : which === 'last'
        ? last
        : which === 'middle'
          ? items[Math.floor((items.length - 1) / 2)]
          : items.find(({ slot }) => slot.name === which);
  if (!item) return fail(`has no place ${which}`);
  if ((edge ?? 'centre') === 'centre') return ok({ at: item.at[axis], slack: item.slack[axis] });
  return ok({ at: edgeAt(boxOfItem(item), axis, edge), slack: item.slack[axis] });
}

/** The middle of an arrangement lies half-way along its walk; that of a ring is where the ring is measured from. */
function coreOf({ as }: PieceRead, slots: readonly Slot[]): Readonly<Record<Axis, Slack>> {
  const [first, last] = [slots[0], slots.at(-1)];
  if (as === 'ring' || !first || !last) return { x: FIRM, y: FIRM };
  // facing rows end beside where they begin
  const far = (axis: Axis) =>
    slots.reduce((most, { walk }) => (walk[axis].worst > most.worst ? walk[axis] : most), FIRM);
  return { x: shareBetween(FIRM, far('x')), y: shareBetween(FIRM, far('y')) };
}

/** The middle of a walk between its ends. */
function shareBetween(a: Slack, b: Slack): Slack {
  return { worst: (a.worst + b.worst) / 2, squares: (a.squares + b.squares) / 2 };
}

function edgeAt({ minX, minY, maxX, maxY }: Box, axis: Axis, edge: 'low' | 'centre' | 'high' | null): number {
  const [low, high] = axis === 'x' ? [minX, maxX] : [minY, maxY];
  return edge === 'low' ? low : edge === 'high' ? high : (low + high) / 2;
}
