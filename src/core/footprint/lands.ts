import { boxRound, type Box } from '../geometry/box';
import {
  growPlaced,
  place,
  placedBox,
  rectangle,
  type Corner,
  type Figure,
  type Placed,
} from '../geometry/figure';
import { add, turn, type Point, type Quarter } from '../geometry/point';
import type { LandSolution, PinSolution, SpanSolution } from '../land/solution';
import { isCornerPlace } from '../land/solve';
import type { LandSize } from '../land/solver';
import type {
  PinGroup,
  PinSection,
  SpanGroup,
  Spot,
  TerminalGroup,
  TerminalPlace,
  SpotForm,
} from '../package/terminal';
import {
  holePadstack,
  probePadstack,
  surfacePadstack,
  thermalPadstack,
  type PadMargins,
  type Padstack,
} from '../padstack/padstack';
import type { Process } from '../process/process';
import { quantise } from '../units/length';
import type { Land, MaskOpening } from './footprint';

/** Lands of all groups with their padstacks; equal padstacks are one. */
export interface LandsAndStacks {
  readonly lands: readonly Land[];
  readonly padstacks: readonly Padstack[];
}

/** What all lands of a footprint have in common. */
export interface LandContext {
  readonly margins: PadMargins;
  readonly process: Process;
  /** Land numbers by position. */
  readonly numbers: ReadonlyMap<number, string>;
  /** Shape of land 1 of a through-hole part. */
  readonly pin1Land: 'square' | 'rounded' | 'same';
}

/** What land 1 is called by the numbering schemes. */
export const FIRST_NUMBERS: readonly string[] = ['1', 'A1', 'K', '+'];

/** Radius of a rounded land 1 as a share of its side. */
const PIN_1_RADIUS = 0.25;
/** Radius or chamfer of an inner end as a share of the land's width. */
const INNER_RADIUS = 0.25;
/** A land points outwards along +x: its inner end is at the left. */
const INNER_CORNERS: readonly Corner[] = ['lower-left', 'upper-left'];

/** Puts a land under every terminal. */
export function placeLands(
  groups: readonly TerminalGroup[],
  solutions: readonly LandSolution[],
  context: LandContext,
): LandsAndStacks {
  const padstacks = new Map<string, Padstack>();
  const keep = (stack: Padstack): Padstack => {
    const known = padstacks.get(stack.name);
    if (known) return known;
    padstacks.set(stack.name, stack);
    return stack;
  };
  const lands = groups.flatMap((group, i): Land[] => {
    const solution = solutions[i] as LandSolution;
    if (group.kind === 'span') return spanLands(group, solution as SpanSolution, context, keep);
    if (group.kind === 'pin') return pinLands(group, solution as PinSolution, context, keep);
    const { figure } = solution as { figure: Figure };
    const stack = keep(spotPadstack(group.form, figure, context));
    return group.places.map((spot) =>
      landAt(group.id, spot, spot.at, spot.rotation, null, stack, group.contact, context),
    );
  });
  return { lands: lands.sort((a, b) => a.position - b.position), padstacks: [...padstacks.values()] };
}

function spotPadstack(form: SpotForm, figure: Figure, { margins, process }: LandContext): Padstack {
  if (form === 'thermal') return thermalPadstack(figure, margins, process, process.thermalCoverage);
  return form === 'probe'
    ? probePadstack(figure, margins, process)
    : surfacePadstack(figure, margins, process);
}

type Keep = (stack: Padstack) => Padstack;
type Contact = Readonly<Record<'min' | 'nom' | 'max', Figure>>;

function spanLands(group: SpanGroup, solution: SpanSolution, context: LandContext, keep: Keep): Land[] {
  const { margins, process } = context;
  const stackFor = ({ X, Y }: LandSize) => keep(surfacePadstack(spanFigure(group, Y, X), margins, process));
  const stack = stackFor(solution.land);
  const cornerStack = solution.corner && stackFor(solution.corner);
  return group.places.map((terminal): Land => {
    const atCorner = solution.corner && cornerStack && isCornerPlace(group, terminal.along);
    const used = atCorner ? solution.corner : solution.land;
    const rotation = outward(group.axis, terminal.side);
    const at = onAxis(group.axis, (terminal.side * used.C) / 2, terminal.along);
    return {
      ...landAt(
        group.id,
        terminal,
        at,
        rotation,
        terminal.side,
        atCorner ? cornerStack : stack,
        null,
        context,
      ),
      contact: {
        min: contact(group, terminal, 'min'),
        nom: contact(group, terminal, 'nom'),
        max: contact(group, terminal, 'max'),
      },
    };
  });
}

/** The land follows the form of the terminal's inner end. */
function spanFigure({ innerEnd }: SpanGroup, length: number, width: number): Figure {
  if (innerEnd === 'round') return { kind: 'd-shape', width: length, height: width };
  if (innerEnd === 'rounded') {
    return { kind: 'rectangle', width: length, height: width, radius: quantise(width * INNER_RADIUS) };
  }
  if (innerEnd === 'chamfered') {
    const chamfer = { size: quantise(width * INNER_RADIUS), corners: INNER_CORNERS };
    return { kind: 'rectangle', width: length, height: width, chamfer };
  }
  return rectangle(length, width);
}

