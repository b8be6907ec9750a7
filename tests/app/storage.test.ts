import { readFileSync } from 'node:fs';
import { strFromU8, unzipSync } from 'fflate';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  expectNoFaults,
  launch,
  openFootprint,
  openPage,
  retype,
  savedFiles,
  server,
  takeDemo,
  valueOf,
  waitSaved,
} from './harness';

const alertOf = (page: Page) => page.waitForSelector('[role=alert]').then(() => alertText(page));
const alertText = (page: Page) =>
  page.$$eval('[role=alert]', (bars) => bars.map((bar) => bar.textContent).join(' | '));
const noAlert = (page: Page) => page.waitForFunction(() => !document.querySelector('[role=alert]'));
const names = (page: Page) =>
  page.$$eval('main [role=listitem] a p:first-child', (all) => all.map((n) => n.textContent));

/** Lets a page's storage refuse every write as a full disk does, or takes that back. */
function fill(page: Page, full: boolean): Promise<void> {
  return page.evaluate((refuse) => {
    const store = IDBObjectStore.prototype as IDBObjectStore & { kept?: Pick<IDBObjectStore, 'put' | 'add'> };
    store.kept ??= { put: store.put, add: store.add };
    const refused = () => {
      throw new DOMException('no room', 'QuotaExceededError');
    };
    Object.assign(store, refuse ? { put: refused, add: refused } : store.kept);
  }, full);
}

