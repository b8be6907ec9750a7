import { describe, expect, it } from 'vitest';
import { applyEdits } from '../../../src/core/document/edit';
import { entryEdit } from '../../../src/core/document/entries';
import { migrate } from '../../../src/core/document/migrations';
import { LARGEST_DOCUMENT } from '../../../src/core/document/read';
import { writeShelf } from '../../../src/core/document/write';
import { openDocument, openShelf } from '../../../src/core/footprint/open';
import { chip, converter } from '../../data/documents';

function problems(value: unknown): { field: string; message: string }[] {
  const read = openDocument(typeof value === 'string' ? value : JSON.stringify(value));
  if (read.ok) throw new Error('was read');
  return read.error;
}

describe('reading a document', () => {
  it('takes every way to write a dimension', () => {
    const document = converter({
      n: '16',
      e: 0.65,
      E: { min: 6.2, max: 6.6, unit: 'mm', label: 'H', where: 'p 31' },
      E1: { text: '0.169..0.177', unit: 'in', label: 'E' },
    });
    const read = openDocument(`\uFEFF${JSON.stringify(document)}`);
    expect(read).toEqual({ ok: true, value: document });
  });

  it.each<[string, unknown, string, string]>([
    ['no JSON', '{"tapis": 1,', '', 'not JSON'],
    ['a list', [], '', 'JSON object'],
    ['no version', { name: 'x' }, '/tapis', '“tapis” is missing'],
    ['a newer version', { ...converter(), tapis: 3 }, '/tapis', 'version 3'],
    ['no version number', { ...converter(), tapis: 'one' }, '/tapis', '“one”'],
    [
      'a missing field',
      { tapis: 2, name: 'x', package: {}, level: 'B', process: 'standard' },
      '/package/family',
      'missing',
    ],
    ['a stray field', { ...converter(), colour: 'red' }, '/colour', 'not known'],
    ['a wrong level', { ...converter(), level: 'E' }, '/level', 'one of A, B, C, D'],
    ['a dimension that is a list', converter({ E: [6, 7] as never }), '/package/dimensions/E', ''],
    ['a dimension without a value', converter({ E: { unit: 'mm' } as never }), '/package/dimensions/E', ''],
    ['a hostile symbol', converter({ 'a b': '1' }), '/package/dimensions', ''],
  ])('names the field of %s', (_, value, field, words) => {
    const [first] = problems(value).filter((p) => p.field.startsWith(field));
    expect(first?.message).toContain(words);
  });

  it('refuses a text that is too large before parsing it', () => {
    expect(problems('['.repeat(LARGEST_DOCUMENT + 1))[0]?.message).toContain('at most 2 million');
  });

  it('brings older versions up step by step', () => {
    const steps = {
      1: (raw: Record<string, unknown>) => ({ ...raw, tapis: 2, name: `${String(raw['name'])}!` }),
      2: (raw: Record<string, unknown>) => ({ ...raw, tapis: 3 }),
    };
    expect(migrate({ tapis: 1, name: 'x' }, () => [], steps)).toEqual({ tapis: 3, name: 'x!' });
    expect(migrate({ tapis: 3 }, () => [], steps)).toEqual({ tapis: 3 });
  });
});

describe('a file with a whole Shelf', () => {
  it('reads back what was written', () => {
    const read = openShelf(writeShelf([converter(), chip()]));
    expect(read).toEqual({
      ok: true,
      value: {
        documents: [converter(), chip()],
        standing: [{}, {}],
        processes: [],
        families: [],
        refused: [],
      },
    });
  });
  it('keeps the good documents and names the bad one', () => {
    const text = JSON.stringify({ tapisShelf: 1, documents: [converter(), { tapis: 1 }, chip()] });
    const read = openShelf(text);
    if (!read.ok) throw new Error('was refused');
    expect(read.value.documents).toHaveLength(2);
    expect(read.value.refused[0]).toMatchObject({
      field: '/documents/1/name',
      message: expect.stringContaining('Document 2'),
    });
  });
  it('reads a single document too', () => {
    expect(openShelf(JSON.stringify(chip()))).toMatchObject({ ok: true, value: { documents: [chip()] } });
  });
  it('refuses a Shelf of another shape', () => {
    expect(openShelf('{"tapisShelf": 7, "documents": []}').ok).toBe(false);
    expect(openShelf('{"tapisShelf": 1, "documents": 3}').ok).toBe(false);
  });
});

describe('edits', () => {
  it('leave the given document alone and drop what they empty', () => {
    const before = converter();
    const set = applyEdits(before, [{ at: '/overrides/land/X', value: '0.35' }]);
    expect(set.overrides).toEqual({ land: { X: '0.35' } });
    expect(before.overrides).toBeUndefined();
    expect(applyEdits(set, [{ at: '/overrides/land/X', value: undefined }])).toEqual(before);
  });
  it('never empty the dimensions out of a package', () => {
    const one = { ...chip(), package: { family: 'rectangular-chip', dimensions: { L: '1' } } };
    const none = applyEdits(one, [{ at: '/package/dimensions/L', value: undefined }]);
    expect(openDocument(JSON.stringify(none)).ok).toBe(true);
  });
  it('keep the label and place of an entry whose text changes', () => {
    const document = converter({ L: { text: '1', unit: 'mm', label: 'L1', where: 'p 12' } });
    expect(entryEdit(document, 'L', { text: '2' }).value).toEqual({
      text: '2',
      unit: 'mm',
      label: 'L1',
      where: 'p 12',
    });
    expect(entryEdit(document, 'E', { text: '' })).toEqual({ at: '/package/dimensions/E', value: undefined });
  });
});
