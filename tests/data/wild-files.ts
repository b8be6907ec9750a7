import { deflateSync } from 'node:zlib';
import { strToU8, zipSync } from 'fflate';
import fc from 'fast-check';
import { pdfOf, pngChunk, pngData, pngHead, pngOf } from './files';

// Files as nobody should write them, kind by kind: each has the structure of its kind, so that a reader gets
// far into it, and in that structure numbers, references and counts that mean ill.

/** A file, and what a reader may need to be asked for. */
export interface WildFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

const latin = (text: string) => Uint8Array.from(text, (letter) => letter.charCodeAt(0) & 255);
const bytesOf = (text: string) => new TextEncoder().encode(text);

/** Numbers as text: mostly such as a file has, some that no file should have. */
const number = fc.oneof(
  { weight: 8, arbitrary: fc.integer({ min: -600, max: 900 }).map(String) },
  { weight: 5, arbitrary: fc.double({ min: -5, max: 30, noNaN: true }).map((v) => v.toFixed(3)) },
  {
    weight: 2,
    arbitrary: fc.constantFrom(
      ...'0 -0 1e9 -1e9 999999999999 0.0000001 NaN Infinity 1e308 1e-400 2147483648 -1 65536'.split(' '),
    ),
  },
);
const count = fc.oneof(
  { weight: 5, arbitrary: fc.integer({ min: 0, max: 12 }) },
  { weight: 2, arbitrary: fc.constantFrom(1000, 20_000, 65_535, 1_000_000, 2_147_483_647, -1) },
);
const joined = (part: fc.Arbitrary<string>, maxLength: number, by = '\n') =>
  fc.array(part, { maxLength }).map((all) => all.join(by));
/** What a file has as a rule, else something else. */
const mostly = <const T, U>(usual: T, other: fc.Arbitrary<U>): fc.Arbitrary<T | U> =>
  fc.oneof({ weight: 9, arbitrary: fc.constant(usual) }, { weight: 1, arbitrary: other });
const filled = (template: string, numbers: fc.Arbitrary<string> = number): fc.Arbitrary<string> => {
  const parts = template.split('#');
  return fc
    .array(numbers, { minLength: parts.length - 1, maxLength: parts.length - 1 })
    .map((values) => parts.map((part, i) => part + (values[i] ?? '')).join(''));
};
/** One of several templates, each # a number. */
const oneOf = (...templates: string[]) => fc.oneof(...templates.map((template) => filled(template)));

/** Some bytes of a file changed, or its end lost. */
const damaged = (file: fc.Arbitrary<Uint8Array>): fc.Arbitrary<Uint8Array> =>
  fc
    .tuple(
      file,
      fc.array(fc.tuple(fc.nat(), fc.nat(255)), { maxLength: 6 }),
      fc.option(fc.double({ min: 0.2, max: 1, noNaN: true }), { freq: 6 }),
    )
    .map(([bytes, changes, end]) => {
      const copy = bytes.slice(0, end === null ? bytes.length : Math.ceil(end * bytes.length));
      for (const [at, value] of changes) if (copy.length > 0) copy[at % copy.length] = value;
      return copy;
    });
const perhapsDamaged = (file: fc.Arbitrary<Uint8Array>) =>
  fc.oneof({ weight: 3, arbitrary: file }, { weight: 1, arbitrary: damaged(file) });

// --- PDF ------------------------------------------------------------------------------------------------------

