import type { XMLBuilder } from 'xmlbuilder2/lib/interfaces';
import type { Drawable, Footprint } from '../../footprint/footprint';
import { atOrigin } from '../../footprint/origin';
import { cornersOf } from '../../geometry/box';
import { ipc2581File, jointOpenings, keepOuts, slots } from '../ipc2581/ipc2581';
import { layersOf, type FileLayer } from '../ipc2581/layers';
import { writeComponent, writePackage } from '../ipc2581/package';
import { writePadstacks } from '../ipc2581/padstacks';
import { contourSteps, polyline } from '../ipc2581/shapes';
import type { CompiledTrial } from '../../trial/trial';
import type { BoardFormat } from './board-format';

/** What lies on the board, in its coordinates. */
type Placed = Pick<Footprint, 'lands' | 'bores' | 'keepOuts' | 'maskOpenings'>;

/**
 * A board as IPC-2581 revision C: its profile, each footprint as a package with its padstacks, and each part as a
 * component of a package, turned over first and then turned. Units are millimetres.
 */
export function boardIpc2581(trial: CompiledTrial): string {
  const { board, parts, process } = trial;
  const placed = placedOf(trial);
  const layers = layersOf({ footprint: placed, process });
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
    for (const { footprint, name } of packages) writePadstacks(step, footprint, book, name.own);
    step.ele('Datum', { x: '0', y: '0' });
    contourSteps(step.ele('Profile').ele('Polygon'), board.outline);
    for (const { document, footprint, name } of packages)
      writePackage(step, { document, footprint }, book, name);
    for (const { compiled, reference, placement } of parts)
      writeComponent(step, compiled, { reference, placement, packageName: names.get(compiled)?.name ?? '' });
    jointOpenings(step, placed);
    if (layers.some(({ name }) => name === 'DRILL')) slots(step, placed);
    courtyards(step, trial, layers);
    keepOuts(step, placed);
  });
}

const withoutReference = (footprint: Footprint): Footprint => ({
  ...footprint,
  texts: footprint.texts.filter(({ role }) => role !== 'reference'),
});

function placedOf({ parts, keepOuts: areas }: CompiledTrial): Placed {
  const sides = { top: 'component', bottom: 'far', both: 'both' } as const;
  return {
    lands: parts.flatMap(({ reference, footprint: { lands } }) =>
      lands.map((land) => ({ ...land, number: `${reference}_${land.number}` })),
    ),
    bores: parts.flatMap(({ footprint: { bores } }) => bores),
    maskOpenings: parts.flatMap(({ footprint: { maskOpenings } }) => maskOpenings),
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

function courtyards(step: XMLBuilder, { parts }: CompiledTrial, layers: readonly FileLayer[]): void {
  for (const side of ['TOP', 'BOTTOM'] as const) {
    const own = parts.filter(({ footprint }) => footprint.far === (side === 'BOTTOM'));
    const layerRef = `${side}_COURTYARD`;
    if (own.length === 0 || !layers.some(({ name }) => name === layerRef)) continue;
    const features = step.ele('LayerFeature', { layerRef }).ele('Set').ele('Features');
    features.ele('Location', { x: '0', y: '0' });
    for (const { footprint } of own) {
      const { contour, box, width } = footprint.courtyard;
      const edge = contour ?? cornersOf(box);
      polyline(features, [...edge, ...edge.slice(0, 1)], width);
    }
  }
}

export const boardIpc: BoardFormat = {
  id: 'ipc2581',
  title: 'IPC-2581',
  summary: 'Profile, packages with land patterns, and components with their places (IPC-2581C, XML).',
  mediaType: 'application/xml',
  extension: '.ipc2581.xml',
  write: boardIpc2581,
};
