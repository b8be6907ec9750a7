import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { landIdOf } from '../../../src/core/package/terminal';
import type { PackageIntent } from '../../../src/core/document/document';
import { FAMILIES, familyById } from '../../../src/core/package/families';
import type { FamilyDefinition } from '../../../src/core/package/family';
import { formatName, numbersIn, parseName, type NameTemplate } from '../../../src/core/package/naming';
import { usualFoot } from '../../../src/core/package/plausibility/lead-overhang';
import { fourRows } from '../../../src/core/package/rows';
import { resolvePackage } from '../../../src/core/package/resolve';
import { chip, converter } from '../../data/documents';

const dual = familyById('gull-wing-dual') as FamilyDefinition;

function dimension(intent: PackageIntent, symbol: string) {
  const found = resolvePackage(dual, intent).dimensions.find(
    ({ definition }) => definition.symbol === symbol,
  );
  if (!found) throw new Error(`no ${symbol}`);
  return found;
}

describe('reading the dimensions of a package', () => {
  it('fills derived dimensions, anew when what they come from changes, until they are entered', () => {
    expect(dimension(converter().package, 'L1')).toMatchObject({
      source: 'derived',
      value: { min: 0.85, nom: 1, max: 1.15 },
    });
    expect(dimension(converter({ E: '7.2..7.6' }).package, 'L1').value?.nom).toBe(1.5);
    expect(dimension(converter({ L1: '0.9' }).package, 'L1')).toMatchObject({
      source: 'entered',
      value: { nom: 0.9 },
    });
  });
  it('reads each entry in its own unit, else in that of the package', () => {
    const intent = {
      ...converter({ E: { text: '0.244', label: 'H' }, D: { text: '5', unit: 'mm' } }).package,
      unit: 'in' as const,
    };
    expect(dimension(intent, 'E').value?.nom).toBeCloseTo(6.1976, 9);
    expect(dimension(intent, 'D').value?.nom).toBe(5);
    expect(dimension(intent, 'c').value?.nom).toBe(0.15); // the family's own value is in mm
  });
  it('takes entries that refer to others, whatever their order, and refuses circles', () => {
    expect(dimension(converter({ D: 'e*(n/2-1)+0.5' }).package, 'D').value?.nom).toBe(5.05);
    const circle = converter({ D: 'E1', E1: 'D-1' }).package;
    expect(dimension(circle, 'D').error?.message).toMatch(/refers to itself|no value yet/);
    expect(resolvePackage(dual, circle).values).toBeNull();
  });
  it('computes nothing from a dimension that is outside of what can be meant', () => {
    const { package: intent } = converter({ E: '0.006..6', D: 'E-1' });
    expect(dimension(intent, 'E').error?.message).toContain('expected between');
    // the family's formula waits for it; what was entered says so
    expect(dimension(intent, 'L1')).toMatchObject({ value: null, error: null });
    expect(dimension(intent, 'D').error?.message).toContain('computed from E, which has no value yet');
  });
  it('says what had to be assumed', () => {
    const { package: intent } = converter({ L: 'typ 0.6', b: '0.25', A1: 'max 0.15' });
    expect(dimension(intent, 'L').assumption).toContain('typical');
    expect(dimension(intent, 'b').assumption).toContain('no tolerance');
    expect(dimension(intent, 'A1')).toMatchObject({
      value: { min: 0 },
      assumption: expect.stringContaining('taken as 0'),
    });
    expect(dimension(intent, 'e').assumption).toBeNull(); // a pitch is basic
    expect(dimension(intent, 'A').assumption).toBeNull(); // a largest height suffices
  });
  it.each([
    [{ n: 15 }, 'n', 'multiple of 2'],
    [{ n: '16.5' }, 'n', 'whole number'],
    [{ n: '14..16' }, 'n', 'whole number'],
    [{ n: 128 }, 'n', 'between 4 and 64'],
    [{ E: '240' }, 'E', 'Is the unit right?'],
    [{ L: '0' }, 'L', 'between'],
    [{ H: '1', L: 'H/2' }, 'L', 'one of n, e, E'],
  ])('refuses %j', (entry, symbol, words) => {
    expect(dimension(converter(entry as never).package, symbol).error?.message).toContain(words);
  });
  it('keeps entries that the family does not have, and says so', () => {
    expect(resolvePackage(dual, converter({ H: '1' }).package).unknown).toEqual(['H']);
  });
});

describe('every family', () => {
  it.each(FAMILIES.map((family) => [family.id, family] as const))('%s is complete', (_, family) => {
    const example = { family: family.id, dimensions: family.example as Record<string, string> };
    const resolved = resolvePackage(family, example);
    expect(resolved.dimensions.filter(({ error }) => error)).toEqual([]);
    const values = resolved.values;
    if (!values) throw new Error('the example is not complete');
    const { options } = resolved;
    const symbols = family.dimensions.map(({ symbol }) => symbol);
    for (const line of family.dimensionLines(values, options)) expect(symbols).toContain(line.symbol);
    const assembly = family.solids(values, options);
    for (const part of assembly.parts) expect(Object.keys(assembly.shapes)).toContain(part.shape);
    expect(new Set(assembly.parts.map(({ name }) => name)).size).toBe(assembly.parts.length);
    const groups = family.terminals(values, options);
    const orders = groups.flatMap(({ places }) => places.map(({ order }) => order));
    expect([...orders].sort((a, b) => a - b)).toEqual(orders.map((_, i) => i + 1));
    // what is chosen for a land is kept by what it is known by
    const ids = groups.flatMap((group) => group.places.map((place, i) => landIdOf(group, place, i)));
    expect(new Set(ids).size).toBe(ids.length);
  });
});

