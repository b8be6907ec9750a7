import { expect, test } from 'vitest';
import { isPadTable, readPadTable, type PadTableAsked } from '../../../../src/core/format/csv/read';
import { readPatterns } from '../../../../src/core/format/import';
import { readDrawing } from '../../../../src/core/format/dxf/read';

function table(text: string, asked: PadTableAsked = {}) {
  const read = readPadTable(text, 'lands.csv', asked);
  if (!read.ok) throw new Error(read.error);
  const [pattern] = read.value.patterns;
  return { pattern: pattern!, table: read.value.table };
}

test('a table with semicolons, decimal commas, and width beside height', () => {
  const { pattern, table: how } = table(
    'Pad;X (mm);Y (mm);Width;Height;Rot;Shape;Remark\n1;-1,30;0,95;1,10;0,60;0;rect;x\nTAB;1,60;0;2,40;1,80;90;oval;y\n',
  );
  expect(how.columns).toEqual(['number', 'x', 'y', 'length', 'width', 'rotation', 'shape', 'leave']);
  expect(
    pattern.lands.map(({ number, copper }) => [number, copper.at, copper.rotation, copper.figure]),
  ).toEqual([
    ['1', { x: -1.3, y: 0.95 }, 0, { kind: 'rectangle', width: 1.1, height: 0.6 }],
    ['TAB', { x: 1.6, y: 0 }, 90, { kind: 'oblong', width: 2.4, height: 1.8 }],
  ]);
  expect(pattern.left.join(' ')).toContain('Remark');
});

test('the side of the board, in words of the trade; one that is not known is told', () => {
  const rows = (head: string, ...sides: string[]) =>
    table(
      `Pad;X mm;Y mm;Width mm;Height mm;${head}\n${sides.map((side, i) => `${i + 1};${i};0;1;2;${side}`).join('\n')}\n`,
    ).pattern;
  const far = (pattern: ReturnType<typeof rows>) => pattern.lands.map((land) => land.far ?? false);
  expect(far(rows('Layer', 'Top', 'Bottom', 'component', 'far'))).toEqual([false, true, false, true]);
  expect(far(rows('Seite', 'oben', 'unten', 'Lötseite', 'Rückseite'))).toEqual([false, true, true, true]);
  expect(rows('Layer', 'Top', 'inner 2').left.join()).toContain('Row 3: the side “inner 2” is not known');
  // a pattern that lies on the far side alone is a pattern like any other
  expect(far(rows('Side', 'bottom', 'bottom'))).toEqual([false, false]);
});

test('heads in German', () => {
  const { pattern } = table(
    'Pad-Nr.;Pos X [mm];Pos Y [mm];Länge [mm];Breite [mm];Winkel\n7;-2,65;1,905;1,65;0,6;90\n',
  );
  expect(pattern.lands[0]).toMatchObject({
    number: '7',
    copper: { at: { x: -2.65, y: 1.905 }, rotation: 90, figure: { width: 1.65, height: 0.6 } },
  });
  expect(pattern.left).toEqual([]);
  const round = table(
    'Anschluss-Nr.;Mitte X [mil];Mitte Y [mil];Breite [mil];Höhe [mil];Form;Bohrung [mil]\n' +
      '1;-100,0;0,0;63,0;70,0;rechteckig;35,4\n2;0,0;50,0;63,0;63,0;rund;35,4\n',
  ).pattern;
  expect(
    round.lands.map(({ number, copper, hole }) => [number, copper.at, copper.figure, hole?.hole.at.x]),
  ).toEqual([
    ['1', { x: -2.54, y: 0 }, { kind: 'rectangle', width: 1.6002, height: 1.778 }, -2.54],
    ['2', { x: 0, y: 1.27 }, { kind: 'round', diameter: 1.6002 }, 0],
  ]);
  expect(round.left).toEqual([]);
});

