import 'fake-indexeddb/auto';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import type { BenchStore } from '../../src/islands/state/bench';
import { isMakerThere, loadMakers, makers } from '../../src/islands/state/makers';
import type { StoredFootprint } from '../../src/store/database';
import { chip, converter } from '../data/documents';

let openBench: (stored: StoredFootprint, kept: null) => Promise<BenchStore | null>;
const STORED = { id: 'x', document: converter(), revision: 1, createdAt: 0, updatedAt: 0, binnedAt: 0 };

beforeAll(async () => {
  // the page that a Bench listens to
  vi.stubGlobal('addEventListener', () => undefined);
  ({ openBench } = await import('../../src/islands/state/bench'));
});

// in this order: what is loaded stays loaded
describe('what draws packages', () => {
  it('is loaded for the footprint that is opened, and not for others', async () => {
    expect(isMakerThere(converter())).toBe(false);
    const bench = await openBench(STORED, null);
    expect(bench?.getState().derived.shown?.drawable.footprint.lands).toHaveLength(16);
    expect(makers().families.map(({ id }) => id)).toContain('gull-wing-quad');
    expect(isMakerThere(chip())).toBe(false);
    expect(isMakerThere({ ...chip(), package: { family: 'composed', dimensions: {} } })).toBe(false);
  });

  it('is loaded when a package of another kind is chosen: the change stands at once, its drawing follows', async () => {
    const bench = (await openBench(STORED, null)) as BenchStore;
    const next = chip().package;
    bench.getState().edit([{ at: '/package', value: next }]);
    expect(bench.getState().document.package).toEqual(next);
    expect(bench.getState().derived.checking).toBe(true);
    expect(bench.getState().derived.shown?.drawable.footprint.lands).toHaveLength(16);
    await vi.waitFor(() => expect(bench.getState().derived.shown?.drawable.footprint.lands).toHaveLength(2));
    expect(bench.getState().derived.compiled.document).toBe(bench.getState().document);
    bench.getState().undo();
    expect(bench.getState().derived.shown?.drawable.footprint.lands).toHaveLength(16);
  });

  it('is drawn as it was left where two changes come before it is loaded', async () => {
    const bench = (await openBench(STORED, null)) as BenchStore;
    const header = { family: 'pin-header', dimensions: { n: '4', e: '2.54', b: '0.64', A: 'max 11' } };
    bench.getState().edit([{ at: '/package', value: header }]);
    bench.getState().undo();
    await new Promise((next) => setTimeout(next, 50));
    expect(bench.getState().document.package.family).toBe('gull-wing-dual');
    expect(bench.getState().derived.compiled.document).toBe(bench.getState().document);
  });

  it('tells that nobody draws a package only once all are there', async () => {
    const stranger = { ...converter(), package: { family: 'gull-wing-triple', dimensions: {} } };
    const bench = (await openBench({ ...STORED, id: 'y', document: stranger }, null)) as BenchStore;
    const [problem] = bench.getState().derived.compiled.problems;
    expect(problem?.title).toBe('Package family not known');
    expect(problem?.message).toContain('test-point');
    await loadMakers();
    expect(isMakerThere(stranger)).toBe(true);
  });
});
