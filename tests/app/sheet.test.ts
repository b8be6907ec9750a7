import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectNoFaults, launchWithDemo, openFootprint, openPage, server, valueOf } from './harness';

let browser: Browser;
let page: Page;

beforeAll(async () => {
  browser = await launchWithDemo();
  page = await openPage(browser, server.url);
  await openFootprint(page, 'U4 tide converter');
});
afterAll(() => browser.close());

interface Extent {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** Extents in pixels of everything drawn in a layer of plan, side and front, in one moment. */
async function extentsOf(layer: string): Promise<readonly [plan: Extent, side: Extent, front: Extent]> {
  const extents = await page.$$eval(
    'section[aria-label="Sheet"] g.drawing',
    (drawings, name) =>
      drawings.map((drawing) => {
        const boxes = [...drawing.querySelectorAll(`.layer-${name}`)].map((e) => e.getBoundingClientRect());
        return {
          left: Math.min(...boxes.map((b) => b.left)),
          right: Math.max(...boxes.map((b) => b.right)),
          top: Math.min(...boxes.map((b) => b.top)),
          bottom: Math.max(...boxes.map((b) => b.bottom)),
        };
      }),
    layer,
  );
  return extents as unknown as readonly [Extent, Extent, Extent];
}

async function expectAligned(): Promise<void> {
  const [plan, side, front] = await extentsOf('copper');
  expect(Math.abs(front.left - plan.left)).toBeLessThan(1);
  expect(Math.abs(front.right - plan.right)).toBeLessThan(1);
  expect(Math.abs(side.top - plan.top)).toBeLessThan(1);
  expect(Math.abs(side.bottom - plan.bottom)).toBeLessThan(1);
}

function middleOf(selector: string): Promise<[x: number, y: number]> {
  return page.$eval(selector, (element) => {
    const { x, y, width, height } = element.getBoundingClientRect();
    return [x + width / 2, y + height / 2] as [number, number];
  });
}

const dimension = (symbol: string) => `section[aria-label="Sheet"] [data-symbol="${symbol}"]`;

describe('the Sheet', () => {
  it('lines the elevations up with the plan, before and after zooming and panning', async () => {
    await expectAligned();
    await page.mouse.move(480, 210);
    await page.mouse.wheel({ deltaY: -500 });
    await page.mouse.down();
    await page.mouse.move(520, 250, { steps: 4 });
    await page.mouse.up();
    await expectAligned();
    await page.keyboard.press('f');
  });

  it('turns the top of the side elevation towards the plan, as third angle asks', async () => {
    const [[, board], [, body]] = [await extentsOf('laminate'), await extentsOf('body')];
    expect(body.right).toBeLessThanOrEqual(board.left);
  });

  it('changes a dimension where it is drawn, and lights it up in both places', async () => {
    const [x, y] = await middleOf(`${dimension('E')} text`);
    await page.mouse.click(x, y);
    await page.keyboard.type('7.2..7.6');
    expect(await valueOf(page, '#entry-E')).toBe('7.2..7.6');
    expect(await page.$eval(dimension('E'), (g) => g.classList.contains('active'))).toBe(true);
    await page.keyboard.press('Escape');
    expect(await valueOf(page, '#entry-E')).toBe('6.2..6.6');
    await page.focus('#entry-D');
    expect(await page.$eval(dimension('D'), (g) => g.classList.contains('active'))).toBe(true);
    await page.keyboard.press('Escape');
  });

  it('calls dimensions as the datasheet does where one likes, also after a reload', async () => {
    const textOf = (symbol: string) => page.$eval(`${dimension(symbol)} text`, (text) => text.textContent);
    expect(await textOf('E')).toBe('E 6.20–6.60');
    const toggle = 'main label ::-p-text(Call them as the datasheet does)';
    await page.locator(toggle).click();
    expect(await textOf('E')).toBe('H 6.20–6.60');
    expect(await textOf('E1')).toBe('E 4.30–4.50');
    await page.reload({ waitUntil: 'networkidle0' });
    await page.waitForSelector(dimension('E'));
    expect(await textOf('E1')).toBe('E 4.30–4.50');
    // the drawing beside the fields goes on to the field of the dimension
    await page.click('figure [data-symbol="E1"] text');
    expect(await page.evaluate(() => document.activeElement?.id)).toBe('entry-E1');
    await page.keyboard.press('Escape');
    await page.locator(toggle).click();
    expect(await textOf('E1')).toBe('E1 4.30–4.50');
  });

  it('cuts the elevations through the land that is pressed, and tells distances to another', async () => {
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    const { left, top } = (await extentsOf('copper'))[0];
    await page.mouse.click(left + 12, top + 5);
    expect(
      await page.$$eval('section[aria-label="Sheet"] text', (texts) => texts.map((t) => t.textContent)),
    ).toContain('Cut K–K');
    expect((await extentsOf('fillet'))[2].right).toBeGreaterThan(0);
    await page.mouse.move(left + 12, top + 5 + 24);
    const readout = await page.$eval('section[aria-label="Sheet"] > div:last-child', (e) => e.textContent);
    expect(readout).toContain('to land 2: 0.25 edge · 0.65 centre · 1.05 outer');
  });

  it('gives the whole Sheet to one view and takes it back', async () => {
    const before = (await extentsOf('copper'))[0];
    await page.keyboard.press('p');
    const whole = (await extentsOf('copper'))[0];
    expect(whole.right - whole.left).toBeGreaterThan(before.right - before.left);
    await page.keyboard.press('p');
    expect((await extentsOf('copper'))[0]).toEqual(before);
  });

  it('finds every command by its name', async () => {
    await page.keyboard.press('/');
    await page.keyboard.type('level a');
    await page.keyboard.press('Enter');
    expect(await page.$eval('[aria-label="Density level"] [aria-pressed=true]', (e) => e.textContent)).toBe(
      'A',
    );
    expectNoFaults(page);
  });
});
