import type { PieceRead } from '../../document/pieces';
import { turn, type Point } from '../../geometry/point';
import { fail, ok, type Result } from '../../units/result';
import { quantise } from '../../units/length';
import { exactly, type Toleranced } from '../../units/toleranced';
import { added, FIRM, shareOf, slackOf, type Slack } from './slack';

/** A place of a piece, about the piece's own middle. mm, degrees */
export interface Slot {
  /** Its number among all places, such as 3, or 2.3 by row and column; those left out are counted too. */
  readonly name: string;
  /** Where it comes among all places, from 0. */
  readonly index: number;
  readonly at: Point;
  readonly rotation: number;
  /** What the steps from the first place to it add up to in tolerances, along x and y. */
  readonly walk: { readonly x: Slack; readonly y: Slack };
  /** Which of two facing rows it belongs to; `null` in any other arrangement. */
  readonly end: -1 | 1 | null;
}

/** Most places of a piece. */
export const MOST_PLACES = 4000;

/** How far a direction is turned from the right. */
export const TOWARDS = { right: 0, up: 90, left: 180, down: 270 } as const;

/**
 * The places of a piece, in the order in which they are counted.
 * @returns or, in words, what has to be said before there are any
 */
export function arranged(piece: PieceRead): Result<readonly Slot[], string> {
  const all = MAKERS[piece.as ?? 'single'](piece);
  if (!all.ok) return all;
  if (all.value.length > MOST_PLACES)
    return fail(`has ${all.value.length} places; at most ${MOST_PLACES} are drawn`);
  const left = all.value
    .map((slot, index): Slot => ({ ...slot, index }))
    .filter(({ name }) => !isLeftOut(piece, name));
  return left.length > 0 ? ok(left) : fail('has no place left');
}

/** Names of all places of a piece, those left out too; none where it has no places of its own. */
export function placeNames(piece: PieceRead): readonly string[] {
  const all = MAKERS[piece.as ?? 'single'](piece);
  return all.ok ? all.value.map(({ name }) => name) : [];
}

function isLeftOut({ omit, differ }: PieceRead, name: string): boolean {
  return (omit?.has(name) ?? false) || differ.get(name)?.none === true;
}

type Place = Omit<Slot, 'index'>;
type Maker = (piece: PieceRead) => Result<readonly Place[], string>;

const MAKERS: Readonly<Record<NonNullable<PieceRead['as']>, Maker>> = {
  single: () => ok([{ name: '1', at: { x: 0, y: 0 }, rotation: 0, walk: STILL, end: null }]),
  row: rowOf,
  facing: facingRows,
  array: arrayOf,
  ring: ringOf,
  places: placesOf,
  // these take the places of another piece
  mirror: () => ok([]),
  repeat: () => ok([]),
};

const STILL = { x: FIRM, y: FIRM };

/** Offsets of a row's places from its middle, rising, with what the steps to them add up to. */
function stepsOf({ n, step, steps }: PieceRead): Result<readonly Along[], string> {
  const given = steps ?? (n !== null && (step !== null || n === 1) ? even(n, step ?? exactly(0)) : null);
  if (!given) return fail(n === null ? 'needs a count and a step' : 'needs a step');
  if (given.length >= MOST_PLACES)
    return fail(`has ${given.length + 1} places; at most ${MOST_PLACES} are drawn`);
  let [at, slack] = [0, FIRM];
  const places = [{ at, slack }];
  for (const one of given) {
    at += one.nom;
    slack = added(slack, slackOf(one));
    places.push({ at, slack });
  }
  // computed from the middle, so that both halves come out alike
  const middle = at / 2;
  return ok(places.map((place) => ({ ...place, at: quantise(place.at - middle) })));
}

interface Along {
  readonly at: number;
  readonly slack: Slack;
}

const even = (n: number, step: Toleranced): Toleranced[] => Array.from({ length: n - 1 }, () => step);

function rowOf(piece: PieceRead): Result<readonly Place[], string> {
  const along = stepsOf(piece);
  if (!along.ok) return along;
  const angle = TOWARDS[piece.towards ?? 'right'];
  const upright = angle % 180 === 90;
  const off = piece.stagger ?? exactly(0);
  return ok(
    along.value.map(({ at, slack }, i): Place => {
      const aside = i % 2 === 1 ? off.nom : 0;
      const p = turn({ x: at, y: 0 }, angle);
      const across = i % 2 === 1 ? slackOf(off) : FIRM;
      return {
        name: String(i + 1),
        at: upright ? { x: p.x + aside, y: p.y } : { x: p.x, y: p.y + aside },
        rotation: 0,
        walk: upright ? { x: across, y: slack } : { x: slack, y: across },
        end: null,
      };
    }),
  );
}

