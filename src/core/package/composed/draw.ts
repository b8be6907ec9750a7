import type { PackageIntent, TapisDocument } from '../../document/document';
import type { Finding } from '../../document/finding';
import { COMPOSITION, type CompositionIntent, type PieceRead } from '../../document/pieces';
import { readFields, type Symbols } from '../../document/read-fields';
import { pointerKey, valueAt } from '../../document/edit';
import { pieceUnitOf } from '../../document/own-family';
import { narrowOf } from '../../geometry/figure';
import { parseEntry } from '../../units/entry-tree';
import { quantise } from '../../units/length';
import type { DrawnPackage } from '../drawn';
import { resolvePackage, type ResolvedPackage } from '../resolve';
import type { Bore, KeepOut, MaskWindow, TerminalGroup } from '../terminal';
import { placeNames } from './arrange';
import { byEdges } from './edges';
import { extentOf, solidsOf } from './bodies';
import { conditionsOf } from './conditions';
import { figureOf } from './element';
import { groupsOf } from './groups';
import { composedLines } from './lines';
import { plainName, readNaming } from './naming';
import { isNumbered, numbersOf } from './numbers';
import { askedOf } from './own';
import { placed, type Item, type Misplaced, type PlacedPiece } from './place';
import { rangeOf } from './slack';
import { unusedFields } from './strays';

/** A composed package: its dimensions, its pieces where they lie, and its drawing as far as it goes. */
export interface Composition {
  readonly resolved: ResolvedPackage;
  readonly pieces: readonly PlacedPiece[];
  /** `null` while anything of it cannot be read or placed. */
  readonly drawn: DrawnPackage | null;
  readonly problems: readonly Finding[];
}

/** Draws a package as its pieces say. */
export function drawComposed({ package: intent }: TapisDocument): Composition {
  const { asked, problems: ofAsked } = askedOf(intent);
  const resolved = resolvePackage(asked, intent);
  const symbols: Symbols = new Map(
    resolved.dimensions.flatMap(({ definition: { symbol, kind }, value }) =>
      value ? [[symbol, { kind, value }] as const] : [],
    ),
  );
  const { pieces: given, named, naming } = intent;
  const composition: CompositionIntent = {
    ...(given ? { pieces: given } : {}),
    ...(named ? { named } : {}),
    ...(naming === undefined ? {} : { naming }),
  };
  const read = readFields(COMPOSITION, composition, '/package', pieceUnitOf(intent), symbols);
  const edged = read.value.pieces.map((piece) => ({ piece, result: byEdges(piece) }));
  const layout = placed(edged.map(({ piece, result }) => (result.ok ? result.value : piece)));
  // what waits for a dimension is told by the dimension
  const waits = waitsFor(resolved);
  const problems = [
    ...read.problems.filter(({ place: { field = '' } }) => !waits(writtenAt(intent, field))),
    ...edged.flatMap(({ piece, result }) =>
      result.ok ? [] : [told({ piece, field: result.error.field, message: result.error.error })],
    ),
    ...repeatedIds(read.value.pieces),
    ...layout.trouble.filter((trouble) => !isToldAlready(trouble, read.problems)).map(told),
    ...(read.value.pieces.length === 0 ? [NO_PIECES] : []),
  ];
  const name = namingOf(naming, resolved);
  const whole = problems.length === 0 && resolved.values !== null;
  return {
    resolved,
    pieces: layout.placed,
    drawn: whole
      ? {
          ...drawn(layout.placed, resolved, intent, name.template),
          plausibility: conditionsOf(intent.own, symbols),
        }
      : null,
    problems: [
      ...problems,
      ...ofAsked,
      ...name.problems,
      ...read.value.pieces.flatMap(strayPlaces),
      ...unusedFields(given ?? []),
      ...furtherEdges(read.value.pieces),
    ],
  };
}

const BASE = {
  rule: 'entry',
  severity: 'stop',
  source: 'Composed packages',
  stage: 'measure',
  remedies: [],
} as const;

const NO_PIECES: Finding = {
  ...BASE,
  title: 'No pieces yet',
  message: 'Say what the package is made of: a row of terminals, a peg, a body.',
  place: { field: '/package/pieces' },
};

/** The entry text at a place of a package. */
function writtenAt(intent: PackageIntent, pointer: string): string {
  const value = valueAt({ package: intent }, pointer);
  return typeof value === 'string' ? value : '';
}

