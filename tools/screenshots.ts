// npm run shots: takes the pictures in docs/screenshots from the demo board, on the built server.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { compileAndCheck } from '../src/core/check/guarded';
import type { TapisDocument } from '../src/core/document/document';
import { applyEdits } from '../src/core/document/edit';
import { compile } from '../src/core/footprint/compile';
import { checkPages } from '../src/core/format/paper-check/paper-check';
import { drawingSheets } from '../src/core/format/paper/sheet';
import { svgOf } from '../src/core/format/paper/svg';
import { reportPages } from '../src/core/format/report/report';
import { reviewHtml } from '../src/core/format/review/html';
import { reviewOf } from '../src/core/library/review';
import { DEMO_DOCUMENTS } from '../src/demo/documents';

const FOLDER = 'docs/screenshots';
const server = spawn('node', ['tools/start.mjs', '0'], { stdio: ['ignore', 'pipe', 'inherit'] });
// a step that fails must not leave the server behind
process.on('exit', () => server.kill());
const url = await new Promise<string>((resolve) => {
  server.stdout.on('data', (data: Buffer) => {
    const address = /http:\/\/127\.0\.0\.1:\d+/.exec(data.toString());
    if (address) resolve(address[0]);
  });
});
const browser = await puppeteer.launch({
  executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
  headless: true,
  args: [
    '--no-sandbox',
    '--disable-quic',
    '--disable-background-networking',
    '--disable-gpu',
    '--enable-unsafe-swiftshader',
  ],
  defaultViewport: { width: 1280, height: 800 },
});
const page = await browser.newPage();
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

async function shoot(name: string): Promise<void> {
  await wait(400);
  await page.screenshot({ path: `${FOLDER}/${name}.png` });
}

async function open(name: string): Promise<void> {
  await page.goto(url, { waitUntil: 'networkidle0' });
  // only what is near the window is on the page
  await page.locator('input[type=search]').fill(name.split(' ')[0] ?? name);
  await page.locator(`a[title="Open ${name}"]`).click();
  await page.waitForSelector('section[aria-label="Sheet"] svg');
}

/** One picture of what is handed over on paper: the drawing's first sheets, the report, the paper check. */
async function shootPapers(): Promise<void> {
  const radio = DEMO_DOCUMENTS.find(({ name }) => name === 'U9 radio front end');
  const compiled = radio && compile(radio);
  if (!compiled?.footprint) throw new Error('the radio gives no footprint');
  const written = { ...compiled, footprint: compiled.footprint };
  const about = { date: '2026-05-04', revision: '2, approved' };
  const [pattern, body] = drawingSheets(written, about);
  const [first, second, third] = reportPages(written, about);
  const [check] = checkPages([written], about);
  const sheets = [pattern, body, first, second, third, check].map((sheet) =>
    sheet ? svgOf(sheet, 'sheet').replace(/^<\?xml[^>]*\?>/, '') : '',
  );
  await page.goto(`${url}/processes`, { waitUntil: 'networkidle0' });
  const row = (some: readonly string[]) =>
    `<div class="flex min-h-0 flex-1 gap-2">${some.map((svg) => `<div class="min-w-0 flex-1 overflow-hidden bg-white">${svg}</div>`).join('')}</div>`;
  await page.evaluate(
    (html) => {
      document.body.innerHTML = html;
      for (const svg of document.querySelectorAll('svg')) {
        svg.setAttribute('width', '100%');
        svg.setAttribute('height', '100%');
      }
    },
    `<div class="bg-base-300 flex h-screen flex-col gap-2 p-2">${row(sheets.slice(0, 2))}${row(sheets.slice(2))}</div>`,
  );
  await shoot('hand-over');
}

/** A drawn datasheet of the demo beside a new footprint, with what was understood of it. */
async function shootSource(file: string): Promise<void> {
  await page.goto(url, { waitUntil: 'networkidle0' });
  await page.locator('button ::-p-text(New footprint)').click();
  await page.waitForSelector('dialog[open] li');
  await page.type('dialog input', 'no-lead quad');
  await Promise.all([page.waitForNavigation(), page.keyboard.press('Enter')]);
  await page.locator('button ::-p-text(Read the datasheet)').click();
  await page.waitForSelector('input[aria-label="Datasheet file"]');
  await (await page.$('input[aria-label="Datasheet file"]'))?.uploadFile(file);
  await page.waitForSelector('[aria-label="Land pattern that the page draws"]');
  await page.locator('button ::-p-text(Put away)').hover();
  await shoot('bench-source');
  await page.locator('button ::-p-text(Put away)').click();
}

