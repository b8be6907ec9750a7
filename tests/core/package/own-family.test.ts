import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import type { DimensionEntry, TapisDocument } from '../../../src/core/document/document';
import { applyEdits } from '../../../src/core/document/edit';
import { outlineEdits } from '../../../src/core/document/entries';
import {
  familyId,
  familyOf,
  isOwn,
  isSameFamily,
  keepingEdits,
  pieceUnitOf,
  sizesFrom,
  type OwnFamily,
} from '../../../src/core/document/own-family';
import { writeFamily } from '../../../src/core/document/write';
import type { Symbols } from '../../../src/core/document/read-fields';
import { sheetUnitEdits } from '../../../src/core/document/sheet-unit';
import { compile } from '../../../src/core/footprint/compile';
import { openShelf } from '../../../src/core/footprint/open';
import { holdCondition } from '../../../src/core/package/composed/conditions';
import { kindOf } from '../../../src/core/package/composed/own';
import { withExamples } from '../../../src/core/package/draw';
import { ALL_MAKERS } from '../../../src/core/package/makers';
import type { Toleranced } from '../../../src/core/units/toleranced';
import { OWN_FAMILY_DOCUMENTS } from '../../../src/demo/own-family';
import { footprintOf } from '../../data/families';

const J9 = OWN_FAMILY_DOCUMENTS[0] as TapisDocument;
const FAMILY = J9.package as OwnFamily;

/** A header with its dimensions as given and nothing else. */
const header = (dimensions: Record<string, DimensionEntry>): TapisDocument => ({
  ...J9,
  package: { ...FAMILY, dimensions },
});
const findingsOf = (document: TapisDocument) => check(compile(document)).findings;
const messagesOf = (document: TapisDocument) => compile(document).problems.map(({ message }) => message);

describe('a part of a family of one’s own', () => {
  it('asks for its dimensions and fills those that follow from others', () => {
    const { resolved } = compile(header({ n: '8' }));
    const asked = resolved?.dimensions.filter((one) => one.asked).map(({ definition }) => definition.symbol);
    expect(asked).toEqual(['n', 'D', 'S', 'L', 'b', 'A']);
    // 7 steps of 1.5, and 3.2 for the walls
    expect(resolved?.values?.['D']).toMatchObject({ min: 13.55, nom: 13.7, max: 13.85 });
    const { lands, standardName } = footprintOf(header({ n: '8' }));
    expect(lands.map(({ number }) => number)).toEqual(['1', '2', '3', '4', '5', '6', '7', '8', 'MP', 'MP']);
    // outer edges of the tabs 15.5 apart, their contacts 0.8 long
    expect(lands.slice(-2).map(({ at }) => at.x)).toEqual([-7.35, 7.35]);
    expect(standardName).toBe('CONN08P150_1370X560N');
  });

  it('keeps what was entered over what follows', () => {
    expect(footprintOf(header({ n: '8', D: '14±0.1' })).standardName).toBe('CONN08P150_1400X560N');
  });

  it('says only what is missing while something is, and is drawn with its example', () => {
    expect(messagesOf(header({}))).toEqual(['Enter ways n: leads in the row.']);
    const shown = withExamples(header({}), ALL_MAKERS);
    expect(shown?.filled).toEqual(['n', 'D', 'S']);
    expect(compile((shown as { document: TapisDocument }).document).footprint?.lands).toHaveLength(8);
  });

  it.each([
    ['n', '7', 'expected one of 2, 3, 4, 5, 6, 8, 10, 12'],
    ['D', '41', 'expected between 4 mm and 40 mm'],
    ['b', '0.1', 'expected between 0.2 mm and 1 mm'],
  ])('refuses %s of %s', (symbol, text, words) => {
    const [message] = messagesOf(header({ n: '6', [symbol]: text }));
    expect(message).toContain(words);
  });

  it('is told where it breaks a condition, with both sides and their values', () => {
    const findings = findingsOf(header({ n: '6', D: '9±0.1', S: '12.5±0.2' }));
    expect(findings.find(({ rule }) => rule === 'condition-c1')).toMatchObject({
      severity: 'caution',
      title: 'The walls stand beyond the last leads',
      message: 'D (8.90–9.10 mm) is below (n-1)*e + 2 (9.50 mm); the family asks for D >= (n-1)*e + 2.',
      place: { dimensions: ['D', 'n', 'e'] },
      measured: { value: 9, limit: 9.5, unit: 'mm' },
    });
    expect(findingsOf(header({ n: '6' })).filter(({ rule }) => rule.startsWith('condition'))).toEqual([]);
  });

  it('starts from a size of its table, with its place, in a datasheet in mil too', () => {
    const start = applyEdits(header({}), sheetUnitEdits(header({}), 'mil'));
    const size = kindOf(FAMILY).outlines.find(({ name }) => name === '10 ways');
    const sized = applyEdits(start, outlineEdits(start, size as NonNullable<typeof size>));
    expect(sized.package.dimensions['D']).toEqual({
      text: '16.7±0.15',
      unit: 'mm',
      where: 'HS-HH drawing, table 2',
    });
    // its own pieces, rules and limits stay in mm
    expect(pieceUnitOf(sized.package)).toBe('mm');
    const { standardName, lands } = footprintOf(sized);
    expect(standardName).toBe('CONN10P150_1670X560N');
    expect(lands[1]?.at.x).toBeCloseTo(-5.25, 9);
  });

  it('has dimension lines for its letters', () => {
    const { package: drawn } = footprintOf(J9);
    const of = (symbol: string) => drawn.lines.find((line) => line.symbol === symbol);
    expect(of('D')).toMatchObject({ view: 'plan', side: 'bottom', from: { x: -5.35 }, to: { x: 5.35 } });
    expect(of('e')).toMatchObject({ view: 'plan', from: { x: -3.75 }, to: { x: -2.25 } });
    expect(of('A')).toMatchObject({ view: 'front', side: 'right', from: { y: 0 }, to: { y: 5.4 } });
    expect(of('/package/pieces/left/x')?.states?.nom).toBe(6.25);
  });
});

