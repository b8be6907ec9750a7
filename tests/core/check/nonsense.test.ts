import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { newDocument, type Overrides, type TapisDocument } from '../../../src/core/document/document';
import { applyEdits } from '../../../src/core/document/edit';
import type { Finding } from '../../../src/core/document/finding';
import type { StackIntent } from '../../../src/core/document/intent';
import { compile } from '../../../src/core/footprint/compile';
import { familyById } from '../../../src/core/package/families';
import { chip, converter } from '../../data/documents';

function findings(document: TapisDocument): readonly Finding[] {
  const compiled = compile(document);
  if (!compiled.footprint) throw new Error(compiled.problems.map(({ message }) => message).join('; '));
  return check(compiled).findings;
}

const example = (
  family: string,
  dimensions: Record<string, string> = {},
  options: Record<string, string> = {},
) => {
  const document = newDocument(family, family, {
    ...(familyById(family)?.example as Record<string, string>),
    ...dimensions,
  });
  return { ...document, package: { ...document.package, options } };
};
const stacked = (document: TapisDocument, group: string, intent: StackIntent): TapisDocument => ({
  ...document,
  stacks: { groups: { [group]: intent } },
});
const set = (document: TapisDocument, overrides: Overrides): TapisDocument => ({ ...document, overrides });
const land5 = (document: TapisDocument, id: string, intent: StackIntent): TapisDocument => ({
  ...document,
  stacks: { lands: { [id]: intent } },
});

const header = example('pin-header', { r: '1', k: '5' });
const pads = example('no-lead-quad');
const balls = example('ball-grid');
/** Toe, heel and side of the converter at level B are 0.35, 0.35 and 0.03; lands 1.55 × 0.40 at ±2.90. */
const short = (sizes: Record<string, string>) => set(converter(), { lands: { rows: sizes } });

/** Three flat pins, 3.0 × 0.8. */
const FLAT = example('sip', { n: '3', e: '5.08', D: '15..16', b: '3.0', c: '0.8' });

