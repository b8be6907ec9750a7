import type { Vertex } from '../../geometry/contour';
import type { Point } from '../../geometry/point';
import { fail, ok, type Result } from '../../units/result';
import {
  applied,
  appliedAll,
  compose,
  FROM_BELOW,
  SAME,
  scaled,
  shifted,
  turnedBy,
  type Affine,
} from './affine';
import type { Drawing, Entity } from './drawing';
import { IN_OWN_PLANE, numberOf, shapesOf } from './shapes';

// Everything that a drawing shows, where it stands: blocks are put where they are inserted, and what is not
// shown is left out and counted.

/** A shape on its layer, where it stands. */
export interface PlacedShape {
  readonly layer: string;
  readonly corners: readonly Vertex[];
  readonly isClosed: boolean;
}

export interface PlacedText {
  readonly layer: string;
  readonly at: Point;
  readonly text: string;
  /** Of an answer that a block asks for: what it is called. */
  readonly tag?: string;
}

export interface Shown {
  readonly shapes: readonly PlacedShape[];
  readonly texts: readonly PlacedText[];
  /** What was left out, in words, and how often. */
  readonly left: ReadonlyMap<string, number>;
}

/** Entities that a drawing shows at most, those of blocks as often as they are inserted. */
const MOST = 100_000;
/** Corners of all of them at most: arcs that are pressed flat become chords. */
const MOST_CORNERS = 400_000;
/** Blocks in blocks. */
const DEEPEST = 16;

/** Puts everything where it stands. @returns it, or why there is too much of it */
export function shownBy({ entities, blocks, hidden }: Drawing): Result<Shown, string> {
  const shapes: PlacedShape[] = [];
  const texts: PlacedText[] = [];
  const left = new Map<string, number>();
  const leave = (words: string) => left.set(words, (left.get(words) ?? 0) + 1);
  let count = 0;
  let cornerCount = 0;
  let trouble: string | null = null;

  const put = (all: readonly Entity[], by: Affine, within: string | null, depth: number): void => {
    for (const entity of all) {
      count += 1;
      if (count > MOST) trouble ??= `The drawing shows more than ${MOST} entities; take a part of it.`;
      if (trouble !== null) return;
      const written = textAt(entity, 8) ?? '0';
      // what lies on layer 0 of a block lies on the layer that it is inserted on
      const layer = written === '0' && within !== null ? within : written;
      const why = whyHidden(entity, hidden.get(layer), layer);
      if (why) {
        leave(why);
        continue;
      }
      const plane = planeOf(entity);
      if (!plane) {
        leave('entities that lie in a tilted plane');
        continue;
      }
      const placed = compose(by, plane);
      if (entity.kind === 'INSERT') insert(entity, placed, layer, depth);
      else if (TEXTS.has(entity.kind)) texts.push(textOf(entity, placed, layer));
      // what a block asks for is answered where it is inserted
      else if (entity.kind === 'ATTDEF' && within !== null) continue;
      else draw(entity, placed, layer);
    }
  };

  const draw = (entity: Entity, by: Affine, layer: string) => {
    const drawn = shapesOf(entity);
    if (!drawn) return leave(`entities of kind ${entity.kind}`);
    if (drawn.left !== undefined) leave(drawn.left);
    for (const { corners, isClosed } of drawn.shapes) {
      const placed = appliedAll(by, corners, isClosed);
      cornerCount += placed.length;
      if (cornerCount > MOST_CORNERS)
        trouble ??= `The drawing shows more than ${MOST_CORNERS} corners; take a part of it.`;
      if (trouble !== null) return;
      shapes.push({ layer, isClosed, corners: placed });
    }
  };

  const insert = (entity: Entity, by: Affine, layer: string, depth: number) => {
    const name = textAt(entity, 2) ?? '';
    const block = blocks.get(name);
    if (!block) return leave(`inserts of “${name}”, which is not in the file`);
    if (depth >= DEEPEST) {
      trouble ??= `Blocks are more than ${DEEPEST} deep in each other, or “${name}” holds itself.`;
      return;
    }
    const number = (code: number, otherwise = 0) => numberOf(entity, code, otherwise);
    const [columns, rows] = [Math.max(1, number(70, 1)), Math.max(1, number(71, 1))];
    if (columns * rows > MOST) {
      trouble ??= `“${name}” is inserted ${columns} × ${rows} times; at most ${MOST} entities are read.`;
      return;
    }
    const own = compose(
      compose(shifted(number(10), number(20)), turnedBy(number(50))),
      compose(scaled(number(41, 1), number(42, 1)), shifted(-block.base.x, -block.base.y)),
    );
    const turn = turnedBy(number(50));
    for (let row = 0; row < rows && trouble === null; row += 1)
      for (let column = 0; column < columns && trouble === null; column += 1) {
        const step = applied(turn, { x: column * number(44), y: row * number(45) });
        put(block.entities, compose(by, compose(shifted(step.x, step.y), own)), layer, depth + 1);
      }
  };

  put(entities, SAME, null, 0);
  return trouble === null ? ok({ shapes, texts, left }) : fail(trouble);
}

const TEXTS: ReadonlySet<string> = new Set(['TEXT', 'MTEXT', 'ATTRIB']);

const textAt = ({ codes }: Entity, code: number) => codes.find(([own]) => own === code)?.[1];

/** Why an entity is not shown; `null` where it is. */
function whyHidden(entity: Entity, layerIs: string | undefined, layer: string): string | null {
  if (numberOf(entity, 67) === 1) return 'entities of paper space';
  if (numberOf(entity, 60) === 1) return 'invisible entities';
  return layerIs === undefined ? null : `entities on layer “${layer}”, which is ${layerIs}`;
}

/** How the plane of an entity lies in the drawing; `null` where it is tilted. */
function planeOf(entity: Entity): Affine | null {
  if (!IN_OWN_PLANE.has(entity.kind)) return SAME;
  const [x, y, z] = [numberOf(entity, 210), numberOf(entity, 220), numberOf(entity, 230, 1)];
  if (Math.abs(x) > 1e-6 || Math.abs(y) > 1e-6) return null;
  return z < 0 ? FROM_BELOW : SAME;
}

/** A text where it is centred, else where it starts, without the signs that set it. */
function textOf(entity: Entity, by: Affine, layer: string): PlacedText {
  const has = (code: number) => textAt(entity, code) !== undefined;
  const isCentred =
    entity.kind !== 'MTEXT' &&
    [72, entity.kind === 'TEXT' ? 73 : 74].some((code) => numberOf(entity, code) !== 0) &&
    has(11);
  const at = isCentred
    ? { x: numberOf(entity, 11), y: numberOf(entity, 21) }
    : { x: numberOf(entity, 10), y: numberOf(entity, 20) };
  const parts = entity.codes.flatMap(([code, value]) => (code === 3 || code === 1 ? [value] : []));
  const text = entity.kind === 'MTEXT' ? bare(parts.join('')) : (textAt(entity, 1) ?? '');
  const tag = entity.kind === 'ATTRIB' ? textAt(entity, 2) : undefined;
  return { layer, at: applied(by, at), text, ...(tag === undefined ? {} : { tag }) };
}

/** The letters of a text that says its own type: `{\fArial;1}\P` is `1`. */
function bare(text: string): string {
  return text
    .replace(/\\[fFHWACTQpcLlOoKk][^;\\{}]*;/g, '')
    .replace(/\\[Pp~]/g, ' ')
    .replace(/\\[LlOoKk]/g, '')
    .replace(/[{}]/g, '')
    .trim();
}