/** Objects of a PDF refer to any of these. */
const OBJECTS = 12;
const reference = fc.integer({ min: 1, max: OBJECTS + 2 }).map((i) => `${i} 0 R`);
const CONTENT = oneOf(
  'BT /F1 # Tf # # Td (A 1.35 1.55 1.75) Tj ET',
  'BT /F1 9 Tf # # # # # # Tm [(E1) # (3.9) # (4.1)] TJ ET',
  'BT /F2 # Tf # Tz # TL # Ts 50 700 Td (Symbol Min Nom Max) Tj T* (b 0.3 0.4 0.5) Tj ET',
  '# # # # re f',
  '# # m # # l # # # # # # c S',
  '[# #] # d # w 0 0 m # # l S',
  'q # # # # # # cm /X1 Do Q',
  '/X2 Do',
  '/X3 Do /X3 Do',
  '/Pattern cs /P1 scn 0 0 # # re f',
  '/S1 sh',
  '/G1 gs 0 0 # # re f',
  'q q q q # # # # re W n',
  'Q Q Q',
  'BI /W # /H # /BPC 8 /CS /G ID abcdef EI',
);
/** The content of one instruction by the thousand. */
const content = fc.oneof(
  { weight: 5, arbitrary: joined(CONTENT, 25) },
  {
    weight: 1,
    arbitrary: fc.tuple(CONTENT, fc.constantFrom(1000, 20_000)).map(([one, n]) => `${one}\n`.repeat(n)),
  },
);
const RESOURCES =
  '/Resources<</Font<</F1 3 0 R/F2 8 0 R>>/XObject<</X1 5 0 R/X2 6 0 R/X3 7 0 R>>/Pattern<</P1 9 0 R>>/Shading<</S1 10 0 R>>/ExtGState<</G1 11 0 R>>>>';

function stream(dictionary: string, data: string, filter: number): string {
  let body = data;
  let names = '';
  // contents that are packed, and packed twice
  for (let i = 0; i < filter; i += 1) {
    body = deflateSync(Buffer.from(body, 'latin1')).toString('latin1');
    names += '/FlateDecode';
  }
  return `<<${dictionary}${names === '' ? '' : `/Filter[${names}]`}/Length ${body.length}>>\nstream\n${body}\nendstream`;
}
const streamOf = (dictionary: fc.Arbitrary<string>, data: fc.Arbitrary<string>) =>
  fc.tuple(dictionary, data, fc.nat(2)).map(([head, body, filter]) => stream(head, body, filter));

const xobject = fc.oneof(
  streamOf(filled(`/Type/XObject/Subtype/Form/BBox[# # # #]/Matrix[# 0 0 # # #]${RESOURCES}`), content),
  streamOf(
    fc
      .tuple(
        filled('/Type/XObject/Subtype/Image/Width #/Height #'),
        fc.constantFrom('1', '2', '4', '8', '16', '3'),
        fc.constantFrom(
          '/DeviceGray',
          '/DeviceRGB',
          '[/Indexed/DeviceRGB 255(abc)]',
          '[/ICCBased 7 0 R]',
          '/None',
        ),
        fc.option(reference),
      )
      .map(
        ([size, bits, space, mask]) =>
          `${size}/BitsPerComponent ${bits}/ColorSpace${space}${mask ? `/SMask ${mask}` : ''}`,
      ),
    fc.string({ maxLength: 200, unit: 'binary-ascii' }),
  ),
);
const font = fc.oneof(
  fc.constant('<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>'),
  filled('<</Type/Font/Subtype/Type1/BaseFont/Helvetica/FirstChar #/LastChar #/Widths[# # #]>>'),
  reference.map(
    (to) =>
      `<</Type/Font/Subtype/Type0/BaseFont/X/Encoding/Identity-H/DescendantFonts[${to}]/ToUnicode ${to}>>`,
  ),
  streamOf(
    fc.constant(''),
    filled(
      'begincmap # begincodespacerange <0000> <FFFFFFFF> endcodespacerange 1 beginbfrange <00000000> <FFFFFFFF> <0041> endbfrange endcmap',
    ),
  ),
);
const other = fc.oneof(
  streamOf(
    filled(`/Type/Pattern/PatternType 1/PaintType 1/TilingType 1/BBox[0 0 # #]/XStep #/YStep #${RESOURCES}`),
    content,
  ),
  filled(
    '<</ShadingType 2/ColorSpace/DeviceRGB/Coords[# # # #]/Function<</FunctionType 2/N #/Domain[# #]/C0[0 0 0]/C1[1 1 1]>>>>',
  ),
  streamOf(
    filled('/FunctionType 4/Domain[# #]/Range[0 1]'),
    joined(fc.constantFrom('{', '}', 'dup', 'mul', '2', 'exp', 'if', 'roll'), 40, ' '),
  ),
  reference.map((to) => `<</Type/ExtGState/SMask<</Type/Mask/S/Luminosity/G ${to}>>/ca 0.5>>`),
  joined(reference, 8, ' ').map((all) => `[${all}]`),
);
/** A page tree and its page: mostly such as there are. */
const pages = fc.oneof(
  { weight: 4, arbitrary: fc.constant('<</Type/Pages/Kids[4 0 R]/Count 1>>') },
  {
    weight: 1,
    arbitrary: fc
      .tuple(fc.array(fc.constantFrom('2 0 R', '4 0 R', '12 0 R'), { minLength: 1, maxLength: 6 }), count)
      .map(([kids, n]) => `<</Type/Pages/Kids[${kids.join(' ')}]/Count ${n}>>`),
  },
);
const leaf = fc
  .tuple(
    fc.oneof(fc.constant('[0 0 600 800]'), filled('[# # # #]')),
    fc.constantFrom('0', '0', '90', '45', '-270', '1e9'),
    fc.oneof(
      { weight: 4, arbitrary: fc.constant('12 0 R') },
      { weight: 1, arbitrary: fc.oneof(reference, fc.constant('[12 0 R 12 0 R]')) },
    ),
  )
  .map(
    ([box, turn, to]) =>
      `<</Type/Page/Parent 2 0 R/MediaBox${box}/Rotate ${turn}${RESOURCES}/Contents ${to}>>`,
  );
