import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliDecompressSync } from 'node:zlib';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  columnOf,
  downloadsOf,
  expectNoFaults,
  openDemo,
  openFootprint,
  server,
  valueOf,
  waitSaved,
  retype,
} from './harness';

let browser: Browser;
let page: Page;

beforeAll(async () => ({ browser, page } = await openDemo()));
afterAll(() => browser.close());

const { main, until, press } = columnOf(() => page);
const give = async (path: string) => {
  const input = (await page.waitForSelector(
    'input[aria-label="Model file"]',
  )) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(path);
};
const giveForeign = (name: string) => {
  const path = join(mkdtempSync(join(tmpdir(), 'tapis-')), `${name}.step`);
  writeFileSync(path, brotliDecompressSync(readFileSync(`tests/data/foreign/${name}.step.br`)));
  return give(path);
};
const rise = async (name: string) => {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await openFootprint(page, name);
  await page.keyboard.press('5');
};
/** The table of what is left over, as rows of text. */
const residuals = () =>
  page.$$eval('main table tbody tr', (rows) => rows.map((row) => row.innerText.replace(/\s+/g, ' ').trim()));
const offset = (axis: string) => valueOf(page, `main input[aria-label="Offset ${axis}"]`);

it('seats a model that lies on its side, in inches, with two pegs', async () => {
  await openFootprint(page, 'J3 sensor connector');
  // dropped onto the Sheet, wherever the person is at work
  const text64 = readFileSync('public/demo/HS-SC12.step').toString('base64');
  await page.evaluate((data) => {
    const file = new File([Uint8Array.from(atob(data), (c) => c.charCodeAt(0))], 'HS-SC12.step');
    const dropped = new DataTransfer();
    dropped.items.add(file);
    const sheet = document.querySelector('section[aria-label="Sheet"]')!;
    for (const type of ['dragenter', 'dragover', 'drop'])
      sheet.dispatchEvent(new DragEvent(type, { dataTransfer: dropped, bubbles: true, cancelable: true }));
  }, text64);
  await until('Seated in');
  const text = await main();
  const [, contacts] = /Seated in [\d.]+ s: (\d+) contacts/.exec(text) ?? [];
  expect(contacts).toBe('14');
  expect(text).toContain('Taken as drawn in inches: made larger by 25.4');
  expect(text).toContain('about Z');
  expect(await valueOf(page, 'main input[aria-label="Turn about x, degrees"]')).toBe('90');
  const rows = await residuals();
  expect(rows).toHaveLength(12);
  for (const row of rows) {
    const values = row.replaceAll('−', '-').split(' ').slice(1).map(Number);
    expect(Math.max(...values.map(Math.abs))).toBeLessThan(5);
  }
});

it('keeps the model over undo, redo and reload', async () => {
  await page.keyboard.press('Escape');
  await page.click('header button[aria-label="Undo"]');
  await until('Drop a STEP, STL or glTF file');
  await page.click('header button[aria-label="Redo"]');
  await until('HS-SC12.step');
  await waitSaved(page);
  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForSelector('section[aria-label="Sheet"] svg');
  await page.keyboard.press('5');
  await until('Left over');
  expect(await page.$$('.elevation .layer-model')).toHaveLength(2);
});

