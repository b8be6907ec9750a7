import 'fake-indexeddb/auto';
import { createElement, type ComponentType } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { beforeAll, describe, expect, it } from 'vitest';
import { check } from '../../src/core/check/check';
import { compareCompiled } from '../../src/core/compare/compare';
import { newDocument, type TapisDocument } from '../../src/core/document/document';
import { applyEdits } from '../../src/core/document/edit';
import { compile } from '../../src/core/footprint/compile';
import { CATALOGUE } from '../../src/core/package/catalogue';
import { PROCESSES } from '../../src/core/process';
import type { Process } from '../../src/core/process/process';
import { Land } from '../../src/islands/bench/stages/Land';
import { Mark } from '../../src/islands/bench/stages/Mark';
import { Measure } from '../../src/islands/bench/stages/Measure';
import { Prove } from '../../src/islands/bench/stages/Prove';
import { Rise } from '../../src/islands/bench/stages/Rise';
import { Stack } from '../../src/islands/bench/stages/Stack';
import { effectWords, openCount, summary } from '../../src/islands/ledger/effect';
import { Ledger } from '../../src/islands/ledger/Ledger';
import { ProcessSheet } from '../../src/islands/processes/ProcessSheet';
import { createBench, type BenchState } from '../../src/islands/state/bench';
import { loadRules } from '../../src/islands/state/derive';
import { BenchContext, benchFields } from '../../src/islands/state/context';
import { FieldContext } from '../../src/islands/state/fields';
import { converter } from '../data/documents';
import { footprintOf } from '../data/families';

beforeAll(loadRules);

/** What a person reads in a stage column, and its fields by their names: what stands in them, or what holds. */
function column(Stage: ComponentType, document: TapisDocument, state: Partial<BenchState> = {}) {
  const stored = { id: 'x', document, revision: 1, createdAt: 0, updatedAt: 0, binnedAt: 0 };
  const store = createBench(stored);
  // rendering takes the state that a store began with
  const begun = { ...store, getInitialState: () => ({ ...store.getInitialState(), ...state }) };
  const html = renderToStaticMarkup(
    createElement(
      BenchContext.Provider,
      { value: begun },
      createElement(FieldContext.Provider, { value: benchFields(begun) }, createElement(Stage)),
    ),
  );
  const attribute = (tag: string, name: string) => new RegExp(`\\b${name}="([^"]*)"`).exec(tag)?.[1] ?? '';
  const inputs = [...html.matchAll(/<input\b[^>]*>/g)].map(([tag]) => tag);
  const fields = new Map(
    inputs.map((tag) => [
      attribute(tag, 'aria-label'),
      attribute(tag, 'value') || attribute(tag, 'placeholder'),
    ]),
  );
  return { html, text: html.replace(/<[^>]+>/g, ' ').replace(/\s+/g, ' '), fields };
}

const exampleOf = (id: string, options: Record<string, string> = {}): TapisDocument => {
  const kind = CATALOGUE.find((one) => one.id === id)!;
  const document = newDocument(kind.title, id, kind.example as Record<string, string>);
  return { ...document, package: { ...document.package, options } };
};

describe('every kind of package', () => {
  it.each(CATALOGUE.map(({ id, title }) => [id, title] as const))('%s opens in every stage', (id, title) => {
    const document = exampleOf(id);
    const { html, text } = column(Measure, document);
    expect(text).toContain(title.replaceAll('&', '&amp;'));
    const lettered = [...html.matchAll(/data-symbol="([^"]+)"/g)].map(([, symbol]) => symbol);
    expect(lettered.length).toBeGreaterThan(0);
    // every dimension line of the drawing leads to a field
    for (const symbol of lettered) expect(html, symbol).toContain(`id="entry-${symbol}"`);
    for (const [Stage, words] of [
      [Land, 'Land'],
      [Stack, 'Stack'],
      [Mark, 'Courtyard'],
      [Rise, 'Top of the body'],
      [Prove, 'Held'],
    ] as const)
      expect(column(Stage, document).text, words).toContain(words);
  });
});

