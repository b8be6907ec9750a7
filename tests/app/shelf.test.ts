import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { writeShelf } from '../../src/core/document/write';
import { DEMO_DOCUMENTS } from '../../src/demo/documents';
import { demoPatterns } from '../../src/demo/patterns';
import { chip, converter } from '../data/documents';
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

let browser: Browser;
let page: Page;
let saved: (name: RegExp) => Promise<string>;

beforeAll(async () => {
  browser = await launch();
  saved = await savedFiles(browser);
  page = await openPage(browser, server.url);
});
// a page that another one covers is not painted, and waits
beforeEach(() => page.bringToFront());
afterAll(() => browser.close());

const count = () =>
  page.$eval('header', (header) => /(\d+) of (\d+) footprint/.exec(header.textContent ?? '')?.[1] ?? '');
const until = (found: number, timeout = 30_000) =>
  page.waitForFunction(
    (n) => new RegExp(`(^|\\D)${n} of `).test(document.querySelector('header')?.textContent ?? ''),
    { timeout },
    found,
  );
const search = async (query: string) => {
  await page.focus('input[type=search]');
  await page.$eval('input[type=search]', (field) => (field as HTMLInputElement).select());
  await page.keyboard.type(query === '' ? ' ' : query);
};
/** Ticks all that are shown, in one go: rows come and go while the list settles. */
const tickAll = async () => {
  await page.$$eval('input[aria-label^="Select"]', (boxes) =>
    boxes.forEach((box) => (box as HTMLInputElement).click()),
  );
  await page.waitForSelector('[aria-label="Selected footprints"] option:nth-child(3)');
};
const bring = async (path: string) => {
  const files = (await page.waitForSelector(
    'input[aria-label="Files to import"]',
  )) as ElementHandle<HTMLInputElement>;
  await files.uploadFile(path);
};
const titles = () =>
  page.$$eval('main [role=listitem] a', (links) => links.map((link) => link.title.replace('Open ', '')));

/** Footprints of the demo: its parts, the header that a pattern came with, the patterns, and a variant. */
const DEMO = DEMO_DOCUMENTS.length + 1 + demoPatterns().length + 1;

