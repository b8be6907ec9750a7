import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { expectNoFaults, openDemo } from './harness';

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
  await page.locator('input[aria-label="W ±0.1 of row 3"]').fill('1.25');
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
