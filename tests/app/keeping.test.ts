import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { writeShelf } from '../../src/core/document/write';
import { chip } from '../data/documents';
import {
  expectNoFaults,
  launch,
  launchWhole,
  openFootprint,
  openPage,
  takeDemo,
  server,
  valueOf,
  waitSaved,
} from './harness';

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
/** Footprints on the Shelf: only those near the window are on the page. */
const cards = (page: Page) =>
  page.$eval('header', (header) => Number(/of (\d+) footprint/.exec(header.textContent ?? '')?.[1] ?? 0));

describe('nothing is lost', () => {
  it('when the browser is killed while a field is being typed in', async () => {
    const profile = mkdtempSync(join(tmpdir(), 'tapis-killed-'));
    const first = await launchWhole(profile);
    const page = await openPage(first, server.url);
    await takeDemo(page);
    await openFootprint(page, 'U4 tide converter');
    const url = page.url();
    await page.focus('#entry-D');
    await page.keyboard.type('5.2..5.');
    await wait(1000);
    first.process()?.kill('SIGKILL');
    await wait(500);
    const second = await launchWhole(profile);
    const again = await openPage(second, url);
    await again.waitForSelector('#entry-D');
    expect(await valueOf(again, '#entry-D')).toBe('5.2..5.');
    await second.close();
  });

  it('when the browser is killed in the middle of a change of two hundred: all are changed or none', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'tapis-many-'));
    const file = join(folder, 'many.json');
    const many = Array.from({ length: 200 }, (_, i) => ({ ...chip(), name: `C${i}` }));
    writeFileSync(file, writeShelf(many));
    const levelsOf = (page: Page) =>
      page.evaluate(
        () =>
          new Promise<Record<string, number>>((resolve) => {
            const opened = indexedDB.open('tapis');
            opened.onsuccess = () => {
              const all = opened.result.transaction('footprints').objectStore('footprints').getAll();
              all.onsuccess = () => {
                const counts: Record<string, number> = {};
                for (const { document } of all.result as { document: { level: string } }[])
                  counts[document.level] = (counts[document.level] ?? 0) + 1;
                resolve(counts);
              };
            };
          }),
      );
    let browser = await launchWhole(folder);
    let page = await openPage(browser, server.url);
    const input = (await page.waitForSelector(
      '[aria-label="Files to import"]',
    )) as ElementHandle<HTMLInputElement> | null;
    await input?.uploadFile(file);
    const told = (words: string) =>
      page.waitForFunction((text) => document.body.textContent?.includes(text), { timeout: 90_000 }, words);
    await told('200 of 200 footprints');
    for (const delay of [0, 60]) {
      await page.locator('main [role=listitem] input[type=checkbox]').click();
      await page.locator('[role=toolbar] button ::-p-text(all shown)').click();
      const [from = ''] = Object.keys(await levelsOf(page));
      const to = from === 'A' ? 'C' : 'A';
      await page.select('select[aria-label="Level for the selected"]', to);
      await told('200 footprints would change');
      await page.evaluate(() => {
        const button = [...document.querySelectorAll('dialog button')].at(-1) as HTMLElement;
        setTimeout(() => button.click());
      });
      await wait(delay);
      browser.process()?.kill('SIGKILL');
      await wait(500);
      browser = await launchWhole(folder);
      page = await openPage(browser, server.url);
      await told('200 of 200 footprints');
      const levels = await levelsOf(page);
      expect([{ [from]: 200 }, { [to]: 200 }]).toContainEqual(levels);
    }
    await browser.close();
  });

  it('when two tabs change one footprint', async () => {
    const browser = await launch();
    const one = await openPage(browser, server.url);
    await takeDemo(one);
    await openFootprint(one, 'C12 supply bypass');
    const two = await openPage(browser, one.url());
    await two.waitForSelector('#entry-L');

    await one.bringToFront();
    await one.focus('#entry-L');
    await one.keyboard.type('1.7±0.1');
    await waitSaved(one);
    // the other tab has a change of its own that rests on the older revision
    await two.evaluate(() => {
      Object.defineProperty(document, 'visibilityState', { value: 'hidden', configurable: true });
    });
    await two.bringToFront();
    await two.focus('#entry-W');
    await two.keyboard.type('0.9±0.1');
    await two.waitForSelector('[role=alert]');
    expect(await two.$eval('[role=alert]', (e) => e.textContent)).toContain(
      'Another tab has saved this footprint',
    );
    await two.locator('button ::-p-text(Keep both)').click();
    await two.waitForFunction(() => !document.querySelector('[role=alert]'));
    expect(await valueOf(two, '#entry-L')).toBe('1.7±0.1');
    expect(await valueOf(two, '#entry-W')).toBe('0.8±0.1');

    const shelf = await openPage(browser, server.url);
    expect(
      await shelf.$$eval('main [role=listitem] a p:first-child', (names) => names.map((n) => n.textContent)),
    ).toContain('C12 supply bypass (my tab)');
    // a tab without changes of its own takes up what another one saved
    await one.bringToFront();
    await one.evaluate(() => dispatchEvent(new Event('focus')));
    expectNoFaults(two);
    await browser.close();
  });

  it('when files that cannot be read are imported', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'tapis-broken-'));
    const file = (name: string, text: string) => {
      writeFileSync(join(folder, name), text);
      return join(folder, name);
    };
    const browser = await launch();
    const page = await openPage(browser, server.url);
    await takeDemo(page);
    const before = await cards(page);
    const input = (await page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
    const importing = async (...paths: string[]) => {
      await input.uploadFile(...paths);
      await page.waitForFunction(() =>
        document.querySelector('[role=alert], header + [role=status]:not([aria-label])'),
      );
      const text = await page.$eval(
        '[role=alert], header + [role=status]:not([aria-label])',
        (e) => e.textContent ?? '',
      );
      await page.locator('button ::-p-text(Close)').click();
      await page.waitForFunction(
        () => !document.querySelector('[role=alert], header + [role=status]:not([aria-label])'),
      );
      return text;
    };
    expect(await importing(file('noise.json', '\u0000\u0001 not json'))).toContain(
      'noise.json: This is not JSON',
    );
    expect(await importing(file('newer.json', '{"tapis": 7, "name": "x"}'))).toContain(
      'version 7; this Tapis reads up to 2',
    );
    expect(
      await importing(file('half.json', '{"tapis": 1, "name": "x", "level": "B", "process": "standard"}')),
    ).toContain('“package” is missing');
    expect(await importing(file('huge.json', ' '.repeat(51_000_000)))).toContain('51 MB; at most 50 MB');
    expect(await cards(page)).toBe(before);

    const good = {
      tapis: 2,
      name: 'Good one',
      package: { family: 'rectangular-chip', dimensions: { L: 1 } },
      level: 'B',
      process: 'standard',
    };
    const mixed = file('mixed.json', JSON.stringify({ tapisShelf: 1, documents: [good, { tapis: 1 }] }));
    expect(await importing(mixed)).toMatch(/1 footprint added.*Document 2/);
    await expect.poll(() => cards(page)).toBe(before + 1);
    // the same once more is asked about, and makes no copy
    await input.uploadFile(mixed);
    const asked = 'dialog[open][aria-label="What is here already"]';
    await page.waitForSelector(`${asked} ::-p-text(the same)`);
    await page.locator(`${asked} button ::-p-text(Go on)`).click();
    await page.waitForSelector('::-p-text(Here already: Good one)');
    expect(await cards(page)).toBe(before + 1);
    expectNoFaults(page);
    await browser.close();
  });

  it('when a document has a family that this Tapis does not know', async () => {
    const browser = await launch();
    const page = await openPage(browser, server.url);
    const strange = {
      tapis: 2,
      name: 'Strange',
      package: { family: 'origami', dimensions: { X9: '1' } },
      level: 'B',
      process: 'moon',
    };
    const path = join(mkdtempSync(join(tmpdir(), 'tapis-strange-')), 'strange.json');
    writeFileSync(path, JSON.stringify(strange));
    const input = (await page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(path);
    await page.locator('a[title="Open Strange"]').click();
    await page.waitForSelector('aside article');
    for (const digit of ['2', '3', '4', '5', '6', '7', '1'] as const) await page.keyboard.press(digit);
    const findings = await page.$$eval('aside article', (cards) => cards.map((c) => c.textContent).join());
    expect(findings).toMatch(/“origami”.*rectangular-chip/);
    expect(findings).toMatch(/“moon”.*kitchen-table/);
    await page.locator('aside button ::-p-text(Use Rectangular chip)').click();
    await page.waitForSelector('#entry-L');
    expectNoFaults(page);
    await browser.close();
  });

  it('when a footprint is deleted: it waits in the bin', async () => {
    const browser = await launch();
    const page = await openPage(browser, server.url);
    await takeDemo(page);
    const before = await cards(page);
    await page.locator('main [role=listitem] ::-p-text(Delete)').click();
    await expect.poll(() => cards(page)).toBe(before - 1);
    await page.locator('button ::-p-text(Bin 1)').click();
    await page.locator('button ::-p-text(Put back)').click();
    await expect.poll(() => cards(page)).toBe(before);
    for (const gone of [1, 2]) {
      await page.locator('main [role=listitem] ::-p-text(Delete)').click();
      await expect.poll(() => cards(page)).toBe(before - gone);
    }
    await page.locator('button ::-p-text(Put all back)').click();
    await expect.poll(() => cards(page)).toBe(before);
    await page.type('input[type=search]', 'bypass 1608');
    // typing does not wait for what it finds
    await page.waitForFunction(() => document.querySelectorAll('main [role=listitem] a').length === 1);
    await browser.close();
  });
});
