import { circleAt, sizeOf, type Placed } from '../../geometry/figure';
import { HOME, putPlaced, undone, within, type Placement } from '../../geometry/placement';
import { distance, fullTurn, type Point } from '../../geometry/point';
import type { Polygon, Polyline } from '../../geometry/polygon';
import { pinsNamed } from '../../given/pins';
import { joined, type Layers } from '../../given/join';
import {
  MOST_LANDS,
  type GivenArea,
  type GivenFile,
  type GivenHole,
  type GivenLand,
  type GivenPattern,
  type GivenVia,
} from '../../given/pattern';
import { placesIn } from '../../given/places';
import { fail, ok, type Result } from '../../units/result';
import { layerCalled } from '../layer-words';
import { all, everywhere, one, readXml, type XmlNode } from '../xml-tree';
import { noNumberIn } from './measures';
import { foreignUnit, placementOf, scaleOf, shapeReader, unitFactor, type ShapeReader } from './read-shapes';
import { agreed } from '../../words/agreed';
import { drawnOf, moved } from './read-drawn';
import { asOne, cornersOf, merged, withBores, withVias, type Bore } from './gather';

// Packages of an IPC-2581 file (revisions B and C) with their land patterns, as others write them. A package
// whose land pattern does not stand with it has it from the layers of the board, where one of its components
// lies: turned, on either side, and taken back to where the package is drawn.

/** Largest file that is read, in characters. */
export const LARGEST_IPC2581 = 60_000_000;

/** Packages that are read of one file at most. */
const MOST_PACKAGES = 5000;

/** Branches of a file that say nothing of packages. */
const NOT_WANTED = new Set([
  'Bom',
  'Avl',
  'HistoryRecord',
  'LogisticHeader',
  'Stackup',
  'LogicalNet',
  'PhyNetGroup',
  'DfxMeasurementList',
]);

/** Reads the packages of a file. @returns what it holds, or why nothing of it can be read */
export function readIpc2581(text: string, fileName: string): Result<GivenFile, string> {
  if (text.length > LARGEST_IPC2581)
    return fail(`The file has ${Math.ceil(text.length / 1e6)} million characters; at most 60 are read.`);
  const tree = readXml(text, (name) => !NOT_WANTED.has(name));
  if (!tree.ok) return tree;
  const root = tree.value;
  if (root.name !== 'IPC-2581') return fail(`This is no IPC-2581 file: its root is “${root.name}”.`);
  const revision = root.attributes['revision'] ?? 'not stated';
  const wrong = noNumberIn(root);
  if (wrong !== null) return fail(`${wrong}. The file is damaged; have it written again.`);
  const header = [...everywhere(root, 'CadHeader')][0];
  const factor = unitFactor(header);
  if (factor === null)
    return fail(
      `The unit of the file is “${(header?.attributes['units'] ?? 'missing').slice(0, 40)}”; MILLIMETER, MICRON and INCH are read, and the common words for them and for mil.`,
    );
  const steps = [...everywhere(root, 'Step')];
  const count = steps.reduce((sum, step) => sum + all(step, 'Package').length, 0);
  if (count > MOST_PACKAGES)
    return fail(`The file has ${count} packages; at most ${MOST_PACKAGES} are read at a time.`);
  const reader = new Reader(root, factor, fileName);
  if (/^A$/i.test(revision)) reader.note('It is of revision A; it was read as revisions B and C are.');
  const foreign = foreignUnit(header);
  if (foreign !== null)
    reader.note(
      `Its unit is written “${foreign}”, which the standard does not have; it was read as ${factor} mm.`,
    );
  const patterns = steps.flatMap((step) => reader.step(step));
  const left = reader.left();
  if (patterns.length === 0) return fail(`There is no package in it. ${left.join(' ')}`.trim());
  return ok({ patterns, left });
}

/** What a layer is for, as far as a land pattern goes. */
type Role = 'copper' | 'inner' | 'mask' | 'paste' | 'legend' | 'drill' | 'courtyard' | 'assembly' | 'other';

interface Layer {
  readonly role: Role;
  readonly side: 'top' | 'bottom' | 'all';
}

