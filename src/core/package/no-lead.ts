import { block, type Assembly, type Part, type Shape } from '../geometry/solid';
import { rectangle } from '../geometry/figure';
import type { Toleranced } from '../units/toleranced';
import { formatMm as mm } from '../units/length';
import { length } from './declare';
import { line } from './lines';
import type { DimensionDefinition, Dimensions, OptionDefinition, Options } from './definitions';
import type { DimensionLine } from './lines';
import type { PlausibilityRule } from './family';
import { padParts } from './shapes/terminals';
import { HOME, type SpanGroup, type Spot, type SpotGroup } from './terminal';

/** Dimensions of terminals under a flat body. */
export type NoLeadSymbol = 'L' | 'b' | 'S' | 'A' | 'A1' | 'A3';
type Values = Dimensions<NoLeadSymbol | 'e'>;

export const NO_LEAD_DIMENSIONS: readonly DimensionDefinition<NoLeadSymbol>[] = [
  length('L', 'Terminal length', 'Length of one terminal under the body', [0.05, 6]),
  length('b', 'Terminal width', 'Width of one terminal', [0.05, 5]),
  length('S', 'Pull-back', 'Package edge to the terminal’s outer end; 0 where it reaches the edge', [0, 2], {
    derived: '0',
  }),
  length('A', 'Height', 'Seating plane to top', [0.2, 10], { maximumSuffices: true }),
  length('A1', 'Standoff', 'Seating plane to underside of body', [0, 1], {
    leastUnderMax: 0,
    derived: '0..0.05',
  }),
  length('A3', 'Terminal height', 'How high the terminal is seen at the side', [0.02, 5], {
    derived: 'typ 0.2',
  }),
];

/** The inner end of a terminal and the land under it. */
export const END_OPTION: OptionDefinition = {
  id: 'end',
  name: 'Terminal end',
  choices: [
    { id: 'square', name: 'square' },
    { id: 'round', name: 'round (D-shaped)' },
    { id: 'rounded', name: 'rounded corners' },
    { id: 'chamfered', name: 'chamfered corners' },
  ],
};

/** Extra lands at the corners of the body. */
export const CORNER_OPTION: OptionDefinition = {
  id: 'corners',
  name: 'Corner lands',
  choices: [
    { id: 'none', name: 'none' },
    { id: 'four', name: 'one in each corner' },
  ],
};

/** Terminals under one pair of opposite sides; `span` is over the body, the pull-back comes off it. */
export function noLeadGroup(
  d: Values,
  options: Options,
  body: Toleranced,
  rest: Pick<SpanGroup, 'id' | 'title' | 'frame' | 'places'>,
): SpanGroup {
  const pulled = d.S.max > 0;
  const end = options['end'];
  return {
    kind: 'span',
    form: pulled ? 'pulled-back' : 'no-lead',
    span: pulled ? lessTwice(body, d.S) : body,
    length: d.L,
    width: d.b,
    pitch: d.e.nom,
    body: null,
    ...(end === 'round' || end === 'rounded' || end === 'chamfered' ? { innerEnd: end } : {}),
    ...rest,
  };
}

/** A length less another at both ends. */
function lessTwice(a: Toleranced, b: Toleranced): Toleranced {
  return { min: a.min - 2 * b.max, nom: a.nom - 2 * b.nom, max: a.max - 2 * b.min, given: 'computed' };
}

/** Square lands in the corners of the body, as large as the terminals are wide. */
export function cornerGroup(
  d: Values,
  options: Options,
  [x, y]: readonly [number, number],
  firstOrder: number,
): SpotGroup[] {
  if (options['corners'] !== 'four') return [];
  const out = d.b.nom / 2 + d.S.nom;
  const at = [
    { x: out - x, y: y - out },
    { x: out - x, y: out - y },
    { x: x - out, y: out - y },
    { x: x - out, y: y - out },
  ];
  const size = (limit: 'min' | 'nom' | 'max') => rectangle(d.b[limit], d.b[limit]);
  return [
    {
      kind: 'spot',
      id: 'corners',
      title: 'Corner lands',
      frame: HOME,
      form: 'land-grid',
      contact: { min: size('min'), nom: size('nom'), max: size('max') },
      pitch: null,
      places: at.map((place, i): Spot => ({ order: firstOrder + i, at: place, rotation: 0 })),
    },
  ];
}

