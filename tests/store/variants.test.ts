import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { applyEdits } from '../../src/core/document/edit';
import type { TapisDocument } from '../../src/core/document/document';
import { openDatabase, type StoredFootprint, type TapisDatabase } from '../../src/store/database';
import { KinStore } from '../../src/store/kin';
import { RevisionStore } from '../../src/store/revisions';
import { ShelfStore } from '../../src/store/shelf';
import { converter } from '../data/documents';

let db: TapisDatabase;
let shelf: ShelfStore;
let kin: KinStore;
let original: StoredFootprint;
let count = 0;

beforeEach(async () => {
  count += 1;
  db = openDatabase(`variants ${count}`);
  shelf = new ShelfStore(db);
  kin = new KinStore(db);
  original = (await shelf.add([converter()]))[0]!;
});
afterEach(() => db.delete());

const HAND = [
  { at: '/process', value: 'kitchen-table' },
  { at: '/level', value: 'A' },
];
const variantOf = async (id: string, name = 'by hand') => (await kin.add(id, name, HAND))!;
const now = async (id: string) => (await shelf.get(id))!;
/** Changes a footprint as the Bench does. */
async function change(id: string, at: string, value: unknown): Promise<void> {
  const { document, revision } = await now(id);
  const saved = await shelf.save(id, applyEdits(document, [{ at, value }]), revision);
  expect(saved.kind).toBe('saved');
}
const L = ({ package: { dimensions } }: TapisDocument) => dimensions['L'];

describe('a variant', () => {
  it('holds what differs alone, and everything else comes from its original', async () => {
    const { id, edits, document } = await variantOf(original.id);
    expect(edits?.map(({ at }) => at).sort()).toEqual(['/level', '/name', '/ownProcess', '/process']);
    expect([document.level, L(document)]).toEqual(['A', '0.45..0.75']);
    await change(original.id, '/package/dimensions/L', '0.5..0.7');
    const after = await now(id);
    expect([after.document.level, L(after.document), after.revision]).toEqual(['A', '0.5..0.7', 2]);
    expect(L(after.before!)).toBe('0.45..0.75');
    expect((await shelf.entries()).find((entry) => entry.id === id)?.revision).toBe(2);
  });

  it('keeps what it overrides, and follows again where it takes that back', async () => {
    const { id } = await variantOf(original.id);
    await change(id, '/package/dimensions/L', '0.6');
    await change(original.id, '/package/dimensions/L', '0.5..0.7');
    expect(L((await now(id)).document)).toBe('0.6');
    await change(id, '/package/dimensions/L', '0.5..0.7');
    await change(original.id, '/package/dimensions/L', '0.4..0.8');
    expect(L((await now(id)).document)).toBe('0.4..0.8');
  });

  it('says what flowed until that was seen, from the first of several changes on', async () => {
    const { id } = await variantOf(original.id);
    await change(original.id, '/package/dimensions/L', '0.5..0.7');
    await change(original.id, '/package/dimensions/L', '0.4..0.8');
    expect(L((await kin.of(id)).before!)).toBe('0.45..0.75');
    await kin.seen(id);
    expect((await kin.of(id)).before).toBeNull();
    // what does not reach it is nothing to be seen
    await change(original.id, '/level', 'C');
    expect(await kin.of(id)).toMatchObject({ before: null, base: { id: original.id } });
  });

  it('of a variant follows through it, and a tab that has it open is told', async () => {
    const first = await variantOf(original.id);
    const second = await variantOf(first.id, 'of the variant');
    await change(original.id, '/package/dimensions/L', '0.5..0.7');
    expect(L((await now(second.id)).document)).toBe('0.5..0.7');
    expect(await shelf.save(second.id, second.document, second.revision)).toMatchObject({ kind: 'conflict' });
  });

  it('can be cut loose, and is when its original is removed for good', async () => {
    const [first, second] = [await variantOf(original.id), await variantOf(original.id, 'other')];
    await kin.cutLoose(first.id);
    await change(original.id, '/package/dimensions/L', '0.5..0.7');
    expect([L((await now(first.id)).document), L((await now(second.id)).document)]).toEqual([
      '0.45..0.75',
      '0.5..0.7',
    ]);
    expect((await kin.variantsOf([original.id])).map(({ id }) => id)).toEqual([second.id]);
    await shelf.bin(original.id);
    await shelf.emptyBin();
    expect(await now(second.id)).not.toHaveProperty('base');
    expect((await shelf.entries()).map(({ base }) => base)).toEqual([undefined, undefined]);
  });

  it('and its original may be changed in one act, and that taken back', async () => {
    const { id } = await variantOf(original.id);
    const rows = [await now(original.id), await now(id)];
    const fine = rows.map((row) => ({ ...row, document: { ...row.document, process: 'fine-line' } }));
    const { before, left } = await shelf.rewrite(fine);
    expect(left).toEqual([]);
    // it has no process of its own any more
    expect((await now(id)).edits?.map(({ at }) => at)).toEqual(['/name', '/level']);
    await shelf.rewrite(before);
    expect([(await now(original.id)).document, (await now(id)).document]).toEqual(
      rows.map(({ document }) => document),
    );
  });

  it('goes with its original through a backup, and alone stands for itself', async () => {
    const { id } = await variantOf(original.id);
    await change(original.id, '/package/dimensions/L', '0.5..0.7');
    const bytes = new Uint8Array(
      await new Blob([...((await shelf.backup()) ?? [])] as BlobPart[]).arrayBuffer(),
    );
    const there = openDatabase(`variants there ${count}`);
    const other = new ShelfStore(there);
    const compared = await other.compareBackup(bytes);
    if (!compared?.ok) throw new Error('not read');
    await other.bringBack(compared.value, () => 'here');
    expect(await other.get(id)).toEqual(await now(id));
    await there.delete();
  });
});

