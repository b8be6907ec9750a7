import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { expectNoFaults, openDemo, openFootprint, retype } from './harness';

let browser: Browser;
let page: Page;

beforeAll(async () => ({ browser, page } = await openDemo()));
afterAll(() => browser.close());

const ledger = () => page.$eval('aside[aria-label=Ledger]', (e) => e.textContent);

it('shows the way between potentials, and a remedy takes it away', async () => {
  await openFootprint(page, 'K1 charger relay');
  await page.keyboard.press('2');
  await page.waitForFunction(() =>
    document.querySelector('aside[aria-label=Ledger]')?.textContent?.includes('voltage'),
  );
  await page.keyboard.press('x');
  await page.waitForSelector('.spacing-way text');
  expect(await page.$eval('.spacing-way text', (e) => e.textContent)).toBe('1.35 mm');
  await page.locator('::-p-xpath(//aside//button[contains(., "Narrower lands 1 and 2")])').click();
  await page.locator('::-p-xpath(//aside//button[contains(., "Narrower lands 2 and 3")])').click();
  await page.waitForFunction(
    () => !document.querySelector('aside[aria-label=Ledger]')?.textContent?.includes('needs 1.50'),
  );
});

it('measures between what is named and between what is pressed, in mm and mil', async () => {
  await page.keyboard.press('m');
  await page.waitForSelector('section[aria-label=Ruler]');
  // the first field has the focus: names are typed
  await page.keyboard.type('land 1, middle');
  await page.keyboard.press('Tab');
  await page.keyboard.type('land 2, middle');
  await page.waitForSelector('ul[aria-label=Distances]');
  const said = await page.$eval('ul[aria-label=Distances]', (e) => e.textContent);
  expect(said).toContain('3.00 mm');
  expect(said).toContain('118.1 mil');
  const [first, second] = await page.$$eval('.land-number', (all) =>
    all
      .filter((e) => e.textContent === '1' || e.textContent === '3')
      .map((e) => {
        const { x, y, width, height } = e.getBoundingClientRect();
        return { x: x + width / 2, y: y + height / 2 };
      }),
  );
  for (const at of [first, second]) await page.mouse.click(at?.x ?? 0, at?.y ?? 0);
  await page.waitForFunction(() =>
    [...document.querySelectorAll('#ruler-from, #ruler-to')].every((e) =>
      /(land|hole|opening|terminal) [13]/.test((e as HTMLInputElement).value),
    ),
  );
});

it('is walked by keys, and lies in the section of a padstack', async () => {
  const walk = async (
    selector: string,
    ...keys: readonly ('ArrowLeft' | 'ArrowRight' | 'ArrowUp' | 'Enter')[]
  ) => {
    await page.$eval(selector, (e) => (e as unknown as HTMLElement).focus());
    for (const key of keys) await page.keyboard.press(key);
  };
  const named = () =>
    page.$$eval('#ruler-from, #ruler-to', (all) => all.map((e) => (e as HTMLInputElement).value));
  await walk('rect.ruler-field', 'ArrowRight', 'Enter', 'ArrowLeft', 'Enter');
  const [from, to] = await named();
  expect(from).not.toBe(to);
  await page.locator('::-p-xpath(//section[@aria-label="Ruler"]//button[.="Put away"])').click();
  // the section of a padstack
  await page.keyboard.press('3');
  await page.locator('main figure + button').click();
  await page.waitForSelector('main section[aria-label=Ruler]');
  await retype(page, '#ruler-from', 'hole, left edge');
  await retype(page, '#ruler-to', 'copper, left edge');
  await page.waitForSelector('main ul[aria-label=Distances]');
  await page.locator('::-p-xpath(//section[@aria-label="Ruler"]//button[.="Put away"])').click();
  await page.keyboard.press('2');
  await page.keyboard.press('m');
  await page.waitForSelector('section[aria-label=Ruler]');
});

it('keeps a measurement, whose wish in mil is a check that undo takes back', async () => {
  await retype(page, '#ruler-from', 'land 1, middle');
  await retype(page, '#ruler-to', 'land 2, middle');
  await page.locator('button[aria-label="Keep upright, y"]').click();
  await retype(page, 'input[aria-label^="Wished from"]', '120 mil');
  await page.waitForFunction(() =>
    document.querySelector('aside[aria-label=Ledger]')?.textContent?.includes('not as wished'),
  );
  expect(await ledger()).toContain('3.00 mm');
  await retype(page, 'input[aria-label^="Wished from"]', '118.1±1 mil');
  await page.waitForFunction(
    () => !document.querySelector('aside[aria-label=Ledger]')?.textContent?.includes('not as wished'),
  );
  await page.keyboard.press('Escape');
  await page.waitForFunction(() => document.querySelector('section[aria-label=Ruler]') === null);
  // what is kept stays on the drawing
  expect(await page.$$eval('.ruler-kept text', (all) => all.map((e) => e.textContent))).toEqual(['3.00']);
  expectNoFaults(page);
});
