import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mattersOf } from '../../../src/core/best/answer';
import { bestLandsOf, ppmWords } from '../../../src/core/best/best';
import { momentsOf, shareBelow, type Spread } from '../../../src/core/joint/distribution';
import { spanRisk, type JointRisk } from '../../../src/core/best/events';
import { contributorsOf, NARROWER, reliefsOf, summedShare } from '../../../src/core/best/matters';
import { capabilityOf, readMeasured } from '../../../src/core/best/measured';
import { upperTail, uniformsFrom } from '../../../src/core/joint/normal';
import { badShare } from '../../../src/core/best/share';
import { keptSpread, saidSpreads } from '../../../src/core/best/spreads';
import { check } from '../../../src/core/check/check';
import { applyEdits } from '../../../src/core/document/edit';
import { processDifferences } from '../../../src/core/document/process-file';
import { writeDocument } from '../../../src/core/document/write';
import { compile } from '../../../src/core/footprint/compile';
import { openDocument } from '../../../src/core/footprint/open';
import { reportOf } from '../../../src/core/format/report/content';
import { isDrawable, type Drawable } from '../../../src/core/footprint/footprint';
import { spanModel } from '../../../src/core/joint/model';
import { standardProcess } from '../../../src/core/process';
import type { Process } from '../../../src/core/process/process';
import type { SpanSolution } from '../../../src/core/land/solution';
import { chip, converter } from '../../data/documents';
import { cases, DEEP } from '../../data/depth';
import { VARIANTS } from '../../data/families';
import type { TapisDocument } from '../../../src/core/document/document';

const drawn = (document: TapisDocument): Drawable => {
  const compiled = compile(document);
  if (!isDrawable(compiled)) throw new Error(compiled.problems[0]?.message);
  return compiled;
};
const spanOf = (document: TapisDocument): SpanSolution => {
  const group = drawn(document).footprint.groups.find(({ kind }) => kind === 'span');
  if (group?.kind !== 'span') throw new Error('no span');
  return group;
};

describe('tails of the normal distribution', () => {
  it.each([
    // tabulated to 10 digits and more
    [0, 0.5],
    [0.5, 0.3085375387259869],
    [1, 0.15865525393145707],
    [1.96, 0.024997895148220435],
    [2, 0.022750131948179195],
    [3, 0.0013498980316300933],
    [3.5, 2.3262907903552504e-4],
    [4.5, 3.3976731247300535e-6],
    [6, 9.865876450376946e-10],
    [8, 6.220960574271785e-16],
    [12, 1.7764821120776e-33],
  ])('above %f is %e', (z, share) => {
    expect(upperTail(z) / share).toBeCloseTo(1, 8);
    expect(upperTail(-z)).toBeCloseTo(1 - share, 12);
  });
});

/** Draws a spread the plain way. */
function plainly(spread: Spread, range: number, random: () => number): number {
  const normal = () => Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random());
  switch (spread.kind) {
    case 'normal':
      return (normal() * range) / 2 / spread.k;
    case 'uniform':
      return (random() - 0.5) * range;
    case 'trimmed':
      for (;;) {
        const z = normal();
        if (Math.abs(z) <= spread.k) return (z * range) / 2 / spread.k;
      }
    case 'skewed': {
      const u = random();
      const t = u < spread.peak ? Math.sqrt(u * spread.peak) : 1 - Math.sqrt((1 - u) * (1 - spread.peak));
      return (t - 0.5) * range;
    }
    case 'measured':
      return spread.values[Math.floor(random() * spread.values.length)] ?? 0;
  }
}

const SPREADS: readonly Spread[] = [
  { kind: 'normal', k: 3 },
  { kind: 'normal', k: 2 },
  { kind: 'uniform' },
  { kind: 'trimmed', k: 2 },
  { kind: 'skewed', peak: 0.8 },
  { kind: 'measured', values: [-0.03, -0.01, 0, 0, 0.01, 0.02, 0.02, 0.05] },
];

