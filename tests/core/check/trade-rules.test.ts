import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { RULES } from '../../../src/core/check/rules';
import type { TapisDocument } from '../../../src/core/document/document';
import { applyEdits } from '../../../src/core/document/edit';
import type { StackIntent } from '../../../src/core/document/intent';
import type { Finding } from '../../../src/core/document/finding';
import { compile } from '../../../src/core/footprint/compile';
import { PROCESSES } from '../../../src/core/process';
import type { Process } from '../../../src/core/process/process';
import { chip, converter } from '../../data/documents';

const standard = PROCESSES[0] as Process;

function found(rule: string, document: TapisDocument): readonly Finding[] {
  const compiled = compile(document);
  if (!compiled.footprint) throw new Error(compiled.problems.map(({ message }) => message).join('; '));
  return check(compiled).findings.filter((finding) => finding.rule === rule);
}

/** A document under a process that differs from the standard one. */
function under(part: Partial<Process>, document: TapisDocument): TapisDocument {
  const own = { ...standard, id: 'own', name: 'Own', ...part };
  return { ...document, process: 'own', ownProcess: own };
}

const stacked = (group: string, intent: StackIntent, document: TapisDocument): TapisDocument => ({
  ...document,
  stacks: { groups: { [group]: intent } },
});
/** One land with a padstack of its own, by where the package counts it. */
const forked = (order: number, intent: StackIntent, document: TapisDocument): TapisDocument => {
  const land = compile(document).footprint?.lands[order - 1]?.id ?? '';
  return { ...document, stacks: { lands: { [land]: intent } } };
};

/** A five-pin header: leads of up to 0.67 square, hole 0.948 + 0.20 up to 1.15, at level B. */
const header = (rest: Partial<TapisDocument> = {}): TapisDocument => ({
  tapis: 2,
  name: 'J1',
  package: {
    family: 'pin-header',
    dimensions: { k: '5', r: '1', e: '2.54', b: '0.61..0.67', c: '0.61..0.67', A: '8.4', P: '3.0' },
  },
  level: 'B',
  process: 'standard',
  ...rest,
});

/** Thirty-two terminals round a pad of 3.5; lands 0.85 × 0.25. */
const noLead = (rest: Partial<TapisDocument> = {}): TapisDocument => ({
  tapis: 2,
  name: 'U9',
  package: {
    family: 'no-lead-quad',
    options: { pad: 'rectangle' },
    dimensions: {
      n: '32',
      e: '0.5',
      E: '5.0±0.1',
      L: '0.3..0.5',
      b: '0.18..0.30',
      A: '0.8..0.9',
      E2: '3.35..3.65',
      D2: '3.35..3.65',
    },
  },
  level: 'B',
  process: 'standard',
  ...rest,
});

const leads = 'leads';
const pads: StackIntent['windows'] = { columns: 3, rows: 3 };

/** Group ids as the families name them. */
const groupOf = (document: TapisDocument, i = 0) =>
  compile(document).footprint?.groups[i]?.terminals.id ?? leads;
const ofLeads = groupOf(converter());
const ofPins = groupOf(header());
const ofChip = groupOf(chip());

/** Lands that run far under the bare body between the caps. */
const longChip = chip({}, { overrides: { lands: { ends: { Y: '1.1', hold: 'outer' } } } });

