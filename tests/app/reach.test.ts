import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { AxeResults } from 'axe-core';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
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

/** A table of a data sheet, to be read. */
const TABLE =
  'Symbol Min Max\nE 5.80 6.20\nE1 3.80 4.00\nD 9.80 10.00\nL 0.40 0.90\nb 0.31 0.51\nA 1.35 1.75\ne 1.27 BSC';

describe('assistive technology finds its way', () => {
  const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

  async function violations(page: Page): Promise<string[]> {
    await page.evaluate(axe);
    const found = (await page.evaluate('axe.run(document, { resultTypes: ["violations"] })')) as AxeResults;
    return found.violations.flatMap(({ id, nodes }) =>
      nodes.map(({ html }) => `${id}: ${html.slice(0, 200)}`),
    );
  }

  it('in every place and stage, in both themes', async () => {
    const page = await browser.newPage();
    // the examiner is a script of its own
    await page.setBypassCSP(true);
    await page.goto(server.url, { waitUntil: 'networkidle0' });
    const found: Record<string, string[]> = {};
    const look = async (place: string) => {
      await page.waitForSelector('main');
      await page.waitForSelector('h1');
      const all = await violations(page);
      if (all.length > 0) found[place] = all;
    };
    await look('empty Shelf');
    await takeDemo(page);
    await look('Shelf');
    await page.locator('button ::-p-text(New footprint)').click();
    await page.waitForSelector('dialog[open]');
    await look('gallery');
    await page.keyboard.press('Escape');
    await openFootprint(page, 'J4 sensor connector, maker’s model');
    for (const theme of ['paper', 'lamp']) {
      for (const stage of ['1', '2', '3', '4', '5', '6', '7'] as const) {
        await page.keyboard.press(stage);
        await look(`stage ${stage}, ${theme}`);
      }
      await page.keyboard.press('l');
    }
    await page.keyboard.press('3');
    await page.waitForSelector('[aria-label="Mask margin"]');
    await page.type('[aria-label="Mask margin"]', 'x');
    await page.waitForSelector('[aria-label="Mask margin"][aria-invalid=true]');
    await look('a field that cannot be used');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await page.keyboard.press('o');
    await look('bringing a datasheet');
    await page.type('[aria-label="Datasheet"] textarea', TABLE);
    await page.locator('[aria-label="Datasheet"] ::-p-text(Read this table)').click();
    await page.waitForSelector('tr[data-symbol]');
    await look('reading a datasheet');
    await page.keyboard.press('Escape');
    await page.keyboard.press('k');
    await page.waitForSelector('dialog[open]');
    await look('commands');
    await page.keyboard.press('Escape');
    await page.keyboard.press('F1');
    await page.waitForSelector('dialog[open] #help-title');
    await look('help');
    await page.keyboard.press('Escape');
    const [, , id] = new URL(page.url()).pathname.split('/');
    await page.goto(`${server.url}/side-by-side/${id}/${id}~level%3DC`, { waitUntil: 'networkidle0' });
    await look('side by side');
    await goToOpinion(page);
    await look('second opinion');
    await takeTable(page);
    await look('taking patterns in');
    await page.goto(`${server.url}/processes`, { waitUntil: 'networkidle0' });
    await look('Processes');
    await page.goto(`${server.url}/trials`, { waitUntil: 'networkidle0' });
    await look('Trials');
    await openTrial(page);
    await look('Trial');
    await page.locator('button ::-p-text(Hand over)').click();
    await page.waitForSelector('section[aria-label="Hand over"] li:nth-child(8)');
    await look('handing a board over');
    await page.goto(`${server.url}/none`, { waitUntil: 'networkidle0' });
    await look('no such page');
    expect(found).toEqual({});
    await page.close();
  });
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

/** A pattern of the demo against its package. */
async function goToOpinion(page: Page): Promise<void> {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'U2 from an old board');
  await page.waitForSelector('[aria-label="Second opinion"] a');
  await page.locator('[aria-label="Second opinion"] ::-p-text(second opinion)').click();
  await page.waitForSelector('[aria-label="Every land"]');
}

/** The board of the demo, with a part selected. */
async function openTrial(page: Page): Promise<void> {
  await page.goto(`${server.url}/trials`, { waitUntil: 'networkidle0' });
  await page.locator('a[title="Open Tide-gauge logger board"]').click();
  await page.waitForSelector('section[aria-label=Sheet] svg .drawing');
  await page.locator('ul[aria-label="Parts on the board"] button ::-p-text(U4)').click();
  await page.waitForSelector('ul[aria-label="What can stand in its place"]');
}

/** A pad table that waits on the Shelf to be taken in. */
async function takeTable(page: Page): Promise<void> {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  const path = join(mkdtempSync(join(tmpdir(), 'tapis-reach-')), 'lands.csv');
  writeFileSync(path, 'pad,x,y,length,width\n1,-1,0,1,0.6\n2,1,0,1,0.6\n');
  await (await page.$('input[aria-label="Files to import"]'))!.uploadFile(path);
  await page.waitForSelector('dialog[open] li');
}

describe('no text is cut', () => {
  /** Texts, chosen entries and placeholders that are wider than the room they have, and columns that scroll sideways. */
  const cut = (page: Page) =>
    page.evaluate(() => {
      const pen = document.createElement('canvas').getContext('2d') as CanvasRenderingContext2D;
      return [...document.querySelectorAll<HTMLElement>('body *')].flatMap((element) => {
        if (element.closest('svg, .sr-only') || !element.offsetParent) return [];
        const style = getComputedStyle(element);
        const room = element.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight);
        const fits = (text: string) => {
          // the shorthand is empty where figures are tabular
          pen.font = `${style.fontWeight} ${style.fontSize} ${style.fontFamily}`;
          return pen.measureText(text).width <= room + 1;
        };
        if (element instanceof HTMLSelectElement) {
          const text = element.selectedOptions[0]?.textContent ?? '';
          return fits(text) ? [] : [`list: ${text}`];
        }
        if (element instanceof HTMLInputElement) {
          if (element.type !== 'text' && element.type !== 'search') return [];
          if (element.value)
            return element.scrollWidth > element.clientWidth + 1 ? [`field: ${element.value}`] : [];
          return fits(element.placeholder) ? [] : [`placeholder: ${element.placeholder}`];
        }
        if (element.scrollWidth <= element.clientWidth + 1 || style.overflowX === 'visible') return [];
        const scrolls = style.overflowX === 'auto' || style.overflowX === 'scroll';
        const speaks = [...element.childNodes].some(
          (node) => node.nodeType === 3 && node.textContent?.trim(),
        );
        return scrolls || speaks
          ? [`${scrolls ? 'scrolls' : 'text'}: ${element.textContent?.slice(0, 60)}`]
          : [];
      });
    });

  it.each([1024, 1280, 1600])('at %i px, in every place and stage', async (width) => {
    const page = await openPage(browser, server.url);
    await page.setViewport({ width, height: 800 });
    if (!(await page.$('main [role=listitem] a'))) await takeDemo(page);
    const found: Record<string, string[]> = {};
    const look = async (place: string) => {
      await page.waitForSelector('main');
      await page.waitForSelector('h1');
      const all = await cut(page);
      if (all.length > 0) found[place] = all;
    };
    await look('Shelf');
    await goToOpinion(page);
    await look('second opinion');
    await openTrial(page);
    await look('Trial');
    await takeTable(page);
    await look('taking patterns in');
    await page.keyboard.press('Escape');
    for (const name of [
      'J3 sensor connector',
      'R3 shunt, typical values only',
      'J4 sensor connector, maker’s model',
    ]) {
      await page.goto(server.url, { waitUntil: 'networkidle0' });
      await openFootprint(page, name);
      for (const stage of ['1', '2', '3', '4', '5', '6', '7'] as const) {
        await page.keyboard.press(stage);
        await look(`${name}, stage ${stage}`);
      }
      await page.keyboard.press('o');
      await page.waitForSelector('[aria-label="Datasheet"] textarea');
      await page.type('[aria-label="Datasheet"] textarea', TABLE);
      await page.locator('[aria-label="Datasheet"] ::-p-text(Read this table)').click();
      await page.waitForFunction(
        () => document.querySelector('[aria-label="What was understood"]')?.textContent !== 'Reading',
      );
      await look(`${name}, datasheet`);
    }
    expect(found).toEqual({});
    await page.close();
  });
});
