import { ALL_MM, HEADS, NAMES, PRODUCTS, WORDS, type Item, type Product } from './parts';

// Ways in which the second author lays the same numbers out, and the media that they come in.

export interface PrintedCell {
  readonly text: string;
  readonly across?: number;
  readonly down?: number;
}
type Row = readonly PrintedCell[];

export interface Page {
  readonly name: string;
  readonly family: string;
  readonly style: string;
  readonly language: string;
  /** Lines over the tables, tables, lines under them. */
  readonly over: readonly string[];
  readonly tables: readonly (readonly Row[])[];
  readonly under: readonly string[];
  /** Stray words of a drawing beside the table. */
  readonly beside?: readonly string[];
  /** Whether nothing parts the text from the table under it. */
  readonly isClose?: true;
  /** By size and symbol: least and most, mm. */
  readonly truth: Readonly<Record<string, Readonly<Record<string, readonly [number, number]>>>>;
  readonly isApart: boolean;
}

interface Asked {
  readonly product: Product;
  readonly language: string;
  /** Which of several words is used. */
  readonly turn: number;
}
type Body = Omit<Page, 'name' | 'family' | 'language' | 'isApart' | 'style' | 'truth'>;
interface Style {
  readonly fits: (product: Product) => boolean;
  /** Letters of the standard or the maker's own. */
  readonly print: (asked: Asked) => Body;
}

const c = (text: string, across = 1, down = 1): PrintedCell => ({ text, across, down });
const COMMA = new Set(['de', 'fr', 'es', 'it', 'pt', 'ru']);
const num = (value: number, language: string) => {
  const text = (value / 100).toFixed(2);
  return COMMA.has(language) ? text.replace('.', ',') : text;
};
const inch = (value: number) => (value / 2540).toFixed(4);
const letter = ({ symbol, own, measure }: Item, isOwn: boolean) =>
  measure === 'tilt' ? own : isOwn ? own : (symbol ?? own);
const all = (language: string) => ALL_MM[language] ?? '';
const word = (language: string, i: number) => WORDS[language]?.[i] ?? '';
const head = ({ language, turn }: Asked) => {
  const heads = HEADS[language] ?? [];
  return heads[turn % heads.length] ?? ['Min', 'Nom', 'Max'];
};
const called = ({ language }: Asked, item: Item) => NAMES[language]?.[item.measure] ?? '';
const one = ({ product }: Asked) => product.sizes[0]?.items ?? [];
const isOne = ({ sizes }: Product) => sizes.length === 1;
const isMany = ({ sizes }: Product) => sizes.length > 1;
const lead = ({ product }: Asked, text = '') =>
  product.leads === null ? text : `${text} ${product.leads}-lead`.trim();

function limits({ at: [min, nom, max], as }: Item, language: string): PrintedCell[] {
  if (as === 'angle') return [c(`${min}°`), c(`${nom}°`), c(`${max}°`)];
  if (as === 'exact') return [c('—'), c(num(nom, language)), c('—')];
  if (as === 'most') return [c('—'), c('—'), c(num(max, language))];
  return [c(num(min, language)), c(num(nom, language)), c(num(max, language))];
}

/** “4.87 ±0.11” where it is even, “4.87 +0.12/−0.10” otherwise. */
function spread({ at: [min, nom, max], as }: Item, language: string): string {
  if (as === 'angle') return `${min}° ~ ${max}°`;
  if (as === 'exact') return `${num(nom, language)} BSC`;
  if (as === 'most') return `${num(max, language)} max`;
  return max - nom === nom - min
    ? `${num(nom, language)} ±${num(max - nom, language)}`
    : `${num(nom, language)} +${num(max - nom, language)}/-${num(nom - min, language)}`;
}

const range = ({ at: [min, , max], as }: Item, language: string, sign: string) =>
  as === 'angle'
    ? `${min}°${sign}${max}°`
    : as === 'exact'
      ? num(max, language)
      : as === 'most'
        ? `max. ${num(max, language)}`
        : `${num(min, language)}${sign}${num(max, language)}`;