describe('nonsense is caught', () => {
  it.each<
    [what: string, document: TapisDocument, rule: string, severity: string, value: number, limit: number]
  >([
    // openings
    [
      'mask closed over a soldered land',
      stacked(converter(), 'rows', { mask: { none: true } }),
      'mask-closed',
      'stop',
      0,
      1,
    ],
    [
      'mask closed over land 5 alone',
      land5(converter(), 'rows/5', { mask: { none: true } }),
      'mask-closed',
      'stop',
      0,
      1,
    ],
    [
      'no paste on a surface land',
      land5(converter(), 'rows/5', { paste: { none: true } }),
      'paste-missing',
      'caution',
      0,
      1,
    ],
    [
      'paste beyond its land',
      stacked(converter(), 'rows', { paste: { margin: '-0.05' } }),
      'paste-beyond',
      'caution',
      0.05,
      0,
    ],
    [
      'a large aperture in one piece',
      stacked(example('tab-package'), 'tab', { paste: { width: '6', height: '5' } }),
      'paste-large',
      'caution',
      6,
      4,
    ],
    // holes and planes: hole 1.20, land 1.80
    [
      'a far land as large as its hole',
      stacked(header, 'pins', { other: { width: '1.2' } }),
      'annular-ring',
      'stop',
      0,
      0.05,
    ],
    [
      'an inner land as large as its hole',
      land5(header, 'pins/5', { inner: '1.2' }),
      'annular-ring',
      'stop',
      0,
      0.05,
    ],
    [
      'one spoke',
      stacked(header, 'pins', { relief: { on: true, spokes: 1 } }),
      'relief-spokes',
      'caution',
      1,
      2,
    ],
    [
      'a thin spoke',
      stacked(header, 'pins', { relief: { on: true, width: '0.08' } }),
      'relief-spokes',
      'caution',
      0.08,
      0.15,
    ],
    ['no plane clearance', stacked(header, 'pins', { clearance: '0' }), 'plane-clearance', 'stop', 0, 0.15],
    [
      'numbered copper round an unplated hole',
      stacked(header, 'pins', { hole: { plated: false } }),
      'unplated-lead',
      'caution',
      0,
      1,
    ],
    // 3.0 × 0.8: √(9 + 0.64) + 0.20 = 3.305, up to 3.35; 3.35 − 0.8 = 2.55 of air
    ['a round hole on a flat lead', FLAT, 'hole-fit', 'caution', 2.55, 0.7],
    // goals; Z = 5.8 + Y: (Z − 6.2 − √0.1725)/2
    [
      'a toe of −0.2',
      short({ Y: '0.42', C: '5.8' }),
      'joint-goal',
      'caution',
      (5.8 + 0.42 - 6.2 - Math.sqrt(0.1725)) / 2,
      0.35,
    ],
    [
      'a heel that is too short',
      short({ Y: '1.3', hold: 'outer' }),
      'joint-goal',
      'note',
      (5.491548 - 4.75 - 0.593717) / 2,
      0.35,
    ],
    ['narrow lands', short({ X: '0.2' }), 'joint-goal', 'caution', (0.2 - 0.19 - 0.156844) / 2, 0.03],
    [
      'one narrow land',
      land5(converter(), 'rows/5', { height: '0.2' }),
      'joint-goal',
      'caution',
      (0.2 - 0.19 - 0.156844) / 2,
      0.03,
    ],
    // foot 0.6 long and 0.245 wide has to be joined all along; the land ends 0.1 before the toe
    [
      'a joint that is too short along the foot',
      short({ Y: '1.1', C: '5.1' }),
      'joint-margin',
      'caution',
      NaN,
      0.6,
    ],
    // the datasheet's numbers
    ['standoff as high as the part', converter({ A1: '1.3..1.4' }), 'standoff-height', 'stop', 1.3, 0.6],
    ['standoff of most of the height', converter({ A1: '0.7..0.8' }), 'standoff-height', 'caution', 0.7, 0.6],
    [
      'standoff above the ball',
      example('ball-grid', { b: '0.4..0.5', A1: '0.6..0.7', A: '2' }),
      'standoff-ball',
      'caution',
      0.65,
      0.45,
    ],
    ['a foot of 0.05', converter({ L: '0.05' }), 'foot-overhang', 'caution', 0.05, 0.35],
    [
      'a span of 10 with a foot of 0.6',
      converter({ E: '10', L: '0.6' }),
      'foot-overhang',
      'caution',
      0.6 / 2.8,
      0.35,
    ],
    [
      'a body of 1.1 in a span of 6',
      converter({ E1: '1.1', E: '6.0' }),
      'body-span',
      'caution',
      1.1 / 6,
      0.4,
    ],
    ['a span of ±1', converter({ E: '6.4±1' }), 'span-tolerance', 'caution', 2, 1.4],
    [
      'terminals longer than half the part',
      example('castellated', { L: '4.6' }),
      'terminals-span',
      'stop',
      9.2,
      8.89,
    ],
    ['a height of twice the body', chip({ A: '4' }), 'height-body', 'caution', 4, 3.4],
    // lands against what stands on them
    [
      'a land larger than its ball',
      set(balls, { lands: { grid: { D: '0.7' } } }),
      'ball-land',
      'caution',
      0.7 / 0.5,
      1,
    ],
    [
      'a land far from the exposed pad',
      set(pads, { lands: { pad: { Y: '2' } } }),
      'pad-land',
      'caution',
      NaN,
      0.2,
    ],
    [
      'a recommended pattern in mil read as mm',
      { ...chip(), recommended: { groups: { ends: { Y: '30', X: '35', distance: '25' } } } },
      'pattern-far',
      'caution',
      NaN,
      NaN,
    ],
    // marks and numbers
    [
      'a courtyard without excess',
      { ...converter(), marks: { excess: '0' } },
      'courtyard',
      'caution',
      0,
      0.25,
    ],
    ['a number twice', set(converter(), { numbers: { 'rows/5': '1' } }), 'number-sequence', 'stop', 2, 1],
  ])('%s', (_, document, rule, severity, value, limit) => {
    const [finding] = findings(document).filter((f) => f.rule === rule);
    expect(finding, rule).toBeDefined();
    expect(finding?.severity).toBe(severity);
    if (!Number.isNaN(value)) expect(finding?.measured?.value).toBeCloseTo(value, 3);
    if (!Number.isNaN(limit)) expect(finding?.measured?.limit).toBeCloseTo(limit, 3);
    const { at, lands = [], dimensions = [], box } = finding?.place ?? {};
    expect(at ?? box ?? lands[0] ?? dimensions[0], 'place').toBeDefined();
    // what can be taken back is mended by that
    const [remedy] = finding?.remedies ?? [];
    if (remedy)
      expect(
        findings(applyEdits(document, remedy.edits)).filter(
          (f) => f.rule === rule && f.severity === severity,
        ),
      ).toEqual([]);
  });

  it('and the same without it is not', () => {
    const clean = [converter(), chip(), header, pads, balls, example('tab-package'), example('castellated')];
    for (const document of clean)
      expect(
        findings(document).filter(({ severity }) => severity !== 'note'),
        document.name,
      ).toEqual([]);
  });

  it('offers a slot that fits a flat lead', () => {
    const flat = FLAT;
    const [finding] = findings(flat).filter(({ rule }) => rule === 'hole-fit');
    // across 0.8 + 0.20; along 3.0 + 0.20 and 1.0 − √(1.0² − 0.8²) = 0.40 for the round ends
    expect(finding?.remedies[0]?.label).toBe('Slot 3.60 × 1.00 mm');
    const slotted = applyEdits(flat, finding?.remedies[0]?.edits ?? []);
    // land 1 has straight sides
    const land = compile(slotted).footprint?.lands[1];
    expect(land?.padstack.hole?.figure).toEqual({ kind: 'oblong', width: 3.6, height: 1 });
    // ring 2 · 0.05 and 0.50 at level B
    expect(land?.padstack.copper).toEqual({ kind: 'oblong', width: 4.2, height: 1.6 });
    expect(findings(slotted).filter(({ severity }) => severity !== 'note')).toEqual([]);
  });
});