/** A table as a datasheet has it, so that a page is worth to be read. */
const ROWS = fc
  .array(fc.tuple(fc.constantFrom(...'A A1 b D E E1 e L c'.split(' ')), number, number, number), {
    maxLength: 9,
  })
  .map((rows) =>
    [['Symbol', 'Min', 'Nom', 'Max'], ...rows]
      .map(
        ([symbol, ...limits], i) =>
          `BT /F1 10 Tf 50 ${700 - 20 * i} Td (${symbol}) Tj ${limits.map((one) => `70 0 Td (${one}) Tj`).join(' ')} ET`,
      )
      .join('\n'),
  );

const pdf: fc.Arbitrary<Uint8Array> = fc
  .tuple(
    pages,
    font,
    leaf,
    xobject,
    xobject,
    xobject,
    font,
    other,
    other,
    other,
    streamOf(
      fc.constant(''),
      fc.tuple(ROWS, content).map((both) => both.join('\n')),
    ),
    fc.integer({ min: 0, max: 9 }).map((i) => i > 0),
  )
  .map(([tree, face, page, ...more]) => {
    const isTrue = more.pop() as boolean;
    const objects = ['<</Type/Catalog/Pages 2 0 R>>', tree, face, page, ...(more as string[])];
    return pdfOf(objects, isTrue ? 0 : 3);
  });

// --- Pictures -------------------------------------------------------------------------------------------------

const side = fc.oneof(
  { weight: 4, arbitrary: fc.nat(80) },
  { weight: 1, arbitrary: fc.constantFrom(0, 30_001, 65_535, 24_000_000, 2 ** 31 - 1) },
);
const png: fc.Arbitrary<Uint8Array> = fc
  .record({
    width: side,
    height: side,
    depth: fc.constantFrom(1, 2, 4, 8, 16, 3, 0),
    colour: fc.constantFrom(0, 2, 3, 4, 6, 1, 9),
    lace: fc.constantFrom(0, 0, 1, 7),
    length: fc.oneof(fc.nat(60_000), fc.constant(4_000_000)),
    isTrue: fc.boolean(),
    more: fc.array(fc.constantFrom('PLTE', 'tRNS', 'iCCP', 'gAMA', 'zTXt', 'IDAT', 'IHDR', 'quux'), {
      maxLength: 3,
    }),
  })
  .map(({ width, height, depth, colour, lace, length, isTrue, more }) => {
    const others = more.map((name) => pngChunk(name, deflateSync(Buffer.alloc(3 * name.charCodeAt(0), 7))));
    const head = pngHead(width, height, depth, colour, lace);
    return pngOf([head, ...others, pngData(Buffer.alloc(length, 0xf0), isTrue)]);
  });
