import 'fake-indexeddb/auto';
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Edit } from '../../src/core/document/edit';
import type { KeptHistory } from '../../src/core/document/history';
import { newTrial } from '../../src/core/document/trial';
import { PROCESSES } from '../../src/core/process';
import type { Kept } from '../../src/store/kept';
import type { Workplace } from '../../src/islands/state/workplace';
import { chip } from '../data/documents';

// What holds wherever a document is worked on. Each place is tried through its own state, over the browser's
// own store.

interface Tried {
  /** Puts a fresh document into the store. */
  readonly begin: () => Promise<string>;
  readonly open: (id: string) => Promise<{ getState: () => Workplace<object> }>;
  readonly keeper: {
    get(id: string): Promise<Kept<object> | null>;
    save(id: string, document: never, revision: number, history: null): Promise<unknown>;
    bin(id: string): Promise<void>;
  };
  readonly remove: (id: string) => Promise<void>;
  readonly count: () => Promise<number>;
  readonly edits: readonly (readonly Edit[])[];
}

const places: Record<string, Tried> = {};
const listeners = new Map<string, () => void>();
/** What a page hears when somebody comes back to it. */
const lookAgain = () => listeners.get('focus')?.();

async function openWith<T extends Kept<object>>(
  keeper: { get(id: string): Promise<T | null>; historyOf(row: T): Promise<KeptHistory | null> },
  make: (row: T, kept: KeptHistory | null) => { getState: () => Workplace<object> },
  id: string,
) {
  const { removedDocument } = await import('../../src/islands/state/workplace');
  const row = ((await keeper.get(id)) ?? removedDocument(id)) as T;
  return make(row, await keeper.historyOf(row));
}

beforeAll(async () => {
  vi.stubGlobal('addEventListener', (name: string, act: () => void) => listeners.set(name, act));
  vi.stubGlobal('requestAnimationFrame', () => 0);
  vi.stubGlobal('document', { visibilityState: 'visible' });
  const kept = await import('../../src/islands/common/shelf-store');
  const { createBench } = await import('../../src/islands/state/bench');
  const { createTrial } = await import('../../src/islands/trials/state');
  const { createProcess } = await import('../../src/islands/processes/state');
  const { loadRules } = await import('../../src/islands/state/derive');
  await loadRules();
  const { shelf, trials, processes } = kept;
  places['footprint'] = {
    begin: async () => (await shelf.add([chip()]))[0]?.id ?? '',
    open: (id) => openWith(shelf, createBench as never, id),
    keeper: shelf as never,
    remove: async (id) => {
      await shelf.bin(id);
      await shelf.emptyBin();
    },
    count: async () => (await shelf.entries()).length,
    edits: [[{ at: '/package/dimensions/L', value: '1.5..1.7' }], [{ at: '/level', value: 'A' }]],
  };
  places['trial'] = {
    begin: async () => (await trials.add(newTrial('Board'))).id,
    open: (id) => openWith(trials, createTrial as never, id),
    keeper: trials as never,
    remove: (id) => trials.remove(id),
    count: async () => (await trials.rows()).length,
    edits: [[{ at: '/board/width', value: '90' }], [{ at: '/notes', value: 'second' }]],
  };
  places['process'] = {
    begin: async () => (await processes.copy(PROCESSES[0]!)).id,
    open: (id) => openWith(processes, createProcess as never, id),
    keeper: processes as never,
    remove: (id) => processes.remove(id),
    count: async () => (await processes.rows()).length,
    edits: [[{ at: '/minGap', value: 0.21 }], [{ at: '/drills', value: [0.5, 0.8] }]],
  };
});

describe.each(['footprint', 'trial', 'process'])('a %s that is worked on', (kind) => {
  let place: Tried;
  let id: string;
  let work: { getState: () => Workplace<object> };
  const now = () => work.getState();
  beforeEach(async () => {
    place = places[kind]!;
    id = await place.begin();
    work = await place.open(id);
  });

  it('is written, and can be undone also after it is opened anew', async () => {
    const before = now().document;
    for (const edits of place.edits) now().edit(edits);
    const after = now().document;
    await now().flush();
    expect((await place.keeper.get(id))?.document).toEqual(after);
    work = await place.open(id);
    expect(now().past).toHaveLength(2);
    now().undo();
    now().undo();
    expect(now().document).toEqual(before);
    now().redo();
    now().redo();
    expect(now().document).toEqual(after);
  });

  it('takes the changes of one gesture back in one step, and names it', () => {
    const before = now().document;
    const [first = [], second = []] = place.edits;
    now().edit(first, 'typing');
    now().edit(second, 'typing');
    expect([now().past.length, now().past[0]?.words]).toEqual([1, expect.stringMatching(/\S/)]);
    expect(now().abandon('another')).toBe(false);
    expect(now().abandon('typing')).toBe(true);
    expect(now().document).toEqual(before);
  });

  it('is not written over what another tab has saved: either is kept, or both', async () => {
    for (const keep of ['both', 'mine', 'theirs'] as const) {
      id = await place.begin();
      work = await place.open(id);
      const count = await place.count();
      const row = (await place.keeper.get(id))!;
      const theirs = { ...row.document, notes: keep };
      await place.keeper.save(id, theirs as never, row.revision, null);
      now().edit(place.edits[0]!);
      const mine = now().document;
      await now().flush();
      expect(now().save.kind).toBe('conflict');
      await now().resolveConflict(keep);
      await now().flush();
      const left = keep === 'mine' ? mine : theirs;
      expect([now().document, (await place.keeper.get(id))?.document]).toEqual([left, left]);
      expect(await place.count()).toBe(count + (keep === 'both' ? 1 : 0));
    }
  });

  it('is kept again where another tab has removed it for good, also after it is opened anew', async () => {
    await place.remove(id);
    now().edit(place.edits[0]!);
    const mine = now().document;
    await now().flush();
    expect(now().save.kind).toBe('gone');
    work = await place.open(id);
    expect([now().save.kind, now().document]).toEqual(['gone', mine]);
    await now().takeBack();
    expect((await place.keeper.get(id))?.document).toEqual(mine);
    now().edit(place.edits[1]!);
    await now().flush();
    expect(now().save.kind).toBe('saved');
  });

  it('hears what other tabs did once it is looked at again', async () => {
    const stop = now().watch();
    const row = (await place.keeper.get(id))!;
    const theirs = { ...row.document, notes: 'theirs' };
    await place.keeper.save(id, theirs as never, row.revision, null);
    lookAgain();
    await vi.waitFor(() => expect(now().document).toEqual(theirs));
    await place.keeper.bin(id);
    lookAgain();
    await vi.waitFor(() => expect(now().save.kind).toBe('binned'));
    await now().takeBack();
    expect((await place.keeper.get(id))?.binnedAt).toBe(0);
    stop();
  });
});
