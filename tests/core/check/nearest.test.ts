import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { contextOf } from '../../../src/core/check/context';
import { nearestOfHeld, nearestWords } from '../../../src/core/check/nearest';
import { RULES } from '../../../src/core/check/rules';
import { compile } from '../../../src/core/footprint/compile';
import { isDrawable, type Compiled } from '../../../src/core/footprint/footprint';
import { DEMO_DOCUMENTS } from '../../../src/demo/documents';
import { demo } from '../../data/trials';

const drawn = DEMO_DOCUMENTS.map((document) => compile(document)).filter(isDrawable);
const of = (name: string) => {
  const compiled = compile(demo(name));
  if (!isDrawable(compiled)) throw new Error(`${name} is not drawn`);
  return nearestOfHeld(compiled, check(compiled).held);
};

describe('what comes nearest to the limits of rules that hold', () => {
  it('is what the drawing has', () => {
    const converter = of('U4');
    // pitch 0.65 with lands 0.40 wide, and openings 0.05 larger all round
    expect(converter.get('land-gap')).toMatchObject({
      value: expect.closeTo(0.25, 9),
      limit: 0.15,
      is: 'least',
    });
    expect(converter.get('mask-web')?.value).toBeCloseTo(0.15, 9);
    expect(converter.get('copper-width')?.value).toBeCloseTo(0.4, 9);
    // a goal of 0.35 that rounding took 0.026 of
    expect(converter.get('joint-goal')).toMatchObject({ limit: expect.closeTo(0.35, 9) });
    // leads of 0.64 square, 0.905 across, in holes of their level
    const header = of('J2');
    expect(header.get('hole-fit')).toMatchObject({ unit: 'mm' });
    expect(header.get('lead-protrusion')).toMatchObject({ unit: 'mm' });
    const words = converter.get('joint-goal');
    expect(words && nearestWords(words, (mm) => `${mm.toFixed(2)} mm`).limit).toBe(
      'at least 0.35 mm, less what rounding takes',
    );
  });
  it('is of its limit’s kind: nothing that is under a least or over a most holds', () => {
    for (const compiled of drawn)
      for (const [rule, { value, limit, is }] of nearestOfHeld(compiled, check(compiled).held)) {
        const over = is === 'least' ? limit - value : value - limit;
        // rounding takes up to three quarters of a step of a goal, and as much of a joint
        expect(over, `${compiled.document.name}, ${rule}`).toBeLessThanOrEqual(
          rule.startsWith('joint-') || rule.startsWith('legend') ? 0.0385 : 1e-9,
        );
      }
  });
  it('breaks its rule under a limit that is a little stricter, and not under one that is a little less', () => {
    const limits = [
      ['land-gap', 'minGap', 1],
      ['copper-width', 'minWidth', 1],
      ['mask-web', 'minMaskWeb', 1],
      ['annular-ring', 'minRing', 1],
      ['hole-web', 'minHoleWeb', 1],
      ['hole-to-land', 'minHoleToLand', 1],
      ['hole-aspect', 'maxHoleAspect', -1],
      ['thermal-coverage', 'minCoverage', 1],
    ] as const;
    const seen = new Set<string>();
    for (const compiled of drawn) {
      const found = nearestOfHeld(compiled, check(compiled).held);
      for (const [id, field, sign] of limits) {
        const { value } = found.get(id) ?? {};
        const rule = RULES.find((one) => one.id === id);
        // what a drill wanders by is asked for beside the ring
        const wander = id === 'annular-ring' ? compiled.process.drillWander : 0;
        const own = compiled.process[field];
        // the drill's wander is held apart from the ring itself
        if (value === undefined || !rule || (id === 'annular-ring' && compiled.process.drillWander > 0))
          continue;
        // of two limits of one rule the nearer one is told
        if (id === 'thermal-coverage' && found.get(id)?.is !== 'least') continue;
        seen.add(id);
        const breaks = (limit: number) => {
          const process = { ...compiled.process, [field]: limit };
          return rule.check(contextOf({ ...compiled, process } as Compiled, compiled.footprint)).length > 0;
        };
        expect(breaks(own), `${compiled.document.name}, ${id}`).toBe(false);
        expect(breaks(value - wander + sign * 0.02), `${compiled.document.name}, ${id} stricter`).toBe(true);
        expect(breaks(value - wander - sign * 0.02), `${compiled.document.name}, ${id} looser`).toBe(false);
      }
    }
    expect([...seen]).toEqual(expect.arrayContaining(['land-gap', 'mask-web', 'hole-web', 'hole-aspect']));
  });
});
