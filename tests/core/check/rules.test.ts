import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { RULES } from '../../../src/core/check/rules';
import { fill } from '../../../src/core/check/rule';
import { applyEdits } from '../../../src/core/document/edit';
import type { TapisDocument } from '../../../src/core/document/document';
import type { Finding } from '../../../src/core/document/finding';
import { compile } from '../../../src/core/footprint/compile';
import type { Compiled, Footprint } from '../../../src/core/footprint/footprint';
import { FAMILIES } from '../../../src/core/package/families';
import { chip, converter } from '../../data/documents';

/** Findings of one rule on a document, or on a compiled footprint that was tampered with. */
function found(
  rule: string,
  document: TapisDocument,
  tamper?: (footprint: Footprint) => Partial<Footprint>,
): Finding[] {
  const compiled = compile(document);
  if (!compiled.footprint) throw new Error(compiled.problems.map(({ message }) => message).join('; '));
  const footprint = tamper ? { ...compiled.footprint, ...tamper(compiled.footprint) } : compiled.footprint;
  return check({ ...compiled, footprint } as Compiled).findings.filter((finding) => finding.rule === rule);
}

/** Applies a finding's first remedy and gives the rule another look. */
function afterRemedy(rule: string, document: TapisDocument, which = 0): Finding[] {
  const remedy = found(rule, document)[0]?.remedies[which];
  if (!remedy) throw new Error(`${rule} offers no remedy`);
  return found(rule, applyEdits(document, remedy.edits));
}

const fine = { e: '0.4', b: '0.13..0.23', D: '3.5..3.7' };

describe('land-gap', () => {
  it('holds at 0.65 pitch with 0.40 wide lands', () => expect(found('land-gap', converter())).toEqual([]));
  it('finds lands that come too close, and mends them', () => {
    const wide = converter({}, { overrides: { land: { X: '0.55' } } });
    const [finding] = found('land-gap', wide);
    expect(finding).toMatchObject({
      severity: 'stop',
      measured: { value: expect.closeTo(0.1, 9), limit: 0.15 },
    });
    expect(finding?.message).toContain('Gap 0.10 mm between lands');
    expect(finding?.message).toContain('14 such');
    expect(afterRemedy('land-gap', wide)).toEqual([]);
  });
  it('calls overlapping lands what they are', () => {
    expect(found('land-gap', converter({}, { overrides: { land: { X: '0.7' } } }))[0]?.message).toContain(
      'overlap by 0.05 mm',
    );
  });
  it('offers the trim that was switched off', () => {
    const untrimmed = {
      ...converter(fine, { overrides: { trims: { 'row-gap': false } } }),
      level: 'A' as const,
    };
    expect(found('land-gap', untrimmed)).toHaveLength(1);
    expect(afterRemedy('land-gap', untrimmed)).toEqual([]);
  });
});

describe('land-under-body', () => {
  const low = { A1: '0..0.05' };
  it('holds where the heel is trimmed or the body stands high', () => {
    expect(found('land-under-body', converter(low))).toEqual([]);
    expect(found('land-under-body', converter({ A1: '0.05..0.15' }))).toEqual([]);
    expect(found('land-under-body', chip())).toEqual([]);
  });
  it('finds heels under a low body', () => {
    const untrimmed = converter(low, { overrides: { trims: { 'body-heel': false } } });
    const [finding] = found('land-under-body', untrimmed);
    expect(finding).toMatchObject({ severity: 'caution', measured: { value: 0, limit: 0.05 } });
    expect(finding?.place.lands).toHaveLength(16);
    expect(afterRemedy('land-under-body', untrimmed)).toEqual([]);
  });
});

describe('mask-web', () => {
  it('holds with 0.15 mm', () => expect(found('mask-web', converter())).toEqual([]));
  it('finds a thin web; a smaller margin mends it', () => {
    // pitch 0.40, lands 0.25: gap 0.15, less twice the margin 0.05
    const thin = converter(fine, { overrides: { lands: { rows: { X: '0.25' } } } });
    const [finding] = found('mask-web', thin);
    // computed lands keep the web
    expect(found('mask-web', converter(fine))).toEqual([]);
    expect(finding).toMatchObject({
      severity: 'caution',
      measured: { value: expect.closeTo(0.05, 9), limit: 0.1 },
    });
    expect(finding?.remedies.map(({ label }) => label)).toEqual([
      'Margin 0.05 mm → 0.025 mm',
      'One opening for each row',
    ]);
    expect(afterRemedy('mask-web', thin)).toEqual([]);
    expect(afterRemedy('mask-web', thin, 1)).toEqual([]);
  });
  it('says when openings run into each other', () => {
    const [finding] = found('mask-web', converter({}, { overrides: { maskMargin: '0.2' } }));
    expect(finding?.message).toContain('run into each other');
  });
});