test('heads that nobody knows are asked for, and read once they are said', () => {
  const text = 'n,east,north,e,f\n1,-1,0.5,0.8,0.4\n';
  expect(isPadTable(text)).toBe(false);
  const file = [{ name: 'lands.csv', bytes: new TextEncoder().encode(text) }];
  const asked = readPatterns(file);
  expect(asked.ok && asked.value.patterns).toEqual([]);
  expect(asked.ok && asked.value.left.join(' ')).toContain('the heads are “n”, “east”, “north”, “e”, “f”');
  const said = readPatterns(file, { columns: ['number', 'x', 'y', 'length', 'width'] });
  expect(said.ok && said.value.patterns[0]?.lands[0]?.copper).toMatchObject({
    at: { x: -1, y: 0.5 },
    figure: { width: 0.8, height: 0.4 },
  });
});

test('mil by the heads, by the cells, by the sizes, and by choice', () => {
  const x = (text: string, asked?: PadTableAsked) => table(text, asked).pattern.lands[0]?.copper.at.x;
  expect(x('pin,x_mil,y_mil,length_mil,width_mil\n1,100,0,40,20')).toBe(2.54);
  expect(x('pin,x,y,length,width\n1,100mil,0mil,40mil,20mil')).toBe(2.54);
  expect(x('pin,x,y,length,width\n1,100,0,40,20')).toBe(2.54);
  expect(x('pin,x,y,length,width\n1,100,0,40,20', { unit: 'mm' })).toBe(100);
  expect(x('pin,x,y,length,width\n1,0.1,0,0.04,0.02')).toBe(2.54);
  expect(table('pin,x,y,length,width\n1,100,0,40,20').pattern.left.join(' ')).toContain('read in mil');
});

test('holes with and without copper, pin names, and columns by choice', () => {
  const { pattern } = table(
    'no,a,b,dia,drill,plating,name\n1,0,0,1.8,1.2,plated,VIN\n2,2.54,0,1.8,1.2,non-plated,GND\n,5,0,,3.2,,',
    { columns: ['number', 'x', 'y', 'diameter', 'hole', 'plating', 'pin'], unit: 'mm' },
  );
  expect(pattern.lands.map(({ hole }) => hole?.plated)).toEqual([true, false]);
  expect(pattern.holes.map(({ figure }) => figure)).toEqual([{ kind: 'round', diameter: 3.2 }]);
  expect(pattern.pins?.map(({ lands, name }) => `${lands} ${name}`)).toEqual(['1 VIN', '2 GND']);
});

test('a row that cannot be read is told with its number and value, and leaves the others', () => {
  const { pattern } = table('pad,x,y,length,width\n1,0,0,1,1\n2,abc,0,1,1\n3,2,0,1,1\n4,3,0,,\n5,4,0,1,');
  expect(pattern.lands.map(({ number }) => number)).toEqual(['1', '3']);
  expect(pattern.left.join(' ')).toContain('Row 3: x is “abc”');
  expect(pattern.left.join(' ')).toContain('Row 5: it has no size');
  expect(pattern.left.join(' ')).toContain('Row 6: it has a length and no width');
});

test('tables of dimensions and of pins are no pad tables', () => {
  expect(isPadTable('symbol,min,nom,max\nA,1,2,3')).toBe(false);
  expect(isPadTable('pin,name,direction\n1,VIN,input')).toBe(false);
  expect(isPadTable('pad,x,y,w,h\n1,0,0,1,1')).toBe(true);
  expect(isPadTable('1,-1.3,0.95,1.1,0.6\n2,1.3,0.95,1.1,0.6')).toBe(true);
  expect(isPadTable('A,1.30,1.50,0.051,0.059\nB,2.1,2.3,0.083,0.091')).toBe(false);
});

test('lands by two corners, by a corner and their size, and by their edges', () => {
  const lands = (text: string) =>
    table(text).pattern.lands.map(({ copper: { at, figure } }) => [at.x, at.y, figure]);
  const made = [[-1, 0.5, { kind: 'rectangle', width: 1, height: 0.6 }]];
  expect(lands('pad,x1,y1,x2,y2\n1,-1.5,0.2,-0.5,0.8')).toEqual(made);
  expect(lands('pad,x1,y1,length,width\n1,-1.5,0.2,1,0.6')).toEqual(made);
  expect(lands('pad;links;rechts;unten;oben\n1;-1,5;-0,5;0,2;0,8')).toEqual(made);
  expect(lands('Pad,Xmin,Ymin,Xmax,Ymax\n1,-1.5,0.2,-0.5,0.8')).toEqual(made);
  expect(table('pad,x1,y1,x2,y2,length\n1,0,0,1,1,2').pattern.left.join(' ')).toContain(
    'its corners are 1 mm apart along x and its length is 2 mm',
  );
});

