import {
  grown,
  outlineOf,
  arcOf,
  windowsOf,
  type Corner,
  type LandShape,
  type Scene,
  type SceneLand,
} from './scenes';
import { fixed, type Hand, type Written } from './written';

// IPC-2581 as several programs fill it in: packages alone, boards with layers, each unit, each way of saying a shape.

type Unit = 'MILLIMETER' | 'INCH' | 'MICRON' | 'MILS';
const PER_MM: Readonly<Record<Unit, number>> = {
  MILLIMETER: 1,
  INCH: 1 / 25.4,
  MICRON: 1000,
  MILS: 1000 / 25.4,
};

interface Manner {
  readonly unit: Unit;
  readonly revision: 'B' | 'C';
  readonly shape: (shape: LandShape, by: number) => string;
  /** Turned by the place of the land, and not by its outline. */
  readonly prefix?: string;
}

const num = (value: number) => fixed(value, 7);

/** An outline as a polygon of lines and curves. */
function polygon(outline: readonly Corner[], by: number, tag = ''): string {
  const [[x0, y0]] = outline as [Corner];
  const ways = outline.map(([x, y, bulge], i) => {
    const [bx, by_] = outline[(i + 1) % outline.length] as Corner;
    if (bulge === 0) return `<${tag}PolyStepSegment x="${num(bx * by)}" y="${num(by_ * by)}"/>`;
    const { cx, cy, sweep } = arcOf([x, y], [bx, by_], bulge);
    return `<${tag}PolyStepCurve x="${num(bx * by)}" y="${num(by_ * by)}" centerX="${num(cx * by)}" centerY="${num(cy * by)}" clockwise="${sweep < 0}"/>`;
  });
  return `<${tag}PolyBegin x="${num(x0 * by)}" y="${num(y0 * by)}"/>${ways.join('')}`;
}

/** Standard primitives where the structure has one. */
function standard(shape: LandShape, by: number): string {
  if (shape.kind === 'polygon')
    return `<Contour><Polygon>${polygon(outlineOf(shape), by)}</Polygon></Contour>`;
  const [w, h] = [num(shape.w * by), num(shape.h * by)];
  if (shape.kind === 'rect') return `<RectCenter width="${w}" height="${h}"/>`;
  if (shape.kind === 'oblong')
    return shape.w === shape.h ? `<Circle diameter="${w}"/>` : `<Oval width="${w}" height="${h}"/>`;
  return `<RectRound width="${w}" height="${h}" radius="${num(shape.r * by)}" upperRight="true" upperLeft="true" lowerRight="true" lowerLeft="true"/>`;
}

const contours = (shape: LandShape, by: number) =>
  `<Contour><Polygon>${polygon(outlineOf(shape), by)}</Polygon></Contour>`;

/** Several shapes joined: a box and the round ends of an oblong. */
function joined(shape: LandShape, by: number): string {
  if (shape.kind !== 'oblong') return standard(shape, by);
  const { w, h } = shape;
  if (w === h) return `<Ellipse width="${num(w * by)}" height="${num(h * by)}"/>`;
  const d = Math.min(w, h);
  const [x, y] = [(w - d) / 2, (h - d) / 2];
  const put = (px: number, py: number, inner: string) =>
    `<Features><Location x="${num(px * by)}" y="${num(py * by)}"/>${inner}</Features>`;
  void put;
  return `<UserSpecial><RectCenter width="${num((w > h ? w - d : w) * by)}" height="${num((w > h ? h : h - d) * by)}"/>${polygonCircle(x, y, d, by)}${polygonCircle(-x, -y, d, by)}</UserSpecial>`;
}

/** A circle about a point as a contour of two curves. */
const polygonCircle = (x: number, y: number, d: number, by: number) =>
  `<Contour><Polygon><PolyBegin x="${num((x - d / 2) * by)}" y="${num(y * by)}"/><PolyStepCurve x="${num((x + d / 2) * by)}" y="${num(y * by)}" centerX="${num(x * by)}" centerY="${num(y * by)}" clockwise="false"/><PolyStepCurve x="${num((x - d / 2) * by)}" y="${num(y * by)}" centerX="${num(x * by)}" centerY="${num(y * by)}" clockwise="false"/></Polygon></Contour>`;

