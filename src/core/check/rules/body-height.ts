/**
 * Requires a body no taller than the document or the process allows.
 */
import { fill, mm, type Rule } from '../rule';

const message = 'The body stands up to {value} mm above the laminate, at most {limit} mm {by}.';

export const bodyHeight: Rule = {
  id: 'body-height',
  title: 'Body height',
  fault: 'Height of the body is unsure',
  source: 'Document or process: tallest part',
  severity: 'stop',
  stage: 'rise',
  looksAt: ['a limit of height'],
  check({ footprint, process }) {
    const {
      limits: { maxHeight: own },
      heights,
    } = footprint.body;
    const limit = own ?? (process.maxHeight > 0 ? process.maxHeight : null);
    if (limit === null || heights.top.max <= limit + 1e-9) return [];
    const by = own === null ? 'by the process' : 'on this board';
    return [
      {
        message: fill(message, { value: mm(heights.top.max), limit: mm(limit), by }),
        measured: { value: heights.top.max, limit, unit: 'mm' },
        place: { dimensions: ['A'] },
      },
    ];
  },
};
