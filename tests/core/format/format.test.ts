import { XMLParser } from 'fast-xml-parser';
import { describe, expect, it } from 'vitest';
import type { TapisDocument } from '../../../src/core/document/document';
import { openDocument } from '../../../src/core/footprint/open';
import { compile } from '../../../src/core/footprint/compile';
import { FORMATS, formatById } from '../../../src/core/format';
import { writeFile } from '../../../src/core/format/format';
import { atOrigin } from '../../../src/core/footprint/origin';
import { familyById } from '../../../src/core/package/families';
import type { FamilyDefinition } from '../../../src/core/package/family';
import { chip, converter } from '../../data/documents';
import { variantsOf } from '../../data/families';

function write(id: string, document: TapisDocument): string {
  const compiled = compile(document);
  const format = formatById(id);
  if (!compiled.footprint || !format) throw new Error('nothing to write');
  const text = format.write({ ...compiled, footprint: atOrigin(compiled.footprint) });
  if (typeof text !== 'string') throw new Error(`${id} writes bytes`);
  return text;
}

const LISTS = new Set([
  'PadStackDef',
  'PadstackPadDef',
  'Pad',
  'Pin',
  'Marking',
  'Layer',
  'LayerRef',
  'EntryStandard',
  'PolyStepSegment',
  'LayerFeature',
]);
const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '',
  parseAttributeValue: false,
  isArray: (name) => LISTS.has(name),
});
const parse = (text: string) => parser.parse(text) as Record<string, unknown>;

it('every format is deterministic and names its file after the footprint', async () => {
  for (const format of FORMATS) {
    const compiled = compile(converter());
    if (!compiled.footprint) throw new Error('no footprint');
    const writable = { ...compiled, footprint: compiled.footprint };
    expect(await format.write(writable)).toEqual(await format.write(writable));
    expect((await writeFile(format, writable)).name).toBe(`SOP65P640X120-16N${format.extension}`);
  }
});

it('the document reads back as it was', () => {
  const document = converter(
    { L: { text: '0.9..1.1', label: 'L1', where: 'p 12' } },
    {
      notes: 'Über “µ” <&>',
      body: {
        solderFrom: 'paste',
        seat: 'standoff',
        lift: '0.1',
        boardThickness: '1.0',
        minClearance: '0.1',
        minProtrusion: '0.5',
        maxProtrusion: '60mil',
        colours: { moulding: '#101418' },
        model: { name: 'a.step', key: '0'.repeat(64), scale: 25.4, turn: { x: 90, z: -90 }, x: '-3.1 mm' },
      },
      edge: { side: 'left', at: '5', minOverhang: '-0.2', maxOverhang: '0.2' },
    },
  );
  expect(openDocument(write('json', document))).toEqual({ ok: true, value: document });
});

describe('pad table', () => {
  it('follows RFC 4180: one row a land, CRLF, the same columns in each', () => {
    const text = write('csv', converter());
    const rows = text.split('\r\n');
    expect(rows.pop()).toBe('');
    expect(rows).toHaveLength(17);
    expect(rows[1]).toBe(
      '1,r155_40,-2.900,2.275,180,1.550,0.400,1.650,0.500,1.550,0.400,,,,rectangle,land,,',
    );
    expect(new Set(rows.map((row) => row.split(',').length))).toEqual(new Set([18]));
  });
  it('quotes what needs quoting and defuses formulas', () => {
    const text = write('csv', chip({}, { overrides: { numbers: { 'ends/1': 'a,"b', 'ends/2': '=1+1' } } }));
    expect(text).toContain('"a,""b",');
    expect(text).toContain("\r\n'=1+1,");
    // a number that starts like a formula is none
    expect(write('csv', chip({}, { overrides: { numbers: { 'ends/1': '-3' } } }))).toContain('\r\n-3,');
  });
  it('lists windows, vias and holes without land beside the lands', () => {
    const [pads] = variantsOf(familyById('no-lead-quad') as FamilyDefinition);
    const text = write('csv', {
      ...pads!.document,
      stacks: { groups: { pad: { vias: { on: true, columns: 2, rows: 2 } } } },
    });
    const what = (file: string) =>
      file
        .trim()
        .split('\r\n')
        .map((row) => row.split(',').at(-3));
    const count = (file: string, kind: string) => what(file).filter((one) => one === kind).length;
    expect([count(text, 'land'), count(text, 'via')]).toEqual([33, 4]);
    expect(count(text, 'paste window')).toBeGreaterThan(3);
    const [hole] = variantsOf(familyById('mounting-hole') as FamilyDefinition);
    expect(write('csv', hole!.document)).toContain(
      '\r\n,n270,0.000,0.000,0,,,2.800,2.800,,,2.700,,non-plated,round,hole',
    );
  });
});

