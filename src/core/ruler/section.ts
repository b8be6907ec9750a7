import { place, circleAt, type Placed } from '../geometry/figure';
import type { Padstack } from '../padstack/padstack';
import type { Process } from '../process/process';
import type { Spread, Thing } from './things';

// What can be measured in the cut through a padstack: the edges of its layers, and their heights.

/** How heights are drawn in the cut, where thin layers are thicker than they are. mm */
export interface SectionScale {
  readonly exaggeration: number;
  /** Of the board as it is drawn, which may be cut short. */
  readonly depth: number;
  readonly minX: number;
  readonly maxX: number;
}

const exactly = (v: number): Spread => ({ min: v, nom: v, max: v });

/** Everything in the cut through the middle of a padstack that can be measured from, by name. */
export function sectionThings(stack: Padstack, process: Process, drawn: SectionScale): Thing[] {
  const { copperThickness, maskThickness, stencilThickness, boardThickness } = process;
  const { exaggeration, depth, minX, maxX } = drawn;
  const copper = copperThickness * exaggeration;
  const rows = stack.paste.map(({ at }) => at.y).sort((a, b) => Math.abs(a) - Math.abs(b));
  const line = stack.paste.length > 1 ? (rows[0] ?? 0) : 0;
  /** Left and right edges of a layer, drawn between two heights. */
  const edges = (
    id: string,
    name: string,
    figures: readonly Placed[],
    low: number,
    high: number,
  ): Thing[] => {
    const cut = figures.filter(({ minY, maxY }) => minY <= line + 1e-9 && maxY >= line - 1e-9);
    return cut.flatMap((figure, i) => {
      const called = cut.length > 1 ? `${name} ${i + 1}` : name;
      return (['left', 'right'] as const).map((side): Thing => {
        const x = side === 'left' ? figure.minX : figure.maxX;
        return {
          kind: 'upright',
          id: `${id}:${i + 1}:${side}`,
          name: `${called}, ${side} edge`,
          x: exactly(x),
          drawn: [
            { x, y: low },
            { x, y: high },
          ],
        };
      });
    });
  };
  /** A height, and where it is drawn. */
  const level = (id: string, name: string, z: number, y: number): Thing => ({
    kind: 'level',
    id,
    name,
    y: exactly(z),
    drawn: [
      { x: minX, y },
      { x: maxX, y },
    ],
  });
  const { hole, vias, mask, maskOther, paste, other, offset } = stack;
  const at = { x: 0, y: 0 };
  const mid = maskThickness * exaggeration;
  return [
    ...edges('copper', 'copper', [place(stack.copper, offset)], 0, copper),
    ...edges('mask', 'mask opening', mask, copper, copper + mid),
    ...edges('paste', 'paste', paste, copper, copper + stencilThickness * exaggeration),
    ...(hole ? edges('hole', 'hole', [place(hole.figure, at)], -depth, 0) : []),
    ...edges(
      'via',
      'via',
      vias.map((via) => circleAt(via, via.hole)),
      -depth,
      0,
    ),
    ...(other ? edges('other', 'copper below', [place(other, offset)], -depth - copper, -depth) : []),
    ...edges('mask-other', 'mask opening below', maskOther, -depth - copper - mid, -depth),
    level('laminate', 'laminate', 0, 0),
    level('copper-top', 'top of the copper', copperThickness, copper),
    level('mask-top', 'top of the mask', copperThickness + maskThickness, copper + mid),
    level(
      'paste-top',
      'top of the paste',
      copperThickness + stencilThickness,
      copper + stencilThickness * exaggeration,
    ),
    level('far', 'underside of the board', -boardThickness, -depth),
    ...(other
      ? [
          level(
            'far-copper',
            'underside of the copper below',
            -boardThickness - copperThickness,
            -depth - copper,
          ),
        ]
      : []),
  ];
}
