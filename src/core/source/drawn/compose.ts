import { newDocument, type DimensionEntry, type TapisDocument } from '../../document/document';
import type { PieceIntent } from '../../document/pieces';
import { contourFigure } from '../../geometry/figure';
import { shapeOf } from '../../given/words';
import { takenIn } from '../../given/document';
import { formatNumber, quantise } from '../../units/length';
import { printedAt, type TakenFrom } from '../take';
import { halved, summed, type DrawnPattern, type LaidThing } from './pattern';
import { isPrinted, type Known, type Said, type Used } from './solve';

// A land pattern that was drawn as a composed package: each printed number is a dimension with its place on the page,
// and rows, single lands, holes and pegs are pieces whose lengths are said in these dimensions.

/** Places that are nearer are one, mm. */
const SAME = 1e-6;

/**
 * A composed package of a drawn land pattern.
 * @param name of the footprint
 */
export function composedOf(drawn: DrawnPattern, name: string, from: TakenFrom): TapisDocument {
  const { pattern, unit } = drawn;
  const things = fromDatum(fromDatum(drawn.things, 'x'), 'y');
  // openings in the stencil are no piece of their own: they are kept with their lands, in plain lengths
  if (things.some(({ role }) => role === 'window')) {
    const left = [
      ...pattern.left,
      ...drawn.doubts,
      ...drawn.open.map(({ what }) => `Measured off the drawing: ${what}.`),
    ];
    const taken = takenIn({
      ...pattern,
      name,
      left,
      from: `${from.source.name}, page ${from.page}`,
    }).document;
    return { ...taken, sources: [{ id: 's1', ...from.source }] };
  }
  const symbols = new Symbols(drawn.used);
  const lands = things.filter(({ role }) => role === 'land');
  const pieces: PieceIntent[] = [
    ...rowsOf(lands).map((row, i): PieceIntent => {
      const [first] = row as [LaidThing];
      const hole = things.find(({ role, land }) => role === 'hole' && land !== null && land === first.land);
      return {
        id: `lands-${i + 1}`,
        name: hole ? 'holes' : 'lands',
        ...(hole
          ? {
              what: 'hole',
              plated: true,
              hole: symbols.formula(hole.width),
              land: symbols.formula(first.width),
            }
          : { what: 'land', ...figureWords(first, pattern.lands[first.land ?? 0]?.copper.figure, symbols) }),
        ...placing(row, symbols),
        numbers: numbersOf(row),
      };
    }),
    ...things
      .filter(({ role, land }) => role === 'hole' && land === null)
      .map((hole, i): PieceIntent => ({
        id: `hole-${i + 1}`,
        name: 'hole',
        what: 'hole',
        hole: symbols.formula(hole.width),
        ...placing([hole], symbols),
      })),
  ];
  const body = pattern.body ? things.find(({ role }) => role === 'body') : undefined;
  if (body)
    pieces.push({
      id: 'body',
      name: 'body',
      what: 'body',
      length: symbols.formula(body.width),
      width: symbols.formula(body.height),
      bottom: '0mm',
      top: '0.01mm',
      ...placing([body], symbols),
    });
  const { dimensions, named } = symbols.entries('s1', from);
  const base = newDocument(name.trim().slice(0, 120) || 'Pattern', 'composed');
  const left = [...pattern.left, ...drawn.doubts];
  return {
    ...base,
    sources: [{ id: 's1', ...from.source }],
    package: {
      ...base.package,
      ...(unit === 'mm' ? {} : { unit }),
      title: 'Pattern as drawn',
      dimensions,
      named,
      source: `${from.source.name}, page ${from.page}`.slice(0, 200),
      first: lands.length > 2 ? 'marked' : 'plain',
      pieces,
    },
    orientation: 'A',
    overrides: { pin1Land: 'same' },
    ...(left.length > 0 ? { notes: left.join('\n').slice(0, 4000) } : {}),
  };
}

