import type { TapisDocument } from '../../document/document';
import { writtenEntry } from '../../document/entries';
import type { CompositionIntent, PieceIntent } from '../../document/pieces';
import { sizeOf, type Figure } from '../../geometry/figure';
import { fullTurn, turn, type Point } from '../../geometry/point';
import { formatNumber, quantise } from '../../units/length';
import { exactly, printEntry, type Toleranced } from '../../units/toleranced';
import { drawPackage } from '../draw';
import { bodyOutline, type DrawnPackage } from '../drawn';
import type { NameTemplate } from '../naming';
import type { ResolvedDimension, ResolvedPackage } from '../resolve';
import {
  landIdOf,
  type Bore,
  type KeepOut,
  type PinGroup,
  type SpanGroup,
  type Spot,
  type SpotGroup,
  type TerminalGroup,
} from '../terminal';
import { COMPOSED } from './draw';

/** Writes sizes as entries: by the name of a dimension where one alone has them, else as numbers. */
class Writer {
  private readonly symbols = new Map<string, string | null>();

  constructor(dimensions: readonly ResolvedDimension[]) {
    for (const { definition, value } of dimensions) {
      if (!value || value.nom === 0) continue;
      const key = this.key(value, definition.kind);
      // two dimensions of one size could be told apart by luck only
      this.symbols.set(key, this.symbols.has(key) ? null : definition.symbol);
    }
  }

  length(value: Toleranced): string {
    return this.symbols.get(this.key(value, 'length')) ?? this.number(value);
  }

  count(value: number): string {
    return this.symbols.get(this.key(exactly(value), 'count')) ?? String(value);
  }

  /** A coordinate: no dimension is meant by it. */
  place(value: number): string | undefined {
    return quantise(value) === 0 ? undefined : mm(value);
  }

  private number(value: Toleranced): string {
    return value.min === value.max ? mm(value.nom) : printEntry(value, 'mm');
  }

  private key({ min, nom, max }: Toleranced, kind: 'length' | 'count'): string {
    return [kind, min, nom, max].join(' ');
  }
}

/** A number of mm that reads back as it is, whatever unit the datasheet has. */
const mm = (value: number): string => `${formatNumber(quantise(value), 0, 9)}mm`;
const plain = (value: number): string => formatNumber(quantise(value), 0, 9);

/** As {@link takenApart}; `null` where the document is of no family, or not complete. */
export function apartFrom(document: TapisDocument): TapisDocument | null {
  if (document.package.family === COMPOSED) return null;
  const { resolved, drawn } = drawPackage(document);
  return resolved && drawn && takenApart(document, resolved, drawn);
}

/**
 * A footprint of a family as pieces that draw the same lands, so that a similar one can be made of it.
 * Choices that were made for single lands go with them; the document given stays as it is.
 */
function takenApart(document: TapisDocument, resolved: ResolvedPackage, drawn: DrawnPackage): TapisDocument {
  const writer = new Writer(resolved.dimensions);
  const renamed = new Map<string, string>();
  const pieces = [
    ...drawn.groups.map((group) => pieceOf(group, writer, renamed)),
    ...drawn.bores.map(boreOf),
    ...drawn.keepOuts.map(keepOutOf),
    bodyOf(drawn, writer),
  ].map((piece, i): PieceIntent => ({ id: `piece-${i + 1}`, ...piece }) as PieceIntent);
  const kept = resolved.dimensions.filter(({ value, source }) => value && source !== 'missing');
  const { options: _options, ...rest } = document.package;
  return {
    ...document,
    ...movedChoices(document, renamed),
    ...(drawn.legend !== 'outline' && !document.marks?.style
      ? { marks: { ...document.marks, style: drawn.legend } }
      : {}),
    package: {
      ...rest,
      family: COMPOSED,
      title: resolved.title,
      dimensions: Object.fromEntries(
        kept.map((dimension) => [dimension.definition.symbol, entryFor(dimension, document)]),
      ),
      named: Object.fromEntries(
        kept.map(({ definition: { symbol, name, help, kind, basic } }) => [
          symbol,
          { name, help, kind, ...(basic ? { basic } : {}) },
        ]),
      ),
      first: drawn.polarity ?? (drawn.polarised ? 'marked' : 'plain'),
      naming: patternOf(drawn.name, kept),
      pieces,
    } satisfies TapisDocument['package'] & CompositionIntent,
  };
}

