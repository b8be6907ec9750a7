import { unzipSync } from 'fflate';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  expectNoFaults,
  launch,
  openFootprint,
  openPage,
  savedFiles,
  server,
  summaryOf,
  takeDemo,
} from './harness';

let browser: Browser;
beforeAll(async () => {
  browser = await launch();
});
afterAll(() => browser.close());

const folder = mkdtempSync(join(tmpdir(), 'tapis-patterns-'));
const given = (name: string): string => fileURLToPath(new URL(`../data/given/${name}`, import.meta.url));

/** Eight lands of a small outline at 1.25 in place of 1.27, counted from below. */
function wrongPattern(): string {
  const rows = Array.from({ length: 8 }, (_, i) => {
    const left = i < 4;
    return [8 - i, left ? -2.65 : 2.65, ((1.5 - (left ? i : 7 - i)) * 1.25).toFixed(3), 1.6, 0.6].join(',');
  });
  const path = join(folder, 'level-driver.csv');
  writeFileSync(path, ['pad,x (mm),y (mm),length,width', ...rows].join('\n'));
  return path;
}

const press = (page: Page, words: string) => page.locator(`button ::-p-text(${words})`).click();
const told = (page: Page, words: string) =>
  page.waitForFunction((text) => document.body.textContent?.includes(text), {}, words);

async function bring(page: Page, ...files: string[]): Promise<void> {
  const input = (await page.waitForSelector(
    'input[aria-label="Files to import"]',
  )) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(...files);
}

/** Drops a file onto the page, as a hand would. */
async function drop(page: Page, name: string, text: string): Promise<void> {
  await page.evaluate(
    (called, content) => {
      const data = new DataTransfer();
      data.items.add(new File([content], called));
      const target = document.querySelector('main')!;
      for (const type of ['dragenter', 'dragover', 'drop'])
        target.dispatchEvent(new DragEvent(type, { dataTransfer: data, bubbles: true, cancelable: true }));
    },
    name,
    text,
  );
}

describe('somebody else’s pattern', () => {
  it('is taken in, told wrong, mended and released', async () => {
    const page = await openPage(browser, server.url);
    await takeDemo(page);
    await bring(page, wrongPattern());
    await page.waitForSelector('dialog[open] li');
    await told(page, '8 lands');
    await press(page, 'Take it in for a second opinion');
    await page.waitForSelector('[aria-label="The package that it is meant for"]');
    // by itself first: its numbers go round clockwise
    await told(page, 'The pattern by itself');
    await page.type('input[aria-label="Footprints of the Shelf"]', 'level driver');
    await page.locator('[aria-label="The package that it is meant for"] li button').click();
    await told(page, 'Do not use it as it is: numbers mirrored');
    await told(page, '1.27 mm');
    const marked = await page.$$eval(
      '[aria-label="Sheet"] text',
      (all) => all.filter((one) => one.getAttribute('fill') === 'var(--color-error)').length,
    );
    expect(marked).toBe(8);
    await press(page, 'Mend what is wrong');
    await page.waitForFunction(() => location.pathname.endsWith('/land'));
    await page.waitForSelector('section[aria-label="Sheet"] svg');
    expect(await summaryOf(page)).not.toContain('stop');
    // the pattern as it came is kept
    await page.waitForSelector('[aria-label="Revisions"]');
    await page.keyboard.press('7');
    await told(page, 'All at once');
    const saved = await savedFiles(browser);
    await press(page, 'Make the release');
    const files = Object.keys(unzipSync(new Uint8Array(readFileSync(await saved(/\.zip$/)))));
    expect(files.join(' ')).toContain('SOIC127P599X175-8N');
    expectNoFaults(page);
    await page.close();
  });

  it('comes as several of one file, and as films of which a part is boxed', async () => {
    const page = await openPage(browser, server.url);
    await bring(
      page,
      given('two-packages-inch-c.xml'),
      given('board-top-copper.gbr'),
      given('board-top-mask.gbr'),
    );
    await page.waitForSelector('dialog[open] li:nth-child(4)');
    await told(page, 'Thermal reliefs are left out');
    const board = (await page.waitForSelector('svg[aria-label="Copper of the films"]'))!;
    const box = (await board.boundingBox())!;
    await page.mouse.move(box.x + box.width * 0.7, box.y + box.height * 0.6);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * 0.98, box.y + box.height * 0.98, { steps: 4 });
    await page.mouse.up();
    await told(page, 'Only what lies from');
    await page.waitForFunction(
      () => document.querySelectorAll('dialog[open] ul > li .checkbox').length === 3,
    );
    // a film that is taken for something else is read anew
    await page.select('select[aria-label="What board-top-copper.gbr shows"]', 'leave');
    await told(page, 'None of the films shows copper');
    await page.select('select[aria-label="What board-top-copper.gbr shows"]', 'copper');
    await page.waitForFunction(
      () => document.querySelectorAll('dialog[open] ul > li .checkbox').length === 3,
    );
    await press(page, 'Take 3 in');
    await page.waitForSelector('a[title="Open TERM 2"]');
    expectNoFaults(page);
    await page.close();
  });

  it('is held against what stands on the Bench; a document that is dropped there is opened or held beside', async () => {
    const page = await openPage(browser, server.url);
    await openFootprint(page, 'U4 tide converter');
    await page.waitForSelector('[aria-label="Second opinion"]');
    await drop(page, 'two.csv', 'pad,x,y,length,width\n1,-2.9,2.275,1.55,0.4\n2,-2.9,1.625,1.55,0.4\n');
    await page.waitForSelector('dialog[open] li');
    await press(page, 'Hold it against U4 tide converter');
    await told(page, '14 lands missing');
    await page.goBack();
    await page.waitForSelector('section[aria-label="Sheet"] svg');
    await drop(
      page,
      'chip.json',
      JSON.stringify({
        tapis: 2,
        name: 'R77 dropped',
        package: {
          family: 'rectangular-chip',
          dimensions: { L: '1.6±0.1', W: '0.8±0.1', T: '0.3±0.15', A: '0.45±0.1' },
        },
        level: 'B',
        process: 'standard',
      }),
    );
    await page.waitForSelector('dialog[aria-label="A document was dropped"][open]');
    await press(page, 'Open it');
    await page.waitForFunction(() => document.title.startsWith('R77 dropped'));
    await drop(page, 'junk.bin', '\u0001\u0002 nothing');
    await told(page, 'junk.bin is no file that Tapis reads');
    expectNoFaults(page);
    await page.close();
  });

  it('has its package said on the Bench, from a family and its dimensions', async () => {
    const page = await openPage(browser, server.url);
    await openFootprint(page, 'U2 from an old board');
    await page.waitForSelector('[aria-label="Second opinion"] a');
    await page.locator('[aria-label="Second opinion"] ::-p-text(second opinion)').click();
    await told(page, 'heel missing');
    await press(page, 'Say the package');
    await page.waitForSelector('dialog[open] li');
    await page.keyboard.type('chip');
    await page.waitForSelector('dialog[open] li');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => location.pathname.startsWith('/bench/'));
    await told(page, 'a second opinion follows once its dimensions are complete');
    expectNoFaults(page);
    await page.close();
  });
});
