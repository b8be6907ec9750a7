import { XMLParser } from 'fast-xml-parser';
import { describe, expect, it } from 'vitest';
import { compile } from '../../../src/core/footprint/compile';
import { isDrawable } from '../../../src/core/footprint/footprint';
import { ipc2581 } from '../../../src/core/format/ipc2581/ipc2581';
import type { TapisDocument } from '../../../src/core/document/document';
import { familyById } from '../../../src/core/package/families';
import type { FamilyDefinition } from '../../../src/core/package/family';
import { VARIANTS, variantsOf } from '../../data/families';

// The structure of IPC-2581 revision C as its schema has it, as far as footprints use it, written down from
// the standard and not from the writer: which children an element has, in which order and how often, which
// attributes it must have, and what refers to what.

interface Element {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly Element[];
}

type Many = '' | '?' | '*' | '+';
/** `Name?` at most once, `Name*` any number, `Name+` at least once, `Name` once; `A|B` either. */
const CHILDREN: Readonly<Record<string, string>> = {
  'IPC-2581': 'Content LogisticHeader HistoryRecord Bom* Ecad Avl?',
  Content:
    'FunctionMode StepRef* LayerRef* BomRef* AvlRef? DictionaryStandard? DictionaryUser? DictionaryFont?',
  DictionaryStandard: 'EntryStandard*',
  DictionaryUser: 'EntryUser*',
  EntryStandard: 'Circle|Contour|Oval|RectCenter|RectCham|RectRound|Thermal',
  EntryUser: 'UserSpecial',
  LogisticHeader: 'Role+ Enterprise+ Person+',
  HistoryRecord: 'FileRevision ChangeRec*',
  FileRevision: 'SoftwarePackage',
  SoftwarePackage: 'Certification+',
  Ecad: 'CadHeader CadData',
  CadHeader: 'Spec* ChangeRec*',
  CadData: 'Layer+ Stackup? Step+',
  Layer: 'Span?',
  Stackup: 'StackupGroup+',
  StackupGroup: 'StackupLayer+',
  Step: 'NonstandardAttribute* PadStackDef* Datum Profile StepRepeat* Package* Component* LogicalNet* LayerFeature*',
  PadStackDef: 'PadstackHoleDef? PadstackPadDef+',
  PadstackPadDef: 'Xform? Location StandardPrimitiveRef|UserPrimitiveRef',
  Profile: 'Polygon Cutout*',
  Package: 'Outline PickupPoint? LandPattern? SilkScreen? AssemblyDrawing? Pin*',
  Component: 'NonstandardAttribute* Xform? Location SlotCavityRef* SpecRef*',
  Outline: 'Polygon LineDesc',
  LandPattern: 'Pad+ Target*',
  Pad: 'Xform? Location StandardPrimitiveRef|UserPrimitiveRef PinRef*',
  SilkScreen: 'Outline* Marking*',
  Marking: 'Xform? Location Polyline|Contour|UserSpecial',
  AssemblyDrawing: 'Outline Marking*',
  Pin: 'Xform? Location? Circle|Contour|Oval|RectCenter|RectCham|RectRound',
  Contour: 'Polygon Cutout*',
  Polyline: 'PolyBegin PolyStepSegment|PolyStepCurve+ LineDesc',
  Polygon: 'PolyBegin PolyStepSegment|PolyStepCurve+',
  Cutout: 'PolyBegin PolyStepSegment|PolyStepCurve+',
  UserSpecial: 'Contour|Polyline+',
  LayerFeature: 'Set+',
  Set: 'NonstandardAttribute* Pad* Fiducial* Hole* SlotCavity* Features*',
  SlotCavity: 'Xform? Location Circle|Contour|Oval|RectCenter|RectCham|RectRound',
  Features: 'Xform? Location Polyline|Circle|Contour|Oval|RectCenter|RectCham|RectRound',
};

const REQUIRED: Readonly<Record<string, string>> = {
  'IPC-2581': 'revision xmlns',
  Content: 'roleRef',
  Role: 'id roleFunction',
  Enterprise: 'id code',
  Person: 'name enterpriseRef roleRef',
  HistoryRecord: 'number origination software lastChange',
  FileRevision: 'fileRevisionId comment',
  SoftwarePackage: 'name revision vendor',
  Layer: 'name layerFunction side polarity',
  Span: 'fromLayer toLayer',
  Stackup: 'name overallThickness tolPlus tolMinus whereMeasured',
  StackupLayer: 'layerOrGroupRef thickness tolPlus tolMinus sequence',
  Step: 'name type',
  PadStackDef: 'name',
  PadstackHoleDef: 'name diameter platingStatus plusTol minusTol x y',
  PadstackPadDef: 'layerRef padUse',
  // a part without pins has no first one
  Package: 'name type pinOneOrientation height',
  Component: 'refDes packageRef part layerRef mountType',
  Pad: 'padstackDefRef',
  Pin: 'number type electricalType',
  SlotCavity: 'name platingStatus plusTol minusTol',
};

