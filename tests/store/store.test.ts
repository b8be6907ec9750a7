import { gzipSync, strToU8, unzipSync, zipSync } from 'fflate';
import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Autosave, type SaveState } from '../../src/store/autosave';
import { openDatabase, type TapisDatabase } from '../../src/store/database';
import { familyOf, type OwnFamily } from '../../src/core/document/own-family';
import { writeFamily } from '../../src/core/document/write';
import { OWN_FAMILY_DOCUMENTS } from '../../src/demo/own-family';
import { keptOf } from '../../src/core/library/facts';
import { FactsStore } from '../../src/store/facts';
import { FamilyStore } from '../../src/store/families';
import { ProcessStore } from '../../src/store/processes';
import { TrialStore } from '../../src/store/trials';
import { newTrial } from '../../src/core/document/trial';
import { standardProcess } from '../../src/core/process';
import { GroupStore, pathOf } from '../../src/store/groups';
import { ShelfStore } from '../../src/store/shelf';
import { chip, converter } from '../data/documents';

let db: TapisDatabase;
let shelf: ShelfStore;
let count = 0;

beforeEach(() => {
  count += 1;
  db = openDatabase(`test ${count}`);
  shelf = new ShelfStore(db);
});
afterEach(() => db.delete());

async function only() {
  const [stored] = await shelf.add([converter()]);
  if (!stored) throw new Error('not stored');
  return stored;
}

describe('the Shelf', () => {
  it('keeps documents as they are, in the order they came', async () => {
    await shelf.add([converter(), chip()]);
    expect((await shelf.list()).map(({ document }) => document)).toEqual([converter(), chip()]);
  });
  it('duplicates without touching the original', async () => {
    const original = await only();
    const copy = await shelf.duplicate(original.id);
    expect(copy?.document.name).toBe('U4 converter (copy)');
    expect(copy?.id).not.toBe(original.id);
    expect(await shelf.get(original.id)).toEqual(original);
  });
  it('deletes to a bin, puts back, and empties the bin alone', async () => {
    const { id } = await only();
    const [kept] = await shelf.add([chip()]);
    await shelf.bin(id);
    expect((await shelf.list()).map((row) => row.id)).toEqual([kept?.id]);
    await shelf.restore(id);
    expect(await shelf.list()).toHaveLength(2);
    await shelf.bin(id);
    await shelf.emptyBin();
    expect(await shelf.get(id)).toBeNull();
    expect(await shelf.list()).toHaveLength(1);
  });
  it('saves onto the revision that was read and on no other', async () => {
    const { id } = await only();
    expect(await shelf.save(id, chip(), 1)).toMatchObject({ kind: 'saved', stored: { revision: 2 } });
    expect(await shelf.save(id, converter(), 1)).toMatchObject({ kind: 'conflict', stored: { revision: 2 } });
    expect((await shelf.get(id))?.document).toEqual(chip());
    expect(await shelf.save('gone', chip(), 1)).toEqual({ kind: 'gone' });
  });
  it.each(['', 'not json', '{"tapis": 9}', '{"tapisShelf": 1, "documents": [{"tapis": 1}]}'])(
    'adds nothing from %s',
    async (text) => {
      await only();
      const { added, refused } = await shelf.importText(text);
      expect(added).toEqual([]);
      expect(refused.length).toBeGreaterThan(0);
      expect(await shelf.list()).toHaveLength(1);
    },
  );
});

