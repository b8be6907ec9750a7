// npm run bench:sheet: the Sheet in a browser with 20, 200 and 2,025 lands: from a key to the drawing that
// follows it, panning, zooming and hovering, beside one bare SVG of the same shapes in the same run.
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import type { TapisDocument } from '../src/core/document/document';
import { writeShelf } from '../src/core/document/write';
import { DEMO_DOCUMENTS } from '../src/demo/documents';
import { launch, serve } from './browser';

const [converter] = DEMO_DOCUMENTS as [TapisDocument];
/** What is measured, and the field whose last digit is typed anew. */
const CASES: readonly {
  readonly document: TapisDocument;
  readonly lands: number;
  readonly symbol: string;
}[] = [
  {
    lands: 20,
    symbol: 'b',
    document: {
      ...converter,
      name: 'Twenty leads',
      package: {
        family: 'gull-wing-dual',
        dimensions: { ...converter.package.dimensions, n: '20', D: '6.4..6.6', b: '0.19..0.30' },
      },
    },
  },
  {
    lands: 200,
    symbol: 'b',
    document: {
      ...converter,
      name: 'Two hundred leads',
      package: {
        family: 'gull-wing-quad',
        dimensions: {
          n: '200',
          e: '0.5',
          E: '29.8..30.2',
          E1: '27.8..28.2',
          b: '0.17..0.27',
          L: '0.45..0.75',
          A: 'max 1.6',
          A1: '0.05..0.15',
        },
      },
    },
  },
  {
    lands: 2025,
    symbol: 'b',
    document: {
      ...converter,
      name: 'Two thousand balls',
      package: {
        family: 'ball-grid',
        dimensions: { nE: '45', e: '1.0', E: '45.8..46.2', b: '0.50..0.70', A: 'max 3', A1: '0.35..0.50' },
      },
    },
  },
];

/** Frames while something goes on: their median and the one that five of a hundred are longer than. ms */
interface Frames {
  readonly median: number;
  readonly p95: number;
}

const of = (times: readonly number[]): Frames => {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
  return { median: at(0.5), p95: at(0.95) };
};

/** Runs in the page: notes when each key, turn of the wheel or move came, and when what followed it was painted. */
const WATCH = `(() => {
  const keys = [];
  const moves = [];
  let began = 0;
  const painted = (then) => requestAnimationFrame(() => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = then;
    port2.postMessage(0);
  });
  addEventListener('keydown', () => { began = performance.now(); }, true);
  new MutationObserver(() => {
    if (!began) return;
    const since = began;
    began = 0;
    painted(() => keys.push(performance.now() - since));
  }).observe(document.querySelector('section[aria-label=Sheet]'), { subtree: true, childList: true, attributes: true });
  for (const kind of ['wheel', 'pointermove'])
    addEventListener(kind, ({ timeStamp }) => painted(() => moves.push(performance.now() - timeStamp)), true);
  Object.assign(globalThis, { keys, moves, painted });
})()`;

/** Time from each of many moves of the mouse, as the browser dates it, until what it changed was painted. */
async function gestures(page: Page, count: number, act: (i: number) => Promise<void>): Promise<Frames> {
  await page.evaluate('moves.length = 0');
  for (let i = 0; i < count; i += 1) {
    await act(i);
    await page.evaluate('new Promise((done) => painted(done))');
  }
  return of((await page.evaluate('moves')) as number[]);
}

/** Time from each of many acts in the page until it was painted. */
async function acts(page: Page, count: number, act: (i: number) => Promise<void>): Promise<Frames> {
  const times: number[] = [];
  for (let i = 0; i < count; i += 1) {
    const began = (await page.evaluate('performance.now()')) as number;
    await act(i);
    const ended = (await page.evaluate(
      'new Promise((done) => painted(() => done(performance.now())))',
    )) as number;
    times.push(ended - began);
  }
  return of(times);
}

