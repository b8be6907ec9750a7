import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { launch, openFootprint, openPage, server, takeDemo, valueOf, waitSaved } from './harness';
import { serve } from './server';

let browser: Browser;
beforeAll(async () => {
  browser = await launch();
});
afterAll(() => browser.close());

it('works with its server gone: every place, 3D, files, edits', async () => {
  const own = await serve();
  const page = await openPage(browser, own.url, true);
  await takeDemo(page);
  await page.waitForFunction(() => navigator.serviceWorker.controller);
  own.end();
  await page.waitForFunction(
    (url) =>
      fetch(`${url}/api/v1/health`).then(
        () => false,
        () => true,
      ),
    {},
    own.url,
  );
  await page.reload({ waitUntil: 'networkidle0' });
  await openFootprint(page, 'U4 tide converter');
  await page.locator('#entry-D').click({ count: 3 });
  await page.keyboard.type('5.2..5.3');
  expect(await valueOf(page, '#entry-D')).toBe('5.2..5.3');
  await waitSaved(page);
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.keyboard.press('t');
  await page.waitForSelector('canvas');
  await page.keyboard.press('7');
  await page.waitForSelector('button[aria-label="Save IPC-2581"]');
  // straight to a place that this browser has not been at by its address
  await page.goto(page.url(), { waitUntil: 'networkidle0' });
  await page.waitForSelector('main h1');
  expect(await page.title()).toBe('U4 tide converter · Release · Tapis');
  await page.keyboard.press('1');
  await page.waitForSelector('#entry-D');
  expect(await valueOf(page, '#entry-D')).toBe('5.2..5.3');
  // a trial too, though nobody has been there yet
  await page.goto(`${own.url}/trials`, { waitUntil: 'networkidle0' });
  await page.locator('a[title="Open Tide-gauge logger board"]').click();
  await page.waitForSelector('section[aria-label=Sheet] svg .drawing');
  await page.keyboard.press('t');
  await page.waitForSelector('section[aria-label=Sheet] canvas');
  await page.close();
});

it('offers a newer build, and what was typed before it is loaded is there after', async () => {
  const context = await browser.createBrowserContext();
  const page = await openPage(context, server.url, true);
  await takeDemo(page);
  await page.waitForFunction(() => navigator.serviceWorker.controller);
  await openFootprint(page, 'U4 tide converter');
  // the same script under another address is another build to the browser
  await page.evaluate(async () => {
    await navigator.serviceWorker.register('/offline.js?newer', { scope: '/' });
  });
  const load = 'button ::-p-text(Load it)';
  await page.waitForSelector(load);
  await page.locator('#entry-D').click({ count: 3 });
  await page.keyboard.type('5.2..5.3');
  const again = page.waitForNavigation();
  await page.locator(load).click();
  await again;
  await page.waitForSelector('#entry-D');
  expect(await valueOf(page, '#entry-D')).toBe('5.2..5.3');
  expect(await page.$(load)).toBeNull();
  await context.close();
});

it('keeps all three columns at 150 % zoom: the Ledger is drawn out over the Sheet', async () => {
  const page = await openPage(browser, server.url);
  // what 1280 × 800 has to show at 150 %
  await page.setViewport({ width: 853, height: 533 });
  if (!(await page.$('main [role=listitem] a'))) await takeDemo(page);
  await openFootprint(page, 'U4 tide converter');
  const ledger = 'aside[aria-label="Ledger"]';
  const strip = 'button[aria-label^="Ledger:"]';
  await page.waitForSelector(strip);
  expect(await page.$(ledger)).toBeNull();
  const [sheet, over] = await page.evaluate(() => [
    document.querySelector('section[aria-label="Sheet"]')!.getBoundingClientRect().width,
    document.documentElement.scrollWidth - innerWidth,
  ]);
  expect(sheet).toBeGreaterThan(400);
  expect(over).toBe(0);
  // by its key, by its strip, and by a finding that is opened
  await page.keyboard.press('g');
  await page.waitForSelector(ledger);
  await page.locator(`${ledger} article button`).click();
  await page.keyboard.press('Escape');
  await page.waitForFunction((selector) => !document.querySelector(selector), {}, ledger);
  expect(await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))).toMatch(/^Ledger:/);
  await page.keyboard.press('x');
  await page.waitForSelector(ledger);
  await page.locator(strip).click();
  await page.waitForFunction((selector) => !document.querySelector(selector), {}, ledger);
  // wider again, it stands beside the Sheet
  await page.setViewport({ width: 1280, height: 800 });
  await page.waitForSelector(ledger);
  await page.close();
});
