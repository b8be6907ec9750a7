import type { Part, PartRow } from './parts';

// Ten ways in which makers print the same numbers, as tables of cells; a renderer makes text or HTML of them.

export interface PrintCell {
  readonly text: string;
  readonly across?: number;
  readonly down?: number;
}

export interface PrintTable {
  readonly title: string;
  readonly head: readonly (readonly PrintCell[])[];
  readonly body: readonly (readonly PrintCell[])[];
  readonly foot: string;
  /** By size: which row of the part gives which limits, mm. */
  readonly truth: Readonly<
    Record<string, Readonly<Record<string, { readonly min: number; readonly max: number }>>>
  >;
  readonly lines: boolean;
}

type Style = (part: Part) => PrintTable;

const cell = (text: string, across = 1, down = 1): PrintCell => ({ text, across, down });
const mm = (value: number, comma = false) => {
  const text = value.toFixed(2);
  return comma ? text.replace('.', ',') : text;
};
const inch = (value: number) => (value / 25.4).toFixed(3);

function sizesOf(part: Part): { readonly name: string; readonly leads: number; readonly more: number }[] {
  if (!part.grows || part.leads === null) return [];
  const { leads } = part;
  return [0, 4, 8].map((more) => ({ name: `${leads + more} leads`, leads: leads + more, more }));
}

/** Rows of a part with its growing dimension for a size. */
function rowsFor(part: Part, more: number): readonly PartRow[] {
  const { grows } = part;
  if (!grows) return part.rows;
  const by = (grows.by * more) / 2;
  const quad = part.family.includes('quad');
  return part.rows.map((row) => {
    const grown =
      row.symbol === grows.symbol || (quad && ['D', 'D1', 'E', 'E1', 'D2', 'E2'].includes(row.symbol ?? ''));
    const step = quad ? by / 2 : by;
    return grown ? { ...row, min: row.min + step, nom: row.nom + step, max: row.max + step } : row;
  });
}

type Limits = { min: number; max: number };

function truthOf(rows: readonly PartRow[], leads: number | null): Record<string, Limits> {
  return {
    ...(leads === null ? {} : { n: { min: leads, max: leads } }),
    ...Object.fromEntries(
      rows.flatMap(({ symbol, min, max, kind }): [string, Limits][] =>
        symbol === null || kind === 'angle'
          ? []
          : [[symbol, kind === 'range' ? { min, max } : { min: max, max }]],
      ),
    ),
  };
}

/** The cells of three columns: least, nominal, most. */
function three({ min, nom, max, kind }: PartRow, show: (v: number) => string): PrintCell[] {
  if (kind === 'basic') return [cell(`${show(max)} BSC`, 3)];
  if (kind === 'most') return [cell('–'), cell('–'), cell(show(max))];
  if (kind === 'angle') return [cell(`${min}°`), cell('–'), cell(`${max}°`)];
  return [cell(show(min)), cell(show(nom)), cell(show(max))];
}

function two({ min, max, kind }: PartRow, show: (v: number) => string): PrintCell[] {
  if (kind === 'basic') return [cell(`${show(max)} BSC`, 2)];
  if (kind === 'most') return [cell('-'), cell(show(max))];
  if (kind === 'angle') return [cell(`${min}°`), cell(`${max}°`)];
  return [cell(show(min)), cell(show(max))];
}

function one({ min, max, kind }: PartRow, show: (v: number) => string): string {
  if (kind === 'basic') return show(max);
  if (kind === 'most') return `max ${show(max)}`;
  if (kind === 'angle') return `${min}° to ${max}°`;
  return `${show(min)} to ${show(max)}`;
}

const single = (part: Part, rows = part.rows) => ({ '': truthOf(rows, part.leads) });
const title = (part: Part) => (part.leads === null ? part.title : `${part.title}, ${part.leads} leads`);

/** Standard letters, three limits. */
const plain: Style = (part) => ({
  title: title(part),
  head: [[cell('Symbol'), cell('Min'), cell('Nom'), cell('Max')]],
  body: part.rows.map((row) => [cell(row.symbol ?? row.letter), ...three(row, mm)]),
  foot: 'Dimensions in millimetres.',
  truth: single(part),
  lines: true,
});

/** Two units, heads over two rows, no names. */
const twoUnits: Style = (part) => ({
  title: title(part),
  head: [
    [cell('DIM', 1, 2), cell('MILLIMETERS', 2), cell('INCHES', 2)],
    [cell('MIN'), cell('MAX'), cell('MIN'), cell('MAX')],
  ],
  body: part.rows.map((row) => [cell(row.symbol ?? row.letter), ...two(row, mm), ...two(row, inch)]),
  foot: 'Controlling dimension: millimeter.',
  truth: single(part),
  lines: true,
});