describe('a condition', () => {
  const length = (min: number, max = min): { kind: 'length'; value: Toleranced } => ({
    kind: 'length',
    value: { min, nom: (min + max) / 2, max, given: 'range' },
  });
  const count = (n: number) => ({
    kind: 'count' as const,
    value: { min: n, nom: n, max: n, given: 'exact' as const },
  });
  const symbols: Symbols = new Map<string, { kind: 'length' | 'count'; value: Toleranced }>([
    ['D', length(9.8, 10.2)],
    ['e', length(2.5)],
    ['n', count(4)],
  ]);

  it.each([
    ['D >= (n-1)*e', 'always'],
    ['D > 10.1', 'not'],
    ['D > 9.9', 'nominally'],
    ['D = n*e', 'always'],
    ['D = 10.1', 'nominally'],
    ['D = 11', 'not'],
    ['2 < e < D/2', 'always'],
    ['2 < e < 2.5', 'not'],
    ['e ≤ 2.5', 'always'],
    ['n >= 4', 'always'],
    ['n > 4', 'not'],
    ['n*2 = 8', 'always'],
    ['e >= 98mil', 'always'],
    ['e >= 99mil', 'not'],
  ])('%s is kept %s', (text, kept) => {
    const read = holdCondition(text, 'mm', symbols);
    expect(read.ok ? read.value.kept : read.error).toBe(kept);
  });

  it.each([
    ['D', 'A comparison is expected'],
    ['D >=', 'on both sides'],
    ['', 'A comparison is expected'],
    ['D >= q', '“q”'],
    ['D >= 3*', 'expected'],
  ])('“%s” is refused', (text, words) => {
    const read = holdCondition(text, 'mm', symbols);
    expect(read.ok ? 'read' : read.error).toContain(words);
  });

  it('says the same read from either side, and grows no stricter with a wider part', () => {
    const reversed = { '<': '>', '<=': '>=', '>': '<', '>=': '<=', '=': '=' } as const;
    const value = fc.tuple(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 0, max: 40 }));
    const comparison = fc.constantFrom(...(Object.keys(reversed) as (keyof typeof reversed)[]));
    const order = ['not', 'nominally', 'always'];
    fc.assert(
      fc.property(value, value, comparison, ([a, da], [b, db], sign) => {
        const held = (text: string, more: number) => {
          const read = holdCondition(
            text,
            'mm',
            new Map([
              ['P', length((a - da - more) / 10, (a + da + more) / 10)],
              ['Q', length((b - db) / 10, (b + db) / 10)],
            ]),
          );
          return read.ok ? order.indexOf(read.value.kept) : -1;
        };
        expect(held(`P ${sign} Q`, 0)).toBe(held(`Q ${reversed[sign]} P`, 0));
        // the nominal stays where it is: what may not hold may not hold of a wider one
        if (sign !== '=') expect(held(`P ${sign} Q`, 20)).toBeLessThanOrEqual(held(`P ${sign} Q`, 0));
      }),
    );
  });

  it('that cannot be read is told and does not hold', () => {
    const own = { ...FAMILY.own, conditions: [{ id: 'c1', holds: 'D >= wall' }] };
    const part = { ...J9, package: { ...FAMILY, dimensions: { n: '6' }, own } };
    const { findings, held } = check(compile(part));
    expect(findings.find(({ title }) => title === 'Condition cannot be read')?.place.field).toBe(
      '/package/own/conditions/c1/holds',
    );
    expect(held.filter(({ id }) => id.startsWith('condition'))).toEqual([]);
  });
});