test.each([
  ['Numéro;Position X (mm);Position Y (mm);Longueur (mm);Largeur (mm)', 'French'],
  ['Número;Posición X (mm);Posición Y (mm);Longitud (mm);Ancho (mm)', 'Spanish'],
  ['Piazzola;Posizione X (mm);Posizione Y (mm);Lunghezza (mm);Larghezza (mm)', 'Italian'],
  ['Pad;Posição X (mm);Posição Y (mm);Comprimento (mm);Largura (mm)', 'Portuguese'],
  ['Вывод;X (мм);Y (мм);Длина (мм);Ширина (мм)', 'Russian'],
])('heads in another language: %s', (heads) => {
  const { pattern } = table(`${heads}\n1;-1,3;0,95;1,1;0,6\n`);
  expect(pattern.lands[0]).toMatchObject({
    number: '1',
    copper: { at: { x: -1.3, y: 0.95 }, figure: { width: 1.1, height: 0.6 } },
  });
  expect(pattern.left).toEqual([]);
});

test('Spanish width and height, and tables that say half of a size', () => {
  const { pattern } = table('Pad;X (mm);Y (mm);Ancho (mm);Alto (mm)\n1;-1,3;0,95;1,1;0,6\n');
  expect(pattern.lands[0]?.copper.figure).toMatchObject({ width: 1.1, height: 0.6 });
  const mixed = table('Pad;X (mm);Y (mm);Ancho (mil);Alto (mil)\n1;-1,3;0,95;40;20\n').pattern;
  expect(mixed.lands[0]?.copper).toMatchObject({ at: { x: -1.3 }, figure: { width: 1.016, height: 0.508 } });
  expect(mixed.left).toEqual([]);
  const half = table('pad,x (mm),y (mm),width (mm)\n1,0,0,1').pattern;
  expect(half.left.join(' ')).toContain('Only the width of lands is said');
  expect(table('pad,x (mm),y (mm),length (mm),width (mm),y2\n1,0,0,1,1,4').pattern.left.join(' ')).toContain(
    'A column says y2 and none says y1',
  );
});

test('a title above the heads, µm, aligned text and HTML read as the same table', () => {
  const plain = '1 -1300 950 1100 600\n2 1300 950 1100 600';
  const texts = [
    `Harrow Sound HS-77\n# all from the middle\npad,x (µm),y (µm),length (µm),width (µm)\n${plain.replaceAll(' ', ',')}`,
    `pad   x_um    y_um   length_um   width_um\n${plain.replaceAll(' ', '    ')}`,
    `<html><table><tr><th>Pad<th>X [µm]<th>Y [µm]<th>Length [µm]<th>Width [µm]</tr>${plain
      .split('\n')
      .map((row) => `<tr><td>${row.replaceAll(' ', '<td>')}</tr>`)
      .join('')}</table></html>`,
    `| pad | x (um) | y (um) | length (um) | width (um) |\n|---|---|---|---|---|\n${plain
      .split('\n')
      .map((row) => `| ${row.replaceAll(' ', ' | ')} |`)
      .join('\n')}`,
  ];
  for (const text of texts) {
    const file = [{ name: 'lands.txt', bytes: new TextEncoder().encode(text) }];
    const read = readPatterns(file);
    expect(
      read.ok &&
        read.value.patterns[0]?.lands.map(({ number, copper: { at, figure } }) => [number, at, figure]),
    ).toEqual([
      ['1', { x: -1.3, y: 0.95 }, { kind: 'rectangle', width: 1.1, height: 0.6 }],
      ['2', { x: 1.3, y: 0.95 }, { kind: 'rectangle', width: 1.1, height: 0.6 }],
    ]);
  }
  const titled = readPatterns([{ name: 'a.csv', bytes: new TextEncoder().encode(texts[0] ?? '') }]);
  expect(titled.ok && titled.value.patterns[0]?.left.join(' ')).toContain(
    '2 rows above the heads: “Harrow Sound HS-77',
  );
});