describe('how lengths spread', () => {
  it.each(SPREADS.map((spread) => [JSON.stringify(spread), spread] as const))(
    '%s as plain draws say',
    (_, spread) => {
      const random = uniformsFrom(11);
      const drawnOnce = Array.from({ length: 60_000 }, () => plainly(spread, 0.4, random));
      const { mean, deviation } = momentsOf(spread, 0.4);
      expect(drawnOnce.reduce((sum, x) => sum + x, 0) / drawnOnce.length).toBeCloseTo(mean, 2);
      const terms = [
        { range: 0.4, factor: -0.5, spread },
        { range: 0.1, factor: 1, spread: { kind: 'uniform' as const } },
      ];
      const below = shareBelow(terms);
      const sums = drawnOnce.map((x) => -0.5 * x + (random() - 0.5) * 0.1);
      for (const value of [-0.08, -0.02, 0, 0.03, 0.09]) {
        const plain = sums.filter((sum) => sum < value).length / sums.length;
        expect(below(value)).toBeCloseTo(plain, 1.8);
        expect(Math.abs(below(value) - plain)).toBeLessThan(0.012);
      }
      expect(deviation).toBeGreaterThan(0);
    },
  );
  it('of normal lengths among others keeps its tail', () => {
    // a narrow uniform beside a normal: the tail is the normal's, moved by at most the uniform's half
    const below = shareBelow([
      { range: 0.6, factor: 1, spread: { kind: 'normal', k: 3 } },
      { range: 0.02, factor: 1, spread: { kind: 'uniform' } },
    ]);
    const z = (value: number) => upperTail(-value / 0.1);
    expect(below(-0.5)).toBeGreaterThan(z(-0.51));
    expect(below(-0.5)).toBeLessThan(z(-0.49));
  });
});

describe('the share of bad joints', () => {
  /** Two ways that never come together: beyond k standard deviations on either side. */
  const bothSides = (k: number, spread?: Spread): readonly [JointRisk, Record<string, Spread>] => [
    {
      variables: [
        { name: 'a', middle: 0, range: 0.48 },
        { name: 'b', middle: 0, range: 0.36 },
      ],
      events: [
        { what: 'left', end: 'side', constant: k * 0.1, factors: [1, 1] },
        { what: 'right', end: 'side', constant: k * 0.1, factors: [-1, -1] },
      ],
    },
    spread ? { a: spread, b: spread } : {},
  ];
  it.each([1, 2, 3, 4, 5, 5.6, 6])('of two sides at %f σ is twice the tail, within its confidence', (k) => {
    const { share, low, high } = badShare(...bothSides(k));
    const exact = 2 * upperTail(k);
    expect(Math.abs(share / exact - 1)).toBeLessThan(0.04);
    expect(low).toBeLessThanOrEqual(exact * 1.02);
    expect(high).toBeGreaterThanOrEqual(exact * 0.98);
  });
  it('is what plain draws say, for every spread and overlapping ways', () => {
    for (const spread of SPREADS.slice(0, 5)) {
      const risk: JointRisk = {
        variables: [
          { name: 'a', middle: 0.05, range: 0.4 },
          { name: 'b', middle: 0, range: 0.3 },
          { name: 'c', middle: 0, range: 0.1 },
        ],
        events: [
          { what: 'one', end: 'outer', constant: 0.06, factors: [0.5, -1, 1] },
          { what: 'two', end: 'inner', constant: 0.05, factors: [0.5, 1, 1] },
          { what: 'both', end: 'length', constant: 0.08, factors: [1, 0, 2] },
        ],
      };
      const spreads = { a: spread, b: spread };
      const random = uniformsFrom(3);
      const N = cases(60_000, 2_000_000);
      let bad = 0;
      for (let i = 0; i < N; i += 1) {
        const x = risk.variables.map(
          ({ name, middle, range }) =>
            middle + plainly(name === 'c' ? { kind: 'normal', k: 3 } : spread, range, random),
        );
        if (
          risk.events.some(
            ({ constant, factors }) => factors.reduce((sum, f, j) => sum + f * (x[j] ?? 0), constant) < 0,
          )
        )
          bad += 1;
      }
      const plain = bad / N;
      const { share, low, high } = badShare(risk, spreads);
      const error = 3 * Math.sqrt((plain * (1 - plain)) / N) + (high - low);
      expect(Math.abs(share - plain), JSON.stringify(spread)).toBeLessThan(error + 1e-4);
    }
  });
  it('lies between the largest single share and their sum, and is the same every time', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 6, noNaN: true }), (k) => {
        const [risk, spreads] = bothSides(k);
        const { share, byEvent } = badShare(risk, spreads);
        expect(share).toBeGreaterThanOrEqual(Math.max(...byEvent.map((one) => one.share)) - 1e-15);
        expect(share).toBeLessThanOrEqual(summedShare(risk, spreads) + 1e-15);
        expect(badShare(risk, spreads).share).toBe(share);
      }),
      { numRuns: 20 },
    );
  });
});