function pinLands(group: PinGroup, solution: PinSolution, context: LandContext, keep: Keep): Land[] {
  const { margins, process, pin1Land } = context;
  const { hole, figure } = solution;
  const stackFor = (copper: Figure) => keep(holePadstack(copper, hole, margins, process, group.vias));
  const section = pinContact(group.lead);
  return group.places.map((spot): Land => {
    const first = FIRST_NUMBERS.includes(context.numbers.get(spot.position) ?? '') && !group.stated;
    const stack = stackFor(first ? pin1Figure(figure, pin1Land) : figure);
    return landAt(group.id, spot, spot.at, spot.rotation, null, stack, section, context);
  });
}

function pin1Figure(figure: Figure, shape: LandContext['pin1Land']): Figure {
  if (shape === 'same') return figure;
  const [width, height] =
    figure.kind === 'round' ? [figure.diameter, figure.diameter] : [figure.width, figure.height];
  if (shape === 'square') return rectangle(width, height);
  const radius = quantise(Math.min(width, height) * PIN_1_RADIUS);
  return { kind: 'rectangle', width, height, radius };
}

/** The lead's section at board level. */
function pinContact({ shape, width, thickness }: PinSection): Contact {
  const at = (limit: 'min' | 'nom' | 'max'): Figure =>
    shape === 'round' ? { kind: 'round', diameter: width[limit] } : rectangle(width[limit], thickness[limit]);
  return { min: at('min'), nom: at('nom'), max: at('max') };
}

function landAt(
  group: string,
  { position }: TerminalPlace | Spot,
  at: Point,
  rotation: Quarter,
  side: -1 | 1 | null,
  stack: Padstack,
  contactFigures: Contact | null,
  { numbers }: LandContext,
): Land {
  const put = (figure: Figure) => place(figure, at, rotation);
  const copper = put(stack.copper);
  const { min, nom, max } = contactFigures ?? { min: stack.copper, nom: stack.copper, max: stack.copper };
  return {
    number: numbers.get(position) ?? String(position),
    position,
    group,
    side,
    at,
    rotation,
    padstack: stack.name,
    copper,
    paste: stack.paste.map((window) => {
      const { x, y } = add(at, turn(window.at, rotation));
      return place(window.figure, { x: quantise(x), y: quantise(y) }, rotation);
    }),
    hole: stack.hole,
    vias: stack.vias.map((via) => {
      const { x, y } = add(at, turn(via, rotation));
      return { ...via, x: quantise(x), y: quantise(y) };
    }),
    contact: { min: put(min), nom: put(nom), max: put(max) },
  };
}

/** The quarter turn that points a padstack's x axis from the body outwards. */
function outward(axis: 'x' | 'y', side: -1 | 1): Quarter {
  if (axis === 'x') return side === 1 ? 0 : 180;
  return side === 1 ? 90 : 270;
}

function onAxis(axis: 'x' | 'y', out: number, along: number): Point {
  const { x, y } = axis === 'x' ? { x: out, y: along } : { x: along, y: out };
  return { x: quantise(x), y: quantise(y) };
}

/** Where a terminal is: the outer end of a span's, the middle of any other. */
export function terminalAt(group: TerminalGroup, terminal: TerminalPlace | Spot): Point {
  if ('at' in terminal) return terminal.at;
  return group.kind === 'span'
    ? onAxis(group.axis, (terminal.side * group.span.nom) / 2, terminal.along)
    : { x: 0, y: terminal.along };
}

function contact(group: SpanGroup, terminal: TerminalPlace, limit: 'min' | 'nom' | 'max'): Placed {
  const length = group.length[limit];
  const centre = (group.span[limit] - length) / 2;
  const at = onAxis(group.axis, terminal.side * centre, terminal.along);
  return place(spanFigure(group, length, group.width[limit]), at, outward(group.axis, terminal.side));
}

/**
 * Mask openings: one round each land, or one round each row of a group.
 * @param margin growth of the opening over the copper, mm
 */
export function openMask(lands: readonly Land[], margin: number, joint: boolean): MaskOpening[] {
  const single = lands.map(({ copper }, i): MaskOpening => ({
    opening: growPlaced(copper, margin),
    lands: [i],
  }));
  if (!joint) return single;
  const rows = new Map<string, number[]>();
  lands.forEach(({ group, side }, i) => {
    const key = side === null ? `${i}` : `${group} ${side}`;
    rows.set(key, [...(rows.get(key) ?? []), i]);
  });
  return [...rows.values()].map((row) =>
    row.length === 1
      ? (single[row[0] as number] as MaskOpening)
      : {
          opening: placedBox(boxRound(row.map((i) => (single[i] as MaskOpening).opening)) as Box),
          lands: row,
        },
  );
}