/** One picture of a composed part with its first pieces, then more of them, in a sheet of four. */
async function shootSteps(name: string, counts: readonly number[]): Promise<void> {
  const part = DEMO_DOCUMENTS.find((document) => document.name === name);
  if (!part?.package.pieces) throw new Error(`${name} is not composed`);
  const shots: string[] = [];
  for (const [i, count] of counts.entries()) {
    const file = join(mkdtempSync(join(tmpdir(), 'tapis-step-')), 'step.tapis.json');
    const pieces = part.package.pieces.slice(0, count);
    const step = { ...part, name: `step ${i + 1}`, package: { ...part.package, pieces } };
    writeFileSync(file, JSON.stringify(step));
    await page.goto(url, { waitUntil: 'networkidle0' });
    await (await page.$('input[aria-label="Files to import"]'))?.uploadFile(file);
    await page.waitForSelector(`a[title="Open step ${i + 1}"]`);
    await open(`step ${i + 1}`);
    await page.waitForSelector('[aria-label="Pieces"] ol > li');
    await page.$eval('main', (column) => column.scrollTo(0, 150));
    await page.locator(`[aria-label="Pieces"] ol > li:nth-child(${count}) > span`).click();
    await page.$eval(`[aria-label="Pieces"] ol > li:nth-child(${count})`, (piece) =>
      piece.scrollIntoView({ block: 'nearest' }),
    );
    await wait(600);
    const clip = { x: 52, y: 44, width: 770, height: 446 };
    shots.push(await page.screenshot({ encoding: 'base64', clip }));
  }
  const sheet = await browser.newPage();
  const cells = shots.map((shot) => `<img src="data:image/png;base64,${shot}" width="636">`);
  await sheet.setViewport({ width: 1280, height: 744 });
  await sheet.setContent(
    `<body style="margin:0;background:#f4efe6;display:grid;grid-template-columns:636px 636px;gap:4px;padding:2px">${cells.join('')}</body>`,
  );
  await sheet.screenshot({ path: `${FOLDER}/composing.png` });
  await sheet.close();
}

/** Lands of different potential, with the way between two of them, and the ruler laid beside. */
async function shootRuler(): Promise<string> {
  await open('K1 charger relay');
  await page.keyboard.press('2');
  await page.keyboard.press('x');
  await page.waitForSelector('.spacing-way');
  await page.keyboard.press('m');
  await page.locator('#ruler-from').fill('land 1');
  await page.locator('#ruler-to').fill('land 4');
  await page.waitForSelector('ul[aria-label=Distances]');
  await wait(400);
  return page.screenshot({ encoding: 'base64' });
}

/** A list of passives, as it is read from pasted cells. */
async function shootList(): Promise<string> {
  const rows = [
    ['Part no.', 'Description', 'L (mm)', 'W (mm)', 'T (mm)', 'a (mm)', 'Packing'],
    ['HS-C0603-104', 'MLCC 100nF 16V', '1.60 ±0.10', '0.80 ±0.10', '0.80 ±0.10', '0.35 ±0.15', '4000'],
    ['HS-C0603-224', 'MLCC 220nF 16V', '1.60 ±0.10', '0.80 ±0.10', '0.80 ±0.10', '0.35 ±0.15', '4000'],
    ['HS-C0805-105', 'MLCC 1µF 25V', '2.00 ±0.20', '125 ±0.20', '0.85 ±0.15', '0.50 ±0.20', '3000'],
    ['HS-C1206-106', 'MLCC 10µF 16V', '3.20 ±0.20', '1.60 ±0.20', '1.60 ±0.20', '0.50 ±0.25', '2000'],
    ['HS-L1210-220', 'Inductor 22µH', '3.20 ±0.30', '2.50 ±0.20', '2.20 ±0.20', '0.60 ±0.30', '1000'],
    ['HS-R2512-0R05', 'Resistor 0.05 Ω', '6.30 ±0.20', '3.20 ±0.20', '0.60 ±0.10', '0.60 ±0.20', '2000'],
  ];
  await page.goto(`${url}/list`, { waitUntil: 'networkidle0' });
  const cells = rows.map((row) => row.join('\t')).join('\n');
  await page.locator('textarea[aria-label="Cells of a list"]').fill(cells);
  await page.keyboard.press('Tab');
  await page.waitForFunction(() => document.querySelectorAll('ul[aria-label=Parts] svg').length >= 4);
  await wait(400);
  return page.screenshot({ encoding: 'base64' });
}

