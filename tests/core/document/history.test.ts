import fc from 'fast-check';
import { expect, it } from 'vitest';
import { isSameDocument } from '../../../src/core/document/difference';
import { applyEdits, type Edit } from '../../../src/core/document/edit';
import { keptHistory, openHistory, type HistoryStep } from '../../../src/core/document/history';
import { placesWords } from '../../../src/core/document/edit-words';
import { converter } from '../../data/documents';

const edit = fc.oneof(
  fc.constantFrom('A', 'B', 'C').map((value): Edit => ({ at: '/level', value })),
  fc
    .tuple(fc.constantFrom('L', 'b', 'D'), fc.option(fc.integer({ min: 1, max: 9 }), { nil: undefined }))
    .map(([symbol, value]): Edit => ({ at: `/package/dimensions/${symbol}`, value: value && `0.${value}` })),
  fc.constantFrom<Edit>(
    { at: '/marks/value', value: 'X' },
    { at: '/marks/value', value: undefined },
    { at: '/overrides/numbers/rows~12', value: '9' },
    { at: '/overrides/numbers', value: undefined },
  ),
);

it('a history kept as edits gives every step again, both ways', () => {
  fc.assert(
    fc.property(fc.array(edit, { minLength: 2, maxLength: 40 }), fc.nat(), (edits, seed) => {
      let document = converter();
      const steps: HistoryStep[] = [];
      for (const one of edits) {
        steps.push({ document, words: placesWords([one.at]) });
        document = applyEdits(document, [one]);
      }
      const all = [...steps.map((step) => step.document), document];
      const at = seed % all.length;
      const here = all[at] as typeof document;
      const past = steps.slice(0, at);
      const future = all
        .slice(at + 1)
        .map((after, i) => ({ document: after, words: steps[at + i]?.words ?? '' }));
      const kept = JSON.parse(JSON.stringify(keptHistory(here, { past, future }))) as ReturnType<
        typeof keptHistory
      >;
      // plain JSON knows no `undefined`: what is removed must survive being kept
      const opened = openHistory(here, kept);
      for (const [was, is] of [
        [past, opened.past],
        [future, opened.future],
      ] as const) {
        expect(is.map(({ words }) => words)).toEqual(was.map(({ words }) => words));
        was.forEach((step, i) => expect(isSameDocument(step.document, is[i]?.document ?? here)).toBe(true));
      }
    }),
    { numRuns: 200 },
  );
});

it('keeps the two hundred steps nearest to what stands', () => {
  const steps = Array.from({ length: 300 }, (_, i) => ({
    document: { ...converter(), notes: `note ${i}` },
    words: `step ${i}`,
  }));
  const { past } = openHistory(converter(), keptHistory(converter(), { past: steps, future: steps }));
  expect([past.length, past[0]?.words, past.at(-1)?.document.notes]).toEqual([200, 'step 100', 'note 299']);
});
