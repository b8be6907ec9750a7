import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  columnOf,
  downloadsOf,
  expectNoFaults,
  openDemo,
  openFootprint,
  server,
  summaryOf,
  waitSaved,
} from './harness';

let browser: Browser;
let page: Page;

beforeAll(async () => ({ browser, page } = await openDemo()));
afterAll(() => browser.close());

const fill = async (label: string, text: string) => {
  await page.locator(`main input[aria-label="${label}"]`).click({ count: 3 });
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
};
const { main, until, press } = columnOf(() => page);
const selectLand = (row: 'first' | 'last') =>
  page.$$eval(
    'main tbody tr.cursor-pointer',
    (rows, which) =>
      (which === 'first' ? rows[0] : rows.at(-1))?.dispatchEvent(new MouseEvent('click', { bubbles: true })),
    row,
  );

it('builds a no-lead part with a thermal land, nine windows, vias and a land 1 of its own', async () => {
  await page.locator('button ::-p-text(New footprint)').click();
  await page.waitForSelector('dialog[open] li');
  await page.type('dialog input', 'no-lead, four sides');
  await Promise.all([page.waitForNavigation(), page.keyboard.press('Enter')]);
  await page.waitForSelector('#entry-n');
  const sizes = await page.$$('main select');
  const typical = sizes.at(-1);
  const options = await typical?.$$eval('option', (all) => all.map((o) => [o.value, o.textContent] as const));
  const large = options?.find(([, name]) => /32 terminals/.test(name ?? ''));
  await typical?.select(large?.[0] ?? '');
  await page.waitForFunction(() => document.querySelector<HTMLInputElement>('#entry-n')?.value === '32');

  await page.focus('#entry-A');
  await page.keyboard.type('0.8..0.9');
  await page.keyboard.press('Enter');
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press('3');
  await until('Pad table');
  await selectLand('last');
  await until('Windows across');
  await fill('Windows across', '3');
  await fill('upright', '3');
  await until('9 windows');
  await page.$$eval('main summary', (all) => all.find((s) => s.textContent?.startsWith('Vias'))?.click());
  await page.locator('main label ::-p-text(Vias in the pad)').click();
  await until('Press a via to leave it out');
  await fill('Pitch', '0.8');
  const before = (await page.$$('[aria-label="Vias of the grid"] button[aria-pressed=true]')).length;
  expect(before).toBeGreaterThanOrEqual(9);
  for (const which of [1, 3])
    await page.$$eval('[aria-label="Vias of the grid"] button', (all, i) => all[i]?.click(), which);
  await page.waitForFunction(
    (count) =>
      document.querySelectorAll('[aria-label="Vias of the grid"] button[aria-pressed=true]').length === count,
    {},
    before - 2,
  );
  // open vias are a caution, and filling them mends it
  expect(await page.$eval('aside', (element) => element.textContent)).toContain('open vias');
  await page.locator('aside button ::-p-text(Fill and cap the vias)').click();
  await page.waitForFunction(() => !document.querySelector('aside')?.textContent?.includes('open vias'));

  await selectLand('first');
  await press('Give land 1 its own');
  await until('Land 1 alone');
  await page.$$eval('main select', (all) => {
    const shape = all.find((select) =>
      [...select.options].some(({ value }) => value === 'd-shape'),
    ) as HTMLSelectElement;
    const set = Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value')?.set;
    set?.call(shape, 'chamfered');
    shape.dispatchEvent(new Event('change', { bubbles: true }));
  });
  await page.waitForFunction(() => /f[\dq]+llul/.test(document.querySelector('main')?.innerText ?? ''));
  expect(await main()).toMatch(/4 padstacks/);
  await waitSaved(page);
});

it('tells what another process costs, and takes it back', async () => {
  const before = await summaryOf(page);
  await page.select('select[aria-label="Process"]', 'kitchen-table');
  await page.waitForSelector('[aria-label="What Kitchen table changes"] tr');
  const rows = await page.$$eval('[aria-label="What Kitchen table changes"] tr', (all) =>
    all.map((row) => row.textContent),
  );
  expect(rows.join('\n')).toMatch(/land width/);
  expect(await summaryOf(page)).toMatch(/stop/);
  await page.locator('button[aria-label="Put away"]').click();
  await page.locator('button[aria-label="Undo"]').click();
  await page.waitForFunction(
    (text) => document.querySelector('[data-testid="summary"]')?.textContent === text,
    {},
    before,
  );
});

it('simulates the joint of a land, cancels, and says what brings the spread', async () => {
  await page.keyboard.press('6');
  await until('Joint of land');
  await page.select('select[aria-label="Samples"]', '100000');
  await press('Simulate');
  await until('100,000 samples, normal');
  const text = await main();
  expect(text).toContain('100,000 samples, normal, seed 1');
  expect(text).toMatch(/brings \d+ % of the spread/);
  expectNoFaults(page);
});

it('keeps how a tolerance spreads, as it was measured, over a reload', async () => {
  const path = join(mkdtempSync(join(tmpdir(), 'tapis-measured-')), 'placed.csv');
  writeFileSync(path, Array.from({ length: 60 }, (_, i) => ((i % 7) - 2) / 100).join('\n'));
  await page.locator('main summary ::-p-text(How tolerances spread)').click();
  await page.select('select[aria-label="Tolerance"]', 'Placement along');
  await (await page.waitForSelector('input[aria-label="Measurements of placement along"]'))?.uploadFile(path);
  await until('60 from placed.csv: bias 0.0');
  await waitSaved(page);
  await page.reload({ waitUntil: 'networkidle0' });
  await until('How tolerances spread, 1 said otherwise');
  await page.locator('main summary ::-p-text(How tolerances spread)').click();
  await page.select('select[aria-label="Tolerance"]', 'Placement along');
  await until('60 from placed.csv: bias 0.0');
  await page.select('select[aria-label="How it spreads"]', 'usual');
  await page.waitForFunction(() => !document.body.textContent?.includes('said otherwise'));
  expectNoFaults(page);
});

