import Papa from 'papaparse';
import { fail, ok, type Result } from '../units/result';
import type { PinDirection, PinIntent } from './document';
import { directionOf, nameOf } from './pin-words';
import { readNumberList } from './land-numbers';
import { voltage } from './voltage';
import { isNotGiven } from '../units/entry-text';

// A datasheet's pin table as text: names in the order of the numbers, or rows of number, name and direction
// in any order of columns. What is understood is shown before it is taken; every doubt is told at its row.

/** One row as it was understood. */
export interface ReadPin extends Omit<PinIntent, 'id'> {
  readonly name: string;
  /** The row as it was given. */
  readonly printed: string;
  /** What is to be looked at before it is taken. */
  readonly doubts: readonly string[];
}

export interface ReadPins {
  readonly pins: readonly ReadPin[];
  /** What the columns were taken for, from the left. */
  readonly columns: readonly ColumnRole[];
  /** Doubts about the whole table. */
  readonly doubts: readonly string[];
}

export type ColumnRole = 'number' | 'name' | 'direction' | 'note' | 'group' | 'voltage' | 'left out';

/** What the numbers of a table are held against. */
export interface PinLands {
  /** Numbers of the lands, each once, in their order. */
  readonly numbers: readonly string[];
  /** Those of exposed pads among them, which datasheets also call EP or PAD. */
  readonly pads: readonly string[];
}

/** Longest text that is read, in characters, and most rows. */
const LONGEST = 400_000;
const MOST_ROWS = 3000;
/** Share of a column's cells that have to be alike for what it is taken for. */
const MOST_OF = 0.6;
const PAD_WORDS =
  /^(e-?p(ad)?|exposed\s*(pad|paddle)|thermal\s*pad|th(erm)?\.?\s*pad|pad|d\.?a\.?p\.?|die\s*pad|tab|—|–|-)$/i;

/**
 * Reads a pin table.
 * @param text cells between tabs, bars, semicolons, commas or blanks
 * @returns the pins in their order, or why nothing can be made of the text
 */
export function readPinTable(text: string, lands: PinLands): Result<ReadPins, string> {
  if (text.length > LONGEST) return fail(`The text is longer than a pin table can be (${LONGEST} letters).`);
  const rows = cellsOf(text);
  if (rows.length === 0) return fail('There is no row in it.');
  if (rows.length > MOST_ROWS) return fail(`${rows.length} rows are more than are read (${MOST_ROWS}).`);
  const names = namesAlone(rows, lands);
  if (names) return names;
  const { head, body } = headOf(rows, lands);
  if (body.length === 0) return fail('There is a head and no row below it.');
  const width = Math.max(...body.map((row) => row.length));
  const { roles, doubts } = rolesOf(head, body, width, lands);
  if (!roles.includes('number'))
    return fail(
      `No column has the numbers of the lands (${lands.numbers.slice(0, 3).join(', ')} …). Give them, or names alone, one for each land.`,
    );
  const pins = body.map((row) => pinOf(row, roles, lands));
  return ok({ pins, columns: roles, doubts: [...doubts, ...unnamed(pins, lands)] });
}

/** The cells of the rows that are not empty, by what stands between them. */
function cellsOf(text: string): string[][] {
  const lines = text.split(/\r\n?|\n/).filter((line) => line.trim() !== '' && !/^[\s|:+=-]+$/.test(line));
  const all = (sign: string) => lines.length > 0 && lines.every((line) => line.includes(sign));
  const clean = (rows: readonly (readonly string[])[]) =>
    rows.map((row) => row.map((cell) => cell.replace(/\s+/g, ' ').trim()));
  if (lines.some((line) => line.includes('\t'))) return clean(lines.map((line) => line.split('\t')));
  if (all('|'))
    return clean(
      lines.map((line) =>
        line
          .replace(/^\s*\|/, '')
          .replace(/\|\s*$/, '')
          .split('|'),
      ),
    );
  for (const delimiter of [';', ','])
    if (all(delimiter)) return clean(Papa.parse<string[]>(lines.join('\n'), { delimiter }).data);
  if (lines.length > 1 && lines.every((line) => / {2,}/.test(line.trim())))
    return clean(lines.map((line) => line.trim().split(/ {2,}/)));
  const [only] = lines;
  return clean(only !== undefined && lines.length === 1 ? [only.trim().split(/\s+/)] : lines.map(wordsOf));
}

/** The words of a row between single blanks; what follows the first three is one remark. */
function wordsOf(line: string): string[] {
  const words = line.trim().split(/\s+/);
  return words.length <= 4 ? words : [...words.slice(0, 3), words.slice(3).join(' ')];
}

