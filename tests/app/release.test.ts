import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { strFromU8, unzipSync } from 'fflate';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { converter } from '../data/documents';
import { columnOf, expectNoFaults, openDemo, openFootprint, savedFiles, server, retype } from './harness';

let browser: Browser;
let page: Page;

beforeAll(async () => ({ browser, page } = await openDemo()));
afterAll(() => browser.close());

interface Manifest {
  readonly target: string;
  readonly footprints: readonly {
    readonly name: string;
    readonly files: readonly { readonly path: string; readonly sha256: string }[];
  }[];
}

function opened(zip: Uint8Array): {
  readonly manifest: Manifest;
  readonly files: Record<string, Uint8Array>;
} {
  const files = unzipSync(zip);
  const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as Manifest;
  for (const { files: own } of manifest.footprints)
    for (const { path, sha256 } of own)
      expect(createHash('sha256').update(files[path]!).digest('hex')).toBe(sha256);
  return { manifest, files };
}

it('makes a release of one footprint by a target of one’s own, and of several', async () => {
  await openFootprint(page, 'U4 tide converter');
  const { press, until } = columnOf(() => page);
  await page.keyboard.press('7');
  await until('All at once');
  // a file by itself says which revision it is, and what was approved before
  const saved = await savedFiles(browser);
  await page.select('select[aria-label="State of the revision"]', 'approved');
  await press('Keep revision 1');
  await until('Revision 1 is approved');
  await page.locator('main button ::-p-text(Go on with revision 2)').click();
  await page.locator('[aria-label="Density level"] button ::-p-text(A)').click();
  await page.locator('[aria-label="Save Review report, as a page"]').click();
  const report = readFileSync(await saved(/\.report\.html$/), 'utf8');
  expect(report).toMatch(/What changed since.*level<\/td><td>B<\/td><td>A/s);
  await page.locator('[aria-label="Density level"] button ::-p-text(B)').click();
  await page.select('select[aria-label="Release target"]', 'mechanics');
  await page.locator('main summary ::-p-text(Which files)').click();
  // the target that came with Tapis stays; a copy takes the change and the pattern
  await press('Make a copy to change');
  await page.waitForFunction(
    () =>
      document.querySelector<HTMLInputElement>('[aria-label="Name of the target"]')?.value ===
      'Mechanics, own',
  );
  await page.locator('main label ::-p-text(IPC-2581)').click();
  await retype(page, '[aria-label="Pattern of file names"]', '{reference}-{colour}');
  await until('“{colour}” is not known');
  await retype(page, '[aria-label="Pattern of file names"]', '{reference}-{standard}');
  await press('Make the release');
  const { manifest, files } = opened(readFileSync(await saved(/^U4 tide converter, Mechanics, own\.zip$/)));
  expect(Object.keys(files)).toContain('U4-SOP65P640X120-16N.ipc2581.xml');
  expect(manifest.footprints[0]?.files.map(({ path }) => path.replace(/^U4-SOP65P640X120-16N/, ''))).toEqual(
    expect.arrayContaining(['.step', '.emp', '.dxf', '.drawing.pdf', '.ipc2581.xml']),
  );
  // what was chosen is kept over a reload
  await page.reload({ waitUntil: 'networkidle0' });
  await until('All at once');
  expect(
    await page.$eval(
      'select[aria-label="Release target"]',
      (select) => (select as HTMLSelectElement).selectedOptions[0]?.textContent,
    ),
  ).toBe('Mechanics, own');

  await page.locator('header a ::-p-text(Shelf)').click();
  await page.waitForSelector('main [role=listitem] input[type=checkbox]');
  const boxes = await page.$$('main [role=listitem] input[type=checkbox]');
  await boxes[0]?.click();
  await boxes[1]?.click();
  await page.waitForSelector('select[aria-label="Release the selected for"]');
  await page.select('select[aria-label="Release the selected for"]', 'review');
  const several = opened(readFileSync(await saved(/^2 footprints, Review\.zip$/)));
  expect(several.manifest.footprints).toHaveLength(2);
  expect(Object.keys(several.files).filter((path) => path.endsWith('.report.pdf'))).toHaveLength(2);
  expectNoFaults(page);
});