describe('autosave', () => {
  beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }));
  afterEach(() => void vi.useRealTimers());

  it('writes the newest of many changes within a second', async () => {
    const { id, revision } = await only();
    const states: SaveState[] = [];
    const autosave = new Autosave(
      revision,
      (d, r) => shelf.save(id, d, r),
      (s) => states.push(s),
    );
    for (let i = 0; i < 20; i += 1) autosave.change({ ...converter(), name: `name ${i}` });
    await vi.advanceTimersByTimeAsync(1000);
    await vi.waitFor(async () => expect((await shelf.get(id))?.document.name).toBe('name 19'));
    await vi.waitFor(() => expect(states.at(-1)?.kind).toBe('saved'));
    expect((await shelf.get(id))?.revision).toBe(2);
  });
  it('keeps what changes while it writes', async () => {
    const { id, revision } = await only();
    const autosave = new Autosave(
      revision,
      (d, r) => shelf.save(id, d, r),
      () => undefined,
    );
    autosave.change({ ...converter(), name: 'first' });
    const writing = autosave.flush();
    autosave.change({ ...converter(), name: 'second' });
    await writing;
    await autosave.flush();
    expect(await shelf.get(id)).toMatchObject({ revision: 3, document: { name: 'second' } });
    expect(autosave.pending).toBe(false);
  });
  it('does not call saved what changed while it was writing', async () => {
    const states: SaveState['kind'][] = [];
    const { id, revision: first } = await only();
    let release: () => void = () => undefined;
    const held = new Promise<void>((resolve) => (release = resolve));
    const autosave = new Autosave(
      first,
      async (document, revision) => {
        await held;
        return shelf.save(id, document, revision);
      },
      ({ kind }) => states.push(kind),
    );
    autosave.change({ ...chip(), name: 'first' });
    const writing = autosave.flush();
    autosave.change({ ...chip(), name: 'second' });
    release();
    await writing;
    expect(states).not.toContain('saved');
    await autosave.flush();
    expect(states.at(-1)).toBe('saved');
    expect((await shelf.get(id))?.document.name).toBe('second');
  });
  it('stops at another tab’s revision and goes on as the person decides', async () => {
    const { id, revision } = await only();
    const states: SaveState[] = [];
    const autosave = new Autosave(
      revision,
      (d, r) => shelf.save(id, d, r),
      (s) => states.push(s),
    );
    await shelf.save(id, { ...converter(), name: 'theirs' }, revision);
    autosave.change({ ...converter(), name: 'mine' });
    await autosave.flush();
    expect(states.at(-1)).toMatchObject({ kind: 'conflict', theirs: { document: { name: 'theirs' } } });
    autosave.change({ ...converter(), name: 'mine again' });
    await autosave.flush();
    expect((await shelf.get(id))?.document.name).toBe('theirs');
    autosave.resume(2, { ...converter(), name: 'mine again' });
    await autosave.flush();
    expect(await shelf.get(id)).toMatchObject({ revision: 3, document: { name: 'mine again' } });
  });
  it('reports a browser that refuses, and tries again', async () => {
    const { id, revision } = await only();
    let refuse = true;
    const states: SaveState[] = [];
    const autosave = new Autosave(
      revision,
      (d, r) => (refuse ? Promise.reject(new Error('quota exceeded')) : shelf.save(id, d, r)),
      (s) => states.push(s),
    );
    autosave.change({ ...converter(), name: 'kept' });
    await autosave.flush();
    expect(states.at(-1)).toMatchObject({
      kind: 'failed',
      reason: expect.stringContaining('quota exceeded'),
    });
    refuse = false;
    await vi.advanceTimersByTimeAsync(5000);
    await vi.waitFor(async () => expect((await shelf.get(id))?.document.name).toBe('kept'));
  });
});

