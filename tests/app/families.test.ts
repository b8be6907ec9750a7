import { expect, it } from 'vitest';
import { FAMILIES } from '../../src/core/package/families';
import { drawingOf, expectNoFaults, launch, openPage, useServer } from './harness';

const server = useServer();

it('every family of the gallery opens on the Bench and is drawn from its example', async () => {
  const browser = await launch();
  const page = await openPage(browser, server.url);
  for (const { title } of FAMILIES) {
    await page.goto(server.url, { waitUntil: 'load' });
    await page.locator('button ::-p-text(New footprint)').click();
    await page.waitForSelector('dialog[open] li');
    await page.type('dialog input', title);
    await Promise.all([page.waitForNavigation(), page.keyboard.press('Enter')]);
    await page.waitForSelector('section[aria-label="Sheet"] svg[role="img"]');
    expect(await page.$eval('main button[aria-label^="Package family"]', (e) => e.textContent)).toBe(title);
    expect(await drawingOf(page)).toMatch(/Drawing of [A-Z]+\d/);
    // every dimension line of the drawing leads to a field
    const lettered = await page.$$eval('figure [data-symbol]', (lines) =>
      lines.map((l) => l.getAttribute('data-symbol')),
    );
    expect(lettered.length).toBeGreaterThan(0);
    for (const symbol of lettered)
      expect(await page.$(`#entry-${symbol}`), `${title} ${symbol}`).not.toBeNull();
  }
  expectNoFaults(page);
  await browser.close();
}, 300_000);
