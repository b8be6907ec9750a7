import { drawnPage } from '../../src/core/source/drawn/page';
import { drawnPatterns, type DrawnPattern } from '../../src/core/source/drawn/pattern';
import { inkOfPage } from '../../src/kernel/source/ink';
import { openPdf } from '../../src/kernel/source/node';
import { wordsOfPage } from '../../src/kernel/source/pdf';
import { drawnOutline, withPlaces } from '../../src/core/source/drawn/table';
import { kindById } from '../../src/core/source/kinds';
import { gridsOfWords } from '../../src/core/source/layout';
import { readDimensions, tablesOf } from '../../src/core/source/reading';
import { plainScope, readEntry } from '../../src/core/units/entry';
import { drawOutline, drawPattern, type Lettered } from './draw';
import type { OutlineScene } from './outlines';
import type { Style } from './draught';
import type { DrawnLand, PatternScene } from './patterns';

// How a drawing is read, held against what it was drawn from.

/** What came of one drawing. */
export interface Held {
  readonly name: string;
  /** Widths, heights and places of lands and holes. */
  readonly values: number;
  readonly right: number;
  /** Wrong or missing, and said so. */
  readonly flagged: readonly string[];
  /** Wrong without a word. */
  readonly silent: readonly string[];
}

/** Reads one page. */
export async function readDrawn(bytes: Uint8Array): Promise<DrawnPattern[]> {
  const pdf = await openPdf(bytes);
  try {
    const page = await wordsOfPage(pdf, 1);
    return drawnPatterns(page, drawnPage(page, await inkOfPage(pdf, 1)), {
      name: 'drawn',
    });
  } finally {
    await pdf.destroy();
  }
}

const NEAR = 0.006;
const GENERAL = /^No title|have no number|names no unit|may be the body|do not repeat|as drawn: no number/;

/** Draws a scene in a style, reads it, and compares. */
export const held = async (scene: PatternScene, style: Style, seed: number): Promise<Held> =>
  heldPage(`${scene.name} / ${style.name}`, scene, await drawPattern(scene, style, seed));

/** Reads a page that a scene is drawn on, and compares. */
export async function heldPage(name: string, scene: PatternScene, bytes: Uint8Array): Promise<Held> {
  const [read] = await readDrawn(bytes);
  const values = 4 * scene.lands.length + 3 * (scene.holes?.length ?? 0);
  if (!read) return { name, values, right: 0, flagged: ['nothing was read'], silent: [] };
  const { pattern, open, doubts } = read;
  // what is said of every such drawing tells nothing of a wrong value
  const isTold = open.length > 0 || doubts.some((doubt) => !GENERAL.test(doubt));
  const wrong: string[] = [];
  let right = 0;
  const check = (what: string, got: number | undefined, want: number) => {
    if (got !== undefined && Math.abs(got - want) < NEAR) right += 1;
    else wrong.push(`${what} ${got?.toFixed(3) ?? 'missing'} for ${want.toFixed(3)}`);
  };
  const mid = middleOf(scene.lands);
  const used = new Set<unknown>();
  for (const land of scene.lands) {
    const [x, y] = [land.x - mid.x, land.y - mid.y];
    const [best] = pattern.lands
      .filter((one) => !used.has(one))
      .map((one) => ({ one, off: Math.hypot(one.copper.at.x - x, one.copper.at.y - y) }))
      .sort((a, b) => a.off - b.off);
    if (best) used.add(best.one);
    const copper = best?.one.copper;
    check(`${land.n} w`, copper && copper.maxX - copper.minX, land.w);
    check(`${land.n} h`, copper && copper.maxY - copper.minY, land.h);
    check(`${land.n} x`, copper?.at.x, x);
    check(`${land.n} y`, copper?.at.y, y);
    if (best && best.one.number !== '' && best.one.number !== land.n)
      wrong.push(`${land.n} is numbered ${best.one.number}`);
  }
  for (const hole of scene.holes ?? []) {
    const [x, y] = [hole.x - mid.x, hole.y - mid.y];
    const all = [...pattern.holes, ...pattern.lands.flatMap((land) => (land.hole ? [land.hole.hole] : []))];
    const [best] = all
      .map((one) => ({ one, off: Math.hypot(one.at.x - x, one.at.y - y) }))
      .sort((a, b) => a.off - b.off);
    check('hole d', best && best.one.maxX - best.one.minX, hole.d);
    check('hole x', best?.one.at.x, x);
    check('hole y', best?.one.at.y, y);
  }
  if (pattern.lands.length !== scene.lands.length)
    wrong.push(`${pattern.lands.length} lands for ${scene.lands.length}`);
  // a trap that is not told is wrong whatever the values are
  const isMissed = scene.trap !== undefined && !isTold;
  if (isMissed) wrong.push(`the trap (${scene.trap}) is not told`);
  return { name, values, right, flagged: isTold ? wrong : [], silent: isTold ? [] : wrong };
}