describe('paste-area', () => {
  it('holds on ordinary lands', () => expect(found('paste-area', converter())).toEqual([]));
  it('finds openings that keep their paste; full paste mends them', () => {
    const small = converter({}, { overrides: { pasteMargin: '0.12' } });
    // 1.31 × 0.16: 0.2096 / (2 · 1.47 · 0.12) = 0.594
    expect(found('paste-area', small)[0]).toMatchObject({
      measured: { value: expect.closeTo(0.594, 3), limit: 0.66 },
    });
    expect(afterRemedy('paste-area', small)).toEqual([]);
    expect(found('paste-area', converter({}, { overrides: { pasteMargin: '0.3' } }))[0]?.severity).toBe(
      'stop',
    );
  });
});

describe('legend-over-land', () => {
  it('holds on clipped legend', () => expect(found('legend-over-land', converter())).toEqual([]));
  it('finds ink on a land, and ink that comes too close', () => {
    const line = (x: number) => (footprint: Footprint) => ({
      legend: {
        ...footprint.legend,
        lines: [
          [
            { x, y: -3 },
            { x, y: 3 },
          ],
        ],
      },
    });
    expect(found('legend-over-land', converter(), line(-3))[0]).toMatchObject({ severity: 'stop' });
    // openings end at −2.075: half the ink and 0.15 further is −1.865
    expect(found('legend-over-land', converter(), line(-1.88))).toHaveLength(1);
    expect(found('legend-over-land', converter(), line(-1.86))).toEqual([]);
  });
});

describe('pin-1-mark', () => {
  it('holds where it is drawn, and for parts without a direction', () => {
    expect(found('pin-1-mark', converter())).toEqual([]);
    expect(found('pin-1-mark', chip())).toEqual([]);
    expect(found('pin-1-mark', chip({}, { component: 'diode' }))).toEqual([]);
  });
  it('misses it where it is switched off, and draws it again', () => {
    const off = converter({}, { marks: { pin1: false } });
    expect(found('pin-1-mark', off)[0]?.message).toContain('switched off');
    expect(afterRemedy('pin-1-mark', off)).toEqual([]);
  });
  it('finds a mark that the body hides', () => {
    const hidden = (footprint: Footprint) => ({
      legend: {
        ...footprint.legend,
        pin1: [
          { x: 0, y: 0 },
          { x: 1, y: 0 },
          { x: 0, y: 1 },
        ],
      },
    });
    expect(found('pin-1-mark', converter(), hidden)[0]?.message).toContain('hides');
  });
});

describe('courtyard', () => {
  it('holds as compiled', () => expect(found('courtyard', converter())).toEqual([]));
  it('finds one that is too tight', () => {
    const tight = ({ courtyard }: Footprint) => ({
      courtyard: { ...courtyard, box: { ...courtyard.box, maxX: 3.8 } },
    });
    expect(found('courtyard', converter(), tight)[0]).toMatchObject({
      measured: { value: expect.closeTo(0.125, 9), limit: 0.25 },
    });
  });
});

describe('number-sequence', () => {
  it('holds as numbered', () => expect(found('number-sequence', converter())).toEqual([]));
  it('finds doubles and the gaps they leave', () => {
    const twice = converter({}, { overrides: { numbers: { 'rows/2': '1' } } });
    expect(found('number-sequence', twice).map(({ message }) => message)).toEqual([
      'Land number 1 is used 2 times, by lands that do not touch.',
      'Land number 2 is missing between 1 and 16.',
    ]);
    expect(afterRemedy('number-sequence', twice)).toEqual([]);
  });
  it('finds lands without a number', () => {
    expect(
      found('number-sequence', converter({}, { overrides: { numbers: { 'rows/3': '' } } }))[0]?.message,
    ).toContain('rows/3');
  });
  it('lets letters be', () => {
    expect(
      found('number-sequence', chip({}, { overrides: { numbers: { 'ends/1': 'A', 'ends/2': 'K' } } })),
    ).toEqual([]);
  });
});

