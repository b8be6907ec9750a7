/**
 * Names every dimension that was not fully toleranced and so taken as exact.
 */
import { fill, type Rule } from '../rule';

const messages = {
  one: '{list}. What rests on them may come out worse than reckoned.',
};

export const assumptions: Rule = {
  id: 'assumptions',
  title: 'Assumed tolerances',
  fault: 'Tolerances are assumed',
  source: 'IPC-7351B, clause 3.1: land sizes rest on the limits of the part',
  severity: 'note',
  stage: 'measure',
  looksAt: ['dimensions'],
  check({ compiled: { resolved } }) {
    const assumed = (resolved?.dimensions ?? []).filter(({ assumption }) => assumption !== null);
    if (assumed.length === 0) return [];
    const list = assumed
      .map(({ definition, assumption }) => `${definition.name} ${definition.symbol}: ${assumption}`)
      .join('; ');
    return [
      {
        message: fill(messages.one, { list }),
        measured: { value: assumed.length, limit: 0, unit: 'count' },
        place: { dimensions: assumed.map(({ definition }) => definition.symbol) },
      },
    ];
  },
};
