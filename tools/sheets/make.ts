import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser } from 'puppeteer-core';
import { SHEETS, type MadeSheet } from './sheets';
import { htmlOf } from './styles';

/** Where made-up pages are kept between runs; they are made anew where they are missing. */
export const SHEETS_FOLDER = join(import.meta.dirname, '../../.cache/sheets');

/** As a scanner makes it: enlarged, a little turned and out of focus, grey. */
const SCANNED = `<style>html{background:#fff}body{transform:rotate(0.5deg);transform-origin:0 0;filter:blur(0.55px) grayscale(1);background:#fff;padding:30px}</style>`;

/** Prints the pages of sheets to PDF, and draws them as a scanner would see them. */
export async function makeSheets(browser: Browser, wanted: readonly MadeSheet[] = SHEETS): Promise<void> {
  mkdirSync(SHEETS_FOLDER, { recursive: true });
  const page = await browser.newPage();
  for (const { name, table } of wanted) {
    const pdf = join(SHEETS_FOLDER, `${name}.pdf`);
    const png = join(SHEETS_FOLDER, `${name}.png`);
    if (existsSync(pdf) && existsSync(png)) continue;
    await page.setViewport({ width: 780, height: 600, deviceScaleFactor: 2 });
    await page.setContent(htmlOf(table));
    writeFileSync(pdf, await page.pdf({ format: 'a4' }));
    await page.setContent(htmlOf(table) + SCANNED);
    writeFileSync(png, await page.screenshot({ fullPage: true }));
  }
  await page.close();
}