/** Names alone, in one column or one row, for the lands in their order; `null` where it is another table. */
function namesAlone(rows: readonly string[][], { numbers, pads }: PinLands): Result<ReadPins, string> | null {
  const isColumn = rows.every((row) => row.length === 1);
  const [only] = rows;
  const names = (isColumn ? rows.map(([name = '']) => name) : rows.length === 1 && only ? only : []).filter(
    (name) => name !== '',
  );
  if (names.length === 0 || (!isColumn && names.length < 4)) return null;
  // a column of numbers names nothing
  if (names.every((name) => numbers.includes(name))) return null;
  const rest = numbers.filter((number) => !pads.includes(number));
  const order = names.length === numbers.length ? numbers : rest;
  if (names.length !== order.length)
    return fail(
      `${names.length} names for ${numbers.length} lands. Give a number with each name, or one name for every land.`,
    );
  const pins = names.map((printed, i) => made([order[i] ?? ''], printed, null, {}, printed, []));
  return ok({ pins, columns: ['name'], doubts: unnamed(pins, { numbers, pads }) });
}

const HEADS: readonly (readonly [ColumnRole, RegExp])[] = [
  ['number', /^(pin|ball|land|pad|terminal|anschluss)?[\s#.]*(no|nr|num|number|nummer)?[\s.#:]*$/i],
  ['name', /^(pin|ball|signal|terminal)?\s*(name|symbol|mnemonic|signal|bezeichnung|signalname)$/i],
  ['direction', /^((pin|signal)\s*)?(type|i\/?o|dir(ection)?|art|typ|richtung|kind)$/i],
  ['group', /^(group|bank|gruppe|supply domain)$/i],
  [
    'voltage',
    /^(working |rated |max\.? )?(voltage|volts?|spannung|betriebsspannung|tension|tensión|tensione|v)$/i,
  ],
  ['note', /^(description|function|note|notes|remark|remarks|comment|beschreibung|funktion|bemerkung)s?$/i],
];
const roleOfHead = (cell: string): ColumnRole | null =>
  cell === '' ? null : (HEADS.find(([, words]) => words.test(cell))?.[0] ?? null);

/** The head of a table, where it has one: two of its words are those of heads, and it has no land's number. */
function headOf(rows: readonly string[][], lands: PinLands) {
  const [first = [], ...rest] = rows;
  const known = first.map(roleOfHead).filter((role) => role !== null).length;
  const isHead = known >= 2 && !first.some((cell) => numbersIn(cell, lands)?.known);
  return isHead ? { head: first, body: rest } : { head: null, body: rows };
}

/** What each column is, by the head and by what its cells look like. */
function rolesOf(
  head: readonly string[] | null,
  body: readonly string[][],
  width: number,
  lands: PinLands,
): { readonly roles: ColumnRole[]; readonly doubts: string[] } {
  const doubts: string[] = [];
  const columns = Array.from({ length: width }, (_, i) => body.map((row) => row[i] ?? ''));
  const share = (cells: readonly string[], is: (cell: string) => boolean) => {
    const filled = cells.filter((cell) => cell !== '');
    return filled.length === 0 ? 0 : filled.filter(is).length / filled.length;
  };
  const roles: (ColumnRole | null)[] = columns.map((_, i) => (head ? roleOfHead(head[i] ?? '') : null));
  const count = columns.map((cells) => share(cells, (cell) => numbersIn(cell, lands)?.known ?? false));
  // several sizes stand side by side with a column of numbers each: the one that fits this part is its own
  const numbered = columns.flatMap((_, i) =>
    (roles[i] === 'number' || roles[i] === null) && (count[i] ?? 0) >= MOST_OF ? [i] : [],
  );
  const best = Math.max(0, ...numbered.map((i) => count[i] ?? 0));
  const own = numbered.find((i) => count[i] === best);
  roles.forEach((role, i) => {
    if (role === 'number' && i !== own) roles[i] = 'left out';
  });
  if (own !== undefined) roles[own] = 'number';
  if (numbered.filter((i) => count[i] === best).length > 1)
    doubts.push(
      `Columns ${numbered.map((i) => i + 1).join(' and ')} could both be the numbers; the first is taken.`,
    );
  const isDirection = (cell: string) => directionOf(cell) !== null;
  const free = roles.filter((role, i) => role === null && columns[i]?.some((cell) => cell !== ''));
  // two columns are number and name, whatever the names look like
  if (!roles.includes('direction') && (free.length > 1 || roles.includes('name'))) {
    const found = columns.findIndex((cells, i) => roles[i] === null && share(cells, isDirection) >= MOST_OF);
    if (found >= 0) roles[found] = 'direction';
  }
  for (const role of ['name', 'note'] as const) {
    if (roles.includes(role)) continue;
    const next = roles.findIndex((one, i) => one === null && columns[i]?.some((cell) => cell !== ''));
    if (next >= 0) roles[next] = role;
  }
  const left = roles.flatMap((role, i) =>
    role === null && columns[i]?.some((c) => c !== '') ? [i + 1] : [],
  );
  if (left.length > 0) doubts.push(`Left out: column ${left.join(', ')}.`);
  return { roles: roles.map((role) => role ?? 'left out'), doubts };
}

/** Numbers in a cell, and whether lands have all of them; `null` where it is no list of numbers. */
function numbersIn(
  cell: string,
  { numbers, pads }: PinLands,
): { readonly list: readonly string[]; readonly known: boolean; readonly isPad: boolean } | null {
  const [pad] = pads;
  if (pad !== undefined && pads.length === 1 && PAD_WORDS.test(cell))
    return { list: [pad], known: true, isPad: true };
  if (cell === '') return null;
  const read = readNumberList(
    cell.replace(/\s+(and|und|to|bis)\s+/gi, (_, word: string) => (/to|bis/i.test(word) ? '-' : ' ')),
  );
  if (!read.ok || read.value.length === 0) return null;
  return { list: read.value, known: read.value.every((number) => numbers.includes(number)), isPad: false };
}

function pinOf(row: readonly string[], roles: readonly ColumnRole[], lands: PinLands): ReadPin {
  const cell = (role: ColumnRole) => row[roles.indexOf(role)]?.trim() ?? '';
  const [number, name, direction] = [cell('number'), cell('name'), cell('direction')];
  const doubts: string[] = [];
  const found = numbersIn(number, lands);
  if (!found) doubts.push(number === '' ? 'It has no number.' : `“${number}” is no list of numbers.`);
  else if (found.isPad)
    doubts.push(`“${number}” is taken for the exposed pad, land ${found.list.join(', ')}.`);
  else if (!found.known) {
    const missing = found.list.filter((one) => !lands.numbers.includes(one));
    doubts.push(`There is no land ${missing.join(', ')}.`);
  }
  const way = directionOf(direction);
  if (direction !== '' && way === null) doubts.push(`“${direction}” is no direction that is known here.`);
  const volts = cell('voltage');
  const isVoltage = volts !== '' && voltage(volts, 'mm').ok;
  if (volts !== '' && !isVoltage && !isNotGiven(volts))
    doubts.push(`“${volts}” is no voltage; it is kept in the note.`);
  const kept = volts !== '' && !isVoltage && !isNotGiven(volts) ? volts : '';
  const note = [cell('note'), kept, way === null ? direction : ''].filter((words) => words !== '').join('; ');
  const more = {
    ...(cell('group') === '' ? {} : { group: cell('group') }),
    ...(isVoltage ? { voltage: volts } : {}),
    ...(note === '' ? {} : { note }),
  };
  return made(found?.list ?? [], name, way, more, row.filter((one) => one !== '').join('  '), doubts);
}

/** A pin from its parts; its name is read for what the trade writes with it. */
function made(
  numbers: readonly string[],
  printed: string,
  direction: PinDirection | null,
  more: Pick<PinIntent, 'group' | 'note' | 'voltage'>,
  row: string,
  doubts: readonly string[],
): ReadPin {
  const read = nameOf(printed);
  const way = direction ?? (read.isUnconnected ? 'not-connected' : null);
  return {
    lands: numbers.join(' '),
    name: read.name.slice(0, 80),
    ...(read.low ? { low: true } : {}),
    ...(way ? { direction: way } : {}),
    ...(more.group === undefined ? {} : { group: more.group.slice(0, 40) }),
    ...(more.voltage === undefined ? {} : { voltage: more.voltage }),
    ...(more.note === undefined ? {} : { note: more.note.slice(0, 400) }),
    printed: row,
    doubts: [
      ...doubts,
      ...(printed === '' ? ['It has no name.'] : read.doubts),
      ...(direction === null && read.isUnconnected ? [`“${printed}” is taken as not connected.`] : []),
    ],
  };
}

/** Lands that no row names, in words. */
function unnamed(pins: readonly ReadPin[], { numbers }: PinLands): string[] {
  const named = new Set(pins.flatMap(({ lands }) => lands.split(' ')));
  const left = numbers.filter((number) => !named.has(number));
  if (left.length === 0) return [];
  const more = left.length > 8 ? ` and ${left.length - 8} more` : '';
  return [`No row names ${left.length === 1 ? 'land' : 'lands'} ${left.slice(0, 8).join(', ')}${more}.`];
}