const STYLES: Readonly<Record<string, Style>> = {
  /** Letters and three limits, heads in the language. */
  three: {
    fits: isOne,
    print: (asked) => ({
      over: [lead(asked, 'Package outline')],
      tables: [
        [
          [c(word(asked.language, 0)), ...head(asked).map((text) => c(text))],
          ...one(asked).map((item) => [c(letter(item, false)), ...limits(item, asked.language)]),
        ],
      ],
      under: [all(asked.language)],
    }),
  },
  /** A maker's letters with names and three limits. */
  threeNamed: {
    fits: isOne,
    print: (asked) => ({
      over: [lead(asked), all(asked.language)],
      tables: [
        [
          [c(word(asked.language, 1)), c(word(asked.language, 0)), ...head(asked).map((text) => c(text))],
          ...one(asked).map((item) => [
            c(called(asked, item)),
            c(letter(item, true)),
            ...limits(item, asked.language),
          ]),
        ],
      ],
      under: [],
    }),
  },
  /** Names alone, a value with its spread. */
  names: {
    fits: isOne,
    print: (asked) => ({
      over: [lead(asked)],
      tables: [
        [
          [c(word(asked.language, 1)), c(`${word(asked.language, 2)} (mm)`)],
          ...one(asked).map((item) => [c(called(asked, item)), c(spread(item, asked.language))]),
        ],
      ],
      under: [],
    }),
  },
  /** A value and its tolerance in columns of their own. */
  apart: {
    fits: isOne,
    print: (asked) => ({
      over: [all(asked.language), lead(asked)],
      tables: [
        [
          [
            c(word(asked.language, 0)),
            c(word(asked.language, 1)),
            c(word(asked.language, 2)),
            c(word(asked.language, 3)),
          ],
          ...one(asked).map((item) => {
            const [min, nom, max] = item.at;
            const isEven = max - nom === nom - min;
            const tolerance =
              item.as === 'angle'
                ? '±4°'
                : item.as === 'exact' || item.as === 'most'
                  ? item.as === 'most'
                    ? 'max'
                    : '–'
                  : isEven
                    ? `±${num(max - nom, asked.language)}`
                    : `+${num(max - nom, asked.language)} −${num(nom - min, asked.language)}`;
            const value = item.as === 'angle' ? '4°' : num(item.as === 'most' ? max : nom, asked.language);
            return [c(letter(item, true)), c(called(asked, item)), c(value), c(tolerance)];
          }),
        ],
      ],
      under: [],
    }),
  },
  /** Inches first, millimetres behind, heads merged. */
  inchesFirst: {
    fits: isOne,
    print: (asked) => {
      const [min = '', , max = ''] = head(asked);
      return {
        over: [lead(asked, 'Mechanical data')],
        tables: [
          [
            [c(word(asked.language, 0), 1, 2), c('DIMENSION IN INCH', 2), c('DIMENSION IN MM', 2)],
            [c(min), c(max), c(min), c(max)],
            ...one(asked).map((item) => {
              const [a, b, m] = item.at;
              if (item.as === 'angle') return [c(item.own), c(`${a}°`), c(`${m}°`), c(`${a}°`), c(`${m}°`)];
              if (item.as === 'exact')
                return [c(letter(item, false)), c(`${inch(b)} BSC`, 2), c(`${num(b, 'en')} BSC`, 2)];
              if (item.as === 'most')
                return [c(letter(item, false)), c('-'), c(inch(m)), c('-'), c(num(m, 'en'))];
              return [c(letter(item, false)), c(inch(a)), c(inch(m)), c(num(a, 'en')), c(num(m, 'en'))];
            }),
          ],
        ],
        under: [],
      };
    },
  },
  /** A size a row, each letter with its spread. */
  sizeRows: {
    fits: isMany,
    print: (asked) => ({
      over: [all(asked.language)],
      tables: [
        [
          [
            c(word(asked.language, 4)),
            ...one(asked)
              .filter(({ as }) => as !== 'angle')
              .map((item) => c(letter(item, asked.turn % 2 === 1))),
          ],
          ...asked.product.sizes.map(({ name, items }) => [
            c(name),
            ...items.filter(({ as }) => as !== 'angle').map((item) => c(spread(item, asked.language))),
          ]),
        ],
      ],
      under: [],
    }),
  },
  /** A size a row, the names in the heads with the unit. */
  sizeRowsNamed: {
    fits: isMany,
    print: (asked) => ({
      over: [],
      tables: [
        [
          [
            c(word(asked.language, 4)),
            ...one(asked)
              .filter(({ as }) => as !== 'angle')
              .map((item) => c(`${called(asked, item)} ${letter(item, true)} (mm)`)),
          ],
          ...asked.product.sizes.map(({ name, items }) => [
            c(name),
            ...items.filter(({ as }) => as !== 'angle').map((item) => c(range(item, asked.language, ' ~ '))),
          ]),
        ],
      ],
      under: [],
    }),
  },
  /** A size a row, least and most under each letter. */
  sizeRowsLimits: {
    fits: isMany,
    print: (asked) => {
      const [min = '', , max = ''] = head(asked);
      const of = one(asked).filter(({ as }) => as !== 'angle');
      return {
        over: [all(asked.language)],
        tables: [
          [
            [c(word(asked.language, 4), 1, 2), ...of.map((item) => c(letter(item, false), 2))],
            of.flatMap(() => [c(min), c(max)]),
            ...asked.product.sizes.map(({ name, items }) => [
              c(name),
              ...items
                .filter(({ as }) => as !== 'angle')
                .flatMap((item) =>
                  item.as === 'exact'
                    ? [c(num(item.at[1], asked.language), 2)]
                    : item.as === 'most'
                      ? [c('-'), c(num(item.at[2], asked.language))]
                      : [c(num(item.at[0], asked.language)), c(num(item.at[2], asked.language))],
                ),
            ]),
          ],
        ],
        under: [],
      };
    },
  },
  /** A size a column, ranges. */
  sizeColumns: {
    fits: isMany,
    print: (asked) => ({
      over: [],
      tables: [
        [
          [
            c(word(asked.language, 0), 1, 2),
            c(`${word(asked.language, 4)} (mm)`, asked.product.sizes.length),
          ],
          asked.product.sizes.map(({ name }) => c(name)),
          ...one(asked).map((item, i) => [
            c(letter(item, false)),
            ...asked.product.sizes.map(({ items }) =>
              c(range(items[i] as Item, asked.language, asked.turn % 2 ? ' – ' : '–')),
            ),
          ]),
        ],
      ],
      under: [],
    }),
  },
  /** Letters across, limits one under the other. */
  lying: {
    fits: isOne,
    print: (asked) => {
      const of = one(asked).filter(({ as }) => as !== 'angle');
      return {
        over: [lead(asked), all(asked.language)],
        tables: [
          [
            [c(''), ...of.map((item) => c(letter(item, false)))],
            ...head(asked).map((text, k) => [
              c(text),
              ...of.map((item) =>
                c(
                  item.as === 'exact' && k !== 1
                    ? '-'
                    : item.as === 'most' && k !== 2
                      ? '-'
                      : num(item.at[k] ?? 0, asked.language),
                ),
              ),
            ]),
          ],
        ],
        under: [],
      };
    },
  },
  /** What hangs on the number of leads stands in a second table by its letter. */
  variations: {
    fits: ({ sizes, family }) => sizes.length > 1 && family === 'gull-wing-dual',
    print: (asked) => {
      const [min = '', nom = '', max = ''] = head(asked);
      const of = one(asked);
      return {
        over: [],
        tables: [
          [
            [c(word(asked.language, 0)), c(min), c(nom), c(max)],
            ...of.map((item) =>
              item.symbol === 'D'
                ? [c('D'), c('see variations', 3)]
                : [c(letter(item, false)), ...limits(item, asked.language)],
            ),
          ],
          [
            [c('Variation'), c('N'), c(`D ${min}`), c(`D ${nom}`), c(`D ${max}`)],
            ...asked.product.sizes.map(({ leads, items }, i) => [
              c(['AA', 'AB', 'AC', 'AD'][i] ?? ''),
              c(String(leads ?? '')),
              ...limits(items.find(({ symbol }) => symbol === 'D') as Item, asked.language),
            ]),
          ],
        ],
        under: [all(asked.language)],
      };
    },
  },
  /** The table is cut in two, as over two columns of a page. */
  continued: {
    fits: isOne,
    print: (asked) => {
      const of = one(asked);
      const cut = Math.ceil(of.length / 2);
      const top = [c(word(asked.language, 0)), ...head(asked).map((text) => c(text))];
      const part = (some: readonly Item[]) => [
        top,
        ...some.map((item) => [c(letter(item, false)), ...limits(item, asked.language)]),
      ];
      return {
        over: [lead(asked)],
        tables: [part(of.slice(0, cut)), part(of.slice(cut))],
        under: [all(asked.language)],
      };
    },
  },
  /** A drawing with numbers of its own stands beside the table. */
  beside: {
    fits: isOne,
    print: (asked) => ({
      over: [lead(asked)],
      beside: ['A', '7.4', 'TOP VIEW', '0.25', 'GAUGE', '2', 'PIN 1', 'b', 'SEATING', '1.9'],
      tables: [
        [
          [c(word(asked.language, 0)), ...head(asked).map((text) => c(text))],
          ...one(asked).map((item) => [c(letter(item, false)), ...limits(item, asked.language)]),
        ],
      ],
      under: [all(asked.language)],
    }),
  },

  /** Most before least. */
  mostFirst: {
    fits: isOne,
    print: (asked) => {
      const [min = '', , max = ''] = head(asked);
      return {
        over: [lead(asked)],
        tables: [
          [
            [c(word(asked.language, 0)), c(max), c(min), c(word(asked.language, 5))],
            ...one(asked).map((item) => {
              const [least, , most] = limits(item, asked.language);
              return item.as === 'exact'
                ? [c(letter(item, false)), c(num(item.at[1], asked.language), 2), c('BSC')]
                : [c(letter(item, false)), most ?? c(''), least ?? c(''), c('')];
            }),
          ],
        ],
        under: [all(asked.language)],
      };
    },
  },
  /** The most over the least, in two lines of one row. */
  overEachOther: {
    fits: isOne,
    print: (asked) => ({
      over: [lead(asked), all(asked.language)],
      tables: [
        one(asked)
          .filter(({ as }) => as !== 'angle')
          .flatMap((item) => {
            const [least, middle, most] = limits(item, asked.language);
            if (item.as === 'exact') return [[c(letter(item, false)), c(`${middle?.text ?? ''} BSC`)]];
            if (item.as === 'most') return [[c(letter(item, false)), c(`${most?.text ?? ''} max`)]];
            return [[c(letter(item, false), 1, 2), c(most?.text ?? '')], [c(least?.text ?? '')]];
          }),
      ],
      under: [],
    }),
  },
  /** A line of text for each dimension. */
  lines: {
    fits: isOne,
    print: (asked) => ({
      over: [lead(asked), all(asked.language)],
      tables: [],
      under: one(asked).map(
        (item) => `${letter(item, true)}  ${called(asked, item)}: ${spread(item, asked.language)}`,
      ),
    }),
  },
  /** Heads in a language that the reader may not know. */
  strange: {
    fits: isOne,
    print: (asked) => {
      const words = STRANGE[asked.turn % STRANGE.length] ?? ['', '', ''];
      return {
        over: [lead(asked), 'mm'],
        tables: [
          [
            [c(''), ...words.map((text) => c(text))],
            ...one(asked).map((item) => [c(letter(item, false)), ...limits(item, asked.language)]),
          ],
        ],
        under: [],
      };
    },
  },
  /** A size a row with codes beside it, the tolerance in the head, both units in a cell. */
  codes: {
    fits: ({ family }) => family === 'rectangular-chip',
    print: (asked) => {
      const of = one(asked);
      const inches = ['0402', '0603', '0805', '1206'];
      return {
        over: [all(asked.language)],
        tables: [
          [
            [
              c('No.'),
              c(word(asked.language, 4)),
              c('EIA'),
              ...of.map((item) =>
                c(`${letter(item, true)} ±${num(item.at[2] - item.at[1], asked.language)}`),
              ),
              c(word(asked.language, 5)),
            ],
            ...asked.product.sizes.map(({ name, items }, i) => [
              c(String(i + 1)),
              c(name),
              c(inches[i] ?? ''),
              ...items.map((item, k) => {
                const own = item.at[2] - item.at[1];
                const first = (of[k] as Item).at[2] - (of[k] as Item).at[1];
                const text = num(item.at[1], asked.language);
                return c(own === first ? text : `${text} ±${num(own, asked.language)}`);
              }),
              c(i === 1 ? '10 000 / reel' : ''),
            ]),
          ],
        ],
        under: [],
      };
    },
  },
  /** Sizes as sections of one table. */
  sections: {
    fits: ({ sizes, family }) => sizes.length > 1 && family === 'gull-wing-dual',
    print: (asked) => ({
      over: [all(asked.language)],
      tables: [
        [
          [c(word(asked.language, 0)), ...head(asked).map((text) => c(text))],
          ...asked.product.sizes.flatMap(({ leads, items }) => [
            [c(`${leads ?? ''} leads`, 4)],
            ...items.map((item) => [c(letter(item, false)), ...limits(item, asked.language)]),
          ]),
        ],
      ],
      under: [],
    }),
  },
  /** A line of text close over the table, notes between its rows, footnotes behind numbers. */
  noted: {
    fits: isOne,
    print: (asked) => ({
      over: [lead(asked), 'Fig. 3 – outline, see also drawing 12 for tape and reel'],
      isClose: true,
      tables: [
        [
          [c(word(asked.language, 0)), ...head(asked).map((text) => c(text)), c(word(asked.language, 5))],
          ...one(asked).map((item, i) => [
            c(letter(item, false)),
            ...limits(item, asked.language),
            c(i === 0 ? '1)' : i === 2 ? '2), 3)' : ''),
          ]),
        ],
      ],
      under: ['1) 0.15 per side, not included', '2) 25 max. at the seating plane', all(asked.language)],
    }),
  },
};

