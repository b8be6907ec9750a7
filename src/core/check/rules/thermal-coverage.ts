/**
 * Requires paste on exposed pads within the process's range: too little leaves voids, too much
 * lifts the part off its terminals.
 */
import { pointerKey } from '../../document/edit';
import { coverageOf } from '../../padstack/windows';
import { formatNumber } from '../../units/length';
import { byProcess } from '../probes';
import { fill, idsOf, type Rule, type RuleFinding } from '../rule';

const messages = {
  little: 'Paste covers {share} % of the large land {stack}, needs {limit} %.',
  bars: 'Paste covers {share} % of the large land {stack}, needs {limit} %; bars and vias allow {most} %.',
  much: 'Paste covers {share} % of the large land {stack}, at most {limit} %.',
};

export const thermalCoverage: Rule = {
  id: 'thermal-coverage',
  title: 'Paste on large lands',
  fault: 'Paste on a large land is too little or too much',
  source: 'Process: coverage; IPC-7525B: 50 to 80 %',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['windows'],
  clauses: ['pads/windows/least', 'pads/windows/most'],
  probes: [byProcess('minCoverage'), byProcess('maxCoverage', 'most')],
  check({ footprint, process }) {
    return footprint.padstacks.flatMap((stack): RuleFinding[] => {
      if (!stack.windows) return [];
      const share = coverageOf(stack.copper, stack.paste);
      const { minCoverage, maxCoverage } = process;
      const little = share < minCoverage - 0.005;
      if (!little && share <= maxCoverage + 0.005) return [];
      const limit = little ? minCoverage : maxCoverage;
      const lands = footprint.lands.filter(({ padstack }) => padstack === stack);
      const [first] = lands;
      if (!first) return [];
      const whole = (value: number) => formatNumber(value * 100, 0, 0);
      const { achievable } = stack.windows;
      const bound = little && achievable < minCoverage;
      const group = `/stacks/groups/${pointerKey(first.group)}`;
      const at = `${group}/windows`;
      return [
        {
          message: fill(bound ? messages.bars : little ? messages.little : messages.much, {
            share: whole(share),
            limit: whole(limit),
            most: whole(achievable),
            stack: stack.name,
          }),
          measured: { value: share, limit, unit: 'share' },
          place: { at: first.at, lands: idsOf(lands) },
          remedies: bound
            ? [
                {
                  label: 'Let Tapis count the windows',
                  edits: [
                    { at: `${at}/columns`, value: undefined },
                    { at: `${at}/rows`, value: undefined },
                    { at: `${at}/gap`, value: undefined },
                  ],
                },
                {
                  label: 'Fill and cap the vias',
                  edits: [{ at: `${group}/vias/cover`, value: 'filled' }],
                },
              ]
            : [
                {
                  label: `Cover ${whole(process.thermalCoverage)} %, as the process aims for`,
                  edits: [{ at: `${at}/coverage`, value: undefined }],
                },
              ],
        },
      ];
    });
  },
};
