import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { PASSIVES } from '../../src/demo/passives';
import { expectNoFaults, openDemo, server, retype } from './harness';

let browser: Browser;
let page: Page;

beforeAll(async () => ({ browser, page } = await openDemo()));
afterAll(() => browser.close());

const CELLS = [
  'Part No.\tDescription\tL ±0.1\tW ±0.1\tT\ta\tPacking',
  'HS-C-1\tMLCC 100nF\t1.6\t0.8\t0.8 ±0.1\t0.35 ±0.15\t4000',
  'HS-C-2\tMLCC 220nF\t1.6\t0.8\t0.8 ±0.1\t0.35 ±0.15\t4000',
  'HS-C-3\tMLCC 1µF\t2.0\t125\t0.85 ±0.1\t0.5 ±0.2\t3000',
].join('\n');
const text = () => page.$eval('main', (e) => e.innerText);
const untilText = (words: string) =>
  page.waitForFunction((wanted) => document.body.innerText.includes(wanted), {}, words);

it('is read from pasted cells, the doubtful row first, and mended in place', async () => {
  await page.locator('a[href="/list"]').click();
  await page.locator('textarea[aria-label="Cells of a list"]').fill(CELLS);
  await page.keyboard.press('Tab');
  await page.waitForSelector('ul[aria-label=Parts] li');
  await page.waitForFunction(() => document.querySelectorAll('ul[aria-label=Parts] svg').length >= 1);
  const [first] = await page.$$eval('ul[aria-label=Parts] li', (all) => all.map((e) => e.textContent ?? ''));
  expect(first).toContain('HS-C-3');
  expect(await text()).toContain('the same footprint as row 1');
  // T is the thickness here, and a the terminal
  const role = (head: string) =>
    page.$eval(`select[aria-label="What “${head}” holds"]`, (e) => (e as HTMLSelectElement).value);
  expect([await role('T'), await role('a'), await role('Packing')]).toEqual(['A', 'T', 'left']);
  await page.locator('button[aria-label="Cells of row 3"]').click();
  await retype(page, 'input[aria-label="W ±0.1 of row 3"]', '1.25');
  await page.keyboard.press('Enter');
  await untilText('CAPC2012');
});

it('follows a column that is settled, and goes onto the Shelf and back as one act', async () => {
  await page.select('select[aria-label="What “T” holds"]', 'left');
  await untilText('Height A is missing');
  await page.locator('::-p-xpath(//button[.="As proposed"])').click();
  await untilText('CAPC2012');
  await page.locator('::-p-xpath(//button[starts-with(., "Put 2 on the Shelf")])').click();
  await untilText('2 footprints of pasted list are on the Shelf');
  await page.locator('::-p-xpath(//button[.="Take them back"])').click();
  await untilText('They are in the bin');
  expectNoFaults(page);
});

const files = mkdtempSync(join(tmpdir(), 'tapis-list-'));
const bring = async (name: string, ...texts: readonly (readonly [name: string, text: string])[]) => {
  const paths = texts.map(([file, text]) => {
    const path = join(files, file);
    writeFileSync(path, text);
    return path;
  });
  await (await page.waitForSelector(`input[aria-label="${name}"]`))?.uploadFile(...paths);
};
const button = (words: string) => page.locator(`::-p-xpath(//button[contains(., "${words}")])`).click();
const toLists = () => page.goto(`${server.url}/list`, { waitUntil: 'networkidle0' });

it('is brought again: what is new, changed and gone is shown, taken as one act, and taken back', async () => {
  await toLists();
  await button('the demo’s list');
  await untilText('Put 16 on the Shelf');
  await button('Put 16 on the Shelf');
  await untilText('16 footprints of tide-gauge passives.csv are on the Shelf');
  await toLists();
  const rows = PASSIVES.trim().split('\n');
  const next = [
    ...rows
      .filter((row) => !row.startsWith('HS-RS-'))
      .map((row) => (row.startsWith('HS-C3-') ? row.replace('0,80 ±0,10;0,80', '0,85 ±0,10;0,80') : row)),
    'HS-C9-1;Capacitor 1 µF;4,50 ±0,30;3,20 ±0,30;2,00 ±0,20;0,70 ±0,30;500',
  ];
  await bring('File with a list', ['tide-gauge passives.csv', next.join('\n')]);
  await untilText('land width 0.95 → 1.00 mm');
  const all = await page.$$eval('ul[aria-label=Parts] li', (some) => some.map((e) => e.textContent ?? ''));
  expect(all.slice(0, 2).map((words) => /HS-C\d-\d+/.exec(words)?.[0])).toEqual(['HS-C3-472', 'HS-C9-1']);
  expect(all[0]).toContain('changed: W 0.80 ±0.10 → 0.85 ±0.10');
  expect(all.filter((words) => words.includes('as on the Shelf'))).toHaveLength(14);
  await page.locator('section[aria-label="No longer in the list"] input').click();
  await button('Put 1 new, change 1, bin 1');
  await untilText('1 footprint changed; 1 footprint in the bin');
  await button('Take it all back');
  await untilText('All is as before');
});

it('finds the footprints of a bill of materials on the Shelf, and reads several datasheets as rows', async () => {
  await toLists();
  const bill =
    'Ref;Qty;Value;Footprint;MPN\nC1-C4;4;100nF;0603;HS-C3-104\nU1;1;radio;QFN-32 5x5 0.5;\nJ9;1;;buoy plug, sealed;HS-J-4\nD1;1;;SOD-123;HS-D-1';
  await bring('File with a list', ['bill.csv', bill]);
  await untilText('4 lines, 2 on the Shelf');
  const lines = await page.$$eval('tbody tr', (some) => some.map((e) => e.textContent ?? ''));
  expect(lines[0]).toContain('“buoy plug, sealed” is no word of a package');
  expect(lines[1]).toContain('typical size “SOD-123”');
  expect(lines[2]).toContain('U9 radio front end');
  expect(lines[3]).toContain('HS-C3-472 the part is among those that use it');
  await button('1 missing');
  await page.waitForFunction(() => document.querySelectorAll('tbody tr').length === 1);

  await toLists();
  const sheet =
    'SOIC package outline (mm)\nSymbol\tMin\tMax\nA\t-\t1.75\nA1\t0.10\t0.25\nb\t0.31\t0.51\nD\t4.80\t5.00\nE\t5.80\t6.20\nE1\t3.80\t4.00\ne\t1.27 BSC\t\nL\t0.40\t1.27\nn\t8\t8';
  await bring(
    'File with a list',
    ['HS-SO8.txt', sheet],
    ['letter.txt', 'Dear buyer,\nthe parts are in the drawer.'],
  );
  await untilText('No table of dimensions was found in letter.txt');
  await untilText('P600X175-8');
  expectNoFaults(page);
});
