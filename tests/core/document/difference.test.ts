import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { editsBetween, isSameDocument } from '../../../src/core/document/difference';
import { applyEdits, type Edit } from '../../../src/core/document/edit';
import { newDocument, type TapisDocument } from '../../../src/core/document/document';
import { openValue } from '../../../src/core/footprint/open';
import { DEMO_DOCUMENTS } from '../../../src/demo/documents';
import { converter } from '../../data/documents';

const documents = fc.constantFrom(...DEMO_DOCUMENTS);
const places = (document: TapisDocument) => editsBetween(newDocument('x', 'y'), document).map(({ at }) => at);

describe('what a document has of its own', () => {
  it('gives it again from whatever it is told from', () => {
    fc.assert(
      fc.property(documents, documents, (a, b) => {
        expect(isSameDocument(applyEdits(a, editsBetween(a, b)), b)).toBe(true);
        expect(editsBetween(a, a)).toEqual([]);
      }),
      { numRuns: 200 },
    );
  });

  it('is nothing but what was changed, and undoing it leaves nothing', () => {
    const edit = fc.constantFrom<Edit>(
      { at: '/level', value: 'A' },
      { at: '/package/dimensions/L', value: '0.5..0.7' },
      { at: '/overrides/land/Y', value: '1.7' },
      { at: '/marks/value', value: 'HS-2' },
      { at: '/waivers/web:3', value: { reason: 'seen' } },
      { at: '/keepOuts', value: [{ id: '1', x: '0', y: '0', width: '1', height: '1' }] },
    );
    fc.assert(
      fc.property(fc.uniqueArray(edit, { selector: ({ at }) => at }), (edits) => {
        const base = converter();
        const changed = applyEdits(base, edits);
        const own = editsBetween(base, changed);
        expect(own).toHaveLength(edits.length);
        expect(isSameDocument(applyEdits(changed, editsBetween(changed, base)), base)).toBe(true);
      }),
    );
  });

  it('keeps the order of lists: what was taken out and put back stands where it stood', () => {
    const pin = (id: string) => ({ id, lands: id, name: `P${id}` });
    const withPins = (...ids: string[]) => ({ ...converter(), pins: ids.map(pin) });
    const lists = fc.shuffledSubarray(['1', '2', '3', '4', '5']);
    fc.assert(
      fc.property(lists, lists, (a, b) => {
        const [from, to] = [withPins(...a), withPins(...b)];
        const got = applyEdits<TapisDocument>(from, editsBetween<TapisDocument>(from, to));
        expect((got.pins ?? []).map(({ id }) => id)).toEqual(b);
      }),
    );
    // one that only grew at its end is told by what is new
    expect(editsBetween(withPins('1', '2'), withPins('1', '2', '3')).map(({ at }) => at)).toEqual([
      '/pins/3',
    ]);
  });

  it('says a process with what it holds, a dimension and a package of another family as a whole', () => {
    const base = { ...converter(), ownProcess: undefined } as unknown as TapisDocument;
    expect(editsBetween(converter(), { ...converter(), process: 'kitchen-table' })).toEqual([
      { at: '/process', value: 'kitchen-table' },
      { at: '/ownProcess', value: undefined },
    ]);
    const limits = (entry: object) =>
      ({
        ...base,
        package: { ...base.package, dimensions: { ...base.package.dimensions, L: entry } },
      }) as TapisDocument;
    expect(editsBetween(limits({ min: 0.4, max: 0.7 }), limits({ text: '0.5', label: 'L' }))).toEqual([
      { at: '/package/dimensions/L', value: { text: '0.5', label: 'L' } },
    ]);
    expect(places(converter())).toEqual(['/name', '/package']);
  });

  it('tells pieces by their ids, and the whole list where they came into another order', () => {
    const composed = DEMO_DOCUMENTS.find(
      ({ package: { pieces } }) => (pieces?.length ?? 0) > 3,
    ) as TapisDocument;
    const pieces = composed.package.pieces ?? [];
    const changed = applyEdits(composed, [{ at: `/package/pieces/${pieces[1]?.id}/x`, value: '3.3' }]);
    expect(editsBetween(composed, changed)).toEqual([
      { at: `/package/pieces/${pieces[1]?.id}/x`, value: '3.3' },
    ]);
    const turned = { ...composed, package: { ...composed.package, pieces: [...pieces].reverse() } };
    expect(editsBetween(composed, turned).map(({ at }) => at)).toEqual(['/package/pieces']);
  });

  it('flows with an original that changes, and stays a document', () => {
    fc.assert(
      fc.property(documents, documents, documents, (base, variant, changed) => {
        fc.pre(base.package.family === variant.package.family);
        const flowed = applyEdits(changed, editsBetween(base, variant));
        if (changed.package.family === base.package.family)
          expect(openValue(flowed)).toMatchObject({ ok: true });
      }),
      { numRuns: 300 },
    );
  });
});
