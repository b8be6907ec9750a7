import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyEdits } from '../../../src/core/document/edit';
import type { TrialDocument } from '../../../src/core/document/trial';
import { whyNotKept } from '../../../src/core/document/read-trial';
import { boardArtwork } from '../../../src/core/format/board/artwork';
import { checkTrial } from '../../../src/core/trial/check';
import { compileTrial } from '../../../src/core/trial/compile';
import { clearTexts, moveText, textAt } from '../../../src/core/trial/texts';
import { part, trialOf } from '../../data/trials';

const TEXT_RULES = ['trial-texts', 'trial-edge-text'];
const found = (trial: TrialDocument) =>
  checkTrial(compileTrial(trial)).findings.filter(
    ({ rule, message }) =>
      TEXT_RULES.includes(rule) || (rule === 'trial-marks' && /reference|value/.test(message)),
  );
const textOf = (trial: TrialDocument, id: string) => {
  const placed = compileTrial(trial).parts.find((one) => one.id === id);
  const text = placed?.footprint.texts.find(({ role }) => role === 'reference');
  if (!text) throw new Error(`part ${id} has no reference`);
  return text;
};
const cleared = (trial: TrialDocument) => applyEdits(trial, clearTexts(compileTrial(trial)).edits);

// a chip of 3.0 by 1.6 whose reference is 1 high and stands with its middle 0.8 + 0.5 + 0.5 = 1.8 above
describe('texts of placed parts', () => {
  it('are told where they lie over one another, over lands and off the board; each is mended by its remedy', () => {
    const clash = (parts: Parameters<typeof trialOf>[0], message: string) => {
      const trial = trialOf(parts);
      const [first] = found(trial);
      expect(first?.message).toBe(message);
      const [place, leave] = first?.remedies ?? [];
      expect(place?.label).toMatch(/where it is free$/);
      expect(leave?.label).toMatch(/unprinted$/);
      for (const remedy of [place, leave]) expect(found(applyEdits(trial, remedy?.edits ?? []))).toEqual([]);
    };
    clash(
      // references at 11.8 and, turned over, at 11.9
      [part('R1', 'named', 10, 10), part('R2', 'named', 10.4, 13.7, { angle: '180' })],
      'The reference of R1 is printed over the reference of R2.',
    );
    clash(
      [part('R1', 'named', 10, 28.6)],
      // 28.6 + 1.8 + 0.5 and half a line of 0.12
      'The reference of R1 is printed 0.975 mm beyond the edge of the board.',
    );
    clash(
      [part('R1', 'named', 10, 10, { texts: { reference: { place: 'point', x: '0.8', y: '0' } } })],
      'The reference of R1 is printed on its own lands or holes.',
    );
    clash(
      [part('R1', 'named', 10, 10), part('R2', 'R', 10, 11.8)],
      'The reference of R1 is printed on lands of R2.',
    );
  });
  it('stand as their footprint has them where an entry cannot be read; the part stays', () => {
    const typed = (x: string) =>
      trialOf([part('R1', 'named', 10, 10, { texts: { reference: { place: 'point', x, y: '3' } } })]);
    const { parts, problems } = compileTrial(typed('drei'));
    expect(parts.map(({ reference }) => reference)).toEqual(['R1']);
    expect(problems.map(({ title, message }) => `${title}. ${message}`)).toEqual([
      expect.stringMatching(
        /^R1 reference text x cannot be used\. “drei”.*Its footprint’s holds until it is mended\.$/,
      ),
    ]);
    expect(compileTrial(typed('50mil')).parts[0]?.footprint.texts[0]?.at.x).toBeCloseTo(11.27, 6);
  });
  it('on two sides do not meet', () => {
    expect(
      found(
        trialOf([
          part('R1', 'named', 10, 10),
          part('R2', 'named', 10, 13.6, { side: 'bottom', angle: '180' }),
        ]),
      ),
    ).toEqual([]);
  });
  it('stand where the part says, turn with it, and are on the films as they are drawn', () => {
    const at = (more: object) =>
      textOf(
        trialOf([
          part('R1', 'named', 10, 10, { texts: { reference: { place: 'point', x: '3', y: '1' } }, ...more }),
        ]),
        '1',
      ).at;
    expect(at({})).toEqual({ x: 13, y: 11 });
    expect(at({ angle: '90' })).toEqual({ x: 9, y: 13 });
    expect(at({ side: 'bottom' })).toEqual({ x: 7, y: 11 });
    const hidden = trialOf([part('R1', 'named', 10, 10, { texts: { reference: { shown: false } } })]);
    const lines = (trial: TrialDocument) =>
      boardArtwork(compileTrial(trial))
        .layers.find(({ id }) => id === 'top-legend')
        ?.objects.filter(({ kind }) => kind === 'line').length ?? 0;
    const bare = lines(trialOf([part('R1', 'R', 10, 10)]));
    expect(lines(hidden)).toBe(bare);
    expect(lines(trialOf([part('R1', 'named', 10, 10)]))).toBeGreaterThan(bare);
  });
  it('are moved by hand, on either side and at any angle, to where they were put', () => {
    for (const more of [{}, { angle: '37' }, { side: 'bottom', angle: '90' }] as const) {
      const trial = trialOf([part('R1', 'named', 20, 15, more)]);
      const compiled = compileTrial(trial);
      const moved = applyEdits(trial, moveText(compiled, '1', 'reference', { x: 24, y: 12 }));
      const { at, rotation } = textOf(moved, '1');
      expect(at.x).toBeCloseTo(24, 2);
      expect(at.y).toBeCloseTo(12, 2);
      expect(rotation).toBeCloseTo(textOf(trial, '1').rotation, 6);
      const placed = compileTrial(moved).parts[0];
      expect(placed && textAt(placed, { x: 24, y: 12 })?.role).toBe('reference');
      expect(placed && textAt(placed, { x: 20, y: 15 })).toBeNull();
    }
  });
  it('of a row, and of all four corners, go along with their parts', () => {
    const row = trialOf([part('R1', 'named', 10, 28.6, { columns: 3, stepX: '5' })]);
    expect(found(row)).toHaveLength(3);
    expect(found(cleared(row))).toEqual([]);
    const corners = trialOf([part('R1', 'named', 2.2, 1.4, { corners: true })]);
    expect(found(corners).length).toBeGreaterThan(0);
    expect(found(cleared(corners))).toEqual([]);
  });
  it('that find no place are no longer printed, and named', () => {
    const tight = trialOf([part('R1', 'named', 1.5, 0.8)], { board: { width: '3', height: '1.6' } });
    const { hidden, moved } = clearTexts(compileTrial(tight));
    expect(moved).toEqual([]);
    expect(hidden).toEqual(['reference of R1']);
    expect(found(cleared(tight))).toEqual([]);
  });
  it('are cleared by one press, whatever stands on the board; what could be read stays', () => {
    const placed = fc.record({
      x: fc.integer({ min: 20, max: 380 }),
      y: fc.integer({ min: 20, max: 280 }),
      angle: fc.constantFrom('0', '45', '90', '180', '270'),
      side: fc.constantFrom('top', 'bottom'),
      footprint: fc.constantFrom('named', 'U', 'R'),
    });
    fc.assert(
      fc.property(fc.array(placed, { minLength: 2, maxLength: 14 }), (all) => {
        const trial = trialOf(
          all.map(({ x, y, footprint, angle, side }, i) =>
            part(`R${i + 1}`, footprint, x / 10, y / 10, { angle, side: side as 'top' }),
          ),
        );
        const { edits, moved, hidden } = clearTexts(compileTrial(trial));
        const after = applyEdits(trial, edits);
        expect(whyNotKept(after)).toBeNull();
        expect(found(after)).toEqual([]);
        const touched = new Set([...moved, ...hidden]);
        for (const [i, one] of trial.parts?.entries() ?? [])
          if (!touched.has(`reference of ${one.reference}`) && one.footprint !== 'R')
            expect(textOf(after, String(i + 1))).toEqual(textOf(trial, String(i + 1)));
        // once is enough
        expect(clearTexts(compileTrial(after)).edits).toEqual([]);
      }),
      { numRuns: 25 },
    );
  }, 60_000);
});
