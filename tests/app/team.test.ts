import { readFileSync } from 'node:fs';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { readTeam } from '../../src/core/document/read-team';
import { openKey } from '../../src/kernel/sign';
import { verifyRelease } from '../../src/kernel/verify';
import {
  columnOf,
  expectNoFaults,
  openDemo,
  openFootprint,
  retype,
  savedFiles,
  server,
  waitSaved,
} from './harness';

let browser: Browser;
let page: Page;

beforeAll(async () => ({ browser, page } = await openDemo()));
afterAll(() => browser.close());
const { press, until } = columnOf(() => page);

it('approves a footprint with a key of one’s own, says when it changed since, and signs a release', async () => {
  await openFootprint(page, 'U4 tide converter');
  await page.keyboard.press('7');
  await until('Nobody has approved it yet');
  await page.locator('main summary ::-p-text(Keys: you have none)').click();
  await page.type('[aria-label="Whose key it is"]', 'K. Lund');
  await page.keyboard.press('Enter');
  await press('Approve as K. Lund');
  await until('UTC: holds');
  await page.locator('[aria-label="Density level"] button ::-p-text(A)').click();
  await until('what was approved has been changed since');
  await page.locator('[aria-label="Density level"] button ::-p-text(B)').click();
  await until('UTC: holds');
  await waitSaved(page);
  await page.reload({ waitUntil: 'networkidle0' });
  await until('UTC: holds');

  // the same key and the same words at the terminal
  const saved = await savedFiles(browser);
  await page.locator('main summary ::-p-text(Keys: yours)').click();
  await press('Save the team’s keys');
  const team = readTeam(readFileSync(await saved(/^team\.json$/), 'utf8'));
  if (!team.ok) throw new Error('the keys of the team cannot be read');
  await page.type('[aria-label="Approvals"] input[type=password]', 'two tides a day');
  await press('Save my key');
  const key = readFileSync(await saved(/key\.json$/), 'utf8');
  expect((await openKey(key, 'two tides')).ok).toBe(false);
  const opened = await openKey(key, 'two tides a day');
  expect(opened.ok && [opened.value.name, opened.value.key]).toEqual(['K. Lund', team.value[0]?.key]);
  await press('Make the release');
  const zip = new Uint8Array(readFileSync(await saved(/\.zip$/)));
  const verified = await verifyRelease('r.zip', zip, team.value);
  expect(verified.map(({ standing }) => standing)).toEqual(expect.arrayContaining(['holds']));
  expect(verified.every(({ holds }) => holds)).toBe(true);
  expect((await verifyRelease('r.zip', zip, null)).map(({ standing }) => standing)).toContain('unknown key');
  expectNoFaults(page);
});

it('sends a footprint as a link: looked at, held against another, put on the Shelf', async () => {
  await page.evaluate(() => {
    navigator.clipboard.writeText = (text) => {
      document.body.dataset['copied'] = text;
      return Promise.resolve();
    };
  });
  await press('Copy link');
  await until('The link is copied');
  const link = await page.$eval('body', ({ dataset }) => dataset['copied'] ?? '');
  expect(link.length).toBeLessThan(3000);
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  await page.goto('about:blank');
  await page.goto(link, { waitUntil: 'networkidle0' });
  await page.waitForSelector('[aria-label="From a link"]');
  // what stands behind the # stays in the browser
  const payload = new URL(link).hash.slice(1, 40);
  expect(asked.filter((url) => url.split('#')[0]?.includes(payload))).toEqual([]);
  // it is looked at, and not changed
  await page.waitForSelector('section[aria-label="Sheet"] svg');
  await retype(page, '#entry-E', '6.0..6.4');
  await page.waitForFunction(() =>
    document.body.innerText.includes('came by a link and stays as it was sent'),
  );
  const names = () => page.$$eval('main [role=listitem]', (cards) => cards.length);
  const mine = await page.$$eval('[aria-label="Hold against one of mine"] option', (options) =>
    options.slice(0, 2).map(({ textContent, value }) => [textContent, value]),
  );
  expect(mine[1]?.[0]).toBe('U4 tide converter');
  await page.select('[aria-label="Hold against one of mine"]', mine[1]?.[1] ?? '');
  await page.waitForFunction(() => document.body.innerText.includes('The copper is the same.'));
  await page.goBack();
  await page.waitForSelector('[aria-label="From a link"]');
  await page.locator('[aria-label="From a link"] button').click();
  await page.waitForFunction(() => !document.querySelector('[aria-label="From a link"]'));
  await retype(page, '#entry-E', '6.0..6.4');
  await waitSaved(page);
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await page.waitForFunction(
    () =>
      [...document.querySelectorAll('main [role=listitem]')].filter((card) =>
        card.textContent.includes('U4 tide converter'),
      ).length >= 2,
  );
  expect(await names()).toBeGreaterThan(1);
  // the Shelf says who stands for which, and what was changed since
  await page.waitForFunction(() => {
    const said = [...document.querySelectorAll('main [role=listitem]')].map((card) => card.textContent);
    return (
      said.some((text) => text.includes('✓ approved by K. Lund, ')) &&
      said.some((text) => /▲ approved by K\. Lund.*has been changed since/.test(text))
    );
  });
  await retype(page, 'input[aria-label="Search the Shelf"]', 'approved');
  await page.waitForFunction(() => document.querySelectorAll('main [role=listitem]').length === 1);
  // what is cut off is said
  await page.goto(link.slice(0, -20), { waitUntil: 'networkidle0' });
  await page.waitForFunction(() => document.body.innerText.includes('The link is damaged'));
  expectNoFaults(page);
});
