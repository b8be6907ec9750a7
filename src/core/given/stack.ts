import type { StackIntent } from '../document/intent';
import { flatten } from '../geometry/contour';
import {
  contourFigure,
  contourOf,
  grown,
  outlineOf,
  place,
  sizeOf,
  turnedOutline,
  type Figure,
  type Placed,
} from '../geometry/figure';
import { fullTurn, turn, type Point } from '../geometry/point';
import { inflate, subtract, type Polygon } from '../geometry/polygon';
import { mm } from '../package/composed/writer';
import { quantise } from '../units/length';
import type { GivenLand } from './pattern';
import { bareCorners, CHORD } from './words';

// A land as it is given, as what is decided about a padstack: its figures about the place where it stands.

/** Where a land stands and which way it points, degrees counter-clockwise. */
export interface LandFrame {
  readonly at: Point;
  readonly rotation: number;
}

/** Outlines as near as this are one, mm. */
const SAME = 5e-3;

/** Openings longer than this are split where nothing is said of them. mm */
const LONGEST_PIECE = 4;

/** The place of a land: its hole's, along its slot; or the middle that its figure lies about. */
export function frameOf({ copper, hole }: GivenLand): LandFrame {
  if (!hole) return copper;
  const { at, figure, rotation } = hole.hole;
  if (figure.kind === 'round') return { at, rotation: copper.rotation };
  const { width, height } = sizeOf(figure);
  const along = quantise(fullTurn(rotation + (height > width ? 90 : 0)));
  // a slot has no front: where it may, it points as the land does
  const isSame = Math.abs((along - copper.rotation) % 180) < 1e-6;
  return { at, rotation: isSame ? copper.rotation : along };
}

/** A figure as it lies about a place. */
export function about({ at, rotation }: LandFrame, placed: Placed): Placed {
  const by = turn({ x: placed.at.x - at.x, y: placed.at.y - at.y }, -rotation);
  return place(
    placed.figure,
    { x: quantise(by.x), y: quantise(by.y) },
    fullTurn(quantise(placed.rotation - rotation)),
  );
}

/** A figure as it is seen from where it lies, with no turn of its own. */
export function unturned({ figure, rotation }: Placed): Figure {
  const by = fullTurn(rotation);
  const { width, height } = sizeOf(figure);
  if (by === 0 || figure.kind === 'round') return figure;
  const isPlain = figure.kind === 'oblong' || (figure.kind === 'rectangle' && !figure.chamfer);
  if (isPlain && by === 180) return figure;
  if (isPlain && by % 90 === 0) return { ...figure, width: height, height: width };
  return contourFigure(contourOf(place(figure, { x: 0, y: 0 }, by))).figure;
}

/** By how much an opening is larger than its land all round; `null` where it is no such opening. */
export function marginOf(openings: readonly Placed[] | undefined, copper: Placed): number | null {
  const [only] = openings ?? [];
  if (!only || openings?.length !== 1) return null;
  const quarter = fullTurn(quantise(only.rotation - copper.rotation));
  const isAcross = Math.abs(quarter - 90) < 1e-4 || Math.abs(quarter - 270) < 1e-4;
  const [a, b] = [sizeOf(only.figure), sizeOf(copper.figure)];
  const [w, h] = isAcross ? [a.height, a.width] : [a.width, a.height];
  const margin = (w - b.width) / 2;
  const isEven =
    Math.abs(h - b.height - 2 * margin) < 2e-4 &&
    Math.hypot(only.at.x - copper.at.x, only.at.y - copper.at.y) < 2e-4 &&
    (quarter % 90 === 0 || copper.figure.kind === 'round');
  if (!isEven) return null;
  const rounded = quantise(Math.round(margin * 1e5) / 1e5);
  // one of another shape is no margin
  return isLike(grown(copper.figure, rounded), only.figure, quarter) ? rounded : null;
}

/** Whether two figures of one size are alike, the second turned by quarters. */
function isLike(a: Figure, b: Figure, quarter: number): boolean {
  if (a.kind !== b.kind) return false;
  if (a.kind === 'round' || a.kind === 'oblong') return true;
  return isSameArea(flatten(outlineOf(a), CHORD), flatten(turnedOutline(b, quarter), CHORD));
}

/** Whether two outlines go round the same area, but for what is nowhere wider than `SAME`. */
const isSameArea = (a: Polygon, b: Polygon): boolean =>
  inflate([...subtract([a], [b]), ...subtract([b], [a])], -SAME / 2).length === 0;

type Stack = { -readonly [K in keyof StackIntent]: StackIntent[K] };