describe('a family as a file', () => {
  it('comes back as it was, and is no part of the numbers of a part', () => {
    const read = openShelf(writeFamily(FAMILY));
    const [family] = read.ok ? read.value.families : [];
    expect(family).toEqual(familyOf(FAMILY));
    expect(family?.dimensions).toEqual({});
    expect(isSameFamily(family as OwnFamily, FAMILY)).toBe(true);
  });

  it.each([
    ['without pieces', { ...familyOf(FAMILY), pieces: undefined }, 'pieces'],
    ['without what makes it one', { ...familyOf(FAMILY), own: undefined }, 'own'],
    ['with an id that is none', { ...familyOf(FAMILY), own: { id: 'Mine!' } }, '/package/own/id'],
  ])('%s is refused with the field', (_, broken, field) => {
    const read = openShelf(JSON.stringify({ tapisFamily: 1, package: broken }));
    expect(read.ok ? '' : JSON.stringify(read.error)).toContain(field);
  });

  it('is made from a composed package, whose numbers become the example', () => {
    const { own: _own, ...loose } = FAMILY;
    const plain: TapisDocument = {
      ...J9,
      package: { ...loose, unit: 'in', dimensions: { n: '4', D: '.3' } },
    };
    const kept = applyEdits(plain, keepingEdits(plain, 'mine'));
    expect(isOwn(kept.package) && kept.package.own).toEqual({
      id: 'mine',
      unit: 'in',
      example: { n: '4', D: '.3' },
    });
  });

  it('differs where anything that it asks for does, the order too', () => {
    const { n, ...others } = FAMILY.named ?? {};
    expect(isSameFamily(FAMILY, { ...FAMILY, named: { ...others, n: n ?? {} } })).toBe(false);
    expect(isSameFamily(FAMILY, { ...FAMILY, own: { ...FAMILY.own, example: {} } })).toBe(true);
    expect(isSameFamily(FAMILY, { ...FAMILY, naming: 'X' })).toBe(false);
  });

  it('has an id of its own', () => {
    expect(familyId('Harness header, 2 to 12 ways')).toBe('harness-header-2-to-12-ways');
    expect(familyId('Steckverbinder Größe 3', ['steckverbinder-gro-e-3'])).toBe('steckverbinder-gro-e-3-2');
    expect(familyId('…')).toBe('family');
  });
});

describe('a table of sizes', () => {
  const known = ['n', 'D', 'S'];
  it.each([
    ['ways\tn\tD\n2 ways\t2\t4.7±0.15\n3 ways\t3\t6.2±0.15', 'tabs'],
    ['| ways | n | D |\n| 2 ways | 2 | 4.7±0.15 |\n| 3 ways | 3 | 6.2±0.15 |', 'bars'],
    ['n;D\n2 ways;2;4.7±0.15\n3 ways;3;6.2±0.15', 'semicolons, no word over the names'],
    ['ways  n  D\n2 ways  2  4.7±0.15\n3 ways  3  6.2±0.15', 'several blanks'],
    ['ways n D\n2 ways 2 4.7±0.15\n3 ways 3 6.2±0.15', 'single blanks'],
  ])('is read from %j with %s', (text) => {
    const read = sizesFrom(text, known);
    expect(read.ok ? read.value : read.error).toEqual([
      { id: 's1', name: '2 ways', dimensions: { n: '2', D: '4.7±0.15' } },
      { id: 's2', name: '3 ways', dimensions: { n: '3', D: '6.2±0.15' } },
    ]);
  });
  it.each([
    ['size n Q\na 1 2', '“Q” is no dimension of the family; it has n, D, S.'],
    ['size n D\na 1', '“a 1” has too few numbers: there are 2 letters and the size’s name.'],
    ['size n D\n2 ways 2 4.7 4.9', '“2 ways 2” may be a name or hold a number; put tabs or bars between'],
    ['D n\n4 3 4', '“4” may be a name or hold a number'],
    ['size n D', 'at least one line with a size'],
  ])('%j is refused', (text, words) => {
    const read = sizesFrom(text, known);
    expect(read.ok ? '' : read.error).toContain(words);
  });
});
