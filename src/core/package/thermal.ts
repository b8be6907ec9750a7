import { block, type Part, type Shape } from '../geometry/solid';
import type { Figure } from '../geometry/figure';
import { rectangle } from '../geometry/figure';
import type { Point } from '../geometry/point';
import type { Toleranced } from '../units/toleranced';
import { formatMm as mm } from '../units/length';
import { length } from './declare';
import { line } from './lines';
import type { DimensionDefinition, Dimensions, OptionDefinition, Options } from './definitions';
import type { DimensionLine } from './lines';
import { defineFamily, type FamilyDefinition, type PlausibilityRule } from './family';
import type { NameTemplate } from './naming';
import { HOME, type Spot, type SpotGroup } from './terminal';

/** Dimensions of the exposed pad under a body. */
export type ThermalSymbol = 'E2' | 'D2' | 'h' | 'g';
type Values = Dimensions<ThermalSymbol>;

/** The exposed pad under a body: none, whole, with its pin-1 corner cut, or split. */
function thermalOption(first: 'none' | 'rectangle'): OptionDefinition {
  const choices = [
    { id: 'rectangle', name: 'one rectangle' },
    { id: 'chamfered', name: 'pin-1 corner cut' },
    { id: 'two', name: 'split in two' },
    { id: 'four', name: 'split in four' },
  ];
  const none = { id: 'none', name: 'none' };
  return {
    id: 'pad',
    name: 'Exposed pad',
    choices: first === 'none' ? [none, ...choices] : [...choices, none],
  };
}

/** A pad that is there has to be measured; one that is not has no size. */
const sizeWherePresent = (first: 'none' | 'rectangle') => ({
  derived: ({ pad = first }: Options) => (pad === 'none' ? '0' : ''),
  when: ({ pad = first }: Options) => pad !== 'none',
});

/** @param first the choice that the family's option starts with */
const thermalDimensions = (first: 'none' | 'rectangle'): readonly DimensionDefinition<ThermalSymbol>[] => [
  length(
    'E2',
    'Pad across',
    'Exposed pad, left to right, over all its parts',
    [0, 40],
    sizeWherePresent(first),
  ),
  length(
    'D2',
    'Pad upright',
    'Exposed pad, bottom to top, over all its parts',
    [0, 40],
    sizeWherePresent(first),
  ),
  length('h', 'Pad corner cut', 'Cut of the pad’s corner at pin 1, where it has one', [0, 5], {
    derived: '0.3',
    basic: true,
    when: ({ pad }) => pad === 'chamfered',
  }),
  length('g', 'Gap in the pad', 'Between the parts of a split pad', [0.1, 10], {
    derived: '0.5',
    basic: true,
    when: ({ pad }) => pad === 'two' || pad === 'four',
  }),
];

/** Whether the package has an exposed pad with a size. */
function hasThermal(d: Values, options: Options): boolean {
  return options['pad'] !== 'none' && d.E2.nom > 0 && d.D2.nom > 0;
}

/** Number of terminals that the exposed pad counts as. */
function thermalCount(d: Values, options: Options): number {
  return hasThermal(d, options) ? splitOf(options).length : 0;
}

/** Parts of the pad by their place: −1 and +1 towards the sides, 0 in the middle. */
function splitOf(options: Options): readonly (readonly [number, number])[] {
  if (options['pad'] === 'two')
    return [
      [0, 1],
      [0, -1],
    ];
  if (options['pad'] !== 'four') return [[0, 0]];
  return [
    [-1, 1],
    [-1, -1],
    [1, -1],
    [1, 1],
  ];
}

/** The exposed pad as terminals numbered from a position on; none where there is none. */
function thermalGroup(d: Values, options: Options, firstOrder: number): SpotGroup[] {
  if (!hasThermal(d, options)) return [];
  const split = splitOf(options);
  const part = (size: Toleranced, parted: boolean, limit: 'min' | 'nom' | 'max') =>
    parted ? Math.max(0.05, (size[limit] - d.g.nom) / 2) : size[limit];
  const partedX = split.some(([x]) => x !== 0);
  const partedY = split.some(([, y]) => y !== 0);
  const at = (limit: 'min' | 'nom' | 'max'): Figure => {
    const [width, height] = [part(d.E2, partedX, limit), part(d.D2, partedY, limit)];
    const chamfer = { size: Math.min(d.h.nom, width / 2, height / 2), corners: ['upper-left'] as const };
    return options['pad'] === 'chamfered' && d.h.nom > 0
      ? { kind: 'rectangle', width, height, chamfer }
      : rectangle(width, height);
  };
  const centre = ([x, y]: readonly [number, number]): Point => ({
    x: (x * (d.E2.nom - part(d.E2, partedX, 'nom'))) / 2 + 0,
    y: (y * (d.D2.nom - part(d.D2, partedY, 'nom'))) / 2 + 0,
  });
  return [
    {
      kind: 'spot',
      id: 'pad',
      title: 'Exposed pad',
      frame: HOME,
      form: 'thermal',
      contact: { min: at('min'), nom: at('nom'), max: at('max') },
      pitch: null,
      places: split.map((place, i): Spot => ({
        order: firstOrder + i,
        at: centre(place),
        rotation: 0,
      })),
    },
  ];
}

/** Metal of the exposed pad between the seating plane and the body. */
function thermalParts(
  groups: readonly SpotGroup[],
  thickness: number,
): { shapes: Record<string, Shape>; parts: Part[] } {
  const [group] = groups;
  if (!group || group.contact.nom.kind !== 'rectangle') return { shapes: {}, parts: [] };
  const { width, height } = group.contact.nom;
  return {
    shapes: { pad: block(width, height, 0, Math.max(thickness, 0.02)) },
    parts: group.places.map(({ order, at }) => ({
      name: `pad ${order}`,
      shape: 'pad',
      material: 'metal',
      at: { ...at, z: 0 },
      rotation: 0,
    })),
  };
}

