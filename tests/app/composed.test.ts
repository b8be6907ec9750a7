import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { expectNoFaults, openDemo, openFootprint, server, summaryOf, waitSaved } from './harness';

let browser: Browser;
let page: Page;

beforeAll(async () => ({ browser, page } = await openDemo()));
afterAll(() => browser.close());

let presses = 0;
/** Types a text, key by key. */
const type = async (text: string) => {
  presses += [...text].length;
  await page.keyboard.type(text);
};
const press = async (...keys: Parameters<Page['keyboard']['press']>[0][]) => {
  for (const key of keys) {
    presses += 1;
    await page.keyboard.press(key);
  }
};
/** Adds a piece by a search, and waits until its first field has the focus. */
const add = async (search: string) => {
  const before = await page.$$eval('[aria-label="Pieces"] ol > li', (items) => items.length);
  if (before === 0) await press('Escape', 'e');
  else {
    presses += 2;
    await page.keyboard.down('Control');
    await page.keyboard.press('Enter');
    await page.keyboard.up('Control');
  }
  await page.waitForSelector('dialog[open][aria-label="Add a piece"]');
  await type(search);
  await press('Enter');
  await page.waitForFunction(
    (count) =>
      document.querySelectorAll('[aria-label="Pieces"] ol > li').length > count &&
      document.activeElement?.matches('[data-piece-field]'),
    {},
    before,
  );
};
/** Lands of the part as rows of their table: number, x, y. */
const table = async () => {
  await page.keyboard.press('Escape');
  await page.keyboard.press('3');
  await page.waitForSelector('main table tbody tr');
  return page.$$eval('main table tbody tr', (rows) =>
    rows.map((row) =>
      [...row.querySelectorAll('td, th')]
        .slice(0, 3)
        .map((cell) => cell.textContent ?? '')
        .join(' '),
    ),
  );
};

it('builds a connector from its drawing with the keyboard alone', async () => {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await page.locator('button ::-p-text(New footprint)').click();
  await page.waitForSelector('dialog[open] input');
  await type('composed');
  await press('Enter');
  await page.waitForSelector('[aria-label="Pieces"]');
  presses = 0;
  await add('peg 1.5');
  await add('again at 14.2 0');
  await add('row pins 5x 0.6 1.9 left first at 9.4 -5.8 from 1 by 2');
  // field by field as well: the even pins, half a step and 2.54 further than the odd ones
  await add('row pins');
  await type('5');
  await press('Tab');
  await type('0.6');
  await press('Tab');
  await type('1.9');
  await press('Tab', 'ArrowDown', 'Tab', 'ArrowDown', 'Tab');
  await type('-0.95');
  await press('Tab', 'Tab');
  await type('-2.54');
  await press('Tab', 'Tab', 'End', 'Tab', 'ArrowDown', 'Tab');
  await type('2');
  await press('Tab');
  await type('2');
  expect(await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))).toBe(
    'Steps of numbers',
  );
  await add('row plated');
  await add('block');
  expect(presses).toBeLessThan(260);
  expect(await summaryOf(page)).not.toContain('stop');
  // the odd pins 9.4, 7.5 … right of the left peg and 5.8 below it; the even ones half a step and 2.54 further
  expect(await table()).toEqual([
    '1 9.40 −5.80',
    '2 8.45 −8.34',
    '3 7.50 −5.80',
    '4 6.55 −8.34',
    '5 5.60 −5.80',
    '6 4.65 −8.34',
    '7 3.70 −5.80',
    '8 2.75 −8.34',
    '9 1.80 −5.80',
    '10 0.85 −8.34',
    'SH −9.00 0.00',
    'SH 9.00 0.00',
    '– 0.00 0.00',
    '– 14.20 0.00',
  ]);
  expectNoFaults(page);
});

it('follows a step that is changed', async () => {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'J6 sensor receptacle');
  await page.keyboard.press('1');
  await enter('p', '2.0');
  await page.waitForFunction(() => document.body.textContent?.includes('CONN5P200N'));
  expectNoFaults(page);
});