it('updates what is left over while it is nudged by typing and by dragging', async () => {
  await page.locator('main input[aria-label="Offset X"]').click({ count: 3 });
  await page.keyboard.type('-3.0');
  await page.keyboard.press('Enter');
  await until('100 µm at most');
  await press('contacts');
  await page.waitForFunction(() => !document.querySelector('main')?.innerText.includes('100 µm at most'));
  const before = await offset('Z');
  const model = (await page.waitForSelector('.elevation .layer-model')) as ElementHandle;
  const box = (await model.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  for (let i = 1; i <= 6; i += 1)
    await page.mouse.move(box.x + box.width / 2 + 12 * i, box.y + box.height / 2 - 3 * i);
  await page.mouse.up();
  const moved = [await offset('X'), await offset('Y'), await offset('Z')];
  expect(moved[2]).not.toBe(before);
  // one drag is one step
  await page.click('header button[aria-label="Undo"]');
  expect(await offset('Z')).toBe(before);
});

it('puts a model back to its place once a missing file is given again', async () => {
  await waitSaved(page);
  const before = [await offset('X'), await offset('Y'), await offset('Z')];
  await page.evaluate(
    () =>
      new Promise((done) => {
        const opening = indexedDB.open('tapis');
        opening.onsuccess = () => {
          const clearing = opening.result.transaction('models', 'readwrite');
          clearing.objectStore('models').clear();
          clearing.oncomplete = () => done(opening.result.close());
        };
      }),
  );
  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForSelector('section[aria-label="Sheet"] svg');
  await page.keyboard.press('5');
  await until('Its file is not in this browser');
  await give('public/demo/HS-SC12.step');
  await until('Left over');
  expect([await offset('X'), await offset('Y'), await offset('Z')]).toEqual(before);
});

it('tells what is wrong with a file and leaves the document as it is', async () => {
  await rise('J2 debug header');
  const folder = mkdtempSync(join(tmpdir(), 'tapis-models-'));
  const file = (name: string, content: string | Uint8Array) => {
    writeFileSync(join(folder, name), content);
    return join(folder, name);
  };
  const cases: [string, string][] = [
    [file('empty.step', ''), 'is empty'],
    [file('letter.step', 'Dear Sir or Madam,'), 'begins with “Dear Sir or Madam,”'],
    [
      file(
        'noise.stl',
        Uint8Array.from({ length: 4000 }, (_, i) => (i * 7919) % 256),
      ),
      'not an STL file',
    ],
    [file('cut.step', 'ISO-10303-21;\nHEADER;\n'), 'was cut off'],
    [file('large.step', new Uint8Array(20_500_000)), 'has 20.5 MB'],
  ];
  for (const [path, words] of cases) {
    await give(path);
    await page.waitForFunction(
      (text) => document.querySelector('main [role=alert]')?.textContent?.includes(text),
      {},
      words,
    );
    expect(await main()).toContain('Drop a STEP, STL or glTF file');
  }
  await page.waitForFunction(
    () => document.querySelector<HTMLButtonElement>('header button[aria-label="Undo"]')?.disabled,
  );
});

it('seats the demo’s lying model again and hands everything over', async () => {
  await rise('J4 sensor connector, maker’s model');
  await until('Seat it again');
  await press('Seat it again');
  await until('Seated in');
  await page.keyboard.press('7');
  const saved = await downloadsOf(browser);
  await page.locator('button[aria-label="Save Body as solids"]').click();
  expect(await saved(/\.step$/)).toMatch(/^ISO-10303-21;/);
  await page.locator('button[aria-label="Save Placement of the models"]').click();
  const placed = JSON.parse(await saved(/\.placement\.json$/)) as {
    model: { scale: number; rotation: { x: number } };
  };
  expect(placed.model).toMatchObject({ scale: 25.4, rotation: { x: 90 } });
  await page.locator('button[aria-label="Save Document with its model"]').click();
  expect(await saved(/\.tapis\.json$/)).toContain('"data": "');
});

it('says of another part what the Ledger says of it', async () => {
  await rise('U4 tide converter');
  // ten leads of the same pitch and span, where the part has sixteen
  await giveForeign('gull-10-leads');
  await until('Seated in');
  const panel = await page.$$eval('[aria-label="What the Ledger says of the model"] li', (items) =>
    items.map((item) => item.querySelector('span')?.textContent ?? ''),
  );
  const ledger = await page.$$eval('article[aria-label^="Finding"]', (cards) =>
    cards.map((card) => (card as HTMLElement).innerText),
  );
  expect(panel.some((words) => words.includes('touches 10 of 16'))).toBe(true);
  for (const words of panel) expect(ledger.some((text) => text.includes(words))).toBe(true);
  expect(await main()).toContain('shifted');
});

it('takes a lean out that was typed in', async () => {
  await retype(page, 'main input[aria-label="Turn about y, degrees"]', '2');
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => document.body.innerText.includes('leans by 2°'));
  await page.locator('button ::-p-text(Stand it upright)').click();
  await page.waitForFunction(() => !document.body.innerText.includes('leans by'));
  expect(await valueOf(page, 'main input[aria-label="Turn about y, degrees"]')).toBe('0');
  await press('leave out');
  await waitSaved(page);
});

it('has a worker for the CAD kernel with a policy of its own, and the page keeps its strict one', async () => {
  const policies = new Map<string, string>();
  page.on('response', (response) => {
    const name = new URL(response.url()).pathname;
    policies.set(name, response.headers()['content-security-policy'] ?? '');
  });
  await rise('U4 tide converter');
  await give('public/demo/HS-SC12.step');
  await until('contacts');
  const [worker] = [...policies].filter(([name]) => name.includes('worker-read-model.'));
  const answer = await fetch(`${server.url}${worker?.[0] ?? ''}`);
  expect(answer.headers.get('content-security-policy')).toContain("'wasm-unsafe-eval'");
  const pages = [...policies].filter(([name]) => name === '/').map(([, policy]) => policy);
  expect(pages.length).toBeGreaterThan(0);
  for (const policy of pages) expect(policy).not.toContain('unsafe');
  expectNoFaults(page);
});