/** Heads of JPEG and WebP whose sizes and lengths are anything. */
const otherPicture = fc
  .tuple(fc.boolean(), fc.uint8Array({ maxLength: 300 }), fc.nat(65_535), fc.nat(65_535))
  .map(([isJpeg, rest, width, height]) => {
    const size = [height >> 8, height & 255, width >> 8, width & 255];
    return isJpeg
      ? Uint8Array.from([
          0xff,
          0xd8,
          0xff,
          0xc0,
          0,
          17,
          8,
          ...size,
          3,
          1,
          0x22,
          0,
          2,
          0x11,
          1,
          3,
          0x11,
          1,
          0xff,
          0xda,
          ...rest,
        ])
      : Uint8Array.from([
          ...latin('RIFF\xff\xff\xff\x7fWEBPVP8X'),
          10,
          0,
          0,
          0,
          0,
          0,
          0,
          0,
          ...size,
          ...rest,
        ]);
  });

// --- ZIP, text ------------------------------------------------------------------------------------------------

const PATHS = [
  'a.csv',
  '../../a.csv',
  'deep/'.repeat(60) + 'b.gbr',
  'é½電.csv',
  'a.csv ',
  'a/__proto__x.csv',
  'c.dxf',
  'CON',
];
const zip: fc.Arbitrary<Uint8Array> = fc
  .tuple(
    fc.uniqueArray(fc.constantFrom(...PATHS), { minLength: 1, maxLength: 5 }),
    fc.constantFrom(0, 10, 4_000_000),
    fc.constantFrom(
      'pad,x,y,length,width\n1,0,0,1,1\n2,2,0,1,1\n',
      '0\nSECTION\n',
      '%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,1*%\nD10*\nX0Y0D03*\nM02*\n',
    ),
  )
  .map(([paths, zeros, text]) =>
    zipSync(
      Object.fromEntries(paths.map((path, i) => [path, i === 1 ? new Uint8Array(zeros) : strToU8(text)])),
    ),
  );

const cell = fc.oneof(
  {
    weight: 6,
    arbitrary: fc.constantFrom(
      ...'A A1 b D E E1 e L Symbol Min Nom Max mm inch 1.35 0.5±0.1 4.80-5.00 BSC 最大 – ½" 1/0'.split(' '),
    ),
  },
  { weight: 2, arbitrary: number },
  {
    weight: 1,
    arbitrary: fc.constantFrom(
      '&lt;&#0;&#x110000;&amp',
      '<b>',
      '\u0000',
      '\u202e9.1',
      '٣.٥',
      'x'.repeat(5000),
      '𝟏.𝟐',
    ),
  },
);
const markup = fc
  .array(
    fc
      .tuple(
        fc.constantFrom('td', 'th', 'tr', 'table', 'div', 'script', 'style', 'p', 'sup'),
        count,
        count,
        fc.array(cell, { maxLength: 5 }),
      )
      .map(
        ([tag, columns, rows, cells]) =>
          `<${tag} colspan=${columns} rowspan="${rows}">${cells.map((one) => `<td>${one}`).join('')}`,
      ),
    { maxLength: 25 },
  )
  .chain((rows) => fc.constantFrom(1, 1, 1, 300).map((n) => `<html><table>${rows.join('\n').repeat(n)}`));
const table = fc
  .tuple(
    fc.array(fc.array(cell, { maxLength: 9 }), { maxLength: 25 }),
    fc.constantFrom('\t', ',', ';', ' | ', '  ', ' '),
    fc.constantFrom(1, 1, 1, 400),
  )
  .map(([rows, by, n]) => `${rows.map((row) => row.join(by)).join('\n')}\n`.repeat(n));

// --- Patterns ---------------------------------------------------------------------------------------------------

