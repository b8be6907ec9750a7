import { describe, expect, it } from 'vitest';
import { newDocument } from '../../src/core/document/document';
import type { Finding } from '../../src/core/document/finding';
import { compile } from '../../src/core/footprint/compile';
import { isDrawable, type Drawable } from '../../src/core/footprint/footprint';
import { CATALOGUE } from '../../src/core/package/catalogue';
import { COMPOSED_KINDS } from '../../src/core/package/composed/starts';
import { TRADE_NAMES } from '../../src/core/package/trade-names';
import { TYPICAL } from '../../src/core/document/entries';
import { familiesFor, exampleOf } from '../../src/islands/gallery/families';
import { widthOf } from '../../src/core/drawing/drawing';
import { packageViews } from '../../src/core/drawing/package-views';
import { placeBalloons } from '../../src/islands/sheet/Balloons';
import { textPlace, type DimensionGlyph } from '../../src/islands/sheet/Dimension';
import { linesFor } from '../../src/core/drawing/dimension-lines';
import { glyphsFor } from '../../src/islands/sheet/dimension-glyphs';
import { converter } from '../data/documents';

function drawable(document = converter()): Drawable {
  const compiled = compile(document);
  if (!isDrawable(compiled)) throw new Error('no footprint');
  return compiled;
}

describe('a dimension’s value', () => {
  const glyph: DimensionGlyph = {
    symbol: 'E',
    from: { x: 100, y: 50 },
    to: { x: 300, y: 50 },
    direction: 'horizontal',
    at: 20,
    room: 20,
    tail: 'down',
    text: 'E 6.20–6.60',
  };
  const upright = (length: number, rest: Partial<DimensionGlyph> = {}) =>
    textPlace({
      ...glyph,
      direction: 'vertical',
      at: 60,
      from: { x: 80, y: 100 },
      to: { x: 80, y: 100 + length },
      ...rest,
    });

  it('stands between the arrows where it fits, else beyond them', () => {
    expect(textPlace(glyph)).toMatchObject({ x: 200, y: 20, upright: false });
    expect(textPlace({ ...glyph, to: { x: 130, y: 50 } }).x).toBeGreaterThan(130 + 14);
  });
  it('lies along a long vertical line, level on one with room beside it', () => {
    expect(upright(200)).toMatchObject({ x: 60, y: 200, upright: true });
    expect(upright(200, { room: 60 })).toMatchObject({ y: 200, upright: false });
    expect(upright(40, { text: 'e' })).toMatchObject({ y: 120, upright: false });
  });
  it('goes beyond the end of a short vertical line, away from the drawing', () => {
    expect(upright(12).y).toBeGreaterThan(112);
    expect(upright(12, { tail: 'up' }).y).toBeLessThan(100);
  });
});

describe('dimension lines', () => {
  const area = { x: 100, y: 100, width: 200, height: 160 };
  const place = ({ x, y }: { x: number; y: number }) => ({ x: 200 + 25 * x, y: 180 - 25 * y });

  it('stand off from the drawing on their side, outer tiers further out and first', () => {
    const glyphs = glyphsFor(linesFor('measure', drawable(), 'mm'), 'plan', place, area);
    const at = (symbol: string) => glyphs.find((g) => g.symbol === symbol)?.at ?? NaN;
    expect(at('E')).toBeLessThan(at('E1'));
    expect(at('E1')).toBeLessThan(area.y);
    expect(at('e')).toBeLessThan(area.x);
    expect(at('D')).toBeGreaterThan(area.x + area.width);
    expect(glyphs.findIndex((g) => g.symbol === 'E')).toBeLessThan(
      glyphs.findIndex((g) => g.symbol === 'E1'),
    );
  });
  it('measure heights from the seating plane of the leads', () => {
    const height = linesFor('measure', drawable(), 'mm').find(({ line }) => line.symbol === 'A')?.line;
    expect([height?.from.y, height?.to.y]).toEqual([expect.closeTo(0.085, 9), expect.closeTo(1.285, 9)]);
  });
  it('are the lands’ own at Land, with rows on other sides told apart', () => {
    expect(linesFor('land', drawable(), 'mm').map(({ text }) => text)).toEqual([
      'G 4.25',
      'Z 7.35',
      'Y 1.55',
      'C 5.80',
      'X 0.40',
    ]);
    const quad = CATALOGUE.find(({ id }) => id === 'gull-wing-quad');
    const example = newDocument('quad', 'gull-wing-quad', quad?.example as Record<string, string>);
    const symbols = linesFor('land', drawable(example), 'mil').map(({ line }) => line.symbol);
    expect(new Set(symbols).size).toBe(symbols.length);
    expect(symbols).toContain('Z level');
  });
  it('are none where a stage has nothing to dimension', () =>
    expect(linesFor('prove', drawable(), 'mm')).toEqual([]));
});

