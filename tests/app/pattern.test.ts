import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  columnOf,
  expectNoFaults,
  openDemo,
  openFootprint,
  server,
  summaryOf,
  valueOf,
  waitSaved,
  retype,
} from './harness';

let browser: Browser;
let page: Page;

beforeAll(async () => ({ browser, page } = await openDemo()));
afterAll(() => browser.close());

/** The cells of a table by its accessible name, row by row. */
const tableOf = (name: string) =>
  page.$$eval(`table[aria-label="${name}"] tbody tr`, (rows) =>
    rows.map((row) => [...row.children].map((cell) => cell.textContent)),
  );
const COMPARED = 'Computed lands against the datasheet’s';
const { main, until, press } = columnOf(() => page);
const numbers = () =>
  page.$$eval('input[aria-label^="Number of the land"]', (fields) =>
    fields.map((field) => (field as HTMLInputElement).value),
  );

it('holds the datasheet’s lands against the computed ones, adopts them, and keeps the reason', async () => {
  await openFootprint(page, 'U10 charge regulator');
  await page.keyboard.press('2');
  await page.waitForSelector(`table[aria-label="${COMPARED}"]`);
  expect(await tableOf(COMPARED)).toContainEqual(['Z', '11.15', '10.50', '−0.65']);
  // the same land, stated as the gap that it leaves
  await page.select('select[aria-label="How the datasheet states the distance"]', 'gap');
  await retype(page, 'input[aria-label="Recommended land distance"]', '240mil');
  // 240 mil is 6.096; 6.096 + 2·2.2
  expect(await tableOf(COMPARED)).toContainEqual(['Z', '11.15', '10.496', '−0.654']);
  expect(await tableOf('Joint margins of both patterns')).toHaveLength(3);
  await press('Use the datasheet’s');
  await retype(page, 'input[aria-label="Reason"]', 'as on the evaluation board');
  await waitSaved(page);
  await page.reload({ waitUntil: 'networkidle0' });
  await page.keyboard.press('2');
  await page.waitForSelector('input[aria-label="Reason"]');
  expect(await valueOf(page, 'input[aria-label="Reason"]')).toBe('as on the evaluation board');
  // the outer distance is the sheet's at every level now
  const outer = await page.$eval('main table tbody tr', (row) =>
    [...row.querySelectorAll('td')].map((cell) => cell.textContent),
  );
  expect(outer).toEqual(['10.496', '10.496', '10.496']);
});

it('sets a size of one group by hand and keeps the gap where the person chose it', async () => {
  await press('Use the computed');
  await retype(page, 'input[aria-label="Land Y set by hand"]', '3.2');
  await page.waitForSelector('select option[value="gap"]');
  const hold = await page.$$('fieldset select');
  await hold[0]?.select('gap');
  const sizes = () =>
    page.$$eval('main table:first-of-type tbody tr td:nth-child(3)', (cells) =>
      cells.slice(0, 5).map((cell) => cell.textContent),
    );
  // Z, G, C, Y, X: the gap 5.45 stays, 5.45 + 3.20 between centres
  expect(await sizes()).toEqual(['11.85', '5.45', '8.65', '3.20', '0.95']);
});

it('reads a plain number in the unit shown, and says the unit when another is shown', async () => {
  const hand = 'input[aria-label="Land Y set by hand"]';
  const unit = (name: string) => page.locator(`[aria-label="Unit shown"] ::-p-text(${name})`).click();
  await unit('mil');
  expect(await valueOf(page, hand)).toBe('3.2 mm');
  await retype(page, hand, '120');
  await waitSaved(page);
  await page.reload({ waitUntil: 'networkidle0' });
  await page.keyboard.press('2');
  await page.waitForSelector(hand);
  expect(await valueOf(page, hand)).toBe('120');
  await unit('mm');
  expect(await valueOf(page, hand)).toBe('120mil');
});

it('numbers by scheme, from another corner, and turned by a quarter', async () => {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'J2 debug header');
  await page.keyboard.press('4');
  await page.waitForSelector('input[aria-label^="Number of the land"]');
  expect((await numbers()).slice(0, 4)).toEqual(['1', '2', '3', '4']);
  const [scheme, corner, orientation] = await page.$$(
    'main section:has(input[aria-label^="Number of the land"]) select',
  );
  await scheme?.select('rows');
  expect((await numbers()).slice(0, 4)).toEqual(['1', '6', '2', '7']);
  await corner?.select('upper-right');
  expect((await numbers()).slice(0, 4)).toEqual(['5', '10', '4', '9']);
  await orientation?.select('B');
  expect((await numbers()).slice(0, 4)).toEqual(['5', '10', '4', '9']);
  expect(await summaryOf(page)).toContain('2 cautions');
});

it('lists holes without copper, and the areas that a package keeps free, which can be changed', async () => {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'H3 mounting hole');
  await page.keyboard.press('3');
  await until('Of the package: screw head and its clearance');
  expect(await main()).toContain('⌀ 6.00 mm, free of other parts, component side');
  expect(await main()).toMatch(/1 padstack\s+n270\s+hole without copper/);
  const areas = () => page.$$eval('section[aria-label="Sheet"] .layer-keep-out', (all) => all.length);
  expect(await areas()).toBe(1);
  await press('Change');
  const kept = await page.waitForSelector('main select:has(option[value=nothing])');
  await (kept as ElementHandle<HTMLSelectElement>).select('nothing');
  await page.waitForFunction(() => !document.querySelector('section[aria-label="Sheet"] .layer-keep-out'));
  await press('As the package has it');
  await page.waitForSelector('section[aria-label="Sheet"] .layer-keep-out');
  expectNoFaults(page);
});

it('starts from a typical size and says so', async () => {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await page.locator('button ::-p-text(New footprint)').click();
  await page.waitForSelector('dialog[open] li');
  await page.type('dialog input', 'solder ball');
  await Promise.all([page.waitForNavigation(), page.keyboard.press('Enter')]);
  await page.waitForSelector('#entry-nE');
  const selects = await page.$$('main select');
  const [, first] = (await selects.at(-1)?.$$eval('option', (all) => all.map(({ value }) => value))) ?? [];
  await selects.at(-1)?.select(first ?? '');
  expect(await valueOf(page, '#entry-e')).toBe('0.8');
  expect(await summaryOf(page)).toContain('1 note');
  const ledger = await page.$eval('aside', (element) => element.textContent);
  expect(ledger).toContain('typical size, not from the datasheet');
  expectNoFaults(page);
});
