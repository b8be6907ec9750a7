import type { Browser, CDPSession, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { columnOf, expectNoFaults, launch, openPage, server, valueOf, waitSaved } from './harness';

let browser: Browser;
let page: Page;
let session: CDPSession;

beforeAll(async () => {
  browser = await launch();
  page = await openPage(browser, server.url);
  session = await page.createCDPSession();
});
afterAll(() => browser.close());

const { until } = columnOf(() => page);
const nameOf = () => valueOf(page, 'input[aria-label="Name of the footprint"]');
const stageShown = () =>
  page.$eval('nav[aria-label=Stages] [aria-current=step]', (e) => e.firstChild?.textContent);
const active = () => page.evaluate(() => document.activeElement?.id ?? '');
const untilStage = (name: string) =>
  page.waitForFunction(
    (text) => document.querySelector('main h1')?.textContent === text && document.title.includes(text),
    {},
    name,
  );

/** Starts a footprint from the gallery of the Shelf, found by words. */
async function begin(words: string): Promise<void> {
  await page.locator('::-p-xpath(//button[.="New footprint" or .="Choose the package"])').click();
  await page.waitForSelector('dialog[open] input');
  await page.keyboard.type(words);
  await Promise.all([page.waitForNavigation(), page.keyboard.press('Enter')]);
  await page.waitForSelector('section[aria-label="Sheet"] svg');
}

/** A key as a keyboard of another country sends it: the sign that it produces, and where it lies. */
async function key(sign: string, code: string, modifiers = 0): Promise<void> {
  const pressed = { key: sign, code, modifiers };
  const text = modifiers & 2 ? {} : { text: sign };
  await session.send('Input.dispatchKeyEvent', { type: 'keyDown', ...pressed, ...text });
  await session.send('Input.dispatchKeyEvent', { type: 'keyUp', ...pressed });
}
const [CTRL, SHIFT] = [2, 8];

it('puts a click where the pointer is, whatever hint the field before had', async () => {
  await begin('two rows 16');
  const fields = await page.$$eval('input[data-entry]', (all) => all.map(({ id }) => id));
  expect(fields.length).toBeGreaterThan(9);
  for (const [i, id] of fields.slice(1).entries()) {
    await page.focus(`#${fields[i]}`);
    // the hint of the field that is left stands between the two
    const place = await page.$eval(`#${id}`, (e) => {
      e.scrollIntoView({ block: 'nearest' });
      const { x, y, width, height } = e.getBoundingClientRect();
      return { x: x + width / 2, y: y + height / 2 };
    });
    await page.mouse.move(place.x, place.y);
    await page.mouse.down();
    expect(await active()).toBe(id);
    await page.mouse.up();
    expect(await active()).toBe(id);
  }
});

it('undoes by the letter that a keyboard produces, and goes to stages by the place of the digit', async () => {
  await page.focus('#entry-E');
  await page.keyboard.type('10.0..10.6');
  await page.keyboard.press('Enter');
  // a German keyboard has Z where the American has Y
  await key('z', 'KeyY', CTRL);
  expect(await valueOf(page, '#entry-E')).toBe('');
  await key('y', 'KeyZ', CTRL);
  expect(await valueOf(page, '#entry-E')).toBe('10.0..10.6');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  // a French one has signs where the digits are
  await key('é', 'Digit2');
  await untilStage('Land');
  await key('&', 'Digit1');
  await untilStage('Measure');
});

it('leaves letters to a list while it has the focus, and takes keys for commands again after', async () => {
  const process = 'select[aria-label="Process"]';
  const chosen = () => page.$eval(process, (list) => (list as HTMLSelectElement).value);
  const levelShown = () =>
    page.$eval('[aria-label="Density level"] [aria-pressed=true]', (e) => e.textContent);
  const before = [await levelShown(), new URL(page.url()).pathname];
  await page.focus(process);
  // S goes to the Shelf, C to the level C, 4 to Mark: in a list they find entries
  for (const letter of ['s', 'c', '4']) await page.keyboard.press(letter as 's');
  expect([await levelShown(), new URL(page.url()).pathname, await stageShown()]).toEqual([
    ...before,
    'Measure',
  ]);
  await page.keyboard.press('f');
  await page.waitForFunction((list) => document.activeElement === document.querySelector(list), {}, process);
  await page.select(process, 'standard');
  expect(await chosen()).toBe('standard');
  await page.keyboard.press('Escape');
  await page.keyboard.press('4');
  await untilStage('Mark');
  await page.locator('main input[type=checkbox]').click();
  await page.keyboard.press('1');
  await untilStage('Measure');
  // its number is text where text goes
  await page.focus('input[aria-label="Name of the footprint"]');
  await page.keyboard.press('End');
  await page.keyboard.type(' 4');
  expect(await stageShown()).toBe('Measure');
  expect(await nameOf()).toMatch(/ 4$/);
  await page.keyboard.press('Escape');
});

it('shows the help of the place by ? and F1, in a field too, by its name, and on the Shelf', async () => {
  const help = () => page.waitForSelector('dialog[open][aria-labelledby=help-title]');
  const words = async () => (await help())?.evaluate((dialog) => (dialog as HTMLElement).innerText);
  await page.focus('#entry-L');
  await page.keyboard.press('F1');
  expect(await words()).toMatch(/^Measure[^]*5\.8\.\.6\.2[^]*Ctrl Z\s+Undo/);
  // a number of a stage does nothing behind it
  await page.keyboard.press('2');
  await page.keyboard.press('Escape');
  await page.waitForSelector('dialog[open]', { hidden: true });
  expect(await stageShown()).toBe('Measure');
  await page.keyboard.press('Escape');
  await page.keyboard.press('6');
  await untilStage('Prove');
  // on a German keyboard beside the zero
  await key('?', 'Minus', SHIFT);
  expect(await words()).toMatch(/^Prove/);
  await page.keyboard.press('Escape');
  await page.waitForSelector('dialog[open]', { hidden: true });
  await page.keyboard.press('k');
  await page.keyboard.type('help');
  await page.keyboard.press('Enter');
  expect(await words()).toMatch(/^Prove/);
  await page.keyboard.press('Escape');
});

/** Runs a command by its name. */
async function run(command: string): Promise<void> {
  await page.waitForSelector('dialog[open]', { hidden: true });
  await page.keyboard.press('k');
  await page.waitForSelector('dialog[open] input');
  await page.keyboard.type(command);
  await page.keyboard.press('Enter');
}

it('keeps a revision and finds a button of another stage by their names', async () => {
  await run('keep a revision for review');
  await page.waitForSelector('[aria-label="Revision 1, for review"]');
  await run('area kept free');
  await untilStage('Stack');
  await page.waitForFunction(() => document.activeElement?.textContent === 'Add an area');
  await page.keyboard.press('Enter');
  await page.waitForSelector('input[aria-label="Keep-out 1 x"]');
  await run('revision approved');
  await page.waitForSelector('[aria-label="Revision 2, approved"]');
  await run('keep a revision: draft');
  await page.waitForFunction(() =>
    document.body.innerText.includes('Revision 2 is approved and stays as it is'),
  );
  await run('go on after');
  await page.waitForFunction(() => !document.body.innerText.includes('is approved and locked'));
});

it('marks a field that cannot be used alike, says why beside it, and Escape takes it back', async () => {
  const x = 'input[aria-label="Keep-out 1 x"]';
  await page.waitForSelector(x);
  const before = await valueOf(page, x);
  await page.focus(x);
  await page.keyboard.type('2,,5');
  await page.waitForSelector(`${x}[aria-invalid=true]`);
  const told = await page.$eval(x, (field) => {
    const id = field.getAttribute('aria-describedby');
    return id && document.getElementById(id)?.textContent;
  });
  expect(told).toContain('2,,5');
  await page.keyboard.press('Escape');
  expect(await valueOf(page, x)).toBe(before);
  await page.waitForSelector(`${x}:not([aria-invalid=true])`);
});

it('takes back by Escape what was typed, in every kind of field', async () => {
  const typedAndTakenBack = async (selector: string) => {
    await page.waitForSelector(selector);
    const before = await valueOf(page, selector);
    await page.focus(selector);
    await page.keyboard.type('xyz');
    const typed = await valueOf(page, selector);
    await page.keyboard.press('Escape');
    return typed !== before && (await valueOf(page, selector)) === before;
  };
  await page.keyboard.press('Escape');
  await page.keyboard.press('7');
  await untilStage('Release');
  expect(await typedAndTakenBack('main textarea')).toBe(true);
  await page.keyboard.press('Escape');
  await page.keyboard.press('1');
  await untilStage('Measure');
  for (const field of ['#entry-E', 'input[data-label="E"]', '[aria-label="Datasheet, revision and page"]'])
    expect(await typedAndTakenBack(field), field).toBe(true);
});

it('goes back and forward through stages and footprints, each with its title', async () => {
  const first = await nameOf();
  await page.keyboard.press('Escape');
  await page.keyboard.press('5');
  await untilStage('Rise');
  await page.keyboard.press('7');
  await untilStage('Release');
  await waitSaved(page);
  await Promise.all([page.waitForNavigation(), page.keyboard.press('s')]);
  await page.waitForFunction(() => document.title === 'Shelf · Tapis');
  await page.goBack();
  await untilStage('Release');
  await page.goBack();
  await untilStage('Rise');
  expect(await page.title()).toBe(`${first} · Rise · Tapis`);
  await page.goForward();
  await untilStage('Release');
});

it('names new footprints apart, and adds the demo to what is there', async () => {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await begin('two rows 16');
  const again = await nameOf();
  await page.keyboard.type('16');
  await waitSaved(page);
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  const names = await page.$$eval('a[title^="Open "]', (links) => links.map(({ title }) => title.slice(5)));
  expect(names).toContain(again);
  expect(new Set(names).size).toBe(2);
  await page.locator('button ::-p-text(Add the parts of the demo board)').click();
  await page.waitForFunction(() => /of 38 footprints/.test(document.body.textContent ?? ''));
  // ticking one leaves the next where it was
  const ticks = 'main [role=listitem] input[type=checkbox]';
  const places = () => page.$$eval(ticks, (all) => all.slice(0, 3).map((e) => e.getBoundingClientRect().y));
  const before = await places();
  await page.locator(ticks).click();
  await page.waitForSelector('[aria-label="Selected footprints"]');
  expect(await places()).toEqual(before);
  await page.locator('[aria-label="Selected footprints"] button ::-p-text(none)').click();
});

it('names the place after which a list lacks an entry', async () => {
  await begin('ball grid');
  const missing = 'input[title^="Places without a terminal"]';
  await page.waitForSelector(missing);
  await page.focus(missing);
  await page.keyboard.type('A1,,C3');
  await page.waitForSelector(`${missing}[aria-invalid=true]`);
  await until('After “A1,” a place is missing.');
  await page.keyboard.press('Escape');
  await page.waitForSelector(`${missing}:not([aria-invalid=true])`);
});

it('says what to do where there is no such footprint, page or stage', async () => {
  await page.goto(`${server.url}/bench/nothing-here`, { waitUntil: 'networkidle0' });
  await until('There is no such footprint on this browser’s Shelf');
  expect(await page.$('main a[href="/"]')).not.toBeNull();
  const other = await browser.newPage();
  const answer = await other.goto(`${server.url}/benches`);
  expect(answer?.status()).toBe(404);
  expect(await other.$eval('body', (body) => body.innerText)).toContain('There is nothing at this address');
  await other.close();
});

it('pinches the drawing, and not the page along with it', async () => {
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await page.locator('a[title="Open U4 tide converter"]').click();
  await page.waitForSelector('section[aria-label="Sheet"] svg[role=group]');
  const land = 'section[aria-label="Sheet"] g.drawing .layer-copper';
  const before = await page.$eval(land, (e) => e.getBoundingClientRect().width);
  const { x, y } = await page.$eval('section[aria-label="Sheet"]', (e) => {
    const box = e.getBoundingClientRect();
    return { x: box.x + box.width / 4, y: box.y + box.height / 2 };
  });
  for (let i = 0; i < 4; i += 1)
    await session.send('Input.dispatchMouseEvent', {
      type: 'mouseWheel',
      x,
      y,
      deltaX: 0,
      deltaY: -40,
      modifiers: CTRL,
    });
  await page.waitForFunction(
    (selector, width) => (document.querySelector(selector)?.getBoundingClientRect().width ?? 0) > 1.1 * width,
    {},
    land,
    before,
  );
  expect(await page.evaluate(() => [visualViewport?.scale, devicePixelRatio])).toEqual([1, 1]);
  expectNoFaults(page);
});

it('zooms by keys, by buttons and by two fingers, about what is looked at', async () => {
  const scale = async () =>
    Number(
      /([\d.]+) px = 1 mm/.exec(
        (await page.$eval('section[aria-label="Sheet"]', (e) => e.textContent)) ?? '',
      )?.[1],
    );
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.locator('button[aria-label="Fit the drawing"]').click();
  const fitted = await scale();
  const grows = async (act: () => Promise<unknown>) => {
    const before = await scale();
    await act();
    await page.waitForFunction(
      (was) =>
        Number(
          /([\d.]+) px = 1 mm/.exec(
            document.querySelector('section[aria-label="Sheet"]')?.textContent ?? '',
          )?.[1],
        ) > was,
      {},
      before,
    );
  };
  await grows(() => key('+', 'BracketRight'));
  await grows(() => page.locator('button[aria-label="Zoom in"]').click());
  const box = await page.$eval('section[aria-label="Sheet"] svg.touch-none', (e) => {
    const { x, y, width, height } = e.getBoundingClientRect();
    return { x: x + width / 4, y: y + height / 4 };
  });
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', apart: number | null) =>
    session.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: apart === null ? [] : [-apart, apart].map((dx, id) => ({ x: box.x + dx, y: box.y, id })),
    });
  await grows(async () => {
    await touch('touchStart', 20);
    await touch('touchMove', 30);
    await touch('touchMove', 50);
    await touch('touchEnd', null);
  });
  await page.locator('button[aria-label="Zoom out"]').click();
  await page.locator('button[aria-label="Fit the drawing"]').click();
  expect(await scale()).toBe(fitted);
});

