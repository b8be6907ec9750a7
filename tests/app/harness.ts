import { cpSync, existsSync, mkdtempSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { expect, inject } from 'vitest';
import { launch } from './browser';

export { launch, launchWhole, takeDemo } from './browser';

/** The served Tapis. */
export const server = { url: inject('url') };

/** Starts Chromium with the demo board on its Shelf: in a copy of a profile that was made once for all files. */
export function launchWithDemo(): Promise<Browser> {
  const profile = mkdtempSync(join(tmpdir(), 'tapis-profile-'));
  cpSync(inject('demo'), profile, { recursive: true });
  return launch(profile);
}

/**
 * A page that fails its test on script errors and on breaches of the content policy.
 * @param offline whether it keeps all files of Tapis in its browser, which takes a while in each new profile
 */
export async function openPage(
  browser: Pick<Browser, 'newPage'>,
  url: string,
  offline = false,
): Promise<Page> {
  const page = await browser.newPage();
  // a busy machine takes its time; what never comes is named before its test ends
  page.setDefaultTimeout(100_000);
  if (!offline)
    await page.evaluateOnNewDocument(() => Reflect.deleteProperty(Navigator.prototype, 'serviceWorker'));
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(String(error)));
  page.on('console', (message) => {
    if (message.type() === 'error') faults.push(message.text());
  });
  await page.goto(url, { waitUntil: 'networkidle0' });
  pageFaults.set(page, faults);
  return page;
}

/** A browser and its first page. */
export interface Opened {
  readonly browser: Browser;
  readonly page: Page;
}

/** Opens Tapis with the demo board on its Shelf. */
export async function openDemo(): Promise<Opened> {
  const browser = await launchWithDemo();
  return { browser, page: await openPage(browser, server.url) };
}

/** Opens Tapis as on a first visit. */
export async function openEmpty(): Promise<Opened> {
  const browser = await launch();
  return { browser, page: await openPage(browser, server.url) };
}

const pageFaults = new WeakMap<Page, string[]>();

/** Fails where a page had script errors. */
export function expectNoFaults(page: Page): void {
  expect(pageFaults.get(page)).toEqual([]);
}

/** Opens a footprint from the Shelf. */
export async function openFootprint(page: Page, name: string): Promise<void> {
  const link = `a[title="Open ${name}"]`;
  await page.waitForSelector('main [role=listitem] a');
  // only what is near the window is on the page
  if (!(await page.$(link)))
    await retype(page, 'input[aria-label="Search the Shelf"]', name.split(' ')[0] ?? name);
  await page.locator(link).click();
  await page.waitForSelector('section[aria-label="Sheet"] svg');
}

/** What the Ledger says in its head line. */
export function summaryOf(page: Page): Promise<string> {
  return page.$eval('[data-testid="summary"]', (element) => element.textContent ?? '');
}

/** What the drawing calls itself. */
export function drawingOf(page: Page): Promise<string> {
  return page.$eval(
    'section[aria-label="Sheet"] svg[role="group"]',
    (svg) => svg.getAttribute('aria-label') ?? '',
  );
}

/** Waits until the document is written. */
export async function waitSaved(page: Page): Promise<void> {
  await page.waitForFunction(() =>
    /^saved/.test(document.querySelector('header [role=status]')?.textContent ?? ''),
  );
}

/** A field's text by its accessible name. */
export function valueOf(page: Page, selector: string): Promise<string> {
  return page.$eval(selector, (element) => (element as HTMLInputElement).value);
}

/** Lets a browser save files into a new folder; answers a file's text once it is whole. */
export async function downloadsOf(browser: Browser): Promise<(name: RegExp) => Promise<string>> {
  const saved = await savedFiles(browser);
  return async (name) => readFileSync(await saved(name), 'utf8');
}

/** As {@link downloadsOf}, the path of the file. */
export async function savedFiles(browser: Browser): Promise<(name: RegExp) => Promise<string>> {
  const folder = mkdtempSync(join(tmpdir(), 'tapis-files-'));
  const session = await browser.target().createCDPSession();
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
  return async (name) => {
    for (let i = 0; i < 600; i += 1) {
      const found = existsSync(folder) ? readdirSync(folder).find((file) => name.test(file)) : undefined;
      if (found) {
        const path = join(folder, found);
        if (statSync(path).size > 0) return path;
      }
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    throw new Error(`no file ${name} was saved; there are ${readdirSync(folder).join(', ') || 'none'}`);
  };
}

/** The stage column of a page's Bench: its text, waiting for words in it, and its buttons by their words. */
export function columnOf(page: () => Page) {
  return {
    main: () => page().$eval('main', (element) => element.innerText),
    until: (words: string) =>
      page().waitForFunction((text) => document.querySelector('main')?.innerText.includes(text), {}, words),
    press: (words: string) => page().locator(`main button ::-p-text(${words})`).click(),
  };
}

/** Types over what a field holds, once it has the focus and keeps it: what comes up beside may still take it. */
export async function retype(page: Page, selector: string, text: string): Promise<void> {
  for (let tries = 0; tries < 10; tries += 1) {
    await page.locator(selector).click({ count: 3 });
    const keeps = await page.$eval(
      selector,
      (field) =>
        new Promise<boolean>((resolve) => {
          requestAnimationFrame(() => requestAnimationFrame(() => resolve(field === document.activeElement)));
        }),
    );
    if (keeps) break;
  }
  await page.keyboard.type(text);
}