describe('models of footprints', () => {
  const bytes = new TextEncoder().encode('ISO-10303-21; a model');
  it('are kept once, by their content', async () => {
    const key = await shelf.models.put('a.step', bytes, null);
    expect(await shelf.models.put('a.step', bytes, null)).toBe(key);
    expect(await db.models.count()).toBe(1);
    expect((await shelf.models.get(key))?.bytes).toEqual(bytes);
  });
  it('travel inside of a document and come out of it on another Shelf', async () => {
    const key = await shelf.models.put('a.step', bytes, null);
    const document = { ...converter(), body: { model: { name: 'a.step', key, x: '1' } } };
    const packed = await shelf.models.pack(document);
    await db.models.clear();
    const { added } = await shelf.importText(JSON.stringify(packed));
    expect(added[0]?.document).toEqual(document);
    expect((await shelf.models.get(key))?.bytes).toEqual(bytes);
  });
  it('that are damaged or another file are left out, the document is kept', async () => {
    const key = await shelf.models.put('a.step', bytes, null);
    const packed = await shelf.models.pack({ ...converter(), body: { model: { name: 'a.step', key } } });
    await db.models.clear();
    const gzip = (content: Uint8Array) => Buffer.from(gzipSync(content)).toString('base64');
    for (const [data, why] of [
      ['bm90IGEgZmlsZQ==', 'is damaged'],
      ['***', 'is damaged'],
      [gzip(bytes).slice(0, 24), 'is damaged'],
      [gzip(new TextEncoder().encode('another')), 'is not the file'],
      // 21 MB of nothing in a few kilobytes
      [gzip(new Uint8Array(21_000_000)), 'unpacks to more than 20 MB'],
    ] as const) {
      const model = { ...packed!.body!.model!, data };
      const { added, refused } = await shelf.importText(JSON.stringify({ ...packed, body: { model } }));
      expect(added[0]?.document.body?.model).toEqual({ name: 'a.step', key });
      expect(refused.map(({ message }) => message)).toEqual([expect.stringContaining(why)]);
    }
    expect(await db.models.count()).toBe(0);
  });
});

describe('a Shelf that an older Tapis left in this browser', () => {
  it('is brought up to lands known by name, and what cannot be read stays as it is', async () => {
    const name = `old ${count}`;
    const old = new Dexie(name);
    old.version(3).stores({ footprints: 'id, updatedAt, binnedAt', processes: 'id', models: 'key' });
    const about = { revision: 4, createdAt: 1, updatedAt: 2, binnedAt: 0 };
    const first = { ...converter(), tapis: 1, overrides: { numbers: { 2: 'B' } } };
    await old.table('footprints').bulkAdd([
      { id: 'a', document: first, ...about },
      { id: 'b', document: { tapis: 1, torn: true }, ...about },
    ]);
    old.close();
    const opened = openDatabase(name);
    const [a, b] = await opened.footprints.toArray();
    expect(a).toMatchObject({
      revision: 4,
      document: { tapis: 2, overrides: { numbers: { 'rows/2': 'B' } } },
    });
    expect(b?.document).toEqual({ tapis: 1, torn: true });
    await opened.delete();
  });
});

describe('own families', () => {
  const [part] = OWN_FAMILY_DOCUMENTS;
  const family = part?.package as OwnFamily;

  it('come with the documents and files that hold them, and never over another', async () => {
    const store = new FamilyStore(db);
    const first = await shelf.importText(JSON.stringify(part));
    expect([first.added.length, first.families.length]).toEqual([1, 1]);
    expect((await shelf.importText(JSON.stringify(part))).families).toEqual([]);
    // the same file brings nothing new; one that differs stands beside it
    await shelf.importText(writeFamily(family));
    expect(await store.list()).toEqual([familyOf(family)]);
    const brought = await shelf.importText(writeFamily({ ...family, naming: 'OTHER{n}' }));
    expect(brought.families.map(({ own }) => own.id)).toEqual(['harness-header-2']);
    expect((await store.get('harness-header'))?.document.naming).toBe(family.naming);
  });
});

describe('a footprint that was begun', () => {
  it('stands on the Shelf once something was entered', async () => {
    const { id } = await shelf.begin(chip());
    expect([await shelf.entries(), await shelf.list()]).toEqual([[], []]);
    await shelf.save(id, { ...chip(), name: 'R2' }, 1);
    expect((await shelf.entries()).map(({ name }) => name)).toEqual(['R2']);
    expect(await shelf.get(id)).not.toHaveProperty('blank');
  });
  it('is gone where it was left as it was', async () => {
    vi.useFakeTimers({ now: 1e12, toFake: ['Date'] });
    const { id } = await shelf.begin(chip());
    vi.setSystemTime(1e12 + 2 * 86_400_000);
    const next = await shelf.begin(chip());
    vi.useRealTimers();
    expect([await shelf.get(id), (await shelf.get(next.id))?.blank]).toEqual([null, true]);
  });
});