/** What changed between two states of the demo, as the page that a colleague approves from. */
async function shootReview(): Promise<string> {
  const entry = (document: TapisDocument) => ({
    path: `${document.name}.json`,
    checked: compileAndCheck(document),
  });
  const before = DEMO_DOCUMENTS.filter(({ name }) => /^(U4|U7|C12|R3|U2) /.test(name));
  const after = before.map((document) => {
    if (document.name.startsWith('U4')) return { ...document, level: 'A' as const };
    if (document.name.startsWith('U7'))
      return applyEdits(document, [{ at: '/package/dimensions/L', value: '0.50..0.75' }]);
    return document;
  });
  const review = reviewOf(
    before.map(entry),
    after.map(entry),
    new Map([['U4 tide converter.json', ['Tide-gauge logger board']]]),
  );
  const html = reviewHtml(review, {
    title: 'What this branch changes',
    before: 'main',
    after: 'wider-lands',
  });
  const sheet = await browser.newPage();
  await sheet.setViewport({ width: 1280, height: 800 });
  await sheet.setContent(html);
  const shot = await sheet.screenshot({ encoding: 'base64' });
  await sheet.close();
  return shot;
}

/** The library in a folder: one that the browser has for itself, with an edit on both sides that clash. */
async function shootFolder(): Promise<string> {
  // as a text: named functions would ask for a helper of the tool that runs this
  await page.evaluateOnNewDocument(
    "globalThis.showDirectoryPicker = async () => (await navigator.storage.getDirectory()).getDirectoryHandle('library', { create: true })",
  );
  await page.goto(`${url}/folder`, { waitUntil: 'networkidle0' });
  await page.locator('main button ::-p-text(Choose a folder)').click();
  await page.waitForFunction(() => document.body.innerText.includes('kept in both'));
  // the folder is not looked at until both sides have changed
  const looks = (says: string) => page.evaluate((value) => localStorage.setItem('tapis-folder', value), says);
  await looks('no');
  await page.evaluate(async () => {
    const at = await (await navigator.storage.getDirectory()).getDirectoryHandle('library');
    const handle = await at.getFileHandle('U2 level driver.json');
    const text = await (await handle.getFile()).text();
    const stream = await handle.createWritable();
    await stream.write(text.replace('"level": "B"', '"level": "A"'));
    await stream.close();
  });
  await open('U2 level driver');
  await page.keyboard.press('c');
  await wait(2500);
  await looks('yes');
  await page.goto(`${url}/folder`, { waitUntil: 'networkidle0' });
  await page.waitForSelector('[aria-label^="Clash in"]');
  await wait(600);
  return page.screenshot({ encoding: 'base64' });
}

/** The demo board: its plan with what is found, and the board in 3D under it. */
async function shootTrial(): Promise<void> {
  await page.goto(`${url}/trials`, { waitUntil: 'networkidle0' });
  await page.locator('a[title="Open Tide-gauge logger board"]').click();
  await page.waitForSelector('section[aria-label="Sheet"] svg .drawing');
  await wait(3000);
  await page.locator('ul[aria-label="Parts on the board"] button ::-p-text(U4)').click();
  await page.keyboard.press('t');
  await page.waitForSelector('canvas');
  await wait(4000);
  const plan = await page.screenshot({ encoding: 'base64' });
  await page.locator('button[aria-label="enlarge 3D"]').click();
  await wait(4000);
  const turned = await page.screenshot({ encoding: 'base64' });
  await stack('trial', [plan, turned]);
}

/** Two pictures one under the other. */
async function stack(name: string, shots: readonly string[]): Promise<void> {
  const sheet = await browser.newPage();
  await sheet.setViewport({ width: 1280, height: 1608 });
  await sheet.setContent(
    `<body style="margin:0;display:grid;gap:8px">${shots.map((shot) => `<img src="data:image/png;base64,${shot}">`).join('')}</body>`,
  );
  await sheet.screenshot({ path: `${FOLDER}/${name}.png` });
  await sheet.close();
}

mkdirSync(FOLDER, { recursive: true });
await page.goto(url, { waitUntil: 'networkidle0' });
await page.locator('button ::-p-text(Put the demo on the Shelf)').click();
await page.waitForSelector('a[title="Open U4 tide converter"]');
await page.waitForFunction(() => !document.querySelector('main [role=status]'));
for (const [name, query] of [
  ['Connectors', 'connector'],
  ['Passives', 'passive'],
] as const) {
  await page.locator('nav button ::-p-text(Everything)').click();
  await page.locator('button ::-p-text(New group)').click();
  const field = await page.waitForSelector('[aria-label="Name of the group"]');
  await field?.click({ count: 3 });
  await page.keyboard.type(name);
  await page.keyboard.press('Enter');
  await page.locator('nav button ::-p-text(Everything)').click();
  await page.locator('input[type=search]').fill(query);
  await wait(500);
  for (const box of await page.$$('input[aria-label^="Select"]')) await box.click();
  const group = await page.$$eval(
    'select[aria-label="Move to group"] option',
    (options, wanted) => options.find(({ textContent }) => textContent === wanted)?.value ?? '',
    name,
  );
  await page.select('select[aria-label="Move to group"]', group);
  await page.locator('[aria-label="Selected footprints"] button ::-p-text(none)').click();
}
await page.locator('input[type=search]').fill('pins > 2');
await wait(600);
await shoot('shelf');
await page.locator('input[type=search]').fill(' ');