/** Copper as it lies about a place: its shape, its sides, and by how much it lies beside. */
export function copperStack(frame: LandFrame, copper: Placed): Stack {
  const own = about(frame, copper);
  const { x, y } = own.at;
  return {
    ...shapeStack(unturned(own)),
    ...(x === 0 ? {} : { offsetX: mm(x) }),
    ...(y === 0 ? {} : { offsetY: mm(y) }),
  };
}

function shapeStack(figure: Figure): Stack {
  const { width, height } = sizeOf(figure);
  const size = { width: mm(width), height: mm(height) };
  switch (figure.kind) {
    case 'round':
      return { shape: 'round', width: size.width };
    case 'oblong':
    case 'd-shape':
      return { shape: figure.kind, ...size };
    case 'contour':
      return { shape: 'contour', contour: bareCorners(flatten(outlineOf(figure), CHORD)) };
    case 'rectangle': {
      const { radius, chamfer } = figure;
      if (chamfer)
        return { shape: 'chamfered', ...size, chamfer: mm(chamfer.size), corners: [...chamfer.corners] };
      return radius ? { shape: 'rounded', ...size, radius: mm(radius) } : { shape: 'rectangle', ...size };
    }
  }
}

/**
 * What belongs to a land beside its copper on the component side: its openings, and what its hole brings.
 * @param maskMargin what holds for every land already, mm; `null` where nothing does
 * @param left takes what a document cannot hold, in words
 */
export function besideCopper(
  land: GivenLand,
  frame: LandFrame,
  maskMargin: number | null,
  left: string[],
): Stack {
  const { copper, mask, paste, hole } = land;
  const stack: Stack = hole ? holeStack(land, frame, left) : {};
  if (!hole && land.maskOther?.length === 0) stack.maskOther = { none: true };
  if (mask) {
    const margin = marginOf(mask, copper);
    if (mask.length === 0) stack.mask = { none: true };
    else if (margin === null) stack.mask = { as: asGiven(frame, mask) };
    else if (margin !== maskMargin) stack.mask = { margin: mm(margin) };
  }
  if (paste) {
    const margin = marginOf(paste, copper);
    const { width, height } = sizeOf(copper.figure);
    // corners that are given keep a large opening in one piece
    const isLarge = Math.max(width, height) > LONGEST_PIECE;
    if (paste.length > 0)
      stack.paste = margin !== null && !isLarge ? { margin: mm(0 - margin) } : { as: asGiven(frame, paste) };
    else if (!hole) stack.paste = { none: true };
  }
  return stack;
}

function holeStack(land: GivenLand, frame: LandFrame, left: string[]): Stack {
  const { copper, mask, hole, other, inner, clearance, maskOther } = land;
  const stack: Stack = {};
  const { plated = true, plus, minus } = hole ?? {};
  if (!plated || plus || minus)
    stack.hole = {
      ...(plated ? {} : { plated: false }),
      ...(plus ? { plus: mm(plus) } : {}),
      ...(minus ? { minus: mm(minus) } : {}),
    };
  if (other) {
    const [far, near] = [other, copper].map((placed) => sizeOf(unturned(about(frame, placed)))) as [
      { width: number; height: number },
      { width: number; height: number },
    ];
    if (far.width !== near.width || far.height !== near.height)
      stack.other = { width: mm(far.width), height: mm(far.height) };
    if (other.figure.kind !== copper.figure.kind)
      left.push(`The land of ${nameOf(land)} has another shape on the far side; it is kept by its sides.`);
  }
  const free = clearance && marginOf([clearance], copper);
  if (typeof free === 'number' && free >= 0) stack.clearance = mm(free);
  else if (clearance) left.push(`The plane clearance of ${nameOf(land)} follows from the process.`);
  const far = maskOther && marginOf(maskOther, other ?? copper);
  if (maskOther?.length === 0) stack.maskOther = { none: true };
  else if (maskOther && typeof far !== 'number') stack.maskOther = { as: asGiven(frame, maskOther) };
  else if (typeof far === 'number' && far !== marginOf(mask, copper)) stack.maskOther = { margin: mm(far) };
  if (inner) {
    const { width, height } = sizeOf(inner.figure);
    stack.inner = mm(Math.min(width, height));
  }
  return stack;
}

const nameOf = ({ number }: GivenLand): string =>
  number === '' ? 'a land without a number' : `land ${number}`;

/** Openings as their corners about a place. */
const asGiven = (frame: LandFrame, openings: readonly Placed[]): string =>
  openings.map((one) => bareCorners(flatten(contourOf(about(frame, one)), CHORD))).join(' | ');
