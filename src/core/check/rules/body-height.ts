/**
 * Requires a body no taller than the document or the process allows.
 */
import type { Process } from '../../process/process';
import { fill, mm, type Rule } from '../rule';

const message = 'The body stands up to {value} mm above the laminate, at most {limit} mm {by}.';

/** The height that is allowed, mm; `null` where neither document nor process says one. */
const limitOf = (own: number | null, { maxHeight }: Process): number | null =>
  own ?? (maxHeight > 0 ? maxHeight : null);

export const bodyHeight: Rule = {
  id: 'body-height',
  title: 'Body height',
  fault: 'Height of the body is unsure',
  source: 'Document or process: tallest part',
  severity: 'stop',
  stage: 'rise',
  looksAt: ['a limit of height'],
  nearest({ footprint: { body }, process }) {
    const limit = limitOf(body.limits.maxHeight, process);
    return limit === null ? [] : [{ value: body.heights.top.max, limit, unit: 'mm', is: 'most' }];
  },
  check({ footprint, process }) {
    const {
      limits: { maxHeight: own },
      heights,
    } = footprint.body;
    const limit = limitOf(own, process);
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