const ROLES: readonly (readonly [RegExp, Role])[] = [
  [/^(CONDUCTOR|SIGNAL|PLANE|MIXED|CONDFILM|CONDFOIL|CONDUCTIVE_ADHESIVE|POWER_GROUND)$/, 'copper'],
  [/^SOLDERMASK$/, 'mask'],
  [/^(SOLDERPASTE|PASTEMASK)$/, 'paste'],
  [/^(SILKSCREEN|LEGEND)$/, 'legend'],
  [/^(DRILL|ROUT|V_CUT)$/, 'drill'],
  [/^COURTYARD$/, 'courtyard'],
  [/^ASSEMBLY$/, 'assembly'],
];

/** A hole of a padstack, and its pads by layer. */
interface Stack {
  readonly hole: {
    readonly placed: Placed;
    readonly platingStatus: string;
    readonly plus: number;
    readonly minus: number;
  } | null;
  readonly pads: readonly { readonly layer: string; readonly figures: readonly Placed[] }[];
  readonly clearance: Placed | null;
  /** What of its shapes is not as the file has it, in words. */
  readonly lost: readonly string[];
}

interface Component {
  readonly refDes: string;
  readonly packageRef: string;
  readonly placement: Placement;
  readonly side: Layer['side'];
}

class Reader {
  private readonly shapes: ShapeReader;
  private readonly layers = new Map<string, Layer>();
  private readonly notes = new Set<string>();

  constructor(
    root: XmlNode,
    private readonly factor: number,
    private readonly fileName: string,
  ) {
    this.shapes = shapeReader(root, factor);
    for (const node of everywhere(root, 'Layer')) {
      const { name = '', layerFunction = '', side = '' } = node.attributes;
      const role = ROLES.find(([pattern]) => pattern.test(layerFunction.toUpperCase()))?.[1] ?? 'other';
      this.layers.set(name, {
        role: role === 'copper' && /INTERNAL/i.test(side) ? 'inner' : role,
        side: /TOP/i.test(side) ? 'top' : /BOTTOM/i.test(side) ? 'bottom' : 'all',
      });
    }
  }

  note(words: string): void {
    this.notes.add(words);
  }

  left(): string[] {
    const shapes = [...this.shapes.left].map(([what, count]) => `${count} × ${what}`);
    return [
      ...this.notes,
      ...(shapes.length > 0
        ? [`Shapes that were not understood or not kept as they are: ${shapes.join(', ')}.`]
        : []),
    ];
  }

  step(step: XmlNode): GivenPattern[] {
    const stacks = new Map(
      all(step, 'PadStackDef').map((node) => [node.attributes['name'] ?? '', this.stack(node)]),
    );
    if (all(step, 'PadStack').length > 0)
      this.notes.add('It has padstacks in the way of revision A, which are not read.');
    const components = all(step, 'Component').map((node) => this.component(node));
    this.loose(step, stacks, components);
    const packages = all(step, 'Package');
    return packages.map((node) =>
      this.package(node, { step, stacks, components, isAlone: packages.length === 1 }),
    );
  }

  /** Pads of the copper and holes of a board that belong to no component: they are told. */
  private loose(step: XmlNode, stacks: Board['stacks'], parts: readonly Component[]): void {
    if (parts.length === 0) return;
    const components = new Set(parts.map(({ refDes }) => refDes));
    const near = new Set(parts.filter(isNear).map(({ refDes }) => refDes));
    const pads: Point[] = [];
    const holes: Point[] = [];
    const drilled = new Set<string>();
    const spot = ({ x, y }: Point) => `${Math.round(x * 1e3)} ${Math.round(y * 1e3)}`;
    for (const feature of all(step, 'LayerFeature')) {
      const isCopper = this.layer(feature.attributes['layerRef'] ?? '').role === 'copper';
      for (const set of this.sets(feature)) {
        const isTaken = near.has(set.attributes['componentRef'] ?? '');
        for (const pad of all(set, 'Pad')) {
          const at = placementOf(pad, this.factor)?.at ?? HOME.at;
          if (stacks.get(pad.attributes['padstackDefRef'] ?? '')?.hole) drilled.add(spot(at));
          if (
            isCopper &&
            !all(pad, 'PinRef').some(({ attributes }) => components.has(attributes['componentRef'] ?? ''))
          )
            pads.push(at);
        }
        for (const { attributes } of all(set, 'Hole'))
          if (!isTaken && !/^VIA$/i.test(attributes['platingStatus'] ?? ''))
            holes.push({ x: this.shapes.mm(attributes['x']), y: this.shapes.mm(attributes['y']) });
      }
    }
    if (pads.length > 0)
      this.notes.add(
        `${agreed(pads.length, '# [pad of the copper belongs to no component and is|pads of the copper belong to no component and are] left out')}: ${placesIn(pads)}.`,
      );
    const beside = holes.filter((at) => !drilled.has(spot(at)));
    if (beside.length > 0)
      this.notes.add(
        `${agreed(beside.length, '# [hole of the board stands beside its padstacks; it is|holes of the board stand beside its padstacks; they are] not taken with its packages')}: ${placesIn(beside)}.`,
      );
  }

