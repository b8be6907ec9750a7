import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { compile } from '../../../../src/core/footprint/compile';
import { documentOf } from '../../../../src/core/format/import';
import { readIpc2581 } from '../../../../src/core/format/ipc2581/read';
import { flatten } from '../../../../src/core/geometry/contour';
import { contourOf, sizeOf } from '../../../../src/core/geometry/figure';
import { area } from '../../../../src/core/geometry/polygon';
import type { GivenPattern } from '../../../../src/core/given/pattern';

// The files were written by hand from the standard's text, each in a style of its own.

function read(name: string): readonly GivenPattern[] {
  const text = readFileSync(new URL(`../../../data/given/${name}`, import.meta.url), 'utf8');
  const found = readIpc2581(text, name);
  if (!found.ok) throw new Error(found.error);
  return found.value.patterns;
}

test('a package of revision B has its lands, openings, marks, courtyard, body and pin names', () => {
  const [pattern] = read('one-package-b.xml') as [GivenPattern];
  expect(pattern.lands.map(({ number, copper: { at, rotation } }) => [number, at.x, at.y, rotation])).toEqual(
    [
      ['1', -1.3, 0.95, 180],
      ['2', -1.3, -0.95, 180],
      ['TAB', 1.6, 0, 0],
    ],
  );
  expect(pattern.lands[0]?.copper.figure).toEqual({
    kind: 'rectangle',
    width: 1.1,
    height: 0.6,
    radius: 0.15,
  });
  expect(pattern.lands[2]?.copper.figure).toEqual({
    kind: 'rectangle',
    width: 2.4,
    height: 1.8,
    chamfer: { size: 0.4, corners: ['lower-left', 'upper-left'] },
  });
  // the tab has no opening in the stencil, and the file has a layer for it
  expect(pattern.lands.map(({ paste }) => paste?.length)).toEqual([1, 1, 0]);
  expect(pattern.height).toBe(1.45);
  expect(pattern.legend?.lines).toEqual([
    [
      { x: -0.6, y: 1.6 },
      { x: 0.3, y: 1.6 },
    ],
  ]);
  expect(pattern.pins?.map(({ lands, name }) => [lands, name])).toEqual([
    ['1', 'IN'],
    ['TAB', 'GND'],
  ]);
  const { footprint } = compile(documentOf(pattern).document);
  expect(footprint?.courtyard.box).toEqual({ minX: -2.1, minY: -1.7, maxX: 3.05, maxY: 1.7 });
  expect(footprint?.body.extent.x.nom).toBe(3);
  expect(footprint?.body.heights.top.max).toBeGreaterThan(1.45);
  // 0.05 of margin all round is one for every land, but the tab's opening is as large as the tab
  expect(footprint?.lands.map(({ padstack }) => padstack.margins.mask)).toEqual([0.05, 0.05, 0]);
  expect(footprint?.legend.lines).toHaveLength(1);
  expect(footprint?.legend.pin1).not.toBeNull();
});

test('a library in inches with prefixed names and other orders has two packages; numbers come from the pins', () => {
  const [terminal, diode] = read('two-packages-inch-c.xml') as [GivenPattern, GivenPattern];
  expect(terminal.name).toBe('TERM 2');
  expect(terminal.lands.map(({ number, copper }) => [number, copper.at.x])).toEqual([
    ['1', -2.54],
    ['2', 2.54],
  ]);
  const [land] = terminal.lands;
  expect(land?.copper.figure).toEqual({ kind: 'round', diameter: 1.778 });
  expect(land?.other?.figure).toEqual({ kind: 'round', diameter: 2.032 });
  expect(land?.hole).toMatchObject({ plated: true, plus: 0.0762, minus: 0.0508 });
  expect(terminal.holes.map(({ at, figure }) => [at.y, figure])).toEqual([
    [3.81, { kind: 'round', diameter: 3.175 }],
  ]);
  const { footprint } = compile(documentOf(terminal).document);
  const made = footprint?.lands[0];
  expect(made?.padstack.other).toEqual({ kind: 'round', diameter: 2.032 });
  expect(made?.padstack.hole).toMatchObject({ plus: 0.0762, minus: 0.0508 });
  expect(footprint?.bores).toHaveLength(1);

  // a half circle of 0.02 in at its outer end: 1.524 and half of 1.016 long
  expect(diode.lands.map(({ number }) => number)).toEqual(['K', 'A', '3']);
  const [cathode, anode] = diode.lands;
  expect((anode?.copper.maxX ?? 0) - (anode?.copper.minX ?? 0)).toBeCloseTo(1.524 + 0.508, 3);
  expect(cathode?.copper.minX).toBeCloseTo(-(anode?.copper.maxX ?? 0), 6);
  // the third is a donut, in inches: nothing is drilled there, and it stays open
  // π/4 (2.54² − 1.27²)
  const third = diode.lands[2]?.copper;
  expect(third && area(flatten(contourOf(third)))).toBeCloseTo(3.8, 1);
  expect(diode.left.join(' ')).not.toContain('donut');
});

