/**
 * Requires leads that come out below the board far enough to be seen, and not farther than is allowed.
 */
import { fill, mm, type Rule } from '../rule';

const messages = {
  short: 'Leads end {value} mm below the board; {limit} mm is the least that an inspector sees.',
  inside: 'Leads end {inside} mm inside the board; they must come out by {limit} mm.',
  long: 'Leads come out {value} mm below the board, at most {limit} mm. They need trimming, or a thicker board.',
};

export const leadProtrusion: Rule = {
  id: 'lead-protrusion',
  title: 'Leads below the board',
  fault: 'Leads stand out wrongly below the board',
  source: 'Document or process: lead protrusion (IPC-A-610)',
  severity: 'note',
  stage: 'rise',
  looksAt: ['leads below the board'],
  nearest({ footprint: { body } }) {
    const { protrusion: value, limits } = body;
    if (value === null) return [];
    return [
      { value, limit: limits.minProtrusion, unit: 'mm', is: 'least' },
      { value, limit: limits.maxProtrusion, unit: 'mm', is: 'most' },
    ];
  },
  check({ footprint: { body } }) {
    const { protrusion, limits } = body;
    if (protrusion === null) return [];
    const say = (text: string, limit: number) => [
      {
        message: fill(text, { value: mm(protrusion), inside: mm(-protrusion), limit: mm(limit) }),
        measured: { value: protrusion, limit, unit: 'mm' as const },
        place: { dimensions: ['L'] },
        ...(protrusion < 0 ? { severity: 'caution' as const } : {}),
      },
    ];
    if (protrusion < limits.minProtrusion - 1e-9)
      return say(protrusion < 0 ? messages.inside : messages.short, limits.minProtrusion);
    return protrusion > limits.maxProtrusion + 1e-9 ? say(messages.long, limits.maxProtrusion) : [];
  },
};