/** Tells entries that name a dimension which has no value yet. */
function waitsFor({ dimensions }: ResolvedPackage): (text: string) => boolean {
  const open = new Set(
    dimensions.filter(({ value }) => value === null).map(({ definition }) => definition.symbol),
  );
  return (text) => {
    if (open.size === 0) return false;
    const tree = parseEntry(text);
    return tree.ok && tree.value.symbols.some((symbol) => open.has(symbol));
  };
}

/** A size that is missing because its entry cannot be read is told by the entry. */
function isToldAlready({ piece, field }: Misplaced, problems: readonly Finding[]): boolean {
  const at = `/package/pieces/${pointerKey(piece.id)}/`;
  return field === '' && problems.some(({ place }) => place.field?.startsWith(at));
}

function told({ piece, field, message }: Misplaced): Finding {
  const at = `/package/pieces/${pointerKey(piece.id)}`;
  return {
    ...BASE,
    title: `${piece.name ?? `Piece ${piece.id}`} has no place`,
    message,
    place: { field: field === '' ? at : `${at}/${field}` },
  };
}

/** A board has one edge that a part reaches; further ones are not held. */
function furtherEdges(pieces: readonly PieceRead[]): Finding[] {
  const [, ...further] = pieces.filter(({ what }) => what === 'edge');
  return further.map(({ id, name }) => ({
    ...BASE,
    severity: 'caution',
    title: 'Another edge of the board',
    message: `${name ?? `Piece ${id}`} is a second edge of the board; the first one alone is held.`,
    place: { field: `/package/pieces/${pointerKey(id)}` },
  }));
}

/** Places that a piece names and does not have, and lists of numbers that do not fit its places. */
function strayPlaces(piece: PieceRead): Finding[] {
  const { id, name, omit, differ, numbers } = piece;
  const names = placeNames(piece);
  if (names.length === 0) return [];
  const known = new Set(names);
  const at = `/package/pieces/${pointerKey(id)}`;
  const say = (field: string, message: string): Finding => ({
    ...BASE,
    severity: 'caution',
    title: `${name ?? `Piece ${id}`} and its places`,
    message,
    place: { field: `${at}/${field}` },
  });
  const missing = (all: Iterable<string>) => [...all].filter((one) => !known.has(one)).join(', ');
  const [left, other] = [missing(omit ?? []), missing(differ.keys())];
  const listed = numbers.list?.split(/[\s,;]+/).filter((one) => one !== '').length ?? 0;
  return [
    ...(left ? [say('omit', `It leaves out ${left}, which is none of its ${names.length} places.`)] : []),
    ...(other
      ? [say('differ', `It says what differs at ${other}, which is none of its ${names.length} places.`)]
      : []),
    ...(listed > 0 && listed !== names.length
      ? [
          say(
            'numbers/list',
            `Its list has ${listed} numbers for ${names.length} places; write - for a place without one.`,
          ),
        ]
      : []),
  ];
}

function repeatedIds(pieces: readonly PieceRead[]): Finding[] {
  const seen = new Set<string>();
  return pieces.flatMap(({ id }): Finding[] => {
    if (!seen.has(id)) {
      seen.add(id);
      return [];
    }
    return [
      {
        ...BASE,
        title: `Two pieces are called ${id}`,
        message: `The id ${id} stands at two pieces; each needs one of its own.`,
        place: { field: `/package/pieces/${pointerKey(id)}` },
      },
    ];
  });
}

function namingOf(pattern: string | undefined, { dimensions }: ResolvedPackage) {
  const none = { template: null, problems: [] as Finding[] };
  if (pattern === undefined || pattern.trim() === '') return none;
  const read = readNaming(pattern.trim(), dimensions);
  if (read.ok) return { ...none, template: read.value };
  const problem: Finding = {
    ...BASE,
    severity: 'caution',
    title: 'Pattern of the standard name cannot be used',
    message: `“${pattern}”: ${read.error}`,
    place: { field: '/package/naming' },
  };
  return { ...none, problems: [problem] };
}