const key = (shape: LandShape) => JSON.stringify(shape);
/** A package whose lands name padstacks. */
function packaged(scene: Scene, { unit, revision, shape: say }: Manner): string {
  const by = PER_MM[unit];
  const shapes = new Map<string, { readonly id: string; readonly shape: LandShape }>();
  const idOf = (shape: LandShape) => {
    const known = shapes.get(key(shape));
    if (known) return known.id;
    const id = `S${shapes.size + 1}`;
    shapes.set(key(shape), { id, shape });
    return id;
  };
  const stacks = new Map<string, { readonly name: string; readonly land: SceneLand }>();
  const stackOf = (land: SceneLand) => {
    const own = JSON.stringify([land.shape, land.hole, land.slot, land.far, land.windows]);
    const known = stacks.get(own);
    if (known) return known.name;
    const name = `STACK${stacks.size + 1}`;
    stacks.set(own, { name, land });
    return name;
  };
  const refer = (shape: LandShape) => {
    const id = idOf(shape);
    return isStandard(say(shape, 1))
      ? `<StandardPrimitiveRef id="${id}"/>`
      : `<UserPrimitiveRef id="${id}"/>`;
  };
  const xform = ({ turn }: SceneLand) => (turn ? `<Xform rotation="${num(turn)}"/>` : '');
  const pads = scene.lands
    .map(
      (land) =>
        `<Pad padstackDefRef="${stackOf(land)}">${xform(land)}<Location x="${num(land.x * by)}" y="${num(land.y * by)}"/>${refer(land.shape)}${land.number === '' ? '' : `<PinRef pin="${land.number}"/>`}</Pad>`,
    )
    .join('\n');
  const pins = [
    ...new Map(scene.lands.filter((one) => one.number !== '').map((one) => [one.number, one])).values(),
  ]
    .map(
      (land) =>
        `<Pin number="${land.number}" type="${land.hole === undefined ? 'SURFACE' : 'THRU'}" electricalType="ELECTRICAL">${xform(land)}<Location x="${num(land.x * by)}" y="${num(land.y * by)}"/>${refer(land.shape)}</Pin>`,
    )
    .join('\n');
  const defs = [...stacks.values()]
    .map(({ name, land }) => {
      const on = (layer: string, inner: string) =>
        `<PadstackPadDef layerRef="${layer}" padUse="REGULAR"><Location x="0" y="0"/>${inner}</PadstackPadDef>`;
      const paste = land.hole === undefined && !land.windows ? on('SP1', refer(land.shape)) : '';
      const windows = (windowsOf({ ...land, x: 0, y: 0 }) ?? [])
        .map(
          ({ x, y, w, h }) =>
            `<PadstackPadDef layerRef="SP1" padUse="REGULAR"><Location x="${num(x * by)}" y="${num(y * by)}"/>${refer({ kind: 'rect', w, h })}</PadstackPadDef>`,
        )
        .join('');
      const hole =
        land.hole === undefined || land.slot !== undefined
          ? ''
          : `<PadstackHoleDef name="H" diameter="${num(land.hole * by)}" platingStatus="PLATED" plusTol="0" minusTol="0" x="0" y="0"/>`;
      const copper = land.far
        ? on('CU2', refer(land.shape))
        : on('CU1', refer(land.shape)) + (land.hole === undefined ? '' : on('CU2', refer(land.shape)));
      return `<PadStackDef name="${name}">${hole}${copper}${land.far ? '' : on('SM1', refer(grown(land.shape, scene.margin)))}${paste}${windows}</PadStackDef>`;
    })
    .join('\n');
  const dictionary = (isOfUser: boolean) =>
    [...shapes.values()]
      .map(({ id, shape }) => [id, say(shape, by)] as const)
      .filter(([, text]) => isStandard(text) !== isOfUser)
      .map(([id, text]) =>
        isOfUser
          ? `<EntryUser id="${id}">${text}</EntryUser>`
          : `<EntryStandard id="${id}">${text}</EntryStandard>`,
      )
      .join('\n');
  const layers = [
    ['CU1', 'SIGNAL', 'TOP'],
    ['CU2', 'SIGNAL', 'BOTTOM'],
    ['SM1', 'SOLDERMASK', 'TOP'],
    ['SP1', revision === 'C' ? 'PASTEMASK' : 'SOLDERPASTE', 'TOP'],
    ['DR', 'DRILL', 'ALL'],
  ].map(
    ([name, use, side]) =>
      `<Layer name="${name}" layerFunction="${use}" side="${side}" polarity="POSITIVE"/>`,
  );
  const pegs = scene.pegs
    .map(
      ({ x, y, d }, i) =>
        `<Hole name="N${i}" diameter="${num(d * by)}" platingStatus="NONPLATED" plusTol="0" minusTol="0" x="${num(x * by)}" y="${num(y * by)}"/>`,
    )
    .join('');
  const user = dictionary(true);
  return `<?xml version="1.0" encoding="UTF-8"?>
<IPC-2581 revision="${revision}" xmlns="http://webstds.ipc.org/2581">
<Content roleRef="r"><FunctionMode mode="USERDEF"/><StepRef name="B"/><LayerRef name="CU1"/>
<DictionaryStandard units="${unit}">${dictionary(false)}</DictionaryStandard>
${user === '' ? '' : `<DictionaryUser units="${unit}">${user}</DictionaryUser>`}</Content>
<Ecad name="x"><CadHeader units="${unit}"/><CadData>${layers.join('')}
<Step name="B">${defs}<Datum x="0" y="0"/>
<Package name="PART" type="OTHER" pinOne="${scene.lands[0]?.number ?? ''}" pinOneOrientation="OTHER" height="${num(by)}">
<Outline><Polygon><PolyBegin x="${num(-by)}" y="${num(-by)}"/><PolyStepSegment x="${num(by)}" y="${num(-by)}"/><PolyStepSegment x="${num(by)}" y="${num(by)}"/><PolyStepSegment x="${num(-by)}" y="${num(by)}"/><PolyStepSegment x="${num(-by)}" y="${num(-by)}"/></Polygon><LineDesc lineEnd="ROUND" lineWidth="0.1"/></Outline>
<LandPattern>${pads}</LandPattern>
${pins}</Package>
<Component refDes="U1" packageRef="PART" part="P" layerRef="CU1" mountType="SMT"><Location x="${num(10 * by)}" y="${num(20 * by)}"/></Component>
${pegs === '' ? '' : `<LayerFeature layerRef="DR"><Set componentRef="U1">${pegs.replace(/ x="([-\d.]+)" y="([-\d.]+)"/g, (_, x: string, y: string) => ` x="${num(Number(x) + 10 * by)}" y="${num(Number(y) + 20 * by)}"`)}</Set></LayerFeature>`}
</Step></CadData></Ecad></IPC-2581>
`;
}