/** Dimension lines of the pad, inside the plan. */
function thermalLines(d: Values, options: Options): DimensionLine[] {
  if (!hasThermal(d, options)) return [];
  const [x, y] = [d.E2.nom / 2, d.D2.nom / 2];
  return [line('E2', 'plan', 'bottom', [-x, -y], [x, -y]), line('D2', 'plan', 'right', [x, -y], [x, y], 2)];
}

/** A pad that was announced needs its size. */
const thermalSize: PlausibilityRule<ThermalSymbol> = {
  id: 'pad-size',
  title: 'Exposed pad has a size',
  fault: 'Exposed pad has no size',
  source: 'Geometry: the land is as large as the pad',
  check({ d, options }) {
    if (options['pad'] === 'none' || (d.E2.nom > 0 && d.D2.nom > 0)) return [];
    return [
      {
        severity: 'stop',
        message: `The package has an exposed pad, but its size E2 × D2 is ${mm(d.E2.nom)} × ${mm(d.D2.nom)} mm. Enter both, or choose that there is none.`,
        place: { dimensions: ['E2', 'D2'] },
        measured: { value: Math.min(d.E2.nom, d.D2.nom), limit: 0, unit: 'mm' },
        remedies: [
          { label: 'There is no exposed pad', edits: [{ at: '/package/options/pad', value: 'none' }] },
        ],
      },
    ];
  },
};

/**
 * The pad has to leave room to the inner ends of the terminals.
 * @param insideOf distance between the inner ends of opposite terminals at worst, by the pad's side
 */
function thermalAgainstTerminals<S extends string>(
  side: 'E2' | 'D2',
  insideOf: (d: Dimensions<S | ThermalSymbol>, options: Options) => number | null,
): PlausibilityRule<S | ThermalSymbol> {
  return {
    id: `pad-terminals-${side}`,
    title: `Exposed pad ${side} against terminals`,
    fault: `Exposed pad ${side} reaches the terminals`,
    source: 'Geometry: the exposed pad does not touch the terminals',
    check({ d, options }) {
      if (!hasThermal(d, options)) return [];
      const inside = insideOf(d, options);
      if (inside === null || d[side].max < inside - 1e-9) return [];
      return [
        {
          severity: 'stop',
          message: `Exposed pad ${side} reaches ${mm(d[side].max)} mm; the terminals leave ${mm(inside)} mm between their inner ends. The columns of the pad and the body may be swapped.`,
          place: { dimensions: [side] },
          measured: { value: d[side].max, limit: inside, unit: 'mm' },
          remedies: [],
        },
      ];
    },
  };
}

/** What a pad is measured against: the count of terminals, and the standoff that it fills. */
type PadSymbol = ThermalSymbol | 'n' | 'A1';
type Padded<S extends string> = FamilyDefinition<S | PadSymbol>;

/** A family whose body may have an exposed pad: what it declares without it, and where the pad fits. */
interface FamilyWithPad<S extends string> extends Omit<Padded<S>, 'name'> {
  readonly pad: {
    /** The choice that the family's option starts with. */
    readonly first: 'none' | 'rectangle';
    /** What the terminals leave between their inner ends at worst, by the pad's side; `null` for any pad. */
    readonly room: Readonly<Partial<Record<'E2' | 'D2', (d: Dimensions<S | PadSymbol>) => number | null>>>;
    /** Terminals that are counted after the pad. */
    readonly after?: (
      d: Dimensions<S | PadSymbol>,
      options: Options,
      firstOrder: number,
    ) => readonly SpotGroup[];
  };
  /** @param terminals their count with the pad */
  readonly name: (d: Dimensions<S | PadSymbol>, options: Options, terminals: number) => NameTemplate;
}

/** Declares a family with all that an exposed pad adds: sizes, choice, terminals, metal, lines and checks. */
export function defineWithPad<const S extends string>({
  pad: { first, room, after },
  ...family
}: FamilyWithPad<S>): FamilyDefinition {
  const padOf = (d: Dimensions<S | PadSymbol>, options: Options) => thermalGroup(d, options, d.n.nom + 1);
  const withPad: Padded<S> = {
    ...family,
    dimensions: [...family.dimensions, ...thermalDimensions(first)],
    options: [thermalOption(first), ...family.options],
    terminals: (d, options) => [
      ...family.terminals(d, options),
      ...padOf(d, options),
      ...(after?.(d, options, d.n.nom + 1 + thermalCount(d, options)) ?? []),
    ],
    solids: (d, options) => {
      const { shapes, parts } = family.solids(d, options);
      const metal = thermalParts(padOf(d, options), d.A1.nom);
      return { shapes: { ...shapes, ...metal.shapes }, parts: [...metal.parts, ...parts] };
    },
    dimensionLines: (d, options) => [...family.dimensionLines(d, options), ...thermalLines(d, options)],
    name: (d, options) => family.name(d, options, d.n.nom + thermalCount(d, options)),
    plausibility: [
      ...family.plausibility,
      thermalSize,
      ...(['E2', 'D2'] as const).flatMap((side) => {
        const inside = room[side];
        return inside ? [thermalAgainstTerminals<S | PadSymbol>(side, inside)] : [];
      }),
    ],
  };
  return defineFamily<S | PadSymbol>(withPad);
}
