import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, it } from 'vitest';
import { expectNoFaults, openDemo, openFootprint, server } from './harness';

let browser: Browser;
let page: Page;

beforeAll(async () => ({ browser, page } = await openDemo()));
afterAll(() => browser.close());

const TOE = 'Gull wing, pitch above 0.625 mm: toe, level B';
const says = (part: string, words: string) =>
  page.waitForFunction(
    (selector, text) => document.querySelector(selector)?.textContent?.includes(text),
    {},
    part,
    words,
  );
const type = async (label: string, text: string) => {
  const field = await page.waitForSelector(`input[aria-label="${label}"]`);
  await field?.click({ count: 3 });
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
};
const press = (words: string) =>
  page.locator(`::-p-xpath(//button[starts-with(normalize-space(), "${words}")])`).click();

it('changes the toe of gull wings at its dimension line, and shows at once what that does', async () => {
  await page.goto(`${server.url}/standards`);
  await press('New standard');
  await type('Name of the standard', 'HS-STD-12');
  // what cannot be meant is told in place, and not taken
  await type(TOE, '9');
  await page.waitForSelector('[role=alert]');
  await type(TOE, '0.45');
  await type(`Clause of ${TOE}`, '4.3');
  await type(`Reason of ${TOE}`, 'Fillets seen from above.');
  const sample = await page.waitForSelector('select[aria-label="Sample part"]');
  const id = await sample?.evaluate(
    (select) =>
      [...(select as HTMLSelectElement).options].find(({ text }) => text === 'U4 tide converter')?.value,
  );
  await page.select('select[aria-label="Sample part"]', id ?? '');
  await says('aside[aria-label="What it does"]', 'outer distance 7.35 → 7.55 mm');
});

it('shows what it would do to the whole Shelf, takes it, and is cited on the Bench', async () => {
  await press('Look at');
  await says('dialog[open]', 'would change. Nothing is written yet.');
  await press('Change ');
  await page.waitForFunction(() => !document.querySelector('dialog[open]'));
  await page.goto(server.url);
  await openFootprint(page, 'U4 tide converter');
  await page.keyboard.press('2');
  await says('body', 'HS-STD-12');
  await page.locator('button[title="Why is Z this long at level B?"]').click();
  await says('body', 'HS-STD-12 clause 4.3, over 0.35 as published: Fillets seen from above.');
});

it('offers a newer edition where one is kept, and is taken back by undo', async () => {
  await page.goto(`${server.url}/standards#house-1`);
  await type('Version of the standard', '2');
  await type(TOE, '0.5');
  await page.waitForFunction(() => document.body.textContent?.includes('saved'));
  await page.goto(server.url);
  await openFootprint(page, 'U4 tide converter');
  await page.keyboard.press('2');
  await press('Take version 2');
  await says('body', '7.60');
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await says('body', '7.55');
  await page.select('select[aria-label="House standard"]', '');
  await says('body', '7.35');
  expectNoFaults(page);
});
