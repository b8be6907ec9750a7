import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { compile } from '../../../src/core/footprint/compile';
import { openShelf, openValue } from '../../../src/core/footprint/open';
import shelf from '../../data/shelf-1.json';
import lands from '../../data/shelf-1.lands.json';

// the Shelf was written by the last Tapis of version 1: choices for single lands, numbers, keep-outs and
// waivers by the keys of that version. What its footprints come to is as by that Tapis, with the land sizes,
// windows and names of holes as the standard has them now
const opened = (() => {
  const read = openShelf(JSON.stringify(shelf));
  if (!read.ok) throw new Error(read.error.map(({ message }) => message).join('; '));
  return read.value;
})();
const round = (value: number) => Math.round(value * 1e4) / 1e4 + 0;

describe('a Shelf of version 1', () => {
  it('opens whole', () => {
    expect(opened.refused).toEqual([]);
    expect(opened.documents.map(({ name }) => name)).toEqual(lands.map(({ name }) => name));
  });
  it.each(lands.map((want, i) => [want.name, want, i] as const))(
    '%s has the same lands, numbers and waivers',
    (_, want, i) => {
      const compiled = compile(opened.documents[i]!);
      const { footprint } = compiled;
      if (!footprint) throw new Error(compiled.problems.map(({ message }) => message).join('; '));
      const rows = footprint.lands.map(
        ({ number, copper, rotation, padstack }) =>
          `${number} ${round(copper.at.x)} ${round(copper.at.y)} ${rotation} ${padstack.name}`,
      );
      expect(footprint.standardName).toBe(want.standardName);
      if (typeof want.lands === 'number') expect(rows).toHaveLength(want.lands);
      else expect(rows).toEqual(want.lands);
      expect(
        check(compiled)
          .waived.map(({ finding }) => finding.rule)
          .sort(),
      ).toEqual(want.waived);
    },
  );
  it('has keep-outs known by ids, and lands by group and place', () => {
    const of = (name: string) => opened.documents.find((document) => document.name.startsWith(name));
    expect(of('U2')?.keepOuts?.map(({ id }) => id)).toEqual(['1', '2']);
    expect(Object.keys(of('J2')?.stacks?.lands ?? {})).toEqual(['pins/3']);
    expect(Object.keys(of('U4')?.overrides?.numbers ?? {})).toEqual(['rows/2', 'rows/16']);
  });
});

it('a choice for a land that the part does not have is kept and told', () => {
  const [first] = shelf.documents;
  const read = openValue({ ...first, stacks: { lands: { 99: { shape: 'oblong' } } } });
  if (!read.ok) throw new Error('was refused');
  expect(read.value.stacks?.lands).toHaveProperty('99');
  expect(
    check(compile(read.value))
      .findings.map(({ message }) => message)
      .join(),
  ).toContain('99');
});
