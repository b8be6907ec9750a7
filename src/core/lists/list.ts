import { LEVELS, newDocument, type Level, type SheetUnit, type TapisDocument } from '../document/document';
import type { PackageKind } from '../package/catalogue';
import { kindById, padOption } from '../source/kinds';
import { guessFamilies } from '../source/family';
import type { Grid } from '../source/grid';
import { rowTable, valueIn, type RowTable } from '../source/size-rows';
import { limitsOf, type PrintedValue } from '../source/value';
import { cellAt, type GridRow } from '../source/grid';
import { isNotGiven } from '../units/entry-text';
import { ROLE_WORDS, TEXT_ROLES, textRole, type TextRole } from './columns';
import { componentSaid, packageSaid } from './package-words';
import { laid, planOf, SAMPLES, type Plan } from './plan';

// A list of parts: a row each, their dimensions in columns. What the columns are is proposed from heads, units and
// sizes by the reader of datasheets, once for all rows of a family, and settled by a person; rows follow.

/** What a person says of a column: a symbol of the family, a role of texts, or `left`. */
export type SaidRole = string;

/** One column of a list as it is understood. */
export interface ListColumn {
  readonly index: number;
  readonly head: string;
  /** A symbol, such as `L`, a role of texts, or `left`. */
  readonly role: string;
  readonly reason: string;
  /** What is to be looked at; `null` where nothing is. */
  readonly doubt: string | null;
}

/** One row of a list. */
export interface ListRow {
  /** Its number in the list, from 1 for the first under the heads. */
  readonly number: number;
  /** Its line among all lines of the list, from 0. */
  readonly line: number;
  readonly cells: readonly string[];
  readonly name: string;
  readonly part: string;
  readonly group: string;
  readonly tags: readonly string[];
  /** The density level that the row says; `null` where it says none. */
  readonly level: Level | null;
  /** What it comes to; `null` where no family is known. */
  readonly document: TapisDocument | null;
  /** What is to be looked at before it is taken. */
  readonly doubts: readonly string[];
}

export interface ReadList {
  readonly columns: readonly ListColumn[];
  readonly rows: readonly ListRow[];
  readonly unit: SheetUnit;
  /** Families that rows are of, by how many. */
  readonly families: readonly (readonly [id: string, rows: number])[];
  readonly doubts: readonly string[];
}

export interface ListAsked {
  /** What the list is called: where each number comes from. */
  readonly source: string;
  readonly family?: string;
  readonly unit?: SheetUnit;
  readonly level?: Level;
  readonly process?: string;
  /** Which component chips are, where no word of a row says it. */
  readonly component?: string;
  /** Roles that were settled, by the head of the column. */
  readonly roles?: Readonly<Record<string, SaidRole>>;
}

/** Rows that are read; the rest is said. */
const MOST_ROWS = 5000;

/**
 * Reads a list of parts out of a grid.
 * @returns `null` where no row has dimensions under heads
 */
export function readPartList(grid: Grid, asked: ListAsked): ReadList | null {
  const said = saidOf(grid, asked);
  const table = rowTable(grid, said);
  if (!table || table.dimensions.length === 0) return null;
  const texts = textColumns(table, asked.roles ?? {});
  const doubts: string[] = [];
  const body = table.body.slice(0, MOST_ROWS);
  if (table.body.length > body.length)
    doubts.push(`The list has ${table.body.length} rows; the first ${MOST_ROWS} are read.`);
  doubts.push(...leftOut(grid, table));
  const families = body.map((row) => familyOf(row, texts, asked));
  const fallback = families.some((one) => one === null) ? (listFamily(table, asked) ?? null) : null;
  const kinds = families.map((one) => one ?? fallback);
  const unsaid = families.filter((one) => one === null).length;
  if (fallback && unsaid > 0)
    doubts.push(
      `No word says which package ${unsaid === body.length ? 'the rows are' : `${unsaid} rows are`}: by letters and sizes ${fallback.title} is taken.`,
    );
  const plans = new Map<string, Plan>();
  for (const kind of new Set(kinds)) {
    if (!kind) continue;
    const own = body.filter((_, i) => kinds[i] === kind);
    const plan = planOf(table, kind, own, asked);
    if (plan) plans.set(kind.id, plan);
  }
  const lines = new Map(grid.rows.map((row, line) => [row, line]));
  const rows = body.map((row, i) => ({
    ...rowOf(row, i, { table, texts, asked, kind: kinds[i] ?? null, plans }),
    line: lines.get(row) ?? 0,
  }));
  const counts = new Map<string, number>();
  for (const kind of kinds) if (kind) counts.set(kind.id, (counts.get(kind.id) ?? 0) + 1);
  const [first] = plans.values();
  return {
    columns: columnsOf(table, texts, [...plans.values()], asked),
    rows,
    unit: first?.unit ?? table.unit ?? 'mm',
    families: [...counts].sort((a, b) => b[1] - a[1]),
    doubts: [...doubts, ...[...plans.values()].flatMap((plan) => plan.doubts)],
  };
}

