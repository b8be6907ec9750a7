import type { MarkOptions } from '../document/document';
import type { Polarity } from '../package/drawn';
import { add, turn, type Point } from '../geometry/point';
import type { Polygon } from '../geometry/polygon';
import { quantise } from '../units/length';

export type Pin1Shape = NonNullable<MarkOptions['pin1Shape']>;

/** The mark's outline with the spot it points from at the origin, growing along +x, one unit large. */
const OUTLINES: Readonly<Record<Pin1Shape, Polygon>> = {
  wedge: [
    { x: 0, y: 0 },
    { x: 0.85, y: -0.5 },
    { x: 0.85, y: 0.5 },
  ],
  bar: [
    { x: 0, y: -0.75 },
    { x: 0.3, y: -0.75 },
    { x: 0.3, y: 0.75 },
    { x: 0, y: 0.75 },
  ],
  disc: Array.from({ length: 24 }, (_, i) => {
    const angle = ((i + 12.5) / 24) * 2 * Math.PI;
    return { x: 0.45 + 0.45 * Math.cos(angle), y: 0.45 * Math.sin(angle) };
  }),
  hook: [
    { x: 0, y: -0.5 },
    { x: 0.9, y: -0.5 },
    { x: 0.9, y: -0.2 },
    { x: 0.3, y: -0.2 },
    { x: 0.3, y: 0.5 },
    { x: 0, y: 0.5 },
  ],
  plus: [
    [0, -0.15],
    [0.35, -0.15],
    [0.35, -0.5],
    [0.65, -0.5],
    [0.65, -0.15],
    [1, -0.15],
    [1, 0.15],
    [0.65, 0.15],
    [0.65, 0.5],
    [0.35, 0.5],
    [0.35, 0.15],
    [0, 0.15],
  ].map(([x = 0, y = 0]) => ({ x, y })),
};

/** Every shape of the pin-1 mark, as it is offered. */
export const PIN_1_SHAPES: readonly { readonly id: Pin1Shape; readonly title: string }[] = [
  { id: 'wedge', title: 'wedge that points at land 1' },
  { id: 'bar', title: 'bar beside land 1' },
  { id: 'disc', title: 'disc' },
  { id: 'hook', title: 'hook' },
  { id: 'plus', title: 'plus sign' },
];

/** The shape that a part takes by itself: its polarity's sign, or a wedge. */
function usualShape(polarity: Polarity | null): Pin1Shape {
  return polarity === 'cathode' ? 'bar' : polarity === 'plus' ? 'plus' : 'wedge';
}

/**
 * Shapes to try, the wanted one first; what was chosen, or says the polarity, is not replaced.
 * @param preferred shapes that the house wants, in their order
 */
export function shapesToTry(
  chosen: Pin1Shape | null,
  polarity: Polarity | null,
  preferred: readonly Pin1Shape[] = [],
): readonly Pin1Shape[] {
  if (chosen) return [chosen];
  const usual = usualShape(polarity);
  if (preferred.length > 0 && polarity === null) return preferred;
  return usual === 'plus'
    ? [usual]
    : [usual, ...(['wedge', 'bar', 'disc'] as const).filter((s) => s !== usual)];
}

/**
 * A mark that starts at a spot and grows away from its land.
 * @param size length of the mark's unit, mm
 */
export function markAt(shape: Pin1Shape, apex: Point, direction: number, size: number): Polygon {
  return OUTLINES[shape].map(({ x, y }) => {
    const at = add(apex, turn({ x: x * size, y: y * size }, direction));
    return { x: quantise(at.x), y: quantise(at.y) };
  });
}
