import type { Toleranced } from '../units/toleranced';
import { exactly } from '../units/toleranced';
import { line } from './lines';
import type { BodyExtent, Polarity } from './drawn';
import type { DimensionLine } from './lines';
import type { DimensionDefinition, Dimensions, OptionDefinition, Options } from './definitions';
import { length } from './declare';
import type { NameNumber } from './naming';
import { agreesWith } from './plausibility/counts';
import { twoRows } from './rows';
import { HOME, type SpanGroup, type TerminalForm } from './terminal';

/** A kind of component in a two-terminal body: the first part of its name, and whether it has a direction. */
export interface Component {
  readonly id: string;
  readonly name: string;
  readonly prefix: string;
  readonly polarised: boolean;
  /** Which end terminal 1 is, where the part has a direction (IPC-7351B, clause 3.1.5.8). */
  readonly polarity?: Polarity;
}

/** The option that chooses among kinds of component. */
export function componentOption(components: readonly Component[]): OptionDefinition {
  return { id: 'component', name: 'Component', choices: components.map(({ id, name }) => ({ id, name })) };
}

/** The chosen kind; the first where none was chosen. */
export function chosenComponent(components: readonly Component[], options: Options): Component {
  return components.find(({ id }) => id === options['component']) ?? (components[0] as Component);
}

/**
 * The two terminals at the ends of a part, land 1 at left.
 * @param height height of the body, where the goals depend on it; mm
 */
export function bothEnds(
  form: TerminalForm,
  sizes: {
    readonly span: Toleranced;
    readonly length: Toleranced;
    readonly width: Toleranced;
    readonly inside?: Toleranced;
  },
  height?: number,
): SpanGroup {
  return {
    kind: 'span',
    id: 'ends',
    title: 'Both ends',
    form,
    frame: HOME,
    ...sizes,
    pitch: null,
    body: null,
    ...(height === undefined ? {} : { height }),
    places: twoRows([0], [0]),
  };
}

/** Length of one terminal; it follows from the distance between them where only that is given. */
export function endLength(
  name: string,
  help: string,
  limits: readonly [number, number],
): DimensionDefinition<'T'> {
  return length('T', name, help, limits, {
    derived: (_options, entered) => (entered('S') ? '(L-S)/2' : ''),
  });
}

/** Distance between the terminals, which some sheets give in place of their length. */
export const INSIDE = length(
  'S',
  'Between terminals',
  'Inside distance of the two terminals, where the sheet gives it',
  [-40, 60],
  { derived: 'L-2*T' },
);

/** S as the sheet gives it; nothing where it only follows from L and T. */
export function insideOf({ L, T, S }: Dimensions<'L' | 'T' | 'S'>): { readonly inside?: Toleranced } {
  const follows =
    Math.abs(S.min - (L.min - 2 * T.max)) < 1e-6 && Math.abs(S.max - (L.max - 2 * T.min)) < 1e-6;
  return follows ? {} : { inside: S };
}

/** S, L and T entered together have to agree. */
export const insideAgrees = agreesWith<'S' | 'L' | 'T'>(
  'S',
  ['L', 'T'],
  'L − 2·T',
  (d) => d.L.nom - 2 * d.T.nom,
  0.1,
);

/** Dimension lines of a block with a terminal under each end. */
export function blockLines(d: Dimensions<'L' | 'W' | 'W1' | 'T' | 'S' | 'A'>): DimensionLine[] {
  const [x, y] = [d.L.nom / 2, d.W.nom / 2];
  return [
    line('L', 'plan', 'top', [-x, y], [x, y]),
    line('W', 'plan', 'right', [x, -y], [x, y]),
    line('W1', 'plan', 'left', [-x, -d.W1.nom / 2], [-x, d.W1.nom / 2]),
    line('T', 'front', 'bottom', [x - d.T.nom, 0], [x, 0]),
    line('S', 'front', 'bottom', [d.T.nom - x, 0], [x - d.T.nom, 0], 1),
    line('A', 'front', 'right', [x, 0], [x, d.A.nom]),
  ];
}

/** A body that stands on its terminals without a gap. */
export function seatedBody(x: Toleranced, y: Toleranced, height: Toleranced): BodyExtent {
  return { x, y, standoff: exactly(0), height };
}

/** Two sizes of a name with one decimal each, as chips and their like are named. */
export function sizePair(a: [string, number], b: [string, number]): readonly [NameNumber, NameNumber] {
  const number = ([symbol, value]: [string, number]): NameNumber => ({
    symbol,
    value,
    decimals: 1,
    digits: 2,
  });
  return [number(a), number(b)];
}
