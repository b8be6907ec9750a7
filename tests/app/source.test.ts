import { readFileSync, writeFileSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { SHEETS } from '../../tools/sheets/sheets';
import { htmlOf } from '../../tools/sheets/styles';
import { expectNoFaults, openEmpty, server, summaryOf, valueOf, waitSaved } from './harness';

// From a datasheet to a footprint: a PDF that Chromium printed, a picture of it, a table from the clipboard.

let browser: Browser;
let page: Page;
const folder = mkdtempSync(join(tmpdir(), 'tapis-sheets-'));

/** Prints a made-up page; `change` makes a newer edition of it. */
async function print(name: string, as: 'pdf' | 'png', change: (html: string) => string = (html) => html) {
  const sheet = SHEETS.find((one) => one.name === name);
  if (!sheet) throw new Error(name);
  const maker = await browser.newPage();
  await maker.setViewport({ width: 780, height: 600, deviceScaleFactor: 2 });
  await maker.setContent(change(htmlOf(sheet.table)));
  const path = join(folder, `${name}-${as}-${change('x').length}.${as}`);
  writeFileSync(
    path,
    as === 'pdf' ? await maker.pdf({ format: 'a4' }) : await maker.screenshot({ fullPage: true }),
  );
  await maker.close();
  return path;
}

/** A new footprint of a kind, found by words. */
async function begin(words: string): Promise<void> {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await page.locator('button ::-p-text(New footprint)').click();
  await page.waitForSelector('dialog[open] li');
  await page.type('dialog input', words);
  await Promise.all([page.waitForNavigation(), page.keyboard.press('Enter')]);
  await page.waitForSelector('[data-entry]');
}

/** Drops a file onto the Bench as a person does from a folder. */
async function drop(path: string, type: string): Promise<void> {
  const base64 = readFileSync(path).toString('base64');
  const name = path.split('/').at(-1) ?? '';
  await page.evaluate(
    (data, file, mime) => {
      const content = Uint8Array.from(atob(data), (letter) => letter.charCodeAt(0));
      const transfer = new DataTransfer();
      transfer.items.add(new File([content], file, { type: mime }));
      const target = document.querySelector('main')?.parentElement ?? document.body;
      for (const kind of ['dragenter', 'dragover', 'drop'])
        target.dispatchEvent(
          new DragEvent(kind, { bubbles: true, cancelable: true, dataTransfer: transfer }),
        );
    },
    base64,
    name,
    type,
  );
}

async function paste(text: string, html = ''): Promise<void> {
  await page.evaluate(
    (plain, rich) => {
      const data = new DataTransfer();
      data.setData('text/plain', plain);
      if (rich !== '') data.setData('text/html', rich);
      document.body.dispatchEvent(
        new ClipboardEvent('paste', { bubbles: true, cancelable: true, clipboardData: data }),
      );
    },
    text,
    html,
  );
}

const until = (words: string) =>
  page.waitForFunction(
    (text) => document.querySelector('[aria-label="Datasheet"]')?.textContent?.includes(text),
    { timeout: 60_000 },
    words,
  );
const press = (words: string) => page.locator(`[aria-label="Datasheet"] ::-p-text(${words})`).click();

beforeAll(async () => ({ browser, page } = await openEmpty()));
afterAll(() => browser.close());

it('goes from a dropped PDF to a checked footprint in a few actions, and knows where each number stands', async () => {
  const pdf = await print('gull-wing-dual-german', 'pdf');
  await begin('gull wing dual');
  await drop(pdf, 'application/pdf');
  await until('Take these 10 numbers');
  expect(await page.$$eval('[id^="mark-"]', (marks) => marks.length)).toBe(9);
  await press('Take these');
  await page.waitForSelector('#entry-E');
  expect(await valueOf(page, '#entry-E')).toBe('5.80..6.20');
  expect(await valueOf(page, '#entry-n')).toBe('16');
  await waitSaved(page);
  await page.reload({ waitUntil: 'networkidle0' });
  expect(await summaryOf(page)).not.toContain('still to enter');
  expect(await page.$eval('header', (element) => element.textContent)).toContain('SOP65P600X173-16N');
  // pointing at a number shows its piece of the page, pressing that goes there
  await page.locator('#entry-D').click();
  const peek = (await page.waitForSelector('[aria-label^="D in "]')) as ElementHandle<HTMLElement>;
  await page.waitForFunction(() => document.querySelector('[aria-label^="D in "] canvas') !== null);
  await peek.click();
  await page.waitForSelector('#mark-D');
  await press('Put away');
  // a number that is changed by hand says what was printed
  await page.locator('#entry-D').click();
  await page.keyboard.type('5.1');
  await page.waitForFunction(() =>
    document.querySelector('main')?.textContent?.includes('the datasheet was read as 4.80..5.00'),
  );
  await page.keyboard.press('Escape');
  expectNoFaults(page);
}, 120_000);

it('reads the same places of a newer edition again and shows what differs', async () => {
  const newer = await print('gull-wing-dual-german', 'pdf', (html) =>
    html.replace('3,80', '3,70').replace('3,90', '3,85'),
  );
  await drop(newer, 'application/pdf');
  await until('Read the same places again');
  await press('Read the same places again');
  await until('1 number differ');
  expect(
    await page.$eval('[aria-label="What the newer edition says"]', (element) => element.textContent),
  ).toContain('E1 3.80..4.00 → 3.70..4.00');
  await press('Take the newer edition');
  await page.waitForSelector('#entry-E1');
  expect(await valueOf(page, '#entry-E1')).toBe('3.70..4.00');
  expect(await valueOf(page, '#entry-E')).toBe('5.80..6.20');
}, 120_000);

it('reads a pasted table whose letters are shuffled, offers the other reading, and keeps what letters mean', async () => {
  await begin('gull wing dual');
  await paste(
    'Symbol\tMin\tMax\nE\t1.35\t1.75\nA\t5.80\t6.20\nL\t4.80\t5.00\nD\t0.40\t1.27\nb\t3.80\t4.00\nE1\t0.33\t0.51\nA1\t1.27 BSC\ne\t0.10\t0.25',
  );
  await until('Take these 8 numbers');
  await until('8 lines to be looked at');
  const row = (symbol: string) => page.$eval(`tr[data-symbol="${symbol}"]`, (element) => element.innerText);
  expect(await row('E')).toContain('5.80..6.20');
  // one key chooses another reading, and back
  await page.focus('tr[data-symbol="E"]');
  await page.keyboard.press('ArrowRight');
  expect(await row('E')).toContain('4.80..5.00');
  await page.keyboard.press('ArrowLeft');
  expect(await row('E')).toContain('5.80..6.20');
  await page.type('[aria-label="Maker whose letters these are"]', 'Harrow');
  await press('Take these 8');
  await page.waitForSelector('#entry-E');
  expect(await valueOf(page, '#entry-E')).toBe('5.80..6.20');
  expect(await valueOf(page, '#entry-e')).toBe('1.27 BSC');
  // undo takes all of it back at once
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await page.waitForFunction(() => document.querySelector<HTMLInputElement>('#entry-E')?.value === '');
  await paste(
    'Symbol\tMin\tMax\nE\t1.35\t1.75\nA\t5.80\t6.20\nL\t4.80\t5.00\nD\t0.40\t1.27\nb\t3.80\t4.00\nE1\t0.33\t0.51\nA1\t1.27 BSC\ne\t0.10\t0.25',
  );
  await until('8 lines to be looked at');
  await page.type('[aria-label="Maker whose letters these are"]', 'Harrow');
  await page.waitForFunction(
    () => !document.querySelector('[aria-label="Datasheet"]')?.textContent?.includes('to be looked at'),
  );
  await until('last time');
  await press('Put away');
  expectNoFaults(page);
}, 120_000);

it('makes a footprint of each size, in a group', async () => {
  const pdf = await print('gull-wing-quad-sideBySide', 'pdf');
  await begin('gull wing quad');
  await drop(pdf, 'application/pdf');
  await until('The table has 3 sizes');
  await press('Make a footprint of each');
  await page.waitForSelector('#entry-E');
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await page.waitForFunction(() =>
    ['48 leads', '52 leads', '56 leads'].every((size) => document.body.innerText.includes(size)),
  );
  expectNoFaults(page);
}, 120_000);

it('reads a picture, marks everything until it is confirmed, and takes a pressed number into the waiting field', async () => {
  const picture = await print('no-lead-quad-plain', 'png');
  await begin('no-lead quad');
  await drop(picture, 'image/png');
  await until('Take these 10 numbers');
  await press('Take these');
  await page.waitForSelector('#entry-E');
  expect(await valueOf(page, '#entry-E')).toBe('3.90..4.10');
  const ledger = () => page.$eval('aside', (element) => element.innerText);
  await page.waitForFunction(() => document.querySelector('aside')?.innerText.includes('not confirmed'));
  await page.locator('aside ::-p-text(Read from a picture)').click();
  await page.locator('aside button ::-p-text(All of them are as printed)').click();
  await page.waitForFunction(() => !document.querySelector('aside')?.innerText.includes('not confirmed'));
  expect(await ledger()).not.toContain('Still to enter');
  // a printed number is pressed for a field that waits
  const pdf = await print('no-lead-quad-plain', 'pdf');
  await page.locator('#entry-e').click({ count: 3 });
  await page.keyboard.press('Delete');
  await drop(pdf, 'application/pdf');
  await until('Take these');
  await page.waitForFunction(() =>
    document.querySelector('[aria-label="Waiting field"]')?.textContent?.includes('Pitch'),
  );
  const mark = await page.waitForSelector('#mark-e');
  const place = await mark?.boundingBox();
  await page.evaluate(() =>
    document
      .querySelectorAll<HTMLElement>('[id^="mark-"]')
      .forEach((one) => (one.style.pointerEvents = 'none')),
  );
  await page.mouse.click(
    (place?.x ?? 0) + (place?.width ?? 0) / 2,
    (place?.y ?? 0) + (place?.height ?? 0) / 2,
  );
  await press('Put away');
  await page.waitForSelector('#entry-e');
  expect(await valueOf(page, '#entry-e')).toBe('0.50 BSC');
  expectNoFaults(page);
}, 180_000);
