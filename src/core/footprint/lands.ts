import { boxRound } from '../geometry/box';
import { place, placedBox, rectangle, type Corner, type Figure, type Placed } from '../geometry/figure';
import { add, turn, type Point, type Quarter } from '../geometry/point';
import {
  sizesOf,
  type LandSolution,
  type PinSolution,
  type SpanSolution,
  type SpotSolution,
} from '../land/solution';
import { isCornerPlace } from '../land/solve';
import type { LandSize } from '../land/solver';
import { correctedGroup, type ContactCorrection } from '../package/contact';
import type {
  PinGroup,
  PinSection,
  SpanGroup,
  Spot,
  TerminalGroup,
  TerminalPlace,
} from '../package/terminal';
import { stackKey, uniqueName } from '../padstack/naming';
import { buildPadstack } from '../padstack/build';
import type { StackChoices } from '../padstack/choices';
import type { PadMargins, Padstack, Source, StackBase } from '../padstack/padstack';
import type { Process } from '../process/process';
import { quantise } from '../units/length';
import type { Land, MaskOpening } from './footprint';
import type { StacksChosen } from './stack-choices';

/** Lands of all groups with their padstacks; equal padstacks are one. */
export interface LandsAndStacks {
  readonly lands: readonly Land[];
  readonly padstacks: readonly Padstack[];
}

/** What all lands of a footprint have in common. */
export interface LandContext {
  readonly margins: PadMargins;
  readonly process: Process;
  /** What was chosen about padstacks. */
  readonly stacks: StacksChosen;
  /** Land numbers by position. */
  readonly numbers: ReadonlyMap<number, string>;
  readonly schemeNumbers: ReadonlyMap<number, string>;
  /** Corrected contact areas by group. */
  readonly contacts: ReadonlyMap<string, ContactCorrection>;
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
  const stacks = stackMaker(context);
  const lands = groups.flatMap((group, i): Land[] => {
    const solution = solutions[i] as LandSolution;
    if (group.kind === 'span') return spanLands(group, solution as SpanSolution, context, stacks.of);
    if (group.kind === 'pin') return pinLands(group, solution as PinSolution, context, stacks.of);
    const base: StackBase = {
      kind: group.form === 'thermal' || group.form === 'probe' ? group.form : 'surface',
      copper: (solution as SpotSolution).figure,
      copperSource: sourceOf(solution),
      hole: null,
    };
    return group.places.map((spot) => {
      const stack = stacks.of(group.id, spot.position, base);
      return landAt(group.id, spot, spot.at, spot.rotation, null, stack, group.contact, context);
    });
  });
  const used = new Set(lands.map(({ padstack }) => padstack));
  return {
    lands: lands.sort((a, b) => a.position - b.position),
    padstacks: stacks.all().filter(({ name }) => used.has(name)),
  };
}

type StackFor = (group: string, position: number, base: StackBase) => Padstack;

/** Makes each padstack once; equal padstacks are one, whatever groups they come from. */
function stackMaker({ margins, process, stacks }: LandContext): { of: StackFor; all: () => Padstack[] } {
  const made = new Map<StackBase, Map<StackChoices, Padstack>>();
  const byKey = new Map<string, Padstack>();
  const names = new Set<string>();
  const keep = (stack: Padstack): Padstack => {
    const key = stackKey(stack);
    const known = byKey.get(key);
    if (known) return known;
    const named = { ...stack, name: uniqueName(stack.name, names) };
    names.add(named.name);
    byKey.set(key, named);
    return named;
  };
  return {
    all: () => [...byKey.values()],
    of(group, position, base) {
      const choices = stacks.of(group, position);
      const known = made.get(base)?.get(choices);
      if (known) return known;
      const stack = keep(buildPadstack(base, choices, margins, process));
      made.set(base, (made.get(base) ?? new Map<StackChoices, Padstack>()).set(choices, stack));
      return stack;
    },
  };
}

/** Whether a solution's sizes are the formulas', the drawing's or set by hand. */
function sourceOf(solution: LandSolution): Source {
  if (sizesOf(solution).some(({ settable, value, proposed }) => settable && value !== proposed))
    return 'set by hand';
  if (solution.kind === 'span') return 'land formulas';
  return solution.kind === 'spot' ? 'package' : 'by rule';
}

