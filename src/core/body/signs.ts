import { boxOfPoints, centreOf, cornersOf, type Box } from '../geometry/box';
import { boxOfPositions, type Box3, type Mesh } from '../geometry/mesh';
import { distance, type Point } from '../geometry/point';
import { flatRegions, sectionsAt, undersides, type Region } from './contacts';
import type { Ground, Target } from './ground';
import { placedPositions, type Pose } from './pose';
import type { Subject } from './subject';
import { BELOW } from './rest';

/** What on a model may tell its terminal 1, surest first. */
export const SIGNS = [
  'dimple',
  'notch',
  'mark',
  'square pin',
  'longer wire',
  'cut corner',
  'pad corner',
  'odd piece',
  'bevel',
] as const;
export type SignKind = (typeof SIGNS)[number];

/** Something on a model that tells one terminal from the others; where it lies on the board, mm. */
export interface Sign {
  readonly kind: SignKind;
  readonly at: Point;
}

/** Poses that are looked at: with more equals nothing would be told. */
const MOST_POSES = 24;

/**
 * The pose among equals in which something that marks terminal 1 lies at terminal 1.
 * @returns its index and what marks it; `null` where nothing does, or the poses do not differ in it
 */
export function firstSign(
  subject: Subject,
  poses: readonly Pose[],
  ground: Ground,
): { readonly index: number; readonly sign: Sign } | null {
  const first = ground.first === null ? undefined : ground.targets[ground.first];
  if (!first || poses.length < 2 || poses.length > MOST_POSES) return null;
  const signs = poses.map((pose) => signsOf(subject, pose, ground));
  for (const kind of SIGNS) {
    const ranked = signs
      .flatMap((found, index) => {
        const sign = found.find((one) => one.kind === kind);
        return sign ? [{ index, sign, away: distance(sign.at, wantedAt(sign, first, ground)) }] : [];
      })
      .sort((a, b) => a.away - b.away);
    const [best, ...others] = ranked;
    if (!best) continue;
    // where it lies as near in all of them it tells nothing
    const isTold = (away: number) => away > 1.05 * best.away + 0.05;
    if (others.length === 0 || others.some(({ away }) => isTold(away))) return best;
  }
  return null;
}

/** Where a sign is to lie: at terminal 1, but the longer wire is the plus. */
function wantedAt({ kind }: Sign, first: Target, { targets, polarity }: Ground): Point {
  const other = targets.find((target) => target !== first);
  return kind === 'longer wire' && polarity === 'cathode' && other ? other : first;
}

function signsOf({ mesh, partOf }: Subject, pose: Pose, ground: Ground): Sign[] {
  const placed: Mesh = { positions: placedPositions(mesh.positions, pose), indices: mesh.indices };
  const box = boxOfPositions(placed.positions) as Box3;
  return [...onTop(placed, box), ...below(placed, ground), ...oddPiece(placed, partOf, box)];
}

/** Boxes that differ by less are counterparts, mm. */
const SAME = 0.02;

/** A piece, or an area of one colour, that has no counterpart when the model is turned by half: a band, a dot. */
function oddPiece({ positions, indices }: Mesh, partOf: Uint16Array, { min, max }: Box3): Sign[] {
  const boxes = new Map<number, Box>();
  partOf.forEach((part, t) => {
    const corners = [0, 1, 2].map((k) => {
      const v = 3 * (indices[3 * t + k] as number);
      return { x: positions[v] as number, y: positions[v + 1] as number };
    });
    const own = boxes.get(part);
    boxes.set(part, boxOfPoints(own ? [...corners, ...cornersOf(own)] : corners) as Box);
  });
  const [x, y] = [min.x + max.x, min.y + max.y];
  const all = [...boxes.values()];
  const odd = all.filter((box) => {
    const over: Box = { minX: x - box.maxX, maxX: x - box.minX, minY: y - box.maxY, maxY: y - box.minY };
    return !all.some((other) => SIDES.every((side) => Math.abs(other[side] - over[side]) < SAME));
  });
  const [one] = odd;
  return one && odd.length === 1 ? [{ kind: 'odd piece', at: centreOf(one) }] : [];
}

const SIDES = ['minX', 'maxX', 'minY', 'maxY'] as const;

/** A region of a surface that looks up is found on the mesh turned over about X. */
function upwards({ positions, indices }: Mesh): Region[] {
  const over = new Float64Array(positions.length);
  for (let i = 0; i < positions.length; i += 3) {
    over[i] = positions[i] as number;
    over[i + 1] = 0 - (positions[i + 1] as number);
    over[i + 2] = 0 - (positions[i + 2] as number);
  }
  return flatRegions({ positions: over, indices }).map(({ contact, centroid }) => ({
    contact: { ...contact, y: 0 - contact.y, z: 0 - contact.z },
    centroid: { x: centroid.x, y: 0 - centroid.y },
  }));
}

/** Marks lie no deeper or higher than this from the top, mm. */
const DEEP = 1;
/** A printed or moulded mark stands out no farther than this, mm. */
const RAISED = 0.1;
/** What takes up more of the top than this is no mark. */
const SMALL = 0.15;

