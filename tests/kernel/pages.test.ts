import { describe, expect, it } from 'vitest';
import { takeFile } from '../../src/kernel/source/take-file';
import { pdfOf } from '../data/files';

// Pages of datasheets that are no table, or more than one page, from their ink to what is taken.

type Printed = readonly [x: number, y: number, text: string];

/** A PDF of pages of text; `F2` is a face whose letters are equally wide. */
function printed(pages: readonly (readonly Printed[])[], face: 'F1' | 'F2' = 'F1'): Uint8Array {
  const kids = pages.map((_, i) => `${5 + 2 * i} 0 R`).join(' ');
  const font = (name: string) => `<</Type/Font/Subtype/Type1/BaseFont/${name}/Encoding/WinAnsiEncoding>>`;
  return pdfOf([
    '<</Type/Catalog/Pages 2 0 R>>',
    `<</Type/Pages/Kids[${kids}]/Count ${pages.length}>>`,
    font('Helvetica'),
    font('Courier'),
    ...pages.flatMap((lines, i) => {
      const ink = lines
        .map(([x, y, text]) => {
          const shown = text
            .replace(/[()\\]/g, String.raw`\$&`)
            .replaceAll('±', '\xb1')
            .replaceAll('µ', '\xb5');
          return `BT /${face} 9 Tf ${x} ${y} Td (${shown}) Tj ET`;
        })
        .join('\n');
      return [
        `<</Type/Page/Parent 2 0 R/MediaBox[0 0 595 842]/Contents ${6 + 2 * i} 0 R/Resources<</Font<</F1 3 0 R/F2 4 0 R>>>>>>`,
        `<</Length ${ink.length}>>stream\n${ink}\nendstream`,
      ];
    }),
  ]);
}

const lines = (...texts: readonly string[]): Printed[] => texts.map((text, i) => [60, 700 - 15 * i, text]);
const cells = (top: number, rows: readonly string[]): Printed[] =>
  rows.flatMap((row, i) =>
    row.split('|').flatMap((text, k): Printed[] => (text === '' ? [] : [[60 + 90 * k, top - 15 * i, text]])),
  );

async function taken(bytes: Uint8Array, family: string) {
  const found = await takeFile(bytes, 'page.pdf', { family });
  if (!found.ok) throw new Error(found.error);
  const { reading, document } = found.value;
  return {
    document,
    of: Object.fromEntries(
      reading.dimensions.map(({ symbol, text, standing }) => [
        symbol,
        `${text.replaceAll(' ', '')}${standing === 'doubtful' ? '?' : ''}`,
      ]),
    ),
  };
}

const TITLE = '8-lead small outline package, all lengths in millimetres';

describe('lines of text that each say a dimension', () => {
  it.each([
    [
      'with letters in brackets',
      [
        'Overall height (A): 1.75 mm max',
        'Body length (D): 4.90 mm ± 0.10 mm',
        'Lead span (E): 5.80 mm to 6.20 mm',
        'Body width (E1): 3.80 mm to 4.00 mm',
        'Lead pitch (e): 1.27 mm',
      ],
    ],
    [
      'with dots that lead to the value',
      [
        'Overall height A ............ 1.75 max',
        'Body length D ..... 4.90 ± 0.10',
        'Lead span E ................. 5.80 to 6.20',
        'Body width E1 ............ 3.80 to 4.00',
        'Lead pitch e ......... 1.27',
      ],
    ],
    ['as equations', ['A = 1.75 max', 'D = 4.90 ±0.10', 'E = 5.80 to 6.20', 'E1 = 3.80 to 4.00', 'e = 1.27']],
    [
      'with nothing between',
      [
        'Overall height A 1.75 max',
        'Body length D 4.90 ± 0.10',
        'Lead span E 5.80 to 6.20',
        'Body width E1 3.80 to 4.00',
        'Lead pitch e 1.27',
      ],
    ],
  ])('%s', async (_, said) => {
    const prose = ['It runs from 2.7 V to 5.5 V.', 'See note 3 on page 12.', 'Mass: 0.08 g'];
    for (const face of ['F1', 'F2'] as const) {
      const { of } = await taken(printed([lines(TITLE, ...said, ...prose)], face), 'gull-wing-dual');
      const plain = Object.fromEntries(
        Object.entries(of).map(([symbol, text]) => [symbol, text.replaceAll('mm', '')]),
      );
      expect(plain, face).toMatchObject({
        A: expect.stringMatching(/^1\.75max|^max1\.75/),
        D: '4.90±0.10',
        E: '5.80to6.20',
        E1: '3.80to4.00',
        e: '1.27',
        n: '8',
      });
    }
  });

  it('keeps each number where it stands', async () => {
    const said = lines(
      TITLE,
      'Body length (D): 4.90 ± 0.10',
      'Lead span (E): 6.00 ± 0.20',
      'Lead pitch (e): 1.27',
    );
    const { document } = await taken(printed([said]), 'gull-wing-dual');
    const { from } = document.package.dimensions['E'] as { from: { box: readonly number[] } };
    // behind “Lead span (E): ”, on the third line
    expect(from.box[0]).toBeGreaterThan(110);
    expect(842 - (from.box[1] ?? 0)).toBeCloseTo(677, -1);
  });
});

