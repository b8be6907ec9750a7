import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { LEVELS, type TapisDocument } from '../../../src/core/document/document';
import { applyEdits } from '../../../src/core/document/edit';
import type { Finding } from '../../../src/core/document/finding';
import { compile } from '../../../src/core/footprint/compile';
import { FAMILIES, familyById } from '../../../src/core/package/families';
import type { Dimensions } from '../../../src/core/package/definitions';
import type { FamilyDefinition } from '../../../src/core/package/family';
import { PROCESSES } from '../../../src/core/process';
import { variantsOf, type Variant } from '../../data/families';
import { cases } from '../../data/depth';

function exampleOf(id: string): TapisDocument {
  const [example] = variantsOf(familyById(id) as FamilyDefinition);
  if (!example) throw new Error(`no family ${id}`);
  return example.document;
}

function withChanges(
  id: string,
  dimensions: Record<string, string>,
  options: Record<string, string> = {},
): TapisDocument {
  const document = exampleOf(id);
  const { package: intent } = document;
  return {
    ...document,
    package: {
      ...intent,
      options: { ...intent.options, ...options },
      dimensions: { ...intent.dimensions, ...dimensions },
    },
  };
}

const findings = (document: TapisDocument): readonly Finding[] => check(compile(document)).findings;

describe('what datasheets are misread for', () => {
  it.each([
    // the number that is wrong, the rule that finds it, and both numbers that disagree
    ['j-lead-dual', { E2: '8.6..8.9' }, {}, 'contacts-span', /8\.75.*8\.50/],
    ['j-lead-quad', { n: '64' }, {}, 'row-body-D1', /16 places/],
    ['no-lead-quad', { L: '2.6..2.8' }, {}, 'terminals-apart-E', /2\.80.*4\.90/],
    ['no-lead-quad', { E2: '4.4..4.6' }, {}, 'pad-terminals-E2', /4\.60.*4\.00/],
    ['no-lead-dual', { E2: '0' }, {}, 'pad-size', /0\.00 × 1\.60/],
    ['gull-wing-dual', { E2: '5.8..6.0', D2: '3' }, { pad: 'rectangle' }, 'pad-terminals-E2', /6\.00.*4\.70/],
    ['castellated', { b: '1.2..1.4' }, {}, 'fits-e', /1\.40.*1\.27/],
    ['chip-array', { n: '10' }, {}, 'row-body-D', /5 places/],
    ['ball-grid', { nE: '14' }, {}, 'grid-body-E', /14 rows.*10\.10/],
    ['ball-grid', { nE: '8' }, {}, 'grid-body-E', /room for more rows/],
    ['ball-grid', { b: '0.8..0.9' }, {}, 'fits-e', /0\.90.*0\.80/],
    ['column-grid', { e: '1.25', E: '12.9..13.2' }, {}, 'grid-drift-e', /1\.27.*0\.18/],
    ['tab-package', { D1: '9.2..9.6' }, {}, 'span-parts', /10\.60.*10\.40/],
    ['tab-package', { E1: '7.0..7.4' }, {}, 'tab-width', /7\.00.*6\.70/],
    ['surface-header', { D: '4.0' }, {}, 'row-length', /5\.48.*4/],
    ['dip', { E1: '9.0..9.4' }, {}, 'body-rows', /9\.00.*7\.62/],
    ['dip', { b: '2.2..2.3' }, {}, 'lead-pitch-e', /2\.54/],
    ['axial', { e: '7.62' }, {}, 'spacing-body', /7\.62.*9\.40/],
    ['axial', { b: '3.0..3.2' }, {}, 'lead-body', /3\.00.*2\.50/],
    ['radial', { e: '8' }, {}, 'leads-body', /6\.80.*6\.50/],
    ['pin-header', { D: '10.16' }, {}, 'agrees-D', /10\.16.*12\.70/],
    ['pin-header', { e: '2.5' }, {}, 'grid-drift-e', /2\.50.*2\.54.*0\.16/],
    ['in-line-transistor', { n: '6' }, {}, 'row-body', /6\.35.*5\.20/],
    ['in-line-transistor', { S: '5' }, {}, 'back-body', /5\.00.*4\.20/],
    ['flange-mount', { P: '9' }, {}, 'screw-flange', /9.*12\.6/],
    ['screw-terminal', { D: '10.16' }, {}, 'agrees-D', /10\.16.*15\.24/],
    ['mounting-hole', { H: '5.4' }, {}, 'hole-head', /5\.80.*5\.00/],
    ['oscillator', { b: '2.4..2.6' }, {}, 'fits-e', /2\.60.*2\.20/],
    ['flat-lead', { E: '1.0..1.2' }, {}, 'span-body', /1\.10.*1\.20/],
    ['small-transistor-wide', { L: '1.5..1.8' }, {}, 'foot-overhang', /94 %/],
    ['test-point', { b: '1.1' }, { kind: 'loop' }, 'wire-hole', /1\.10.*1\.00/],
  ] as const)('%s with %j %j: %s', (id, dimensions, options, rule, words) => {
    const before = findings(withChanges(id, {}, id === 'gull-wing-dual' ? {} : options));
    expect(before.filter((f) => f.rule === rule)).toEqual([]);
    const found = findings(withChanges(id, dimensions, options)).filter((f) => f.rule === rule);
    expect(found).not.toEqual([]);
    expect(found[0]?.message).toMatch(words);
    expect(found[0]?.measured).toBeDefined();
  });

  it('is mended by its remedies', () => {
    const header = withChanges('pin-header', { D: '10.16', e: '2.5' });
    const remedy = (document: TapisDocument, rule: string) =>
      applyEdits(document, findings(document).find((f) => f.rule === rule)?.remedies[0]?.edits ?? []);
    const mended = remedy(remedy(header, 'grid-drift-e'), 'agrees-D');
    expect(findings(mended).map(({ rule }) => rule)).not.toContain('agrees-D');
    expect(compile(mended).footprint?.standardName).toBe('HDRV10W64P254_2X5_1270X508X850N');
    const spaced = remedy(withChanges('axial', { e: '7.62' }), 'spacing-body');
    // 6.6 + 2·(0.8 + 0.65) at most material
    expect(compile(spaced).resolved?.values?.['e']?.max).toBeCloseTo(9.5, 9);
  });

  it('names options that cannot be read and uses the rest of them', () => {
    const grid = withChanges('ball-grid', {}, { missing: 'A1, Q7' });
    const [first] = findings(grid);
    expect(first).toMatchObject({ severity: 'stop', title: 'Missing cannot be read' });
    expect(compile(grid).footprint?.lands).toHaveLength(143);
  });
  it('says so where nothing is left to solder', () => {
    const none = withChanges('ball-grid', { nE: '2', nD: '2', E: '1.5..1.7' }, { missing: 'A1..B2' });
    expect(findings(none)[0]).toMatchObject({ title: 'No terminals left', severity: 'stop' });
  });
});

