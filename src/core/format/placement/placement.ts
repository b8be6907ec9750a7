import type { Format } from '../format';

/** Where the body's file and an imported model are put onto the footprint, as numbers with their conventions. */
export const placement: Format = {
  id: 'placement',
  title: 'Placement of the models',
  summary:
    'Offset, rotation and scale of the exported body and of an imported model, with their conventions (JSON).',
  mediaType: 'application/json',
  extension: '.placement.json',
  write({ footprint: { standardName, body } }) {
    const { imported } = body;
    const answer = {
      footprint: standardName,
      conventions: {
        unit: 'mm',
        axes: 'X right, Y up, Z out of the board; Z = 0 is the laminate surface of the component side',
        order: 'scale, then rotation about X, then Y, then Z of the board, then offset',
        rotation: 'degrees, counter-clockwise seen from the tip of the axis',
      },
      body: { scale: 1, rotation: { x: 0, y: 0, z: 0 }, offset: { x: 0, y: 0, z: 0 } },
      ...(imported
        ? {
            model: {
              file: imported.intent.name,
              sha256: imported.intent.key,
              scale: imported.pose.scale,
              rotation: imported.pose.turn,
              offset: imported.pose.at,
            },
          }
        : {}),
    };
    return `${JSON.stringify(answer, null, 2)}\n`;
  },
};
