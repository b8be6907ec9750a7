import type { ResolvedDimension } from '../../package/resolve';
import type { Writable } from '../format';
import type { Table } from '../paper/table';

/** What the datasheets of second sources say otherwise, as they print it. */
export function alternateTables({ document, alternates }: Writable): Table[] {
  if (alternates.length === 0) return [];
  const entered = new Map((document.alternates ?? []).map((one) => [one.id, one]));
  return [
    {
      title: 'Parts of other sources on the same lands; what is not listed is as with the first',
      columns: [
        { head: 'source', width: 60 },
        { head: 'where', width: 40 },
        { head: 'dimension', width: 50 },
        { head: 'as printed', width: 40 },
      ],
      rows: alternates.flatMap(({ id, title, compiled }) => {
        const { where = '', unit = 'mm', dimensions = {} } = entered.get(id) ?? {};
        const said = Object.entries(dimensions).filter(([, text]) => text.trim() !== '');
        const name = (symbol: string) =>
          compiled.resolved?.dimensions.find((one: ResolvedDimension) => one.definition.symbol === symbol)
            ?.definition.name ?? '';
        if (said.length === 0) return [[title, where, 'as the first', '']];
        return said.map(([symbol, text], i) => [
          i === 0 ? title : '',
          i === 0 ? where : '',
          `${name(symbol)} ${symbol}`.trim(),
          /[a-z"]/i.test(text) ? text : `${text} ${unit}`,
        ]);
      }),
    },
  ];
}