/** Polish, Czech, Dutch, Swedish, Turkish, Hungarian, Finnish. */
const STRANGE = [
  ['najmn.', 'znam.', 'najw.'],
  ['nejmenší', 'jmenovitý', 'největší'],
  ['ondergrens', 'nominaal', 'bovengrens'],
  ['minst', 'nom.', 'högst'],
  ['en az', 'anma', 'en çok'],
  ['legkisebb', 'névleges', 'legnagyobb'],
  ['vähintään', 'nimellinen', 'enintään'],
];

const SYMBOLS_OF = (items: readonly Item[]): Record<string, readonly [number, number]> =>
  Object.fromEntries(
    items.flatMap(({ symbol, at: [min, nom, max], as }): [string, readonly [number, number]][] =>
      symbol === null || as === 'angle'
        ? []
        : [
            [
              symbol,
              as === 'exact'
                ? [nom / 100, nom / 100]
                : as === 'most'
                  ? [NaN, max / 100]
                  : [min / 100, max / 100],
            ],
          ],
    ),
  );

const LANGS = Object.keys(HEADS);

/** Every style with each language that it says something in, over the parts that it fits. */
export const PAGES: readonly Page[] = Object.entries(STYLES).flatMap(([style, { fits, print }], s) =>
  LANGS.map((language, l): Page => {
    const fitting = PRODUCTS.filter(fits);
    const product = fitting[(l * 3 + s) % fitting.length] as Product;
    const truth = Object.fromEntries(
      product.sizes.map(({ name, items, leads }) => [
        name,
        {
          ...SYMBOLS_OF(items),
          ...(leads !== undefined && name !== '' ? { n: [leads, leads] as const } : {}),
        },
      ]),
    );
    return {
      name: `${style}-${language}-${product.family}`,
      style,
      language,
      family: product.family,
      truth,
      isApart: (l + s) % 2 === 1,
      ...print({ product, language, turn: l + s }),
    };
  }),
);