describe('holes', () => {
  const header = (lands: Record<string, { H?: string; D?: string }>) => ({
    ...exampleOf('pin-header'),
    overrides: { lands },
  });
  const of = (document: TapisDocument, rule: string) => findings(document).filter((f) => f.rule === rule);
  it.each([
    ['hole-fit', {}, 0],
    // 0.961665 of lead: 1.10 leaves 0.138, 0.90 none; 1.60 leaves 0.751 round 0.848528
    ['hole-fit', { H: '1.1' }, 1],
    ['hole-fit', { H: '0.9' }, 1],
    ['hole-fit', { H: '1.6', D: '2.4' }, 1],
    // hole 1.2: ring 0.10 less 0.05 of wander; 0.09 breaks out, 0.045 is too thin by itself
    ['annular-ring', { D: '1.4' }, 0],
    ['annular-ring', { D: '1.38' }, 1],
    ['annular-ring', { D: '1.29' }, 1],
    ['hole-web', { H: '1.5', D: '2.3' }, 0],
    ['hole-web', { H: '2.4', D: '2.5' }, 1],
  ] as const)('%s with %j: %d', (rule, pins, count) => {
    expect(of(header({ pins }), rule)).toHaveLength(count);
  });
  it('that are too tight or too wide go back to the computed one', () => {
    const tight = header({ pins: { H: '0.9' } });
    const [finding] = of(tight, 'hole-fit');
    expect(finding).toMatchObject({ severity: 'stop', measured: { value: expect.closeTo(-0.061665, 5) } });
    expect(of(applyEdits(tight, finding?.remedies[0]?.edits ?? []), 'hole-fit')).toEqual([]);
  });
});

/** A variant with the values that its numbers mean. */
type Measured = Variant & { readonly values: Dimensions };

function measured(variant: Variant): Measured {
  const { values } = compile(variant.document).resolved ?? {};
  if (!values) throw new Error(`${variant.name} is not complete`);
  return { ...variant, values };
}

/** A variant with every length scaled by one factor and its limits drawn apart by a little. */
function scaled({ document, family, values }: Measured, factor: number, apart: number): TapisDocument {
  const dimensions = Object.fromEntries(
    Object.keys(document.package.dimensions).map((symbol) => {
      const definition = family.dimensions.find((d) => d.symbol === symbol);
      const value = values[symbol];
      if (!definition || !value || definition.kind === 'count') return [symbol, String(value?.nom)];
      const [low, high] = definition.limits;
      const at = (v: number) => Math.min(high, Math.max(low, v * factor));
      return [symbol, `${at(value.min)}..${Math.min(high, at(value.max) * (1 + apart))}`];
    }),
  );
  return { ...document, package: { ...document.package, dimensions } };
}