function drawn(
  pieces: readonly PlacedPiece[],
  { title, values }: ResolvedPackage,
  intent: PackageIntent,
  name: DrawnPackage['name'] | null,
): Omit<DrawnPackage, 'plausibility'> {
  const first = intent.first ?? null;
  const numbers = numbersOf(pieces);
  const orders = ordersOf(numbers);
  const groups = pieces.flatMap((piece) => groupsOf(piece, { numbers, orders }));
  const items = pieces.flatMap((piece) => piece.items);
  return {
    title,
    type: 'OTHER',
    groups,
    bores: items.flatMap(boresOf),
    keepOuts: pieces.flatMap(keepOutsOf),
    windows: pieces.flatMap(windowsOf),
    ...edgeOf(pieces),
    extent: extentOf(pieces),
    solids: solidsOf(pieces),
    lines: composedLines(pieces, intent.pieces ?? [], new Set(Object.keys(values ?? {}))),
    name: name ?? plainName(countOf(groups)),
    polarised: first === null ? countOf(groups) > 1 : first !== 'plain',
    polarity: first === 'cathode' || first === 'plus' ? first : null,
    legend: 'outline',
    leadThickness: (values && Object.hasOwn(values, 'c') && values['c']?.nom) || null,
  };
}

/** Terminals are counted by their numbers; those whose number is none, or letters, as the pieces come. */
function ordersOf(numbers: ReturnType<typeof numbersOf>): ReadonlyMap<Item, number> {
  const value = ({ number }: { readonly number: string }) =>
    /^\d+$/.test(number) ? Number(number) : Infinity;
  const sorted = [...numbers].sort(([, a], [, b]) => (value(a) === value(b) ? 0 : value(a) - value(b)));
  return new Map(sorted.map(([item], i) => [item, i + 1]));
}

const countOf = (groups: readonly TerminalGroup[]): number =>
  groups.reduce((sum, { places }) => sum + places.filter(({ number }) => number !== '').length, 0);

/** Play of a peg in a hole whose size nobody gives, beside what their places may be off by. mm */
const PEG_PLAY = 0.1;

/** What goes through the board without copper. */
const BORED: readonly Item['element']['what'][] = ['hole', 'peg', 'cut-out'];

/** Holes without copper: as they are given, or large enough for a peg wherever it may be. */
function boresOf({ element, at, rotation, slack }: Item): Bore[] {
  if (isNumbered(element) || !BORED.includes(element.what)) return [];
  const diameter = element.what === 'peg' ? element.diameter : null;
  const off = quantise(Math.max(rangeOf(slack.x), rangeOf(slack.y)));
  const worst = quantise(2 * Math.max(slack.x.worst, slack.y.worst));
  const peg = diameter && { peg: { diameter, off, worst } };
  const figure = figureOf(element, 'nom');
  if (element.what === 'cut-out')
    return figure.ok
      ? [{ at, diameter: narrowOf(figure.value), shape: { figure: figure.value, rotation } }]
      : [];
  if (element.hole) {
    const isSlot = figure.ok && figure.value.kind === 'oblong';
    const shape = isSlot ? { shape: { figure: figure.value, rotation } } : {};
    return [{ at, diameter: element.hole.nom, ...shape, ...peg }];
  }
  if (!peg) return [];
  return [
    {
      at,
      diameter: quantise(Math.ceil((peg.peg.diameter.max + PEG_PLAY + off) / 0.05 - 1e-6) * 0.05),
      ...peg,
    },
  ];
}

/** Openings in the mask that belong to no land. */
function windowsOf({ source: { side }, items }: PlacedPiece): MaskWindow[] {
  return items.flatMap((item): MaskWindow[] => {
    const figure = item.element.what === 'mask-window' ? figureOf(item.element, 'nom') : null;
    if (!figure?.ok) return [];
    const at = { figure: figure.value, at: item.at, rotation: item.rotation };
    return [
      ...(side === 'far' ? [] : [{ ...at, far: false }]),
      ...(side === 'far' || side === 'both' ? [{ ...at, far: true }] : []),
    ];
  });
}

const SIDE_OF = { right: 'right', left: 'left', up: 'top', down: 'bottom' } as const;

/** The board's edge, which ends the board towards where its piece says. */
function edgeOf(pieces: readonly PlacedPiece[]): Pick<DrawnPackage, 'edge'> {
  const found = pieces.find(({ source }) => source.what === 'edge');
  const [item] = found?.items ?? [];
  if (!found || !item) return {};
  return { edge: { at: item.at, side: SIDE_OF[found.source.towards ?? 'down'] } };
}

function keepOutsOf({ piece: { name }, source: { free, side, why }, items }: PlacedPiece): KeepOut[] {
  return items.flatMap(({ element, at, rotation }): KeepOut[] => {
    if (element.what !== 'keep-out') return [];
    const figure = figureOf(element, 'nom');
    if (!figure.ok) return [];
    return [
      {
        figure: figure.value,
        at,
        rotation,
        why: why ?? name ?? '',
        ...(free ? { what: free } : {}),
        ...(side ? { side } : {}),
      },
    ];
  });
}
