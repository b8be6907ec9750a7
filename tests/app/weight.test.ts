import { gzipSync } from 'node:zlib';
import type { Page } from 'puppeteer-core';
import { expect, it } from 'vitest';
import { expectNoFaults, launch, openFootprint, openPage, takeDemo, server } from './harness';

/** Collects the gzip size, and what is sent, of every script that a page loads, in kB; of some of them where they are named. */
function weigh(page: Page): (only?: ReadonlySet<string>) => Promise<Weight> {
  const scripts: (readonly [url: string, weight: Promise<Weight>])[] = [];
  page.on('response', (response) => {
    const url = response.url();
    if (!/\.js$/.test(new URL(url).pathname)) return;
    const sent = Number(response.headers()['content-length'] ?? 0) / 1000;
    const weight = response.buffer().then(
      (body) => ({ gzip: gzipSync(body).length / 1000, sent }),
      () => ({ gzip: 0, sent }),
    );
    scripts.push([url, weight]);
  });
  return async (only) =>
    (await Promise.all(scripts.flatMap(([url, weight]) => (only && !only.has(url) ? [] : [weight])))).reduce(
      (a, b) => ({ gzip: a.gzip + b.gzip, sent: a.sent + b.sent }),
      NOTHING,
    );
}

interface Weight {
  readonly gzip: number;
  readonly sent: number;
}
const NOTHING: Weight = { gzip: 0, sent: 0 };

/** Waits until a page has asked for nothing more for a while; what is never reported as done does not hold it. */
async function quiet(page: Page): Promise<void> {
  let last = Date.now();
  const asked = () => (last = Date.now());
  page.on('request', asked);
  while (Date.now() - last < 1000) await new Promise((wait) => setTimeout(wait, 50));
  page.off('request', asked);
}

/** What a page asks for before it is drawn: what it looks for ahead comes after that. */
async function firstWeight(page: Page, drawn: string): Promise<Weight> {
  const weight = weigh(page);
  const watch = await page.evaluateOnNewDocument((selector) => {
    new MutationObserver((_, observer) => {
      if (!document.querySelector(selector)) return;
      observer.disconnect();
      Object.assign(globalThis, { drawnAt: performance.now() });
    }).observe(document, { subtree: true, childList: true });
  }, drawn);
  await page.reload({ waitUntil: 'domcontentloaded' });
  await page.waitForSelector(drawn);
  await quiet(page);
  const asked = (await page.evaluate(
    "performance.getEntriesByType('resource').filter(({ startTime }) => startTime < drawnAt).map(({ name }) => name)",
  )) as string[];
  await page.removeScriptToEvaluateOnNewDocument(watch.identifier);
  return weight(new Set(asked));
}

it('pages stay light, 3D is loaded when it is asked for, and nothing comes from elsewhere', async () => {
  const browser = await launch();
  const page = await openPage(browser, server.url);
  await takeDemo(page);
  const foreign: string[] = [];
  page.on('request', (request) => {
    if (!request.url().startsWith(server.url) && !/^(data|blob):/.test(request.url()))
      foreign.push(request.url());
  });
  await page.setCacheEnabled(false);

  // what reads footprints is loaded for those that are not read yet
  await page.waitForFunction(
    () => document.querySelector('main [role=listitem] svg') && !document.querySelector('main [role=status]'),
  );
  const shelf = await firstWeight(page, 'main [role=listitem] svg');
  expect(shelf.gzip).toBeGreaterThan(50);
  expect(shelf.gzip).toBeLessThan(200);

  await openFootprint(page, 'U4 tide converter');
  const bench = await firstWeight(page, 'section[aria-label="Sheet"] svg');
  expect(bench.gzip).toBeGreaterThan(100);
  expect(bench.gzip).toBeLessThan(300);

  const turning = weigh(page);
  await page.keyboard.press('t');
  await page.waitForSelector('canvas');
  await quiet(page);
  expect((await turning()).gzip).toBeGreaterThan(100);
  expect(foreign).toEqual([]);
  expectNoFaults(page);
  process.stdout.write(
    [['Shelf', shelf] as const, ['Bench', bench] as const]
      .map(
        ([place, { gzip, sent }]) => `${place}: ${gzip.toFixed(0)} kB gzipped, ${sent.toFixed(0)} kB sent\n`,
      )
      .join(''),
  );
  await browser.close();
});
