import type { Browser, KeyInput, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  downloadsOf,
  drawingOf,
  expectNoFaults,
  launch,
  openPage,
  summaryOf,
  server,
  valueOf,
  waitSaved,
  retype,
} from './harness';

let browser: Browser;
let page: Page;
let saved: (name: RegExp) => Promise<string>;

beforeAll(async () => {
  browser = await launch();
  saved = await downloadsOf(browser);
  page = await openPage(browser, server.url);
});
afterAll(() => browser.close());

const focused = () =>
  page.evaluate(() => {
    const element = document.activeElement;
    return element === document.body
      ? ''
      : element?.getAttribute('aria-label') || element?.textContent || element?.id || '';
  });
const lands = () => page.$$eval('caption + thead + tbody tr', (rows) => rows.length);

/** Presses Tab until the focused control's text or id holds the words. */
async function tabTo(words: string): Promise<void> {
  for (let i = 0; i < 60; i += 1) {
    if ((await focused()).includes(words)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`“${words}” cannot be reached with Tab`);
}

async function press(...keys: KeyInput[]): Promise<void> {
  for (const key of keys) await page.keyboard.press(key);
}

/** Leaves the field with Escape and presses a stage's digit. */
async function stage(digit: KeyInput): Promise<void> {
  if ((await focused()) !== '') await press('Escape');
  await press(digit);
  await page.waitForSelector('main h1');
}

describe('a sixteen-lead datasheet, from the keyboard alone', () => {
  it('starts with its first number', async () => {
    await tabTo('Choose the package');
    await press('Enter');
    await page.keyboard.type('two rows 16');
    await Promise.all([page.waitForNavigation(), press('Enter')]);
    await page.waitForSelector('section[aria-label="Sheet"] svg');
    expect(await focused()).toBe('entry-n');
    expect(await page.$eval('section[aria-label="Sheet"] [role=status]', (e) => e.textContent)).toContain(
      'example values for n, e, E',
    );
  });

  it('is drawn while it is typed', async () => {
    await page.keyboard.type('16');
    await press('Tab');
    await page.keyboard.type('1.27');
    // the drawing follows at once, with example values for the rest
    expect(await drawingOf(page)).toContain('SOIC127P640X120-16N');
    await press('Enter');
    await page.keyboard.type('10.0..10.6');
    expect(await drawingOf(page)).toContain('SOIC127P1030X120-16N');
    for (const text of ['7.4..7.6', '10.1..10.5', '1.3..1.5']) {
      await press('Enter');
      await page.keyboard.type(text);
    }
    await press('Enter', 'Enter');
    for (const text of ['0.31..0.51', '0.20..0.33', 'max 2.65', '0.1..0.3']) {
      await page.keyboard.type(text);
      await press('Enter');
    }
    expect(await drawingOf(page)).toContain('SOIC127P1030X265-16N');
    await stage('3');
    expect(await lands()).toBe(16);
    await stage('1');
  });

  it('keeps the last good drawing while an entry cannot be read, and Escape restores it', async () => {
    await tabTo('entry-E');
    await page.keyboard.type('10.0..');
    expect(await page.$eval('#note-E', (e) => e.textContent)).toContain('At character 7 the entry ends');
    // “10.0” was the last that could be read
    expect(await drawingOf(page)).toContain('SOIC127P1000X265-16N');
    await press('Escape');
    expect(await valueOf(page, '#entry-E')).toBe('10.0..10.6');
    expect(await page.$('#note-E')).toBeNull();
    expect(await drawingOf(page)).toContain('SOIC127P1030X265-16N');
  });

  it('takes the datasheet’s own label, by arrow keys', async () => {
    await tabTo('entry-E');
    await press('End', 'ArrowRight');
    expect(await focused()).toContain('label for Lead span');
    await page.keyboard.type('H');
    await press('ArrowUp', 'ArrowLeft', 'ArrowDown');
    expect(await focused()).toBe('entry-E');
    expect(await valueOf(page, 'input[data-label="E"]')).toBe('H');
  });

  it('finds the whole lead entered as the foot; its remedy mends it', async () => {
    // overhang (10.3 − 7.5)/2 = 1.40
    expect(await summaryOf(page)).toContain('1 caution');
    const finding = await page.$eval('main article', (e) => e.textContent);
    expect(finding).toContain('Foot length L 1.40 mm fills 100 % of the overhang (E − E1)/2 = 1.40 mm');
    await tabTo('“1.3..1.5” is the lead L1');
    expect(await page.$eval('main article [role=status]', (e) => e.textContent)).toContain('1 → 0 open');
    await press('Enter');
    expect(await summaryOf(page)).toMatch(/^\d+ held$/);
    expect(await valueOf(page, '#entry-L')).toBe('0.65..1.05mm');
    expect(await valueOf(page, '#entry-L1')).toBe('1.3..1.5');
  });

  it('undoes and redoes, in a field or out of it', async () => {
    await page.keyboard.down('Control');
    await press('z');
    await page.keyboard.up('Control');
    expect(await valueOf(page, '#entry-L')).toBe('1.3..1.5');
    await page.keyboard.down('Control');
    await page.keyboard.down('Shift');
    await press('z');
    await page.keyboard.up('Shift');
    await page.keyboard.up('Control');
    expect(await valueOf(page, '#entry-L')).toBe('0.65..1.05mm');
  });

  it('is handed over in every format', async () => {
    await stage('7');
    await page.waitForSelector('button[aria-label="Save IPC-2581"]');
    for (const title of ['Tapis document', 'Plan drawing', 'Pad table', 'IPC-2581']) {
      await tabTo(`Save ${title}`);
      await press('Enter');
    }
    const document = JSON.parse(await saved(/\.tapis\.json$/)) as {
      package: { dimensions: Record<string, unknown> };
    };
    expect(document.package.dimensions['E']).toEqual({ text: '10.0..10.6', label: 'H' });
    expect((await saved(/\.csv$/)).split('\r\n')).toHaveLength(18);
    expect(await saved(/\.svg$/)).toContain('SOIC127P1030X265-16N');
    expect(await saved(/\.ipc2581\.xml$/)).toContain('<PadStackDef name="r');
  });

  it('is all there after a reload', async () => {
    await waitSaved(page);
    await page.reload({ waitUntil: 'networkidle0' });
    await page.waitForSelector('section[aria-label="Sheet"] svg');
    expect(await drawingOf(page)).toContain('SOIC127P1030X265-16N');
    // the stage is part of the address
    expect(await page.$eval('main', (main) => main.ariaLabel)).toBe('release');
    await page.keyboard.press('1');
    await page.waitForSelector('#entry-b');
    expect(await valueOf(page, '#entry-b')).toBe('0.31..0.51');
    expect(await valueOf(page, '#entry-L1')).toBe('1.3..1.5');
    expectNoFaults(page);
  });

  it('takes a second source onto the same lands, and holds every rule against it', async () => {
    const ledger = (words: string) =>
      page.waitForFunction(
        (text) => document.querySelector('[aria-label=Ledger]')?.textContent?.includes(text),
        {},
        words,
      );
    const before = await drawingOf(page);
    await page.locator('main button ::-p-text(Add a second source)').click();
    await retype(page, '[aria-label="Name of Second source 1"]', 'KM-16 sheet');
    await press('Tab');
    await retype(page, '[aria-label="KM-16 sheet, Lead span E"]', '10.6..11.2');
    await press('Tab');
    await ledger('KM-16 sheet: Joint misses the goals of its level');
    await retype(page, '[aria-label="KM-16 sheet, Leads n"]', '14');
    await press('Tab');
    await ledger('KM-16 sheet has 14 terminals, and there are 16 lands');
    expect(await drawingOf(page)).toBe(before);
    await waitSaved(page);
    await page.reload({ waitUntil: 'networkidle0' });
    await ledger('KM-16 sheet has 14 terminals');
    await page.locator('main button ::-p-text(Remove this source)').click();
    await page.waitForFunction(
      () => !document.querySelector('[aria-label=Ledger]')?.textContent?.includes('KM-16'),
    );
    expectNoFaults(page);
  });
});