/** Things from where the drawing measures: the place along an axis from which the rest is said in the fewest numbers. */
function fromDatum(things: readonly LaidThing[], axis: 'x' | 'y'): readonly LaidThing[] {
  // what is alike on both sides is said from its middle
  if (things.every((one) => one[axis].form.size <= 2)) return things;
  const places = [null, ...things.filter(({ role }) => role !== 'body').map((one) => one[axis])];
  const shifted = places.map((zero) =>
    things.map((one) => (zero === null ? one : { ...one, [axis]: summed(one[axis], zero, -1) })),
  );
  const terms = (all: readonly LaidThing[]) => all.reduce((sum, one) => sum + one[axis].form.size, 0);
  return shifted.reduce((best, one) => (terms(one) < terms(best) ? one : best));
}

/** Figures of lands in words, their sizes in the dimensions of the drawing. */
function figureWords(
  thing: LaidThing,
  figure: Parameters<typeof shapeOf>[0] | undefined,
  symbols: Symbols,
): Partial<PieceIntent> {
  const [length, width] = [symbols.formula(thing.width), symbols.formula(thing.height)];
  const said = shapeOf(figure ?? contourFigure(thing.shape.corners).figure);
  if (said.shape === 'round') return { shape: 'round', diameter: length };
  // the corners of an outline say its size
  if (said.shape === 'contour') return said;
  return { ...said, length, width };
}

/** Where the elements of a piece lie: one alone, or a row by its step and its middle. */
function placing(row: readonly LaidThing[], symbols: Symbols): Partial<PieceIntent> {
  const [first, last] = [row[0], row.at(-1)];
  if (!first || !last) return {};
  const middle = (axis: 'x' | 'y') => halved(summed(first[axis], last[axis], 1));
  const at = { x: symbols.formula(middle('x')), y: symbols.formula(middle('y')) };
  const placed = { ...(at.x === '0' ? {} : { x: at.x }), ...(at.y === '0' ? {} : { y: at.y }) };
  const second = row[1];
  if (!second) return { as: 'single', ...placed };
  const isLevel = Math.abs(first.y.mm - last.y.mm) < SAME;
  const axis = isLevel ? 'x' : 'y';
  return {
    as: 'row',
    n: String(row.length),
    step: symbols.formula(summed(second[axis], first[axis], -1)),
    towards: isLevel ? 'right' : 'up',
    ...placed,
  };
}

/** Lands of one size that lie in equal steps, in rows or columns; each of the others by itself. */
function rowsOf(lands: readonly LaidThing[]): LaidThing[][] {
  const kinds = new Map<string, LaidThing[]>();
  for (const land of lands) {
    const { shape, width, height } = land;
    const key = [shape.kind, width.mm, height.mm]
      .map((one) => (typeof one === 'number' ? one.toFixed(6) : one))
      .join(' ');
    kinds.set(key, [...(kinds.get(key) ?? []), land]);
  }
  return [...kinds.values()].flatMap((alike) => {
    const [level, upright] = (['x', 'y'] as const).map((axis) => steppedRows(alike, axis));
    return (level?.length ?? 0) <= (upright?.length ?? 0) ? (level ?? []) : (upright ?? []);
  });
}

/** Rows along an axis; where the steps of one differ, its lands stand alone. */
function steppedRows(alike: readonly LaidThing[], axis: 'x' | 'y'): LaidThing[][] {
  const other = axis === 'x' ? 'y' : 'x';
  const lines = new Map<string, LaidThing[]>();
  for (const land of alike) {
    const key = quantise(land[other].mm).toFixed(4);
    lines.set(key, [...(lines.get(key) ?? []), land]);
  }
  return [...lines.values()].flatMap((line) => {
    const row = [...line].sort((a, b) => a[axis].mm - b[axis].mm);
    const steps = row.slice(1).map((land, i) => land[axis].mm - (row[i]?.[axis].mm ?? 0));
    return steps.every((step) => Math.abs(step - (steps[0] ?? 0)) < SAME) ? [row] : row.map((land) => [land]);
  });
}

function numbersOf(row: readonly LaidThing[]): NonNullable<PieceIntent['numbers']> {
  const numbers = row.map(({ number }) => number);
  if (numbers.every((number) => number === '')) return { none: true };
  const counts = numbers.map(Number);
  const [first = NaN, second = NaN] = counts;
  const by = counts.length > 1 ? second - first : 1;
  const isEven = counts.every((count, i) => Number.isInteger(count) && count === first + i * by) && by !== 0;
  if (isEven) return { from: String(first), ...(by === 1 ? {} : { by: String(by) }) };
  return { list: numbers.map((number) => (number === '' ? '-' : number)).join(' ') };
}