const gerber = fc
  .tuple(
    fc.constantFrom('%FSLAX46Y46*%', '%FSTIX24Y24*%', '%FSLAX66Y66*%', '%FSLIX11Y11*%', ''),
    fc.constantFrom('%MOMM*%', '%MOIN*%', ''),
    joined(
      oneOf(
        '%ADD10C,#*%',
        '%ADD11R,#X#X#*%',
        '%ADD12P,#X#X#*%',
        '%ADD13M*%',
        '%ADD10O,#X#*%',
        '%AMM*1,1,#,#,#*4,1,#,#,#,#,#,#,#*21,1,#,#,#,#,#*$1=$1x#*%',
        '%SRX#Y#I#J#*%',
        '%SR*%',
        '%ABD20*%',
        '%AB*%',
        'D10*',
        'D11*',
        'D13*',
        'D20*',
        'X#Y#D03*',
        'X#Y#D01*',
        'X#Y#D02*',
        'X#Y#I#J#D01*',
        'G02*',
        'G03*',
        'G75*',
        'G74*',
        'G36*',
        'G37*',
        '%LPC*%',
        '%LPD*%',
        '%LMX*%',
        '%LR#*%',
        '%LS#*%',
        '%OFA#B#*%',
        '%TF.FileFunction,Copper,L1,Top*%',
        '%TO.P,U1,1*%',
        'X1000000Y0D03*',
        'X0Y1000000D03*',
        'M00*',
        '%TA.AperFunction,SMDPad,CuDef*%',
      ),
      60,
    ),
  )
  .map(([format, unit, body]) => `${format}\n${unit}\n%ADD10C,1*%\n%ADD11R,1X2*%\n${body}\nM02*\n`);
const drill = joined(
  oneOf(
    'T1C#',
    'T2C#F#S#',
    '%',
    'T1',
    'T2',
    'X#Y#',
    'X#Y#G85X#Y#',
    'R#X#Y#',
    'M25',
    'M01',
    'M02X#Y#',
    'G00X#Y#',
    'M15',
    'G01X#Y#',
    'G02X#Y#A#',
    'M16',
    'METRIC,TZ',
    'INCH,LZ',
    'G90',
    'G91',
    'M71',
    ';#',
  ),
  60,
).map((body) => `M48\nMETRIC\nT1C0.5\nT2C1.0\n%\nT1\n${body}\nM30\n`);

const shape = fc.oneof(
  filled('<Circle diameter="#"/>'),
  filled('<RectCenter width="#" height="#"/>'),
  filled('<RectRound width="#" height="#" radius="#" upperRight="true"/>'),
  filled('<Oval width="#" height="#"/>'),
  filled('<Donut shape="ROUND" outerDiameter="#" innerDiameter="#"/>'),
  filled(
    '<Contour><Polygon><PolyBegin x="#" y="#"/><PolyStepSegment x="#" y="#"/><PolyStepCurve x="#" y="#" centerX="#" centerY="#" clockwise="true"/></Polygon></Contour>',
  ),
  filled(
    '<UserSpecial><Line startX="#" startY="#" endX="#" endY="#"><LineDesc lineWidth="#" lineEnd="ROUND"/></Line><StandardPrimitiveRef id="S1"/><UserPrimitiveRef id="S2"/></UserSpecial>',
  ),
  fc.constant('<UserPrimitiveRef id="S1"/>'),
  fc.constant('<StandardPrimitiveRef id="S2"/>'),
);
const pin = fc
  .tuple(
    fc.constantFrom('THRU', 'SURFACE', 'X'),
    filled('<Location x="#" y="#"/><Xform rotation="#" scale="#" xOffset="#" yOffset="#"/>'),
    shape,
  )
  .map(
    ([type, place, figure]) =>
      `<Pin number="1" type="${type}" electricalType="ELECTRICAL">${place}${figure}</Pin><Pad padstackDefRef="P">${place}${figure}<PinRef pin="1" componentRef="U1"/></Pad>`,
  );
const ipc = fc
  .tuple(
    fc.constantFrom('MILLIMETER', 'INCH', 'MICRON', 'x'),
    fc.array(shape, { minLength: 2, maxLength: 4 }),
    joined(pin, 12),
    fc.constantFrom(1, 1, 1, 150),
  )
  .map(
    ([unit, shapes, pins, n]) =>
      `<?xml version="1.0"?><IPC-2581 revision="C" xmlns="http://webstds.ipc.org/2581"><Content roleRef="o"><DictionaryStandard units="${unit}">${shapes.map((one, i) => `<EntryStandard id="S${i + 1}">${one}</EntryStandard>`).join('')}</DictionaryStandard><DictionaryUser units="${unit}">${shapes.map((one, i) => `<EntryUser id="S${i + 1}">${one}</EntryUser>`).join('')}</DictionaryUser></Content><Ecad><CadHeader units="${unit}"/><CadData><Layer name="TOP" layerFunction="CONDUCTOR" side="TOP"/><Step name="s"><Package name="P" type="OTHER" pinOne="1"><Outline>${shapes[0]}</Outline>${pins.repeat(n)}</Package><Component refDes="U1" packageRef="P" layerRef="TOP"/></Step></CadData></Ecad></IPC-2581>`,
  );

