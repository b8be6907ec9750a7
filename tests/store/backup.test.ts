import 'fake-indexeddb/auto';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { writeShelf } from '../../src/core/document/write';
import { PROCESSES } from '../../src/core/process';
import { familyOf, type OwnFamily } from '../../src/core/document/own-family';
import { OWN_FAMILY_DOCUMENTS } from '../../src/demo/own-family';
import { openDatabase, type TapisDatabase } from '../../src/store/database';
import { FamilyStore } from '../../src/store/families';
import { GroupStore, pathOf } from '../../src/store/groups';
import { ProcessStore } from '../../src/store/processes';
import { RevisionStore } from '../../src/store/revisions';
import type { Choice, Comparison } from '../../src/store/restore';
import { ShelfStore } from '../../src/store/shelf';
import { HabitStore } from '../../src/store/sources';
import { chip, converter } from '../data/documents';

let db: TapisDatabase;
let shelf: ShelfStore;
let there: TapisDatabase;
let other: ShelfStore;
let count = 0;

beforeEach(() => {
  count += 1;
  [db, there] = [openDatabase(`here ${count}`), openDatabase(`there ${count}`)];
  [shelf, other] = [new ShelfStore(db), new ShelfStore(there)];
});
afterEach(() => Promise.all([db.delete(), there.delete()]));

/** The whole store as a file. */
async function backup(of = shelf): Promise<Uint8Array> {
  const parts = await of.backup();
  return new Uint8Array(await new Blob([...(parts ?? [])] as BlobPart[]).arrayBuffer());
}

async function compare(bytes: Uint8Array, to = other): Promise<Comparison> {
  const compared = await to.compareBackup(bytes);
  if (!compared?.ok) throw new Error(compared?.error ?? 'no backup');
  return compared.value;
}

/** All tables, in a fixed order. */
const everything = async (of: TapisDatabase) => ({
  footprints: await of.footprints.orderBy('id').toArray(),
  entries: await of.entries.orderBy('id').toArray(),
  groups: await of.groups.orderBy('id').toArray(),
  processes: await new ProcessStore(of).list(),
  families: await new FamilyStore(of).list(),
  models: await of.models.toArray(),
  revisions: await of.revisions.orderBy('id').toArray(),
  sources: await of.sources.toArray(),
  habits: await of.habits.toArray(),
  targets: await of.targets.toArray(),
});

/** A store with everything that one can have. */
async function filled(): Promise<void> {
  const group = await new GroupStore(db).ensure(['Buoy', 'Chips: 0402/0603']);
  const sheet = await shelf.sources.put('sheet.pdf', new Uint8Array([37, 80, 68, 70]));
  await new HabitStore(db).keep('Harrow', 'dip', { A: 'E', B: 'E1' });
  const key = await shelf.models.put('body.step', new Uint8Array([1, 2, 3]), null);
  const [stored, , binned] = await shelf.add(
    [
      { ...chip(), sources: [{ id: 's1', name: 'sheet.pdf', key: sheet, pages: 2 }] },
      { ...converter(), body: { model: { name: 'body.step', key } } },
      { ...chip(), name: 'old' },
    ],
    group,
  );
  await shelf.tag([stored!.id], 'rf', true);
  await shelf.save(stored!.id, { ...chip(), name: 'R7' }, 1);
  await new RevisionStore(db).keep(stored!.id, 'approved', 'as built');
  await shelf.bin(binned!.id);
  await shelf.move([binned!.id], '');
  await new ProcessStore(db).copy(PROCESSES[0]!);
  await new FamilyStore(db).keep(OWN_FAMILY_DOCUMENTS[0]?.package as OwnFamily);
  await new HabitStore(db).keep('Harrow', 'dip', { A: 'E' });
  await db.targets.put(TARGET);
}

const TARGET = { id: 'mine', title: 'My shop', formats: ['artwork'], pattern: '{standard}' };