type Contact = Readonly<Record<'min' | 'nom' | 'max', Figure>>;

function spanLands(
  group: SpanGroup,
  solution: SpanSolution,
  context: LandContext,
  stackFor: StackFor,
): Land[] {
  const baseOf = ({ X, Y }: LandSize): StackBase => ({
    kind: 'surface',
    copper: spanFigure(group, Y, X),
    copperSource: sourceOf(solution),
    hole: null,
  });
  const base = baseOf(solution.land);
  const touching = correctedGroup(group, context.contacts.get(group.id));
  const cornerBase = solution.corner && baseOf(solution.corner);
  return group.places.map((terminal): Land => {
    const atCorner = solution.corner && cornerBase && isCornerPlace(group, terminal.along);
    const used = atCorner ? solution.corner : solution.land;
    const rotation = outward(group.axis, terminal.side);
    const at = onAxis(group.axis, (terminal.side * used.C) / 2, terminal.along);
    const stack = stackFor(group.id, terminal.position, atCorner ? cornerBase : base);
    return {
      ...landAt(group.id, terminal, at, rotation, terminal.side, stack, null, context),
      contact: {
        min: contact(touching, terminal, 'min'),
        nom: contact(touching, terminal, 'nom'),
        max: contact(touching, terminal, 'max'),
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

function pinLands(group: PinGroup, solution: PinSolution, context: LandContext, stackFor: StackFor): Land[] {
  const { hole, figure } = solution;
  const baseOf = (copper: Figure): StackBase => ({
    kind: 'pin',
    copper,
    copperSource: group.stated ? 'package' : sourceOf(solution),
    hole,
    ...(group.vias ? { vias: group.vias } : {}),
  });
  const [base, firstBase] = [baseOf(figure), baseOf(pin1Figure(figure, context.pin1Land))];
  const section = pinContact(group.lead);
  return group.places.map((spot): Land => {
    const first = FIRST_NUMBERS.includes(context.numbers.get(spot.position) ?? '') && !group.stated;
    const stack = stackFor(group.id, spot.position, first ? firstBase : base);
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
  { numbers, schemeNumbers }: LandContext,
): Land {
  const put = (figure: Figure) => place(figure, at, rotation);
  const spot = (point: Point): Point => {
    const { x, y } = add(at, turn(point, rotation));
    return { x: quantise(x), y: quantise(y) };
  };
  const moved = (placed: Placed): Placed => place(placed.figure, spot(placed.at), rotation);
  const { min, nom, max } = contactFigures ?? { min: stack.copper, nom: stack.copper, max: stack.copper };
  return {
    number: numbers.get(position) ?? String(position),
    schemeNumber: schemeNumbers.get(position) ?? String(position),
    position,
    group,
    side,
    at,
    rotation,
    padstack: stack.name,
    copper: place(stack.copper, spot(stack.offset), rotation),
    mask: stack.mask.map(moved),
    islands: stack.islands.map(moved),
    paste: stack.paste.map(moved),
    hole: stack.hole && put(stack.hole.figure),
    plated: stack.hole?.plated ?? false,
    vias: stack.vias.map((via) => ({ ...via, ...spot(via) })),
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

/** Mask openings: those of each land, or one round each row of a group. */
export function openMask(lands: readonly Land[], joint: boolean): MaskOpening[] {
  const single = lands.map(({ mask, islands }, i) =>
    mask.map((opening): MaskOpening => ({ opening, islands, lands: [i] })),
  );
  if (!joint) return single.flat();
  const rows = new Map<string, number[]>();
  lands.forEach(({ group, side }, i) => {
    const key = side === null ? `${i}` : `${group} ${side}`;
    rows.set(key, [...(rows.get(key) ?? []), i]);
  });
  return [...rows.values()].flatMap((row): MaskOpening[] => {
    const openings = row.flatMap((i) => single[i] as MaskOpening[]);
    const round = boxRound(openings.map(({ opening }) => opening));
    return row.length === 1 || !round ? openings : [{ opening: placedBox(round), islands: [], lands: row }];
  });
}
