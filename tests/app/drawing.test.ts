import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { drawOutline } from '../../tools/drawings/draw';
import { heldPage, heldViews, type Held } from '../../tools/drawings/held';
import { OUTLINES } from '../../tools/drawings/outlines';
import { PATTERNS } from '../../tools/drawings/patterns';
import { SECOND, secondOutline, secondPage } from '../../tools/drawings/second';
import { STYLES } from '../../tools/drawings/styles';
import { expectNoFaults, openEmpty, server, summaryOf, valueOf, waitSaved } from './harness';

// From a drawing to a footprint: nothing but a PDF of lines and numbers, and a few presses.

let browser: Browser;
let page: Page;

beforeAll(async () => ({ browser, page } = await openEmpty()));
afterAll(() => browser.close());

/** A new footprint with a datasheet beside it; counts as four actions. */
async function read(words: string, file: string): Promise<void> {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await page.locator('button ::-p-text(New footprint)').click();
  await page.waitForSelector('dialog[open] li');
  await page.type('dialog input', words);
  await Promise.all([page.waitForNavigation(), page.keyboard.press('Enter')]);
  await bring(file);
}

/** Lays a datasheet beside the drawing. */
async function bring(file: string): Promise<void> {
  await page.locator('button ::-p-text(Read the datasheet)').click();
  const input = await page.waitForSelector('input[aria-label="Datasheet file"]');
  await (input as ElementHandle<HTMLInputElement> | null)?.uploadFile(file);
}

it('takes a drawn connector as a composed footprint, its lengths tied to the printed numbers', async () => {
  await read('radial', resolve('public/demo/HS-FC05 land pattern.pdf'));
  const found = await page.waitForSelector('[aria-label="Land pattern that the page draws"]');
  expect(await found?.evaluate((one) => one.textContent)).toContain('7 lands, 2 holes, by 11 numbers');
  // what was understood is traced over the page
  expect(await page.$$eval('svg .traced', (all) => all.length)).toBeGreaterThan(9);
  expect(await page.$$eval('svg .traced-land', (all) => all.length)).toBe(1);
  await page.locator('button ::-p-text(Make a footprint of it)').click();
  await page.waitForSelector('#entry-e1');
  await waitSaved(page);
  const widths = [await valueOf(page, '#entry-X'), await valueOf(page, '#entry-X1')];
  expect(widths.sort()).toEqual(['0.80', '1.40']);
  expect(await valueOf(page, '#entry-D')).toBe('2X Ø1.10');
  expect(await summaryOf(page)).not.toContain('stop');
  // the number goes back to its place on the page
  await page.locator('#entry-e').click();
  await page.waitForSelector('[aria-label^="e in "] canvas');
  expectNoFaults(page);
}, 120_000);

it('fills a package by the numbers at the lines of its drawing, and its lands by those of another', async () => {
  const scene = OUTLINES.find(({ family }) => family === 'small-transistor');
  const [style] = STYLES;
  if (!scene || !style) throw new Error('no scene');
  const file = join(mkdtempSync(join(tmpdir(), 'tapis-drawing-')), 'outline.pdf');
  writeFileSync(file, await drawOutline(scene, style, null, 0));
  await read('small transistor', file);
  await page.waitForSelector('tr[data-symbol="E1"]');
  await page.locator('button ::-p-text(Take these)').click();
  await page.waitForSelector('#entry-E1');
  await waitSaved(page);
  expect(await valueOf(page, '#entry-E1')).toBe('1.20-1.40');
  expect(await valueOf(page, '#entry-A1')).toBe('0.01-0.10');
  // a newer edition is read at the same places
  writeFileSync(
    file,
    await drawOutline({ ...scene, says: { ...scene.says, E1: '1.25-1.40' } }, style, null, 0),
  );
  await bring(file);
  await page.locator('button ::-p-text(Read the same places again)').click();
  const newer = await page.waitForSelector('[aria-label="What the newer edition says"]');
  expect(await newer?.evaluate((one) => one.textContent)).toContain('1 number differs');
  expect(await newer?.$eval('ul', (list) => list.textContent)).toContain('E1 1.20-1.40 → 1.25-1.40');
  await page.locator('button ::-p-text(Take the newer edition)').click();
  await page.waitForSelector('#entry-E1');
  expect(await valueOf(page, '#entry-E1')).toBe('1.25-1.40');
  await bring(resolve('public/demo/HS-BC10 land pattern.pdf'));
  await page.waitForSelector('[aria-label="Land pattern that the page draws"]');
  await page.locator('button ::-p-text(own lands)').click();
  // length, width and distance of the middles, at Land
  await page.waitForFunction(() => {
    const values = Array.from(document.querySelectorAll('input'), ({ value }) => value);
    return ['0.85', '0.3', '2.95'].every((value) => values.includes(value));
  });
  await waitSaved(page);
  expectNoFaults(page);
}, 120_000);

it('reads what another hand drew: a browser’s PDF, in inches too, in other languages, lying turned', async () => {
  const paper = await browser.newPage();
  const printed = async (html: string) => {
    await paper.setContent(html);
    return new Uint8Array(await paper.pdf({ preferCSSPageSize: true, printBackground: true }));
  };
  const all: Held[] = [];
  for (const [i, style] of SECOND.entries()) {
    const [pattern, outline] = [PATTERNS[i % PATTERNS.length], OUTLINES[i % OUTLINES.length]];
    if (!pattern || !outline) continue;
    all.push(
      await heldPage(`${pattern.name} / ${style.name}`, pattern, await printed(secondPage(pattern, style))),
    );
    all.push(
      await heldViews(
        `${outline.name} / ${style.name}`,
        outline,
        await printed(secondOutline(outline, style)),
      ),
    );
  }
  await paper.close();
  expect(all.filter(({ silent }) => silent.length > 0)).toEqual([]);
  // a drawing that stands askew is told, and numbers on shelves are not all found
  const plain = all.filter(({ name }) => !/ (askew|shelves)$/.test(name));
  const sum = (of: 'values' | 'right') => plain.reduce((total, one) => total + one[of], 0);
  expect(sum('right') / sum('values')).toBeGreaterThan(0.9);
}, 120_000);