/** Dimension lines of a flat body; those of the rows are the family's own. */
export function noLeadLines(
  d: Dimensions<NoLeadSymbol | 'E' | 'D'>,
  rows: readonly DimensionLine[],
): DimensionLine[] {
  const [x, y] = [d.E.nom / 2, d.D.nom / 2];
  const end = x - d.S.nom;
  return [
    line('E', 'plan', 'top', [-x, y], [x, y]),
    line('D', 'plan', 'right', [x, -y], [x, y]),
    ...rows,
    line('L', 'front', 'bottom', [end - d.L.nom, 0], [end, 0]),
    ...(d.S.nom > 0 ? [line('S', 'front', 'bottom', [end, 0], [x, 0], 1)] : []),
    line('A', 'front', 'right', [x, 0], [x, d.A.nom]),
  ];
}

/** A flat body with terminals at its sides and, where it has them, in its corners. */
export function noLeadSolids(
  d: Values,
  [width, height]: readonly [number, number],
  groups: readonly SpanGroup[],
  corners: readonly SpotGroup[] = [],
): Assembly {
  const standoff = Math.max(d.A1.nom, 0.01);
  const rise = Math.min(Math.max(d.A3.nom, standoff + 0.01), Math.max(d.A.nom * 0.8, standoff + 0.02));
  const shapes: Record<string, Shape> = {
    body: block(width, height, standoff, Math.max(d.A.nom, standoff + 0.05)),
    terminal: block(d.L.nom, d.b.nom, 0, standoff),
    // the side of a terminal stands out by a hair, so that it shows on the moulding
    side: block(SIDE, d.b.nom, 0, rise),
  };
  const parts: Part[] = groups.flatMap((group) => {
    const half = group.span.nom / 2;
    const sides =
      group.form === 'no-lead'
        ? padParts(group, 'side', half - SIDE / 2 + HAIR).map((part) => ({
            ...part,
            name: `${part.name} side`,
          }))
        : [];
    return [...padParts(group, 'terminal', half - d.L.nom / 2), ...sides];
  });
  if (corners.length > 0) shapes['corner'] = block(d.b.nom, d.b.nom, 0, standoff);
  const cornerParts = corners.flatMap(({ places }) =>
    places.map(({ at }, i): Part => ({
      name: `corner ${i + 1}`,
      shape: 'corner',
      material: 'metal',
      at: { ...at, z: 0 },
      rotation: 0,
    })),
  );
  const body: Part = {
    name: 'body',
    shape: 'body',
    material: 'moulding',
    at: { x: 0, y: 0, z: 0 },
    rotation: 0,
  };
  return { shapes, parts: [...parts, ...cornerParts, body] };
}

const SIDE = 0.02;
const HAIR = 0.0005;

/** Opposite terminals have to leave something between them. */
export function terminalsApart<S extends string>(body: S): PlausibilityRule<S | 'L' | 'S'> {
  return {
    id: `terminals-apart-${body}`,
    title: `Terminal length against body ${body}`,
    fault: `Terminals leave nothing of body ${body} between them`,
    source: 'Geometry: terminals of opposite sides do not touch',
    check({ d }) {
      const left = d[body].min - 2 * (d.L.max + d.S.max);
      if (left > 1e-9) return [];
      return [
        {
          severity: 'stop',
          message: `Terminals L of up to ${mm(d.L.max)} mm from both sides leave ${mm(left)} mm of the body ${body} ${mm(d[body].min)} mm. L is measured for one terminal.`,
          place: { dimensions: ['L', body] },
          measured: { value: 2 * (d.L.max + d.S.max), limit: d[body].min, unit: 'mm' },
          remedies: [],
        },
      ];
    },
  };
}
