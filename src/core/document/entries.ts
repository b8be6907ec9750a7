import type { DimensionEntry, DimensionText, PrintedAt, SheetUnit, TapisDocument } from './document';
import type { Edit } from './edit';
import { formatNumber } from '../units/length';

/** An entry written out: its text and where it comes from; absent parts are empty. */
export interface WrittenEntry {
  readonly text: string;
  readonly unit: 'mm' | 'mil' | 'in' | null;
  readonly label: string;
  readonly where: string;
  /** The place on a page that it was read from; `null` where it was typed. */
  readonly from: PrintedAt | null;
}

const BARE = { unit: null, label: '', where: '', from: null } as const;

/** Brings any form of a dimension entry to text. */
export function writtenEntry(entry: DimensionEntry | undefined): WrittenEntry {
  if (entry === undefined) return { text: '', ...BARE };
  if (typeof entry === 'number') return { text: formatNumber(entry, 0, 9), ...BARE };
  if (typeof entry === 'string') return { text: entry, ...BARE };
  const { unit = null, label = '', where = '', from = null } = entry;
  return { text: 'text' in entry ? entry.text : limitsText(entry), unit, label, where, from };
}

function limitsText({ min, nom, max }: { min?: number; nom?: number; max?: number }): string {
  const given = [min, nom, max].filter((v) => v !== undefined).map((v) => formatNumber(v, 0, 9));
  if (given.length > 1) return given.join('..');
  const [value = ''] = given;
  if (max !== undefined) return `max ${value}`;
  return min !== undefined ? `min ${value}` : value;
}

/** The entry of a dimension in a document; `undefined` where there is none. */
export function entryOf(document: TapisDocument, symbol: string): DimensionEntry | undefined {
  const { dimensions } = document.package;
  return Object.hasOwn(dimensions, symbol) ? dimensions[symbol] : undefined;
}

/** Where the numbers of a typical size say that they come from. */
export const TYPICAL = 'typical size, not from the datasheet';

/** Edits that enter a common size; a number that is not printed anywhere is marked as typical. */
export function outlineEdits(
  document: TapisDocument,
  {
    dimensions,
    options = {},
    where = TYPICAL,
    unit = 'mm',
  }: {
    readonly dimensions: Readonly<Partial<Record<string, string>>>;
    readonly options?: Readonly<Record<string, string>>;
    readonly where?: string;
    readonly unit?: SheetUnit;
  },
): Edit[] {
  const other = (document.package.unit ?? 'mm') === unit ? null : unit;
  return [
    ...Object.entries(dimensions).map(([symbol, text = '']): Edit =>
      entryEdit(document, symbol, { text, where, label: '', unit: other, from: null }),
    ),
    ...Object.entries(options).map(([id, value]): Edit => ({ at: `/package/options/${id}`, value })),
  ];
}

/**
 * An edit that changes parts of a dimension's entry and keeps its others. A new text keeps the
 * place in the datasheet unless one is given; an entry without text, label or place is removed.
 */
export function entryEdit(document: TapisDocument, symbol: string, change: Partial<WrittenEntry>): Edit {
  const at = `/package/dimensions/${symbol}`;
  const { text, unit, label, where, from } = { ...writtenEntry(entryOf(document, symbol)), ...change };
  if (!unit && !label && !where && (!from || text === ''))
    return { at, value: text === '' ? undefined : text };
  const value: DimensionText = {
    text,
    ...(unit ? { unit } : {}),
    ...(label ? { label } : {}),
    ...(where ? { where } : {}),
    ...(from && text !== '' ? { from } : {}),
  };
  return { at, value };
}
