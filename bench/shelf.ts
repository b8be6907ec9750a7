// npm run bench:shelf: the Shelf in a browser with a thousand footprints and with five thousand, beside the
// bare work of the browser's own store with the same documents.
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { writeShelf } from '../src/core/document/write';
import { DEMO_DOCUMENTS } from '../src/demo/documents';
import { launch, serve } from './browser';

const COUNTS = [1000, 5000];

/** Copies of the demo's parts under names of their own, as a Shelf file's text. */
function many(count: number): string {
  return writeShelf(
    Array.from({ length: count }, (_, i) => {
      const document = DEMO_DOCUMENTS[i % DEMO_DOCUMENTS.length] as (typeof DEMO_DOCUMENTS)[number];
      return { ...document, name: `${document.name} ${i}` };
    }),
  );
}

/** Time in the page from an act until something holds on it, ms. Both are expressions of the page. */
const until = (page: Page, act: string, holds: string): Promise<number> =>
  page.evaluate(`(async () => {
    const began = performance.now();
    ${act};
    await new Promise((done) => {
      const look = () => (${holds} ? done() : requestAnimationFrame(look));
      look();
    });
    return performance.now() - began;
  })()`) as Promise<number>;

/** The browser's own store alone, with the same documents: writing them, and reading them again. ms */
const bare = (page: Page, text: string): Promise<{ readonly write: number; readonly read: number }> =>
  page.evaluate(async (shelf) => {
    const { documents } = JSON.parse(shelf) as { documents: object[] };
    const db = await new Promise<IDBDatabase>((resolve) => {
      const opened = indexedDB.open('bare', 1);
      opened.onupgradeneeded = () => opened.result.createObjectStore('rows', { keyPath: 'id' });
      opened.onsuccess = () => resolve(opened.result);
    });
    const began = performance.now();
    await new Promise<void>((resolve) => {
      const transaction = db.transaction('rows', 'readwrite');
      documents.forEach((document, i) => transaction.objectStore('rows').put({ id: String(i), document }));
      transaction.oncomplete = () => resolve();
    });
    const written = performance.now();
    await new Promise<void>((resolve) => {
      const all = db.transaction('rows').objectStore('rows').getAll();
      all.onsuccess = () => resolve();
    });
    const read = performance.now() - written;
    db.close();
    indexedDB.deleteDatabase('bare');
    return { write: written - began, read };
  }, text);

async function measure(url: string, count: number): Promise<void> {
  const text = many(count);
  const file = join(mkdtempSync(join(tmpdir(), 'tapis-bench-')), 'many.json');
  writeFileSync(file, text);
  const browser = await launch();
  const page = await browser.newPage();
  await page.goto(url, { waitUntil: 'networkidle0' });
  const floor = await bare(page, text);
  const say = (what: string, ms: number, beside?: number) =>
    console.log(
      `${String(count).padStart(5)}  ${what.padEnd(44)} ${ms.toFixed(0).padStart(7)} ms${beside === undefined ? '' : `   ${(ms / beside).toFixed(1)} × bare`}`,
    );

  const input = await page.$('input[aria-label="Files to import"]');
  const began = Date.now();
  await (input as NonNullable<typeof input> & { uploadFile: (path: string) => Promise<void> }).uploadFile(
    file,
  );
  await page.waitForFunction(
    (n) => document.body.textContent?.includes(`${n} footprints added`),
    { timeout: 300_000 },
    count,
  );
  say('importing them as one file', Date.now() - began, floor.write);
  await page.waitForFunction(
    () => document.querySelector('main [role=listitem] svg') && !document.querySelector('main [role=status]'),
    { timeout: 600_000, polling: 500 },
  );
  say('reading all of them, once, beside the page', Date.now() - began);

  const opened: number[] = [];
  for (let i = 0; i < 3; i += 1) {
    await page.goto(url);
    opened.push(
      await until(page, '', "document.querySelector('[role=listitem] svg')").then(() =>
        page.evaluate(() => performance.now()),
      ),
    );
    await new Promise((settled) => setTimeout(settled, 1500));
  }
  say('opening: from navigation to the first card', Math.min(...opened), floor.read);

  await page.evaluate(() => {
    const seen: number[] = [];
    Object.assign(globalThis, { seen });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) if (/key|input/.test(entry.name)) seen.push(entry.duration);
    }).observe({ type: 'event', durationThreshold: 16 } as PerformanceObserverInit);
  });
  // what a page does once it is open is over by then
  await new Promise((settled) => setTimeout(settled, 2000));
  await page.click('input[type=search]');
  for (const key of 'radio pitch 0.5') {
    await page.keyboard.type(key);
    await new Promise((next) => setTimeout(next, 120));
  }
  const keys = (await page.evaluate('seen')) as number[];
  say('a key in the search, longest until painted', Math.max(0, ...keys));
  for (let i = 0; i < 15; i += 1) await page.keyboard.press('Backspace');
  await new Promise((settled) => setTimeout(settled, 800));

  const total = '/ of (\\d+) footprint/.exec(document.body.textContent)?.[1]';
  say(
    'deleting one',
    await until(
      page,
      "const button = [...document.querySelectorAll('[role=listitem] button')].find((one) => one.textContent === 'Delete'); button.click()",
      `${total} === '${count - 1}'`,
    ),
  );
  await page.click('[role=listitem] a');
  await page.waitForSelector('section[aria-label="Sheet"] svg');
  await new Promise((settled) => setTimeout(settled, 1500));
  say(
    'back from the Bench',
    await until(
      page,
      'document.querySelector(\'a[href="/"]\').click()',
      "document.querySelector('[role=listitem] svg')",
    ),
  );
  await new Promise((settled) => setTimeout(settled, 800));
  const { JSHeapUsedSize = 0 } = await page.metrics();
  console.log(
    `${String(count).padStart(5)}  ${'memory of the page'.padEnd(44)} ${(JSHeapUsedSize / 1e6).toFixed(0).padStart(7)} MB`,
  );
  await browser.close();
}

const { url, end } = await serve();
try {
  for (const count of COUNTS) await measure(url, count);
} finally {
  end();
}