describe('what matters', () => {
  it('is each tolerance’s part of the variance', () => {
    const group = spanOf(converter());
    const { goals, goalRow, land, terminals } = group;
    const model = spanModel(terminals, land, goals, goalRow.ends, drawn(converter()).process);
    const [toe] = model.margins;
    if (!toe) throw new Error('no toe');
    // (0.40/2)² : 0.10² : 0.05² = 0.0400 : 0.0100 : 0.0025
    expect(contributorsOf(model, toe).map(({ name, share }) => [name, Number(share.toFixed(4))])).toEqual([
      ['Span over the terminals', 0.7619],
      ['Etching of the outer edge', 0.1905],
      ['Placement along', 0.0476],
    ]);
  });
  it('is told as what a narrower tolerance spares', () => {
    const sot = VARIANTS.find(({ name }) => name === 'small-transistor')!.document;
    const { process } = drawn(sot);
    const group = spanOf({ ...sot, level: 'C' });
    const risk = spanRisk(group, group.land, process);
    const [first] = reliefsOf(risk);
    if (!first) throw new Error('nothing matters');
    const narrower = {
      ...risk,
      variables: risk.variables.map((one) =>
        one.name === first.name ? { ...one, range: one.range - NARROWER } : one,
      ),
    };
    expect(first.spared).toBeCloseTo(summedShare(risk) - summedShare(narrower), 12);
    expect(first.spared).toBeGreaterThan(1e-5);
  });
});

