import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import type { TapisDocument } from '../../../src/core/document/document';
import { applyEdits } from '../../../src/core/document/edit';
import { compile } from '../../../src/core/footprint/compile';
import { reportOf } from '../../../src/core/format/report/content';
import { drawingSheets } from '../../../src/core/format/paper/sheet';
import { measure, nearestPair, type Distance } from '../../../src/core/ruler/measure';
import { thingsOf, type Thing } from '../../../src/core/ruler/things';
import { DEMO_DOCUMENTS } from '../../../src/demo/documents';
import { converter } from '../../data/documents';
import '../../data/depth';

function drawn(document: TapisDocument) {
  const compiled = compile(document);
  const { footprint } = compiled;
  if (!footprint) throw new Error(compiled.problems.map(({ message }) => message).join('; '));
  return { ...compiled, footprint };
}
const things = (document: TapisDocument) => {
  const { footprint, process } = drawn(document);
  return new Map(thingsOf(footprint, process).map((thing) => [thing.id, thing]));
};
/** A measured value between two things of a document. */
function between(document: TapisDocument, from: string, to: string, what: Distance) {
  const all = things(document);
  const [a, b] = [all.get(from), all.get(to)];
  if (!a || !b)
    throw new RangeError(`${from} or ${to} is not among ${[...all.keys()].slice(0, 12).join(', ')}`);
  return measure(a, b).find((one) => one.what === what)?.value;
}

/** Level B: Z 7.2, G 4.45, X 0.4 at pitch 0.65, body 4.9..5.1 by 4.3..4.5. */
const document = converter();
const { footprint } = drawn(document);
const [first, second] = footprint.lands;
const across = footprint.lands.find(
  ({ end, at }) => end !== first?.end && Math.abs(at.y - (first?.at.y ?? 0)) < 1e-6,
);

describe('the ruler', () => {
  it('says gap, middles and outsides of two lands at once', () => {
    const pitch = 0.65;
    const wide = first ? first.copper.maxY - first.copper.minY : 0;
    const say = (what: Distance) => between(document, `land:${first?.id}`, `land:${second?.id}`, what)?.nom;
    expect(say('gap')).toBeCloseTo(pitch - wide, 9);
    expect(say('centre')).toBeCloseTo(pitch, 9);
    expect(say('outer')).toBeCloseTo(pitch + wide, 9);
    expect(say('y')).toBeCloseTo(pitch, 9);
  });
  it('says what tolerances make of a distance', () => {
    // a lead's outer edge from its body's edge on the same side: half of E less half of E1
    const { resolved } = drawn(document);
    const [E, E1] = [resolved?.values?.['E'], resolved?.values?.['E1']];
    const sides = (first?.at.x ?? 0) < 0 ? (['left', 'left'] as const) : (['right', 'right'] as const);
    const value = between(document, `terminal:${first?.id}:${sides[0]}`, `body:${sides[1]}`, 'x');
    expect(value?.nom).toBeCloseTo(((E?.nom ?? 0) - (E1?.nom ?? 0)) / 2, 6);
    expect(value?.min).toBeCloseTo(((E?.min ?? 0) - (E1?.max ?? 0)) / 2, 6);
    expect(value?.max).toBeCloseTo(((E?.max ?? 0) - (E1?.min ?? 0)) / 2, 6);
  });
  it('measures heights with each other, and nothing else with them', () => {
    const { body } = footprint;
    expect(between(document, 'height:laminate', 'height:top', 'height')?.max).toBeCloseTo(
      body.heights.top.max,
      9,
    );
    const all = things(document);
    expect(measure(all.get('height:top') as Thing, all.get('origin') as Thing)).toEqual([]);
  });
  it('knows corners, axes and lines of the legend', () => {
    const all = things(document);
    const far = (from: string, to: string) =>
      measure(all.get(from) as Thing, all.get(to) as Thing)[0]?.value.nom;
    const { copper, id } = footprint.lands[0]!;
    const diagonal = Math.hypot(copper.maxX - copper.minX, copper.maxY - copper.minY);
    expect(far(`land:${id}:upper-left`, `land:${id}:lower-right`)).toBeCloseTo(diagonal, 6);
    expect(far('origin:upright-axis', `land:${id}:left`)).toBeCloseTo(
      Math.abs(copper.minX - footprint.origin.x),
      6,
    );
    const [line] = footprint.legend.lines;
    const [p, q] = [line?.[0], line?.at(-1)];
    expect(p && q && far('legend:1:from', 'legend:1:to')).toBeCloseTo(
      Math.hypot(p!.x - q!.x, p!.y - q!.y),
      6,
    );
  });
  it('finds the smallest gap of two groups', () => {
    const all = things(document);
    const row = (end: number | null) =>
      footprint.lands.flatMap((land) => (land.end === end ? [all.get(`land:${land.id}`) as Thing] : []));
    const found = nearestPair(row(-1), row(1));
    const facing = first && across ? Math.abs(first.at.x - across.at.x) : 0;
    const long = first ? first.copper.maxX - first.copper.minX : 0;
    expect(found?.gap.value.nom).toBeCloseTo(facing - long, 6);
  });
  it('says the same in both directions, and nothing between a thing and itself', () => {
    fc.assert(
      fc.property(fc.constantFrom(...DEMO_DOCUMENTS.slice(0, 12)), fc.nat(), fc.nat(), (any, i, j) => {
        const all = [...things(any).values()];
        const [a, b] = [all[i % all.length], all[j % all.length]] as [Thing, Thing];
        const values = (p: Thing, q: Thing) => measure(p, q).map(({ what, value }) => [what, value]);
        if (a.id === b.id) expect(measure(a, b)).toEqual([]);
        else expect(JSON.stringify(values(a, b))).toBe(JSON.stringify(values(b, a)));
      }),
    );
  });
  it('knows its things by names of their own', () => {
    for (const any of DEMO_DOCUMENTS) {
      const { footprint: own, process } = drawn(any);
      const ids = thingsOf(own, process).map(({ id }) => id);
      expect(new Set(ids).size, any.name).toBe(ids.length);
      const names = thingsOf(own, process).map(({ name }) => name);
      expect(new Set(names).size, any.name).toBe(names.length);
    }
  });
});

