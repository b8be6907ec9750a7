import type { StackChoices } from '../document/intent';
import { over } from '../document/read-fields';
import { boxRound } from '../geometry/box';
import { place, placedBox, rectangle, type Corner, type Figure } from '../geometry/figure';
import {
  HOME,
  isHome,
  putAngle,
  putPlaced,
  putPoint,
  undone,
  within,
  type Lying,
  type Placement,
} from '../geometry/placement';
import { isQuarter } from '../geometry/point';
import { sizesOf, type PinSolution, type SolvedGroup, type SpanSolution } from '../land/solution';
import { isCornerPlace } from '../land/solve';
import type { LandSize } from '../land/solver';
import { correctedGroup, type ContactCorrection } from '../package/contact';
import {
  landIdOf,
  type PinSection,
  type SpanGroup,
  type TerminalGroup,
  type Spot,
  type TerminalPlace,
} from '../package/terminal';
import { buildPadstack } from '../padstack/build';
import { NO_STACK_CHOICES } from '../padstack/choices';
import { stackKey, uniqueName } from '../padstack/naming';
import type { PadMargins, Padstack, Source, StackBase } from '../padstack/padstack';
import { habitFor } from '../padstack/habits';
import type { Process } from '../process/process';
import type { PadKind } from '../standard/fields';
import { houseName } from '../standard/names';
import { FINE_PITCH } from '../standard/published';
import { wanted, type Standard } from '../standard/standard';
import { quantise } from '../units/length';
import type { Land, MaskOpening } from './footprint';
import type { Numbers } from './numbering';

/** Lands of all groups with their padstacks; equal padstacks are one. */
export interface LandsAndStacks {
  readonly lands: readonly Land[];
  readonly padstacks: readonly Padstack[];
}

/** What all lands of a footprint have in common. */
export interface LandContext {
  readonly margins: PadMargins;
  /** Whether the person chose them for every land: what the house is used to stands back. */
  readonly ownMargins: { readonly mask: boolean; readonly paste: boolean };
  readonly process: Process;
  /** What was chosen about the padstacks of groups, and of single lands by their id. */
  readonly stacks: {
    readonly groups: ReadonlyMap<string, StackChoices>;
    readonly lands: ReadonlyMap<string, StackChoices>;
  };
  /** Numbers by the land's id. */
  readonly numbers: ReadonlyMap<string, Numbers>;
  /** Corrected contact areas by group. */
  readonly contacts: ReadonlyMap<string, ContactCorrection>;
  /** What the house is used to. */
  readonly standard: Standard;
  /** Shape of land 1 of a through-hole part. */
  readonly pin1Land: 'square' | 'rounded' | 'same';
}

/** What land 1 is called by the numbering schemes. */
const FIRST_NUMBERS: readonly string[] = ['1', 'A1', 'K', '+'];

/** The land that the marks point at: land 1 by its number; the first there is where none is called so. */
export function firstLand(lands: readonly Land[]): Land | undefined {
  return lands.find(({ number }) => FIRST_NUMBERS.includes(number)) ?? lands[0];
}

/** Radius or chamfer of an inner end as a share of the land's width. */
const INNER_RADIUS = 0.25;
/** A land points outwards along +x: its inner end is at the left. */
const INNER_CORNERS: readonly Corner[] = ['lower-left', 'upper-left'];

/** Puts a land under every terminal, in the order in which the package counts them. */
export function placeLands(solved: readonly SolvedGroup[], context: LandContext): LandsAndStacks {
  const stacks = stackMaker(context);
  const lands = solved.flatMap((group): Numbered[] => {
    switch (group.kind) {
      case 'span':
        return spanLands(group, context, stacks.of);
      case 'pin':
        return pinLands(group, context, stacks.of);
      case 'spot': {
        const { form, contact, vias } = group.terminals;
        const base: StackBase = {
          kind: form === 'thermal' || form === 'probe' || form === 'given' ? form : 'surface',
          copper: group.figure,
          copperSource: sourceOf(group),
          hole: null,
          ...(vias ? { vias } : {}),
        };
        const kind = form === 'thermal' ? 'exposed' : form === 'probe' || form === 'given' ? null : 'ball';
        return landsAt(group, context, ({ at, rotation }: Spot, id) => ({
          at: { at, angle: rotation, far: false },
          end: null,
          stack: stacks.of(group.terminals.id, id, base, kind),
          contact: (limit) => ({ figure: contact[limit], at, rotation }),
        }));
      }
    }
  });
  const inOrder = lands.sort((a, b) => a.order - b.order).map(({ land }) => land);
  const used = new Set(inOrder.map(({ padstack }) => padstack));
  return { lands: inOrder, padstacks: stacks.all().filter((stack) => used.has(stack)) };
}