/** The entry of a dimension, with what the family alone had known about it written out. */
function entryFor(
  { definition: { symbol }, text, unit, source, value }: ResolvedDimension,
  document: TapisDocument,
) {
  const { dimensions } = document.package;
  const raw = Object.hasOwn(dimensions, symbol) ? dimensions[symbol] : undefined;
  const read = value as Toleranced;
  // a least value that the family took for a maximum alone is nothing that the entry says
  if (raw !== undefined && source === 'entered' && !(read.given === 'max' && read.min !== read.max))
    return raw;
  const { label, where } = writtenEntry(raw);
  const about = { ...(label ? { label } : {}), ...(where ? { where } : {}) };
  if (read.given === 'max')
    return { text: `${plain(read.min)}..${plain(read.max)}`, unit: 'mm' as const, ...about };
  return { text, unit: source === 'derived' ? ('mm' as const) : unit, ...about };
}

/** Choices for single lands, by the names that the lands have now. */
function movedChoices(
  { stacks, overrides }: TapisDocument,
  renamed: ReadonlyMap<string, string>,
): Partial<TapisDocument> {
  const moved = <V>(record: Readonly<Record<string, V>>): Record<string, V> =>
    Object.fromEntries(Object.entries(record).map(([id, value]) => [renamed.get(id) ?? id, value]));
  return {
    ...(stacks?.lands ? { stacks: { ...stacks, lands: moved(stacks.lands) } } : {}),
    ...(overrides?.numbers ? { overrides: { ...overrides, numbers: moved(overrides.numbers) } } : {}),
  };
}

type Said = Omit<PieceIntent, 'id'> & { readonly id?: string };

type Defined<T> = { [K in keyof T as undefined extends T[K] ? never : K]: T[K] } & {
  [K in keyof T as undefined extends T[K] ? K : never]?: Exclude<T[K], undefined>;
};

/** The fields that say something. */
const said = <T extends object>(record: T): Defined<T> =>
  Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined)) as Defined<T>;

function pieceOf(group: TerminalGroup, writer: Writer, renamed: Map<string, string>): Said {
  switch (group.kind) {
    case 'span':
      return spanPiece(group, writer, renamed);
    case 'spot':
    case 'pin':
      return spotPiece(group, writer, renamed);
  }
}

const at = ({ x, y }: Point, writer: Writer) => said({ x: writer.place(x), y: writer.place(y) });

interface Counted {
  readonly order: number;
  readonly number?: string;
  readonly joins?: number;
}

const numberOf = ({ order, number, joins }: Counted): string => number ?? String(joins ?? order);

/** Numbers of all places one by one; those that are not there have none. */
function listOf<P extends Counted>(places: readonly P[], count: number, nameOf: (place: P) => number) {
  const names = Array.from({ length: count }, () => '-');
  for (const place of places) names[nameOf(place) - 1] = numberOf(place) || '-';
  return { list: names.join(' ') };
}

