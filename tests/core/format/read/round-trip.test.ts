import { strToU8, unzipSync, zipSync } from 'fflate';
import { describe, expect, test } from 'vitest';
import { compile } from '../../../../src/core/footprint/compile';
import type { Drawable } from '../../../../src/core/footprint/footprint';
import { atOrigin } from '../../../../src/core/footprint/origin';
import { formatById } from '../../../../src/core/format';
import { writeFile } from '../../../../src/core/format/format';
import { documentOf, readPatterns, type ImportFile } from '../../../../src/core/format/import';
import { sizeOf } from '../../../../src/core/geometry/figure';
import { flatten } from '../../../../src/core/geometry/contour';
import { contourOf, type Placed } from '../../../../src/core/geometry/figure';
import type { Point } from '../../../../src/core/geometry/point';
import { area, subtract } from '../../../../src/core/geometry/polygon';
import { DEMO_DOCUMENTS } from '../../../../src/demo/documents';
import { cases } from '../../../data/depth';

async function written(name: string, id: string): Promise<{ drawn: Drawable; files: ImportFile[] }> {
  const compiled = compile(DEMO_DOCUMENTS.find((one) => one.name.startsWith(name))!);
  const format = formatById(id);
  if (!format || !compiled.footprint) throw new Error(name);
  const drawn = { ...compiled, footprint: compiled.footprint };
  const file = await writeFile(format, drawn);
  const bytes = typeof file.content === 'string' ? strToU8(file.content) : file.content;
  return { drawn, files: [{ name: file.name, bytes }] };
}

/** What two figures do not have in common, mm². */
function between(a: Placed, b: Placed): number {
  const [p, q] = [a, b].map((one) => flatten(contourOf(one), 0.0005)) as [
    ReturnType<typeof flatten>,
    ReturnType<typeof flatten>,
  ];
  return [...subtract([p], [q]), ...subtract([q], [p])].reduce((sum, ring) => sum + Math.abs(area(ring)), 0);
}

/** The corners of an outline, wherever it begins. */
const cornersOf = (outline: readonly Point[] | null | undefined) =>
  outline?.map(({ x, y }) => `${x.toFixed(4)} ${y.toFixed(4)}`).sort() ?? null;

const middle = ({ minX, maxX, minY, maxY }: Placed) => [(minX + maxX) / 2, (minY + maxY) / 2] as const;

// corners that are cut, and openings in parts, are more than a table has
const PARTS = ['U4', 'U2', 'U1 ', 'U9', 'U6', 'U8', 'U10', 'C20', 'D7', 'J2', 'J6', 'S2', 'J7', 'H1', 'SH1'];
const NOT_IN_TABLES = ['U9', 'U8', 'U10', 'SH1'];

describe.each(['ipc2581', 'artwork', 'dxf', 'csv'])('%s', (id) => {
  const parts = id === 'csv' ? PARTS.filter((name) => !NOT_IN_TABLES.includes(name)) : PARTS;
  test.each(parts)('%s comes back as it was written', async (name) => {
    const { drawn, files } = await written(name, id);
    const read = readPatterns(files);
    if (!read.ok) throw new Error(read.error);
    const [pattern] = read.value.patterns;
    const { document, left } = documentOf(pattern!);
    const back = compile(document).footprint;
    const own = atOrigin(drawn.footprint);
    expect(back?.lands).toHaveLength(own.lands.length);
    // a drawing writes texts, which lands that share a number may take from each other
    const free = new Set(back?.lands);
    for (const land of own.lands) {
      const [x, y] = middle(land.copper);
      const found = [...free].find(
        (one) =>
          one.number === land.number &&
          Math.hypot(middle(one.copper)[0] - x, middle(one.copper)[1] - y) < 1e-3,
      );
      if (!found) throw new Error(`no land ${land.number}`);
      free.delete(found);
      const chord = 0.004 * (sizeOf(land.copper.figure).width + 1);
      expect(between(found.copper, land.copper)).toBeLessThan(chord);
      expect(found.mask).toHaveLength(land.mask.length);
      land.mask.forEach((opening, i) => expect(between(found.mask[i]!, opening)).toBeLessThan(chord));
      expect(found.paste).toHaveLength(land.paste.length);
      expect(Boolean(found.hole)).toBe(Boolean(land.hole));
      if (found.hole && land.hole) expect(between(found.hole, land.hole)).toBeLessThan(chord);
      if (id !== 'dxf') expect(found.plated).toBe(land.plated);
      expect(found.vias).toHaveLength(land.vias.length);
    }
    expect(back?.bores).toHaveLength(own.bores.length);
    if (id === 'ipc2581') {
      const { legend, keepOuts, body, pins } = own;
      expect(back?.legend.lines.map(cornersOf)).toEqual(legend.lines.map(cornersOf));
      expect(cornersOf(back?.legend.pin1)).toEqual(cornersOf(legend.pin1));
      expect(back?.legend.width).toBe(legend.width);
      expect(back?.keepOuts.map(({ area, what, side, why }) => [area, what, side, why])).toEqual(
        keepOuts.map(({ area, what, side, why }) => [area, what, side, why]),
      );
      expect(back?.body.extent.height.max).toBe(body.extent.height.max);
      const named = (all: typeof pins) => all.filter(({ name }) => name !== '').map(({ name }) => name);
      expect(named(back?.pins ?? []).length).toBe(named(pins).length);
    }
    if (id !== 'csv') {
      expect(back?.courtyard.box).toEqual(own.courtyard.box);
      expect(left.join(' ')).not.toContain('The file has other');
    }
  });
});