describe('trouble with storage', () => {
  let browser: Browser;
  beforeAll(async () => {
    browser = await launch();
  });
  afterAll(() => browser.close());

  it('where a browser keeps nothing: Tapis says so, works, and exports', async () => {
    const page = await browser.newPage();
    await page.evaluateOnNewDocument(() => Object.defineProperty(window, 'indexedDB', { value: undefined }));
    await page.goto(server.url, { waitUntil: 'networkidle0' });
    expect(await alertOf(page)).toMatch(/Nothing is kept when this page is closed: this browser is set to/);
    await takeDemo(page);
    await openFootprint(page, 'C12 supply bypass');
    await retype(page, '#entry-L', '1.7±0.1');
    await waitSaved(page);
    await page.locator('header a ::-p-text(Shelf)').click();
    await openFootprint(page, 'C12 supply bypass');
    expect(await valueOf(page, '#entry-L')).toBe('1.7±0.1');
    const saved = await savedFiles(browser);
    await page.locator('[role=alert] button ::-p-text(Back up)').click();
    const files = unzipSync(readFileSync(await saved(/^tapis-backup-.*\.zip$/)));
    expect(strFromU8(files['footprints/C12 supply bypass.tapis.json']!)).toContain('"L": "1.7±0.1"');
    await page.close({ runBeforeUnload: false });
  });

  it('where the disk is full: each wish is refused in words, and saving goes on when there is room', async () => {
    const page = await openPage(browser, server.url);
    await takeDemo(page);
    const before = await names(page);
    await fill(page, true);
    for (const wish of ['Duplicate', 'Delete']) {
      await page.locator(`main [role=listitem] button ::-p-text(${wish})`).click();
      expect(await alertOf(page)).toMatch(/was not possible: the disk, .* is full; make room/);
      await page.locator('[role=alert] button ::-p-text(Put away)').click();
      await noAlert(page);
    }
    expect(await names(page)).toEqual(before);

    await openFootprint(page, 'C12 supply bypass');
    await retype(page, '#entry-L', '1.7±0.1');
    expect(await alertOf(page)).toMatch(/^Not saved: the disk/);
    // the warning stays while the person goes on
    await retype(page, '#entry-W', '0.9±0.1');
    expect(await alertText(page)).toMatch(/^Not saved: the disk/);
    let held = false;
    page.once('dialog', (dialog) => {
      held = dialog.type() === 'beforeunload';
      void dialog.dismiss();
    });
    await page.close({ runBeforeUnload: true });
    await page.waitForFunction(() => true);
    expect(held).toBe(true);
    // the Bench can be left and opened again: its changes are with the tab, and nobody else has made any
    await page.locator('header a ::-p-text(Shelf)').click();
    await openFootprint(page, 'C12 supply bypass');
    expect(await valueOf(page, '#entry-W')).toBe('0.9±0.1');
    expect(await alertOf(page)).toMatch(/^Not saved: the disk/);
    await fill(page, false);
    await noAlert(page);
    await waitSaved(page);
    await page.reload({ waitUntil: 'networkidle0' });
    await page.waitForSelector('#entry-L');
    expect(await valueOf(page, '#entry-L')).toBe('1.7±0.1');
    expect(await valueOf(page, '#entry-W')).toBe('0.9±0.1');
    await page.close();
  });

  it('where another tab puts it into the bin, or removes it', async () => {
    const shelf = await openPage(browser, server.url);
    const bench = await openPage(browser, server.url);
    await openFootprint(bench, 'U4 tide converter');
    await shelf.bringToFront();
    const card = await shelf.waitForSelector('[role=listitem]:has(a[title="Open U4 tide converter"])');
    await card?.$eval('button:last-child', (button) => (button as HTMLButtonElement).click());
    await shelf.waitForFunction(() => !document.querySelector('a[title="Open U4 tide converter"]'));
    await bench.bringToFront();
    await retype(bench, '#entry-D', '5.2..5.3');
    expect(await alertOf(bench)).toContain('Another tab has put this footprint into the bin');
    await bench.locator('[role=alert] button').click();
    await noAlert(bench);
    await shelf.waitForSelector('a[title="Open U4 tide converter"]');
    expectNoFaults(bench);
    await shelf.close();
    await bench.close();
  });

  it('where a page is loaded again during a conflict: both sides are kept', async () => {
    const one = await openPage(browser, server.url);
    await openFootprint(one, 'C12 supply bypass');
    const two = await openPage(browser, one.url());
    await two.waitForSelector('#entry-L');
    await one.bringToFront();
    await retype(one, '#entry-L', '1.75±0.1');
    await waitSaved(one);
    await two.evaluate(() =>
      Object.defineProperty(document, 'visibilityState', { value: 'hidden', configurable: true }),
    );
    await two.bringToFront();
    await retype(two, '#entry-W', '0.95±0.1');
    expect(await alertOf(two)).toContain('Another tab has saved');
    two.on('dialog', (dialog) => void dialog.accept());
    await two.reload({ waitUntil: 'networkidle0' });
    expect(await alertOf(two)).toContain('Another tab has saved');
    expect(await valueOf(two, '#entry-W')).toBe('0.95±0.1');
    await two.locator('button ::-p-text(Keep both)').click();
    await noAlert(two);
    expect(await valueOf(two, '#entry-L')).toBe('1.75±0.1');
    const shelf = await openPage(browser, server.url);
    expect(await names(shelf)).toContain('C12 supply bypass (my tab)');
    for (const page of [one, two, shelf]) await page.close();
  });

  it('where room gets scarce, and where nothing was backed up for long: it is said before anything is lost', async () => {
    const context = await browser.createBrowserContext();
    const page = await openPage(context, server.url);
    await takeDemo(page);
    const scarce = await page.evaluateOnNewDocument(() => {
      navigator.storage.estimate = () => Promise.resolve({ usage: 36e6, quota: 40e6 });
    });
    await page.reload({ waitUntil: 'networkidle0' });
    expect(await alertOf(page)).toMatch(/nearly full: 36 MB of 40 MB. Back up/);
    await page.locator('[role=alert] button ::-p-text(Show the bin)').click();
    await page.waitForSelector('section[aria-label=Bin]');

    await page.removeScriptToEvaluateOnNewDocument(scarce.identifier);
    const ago = Date.now() - 40 * 86_400_000;
    await page.evaluate((then) => localStorage.setItem('tapis-first-seen', String(then)), ago);
    await page.evaluateOnNewDocument(() => {
      navigator.storage.persisted = () => Promise.resolve(false);
      navigator.storage.persist = () => Promise.resolve(false);
    });
    await page.reload({ waitUntil: 'networkidle0' });
    const note = await page.waitForSelector('[role=note] ::-p-text(Nothing here was ever backed up)');
    expect(note).not.toBeNull();
    await page.locator('[role=note] button ::-p-text(Back up)').click();
    await page.waitForFunction(() => !document.querySelector('[role=note]'));
    await page.reload({ waitUntil: 'networkidle0' });
    await page.waitForSelector('main [role=listitem]');
    expect(await page.$('[role=note]')).toBeNull();
    expectNoFaults(page);
    await context.close();
  });
});