/** Places and widths of lands as they come out, mm. */
const sizes = ({ pattern }: ReturnType<typeof table>) =>
  pattern.lands.map(({ copper }) => [copper.at.x, Math.round((copper.maxX - copper.minX) * 1e4) / 1e4]);

test('a sign before three digits parts thousands only where it can be no sign of decimals', () => {
  // German millimetres: angles and numbers of hundreds say nothing of lengths
  const german = table(
    'Nr;X mm;Y mm;Länge mm;Breite mm;Drehung\n100;-2,540;0;1,600;1,200;270\n101;2,540;0;1,600;1,200;180\n',
  );
  expect(sizes(german)).toEqual([
    [-2.54, 1.2],
    [2.54, 1.6],
  ]);
  expect(german.pattern.left.join()).not.toContain('thousands');
  const micron = (text: string) => sizes(table(`pad;x (µm);y (µm);length (µm);width (µm)\n${text}`));
  expect(micron('1;-2,540;0;1,600;600\n2;2,540;0;1,600;600\n')).toEqual([
    [-2.54, 1.6],
    [2.54, 1.6],
  ]);
  expect(micron('1;-2.540;0;1.600;600\n2;2.540;0;1.600;600\n')).toEqual([
    [-2.54, 1.6],
    [2.54, 1.6],
  ]);
  // both signs leave no doubt, whatever the unit
  const both = table('pad;x mm;y mm;length mm;width mm\n1;1,234.5;0;40;20\n2;1,274.5;0;40;20\n');
  expect(both.pattern.left.join()).toContain('“1,234.5” and its like are read as thousands');
});

test('a unit beside the table is that of its numbers, a length that is given there is not', () => {
  const rows = 'pad,x,y,length,width\n1,-50,0,60,24\n2,50,0,60,24\n';
  expect(sizes(table(`"Alle Maße in mil, Stecker"\n${rows}`))[0]).toEqual([-1.27, 1.524]);
  const pitch = table(`"Header, pitch 0.1 inch"\n${rows}`);
  expect(sizes(pitch)[0]).toEqual([-1.27, 1.524]);
  expect(pitch.pattern.left.join()).toContain('The table does not say its unit');
});

test('a row that repeats a land is told, a number at another place is another land', () => {
  const { pattern } = table('pad,x,y,length,width\n1,0,0,1,1\n1,0,0,1,1\n1,5,0,1,1');
  expect(pattern.lands.map(({ copper }) => copper.at.x)).toEqual([0, 5]);
  expect(pattern.left.join(' ')).toContain('Row 3 gives land 1 at 0, 0 once more, as row 2 does');
});

/** A drawing of release 12 as a drawing office would save it, from entities. */
const drawing = (...entities: readonly (readonly (string | number)[])[]) =>
  [0, 'SECTION', 2, 'ENTITIES', ...entities.flat(), 0, 'ENDSEC', 0, 'EOF'].join('\n');
const box = (layer: string, x: number, y: number, w: number, h: number) => [
  ...[0, 'LWPOLYLINE', 8, layer, 90, 4, 70, 1],
  ...[
    10,
    x - w / 2,
    20,
    y - h / 2,
    10,
    x + w / 2,
    20,
    y - h / 2,
    10,
    x + w / 2,
    20,
    y + h / 2,
    10,
    x - w / 2,
    20,
    y + h / 2,
  ],
];
const circle = (layer: string, x: number, y: number, r: number) => [
  0,
  'CIRCLE',
  8,
  layer,
  10,
  x,
  20,
  y,
  40,
  r,
];
const text = (layer: string, x: number, y: number, words: string) => [
  0,
  'TEXT',
  8,
  layer,
  10,
  x,
  20,
  y,
  40,
  0.5,
  1,
  words,
];

