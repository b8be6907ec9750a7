import { deflateSync } from 'node:zlib';
import { expect, test } from 'vitest';
import { takeFile } from '../../src/kernel/source/take-file';
import { pdfOf, pngData, pngHead, pngOf } from '../data/files';

// Datasheets that mean ill: each ends in a sentence, or in what of it can be read with what cannot be told.

const stream = (dictionary: string, data: string) =>
  `<<${dictionary}/Length ${data.length}>>\nstream\n${data}\nendstream`;
const FONT = '<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>';

/** A PDF of one page. */
const page = (content: string, resources = '', more: readonly string[] = [], box = '[0 0 600 800]') =>
  pdfOf([
    '<</Type/Catalog/Pages 2 0 R>>',
    '<</Type/Pages/Kids[3 0 R]/Count 1>>',
    `<</Type/Page/Parent 2 0 R/MediaBox${box}/Resources<</Font<</F1 4 0 R>>${resources}>>/Contents 5 0 R>>`,
    FONT,
    stream('', content),
    ...more,
  ]);

const ROWS = [
  ['Symbol', 'Min', 'Nom', 'Max'],
  ['A', '1.35', '1.55', '1.75'],
  ['A1', '0.10', '0.18', '0.25'],
  ['b', '0.31', '0.41', '0.51'],
  ['D', '4.80', '4.90', '5.00'],
  ['E', '5.80', '6.00', '6.20'],
  ['E1', '3.80', '3.90', '4.00'],
  ['e', '1.27', '1.27', '1.27'],
  ['L', '0.40', '0.60', '0.80'],
];
const TABLE = ROWS.map(
  ([symbol, ...limits], i) =>
    `BT /F1 10 Tf 50 ${700 - 20 * i} Td (${symbol}) Tj ${limits.map((one) => `70 0 Td (${one}) Tj`).join(' ')} ET`,
).join('\n');

const take = (bytes: Uint8Array, name = 'sheet.pdf') => takeFile(bytes, name, { family: 'gull-wing-dual' });
async function refusal(bytes: Uint8Array, name?: string): Promise<string> {
  const taken = await take(bytes, name);
  if (taken.ok) throw new Error('it was read');
  expect(taken.error.length).toBeLessThan(300);
  return taken.error;
}

test('a page tree that holds itself', async () => {
  const own = pdfOf(['<</Type/Catalog/Pages 2 0 R>>', '<</Type/Pages/Kids[2 0 R]/Count 1>>']);
  expect(await refusal(own)).toContain('damaged');
});

test('forms within forms, ten in each of twelve: what takes too long is told', async () => {
  const forms = Array.from({ length: 12 }, (_, i) =>
    stream(
      `/Type/XObject/Subtype/Form/BBox[0 0 600 800]/Resources<</XObject<</X ${7 + i} 0 R>>>>`,
      '/X Do '.repeat(10),
    ),
  );
  const last = stream(
    '/Type/XObject/Subtype/Form/BBox[0 0 600 800]/Resources<</Font<</F1 4 0 R>>>>',
    'BT /F1 9 Tf (word) Tj ET',
  );
  const nested = page('/X Do', '/XObject<</X 6 0 R>>', [...forms, last]);
  expect(await refusal(nested)).toMatch(/takes longer than|more than 8000 words/);
});

test('what was lost in one file reads the next', async () => {
  const good = page(TABLE);
  const first = await take(good);
  const self = stream(
    '/Type/XObject/Subtype/Form/BBox[0 0 9 9]/Resources<</XObject<</X 6 0 R>>>>',
    '/X Do '.repeat(9),
  );
  const endless = page(`q ${'/X Do '.repeat(400)} Q`, '/XObject<</X 6 0 R>>', [self]);
  for (const bad of [endless, good.slice(0, 200), new TextEncoder().encode('%PDF-1.7 of nothing')]) {
    await take(bad);
    expect(await take(good)).toEqual(first);
  }
  // and side by side
  const all = await Promise.all([take(good), take(endless), take(good)]);
  expect([all[0], all[2]]).toEqual([first, first]);
});

test('a form that holds itself leaves the table beside it', async () => {
  const self = stream(
    '/Type/XObject/Subtype/Form/BBox[0 0 600 800]/Resources<</XObject<</X 6 0 R>>>>',
    '/X Do /X Do',
  );
  const taken = await take(page(`${TABLE}\n/X Do`, '/XObject<</X 6 0 R>>', [self]));
  expect(taken.ok && taken.value.document.package.dimensions?.['E']).toBeDefined();
});