/** Two rows face one another: down the left one, up the right one, or turned with the way they run. */
function facingRows(piece: PieceRead): Result<readonly Place[], string> {
  const along = stepsOf(piece);
  if (!along.ok) return along;
  const { apart, given, length, diameter } = piece;
  if (apart === null) return fail('needs a distance between its rows');
  // each is placed by its middle, whatever the distance is measured between
  const size = (length ?? diameter ?? exactly(0)).nom;
  const times = { outer: -1, centre: 0, gap: 1 }[given ?? 'outer'];
  const centre = apart.nom + times * size;
  const angle = TOWARDS[piece.towards ?? 'down'] - TOWARDS.down;
  const upright = angle % 180 === 0;
  // the span of terminals has its tolerance in the land formulas
  const between = piece.what === 'terminal' ? FIRM : slackOf(apart);
  const slot = (end: -1 | 1, i: number, { at, slack }: Along): Place => {
    const across = end === -1 ? FIRM : between;
    const p = turn({ x: (end * centre) / 2, y: -at }, angle);
    return {
      name: String(i + 1),
      at: { x: quantise(p.x), y: quantise(p.y) },
      rotation: (end === 1 ? 0 : 180) + angle,
      walk: upright ? { x: across, y: slack } : { x: slack, y: across },
      end,
    };
  };
  const down = along.value.map((place, i) => slot(-1, i, place));
  const up = [...along.value].reverse().map((place, i) => slot(1, along.value.length + i, place));
  return ok([...down, ...up]);
}

/** Rows of equal places, from upper left. */
function arrayOf({ n, rows, step, stepY, stagger }: PieceRead): Result<readonly Place[], string> {
  if (n === null || rows === null) return fail('needs a count of columns and of rows');
  if ((step === null && n > 1) || (stepY === null && rows > 1))
    return fail('needs a step of columns and of rows');
  if (n * rows > MOST_PLACES) return fail(`has ${n * rows} places; at most ${MOST_PLACES} are drawn`);
  const [x, y] = [step ?? exactly(0), stepY ?? exactly(0)];
  const off = stagger ?? exactly(0);
  const times = (one: Toleranced, k: number) => shareOf(slackOf(one), k);
  return ok(
    Array.from({ length: n * rows }, (_, i): Place => {
      const [column, row] = [i % n, Math.floor(i / n)];
      const aside = row % 2 === 1 ? off.nom : 0;
      return {
        name: `${row + 1}.${column + 1}`,
        at: {
          x: quantise((column - (n - 1) / 2) * x.nom + aside),
          y: quantise(((rows - 1) / 2 - row) * y.nom) + 0,
        },
        rotation: 0,
        walk: { x: times(x, column), y: times(y, row) },
        end: null,
      };
    }),
  );
}

/** Places on a circle, each turned outwards. */
function ringOf({ n, ring, first, turn: sense }: PieceRead): Result<readonly Place[], string> {
  if (n === null || ring === null) return fail('needs a count and the diameter of its ring');
  const way = sense === 'clockwise' ? -1 : 1;
  const slack = shareOf(slackOf(ring), 0.5);
  return ok(
    Array.from({ length: n }, (_, i): Place => {
      const rotation = (first ?? 0) + (way * i * 360) / n;
      const { x, y } = turn({ x: ring.nom / 2, y: 0 }, rotation);
      return {
        name: String(i + 1),
        at: { x: quantise(x) + 0, y: quantise(y) + 0 },
        rotation,
        walk: { x: slack, y: slack },
        end: null,
      };
    }),
  );
}

/** Places as they are listed. */
function placesOf({ points }: PieceRead): Result<readonly Place[], string> {
  if (points === null) return fail('needs places');
  return ok(
    points.map(({ x, y, third }, i): Place => ({
      name: String(i + 1),
      at: { x, y },
      rotation: third ?? 0,
      walk: STILL,
      end: null,
    })),
  );
}