/**
 * A grid whose heads say nothing that is known, but which has numbers under them: its columns wait for somebody who
 * says what they hold.
 * @returns `null` where there are no numbers under heads
 */
export function listWithoutHeads(grid: Grid): ReadList | null {
  const at = grid.rows.findIndex((row) => row.length > 1);
  const heads = grid.rows[at];
  const body = grid.rows.slice(at + 1, at + 1 + MOST_ROWS);
  if (!heads || body.length === 0) return null;
  const columns = Array.from({ length: grid.columns }, (_, index): ListColumn => {
    const head = cellAt(heads, index)?.text.trim() ?? '';
    return { index, head, role: 'left', reason: 'its head is no dimension that is known', doubt: null };
  });
  const isNumber = (index: number) =>
    body.filter((row) => /^\s*[±<≤]?\s*\d*[.,]?\d/.test(cellAt(row, index)?.text ?? '')).length >
    body.length / 2;
  if (columns.filter(({ index, head }) => head !== '' && isNumber(index)).length < 2) return null;
  const unread = 'No column is understood: say what the columns hold.';
  return {
    columns,
    rows: body.map((row, i) => {
      const cells = columns.map(({ index }) => cellAt(row, index)?.text ?? '');
      const name = cells[0] || `Row ${i + 1}`;
      const bare = { name, part: '', group: '', tags: [], level: null, document: null };
      return { ...bare, number: i + 1, line: at + 1 + i, cells, doubts: [unread] };
    }),
    unit: 'mm',
    families: [],
    doubts: [unread],
  };
}

/** Lines below the heads that are no parts: they are told, and not dropped in silence. */
function leftOut(grid: Grid, { body }: RowTable): string[] {
  const first = body[0] ? grid.rows.indexOf(body[0]) : 0;
  const parts = new Set(body);
  const others = grid.rows.slice(first).filter((row) => !parts.has(row));
  if (others.length === 0) return [];
  const named = others.slice(0, 4).map(
    (row) =>
      `“${row
        .map(({ text }) => text)
        .join(' ')
        .slice(0, 60)}”`,
  );
  const more = others.length > named.length ? ` and ${others.length - named.length} more` : '';
  return [`Lines with fewer than two values are no parts: ${named.join(', ')}${more}.`];
}

type Texts = ReadonlyMap<TextRole, number>;

const isTextRole = (role: string): role is TextRole => (TEXT_ROLES as readonly string[]).includes(role);

/** Columns that a person gave a symbol, or none, by their place. */
function saidOf(grid: Grid, { roles = {} }: ListAsked): Map<number, string | null> {
  const heads = rowTable(grid)?.heads ?? [];
  return new Map(
    heads.flatMap((head, i): [number, string | null][] => {
      const role = Object.hasOwn(roles, head) ? roles[head] : undefined;
      if (role === undefined) return textRole(head) === null ? [] : [[i, null]];
      return [[i, role === 'left' || isTextRole(role) ? null : role]];
    }),
  );
}

function textColumns({ heads, dimensions }: RowTable, roles: Readonly<Record<string, SaidRole>>): Texts {
  const found = new Map<TextRole, number>();
  heads.forEach((head, i) => {
    const settled = Object.hasOwn(roles, head) ? roles[head] : undefined;
    const role = settled === undefined ? textRole(head) : isTextRole(settled) ? settled : null;
    if (role && !found.has(role)) found.set(role, i);
  });
  // the first column names its rows where nothing else does
  const isTaken = [...found.values()].includes(0);
  const settled = heads[0] !== undefined && Object.hasOwn(roles, heads[0]);
  const isMeasured = dimensions.some(({ columns }) => columns.includes(0));
  if (!found.has('name') && !found.has('part') && !isTaken && !settled && !isMeasured) found.set('name', 0);
  return found;
}

const textIn = (row: GridRow, texts: Texts, role: TextRole): string => {
  const at = texts.get(role);
  return at === undefined ? '' : (cellAt(row, at)?.text.trim() ?? '');
};

