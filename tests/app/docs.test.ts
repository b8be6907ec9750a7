import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { RULES } from '../../src/core/check/rules';
import { expectNoFaults, launch, openPage, server } from './harness';

let browser: Browser;
beforeAll(async () => {
  browser = await launch();
});
afterAll(() => browser.close());

it('is read in the product: listed, searched without the server, linked within itself', async () => {
  const page = await openPage(browser, server.url);
  await page.goto(`${server.url}/docs`, { waitUntil: 'networkidle0' });
  expect(await page.$eval('h1', ({ textContent }) => textContent)).toBe('How a land comes about');
  const links = await page.$$eval('.docs a[href^="/docs"]', (all) =>
    all.map((one) => one.getAttribute('href') ?? ''),
  );
  expect(links.length).toBeGreaterThan(14);
  // every link of every page leads to a page, and to a part of it that is there
  const pages = new Map<string, string>();
  const open = async (path: string) => {
    const known = pages.get(path);
    if (known !== undefined) return known;
    const answer = await fetch(server.url + path);
    expect([path, answer.status]).toEqual([path, 200]);
    const html = await answer.text();
    pages.set(path, html);
    return html;
  };
  const left = links.map((link): readonly [string, string] => [link, '/docs']);
  const seen = new Set<string>();
  for (let next = left.pop(); next; next = left.pop()) {
    const [link, from] = next;
    if (seen.has(link)) continue;
    seen.add(link);
    const [path = '', anchor] = link.split('#');
    const html = await open(path);
    if (anchor) expect(html, `${link} from ${from}`).toContain(`id="${anchor}"`);
    for (const [, to = ''] of html.matchAll(/href="(\/docs[^"]*)"/g)) left.push([to, path]);
    for (const [, picture = ''] of html.matchAll(/<img src="([^"]+)"/g))
      expect([picture, (await fetch(server.url + picture)).status]).toEqual([picture, 200]);
  }
  // each finding leads to its rule
  const rules = await open('/docs/rules');
  for (const { id } of RULES) expect(rules).toContain(`id="${id}"`);
  await page.type('#docs-search', 'creepage round');
  await page.waitForSelector('#docs-found a');
  await page.locator('#docs-found a').click();
  await page.waitForFunction(() => location.pathname === '/docs/ruler-and-voltage');
  expect((await fetch(`${server.url}/docs/none`)).status).toBe(404);
  expectNoFaults(page);
});
