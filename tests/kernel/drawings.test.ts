import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { patternInWords, takePattern } from '../../src/kernel/source/take-drawing';
import { takeFile } from '../../src/kernel/source/take-file';
import { drawOutline, drawPattern } from '../../tools/drawings/draw';
import { held, heldOutline, swapped, type Held } from '../../tools/drawings/held';
import { OUTLINES } from '../../tools/drawings/outlines';
import { PATTERNS } from '../../tools/drawings/patterns';
import { STYLES } from '../../tools/drawings/styles';

// Made-up drawings in eighteen ways of drawing, printed by code that shares nothing with the reader. Each is drawn in
// some of the ways; `npm run drawings -- apart` reads all.

const styleAt = (i: number) => STYLES[i % STYLES.length] as (typeof STYLES)[number];

/** What holds of any lot of drawings: next to all is right, and nothing is wrong without a word. */
function expectRead(all: readonly Held[], least: number): void {
  expect(all.flatMap(({ name, silent }) => silent.map((line) => `${name}: ${line}`))).toEqual([]);
  const sum = (of: 'values' | 'right') => all.reduce((total, one) => total + one[of], 0);
  expect(sum('right') / sum('values')).toBeGreaterThan(least);
}

describe('drawn land patterns', () => {
  it.each(PATTERNS.map((scene, i) => [scene.name, scene, i] as const))(
    'reads “%s”, and says what it cannot know',
    async (_, scene, i) => {
      const all: Held[] = [];
      for (const k of [0, 5, 10]) all.push(await held(scene, styleAt(i + k), i));
      expectRead(all, scene.trap === undefined ? 0.66 : 0);
    },
  );

  it('reads next to all of them', async () => {
    const all: Held[] = [];
    for (const [i, scene] of PATTERNS.entries())
      if (scene.trap === undefined) all.push(await held(scene, styleAt(2 * i + 1), i));
    expectRead(all, 0.95);
  });
});

describe('drawn packages', () => {
  it('are read by the numbers at their lines', async () => {
    const all: Held[] = [];
    for (const [i, scene] of OUTLINES.entries())
      for (const k of [0, 7]) all.push(await heldOutline(scene, styleAt(i + k), null, i));
    expectRead(all, 0.95);
  });

  it('show what the letters of a table mean, whatever the standard’s letters are', async () => {
    const all: Held[] = [];
    for (const [i, scene] of OUTLINES.entries())
      for (const k of [3, 9]) all.push(await heldOutline(scene, styleAt(i + k), swapped(scene, i), i));
    expectRead(all, 0.95);
  });
});

describe('a page with a drawing', () => {
  const [style] = STYLES;
  const scene = (name: string) => {
    const found = PATTERNS.find((one) => one.name === name);
    if (!found || !style) throw new Error(name);
    return drawPattern(found, style, 1);
  };

  it('becomes a footprint whose dimensions know their place', async () => {
    const sheet = readFileSync('public/demo/HS-FC05 land pattern.pdf');
    const taken = await takePattern(sheet, 'HS-FC05.pdf', {});
    if (!taken.ok) throw new Error(taken.error);
    const { dimensions, pieces } = taken.value.document.package;
    expect(pieces?.map(({ what, as }) => [what, as])).toEqual([
      ['land', 'row'],
      ['land', 'row'],
      ['hole', 'single'],
      ['hole', 'single'],
    ]);
    expect(Object.values(dimensions)).toContainEqual(
      expect.objectContaining({ text: '9.20', from: expect.objectContaining({ page: 1, text: '9.20' }) }),
    );
    expect(patternInWords(taken.value)).toContain('2 of 7 lands have no number');
  });

  it('is not measured unasked, and marked where it is', async () => {
    const sheet = await scene('no gap printed');
    const refused = await takePattern(sheet, 'lamp.pdf', {});
    expect(refused.ok ? '' : refused.error).toMatch(/has no number for place of .* \(drawn 1\.4 mm\)/);
    const taken = await takePattern(sheet, 'lamp.pdf', { isMeasured: true });
    if (!taken.ok) throw new Error(taken.error);
    expect(Object.values(taken.value.document.package.dimensions)).toContainEqual({
      text: 'ref 1.4',
      unit: 'mm',
      where: 'measured off lamp.pdf, page 1',
    });
  });

  it('is read as a package where none is named, by what is drawn and how often', async () => {
    const outline = OUTLINES.find(({ family }) => family === 'no-lead-quad');
    if (!outline || !style) throw new Error('no outline');
    const taken = await takeFile(await drawOutline(outline, style, null), 'radio.pdf', {});
    if (!taken.ok) throw new Error(taken.error);
    expect(taken.value.reading.family).toBe('no-lead-quad');
    expect(taken.value.document.package.dimensions).toMatchObject({
      n: { text: '16' },
      E2: { text: '1.60±0.10' },
    });
  });

  it('parts the drawing of a package from the lands beside it', async () => {
    const outline = OUTLINES.find(({ family }) => family === 'rectangular-chip');
    const lands = PATTERNS.find(({ name }) => name === 'chip, outer and gap');
    if (!outline || !lands || !style) throw new Error('no drawing');
    const sheet = await drawOutline(outline, style, null, 0, lands);
    const pattern = await takePattern(sheet, 'chip.pdf', {});
    expect(
      pattern.ok && pattern.value.drawn.things.map(({ width, height }) => [width.mm, height.mm]),
    ).toEqual([
      [1.6, 2.7],
      [1.6, 2.7],
      [4.5, 3.2],
    ]);
    const taken = await takeFile(sheet, 'chip.pdf', { family: 'rectangular-chip' });
    expect(taken.ok && taken.value.document.package.dimensions).toMatchObject({
      L: { text: '3.20±0.20' },
      W: { text: '1.60±0.15' },
      T: { text: '0.50±0.25' },
      A: { text: '0.60±0.10' },
    });
  });

  it('says that nothing is drawn', async () => {
    const words = await takePattern(new TextEncoder().encode('A\t1'), 'table.txt', {});
    expect(words.ok ? '' : words.error).toContain('drawings are read from the lines of a PDF');
  });
});