/** Letters for the printed numbers that pieces are said in, given out as they are needed. */
class Symbols {
  private readonly given = new Map<Said, string>();
  private readonly uses: ReadonlyMap<Said, Used>;

  constructor(used: readonly Used[]) {
    this.uses = new Map(used.map((one) => [one.label, one]));
  }

  /** A length in the dimensions of the drawing. */
  formula({ form, mm }: Pick<Known, 'form' | 'mm'>): string {
    if (form.size === 0) return formatNumber(quantise(mm), 0, 6);
    return written([...form].map(([said, share]) => [this.symbolOf(said), share] as const));
  }

  /** The dimensions that were given letters, as a document has them. */
  entries(
    source: string,
    from: TakenFrom,
  ): {
    readonly dimensions: Record<string, DimensionEntry>;
    readonly named: NonNullable<TapisDocument['package']['named']>;
  } {
    const where = `${from.source.name}, page ${from.page}`.slice(0, 120);
    const dimensions: Record<string, DimensionEntry> = {};
    const named: Record<string, { name: string; basic: true }> = {};
    for (const [said, symbol] of this.given) {
      dimensions[symbol] = isPrinted(said)
        ? {
            text: said.entry,
            where,
            from: printedAt({ area: said.area, printed: said.printed, text: said.entry }, source, from),
          }
        : {
            text: `ref ${formatNumber(said.measured, 0, 3)}`,
            unit: 'mm',
            where: `measured off ${where}`.slice(0, 120),
          };
      const name = isPrinted(said) ? (this.uses.get(said)?.what ?? said.printed) : said.what;
      // lands are given as they are to be made: no tolerance is missing
      named[symbol] = { name: `${name.charAt(0).toUpperCase()}${name.slice(1)}`.slice(0, 60), basic: true };
    }
    return { dimensions, named };
  }

  private symbolOf(said: Said): string {
    const known = this.given.get(said);
    if (known !== undefined) return known;
    const base = letterFor(this.uses.get(said));
    const taken = new Set(this.given.values());
    let symbol = base;
    for (let i = 1; taken.has(symbol); i += 1) symbol = `${base}${i}`;
    this.given.set(said, symbol);
    return symbol;
  }
}

/** A letter that says what is measured: sizes X and Y, a pitch e, distances C, G and Z; M for what was measured. */
function letterFor(use: Used | undefined): string {
  switch (use?.kind) {
    case 'size':
      return use.axis === 'x' ? 'X' : 'Y';
    case 'pitch':
      return 'e';
    case 'centre':
      return 'C';
    case 'gap':
      return 'G';
    case 'outer':
      return 'Z';
    case 'diameter':
      return 'D';
    case 'other':
      return 'K';
    case undefined:
      return 'M';
  }
}

/** A sum as it is entered: `(Z-Y)/2` where all shares are alike, else term by term. */
function written(terms: readonly (readonly [string, number])[]): string {
  const shares = terms.map(([, share]) => Math.abs(share));
  const common = shares.every((share) => Math.abs(share - (shares[0] ?? 0)) < SAME) ? (shares[0] ?? 1) : null;
  const inOrder = [...terms].sort((a, b) => b[1] - a[1]);
  const sum = (factor: number) =>
    inOrder
      .map(([symbol, share], i) => {
        const times = Math.abs(share) / factor;
        const sign = share < 0 ? '-' : i === 0 ? '' : '+';
        return `${sign}${Math.abs(times - 1) < SAME ? '' : `${formatNumber(times, 0, 6)}*`}${symbol}`;
      })
      .join('');
  if (common !== null && Math.abs(common - 1) > SAME) {
    const inner = sum(common);
    const whole = terms.length > 1 ? `(${inner})` : inner;
    const divided = 1 / common;
    return Math.abs(divided - Math.round(divided)) < SAME && divided > 1
      ? `${whole}/${Math.round(divided)}`
      : inner.startsWith('-') && terms.length === 1
        ? `-${formatNumber(common, 0, 6)}*${inner.slice(1)}`
        : `${formatNumber(common, 0, 6)}*${whole}`;
  }
  return sum(1);
}
