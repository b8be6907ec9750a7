import { describe, expect, it } from 'vitest';
import { bestLandsOf } from '../../../src/core/best/best';
import { check } from '../../../src/core/check/check';
import { waive } from '../../../src/core/check/waivers';
import type { TapisDocument } from '../../../src/core/document/document';
import { applyEdits } from '../../../src/core/document/edit';
import { compile } from '../../../src/core/footprint/compile';
import { misfitOf } from '../../../src/core/footprint/alternates';
import { isDrawable, type Footprint } from '../../../src/core/footprint/footprint';
import { reportOf } from '../../../src/core/format/report/content';
import { openDocument } from '../../../src/core/footprint/open';
import { writeDocument } from '../../../src/core/document/write';
import { chip, converter } from '../../data/documents';
import { USUAL_VARIANTS } from '../../data/families';

const SOME = USUAL_VARIANTS.filter((_, i) => i % 6 === 0);
const TITLE = 'KM-ADC sheet';
const withSecond = (document: TapisDocument, dimensions: Record<string, string>): TapisDocument => ({
  ...document,
  alternates: [{ id: 'a', title: TITLE, dimensions }],
});
const found = (document: TapisDocument) => check(compile(document)).findings;
const ofSecond = (document: TapisDocument) => found(document).filter(({ place }) => place.alternate === 'a');

describe('a second source', () => {
  it.each(USUAL_VARIANTS.map((variant) => [variant.name, variant.document] as const))(
    'with the same part adds nothing to %s',
    (_, document) => {
      expect(found(withSecond(document, {}))).toEqual(found(document));
      expect(compile(withSecond(document, {})).footprint?.lands).toEqual(compile(document).footprint?.lands);
    },
  );
  it.each([
    // 7.2 over the feet on lands 7.35 apart: the toe is (7.35 − 7.4 − √(0.4² + 0.1² + 0.05²))/2
    [{ E: '7.4..7.8' }, 'joint-goal', -0.233],
    [{ b: '0.30..0.50' }, 'land-narrow', undefined],
    [{ D: '4.9..6.1' }, 'courtyard', 0.5],
    [{ A: 'max 1.6' }, 'body-height', 1.685],
    [{ e: '0.635' }, 'alternate-fit', 0.0525],
    [{ n: '14' }, 'alternate-fit', undefined],
    [{ E: 'wide' }, 'entry', undefined],
    [{ L: '0.95..1.10' }, 'foot-overhang', undefined],
  ] as const)('with %j is told by %s', (dimensions, rule, value) => {
    const own = ofSecond(withSecond(converter(), dimensions));
    const told = own.find((one) => one.rule === rule);
    expect(told?.title).toContain(`${TITLE}: `);
    if (value !== undefined) expect(told?.measured?.value).toBeCloseTo(value, 3);
    // a rule that does not hold for this part is not told as held
    const { held } = check(compile(withSecond(converter(), dimensions)));
    expect(held.map(({ id }) => id)).not.toContain(rule);
    // what mends the first source does not mend this one
    expect(own.every(({ remedies }) => remedies.length === 0)).toBe(true);
    // and of the first source nothing else is said than before
    expect(found(withSecond(converter(), dimensions)).filter(({ place }) => !place.alternate)).toEqual(
      found(converter()),
    );
  });
  it.each(SOME.map((variant) => [variant.name, variant.document] as const))(
    'of %s stands on the very lands of the first, whatever its sizes are',
    (_, document) => {
      const first = compile(document);
      for (const { definition, value, source } of first.resolved?.dimensions ?? [])
        for (const by of [0.9, 1.12]) {
          if (!value || definition.kind === 'count' || source !== 'entered') continue;
          const [min, max] = [value.min, value.max].map((one) => (one * by).toFixed(4));
          const [alternate] = compile(
            withSecond(document, { [definition.symbol]: `${min}..${max}mm` }),
          ).alternates;
          const own = alternate?.compiled.footprint;
          if (!own || !first.footprint || misfitOf(first.footprint, own)) continue;
          const copper = ({ lands }: Footprint) =>
            lands.map(({ id, rotation, padstack }) => [
              id,
              rotation,
              padstack.copper,
              padstack.hole?.figure ?? null,
            ]);
          expect([definition.symbol, copper(own)]).toEqual([definition.symbol, copper(first.footprint)]);
        }
    },
  );
  it('is read in the unit of its own datasheet', () => {
    const inches: TapisDocument = {
      ...converter(),
      package: {
        family: 'gull-wing-dual',
        unit: 'in',
        dimensions: {
          n: 16,
          e: '.0256',
          E: '.244..260',
          E1: '.169..177',
          D: '.193..201',
          L: '.018..030',
          b: '.0075..0118',
          A: 'max .047',
          A1: '.002..006',
        },
      },
    };
    const second = (unit: 'mm' | 'mil' | undefined, E: string) => {
      const document = {
        ...inches,
        alternates: [{ id: 'a', title: TITLE, dimensions: { E }, ...(unit ? { unit } : {}) }],
      };
      return compile(document).alternates[0]?.compiled.resolved?.dimensions.find(
        (one) => one.definition.symbol === 'E',
      )?.value;
    };
    expect(second('mm', '7.4..7.8')).toMatchObject({ min: 7.4, max: 7.8 });
    expect(second(undefined, '7.4..7.8')).toMatchObject({ min: 7.4, max: 7.8 });
    expect(second('mil', '280..300')?.min).toBeCloseTo(7.112, 9);
  });
  it('stands in the report with what it says otherwise', () => {
    const compiled = compile(withSecond(converter(), { E: '6.0..6.4' }));
    if (!isDrawable(compiled)) throw new Error('it is drawn');
    expect(JSON.stringify(reportOf(compiled, {}))).toContain('6.0..6.4 mm');
  });
  it('points at its own field, and is accepted apart from the first', () => {
    const both = withSecond(converter({ b: '0.30..0.50' }), { b: '0.32..0.52' });
    const [mine, other] = [false, true].map((isSecond) =>
      found(both).find(({ rule, place }) => rule === 'land-narrow' && (place.alternate === 'a') === isSecond),
    );
    if (!mine || !other) throw new Error('both are too narrow');
    expect(mine.key).not.toBe(other.key);
    const left = found(applyEdits(both, [waive(mine, 'as the maker has it')])).filter(
      ({ rule }) => rule === 'land-narrow',
    );
    expect(left.map(({ place }) => place.alternate)).toEqual(['a']);
    const [entry] = ofSecond(withSecond(converter(), { L: 'x' }));
    expect(entry?.place.field).toBe('/alternates/a/dimensions/L');
  });
  it('is kept by files, and refused where it has no form', () => {
    const document = withSecond(converter(), { E: '6.0..6.4' });
    expect(openDocument(writeDocument(document))).toEqual({ ok: true, value: document });
    expect(openDocument(JSON.stringify({ ...converter(), alternates: [{ title: 'x' }] })).ok).toBe(false);
  });
});