describe('plan drawing', () => {
  it('is well-formed, at 1:1, and escapes what a person typed', () => {
    const svg = parse(write('svg', converter({}, { name: 'U4 <&"', marks: { value: 'a<b' } })))[
      'svg'
    ] as Record<string, unknown>;
    expect(svg['width']).toBe(`${String(svg['viewBox']).split(' ')[2]}mm`);
    expect(svg['title']).toBe(
      'U4 &lt;&amp;"'.replace('&lt;', '<').replace('&amp;', '&') + ', SOP65P640X120-16N',
    );
    const groups = (svg['g'] as { id: string; path?: unknown[] }[]).map(({ id, path }) => [
      id,
      Array.isArray(path) ? path.length : 1,
    ]);
    // lands that look alike share one path: 16 closed rings
    expect(groups).toContainEqual(['copper', 1]);
    expect(JSON.stringify(svg['g']).match(/M[^M]*Z/g)?.length).toBeGreaterThan(16 * 4);
    expect(groups).toContainEqual(['legend', 2]);
  });
  it.each(['gull-wing-quad', 'ball-grid', 'radial'])(
    'holds all numbers of a %s, none run into another',
    (id) => {
      for (const { document } of variantsOf(familyById(id) as FamilyDefinition)) {
        const { svg } = parse(write('svg', document)) as {
          svg: {
            viewBox: string;
            g: { id: string; 'font-size': string; text: { x: string; y: string; '#text': string }[] }[];
          };
        };
        const numbers = svg.g.find((group) => group.id === 'numbers')!;
        const size = Number(numbers['font-size']);
        const [x = 0, y = 0, width = 0, height = 0] = svg.viewBox.split(' ').map(Number);
        // figures are about half as wide as high, capitals 0.7 of the type
        const boxes = numbers.text.map((text) => ({
          half: (String(text['#text']).length * size) / 4,
          x: Number(text.x),
          y: Number(text.y) - 0.35 * size,
        }));
        for (const box of boxes) {
          expect(box.x - box.half).toBeGreaterThan(x);
          expect(box.x + box.half).toBeLessThan(x + width);
          expect(box.y).toBeGreaterThan(y);
          expect(box.y).toBeLessThan(y + height);
        }
        boxes.forEach((a, i) =>
          boxes
            .slice(i + 1)
            .forEach((b) =>
              expect(
                Math.abs(a.x - b.x) >= a.half + b.half || Math.abs(a.y - b.y) >= 0.7 * size,
                document.name,
              ).toBe(true),
            ),
        );
      }
    },
  );
});

it('XML holds whatever was typed', () => {
  const strange = converter({}, { name: 'a\u0000b\ud800c \u{1f30a}', marks: { value: '\u0007' } });
  for (const format of ['svg', 'ipc2581']) {
    const text = write(format, strange);
    expect(text).toContain('a\ufffdb\ufffdc \u{1f30a}');
    expect(text).not.toMatch(/[\u0000-\u0008]/);
  }
});

