import type { PieceIntent } from '../../document/pieces';
import { sizeOf, type Figure } from '../../geometry/figure';
import { fullTurn, turn, type Point } from '../../geometry/point';
import { quantise } from '../../units/length';
import { exactly, type Toleranced } from '../../units/toleranced';
import { bodyOutline, type DrawnPackage } from '../drawn';
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
import { inMm, mm, plain, type Writer } from './writer';

/** A piece, whose id may still be given to it. */
export type Said = Omit<PieceIntent, 'id'> & { readonly id?: string };

type Defined<T> = { [K in keyof T as undefined extends T[K] ? never : K]: T[K] } & {
  [K in keyof T as undefined extends T[K] ? K : never]?: Exclude<T[K], undefined>;
};

/** The fields that say something. */
const said = <T extends object>(record: T): Defined<T> =>
  Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined)) as Defined<T>;

/** A group of terminals as a piece; tells by which names its lands are known now. */
export function pieceOf(group: TerminalGroup, writer: Writer, renamed: Map<string, string>): Said {
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
    points: inMm(places.map(pointText)),
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
      ...(vias ? { vias: viaTexts(vias) } : {}),
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

const viaTexts = (vias: NonNullable<PinGroup['vias']>) =>
  inMm(vias.map(({ x, y, hole, land }) => [x, y, hole, land].map(plain).join(',')));

function spotElement({ form, contact, vias }: SpotGroup, writer: Writer) {
  const what = form === 'given' ? ('land' as const) : ('terminal' as const);
  const sizes = (of: (figure: Figure) => number): Toleranced => ({
    min: of(contact.min),
    nom: of(contact.nom),
    max: of(contact.max),
    given: 'range',
  });
  return {
    what,
    ...(vias ? { vias: viaTexts(vias) } : {}),
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
        contour: inMm(figure.outline.map(({ x, y }) => `${plain(x)},${plain(y)}`)),
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

/** A hole as a piece. */
export function boreOf({ at: { x, y }, diameter }: Bore): Said {
  return said({ name: 'hole', what: 'hole' as const, hole: mm(diameter), x: mm(x), y: mm(y) });
}

/** An area as a piece. */
export function keepOutOf({ figure, at: { x, y }, rotation, why, what, side }: KeepOut): Said {
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
export function bodyOf({ extent }: DrawnPackage, writer: Writer): Said {
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