/** The family that a row itself says: by its id or title, or by the word of a package. */
function familyOf(row: GridRow, texts: Texts, { family }: ListAsked): PackageKind | null {
  if (family !== undefined) return kindById(family);
  const said = textIn(row, texts, 'family');
  const known = said === '' ? null : kindById(said.toLowerCase().replace(/\s+/g, '-'));
  if (known) return known;
  for (const role of ['family', 'package', 'name', 'value', 'part'] as const) {
    const word = packageSaid(textIn(row, texts, role));
    if (word) return kindById(word.family);
  }
  return null;
}

/** The family of all rows together: one that knows the components that the rows speak of goes before others. */
function listFamily(table: RowTable, { unit }: ListAsked): PackageKind | null {
  const guesses = guessFamilies([laid(table, table.body.slice(0, SAMPLES))], unit ? { unit } : {});
  const said = new Set(
    table.body.slice(0, 20).flatMap((row) => componentSaid(row.map(({ text }) => text).join(' ')) ?? []),
  );
  const knows = ({ kind }: { readonly kind: PackageKind }) =>
    kind.options.some(
      ({ id, choices }) => id === 'component' && choices.some((choice) => said.has(choice.id)),
    );
  // a chip's component may leave no family that was guessed: then its usual package is meant
  const chip = said.size > 0 && guesses.length > 0 ? kindById('rectangular-chip') : null;
  return guesses.find(knows)?.kind ?? chip ?? guesses[0]?.kind ?? null;
}

function columnsOf(
  table: RowTable,
  texts: Texts,
  plans: readonly Plan[],
  { roles = {} }: ListAsked,
): ListColumn[] {
  const byColumn = new Map([...texts].map(([role, at]) => [at, role]));
  return table.heads.map((head, index): ListColumn => {
    const settled = Object.hasOwn(roles, head);
    const text = byColumn.get(index);
    if (text)
      return {
        index,
        head,
        role: text,
        reason: settled ? 'as you said' : `its head says ${ROLE_WORDS[text]}`,
        doubt: null,
      };
    const at = table.dimensions.findIndex(({ columns }) => columns.includes(index));
    const found = plans.flatMap(({ symbols }) => symbols.get(at) ?? []);
    const [first] = found;
    if (!first)
      return {
        index,
        head,
        // what a person said stands, also while no family is known that has it
        role: settled ? (roles[head] ?? 'left') : 'left',
        reason: settled
          ? 'as you said'
          : at < 0
            ? 'its head is no dimension that is known'
            : 'the family has no such dimension',
        doubt: null,
      };
    const apart = found.find(({ symbol }) => symbol !== first.symbol);
    return {
      index,
      head,
      role: first.symbol,
      reason: settled ? 'as you said' : first.reason,
      doubt: settled ? null : apart ? `For other families of the list it is ${apart.symbol}.` : first.doubt,
    };
  });
}

interface RowAsk {
  readonly table: RowTable;
  readonly texts: Texts;
  readonly asked: ListAsked;
  readonly kind: PackageKind | null;
  readonly plans: ReadonlyMap<string, Plan>;
}

/** Longest texts that a document keeps. */
const LONGEST = { name: 200, where: 120, label: 20 };

