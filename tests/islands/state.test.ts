import 'fake-indexeddb/auto';
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { converter } from '../data/documents';
import { loadRules } from '../../src/islands/state/derive';
import type { BenchStore } from '../../src/islands/state/bench';
import type { StoredFootprint } from '../../src/store/database';

let createBench: (stored: StoredFootprint) => BenchStore;
let loadReader: () => Promise<void>;
let bench: BenchStore;

beforeAll(async () => {
  // the page that a Bench listens to
  vi.stubGlobal('addEventListener', () => undefined);
  ({ createBench, loadReader } = await import('../../src/islands/state/bench'));
  await loadRules();
});
beforeEach(() => {
  bench = createBench({
    id: 'x',
    document: converter(),
    revision: 1,
    createdAt: 0,
    updatedAt: 0,
    binnedAt: 0,
  });
});

/** 25 by 12 lands, 1 mm apart. */
const FIELD = {
  id: 'f',
  what: 'land',
  width: '0.5',
  as: 'array',
  n: '25',
  rows: '12',
  step: '1',
  stepY: '1',
} as const;
const state = () => bench.getState();
const L = (text: string) => [{ at: '/package/dimensions/L', value: text }];
const foot = () => state().document.package.dimensions['L'];

describe('changing a document on the Bench', () => {
  it('undoes and redoes step by step, and forgets the future after a change', () => {
    state().edit(L('0.5..0.6'));
    state().edit([{ at: '/level', value: 'A' }]);
    state().undo();
    expect([foot(), state().document.level]).toEqual(['0.5..0.6', 'B']);
    state().undo();
    expect(state().document).toEqual(converter());
    state().undo();
    state().redo();
    expect(foot()).toBe('0.5..0.6');
    state().edit(L('0.4..0.6'));
    state().redo();
    expect(foot()).toBe('0.4..0.6');
  });
  it('takes nothing in that its own file could not bring back', async () => {
    await loadReader();
    state().edit([{ at: '/notes', value: 'x'.repeat(20_001) }]);
    expect(state().document).toEqual(converter());
    expect(state().refusal).toContain('notes');
    state().edit([{ at: '/notes', value: 'x'.repeat(20_000) }]);
    expect([state().document.notes?.length, state().refusal]).toEqual([20_000, null]);
  });
  it('draws many lands at once and checks them a moment later, once for all that was typed', () => {
    vi.useFakeTimers();
    const lands = (length: string) => [
      { at: '/package', value: { family: 'composed', dimensions: {}, pieces: [{ ...FIELD, length }] } },
    ];
    state().edit(lands('0.5'));
    // the first has nothing to stand for it
    vi.runAllTimers();
    const clear = state().derived.report;
    state().edit(lands('0.9'));
    state().edit(lands('0.95'));
    expect(state().derived.compiled.footprint?.lands[0]?.copper.maxX).toBeCloseTo(-11.525, 9);
    expect([state().derived.checking, state().derived.report]).toEqual([true, clear]);
    vi.runAllTimers();
    expect(state().derived.checking).toBeUndefined();
    const { findings } = state().derived.report;
    expect(findings.find(({ rule }) => rule === 'land-gap')?.measured?.value).toBeCloseTo(0.05, 9);
    vi.useRealTimers();
  });
  it('takes the next number back with the number that it gave', () => {
    state().set({ counting: 7 });
    state().pressLand(0);
    state().pressLand(1);
    expect(state().counting).toBe(9);
    state().undo();
    expect(state().counting).toBe(8);
    state().undo();
    expect([state().counting, state().document]).toEqual([7, converter()]);
    state().redo();
    expect(state().counting).toBe(8);
    // once numbers are no longer given, undo brings no count back
    state().set({ counting: null });
    state().undo();
    expect(state().counting).toBeNull();
  });
  it('takes the typing of one visit to a field as one step', () => {
    for (const text of ['0', '0.', '0.5']) state().edit(L(text), 'visit 1');
    state().edit(L('0.6'), 'visit 2');
    state().undo();
    expect(foot()).toBe('0.5');
    state().undo();
    expect(foot()).toBe('0.45..0.75');
  });
  it('takes back an unfinished visit, and only that', () => {
    state().edit(L('0.5'), 'visit 1');
    expect(state().abandon('visit 2')).toBe(false);
    expect(state().abandon('visit 1')).toBe(true);
    expect([foot(), state().past.length]).toEqual(['0.45..0.75', 0]);
  });
  it('counts no step where nothing changes', () => {
    state().edit(L('0.45..0.75'));
    expect(state().past).toEqual([]);
  });
});

describe('what the Bench derives', () => {
  it('keeps the last good drawing while an entry cannot be read', () => {
    state().edit(L('0.5..'));
    const { compiled, shown, report } = state().derived;
    expect(compiled.footprint).toBeNull();
    expect(shown).toMatchObject({ stand: 'last-good' });
    expect(report.findings[0]?.title).toBe('Foot length L cannot be used');
    state().edit(L('0.5..0.6'));
    expect(state().derived.shown?.stand).toBe('current');
  });
  it('draws a new family with example values rather than the old one', () => {
    state().edit([{ at: '/package/family', value: 'rectangular-chip' }]);
    expect(state().derived.shown).toMatchObject({ stand: 'example', filled: ['W', 'T'] });
  });
  it('shows a remedy’s effect without taking it, and drops it with the next change', () => {
    state().edit(L('0.95..1.05'));
    const remedy = state().derived.report.findings[0]?.remedies[0];
    if (!remedy) throw new Error('no remedy');
    state().setPreview(remedy);
    expect(state().preview?.derived.report.verdict).toBe('clear');
    expect(foot()).toBe('0.95..1.05');
    state().edit(remedy.edits);
    expect([state().preview, state().derived.report.verdict]).toEqual([null, 'clear']);
  });
  it('opens a finding at its land and its dimension, and lets go of lands that are gone', () => {
    state().edit([{ at: '/overrides/land/X', value: '0.6' }]);
    state().openFinding(0);
    expect(state()).toMatchObject({ selectedFinding: 0, selectedLand: 0 });
    state().set({ selectedLand: 15 });
    state().edit([{ at: '/package/dimensions/n', value: 8 }]);
    expect(state().selectedLand).toBeNull();
  });
});