test('pages as large as a town, of nothing, and of what is no number are read by their words', async () => {
  for (const box of ['[0 0 1e9 1e9]', '[0 0 0 0]', '[NaN 0 Infinity (x)]']) {
    const taken = await take(page(TABLE, '', [], box));
    expect(taken.ok && taken.value.reading.dimensions.length).toBeGreaterThan(6);
  }
});

test('a picture of nine hundred million pixels is left out before it is unpacked', async () => {
  const data = deflateSync(Buffer.alloc(30_000)).toString('latin1');
  const image = stream(
    '/Type/XObject/Subtype/Image/Width 30000/Height 30000/BitsPerComponent 8/ColorSpace/DeviceGray/Filter/FlateDecode',
    data,
  );
  const drawn = page('q 600 0 0 800 0 0 cm /I Do Q', '/XObject<</I 6 0 R>>', [image]);
  expect(await refusal(drawn)).toContain('No table');
});

test('one word without end, and more words than a page has', async () => {
  const long = page(`BT /F1 10 Tf 50 50 Td (${'a'.repeat(500_000)}) Tj ET\n${TABLE}`);
  const taken = await take(long);
  expect(taken.ok && taken.value.reading.dimensions.length).toBeGreaterThan(6);
  const many = page(`${TABLE}\nBT /F1 10 Tf 50 50 Td ${'(word ) Tj 0 0 Td '.repeat(20_000)} ET`);
  const first = await take(many);
  expect(first.ok && first.value.left.join(' ')).toContain('more than 8000 words');
});

test('the page with the table is found among many', async () => {
  const pages = 60;
  const sheet = pdfOf([
    '<</Type/Catalog/Pages 2 0 R>>',
    `<</Type/Pages/Kids[${Array.from({ length: pages }, (_, i) => `${6 + i} 0 R`).join(' ')}]/Count ${pages}>>`,
    FONT,
    stream('', TABLE),
    stream('', 'BT /F1 10 Tf 50 700 Td (This page tells of pleasant things.) Tj ET'),
    ...Array.from(
      { length: pages },
      (_, i) =>
        `<</Type/Page/Parent 2 0 R/MediaBox[0 0 600 800]/Resources<</Font<</F1 3 0 R>>>>/Contents ${i === 47 ? 4 : 5} 0 R>>`,
    ),
  ]);
  const taken = await take(sheet);
  expect(taken.ok && taken.value.page).toBe(48);
  expect(taken.ok && taken.value.left.join(' ')).toContain('Of 60 pages those that are likeliest');
});

/** A PNG whose head says what it likes. */
const png = (width: number, height: number, data: Buffer) => pngOf([pngHead(width, height), pngData(data)]);

test.each([
  ['of nothing', png(0, 0, Buffer.alloc(0)), 'cannot be read'],
  ['as wide as a street', png(24_000_000, 1, Buffer.alloc(100)), 'cannot be read|at most 30000'],
  ['as large as a town', png(60_000, 60_000, Buffer.alloc(100)), '70 million pixels|at most 30000'],
  ['that ends early', png(1000, 1000, Buffer.alloc(100)), 'cannot be read'],
  ['of three bytes', Uint8Array.from([0xff, 0xd8, 0xff]), 'cannot be read'],
  [
    'that is no WebP',
    Uint8Array.from(`RIFF....WEBPVP8X${'x'.repeat(40)}`, (c) => c.charCodeAt(0)),
    'cannot be read',
  ],
])('a picture %s', async (_, bytes, words) => {
  expect(await refusal(bytes, 'scan')).toMatch(new RegExp(words));
});

test.each([
  ['lines', 'A\t1\t2\t3\n'.repeat(6000), 'lines; at most'],
  ['characters', `Symbol\tMin\n${'A'.repeat(300_000)}`, 'characters; at most'],
])('a text of too many %s', async (_, text, words) => {
  expect(await refusal(new TextEncoder().encode(text), 'table.txt')).toContain(words);
});

test('tags a hundred thousand deep', async () => {
  const deep = `<html>${'<div>'.repeat(100_000)}x`;
  expect(await refusal(new TextEncoder().encode(deep), 'page.html')).toContain('No table');
});