describe('the Shelf as a library', () => {
  it('groups, tags and finds footprints, and takes a group out and back as a ZIP', async () => {
    await takeDemo(page);
    await page.waitForFunction(() => !document.querySelector('main [role=status]'));
    await page.locator('button ::-p-text(New group)').click();
    // a new group waits for its name, and keeps it when it is left
    await page.waitForFunction(
      () => document.activeElement?.getAttribute('aria-label') === 'Name of the group',
    );
    await page.keyboard.type('Connectors');
    await page.keyboard.press('Tab');
    await page.waitForSelector('nav button ::-p-text(Connectors)');
    await page.locator('nav button ::-p-text(Everything)').click();
    await search('header pins > 4 pins < 30');
    await until(4);
    await tickAll();
    const group = await page.$eval(
      'select[aria-label="Move to group"] option:nth-child(3)',
      (option) => (option as HTMLOptionElement).value,
    );
    await page.select('select[aria-label="Move to group"]', group);
    await retype(page, '[aria-label="Tag for the selected"]', 'Buoy');
    await page.keyboard.press('Enter');
    await page.waitForSelector('button[title="Take the tag buoy from the selected"]');
    await page.locator('button ::-p-text(Export as ZIP)').click();
    const zip = await saved(/\.zip$/);
    await page.locator('button ::-p-text(none)').click();
    await search('tag:buoy group:connectors');
    await until(4);

    // dragged out of it
    const [card, target] = [
      await page.waitForSelector('[role=listitem]:has(a[title="Open J3 sensor connector"])'),
      await page.waitForSelector('nav button ::-p-text(In no group)'),
    ];
    const drag = async () => {
      await card!.hover();
      await page.mouse.down();
      await target!.hover();
      await target!.hover();
      await page.mouse.up();
    };
    await drag();
    // a browser that has much to do can miss that the pointer moved
    await until(3, 5000).catch(drag);
    await until(3);

    const other = await browser.createBrowserContext();
    const fresh = await other.newPage();
    await fresh.goto(server.url, { waitUntil: 'networkidle0' });
    await (await fresh.waitForSelector('input[aria-label="Files to import"]'))!.uploadFile(zip);
    await fresh.waitForFunction(() => document.body.textContent?.includes('4 footprints added'));
    expect(await fresh.$eval('nav', (nav) => nav.textContent)).toContain('Connectors4');
    await other.close();
    expectNoFaults(page);
  });

  it('changes several at once, looked at before anything is written, and takes it back as one act', async () => {
    const told = (words: string) =>
      page.waitForFunction((text) => document.body.textContent?.includes(text), {}, words);
    await search('tag:buoy');
    await until(4);
    await tickAll();
    await page.select('select[aria-label="Process for the selected"]', 'kitchen-table');
    await told('4 footprints would change');
    const table = await page.$eval('dialog', (dialog) => dialog.textContent ?? '');
    expect(table).toMatch(/J3 sensor connector.*→/);
    expect(await page.$$eval('dialog tbody tr', (rows) => rows.length)).toBe(4);
    await page.locator('dialog button ::-p-text(Change 4 footprints)').click();
    await told('4 footprints now: ');
    await search('kitchen tag:buoy');
    await until(4);
    await page.locator('button ::-p-text(Take it back)').click();
    await told('4 footprints are as before.');
    await until(0);
    await page.locator('button ::-p-text(Close)').click();
    // checked as they are, with this version
    await page.locator('[role=toolbar] button ::-p-text(Check)').click();
    await told('4 footprints checked.');
    expect(await page.$eval('dialog', (dialog) => dialog.textContent)).toContain(
      'None comes out otherwise than with the version before.',
    );
    await page.locator('dialog button ::-p-text(Close)').click();
    await page.locator('[role=toolbar] button ::-p-text(none)').click();
    await search('');
    expectNoFaults(page);
  });

  it('makes a variant for hand etching that follows its original, and cuts it loose', async () => {
    const footprint = await openPage(browser, server.url);
    await openFootprint(footprint, 'C12 supply bypass');
    await footprint.keyboard.press('7');
    await footprint.locator('button ::-p-text(For hand etching)').click();
    await footprint.waitForFunction(() => document.title.startsWith('C12 supply bypass, hand etching'));
    // the bar comes once the store has told of the kin
    const says = (words: string) =>
      footprint.waitForFunction(
        (text) => document.querySelector('section[aria-label="Variants"]')?.textContent?.includes(text),
        {},
        words,
      );
    await says('Of its own:level ×process ×');
    // its original changes, and it follows
    await footprint.locator('section[aria-label="Variants"] a ::-p-text(C12 supply bypass)').click();
    await footprint.waitForFunction(() => document.title === 'C12 supply bypass · Measure · Tapis');
    await retype(footprint, '#entry-L', '2.1±0.2');
    await waitSaved(footprint);
    await footprint.locator('section[aria-label="Variants"] a ::-p-text(hand etching)').click();
    await footprint.waitForFunction(() => document.title.startsWith('C12 supply bypass, hand'));
    expect(await valueOf(footprint, '#entry-L')).toBe('2.1±0.2');
    await says('Its original changed: dimension L');
    await footprint.locator('button ::-p-text(Seen)').click();
    await footprint.waitForFunction(() => !document.body.textContent?.includes('Its original changed'));
    // what is its own can be given up
    await footprint.locator('button[title="Take level from the original again"]').click();
    await footprint.waitForFunction(() => !document.querySelector('button[title^="Take level"]'));
    await waitSaved(footprint);
    // deleting the original says what rests on it
    await footprint.goto(server.url, { waitUntil: 'networkidle0' });
    const card = '[role=listitem][aria-label="C12 supply bypass"]';
    await footprint.waitForSelector(card);
    await footprint.locator(`${card} button ::-p-text(Delete)`).click();
    await footprint.waitForFunction(() =>
      document.body.textContent?.includes('Its variant (C12 supply bypass, hand etching) stays'),
    );
    await footprint.locator('button ::-p-text(Put back)').click();
    await footprint.waitForSelector(card);
    await openFootprint(footprint, 'C12 supply bypass, hand etching');
    await footprint.locator('button ::-p-text(Cut loose)').click();
    await footprint.waitForFunction(() => !document.querySelector('section[aria-label="Variants"]'));
    await footprint.goto(server.url, { waitUntil: 'networkidle0' });
    await footprint
      .locator('[role=listitem][aria-label="C12 supply bypass, hand etching"] button ::-p-text(Delete)')
      .click();
    await footprint.waitForFunction(() => document.body.textContent?.includes('lies in the bin'));
    expectNoFaults(footprint);
    await footprint.close();
  });

  it('is backed up as one file, and comes back into an empty browser and into a filled one, with clashes asked', async () => {
    await page.locator('button ::-p-text(Back up)').click();
    const backup = await saved(/^tapis-backup-.*\.zip$/);
    const other = await browser.createBrowserContext();
    const fresh = await openPage(other, server.url);
    const restore = async () =>
      (await fresh.waitForSelector('input[aria-label="Files to import"]'))!.uploadFile(backup);
    const told = (words: string) =>
      fresh.waitForFunction((text) => document.body.textContent?.includes(text), {}, words);
    const all = DEMO;
    await restore();
    // one lies in the bin
    await told(`came ${all + 1} footprints`);
    await told('1 trial');
    await told(`${all} of ${all} footprints`);
    expect(await fresh.$eval('nav', (nav) => nav.textContent)).toContain('Connectors3');

    // one is changed here, and asked about
    await openFootprint(fresh, 'U4 tide converter');
    await retype(fresh, '[aria-label="Name of the footprint"]', 'U4 mine');
    await waitSaved(fresh);
    await fresh.goto(server.url, { waitUntil: 'networkidle0' });
    await restore();
    await fresh.waitForSelector('dialog[aria-label="Bringing a backup back"]');
    expect(await fresh.$eval('dialog', (dialog) => dialog.textContent)).toContain(
      `0 are not here, ${all} are here as there, and 1 thing differs`,
    );
    await fresh.select('select[aria-label="What to do with U4 mine"]', 'both');
    await fresh.locator('dialog button ::-p-text(Bring it back)').click();
    await told(`${all + 1} of ${all + 1} footprints`);
    await told('U4 tide converter (from the backup)');
    await told('U4 mine');
    expectNoFaults(fresh);
    await other.close();
  });

  it('keeps five thousand, and finds one of them by three figures', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'tapis-many-'));
    const many = Array.from({ length: 4999 }, (_, i) => ({ ...chip(), name: `R${i}`, notes: `copy ${i}` }));
    const path = join(folder, 'many.json');
    writeFileSync(path, writeShelf([{ ...converter(), name: 'the one' }, ...many]));
    await bring(path);
    await page.waitForFunction(() => document.body.textContent?.includes('5000 footprints added'));
    await search('pitch 0.65 pins = 16 5x4.4 the one');
    // it is read beside the page, and found once it is
    await page.waitForSelector('main [role=listitem] a[title="Open the one"]');
    await until(1);
    expect(await titles()).toEqual(['the one']);
    await search('the one height > 9');
    await page.waitForFunction(() => document.querySelector('main')?.textContent?.includes('height > 9 mm'));
    await until(0);
    await search('');
    await until(5000 + DEMO);
    // only what is near the window is on the page
    expect((await titles()).length).toBeLessThan(80);
    expect(await count()).toBe(String(5000 + DEMO));
    expectNoFaults(page);
  });
});
