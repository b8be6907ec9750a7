import type { SheetUnit } from '../document/document';
import { plainScope, readEntry } from '../units/entry';
import { plainText } from '../units/entry-text';
import { formatNumber, MM_PER, toMm } from '../units/length';
import type { Toleranced } from '../units/toleranced';
import type { Cell } from './grid';
import type { Area } from './page';
import { repointed, repointedTexts } from './points';
import type { Limit } from './words';

/** What a row has in one unit: a cell over all columns, or cells by their limit. */
export interface PrintedCells {
  readonly unit: SheetUnit | null;
  readonly whole: Cell | null;
  readonly limits: ReadonlyMap<Limit, Cell>;
  /** Whether the nominal column is one of typical values. */
  readonly typical: boolean;
  /** Cells that found no place of their own. */
  readonly extra: readonly Cell[];
  /** What the letter of the row says of its one number: `A max`. */
  readonly rowLimit: string;
  readonly doubts: readonly string[];
  /** Whether a dash says that there is no other value. */
  readonly isNone: boolean;
  readonly area: Area | null;
  readonly text: string;
  readonly sure: number;
}

/** One reading of a printed value. */
export interface Candidate {
  /** As it is entered. */
  readonly text: string;
  readonly unit: SheetUnit | null;
  /** Why it may be meant. */
  readonly reason: string;
}

/** A printed value as it is understood. */
export interface PrintedValue extends Candidate {
  /** As it is printed, cells parted by blanks. */
  readonly printed: string;
  /** What has to be looked at before it is taken. */
  readonly doubts: readonly string[];
  readonly others: readonly Candidate[];
  /** What is printed cannot be meant as it stands: it is shown, and not taken by itself. */
  readonly isBroken: boolean;
  readonly area: Area | null;
  readonly sure: number;
}

/** The limits of an entry in mm, or as they are where it has no unit; `null` where it cannot be read. */
export function limitsOf(
  { text, unit }: Pick<Candidate, 'text' | 'unit'>,
  assumed: SheetUnit = 'mm',
): Toleranced | null {
  const read = readEntry(text, plainScope(unit ?? assumed));
  return read.ok ? read.value.value : null;
}

/**
 * The value of a row from what it has in each unit: millimetres go before inches, which are held against them.
 * @returns `null` where no number can be made of it
 */
export function valueOf(units: readonly PrintedCells[]): PrintedValue | null {
  const made = units.flatMap((cells) => {
    const one = entryOf(cells);
    return one ? [{ cells, ...one }] : [];
  });
  const metric = made.find(({ cells }) => cells.unit === 'mm') ?? made[0];
  if (!metric) return null;
  const beside = made.find((one) => one !== metric && one.cells.unit !== metric.cells.unit);
  const unit = metric.cells.unit ?? metric.unit;
  let main: Candidate = { text: metric.text, unit, reason: metric.reason };
  let { isBroken } = metric;
  const doubts = [...metric.doubts];
  const others: Candidate[] = metric.others.map((other) => ({ ...other, unit: other.unit ?? unit }));
  if (beside) {
    const other: Candidate = {
      text: beside.text,
      unit: beside.cells.unit,
      reason: 'printed beside it in the other unit',
    };
    const said = disagreement(main, other);
    // a picture loses points: the other unit tells where they were
    const mended = said && metric.cells.sure < 1 ? agreeing(main, other) : null;
    if (mended) {
      doubts.push(
        `“${main.text}” was read; its points are put where ${other.text} ${other.unit ?? ''} beside it has them.`,
      );
      main = { ...main, text: mended };
      isBroken = false;
    } else if (said) {
      doubts.push(said);
      others.push(other);
    }
  }
  return {
    ...main,
    printed: made.map(({ cells }) => cells.text).join('   '),
    doubts,
    others,
    isBroken,
    area: metric.cells.area,
    sure: metric.cells.sure,
  };
}