export type Medium = 'tabs' | 'html' | 'mono' | 'sans';

/** Each row of a table with its cells in their columns. */
function placed(
  rows: readonly Row[],
): { readonly cell: PrintedCell; readonly row: number; readonly column: number }[] {
  const taken = new Set<string>();
  return rows.flatMap((row, r) => {
    let column = 0;
    return row.map((cell) => {
      while (taken.has(`${r} ${column}`)) column += 1;
      const at = { cell, row: r, column };
      for (let i = 0; i < (cell.down ?? 1); i += 1)
        for (let k = 0; k < (cell.across ?? 1); k += 1) taken.add(`${r + i} ${column + k}`);
      column += cell.across ?? 1;
      return at;
    });
  });
}

export function tabsOf({ over, tables, under }: Page): string {
  const lines = tables.flatMap((rows) => {
    const cells = placed(rows);
    const width = Math.max(...cells.map(({ cell, column }) => column + (cell.across ?? 1)));
    return [
      ...rows.map((_, r) =>
        Array.from(
          { length: width },
          (__, k) => cells.find((one) => one.row === r && one.column === k)?.cell.text ?? '',
        ).join('\t'),
      ),
      '',
    ];
  });
  return [...over, ...lines, ...under].join('\n');
}

const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');

export function htmlOf({ over, tables, under }: Page): string {
  const table = (rows: readonly Row[]) =>
    `<table>${rows
      .map(
        (row) =>
          `<tr>${row.map(({ text, across = 1, down = 1 }) => `<td colspan=${across} rowspan=${down}>${escaped(text)}</td>`).join('')}</tr>`,
      )
      .join('')}</table>`;
  return [
    ...over.map((text) => `<p>${escaped(text)}</p>`),
    ...tables.map(table),
    ...under.map((text) => `<p>${escaped(text)}</p>`),
  ].join('\n');
}