const RUNS = cases(20, 500);
/** Hundreds of compilations take their time on a busy machine. */
const PATIENCE = 120_000;

describe.each(FAMILIES.map((family) => [family.id, family] as const))('%s', (_, family) => {
  const anyProcess = fc.constantFrom(...PROCESSES.map(({ id }) => id));
  const anyLevel = fc.constantFrom(...LEVELS);
  // large grids are the bench's business
  const variants = variantsOf(family)
    .filter(({ document }) => (compile(document).footprint?.lands.length ?? 0) < 150)
    .map(measured);

  it(
    `compiles for plausible inputs, its marks and courtyard in order`,
    () => {
      const factor = fc.integer({ min: 85, max: 130 }).map((v) => v / 100);
      const apart = fc.integer({ min: 0, max: 20 }).map((v) => v / 1000);
      fc.assert(
        fc.property(
          fc.constantFrom(...variants),
          factor,
          apart,
          anyProcess,
          anyLevel,
          (variant, by, more, process, level) => {
            const compiled = compile({ ...scaled(variant, by, more), process, level });
            if (!compiled.footprint) throw new Error(compiled.problems[0]?.message);
            const rules = check(compiled)
              .findings.filter(({ severity }) => severity !== 'note')
              .map(({ rule }) => rule);
            for (const rule of ['courtyard', 'legend-over-land', 'number-sequence', 'name-geometry'])
              expect(rules).not.toContain(rule);
          },
        ),
        { numRuns: RUNS },
      );
    },
    PATIENCE,
  );

  it(
    `gives findings, not exceptions, for implausible inputs`,
    () => {
      const number = fc.integer({ min: 0, max: 40000 }).map((v) => v / 1000);
      const wild = fc.oneof(
        fc.tuple(number, number).map(([a, b]) => `${Math.min(a, b)}..${Math.max(a, b)}`),
        number.map(String),
        fc.string({ maxLength: 12 }),
        fc.constantFrom('', 'max 1e', 'typ 0', '-3', 'E', 'L*L', '1/0', '9999', 'e*n', '0'),
      );
      const counts = fc.oneof(fc.integer({ min: -1, max: 14 }).map(String), fc.constantFrom('', '3.5', 'x'));
      const dimensions = fc.record(
        Object.fromEntries(
          family.dimensions.map(({ symbol, kind }) => [symbol, kind === 'count' ? counts : wild]),
        ),
      );
      const options = fc.record(
        Object.fromEntries(
          family.options.map(({ id, choices }) => [
            id,
            choices.length > 0
              ? fc.constantFrom(...choices.map((choice) => choice.id), 'none such')
              : fc.string(),
          ]),
        ),
      );
      fc.assert(
        fc.property(dimensions, options, anyProcess, anyLevel, (entered, chosen, process, level) => {
          const document: TapisDocument = {
            ...exampleOf(family.id),
            process,
            level,
            package: { family: family.id, options: chosen, dimensions: entered },
          };
          const compiled = compile(document);
          const report = check(compiled);
          if (!compiled.footprint) expect(report.findings.length).toBeGreaterThan(0);
        }),
        { numRuns: RUNS },
      );
    },
    PATIENCE,
  );
});

it('asks only for dimensions that the part has under its options', () => {
  const asked = (id: string, options: Record<string, string>) =>
    (familyById(id) as FamilyDefinition).dimensions
      .filter(({ when }) => !when || when(options))
      .map(({ symbol }) => symbol);
  expect(asked('gull-wing-dual', { pad: 'none' })).not.toContain('E2');
  expect(asked('gull-wing-dual', { pad: 'chamfered' })).toEqual(expect.arrayContaining(['E2', 'D2', 'h']));
  expect(asked('no-lead-quad', {})).toContain('E2');
  expect(asked('no-lead-quad', { pad: 'four' })).toContain('g');
  expect(asked('ball-grid', { layout: 'full' })).not.toContain('m');
  expect(asked('ball-grid', { layout: 'hollow' })).toContain('m');
  expect(asked('mounting-hole', { hole: 'non-plated' })).not.toContain('v');
  // a pad that is there has to be measured
  const { problems } = compile(withChanges('no-lead-quad', { E2: '', D2: '3.5' }));
  expect(problems.map(({ title }) => title)).toEqual(['Pad across E2 is missing']);
});