test('what is left out of a file is told', () => {
  const text = readFileSync(new URL('../../../data/given/two-packages-inch-c.xml', import.meta.url), 'utf8');
  const found = readIpc2581(text, 'x');
  expect(found.ok && found.value.left.join(' ')).toContain('Thermal reliefs');
});

test.each(['board-micron.xml', 'board-far.xml'])(
  'lands that stand on the layers of a board are taken back to where the package is drawn: %s',
  (name) => {
    const [three, never] = read(name) as [GivenPattern, GivenPattern];
    expect(
      three.lands.map(({ number, copper: { minX, minY, maxX, maxY } }) => [number, minX, minY, maxX, maxY]),
    ).toEqual([
      ['1', -1.55, 0.7, -0.65, 1.2],
      ['2', -1.55, -1.2, -0.65, -0.7],
      ['3', 0.65, -0.25, 1.55, 0.25],
    ]);
    expect(three.lands[0]?.mask?.[0]?.figure).toMatchObject({ width: 1, height: 0.6 });
    expect(three.lands[0]?.paste).toBeUndefined();
    expect(three.left.join(' ')).toContain('taken from Q7');
    expect(never.lands).toHaveLength(0);
    expect(never.left.join(' ')).toContain('no component of it lies on the board');
  },
);

test.each([
  ['<svg/>', 'its root is “svg”'],
  ['<IPC-2581 revision="C"><Ecad><CadHeader units="FURLONG"/></Ecad></IPC-2581>', '“FURLONG”'],
  ['<IPC-2581 revision="C"><Ecad>', 'no whole XML file'],
  ['<!DOCTYPE x [<!ENTITY a "aaaa">]><IPC-2581>&a;</IPC-2581>', 'entities of its own'],
  [`<IPC-2581>${'<a>'.repeat(3000)}`, 'deep in each other'],
  ['', 'root element'],
  ['<IPC-2581 revision="C"><Location x="3,5" y="0"/></IPC-2581>', 'x of a Location is “3,5”'],
  ['<IPC-2581 revision="C"><Circle diameter=""/></IPC-2581>', 'diameter of a Circle is “”'],
])('refuses %s', (text, why) => {
  const found = readIpc2581(text, 'x.xml');
  expect(found.ok).toBe(false);
  expect(!found.ok && found.error).toContain(why);
});

/** A file of one package with one land a padstack, of the shapes given. */
const fileOf = (units: string, shapes: Readonly<Record<string, string>>) => `<IPC-2581 revision="C">
<Content><DictionaryStandard units="${units}"><EntryStandard id="c"><Circle diameter="2"/></EntryStandard></DictionaryStandard></Content>
<Ecad><CadHeader units="${units}"/><CadData><Layer name="T" layerFunction="CONDUCTOR" side="TOP"/><Step name="s">
${Object.entries(shapes)
  .map(
    ([name, shape]) =>
      `<PadStackDef name="${name}"><PadstackPadDef layerRef="T" padUse="REGULAR"><Location x="0" y="0"/>${shape}</PadstackPadDef></PadStackDef>`,
  )
  .join('')}
<Package name="P"><LandPattern>${Object.keys(shapes)
  .map(
    (name, i) =>
      `<Pad padstackDefRef="${name}"><Location x="${i * 10}" y="0"/><PinRef pin="${i + 1}"/></Pad>`,
  )
  .join('')}</LandPattern></Package></Step></CadData></Ecad></IPC-2581>`;

const packageOf = (units: string, shapes: Readonly<Record<string, string>>) => {
  const found = readIpc2581(fileOf(units, shapes), 'x.xml');
  if (!found.ok) throw new Error(found.error);
  return { pattern: found.value.patterns[0], words: found.value.left.join(' ') };
};

test.each([
  ['MILS', 0.0254],
  ['thou', 0.0254],
  ['Inches', 25.4],
  ['um', 0.001],
])('a unit that is written otherwise is read and said: %s', (unit, mm) => {
  const { pattern, words } = packageOf(unit, { a: '<Circle diameter="40"/>' });
  expect(pattern?.lands[0]?.copper.figure).toMatchObject({
    kind: 'round',
    diameter: Math.round(40 * mm * 1e6) / 1e6,
  });
  expect(words).toContain(`“${unit}”`);
});

test('an unknown unit is refused by its word', () => {
  const found = readIpc2581(fileOf('FURLONG', { a: '<Circle diameter="1"/>' }), 'x.xml');
  expect(!found.ok && found.error).toContain('“FURLONG”');
});