const WORDS: Readonly<Record<string, string>> = {
  'Layer layerFunction': 'ASSEMBLY CONDUCTOR COURTYARD DIELCORE DOCUMENT DRILL LEGEND SOLDERMASK SOLDERPASTE',
  'Layer side': 'TOP BOTTOM BOTH INTERNAL ALL NONE',
  'Step type': 'BOARD PALLET',
  'PadstackHoleDef platingStatus': 'PLATED NONPLATED VIA',
  'PadstackPadDef padUse': 'REGULAR ANTIPAD THERMAL OTHER',
  'Component mountType': 'SMT THMT PRESSFIT CAVITY OTHER',
  'Pin type': 'THRU BLIND SURFACE',
  'Pin electricalType': 'ELECTRICAL MECHANICAL UNDEFINED',
  'Package pinOneOrientation':
    'LOWER_LEFT LEFT LOWER_CENTER UPPER_LEFT UPPER_CENTER UPPER_RIGHT RIGHT LOWER_RIGHT CENTER OTHER',
  'Package type':
    'AXIAL_LEADED CHIP COIL CONNECTOR_SM CONNECTOR_TH LEADLESS_CERAMIC_CHIP_CARRIER MELF FINEPITCH_BGA MOLDED NETWORK PGA PLASTIC_BGA CERAMIC_BGA PLASTIC_CHIP_CARRIER PLASTIC_DIP PLASTIC_SIP POWER_TRANSISTOR RADIAL_LEADED RECTANGULAR_QUAD_FLATPACK SOIC SOJ SOT143 SOT23 SOT89 SQUARE_QUAD_FLATPACK SSOIC TANTALUM TO_TYPE OTHER',
  'Role roleFunction': 'SENDER OWNER RECEIVER DESIGNER ENGINEER BUYER OTHER',
  'Certification certificationStatus': 'ALPHA BETA CERTIFIED SELFTEST',
};

function read(xml: string): Element {
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: '',
    trimValues: true,
  });
  type Raw = Record<string, Raw[]> & { ':@'?: Record<string, string> };
  const element = (raw: Raw): Element | null => {
    const name = Object.keys(raw).find((key) => key !== ':@' && !key.startsWith('#') && !key.startsWith('?'));
    if (!name) return null;
    return {
      name,
      attributes: raw[':@'] ?? {},
      children: (raw[name] ?? []).flatMap((child) => element(child) ?? []),
    };
  };
  const [root] = (parser.parse(xml) as Raw[]).flatMap((raw) => element(raw) ?? []);
  if (!root) throw new Error('no root');
  return root;
}