describe('an approved revision', () => {
  it('locks what it is: no change of many reaches it, and its original does not flow into it', async () => {
    const revisions = new RevisionStore(db);
    const { id } = await variantOf(original.id);
    const kept = await revisions.keep(id, 'approved', 'as built');
    expect([kept?.number, (await now(id)).locked]).toEqual([1, 1]);
    const row = await now(id);
    const wish = { ...row, document: { ...row.document, process: 'fine-line' } };
    expect((await shelf.rewrite([wish])).left).toEqual(['by hand (revision 1 is approved)']);
    // nor does a tab that had it open before
    expect(await shelf.save(id, original.document, row.revision)).toMatchObject({ kind: 'conflict' });
    await change(original.id, '/package/dimensions/L', '0.5..0.7');
    expect(L((await now(id)).document)).toBe('0.45..0.75');
    // whoever goes on from it takes up what flowed meanwhile, and is told
    await revisions.goOn(id);
    expect([L((await now(id)).document), L((await now(id)).before!)]).toEqual(['0.5..0.7', '0.45..0.75']);
    expect(await now(id)).not.toHaveProperty('locked');
    expect((await revisions.list(id)).map(({ state, document }) => [state, L(document)])).toEqual([
      ['approved', '0.45..0.75'],
    ]);
  });

  it('locks no more once it is withdrawn, and goes with its footprint for good', async () => {
    const revisions = new RevisionStore(db);
    await revisions.keep(original.id, 'draft', '');
    const kept = await revisions.keep(original.id, 'approved', '');
    await revisions.mark(kept!.id, 'withdrawn');
    expect(await now(original.id)).not.toHaveProperty('locked');
    expect((await revisions.list(original.id)).map(({ number, state }) => [number, state])).toEqual([
      [1, 'draft'],
      [2, 'withdrawn'],
    ]);
    await shelf.bin(original.id);
    await shelf.emptyBin();
    expect(await revisions.list(original.id)).toEqual([]);
  });
});