describe('a measurement that is kept', () => {
  const kept = (wished?: string, more: Partial<TapisDocument> = {}): TapisDocument => ({
    ...document,
    ...more,
    measurements: [
      {
        id: '1',
        from: `land:${first?.id}:middle`,
        to: `land:${second?.id}:middle`,
        what: 'y',
        ...(wished === undefined ? {} : { wished, why: 'HS drawing 4' }),
      },
    ],
  });
  const told = (one: TapisDocument) =>
    check(compile(one)).findings.filter(({ rule }) => rule === 'kept-measurement');
  it('holds where it is as wished, in any unit', () => {
    expect(told(kept())).toEqual([]);
    for (const wished of ['0.65', '0.6..0.7', '0.65±0.05', 'max 0.7', 'min 0.6', '25.5..25.7 mil'])
      expect(told(kept(wished)), wished).toEqual([]);
  });
  it('is a finding where it is not, with both values', () => {
    const [finding] = told(kept('0.8±0.05'));
    expect(finding).toMatchObject({
      severity: 'caution',
      measured: { value: 0.65, limit: 0.75, unit: 'mm' },
    });
    expect(finding?.message).toContain('HS drawing 4');
    expect(told(kept('max 0.5'))).toHaveLength(1);
    expect(told(kept('min 0.7'))).toHaveLength(1);
  });
  it('follows the footprint', () => {
    const wider = applyEdits(kept('0.65'), [{ at: '/package/dimensions/e', value: '0.5' }]);
    expect(told(wider)[0]?.measured?.value).toBe(0.5);
  });
  it('is told where its things are gone, and can be removed', () => {
    const gone = applyEdits(kept('0.65'), [{ at: '/measurements/1/to', value: 'land:rows/99:middle' }]);
    const [finding] = told(gone);
    expect(finding).toMatchObject({ severity: 'note', title: 'A kept measurement has lost its things' });
    expect(told(applyEdits(gone, finding?.remedies[0]?.edits ?? []))).toEqual([]);
  });
  it('stands on drawing and report', () => {
    const compiled = drawn(kept('0.65'));
    const words = JSON.stringify(drawingSheets(compiled)) + JSON.stringify(reportOf(compiled, {}));
    expect(words.match(/HS drawing 4/g)?.length).toBeGreaterThanOrEqual(2);
  });
});
