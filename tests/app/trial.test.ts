import { statSync } from 'node:fs';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  expectNoFaults,
  launchWithDemo,
  openFootprint,
  openPage,
  savedFiles,
  server,
  valueOf,
  waitSaved,
  retype,
} from './harness';

let browser: Browser;
let page: Page;

beforeAll(async () => {
  browser = await launchWithDemo();
  page = await openPage(browser, server.url);
  await page.goto(`${server.url}/trials`, { waitUntil: 'networkidle0' });
  await page.locator('a[title="Open Tide-gauge logger board"]').click();
  await page.waitForSelector('section[aria-label=Sheet] svg .drawing');
});
afterAll(async () => browser.close());

const says = (text: string) =>
  page.waitForFunction((wanted) => document.body.textContent?.includes(wanted), {}, text);
const silent = (text: string) =>
  page.waitForFunction((wanted) => !document.body.textContent?.includes(wanted), {}, text);
/** Waits until the checks of what is drawn are done, and say this. */
const settled = (words: RegExp) =>
  page.waitForFunction(
    (wanted) => new RegExp(wanted).test(document.querySelector('[data-testid=summary]')?.textContent ?? ''),
    {},
    words.source,
  );
/** Presses a part in the list; it stays selected. */
async function select(reference: string): Promise<void> {
  await page.locator(`ul[aria-label="Parts on the board"] button ::-p-text(${reference})`).click();
  await page.waitForSelector(`section[aria-label="Part ${reference}"]`);
}
/** Waits until a field has a text. */
const holds = (label: string, text: string) =>
  page.waitForFunction(
    (name, wanted) => document.querySelector<HTMLInputElement>(`[aria-label="${name}"]`)?.value === wanted,
    {},
    label,
    text,
  );
/** Where a reference stands on the Sheet, in the window. */
async function placeOf(reference: string): Promise<{ x: number; y: number }> {
  return page.$$eval(
    'text.board-reference',
    (all, wanted) => {
      const box = all.find(({ textContent }) => textContent === wanted)?.getBoundingClientRect();
      if (!box) throw new Error(`${wanted} is not drawn`);
      return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    },
    reference,
  );
}

it('finds the two collisions of the demo, and mends them by its remedies', async () => {
  await settled(/^2 stops · \d+ held/);
  await says('Lead 9 of J2 comes out 1.40 mm under U2');
  await says('The courtyards of U10 and C5 overlap by 0.60 mm');
  const remedy = 'aside[aria-label=Ledger] button ::-p-text(Move C5 0.60 mm right)';
  // what it would come to shows before it is pressed
  await page.locator(remedy).hover();
  await says('2 → 1 open');
  await page.locator(remedy).click();
  await silent('The courtyards of U10 and C5 overlap');
  await page.locator('aside[aria-label=Ledger] button ::-p-text(Move U2 2.45 mm right)').click();
  await settled(/^\d+ held/);
  await page.keyboard.press('Escape');
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await says('The courtyards of U10 and C5 overlap by 0.60 mm');
});

it('places a footprint by typing, moves it by keys, and measures it from another edge in place', async () => {
  await page.keyboard.press('a');
  await page.keyboard.type('C12 supply');
  await page.waitForFunction(
    () => document.querySelectorAll('ul[aria-label="Footprints of the Shelf"] button').length === 1,
  );
  await page.keyboard.press('Enter');
  // C12 to C14 are taken by the row that is there
  await page.waitForSelector('section[aria-label="Part C1"]');
  await retype(page, '[aria-label="x of C1"]', '30');
  await retype(page, '[aria-label="y of C1"]', '1000mil');
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await holds('x of C1', '31');
  await page.select('select[aria-label="Edge that x of C1 is measured from"]', 'right');
  await holds('x of C1', '49');
  await page.keyboard.press('r');
  await holds('angle of C1', '90');
  // a place that cannot be read is told where it is typed, and leaves the part out
  await retype(page, '[aria-label="x of C1"]', 'ten');
  await page.waitForSelector('[aria-label="x of C1"][aria-invalid=true]');
  await says('left out');
  await page.keyboard.press('Escape');
  await holds('x of C1', '49');
  await page.locator('section[aria-label="Part C1"] button ::-p-text(Remove)').click();
  await page.waitForFunction(() => !document.querySelector('section[aria-label="Part C1"]'));
});

it('drags a part against its neighbour, and tells how far it is to what is about it', async () => {
  await select('U8');
  const [from, other] = [await placeOf('U8'), await placeOf('U7')];
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  // their courtyards are 7.4 and 8.0 wide: middles 7.7 apart where they touch
  const scale = (other.x - from.x) / 14;
  await page.mouse.move(from.x + 2, from.y, { steps: 3 });
  await page.mouse.move(other.x - 7.7 * scale - 1, from.y, { steps: 6 });
  await says('against U7');
  await page.mouse.up();
  await holds('x of U8', '50.3');
  await settled(/^2 stops/);
  // further, and they collide; one step of undo takes the drag back
  await page.keyboard.press('Escape');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('ArrowRight');
  await says('The courtyards of U7 and U8 overlap by 0.50 mm');
  await page.locator('button[aria-label=Undo]').click();
  await page.locator('button[aria-label=Undo]').click();
  await holds('x of U8', '44');
});