/** The one text that a value becomes with its points moved and that agrees with the same in another unit. */
function agreeing(main: Candidate, other: Candidate): string | null {
  const fits = repointedTexts(main.text).filter(
    (text) => limitsOf({ ...main, text }) !== null && disagreement({ ...main, text }, other) === null,
  );
  const [only] = fits;
  return only !== undefined && new Set(fits.map((text) => limitsOf({ ...main, text })?.max)).size === 1
    ? only
    : null;
}

interface Made {
  readonly text: string;
  readonly reason: string;
  readonly doubts: readonly string[];
  readonly others: readonly Candidate[];
  readonly isBroken: boolean;
  /** Of its numbers, where they themselves say it. */
  readonly unit: SheetUnit | null;
}

const ASSUMED: Readonly<Record<string, string>> = {
  min: 'least only',
  nom: 'nominal only',
  max: 'most only',
};

/** An entry from the cells of one unit. */
function entryOf(cells: PrintedCells): Made | null {
  const made = entryFrom(cells);
  const all = [...(cells.whole ? [cells.whole] : []), ...cells.limits.values()];
  const unit = all.map(({ text }) => cleaned(text).unit).find((one) => one !== null) ?? null;
  return made && { ...made, unit, doubts: [...new Set([...cells.doubts, ...made.doubts])] };
}

function entryFrom({
  whole,
  limits,
  typical,
  extra,
  isNone,
  rowLimit,
  sure,
}: PrintedCells): Omit<Made, 'unit'> | null {
  const guessed = [...limits.values(), ...(whole ? [whole] : [])].flatMap(({ doubt }) =>
    doubt ? [doubt] : [],
  );
  const strange = [...guessed, ...extra.map(({ text }) => `“${text}” beside it was not understood.`)];
  if (whole) {
    const read = wholeEntry(whole.text, rowLimit);
    return read && { ...read, doubts: [...read.doubts, ...strange] };
  }
  const cell = (limit: Limit) => {
    const found = limits.get(limit);
    return found ? cleaned(found.text) : null;
  };
  const [min, nom, max, tolerance] = [cell('min'), cell('nom'), cell('max'), cell('tolerance')];
  const given = [min, nom, max].filter((one) => one !== null);
  const doubts = [...strange, ...[...given, ...(tolerance ? [tolerance] : [])].flatMap((one) => one.doubts)];
  if (nom && tolerance) {
    // “1.08” beside “max”: the column says how the number is given
    if (!/\d/.test(tolerance.text)) return checked(`${tolerance.text} ${nom.text}`, 'as printed', doubts);
    const sign = /^[±+-]/.test(tolerance.text) ? '' : '±';
    return checked(`${nom.text}${sign}${tolerance.text}`, 'nominal and tolerance', doubts);
  }
  const [only] = given;
  if (given.length === 1 && only) {
    // a merged cell that lost its merging says by itself what it is
    if (!only.isPlain) return wholeEntry([...limits.values()][0]?.text ?? '', rowLimit);
    // merged cells come as the first of their columns where merging was lost
    if (min && !isNone) {
      doubts.push('One number stands in the column of least values: it is taken for all columns.');
      const bare = checked(`${rowLimit ? `${rowLimit} ` : ''}${only.text}`, 'one number', doubts);
      const least = { text: `min ${only.text}`, unit: null, reason: 'as a least value only' };
      return bare && { ...bare, others: [least] };
    }
    const word = min ? 'min' : max ? 'max' : typical ? 'typ' : '';
    const limit = min ? 'min' : max ? 'max' : 'nom';
    return checked(word ? `${word} ${only.text}` : only.text, ASSUMED[limit] ?? '', doubts);
  }
  const basic = given.find((one) => /bsc|basic|ref|typ/i.test(one.qualifier));
  const numbers = given.map(({ value }) => value);
  if (basic && new Set(numbers).size === 1)
    return checked(`${basic.text} ${basic.qualifier}`.trim(), 'the same in all cells', doubts);
  if (numbers.some((value) => value === null)) {
    // cells that are no plain numbers, such as two entries in one row
    const first = given.find(({ value }) => value === null);
    return first
      ? {
          text: first.text,
          reason: 'not understood',
          doubts: [...doubts, `“${first.text}” is no number.`],
          others: [],
          isBroken: true,
        }
      : null;
  }
  const ordered = numbers.every((value, i) => i === 0 || (value ?? 0) >= (numbers[i - 1] ?? 0) - 1e-12);
  if (!ordered) {
    const moved = sure < 1 ? inOrder(given.map((one) => one.text)) : null;
    if (moved) {
      doubts.push(
        `“${given.map((one) => one.text).join(' / ')}” was read; its points are put where they give an order.`,
      );
      return checked(moved.join('..'), 'columns of least and most', doubts);
    }
    const text = given.map((one) => one.text).join(' / ');
    doubts.push(`${text}: not in the order least, nominal, most.`);
    const least = given.reduce((a, b) => ((a.value ?? 0) <= (b.value ?? 0) ? a : b));
    const most = given.reduce((a, b) => ((a.value ?? 0) > (b.value ?? 0) ? a : b));
    const range = checked(`${least.text}..${most.text}`, 'least and most of its cells', doubts);
    return range && { ...range, isBroken: true };
  }
  if (min && max) {
    if (min.value === max.value && !nom) return checked(min.text, 'least and most are the same', doubts);
    // a nominal in the middle is what a range says anyway
    const isMiddle =
      nom !== null && Math.abs((nom.value ?? 0) - ((min.value ?? 0) + (max.value ?? 0)) / 2) < 1e-9;
    const middle = nom && !isMiddle ? `${nom.text}..` : '';
    return checked(`${min.text}..${middle}${max.text}`, 'columns of least and most', doubts);
  }
  if (nom && max)
    return checked(`${typical ? 'typ' : 'nom'} ${nom.text} max ${max.text}`, 'nominal and most', doubts);
  if (nom && min)
    return checked(`min ${min.text} ${typical ? 'typ' : 'nom'} ${nom.text}`, 'least and nominal', doubts);
  return null;
}

