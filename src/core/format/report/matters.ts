import { mattersOf, type Matters } from '../../best/answer';
import { keptSpread, saidSpreads } from '../../best/spreads';
import { formatFigure, formatMm } from '../../units/length';
import type { Writable } from '../format';
import type { Table } from '../paper/table';

/** What spreads the joints of each group, and what less of a tolerance would spare. */
export const mattersTables = (compiled: Writable): Table[] => mattersOf(compiled).map(causeTable);

/** How tolerances spread, where the document says it. */
export function spreadNotes(compiled: Writable): string[] {
  return Object.entries(saidSpreads(compiled)).map(([name, { spread, measured, source, by }]) => {
    const kind = measured
      ? `${measured.values.length} measured, bias ${formatMm(measured.bias)} mm, σ ${formatMm(measured.deviation)} mm`
      : (keptSpread(spread, null).is ?? '');
    return `${name}: ${kind}${source ? ` (${source})` : ''}${by === 'process' ? ', as the process says' : ''}.`;
  });
}

function causeTable({ title, margins, reliefs }: Matters): Table {
  const spared = new Map(reliefs.map(({ name, less, spared: share }) => [name, { less, share }]));
  const names = [...new Set(margins.flatMap(({ contributors }) => contributors.map(({ name }) => name)))];
  const part = (name: string, { contributors }: Matters['margins'][number]) => {
    const share = contributors.find((one) => one.name === name)?.share;
    return share === undefined ? '' : `${Math.round(share * 100)} %`;
  };
  return {
    title: `${title}: share of each margin’s variance, and what less of a tolerance spares`,
    columns: [
      { head: 'tolerance', width: 60 },
      ...margins.map(({ end }) => ({ head: end, width: 25, align: 'end' as const })),
      { head: 'less', width: 20, align: 'end' as const },
      { head: 'spares, ppm', width: 25, align: 'end' as const },
    ],
    rows: names.map((name) => {
      const { less, share = 0 } = spared.get(name) ?? {};
      return [
        name,
        ...margins.map((margin) => part(name, margin)),
        less === undefined ? '' : formatMm(less),
        share * 1e6 < 0.01 ? 'under 0.01' : formatFigure(share * 1e6, 0, 2),
      ];
    }),
  };
}