describe('the best land', () => {
  const spans = VARIANTS.filter(({ document }) =>
    compile(document).footprint?.groups.some(({ kind }) => kind === 'span'),
  );
  const some = spans.filter((_, i) => i % Math.max(1, Math.floor(spans.length / cases(32, 200))) === 0);
  it.each(some.map(({ name, document }) => [name, document] as const))(
    'of %s: no grid finds one that fails less',
    (_, document) => {
      const drawable = drawn(document);
      const { process, footprint } = drawable;
      for (const found of bestLandsOf(drawable)) {
        const group = footprint.groups.find(({ terminals }) => terminals.id === found.group);
        if (group?.kind !== 'span') continue;
        const largest = found.points.find(({ id }) => id === 'as-large');
        const own = found.points.find(({ id }) => id === 'own');
        const best = found.points.find(({ id }) => id === 'best');
        if (!largest || !own || !best) throw new Error('a point is missing');
        const shareOf = (Z: number, G: number, X: number) =>
          summedShare(spanRisk(group, { Z, G, X, Y: (Z - G) / 2, C: (Z + G) / 2 }, process));
        // toe and heel no less than the least level asks, as the search has it
        const all = [...found.front, best];
        const [zs, gs, xs] = (['Z', 'G', 'X'] as const).map((key) =>
          all.map(({ sizes }) => sizes[key] ?? 0),
        ) as [number[], number[], number[]];
        let [least, leastOfArea] = [Infinity, Infinity];
        const steps = 9;
        const on = (values: number[], i: number) => {
          const [low, high] = [Math.min(...values), Math.max(...values)];
          return low + ((high - low) * i) / steps;
        };
        // where the search may go and the front went
        const inside = found.front.at(-1)?.sizes ?? best.sizes;
        for (let i = 0; i <= steps; i += 1)
          for (let j = 0; j <= steps; j += 1)
            for (let k = 0; k <= steps; k += 1) {
              const [Z, G, X] = [on(zs, i), on(gs, j), on(xs, k)];
              if (
                X > Math.max(inside.X ?? 0, best.sizes.X ?? 0) + 1e-9 ||
                G < Math.min(inside.G ?? 0, best.sizes.G ?? 0) - 1e-9
              )
                continue;
              // what rounding to a hundredth may take is not held against the search
              const share = shareOf(Z - 0.01, G + 0.01, X - 0.01);
              least = Math.min(least, share);
              if (((Z - G) / 2) * X <= largest.area + 1e-9) leastOfArea = Math.min(leastOfArea, share);
            }
        const mine = shareOf(best.sizes.Z ?? 0, best.sizes.G ?? 0, best.sizes.X ?? 0);
        // what lies under the resolution is alike
        expect(mine).toBeLessThan(least * 1.6 + 1e-8);
        const small = shareOf(largest.sizes.Z ?? 0, largest.sizes.G ?? 0, largest.sizes.X ?? 0);
        expect(small).toBeLessThan(leastOfArea * 1.6 + 1e-8);
        expect(largest.area).toBeLessThanOrEqual(own.area + 1e-6);
      }
    },
  );
  it('stands on a front on which more land is fewer bad joints', () => {
    const [found] = bestLandsOf(drawn(converter()));
    const shares = found?.front.map(({ bad }) => bad.share) ?? [];
    expect(shares.length).toBeGreaterThan(8);
    for (const [i, share] of shares.entries())
      if (i > 0) expect(share).toBeLessThan((shares[i - 1] ?? 0) * 1.001);
  });
  it('is adopted as a land set by hand, with its reason, and no rule stops it', () => {
    for (const document of [converter({}, { level: 'C' }), chip()]) {
      const [found] = bestLandsOf(drawn(document));
      if (!found) throw new Error('nothing found');
      const best = found.points.find(({ id }) => id === 'best');
      const adopted = drawn(applyEdits(document, found.adopt));
      const [group] = adopted.footprint.groups;
      expect(group?.kind === 'span' && [group.land.X, group.land.Y, group.land.C]).toEqual([
        best?.sizes.X,
        best?.sizes.Y,
        best?.sizes.C,
      ]);
      expect(adopted.document.overrides?.lands?.[found.group]?.reason).toContain('ppm bad joints expected');
      expect(check(adopted).findings.filter(({ severity }) => severity === 'stop')).toEqual([]);
    }
  });
  it('of leads through the board is a drill and the smallest ring that holds', () => {
    const dip = VARIANTS.find(({ name }) => name === 'dip')!.document;
    const [found] = bestLandsOf(drawn(dip));
    const [own, best] = ['own', 'best'].map((id) => found?.points.find((point) => point.id === id));
    expect(best?.bad.share).toBeLessThan(1e-8);
    expect(best?.area).toBeLessThan(own?.area ?? 0);
  });
  it('is one whose paste leaves the stencil, where one can', () => {
    const thick = { ...standardProcess, id: 'thick', name: 'Thick foil', stencilThickness: 0.25 };
    const document = converter({}, { level: 'C', process: 'thick', ownProcess: thick });
    const pasteFindings = (one: TapisDocument) =>
      check(compile(one)).findings.filter(({ rule }) => rule === 'paste-area');
    expect(pasteFindings(document)).toHaveLength(1);
    const [found] = bestLandsOf(drawn(document));
    expect(found?.limits.join()).toContain('area ratio 0.66');
    expect(pasteFindings(applyEdits(document, found?.adopt ?? []))).toEqual([]);
    for (const { sizes } of found?.front ?? [])
      expect(
        ((sizes.Y ?? 0) * (sizes.X ?? 0)) / (2 * ((sizes.Y ?? 0) + (sizes.X ?? 0)) * 0.25),
      ).toBeGreaterThan(0.655);
  });
  it('under an outer distance stays inside of it', () => {
    const [found] = bestLandsOf(drawn(converter()), { maxZ: 7 });
    expect(
      Math.max(...(found?.points.filter(({ id }) => id === 'best').map(({ sizes }) => sizes.Z ?? 0) ?? [])),
    ).toBeLessThanOrEqual(7);
    expect(found?.limits.join(' ')).toContain('as asked');
  });
});