const isStandard = (text: string) => !/^<(UserSpecial|Polygon)/.test(text);

const made = (text: string, scene: Scene, more: Partial<Written> = {}): Written => ({
  files: [{ name: 'part.xml', text }],
  says: [
    'numbers',
    ...(scene.lands.some(({ slot }) => slot !== undefined) ? [] : (['holes'] as const)),
    'mask',
    'paste',
    'pegs',
  ],
  ...more,
});
const noSlots = ({ lands }: Scene) => lands.every(({ slot }) => slot === undefined);

/** Every element under a prefix. */
const prefixed = (text: string) => text.replace(/<(\/?)([A-Za-z])/g, '<$1i:$2').replace('xmlns=', 'xmlns:i=');

export const PACKAGES: readonly Hand[] = [
  {
    name: 'ipc-2581 in millimetres, revision B',
    can: noSlots,
    write: (scene) => made(packaged(scene, { unit: 'MILLIMETER', revision: 'B', shape: standard }), scene),
  },
  {
    name: 'ipc-2581 in inches, contours',
    can: noSlots,
    write: (scene) => made(packaged(scene, { unit: 'INCH', revision: 'B', shape: contours }), scene),
  },
  {
    name: 'ipc-2581 in microns, revision C',
    can: noSlots,
    write: (scene) => made(packaged(scene, { unit: 'MICRON', revision: 'C', shape: standard }), scene),
  },
  // from here on kept apart
  {
    name: 'ipc-2581 in mils, shapes joined',
    isApart: true,
    can: noSlots,
    write: (scene) => made(packaged(scene, { unit: 'MILS', revision: 'B', shape: joined }), scene),
  },
  {
    name: 'ipc-2581 under a prefix',
    isApart: true,
    can: noSlots,
    write: (scene) =>
      made(prefixed(packaged(scene, { unit: 'MILLIMETER', revision: 'C', shape: contours })), scene),
  },
];
