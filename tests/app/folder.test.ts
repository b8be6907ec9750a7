import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  expectNoFaults,
  launchWithDemo,
  openFootprint,
  openPage,
  retype,
  server,
  valueOf,
  waitSaved,
} from './harness';

// the origin's private file system gives real handles of directories, and asks nobody
let browser: Browser;
let page: Page;

beforeAll(async () => {
  browser = await launchWithDemo();
  page = await openPage(browser, server.url);
  await page.evaluateOnNewDocument(() => {
    Object.assign(globalThis, {
      showDirectoryPicker: async () =>
        (await navigator.storage.getDirectory()).getDirectoryHandle('library', { create: true }),
    });
  });
});
afterAll(() => browser.close());

const says = (words: string) =>
  page.waitForFunction((text) => document.body.innerText.includes(text), {}, words);
const press = (words: string) => page.locator(`main button ::-p-text(${words})`).click();

/** Reads a file of the folder, and writes it anew where something is given. */
const file = (path: string, from = '', to = '') =>
  page.evaluate(
    async (name, was, now) => {
      let at = await (await navigator.storage.getDirectory()).getDirectoryHandle('library');
      const parts = name.split('/');
      for (const part of parts.slice(0, -1)) at = await at.getDirectoryHandle(part);
      const handle = await at.getFileHandle(parts.at(-1) ?? '');
      const text = await (await handle.getFile()).text();
      if (was !== '') {
        const stream = await handle.createWritable();
        await stream.write(text.replace(was, now));
        await stream.close();
      }
      return text;
    },
    path,
    from,
    to,
  );
const names = () =>
  page.evaluate(async () => {
    const found: string[] = [];
    const walk = async (at: FileSystemDirectoryHandle, under: string): Promise<void> => {
      const entries = at as unknown as AsyncIterable<[string, FileSystemHandle]>;
      for await (const [name, handle] of entries)
        if (handle.kind === 'directory') await walk(handle as FileSystemDirectoryHandle, `${under}${name}/`);
        else found.push(`${under}${name}`);
    };
    await walk(await (await navigator.storage.getDirectory()).getDirectoryHandle('library'), '');
    return found.sort();
  });
const CONVERTER = 'U4 tide converter.json';

it('keeps the library in a folder: writes what changes here, takes what changes there, asks about both', async () => {
  await page.goto(`${server.url}/folder`, { waitUntil: 'networkidle0' });
  await press('Choose a folder');
  await says('kept in both');
  const all = await names();
  expect(all).toContain(CONVERTER);
  expect(all.filter((name) => name.startsWith('models/'))).toHaveLength(1);
  expect(all.filter((name) => name.startsWith('trials/'))).toHaveLength(1);
  expect(all.length).toBeGreaterThan(38);

  // somebody changes a file, and the page is looked at again
  await file(CONVERTER, '"level": "B"', '"level": "A"');
  await press('Look now');
  await says(`${CONVERTER} taken: changed in the folder`);
  // what is changed on the Bench stands in the file
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'U4 tide converter');
  await page.waitForSelector('[aria-label="Density level"] [aria-pressed=true]::-p-text(A)');
  await retype(page, '#entry-E', '6.3..6.5');
  expect(await valueOf(page, '#entry-E')).toBe('6.3..6.5');
  await waitSaved(page);
  // a file that is being replaced while it is read is read again: what throws would end the wait
  await page.waitForFunction(async () => {
    try {
      const at = await (await navigator.storage.getDirectory()).getDirectoryHandle('library');
      const handle = await at.getFileHandle('U4 tide converter.json');
      return (await (await handle.getFile()).text()).includes('6.3..6.5');
    } catch {
      return false;
    }
  });

  // both change the same: nothing is written over, both values are shown, one is chosen
  await page.goto(`${server.url}/folder`, { waitUntil: 'networkidle0' });
  await press('Let it go');
  await press('Choose a folder');
  await says('kept in both');
  // as from another browser that does not look at the folder meanwhile
  const looks = (says: string) => page.evaluate((value) => localStorage.setItem('tapis-folder', value), says);
  await looks('no');
  // the page that still keeps in step is left first
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await file(CONVERTER, '6.3..6.5', '6.1..6.7');
  await openFootprint(page, 'U4 tide converter');
  await retype(page, '#entry-E', '6.0..6.8');
  await waitSaved(page);
  await looks('yes');
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await page.waitForSelector('[role=note] a[href="/folder"]');
  await page.locator('[role=note] a[href="/folder"]').click();
  await page.waitForSelector('[aria-label="Clash in U4 tide converter"]');
  const clash = await page.$eval(
    '[aria-label="Clash in U4 tide converter"]',
    ({ textContent }) => textContent,
  );
  expect(clash).toContain('6.0..6.8');
  expect(clash).toContain('6.1..6.7');
  expect(await file(CONVERTER)).toContain('6.1..6.7');
  await press('Take the folder’s');
  await page.waitForFunction(() => !document.querySelector('[aria-label^="Clash in"]'));
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'U4 tide converter');
  await page.waitForFunction(
    () => document.querySelector<HTMLInputElement>('#entry-E')?.value === '6.1..6.7',
  );
  expectNoFaults(page);
}, 200_000);