/** Marks on the top: recesses, what stands out of it, and how its outline is cut. */
function onTop(mesh: Mesh, box: Box3): Sign[] {
  const regions = upwards(mesh).sort((a, b) => b.contact.area - a.contact.area);
  const top = regions.find(({ contact }) => contact.z > box.max.z - RAISED - 0.001);
  if (!top) return [];
  const { contact: face } = top;
  const edge = (axis: 'x' | 'y') => (axis === 'x' ? face.width : face.height) / 2;
  const isOn = ({ contact }: Region) =>
    contact.area < SMALL * face.width * face.height &&
    Math.abs(contact.x - face.x) < edge('x') &&
    Math.abs(contact.y - face.y) < edge('y');
  const deep = regions.filter(
    (one) => isOn(one) && one.contact.z < face.z - 0.005 && one.contact.z > face.z - DEEP,
  );
  // printed in another colour it may lie in the face itself
  const raised = regions.filter((one) => one !== top && isOn(one) && one.contact.z > face.z - 1e-4);
  const isAtEdge = ({ contact }: Region) =>
    (['x', 'y'] as const).some(
      (axis) =>
        Math.abs(contact[axis] - face[axis]) + (axis === 'x' ? contact.width : contact.height) / 2 >
        edge(axis) - 0.01,
    );
  const notches = deep.filter(isAtEdge);
  const dimples = deep.filter((one) => !isAtEdge(one) && isRound(one));
  return [
    ...alone('dimple', dimples),
    ...alone('notch', notches),
    ...alone('mark', raised),
    ...cutCorner('cut corner', top),
    ...bevel(top, box),
  ];
}

const isRound = ({ contact: { width, height, area } }: Region) =>
  Math.abs(width - height) < 0.1 * width && Math.abs(area / (width * height) - Math.PI / 4) < 0.07;

/** One of a kind tells something, several do not. */
function alone(kind: SignKind, found: readonly Region[]): Sign[] {
  const [one] = found;
  return one && found.length === 1 ? [{ kind, at: one.contact }] : [];
}

/** A corner that is cut moves the middle of an area away from it, by more than this share of its size. */
const CUT = 0.002;

function cutCorner(kind: SignKind, { contact, centroid }: Region): Sign[] {
  const [dx, dy] = [(contact.x - centroid.x) / contact.width, (contact.y - centroid.y) / contact.height];
  if (Math.abs(dx) < CUT || Math.abs(dy) < CUT) return [];
  return [
    {
      kind,
      at: {
        x: contact.x + (Math.sign(dx) * contact.width) / 2,
        y: contact.y + (Math.sign(dy) * contact.height) / 2,
      },
    },
  ];
}

/** A bevel along one side of the top leaves the top off the middle of the model. */
function bevel({ contact }: Region, { min, max }: Box3): Sign[] {
  const off = { x: contact.x - (min.x + max.x) / 2, y: contact.y - (min.y + max.y) / 2 };
  const isOff = (axis: 'x' | 'y', size: number) => Math.abs(off[axis]) > Math.max(0.05, 0.01 * size);
  const [x, y] = [isOff('x', contact.width), isOff('y', contact.height)];
  if (x === y) return [];
  return [
    {
      kind: 'bevel',
      at: x
        ? { x: contact.x - (Math.sign(off.x) * contact.width) / 2, y: contact.y }
        : { x: contact.x, y: contact.y - (Math.sign(off.y) * contact.height) / 2 },
    },
  ];
}

/** Wires that differ by less are of one length, mm. */
const LONGER = 0.3;

/** Marks below: an odd pin, a longer wire, a pad with a corner cut off. */
function below(mesh: Mesh, { targets }: Ground): Sign[] {
  const pins = targets.filter(({ kind }) => kind === 'pin');
  const pad = targets.filter(({ kind }) => kind === 'land').sort((a, b) => b.area - a.area)[0];
  const padAt = pad && flatRegions(mesh).find((one) => isSame(one, pad));
  return [
    ...(pins.length > 1 ? [...squarePin(mesh, pins), ...longerWire(mesh, pins)] : []),
    ...(padAt && targets.length > 2 ? cutCorner('pad corner', padAt) : []),
  ];
}

function isSame({ contact }: Region, target: Target): boolean {
  return (
    distance(contact, target) < 0.2 * target.width &&
    Math.abs(contact.z - target.z) < 0.1 &&
    contact.area > 0.7 * target.area &&
    contact.area < 1.4 * target.area
  );
}

/** What of a pin is square fills its box, a round one does not. */
function squarePin(mesh: Mesh, pins: readonly Target[]): Sign[] {
  const sections = sectionsAt(mesh, -BELOW).filter((cut) => pins.some((pin) => distance(pin, cut) < 0.5));
  const square = sections.filter(({ area, width, height }) => area > 0.95 * width * height);
  const [one] = square;
  return one && square.length === 1 && sections.length > 2 ? [{ kind: 'square pin', at: one }] : [];
}

function longerWire(mesh: Mesh, pins: readonly Target[]): Sign[] {
  const tips = undersides(mesh).filter(({ z }) => z < -BELOW);
  const lows = pins
    .map((pin) => ({
      pin,
      z: tips.reduce((low, tip) => (distance(tip, pin) < 0.5 ? Math.min(low, tip.z) : low), 0),
    }))
    .sort((a, b) => a.z - b.z);
  const [long, next] = lows;
  return long && next && next.z < 0 && next.z - long.z > LONGER
    ? [{ kind: 'longer wire', at: long.pin }]
    : [];
}
