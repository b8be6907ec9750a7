import fc from 'fast-check';
import { expect, it } from 'vitest';
import { documentOf, linkOf } from '../../src/kernel/link';
import { chip, converter } from '../data/documents';

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_';

it('carries a document there and back', async () => {
  for (const document of [chip(), converter({ L: '0.5..0.7' }, { notes: 'Größe 0,65 ½ 電' })]) {
    const part = (await linkOf(document)) ?? '';
    expect(await documentOf(part)).toEqual({ ok: true, value: document });
  }
  expect(await documentOf('d9.AAAA')).toMatchObject({
    ok: false,
    error: expect.stringContaining('newer Tapis'),
  });
});

it('is the same document or none where it was cut off or a letter of it was changed', async () => {
  const part = (await linkOf(converter())) ?? '';
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 3, max: part.length - 1 }),
      fc.constantFrom(...LETTERS),
      fc.boolean(),
      async (at, letter, isCut) => {
        const read = await documentOf(
          isCut ? part.slice(0, at) : part.slice(0, at) + letter + part.slice(at + 1),
        );
        if (read.ok) {
          expect(isCut).toBe(false);
          expect(read.value).toEqual(converter());
        } else expect(read.error).toContain('damaged');
      },
    ),
    { numRuns: 300 },
  );
});
