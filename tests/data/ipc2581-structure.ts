import { XMLParser } from 'fast-xml-parser';

// The structure of IPC-2581 revision C as its schema has it, as far as footprints use it, written down from
// the standard and not from the writer: which children an element has, in which order and how often, which
// attributes it must have, and what refers to what.

export interface Element {
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
  Hole: 'name diameter platingStatus plusTol minusTol x y',
  PinRef: 'pin',
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
  'Hole platingStatus': 'PLATED NONPLATED VIA',
  'Set polarity': 'POSITIVE NEGATIVE',
  'Pin type': 'THRU BLIND SURFACE',
  'Pin electricalType': 'ELECTRICAL MECHANICAL UNDEFINED',
  'Package pinOneOrientation':
    'LOWER_LEFT LEFT LOWER_CENTER UPPER_LEFT UPPER_CENTER UPPER_RIGHT RIGHT LOWER_RIGHT CENTER OTHER',
  'Package type':
    'AXIAL_LEADED CHIP COIL CONNECTOR_SM CONNECTOR_TH LEADLESS_CERAMIC_CHIP_CARRIER MELF FINEPITCH_BGA MOLDED NETWORK PGA PLASTIC_BGA CERAMIC_BGA PLASTIC_CHIP_CARRIER PLASTIC_DIP PLASTIC_SIP POWER_TRANSISTOR RADIAL_LEADED RECTANGULAR_QUAD_FLATPACK SOIC SOJ SOT143 SOT23 SOT89 SQUARE_QUAD_FLATPACK SSOIC TANTALUM TO_TYPE OTHER',
  'Role roleFunction': 'SENDER OWNER RECEIVER DESIGNER ENGINEER BUYER OTHER',
  'Certification certificationStatus': 'ALPHA BETA CERTIFIED SELFTEST',
};

/** The elements of a file. */
export function readElements(xml: string): Element {
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
export function faults(root: Element): string[] {
  const found: string[] = [];
  const ids = {
    standard: new Set<string>(),
    user: new Set<string>(),
    layer: new Set<string>(),
    stack: new Set<string>(),
    step: new Set<string>(),
    component: new Set<string>(),
    features: new Set<string>(),
    package: new Set<string>(),
    role: new Set<string>(),
    enterprise: new Set<string>(),
  };
  const collect = ({ name, attributes, children }: Element): void => {
    const { id = '', name: called = '' } = attributes;
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
    if (name === 'Component') ids.component.add(attributes['refDes'] ?? '');
    if (name === 'Package') ids.package.add(called);
    if (name === 'LayerFeature' && ids.features.has(attributes['layerRef'] ?? ''))
      found.push(`features of ${attributes['layerRef']} twice`);
    if (name === 'LayerFeature') ids.features.add(attributes['layerRef'] ?? '');
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
    'Component packageRef': ids.package,
    'Component layerRef': ids.layer,
    'Set componentRef': ids.component,
    'PinRef componentRef': ids.component,
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

export const allOf = ({ children }: Element, name: string): Element[] =>
  children.flatMap((child) => [...(child.name === name ? [child] : []), ...allOf(child, name)]);