describe('standard names', () => {
  const template: NameTemplate = [
    'SOP',
    { symbol: 'e', value: 0.65, decimals: 2 },
    'P',
    { symbol: 'E', value: 6.4, decimals: 2 },
    'X',
    { symbol: 'A', value: 1.2, decimals: 2 },
    '-',
    { symbol: 'n', value: 16, decimals: 0 },
  ];
  it('follow the pattern of IPC-7351B', () => {
    expect(formatName(template, 'N')).toBe('SOP65P640X120-16N');
    expect(formatName(template, 'M')).toBe('SOP65P640X120-16M');
  });
  it('read back to the numbers they state', () => {
    const values = { e: 0.65, E: 6.4, A: 1.2, n: 16 };
    expect(parseName(template, 'SOP65P640X120-16L')).toEqual({ level: 'C', values });
    expect(parseName(template, 'SOP65P640-16L')).toBeNull();
  });
  it.each([
    ['rectangular-chip', {}, 'RESC1608X55N'],
    ['rectangular-chip', { component: 'capacitor' }, 'CAPC1608X55N'],
    ['cylindrical', {}, 'DIOMELF3515N'],
    ['moulded', {}, 'CAPMP3216X180N'],
    ['electrolytic-can', {}, 'CAPAE830X1050N'],
    ['crystal', {}, 'XTAL500X320X110N'],
    ['test-point', {}, 'TPC150'],
    ['small-diode', {}, 'SOD3716X135N'],
    ['small-transistor', {}, 'SOT95P280X145-5N'],
    ['gull-wing-dual', {}, 'SOP65P640X120-16N'],
    ['gull-wing-quad', {}, 'QFP50P900X900X120-48N'],
    ['j-lead-dual', {}, 'SOJ127P850X375-32N'],
    ['j-lead-quad', {}, 'PLCC127P1753X1753X457-44N'],
    ['flat-lead', {}, 'SOTFL50P160X60-6N'],
    ['no-lead-quad', {}, 'QFN50P500X500X90-33N'],
    ['no-lead-quad', { pad: 'none' }, 'QFN50P500X500X90-32N'],
    ['no-lead-dual', { word: 'SON' }, 'SON50P300X200X80-9N'],
    ['castellated', {}, 'LCC127P889X889X254-20N'],
    ['tab-package', {}, 'TO229P990X238-3N'],
    ['ball-grid', {}, 'BGA144C80P12X12_1000X1000X140N'],
    ['ball-grid', { ball: 'keeps' }, 'BGA144N80P12X12_1000X1000X140N'],
    ['oscillator', {}, 'OSCCC320X250X90N'],
    ['dip', {}, 'DIP762W46P254L1920H533Q14N'],
    ['axial', {}, 'RESAD1016W60L630D235N'],
    ['radial', {}, 'CAPRD250W50D630H1120N'],
    ['pin-header', {}, 'HDRV10W64P254_2X5_1270X508X850N'],
    ['mounting-hole', {}, 'MTGNP270H270'],
  ])('of %s %j is %s, and reads back', (id, options, name) => {
    const family = familyById(id) as FamilyDefinition;
    const intent = { family: id, options, dimensions: family.example as Record<string, string> };
    const resolved = resolvePackage(family, intent);
    if (!resolved.values) throw new Error('the example is not complete');
    const pattern = family.name(resolved.values, resolved.options);
    expect(formatName(pattern, 'N')).toBe(name);
    for (const { symbol, value, decimals } of numbersIn(pattern))
      expect(parseName(pattern, name)?.values[symbol]).toBeCloseTo(value, decimals - 0.5);
  });
  it('of chips read back for every size', () => {
    const chipFamily = familyById('rectangular-chip') as FamilyDefinition;
    const tenth = fc.integer({ min: 3, max: 120 }).map((v) => v / 10);
    fc.assert(
      fc.property(tenth, tenth, fc.integer({ min: 10, max: 300 }), (l, w, h) => {
        const [long, wide] = [Math.max(l, w), Math.min(l, w)];
        const document = chip({ L: long, W: wide, T: long / 5, A: h / 100 });
        const { values, options } = resolvePackage(chipFamily, document.package);
        if (!values) throw new Error('not complete');
        const name = chipFamily.name(values, options);
        const back = parseName(name, formatName(name, 'N'));
        expect(back?.values).toEqual({
          L: expect.closeTo(long, 9),
          W: expect.closeTo(wide, 9),
          A: expect.closeTo(h / 100, 9),
        });
      }),
    );
  });
});

describe('rows of a quad', () => {
  const places = fourRows(3, 2, 1);
  it('run counter-clockwise from upper left', () => {
    expect(places.x).toEqual([
      { order: 1, end: -1, along: 1 },
      { order: 2, end: -1, along: 0 },
      { order: 3, end: -1, along: -1 },
      { order: 6, end: 1, along: -1 },
      { order: 7, end: 1, along: 0 },
      { order: 8, end: 1, along: 1 },
    ]);
    expect(places.y).toEqual([
      { order: 4, end: -1, along: 0.5 },
      { order: 5, end: -1, along: -0.5 },
      { order: 9, end: 1, along: -0.5 },
      { order: 10, end: 1, along: 0.5 },
    ]);
  });
});

it('offers a foot of about half the overhang', () => {
  expect(usualFoot(1)).toBe('0.45..0.75mm');
  expect(usualFoot(1.05)).toBe('0.45..0.8mm');
});
