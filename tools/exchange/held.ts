import { readPatterns } from '../../src/core/format/import';
import { flatten } from '../../src/core/geometry/contour';
import { contourOf, type Placed } from '../../src/core/geometry/figure';
import { area } from '../../src/core/geometry/polygon';
import type { GivenPattern } from '../../src/core/given/pattern';
import { areaOfPoints, placedOutline, pointsOf, SCENES, windowsOf, type Scene } from './scenes';
import { DRAWINGS } from './dxf';
import { LATER } from './later';
import { FILMS } from './films';
import { PACKAGES } from './ipc2581';
import { TABLES } from './tables';
import type { Hand, Written } from './written';

// What comes of files that share no code with the readers, held against what they were written from.

/** All ways of writing. */
export const HANDS: readonly Hand[] = [...DRAWINGS, ...FILMS, ...PACKAGES, ...TABLES, ...LATER];

export interface Held {
  readonly name: string;
  readonly isApart: boolean;
  readonly outcome: 'right' | 'told' | 'refused' | 'silent';
  /** What differs, and what was said. */
  readonly words: readonly string[];
}

/** mm: inches of four digits are so coarse. */
const NEAR = 0.003;

/** A shape by its middle, its box and its area. */
interface Blot {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly area: number;
  readonly far: boolean;
  readonly number: string;
  readonly hole: number;
}

function blotOf(points: readonly (readonly [number, number])[], more: Partial<Blot> = {}): Blot {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  return {
    x: (x0 + x1) / 2,
    y: (y0 + y1) / 2,
    w: x1 - x0,
    h: y1 - y0,
    area: Math.abs(areaOfPoints(points)),
    far: false,
    number: '',
    hole: 0,
    ...more,
  };
}

function blotOfPlaced(placed: Placed, more: Partial<Blot> = {}): Blot {
  const polygon = flatten(contourOf(placed), 0.0005);
  return {
    ...blotOf(
      polygon.map(({ x, y }) => [x, y] as const),
      more,
    ),
    area: area(polygon),
  };
}

const round = (x: number, y: number, d: number) =>
  pointsOf(placedOutline({ number: '', x, y, shape: { kind: 'oblong', w: d, h: d } }), 2);

type What = 'lands' | 'pegs' | 'mask' | 'paste';

function wanted(scene: Scene, { says }: Written): Record<What, Blot[]> {
  const has = (one: Written['says'][number]) => says.includes(one);
  return {
    lands: scene.lands.map((land) =>
      blotOf(pointsOf(placedOutline(land), 1), {
        far: land.far === true,
        number: has('numbers') ? land.number : '',
        hole: has('holes') ? (land.hole ?? 0) : 0,
      }),
    ),
    pegs: has('pegs') ? scene.pegs.map(({ x, y, d }) => blotOf(round(x, y, d))) : [],
    mask: has('mask')
      ? scene.lands
          .filter((land) => !land.far)
          .map((land) => blotOf(pointsOf(placedOutline(land, scene.margin), 1)))
      : [],
    paste: has('paste')
      ? scene.lands
          .filter((land) => !land.far && land.hole === undefined)
          .flatMap((land) =>
            (windowsOf(land) ?? [null]).map((one) =>
              one
                ? blotOf(
                    pointsOf(
                      placedOutline({
                        number: '',
                        x: one.x,
                        y: one.y,
                        shape: { kind: 'rect', w: one.w, h: one.h },
                      }),
                    ),
                  )
                : blotOf(pointsOf(placedOutline(land), 1)),
            ),
          )
      : [],
  };
}

function got(pattern: GivenPattern, { says }: Written): Record<What, Blot[]> {
  const has = (one: Written['says'][number]) => says.includes(one);
  return {
    lands: pattern.lands.map(({ copper, far, number, hole }) =>
      blotOfPlaced(copper, {
        far: far === true,
        number: has('numbers') ? number : '',
        hole:
          hole && has('holes')
            ? Math.min(hole.hole.maxX - hole.hole.minX, hole.hole.maxY - hole.hole.minY)
            : 0,
      }),
    ),
    pegs: has('pegs') ? pattern.holes.map((hole) => blotOfPlaced(hole)) : [],
    mask: has('mask')
      ? [...pattern.lands.flatMap(({ mask = [] }) => mask), ...(pattern.windows ?? [])].map((one) =>
          blotOfPlaced(one),
        )
      : [],
    paste: has('paste')
      ? pattern.lands.flatMap(({ paste = [] }) => paste).map((one) => blotOfPlaced(one))
      : [],
  };
}