describe('balloons', () => {
  const finding = (severity: Finding['severity']): Finding => ({
    rule: 'r',
    severity,
    title: 't',
    message: 'm',
    source: 's',
    stage: 'land',
    place: {},
    remedies: [],
  });
  it('stand apart in the order of their targets and keep the number of their finding', () => {
    const findings = [finding('stop'), finding('caution'), finding('note'), finding('note')];
    const targets = [300, 100, 110, null];
    const balloons = placeBalloons(
      findings,
      (f) => {
        const y = targets[findings.indexOf(f)];
        return y === null || y === undefined ? null : { x: 50, y };
      },
      { x: 0, y: 0, width: 400, height: 500 },
    );
    expect(balloons.map(({ index }) => index)).toEqual([1, 2, 0]);
    // their targets lie left of the middle, and so do they
    expect(new Set(balloons.map(({ at }) => at.x))).toEqual(new Set([16]));
    const heights = balloons.map(({ at }) => at.y);
    for (let i = 1; i < heights.length; i += 1) {
      expect((heights[i] as number) - (heights[i - 1] as number)).toBeGreaterThanOrEqual(28);
    }
  });
});

describe('the gallery', () => {
  it.each([
    ['', [...CATALOGUE, ...COMPOSED_KINDS].map(({ id }) => id)],
    ['shield fence', ['composed-frame']],
    ['qfp', ['gull-wing-quad']],
    ['formed leads 8 wide', ['tab-package']],
    ['tantalum', ['moulded']],
    ['quad 7', []],
    ['solder ball', ['ball-grid']],
    ['screw plated', ['mounting-hole']],
    ['chip carrier', ['castellated', 'j-lead-quad']],
    ['qfn-40', ['no-lead-quad']],
    ['quad no lead 40', ['no-lead-quad']],
    ['header 2x20', ['pin-header', 'surface-header']],
    ['to-220', ['in-line-transistor', 'flange-mount']],
    ['sot 223', ['small-transistor-wide']],
    ['bga 256', ['ball-grid']],
  ])('finds for “%s”', (query, ids) => {
    const kinds = familiesFor(query).hits.filter(({ size }) => size === undefined);
    expect(kinds.map(({ kind }) => kind.id)).toEqual(ids);
  });
  it.each([
    ['0603', 'rectangular-chip', '0603 inch: 1608 metric, or 0603 metric'],
    ['so8', 'gull-wing-dual', 'SO-8: 8 leads, 3.9 mm body, pitch 1.27'],
    ['sot-23', 'small-transistor', 'SOT-23: 3 leads, 2.9 × 1.3 body'],
    ['TO-236', 'small-transistor', 'TO-236: 3 leads, 2.9 × 1.3 body'],
    ['5x5 no lead', 'no-lead-quad', '32 terminals, 5 × 5, pitch 0.5'],
    ['soic', 'gull-wing-dual', null],
    ['M5', 'mounting-hole', 'M5'],
    ['m3 washer', 'mounting-hole', 'M3 with washer'],
    ['maker pattern', 'composed-maker', null],
  ])('says which size “%s” is', (query, id, outline) => {
    const [first] = familiesFor(query).hits;
    expect([first?.kind.id, first?.outline]).toEqual([id, outline]);
  });
  it.each([
    ['0805', 'rectangular-chip', ['2012 metric']],
    ['0603', 'rectangular-chip', ['0603 metric', '1608 metric']],
    ['chip 1206', 'rectangular-chip', ['3216 metric']],
    ['M3', 'mounting-hole', ['M3']],
    ['washer M3', 'mounting-hole', ['M3 with washer']],
    ['soic', 'gull-wing-dual', []],
    ['0.65', 'gull-wing-dual', []],
  ])(
    'starts from the sizes that “%s” names, with their numbers and where they are from',
    (query, id, sizes) => {
      const [first, ...others] = familiesFor(query).hits;
      expect([first?.kind.id, first?.size]).toEqual([id, undefined]);
      const named = others.filter(({ kind, size }) => kind.id === id && size !== undefined);
      expect(named.map(({ size }) => size)).toEqual(sizes);
      for (const { kind } of named) {
        const document = { ...newDocument('', kind.id, {}), package: kind.package! };
        expect(isDrawable(compile(document))).toBe(true);
        const written = Object.values(document.package.dimensions);
        expect(written.every((entry) => typeof entry === 'object' && entry?.where === TYPICAL)).toBe(true);
      }
    },
  );
  it('says what nobody knows', () => {
    expect(familiesFor('quad usb')).toEqual({ hits: [], unknown: ['usb'] });
    expect(familiesFor('ball axial')).toEqual({ hits: [], unknown: [] });
  });
  it('names only outlines that there are', () => {
    for (const [name, family, outline] of TRADE_NAMES) {
      const kind = CATALOGUE.find(({ id }) => id === family);
      const known = kind?.outlines.map((one) => one.name) ?? [];
      expect([name, outline === undefined || known.includes(outline), kind !== undefined]).toEqual([
        name,
        true,
        true,
      ]);
    }
  });
  it.each(CATALOGUE.map((family) => [family.id, family] as const))(
    'draws %s as wide from the front as from above',
    (_, family) => {
      const example = exampleOf(family);
      if (!example) throw new Error('the example does not compile');
      const { plan, front } = packageViews(example);
      expect(widthOf(front)).toBeCloseTo(widthOf(plan), 5);
    },
  );
});
