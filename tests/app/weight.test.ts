import { gzipSync } from 'node:zlib';
import type { Page } from 'puppeteer-core';
import { expect, it } from 'vitest';
import { expectNoFaults, launch, openFootprint, openPage, takeDemo, server } from './harness';

/** Collects the gzip size of every script that a page loads, in kB. */
function weigh(page: Page): () => Promise<number> {
  const sizes: Promise<number>[] = [];
  page.on('response', (response) => {
    if (/\.js$/.test(new URL(response.url()).pathname)) {
      sizes.push(
        response.buffer().then(
          (body) => gzipSync(body).length,
          () => 0,
        ),
      );
    }
  });
  return async () => (await Promise.all(sizes)).reduce((a, b) => a + b, 0) / 1000;
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

  const shelf = weigh(page);
  await page.reload({ waitUntil: 'networkidle0' });
  const shelfWeight = await shelf();
  expect(shelfWeight).toBeGreaterThan(50);
  expect(shelfWeight).toBeLessThan(300);

  await openFootprint(page, 'U4 tide converter');
  const bench = weigh(page);
  await page.reload({ waitUntil: 'networkidle0' });
  const benchWeight = await bench();
  expect(benchWeight).toBeGreaterThan(100);
  expect(benchWeight).toBeLessThan(350);

  await page.keyboard.press('t');
  await page.waitForSelector('canvas');
  await page.waitForNetworkIdle();
  expect(await bench()).toBeGreaterThan(benchWeight + 100);
  expect(foreign).toEqual([]);
  expectNoFaults(page);
  process.stdout.write(
    `Shelf ${shelfWeight.toFixed(0)} kB, Bench ${benchWeight.toFixed(0)} kB of gzipped script\n`,
  );
  await browser.close();
});