describe('measurements', () => {
  const lines = Array.from({ length: 40 }, (_, i) => `0.40,${(0.4 + ((i % 8) - 3) * 0.01).toFixed(3)}`);
  it('are read as offsets, with bias, spread and capability', () => {
    const read = readMeasured(`wanted,measured\n${lines.join('\n')}\n`);
    if (!read.ok) throw new Error(read.error);
    // offsets −0.03 … 0.04 five times each
    expect(read.value.bias).toBeCloseTo(0.005, 12);
    expect(read.value.deviation).toBeCloseTo(Math.sqrt((5 * 42e-4) / 39), 9);
    const { cp, cpk, cpkLow, cpkHigh, cpLow } = capabilityOf(read.value, 0.2);
    expect(cp).toBeCloseTo(0.2 / (6 * read.value.deviation), 9);
    expect(cpk).toBeCloseTo((0.1 - 0.005) / (3 * read.value.deviation), 9);
    expect(cpkLow).toBeLessThan(cpk);
    expect(cpkHigh).toBeGreaterThan(cpk);
    expect(cpLow).toBeLessThan(cp);
  });
  it.each([
    ['0.1\n0.2', '2 measurements'],
    [`${'0.1\n'.repeat(12)}wide\n`, 'Line 13: “wide” is not a length'],
    ['1;2;3', 'Line 1 has 3 numbers'],
  ])('%j is refused', (text, words) => {
    const read = readMeasured(text);
    expect(read.ok ? '' : read.error).toContain(words);
  });
  it('move a joint by their bias and do not fold it into the spread', () => {
    const values = Array.from({ length: 50 }, (_, i) => ((i % 5) - 2) * 0.01 - 0.2);
    const sot = VARIANTS.find(({ name }) => name === 'small-transistor')!.document;
    const { process } = drawn(sot);
    const group = spanOf(sot);
    const risk = spanRisk(group, group.land, process);
    const biased = summedShare(risk, { 'Placement along': { kind: 'measured', values } });
    const centred = summedShare(risk, {
      'Placement along': { kind: 'measured', values: values.map((v) => v + 0.2) },
    });
    expect(biased).toBeGreaterThan(centred * 100);
  });
});