/** A maker's letters with names in English, entries in one column. */
const named: Style = (part) => ({
  title: title(part),
  head: [[cell('Symbol'), cell('Parameter'), cell('Value (mm)'), cell('Remarks')]],
  body: part.rows.map((row, i) => [
    cell(row.letter),
    cell(row.en),
    cell(one(row, mm)),
    cell(i === 1 ? 'see note 1' : ''),
  ]),
  foot: 'Note 1: measured at the gauge plane.',
  truth: single(part),
  lines: false,
});

/** German, decimal commas. */
const german: Style = (part) => ({
  title: part.leads === null ? 'Abmessungen' : `Abmessungen, ${part.leads}-polig`,
  head: [[cell('Maß'), cell('Bezeichnung'), cell('Min.'), cell('Nenn'), cell('Max.')]],
  body: part.rows.map((row) => [cell(row.letter), cell(row.de), ...three(row, (v) => mm(v, true))]),
  foot: 'Alle Maße in mm.',
  truth: single(part),
  lines: true,
});

/** Sizes side by side; parts of one size are printed plainly. */
const sideBySide: Style = (part) => {
  const sizes = sizesOf(part);
  if (sizes.length === 0) return named(part);
  const rows = sizes.map(({ more }) => rowsFor(part, more));
  return {
    title: part.title,
    head: [
      [cell('Symbol', 1, 2), ...sizes.map(({ name }) => cell(name, 2))],
      sizes.flatMap(() => [cell('Min'), cell('Max')]),
    ],
    body: part.rows.map((row, i) => [
      cell(row.symbol ?? row.letter),
      ...rows.flatMap((of) => two(of[i] as PartRow, mm)),
    ]),
    foot: 'Unit: mm',
    truth: Object.fromEntries(sizes.map(({ name, leads }, i) => [name, truthOf(rows[i] ?? [], leads)])),
    lines: true,
  };
};

/** One letter with a line for each size, merged downwards. */
const below: Style = (part) => {
  const sizes = sizesOf(part);
  if (sizes.length === 0) return german(part);
  const rows = sizes.map(({ more }) => rowsFor(part, more));
  const body = part.rows.flatMap((row, i) => {
    const differ = new Set(rows.map((of) => of[i]?.max)).size > 1;
    if (!differ) return [[cell(row.letter), cell(row.en), ...three(row, mm)]];
    return sizes.map(({ name }, k) => [
      ...(k === 0 ? [cell(row.letter, 1, sizes.length)] : []),
      cell(`${row.en}, ${name}`),
      ...three(rows[k]?.[i] as PartRow, mm),
    ]);
  });
  return {
    title: part.title,
    head: [[cell('Sym.'), cell('Description'), cell('Min.'), cell('Typ.'), cell('Max.')]],
    body,
    foot: 'All dimensions are in mm.',
    truth: Object.fromEntries(sizes.map(({ name, leads }, i) => [name, truthOf(rows[i] ?? [], leads)])),
    lines: true,
  };
};

/** Lying on its side: letters in a row. */
const turned: Style = (part) => {
  const rows = part.rows.filter(({ kind }) => kind !== 'angle');
  const limits = ['min', 'nom', 'max'] as const;
  return {
    title: title(part),
    head: [[cell('Unit mm'), ...rows.map((row) => cell(row.symbol ?? row.letter))]],
    body: limits.map((limit) => [
      cell(limit),
      ...rows.map(({ kind, [limit]: value, max }) =>
        cell(
          kind === 'basic'
            ? limit === 'nom'
              ? mm(max)
              : '-'
            : kind === 'most'
              ? limit === 'max'
                ? mm(max)
                : '-'
              : mm(value),
        ),
      ),
    ]),
    foot: '',
    truth: single(part),
    lines: true,
  };
};

/** Two blocks side by side. */
const twoBlocks: Style = (part) => {
  const half = Math.ceil(part.rows.length / 2);
  const line = (row: PartRow | undefined) =>
    row ? [cell(row.symbol ?? row.letter), ...two(row, mm)] : [cell(''), cell(''), cell('')];
  return {
    title: title(part),
    head: [['Symbol', 'Min', 'Max', 'Symbol', 'Min', 'Max'].map((text) => cell(text))],
    body: part.rows.slice(0, half).map((row, i) => [...line(row), ...line(part.rows[half + i])]),
    foot: 'Dimensions are in millimetres',
    truth: single(part),
    lines: true,
  };
};

