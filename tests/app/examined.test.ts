import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { AxeResults } from 'axe-core';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { launchWhole, openFootprint, openPage, server, takeDemo } from './harness';

// Every place is gone through once by who cannot see it, and once for texts that are cut.

let browser: Browser;
beforeAll(async () => {
  browser = await launchWhole();
});
afterAll(() => browser.close());

/** A table of a data sheet, to be read. */
const TABLE =
  'Symbol Min Max\nE 5.80 6.20\nE1 3.80 4.00\nD 9.80 10.00\nL 0.40 0.90\nb 0.31 0.51\nA 1.35 1.75\ne 1.27 BSC';

describe('assistive technology finds its way', () => {
  const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

  /** Themes in which the drawing was looked at: it is the same one at every stage, and has the most to look at. */
  const drawn = new Set<string>();

  async function violations(page: Page, only = ''): Promise<string[]> {
    await page.evaluate(axe);
    // what fades in has its colours when it is there
    await page.evaluate(() => {
      for (const animation of document.getAnimations())
        if (animation.effect?.getComputedTiming().iterations !== Infinity) animation.finish();
    });
    const options = { resultTypes: ['violations'], ...(only ? { runOnly: [only] } : {}) };
    const isDrawn = (await page.$('section[aria-label=Sheet] svg')) !== null;
    const left = isDrawn && drawn.has(only) ? ['section[aria-label=Sheet] svg'] : ['x-none'];
    if (isDrawn) drawn.add(only);
    const found = (await page.evaluate(
      `axe.run({ include: [['html']], exclude: [${JSON.stringify(left)}] }, ${JSON.stringify(options)})`,
    )) as AxeResults;
    return found.violations.flatMap(({ id, nodes }) =>
      nodes.map(({ html }) => `${id}: ${html.slice(0, 200)}`),
    );
  }

  let page: Page;
  let found: Record<string, string[]> = {};
  const look = async (place: string, only?: string) => {
    await page.waitForSelector('main');
    await page.waitForSelector('h1');
    const all = await violations(page, only);
    if (all.length > 0) found[place] = all;
  };
  beforeAll(async () => {
    page = await browser.newPage();
    page.setDefaultTimeout(200_000);
    // the examiner is a script of its own
    await page.setBypassCSP(true);
    await page.goto(server.url, { waitUntil: 'networkidle0' });
  });
  beforeEach(() => void (found = {}));
  afterEach(() => expect(found).toEqual({}));
  afterAll(() => page.close());

  it('on the Shelf, when it is empty too', async () => {
    await look('empty Shelf');
    await takeDemo(page);
    await look('Shelf');
    await page.locator('button ::-p-text(New footprint)').click();
    await page.waitForSelector('dialog[open]');
    await look('gallery');
    await page.keyboard.press('Escape');
  });

  it('at every stage, in both themes', async () => {
    await openFootprint(page, 'J4 sensor connector, maker’s model');
    for (const theme of ['paper', 'lamp']) {
      for (const stage of ['1', '2', '3', '4', '5', '6', '7'] as const) {
        await page.keyboard.press(stage);
        // a theme is colours
        await look(`stage ${stage}, ${theme}`, theme === 'lamp' ? 'color-contrast' : undefined);
      }
      await page.keyboard.press('l');
    }
  });

  it('in fields, panels and dialogs of the Bench', async () => {
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
    await page.locator('dialog[open] button ::-p-text(Take the tour)').click();
    await page.waitForSelector('[aria-label=Tour] h2');
    await look('the tour');
    await page.locator('[aria-label=Tour] button ::-p-text(Leave)').click();
    const [, , id] = new URL(page.url()).pathname.split('/');
    await page.goto(`${server.url}/side-by-side/${id}/${id}~level%3DC`, { waitUntil: 'networkidle0' });
    await look('side by side');
    await goToOpinion(page);
    await look('second opinion');
    await takeTable(page);
    await look('taking patterns in');
  });

  it('in processes and standards', async () => {
    await page.goto(`${server.url}/processes`, { waitUntil: 'networkidle0' });
    await look('Processes');
    await page.goto(`${server.url}/standards`, { waitUntil: 'networkidle0' });
    await look('Standards, as published');
    await page.locator('button ::-p-text(New standard)').click();
    await page.waitForSelector('input[aria-label="Name of the standard"]');
    await look('a house standard');
    for (const chapter of ['Padstacks', 'How grave the rules are']) {
      await page.locator(`button ::-p-text(${chapter})`).click();
      await look(`a house standard, ${chapter}`);
    }
  });

  it('on a board, in the documentation and in the folder', async () => {
    await page.goto(`${server.url}/trials`, { waitUntil: 'networkidle0' });
    await look('Trials');
    await openTrial(page);
    await look('Trial');
    await page.locator('button ::-p-text(Hand over)').click();
    await page.waitForSelector('section[aria-label="Hand over"] li:nth-child(8)');
    await look('handing a board over');
    await page.goto(`${server.url}/none`, { waitUntil: 'networkidle0' });
    await look('no such page');
    await page.goto(`${server.url}/docs/house-standard`, { waitUntil: 'networkidle0' });
    await look('documentation');
    await page.goto(`${server.url}/folder`, { waitUntil: 'networkidle0' });
    await look('the folder');
  });
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
  await (await page.waitForSelector('input[aria-label="Files to import"]'))!.uploadFile(path);
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

  it('at 1024, 1280 and 1600 px, in every place and stage', async () => {
    const page = await openPage(browser, server.url);
    await takeDemo(page);
    const found: Record<string, string[]> = {};
    const look = async (place: string) => {
      await page.waitForSelector('main');
      await page.waitForSelector('h1');
      for (const width of [1024, 1280, 1600]) {
        await page.setViewport({ width, height: 800 });
        // what depends on the width is laid out anew
        await page.evaluate(
          () => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))),
        );
        const all = await cut(page);
        if (all.length > 0) found[`${place}, ${width} px`] = all;
      }
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