describe('ranges in words', () => {
  const rows = [
    'Dimension||Limit',
    'Standoff, A1||between 0.05 and 0.15 mm',
    'Body length, D||between 4.80 and 5.00 mm',
    'Lead span, E||between 5.80 and 6.20 mm',
    'Body width, E1||between 3.80 and 4.00 mm',
    'Lead pitch, e||1.27 mm, basic',
  ];
  it.each(['F1', 'F2'] as const)('stay together in any face (%s)', async (face) => {
    const { of } = await taken(printed([[...lines(TITLE), ...cells(650, rows)]], face), 'gull-wing-dual');
    expect(of).toMatchObject({
      A1: 'between0.05and0.15mm',
      D: 'between4.80and5.00mm',
      E: 'between5.80and6.20mm',
      e: '1.27mm,basic',
    });
  });
});

describe('a table over two pages', () => {
  const head = 'Symbol|Min|Nom|Max';
  const first = ['A|1.35|1.55|1.75', 'A1|0.10|0.18|0.25', 'b|0.33|0.41|0.51', 'c|0.17|0.20|0.25'];
  const second = [
    'D|4.80|4.90|5.00',
    'E|5.80|6.00|6.20',
    'E1|3.80|3.90|4.00',
    'e||1.27|',
    'L|0.40|0.60|0.80',
  ];
  const page = (top: number, rows: readonly string[]) => cells(top, rows);
  it('goes on under the same heads, each number on its own page', async () => {
    const bytes = printed([[...lines(TITLE), ...page(160, [head, ...first])], page(780, [head, ...second])]);
    const { of, document } = await taken(bytes, 'gull-wing-dual');
    expect(of).toMatchObject({ A: '1.35..1.75', c: '0.17..0.20..0.25', D: '4.80..5.00', L: '0.40..0.80' });
    expect(document.package.dimensions).toMatchObject({
      A: { from: { page: 1 } },
      D: { from: { page: 2 }, where: 'page.pdf, page 2' },
    });
  });
  it('goes on without heads: read, and flagged', async () => {
    const bytes = printed([[...lines(TITLE), ...page(160, [head, ...first])], page(780, second)]);
    const { of } = await taken(bytes, 'gull-wing-dual');
    expect(of).toMatchObject({ A: '1.35..1.75', D: '4.80..5.00?', L: '0.40..0.80?' });
  });
  it('is two where the letters come again', async () => {
    const wide = [...first, ...second].map((row) => row.replace('D|4.80|4.90|5.00', 'D|9.80|9.90|10.00'));
    const bytes = printed([page(400, [head, ...first, ...second]), page(780, [head, ...wide])]);
    const { of } = await taken(bytes, 'gull-wing-dual');
    expect(['4.80..5.00', '9.80..10.00']).toContain(of['D']);
  });
});

describe('units and counts', () => {
  it('reads rows that say micrometres', async () => {
    const rows = [
      'Symbol|Min|Max|Unit',
      'A1|50|150|µm',
      'b|330|510|µm',
      'D|4.80|5.00|mm',
      'E|5.80|6.20|mm',
      'E1|3.80|4.00|mm',
      'e|1.27|1.27|mm',
    ];
    const { of } = await taken(printed([[...lines(TITLE), ...cells(650, rows)]]), 'gull-wing-dual');
    expect(of).toMatchObject({ A1: '0.05..0.15', b: '0.33..0.51', D: '4.80..5.00' });
  });
  it.each([
    ['64-ball grid array', '8?'],
    ['Ball grid array, 10 x 10', '10?'],
  ])('reads the matrix of “%s”, to be looked at', async (title, columns) => {
    const rows = [
      'Symbol|Min|Nom|Max',
      'A|1.05|1.20|1.35',
      'A1|0.15|0.20|0.25',
      'b|0.23|0.28|0.33',
      'D|5.30|5.40|5.50',
      'E|5.30|5.40|5.50',
      'e||0.50|',
    ];
    const { of } = await taken(printed([[...lines(`${title}, mm`), ...cells(650, rows)]]), 'ball-grid');
    expect(of).toMatchObject({ nE: columns, nD: columns, e: '0.50', D: '5.30..5.50' });
  });
});