await page.locator('button ::-p-text(New footprint)').click();
await page.waitForSelector('dialog[open] svg');
await wait(1500);
await shoot('gallery');

await shootSource(join('public', 'demo', 'HS-FC05 land pattern.pdf'));

await open('U10 charge regulator');
await page.keyboard.press('2');
await shoot('bench-land');

await shootSteps('J6 sensor receptacle', [2, 3, 5, 7]);

await open('J9 harness header');
await page.waitForSelector('section[aria-label="Sheet"] svg');
await page.locator('summary ::-p-text(Family of your own)').click();
await page.waitForSelector('[aria-label="Family of your own"]');
await page.$eval('[aria-label="Family of your own"]', (section) => section.scrollIntoView());
await shoot('bench-family');

await open('U7 buoy transceiver');
await shoot('bench-measure');
await page.keyboard.press('6');
await shoot('bench-prove');

await open('U9 radio front end');
await page.keyboard.press('3');
await page.$$eval('main tbody tr.cursor-pointer', (rows) =>
  rows.at(-1)?.dispatchEvent(new MouseEvent('click', { bubbles: true })),
);
await shoot('bench-stack-thermal');
await shootPapers();

await open('U2 from an old board');
await page.locator('[aria-label="Second opinion"] ::-p-text(second opinion)').click();
await page.waitForSelector('[aria-label="Every land"]');
await wait(500);
await shoot('second-opinion');

await stack('ruler-and-list', [await shootRuler(), await shootList()]);
await shootTrial();

await open('U10 charge regulator');
const [, , regulator] = new URL(page.url()).pathname.split('/');
await page.goto(`${url}/side-by-side/${regulator}/${regulator}~process%3Dkitchen-table`, {
  waitUntil: 'networkidle0',
});
await page.waitForSelector('main [role=status]');
await page.$eval('input[type=range]', (range) => {
  const { set } = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value') ?? {};
  set?.call(range, '0.5');
  range.dispatchEvent(new Event('input', { bubbles: true }));
});
await shoot('side-by-side');

await page.goto(`${url}/standards`, { waitUntil: 'networkidle0' });
await page.locator('button ::-p-text(New standard)').click();
const TOE = 'Gull wing, pitch above 0.625 mm: toe, level B';
for (const [label, words] of [
  ['Name of the standard', 'HS-STD-12'],
  [TOE, '0.45'],
  [`Clause of ${TOE}`, '4.3'],
  [`Reason of ${TOE}`, 'Fillets seen from above.'],
] as const) {
  await page.locator(`input[aria-label="${label}"]`).fill(words);
  await page.keyboard.press('Enter');
  await wait(600);
}
await page.locator(`input[aria-label="${TOE}"]`).click();
await page.waitForSelector('aside[aria-label="What it does"] svg');
await wait(1500);
await shoot('standards');

await open('U4 tide converter');
await page.keyboard.press('4');
await wait(400);
const marks = await page.screenshot({ encoding: 'base64' });
await page.keyboard.press('5');
await page.keyboard.press('n');
await page.keyboard.press('n');
await shoot('bench-rise');
await page.keyboard.press('7');
for (const [state, note] of [
  ['review', 'lands as the sheet asks'],
  ['approved', 'for the second buoy'],
] as const) {
  await page.locator('[aria-label="Note of the revision"]').fill(note);
  await page.select('select[aria-label="State of the revision"]', state);
  await page.locator('button ::-p-text(Keep revision)').click();
  await wait(500);
  if (state === 'review') await page.keyboard.press('Escape');
}
await page.locator('button ::-p-text(For hand etching)').click();
await page.waitForSelector('section[aria-label="Variants"]');
await page.locator('section[aria-label="Variants"] a').click();
await page.waitForSelector('button[aria-label="Revision 2, approved"]');
await page.keyboard.press('7');
await page.keyboard.press('t');
await page.waitForSelector('canvas');
await page.$eval('section[aria-label="Revisions"]', (section) => section.scrollIntoView());
await wait(2500);
await shoot('bench-release');

await open('U9 radio front end');
await page.keyboard.press('l');
await page.keyboard.press('4');
await page.locator('main button ::-p-text(Open the pin table)').click();
await page.waitForSelector('[aria-label="Pin table"]');
await page.locator('main button ::-p-text(beside)').click();
await wait(400);
await stack('bench-mark', [marks, await page.screenshot({ encoding: 'base64' })]);
await page.keyboard.press('l');
await stack('team', [await shootReview(), await shootFolder()]);

await browser.close();
server.kill();
