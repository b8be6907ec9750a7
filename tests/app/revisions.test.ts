import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  expectNoFaults,
  launch,
  openFootprint,
  openPage,
  retype,
  server,
  takeDemo,
  valueOf,
  waitSaved,
} from './harness';

let browser: Browser;
let page: Page;

beforeAll(async () => {
  browser = await launch();
  page = await openPage(browser, server.url);
  await takeDemo(page);
});
afterAll(() => browser.close());

const told = (words: string) =>
  page.waitForFunction((text) => document.body.textContent?.includes(text), {}, words);
const gone = (words: string) =>
  page.waitForFunction((text) => !document.body.textContent?.includes(text), {}, words);
const undoes = () => page.$eval('[aria-label=Undo]', (button) => (button as HTMLButtonElement).title);

it('undo goes on after a reload, and says what each step was', async () => {
  await openFootprint(page, 'C12 supply bypass');
  const before = await valueOf(page, '#entry-L');
  await retype(page, '#entry-L', '1.75±0.1');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.locator('[aria-label="Density level"] button ::-p-text(C)').click();
  expect(await undoes()).toBe('Undo: level');
  await waitSaved(page);
  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForSelector('#entry-L');
  expect(await undoes()).toBe('Undo: level');
  await page.locator('[aria-label=Undo]').click();
  expect(await undoes()).toBe('Undo: dimension L');
  await page.locator('[aria-label=Undo]').click();
  expect(await valueOf(page, '#entry-L')).toBe(before);
  await waitSaved(page);
  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForSelector('#entry-L');
  await page.locator('[aria-label=Redo]').click();
  expect(await valueOf(page, '#entry-L')).toBe('1.75±0.1');
  await waitSaved(page);
  expectNoFaults(page);
});

it('keeps a revision, locks the approved one, goes on, and brings it back', async () => {
  await page.keyboard.press('Escape');
  await page.keyboard.press('7');
  await page.locator('[aria-label="Note of the revision"]').fill('for the first board');
  await page.select('select[aria-label="State of the revision"]', 'approved');
  await page.locator('button ::-p-text(Keep revision 1)').click();
  await told('Revision 1 is approved and locked.');
  // what is approved is not changed, over a reload too
  await page.reload({ waitUntil: 'networkidle0' });
  await page.locator('[aria-label="Density level"] button ::-p-text(A)').click();
  await told('Not taken: revision 1 is approved');
  await page.locator('[role=alert] button ::-p-text(Go on with revision 2)').click();
  await gone('is approved and locked');
  await page.locator('[aria-label="Density level"] button ::-p-text(A)').click();
  await told('differs in level');
  await waitSaved(page);

  await page.hover('button[aria-label="Revision 1, approved"]');
  await page.waitForSelector('[role=tooltip]');
  expect(await page.$eval('[role=tooltip]', (tip) => tip.textContent)).toMatch(
    /for the first board.*Changed since: level\./,
  );
  await page.mouse.move(600, 500);
  await page.locator('button ::-p-text(Bring back)').click();
  await told('as it stands');
  expect(await page.$eval('[aria-label="Density level"] [aria-pressed=true]', (one) => one.textContent)).toBe(
    'B',
  );
  await page.select('select[aria-label="State of revision 1"]', 'withdrawn');
  await page.waitForSelector('button[aria-label="Revision 1, withdrawn"]');
  expectNoFaults(page);
});
