/**
 * Requires the terminals of a surface-mount part within the paste that is printed for them: what stands
 * higher, because its body rests on the board or is held up, is not wetted.
 */
import { byProcess } from '../probes';
import { fill, mm, type Rule } from '../rule';

const message =
  'The terminals stand {value} mm above their lands; paste is printed {limit} mm thick and does not reach them.';

export const terminalGap: Rule = {
  id: 'terminal-gap',
  title: 'Terminals within the paste',
  fault: 'Paste joins terminals',
  source: 'Process: stencil thickness',
  severity: 'stop',
  stage: 'rise',
  looksAt: ['terminals on lands'],
  probes: [byProcess('stencilThickness', 'most')],
  check({ footprint: { body, lands }, process }) {
    const { extent, heights } = body;
    if (extent.mount === 'through' || !lands.some(({ paste }) => paste.length > 0)) return [];
    const value = heights.seating - heights.landTop;
    const limit = process.stencilThickness;
    if (value <= limit + 1e-9) return [];
    return [
      {
        message: fill(message, { value: mm(value), limit: mm(limit) }),
        measured: { value, limit, unit: 'mm' },
        place: { at: lands[0]?.at ?? { x: 0, y: 0 }, dimensions: ['A1'] },
        remedies: [
          {
            label: 'Stand it on its leads',
            edits: [
              { at: '/body/seat', value: undefined },
              { at: '/body/lift', value: undefined },
            ],
          },
        ],
      },
    ];
  },
};