function rowOf(row: GridRow, i: number, { table, texts, asked, kind, plans }: RowAsk): Omit<ListRow, 'line'> {
  const number = i + 1;
  const cells = Array.from({ length: table.heads.length }, (_, at) => cellAt(row, at)?.text ?? '');
  const part = textIn(row, texts, 'part');
  const name = textIn(row, texts, 'name') || part || textIn(row, texts, 'package') || `Row ${number}`;
  const tags = textIn(row, texts, 'tags')
    .split(/[,;\s]+/)
    .filter((tag) => tag !== '');
  const base = { number, cells, name, part, group: textIn(row, texts, 'group'), tags };
  const plan = kind && plans.get(kind.id);
  if (!kind || !plan) {
    const why = kind
      ? `No column is a dimension of ${kind.title}.`
      : 'No word of the row says which package it is, and its sizes fit none.';
    return { ...base, level: null, document: null, doubts: [why] };
  }
  const doubts: string[] = [];
  const dimensions: Record<string, TapisDocument['package']['dimensions'][string]> = {};
  const where = `${asked.source}, row ${number}`.slice(0, LONGEST.where);
  for (const [at, { symbol, doubt }] of plan.symbols) {
    const dimension = table.dimensions[at];
    const value = dimension ? valueIn(table, dimension, row) : null;
    if (!dimension) continue;
    if (!value) {
      // what is printed and no number is told, and not dropped in silence
      const printed = dimension.columns
        .map((i) => cellAt(row, i)?.text.trim() ?? '')
        .find((text) => text !== '' && !isNotGiven(text));
      if (printed !== undefined)
        doubts.push(`${symbol}: “${printed.slice(0, 40)}” cannot be read; it is left out.`);
      continue;
    }
    const definition = kind.dimensions.find((one) => one.symbol === symbol);
    doubts.push(...value.doubts.map((one) => `${symbol}: ${one}`));
    if (doubt) doubts.push(`${symbol}: ${doubt}`);
    const wrong = outside(value, plan.unit, definition);
    if (value.isBroken || wrong) {
      doubts.push(`${symbol}: “${value.printed}” ${wrong ?? 'cannot be read'}; it is left out.`);
      continue;
    }
    const isCount = definition?.kind === 'count';
    dimensions[symbol] = {
      text: isCount ? (/\d+/.exec(value.printed)?.[0] ?? value.text) : value.text,
      ...(isCount || (value.unit ?? plan.unit) === plan.unit ? {} : { unit: value.unit ?? plan.unit }),
      label: (dimension.letter || dimension.name).slice(0, LONGEST.label),
      where,
    };
  }
  const pins = /\d{1,4}/.exec(textIn(row, texts, 'pins'))?.[0];
  const word = packageSaid(`${textIn(row, texts, 'package')} ${textIn(row, texts, 'name')}`);
  const n = pins ?? (word?.family === kind.id ? word.dimensions['n'] : undefined);
  if (n !== undefined && !('n' in dimensions) && kind.dimensions.some(({ symbol }) => symbol === 'n'))
    dimensions['n'] = { text: n, where };
  const options = optionsOf(kind, dimensions, row, { texts, table, asked });
  if (options.unsaid) doubts.push(options.unsaid);
  const saidLevel = levelOf(textIn(row, texts, 'level'), doubts);
  const level = saidLevel ?? asked.level ?? 'B';
  const document = newDocument(name.slice(0, LONGEST.name), kind.id, dimensions);
  return {
    ...base,
    level: saidLevel,
    document: {
      ...document,
      level,
      process: asked.process ?? document.process,
      package: {
        ...document.package,
        ...(plan.unit === 'mm' ? {} : { unit: plan.unit }),
        ...(Object.keys(options.chosen).length > 0 ? { options: options.chosen } : {}),
        source: `${asked.source}, row ${number}`.slice(0, 200),
      },
      ...(textIn(row, texts, 'standard') === ''
        ? {}
        : { overrides: { standardName: textIn(row, texts, 'standard').slice(0, 80) } }),
      ...(part !== '' && part !== name ? { notes: `Used by ${part}` } : {}),
    },
    doubts,
  };
}

/** What makes a value no dimension of its family, in words; `null` where nothing does. */
function outside(
  value: PrintedValue,
  unit: SheetUnit,
  definition: PackageKind['dimensions'][number] | undefined,
): string | null {
  const limits = limitsOf(value, value.unit ?? unit);
  if (!limits) return 'cannot be read';
  if (!definition || definition.kind === 'count') return null;
  const [least, most] = definition.limits;
  return limits.max > most || limits.min < Math.min(0, least)
    ? `is outside of what ${definition.name} can be`
    : null;
}

/** The level that a text says; `null` where it says none that is known, which is told. */
function levelOf(text: string, doubts: string[]): Level | null {
  const said = text.trim().toUpperCase();
  if (said === '') return null;
  const level =
    LEVELS.find((one) => one === said) ??
    ({ M: 'A', N: 'B', L: 'C', MOST: 'A', NOMINAL: 'B', LEAST: 'C' } as const)[said];
  if (!level) doubts.push(`“${text}” is no density level: the usual one is taken.`);
  return level ?? null;
}

/** Choices of the family that the row's words make; what they leave open is said. */
function optionsOf(
  kind: PackageKind,
  dimensions: Readonly<Record<string, unknown>>,
  row: GridRow,
  { texts, table, asked }: Pick<RowAsk, 'texts' | 'table' | 'asked'>,
): { readonly chosen: Readonly<Record<string, string>>; readonly unsaid: string | null } {
  const pad = padOption(kind, dimensions) ?? {};
  const component = kind.options.find(({ id }) => id === 'component');
  if (!component) return { chosen: pad, unsaid: null };
  const own = (['value', 'name', 'part', 'group', 'package'] as const).map((role) =>
    componentSaid(textIn(row, texts, role)),
  );
  const said = own.find((one) => one !== null) ?? asked.component ?? componentSaid(table.context);
  const choice = component.choices.find(({ id }) => id === said);
  if (choice) return { chosen: { ...pad, component: choice.id }, unsaid: null };
  const [usual] = component.choices;
  return {
    chosen: pad,
    unsaid: `No word says which component it is: ${usual?.name ?? 'the first'} is taken for its name.`,
  };
}
