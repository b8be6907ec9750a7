import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  downloadsOf,
  expectNoFaults,
  openDemo,
  openFootprint,
  retype,
  server,
  valueOf,
  waitSaved,
} from './harness';

let browser: Browser;
let page: Page;

beforeAll(async () => ({ browser, page } = await openDemo()));
afterAll(() => browser.close());

const told = (words: string) =>
  page.waitForFunction((text) => document.body.textContent?.includes(text), {}, words);
const gone = (words: string) =>
  page.waitForFunction((text) => !document.body.textContent?.includes(text), {}, words);
const undoes = () => page.$eval('[aria-label=Undo]', (button) => (button as HTMLButtonElement).title);

it('undo goes on after a reload, and says what each step was', async () => {
  await openFootprint(page, 'C12 supply bypass');
  const before = await valueOf(page, '#entry-L');
  await retype(page, '#entry-L', '1.75±0.1');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.locator('[aria-label="Density level"] button ::-p-text(C)').click();
  expect(await undoes()).toBe('Undo: level');
  await waitSaved(page);
  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForSelector('#entry-L');
  expect(await undoes()).toBe('Undo: level');
  await page.locator('[aria-label=Undo]').click();
  expect(await undoes()).toBe('Undo: dimension L');
  await page.locator('[aria-label=Undo]').click();
  expect(await valueOf(page, '#entry-L')).toBe(before);
  await waitSaved(page);
  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForSelector('#entry-L');
  await page.locator('[aria-label=Redo]').click();
  expect(await valueOf(page, '#entry-L')).toBe('1.75±0.1');
  await waitSaved(page);
  expectNoFaults(page);
});

it('keeps a revision, locks the approved one, goes on, and brings it back', async () => {
  await page.keyboard.press('Escape');
  await page.keyboard.press('7');
  await retype(page, '[aria-label="Note of the revision"]', 'for the first board');
  await page.select('select[aria-label="State of the revision"]', 'approved');
  await page.locator('button ::-p-text(Keep revision 1)').click();
  await told('Revision 1 is approved and locked.');
  // what is approved is not changed, over a reload too
  await page.reload({ waitUntil: 'networkidle0' });
  await page.locator('[aria-label="Density level"] button ::-p-text(A)').click();
  await told('Not taken: Revision 1 is approved');
  await page.locator('[role=alert] button ::-p-text(Go on with revision 2)').click();
  await gone('is approved and locked');
  await page.locator('[aria-label="Density level"] button ::-p-text(A)').click();
  await told('differs in level');
  await waitSaved(page);

  await page.hover('button[aria-label="Revision 1, approved"]');
  await page.waitForSelector('[role=tooltip]');
  expect(await page.$eval('[role=tooltip]', (tip) => tip.textContent)).toMatch(
    /for the first board.*Changed since: level\./,
  );
  await page.mouse.move(600, 500);
  await page.locator('button ::-p-text(Bring back)').click();
  await told('as it stands');
  expect(await page.$eval('[aria-label="Density level"] [aria-pressed=true]', (one) => one.textContent)).toBe(
    'B',
  );
  await page.select('select[aria-label="State of revision 1"]', 'withdrawn');
  await page.waitForSelector('button[aria-label="Revision 1, withdrawn"]');
  expectNoFaults(page);
});

