import type { XMLBuilder } from 'xmlbuilder2/lib/interfaces';
import type { Footprint } from '../../footprint/footprint';
import type { Process } from '../../process/process';
import { mm } from './shapes';

/** A layer of the file, from the component side down. */
export interface FileLayer {
  readonly name: string;
  readonly layerFunction: string;
  readonly side: 'TOP' | 'INTERNAL' | 'BOTTOM' | 'ALL' | 'NONE';
  /** Thickness, for what is part of the board. mm */
  readonly thickness?: number;
}

const layer = (
  name: string,
  layerFunction: string,
  side: FileLayer['side'],
  thickness?: number,
): FileLayer => ({ name, layerFunction, side, ...(thickness === undefined ? {} : { thickness }) });

/**
 * The layers of a file in the order of the board: what is printed on the component side, conductors with
 * the laminate between them, what is printed on the far side, then what is drawn and drilled.
 */
export function layersOf({
  footprint: { lands, bores, keepOuts },
  process,
  far = lands.some((land) => land.far),
}: {
  readonly footprint: Pick<Footprint, 'lands' | 'bores' | 'keepOuts'>;
  readonly process: Process;
  /** Whether anything stands on the far side. */
  readonly far?: boolean;
}): readonly FileLayer[] {
  const through = bores.length > 0 || lands.some(({ hole, vias }) => hole !== null || vias.length > 0);
  const laminate = process.boardThickness;
  const { copperThickness: copper, maskThickness: mask } = process;
  return [
    layer('TOP_ASSEMBLY', 'ASSEMBLY', 'TOP'),
    layer('TOP_COURTYARD', 'COURTYARD', 'TOP'),
    layer('TOP_PASTE', 'SOLDERPASTE', 'TOP'),
    layer('TOP_LEGEND', 'LEGEND', 'TOP'),
    layer('TOP_MASK', 'SOLDERMASK', 'TOP', mask),
    layer('TOP', 'CONDUCTOR', 'TOP', copper),
    ...(through
      ? [
          layer('CORE_1', 'DIELCORE', 'INTERNAL', laminate / 2),
          layer('INNER', 'CONDUCTOR', 'INTERNAL', copper),
          layer('CORE_2', 'DIELCORE', 'INTERNAL', laminate / 2),
        ]
      : [layer('CORE', 'DIELCORE', 'INTERNAL', laminate)]),
    layer('BOTTOM', 'CONDUCTOR', 'BOTTOM', copper),
    layer('BOTTOM_MASK', 'SOLDERMASK', 'BOTTOM', mask),
    ...(far
      ? [
          layer('BOTTOM_LEGEND', 'LEGEND', 'BOTTOM'),
          layer('BOTTOM_PASTE', 'SOLDERPASTE', 'BOTTOM'),
          layer('BOTTOM_COURTYARD', 'COURTYARD', 'BOTTOM'),
        ]
      : []),
    ...(through ? [layer('DRILL', 'DRILL', 'ALL')] : []),
    ...(keepOuts.length > 0 ? [layer('KEEP_OUT', 'DOCUMENT', 'NONE')] : []),
  ];
}

/** The layers themselves; drills say from which conductor to which they go. */
export function writeLayers(data: XMLBuilder, layers: readonly FileLayer[]): void {
  for (const { name, layerFunction, side } of layers) {
    const node = data.ele('Layer', { name, layerFunction, side, polarity: 'POSITIVE' });
    if (layerFunction === 'DRILL') node.ele('Span', { fromLayer: 'TOP', toLayer: 'BOTTOM' });
  }
}

/** How the board is built up, from the component side. */
export function writeStackup(data: XMLBuilder, layers: readonly FileLayer[]): void {
  const built = layers.filter(({ thickness }) => thickness !== undefined);
  const overall = mm(built.reduce((sum, { thickness = 0 }) => sum + thickness, 0));
  const tolerance = { tolPlus: '0', tolMinus: '0' };
  const stackup = data.ele('Stackup', {
    name: 'Board',
    overallThickness: overall,
    ...tolerance,
    whereMeasured: 'MASK',
  });
  const group = stackup.ele('StackupGroup', { name: 'Board_layers', thickness: overall, ...tolerance });
  built.forEach(({ name, thickness = 0 }, i) =>
    group.ele('StackupLayer', {
      layerOrGroupRef: name,
      thickness: mm(thickness),
      ...tolerance,
      sequence: String(i + 1),
    }),
  );
}
