import 'fake-indexeddb/auto';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { applyEdits } from '../../src/core/document/edit';
import { writeDocument, writeShelf } from '../../src/core/document/write';
import { openDatabase, type TapisDatabase } from '../../src/store/database';
import { RevisionStore } from '../../src/store/revisions';
import { ShelfStore } from '../../src/store/shelf';
import type { Settle, Twin } from '../../src/store/twins';
import { chip, converter } from '../data/documents';

let db: TapisDatabase;
let shelf: ShelfStore;
let count = 0;
beforeEach(() => {
  count += 1;
  db = openDatabase(`twins ${count}`);
  shelf = new ShelfStore(db);
});
afterEach(() => db.delete());

const otherwise = applyEdits(converter(), [{ at: '/level', value: 'C' }]);
const names = async () => (await shelf.entries()).map(({ name }) => name).sort();
const asking = (choice: ReturnType<NonNullable<Awaited<ReturnType<Settle>>>> | null) => {
  const seen: Twin[] = [];
  const settle: Settle = async (twins) => {
    seen.push(...twins);
    return choice && (() => choice);
  };
  return { seen, settle };
};

it('a document that is here is asked about: the same, or what differs', async () => {
  const [stored] = await shelf.add([converter()]);
  const { seen, settle } = asking('leave');
  const same = await shelf.importText(writeDocument(converter()), { settle });
  const other = await shelf.importText(writeDocument(otherwise), { settle });
  expect(seen).toMatchObject([
    { id: stored?.id, differs: [], holds: null },
    { id: stored?.id, differs: ['/level'], holds: null },
  ]);
  for (const { added, here } of [same, other]) {
    expect(added).toEqual([]);
    expect(here.map(({ id }) => id)).toEqual([stored?.id]);
  }
  expect(await names()).toEqual([converter().name]);
});

it('comes beside it, or takes its place and leaves a revision of it', async () => {
  const [stored] = await shelf.add([converter()]);
  const id = stored?.id ?? '';
  await shelf.importText(writeDocument(otherwise), { settle: asking('both').settle });
  expect(await names()).toEqual([converter().name, converter().name]);
  // of two of one name the one that differs less is meant
  const { seen, settle } = asking('take');
  await shelf.importText(writeDocument(applyEdits(otherwise, [{ at: '/notes', value: 'x' }])), { settle });
  const [twin] = seen;
  expect(twin?.id).not.toBe(id);
  expect((await shelf.get(twin?.id ?? ''))?.document.notes).toBe('x');
  expect((await new RevisionStore(db).list(twin?.id ?? '')).map(({ document }) => document.level)).toEqual([
    'C',
  ]);
  expect((await shelf.get(id))?.document).toEqual(stored?.document);
});

it('never takes the place of what is approved; one name twice in a file does not write over itself', async () => {
  const [stored] = await shelf.add([converter()]);
  const id = stored?.id ?? '';
  const twice = writeShelf([otherwise, applyEdits(otherwise, [{ at: '/notes', value: 'second' }])]);
  const first = await shelf.importText(twice, { settle: asking('take').settle });
  expect([first.here.length, first.added.length]).toEqual([1, 1]);
  expect((await shelf.get(id))?.document).toMatchObject({ level: 'C' });
  await new RevisionStore(db).keep(id, 'approved', '');
  const { seen, settle } = asking('take');
  const { added } = await shelf.importText(
    writeDocument(applyEdits(otherwise, [{ at: '/level', value: 'A' }])),
    { settle },
  );
  expect(seen.some(({ holds }) => holds === 'approved') || added.length === 0).toBe(true);
  expect((await shelf.get(id))?.document).toMatchObject({ level: 'C' });
});

it('asks once for all files of a ZIP; who leaves it brings nothing, and what is not here comes unasked', async () => {
  await shelf.add([converter(), chip()]);
  const all = (await shelf.entries()).map(({ id }) => id);
  const { bytes } = await shelf.exportZip(all);
  const { seen, settle } = asking(null);
  expect(await shelf.importZip(bytes, { settle })).toMatchObject({ added: [], here: [] });
  expect(seen.map(({ differs }) => differs)).toEqual([[], []]);
  const fresh = new ShelfStore(openDatabase(`twins ${count} fresh`));
  const unasked = asking('leave');
  expect((await fresh.importZip(bytes, { settle: unasked.settle })).added).toHaveLength(2);
  expect(unasked.seen).toEqual([]);
});