interface Placed {
  readonly text: string;
  readonly area: { readonly x0: number; readonly y0: number; readonly x1: number; readonly y1: number };
  readonly sure: number;
}

/** Words as a PDF places them, in a face of one width or in one of proportional widths. */
export function wordsOf(
  { over, tables, under, beside = [], isClose }: Page,
  medium: 'mono' | 'sans',
): Placed[] {
  const size = 9;
  const wide = (sign: string) =>
    /\p{Script=Han}|\p{Script=Hiragana}|\p{Script=Katakana}|\p{Script=Hangul}|[（）：]/u.test(sign)
      ? 1
      : medium === 'mono'
        ? 0.6
        : /[ilI.,:;|'!()-]/.test(sign)
          ? 0.28
          : /[mwMW]/.test(sign)
            ? 0.85
            : 0.55;
  const length = (text: string) => [...text].reduce((sum, sign) => sum + wide(sign), 0) * size;
  const out: Placed[] = [];
  const put = (text: string, x: number, y: number) => {
    let at = x;
    for (const part of text.split(/( )/)) {
      if (part !== ' ' && part !== '')
        out.push({ text: part, sure: 1, area: { x0: at, y0: y, x1: at + length(part), y1: y + size } });
      at += length(part);
    }
  };
  const left = beside.length > 0 ? 210 : 40;
  let y = 60;
  for (const text of over) {
    if (text !== '') put(text, left, y);
    y += 15;
  }
  for (const rows of tables) {
    y += isClose ? 0 : 12;
    const cells = placed(rows);
    const columns = Math.max(...cells.map(({ cell, column }) => column + (cell.across ?? 1)));
    const widths = Array.from({ length: columns }, (_, k) =>
      Math.max(
        18,
        ...cells
          .filter(({ cell, column }) => column === k && (cell.across ?? 1) === 1)
          .map(({ cell }) => length(cell.text)),
      ),
    );
    const x = widths.map((_, k) => left + widths.slice(0, k).reduce((sum, one) => sum + one + 14, 0));
    cells.forEach(({ cell, row, column }) => {
      const across = cell.across ?? 1;
      const end = (x[column + across - 1] ?? 0) + (widths[column + across - 1] ?? 0);
      const room = end - (x[column] ?? 0);
      const start =
        column === 0 && across === 1
          ? (x[0] ?? 0)
          : (x[column] ?? 0) + Math.max(0, (room - length(cell.text)) / 2);
      put(cell.text, start, y + 14 * row + 7 * ((cell.down ?? 1) - 1));
    });
    y += 14 * rows.length + 16;
  }
  for (const text of under) {
    put(text, left, y);
    y += 15;
  }
  beside.forEach((text, i) => put(text, 40 + ((i * 37) % 110), 70 + ((i * 53) % 140)));
  return out;
}
