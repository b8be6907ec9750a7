import { boxOfPositions, welded, type Box3, type Mesh } from '../geometry/mesh';
import { frameOf, isStraight } from './frame';
import { anglesOf, turnPositions, type Matrix } from './pose';
import { boxOfShells, diagonalOf, isInside, meshOfShells, shellsOf, sideOf, type Shell } from './shells';

/** What a file holds beside the part itself, which neither seats it nor is checked. */
export interface LeftOut {
  /** Pieces too small to be anything of a part. */
  readonly specks: number;
  /** Pieces that lie inside of others, and the walls of hollows. */
  readonly inside: number;
  /** Small pieces that lie apart from all others, as marks of an origin do. */
  readonly apart: number;
  /** Size of a piece of board under the part, the largest side first, mm; `null` where there is none. */
  readonly board: readonly number[] | null;
}

/** A model that is ready to be turned: its vertices joined, and what is not of the part left out. */
export interface Subject {
  readonly mesh: Mesh;
  /** Along its own axes. */
  readonly box: Box3;
  /** Turns the model's own axes, which its larger faces lie along, onto the nearest axes of its file. */
  readonly frame: Matrix;
  readonly leftOut: LeftOut;
  /** Parts of the model, by index, of which something is the part. */
  readonly parts: ReadonlySet<number>;
  /** Of which part of the model each triangle is, by index. */
  readonly partOf: Uint16Array;
}

/** Vertices nearer than this are one, as a share of the model's size. */
const WELD = 1e-6;
/** What is smaller than this is no part of a part, mm. */
const SPECK = 0.05;
/** Pieces of at least this share of the largest say how large a model is. */
const TELLING = 0.02;

/** What a file holds, in connected pieces, the largest first. */
export interface Pieces {
  readonly mesh: Mesh;
  /** The same along its own axes, which shells are measured in. */
  readonly straight: Mesh;
  readonly shells: readonly Shell[];
  /** Box of those that tell its size. */
  readonly box: Box3;
  /** The subjects that were made of it, by scale, and whether a board was taken out. */
  readonly made: Map<string, Subject>;
}

/** Joins a model's meshes so that it can be seated; `null` where it has no triangles. */
export function piecesOf(meshes: readonly Mesh[]): Pieces | null {
  const boxes = meshes.flatMap(({ positions }) => boxOfPositions(positions) ?? []);
  const size = boxes.reduce((most, box) => Math.max(most, diagonalOf(box)), 0);
  if (!(size > 0)) return null;
  const { mesh, starts } = welded(meshes, size * WELD);
  const straight = straightened(mesh, frameOf(mesh));
  const shells = shellsOf(straight, starts);
  const telling = shells.filter(
    ({ box }) => diagonalOf(box) > TELLING * diagonalOf((shells[0] as Shell).box),
  );
  const box = boxOfShells(telling);
  return box && { mesh, straight, shells, box, made: new Map() };
}

/** A mesh along its own axes. */
function straightened(mesh: Mesh, frame: Matrix): Mesh {
  if (isStraight(frame)) return mesh;
  return { positions: turnPositions(mesh.positions, anglesOf(frame), 1), indices: mesh.indices };
}

/** Shells that others are looked for in. */
const HOLDERS = 8;

/** The part among the pieces of a file that is drawn at a scale. */
function madeOf(pieces: Pieces, scale: number, withBoard: boolean): Subject | null {
  const key = `${scale} ${withBoard}`;
  const known = pieces.made.get(key);
  if (known) return known;
  const { mesh, straight, shells } = pieces;
  const large = shells.filter(({ box }) => diagonalOf(box) * scale > SPECK);
  const solid = large.length > 0 ? large : shells;
  const holders = solid.slice(0, HOLDERS);
  const outer = solid.filter(
    (shell) => !holders.some((other) => other !== shell && isInside(straight, shell, other)),
  );
  const near = together(outer);
  const leftOut: LeftOut = {
    specks: shells.length - solid.length,
    inside: solid.length - outer.length,
    apart: outer.length - near.length,
    board: null,
  };
  const board = withBoard ? null : boardUnder(near);
  if (!withBoard && !board) return null;
  const subject = board
    ? subjectFrom(mesh, board.rest, { ...leftOut, board: board.sides.map((side) => side * scale) }, false)
    : subjectFrom(mesh, near, leftOut, near.length === shells.length);
  pieces.made.set(key, subject);
  return subject;
}

