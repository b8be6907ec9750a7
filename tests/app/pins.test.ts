import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import type { TapisDocument } from '../../src/core/document/document';
import { columnOf, downloadsOf, expectNoFaults, openEmpty, openFootprint, waitSaved } from './harness';

let browser: Browser;
let page: Page;

beforeAll(async () => ({ browser, page } = await openEmpty()));
afterAll(() => browser.close());

/** Forty terminals round an exposed pad. */
const quad: TapisDocument = {
  tapis: 2,
  name: 'U5 gauge processor',
  package: {
    family: 'no-lead-quad',
    options: { pad: 'rectangle' },
    dimensions: {
      n: '40',
      e: '0.5',
      E: '6.0±0.1',
      L: '0.3..0.5',
      b: '0.18..0.30',
      A: '0.8..0.9',
      E2: '4.0..4.2',
      D2: '4.0..4.2',
    },
  },
  level: 'B',
  process: 'standard',
};

/** Forty names with directions, four of them ground, as a datasheet prints them. */
const table = [
  'Name\tType\tPin',
  ...Array.from({ length: 40 }, (_, i) => {
    const number = i + 1;
    if (number % 10 === 0) return `GND\tG\t${number}`;
    if (number % 10 === 1) return `VDD${number}\tP\t${number}`;
    return number === 7 ? `/RST\tI\t7` : `P${number}\tI/O\t${number}`;
  }),
].join('\n');

it('takes a pasted pin table onto a quad, joins its grounds, and writes them', async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'tapis-pins-')), 'u5.json');
  writeFileSync(file, JSON.stringify(quad));
  await (
    (await page.waitForSelector('[aria-label="Files to import"]')) as ElementHandle<HTMLInputElement>
  ).uploadFile(file);
  await openFootprint(page, 'U5 gauge processor');
  await page.keyboard.press('4');
  const { until, press } = columnOf(() => page);
  await press('Open the pin table');
  await press('Paste a table');
  await page.focus('[aria-label="Pin table as text"]');
  await page.keyboard.sendCharacter(table);
  await until('Columns: name, direction, number.');
  await until('No row names land 41.');
  await press('Take these 40 pins');
  // the names stand on their lands, active low with a bar
  const labels = () => page.$$eval('.pin-label', (all) => all.map((one) => one.textContent));
  await page.waitForFunction(() => document.querySelectorAll('.pin-label').length === 40);
  expect(await labels()).toContain('VDD1');
  expect(
    await page.$$eval('.pin-label[text-decoration=overline]', (all) => all.map((one) => one.textContent)),
  ).toEqual(['RST']);

  // four grounds of one name are joined by the remedy, and the exposed pad is pressed onto them
  const ledger = (words: string) =>
    page.waitForFunction((text) => document.querySelector('aside')?.textContent?.includes(text), {}, words);
  await ledger('4 pins are called GND, at lands 10, 20, 30, 40.');
  await page.locator('aside button ::-p-text(Names of pins)').click();
  await page.locator('aside button ::-p-text(Join them to one pin GND)').click();
  await page.waitForFunction(
    () => !document.querySelector('aside')?.textContent?.includes('4 pins are called'),
  );
  await page.locator('button[aria-label="Press the lands of GND"]').click();
  const sheet = (await page.waitForSelector('section[aria-label="Sheet"] svg'))!;
  const { x, y, width, height } = (await sheet.boundingBox())!;
  await page.mouse.click(x + width / 2, y + height / 2);
  await page.waitForFunction(
    () =>
      [...document.querySelectorAll<HTMLInputElement>('[aria-label="Lands of GND"]')][0]?.value ===
      '10 20 30 40 41',
  );
  // one press more would take it away; undo gives back what was
  await page.mouse.click(x + width / 2, y + height / 2);
  await page.waitForFunction(
    () =>
      [...document.querySelectorAll<HTMLInputElement>('[aria-label="Lands of GND"]')][0]?.value ===
      '10 20 30 40',
  );
  await page.locator('[aria-label=Undo]').click();
  await page.waitForFunction(
    () =>
      [...document.querySelectorAll<HTMLInputElement>('[aria-label="Lands of GND"]')][0]?.value ===
      '10 20 30 40 41',
  );
  expect(await page.$eval('aside', (aside) => aside.textContent)).not.toMatch(/without a pin|called GND/);
  await waitSaved(page);
  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForFunction(() => document.querySelectorAll('.pin-label').length === 41);

  const saved = await downloadsOf(browser);
  await page.keyboard.press('7');
  await until('Pins and lands');
  await page.locator('[aria-label="Save Pin table"]').click();
  expect(await saved(/\.pins\.csv$/)).toMatch(/^41,GND,,ground,,,\r$/m);
  await page.locator('[aria-label="Save IPC-2581"]').click();
  expect(await saved(/\.ipc2581\.xml$/)).toContain(
    '<Pin number="7" name="¬RST" type="SURFACE" electricalType="ELECTRICAL">',
  );
  expectNoFaults(page);
});