it('lists what can be done in every place by K, and has help in every bar', async () => {
  for (const path of ['/', '/processes', '/standards', '/trials']) {
    await page.goto(server.url + path, { waitUntil: 'networkidle0' });
    await page.waitForSelector('button[aria-label="Help"]');
    await page.keyboard.press('k');
    await page.waitForSelector('dialog[open] [role=option]');
    const names = await page.$$eval('dialog[open] [role=option]', (all) => all.map((e) => e.textContent));
    expect(names.length).toBeGreaterThan(3);
    expect(new Set(names).size).toBe(names.length);
    await page.keyboard.type('help');
    await page.keyboard.press('Enter');
    await page.waitForSelector('#help-title');
    await page.keyboard.press('Escape');
    await page.waitForSelector('#help-title', { hidden: true });
  }
});

it('keeps the focus from falling to the page', async () => {
  const untilFocus = (selector: string) =>
    page.waitForFunction((place) => document.activeElement?.closest(place) !== null, {}, selector);
  await page.goto(server.url, { waitUntil: 'networkidle0' });
  await begin('gull wing dual');
  // its first field waits for a number
  await page.keyboard.press('Escape');
  const before = page.url();
  await run('duplicate the footprint');
  await page.waitForFunction((old) => location.href !== old, {}, before);
  await page.waitForSelector('section[aria-label="Sheet"] svg');
  await untilFocus('main');
  // what is put away gives it back to the column
  await page.locator('main button ::-p-text(Read the datasheet)').click();
  await untilFocus('main[aria-label=Datasheet]');
  await page.keyboard.press('Escape');
  await page.waitForSelector('main[aria-label=Datasheet]', { hidden: true });
  await untilFocus('main');
  // keys are commands once the field that waits is left
  await page.keyboard.press('Escape');
  await page.keyboard.press('s');
  await page.waitForSelector('input[aria-label="Search the Shelf"]');
  await untilFocus('main');
  await page.locator('button ::-p-text(New footprint)').click();
  await page.waitForSelector('dialog[open] input');
  await page.keyboard.type('composed');
  await Promise.all([page.waitForNavigation(), page.keyboard.press('Enter')]);
  await page.waitForSelector('[aria-label="Pieces"]');
  await untilFocus('main');
});