describe('the best land of two sources', () => {
  it.each([
    ['gull wings', converter({}, { level: 'C' }), { E: '6.4..6.9', L: '0.5..0.8', b: '0.2..0.32' }],
    ['a chip', chip({}, { level: 'C' }), { L: '1.4..1.6', W: '0.7..0.95' }],
  ] as const)('of %s fails less for both than what is best for one', (_, document, dimensions) => {
    const compiled = compile(withSecond(document, dimensions));
    if (!isDrawable(compiled)) throw new Error('it is drawn');
    const [group] = bestLandsOf(compiled);
    const point = (id: string) => group?.points.find((one) => one.id === id);
    const [best, one, two] = ['best', 'alone-1', 'alone-2'].map(point);
    if (!best || !one || !two) throw new Error('a point is missing');
    for (const alone of [one, two]) expect(best.bad.share).toBeLessThanOrEqual(alone.bad.share * 1.1 + 1e-8);
    expect(best.bySource.map(({ title }) => title)).toEqual(['the first source', TITLE]);
    const mean = best.bySource.reduce((sum, { bad }) => sum + bad.share, 0) / 2;
    expect(best.bad.share).toBeCloseTo(mean, 12);
    // what is best for one is no worse for that one than what is best for both
    expect(one.bySource[0]?.bad.share).toBeLessThanOrEqual((best.bySource[0]?.bad.share ?? 0) * 1.1 + 1e-8);
    expect(two.bySource[1]?.bad.share).toBeLessThanOrEqual((best.bySource[1]?.bad.share ?? 0) * 1.1 + 1e-8);
  });
});