describe('IPC-2581', () => {
  const file = (document: TapisDocument) => parse(write('ipc2581', document))['IPC-2581'] as Ipc;
  interface Ipc {
    revision: string;
    Content: {
      LayerRef: { name: string }[];
      DictionaryStandard: { EntryStandard: { id: string; RectCenter: Record<string, string> }[] };
    };
    Ecad: { CadHeader: { units: string }; CadData: { Layer: { name: string }[]; Step: Step } };
  }
  interface Step {
    PadStackDef: {
      name: string;
      PadstackPadDef: { layerRef: string; StandardPrimitiveRef: { id: string } }[];
    }[];
    LayerFeature: { layerRef: string; Set: { Features: unknown } }[];
    Package: {
      name: string;
      height: string;
      pinOne: string;
      comment: string;
      LandPattern: {
        Pad: {
          padstackDefRef: string;
          Location: Record<string, string>;
          Xform?: { rotation: string };
          PinRef: { pin: string };
        }[];
      };
      Pin: {
        number: string;
        type: string;
        Location: Record<string, string>;
        RectCenter: Record<string, string>;
      }[];
      SilkScreen: { Marking: { markingUsage: string }[] };
      AssemblyDrawing: { Outline: { Polygon: { PolyStepSegment: unknown[] } } };
      Outline: { Polygon: { PolyBegin: Record<string, string> } };
    };
  }

  it('holds padstacks, land pattern, pins and marks, read by another reader', () => {
    const { revision, Content, Ecad } = file(converter({}, { name: 'U4 <&>' }));
    const { Step, Layer } = Ecad.CadData;
    expect([revision, Ecad.CadHeader.units, Step.Package.comment]).toEqual(['C', 'MILLIMETER', 'U4 <&>']);
    expect(Content.LayerRef.map(({ name }) => name)).toEqual(Layer.map(({ name }) => name));
    const shapes = new Map(
      Content.DictionaryStandard.EntryStandard.map(({ id, RectCenter }) => [id, RectCenter]),
    );
    const [stack] = Step.PadStackDef;
    expect(
      stack?.PadstackPadDef.map(({ layerRef, StandardPrimitiveRef }) => [
        layerRef,
        shapes.get(StandardPrimitiveRef.id),
      ]),
    ).toEqual([
      ['TOP', { width: '1.55', height: '0.4' }],
      ['TOP_MASK', { width: '1.65', height: '0.5' }],
      ['TOP_PASTE', { width: '1.55', height: '0.4' }],
    ]);
    const { LandPattern, Pin, SilkScreen, AssemblyDrawing, height, pinOne, name, Outline } = Step.Package;
    expect([name, height, pinOne]).toEqual(['SOP65P640X120-16N', '1.2', '1']);
    expect(LandPattern.Pad).toHaveLength(16);
    expect(LandPattern.Pad[0]).toMatchObject({
      padstackDefRef: stack?.name,
      Location: { x: '-2.9', y: '2.275' },
      Xform: { rotation: '180' },
      PinRef: { pin: '1' },
    });
    expect(Pin.map(({ number }) => number)).toEqual(LandPattern.Pad.map(({ PinRef }) => PinRef.pin));
    // the nominal foot: 0.60 long, ending at 3.20
    expect(Pin[0]).toMatchObject({
      type: 'SURFACE',
      Location: { x: '-2.9' },
      RectCenter: { width: '0.6', height: '0.245' },
    });
    expect(SilkScreen.Marking.map(({ markingUsage }) => markingUsage).sort()).toEqual([
      'NONE',
      'NONE',
      'PARTNAME',
      'PIN_ONE',
      'REFDES',
    ]);
    expect(AssemblyDrawing.Outline.Polygon.PolyStepSegment).toHaveLength(5);
    expect(Outline.Polygon.PolyBegin).toEqual({ x: '-3.3', y: '-2.55' });
  });
  it('refers only to what it defines', () => {
    const text = write('ipc2581', converter({}, { overrides: { jointMask: true } }));
    const ids = new Set([...text.matchAll(/EntryStandard id="([^"]+)"/g)].map(([, id]) => id));
    for (const [, id] of text.matchAll(/StandardPrimitiveRef id="([^"]+)"/g)) expect(ids).toContain(id);
    expect(
      file(converter({}, { overrides: { jointMask: true } })).Ecad.CadData.Step.LayerFeature.map(
        ({ layerRef }) => layerRef,
      ),
    ).toEqual(['TOP_MASK', 'TOP_COURTYARD']);
  });
});

describe('IPC-2581 of other lands', () => {
  const exampleOf = (id: string, rest: Partial<TapisDocument> = {}): TapisDocument => {
    const [example] = variantsOf(familyById(id) as FamilyDefinition);
    if (!example) throw new Error(`no family ${id}`);
    return { ...example.document, ...rest };
  };
  const text = (document: TapisDocument) => write('ipc2581', document);

  it('has a plated hole and both sides in the padstacks of a header', () => {
    const file = text(exampleOf('pin-header'));
    expect(file.match(/<PadstackHoleDef [^>]*diameter="1.2" platingStatus="PLATED"/g)).toHaveLength(2);
    for (const layer of ['BOTTOM', 'BOTTOM_MASK', 'DRILL']) expect(file).toContain(`<Layer name="${layer}"`);
    expect(file.match(/<PadstackPadDef layerRef="BOTTOM"/g)).toHaveLength(2);
    expect(file).not.toContain('layerRef="TOP_PASTE" padUse');
    expect(file).toMatch(/<Pin number="1" type="THRU"/);
    expect(file).toContain('<Circle diameter="1.8"/>');
  });
  it('has the vias of a grounded hole', () => {
    const grounded = exampleOf('mounting-hole');
    const options = { hole: 'vias' };
    const file = text({ ...grounded, package: { ...grounded.package, options } });
    // the hole itself, and one padstack for eight vias
    expect(file.match(/<PadstackHoleDef /g)).toHaveLength(2);
    expect(file.match(/<Pad padstackDefRef="via_/g)).toHaveLength(8);
  });
  it.each([
    ['no-lead-quad', { end: 'round' }, /<PolyStepCurve [^>]*clockwise="false"/],
    [
      'no-lead-quad',
      { end: 'rounded' },
      /<RectRound width="0.85" height="0.25" radius="0.0625" upperRight="true"/,
    ],
    [
      'no-lead-quad',
      { pad: 'chamfered' },
      /<RectCham width="3.5" height="3.5" chamfer="0.3" upperRight="false" upperLeft="true"/,
    ],
    ['in-line-transistor', {}, /<Oval width="1.05" height="1.95"\/>/],
  ] as const)('writes the figures of %s %j', (id, options, words) => {
    const document = exampleOf(id);
    expect(text({ ...document, package: { ...document.package, options } })).toMatch(words);
  });
  it('says where pin 1 stands in either orientation', () => {
    expect(text(exampleOf('dip'))).toContain('pinOneOrientation="UPPER_LEFT"');
    expect(text(exampleOf('dip', { orientation: 'B' }))).toContain('pinOneOrientation="LOWER_LEFT"');
  });
});
