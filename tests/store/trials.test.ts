import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { newTrial, type TrialDocument } from '../../src/core/document/trial';
import { keyOf } from '../../src/kernel/inside';
import { openDatabase, type TapisDatabase } from '../../src/store/database';
import { ShelfStore } from '../../src/store/shelf';
import { TrialStore } from '../../src/store/trials';
import { chip } from '../data/documents';

let db: TapisDatabase;
let trials: TrialStore;
let shelf: ShelfStore;
let count = 0;

beforeEach(() => {
  count += 1;
  db = openDatabase(`trials ${count}`);
  [trials, shelf] = [new TrialStore(db), new ShelfStore(db)];
});
afterEach(() => db.delete());

const MODEL = new Uint8Array([1, 2, 3, 4, 5]);

/** A trial that holds a footprint with a model, and the footprint's id on the Shelf. */
async function holding(): Promise<{ trial: TrialDocument; id: string; key: string }> {
  const key = await keyOf(MODEL);
  await shelf.models.put('m.step', MODEL, null);
  const [stored] = await shelf.add([chip({}, { body: { model: { name: 'm.step', key } } })]);
  if (!stored) throw new Error('nothing was added');
  const footprints = { R: { document: stored.document, from: stored.id } };
  return { trial: { ...newTrial('Board'), footprints }, id: stored.id, key };
}

describe('trials that are kept', () => {
  it('are written onto the state that was read, and onto no other', async () => {
    const { id } = await trials.add(newTrial('A'));
    expect(await trials.save(id, newTrial('B'), 1, null)).toMatchObject({
      kind: 'saved',
      stored: { revision: 2 },
    });
    expect(await trials.save(id, newTrial('C'), 1, null)).toMatchObject({ kind: 'conflict' });
    expect((await trials.get(id))?.document.name).toBe('B');
    expect(await trials.save('none', newTrial('D'), 1, null)).toEqual({ kind: 'gone' });
  });
  it('go into the bin and come back, and are known by the footprints that they hold', async () => {
    const { trial, id: footprint } = await holding();
    const { id } = await trials.add(trial);
    expect((await trials.holding(footprint)).map((one) => one.id)).toEqual([id]);
    await trials.bin(id);
    expect([await trials.rows(), await trials.holding(footprint)]).toEqual([[], []]);
    await trials.restore(id);
    expect(await trials.rows()).toHaveLength(1);
    await trials.remove(id);
    expect(await trials.get(id)).toBeNull();
  });
  it('keep the models of their footprints when those are gone from the Shelf', async () => {
    const { trial, id, key } = await holding();
    await trials.add(trial);
    await shelf.bin(id);
    await shelf.emptyBin();
    expect((await shelf.models.get(key))?.bytes).toEqual(MODEL);
  });
  it('carry the models along in a file, which is kept where it comes in', async () => {
    const { trial, key } = await holding();
    const file = await trials.packed(trial);
    expect(file.footprints?.['R']?.document.body?.model?.data).toBeDefined();
    const other = openDatabase(`trials elsewhere ${count}`);
    const brought = await new TrialStore(other).bring(file);
    expect(brought.document).toEqual(trial);
    expect((await new ShelfStore(other).models.get(key))?.bytes).toEqual(MODEL);
    await other.delete();
  });
  it('are in a backup, and come back beside what differs here', async () => {
    const { trial } = await holding();
    const { id } = await trials.add(trial);
    const parts = await shelf.backup();
    const bytes = new Uint8Array(await new Blob([...(parts ?? [])] as BlobPart[]).arrayBuffer());
    const back = async (to: TapisDatabase) => {
      const store = new ShelfStore(to);
      const compared = await store.compareBackup(bytes);
      if (!compared?.ok) throw new Error('no backup');
      return store.bringBack(compared.value, () => 'here');
    };
    const other = openDatabase(`trials of a backup ${count}`);
    expect(await back(other)).toMatchObject({ trials: 1 });
    expect((await new TrialStore(other).get(id))?.document).toEqual(trial);
    await other.delete();
    // what is here as it is there does not come twice; what differs comes in beside it
    expect(await back(db)).toMatchObject({ trials: 0 });
    await trials.save(id, newTrial('Changed'), 1, null);
    expect(await back(db)).toMatchObject({ trials: 1 });
    expect((await trials.rows()).map((one) => one.document.name).sort()).toEqual([
      'Board (from the backup)',
      'Changed',
    ]);
  });
});