/** Pieces with a gap of this share of the largest between them lie apart. */
const GAP = 0.15;
/** What lies apart and is as large as this share of the largest is no mere mark. */
const SIZABLE = 0.4;

/** Shells without the small ones that no chain of neighbours joins to the largest. */
function together(shells: readonly Shell[]): readonly Shell[] {
  const [largest] = shells;
  if (!largest || shells.length > MOST_PIECES) return shells;
  const size = diagonalOf(largest.box);
  const reached = new Set([largest]);
  // grows while it is walked along
  for (const from of reached)
    for (const shell of shells)
      if (!reached.has(shell) && isNear(from.box, shell.box, GAP * size)) reached.add(shell);
  return shells.filter((shell) => reached.has(shell) || diagonalOf(shell.box) > SIZABLE * size);
}

/** With more pieces than this none is looked at whether it lies apart. */
const MOST_PIECES = 3000;

const isNear = (a: Box3, b: Box3, gap: number): boolean =>
  (['x', 'y', 'z'] as const).every(
    (axis) => a.min[axis] <= b.max[axis] + gap && b.min[axis] <= a.max[axis] + gap,
  );

/**
 * The one of a file's subjects that is the part: a plate under it is a piece of board where the rest
 * is nearer to the package in size.
 * @param own box of the package's own body, mm
 */
export function subjectFor(pieces: Pieces, own: Box3, scale: number): Subject {
  const whole = madeOf(pieces, scale, true) as Subject;
  const without = madeOf(pieces, scale, false);
  return without && unlike(without.box, own, scale) < unlike(whole.box, own, scale) ? without : whole;
}

function subjectFrom(mesh: Mesh, shells: readonly Shell[], leftOut: LeftOut, isAll: boolean): Subject {
  const own = isAll ? mesh : meshOfShells(mesh, shells);
  const partOf = new Uint16Array(own.indices.length / 3);
  let next = 0;
  for (const { part, triangles } of shells) {
    for (const t of triangles) {
      partOf[isAll ? t / 3 : next] = part;
      next += 1;
    }
  }
  return {
    mesh: own,
    box: boxOfShells(shells) as Box3,
    frame: frameOf(own),
    leftOut,
    parts: new Set(shells.map(({ part }) => part)),
    partOf,
  };
}

/** Copper on a piece of board is no thicker than this share of the board. */
const COPPER_SHARE = 0.15;

/** A flat plate that all else stands on, within its outline, and what is left without it and its copper. */
function boardUnder(shells: readonly Shell[]) {
  const AXES = ['x', 'y', 'z'] as const;
  const [plate, ...others] = shells as [Shell, ...Shell[]];
  if (others.length === 0) return null;
  const up = AXES.reduce((least, axis) =>
    sideOf(plate.box, axis) < sideOf(plate.box, least) ? axis : least,
  );
  const thick = sideOf(plate.box, up);
  const along = AXES.filter((axis) => axis !== up);
  if (along.some((axis) => thick > 0.35 * sideOf(plate.box, axis))) return null;
  const around = boxOfShells(others) as Box3;
  const isUnder = along.every(
    (axis) => around.min[axis] >= plate.box.min[axis] && around.max[axis] <= plate.box.max[axis],
  );
  if (!isUnder) return null;
  const above = around.max[up] - plate.box.max[up];
  const below = plate.box.min[up] - around.min[up];
  // leads may come out on the other side, most of the part does not
  if (Math.max(above, below) < 2 * Math.max(0, Math.min(above, below)) || Math.max(above, below) <= 0)
    return null;
  const face = above > below ? plate.box.max[up] : plate.box.min[up];
  const rest = others.filter(
    ({ box }) =>
      sideOf(box, up) > COPPER_SHARE * thick ||
      Math.min(Math.abs(box.min[up] - face), Math.abs(box.max[up] - face)) > COPPER_SHARE * thick,
  );
  if (rest.length === 0) return null;
  return { rest, sides: AXES.map((axis) => sideOf(plate.box, axis)).sort((a, b) => b - a) };
}

/** How far the sides of two boxes differ, whichever way they are turned: 0 for equal ones. */
export function unlike(model: Box3, own: Box3, scale: number): number {
  const sides = (box: Box3) =>
    (['x', 'y', 'z'] as const).map((axis) => Math.max(sideOf(box, axis), 1e-9)).sort((a, b) => a - b);
  const [given, wanted] = [sides(model), sides(own)];
  return given.reduce((sum, side, i) => sum + Math.abs(Math.log((side * scale) / (wanted[i] as number))), 0);
}