it('moves a text, tells where it cannot be read, and clears all of them by one press', async () => {
  await select('U7');
  await page.locator('section[aria-label="Part U7"] summary ::-p-text(Texts)').click();
  await page.select('select[aria-label="place of the reference of U7"]', 'point');
  await retype(page, '[aria-label="x of the reference of U7"]', '30');
  await says('The reference of U7 is printed');
  await page.locator('main button ::-p-text(Clear all texts)').click();
  await says('1 text moved: reference of U7');
  await silent('The reference of U7 is printed');
  for (let i = 0; i < 3; i += 1) await page.locator('button[aria-label=Undo]').click();
  await page.waitForFunction(
    () =>
      document.querySelector<HTMLSelectElement>('select[aria-label="place of the reference of U7"]')
        ?.value === '',
  );
});

it('swaps a variant in, and shows what then collides before it is taken', async () => {
  await select('U4');
  const swap = 'section[aria-label="Part U4"] button ::-p-text(Take U4 tide converter, hand etching)';
  await page.locator(swap).hover();
  await says('open then');
  await page.locator(swap).click();
  await page.waitForFunction(() =>
    document.querySelector('section[aria-label="Part U4"]')?.textContent?.includes('Take U4 tide converter'),
  );
  await says('is made for Kitchen table');
  await page.locator('button[aria-label=Undo]').click();
  await silent('is made for Kitchen table');
});

it('tells that a revision of a placed footprint was approved, and takes it', async () => {
  await waitSaved(page);
  const trial = page.url();
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, 'U8 log memory');
  await page.locator('#entry-A').click({ count: 3 });
  await page.keyboard.type('max 0.95');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await waitSaved(page);
  await page.keyboard.press('7');
  await retype(page, '[aria-label="Note of the revision"]', 'higher lid');
  await page.select('select[aria-label="State of the revision"]', 'approved');
  await page.locator('button ::-p-text(Keep revision)').click();
  await page.waitForSelector('button[aria-label="Revision 1, approved"]');
  // where it is used stands on its own Bench
  await page.locator('section[aria-label="Used where"] a ::-p-text(Tide-gauge logger board)').click();
  await says('U8 log memory has revision 1 approved.');
  expect(page.url()).toBe(trial);
  await page.locator('button ::-p-text(Take the newer one)').click();
  await silent('has revision 1 approved');
  await select('U8');
  await says('revision 1');
});

it('is looked at from below and in 3D, keeps over a reload, and takes mil', async () => {
  await page.keyboard.press('b');
  await says('From below');
  await page.keyboard.press('b');
  await silent('From below');
  await page.keyboard.press('t');
  await page.waitForSelector('section[aria-label=Sheet] canvas');
  await page.keyboard.press('t');
  await select('U1');
  await retype(page, '[aria-label="x of U1"]', '38.5');
  await page.keyboard.press('Enter');
  await waitSaved(page);
  await page.reload({ waitUntil: 'networkidle0' });
  await select('U1');
  expect(await valueOf(page, '[aria-label="x of U1"]')).toBe('38.5');
  await page.keyboard.press('u');
  await holds('x of U1', '38.5 mm');
  await retype(page, '[aria-label="x of U1"]', '1500');
  // the step of the arrow keys stays what it was
  await holds('Step of arrow keys and dragging', '0.5 mm');
  await says('U1 at 1500');
  await page.keyboard.press('Enter');
  await page.keyboard.press('u');
  await holds('x of U1', '1500mil');
});

it('writes the board in every format, and the trial itself, which comes in again', async () => {
  const saved = await savedFiles(browser);
  await page.locator('button ::-p-text(Hand over)').click();
  await page.waitForSelector('section[aria-label="Hand over"] li:nth-child(8)');
  const files: readonly (readonly [string, RegExp])[] = [
    ['Drawing', /\.drawing\.pdf$/],
    ['Plan drawing', /\.svg$/],
    ['Artwork', /\.artwork\.zip$/],
    ['IPC-2581', /\.ipc2581\.xml$/],
    ['Board with bodies as solids', /\.step$/],
    ['IDF board and library', /\.idf\.zip$/],
    ['Placement list', /\.placement\.csv$/],
    ['The trial itself', /\.tapis-trial\.json$/],
  ];
  let path = '';
  for (const [name, file] of files) {
    await page.$$eval(
      'section[aria-label="Hand over"] li button',
      (all, wanted) => (all.find(({ textContent }) => textContent === wanted) as HTMLElement).click(),
      name,
    );
    path = await saved(file);
    expect(statSync(path).size).toBeGreaterThan(500);
    await page.waitForFunction(
      () => !document.querySelector('section[aria-label="Hand over"] button:disabled'),
    );
  }
  await page.goto(`${server.url}/trials`, { waitUntil: 'networkidle0' });
  const input = await page.waitForSelector('input[aria-label="File with a trial"]');
  await (input as ElementHandle<HTMLInputElement>).uploadFile(path);
  await page.waitForSelector('section[aria-label=Sheet] svg .drawing');
  await settled(/^2 stops/);
  expectNoFaults(page);
});