/** Nominal with tolerance, names and no letters. */
const nameless: Style = (part) => ({
  title: title(part),
  head: [[cell('Description'), cell('Dimension, mm')]],
  body: part.rows
    .filter(({ symbol }) => symbol !== null)
    .map((row) => {
      const middle = (row.min + row.max) / 2;
      const text =
        row.kind === 'range'
          ? `${middle.toFixed(3)} ± ${((row.max - row.min) / 2).toFixed(3)}`
          : one(row, mm);
      return [cell(row.en), cell(text)];
    }),
  foot: '',
  truth: single(part),
  lines: false,
});

/** Letters of the drawing's own, in inches. */
const ownLetters: Style = (part) => {
  const rounded = part.rows.map((row) => {
    const to = (v: number) => Number(inch(v)) * 25.4;
    return { ...row, min: to(row.min), nom: to(row.nom), max: to(row.max) };
  });
  return {
    title: title(part),
    head: [
      [cell('Dim.', 1, 2), cell('Inches', 2), cell('Millimetres', 2)],
      [cell('Min.'), cell('Max.'), cell('Min.'), cell('Max.')],
    ],
    body: rounded.map((row, i) => [cell(row.own), ...two(row, inch), ...two(part.rows[i] as PartRow, mm)]),
    foot: '',
    truth: single(part),
    lines: false,
  };
};

export const STYLES = {
  plain,
  twoUnits,
  named,
  german,
  sideBySide,
  below,
  turned,
  twoBlocks,
  nameless,
  ownLetters,
} as const;
export type StyleName = keyof typeof STYLES;

/** A page of HTML. */
export function htmlOf({ title: head, head: heads, body, foot, lines }: PrintTable): string {
  const row = (cells: readonly PrintCell[], tag: string) =>
    `<tr>${cells
      .map(({ text, across = 1, down = 1 }) => {
        const spans = `${across > 1 ? ` colspan="${across}"` : ''}${down > 1 ? ` rowspan="${down}"` : ''}`;
        return `<${tag}${spans}>${text}</${tag}>`;
      })
      .join('')}</tr>`;
  const style = `body{font:13px "Liberation Sans",sans-serif;margin:40px;width:640px}
table{border-collapse:collapse;margin:14px 0}td,th{padding:3px 12px;text-align:center;font-weight:400;${lines ? 'border:1px solid #333' : 'border-bottom:1px solid #bbb'}}`;
  return `<!doctype html><meta charset="utf-8"><title>${head}</title><style>${style}</style>
<h2>${head}</h2><p>Made-up table of Harrow Sound Instruments.</p>
<table>${heads.map((cells) => row(cells, 'th')).join('')}
${body.map((cells) => row(cells, 'td')).join('\n')}</table><p>${foot}</p>`;
}

/** Plain text in columns of blanks, with tabs, with bars, or with single blanks. */
export function textOf(table: PrintTable, form: 'blanks' | 'tabs' | 'bars'): string {
  const rows = laidOut([...table.head, ...table.body]);
  const columns = Math.max(...rows.map((row) => row.length));
  const widths = Array.from(
    { length: columns },
    (_, i) => Math.max(...rows.map((row) => row[i]?.length ?? 0)) + 3,
  );
  const line = (row: readonly string[]) => {
    if (form === 'tabs') return row.join('\t');
    if (form === 'bars') return `| ${row.join(' | ')} |`;
    return row
      .map((text, i) => text.padEnd(widths[i] ?? 0))
      .join('')
      .trimEnd();
  };
  return [table.title, '', ...rows.map(line), '', table.foot].join('\n');
}

/** Merged cells as their text in the first of their columns. */
function laidOut(rows: readonly (readonly PrintCell[])[]): string[][] {
  const hanging: number[] = [];
  return rows.map((row) => {
    const out: string[] = [];
    for (const { text, across = 1, down = 1 } of row) {
      while ((hanging[out.length] ?? 0) > 0) {
        hanging[out.length] = (hanging[out.length] ?? 0) - 1;
        out.push('');
      }
      for (let i = 0; i < across; i += 1) {
        if (down > 1) hanging[out.length] = down - 1;
        out.push(i === 0 ? text : '');
      }
    }
    while ((hanging[out.length] ?? 0) > 0) {
      hanging[out.length] = (hanging[out.length] ?? 0) - 1;
      out.push('');
    }
    return out;
  });
}