/** The same numbers for everybody: what is broken can be broken again. */
function* numbers(seed: number): Generator<number, never> {
  let state = seed;
  for (;;) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    yield state / 4294967296;
  }
}

const SCRAPS = [
  '',
  '"',
  '<',
  '>',
  '*',
  '%',
  '-',
  'e9',
  '999999999999',
  '\u0000',
  'NaN',
  ',',
  '\n',
  'X',
  'D03',
  '0',
];

/** A file with some of its text dropped, doubled, swapped or replaced. */
function mutated(text: string, random: Generator<number, never>): string {
  const next = () => random.next().value;
  let made = text;
  for (let i = 0; i < 1 + Math.floor(next() * 4); i += 1) {
    const [at, long] = [Math.floor(next() * made.length), Math.floor(next() ** 3 * 200)];
    const way = next();
    const scrap = SCRAPS[Math.floor(next() * SCRAPS.length)] ?? '';
    if (way < 0.3) made = made.slice(0, at) + made.slice(at + long);
    else if (way < 0.5) made = made.slice(0, at) + made.slice(at, at + long) + made.slice(at);
    else if (way < 0.9) made = made.slice(0, at) + scrap + made.slice(at + 1);
    else made = made.slice(0, at);
  }
  return made;
}

describe('hostile files', () => {
  const few = cases(120, 1000);
  test.each(['ipc2581', 'dxf', 'csv'])('mutated files of %s give a pattern or a reason', async (id) => {
    const { files } = await written('J6', id);
    const text = new TextDecoder().decode(files[0]?.bytes);
    const random = numbers(7);
    for (let i = 0; i < few; i += 1) hold([{ name: files[0]!.name, bytes: strToU8(mutated(text, random)) }]);
  });

  test('mutated films and drill files do too', async () => {
    const { files } = await written('J6', 'artwork');
    const inside = Object.entries(unzipSync(files[0]!.bytes));
    const random = numbers(11);
    for (let i = 0; i < few; i += 1) {
      const broken = Math.floor(random.next().value * inside.length);
      hold(
        inside.map(([name, bytes], k) => ({
          name,
          bytes: k === broken ? strToU8(mutated(new TextDecoder().decode(bytes), random)) : bytes,
        })),
      );
    }
  });

  test('a ZIP that grows too large, and one that is broken, are refused', () => {
    const large = zipSync({ 'a.gbr': new Uint8Array(130_000_000) });
    const read = readPatterns([{ name: 'a.zip', bytes: large }]);
    expect(!read.ok && read.error).toContain('at most 120');
    const broken = readPatterns([{ name: 'b.zip', bytes: large.slice(0, 400) }]);
    expect(!broken.ok && broken.error).toContain('cannot be unpacked');
  });

  /** What comes of files is a pattern that can be put into a document, or words. */
  function hold(files: readonly ImportFile[]): void {
    const began = performance.now();
    const read = readPatterns(files);
    if (read.ok)
      for (const pattern of read.value.patterns) {
        const { document } = documentOf(pattern);
        expect(() => compile(document)).not.toThrow();
      }
    else expect(read.error.length).toBeGreaterThan(10);
    expect(performance.now() - began).toBeLessThan(20_000);
  }
});