describe('groups, tags and ZIPs', () => {
  const idsOf = async () => (await shelf.entries()).map(({ id }) => id);
  it('are known without the documents, and stay with them', async () => {
    const groups = new GroupStore(db);
    const outer = await groups.add('Buoy');
    const inner = await groups.add('Connectors', outer.id);
    await shelf.add([converter(), chip()]);
    const [first, second] = (await idsOf()) as [string, string];
    await shelf.move([first], inner.id);
    await shelf.tag([first, second], 'rf', true);
    await shelf.tag([second], 'rf', false);
    const [a, b] = await shelf.entries();
    expect([a?.group, a?.tags, b?.group, b?.tags]).toEqual([inner.id, ['rf'], undefined, []]);
    // a later save of the document keeps them
    await shelf.save(first, { ...converter(), name: 'renamed' }, 1);
    expect(await shelf.get(first)).toMatchObject({ group: inner.id, tags: ['rf'], revision: 2 });
    expect((await shelf.entries())[0]).toMatchObject({ name: 'renamed', group: inner.id });
    expect(pathOf(await groups.list(), inner.id)).toBe('Buoy / Connectors');
  });

  it('are found again under long names, and a copy stays in its group', async () => {
    const groups = new GroupStore(db);
    const long = 'x'.repeat(100);
    expect(await groups.ensure([long])).toBe(await groups.ensure([long]));
    const [stored] = await shelf.add([chip()], await groups.ensure([long]));
    expect(await shelf.duplicate(stored!.id)).toMatchObject({ group: stored!.group });
  });

  it('cannot go into themselves; what is in a group that is removed goes to where it was', async () => {
    const groups = new GroupStore(db);
    const outer = await groups.add('Buoy');
    const inner = await groups.add('Connectors', outer.id);
    expect(await groups.move(outer.id, inner.id)).toBe(false);
    const [stored] = await shelf.add([chip()], inner.id);
    await groups.remove(inner.id);
    expect(await shelf.get(stored!.id)).toMatchObject({ group: outer.id });
    await groups.remove(outer.id);
    expect((await shelf.get(stored!.id))?.group).toBe('');
    expect(await groups.list()).toEqual([]);
  });

  it('leave as a ZIP of documents in folders, and come back so', async () => {
    const groups = new GroupStore(db);
    const inner = await groups.ensure(['Buoy', 'R/C: parts']);
    await shelf.add([chip(), { ...chip(), notes: 'another' }], inner);
    await shelf.add([converter()]);
    const { bytes } = await shelf.exportZip(await idsOf());
    expect(Object.keys(unzipSync(bytes)).sort()).toEqual([
      'Buoy/R-C- parts/R1 (2).tapis.json',
      'Buoy/R-C- parts/R1.tapis.json',
      'U4 converter.tapis.json',
    ]);
    expect((await shelf.exportZip(await idsOf())).bytes).toEqual(bytes);
    const other = openDatabase('unpacked');
    const target = new ShelfStore(other);
    const done: number[] = [];
    const { added, refused } = await target.importZip(bytes, { onDone: (count) => done.push(count) > 0 });
    expect([added.length, refused, done]).toEqual([3, [], [1, 2, 3]]);
    const entries = await target.entries();
    const known = await new GroupStore(other).list();
    expect(entries.map(({ name, group }) => [name, pathOf(known, group)]).sort()).toEqual([
      ['R1', 'Buoy / R-C- parts'],
      ['R1', 'Buoy / R-C- parts'],
      ['U4 converter', ''],
    ]);
    await other.delete();
  });

  it('tell files of a ZIP that cannot be read, with their paths', async () => {
    const bytes = zipSync({
      'a/bad.tapis.json': strToU8('{'),
      'a/readme.txt': strToU8('no'),
      'ok.json': strToU8(JSON.stringify(chip())),
    });
    const { added, refused } = await shelf.importZip(bytes);
    expect(added).toHaveLength(1);
    expect(refused.map(({ message }) => message)).toEqual([
      expect.stringContaining('a/bad.tapis.json: This is not JSON'),
    ]);
    const broken = await shelf.importZip(bytes.slice(0, 40));
    expect(broken.refused[0]?.message).toContain('cannot be unpacked');
  });

  it('are brought up from a store that had none', async () => {
    const name = 'grown up';
    const old = new Dexie(name);
    old.version(5).stores({
      footprints: 'id, updatedAt, binnedAt',
      processes: 'id',
      models: 'key',
      families: 'id',
    });
    await old
      .table('footprints')
      .add({ id: 'a', document: chip(), revision: 3, createdAt: 1, updatedAt: 2, binnedAt: 0 });
    old.close();
    const grown = openDatabase(name);
    expect(await new ShelfStore(grown).entries()).toEqual([
      {
        id: 'a',
        name: 'R1',
        family: 'rectangular-chip',
        revision: 3,
        createdAt: 1,
        updatedAt: 2,
        binnedAt: 0,
      },
    ]);
    await grown.delete();
  });
});