function middleOf(lands: readonly DrawnLand[]): { readonly x: number; readonly y: number } {
  const xs = lands.flatMap(({ x, w }) => [x - w / 2, x + w / 2]);
  const ys = lands.flatMap(({ y, h }) => [y - h / 2, y + h / 2]);
  return { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 };
}

/** Draws a package with numbers or letters at its lines, reads it as one of its family, and compares. */
export const heldOutline = async (
  scene: OutlineScene,
  style: Style,
  letters: Lettered,
  seed: number,
): Promise<Held> =>
  heldViews(
    `${scene.name}${letters ? ', letters' : ''} / ${style.name}`,
    scene,
    await drawOutline(scene, style, letters, seed),
  );

/** Reads a page that the views of a package are drawn on, and compares. */
export async function heldViews(name: string, scene: OutlineScene, bytes: Uint8Array): Promise<Held> {
  const pdf = await openPdf(bytes);
  const page = await wordsOfPage(pdf, 1);
  const ink = await inkOfPage(pdf, 1);
  await pdf.destroy();
  const drawn = drawnPage(page, ink);
  const outline = drawnOutline(page, drawn, drawnPatterns(page, drawn, { name: '' }));
  const tables = [
    ...tablesOf(gridsOfWords(page.words)).map((table) => withPlaces(table, outline)),
    ...(outline.table ? [outline.table] : []),
  ];
  const kind = kindById(scene.family);
  const symbols = Object.keys(scene.says);
  const reading = kind
    ? readDimensions(tables, { kind, ...(scene.count === undefined ? {} : { size: String(scene.count) }) })
    : null;
  if (!reading) return { name, values: symbols.length, right: 0, flagged: ['nothing was read'], silent: [] };
  let right = 0;
  const flagged: string[] = [];
  const silent: string[] = [];
  const derived = new Set(
    kind?.dimensions.filter((one) => one.derived !== undefined).map(({ symbol }) => symbol),
  );
  for (const symbol of symbols) {
    const read = reading.dimensions.find((one) => one.symbol === symbol);
    const want = readEntry(scene.says[symbol] ?? '', plainScope('mm'));
    const got = read ? readEntry(read.text, plainScope(read.unit ?? 'mm')) : null;
    const isRight =
      want.ok &&
      got?.ok &&
      Math.abs(want.value.value.min - got.value.value.min) < NEAR &&
      Math.abs(want.value.value.max - got.value.value.max) < NEAR;
    if (isRight) right += 1;
    else {
      const line = `${symbol} ${read?.text ?? 'missing'} for ${scene.says[symbol] ?? ''}`;
      const isTold = read
        ? read.standing === 'doubtful'
        : reading.missing.includes(symbol) || reading.leftOut.length > 0 || derived.has(symbol);
      (isTold ? flagged : silent).push(line);
    }
  }
  // what is taken for a dimension that is not drawn
  for (const read of reading.dimensions)
    if (!symbols.includes(read.symbol) && read.unit !== null && read.standing !== 'doubtful')
      silent.push(`${read.symbol} ${read.text} is not drawn`);
  return { name, values: symbols.length, right, flagged, silent };
}

/** Letters by which a maker calls a part’s dimensions, in an order that is not the standard’s. */
export function swapped(scene: OutlineScene, turn: number): Readonly<Record<string, string>> {
  const signs = Array.from('ABCDEFGHJKLMNP');
  const all = Object.keys(scene.says);
  const step = [3, 5, 7].find((one) => all.length % one !== 0) ?? 1;
  return Object.fromEntries(
    all.map((symbol, i) => [symbol, signs[(i * step + turn) % all.length] ?? symbol]),
  );
}
