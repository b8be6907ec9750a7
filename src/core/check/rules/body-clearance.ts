/**
 * Requires room for cleaning and inspection between laminate and underside of the body.
 */
import { fill, mm, type Rule } from '../rule';

const message = 'The underside lies {value} mm above the laminate at least; needs {limit} mm.';

export const bodyClearance: Rule = {
  id: 'body-clearance',
  title: 'Clearance under the body',
  fault: 'Body too near the board',
  source: 'Document or process: clearance under bodies',
  severity: 'caution',
  stage: 'rise',
  looksAt: ['a limit of clearance'],
  nearest: ({ footprint: { body } }) => [
    { value: body.heights.underside.min, limit: body.limits.minClearance, unit: 'mm', is: 'least' },
  ],
  check({ footprint: { body } }) {
    const { min } = body.heights.underside;
    const limit = body.limits.minClearance;
    if (min >= limit - 1e-9) return [];
    return [
      {
        message: fill(message, { value: mm(min), limit: mm(limit) }),
        measured: { value: min, limit, unit: 'mm' },
        place: { dimensions: ['A1'] },
      },
    ];
  },
};
