import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { STEPS } from '../../src/islands/tour/steps';
import { expectNoFaults, openEmpty, openFootprint, retype } from './harness';

let browser: Browser;
let page: Page;
beforeAll(async () => ({ browser, page } = await openEmpty()));
afterAll(() => browser.close());

const at = (title: string) =>
  page.waitForFunction(
    (words) => document.querySelector('[aria-label=Tour] h2')?.textContent === words,
    {},
    title,
  );
const press = (words: string) => page.locator(`button ::-p-text(${words})`).click();

it('goes through the demo a step at a time, waits for each, and can be left', async () => {
  // the empty Shelf may be drawn anew while it is pressed
  while (!(await page.$('[aria-label=Tour]'))) {
    await press('Take the tour');
    await page.waitForSelector('[aria-label=Tour]', { timeout: 10_000 }).catch(() => null);
  }
  const doings: readonly (() => Promise<unknown>)[] = [
    () => openFootprint(page, 'U7 buoy transceiver'),
    () => page.keyboard.press('x'),
    () => retype(page, '#entry-L', '0.50..0.75'),
    async () => {
      await page.keyboard.press('Enter');
      await page.keyboard.press('Escape');
      await page.keyboard.press('n');
    },
    () => page.keyboard.press('2'),
    () => page.keyboard.press('a'),
    () => page.keyboard.press('3'),
    () => page.keyboard.press('t'),
    () => page.keyboard.press('6'),
    () => page.keyboard.press('7'),
    () => page.keyboard.press('s'),
  ];
  expect(doings).toHaveLength(STEPS.length);
  for (const [i, { title, marks }] of STEPS.entries()) {
    await at(title);
    // what is meant is there, and marked
    await page.waitForFunction(
      (selector) => {
        const meant = document.querySelector(selector);
        return meant !== null && getComputedStyle(meant).outlineStyle === 'dashed';
      },
      {},
      marks,
    );
    // it is where it was after the page was loaded anew
    if (i === 5) {
      await page.reload({ waitUntil: 'networkidle0' });
      await at(title);
    }
    await doings[i]?.();
  }
  await at('That was it');
  await press('Close');
  await page.waitForFunction(() => !document.querySelector('[aria-label=Tour]'));
  // by the help it begins again, and is left in the middle
  await page.keyboard.press('F1');
  await press('Take the tour');
  await at('Open a footprint');
  await press('Leave');
  await page.waitForFunction(() => !document.querySelector('[aria-label=Tour]'));
  expectNoFaults(page);
});