it('shows films as they will be made: read again, held against the footprint, and measured', async () => {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'U2 level driver');
  await page.keyboard.press('7');
  await page.locator('main button ::-p-text(Look)').click();
  await page.waitForSelector('dialog[open][aria-label="Films"] svg path');
  const rows = await page.$$eval('dialog[open] li', (items) => items.map(({ textContent }) => textContent));
  expect(rows).toContain('Copper, top8 areas, every edge within 0.2 µm of the footprint’s');
  // neighbours lie a pitch of 50 mil apart, as the sheet is in inches
  await page.locator('dialog[open] button ::-p-text(Ruler)').click();
  await retype(page, '#ruler-from', 'Copper, top 1');
  await retype(page, '#ruler-to', 'Copper, top 3');
  await page.waitForFunction(() =>
    /middle to middle 50\.?0* mil/s.test(document.querySelector('[aria-label=Distances]')?.textContent ?? ''),
  );
  await page.locator('dialog[open] button ::-p-text(Close)').click();
  await page.waitForFunction(() => !document.querySelector('dialog[open]'));
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  expectNoFaults(page);
});

it('prints the drawing sheets, and not the page', async () => {
  await openFootprint(page, 'U4 tide converter');
  // what draws the sheets is loaded a moment after the Bench
  await page.waitForNetworkIdle({ idleTime: 1500 });
  const bytes = await page.pdf({ preferCSSPageSize: true });
  const pdf = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  const { items } = await (await pdf.getPage(1)).getTextContent();
  const text = items.map((item) => ('str' in item ? item.str : '')).join(' ');
  for (const words of ['Land pattern', 'Z 7.35', 'SOP65P640X120-16N', '1 of 4'])
    expect(text).toContain(words);
  expect(text).not.toContain('Ledger');
  expect(pdf.numPages).toBe(4);
  expectNoFaults(page);
});

it('makes a release over HTTP, and says what is asked wrongly', async () => {
  // the server is shared: where others keep it busy it says so, and is asked again
  const ask = async (path: string, body: string): Promise<Response> => {
    const headers = { 'content-type': 'application/json' };
    for (;;) {
      const answer = await fetch(server.url + path, { method: 'POST', body, headers });
      if (answer.status !== 503) return answer;
      await new Promise((resolve) => setTimeout(resolve, 500));
    }
  };
  const post = (query: string, body: string) => ask(`/api/v1/release${query}`, body);
  const answer = await post('?target=board-shop&date=2026-05-04', JSON.stringify(converter()));
  expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/zip']);
  const { manifest } = opened(new Uint8Array(await answer.arrayBuffer()));
  expect(manifest.footprints[0]?.files.map(({ path }) => path)).toContain('SOP65P640X120-16N.artwork.zip');
  const drawing = await ask(
    '/api/v1/export/drawing?paper=letter&date=2026-05-04',
    JSON.stringify(converter()),
  );
  const pdf = await getDocument({ data: new Uint8Array(await drawing.arrayBuffer()), verbosity: 0 }).promise;
  // a sheet of letter, lying
  expect((await pdf.getPage(1)).view.slice(2)).toEqual([792, 612].map((side) => expect.closeTo(side, 2)));
  for (const [query, body, status, words] of [
    ['?target=wax', '{}', 400, /it is one of board-shop/],
    ['?target=review&pattern={x}', '{}', 400, /not known/],
    ['?target=review&date=tomorrow', '{}', 400, /such as 2026-05-04/],
    ['?goal=review', '{}', 400, /known are target/],
    ['?target=review', '{', 422, /not JSON/],
  ] as const) {
    const refused = await post(query, body);
    expect([query, refused.status]).toEqual([query, status]);
    expect(((await refused.json()) as { detail: string }).detail).toMatch(words);
  }
});