describe('processes, families and trials', () => {
  it('are brought up from a store that kept them without revisions', async () => {
    const name = 'without revisions';
    const old = new Dexie(name);
    old.version(11).stores({ processes: 'id', families: 'id', trials: 'id, binnedAt' });
    const process = { ...standardProcess, id: 'ours', name: 'Ours' };
    const trial = newTrial('Board');
    await old.table('processes').add({ id: 'ours', process, updatedAt: 7 });
    const about = { id: 't', revision: 3, createdAt: 1, updatedAt: 2, binnedAt: 9 };
    await old.table('trials').add({ ...about, trial });
    old.close();
    const grown = openDatabase(name);
    expect(await new ProcessStore(grown).get('ours')).toEqual({
      id: 'ours',
      document: process,
      revision: 1,
      createdAt: 7,
      updatedAt: 7,
      binnedAt: 0,
    });
    expect(await new TrialStore(grown).binned()).toEqual([{ ...about, document: trial }]);
    await grown.delete();
  });
});

describe('what the Shelf knows of footprints', () => {
  it('tells what another build made otherwise, until it was seen', async () => {
    const rows = await shelf.add([converter(), chip()]);
    const made = rows.map(({ id, revision, document }) => ({ id, revision, ...keptOf(document) }));
    const [first, second] = made as [(typeof made)[number], (typeof made)[number]];
    const [older, newer] = [new FactsStore(db, 'older'), new FactsStore(db, 'newer')];
    // the older build had other copper and another name for the first
    const copper = first.copper?.map((length) => length * 1.01) ?? null;
    await older.keep([{ ...first, copper, facts: { ...first.facts, standardName: 'SOP1' } }, second]);
    expect(await older.news()).toEqual([]);
    await newer.keep(made);
    const [news, ...more] = await newer.news();
    expect(more).toEqual([]);
    expect(news?.id).toBe(first.id);
    expect(news?.was?.changes).toEqual([
      { what: 'name', title: 'Standard name', from: 'SOP1', to: 'SOP65P640X120-16N', kind: 'text' },
      expect.objectContaining({ title: 'Copper', to: 'otherwise, by up to 0.029 mm' }),
    ]);
    // a third build does not take it away, what is in the bin is not told, and what was seen neither
    await new FactsStore(db, 'third').keep(made);
    expect(await newer.news()).toHaveLength(1);
    await shelf.bin(first.id);
    expect(await newer.news()).toEqual([]);
    await shelf.restore(first.id);
    await newer.seen([first.id]);
    expect(await newer.news()).toEqual([]);
  });
});