type StackFor = (group: string, land: string, base: StackBase, kind: PadKind | null) => Padstack;

/** Makes each padstack once; equal padstacks are one, whatever groups they come from. */
function stackMaker({ margins, ownMargins, process, stacks, standard }: LandContext): {
  of: StackFor;
  all: () => Padstack[];
} {
  const made = new Map<StackBase, Map<StackChoices, Padstack>>();
  const byKey = new Map<string, Padstack>();
  const names = new Set<string>();
  const keep = (stack: Padstack): Padstack => {
    const key = stackKey(stack);
    const known = byKey.get(key);
    if (known) return known;
    const wantedName = houseName(standard, 'padstack', { standard: stack.name }).text;
    const named = { ...stack, name: uniqueName(wantedName, names) };
    names.add(named.name);
    byKey.set(key, named);
    return named;
  };
  return {
    all: () => [...byKey.values()],
    of(group, land, base, kind) {
      const ofGroup = stacks.groups.get(group) ?? NO_STACK_CHOICES;
      const own = stacks.lands.get(land);
      const choices = own ? over(own, ofGroup) : ofGroup;
      const known = made.get(base)?.get(choices);
      if (known) return known;
      // a shape that was given to this very land goes before that of land 1
      const { first, ...plain } = base;
      const habit = kind && habitFor(kind, base, standard, ownMargins);
      const stack = keep(buildPadstack(own?.shape && first ? plain : base, choices, margins, process, habit));
      made.set(base, (made.get(base) ?? new Map<StackChoices, Padstack>()).set(choices, stack));
      return stack;
    },
  };
}

/** Whether a solution's sizes are the formulas', the drawing's or set by hand. */
function sourceOf(solution: SolvedGroup): Source {
  if (sizesOf(solution).some(({ settable, value, proposed }) => settable && value !== proposed))
    return 'set by hand';
  if (solution.kind === 'span') return 'land formulas';
  return solution.kind === 'spot' ? 'package' : 'by rule';
}

/** Whether anything is known of a group's terminals: lands and holes as they are given say nothing of them. */
function isKnown(group: TerminalGroup): boolean {
  return !(group.kind === 'spot' && group.form === 'given') && !(group.kind === 'pin' && group.bare);
}

type Limit = 'min' | 'nom' | 'max';

/** A figure at least, nominal and most material: the terminals of a group share them. */
function atLimits(figure: (limit: Limit) => Figure): Readonly<Record<Limit, Figure>> {
  return { min: figure('min'), nom: figure('nom'), max: figure('max') };
}

/** A land and where the package counts it. */
interface Numbered {
  readonly order: number;
  readonly land: Land;
}

/** One land in its group's frame. */
interface InFrame {
  readonly at: Placement;
  readonly end: Land['end'];
  readonly stack: Padstack;
  readonly contact: (limit: Limit) => Lying;
}

/** What thousands of lands do not have is one and the same nothing. */
const NONE: readonly never[] = [];

/** The lands of a group, each made in the group's frame and put where the frame stands. */
function landsAt<P extends TerminalPlace | Spot>(
  { terminals }: SolvedGroup,
  { numbers }: LandContext,
  make: (place: P, id: string) => InFrame,
): Numbered[] {
  const { id: group, frame } = terminals;
  const home = isHome(frame);
  const places = terminals.places as readonly unknown[] as readonly P[];
  return places.map((terminal, index): Numbered => {
    const id = landIdOf(terminals, terminal, index);
    const { at, end, stack, contact } = make(terminal, id);
    const where = home ? at : within(frame, at);
    const put = (lying: Lying) => putPlaced(where, lying);
    const touching = (limit: Limit) => {
      const lying = contact(limit);
      return home ? place(lying.figure, lying.at, lying.rotation) : putPlaced(frame, lying);
    };
    const { number = id, schemeNumber = id } = numbers.get(id) ?? {};
    const land: Land = {
      id,
      number,
      schemeNumber,
      shared: terminal.shared ?? false,
      terminal: isKnown(terminals),
      group,
      end,
      far: where.far,
      at: where.at,
      rotation: putAngle(where, 0),
      padstack: stack,
      copper: put({ figure: stack.copper, at: stack.offset, rotation: 0 }),
      mask: stack.mask.map(put),
      islands: stack.islands.length > 0 ? stack.islands.map(put) : NONE,
      paste: stack.paste.length > 0 ? stack.paste.map(put) : NONE,
      hole: stack.hole && put({ figure: stack.hole.figure, at: HOME.at, rotation: 0 }),
      plated: stack.hole?.plated ?? false,
      vias: stack.vias.length > 0 ? stack.vias.map((via) => putPoint(where, via)) : NONE,
      contact: { min: touching('min'), nom: touching('nom'), max: touching('max') },
    };
    return { order: terminal.order, land };
  });
}

