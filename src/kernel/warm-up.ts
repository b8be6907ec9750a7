import type { Occt } from 'occt-import-js';
import { writeStep } from '../core/format/step/step';
import { block, type Assembly, type Part } from '../core/geometry/solid';
import { STEP_OPTIONS } from './read-model';

/** Of each kind of surface one, and each of them twice. */
const SOLIDS: Assembly = {
  shapes: {
    block: block(1, 2, 0, 1),
    ball: {
      kind: 'revolution',
      profile: [
        { x: 0, y: 0, bulge: 1 },
        { x: 0, y: 1 },
      ],
    },
    wire: {
      kind: 'wire',
      line: [
        { x: 0, y: 0 },
        { x: 2, y: 0 },
        { x: 2, y: 2 },
      ],
      diameter: 0.5,
      bend: 0.5,
    },
  },
  parts: ['block', 'ball', 'wire'].flatMap((shape, i) =>
    [0, 5].map((y): Part => ({
      name: shape,
      shape,
      material: 'metal',
      at: { x: 5 * i, y, z: 0 },
      rotation: y,
    })),
  ),
};

/** Has the CAD kernel read a few small solids: its code is made ready when it first runs, which takes longer. */
export function warmUp(kernel: Occt): void {
  const colours = { moulding: '#303030', ceramic: '#d0d0d0', metal: '#c0c0c0' } as const;
  kernel.ReadStepFile(new TextEncoder().encode(writeStep(SOLIDS, 'warm', colours)), STEP_OPTIONS);
}