const entity = oneOf(
  '0\nCIRCLE\n8\nPads\n10\n#\n20\n#\n40\n#',
  '0\nLWPOLYLINE\n8\nPads\n90\n4\n70\n1\n10\n#\n20\n#\n10\n#\n20\n#\n42\n#\n10\n#\n20\n#\n10\n#\n20\n#',
  '0\nARC\n8\nPads\n10\n#\n20\n#\n40\n#\n50\n#\n51\n#',
  '0\nLINE\n8\nPads\n10\n#\n20\n#\n11\n#\n21\n#',
  '0\nELLIPSE\n8\nPads\n10\n#\n20\n#\n11\n#\n21\n#\n40\n#\n41\n#\n42\n#',
  '0\nSPLINE\n8\nPads\n71\n#\n40\n#\n40\n#\n10\n#\n20\n#\n10\n#\n20\n#\n10\n#\n20\n#',
  '0\nHATCH\n8\nPads\n91\n#\n92\n2\n72\n0\n73\n1\n93\n#\n10\n#\n20\n#\n10\n#\n20\n#',
  '0\nINSERT\n8\nPads\n2\nB1\n10\n#\n20\n#\n41\n#\n42\n#\n50\n#\n70\n#\n71\n#\n44\n#\n45\n#',
  '0\nINSERT\n8\nPads\n2\nB2\n10\n#\n20\n#',
  '0\nTEXT\n8\nPads\n10\n#\n20\n#\n40\n#\n1\n#',
  '0\nSOLID\n8\nPads\n10\n#\n20\n#\n11\n#\n21\n#\n12\n#\n22\n#\n13\n#\n23\n#',
);
const dxf = fc
  .tuple(
    joined(entity, 8),
    joined(entity, 8),
    joined(entity, 40),
    fc.constantFrom('4', '1', '5', '0', '99'),
    fc.constantFrom(1, 1, 1, 100),
  )
  .map(
    ([b1, b2, body, units, n]) =>
      `0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n${units}\n0\nENDSEC\n0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n2\nB1\n10\n0\n20\n0\n${b1}\n0\nENDBLK\n0\nBLOCK\n2\nB2\n10\n0\n20\n0\n${b2}\n0\nENDBLK\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n${`${body}\n`.repeat(n)}0\nENDSEC\n0\nEOF\n`,
  );

// --- Models -----------------------------------------------------------------------------------------------------

const index = fc.oneof(
  { weight: 6, arbitrary: fc.nat(2) },
  { weight: 1, arbitrary: fc.constantFrom(-1, 7, 1e9, null, 'x') },
);
const real = number.map(Number);
const uri = (data: ArrayBufferView) =>
  `data:application/octet-stream;base64,${Buffer.from(data.buffer, data.byteOffset, data.byteLength).toString('base64')}`;