/** Greatest over least of a printed range, for points that were lost to be put back. */
const NARROW = 2.5;

/** The narrowest range that numbers give in their order with points moved; `null` where none does. */
function inOrder(numbers: readonly string[]): readonly string[] | null {
  const choices = numbers.reduce<string[][]>(
    (all, number) => all.flatMap((before) => repointed(number).map((one) => [...before, one])),
    [[]],
  );
  const ratio = (chosen: readonly string[]) => Number(chosen.at(-1)) / Number(chosen[0]);
  const fits = choices
    .filter((chosen) => chosen.every((one, i) => i === 0 || Number(one) >= Number(chosen[i - 1])))
    .filter((chosen) => Number(chosen[0]) > 0 && ratio(chosen) <= NARROW)
    // what keeps a number as it was read goes before what moves all; a lost point makes numbers greater
    .sort(
      (a, b) =>
        kept(b, numbers) - kept(a, numbers) || Number(a.at(-1)) - Number(b.at(-1)) || ratio(a) - ratio(b),
    );
  return fits[0] ?? null;
}

const kept = (chosen: readonly string[], numbers: readonly string[]) =>
  chosen.filter((one, i) => one === numbers[i]).length;

interface Cleaned {
  readonly text: string;
  readonly value: number | null;
  /** A plain number, with nothing that says how it is given. */
  readonly isPlain: boolean;
  readonly qualifier: string;
  /** What the same in another unit beside it says. */
  readonly unit: SheetUnit | null;
  readonly doubts: readonly string[];
}

const FOOTNOTE =
  /\s*([¹²³⁴⁵⁶⁷⁸⁹]+|\*+|†|‡|\s\((?:note\s*)?\d\)|\s\[\d\]|\s(?:note|anm\.?|footnote)\s*\d)\s*$/i;

