import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readEntry, type EntryScope } from '../../src/core/units/entry';
import { exactly } from '../../src/core/units/toleranced';
import { COMMANDS } from '../../src/islands/commands/commands';
import { gesturesOf, keysOf } from '../../src/islands/help/keys';
import { HELP_PAGES, placeOf, WRITTEN } from '../../src/islands/help/pages';
import { STAGE_NAMES } from '../../src/islands/state/stages';
import { KEYS } from '../../src/islands/trials/keys';

describe('the help', () => {
  it('gives entries that are read as it says', () => {
    const scope: EntryScope = {
      kind: 'length',
      unit: 'mm',
      symbols: new Map([
        ['n', { kind: 'count', value: exactly(16) }],
        ['e', { kind: 'length', value: exactly(0.65) }],
      ]),
    };
    const read = (text: string) => {
      const result = readEntry(text, scope);
      if (!result.ok) throw new Error(`${text}: ${result.error.message}`);
      const { value, doubts } = result.value;
      expect(doubts, text).toEqual([]);
      return [value.min, value.max, value.given];
    };
    const range = [5.8, 6.2, 'range'];
    expect(WRITTEN.map(([text]) => read(text))).toEqual([
      range,
      [5.8, 6.2, 'plus-minus'],
      [1.75, 1.75, 'max'],
      [1.27, 1.27, 'exact'],
      [240 * 0.0254, 240 * 0.0254, 'bare'],
      [4.55, 4.55, 'computed'],
    ]);
    // and those that stand beside them, as ways to write the same
    for (const text of ['5.8-6.2', '5.8 to 6.2', '5.8 6.2']) expect(read(text)).toEqual(range);
    expect(read('6 +0.1/-0.2').slice(0, 2)).toEqual([5.8, 6.1]);
  });

  it('has a page for every address that there is', () => {
    expect(STAGE_NAMES.map(([stage]) => placeOf(`/bench/an-id/${stage}`))).toEqual(
      STAGE_NAMES.map(([stage]) => stage),
    );
    expect(
      ['/bench/an-id', '/bench/an-id/nothing', '/', '/trial/x', '/trials', '/processes'].map(placeOf),
    ).toEqual(['measure', 'measure', 'shelf', 'trial', 'trials', 'processes']);
    expect(['/opinion/x', '/side-by-side/a/b'].map(placeOf)).toEqual(['opinion', 'sides']);
    for (const { how } of Object.values(HELP_PAGES)) expect(how.length).toBeGreaterThan(0);
  });
});

describe('keys', () => {
  it('are in the documentation as they are', () => {
    const told = [
      ['On the Bench', [...keysOf('measure'), ...gesturesOf('measure')]],
      ['In Measure', HELP_PAGES.measure.keys ?? []],
      ['On the Shelf', [...(HELP_PAGES.shelf.keys ?? []), ...keysOf('shelf')]],
      ['In Trial', [...(HELP_PAGES.trial.keys ?? []), ...keysOf('trial')]],
    ] as const;
    const sections = readFileSync('docs/keys.md', 'utf8').split(/^## /m).slice(1);
    expect(
      sections.map((text) => [
        text.split('\n')[0],
        [...text.matchAll(/^\| (?!keys |-)(.*?) *\| (.*?) *\|$/gm)].map(([, keys, words]) => [keys, words]),
      ]),
    ).toEqual(told);
  });
  it.each([
    ['the Bench', COMMANDS.flatMap(({ keys = [] }) => keys)],
    ['Trial', KEYS.flatMap(({ keys }) => keys)],
  ])('of %s do one thing each, and none of them needs AltGr', (_, keys) => {
    expect(new Set(keys).size).toBe(keys.length);
    for (const key of keys)
      expect(key).toMatch(/^(\$mod\+(Shift\+)?)?([a-z]|Digit\d|Numpad\d|Arrow\w+|Delete)$/);
  });
  it('belong to commands of different names', () => {
    const names = COMMANDS.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
  });
});