test('layers by the words of their names, numbers by the texts on lands', () => {
  const read = readDrawing(
    drawing(
      box('Pads', -2, 0, 1, 0.6),
      box('Pads', 2, 0, 1, 0.6),
      text('Names', -2.1, 0, '1'),
      text('Names', 1.9, 0, '2'),
      text('Names', 0, 5, 'HS-77'),
      box('Body outline', 0, 0, 3, 2),
      box('Keep clear', 0, 3, 1, 1),
      circle('Drill', 0, -3, 0.8),
      [0, 'LINE', 8, 'Silk', 10, -1, 20, 1.2, 11, 1, 21, 1.2],
      box('Board edge', 0, 20, 60, 47),
      [0, 'SPLINE', 8, 'Pads'],
    ),
    'part.dxf',
  );
  if (!read.ok) throw new Error(read.error);
  const [pattern] = read.value.patterns;
  expect(pattern?.lands.map(({ number, copper }) => [number, copper.at.x])).toEqual([
    ['1', -2],
    ['2', 2],
  ]);
  expect(pattern?.holes).toHaveLength(1);
  expect(pattern?.areas).toHaveLength(1);
  expect(pattern?.legend?.lines).toHaveLength(1);
  expect(pattern?.edge).toMatchObject({ side: 'down', at: { y: -3.5 } });
  expect(pattern?.left.join(' ')).toContain('SPLINE');
  expect(pattern?.left.join(' ')).toContain('1 text is left out');
});

test('an inch drawing of old polylines, and of lines and arcs that meet end to end', () => {
  const file = [
    ...[0, 'SECTION', 2, 'HEADER', 9, '$INSUNITS', 70, 1, 0, 'ENDSEC', 0, 'SECTION', 2, 'ENTITIES'],
    // an oblong of 0.2 by 0.1 in about the origin
    ...[0, 'LINE', 8, 'COPPER_TOP', 10, -0.05, 20, -0.05, 11, 0.05, 21, -0.05],
    ...[0, 'ARC', 8, 'COPPER_TOP', 10, 0.05, 20, 0, 40, 0.05, 50, 270, 51, 90],
    ...[0, 'LINE', 8, 'COPPER_TOP', 10, 0.05, 20, 0.05, 11, -0.05, 21, 0.05],
    ...[0, 'ARC', 8, 'COPPER_TOP', 10, -0.05, 20, 0, 40, 0.05, 50, 90, 51, 270],
    ...[0, 'POLYLINE', 8, 'MASK_TOP', 66, 1, 70, 1],
    ...[-0.11, -0.06, 0.11, -0.06, 0.11, 0.06, -0.11, 0.06].flatMap((v, i, all) =>
      i % 2 === 0 ? [0, 'VERTEX', 8, 'MASK_TOP', 10, v, 20, all[i + 1] ?? 0] : [],
    ),
    ...[0, 'SEQEND', 0, 'ENDSEC', 0, 'EOF'],
  ].join('\r\n');
  const read = readDrawing(file, 'old.dxf');
  if (!read.ok) throw new Error(read.error);
  const [land] = read.value.patterns[0]?.lands ?? [];
  expect(land?.copper.figure).toEqual({ kind: 'oblong', width: 5.08, height: 2.54 });
  expect(land?.mask?.map(({ figure }) => figure)).toEqual([
    { kind: 'rectangle', width: 5.588, height: 3.048 },
  ]);
});

test('a drawing whose layers say nothing has a body and free contours, or what is chosen', () => {
  const file = drawing(box('0', 0, 0, 6, 4), box('0', -1.5, 0, 1, 1), circle('0', 1.5, 0, 0.5));
  const plain = readDrawing(file, 'a.dxf');
  expect(plain.ok && plain.value.patterns[0]?.lands).toHaveLength(2);
  expect(plain.ok && plain.value.patterns[0]?.body).toBeDefined();
  expect(plain.ok && plain.value.patterns[0]?.left.join(' ')).toContain(
    'largest outline was taken for the body',
  );
  const chosen = readDrawing(file, 'a.dxf', { layers: { '0': 'holes' } });
  expect(chosen.ok && chosen.value.patterns[0]?.holes).toHaveLength(3);
});