/** A cell without its footnotes, its decimal sign a point. */
function cleaned(printed: string): Cleaned {
  const doubts: string[] = [];
  let text = printed.trim();
  const foot = FOOTNOTE.exec(text);
  if (foot && /\d/.test(text.slice(0, foot.index))) {
    text = text.slice(0, foot.index).trim();
    if (/\(\d\)/.test(foot[0])) doubts.push(`“${foot[0].trim()}” is taken for a footnote.`);
  }
  text = plainText(text)
    .text.replace(/(\d),(?=\d)/g, '$1.')
    // .240...280 would be no range
    .replace(/(?<![\d.])\.(?=\d)/g, '0.')
    .trim();
  const [, first, second, behind = ''] = /^(\d*\.?\d+)\s*[([]\s*(\d*\.?\d+)\s*[)\]]\s*(.*)$/.exec(text) ?? [];
  const unit = first && second ? unitBeside(Number(first), Number(second)) : null;
  if (first && unit) text = `${first} ${behind}`.trim();
  const [, number, qualifier = ''] = /^([+-]?\d*\.?\d+)\s*([A-Za-z."°]*)$/.exec(text) ?? [];
  const isPlain = number !== undefined && qualifier === '';
  return {
    text: number ?? text,
    value: number === undefined ? null : Number(number),
    isPlain,
    qualifier,
    unit,
    doubts,
  };
}

/** The unit of a number that stands before the same in another unit; `null` where they are not the same. */
function unitBeside(first: number, second: number): SheetUnit | null {
  const is = (ratio: number) => second > 0 && Math.abs(first / second / ratio - 1) < 0.08;
  if (is(25.4) || is(0.0254)) return 'mm';
  if (is(1 / 25.4)) return 'in';
  return is(1 / 0.0254) ? 'mil' : null;
}

/** A cell that says all of a value, as it is printed. */
function wholeEntry(printed: string, rowLimit: string): Omit<Made, 'unit'> | null {
  const { text, isPlain, qualifier, value, doubts } = cleaned(printed);
  const [, one, other] = /^(\d*\.?\d+)\s+(\d*\.?\d+)$/.exec(text) ?? [];
  if (one && other) {
    // most over least in one cell
    const sorted = [one, other].sort((a, b) => Number(a) - Number(b));
    return checked(sorted.join('..'), 'two numbers in one cell', doubts);
  }
  const entry =
    value === null
      ? text
      : `${isPlain && rowLimit ? `${rowLimit} ` : ''}${text}${qualifier ? ` ${qualifier}` : ''}`;
  return checked(entry, isPlain ? 'one number for all columns' : 'as printed', doubts);
}

/** A text that the grammar of entries reads, or the doubt that it does not. */
function checked(text: string, reason: string, doubts: readonly string[]): Omit<Made, 'unit'> | null {
  if (!/\d/.test(text)) return null;
  const read = readEntry(text, plainScope('mm'));
  if (read.ok) {
    const more = read.value.doubts
      .filter(({ severity }) => severity === 'caution')
      .map(({ message }) => message);
    return { text, reason, doubts: [...doubts, ...more], others: [], isBroken: false };
  }
  return {
    text,
    reason,
    doubts: [...doubts, `It cannot be read: ${read.error.message}`],
    others: [],
    isBroken: true,
  };
}

/** What one step of the last printed digit is worth, in the unit of the text. */
function digitOf(text: string): number {
  // the dots of a range are no points
  const decimals = [...text.replaceAll('..', ' ').matchAll(/\.(\d+)/g)].map(
    ([, digits = '']) => digits.length,
  );
  return 10 ** -Math.max(0, ...(decimals.length > 0 ? [Math.min(...decimals)] : [0]));
}

/** Why two printings of one length do not agree, in words; `null` where they do. */
function disagreement(main: Candidate, other: Candidate): string | null {
  const [a, b] = [limitsOf(main), limitsOf(other)];
  if (!a || !b || !main.unit || !other.unit) return null;
  const slack = digitOf(main.text) * MM_PER[main.unit] + digitOf(other.text) * MM_PER[other.unit];
  const keys =
    a.given === b.given || (a.min !== a.max && b.min !== b.max)
      ? (['min', 'max'] as const)
      : (['nom'] as const);
  for (const key of keys) {
    if (Math.abs(a[key] - b[key]) <= slack + 1e-9) continue;
    const inches = formatNumber(a[key] / toMm(1, other.unit), 0, 4);
    return `${formatNumber(a[key], 0, 4)} mm is ${inches} ${other.unit}, but beside it stands ${other.text} ${other.unit}.`;
  }
  return null;
}