it('holds two side by side: a variant and its original, a revision, another level', async () => {
  await page.keyboard.press('7');
  await page.locator('button ::-p-text(For hand etching)').click();
  await page.waitForSelector('section[aria-label="Variants"]');
  await page.locator('section[aria-label="Variants"] a ::-p-text(Side by side)').click();
  await page.waitForFunction(
    () => document.querySelector('main [role=status]')?.textContent === 'The copper differs.',
  );
  const list = () => page.$eval('main', (main) => main.textContent ?? '');
  expect(await list()).toMatch(/process\s*standard → kitchen-table/i);
  expect(await page.$$eval('section[aria-label=Sheet] svg .drawing', (all) => all.length)).toBe(2);
  // what differs by less than half a millimetre is left out of the list, and the copper differs all the same
  await retype(page, '[aria-label="Smallest difference of lengths, mm"]', '0.5');
  await page.waitForFunction(() => !document.querySelector('main')?.textContent?.includes('Land upright'));
  expect(await list()).toContain('The copper differs.');
  await retype(page, '[aria-label="Smallest difference of lengths, mm"]', '0');
  await page.locator('main a ::-p-text(Land across)').hover();
  await page.waitForSelector('section[aria-label=Sheet] svg rect.ring');
  // the original beside its own other level
  const url = new URL(page.url());
  const [, , original] = url.pathname.split('/');
  await page.goto(`${server.url}/side-by-side/${original}/${original}`, { waitUntil: 'networkidle0' });
  await page.waitForFunction(
    () => document.querySelector('main [role=status]')?.textContent === 'The copper is the same.',
  );
  await page.select('select[aria-label="Level of B"]', 'A');
  await page.waitForFunction(
    () => document.querySelector('main [role=status]')?.textContent === 'The copper differs.',
  );
  expect(page.url()).toContain('level%3DA');
  await page.select('select[aria-label="Revision of A"]', '1');
  await page.waitForFunction(() => location.pathname.includes('revision'));
  // a difference leads to where it is mended
  await page.locator('main a ::-p-text(level)').click();
  await page.waitForFunction(() => location.pathname.endsWith('/land'));
  // the lands of a datasheet beside the computed ones, in mil too
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'U10 charge regulator');
  const other = new URL(page.url()).pathname.split('/')[2];
  await page.goto(`${server.url}/side-by-side/${other}~pattern%3Dcomputed/${other}~pattern%3Drecommended`, {
    waitUntil: 'networkidle0',
  });
  await page.waitForFunction(
    () => document.querySelector('main [role=status]')?.textContent === 'The copper differs.',
  );
  expect(await list()).toMatch(/Land across.*mm/);
  await page.locator('[aria-label="Unit shown"] button ::-p-text(mil)').click();
  await page.waitForFunction(() =>
    /Land across.*mil/.test(document.querySelector('main')?.textContent ?? ''),
  );
  await page.locator('main a ::-p-text(Land across)').click();
  // the land is selected there
  await page.waitForFunction(() =>
    /land 1\b/i.test(document.querySelector('[aria-label=Sheet]')?.textContent ?? ''),
  );
  await page.goto(`${server.url}/side-by-side/none/${original}`, { waitUntil: 'networkidle0' });
  await told('not in this browser any more');
  expectNoFaults(page);
});

it('reviews what changed since a revision, as a page for who approves it', async () => {
  const saved = await downloadsOf(browser);
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'C12 supply bypass');
  await page.locator('[aria-label="Density level"] button ::-p-text(A)').click();
  await waitSaved(page);
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await retype(page, 'input[aria-label="Search the Shelf"]', 'bypass');
  await page.waitForFunction(() => document.querySelectorAll('main [role=listitem]').length < 4);
  await page.locator('main [role=listitem] input[type=checkbox]').click();
  await page.locator('[role=toolbar] button ::-p-text(all shown)').click();
  await page.select('select[aria-label="Review the selected"]', 'kept');
  await told('1 changed');
  await page.locator('dialog button ::-p-text(Save the page)').click();
  const html = await saved(/^review\.html$/);
  expect(html).toContain('C12 supply bypass');
  expect(html).toContain('since the last kept revision');
  expect(html).toMatch(/level.*B.*A/);
  await page.locator('dialog button ::-p-text(Save the summary)').click();
  expect(await saved(/^review\.md$/)).toMatch(/\*\*C12 supply bypass\*\* \(changed/);
  expectNoFaults(page);
});