describe('spreads that a document keeps', () => {
  const values = Array.from({ length: 40 }, (_, i) => Math.round(((i % 8) - 3) * 125) / 1e4);
  it.each([
    { kind: 'uniform' },
    { kind: 'normal', k: 2 },
    { kind: 'trimmed', k: 2.5 },
    { kind: 'skewed', peak: 0.7 },
    { kind: 'measured', values },
  ] as const)('come back as %j, and are reckoned with as if they were asked for', (spread) => {
    const kept = keptSpread(spread, 'placed.csv');
    const document = { ...converter({}, { level: 'C' }), spreads: { 'Placement along': kept } };
    const opened = openDocument(writeDocument(document));
    expect(opened).toEqual({ ok: true, value: document });
    const drawable = drawn(document);
    expect(saidSpreads(drawable)['Placement along']).toMatchObject({ spread, source: 'placed.csv' });
    const plain = drawn(converter({}, { level: 'C' }));
    expect(mattersOf(drawable)).toEqual(mattersOf(plain, { spreads: { 'Placement along': spread } }));
    expect(JSON.stringify(reportOf(drawable, {}))).toContain('placed.csv');
  });
  it('that a process keeps hold for every part under it, unless the part says otherwise', () => {
    const under = (spreads: Process['spreads'], own: TapisDocument['spreads'] = {}) =>
      drawn({
        ...converter({}, { level: 'C' }),
        process: 'line-7',
        ownProcess: { ...standardProcess, id: 'line-7', name: 'Line 7', ...(spreads ? { spreads } : {}) },
        ...(own ? { spreads: own } : {}),
      });
    const kept = keptSpread({ kind: 'measured', values }, 'line 7, week 40');
    const both = under({ placementTolerance: kept, drillWander: { is: 'uniform' } });
    const opened = openDocument(writeDocument(both.document));
    expect(opened).toEqual({ ok: true, value: both.document });
    const measured = { kind: 'measured', values } as const;
    expect(mattersOf(both)).toEqual(
      mattersOf(under(undefined), { spreads: { 'Placement along': measured, 'Placement across': measured } }),
    );
    expect(JSON.stringify(reportOf(both, {}))).toContain('as the process says');
    const part = under({ placementTolerance: kept }, { 'Placement along': { is: 'uniform' } });
    expect(saidSpreads(part)).toMatchObject({
      'Placement along': { spread: { kind: 'uniform' }, by: 'document' },
      'Placement across': { by: 'process' },
    });
    // what was measured can be narrowed too, about its bias
    const off = keptSpread({ kind: 'measured', values: values.map((v) => 8 * v) }, 'by hand');
    const relief = mattersOf(under({ placementTolerance: off }))[0]?.reliefs.find(
      ({ name }) => name === 'Placement along',
    );
    expect(relief?.spared).toBeGreaterThan(0);
    expect(
      processDifferences(standardProcess, { ...standardProcess, spreads: { placementTolerance: kept } }),
    ).toEqual([
      {
        title: 'Measured spreads',
        from: 'nothing said',
        to: 'placementTolerance 40 measured (line 7, week 40)',
      },
    ]);
    // holes through the board: what was measured of them goes by its own name
    const pin = VARIANTS.find(
      ({ document }) => drawn(document).footprint.groups[0]?.kind === 'pin',
    )!.document;
    const through = drawn({
      ...pin,
      process: 'line-7',
      ownProcess: { ...standardProcess, id: 'line-7', spreads: { finishedHole: kept } },
    });
    expect(Object.keys(saidSpreads(through))).toEqual(['Finished hole']);
  });
  it('that say nothing that can be meant are refused', () => {
    for (const kept of [{ is: 'wide' }, { offsets: '1 x' }, { offsets: '1,5 2' }])
      expect(openDocument(JSON.stringify({ ...converter(), spreads: { P: kept } })).ok).toBe(false);
  });
});