/** A row or two facing ones, with the places that are not there left out. */
function spanPiece(group: SpanGroup, writer: Writer, renamed: Map<string, string>): Said {
  const { id, title, frame, form, span, length, width, inside, pitch, body, height, innerEnd, places } =
    group;
  const alongs = [...new Set(places.map(({ along }) => quantise(along)))].sort((a, b) => b - a);
  const row = lattice(alongs, pitch);
  const slotName = (place: SpanGroup['places'][number]) => {
    const i = row.at.findIndex((v) => Math.abs(v - place.along) < 1e-7);
    return place.end === -1 ? i + 1 : 2 * row.at.length - i;
  };
  const sorted = [...places].sort((a, b) => slotName(a) - slotName(b));
  const present = new Set(sorted.map(slotName));
  const omit = Array.from({ length: 2 * row.at.length }, (_, i) => i + 1).filter(
    (name) => !present.has(name),
  );
  sorted.forEach((place) => {
    renamed.set(landIdOf(group, place, places.indexOf(place)), `${id}/${slotName(place)}`);
  });
  const [first, last] = [row.at[0] as number, row.at.at(-1) as number];
  const middle = turn({ x: 0, y: (first + last) / 2 }, frame.angle);
  const angle = fullTurn(frame.angle);
  return said({
    id,
    name: title,
    what: 'terminal' as const,
    as: 'facing' as const,
    form,
    length: writer.length(length),
    width: writer.length(width),
    apart: writer.length(span),
    inside: inside && writer.length(inside),
    n: writer.count(row.at.length),
    ...(row.step === null ? { steps: row.steps.map(mm).join(' ') } : {}),
    step: row.step ? writer.length(exactly(row.step)) : undefined,
    omit: omit.length > 0 ? omit.join(' ') : undefined,
    between: body ? writer.length(body.size) : undefined,
    under: body ? writer.length(body.standoff) : undefined,
    tall: height === undefined ? undefined : mm(height),
    end: innerEnd,
    angle: angle === 0 ? undefined : plain(angle),
    ...at({ x: frame.at.x + middle.x, y: frame.at.y + middle.y }, writer),
    numbers: listOf(sorted, 2 * row.at.length, slotName),
  });
}

/** Offsets of a row on which all of these lie, and its step where it is even. */
function lattice(alongs: readonly number[], pitch: number | null) {
  const [first = 0] = alongs;
  const last = alongs.at(-1) ?? 0;
  const gaps = alongs.slice(1).map((along, i) => quantise((alongs[i] as number) - along));
  const step = pitch ?? (gaps.length > 0 ? Math.min(...gaps) : 0);
  const count = step > 0 ? Math.round((first - last) / step) + 1 : 1;
  const even = Array.from({ length: count }, (_, i) => quantise(first - i * step));
  const fits = alongs.every((along) => even.some((v) => Math.abs(v - along) < 1e-6));
  return fits && (step > 0 || alongs.length === 1)
    ? { at: even, step: step > 0 ? step : 0, steps: [] }
    : { at: alongs, step: null, steps: gaps };
}

/** Pins, balls, pads and holes at their places. */
function spotPiece(group: PinGroup | SpotGroup, writer: Writer, renamed: Map<string, string>): Said {
  const { id, title, frame, places } = group;
  places.forEach((place, i) => renamed.set(landIdOf(group, place, i), `${id}/${i + 1}`));
  const angle = fullTurn(frame.angle);
  return said({
    id,
    name: title,
    ...(group.kind === 'pin' ? pinElement(group, writer) : spotElement(group, writer)),
    as: 'places' as const,
    points: places.map(pointText).join(' '),
    angle: angle === 0 ? undefined : plain(angle),
    ...at(frame.at, writer),
    numbers: listOf(places, places.length, (place) => places.indexOf(place) + 1),
  });
}

const pointText = ({ at: { x, y }, rotation }: Spot): string =>
  [x, y, ...(rotation === 0 ? [] : [rotation])].map(plain).join(',');

function pinElement({ lead, stated, vias, bare }: PinGroup, writer: Writer) {
  if (stated)
    return {
      what: 'hole' as const,
      plated: true,
      hole: mm(stated.hole),
      land: mm(stated.land),
      ...(stated.slot ? { slot: mm(stated.slot) } : {}),
      ...(vias ? { vias: vias.map(({ x, y, hole }) => [x, y, hole].map(plain).join(',')).join(' ') } : {}),
      ...(bare ? {} : { diameter: writer.length(lead.width) }),
    };
  if (lead.shape === 'round')
    return { what: 'pin' as const, shape: 'round' as const, diameter: writer.length(lead.width) };
  return {
    what: 'pin' as const,
    shape: 'rectangle' as const,
    width: writer.length(lead.width),
    thickness: writer.length(lead.thickness),
  };
}

