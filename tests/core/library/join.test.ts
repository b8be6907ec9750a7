import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compileAndCheck } from '../../../src/core/check/guarded';
import type { TapisDocument } from '../../../src/core/document/document';
import { editsBetween, isSameDocument } from '../../../src/core/document/difference';
import { applyEdits, valueAt, type Edit } from '../../../src/core/document/edit';
import { writeDocument } from '../../../src/core/document/write';
import { openDocument } from '../../../src/core/footprint/open';
import { describe as described } from '../../../src/core/library/describe';
import { joined } from '../../../src/core/library/join';
import { markedText } from '../../../src/core/library/marked';
import { cases } from '../../data/depth';
import { converter } from '../../data/documents';

const base: TapisDocument = {
  ...converter(),
  pins: ['1', '2', '3'].map((id) => ({ id, lands: id, name: `P${id}` })),
  marks: { value: 'HS-1', style: 'ends' },
  overrides: { land: { X: '0.4' } },
};

const values = fc.constantFrom('0.41', '0.42', '0.43');
/** Edits of many kinds of places: fields, items of lists, whole parts, removals. */
const edit: fc.Arbitrary<Edit> = fc.oneof(
  fc.record({
    at: fc.constantFrom(
      '/level',
      '/name',
      '/notes',
      '/marks/value',
      '/marks/reference',
      '/overrides/land/X',
      '/overrides/land/Y',
      '/package/dimensions/E',
      '/package/dimensions/L',
      '/pins/1/name',
      '/pins/2/name',
      '/pins/3/note',
    ),
    value: values as fc.Arbitrary<unknown>,
  }),
  fc.constantFrom<Edit>(
    { at: '/marks', value: undefined },
    { at: '/overrides', value: undefined },
    { at: '/pins/2', value: undefined },
    { at: '/pins/4', value: { id: '4', lands: '4', name: 'NEW' } },
    { at: '/level', value: 'A' },
    { at: '/level', value: 'C' },
  ),
);
const edits = fc.array(edit, { maxLength: 5 });
const changed = (by: readonly Edit[]): TapisDocument => applyEdits(base, by);

describe('the join of two documents that come from one', () => {
  it('loses nobody’s edit: it is there, or it clashes and both values are', () => {
    fc.assert(
      fc.property(edits, edits, (a, b) => {
        const [ours, theirs] = [changed(a), changed(b)];
        const join = joined(base, ours, theirs);
        const isClash = (at: string) =>
          join.clashes.some(
            (clash) => at === clash.at || at.startsWith(`${clash.at}/`) || clash.at.startsWith(`${at}/`),
          );
        for (const [side, own, result] of [
          ['ours', ours, join.ours],
          ['theirs', theirs, join.theirs],
        ] as const)
          for (const { at, value } of editsBetween(base, own)) {
            expect(JSON.stringify(valueAt(result, at)), `${side} ${at}`).toBe(JSON.stringify(value));
            if (!isClash(at))
              for (const other of [join.ours, join.theirs])
                expect(JSON.stringify(valueAt(other, at)), `${side} ${at}`).toBe(JSON.stringify(value));
          }
        for (const { at, ours: own, theirs: other } of join.clashes) {
          expect(JSON.stringify(own)).toBe(JSON.stringify(valueAt(ours, at)));
          expect(JSON.stringify(other)).toBe(JSON.stringify(valueAt(theirs, at)));
        }
      }),
      { numRuns: cases(500, 10_000) },
    );
  });
  it('is symmetric, changes nothing with itself, and takes the one side that changed', () => {
    fc.assert(
      fc.property(edits, edits, (a, b) => {
        const [ours, theirs] = [changed(a), changed(b)];
        const [one, other] = [joined(base, ours, theirs), joined(base, theirs, ours)];
        expect(one.clashes.map(({ at }) => at).sort()).toEqual(other.clashes.map(({ at }) => at).sort());
        expect(isSameDocument(one.ours, other.theirs)).toBe(true);
        expect(isSameDocument(one.theirs, other.ours)).toBe(true);
        const self = joined(base, ours, ours);
        expect([self.clashes, isSameDocument(self.ours, ours)]).toEqual([[], true]);
        const alone = joined(base, ours, base);
        expect([alone.clashes, isSameDocument(alone.ours, ours)]).toEqual([[], true]);
      }),
      { numRuns: cases(300, 10_000) },
    );
  });
  it('keeps both values between marks where they clash, and such a text is no document', () => {
    const { ours, theirs, clashes } = joined(
      base,
      changed([
        { at: '/package/dimensions/E', value: '6.3..6.5' },
        { at: '/level', value: 'A' },
      ]),
      changed([
        { at: '/package/dimensions/E', value: '6.1..6.7' },
        { at: '/notes', value: 'Seen.' },
      ]),
    );
    expect(clashes.map(({ at }) => at)).toEqual(['/package/dimensions/E']);
    expect(ours).toMatchObject({ level: 'A', notes: 'Seen.' });
    const text = markedText(writeDocument(ours), writeDocument(theirs), ['ours', 'theirs']);
    expect(text).toMatch(/<<<<<<< ours\n.*6\.3\.\.6\.5.*\n=======\n.*6\.1\.\.6\.7.*\n>>>>>>> theirs/);
    expect(openDocument(text).ok).toBe(false);
    expect(markedText('a\nb\n', 'a\nb\n', ['x', 'y'])).toBe('a\nb\n');
  });
});

it('describes a document one fact a line: one changed number changes the lines that rest on it', () => {
  const lines = (document: TapisDocument) => described(compileAndCheck(document));
  const before = lines(base);
  expect(before).toContain('dimension E, lead span: 6.2..6.6 = 6.20 to 6.60 mm');
  expect(before.every((line) => !line.includes('\n'))).toBe(true);
  const after = lines(applyEdits(base, [{ at: '/marks/value', value: 'HS-2' }]));
  expect(after.filter((line) => !before.includes(line))).toEqual(['mark value: HS-2']);
});