  /** What is drawn on a layer; what takes away from it is told. */
  private sets(feature: XmlNode): XmlNode[] {
    const every = all(feature, 'Set');
    const drawn = every.filter(({ attributes }) => !/^NEGATIVE$/i.test(attributes['polarity'] ?? ''));
    if (drawn.length < every.length)
      this.notes.add(
        `${every.length - drawn.length} sets of the layer “${feature.attributes['layerRef'] ?? ''}” take away from it (NEGATIVE); they are left out.`,
      );
    return drawn;
  }

  private component(node: XmlNode): Component {
    const { refDes = '', packageRef = '', layerRef = '' } = node.attributes;
    return {
      refDes,
      packageRef,
      placement: placementOf(node, this.factor) ?? HOME,
      side: this.layers.get(layerRef)?.side ?? 'top',
    };
  }

  private stack(node: XmlNode): Stack {
    const hole = one(node, 'PadstackHoleDef');
    const { mm } = this.shapes;
    const diameter = mm(hole?.attributes['diameter']);
    const said = hole?.attributes['diameter'] ?? '';
    if (hole && !(diameter > 0) && Number(said) !== 0)
      this.notes.add(
        `The hole of the padstack “${node.attributes['name'] ?? ''}” has a diameter of “${said.slice(0, 40)}” and is left out.`,
      );
    const of = (use: string) =>
      all(node, 'PadstackPadDef').filter(({ attributes }) => (attributes['padUse'] ?? 'REGULAR') === use);
    if (of('THERMAL').length > 0)
      this.notes.add('Thermal reliefs are left out: Tapis draws them as the process says.');
    if (of('OTHER').length > 0) this.notes.add('Pads of padstacks for other uses (OTHER) are left out.');
    const { made: pads, lost } = this.told(() => {
      const on = new Map<string, Placed[]>();
      for (const pad of of('REGULAR')) {
        const layer = pad.attributes['layerRef'] ?? '';
        const there = on.get(layer) ?? [];
        there.push(...this.shapes.figures(pad, diameter));
        on.set(layer, there);
      }
      return [...on].map(([layer, figures]) => ({ layer, figures: asOne(figures) }));
    });
    return {
      hole:
        hole && diameter > 0
          ? {
              placed: circleAt({ x: mm(hole.attributes['x']), y: mm(hole.attributes['y']) }, diameter),
              platingStatus: hole.attributes['platingStatus'] ?? '',
              plus: mm(hole.attributes['plusTol']),
              minus: mm(hole.attributes['minusTol']),
            }
          : null,
      pads,
      lost,
      clearance: of('ANTIPAD').flatMap((pad) => this.shapes.figures(pad))[0] ?? null,
    };
  }

  /** What is made of shapes, and what of them was not understood or kept. */
  private told<T>(make: () => T): { readonly made: T; readonly lost: readonly string[] } {
    const before = new Map(this.shapes.left);
    const made = make();
    const lost = [...this.shapes.left].flatMap(([what, count]) =>
      count > (before.get(what) ?? 0) ? [what] : [],
    );
    return { made, lost };
  }

  /** What a layer is; one that the file does not declare is told by its name. */
  private layer(name: string): Layer {
    const known = this.layers.get(name);
    if (known) return known;
    const { kind, isFar, isInner } = layerCalled(name);
    const side = isFar || /under/i.test(name) ? 'bottom' : isInner ? 'all' : 'top';
    const role: Role =
      kind === 'paste' || kind === 'mask' || kind === 'legend' || kind === 'courtyard'
        ? kind
        : isInner
          ? 'inner'
          : 'copper';
    this.notes.add(
      `The layer “${name}” is not declared; by its name it was taken for ${role === 'copper' ? `copper, ${side}` : role}.`,
    );
    const made = { role, side } as const;
    this.layers.set(name, made);
    return made;
  }