describe('a backup', () => {
  it('comes back into an empty browser as it was: bin, groups, tags, times, models, processes, families', async () => {
    await filled();
    await shelf.begin(chip());
    const comparison = await compare(await backup());
    expect([comparison.fresh, comparison.clashes, comparison.refused]).toEqual([3, [], []]);
    await other.bringBack(comparison, () => 'here');
    const [before, after] = [await everything(db), await everything(there)];
    const stood = ({ blank }: { readonly blank?: true }) => !blank;
    expect(after).toEqual({
      ...before,
      footprints: before.footprints.filter(stood),
      entries: before.entries.filter(stood),
    });
  });

  it('brings a target of one’s own beside the one that is here and differs', async () => {
    await filled();
    await there.targets.put({ ...TARGET, formats: ['step'] });
    await other.bringBack(await compare(await backup()), () => 'here');
    expect((await there.targets.toArray()).map(({ title, formats }) => [title, formats])).toEqual(
      expect.arrayContaining([
        ['My shop', ['step']],
        ['My shop (from the backup)', ['artwork']],
      ]),
    );
  });

  it('leaves out rows that are not what they should be, says so, and brings the rest', async () => {
    await filled();
    await db.habits.bulkPut([{ id: 'bad', name: 'Bad', letters: { dip: 7 } } as never]);
    await db.targets.put({ id: 'half' } as never);
    const comparison = await compare(await backup());
    expect(comparison.refused.map(({ message }) => message)).toEqual([
      expect.stringMatching(/letters mean is left out: \/letters\/dip must be object/),
      expect.stringMatching(/release target is left out: it must have required property/),
    ]);
    await other.bringBack(comparison, () => 'here');
    expect((await there.habits.toArray()).map(({ id }) => id)).toEqual(['harrow']);
    expect(await there.targets.toArray()).toEqual([TARGET]);
  });

  it('brings nothing new a second time, and puts back what lies in the bin since', async () => {
    await filled();
    const bytes = await backup();
    const before = await everything(db);
    const again = await compare(bytes, shelf);
    expect([again.fresh, again.same, again.clashes]).toEqual([0, 3, []]);
    expect(await shelf.bringBack(again, () => 'backup')).toMatchObject({ footprints: 0, models: 0 });
    expect(await everything(db)).toEqual(before);
    const standing = (await shelf.entries())[0]!;
    await shelf.bin(standing.id);
    await shelf.bringBack(again, () => 'here');
    expect((await shelf.entries()).map(({ id }) => id)).toContain(standing.id);
  });

  it.each<[Choice, string[], string[]]>([
    ['here', ['mine'], []],
    ['backup', ['R1'], ['mine']],
    ['both', ['R1 (from the backup)', 'mine'], []],
  ])('of what differs: %s', async (choice, standing, binned) => {
    const [stored] = await shelf.add([chip()]);
    const bytes = await backup();
    await shelf.save(stored!.id, { ...chip(), name: 'mine' }, 1);
    const comparison = await compare(bytes, shelf);
    expect(comparison.clashes).toMatchObject([{ kind: 'footprint', id: stored!.id, name: 'mine' }]);
    await shelf.bringBack(comparison, () => choice);
    expect((await shelf.entries()).map(({ name }) => name).sort()).toEqual(standing);
    expect((await shelf.binned()).map(({ name }) => name)).toEqual(binned);
    // a tab that has it open does not write over what came
    if (choice === 'backup')
      expect(await shelf.save(stored!.id, chip(), 2)).toMatchObject({ kind: 'conflict' });
  });

  it('asks about processes and families that differ, and loses neither', async () => {
    await filled();
    const bytes = await backup();
    const processes = new ProcessStore(db);
    const own = (await processes.list())[0]!;
    await processes.keep({ ...own, minWidth: own.minWidth + 0.05 });
    const families = new FamilyStore(db);
    const family = familyOf(OWN_FAMILY_DOCUMENTS[0]?.package as OwnFamily);
    await families.keep({ ...family, naming: 'OTHER{n}' });
    const comparison = await compare(bytes, shelf);
    expect(comparison.clashes.map(({ kind }) => kind)).toEqual(['process', 'family']);
    await shelf.bringBack(comparison, () => 'backup');
    expect((await processes.list()).map(({ minWidth }) => minWidth).sort()).toEqual(
      [own.minWidth, own.minWidth + 0.05].sort(),
    );
    expect((await families.list()).map(({ naming }) => naming).sort()).toEqual(
      ['OTHER{n}', family.naming].sort(),
    );
  });

  it('comes into groups of the same names, and makes those that are missing', async () => {
    await filled();
    const chips = await new GroupStore(there).ensure(['Buoy']);
    await other.bringBack(await compare(await backup()), () => 'here');
    const groups = await new GroupStore(there).list();
    expect(groups.map(({ id }) => pathOf(groups, id)).sort()).toEqual(['Buoy', 'Buoy / Chips: 0402/0603']);
    expect(groups.map(({ id }) => id)).toContain(chips);
  });

  it('tells files that are missing or cannot be read by their paths, and brings the others', async () => {
    await filled();
    const files = unzipSync(await backup());
    const [first, second] = Object.keys(files).filter((path) => path.startsWith('footprints/')) as [
      string,
      string,
    ];
    delete files[first];
    files[second] = strToU8('{');
    const model = Object.keys(files).find((path) => path.startsWith('models/'))!;
    files[model] = strToU8('another file');
    const comparison = await compare(zipSync(files));
    expect(new Set(comparison.refused.map(({ message }) => message))).toEqual(
      new Set([
        `${first}: the file is missing in the backup, or damaged.`,
        expect.stringContaining(`${second}: This is not JSON`),
      ]),
    );
    expect(await other.bringBack(comparison, () => 'here')).toMatchObject({ footprints: 1, models: 0 });
  });

  it('is told from other ZIPs, and a torn one refused', async () => {
    await filled();
    expect(await other.compareBackup(zipSync({ 'a.json': strToU8('{}') }))).toBeNull();
    expect(
      await other.compareBackup(zipSync({ 'tapis-backup.json': strToU8('{"tapisBackup": 2}') })),
    ).toMatchObject({
      ok: false,
      error: expect.stringContaining('list of contents'),
    });
  });

  it('stops when it is told to, and then there is none', async () => {
    await filled();
    expect(await shelf.backup((done) => done < 2)).toBeNull();
    expect(await other.compareBackup(await backup(), () => false)).toBeNull();
  });
});

