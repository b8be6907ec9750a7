import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';

const FLAGS = [
  '--no-sandbox',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-gpu',
  '--enable-unsafe-swiftshader',
];

/** Starts the bare engine of Chromium where there is one; a profile's folder keeps its storage from start to start. */
export function launch(profile?: string): Promise<Browser> {
  const bare = process.env['CHROMIUM_BARE'];
  return bare ? start(bare, 'shell', profile) : launchWhole(profile);
}

/** Starts the whole of Chromium, for what the browser round its engine does: files of a profile, widths of letters. */
export function launchWhole(profile?: string): Promise<Browser> {
  return start(process.env['CHROMIUM'] ?? '/usr/bin/chromium', true, profile);
}

function start(
  executablePath: string,
  headless: true | 'shell',
  userDataDir = mkdtempSync(join(tmpdir(), 'tapis-profile-')),
): Promise<Browser> {
  return puppeteer.launch({
    executablePath,
    headless,
    args: FLAGS,
    userDataDir,
    defaultViewport: { width: 1280, height: 800 },
    // on a busy machine too: what never comes ends with its test
    protocolTimeout: 240_000,
  });
}

/** Puts the demo board on the Shelf, unless it stands there. */
export async function takeDemo(page: Page): Promise<void> {
  const there = 'a[title="Open U4 tide converter"]';
  await page.waitForFunction(
    (link) =>
      document.querySelector(link) || /Put the demo on the Shelf/.test(document.body.textContent ?? ''),
    {},
    there,
  );
  if (await page.$(there)) return;
  await page.locator('button ::-p-text(Put the demo on the Shelf)').click();
  // its variant comes last, after the board
  await page.waitForFunction(() => /of 37 footprints/.test(document.body.textContent ?? ''));
  await page.waitForSelector(there);
}
