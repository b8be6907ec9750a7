import type { PrintedAt, SheetUnit, SourceIntent, TapisDocument } from '../document/document';
import { newDocument } from '../document/document';
import { applyEdits, pointerKey, type Edit } from '../document/edit';
import { entryEdit } from '../document/entries';
import { sheetUnitEdits } from '../document/sheet-unit';
import type { Area } from './page';
import type { ReadPattern } from './pattern';
import type { ReadDimension, SourceReading } from './reading';

/** Where a reading comes from: the datasheet, which a document lists once, and the page. */
export interface TakenFrom {
  readonly source: Omit<SourceIntent, 'id'>;
  readonly page: number;
  readonly isScan: boolean;
  /** Where areas of a picture that was turned level are seen on the page. */
  readonly seenAt?: (area: Area) => Area;
}

/** Edits that list a datasheet with a document, unless it has it already, and the id that it has there. */
export function sourceEdits(
  document: TapisDocument,
  source: Omit<SourceIntent, 'id'>,
): { readonly id: string; readonly edits: readonly Edit[] } {
  const sources = document.sources ?? [];
  const known = sources.find(({ key, text }) =>
    source.key !== undefined ? key === source.key : text !== undefined && text === source.text,
  );
  if (known) return { id: known.id, edits: [] };
  const taken = new Set(sources.map(({ id }) => id));
  let next = sources.length + 1;
  while (taken.has(`s${next}`)) next += 1;
  const id = `s${next}`;
  return { id, edits: [{ at: '/sources', value: [...sources, { id, ...source }] }] };
}

/** Longest text of an entry's place that is kept. */
const LONGEST = 400;
const round = (v: number) => Math.round(v * 100) / 100;

/** Where a dimension was read, as an entry keeps it. */
export function printedAt(
  read: Pick<ReadDimension, 'area' | 'printed' | 'text'>,
  id: string,
  { page, isScan, seenAt }: TakenFrom,
): PrintedAt {
  const area = read.area && (seenAt ? seenAt(read.area) : read.area);
  const at = read.area?.page ?? page;
  return {
    source: id,
    page: at,
    ...(area ? { box: [round(area.x0), round(area.y0), round(area.x1), round(area.y1)] as const } : {}),
    text: read.printed.slice(0, LONGEST),
    entry: read.text.slice(0, 200),
    ...(isScan ? { unconfirmed: true as const } : {}),
  };
}

/**
 * Edits that take what was read into a document: its family, unit and choices, and each dimension with
 * the datasheet's letter and its place.
 * @param dimensions those that are taken
 */
export function takeEdits(
  document: TapisDocument,
  { family, unit, options }: Pick<SourceReading, 'family' | 'unit' | 'options'>,
  dimensions: readonly ReadDimension[],
  from: TakenFrom,
): Edit[] {
  const { id, edits } = sourceEdits(document, from.source);
  const isNew = document.package.family !== family;
  // entries that were there keep what they mean when the unit of the table changes
  const kept = Object.keys(document.package.dimensions).length > 0 && !isNew;
  const packageUnit: SheetUnit = kept ? (document.package.unit ?? 'mm') : unit;
  const start: Edit[] = [
    ...edits,
    ...(isNew ? [{ at: '/package/family', value: family }] : []),
    ...(kept ? [] : sheetUnitEdits(document, unit)),
    ...Object.entries(options).map(([option, value]): Edit => ({ at: `/package/options/${option}`, value })),
  ];
  const base = applyEdits(document, start);
  return [
    ...start,
    ...dimensions.map((read): Edit =>
      entryEdit(base, read.symbol, {
        text: read.text,
        unit: read.unit === null || read.unit === packageUnit ? null : read.unit,
        label: read.label.slice(0, 20),
        where: placeWords({ ...from, page: read.area?.page ?? from.page }),
        from: printedAt(read, id, from),
      }),
    ),
  ];
}

/**
 * Edits that take a recommended pattern as the datasheet's own lands.
 * @param groups ids of the groups of lands that it is for
 */
export function patternEdits(
  document: TapisDocument,
  { unit, Y, X, distance, given }: ReadPattern,
  groups: readonly string[],
  from: TakenFrom,
): Edit[] {
  const { edits } = sourceEdits(document, from.source);
  const packageUnit = document.package.unit ?? 'mm';
  return [
    ...edits,
    { at: '/recommended/unit', value: unit === packageUnit ? undefined : unit },
    { at: '/recommended/where', value: placeWords(from) },
    ...groups.flatMap((id) =>
      Object.entries({ Y, X, distance, given }).flatMap(([key, value]): Edit[] =>
        value === undefined ? [] : [{ at: `/recommended/groups/${pointerKey(id)}/${key}`, value }],
      ),
    ),
  ];
}

/** Where something was read, in words. */
function placeWords({ source, page }: TakenFrom): string {
  return `${source.name}${source.key === undefined ? '' : `, page ${page}`}`.slice(0, 120);
}

/** A new document of what was read; what cannot be meant as it is printed is left out. */
export function takenDocument(name: string, reading: SourceReading, from: TakenFrom): TapisDocument {
  const document = newDocument(name, reading.family);
  const sound = reading.dimensions.filter(({ isBroken }) => !isBroken);
  return applyEdits(document, takeEdits(document, reading, sound, from));
}