  private package(node: XmlNode, board: Board): GivenPattern {
    const { name = 'package', height } = node.attributes;
    const left: string[] = [];
    const pins = all(node, 'Pin').map((pin) => ({
      number: pin.attributes['number'] ?? pin.attributes['name'] ?? '',
      name: pin.attributes['name'] ?? '',
      at: placementOf(pin, this.factor)?.at ?? null,
    }));
    const own = board.components.filter(({ packageRef }) => packageRef === name);
    const stated = this.stated(node, board, left);
    const seen = stated ?? this.seen(own, pins, board, left);
    const instance = board.isAlone && own.length <= 1 ? (own[0] ?? null) : null;
    const around =
      board.isAlone && own.length <= 1
        ? this.around(board, instance, one(node, 'SilkScreen') !== undefined, left)
        : null;
    if (
      !around &&
      all(board.step, 'LayerFeature').some(
        ({ attributes }) => this.layer(attributes['layerRef'] ?? '').role === 'courtyard',
      )
    )
      this.notes.add('Courtyards stand on a layer of the board and are not taken with its packages.');
    const bores = [...(around?.slots ?? []), ...this.boredFor(own[0] ?? null, board)].filter(
      ({ placed }) => !seen.holes.some(({ at }) => distance(at, placed.at) < 1e-3),
    );
    const { lands, holes } = withBores(seen.lands, bores, left);
    // openings of a hole without copper belong to it
    const windows = (around?.windows ?? []).filter(
      (window) => !holes.some(({ at }) => distance(window.at, at) < 1e-3),
    );
    const numbered = lands.map((land) =>
      land.number === ''
        ? { ...land, number: pins.find(({ at }) => at && distance(at, land.copper.at) < 0.01)?.number ?? '' }
        : land,
    );
    const { body, legend } = drawnOf(node, this.shapes, this.factor, left);
    const tall = height === undefined ? undefined : this.shapes.mm(height);
    const named = pinsNamed(pins);
    return {
      name,
      from: `${this.fileName}, package ${name}`,
      lands: numbered,
      holes: [...seen.holes, ...holes],
      windows: [...seen.windows, ...windows],
      ...(body ? { body } : {}),
      ...(tall !== undefined && tall > 0 ? { height: tall } : {}),
      ...(around?.courtyard ? { courtyard: around.courtyard } : {}),
      ...(legend ? { legend } : {}),
      ...(around && around.areas.length > 0 ? { areas: around.areas } : {}),
      ...(named.length > 0 ? { pins: named } : {}),
      left,
    };
  }

  /** The land pattern as it stands with the package; `null` where it does not. */
  private stated(node: XmlNode, { stacks }: Board, left: string[]): Seen | null {
    const every = all(one(node, 'LandPattern'), 'Pad');
    if (every.length === 0) return null;
    const pads = every.slice(0, MOST_LANDS);
    if (pads.length < every.length)
      left.push(`At most ${MOST_LANDS} lands are taken; ${every.length - pads.length} are left out.`);
    const targets = all(one(node, 'LandPattern'), 'Target').length;
    if (targets > 0)
      left.push(
        agreed(
          targets,
          '# [target (fiducial) of its land pattern is|targets (fiducials) of its land pattern are] left out.',
        ),
      );
    const made: GivenLand[] = [];
    const holes: Placed[] = [];
    const windows: Placed[] = [];
    const vias: { readonly via: GivenVia; readonly number: string }[] = [];
    const isOpenVia = ({ attributes }: XmlNode) => {
      const stack = stacks.get(attributes['padstackDefRef'] ?? '');
      return (
        stack?.hole?.platingStatus === 'VIA' &&
        stack.pads.some(
          ({ layer }) => this.layer(layer).role === 'mask' && this.layer(layer).side === 'bottom',
        )
      );
    };
    for (const pad of pads) {
      const at = placementOf(pad, this.factor) ?? HOME;
      const name = pad.attributes['padstackDefRef'];
      const stack = name === undefined ? undefined : stacks.get(name);
      if (name !== undefined && !stack)
        left.push(`The padstack “${name}” is not in the file; the pad’s own shape is taken.`);
      const number = one(pad, 'PinRef')?.attributes['pin'] ?? '';
      const land = this.land(pad, at, stack, number, left);
      if (!land) continue;
      if ('bore' in land) {
        if (land.bore) holes.push(land.bore);
        else windows.push(...land.windows);
      } else if (stack?.hole?.platingStatus === 'VIA' && sizeOf(land.copper.figure).width < 2)
        vias.push({
          via: {
            ...at.at,
            hole: sizeOf(stack.hole.placed.figure).width,
            land: sizeOf(land.copper.figure).width,
          },
          number,
        });
      else made.push(land);
    }
    const closed = vias.length > 0 && pads.every((pad) => !isOpenVia(pad));
    const lands = withVias(made, vias, left);
    return {
      lands: closed
        ? lands.map((land) => (land.vias && !land.hole ? { ...land, maskOther: [] } : land))
        : lands,
      holes,
      windows,
    };
  }

