import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { writeDocument } from '../../src/core/document/write';
import { openDocument } from '../../src/core/footprint/open';
import type { TapisDocument } from '../../src/core/document/document';
import { applyEdits } from '../../src/core/document/edit';
import { openDatabase, type TapisDatabase } from '../../src/store/database';
import { zipFolder, type ZipFolder } from '../../src/store/folder/files';
import { FolderSync, type Look } from '../../src/store/folder/sync';
import { foldersOf, GroupStore } from '../../src/store/groups';
import { RevisionStore } from '../../src/store/revisions';
import { ShelfStore } from '../../src/store/shelf';
import { StandardStore } from '../../src/store/standards';
import { chip, converter } from '../data/documents';

// two browsers and one folder between them

interface Browser {
  readonly db: TapisDatabase;
  readonly shelf: ShelfStore;
  readonly look: () => Promise<Look>;
  readonly sync: FolderSync;
}
let folder: ZipFolder;
let [ann, ben] = [null, null] as unknown as [Browser, Browser];
let made = 0;

function browser(): Browser {
  made += 1;
  const db = openDatabase(`folder-${made}`);
  const sync = new FolderSync(db, folder, 'f');
  return { db, shelf: new ShelfStore(db), sync, look: () => sync.look() };
}
beforeEach(() => {
  const empty = zipFolder(null);
  if (!empty.ok) throw new Error(empty.error);
  folder = empty.value;
  [ann, ben] = [browser(), browser()];
});
afterEach(() => [ann, ben].forEach(({ db }) => db.close()));

const text = async (path: string) => new TextDecoder().decode(await folder.read(path));
const paths = async () => (await folder.list()).map(({ path }) => path).sort();
const put = (path: string, document: TapisDocument) =>
  folder.write(path, new TextEncoder().encode(writeDocument(document)));
const documents = async ({ shelf }: Browser) =>
  (await shelf.list()).map(({ document }) => writeDocument(document)).sort();
const change = async ({ shelf }: Browser, name: string, at: string, value: unknown) => {
  const row = (await shelf.list()).find(({ document }) => document.name === name);
  if (!row) throw new Error(`${name} is not there`);
  const saved = await shelf.save(row.id, applyEdits(row.document, [{ at, value }]), row.revision);
  expect(saved.kind).toBe('saved');
};
const quiet = { asks: [], told: [], doubt: null };
const name = converter().name;