describe('one node in several pieces', () => {
  const lug = example(
    'small-transistor-wide',
    {
      n: '4',
      e: '1.5',
      E: '3.95..4.25',
      E1: '2.3..2.6',
      D: '4.4..4.6',
      b1: '1.6..1.8',
      L: '0.8..1.2',
      b: '0.35..0.5',
      A: 'max 1.6',
      A1: '0..0.02',
      L2: '2.6..2.9',
    },
    { layout: 'lug' },
  );
  it('carries one number, and its copper may touch', () => {
    const { footprint } = compile(lug);
    expect(footprint?.lands.map(({ id, number }) => `${id} ${number}`)).toEqual([
      'leads/1 1',
      'leads/2 2',
      'leads/3 3',
      'wide/1 2',
    ]);
    expect(findings(lug).filter(({ severity }) => severity !== 'note')).toEqual([]);
  });
  it('is two again where it is numbered so, and then it may not', () => {
    const own = set(lug, { numbers: { 'wide/1': '4' } });
    expect(findings(own).map(({ rule }) => rule)).toContain('land-gap');
  });
  it('follows the lead in the middle under any scheme', () => {
    const reversed = compile({ ...lug, numbering: { scheme: 'columns', corner: 'lower-left' } }).footprint;
    const number = (id: string) => reversed?.lands.find((land) => land.id === id)?.number;
    expect(number('wide/1')).toBe(number('leads/2'));
  });
});