  /** One pad of a land pattern: a land, or a hole without copper; `null` for one that shows nothing. */
  private land(
    pad: XmlNode,
    at: Placement,
    stack: Stack | undefined,
    number: string,
    left: string[],
  ): GivenLand | { readonly bore: Placed | null; readonly windows: readonly Placed[] } | null {
    // its own shape stands in the pad's axes, where it is placed already
    const { made: own, lost } = this.told(() => this.shapes.figures(pad));
    const notKept = stack?.lost ?? lost;
    const scale = scaleOf(pad);
    if (stack && scale !== 1) {
      const words = `Pads are placed at ${scale} times the size of their padstacks, which are taken as they are defined: look at their sizes.`;
      if (!left.includes(words)) left.push(words);
    }
    if (notKept.length > 0) left.push(`Land ${number || 'without a number'}: ${notKept.join(', ')}.`);
    if (!stack) {
      const [copper] = own;
      if (!copper) left.push(`Land ${number || 'without a number'} has no shape.`);
      return copper ? { number, copper } : null;
    }
    const on = (role: Role, side?: Layer['side']) => {
      const found = stack.pads.filter(({ layer }) => {
        const known = this.layer(layer);
        return known.role === role && (side === undefined || known.side === side);
      });
      if (found.length === 0) return null;
      const figures = found.flatMap((pad) => pad.figures);
      return (found.length > 1 ? asOne(figures) : figures).map((figure) => putPlaced(at, figure));
    };
    const clearance = stack.clearance && putPlaced(at, stack.clearance);
    const [copper, far, inner] = [on('copper', 'top'), on('copper', 'bottom'), on('inner')];
    const hole = stack.hole && putPlaced(at, stack.hole.placed);
    const [mask, paste, maskOther] = [on('mask', 'top'), on('paste', 'top'), on('mask', 'bottom')];
    const [near = null, ...others] = copper ?? [];
    if (others.length > 0)
      left.push(
        `Land ${number || 'without a number'} is of ${others.length + 1} shapes that do not touch; the largest is kept.`,
      );
    // a file that says nothing of a layer at all leaves it to the process
    const says = (role: Role) => [...this.layers.values()].some((layer) => layer.role === role);
    if (!near) {
      const [below = null] = far ?? [];
      if (below && !hole)
        return {
          number,
          copper: below,
          far: true,
          ...(says('mask') ? { mask: maskOther ?? [] } : {}),
          ...(says('paste') ? { paste: on('paste', 'bottom') ?? [] } : {}),
        };
      // a slot without copper is milled elsewhere; its openings stand here
      return { bore: hole, windows: hole ? [] : (mask ?? []) };
    }
    const plating = stack.hole?.platingStatus ?? '';
    const given: GivenHole | null = hole && {
      hole,
      plated: plating !== 'NONPLATED',
      ...(stack.hole?.plus ? { plus: stack.hole.plus } : {}),
      ...(stack.hole?.minus ? { minus: stack.hole.minus } : {}),
    };
    return {
      number,
      copper: near,
      ...(says('mask') ? { mask: mask ?? [] } : {}),
      ...(says('paste') ? { paste: paste ?? [] } : {}),
      ...(given ? { hole: given } : {}),
      ...(far?.[0] ? { other: far[0] } : {}),
      ...(inner?.[0] && given ? { inner: inner[0] } : {}),
      ...(given && says('mask') ? { maskOther: maskOther ?? [] } : {}),
      ...(given && clearance ? { clearance } : {}),
    };
  }