it('finds the best land, shows it on the Sheet, takes it, and leads to what causes bad joints', async () => {
  await press('Look for it');
  await page.waitForSelector('select[aria-label="Land"]');
  await page.select('select[aria-label="Land"]', 'best');
  await page.waitForSelector('section[aria-label="Sheet"] path.preview');
  expect(await main()).toMatch(/ppm bad joints/);
  await page.select('select[aria-label="Land"]', 'own');
  await page.waitForFunction(() => !document.querySelector('section[aria-label="Sheet"] path.preview'));
  await page.select('select[aria-label="Land"]', 'best');
  await press('Take this land');
  await until('The footprint has changed since');
  await page.keyboard.press('2');
  await page.waitForFunction(() =>
    [...document.querySelectorAll<HTMLInputElement>('input[aria-label$="set by hand"]')].some(
      ({ value }) => value !== '',
    ),
  );
  await page.keyboard.press('6');
  await page.locator('[aria-label="What matters"] li button').click();
  await page.waitForFunction(
    () => location.pathname === '/processes' || document.activeElement?.id.startsWith('entry-'),
  );
  expectNoFaults(page);
});

it('waives a finding with a reason, and takes the waiver back', async () => {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'U7 buoy transceiver');
  await page.keyboard.press('6');
  await until('Usable with care');
  await press('Waive');
  await page.type('input[aria-label="Why this is acceptable"]', 'checked against a part');
  await page.type('input[aria-label="Who accepts it"]', 'K. Lund');
  await page.keyboard.press('Enter');
  await until('Accepted by K. Lund: checked against a part');
  expect(await summaryOf(page)).toMatch(/1 waived/);
  await press('Take the waiver back');
  await until('Usable with care');
});

it('numbers lands by pressing them, and by arrows and Enter', async () => {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'U4 tide converter');
  await page.keyboard.press('4');
  await press('Number by pressing lands');
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  // first arrow selects land 1, then down to land 2
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await page.waitForFunction(
    () =>
      document.querySelector<HTMLInputElement>('input[aria-label="Number of the land at position 2"]')
        ?.value === '1',
  );
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await page.waitForFunction(
    () =>
      document.querySelector<HTMLInputElement>('input[aria-label="Number of the land at position 15"]')
        ?.value === '2',
  );
  await press('Done');
  expect(await summaryOf(page)).toMatch(/stop/);
});

it('edits a copy of a process, uses it, and keeps the document as it was until told', async () => {
  await page.goto(`${server.url}/processes`, { waitUntil: 'networkidle0' });
  await page.locator('button ::-p-text(Make a copy to edit)').click();
  await page.waitForSelector('#field-minGap');
  const gap = async (text: string) => {
    await page.locator('#field-minGap').click({ count: 3 });
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  };
  await gap('wide');
  await page.waitForFunction(() => /expected a number/.test(document.querySelector('main')?.innerText ?? ''));
  await page.keyboard.press('Escape');
  await gap('8mil');
  await page.waitForFunction(() => /Was 0.15/.test(document.querySelector('main')?.innerText ?? ''));
  const saved = await downloadsOf(browser);
  await page.locator('button ::-p-text(Save as a file)').click();
  expect(JSON.parse(await saved(/standard-copy\.tapis-process\.json$/))).toMatchObject({
    minGap: 0.2032,
    basedOn: 'standard',
  });

  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'U4 tide converter');
  await page.waitForFunction(() =>
    document.querySelector('select[aria-label="Process"]')?.textContent?.includes('(copy)'),
  );
  await page.select('select[aria-label="Process"]', 'standard-copy');
  await page.waitForSelector('[aria-label^="What Standard two-sided (copy)"]');
  await waitSaved(page);
  await page.goto(`${server.url}/processes#standard-copy`, { waitUntil: 'networkidle0' });
  await page.waitForSelector('#field-minGap');
  await gap('0.25');
  await page.waitForFunction(
    () => document.querySelector<HTMLInputElement>('#field-minGap')?.value === '0.25',
  );
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'U4 tide converter');
  await page.locator('button ::-p-text(Take its new numbers)').click();
  await page.waitForFunction(
    () => !document.querySelector('header')?.textContent?.includes('Take its new numbers'),
  );
  expectNoFaults(page);
  // what a house wants moves out of it, and no land changes
  await page.goto(`${server.url}/processes#standard-copy`, { waitUntil: 'networkidle0' });
  await page.locator('#field-rounding').click({ count: 3 });
  await page.keyboard.type('0.02');
  await page.keyboard.press('Enter');
  await page.locator('button ::-p-text(Move them into a standard)').click();
  await page.waitForFunction(() =>
    document.body.innerText.includes('says them now; 0 footprints on the Shelf'),
  );
  await page.goto(`${server.url}/standards`, { waitUntil: 'networkidle0' });
  await page.waitForFunction(() =>
    document.body.innerText.includes('House standard of Standard two-sided (copy)'),
  );
});