function spanLands(solution: SpanSolution, context: LandContext, stackFor: StackFor): Numbered[] {
  const { terminals: group, land, corner } = solution;
  const baseOf = ({ X, Y }: LandSize): StackBase => ({
    kind: 'surface',
    copper: spanFigure(group, Y, X),
    copperSource: sourceOf(solution),
    hole: null,
  });
  const [base, cornerBase] = [baseOf(land), corner && baseOf(corner)];
  const fine = wanted(context.standard, 'bands/fine-pitch', FINE_PITCH).value;
  const kind: PadKind = group.pitch !== null && group.pitch <= fine + 1e-9 ? 'fine' : 'surface';
  const touching = correctedGroup(group, context.contacts.get(group.id));
  const contacts = atLimits((limit) => spanFigure(group, touching.length[limit], touching.width[limit]));
  return landsAt(solution, context, ({ end, along, out: beyond = 0 }: TerminalPlace, id): InFrame => {
    const atCorner = corner && cornerBase && isCornerPlace(group, along);
    const angle = end === 1 ? 0 : 180;
    const C = atCorner ? corner.C : land.C;
    return {
      at: { at: { x: quantise(end * (C / 2 + beyond)), y: along }, angle, far: false },
      end,
      stack: stackFor(group.id, id, atCorner ? cornerBase : base, kind),
      contact: (limit) => {
        const out = (touching.span[limit] - touching.length[limit]) / 2 + beyond;
        const at = { x: quantise(end * out), y: along };
        return { figure: contacts[limit], at, rotation: angle };
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

function pinLands(solution: PinSolution, context: LandContext, stackFor: StackFor): Numbered[] {
  const { terminals: group, hole, figure } = solution;
  const base: StackBase = {
    kind: 'pin',
    copper: figure,
    copperSource: group.stated ? 'package' : sourceOf(solution),
    hole,
    ...(group.stated?.slot ? { slot: group.stated.slot } : {}),
    ...(group.vias ? { vias: group.vias } : {}),
  };
  const contacts = atLimits((limit) => section(group.lead, limit));
  const { pin1Land, numbers } = context;
  const first: StackBase = pin1Land === 'same' || group.stated ? base : { ...base, first: pin1Land };
  return landsAt(solution, context, ({ at, rotation }: Spot, id): InFrame => {
    const isFirst = FIRST_NUMBERS.includes(numbers.get(id)?.number ?? '');
    return {
      at: { at, angle: rotation, far: false },
      end: null,
      stack: stackFor(group.id, id, isFirst ? first : base, group.stated ? null : 'pin'),
      contact: (limit) => ({ figure: contacts[limit], at, rotation }),
    };
  });
}

/** The lead's section at board level. */
function section({ shape, width, thickness }: PinSection, limit: Limit): Figure {
  return shape === 'round'
    ? { kind: 'round', diameter: width[limit] }
    : rectangle(width[limit], thickness[limit]);
}

/** Mask openings: those of each land, or one round each row of a group. */
export function openMask(
  lands: readonly Land[],
  joint: boolean,
  groups: readonly SolvedGroup[],
): MaskOpening[] {
  const openingsOf = (i: number): MaskOpening[] => {
    const { mask, islands, far } = lands[i] as Land;
    return mask.map((opening) => ({ opening, islands, lands: [i], far }));
  };
  if (!joint) {
    const openings: MaskOpening[] = [];
    for (let i = 0; i < lands.length; i += 1) openings.push(...openingsOf(i));
    return openings;
  }
  const frames = new Map(groups.map(({ terminals: { id, frame } }) => [id, frame]));
  const rows = new Map<string, number[]>();
  lands.forEach(({ group, end }, i) => {
    const key = end === null ? `${i}` : `${group} ${end}`;
    rows.set(key, [...(rows.get(key) ?? []), i]);
  });
  return [...rows.values()].flatMap((row): MaskOpening[] => {
    const openings = row.flatMap(openingsOf);
    const { group = '', far = false } = lands[row[0] ?? 0] ?? {};
    const frame = frames.get(group) ?? HOME;
    // the row is straight in its own frame
    const round = boxRound(openings.map(({ opening }) => putPlaced(undone(frame), opening)));
    if (row.length === 1 || !round) return openings;
    const opening = putPlaced(frame, placedBox(round));
    return [
      { opening: isQuarter(opening.rotation) ? placedBox(opening) : opening, islands: [], lands: row, far },
    ];
  });
}
