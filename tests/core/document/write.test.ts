import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { canonical } from '../../../src/core/document/canonical';
import { writeDocument, writeProcess } from '../../../src/core/document/write';
import { compileAndCheck } from '../../../src/core/check/guarded';
import { openDocument, rewritten } from '../../../src/core/footprint/open';
import { copyProcess } from '../../../src/core/document/process-file';
import { standardProcess } from '../../../src/core/process';
import { DEMO_DOCUMENTS } from '../../../src/demo/documents';
import { converter } from '../../data/documents';

/** The same value with the keys of every object in another order, but where their order means something. */
function shuffled(value: unknown, random: () => number, key = ''): unknown {
  if (Array.isArray(value)) return value.map((one) => shuffled(one, random));
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value).map(([name, one]) => [name, shuffled(one, random, name)] as const);
  const isOrdered = key === 'named' || key === 'dimensions';
  return Object.fromEntries(isOrdered ? entries : entries.sort(() => random() - 0.5));
}

describe('documents are written in one way', () => {
  it('whatever order their fields came in, with nothing lost', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DEMO_DOCUMENTS),
        fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })),
        (document, numbers) => {
          const text = writeDocument(document);
          const other = shuffled(document, () => numbers.next().value ?? 0) as typeof document;
          expect(writeDocument(other)).toBe(text);
          expect(openDocument(text)).toEqual({ ok: true, value: document });
        },
      ),
      { numRuns: 60 },
    );
  });

  it('and mean the same: the same lands, names and findings', () => {
    for (const document of DEMO_DOCUMENTS) {
      const [before, after] = [document, canonical(document)].map((one) => {
        const { compiled, report } = compileAndCheck(one);
        return {
          lands: compiled.footprint?.lands,
          name: compiled.footprint?.standardName,
          found: report.findings,
        };
      });
      expect(after).toEqual(before);
    }
  });

  it('so that one changed number is one changed line', () => {
    const lines = (L: string) => writeDocument(converter({ L })).split('\n');
    const [a, b] = [lines('0.5..0.7'), lines('0.45..0.75')];
    expect(a.filter((line, i) => line !== b[i])).toHaveLength(1);
    expect(a).toHaveLength(b.length);
  });

  it('lists what a person named in the order a person would', () => {
    const waivers = { 'web:10': { reason: 'c' }, 'web:9': { reason: 'b' }, 'web:B': { reason: 'a' } };
    const text = writeDocument({ ...converter(), waivers });
    expect([...text.matchAll(/"web:(\w+)"/g)].map(([, key]) => key)).toEqual(['9', '10', 'B']);
  });

  it('which is where writing anew ends', () => {
    const process = writeProcess(copyProcess(standardProcess, []));
    for (const text of [process, ...DEMO_DOCUMENTS.map((document) => JSON.stringify(document))]) {
      const once = rewritten(text);
      if (!once.ok) throw new Error(once.error[0]?.message);
      expect(JSON.parse(once.value)).toEqual(JSON.parse(text));
      expect(rewritten(once.value)).toEqual(once);
    }
  });
});
