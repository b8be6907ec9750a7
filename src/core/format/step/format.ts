import type { Format } from '../format';
import { writeStep } from './step';

/** The package's own body as solids, in the footprint's coordinates. */
export const step: Format = {
  id: 'step',
  title: 'Body as solids',
  summary:
    'The body standing on the laminate, measured from the origin: no offset, no rotation, mm (STEP AP214).',
  mediaType: 'model/step',
  extension: '.step',
  write: ({ footprint: { standardName, body } }) => writeStep(body.assembly, standardName, body.colours),
};