describe('name-geometry', () => {
  const named = (standardName: string) => converter({}, { overrides: { standardName } });
  it('holds for the right name and without one', () => {
    expect(found('name-geometry', converter())).toEqual([]);
    expect(found('name-geometry', named('SOP65P640X120-16N'))).toEqual([]);
  });
  it('names the numbers that disagree', () => {
    expect(found('name-geometry', named('SOP65P600X120-14N')).map(({ message }) => message)).toEqual([
      'The name SOP65P600X120-14N states E 6.00, the geometry has 6.40.',
      'The name SOP65P600X120-14N states n 14, the geometry has 16.',
    ]);
    expect(found('name-geometry', named('SOP65P640X120-16M'))[0]?.message).toContain('level A');
    expect(found('name-geometry', named('MY-PART'))[0]?.message).toContain('SOP65P640X120-16N');
    expect(afterRemedy('name-geometry', named('MY-PART'))).toEqual([]);
  });
});

describe('assumptions', () => {
  it('holds where everything has its tolerance', () => expect(found('assumptions', converter())).toEqual([]));
  it('lists what was assumed', () => {
    expect(found('assumptions', converter({ L: 'typ 0.6', b: '0.25' }))[0]).toMatchObject({
      severity: 'note',
      measured: { value: 2 },
      place: { dimensions: ['L', 'b'] },
    });
  });
});

describe('plausibility of the gull wing', () => {
  it('finds the whole lead entered as the foot; both remedies mend it', () => {
    // overhang (6.4 − 4.4)/2 = 1.00, 1.15 at most: 1.00 fills all of it, 0.9 is 0.78 of the largest
    const whole = converter({ L: { text: '0.9..1.1', label: 'L1' } });
    const [finding] = found('foot-overhang', whole);
    expect(finding).toMatchObject({
      severity: 'caution',
      measured: { value: expect.closeTo(1, 9), limit: 0.88 },
    });
    expect(found('foot-overhang', converter({ L: '0.77..0.97' }))).toEqual([]);
    expect(found('foot-overhang', converter({ L: '0.81..0.97' }))).toHaveLength(1);
    const [keep, replace] = finding?.remedies ?? [];
    expect(keep?.edits[0]).toEqual({
      at: '/package/dimensions/L1',
      value: { text: '0.9..1.1', label: 'L1' },
    });
    for (const remedy of [keep, replace]) {
      const mended = applyEdits(whole, remedy?.edits ?? []);
      expect(mended.package.dimensions['L']).toEqual({
        text: '0.45..0.75mm',
        where: 'usual share of the overhang, not from the datasheet',
      });
      expect(check(compile(mended)).verdict).toBe('clear');
    }
  });
  it('finds a lead length that disagrees with span and body', () => {
    expect(found('lead-length-overhang', converter({ L1: '1.0' }))).toEqual([]);
    const off = converter({ L1: '1.5' });
    expect(found('lead-length-overhang', off)[0]?.message).toContain('between 0.85 mm and 1.15');
    expect(afterRemedy('lead-length-overhang', off)).toEqual([]);
  });
  it('finds span and body swapped, and swaps them', () => {
    const swapped = converter({ E: '4.3..4.5', E1: '6.2..6.6' });
    expect(found('span-body', swapped)[0]?.severity).toBe('stop');
    expect(afterRemedy('span-body', swapped)).toEqual([]);
    expect(found('span-body', converter())).toEqual([]);
    // an entry with a unit of its own keeps it where it is moved to, and its letter
    const inches = converter({ E: '4.3..4.5', E1: { text: '0.244..0.260', unit: 'in', label: 'E' } });
    const [swap] = found('span-body', inches)[0]?.remedies ?? [];
    const mended = applyEdits(inches, swap?.edits ?? []).package.dimensions;
    expect(mended['E']).toEqual({ text: '0.244..0.260', unit: 'in', label: 'E' });
    expect(mended['E1']).toBe('4.3..4.5');
  });
  it('finds rows longer than the body, and bodies far longer than the rows', () => {
    expect(found('row-body-D', converter())).toEqual([]);
    // 0.65·7 + 0.245 = 4.795 against 4.6; 6.6 − 4.55 = 2.05 against 3·0.65
    expect(found('row-body-D', converter({ D: '4.4..4.6' }))[0]).toMatchObject({
      severity: 'stop',
      measured: { value: expect.closeTo(4.795, 9), limit: 4.6 },
    });
    expect(found('row-body-D', converter({ D: '6.6..6.8' }))[0]?.severity).toBe('caution');
  });
  it('finds an inch pitch that was rounded, by its drift over the row', () => {
    const rounded = converter({ e: '1.25', D: '9.8..10.0' });
    // 0.02 over seven steps
    expect(found('inch-pitch', rounded)[0]?.message).toContain('last lead is 0.14 mm off');
    expect(afterRemedy('inch-pitch', rounded)).toEqual([]);
    for (const e of ['0.65', '1.27', '0.05in', '0.5'])
      expect(found('inch-pitch', converter({ e }))).toEqual([]);
  });
  it('finds leads as wide as the pitch', () => {
    expect(found('terminal-pitch', converter({ b: '0.5..0.65' }))).toHaveLength(1);
    expect(found('terminal-pitch', converter({ b: '0.5..0.64' }))).toEqual([]);
  });
});

