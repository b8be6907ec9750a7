import { boxOfPoints, type Box } from '../geometry/box';
import type { Mesh } from '../geometry/mesh';
import type { Contact } from './contacts';
import { FLAT, LEVEL, normalAt, steepness, Sum } from './facets';

/**
 * The feet that are not flat: points, and lines of equal height, with nothing lower beside them; of
 * outer walls only. A foot is as large as the sole about its lowest place, so that one that rises
 * towards heel or toe, or is round, lies where a flat one would.
 */
export function lowPoints(mesh: Mesh): Contact[] {
  const { positions, indices } = mesh;
  const count = positions.length / 3;
  // of vertices at one height the first is taken for lower, so that each plateau has one lowest
  const isLower = (a: number, b: number) => {
    const rise = (positions[3 * a + 2] as number) - (positions[3 * b + 2] as number);
    return rise < 0 || (rise === 0 && a < b);
  };
  const isLow = new Uint8Array(count);
  for (let i = 0; i < indices.length; i += 1) isLow[indices[i] as number] = 1;
  for (let t = 0; t < indices.length; t += 3) {
    const [a, b, c] = [indices[t] as number, indices[t + 1] as number, indices[t + 2] as number];
    isLow[isLower(a, b) ? b : a] = 0;
    isLow[isLower(b, c) ? c : b] = 0;
    isLow[isLower(a, c) ? c : a] = 0;
  }
  const lowest = Array.from(isLow.keys()).filter((v) => isLow[v] === 1);
  if (lowest.length === 0) return [];
  const about = trianglesAbout(mesh);
  return lowest.flatMap((v) => {
    const plateau = plateauAt(mesh, v, about, isLower);
    return plateau ? [footOf(mesh, plateau, about)] : [];
  });
}

/** The triangles at a vertex. */
type About = (v: number) => Uint32Array;

function trianglesAbout({ positions, indices }: Mesh): About {
  const starts = new Uint32Array(positions.length / 3 + 1);
  for (const v of indices) starts[v + 1] = (starts[v + 1] as number) + 1;
  for (let v = 0; v + 1 < starts.length; v += 1)
    starts[v + 1] = (starts[v + 1] as number) + (starts[v] as number);
  const next = starts.slice();
  const triangles = new Uint32Array(indices.length);
  indices.forEach((v, i) => {
    triangles[next[v] as number] = i - (i % 3);
    next[v] = (next[v] as number) + 1;
  });
  return (v) => triangles.subarray(starts[v], starts[v + 1]);
}

/**
 * The vertices about a lowest one that are as low but for rounding; `null` where one of them is lower,
 * or has a face that is a flat already, or one that looks up as the floor of a hollow does.
 */
function plateauAt(
  { positions, indices }: Mesh,
  lowest: number,
  about: About,
  isLower: (a: number, b: number) => boolean,
): number[] | null {
  const top = (positions[3 * lowest + 2] as number) + LEVEL;
  const plateau = [lowest];
  const reached = new Set(plateau);
  // grows while it is walked along
  for (const v of plateau) {
    for (const t of about(v)) {
      const corners = [indices[t] as number, indices[t + 1] as number, indices[t + 2] as number] as const;
      const up = steepness(positions, ...corners);
      if (up <= -FLAT || up > 0.5) return null;
      for (const w of corners) {
        if (reached.has(w) || (positions[3 * w + 2] as number) > top) continue;
        if (isLower(w, lowest)) return null;
        reached.add(w);
        plateau.push(w);
      }
    }
  }
  return plateau;
}

/** Faces steeper than this belong to no sole: 25°. */
const SOLE = Math.cos((25 * Math.PI) / 180);
/** A sole goes no higher than this above its lowest place, mm. */
const SOLE_RISE = 0.25;
/** One flat face that makes up this share of a sole is all that counts of it. */
const MOST = 0.6;

/** A foot from its lowest place: the sole that rises from it, or where there is none that place alone. */
function footOf({ positions, indices }: Mesh, plateau: readonly number[], about: About): Contact {
  const z = positions[3 * (plateau[0] as number) + 2] as number;
  const seen = new Set<number>();
  const faces = new Map<string, Sum>();
  const whole = new Sum();
  const open = [...plateau];
  const reached = new Set(open);
  for (let v = open.pop(); v !== undefined; v = open.pop()) {
    for (const t of about(v)) {
      if (seen.has(t)) continue;
      seen.add(t);
      const corners = [indices[t] as number, indices[t + 1] as number, indices[t + 2] as number] as const;
      if (steepness(positions, ...corners) > -SOLE) continue;
      if (corners.some((w) => (positions[3 * w + 2] as number) > z + SOLE_RISE)) continue;
      whole.add(positions, ...corners);
      const key = directionKey(positions, ...corners);
      let face = faces.get(key);
      if (!face) faces.set(key, (face = new Sum()));
      face.add(positions, ...corners);
      for (const w of corners) {
        if (reached.has(w)) continue;
        reached.add(w);
        open.push(w);
      }
    }
  }
  if (whole.contact().area < 1e-6) return { ...boxContact(positions, plateau), z };
  const main = [...faces.values()].map((sum) => sum.contact()).sort((a, b) => b.area - a.area)[0] as Contact;
  const sole = whole.contact();
  // what rises beside it is a bend, and no part of where it stands; of what is round the box is even
  return main.area > MOST * sole.area ? { ...main, z, area: 0 } : { ...sole, z, area: 0 };
}

/** What facets of one flat face have in common. */
function directionKey(p: Float64Array, a: number, b: number, c: number): string {
  return normalAt(p, a, b, c)
    .map((value) => Math.round(value * 200))
    .join(' ');
}

/** A place without area. */
function boxContact(positions: Float64Array, vertices: readonly number[]): Contact {
  const box = boxOfPoints(
    vertices.map((v) => ({ x: positions[3 * v] as number, y: positions[3 * v + 1] as number })),
  );
  const { minX, maxX, minY, maxY } = box as Box;
  return {
    x: (minX + maxX) / 2,
    y: (minY + maxY) / 2,
    z: 0,
    width: maxX - minX,
    height: maxY - minY,
    area: 0,
  };
}
