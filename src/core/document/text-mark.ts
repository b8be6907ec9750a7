import { choice, flag, length, record, type Read, type RecordWords } from './fields';

/** Coordinates of a text's middle. */
const PLACE = [-1000, 1000] as const;

/**
 * Where a text of the legend stands and how large it is. A footprint says it of its own texts, a placed part of
 * its own over those; places are measured in the axes of the footprint.
 * @param words what becomes of it with an entry that cannot be used
 */
export const textMark = (label: string, words: Pick<RecordWords, 'otherwise'> = {}) =>
  record(
    label,
    {
      place: choice('place', ['above', 'below', 'left', 'right', 'centre', 'point'], { column: 'Place' }),
      x: length('x', PLACE, { column: 'x' }),
      y: length('y', PLACE, { column: 'y' }),
      height: length('height', [0.1, 50], { column: 'Height' }),
      rotation: choice('rotation', [0, 90, 180, 270], { column: 'Turned' }),
      shown: flag('shown', { column: 'Printed' }),
    },
    { help: 'Where a text of the legend stands and how large it is.', ...words },
  );

/** What was chosen for the two texts of a footprint or a placed part. */
export interface TextsRead {
  readonly reference: Read<ReturnType<typeof textMark>>;
  readonly value: Read<ReturnType<typeof textMark>>;
}