describe('leads of several sources in one hole', () => {
  const radial = VARIANTS.find(({ document }) => document.package.family === 'radial')!.document;
  const withSecond = (document: TapisDocument, dimensions: Readonly<Record<string, string>>) => ({
    ...document,
    alternates: [{ id: 'a', title: 'KM', dimensions }],
  });
  it('the same lead twice changes nothing', () => {
    const [one, two] = [radial, withSecond(radial, {})].map((each) =>
      bestLandsOf(drawn(each))[0]?.points.at(-1),
    );
    expect(two?.sizes).toEqual(one?.sizes);
    expect(two?.bad.share).toBeCloseTo(one?.bad.share ?? Number.NaN, 9);
  });
  it('a thicker lead beside it: the best hole fails least for both, each alone would have its own', () => {
    // 0.45..0.55 by itself takes a hole of 0.60
    const [best] = bestLandsOf(drawn(withSecond(radial, { b: '0.70..0.80mm' })));
    const at = (id: string) => best?.points.find((one) => one.id === id);
    const [first, second, both] = ['alone-1', 'alone-2', 'best'].map(at);
    expect([first?.sizes.H, second?.sizes.H]).toEqual([0.6, 0.85]);
    expect(both?.bySource.map(({ title }) => title)).toEqual(['the first source', 'KM']);
    for (const one of [first, second, ...(best?.front ?? [])])
      expect(both?.bad.share).toBeLessThanOrEqual((one?.bad.share ?? 0) + 1e-8);
    const [mine = 0, other = 0] = both?.bySource.map(({ bad }) => bad.share) ?? [];
    expect(both?.bad.share).toBeCloseTo((mine + other) / 2, 9);
  });
});

/** Draws of every variable, plain, and how many of the joints are bad. */
function drawnShare({ variables, events }: JointRisk, n: number): number {
  const random = uniformsFrom(20);
  const count = variables.length;
  const x = new Float64Array(count);
  const [middles, sigmas] = [variables.map(({ middle }) => middle), variables.map(({ range }) => range / 6)];
  const constants = events.map(({ constant }) => constant);
  const factors = Float64Array.from(events.flatMap((event) => [...event.factors]));
  let bad = 0;
  for (let k = 0; k < n; k += 1) {
    for (let i = 0; i < count; i += 1)
      x[i] =
        (middles[i] ?? 0) +
        (sigmas[i] ?? 0) * Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random());
    for (let e = 0; e < constants.length; e += 1) {
      let sum = constants[e] ?? 0;
      for (let i = 0; i < count; i += 1) sum += (factors[e * count + i] ?? 0) * (x[i] ?? 0);
      if (sum >= 0) continue;
      bad += 1;
      break;
    }
  }
  return bad / n;
}

// an hour's work of plain draws: in the deep run
describe.runIf(DEEP)('shares against ten million plain draws', () => {
  const spans = VARIANTS.flatMap(({ name, document }) =>
    compile({ ...document, level: 'C' }).footprint?.groups.some(({ kind }) => kind === 'span')
      ? [[name, document] as const]
      : [],
  );
  it.each(spans.filter((_, i) => i % Math.floor(spans.length / 30) === 0))(
    'of %s, as it is and at its best',
    (_, document) => {
      const drawable = drawn({ ...document, level: 'C' });
      for (const found of bestLandsOf(drawable)) {
        const group = drawable.footprint.groups.find(({ terminals }) => terminals.id === found.group);
        if (group?.kind !== 'span') continue;
        const own = found.points.find(({ id }) => id === 'own');
        const best = found.points.find(({ id }) => id === 'best');
        for (const point of [own, best]) {
          const { Z = 0, G = 0, X = 0, Y = 0, C = 0 } = point?.sizes ?? {};
          const risk = spanRisk(group, { Z, G, X, Y, C }, drawable.process);
          const { low, high } = badShare(risk);
          const n = 1e7;
          const share = drawnShare(risk, n);
          const error = 4 * Math.sqrt(Math.max(share, 1 / n) / n);
          expect(share).toBeGreaterThanOrEqual(low - error);
          expect(share).toBeLessThanOrEqual(high + error);
        }
      }
    },
  );
});

it('says shares in parts per million with their range', () => {
  expect(ppmWords({ share: 7.39e-4, low: 7.2e-4, high: 7.6e-4, exact: false })).toBe('739 ppm (720 to 760)');
  expect(ppmWords({ share: 1e-12, low: 0, high: 1e-12, exact: false })).toBe('under 0.01 ppm');
});