/** What a file does against the standard's structure. */
function faults(root: Element): string[] {
  const found: string[] = [];
  const ids = {
    standard: new Set<string>(),
    user: new Set<string>(),
    layer: new Set<string>(),
    stack: new Set<string>(),
    step: new Set<string>(),
    role: new Set<string>(),
    enterprise: new Set<string>(),
  };
  const collect = ({ name, attributes: { id = '', name: called = '' }, children }: Element): void => {
    const set = {
      EntryStandard: ids.standard,
      EntryUser: ids.user,
      Role: ids.role,
      Enterprise: ids.enterprise,
    }[name];
    if (set) set.add(id);
    if (set && !/^[A-Za-z][A-Za-z0-9_]*$/.test(id)) found.push(`${name} id ${id}`);
    const names = { Layer: ids.layer, PadStackDef: ids.stack, Step: ids.step }[name];
    if (names?.has(called)) found.push(`${name} ${called} twice`);
    names?.add(called);
    if (name === 'PadStackDef' && !/^[A-Za-z0-9_]+$/.test(called)) found.push(`padstack ${called}`);
    children.forEach(collect);
  };
  collect(root);
  const references: Readonly<Record<string, Set<string>>> = {
    'StandardPrimitiveRef id': ids.standard,
    'UserPrimitiveRef id': ids.user,
    'LayerRef name': ids.layer,
    'StepRef name': ids.step,
    'PadstackPadDef layerRef': ids.layer,
    'LayerFeature layerRef': ids.layer,
    'StackupLayer layerOrGroupRef': ids.layer,
    'Span fromLayer': ids.layer,
    'Span toLayer': ids.layer,
    'Pad padstackDefRef': ids.stack,
    'Content roleRef': ids.role,
    'Person roleRef': ids.role,
    'Person enterpriseRef': ids.enterprise,
  };
  const visit = (element: Element, path: string): void => {
    const { name, attributes, children } = element;
    const at = `${path}/${name}`;
    const order = CHILDREN[name];
    if (order === undefined && children.length > 0) found.push(`${at} has children`);
    if (order !== undefined) {
      const names = children.map((child) => child.name);
      let next = 0;
      for (const part of order.split(' ')) {
        const many = (/[?*+]$/.exec(part)?.[0] ?? '') as Many;
        const choice = part.replace(/[?*+]$/, '').split('|');
        let count = 0;
        while (choice.includes(names[next] ?? '')) [count, next] = [count + 1, next + 1];
        if ((many === '' || many === '?') && count > 1) found.push(`${at} has ${count} ${part}`);
        if ((many === '' || many === '+') && count === 0) found.push(`${at} lacks ${part}`);
      }
      if (next < names.length) found.push(`${at}: ${names[next]} out of order`);
    }
    for (const key of (REQUIRED[name] ?? '').split(' '))
      if (key && attributes[key] === undefined) found.push(`${at} lacks @${key}`);
    for (const [key, value] of Object.entries(attributes)) {
      const words = WORDS[`${name} ${key}`];
      if (words && !words.split(' ').includes(value)) found.push(`${at}@${key} is ${value}`);
      const known = references[`${name} ${key}`];
      if (known && !known.has(value)) found.push(`${at}@${key} refers to ${value}`);
      if (/NaN|Infinity|e\+\d/.test(value)) found.push(`${at}@${key} is ${value}`);
    }
    for (const child of children) visit(child, at);
  };
  visit(root, '');
  return found;
}

function fileOf(document: TapisDocument): Element {
  const compiled = compile(document);
  if (!isDrawable(compiled)) throw new Error(compiled.problems.map(({ message }) => message).join('; '));
  return read(ipc2581.write(compiled) as string);
}

const all = ({ children }: Element, name: string): Element[] =>
  children.flatMap((child) => [...(child.name === name ? [child] : []), ...all(child, name)]);

const example = (id: string, rest: Partial<TapisDocument> = {}): TapisDocument => {
  const [first] = variantsOf(familyById(id) as FamilyDefinition);
  if (!first) throw new Error(id);
  return { ...first.document, ...rest };
};

describe('the structure that a strict reader wants', () => {
  it('is kept by every family', () => {
    for (const { name, document } of VARIANTS) expect(faults(fileOf(document)), name).toEqual([]);
  });
  it.each<[string, TapisDocument]>([
    [
      'windows, tented vias and a joint opening',
      example('no-lead-quad', {
        stacks: { groups: { pad: { vias: { on: true, cover: 'tented' } } } },
        overrides: { jointMask: true },
      }),
    ],
    [
      'a slot and a keep-out',
      example('pin-header', {
        stacks: { groups: { pins: { hole: { slot: '2' }, shape: 'oblong', width: '3', height: '2' } } },
        keepOuts: [{ id: '1', x: '0', y: '0', what: 'copper', diameter: '2', why: 'a <screw>' }],
      }),
    ],
    ['names that XML minds', example('dip', { name: 'U1 <&"', overrides: { numbers: { 'pins/1': '<1>' } } })],
  ])('is kept with %s', (_, document) => expect(faults(fileOf(document))).toEqual([]));
  it('is missed by what does not keep it', () => {
    const broken = '<IPC-2581 revision="C" xmlns="x"><Ecad name="e"/><Content roleRef="Nobody"/></IPC-2581>';
    expect(faults(read(broken))).toEqual(
      expect.arrayContaining([
        '/IPC-2581 lacks LogisticHeader',
        '/IPC-2581/Content@roleRef refers to Nobody',
      ]),
    );
  });
});