describe('plausibility of the chip', () => {
  it('finds end caps that meet', () => {
    expect(found('end-length', chip())).toEqual([]);
    expect(found('end-length', chip({ T: '0.7..0.8' }))[0]?.severity).toBe('caution');
    expect(found('end-length', chip({ T: '0.8' }))[0]?.severity).toBe('stop');
  });
  it('notes a part that is wider than long, and turns it', () => {
    const turned = chip({ L: '0.8±0.1', W: '1.6±0.1', T: '0.15..0.3' });
    expect(found('width-length', turned)).toHaveLength(1);
    expect(afterRemedy('width-length', turned)).toEqual([]);
    expect(found('width-length', chip())).toEqual([]);
  });
});

describe('plausibility of other two-terminal parts', () => {
  const moulded = (dimensions: Record<string, string>): TapisDocument => ({
    ...chip(),
    package: {
      family: 'moulded',
      dimensions: { L: '3.2±0.2', W: '1.6±0.2', W1: '1.2±0.1', T: '0.8±0.3', A: '1.6±0.2', ...dimensions },
    },
  });
  const can = (L: string): TapisDocument => ({
    ...chip(),
    package: {
      family: 'electrolytic-can',
      dimensions: { B: '8.1..8.5', D: '7.8..8.2', L, T: '2.6..3.0', b: '0.7..1.1', A: 'max 10.5' },
    },
  });
  it('finds terminals wider than their body', () => {
    expect(found('terminal-width', moulded({}))).toEqual([]);
    expect(found('terminal-width', moulded({ W1: '1.7' }))[0]).toMatchObject({
      measured: { value: 1.7, limit: 1.6 },
    });
  });
  it('finds leads that end well inside their base', () => {
    expect(found('span-base', can('8.8..9.4'))).toEqual([]);
    expect(found('span-base', can('6.8..7.2'))[0]).toMatchObject({
      measured: { value: 7, limit: expect.closeTo(7.47, 9) },
    });
  });
});

describe('all rules', () => {
  it('have their own ids and say where their limits come from', () => {
    for (const { plausibility } of FAMILIES) {
      const all = [...RULES, ...plausibility];
      expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
      for (const { title, source } of all) expect(`${title}: ${source}`.length).toBeGreaterThan(20);
    }
  });
  it('are held or have findings, never both or neither', () => {
    const report = check(compile(converter({ L: '0.9..1.1' })));
    const broken = new Set(report.findings.map(({ rule }) => rule));
    expect(report.held.some(({ id }) => broken.has(id))).toBe(false);
    const own = compile(converter()).footprint?.package.plausibility.held.length ?? NaN;
    expect(report.held.length + report.idle.length + broken.size).toBe(RULES.length + own);
    // what the part does not have is neither held nor broken
    expect(report.idle.map(({ id, without }) => [id, without])).toContainEqual([
      'annular-ring',
      'plated holes',
    ]);
  });
  it('fill their messages completely', () => {
    expect(fill('{a} and {b}', { a: 1, b: 'x' })).toBe('1 and x');
    expect(() => fill('{c}', {})).toThrow('{c}');
  });
});