test('a table with a column for each land, and letters of other codes', () => {
  const turned = table(
    'Pad,1,2\nX (mm),-1,1.5\nY (mm),0.5,0\nWidth (mm),0.6,0.7\nHeight (mm),1,1.2\n',
  ).pattern;
  expect(turned.lands.map(({ number, copper: { at, figure } }) => [number, at, figure])).toEqual([
    ['1', { x: -1, y: 0.5 }, { kind: 'rectangle', width: 0.6, height: 1 }],
    ['2', { x: 1.5, y: 0 }, { kind: 'rectangle', width: 0.7, height: 1.2 }],
  ]);
  expect(turned.left.join(' ')).toContain('a column for each land');
  const text =
    'Pastille;Centre X en mm;Centre Y en mm;Largeur en mm;Hauteur en mm;Côté\n1;-1,5;0;1,2;0,8;dessus\n';
  const wide = Uint8Array.from([
    0xff,
    0xfe,
    ...[...text].flatMap((one) => [one.charCodeAt(0) & 255, one.charCodeAt(0) >> 8]),
  ]);
  const narrow = Uint8Array.from([...text].map((one) => one.charCodeAt(0)));
  for (const bytes of [wide, narrow, new TextEncoder().encode(text)]) {
    const read = readPatterns([{ name: 'lands.csv', bytes }]);
    if (!read.ok) throw new Error(read.error);
    const [pattern] = read.value.patterns;
    expect(pattern?.lands[0]?.copper).toMatchObject({ at: { x: -1.5 }, figure: { width: 1.2, height: 0.8 } });
    expect(pattern?.left).toEqual([]);
  }
});

test.each([
  ['Finnish', 'Juotosalue', 'Leveys', 'Korkeus'],
  ['Czech', 'Ploška', 'Šířka', 'Výška'],
  ['Korean', '패드', '너비', '높이'],
  ['Turkish', 'Ped', 'Genişlik', 'Yükseklik'],
  ['Danish', 'Loddeø', 'Bredde', 'Højde'],
  ['Hungarian', 'Forrszem', 'Szélesség', 'Magasság'],
])('heads in %s', (_, pad, width, height) => {
  const { pattern } = table(`${pad},X (mm),Y (mm),${height},${width}\n3,1,2,0.8,0.5\n`);
  expect(pattern.lands[0]).toMatchObject({ number: '3', copper: { figure: { width: 0.5, height: 0.8 } } });
});

test('mil with three decimals stay mil, micrometres with marks of thousands stay thousands', () => {
  const rows = (unit: string, width: string, x: string) =>
    table(`Pad;X [${unit}];Y [${unit}];Width [${unit}];Height [${unit}]\n1;${x};${x};${width};${width}\n`)
      .pattern;
  const mil = rows('mil', '21.732', '-106.929');
  expect(mil.lands[0]?.copper.figure).toMatchObject({ width: 0.551993, height: 0.551993 });
  expect(mil.left).toEqual([]);
  const micron = rows('µm', '1.550', '-2.700');
  expect(micron.lands[0]?.copper).toMatchObject({ at: { x: -2.7 }, figure: { width: 1.55 } });
  expect(micron.left.join()).toContain('read as thousands');
});

test('holes: of nothing none, by both their sides slots either way, below nothing refused; radii', () => {
  const holes = (heads: string, ...rows: string[]) =>
    table(`Pad,X mm,Y mm,${heads}\n${rows.map((row, i) => `${i + 1},${3 * i},0,${row}`).join('\n')}\n`)
      .pattern;
  const figures = ({ lands }: ReturnType<typeof holes>) => lands.map(({ hole }) => hole?.hole.figure);
  const plain = holes('Width mm,Height mm,Hole mm', '1,1,0', '1,1,0.5', '1,1,-0.5');
  expect(figures(plain)).toEqual([undefined, { kind: 'round', diameter: 0.5 }]);
  expect(plain.left.join()).toContain('Row 4: its hole is -0.5 mm wide; the row is left out.');
  const slots = holes('Width mm,Height mm,Hole X mm,Hole Y mm', '1,2,0,0', '1,2,0.5,1.2', '1,1,0.6,0.6');
  expect(figures(slots)).toEqual([
    undefined,
    { kind: 'oblong', width: 0.5, height: 1.2 },
    { kind: 'round', diameter: 0.6 },
  ]);
  expect(slots.left).toEqual([]);
  expect(holes('Radius mm', '0.4').lands[0]?.copper.figure).toEqual({ kind: 'round', diameter: 0.8 });
});
