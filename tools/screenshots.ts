// npm run shots: takes the pictures in docs/screenshots from the demo board, on the built server.
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import puppeteer from 'puppeteer-core';

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
  await page.locator(`a[title="Open ${name}"]`).click();
  await page.waitForSelector('section[aria-label="Sheet"] svg');
}

/** Cuts the elevations through a land, counted from the first. */
async function cut(land: number): Promise<void> {
  for (let i = 0; i < land; i += 1) await page.keyboard.press('n');
}

mkdirSync(FOLDER, { recursive: true });
await page.goto(url, { waitUntil: 'networkidle0' });
await page.locator('button ::-p-text(Put the demo on the Shelf)').click();
await page.waitForSelector('a[title="Open U4 tide converter"]');
await shoot('shelf');

await page.locator('button ::-p-text(New footprint)').click();
await page.waitForSelector('dialog[open] svg');
await wait(1500);
await shoot('gallery');

await open('U9 radio front end');
await page.keyboard.press('2');
await shoot('bench-no-lead');

await open('U10 charge regulator');
await page.keyboard.press('2');
await shoot('bench-land');

await open('U6 gauge logic');
await page.keyboard.press('5');
await cut(14);
await shoot('bench-grid');

await open('J2 debug header');
await page.keyboard.press('5');
await cut(3);
await shoot('bench-header');

await open('J4 sensor connector, maker’s model');
await page.keyboard.press('5');
await page.keyboard.press('t');
await page.waitForSelector('canvas');
await page.locator('main button ::-p-text(Seat it again)').click();
await page.waitForFunction(() => document.querySelector('main')?.innerText.includes('Seated in'));
await page.$eval('main', (column) => column.scrollTo(0, 430));
await wait(2500);
await shoot('bench-connector');

await open('J6 sensor receptacle');
await page.keyboard.press('1');
await page.locator('[aria-label="Pieces"] ol > li:nth-child(3) > span').click();
await shoot('bench-composed');

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
await page.select('select[aria-label="Process"]', 'kitchen-table');
await page.keyboard.press('2');
await shoot('bench-process-change');

await open('J2 debug header');
await page.keyboard.press('3');
await shoot('bench-stack-hole');

await page.goto(`${url}/processes`, { waitUntil: 'networkidle0' });
await page.locator('button ::-p-text(Make a copy to edit)').click();
await page.waitForSelector('#field-minGap');
await page.locator('#field-minGap').fill('0.18');
await page.keyboard.press('Enter');
await shoot('processes');

await open('U4 tide converter');
await page.keyboard.press('4');
await shoot('bench-mark');
await page.keyboard.press('6');
await page.keyboard.press('n');
await page.locator('main button ::-p-text(Simulate)').click();
await page.waitForSelector('.recharts-wrapper');
await page.$eval('section[aria-label^="Joint of land"]', (section) => section.scrollIntoView());
await shoot('bench-simulation');
await page.keyboard.press('5');
await page.keyboard.press('n');
await shoot('bench-rise');
await page.keyboard.press('7');
await page.keyboard.press('t');
await page.waitForSelector('canvas');
await wait(2500);
await shoot('bench-release');

await open('D1 charge lamp');
await page.keyboard.press('l');
await shoot('bench-lamp');

await browser.close();
server.kill();