describe('rules of the trade', () => {
  it.each<[string, string, TapisDocument, number | null]>([
    // [rule, what, document, measured value; null holds]
    ['copper-width', 'lands of 0.40', converter(), null],
    ['land-narrow', 'lands of 0.40 for leads of up to 0.30', converter(), null],
    [
      'land-narrow',
      'lands set to 0.25 for leads of up to 0.30',
      converter({}, { overrides: { land: { X: '0.25' } } }),
      0.25,
    ],
    // 0.13 − 0.04 + √(0.01 + 0.01 + 0.0025) = 0.24; the row leaves 0.40 − 0.20
    ['land-narrow', 'lands of a row of 0.40', converter({ e: '0.4', b: '0.13..0.23', D: '3.1..3.3' }), 0.2],
    ['land-narrow', 'level C of a chip, as its own goals want it', chip({}, { level: 'C' }), null],
    ['copper-width', 'lands of 0.10', converter({}, { overrides: { land: { X: '0.10' } } }), 0.1],
    ['land-to-pad', 'trimmed heels', noLead(), null],
    // inner edge (4.7 − 0.85)/2 = 1.925 against half of the pad, 1.75; gap and web need 0.20
    [
      'land-to-pad',
      'heels moved in',
      noLead({ overrides: { trims: { 'thermal-gap': false }, land: { Y: '0.85', C: '4.7' } } }),
      0.175,
    ],
    ['hole-to-land', 'pins 2.54 apart', header(), null],
    // 2.54 − 3.2/2 − 1.15/2 = 0.365, 2.54 − 3.5/2 − 1.15/2 = 0.215; needs 0.25
    [
      'hole-to-land',
      'land 2 grown to 3.2 across',
      forked(2, { shape: 'rectangle', width: '3.2', height: '3.2' }, header()),
      null,
    ],
    [
      'hole-to-land',
      'land 2 grown to 3.5 across',
      forked(2, { shape: 'rectangle', width: '3.5', height: '3.5' }, header()),
      0.215,
    ],
    ['hole-aspect', '1.6 over 1.15', header(), null],
    [
      'hole-aspect',
      '1.6 over 1.15 where 1.2 is the most',
      under({ maxHoleAspect: 1.2 }, header()),
      1.6 / 1.15,
    ],
    ['drill-table', 'any multiple of 0.05', header(), null],
    ['drill-table', 'listed drills are taken', under({ drills: [0.8, 1, 1.3] }, header()), null],
    [
      'drill-table',
      'a hole set beside them',
      stacked(ofPins, { hole: { diameter: '1.22' } }, header()),
      1.22,
    ],
    ['mask-margin', 'openings larger than the land', converter(), null],
    ['mask-margin', 'openings 0.03 inside', converter({}, { overrides: { maskMargin: '-0.03' } }), -0.03],
    ['mask-margin', 'a land defined by its mask', stacked(ofLeads, { definedBy: 'mask' }, converter()), null],
    ['mask-over-hole', 'open holes', header(), null],
    [
      'mask-over-hole',
      'a closed hole of 1.15',
      stacked(ofPins, { mask: { none: true }, maskOther: { margin: '0.05' } }, header()),
      1.15,
    ],
    [
      'mask-over-hole',
      'an opening of 1.0 over a hole of 1.15',
      stacked(ofPins, { mask: { width: '1', height: '1' }, maskOther: { margin: '0.05' } }, header()),
      0.075,
    ],
    ['paste-bridge', 'apertures 0.25 apart', converter(), null],
    // 0.65 − 0.55 = 0.10 between openings
    [
      'paste-bridge',
      'apertures 0.10 apart',
      stacked(ofLeads, { paste: { width: '1.55', height: '0.55' } }, converter()),
      0.1,
    ],
    ['paste-bead', 'home plates', stacked(ofChip, { paste: { form: 'home-plate' } }, longChip), null],
    ['paste-bead', 'computed lands at level A', { ...chip(), level: 'A' }, null],
    ['paste-bead', 'lands far under the body', longChip, expect.any(Number) as unknown as number],
    ['thermal-coverage', 'the process’s aim', noLead(), null],
    ['thermal-coverage', '30 %', stacked('pad', { windows: { coverage: 0.3 } }, noLead()), 0.3],
    ['thermal-coverage', '90 %', stacked('pad', { windows: { coverage: 0.9, gap: '0.05' } }, noLead()), 0.9],
    ['via-in-land', 'no vias', noLead(), null],
    ['via-in-land', 'four open vias', stacked('pad', { windows: pads, vias: { on: true } }, noLead()), 4],
    [
      'via-in-land',
      'filled ones',
      stacked('pad', { windows: pads, vias: { on: true, cover: 'filled' } }, noLead()),
      null,
    ],
    [
      'via-count',
      'four by four that share the pad',
      stacked('pad', { vias: { on: true, columns: 4, rows: 4 } }, noLead()),
      null,
    ],
    [
      'via-count',
      'four by four at a pitch of 1.6, of which twelve have no room',
      stacked('pad', { vias: { on: true, columns: 4, rows: 4, pitch: '1.6' } }, noLead()),
      12,
    ],
    [
      'paste-over-via',
      'windows bitten round them',
      stacked('pad', { windows: pads, vias: { on: true } }, noLead()),
      null,
    ],
    [
      'paste-over-via',
      'one opening set over all',
      stacked('pad', { paste: { width: '3', height: '3' }, vias: { on: true, cover: 'plugged' } }, noLead()),
      expect.any(Number) as unknown as number,
    ],
    ['legend-thin', '0.12', converter(), null],
    ['legend-thin', '0.08 where 0.10 prints', under({ legendWidth: 0.08 }, converter()), 0.08],
    ['legend-hidden', 'texts beside the courtyard', converter(), null],
    ['text-size', '1.0', converter(), null],
    ['text-size', '0.5', converter({}, { marks: { texts: { reference: { height: '0.5' } } } }), 0.5],
    ['text-over-land', 'above the courtyard', converter(), null],
    [
      'text-over-land',
      'over land 1',
      converter({}, { marks: { texts: { reference: { place: 'point', x: '-2.9', y: '2.275' } } } }),
      expect.any(Number) as unknown as number,
    ],
    [
      'keep-out',
      'beside the part',
      converter({}, { keepOuts: [{ id: '1', x: '9', y: '0', diameter: '1', what: 'copper' }] }),
      null,
    ],
    [
      'keep-out',
      'over land 1',
      converter({}, { keepOuts: [{ id: '1', x: '-2.9', y: '2.275', diameter: '1', what: 'copper' }] }),
      expect.any(Number) as unknown as number,
    ],
    [
      'keep-out',
      'other parts, under the body of this one',
      converter({}, { keepOuts: [{ id: '1', x: '0', y: '0', diameter: '1', what: 'components' }] }),
      null,
    ],
    [
      'keep-out',
      'everything, under the body',
      converter({}, { keepOuts: [{ id: '1', x: '0', y: '0', diameter: '1', what: 'everything' }] }),
      expect.any(Number) as unknown as number,
    ],
    ['pitch', 'lands on their terminals', converter(), null],
    ['pitch', 'land 3 moved by 0.02', forked(3, { offsetY: '0.02' }, converter()), 0.02],
    ['pitch-drift', 'land 3 moved by 0.02 of 0.245', forked(3, { offsetY: '0.02' }, converter()), null],
    ['pitch-drift', 'land 3 moved by 0.05', forked(3, { offsetY: '0.05' }, converter()), 0.05],
    ['land-off-terminal', 'lands on their terminals', converter(), null],
    // heel of the land at −2.125 − 2 against the terminal’s toe at −3.2
    ['land-off-terminal', 'land 3 moved out by 2', forked(3, { offsetX: '2' }, converter()), 0.925],
    ['asymmetry', 'equal lands', converter(), null],
    ['asymmetry', 'land 3 longer by 0.2', forked(3, { width: '1.75' }, converter()), 0.2],
    ['asymmetry', 'land 1 with other corners only', forked(1, { shape: 'chamfered' }, converter()), null],
    ['centre-grid', 'multiples of 0.005', converter(), null],
    // 0.635/2 = 0.3175
    ['centre-grid', 'an inch pitch', converter({ e: '0.635', D: '4.8..5.0' }), 0.0025],
    ['origin-centre', 'the middle', converter(), null],
    ['origin-centre', 'land 1', converter({}, { origin: { at: 'pin-1' } }), Math.hypot(2.9, 2.275)],
    ['level-process', 'B by the standard process', converter(), null],
    ['body-height', 'no limit', converter(), null],
    // seating 0.085 + 1.2
    ['body-height', 'at most 1.25', converter({}, { body: { maxHeight: '1.25' } }), 1.285],
    ['body-height', 'at most 1.0 by the process', under({ maxHeight: 1 }, converter()), 1.285],
    ['number-order', 'as the family counts', converter(), null],
    [
      'number-order',
      'two exchanged',
      converter({}, { overrides: { numbers: { 'rows/1': '2', 'rows/2': '1' } } }),
      2,
    ],
    ['joint-margin', 'computed lands', converter(), null],
    ['joint-margin', 'computed lands of a chip', chip(), null],
  ])('%s on %s', (rule, _, document, value) => {
    expect(RULES.map(({ id }) => id)).toContain(rule);
    const findings = found(rule, document);
    if (value === null) return expect(findings).toEqual([]);
    expect(findings.length).toBeGreaterThan(0);
    expect(findings[0]?.measured?.value).toEqual(
      typeof value === 'number' ? expect.closeTo(value, 4) : value,
    );
    // every message has its numbers
    expect(findings[0]?.message).not.toMatch(/\{|NaN|undefined|Infinity/);
  });

  it('level C is not for the kitchen table', () => {
    const [finding] = found('level-process', { ...converter(), level: 'C', process: 'kitchen-table' });
    expect(finding?.remedies.map(({ label }) => label)).toEqual(['Level A', 'Level B']);
  });
  it('texts under the body are hidden', () => {
    const centred = converter({}, { marks: { texts: { reference: { place: 'centre' } } } });
    expect(found('legend-hidden', centred)[0]?.message).toContain('reference');
  });
  it('side overhang and end joint width are held against the class', () => {
    // lands of 0.05 under terminals of 0.245: 20 % of the terminal wide at most
    const narrow = converter({}, { overrides: { land: { X: '0.15' } } });
    const [finding] = found('joint-margin', under({ acceptanceClass: 3 }, narrow));
    expect(finding?.measured).toMatchObject({ unit: 'share' });
    expect(finding?.message).toContain('class 3');
  });
  it('the end of a chip may not hang over', () => {
    const short = chip({}, { overrides: { land: { Y: '0.5', C: '1.0' } } });
    // Z 1.5 under a chip of 1.5 to 1.7
    expect(found('joint-margin', short)[0]?.message).toMatch(/end of terminal 1 .* class 2 allows none/);
  });

  it.each<[string, TapisDocument]>([
    ['mask-margin', converter({}, { overrides: { maskMargin: '-0.03' } })],
    ['paste-bead', longChip],
    ['paste-bridge', stacked(ofLeads, { paste: { height: '0.55' } }, converter())],
    ['thermal-coverage', stacked('pad', { windows: { coverage: 0.3 } }, noLead())],
    ['via-in-land', stacked('pad', { windows: pads, vias: { on: true } }, noLead())],
    ['via-count', stacked('pad', { vias: { on: true, columns: 4, rows: 4, pitch: '1.6' } }, noLead())],
    ['text-size', converter({}, { marks: { texts: { value: { height: '0.5' } } } })],
    ['text-over-land', converter({}, { marks: { texts: { reference: { place: 'centre', height: '4' } } } })],
    ['number-order', converter({}, { overrides: { numbers: { 'rows/1': '2', 'rows/2': '1' } } })],
    ['origin-centre', converter({}, { origin: { at: 'pin-1' } })],
    ['level-process', { ...converter(), level: 'C', process: 'kitchen-table' }],
  ])('the first remedy of %s mends it', (rule, document) => {
    const [remedy] = found(rule, document)[0]?.remedies ?? [];
    if (!remedy) throw new Error(`${rule} found nothing, or offers no remedy`);
    const mended = found(rule, applyEdits(document, remedy.edits));
    // a bar of copper that is no wider than its neighbours’ gap stays narrow however its paste is shaped
    if (rule !== 'paste-bridge') expect(mended).toEqual([]);
  });
});

it('lands of one number may be said to belong together', () => {
  const two: TapisDocument = {
    tapis: 2,
    name: 'shield',
    package: {
      family: 'composed',
      dimensions: {},
      pieces: [
        { id: 'a', what: 'land', length: '1', width: '1', x: '0', y: '0', numbers: { from: '1' } },
        { id: 'b', what: 'land', length: '1', width: '1', x: '5', y: '0', numbers: { from: '1' } },
        { id: 'c', what: 'land', length: '1', width: '1', x: '9', y: '0', numbers: { from: '2' } },
      ],
    },
    level: 'B',
    process: 'standard',
  };
  const [double] = found('number-sequence', two);
  expect(double?.message).toContain('Land number 1 is used 2 times');
  const [together] = double?.remedies ?? [];
  expect(together?.label).toBe('These lands belong together');
  const joined = applyEdits(two, together?.edits ?? []);
  expect(joined.overrides?.joined).toBe('1');
  expect(found('number-sequence', joined)).toEqual([]);
});

describe('severities of a process', () => {
  const wide = converter({}, { overrides: { land: { X: '0.55' } } });
  it('make a rule lighter, or leave it out', () => {
    expect(found('land-gap', wide)[0]?.severity).toBe('stop');
    expect(found('land-gap', under({ severities: { 'land-gap': 'note' } }, wide))[0]?.severity).toBe('note');
    const off = check(compile(under({ severities: { 'land-gap': 'off' } }, wide)));
    expect(off.findings.some(({ rule }) => rule === 'land-gap')).toBe(false);
    // what was not looked at has not held either
    expect(off.held.some(({ id }) => id === 'land-gap')).toBe(false);
  });
});