it('a Shelf file of a thousand is read in strokes, and adds nothing once it is stopped', async () => {
  const text = writeShelf(Array.from({ length: 1000 }, (_, i) => ({ ...chip(), name: `R${i}` })));
  const seen: number[] = [];
  await shelf.importText(text, {
    onDone: (done, all) => {
      seen.push(done);
      return done < all / 2;
    },
  });
  expect(seen.at(-1)).toBe(500);
  expect(await shelf.entries()).toEqual([]);
  expect((await shelf.importText(text)).added).toHaveLength(1000);
});

it('carries datasheets inside of documents, keeps them once, and forgets those that nobody has', async () => {
  const bytes = Uint8Array.from({ length: 5000 }, (_, i) => i % 251);
  const key = await shelf.sources.put('sheet.pdf', bytes);
  const tied = { ...chip(), sources: [{ id: 's1', name: 'sheet.pdf', key }] };
  const { document: packed, left } = await shelf.sources.pack(tied);
  expect(left).toEqual([]);
  expect(packed.sources?.[0]?.data?.length).toBeGreaterThan(100);
  // it comes in elsewhere with its file, which the document itself does not keep
  const { added } = await other.importText(writeShelf([packed]));
  expect(added[0]?.document.sources).toEqual(tied.sources);
  expect((await other.sources.get(key))?.bytes).toEqual(bytes);
  // a damaged one is told, and the footprint comes in without it
  const broken = {
    ...packed,
    sources: [
      {
        ...tied.sources[0],
        id: 's1',
        name: 'sheet.pdf',
        key: 'f'.repeat(64),
        data: packed.sources?.[0]?.data ?? '',
      },
    ],
  };
  const { trouble } = await shelf.sources.unpack(broken);
  expect(trouble).toContain('“sheet.pdf” inside is damaged');
  await other.bin(added[0]?.id ?? '');
  await other.emptyBin();
  expect(await other.sources.get(key)).toBeNull();
});

it('keeps what a maker’s letters meant, family by family, and lets it be forgotten', async () => {
  const habits = new HabitStore(db);
  await habits.keep('Harrow ', 'dip', { A: 'E' });
  await habits.keep('harrow', 'dip', { B: 'E1' });
  await habits.keep('Harrow', 'radial', { F: 'e' });
  expect(await habits.list()).toEqual([
    { id: 'harrow', name: 'Harrow', letters: { dip: { A: 'E', B: 'E1' }, radial: { F: 'e' } } },
  ]);
  await habits.remove('harrow');
  expect(await habits.list()).toEqual([]);
});