describe('the fields of the stage columns', () => {
  it('are called by the table of choices and show what holds or what was typed', () => {
    const { fields } = column(Mark, converter({}, { marks: { texts: { reference: { height: '1.5' } } } }));
    expect(fields.get('Excess')).toBe('0.25');
    expect(fields.get('Height')).toBeDefined();
    expect(column(Stack, converter()).fields.get('Margin')).toBe('0.05');
    expect(
      column(Stack, converter({}, { overrides: { maskMargin: '3mil' } })).fields.get('Mask margin'),
    ).toBe('3mil');
  });
  it('of a land of its own show its group’s where it has none, over several layers', () => {
    const stacks = {
      groups: { rows: { mask: { margin: '0.07' } } },
      lands: { 'rows/2': { paste: { margin: '0.03' } } },
    };
    const { text, html } = column(Stack, converter({}, { stacks }), { selectedLand: 1 });
    expect(text).toContain('Land 2 alone');
    expect(html).toMatch(/value="0\.07"/);
    expect(html).toMatch(/value="0\.03"/);
  });
  it('of a land of its own can say no where its group says yes', () => {
    const stacks = {
      groups: { rows: { paste: { none: true } } },
      lands: { 'rows/2': { paste: { none: false } } },
    };
    const document = converter({}, { stacks });
    const paste = footprintOf(document).lands.map((land) => land.paste.length);
    expect(paste.slice(0, 3)).toEqual([0, 1, 0]);
    const ticked = (selectedLand: number) =>
      /<input type="checkbox"([^>]*)>Closed/.exec(column(Stack, document, { selectedLand }).html)?.[1];
    expect(ticked(0)).toContain('checked');
    expect(ticked(1)).not.toContain('checked');
  });
  it('stand out where an entry cannot be used', () => {
    const broken = converter({}, { body: { lift: 'high' } });
    const { html } = column(Rise, broken);
    expect(
      /<input[^>]*aria-invalid="true"[^>]*aria-label="Held over its seat by"|<input[^>]*aria-label="Held over its seat by"[^>]*aria-invalid="true"/.test(
        html,
      ),
    ).toBe(true);
    const [finding] = check(compile(broken)).findings.filter(({ rule }) => rule === 'entry');
    expect(finding?.stage).toBe('rise');
    const mended = applyEdits(broken, finding?.remedies[0]?.edits ?? []);
    expect(mended.body).toBeUndefined();
  });
  it('of heights follow how the part stands', () => {
    expect(column(Rise, converter()).text).toContain('Solder under terminals');
    expect(column(Rise, converter({}, { body: { seat: 'standoff' } })).text).not.toContain(
      'Solder under terminals',
    );
    const pins = column(Rise, exampleOf('dip'));
    expect(pins.text).toContain('Leads below, least');
    expect(pins.text).not.toContain('Stands on');
  });
  it('of the board’s edge appear with it, and tell how far the part stands out', () => {
    expect(column(Rise, converter()).text).not.toContain('Overhang, least');
    const { fields, text } = column(Rise, converter({}, { edge: { side: 'right', at: '3.0' } }));
    expect(fields.get('Overhang, least')).toBe('none');
    // the body is 4.3 to 4.5 wide: half of it ends 0.85 to 0.75 inside
    expect(text).toContain('stands out −0.85 to −0.75 mm beyond the edge');
  });
  it('of trims say whether they act', () => {
    expect(column(Land, converter()).text).toMatch(/Trims/);
    const off = column(Land, exampleOf('no-lead-quad', { pad: 'rectangle' }));
    expect(off.text).toMatch(/trimmed|not needed/);
  });
  it('for land 1 appear where leads go through', () => {
    expect(column(Mark, exampleOf('dip')).text).toContain('rounded square');
    expect(column(Mark, converter()).text).not.toContain('rounded square');
  });
});

describe('the Ledger', () => {
  const compiled = (document: TapisDocument) => {
    const made = compile(document);
    return { compiled: made, report: check(made) };
  };
  const before = compiled(converter());
  const after = compiled(converter({}, { overrides: { land: { X: '0.55' } } }));
  it('counts what is open and what holds', () => {
    expect(summary(before.report)).toMatch(/^\d+ note · \d+ held$|^\d+ held$/);
    expect(summary({ ...before.report, held: [], findings: [], waived: [] })).toBe('nothing checked yet');
    expect(summary(after.report)).toMatch(/^\d stop/);
  });
  it('tells in a line what a remedy would change', () => {
    const remedy = { label: 'r', edits: [] };
    const changes = compareCompiled(before, after);
    const words = effectWords(
      { remedy, changes, open: openCount(after.report) },
      openCount(before.report),
      'mm',
    );
    expect(words).toMatch(/^X 0\.40 → 0\.55 · 0 → \d open$/);
    expect(effectWords({ remedy, changes: [], open: 2 }, 2, 'mm')).toBe('2 open, as now');
    expect(effectWords({ remedy, changes, open: 1 }, 1, 'mil')).toMatch(/^X 15\.7 → 21\.7 · /);
  });
  it('can be read where nothing can be done', () => {
    const drawable = after.compiled.footprint
      ? { ...after.compiled, footprint: after.compiled.footprint }
      : null;
    const nothing = () => undefined;
    const html = renderToStaticMarkup(
      createElement(Ledger, {
        view: {
          checking: false,
          report: after.report,
          drawable,
          unit: 'mm',
          letters: new Map([['c', 'T1']]),
          selectedFinding: 0,
          selectedLand: 4,
          explains: true,
          change: { from: 'a', to: 'b', changes: compareCompiled(before, after) },
          previewed: null,
        },
        actions: {
          open: nothing,
          preview: nothing,
          edit: nothing,
          goTo: nothing,
          point: nothing,
          putAway: nothing,
        },
      }),
    );
    expect(html).toContain('Joint at land 5');
    expect(html).toContain('What b changes');
    expect(html).toContain('Why is Y');
  });
});

it('the severities of a process are listed with what the rules have by themselves', () => {
  const process: Process = { ...(PROCESSES[0] as Process), severities: { 'land-gap': 'note' } };
  const html = renderToStaticMarkup(
    createElement(ProcessSheet, { process, original: null, put: () => undefined }),
  );
  expect(html).toContain('stop, as usual');
  expect(html).toMatch(/<option value="note" selected="">note<\/option>/);
});
