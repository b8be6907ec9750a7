import { sizeOf, type Placed } from '../../geometry/figure';
import type { Padstack } from '../../padstack/padstack';
import type { Process } from '../../process/process';
import { line, LINE, rectangle, type Item } from './page';
import { brokenInto } from './type';

/** Heights on the page: a board's true thickness would hide its layers. mm */
const DRAWN = { board: 5, copper: 0.9, mask: 0.6, paste: 0.9 } as const;
const WIDTH = 40;
export const SECTION = { width: WIDTH + 6, height: 22 } as const;

/** A padstack cut along its terminal: layers to scale along, their thickness not. */
export function stackSection(stack: Padstack, process: Process, x: number, y: number): Item[] {
  const { width: copper } = sizeOf(stack.copper);
  const reach =
    Math.max(copper, ...stack.mask.map(({ maxX, minX }) => 2 * Math.max(Math.abs(maxX), Math.abs(minX)))) *
    1.25;
  const scale = WIDTH / reach;
  const middle = x + SECTION.width / 2;
  const at = (along: number) => middle + along * scale;
  const top = y + 8;
  const bottom = top + DRAWN.board;
  const layer = (from: number, to: number, up: number, height: number, fill: number): Item[] =>
    to - from > 1e-9 ? [rectangle(at(from), up, (to - from) * scale, height, { stroke: 0.09, fill })] : [];
  const edges = (placed: readonly Placed[]) =>
    placed.map(({ minX, maxX }) => [minX, maxX] as const).sort((a, b) => a[0] - b[0]);
  /** What is covered where some stretches are open. */
  const closedBy = (open: readonly (readonly [number, number])[]) => {
    const stretches: [number, number][] = [];
    let from = -reach / 2;
    for (const [a, b] of open) {
      if (a > from) stretches.push([from, Math.min(a, reach / 2)]);
      from = Math.max(from, b);
    }
    if (from < reach / 2) stretches.push([from, reach / 2]);
    return stretches;
  };
  const { x: off } = stack.offset;
  const other = stack.other ? sizeOf(stack.other).width : 0;
  const hole = stack.hole ? sizeOf(stack.hole.figure).width : 0;
  const [name = ''] = brokenInto(stack.name, 2.5, SECTION.width, true);
  return [
    { kind: 'text', text: name, x, y: y + 2.4, size: 2.5, bold: true },
    ...layer(-reach / 2, reach / 2, top, DRAWN.board, 0.95),
    ...layer(off - copper / 2, off + copper / 2, top - DRAWN.copper, DRAWN.copper, 0.55),
    ...closedBy(edges(stack.mask)).flatMap(([a, b]) =>
      layer(a, b, top - DRAWN.copper - DRAWN.mask, DRAWN.mask, 0.8),
    ),
    ...edges(stack.paste).flatMap(([a, b]) =>
      layer(a, b, top - DRAWN.copper - DRAWN.paste, DRAWN.paste, 0.9),
    ),
    ...(stack.other
      ? [
          ...layer(off - other / 2, off + other / 2, bottom, DRAWN.copper, 0.55),
          ...closedBy(edges(stack.maskOther)).flatMap(([a, b]) =>
            layer(a, b, bottom + DRAWN.copper, DRAWN.mask, 0.8),
          ),
        ]
      : []),
    ...(hole > 0
      ? [
          rectangle(
            at(-hole / 2),
            top - DRAWN.copper - 0.3,
            hole * scale,
            DRAWN.board + 2 * DRAWN.copper + 0.6,
            { fill: 1 },
          ),
          ...[-hole / 2, hole / 2].map((edge) =>
            line(
              { x: at(edge), y: top - DRAWN.copper },
              { x: at(edge), y: bottom + (stack.other ? DRAWN.copper : 0) },
              stack.hole?.plated ? LINE.bold : LINE.thin,
            ),
          ),
        ]
      : []),
    {
      kind: 'text',
      text: `board ${process.boardThickness} mm`,
      x: middle,
      y: y + SECTION.height - 2.5,
      size: 1.8,
      anchor: 'middle',
      ink: 0.35,
    },
  ];
}