const gltf = fc
  .record({
    nodes: fc.array(
      fc.record(
        {
          mesh: mostly(0, index),
          children: mostly([], fc.array(index, { maxLength: 3 })),
          translation: mostly([0, 0, 1], fc.array(real, { minLength: 2, maxLength: 4 })),
          scale: mostly([1, 2, 1], fc.array(real, { minLength: 3, maxLength: 3 })),
        },
        { requiredKeys: ['mesh'] },
      ),
      { maxLength: 5 },
    ),
    roots: mostly([0], fc.array(index, { maxLength: 4 })),
    points: fc.array(fc.double({ min: -0.01, max: 0.01, noNaN: true }), { minLength: 9, maxLength: 60 }),
    indices: fc.array(fc.oneof({ weight: 60, arbitrary: fc.nat(2) }, { weight: 1, arbitrary: fc.nat() }), {
      minLength: 3,
      maxLength: 30,
    }),
    size: mostly(null, count),
    offset: mostly(0, fc.constantFrom(2, 4, 1e9, -4)),
    type: mostly('VEC3', fc.constantFrom('VEC2', 'SCALAR', 'MAT4', 'VEC9')),
    mode: mostly(4, fc.constantFrom(5, 6, 0, 1, 99)),
    version: mostly('2.0', fc.constantFrom('1.0', '3.0')),
  })
  .map(({ nodes, roots, points, indices, size, offset, type, mode, version }) => {
    const [p, i] = [Float32Array.from(points), Uint32Array.from(indices)];
    return JSON.stringify({
      asset: { version },
      scene: 0,
      scenes: [{ nodes: roots }],
      nodes,
      meshes: [{ primitives: [{ attributes: { POSITION: 0 }, indices: 1, mode }] }],
      accessors: [
        {
          bufferView: 0,
          byteOffset: offset,
          componentType: 5126,
          count: size ?? Math.floor(p.length / 3),
          type,
        },
        { bufferView: 1, componentType: 5125, count: i.length, type: 'SCALAR' },
      ],
      bufferViews: [
        { buffer: 0, byteLength: p.byteLength },
        { buffer: 1, byteLength: i.byteLength },
      ],
      buffers: [p, i].map((data) => ({ byteLength: data.byteLength, uri: uri(data) })),
    });
  });
const glb = fc.tuple(gltf, fc.nat(), fc.nat(40)).map(([json, length, more]) => {
  const text = Buffer.from(json);
  const head = Buffer.alloc(20);
  head.write('glTF', 0, 'latin1');
  [2, 20 + text.length, length % 3 === 0 ? length : text.length, 0x4e4f534a].forEach((value, i) =>
    head.writeUInt32LE(value >>> 0, 4 + 4 * i),
  );
  return Uint8Array.from(Buffer.concat([head, text, Buffer.alloc(more)]));
});
const stl = fc
  .tuple(
    count,
    fc.array(fc.array(mostly(1, fc.float()), { minLength: 12, maxLength: 12 }), { maxLength: 30 }),
  )
  .map(([said, triangles]) => {
    const data = Buffer.alloc(84 + 50 * triangles.length);
    data.writeUInt32LE(said === 0 || said === 3 ? triangles.length : said >>> 0, 80);
    triangles.forEach((values, i) =>
      values.forEach((value, k) => data.writeFloatLE(value, 84 + 50 * i + 4 * k)),
    );
    return Uint8Array.from(data);
  });
const stlText = joined(
  oneOf(
    'facet normal # # #\nouter loop\nvertex # # #\nvertex # # #\nvertex # # #\nendloop\nendfacet',
    'vertex # #',
    'endsolid',
  ),
  20,
).map((body) => `solid x\n${body}\nendsolid x\n`);

const named = (name: string, bytes: fc.Arbitrary<Uint8Array>): fc.Arbitrary<WildFile> =>
  bytes.map((content) => ({ name, bytes: content }));
const text = (name: string, content: fc.Arbitrary<string>) =>
  named(name, perhapsDamaged(content.map(bytesOf)));

/** Datasheets, by kind. */
export const WILD_SHEETS = {
  pdf: named('sheet.pdf', perhapsDamaged(pdf)),
  picture: named('scan.png', fc.oneof(perhapsDamaged(png), otherPicture)),
  html: text('page.html', markup),
  text: text('table.txt', table),
};

/** Patterns, by kind. */
export const WILD_PATTERNS = {
  gerber: text('top.gbr', gerber),
  drill: text('holes.drl', drill),
  ipc2581: text('board.xml', ipc),
  dxf: text('lands.dxf', dxf),
  table: text('pads.csv', table),
  zip: named('films.zip', perhapsDamaged(zip)),
};

/** Models, by kind; STEP is read by a kernel of its own. */
export const WILD_MODELS = {
  gltf: text('body.gltf', gltf),
  glb: named('body.glb', perhapsDamaged(glb)),
  stl: named('body.stl', perhapsDamaged(stl)),
  'stl in words': text('body.stl', stlText),
};