describe('a library in a folder', () => {
  it('goes from one browser to the other, with groups, standards and models', async () => {
    const model = await ann.shelf.models.put('pin.step', new Uint8Array([1, 2, 3]), null);
    const group = await new GroupStore(ann.db).ensure(['analog', 'fast / small']);
    await ann.shelf.add([{ ...converter(), body: { model: { name: 'pin.step', key: model } } }], group);
    await ann.shelf.add([chip()]);
    await new StandardStore(ann.db).begin(null);
    expect(await ann.look()).toMatchObject({ ...quiet, count: 3 });
    expect(await paths()).toEqual([
      `${chip().name}.json`,
      `analog/fast - small/${name}.json`,
      `models/${model.slice(0, 16)} pin.step`,
      'standards/House standard.json',
    ]);
    expect(await ben.look()).toMatchObject({ ...quiet, count: 3 });
    expect(await documents(ben)).toEqual(await documents(ann));
    expect((await ben.shelf.models.get(model))?.name).toBe('pin.step');
    expect((await new StandardStore(ben.db).list()).map(({ id }) => id)).toEqual(['house-1']);
    const groups = (await new GroupStore(ben.db).list()).map(({ name: one }) => one);
    expect(groups.sort()).toEqual(['analog', 'fast - small']);
    // at rest nothing is done, and the same folder can be taken up by who has it all already
    for (const one of [ann, ben]) expect((await one.look()).done).toEqual([]);
  });
  it('joins what both have changed, and asks where both changed the same', async () => {
    await ann.shelf.add([converter()]);
    await ann.look();
    await ben.look();
    await change(ann, name, '/level', 'A');
    await change(ben, name, '/package/dimensions/E', '6.3..6.5');
    await ann.look();
    expect((await ben.look()).done).toEqual([`${name}.json: both sides’ changes joined`]);
    await ann.look();
    expect(await documents(ann)).toEqual(await documents(ben));
    const read = openDocument(await text(`${name}.json`));
    expect(read.ok && [read.value.level, read.value.package.dimensions['E']]).toEqual(['A', '6.3..6.5']);

    await change(ann, name, '/level', 'C');
    await change(ann, name, '/notes', 'by Ann');
    await change(ben, name, '/level', 'B');
    await ann.look();
    const [ask] = (await ben.look()).asks;
    expect(ask).toMatchObject({ name, clashes: [{ place: 'level', base: 'A', here: 'B', there: 'C' }] });
    // nothing was written over
    expect(await text(`${name}.json`)).toContain('"level": "C"');
    if (!ask) throw new Error('not asked');
    await ben.sync.choose(ask, 'there');
    expect((await ben.look()).asks).toEqual([]);
    const [row] = await ben.shelf.list();
    expect([row?.document.level, row?.document.notes]).toEqual(['C', 'by Ann']);
    // what was given up is a revision
    const [kept] = await new RevisionStore(ben.db).list(row?.id ?? '');
    expect(kept?.document.level).toBe('B');
    await change(ann, name, '/level', 'A');
    await change(ben, name, '/level', 'B');
    await ann.look();
    const [again] = (await ben.look()).asks;
    if (again) await ben.sync.choose(again, 'here');
    await ann.look();
    expect((await ann.shelf.list())[0]?.document.level).toBe('B');
  });
  it('bins what was deleted, keeps what was changed meanwhile, and follows files that move', async () => {
    await ann.shelf.add([converter(), chip()]);
    await ann.look();
    await ben.look();
    const [first] = await ann.shelf.list();
    await ann.shelf.bin(first?.id ?? '');
    await ann.look();
    expect(await paths()).toHaveLength(1);
    expect((await ben.look()).done[0]).toContain('it lies in the bin here');
    expect(await ben.shelf.binned()).toHaveLength(1);
    // deleted here, changed there: it comes back
    const [left] = await ann.shelf.list();
    const path = (await paths())[0] ?? '';
    await ann.shelf.bin(left?.id ?? '');
    await put(path, { ...(left?.document as TapisDocument), notes: 'still wanted' });
    expect((await ann.look()).done[0]).toContain('deleted here, and changed in the folder since');
    expect((await ann.shelf.list())[0]?.document.notes).toBe('still wanted');
    await ben.look();
    // moved by somebody with a file manager
    const content = await folder.read(path);
    await folder.remove(path);
    await folder.write('resistors/r.json', content);
    await ben.look();
    const [row] = await ben.shelf.list();
    const groups = await new GroupStore(ben.db).list();
    expect(groups.find(({ id }) => id === row?.group)?.name).toBe('resistors');
    // moved by a group
    await ann.look();
    const [own] = await ann.shelf.list();
    await ann.shelf.move([own?.id ?? ''], await new GroupStore(ann.db).ensure(['chips']));
    await ann.look();
    expect(await paths()).toEqual([`chips/${own?.document.name}.json`]);
    expect(await ben.shelf.list()).toHaveLength(1);
    await ben.look();
    expect(await ben.shelf.list()).toHaveLength(1);
  });
  it('leaves half-written files, approved footprints and folders of others alone', async () => {
    const [row] = await ann.shelf.add([converter()]);
    await ann.look();
    await folder.write(`${name}.json`, new TextEncoder().encode('{ "tapis": 2, "na'));
    await change(ann, name, '/level', 'A');
    expect((await ann.look()).told[0]?.words).toContain('not JSON');
    expect(await text(`${name}.json`)).toBe('{ "tapis": 2, "na');
    await put(`${name}.json`, converter());
    await ann.look();
    expect(await text(`${name}.json`)).toContain('"level": "A"');
    await new RevisionStore(ann.db).keep(row?.id ?? '', 'approved', '');
    await put(`${name}.json`, { ...converter(), level: 'C' });
    expect((await ann.look()).told[0]?.words).toContain('revision 1 is approved here');
    expect((await ann.shelf.list())[0]?.document.level).toBe('A');
    // what is no library stays what it is
    await folder.write('package.json', new TextEncoder().encode('{"name":"x"}'));
    await folder.write('.git/index.json', new TextEncoder().encode(writeDocument(chip())));
    await ann.look();
    expect(await ann.shelf.list()).toHaveLength(1);
  });
  it('does not write over what came between its look and its writing', async () => {
    await ann.shelf.add([converter()]);
    await ann.look();
    await change(ann, name, '/level', 'A');
    const whole = folder.stat;
    let once = false;
    // somebody writes just before
    const late: ZipFolder = {
      ...folder,
      stat: async (path) => {
        if (!once) {
          once = true;
          await put(path, { ...converter(), notes: 'late' });
        }
        return whole(path);
      },
    };
    const look = await new FolderSync(ann.db, late, 'f').look();
    expect(look.done).toEqual([`${name}.json: both sides’ changes joined`]);
    expect(await text(`${name}.json`)).toMatch(/"level": "A"[^]*"notes": "late"/);
  });
  it('says that something waits where a file could not be written, and writes it at the next look', async () => {
    await ann.shelf.add([converter()]);
    let isHeld = true;
    const held: ZipFolder = {
      ...folder,
      write: (path, content) =>
        isHeld ? Promise.reject(new Error('somebody holds it')) : folder.write(path, content),
    };
    const sync = new FolderSync(ann.db, held, 'f');
    expect(await sync.look()).toMatchObject({
      done: [],
      told: [{ path: `${name}.json`, words: expect.stringContaining('somebody holds it') }],
      waits: true,
    });
    isHeld = false;
    expect(await sync.look()).toMatchObject({ told: [], waits: false });
    expect(await paths()).toContain(`${name}.json`);
  });
  it('brings tags along: what either adds or takes away is so for both, also where a file has moved', async () => {
    const idOf = async ({ shelf }: Browser) => (await shelf.list())[0]?.id ?? '';
    const tagsOf = async ({ shelf }: Browser) => (await shelf.list())[0]?.tags ?? [];
    await ann.shelf.add([converter()]);
    await ann.shelf.tag([await idOf(ann)], 'fast, small', true);
    await ann.shelf.tag([await idOf(ann)], 'old', true);
    await ann.look();
    expect(await text('tags.csv')).toBe(`file,tag\n${name}.json,"fast, small"\n${name}.json,old\n`);
    await ben.look();
    expect(await tagsOf(ben)).toEqual(['fast, small', 'old']);
    await ann.shelf.tag([await idOf(ann)], 'new', true);
    await ben.shelf.tag([await idOf(ben)], 'old', false);
    await ben.shelf.tag([await idOf(ben)], 'tide', true);
    // by hand, for a file that nobody here has; and the other is moved meanwhile
    const content = await folder.read(`${name}.json`);
    await folder.remove(`${name}.json`);
    await folder.write('adc/u4.json', content);
    await folder.write('tags.csv', new TextEncoder().encode(`${await text('tags.csv')}other.json,kept\n`));
    for (const one of [ann, ben, ann]) expect(await one.look()).toMatchObject(quiet);
    for (const one of [ann, ben]) expect(await tagsOf(one)).toEqual(['fast, small', 'new', 'tide']);
    const list = ['"fast, small"', 'new', 'tide'].map((tag) => `adc/u4.json,${tag}\n`).join('');
    expect(await text('tags.csv')).toBe(`file,tag\n${list}other.json,kept\n`);
    // a list that is gone takes nothing away, one that cannot be read is left as it is
    await folder.remove('tags.csv');
    await ben.look();
    expect(await text('tags.csv')).toContain('adc/u4.json,tide');
    await folder.write('tags.csv', new TextEncoder().encode('<<<<<<< HEAD\n'));
    expect((await ann.look()).told).toMatchObject([{ path: 'tags.csv' }]);
    expect(await text('tags.csv')).toBe('<<<<<<< HEAD\n');
    // who deletes a footprint takes its tags out of the list
    await folder.write('tags.csv', new TextEncoder().encode(`file,tag\nadc/u4.json,tide\nother.json,kept\n`));
    await ann.look();
    expect(await tagsOf(ann)).toEqual(['tide']);
    await ann.shelf.bin(await idOf(ann));
    await ann.look();
    expect(await text('tags.csv')).toBe('file,tag\nother.json,kept\n');
  });
  it('keeps one group in a folder of its own', async () => {
    const groups = new GroupStore(ann.db);
    const group = await groups.ensure(['buoy', 'analog']);
    await ann.shelf.add([converter()], await groups.ensure(['buoy', 'analog', 'fast']));
    const [loose] = await ann.shelf.add([chip()]);
    await new StandardStore(ann.db).begin(null);
    const sync = new FolderSync(ann.db, folder, 'g', group);
    expect(await sync.look()).toMatchObject({ ...quiet, count: 1 });
    expect(await paths()).toEqual([`fast/${name}.json`]);
    // another's file comes into the group; a standard beside it is none of it
    await put('slow/r.json', { ...chip(), name: 'r' });
    await folder.write('standards/x.json', new TextEncoder().encode('{"tapisStandard":1}'));
    await sync.look();
    const all = await groups.list();
    const r = (await ann.shelf.list()).find(({ document }) => document.name === 'r');
    expect(foldersOf(all, r?.group)).toEqual(['buoy', 'analog', 'slow']);
    await ann.shelf.move([loose?.id ?? ''], group);
    await sync.look();
    expect(await paths()).toContain(`${chip().name}.json`);
    // without its group nothing is taken for deleted
    await groups.remove(group);
    expect((await sync.look()).doubt).toContain('gone from the Shelf');
    expect(await paths()).toHaveLength(4);
  });
  it('goes to and fro as a ZIP where there are no folders', async () => {
    await ann.shelf.add([converter()]);
    await ann.look();
    const sent = zipFolder(folder.zip());
    if (!sent.ok) throw new Error(sent.error);
    await new FolderSync(ben.db, sent.value, 'zip').look();
    await change(ben, name, '/level', 'C');
    await new FolderSync(ben.db, sent.value, 'zip').look();
    await change(ann, name, '/notes', 'meanwhile');
    const back = zipFolder(sent.value.zip());
    if (!back.ok) throw new Error(back.error);
    await new FolderSync(ann.db, back.value, 'f').look();
    const [row] = await ann.shelf.list();
    expect([row?.document.level, row?.document.notes]).toEqual(['C', 'meanwhile']);
    expect(zipFolder(new Uint8Array([80, 75, 3, 4])).ok).toBe(false);
  });
});