it('takes a quad apart, drops two pins, and hands it over', async () => {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'U1 logger controller');
  await page.keyboard.press('k');
  await page.waitForSelector('dialog[open] input');
  await page.keyboard.type('take apart');
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => document.title.includes('apart'));
  await page.waitForSelector('[aria-label="Pieces"] ol > li');
  const before = await table();
  await page.keyboard.press('1');
  await page.waitForSelector('[aria-label="Pieces"] ol > li');
  await page.locator('[aria-label="Pieces"] ol > li').click();
  const omit = await page.waitForSelector('[data-piece-field$="/omit"]');
  await omit!.click();
  await page.keyboard.type('2 3');
  await page.keyboard.press('Enter');
  const after = await table();
  expect(after).toHaveLength(before.length - 2);
  expect(after).toEqual(before.filter((row) => after.includes(row)));
  await page.keyboard.press('7');
  await page.waitForFunction(() => document.querySelector('main')?.textContent?.includes('IPC-2581'));
  expectNoFaults(page);
});

it('moves a piece by arrow keys and by dragging, and takes both back', async () => {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'J6 sensor receptacle');
  await page.keyboard.press('1');
  await page.waitForSelector('[aria-label="Pieces"] ol > li:nth-child(5)');
  await page.locator('[aria-label="Pieces"] ol > li:nth-child(5) > span').click();
  const x = () => page.$eval('[data-piece-field$="/pads/x"]', (field) => (field as HTMLInputElement).value);
  expect(await x()).toBe('4.2');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  expect(await x()).toBe('4.3');
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  expect(await x()).toBe('4.25');
  // the middle one of the three odd pads, by its number on the plan
  const at = await page.evaluate(() => {
    const number = [...document.querySelectorAll('section[aria-label="Sheet"] svg text')].find(
      (text) => text.textContent === '12',
    )!;
    const { x: left, y: top, width, height } = number.getBoundingClientRect();
    return { x: left + width / 2, y: top + height / 2 };
  });
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x + 20, at.y, { steps: 5 });
  expect(await page.$eval('section[aria-label="Sheet"]', (sheet) => sheet.textContent)).toMatch(
    /(left|right|above|below) to/,
  );
  await page.mouse.up();
  expect(Number(await x())).toBeGreaterThan(4.5);
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  expect(await x()).toBe('4.25');
  expectNoFaults(page);
});

it('makes a family of a part, keeps it, and starts another size of it from the gallery', async () => {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'J8 bus plug');
  await page.waitForSelector('[aria-label="Pieces"] ol > li');
  await page.locator('button ::-p-text(Make a family of it)').click();
  await page.waitForSelector('[aria-label="Family of your own"]');
  const fill = async (label: string, text: string) => {
    const field = await page.waitForSelector(`[aria-label="${label}"]`);
    await field!.click({ count: 3 });
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  };
  await fill('Name of n', 'Columns');
  await fill('Rule for f', '5.2±0.05');
  await page.locator('button ::-p-text(Add a condition)').click();
  await fill('Condition', 'f > 2*e');
  await fill('Its reason', 'Rows stand wider than columns');
  await page.locator('button ::-p-text(Paste a table)').click();
  await page
    .locator('[aria-label="Table of sizes"]')
    .fill('size\tn\te\n18 pins\t6\t2.4±0.05\n24 pins\t8\t2.4±0.05');
  await page.locator('button ::-p-text(Take 2 sizes)').click();
  await page.locator('button ::-p-text(Put it into the gallery)').click();
  await page.waitForFunction(() =>
    document.body.textContent?.includes('It stands in the gallery as it is here'),
  );
  await waitSaved(page);

  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await page.locator('button ::-p-text(New footprint)').click();
  await page.keyboard.type('plug with 36');
  await page.keyboard.press('Enter');
  await page.waitForSelector('input[data-entry="n"]');
  expect(await page.$('[aria-label="Pieces"]')).toBeNull();
  const size = await page.waitForSelector('select:has(option[value="24 pins"])');
  await size!.select('24 pins');
  await page.waitForFunction(() => document.body.textContent?.includes('PLUG36P240X520N'));
  expect((await table()).length).toBe(24);
  await page.keyboard.press('1');
  await enter('e', '2.7');
  await page.waitForFunction(() => document.body.textContent?.includes('Rows stand wider than columns'));
  expectNoFaults(page);
});

/** Types over a dimension's entry. */
async function enter(symbol: string, text: string): Promise<void> {
  const field = await page.waitForSelector(`input[data-entry="${symbol}"]`);
  await field!.click({ count: 3 });
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
}
