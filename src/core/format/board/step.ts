import { atOrigin } from '../../footprint/origin';
import type { Drawable } from '../../footprint/footprint';
import type { Contour } from '../../geometry/contour';
import { contourOf } from '../../geometry/figure';
import { plateBrep } from '../../geometry/solid-brep';
import type { Stand } from '../../geometry/solid';
import type { CompiledTrial, PlacedPart } from '../../trial/trial';
import { StepWriter, type Instance, type Product } from '../step/step';
import type { BoardFormat } from './board-format';

/** The colour of the laminate under its mask. */
const LAMINATE = '#4d7f5b';

/** A board with its parts as an assembly: the board with its holes, and each part from the solids of its kind. */
export function boardStep(trial: CompiledTrial): string {
  const { board, parts } = trial;
  const writer = new StepWriter();
  const laminate = plateBrep([board.outline, ...parts.flatMap(holesOf)], -board.thickness, 0);
  const instances: Instance[] = [
    { name: 'Board', product: writer.solid(laminate, 'Board', LAMINATE), stand: HOME },
  ];
  const kinds = new Map<Drawable, Product>();
  for (const part of parts) {
    const { compiled, reference } = part;
    const { body, standardName } = compiled.footprint;
    if (body.assembly.parts.length === 0) continue;
    const product =
      kinds.get(compiled) ??
      writer.assembly(atOrigin(compiled.footprint).body.assembly, standardName, body.colours);
    kinds.set(compiled, product);
    instances.push({ name: reference, product, stand: standOf(part, board.thickness) });
  }
  const { name } = trial.trial;
  writer.group(name, instances);
  return writer.text(name, 'Board with its parts; Z = 0 is the laminate surface of the top');
}

const HOME: Stand = { at: { x: 0, y: 0, z: 0 }, rotation: 0 };

/** How a part that is turned over about the middle of the laminate stands. */
function standOf({ placement: { at, angle, far } }: PlacedPart, thickness: number): Stand {
  return far
    ? { at: { ...at, z: -thickness }, rotation: angle, flipped: true }
    : { at: { ...at, z: 0 }, rotation: angle };
}

/** Everything that goes through the laminate. Holes that run into one another are one finding, and both are cut. */
function holesOf({ footprint: { lands, bores } }: PlacedPart): Contour[] {
  return [...lands, ...bores].flatMap(({ hole }) => (hole ? [contourOf(hole)] : []));
}

export const boardStepFormat: BoardFormat = {
  id: 'step',
  title: 'Board with bodies as solids',
  summary: 'The board with its holes and the bodies of the parts, equal ones shared (STEP AP214 assembly).',
  mediaType: 'model/step',
  extension: '.step',
  write: boardStep,
};
