import type { Drawable, Footprint } from '../../footprint/footprint';
import { atOrigin } from '../../footprint/origin';
import { featuresOf, keepOuts, slots } from '../ipc2581/features';
import { ipc2581File } from '../ipc2581/ipc2581';
import { layersOf } from '../ipc2581/layers';
import { writeComponent, writePackage } from '../ipc2581/package';
import { writePadstacks } from '../ipc2581/padstacks';
import { contourSteps } from '../ipc2581/shapes';
import type { CompiledTrial } from '../../trial/trial';
import type { BoardFormat } from './board-format';
import { partFeatures } from './ipc2581-features';

/** What lies on the board, in its coordinates. */
type OnBoard = Pick<Footprint, 'lands' | 'bores' | 'keepOuts'>;

/**
 * A board as IPC-2581 revision C: its profile, each footprint as a package with its padstacks, each part as a
 * component of a package, turned over first and then turned, and the features of each layer where they lie on the
 * board. Units are millimetres.
 */
export function boardIpc2581(trial: CompiledTrial): string {
  const { board, parts, process } = trial;
  const placed = placedOf(trial);
  const far = parts.some(({ footprint }) => footprint.far) || placed.lands.some((land) => land.far);
  const layers = layersOf({ footprint: placed, process, far });
  const names = new Map<Drawable, { readonly name: string; readonly own: string }>();
  for (const { compiled } of parts)
    if (!names.has(compiled)) {
      const { standardName } = compiled.footprint;
      const alike = [...names.values()].filter(
        ({ name }) => name.replace(/_\d+$/, '') === standardName,
      ).length;
      names.set(compiled, {
        name: alike === 0 ? standardName : `${standardName}_${alike + 1}`,
        own: `P${names.size + 1}_`,
      });
    }
  return ipc2581File(trial.trial.name, layers, (data, book) => {
    const step = data.ele('Step', { name: trial.trial.name, type: 'BOARD' });
    const packages = [...names].map(([{ document, footprint }, name]) => ({
      document,
      // a reference belongs to each component, not to its package
      footprint: withoutReference(atOrigin(footprint)),
      name,
    }));
    for (const { footprint, name } of packages) {
      // a part below has the same padstacks, turned over
      const lands = parts.flatMap((part) =>
        part.compiled.footprint.padstacks === footprint.padstacks ? part.footprint.lands : [],
      );
      writePadstacks(step, { ...footprint, lands: [...footprint.lands, ...lands] }, book, name.own);
    }
    step.ele('Datum', { x: '0', y: '0' });
    contourSteps(step.ele('Profile').ele('Polygon'), board.outline);
    for (const { document, footprint, name } of packages)
      writePackage(step, { document, footprint }, book, name);
    for (const { compiled, reference, placement } of parts)
      writeComponent(step, compiled, { reference, placement, packageName: names.get(compiled)?.name ?? '' });
    const on = featuresOf(step);
    for (const part of parts) partFeatures(on, part, names.get(part.compiled)?.own ?? '', book);
    slots(on, placed);
    keepOuts(on, placed);
  });
}

const withoutReference = (footprint: Footprint): Footprint => ({
  ...footprint,
  texts: footprint.texts.filter(({ role }) => role !== 'reference'),
});

function placedOf({ parts, keepOuts: areas }: CompiledTrial): OnBoard {
  const sides = { top: 'component', bottom: 'far', both: 'both' } as const;
  return {
    lands: parts.flatMap(({ reference, footprint: { lands } }) =>
      lands.map((land) => ({ ...land, number: `${reference}_${land.number}` })),
    ),
    bores: parts.flatMap(({ footprint: { bores } }) => bores),
    keepOuts: [
      ...parts.flatMap(({ footprint }) => footprint.keepOuts),
      ...areas.map(({ id, area, what, side, why }) => ({
        id,
        area,
        what,
        side: sides[side],
        why: why ?? '',
      })),
    ],
  };
}

export const boardIpc: BoardFormat = {
  id: 'ipc2581',
  title: 'IPC-2581',
  summary:
    'Profile, packages, components with their places, and every layer with what lies on it (IPC-2581C, XML).',
  mediaType: 'application/xml',
  extension: '.ipc2581.xml',
  write: boardIpc2581,
};
