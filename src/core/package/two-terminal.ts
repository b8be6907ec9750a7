import type { Toleranced } from '../units/toleranced';
import { exactly } from '../units/toleranced';
import { line } from './lines';
import type { BodyExtent, Polarity } from './drawn';
import type { DimensionLine } from './lines';
import type { Dimensions, OptionDefinition, Options } from './definitions';
import type { NameNumber } from './naming';
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
  sizes: { readonly span: Toleranced; readonly length: Toleranced; readonly width: Toleranced },
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

/** Dimension lines of a block with a terminal under each end. */
export function blockLines(d: Dimensions<'L' | 'W' | 'W1' | 'T' | 'A'>): DimensionLine[] {
  const [x, y] = [d.L.nom / 2, d.W.nom / 2];
  return [
    line('L', 'plan', 'top', [-x, y], [x, y]),
    line('W', 'plan', 'right', [x, -y], [x, y]),
    line('W1', 'plan', 'left', [-x, -d.W1.nom / 2], [-x, d.W1.nom / 2]),
    line('T', 'front', 'bottom', [x - d.T.nom, 0], [x, 0]),
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
