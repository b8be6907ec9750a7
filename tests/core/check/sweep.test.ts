import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { newDocument, type SheetUnit, type TapisDocument } from '../../../src/core/document/document';
import { applyEdits } from '../../../src/core/document/edit';
import { outlineEdits } from '../../../src/core/document/entries';
import { compile } from '../../../src/core/footprint/compile';
import { FAMILIES } from '../../../src/core/package/families';

const findingsOf = (document: TapisDocument) => {
  const compiled = compile(document);
  expect(compiled.footprint, document.name).not.toBeNull();
  return check(compiled).findings;
};

const OUTLINES = FAMILIES.flatMap((family) =>
  [{ name: 'example', dimensions: family.example }, ...(family.outlines ?? [])].map((outline) => {
    const empty = newDocument(`${family.id}, ${outline.name}`, family.id, {});
    return [`${family.id}, ${outline.name}`, applyEdits(empty, outlineEdits(empty, outline))] as const;
  }),
);

/** Leads at a pitch of 1.27 leave a thin ring at level B: the standard process drills with room to wander. */
const STRAINED = ['in-line-transistor, example', 'pin-header, 2 × 5, pitch 1.27'];

describe('every typical size at level B on the standard process', () => {
  it.each(OUTLINES)('%s', (name, document) => {
    const grave = findingsOf(document).filter(({ severity }) => severity !== 'note');
    if (!STRAINED.includes(name)) return expect(grave).toEqual([]);
    expect(grave.map(({ rule, severity }) => [rule, severity])).toEqual([['annular-ring', 'caution']]);
    const mended = applyEdits(document, grave[0]?.remedies[0]?.edits ?? []);
    expect(findingsOf(mended).filter(({ severity }) => severity !== 'note')).toEqual([]);
  });

  it('has as many terminals as its title says', () => {
    const counted = /(\d+) (?:leads|terminals|balls|columns|lands|pins|poles)/;
    const checked = OUTLINES.flatMap(([name, document]) => {
      const said = counted.exec(name)?.[1];
      if (said === undefined) return [];
      const { footprint } = compile(document);
      // an exposed pad is no lead
      const own = footprint?.lands.filter(({ padstack }) => padstack.kind !== 'thermal') ?? [];
      return [[name, own.length, Number(said)] as const];
    });
    expect(checked.length).toBeGreaterThan(35);
    for (const [name, has, said] of checked) expect(has, name).toBe(said);
  });
});

describe('published outlines as they are printed raise no alarm', () => {
  const part = (
    family: string,
    unit: SheetUnit,
    dimensions: Record<string, string>,
    options: Record<string, string> = {},
  ): TapisDocument => {
    const document = newDocument(family, family, dimensions);
    return { ...document, package: { ...document.package, unit, options } };
  };
  it.each<[string, TapisDocument]>([
    [
      'three leads, 2.9 × 1.3 (SOT-23)',
      part('small-transistor', 'mm', {
        n: '3',
        e: '0.95',
        E: '2.10-2.64',
        E1: '1.20-1.40',
        D: '2.80-3.04',
        L: '0.40-0.60',
        b: '0.30-0.50',
        c: '0.08-0.20',
        A: '0.89-1.12',
        A1: '0.01-0.10',
      }),
    ],
    [
      'three leads, 2.0 × 1.25 (SC70)',
      part('small-transistor', 'mm', {
        n: '3',
        e: '0.65',
        E: '1.80-2.40',
        E1: '1.15-1.35',
        D: '1.80-2.20',
        L: '0.26-0.46',
        b: '0.15-0.40',
        c: '0.08-0.22',
        A: '0.80-1.10',
        A1: '0-0.10',
      }),
    ],
    [
      'four leads, one wide (SOT-143)',
      part(
        'small-transistor-wide',
        'mm',
        {
          n: '4',
          e: '1.92 BSC',
          E: '2.10-2.64',
          E1: '1.20-1.40',
          D: '2.80-3.04',
          b1: '0.76-0.94',
          L: '0.40-0.60',
          b: '0.30-0.51',
          c: '0.08-0.20',
          A: '0.80-1.22',
          A1: '0.013-0.10',
        },
        { layout: 'first' },
      ),
    ],
    [
      'sixteen leads at 0.635 (QSOP), in inches',
      part('gull-wing-dual', 'in', {
        n: '16',
        e: '.025 BSC',
        E: '.228-.244',
        E1: '.150-.157',
        D: '.189-.197',
        L: '.016-.050',
        b: '.008-.012',
        c: '.007-.010',
        A: '.053-.069',
        A1: '.004-.010',
      }),
    ],
    [
      'eight leads, 3.9 mm (narrow SOIC)',
      part('gull-wing-dual', 'mm', {
        n: '8',
        e: '1.27 BSC',
        E: '5.80/6.20',
        E1: '3.80/4.00',
        D: '4.80/5.00',
        L: '0.40/1.27',
        b: '0.31/0.51',
        c: '0.17/0.25',
        A: '1.75 MAX',
        A1: '0.10/0.25',
      }),
    ],
    [
      'eight leads, 3.9 mm, in inches',
      part('gull-wing-dual', 'in', {
        n: '8',
        e: '.050 BSC',
        E: '.228-.244',
        E1: '.150-.157',
        D: '.189-.197',
        L: '.016-.050',
        b: '.012-.020',
        c: '.007-.010',
        A: '.053-.069',
        A1: '.004-.010',
      }),
    ],
    [
      'twenty leads, 5.3 mm (SSOP)',
      part('gull-wing-dual', 'mm', {
        n: '20',
        e: '0.65',
        E: '7.40~8.20',
        E1: '5.00~5.60',
        D: '6.90~7.50',
        L: '0.55~0.95',
        b: '0.22~0.38',
        c: '0.09~0.25',
        A: 'max 2.0',
        A1: 'min 0.05',
      }),
    ],
  ])('%s', (_, document) =>
    expect(findingsOf(document).filter(({ severity }) => severity !== 'note')).toEqual([]),
  );
});