  /** The lands of a component as the layers of its board have them, taken back to where the package is drawn. */
  private seen(own: readonly Component[], pins: readonly PinSeen[], board: Board, left: string[]): Seen {
    const [first] = own;
    if (!first) {
      left.push(
        'It has no land pattern, and no component of it lies on the board: there are no lands to take.',
      );
      return { lands: [], holes: [], windows: [] };
    }
    let best: (Seen & { readonly off: number }) | null = null;
    for (const placement of readings(first)) {
      const found = this.taken(first, placement, board);
      const off = worstOff(found.lands, pins);
      if (!best || off < best.off - 1e-3) best = { ...found, off };
      if (best.off < 0.01) break;
    }
    const found = best as Seen & { readonly off: number };
    left.push(`Its land pattern was taken from ${first.refDes} on the board.`);
    if (found.off > 0.5)
      left.push(
        `Its lands lie up to ${found.off.toFixed(2)} mm from the pins of the package: it may be turned or mirrored.`,
      );
    return found;
  }

  private taken(
    { refDes, side }: Component,
    placement: Placement,
    { step, stacks }: Board,
  ): Seen & { readonly notes: readonly string[] } {
    const back = undone(placement);
    const near = side === 'bottom' ? 'bottom' : 'top';
    const copper: { placed: Placed; number: string }[] = [];
    const [far, mask, paste]: [{ placed: Placed; number: string }[], Placed[], Placed[]] = [[], [], []];
    const holes: { hole: Placed; plated: boolean | null; use?: 'via' | 'component' }[] = [];
    let [hasMask, hasPaste] = [false, false];
    for (const feature of all(step, 'LayerFeature')) {
      const { role, side: on } = this.layer(feature.attributes['layerRef'] ?? '');
      if (role === 'mask' && on === near) hasMask = true;
      if (role === 'paste' && on === near) hasPaste = true;
      for (const set of this.sets(feature))
        for (const pad of all(set, 'Pad')) {
          const ref = all(pad, 'PinRef').find(({ attributes }) => attributes['componentRef'] === refDes);
          if (!ref) continue;
          const number = ref.attributes['pin'] ?? '';
          const figures = this.shapes.figures(pad).map((figure) => putPlaced(back, figure));
          if (role === 'copper' && on === near) copper.push(...figures.map((placed) => ({ placed, number })));
          else if (role === 'copper') far.push(...figures.map((placed) => ({ placed, number })));
          else if (role === 'mask' && on === near) mask.push(...figures);
          else if (role === 'paste' && on === near) paste.push(...figures);
          const stack = stacks.get(pad.attributes['padstackDefRef'] ?? '');
          if (role !== 'copper' || on !== near || !stack?.hole) continue;
          const at = placementOf(pad, this.factor) ?? HOME;
          holes.push({
            hole: putPlaced(within(back, at), stack.hole.placed),
            plated: stack.hole.platingStatus !== 'NONPLATED',
            ...(stack.hole.platingStatus === 'VIA' ? { use: 'via' } : {}),
          });
        }
    }
    const layers: Layers = {
      copper: merged(copper),
      far: merged(far),
      holes,
      ...(hasMask ? { mask } : {}),
      ...(hasPaste ? { paste } : {}),
    };
    const made = joined(layers);
    return { lands: made.lands, holes: made.holes, windows: made.windows, notes: made.left };
  }

  /** Holes of the board that say which component they are drilled for, taken back to where its package is drawn. */
  private boredFor(component: Component | null, { step }: Board): Bore[] {
    // how a part lies below is read from its lands, of which these holes are none
    if (!component || !isNear(component)) return [];
    const back = undone(component.placement);
    const { mm } = this.shapes;
    return all(step, 'LayerFeature')
      .flatMap((feature) => this.sets(feature))
      .filter(({ attributes }) => attributes['componentRef'] === component.refDes)
      .flatMap((set) => all(set, 'Hole'))
      .filter(({ attributes }) => !/^VIA$/i.test(attributes['platingStatus'] ?? ''))
      .map(({ attributes }) => ({
        placed: putPlaced(
          back,
          circleAt({ x: mm(attributes['x']), y: mm(attributes['y']) }, mm(attributes['diameter'])),
        ),
        plated: attributes['platingStatus'] !== 'NONPLATED',
        plus: mm(attributes['plusTol']),
        minus: mm(attributes['minusTol']),
      }))
      .filter(({ placed }) => placed.maxX > placed.minX);
  }