describe('what a file says', () => {
  it('conductors in the order of the board, drills with their span', () => {
    const file = fileOf(example('pin-header'));
    const layers = all(file, 'Layer').map(({ attributes: { name } }) => name);
    expect(layers.filter((name) => ['TOP', 'INNER', 'BOTTOM'].includes(name ?? ''))).toEqual([
      'TOP',
      'INNER',
      'BOTTOM',
    ]);
    expect(all(file, 'Span')[0]?.attributes).toEqual({ fromLayer: 'TOP', toLayer: 'BOTTOM' });
    // mask 0.02, copper 0.035 and laminate 1.6 on both sides, copper within
    expect(all(file, 'Stackup')[0]?.attributes['overallThickness']).toBe('1.745');
  });
  it('the hole first, one a padstack; vias as padstacks of their own', () => {
    const file = fileOf(
      example('no-lead-quad', { stacks: { groups: { pad: { vias: { on: true, columns: 2, rows: 2 } } } } }),
    );
    const [via] = all(file, 'PadStackDef').filter(({ attributes: { name = '' } }) => name.startsWith('via_'));
    expect(via?.children.map(({ name }) => name)).toEqual([
      'PadstackHoleDef',
      'PadstackPadDef',
      'PadstackPadDef',
      'PadstackPadDef',
    ]);
    const pads = all(file, 'LandPattern')[0]?.children ?? [];
    const placed = pads.filter(({ attributes }) => attributes['padstackDefRef'] === via?.attributes['name']);
    expect(placed.map(({ children }) => children.at(-1)?.attributes['pin'])).toEqual([
      '33',
      '33',
      '33',
      '33',
    ]);
  });
  it('several windows as one set of contours', () => {
    const file = fileOf(example('no-lead-quad'));
    const paste = all(file, 'PadstackPadDef').find(
      ({ attributes, children }) =>
        attributes['layerRef'] === 'TOP_PASTE' && children.some(({ name }) => name === 'UserPrimitiveRef'),
    );
    const id = paste?.children.at(-1)?.attributes['id'];
    const entry = all(file, 'EntryUser').find(({ attributes }) => attributes['id'] === id);
    const { footprint } = compile(example('no-lead-quad'));
    const pad = footprint?.padstacks.find(({ kind }) => kind === 'thermal');
    expect(entry && all(entry, 'Contour')).toHaveLength(pad?.paste.length ?? NaN);
  });
  it('mask left over tented vias as cut-outs', () => {
    const file = fileOf(
      example('no-lead-quad', {
        stacks: { groups: { pad: { vias: { on: true, cover: 'tented', columns: 2, rows: 2 } } } },
      }),
    );
    expect(all(file, 'Cutout')).toHaveLength(4);
  });
  it('holes without copper in the land pattern', () => {
    const file = fileOf(example('mounting-hole'));
    const [pad] = all(file, 'LandPattern')[0]?.children ?? [];
    expect(pad?.attributes['padstackDefRef']).toBe('bore_2_7_2_8');
    expect(all(file, 'PadstackHoleDef')[0]?.attributes).toMatchObject({
      diameter: '2.7',
      platingStatus: 'NONPLATED',
    });
    expect(all(file, 'LayerFeature').some(({ attributes }) => attributes['layerRef'] === 'KEEP_OUT')).toBe(
      true,
    );
  });
  it('reliefs as outlines that leave the spokes', () => {
    const file = fileOf(example('pin-header'));
    const thermal = all(file, 'PadstackPadDef').find(({ attributes }) => attributes['padUse'] === 'THERMAL');
    const id = thermal?.children.at(-1)?.attributes['id'];
    // four spokes part the gap into four
    expect(
      all(all(file, 'EntryUser').find(({ attributes }) => attributes['id'] === id) as Element, 'Contour'),
    ).toHaveLength(4);
  });
  it('texts as strokes, one pin a number, and where pin 1 stands', () => {
    const file = fileOf(
      example('small-transistor-wide', {
        package: variantsOf(familyById('small-transistor-wide') as FamilyDefinition).find(({ name }) =>
          name.includes('lug, 4.5'),
        )!.document.package,
      }),
    );
    expect(all(file, 'Pin').map(({ attributes }) => attributes['number'])).toEqual(['1', '2', '3']);
    expect(all(file, 'LandPattern')[0]?.children).toHaveLength(4);
    expect(all(file, 'Package')[0]?.attributes).toMatchObject({
      type: 'SOT89',
      pinOne: '1',
      pinOneOrientation: 'UPPER_LEFT',
    });
    const chip = fileOf(example('rectangular-chip'));
    expect(all(chip, 'Package')[0]?.attributes['pinOneOrientation']).toBe('LEFT');
    expect(all(chip, 'UserSpecial').flatMap((set) => all(set, 'Polyline')).length).toBeGreaterThan(10);
    expect(all(chip, 'Text')).toEqual([]);
  });
  it('is the same whenever it is written', () => {
    const [a, b] = [fileOf(example('dip')), fileOf(example('dip'))];
    expect(a).toEqual(b);
  });
});
