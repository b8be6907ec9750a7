import { writeDocument } from '../../document/write';
import type { Format } from '../format';

/** Tapis' own document, the format of record. */
export const json: Format = {
  id: 'json',
  title: 'Tapis document',
  summary: 'The whole intent: dimensions as entered, choices and notes. Everything else is computed from it.',
  mediaType: 'application/json',
  extension: '.tapis.json',
  write: ({ document }) => writeDocument(document),
};