/** What differs between two lots of shapes, about their common middle. */
function differences(
  what: What,
  want: readonly Blot[],
  have: readonly Blot[],
  shift: { x: number; y: number },
): string[] {
  const left = [...have];
  const missing = want.filter((one) => {
    const i = left.findIndex(
      (other) =>
        Math.hypot(other.x + shift.x - one.x, other.y + shift.y - one.y) < NEAR &&
        Math.abs(other.w - one.w) < NEAR &&
        Math.abs(other.h - one.h) < NEAR &&
        Math.abs(other.area - one.area) < 0.005 * one.area + NEAR * NEAR &&
        other.far === one.far &&
        other.number === one.number &&
        Math.abs(other.hole - one.hole) < NEAR,
    );
    if (i >= 0) left.splice(i, 1);
    return i < 0;
  });
  const say = ({ number, x, y, w, h, far, hole, area: a }: Blot, by = { x: 0, y: 0 }) =>
    `${what} ${number || '-'} ${w.toFixed(3)} × ${h.toFixed(3)} (${a.toFixed(4)}) at ${(x + by.x).toFixed(3)} ${(y + by.y).toFixed(3)}${far ? ' far' : ''}${hole ? ` hole ${hole.toFixed(3)}` : ''}`;
  return [
    ...missing.map((one) => `missing: ${say(one)}`),
    ...left.map((one) => `not there: ${say(one, shift)}`),
  ];
}

function middleOf(all: readonly Blot[]) {
  const of = (low: (one: Blot) => number, high: (one: Blot) => number) =>
    (Math.min(...all.map(low)) + Math.max(...all.map(high))) / 2;
  return {
    x: of(
      ({ x, w }) => x - w / 2,
      ({ x, w }) => x + w / 2,
    ),
    y: of(
      ({ y, h }) => y - h / 2,
      ({ y, h }) => y + h / 2,
    ),
  };
}

/** Reads what a hand wrote of a scene. */
export function held(hand: Hand, scene: Scene): Held {
  const written = hand.write(scene);
  const files = written.files.map(({ name, text }) => ({ name, bytes: new TextEncoder().encode(text) }));
  const name = `${hand.name} / ${scene.name}`;
  const isApart = hand.isApart === true;
  const read = readPatterns(files, written.asked ?? {});
  if (!read.ok) return { name, isApart, outcome: 'refused', words: [read.error] };
  const [pattern, ...more] = read.value.patterns;
  const said = [...read.value.left, ...(pattern?.left ?? [])];
  if (!pattern) return { name, isApart, outcome: said.length > 0 ? 'refused' : 'silent', words: said };
  const [want, have] = [wanted(scene, written), got(pattern, written)];
  const [a, b] = [middleOf(want.lands), middleOf(have.lands)];
  const shift = { x: a.x - b.x, y: a.y - b.y };
  const wrong = [
    ...(more.length > 0 ? [`${more.length} patterns more`] : []),
    ...(['lands', 'pegs', 'mask', 'paste'] as const).flatMap((what) =>
      differences(what, want[what], have[what], shift),
    ),
  ];
  const isWrong = wrong.length > 0 || (written.owed ?? false);
  return {
    name,
    isApart,
    outcome: !isWrong ? 'right' : said.length > 0 ? 'told' : 'silent',
    words: [...wrong, ...said.map((words) => `said: ${words}`)],
  };
}

/** Every scene by every hand that can write it. */
export function foreignFiles(isApart: boolean): { readonly hand: Hand; readonly scene: Scene }[] {
  return HANDS.filter((hand) => (hand.isApart === true) === isApart).flatMap((hand) =>
    SCENES.filter((scene) => hand.can?.(scene) ?? true).map((scene) => ({ hand, scene })),
  );
}
