import type { SheetUnit } from '../document/document';
import type { PackageKind } from '../package/catalogue';
import { cellAt, type GridRow } from '../source/grid';
import type { LaidOut } from '../source/layouts';
import { readDimensions } from '../source/reading';
import { valueIn, type RowTable } from '../source/size-rows';

// How the columns of a list are taken for one family: a few of its rows are read as the sizes of a datasheet's table.

/** Rows of a family by which its columns are understood. */
export const SAMPLES = 3;

/** Some rows of a list as the reader of datasheets sees them: sizes by their place. */
export function laid(table: RowTable, rows: readonly GridRow[]): LaidOut {
  return {
    rows: table.dimensions.map((dimension) => ({
      letter: dimension.letter,
      name: dimension.name,
      remark: '',
      area: null,
      isAngle: false,
      values: new Map(
        rows.flatMap((row, i) => {
          const value = valueIn(table, dimension, row);
          return value ? [[`row ${i + 1} of the list`, value] as const] : [];
        }),
      ),
    })),
    sizes: rows.map((_, i) => `row ${i + 1} of the list`),
    isUnitless: table.isUnitless,
    context: table.context,
    leftOut: [],
    layout: 'size-a-row',
    grid: 0,
    isPart: false,
  };
}

/** How the columns of a list are taken for one family. */
export interface Plan {
  readonly kind: PackageKind;
  readonly unit: SheetUnit;
  /** By index of the dimension: the symbol that it is taken for. */
  readonly symbols: ReadonlyMap<
    number,
    { readonly symbol: string; readonly reason: string; readonly doubt: string | null }
  >;
  readonly missing: readonly string[];
  readonly doubts: readonly string[];
}

export function planOf(
  table: RowTable,
  kind: PackageKind,
  rows: readonly GridRow[],
  { unit }: { readonly unit?: SheetUnit },
): Plan | null {
  const full = [...rows].sort((a, b) => filled(table, b) - filled(table, a)).slice(0, SAMPLES);
  const tables = [laid(table, full)];
  const readings = full.flatMap((_, i) => {
    const reading = readDimensions(tables, {
      kind,
      size: `row ${i + 1} of the list`,
      ...(unit ? { unit } : {}),
    });
    return reading ? [reading] : [];
  });
  const [first, ...others] = readings;
  if (!first) return null;
  const symbols = new Map<number, { symbol: string; reason: string; doubt: string | null }>();
  for (const read of first.dimensions) {
    const at = table.dimensions.findIndex(
      ({ letter, name }) => letter === read.label && name === read.called,
    );
    if (at < 0) continue;
    const elsewhere = others.flatMap(({ dimensions }) =>
      dimensions.filter(
        ({ label, called, symbol }) =>
          label === read.label && called === read.called && symbol !== read.symbol,
      ),
    );
    // a doubt about the value of one row is that row's own
    const ofColumn = read.doubts.filter((doubt) =>
      /may be meant|Neither letter|may not have it|which has to be/.test(doubt),
    );
    symbols.set(at, {
      symbol: read.symbol,
      reason: read.reasons[0] ?? '',
      doubt:
        elsewhere.length > 0
          ? `In other rows it goes better with ${elsewhere[0]?.symbol ?? ''}.`
          : (ofColumn[0] ?? null),
    });
  }
  return { kind, unit: first.unit, symbols, missing: first.missing, doubts: first.doubts };
}

const filled = (table: RowTable, row: GridRow): number =>
  table.dimensions.filter(({ columns }) => columns.some((i) => cellAt(row, i))).length;
