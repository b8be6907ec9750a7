import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import type { RecommendedPattern, TapisDocument } from '../../../src/core/document/document';
import { outlineEdits } from '../../../src/core/document/entries';
import { applyEdits } from '../../../src/core/document/edit';
import { openDocument } from '../../../src/core/footprint/open';
import { compile } from '../../../src/core/footprint/compile';
import { patternFigures } from '../../../src/core/footprint/recommended';
import { jointMargins } from '../../../src/core/joint/margins';
import { familyById } from '../../../src/core/package/families';
import { landFromPattern } from '../../../src/core/land/pattern';
import type { LandSize } from '../../../src/core/land/solver';
import { converter } from '../../data/documents';

const pattern = (rest: Partial<RecommendedPattern> = {}): RecommendedPattern => ({
  groups: { rows: { Y: '1.2', X: '0.45', given: 'outer', distance: '7.0' } },
  ...rest,
});

function landOf(document: TapisDocument): LandSize {
  const [solution] = compile(document).footprint?.groups ?? [];
  if (solution?.kind !== 'span') throw new Error('no lands');
  return solution.land;
}

describe('the datasheet’s own lands', () => {
  it.each([
    ['gap', 4.6],
    ['centre', 5.8],
    ['outer', 7],
  ] as const)('1.2 long with the %s %d are the same lands', (given, distance) => {
    expect(landFromPattern(1.2, 0.45, given, distance)).toEqual({ Z: 7, G: 4.6, C: 5.8, Y: 1.2, X: 0.45 });
  });
  it('are read in their own unit', () => {
    const inches = pattern({ unit: 'in', groups: { rows: { Y: '0.05', X: '18mil', distance: '0.18' } } });
    // 1.27, 0.4572, gap 4.572
    const { recommended } = compile(converter({}, { recommended: inches }));
    expect(recommended.get('rows')?.land).toEqual({ Z: 7.112, G: 4.572, C: 5.842, Y: 1.27, X: 0.4572 });
  });
  it('lie over the computed ones and change nothing until they are adopted', () => {
    const document = converter({}, { recommended: pattern() });
    expect(landOf(document)).toEqual(landOf(converter()));
    const compiled = compile(document);
    if (!compiled.footprint) throw new Error('no footprint');
    const [first] = patternFigures(compiled.footprint, compiled.recommended);
    expect(first).toMatchObject({ at: { x: -2.9, y: 2.275 }, figure: { width: 1.2, height: 0.45 } });
  });
  it('would give these margins', () => {
    const { footprint, process, recommended } = compile(converter({}, { recommended: pattern() }));
    const group = footprint?.groups[0];
    if (group?.kind !== 'span') throw new Error('no lands');
    const [toe, heel] = jointMargins(
      group.terminals,
      group,
      process,
      recommended.get('rows')?.land ?? undefined,
    );
    // (7.00 − 6.20 − 0.415331)/2 and (5.491548 − 4.60 − 0.593717)/2
    expect(toe?.inverse).toBeCloseTo(0.192335, 5);
    expect(heel?.inverse).toBeCloseTo(0.148915, 5);
  });
  it('are used once adopted, and what is set by hand goes before them', () => {
    const adopted = pattern({ adopted: true, reason: 'as soldered on the evaluation board' });
    expect(landOf(converter({}, { recommended: adopted }))).toMatchObject({ Z: 7, G: 4.6, X: 0.45 });
    const overrides = { lands: { rows: { Y: '1.4', hold: 'gap' as const, reason: 'hand soldering' } } };
    expect(landOf(converter({}, { recommended: adopted, overrides }))).toMatchObject({
      G: 4.6,
      Y: 1.4,
      Z: 7.4,
    });
  });
  it('that cannot be read are named and left out', () => {
    const broken = pattern({ groups: { rows: { Y: 'wide', X: '0.4', distance: '-1' } } });
    const { problems, recommended } = compile(converter({}, { recommended: broken }));
    expect(problems.map(({ title }) => title)).toEqual([
      'Recommended land length cannot be used',
      'Recommended distance cannot be used',
    ]);
    expect(recommended.get('rows')).toEqual({ sizes: { X: 0.4 }, land: null });
  });
  it('and reasons survive the file', () => {
    const document = converter(
      {},
      {
        recommended: pattern({ adopted: true, reason: 'r', where: 'p 31' }),
        overrides: { lands: { rows: { X: '0.4', reason: 'q' } }, pin1Land: 'rounded' },
        numbering: { scheme: 'rows', corner: 'lower-left' },
        orientation: 'B',
      },
    );
    const read = openDocument(JSON.stringify(document));
    expect(read).toMatchObject({ ok: true, value: document });
  });
});

describe('typical outlines', () => {
  const [outline] = familyById('gull-wing-dual')?.outlines ?? [];
  it('fill the dimensions and say that they are not a datasheet', () => {
    if (!outline) throw new Error('no outline');
    const document = applyEdits(converter(), outlineEdits(converter(), outline));
    const compiled = compile(document);
    expect(compiled.footprint?.standardName).toBe('SOIC127P600X175-8N');
    const note = check(compiled).findings.find(({ rule }) => rule === 'assumptions');
    expect(note?.message).toContain('typical size, not from the datasheet');
  });
  it('stay millimetres in a sheet of inches', () => {
    if (!outline) throw new Error('no outline');
    const inch = converter({}, { package: { family: 'gull-wing-dual', unit: 'in', dimensions: {} } });
    const compiled = compile(applyEdits(inch, outlineEdits(inch, outline)));
    expect(compiled.resolved?.values?.['E']?.nom).toBeCloseTo(6, 9);
  });
});