  /** What lies on layers beside the padstacks of a package that is alone in its file. */
  private around({ step }: Board, component: Component | null, hasLegend: boolean, left: string[]): Around {
    const back = undone(component ? (readings(component)[0] ?? HOME) : HOME);
    const slots: Bore[] = [];
    const found: Around = { holes: [], windows: [], areas: [], slots };
    for (const feature of all(step, 'LayerFeature')) {
      const name = feature.attributes['layerRef'] ?? '';
      const { role, side } = this.layer(name);
      for (const set of this.sets(feature)) {
        for (const cavity of all(set, 'SlotCavity')) {
          const [placed] = this.shapes.figures(cavity).map((figure) => putPlaced(back, figure));
          const { mm } = this.shapes;
          if (placed)
            slots.push({
              placed,
              plated: cavity.attributes['platingStatus'] === 'PLATED',
              plus: mm(cavity.attributes['plusTol']),
              minus: mm(cavity.attributes['minusTol']),
            });
        }
        for (const features of all(set, 'Features')) {
          const figures = this.shapes.figures(features).map((figure) => putPlaced(back, figure));
          const lines = this.shapes
            .lines(features)
            .map(({ points }) => moved(points, features, this.factor, back));
          if (role === 'courtyard') {
            const [outline] = [...lines.filter(closes), ...figures.map(cornersOf)];
            if (outline) found.courtyard ??= opened(outline);
          } else if (role === 'mask' && side === 'top') found.windows.push(...figures);
          else if (/KEEP_?OUT/i.test(name)) found.areas.push(...figures.map((area) => keepOut(area, set)));
          else if (figures.length + lines.length > 0 && !(role === 'legend' && hasLegend))
            left.push(
              `What is drawn on the layer “${name}” (${figures.length + lines.length} shapes) is left out.`,
            );
        }
      }
    }
    return found;
  }
}

interface Board {
  readonly step: XmlNode;
  readonly stacks: ReadonlyMap<string, Stack>;
  readonly components: readonly Component[];
  /** Whether the file has one package. */
  readonly isAlone: boolean;
}

interface Seen {
  readonly lands: readonly GivenLand[];
  readonly holes: readonly Placed[];
  readonly windows: readonly Placed[];
}

interface Around {
  readonly holes: Placed[];
  readonly windows: Placed[];
  readonly areas: GivenArea[];
  readonly slots: readonly Bore[];
  courtyard?: Polygon;
}

interface PinSeen {
  readonly number: string;
  readonly at: Point | null;
}

/** Whether a component lies on the side that is looked at. */
const isNear = ({ placement, side }: Pick<Component, 'placement' | 'side'>): boolean =>
  !placement.far && side !== 'bottom';

/**
 * How a component may lie: on the far side writers turn before they mirror, or after, and some say the side by
 * the layer alone.
 */
function readings({ placement, side }: Component): Placement[] {
  const far = !isNear({ placement, side });
  const turnedBack = { ...placement, angle: fullTurn(-placement.angle) };
  return far
    ? [
        { ...placement, far },
        { ...turnedBack, far },
        { ...placement, far: false },
      ]
    : [placement];
}

/** How far lands lie from the pins of their numbers, at worst; nothing where there is nothing to hold them against. */
function worstOff(lands: readonly GivenLand[], pins: readonly PinSeen[]): number {
  const by = new Map(pins.map(({ number, at }) => [number, at]));
  let worst = 0;
  for (const { number, copper } of lands) {
    const at = by.get(number);
    if (at) worst = Math.max(worst, distance(at, copper.at));
  }
  return worst;
}

const closes = (line: Polyline): boolean =>
  line.length > 3 && distance(line[0] as Point, line.at(-1) as Point) < 1e-5;
/** A closed line as the polygon that it runs round. */
const opened = (line: Polyline): Polygon => (closes(line) ? line.slice(0, -1) : line);

/** An area with what its file says that it is free of. */
function keepOut(placed: Placed, set: XmlNode): GivenArea {
  const said = new Map(
    all(set, 'NonstandardAttribute').map(({ attributes }) => [attributes['name'], attributes['value'] ?? '']),
  );
  const what = (['copper', 'vias', 'components', 'everything'] as const).find(
    (word) => word === said.get('keepOut'),
  );
  const side = (['component', 'far', 'both'] as const).find((word) => word === said.get('side'));
  const why = said.get('why');
  return { area: placed, ...(what ? { what } : {}), ...(side ? { side } : {}), ...(why ? { why } : {}) };
}