test('ellipses, octagons, triangles, shapes of several parts and cut-outs', () => {
  const bar = (x: number) =>
    `<Contour><Polygon><PolyBegin x="${x - 1}" y="-0.5"/><PolyStepSegment x="${x + 1}" y="-0.5"/><PolyStepSegment x="${x + 1}" y="0.5"/><PolyStepSegment x="${x - 1}" y="0.5"/></Polygon></Contour>`;
  const cut = bar(0).replace(
    '</Contour>',
    '<Cutout><PolyBegin x="0" y="0"/><PolyStepSegment x="0.2" y="0"/><PolyStepSegment x="0" y="0.2"/></Cutout></Contour>',
  );
  const { pattern } = packageOf('MILLIMETER', {
    ellipse: '<Ellipse width="2" height="1"/>',
    octagon: '<Octagon length="2"/>',
    triangle: '<Triangle base="2" height="1"/>',
    joined: `<UserSpecial>${bar(0)}${bar(1.5)}</UserSpecial>`,
    apart: `<UserSpecial>${bar(0)}${bar(4)}</UserSpecial>`,
    cut,
  });
  const sizes = pattern?.lands.map(({ copper }) => [
    Math.round((copper.maxX - copper.minX) * 1e3) / 1e3,
    Math.round((copper.maxY - copper.minY) * 1e3) / 1e3,
  ]);
  expect(sizes).toEqual([
    [2, 1],
    [2, 2],
    [2, 1],
    [3.5, 1],
    [2, 1],
    [2, 1],
  ]);
  const left = pattern?.left.join(' ') ?? '';
  expect(left).toContain('Land 5 is of 2 shapes that do not touch; the largest is kept');
  const open = pattern?.lands[5]?.copper;
  expect(open && area(flatten(contourOf(open)))).toBeCloseTo(2 - 0.02, 3);
});

test('shapes that hold themselves end in words', () => {
  const text = fileOf('MILLIMETER', { a: '<UserPrimitiveRef id="u0"/>' }).replace(
    '</Content>',
    `<DictionaryUser units="MILLIMETER">${Array.from({ length: 12 }, (_, i) => `<EntryUser id="u${i}"><UserSpecial>${`<UserPrimitiveRef id="u${(i + 1) % 12}"/>`.repeat(10)}<Circle diameter="1"/></UserSpecial></EntryUser>`).join('')}</DictionaryUser></Content>`,
  );
  const found = readIpc2581(text, 'x.xml');
  expect(found.ok && found.value.left.join(' ')).toMatch(/beyond the first|too deep/);
});

test('shapes are drawn at the scale of their place; a padstack that is placed at one is told', () => {
  const text = readFileSync(new URL('../../../data/given/one-package-b.xml', import.meta.url), 'utf8');
  const scaled = (tag: string) =>
    text.replace(new RegExp(`(<${tag} [^>]*>)\\s*(?:<Xform([^>]*)/>)?`, 'g'), '$1<Xform$2 scale="2"/>');
  const widths = (xml: string) => {
    const found = readIpc2581(xml, 'scaled.xml');
    if (!found.ok) throw new Error(found.error);
    const [{ lands, left }] = found.value.patterns as [GivenPattern];
    return { widths: lands.map(({ copper }) => sizeOf(copper.figure).width), left: left.join(' ') };
  };
  const [plain, larger, told] = [text, scaled('PadstackPadDef'), scaled('Pad')].map(widths);
  expect(larger?.widths).toEqual(plain?.widths.map((width) => 2 * width));
  expect(told).toEqual({
    widths: plain?.widths,
    left: expect.stringContaining('Pads are placed at 2 times the size of their padstacks'),
  });
});

test('shapes without a size, and holes of what is no size, are told', () => {
  const file = (circle: string, hole: string) =>
    `<IPC-2581 revision="C"><Ecad><CadHeader units="MILLIMETER"/><Step name="s"><PadStackDef name="P"><PadstackHoleDef name="h" diameter="${hole}" platingStatus="PLATED" x="0" y="0"/></PadStackDef><Package name="A"><LandPattern><Pad padstackDefRef="P"><Location x="0" y="0"/><Circle diameter="${circle}"/><PinRef pin="1"/></Pad></LandPattern></Package></Step></Ecad></IPC-2581>`;
  const told = (circle: string, hole: string) => {
    const found = readIpc2581(file(circle, hole), 'x.xml');
    return found.ok
      ? [...found.value.left, ...found.value.patterns.flatMap(({ left }) => left)].join(' ')
      : '';
  };
  expect(told('0', '0')).toContain('a Circle without a size');
  expect(told('1', '-0.6')).toContain('The hole of the padstack “P” has a diameter of “-0.6”');
  expect(told('1', '0')).not.toContain('padstack');
});
