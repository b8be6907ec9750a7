import { gridOfTexts, cellAt, type Grid, type GridRow } from '../source/grid';
import Papa from 'papaparse';
import { ROLE_WORDS, textRole, type TextRole } from './columns';
import { packageSaid } from './package-words';

// A bill of materials: no dimensions, but what each part is called and which package it comes in.

/** One line of a bill. */
export interface BillLine {
  /** From 1 for the first under the heads. */
  readonly number: number;
  readonly part: string;
  readonly value: string;
  readonly package: string;
  /** How many there are; `null` where no column says it. */
  readonly quantity: number | null;
  readonly references: string;
}

export interface Bill {
  readonly columns: readonly { readonly head: string; readonly role: TextRole | null }[];
  readonly lines: readonly BillLine[];
  /** What was left out, in words. */
  readonly doubts: readonly string[];
}

/** Lines that are read; the rest is said. */
const MOST_LINES = 5000;
/** Roles without which a grid is no bill: what it is called, or what it comes in. */
const NAMING: readonly TextRole[] = ['package', 'part', 'name', 'value'];

/**
 * Reads a bill of materials out of a grid.
 * @param said roles of columns as a person settled them, by their heads
 * @returns `null` where no line of heads names parts and their packages
 */
export function readBill(grid: Grid, said: Readonly<Record<string, string>> = {}): Bill | null {
  const rolesIn = (row: GridRow) =>
    Array.from({ length: grid.columns }, (_, i): TextRole | null => {
      const head = cellAt(row, i)?.text.trim() ?? '';
      const settled = Object.hasOwn(said, head) ? said[head] : undefined;
      return settled === undefined ? billRole(head) : settled in ROLE_WORDS ? (settled as TextRole) : null;
    });
  const at = grid.rows.slice(0, 12).findIndex((row) => {
    const roles = rolesIn(row).filter((role) => role !== null);
    return roles.length >= 2 && roles.some((role) => NAMING.includes(role));
  });
  const heads = grid.rows[at];
  if (!heads) return null;
  const roles = rolesIn(heads);
  const textOf = (row: GridRow, role: TextRole) => {
    const column = roles.indexOf(role);
    return column < 0 ? '' : (cellAt(row, column)?.text.trim() ?? '');
  };
  const rows = grid.rows.slice(at + 1);
  const empty: number[] = [];
  const lines = rows.slice(0, MOST_LINES).flatMap((row, i): BillLine[] => {
    const own = {
      number: i + 1,
      part: textOf(row, 'part') || textOf(row, 'name'),
      value: textOf(row, 'value'),
      package: textOf(row, 'package'),
      quantity: quantityOf(textOf(row, 'quantity')),
      references: textOf(row, 'references'),
    };
    if (own.part !== '' || own.value !== '' || own.package !== '') return [own];
    empty.push(i + 1);
    return [];
  });
  // a list whose cells say no package at all is none of parts that are to be placed
  if (!lines.some((line) => [line.package, line.value, line.part].some((text) => packageSaid(text))))
    return null;
  return {
    columns: roles.map((role, i) => ({ head: cellAt(heads, i)?.text.trim() ?? '', role })),
    lines,
    doubts: [
      ...(rows.length > MOST_LINES
        ? [`The bill has ${rows.length} lines; the first ${MOST_LINES} are read.`]
        : []),
      ...(empty.length > 0
        ? [`Lines without a part, value and package are left out: ${empty.slice(0, 8).join(', ')}.`]
        : []),
    ],
  };
}

/** In a bill the footprint's column names its package, and one of references names no other thing. */
function billRole(head: string): TextRole | null {
  return /^(footprint|land pattern|pattern|gehäuse ?form)$/iu.test(head) ? 'package' : textRole(head);
}

function quantityOf(text: string): number | null {
  const found = /^\s*(\d{1,7})(?:[.,]0+)?\s*(?:x|pcs\.?|pc\.?|stk\.?|st\.?)?\s*$/i.exec(text);
  return found ? Number(found[1]) : null;
}

/** The bill that a file holds, whose grids may be another thing; a text is read by its separator, too. */
export function billOf(
  grids: readonly Grid[],
  text: string | null,
  said: Readonly<Record<string, string>> = {},
): { readonly bill: Bill; readonly grid: Grid } | null {
  const separated =
    text === null ? [] : [gridOfTexts(Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' }).data)];
  const found = [...separated, ...grids].flatMap((grid) => {
    const bill = readBill(grid, said);
    return bill ? [{ bill, grid }] : [];
  });
  return found.sort((a, b) => b.bill.lines.length - a.bill.lines.length)[0] ?? null;
}