/** The same shapes as one bare SVG: setting them anew, and moving them. */
async function bare(page: Page): Promise<{ readonly redraw: Frames; readonly move: Frames }> {
  await page.evaluate(() => {
    const drawn = document.querySelectorAll('section[aria-label=Sheet] svg:has(g.drawing), svg[role=group]');
    const copy = document
      .querySelector('section[aria-label=Sheet] svg[role=group]')
      ?.cloneNode() as SVGElement;
    copy.innerHTML = [...drawn].map((svg) => svg.innerHTML).join('');
    document.body.innerHTML = '';
    document.body.append(copy);
    Object.assign(globalThis, { bareSvg: copy, bareMarkup: copy.innerHTML });
  });
  const redraw = await acts(page, 15, () => page.evaluate('bareSvg.innerHTML = bareMarkup') as Promise<void>);
  const move = await acts(
    page,
    30,
    (i) =>
      page.evaluate(
        `for (const g of bareSvg.querySelectorAll('g.drawing')) g.setAttribute('transform', g.getAttribute('transform').replace(/translate\\([-\\d.]+/, 'translate(' + (300 + ${i} * 7)))`,
      ) as Promise<void>,
  );
  return { redraw, move };
}

async function measure(url: string): Promise<void> {
  const file = join(mkdtempSync(join(tmpdir(), 'tapis-bench-')), 'sheet.json');
  writeFileSync(file, writeShelf(CASES.map(({ document }) => document)));
  const browser = await launch();
  for (const { document: part, lands, symbol } of CASES) {
    const page = await browser.newPage();
    await page.goto(url, { waitUntil: 'networkidle0' });
    const link = `a[title="Open ${part.name}"]`;
    if (!(await page.$(link))) {
      const input = (await page.$('input[aria-label="Files to import"]')) as ElementHandle<HTMLInputElement>;
      await input.uploadFile(file);
    }
    await page.waitForSelector(link);
    await page.click(link);
    await page.waitForSelector('section[aria-label=Sheet] svg[role=group]');
    await page.waitForFunction(
      () => !/checking/.test(document.querySelector('[data-testid=summary]')?.textContent ?? 'checking'),
    );
    await page.evaluate(WATCH);
    const say = (what: string, { median, p95 }: Frames, floor?: Frames) =>
      console.log(
        `${String(lands).padStart(5)}  ${what.padEnd(34)} median ${median.toFixed(0).padStart(5)} ms  p95 ${p95.toFixed(0).padStart(5)} ms${floor ? `   ${(median / floor.median).toFixed(1)} × bare` : ''}`,
      );

    const field = `#entry-${symbol}`;
    await page.click(field);
    await page.keyboard.press('End');
    for (let i = 0; i < 20; i += 1) {
      await page.keyboard.press('Backspace');
      await new Promise((next) => setTimeout(next, 250));
      await page.keyboard.type(String(i % 10));
      await new Promise((next) => setTimeout(next, 250));
    }
    const keys = of((await page.evaluate('keys')) as number[]);
    await page.keyboard.press('Escape');

    const box = await page.$eval('section[aria-label=Sheet] svg[role=group]', (svg) => {
      const { x, y, width, height } = svg.getBoundingClientRect();
      return { x, y, width, height };
    });
    const at = { x: box.x + box.width * 0.3, y: box.y + box.height * 0.3 };
    const hover = await gestures(page, 30, (i) =>
      page.mouse.move(at.x + (i % 6) * 9, at.y + Math.floor(i / 6) * 9),
    );
    await page.mouse.move(at.x, at.y);
    await page.mouse.down();
    const pan = await gestures(page, 30, (i) => page.mouse.move(at.x + 8 + i * 4, at.y + i * 2));
    await page.mouse.up();
    const zoom = await gestures(
      page,
      20,
      (i) => page.mouse.wheel({ deltaY: i < 12 ? -120 : 120 }) as Promise<void>,
    );
    const deep = await gestures(page, 30, (i) =>
      page.mouse.move(at.x + (i % 6) * 9, at.y + Math.floor(i / 6) * 9),
    );
    const floor = await bare(page);
    say('a key, until the Sheet follows', keys, floor.redraw);
    say('hovering', hover, floor.move);
    say('panning', pan, floor.move);
    say('zooming', zoom, floor.move);
    say('hovering, zoomed in', deep, floor.move);
    say('bare: all shapes anew', floor.redraw);
    say('bare: moving them', floor.move);
    await page.close();
  }
  await browser.close();
}

const { url, end } = await serve();
try {
  await measure(url);
} finally {
  end();
}