function spotElement({ form, contact }: SpotGroup, writer: Writer) {
  const what = form === 'given' ? ('land' as const) : ('terminal' as const);
  const sizes = (of: (figure: Figure) => number): Toleranced => ({
    min: of(contact.min),
    nom: of(contact.nom),
    max: of(contact.max),
    given: 'range',
  });
  return {
    what,
    ...(what === 'terminal' ? { form: form as NonNullable<PieceIntent['form']> } : {}),
    ...shapeOf(
      contact.nom,
      writer.length(sizes((f) => sizeOf(f).width)),
      writer.length(sizes((f) => sizeOf(f).height)),
    ),
  };
}

function shapeOf(figure: Figure, length: string, width: string) {
  switch (figure.kind) {
    case 'round':
      return { shape: 'round' as const, diameter: length };
    case 'oblong':
    case 'd-shape':
      return { shape: figure.kind, length, width };
    case 'contour':
      return {
        shape: 'contour' as const,
        contour: figure.outline.map(({ x, y }) => `${plain(x)},${plain(y)}`).join(' '),
      };
    case 'rectangle': {
      const { radius, chamfer } = figure;
      if (chamfer)
        return {
          shape: 'chamfered' as const,
          length,
          width,
          chamfer: mm(chamfer.size),
          corners: [...chamfer.corners],
        };
      if (radius) return { shape: 'rounded' as const, length, width, radius: mm(radius) };
      return { shape: 'rectangle' as const, length, width };
    }
  }
}

function boreOf({ at: { x, y }, diameter }: Bore): Said {
  return said({ name: 'hole', what: 'hole' as const, hole: mm(diameter), x: mm(x), y: mm(y) });
}

function keepOutOf({ figure, at: { x, y }, rotation, why, what, side }: KeepOut): Said {
  const { width, height } = sizeOf(figure);
  return said({
    name: 'keep-out',
    what: 'keep-out' as const,
    ...shapeOf(figure, mm(width), mm(height)),
    x: mm(x),
    y: mm(y),
    angle: rotation === 0 ? undefined : plain(rotation),
    why,
    free: what,
    side,
  });
}

/** The body as a block of its size; a round one as a cylinder. */
function bodyOf({ extent }: DrawnPackage, writer: Writer): Said {
  const { x, y, standoff, height, centre = { x: 0, y: 0 }, outline } = extent;
  const round = outline && bodyOutline(extent).some(({ bulge }) => bulge === 1);
  return said({
    id: 'body',
    name: 'body',
    what: 'body' as const,
    ...(round
      ? { shape: 'cylinder' as const, diameter: writer.length(x) }
      : { length: writer.length(x), width: writer.length(y) }),
    bottom: writer.length(standoff),
    top: writer.length(height),
    ...at(centre, writer),
  });
}

/** A standard name as a pattern: numbers by the dimension that has them, else as they are. */
function patternOf(name: NameTemplate, dimensions: readonly ResolvedDimension[]): string {
  const level = name.every((part) => typeof part === 'string' || !('level' in part));
  const words = name.map((part) => {
    if (typeof part === 'string') return part;
    if ('level' in part) return '';
    const { symbol, value, decimals, digits = 1 } = part;
    const own = dimensions.find(({ definition }) => definition.symbol === symbol);
    const limit = (['nom', 'max', 'min'] as const).find((key) => own?.value?.[key] === value);
    const isCount = own?.definition.kind === 'count';
    if (!own || !limit || isCount !== (decimals === 0)) {
      const scaled = Math.round(value * 10 ** decimals * 1e6) / 1e6;
      return String(decimals === 1 ? Math.floor(scaled) : Math.round(scaled)).padStart(digits, '0');
    }
    const zeros = '0'.repeat(Math.max(digits, decimals));
    const form = isCount ? zeros : `${zeros.slice(0, zeros.length - decimals)}.${'0'.repeat(decimals)}`;
    const usual = isCount ? '0' : '.00';
    return `{${symbol}${limit === 'nom' ? '' : `.${limit}`}${form === usual ? '' : `:${form}`}}`;
  });
  return `${words.join('')}${level ? '' : '!'}`;
}
