import type { SheetUnit } from '../document/document';
import type { PackageKind } from '../package/catalogue';
import type { Toleranced } from '../units/toleranced';
import { usualSizes } from './kinds';
import { isAuxiliary, letterScore } from './letters';
import { nameSays, type NameSays } from './names';
import { shownFor, type Shown } from './drawn/shown';
import type { PrintedRow } from './table';
import { limitsOf, type PrintedValue } from './value';

// What letters, names and single sizes say about which row of a table is which dimension, as numbers that add
// up. What all sizes together say is asked where they are put together.

/** A row of one size. */
export interface SizedRow {
  readonly row: PrintedRow;
  readonly value: PrintedValue;
}

/** What a maker's letters meant last time. */
export type LetterHabit = Readonly<Record<string, string>>;

/** What is asked of a table: its rows, for one family and size. */
export interface Question {
  readonly kind: PackageKind;
  readonly rows: readonly SizedRow[];
  readonly unit: SheetUnit;
  /** Counts that a title or a drawing says, such as that of leads, by symbol. */
  readonly counts: Readonly<Record<string, number>>;
  readonly habit: LetterHabit;
}

/** The evidence of a table for a family. */
export interface Evidence {
  readonly symbols: readonly string[];
  /** By row and dimension; −∞ where it cannot be. */
  readonly pair: readonly (readonly number[])[];
  /** The same in words. */
  readonly why: readonly (readonly string[][])[];
  readonly limits: readonly (Toleranced | null)[];
  /** Sizes of usual packages of the family. */
  readonly usual: readonly Readonly<Record<string, number>>[];
  /** How far the printed letters can be trusted to be the standard's, from 0 to 1. */
  readonly trust: number;
}

/** A row that is explained is better than one that is left over. */
const EXPLAINED = 0.7;
const NAME = 4;
const OTHERS_NAME = -4;
const HABIT = 6;
/** What a drawing shows is stronger than what a letter means elsewhere, and than a name. */
const SHOWN = 7;
/** From this on a drawing shows that a dimension is meant. */
const PLAINLY = 0.55;
/** An auxiliary letter, such as that of a radius. */
const AUXILIARY = -2;
/** How usual a size has to be for a dimension that a table may well not have. */
const USUAL = -0.3;

const NOTHING: Shown = new Map();

/** Weighs every row against every dimension. */
export function evidenceFor(question: Question): Evidence {
  return new Weighing(question).evidence();
}

class Weighing {
  private readonly symbols: readonly string[];
  private readonly names: readonly string[];
  private readonly limits: readonly (Toleranced | null)[];
  /** What the name of each row says. */
  private readonly said: readonly NameSays[];
  private readonly usual: readonly Readonly<Record<string, number>>[];
  private readonly typical: readonly (readonly number[])[];
  private readonly trust: number;
  /** All letters of the table. */
  private readonly letters: ReadonlySet<string>;
  /** What the drawing shows of the rows that stand in it. */
  private readonly shown: Shown;

  constructor(private readonly question: Question) {
    const { kind, rows, unit } = question;
    this.letters = new Set(rows.map(({ row }) => row.letter));
    const places = rows.flatMap(({ row }) => row.places ?? []);
    this.shown = places.length === 0 ? NOTHING : shownFor(kind, places);
    this.symbols = kind.dimensions.map(({ symbol }) => symbol);
    this.names = kind.dimensions.map(({ name }) => name);
    this.limits = rows.map(({ value }) => limitsOf(value, unit));
    this.said = rows.map(({ row }) => nameSays(row.name, this.names));
    this.usual = usualSizes(kind);
    this.typical = this.symbols.map((symbol) =>
      this.usual.flatMap((sizes) => (sizes[symbol] === undefined ? [] : [sizes[symbol]])),
    );
    this.trust = this.trustInLetters();
  }

  evidence(): Evidence {
    const { symbols, limits, usual, trust } = this;
    const scored = this.question.rows.map((_, row) => symbols.map((_symbol, i) => this.score(row, i)));
    return {
      symbols,
      limits,
      usual,
      trust,
      pair: scored.map((row) => row.map(({ score }) => score)),
      why: scored.map((row) => row.map(({ why }) => why)),
    };
  }

  /** A table whose D is as wide as a lead is, and whose A is as long as a body, has letters of its own. */
  private trustInLetters(): number {
    // a drawing that shows one letter to be something else shows that they all are the maker's own
    const isOwn = this.question.rows.some(({ row }) => {
      const shown = this.symbols.includes(row.letter) ? this.shownAs(row, row.letter) : null;
      return shown !== null && shown < 0;
    });
    if (isOwn) return 0;
    // A, B, C, D and so on are a maker's row of letters, which the standard's are not
    const most = isRunning(this.letters) ? RUNNING : 1;
    const fits = this.question.rows.flatMap(({ row }, r) => {
      const index = this.symbols.indexOf(row.letter);
      const nom = this.limits[r]?.nom;
      if (index < 0 || nom === undefined || this.question.kind.dimensions[index]?.kind === 'count') return [];
      const of = this.said[r]?.of ?? [];
      const othersName = of.length > 0 && !of.includes(index);
      return [!othersName && this.sizeScore(nom, index) > -1];
    });
    const share = fits.filter((fit) => fit).length / Math.max(1, fits.length);
    // two letters that go together by chance say little
    return Math.min(most, Math.max(0.1, fits.length < 3 ? Math.min(0.5, share) : 2 * share - 1));
  }

  /** Evidence that speaks of one row and one dimension. */
  private score(row: number, index: number): { readonly score: number; readonly why: string[] } {
    const { kind, rows, habit } = this.question;
    const dimension = kind.dimensions[index];
    const sized = rows[row];
    const limits = this.limits[row];
    const says = this.said[row];
    if (!dimension || !sized || !limits || !says) return { score: -Infinity, why: [] };
    const { row: printed } = sized;
    const [least, most] = dimension.limits;
    const isCount = dimension.kind === 'count';
    const isNamed = says.of.includes(index);
    const letter = this.trust * letterScore(printed.letter, dimension, this.symbols, this.letters);
    if (printed.isAngle || says.isNotNeeded) return { score: -Infinity, why: [] };
    const counted = countOf(sized);
    const isCounted = counted !== null && says.of.some((i) => kind.dimensions[i]?.kind === 'count');
    if (
      isCount &&
      (counted === null ||
        (!isNamed && letterScore(printed.letter, dimension, this.symbols, this.letters) < 1))
    )
      return { score: -Infinity, why: [] };
    if (!isCount && isCounted) return { score: -Infinity, why: [] };
    const mm = isCount ? (counted ?? NaN) : limits.nom;
    // the whole table may be in another unit; what can never be meant is no candidate
    if (mm < least - 1e-9 || mm > most + 1e-9) return { score: -Infinity, why: [] };
    const why: string[] = [];
    let score = 0;
    const meant = habit[printed.letter];
    if (meant !== undefined && printed.letter !== '') {
      score += meant === dimension.symbol ? HABIT : -HABIT / 2;
      if (meant === dimension.symbol) why.push('as this maker’s letters meant last time');
    }
    score += letter + EXPLAINED;
    if (letter >= 2) why.push(`${printed.letter} is the standard’s letter`);
    else if (letter >= 0.8 && this.trust > 0.6) why.push(`${printed.letter} is a usual letter for it`);
    if (isNamed) {
      score += says.of.length > 1 ? NAME - 1 : NAME;
      why.push(`named “${printed.name}”`);
    } else if (says.of.length > 0) score += OTHERS_NAME;
    if (isAuxiliary(printed.letter) && !isNamed && letter < 3) score += AUXILIARY;
    const size = isCount ? 0 : this.sizeScore(mm, index);
    score += size;
    const shown = isCount ? null : this.shownAs(printed, dimension.symbol);
    if (shown !== null) {
      score += SHOWN * shown;
      if (shown > PLAINLY) why.push('the drawing shows it there');
    }
    // what a table may well not have is not found by its size alone
    const isUsual = (this.typical[index]?.length ?? 0) > 0 && size > USUAL;
    if (dimension.derived && why.length === 0 && !isUsual) return { score: -Infinity, why: [] };
    return { score, why };
  }

  /** How well the drawing shows a row as a dimension, from −1 to 1; `null` where it does not show the row. */
  private shownAs({ places = [] }: PrintedRow, symbol: string): number | null {
    const scores = places.flatMap(({ id }) => {
      const symbols = this.shown.get(id);
      // a view that has no such line shows that something else is meant
      return symbols ? [symbols.get(symbol) ?? -1] : [];
    });
    return scores.length === 0 ? null : Math.max(...scores);
  }

  /** How usual a size is for a dimension, from 1 down to −3. */
  private sizeScore(mm: number, index: number): number {
    const typical = this.typical[index] ?? [];
    if (typical.length === 0 || mm <= 0) return 0;
    const apart = Math.min(...typical.map((v) => (v > 0 ? Math.abs(Math.log(mm / v)) : 3)));
    return Math.max(-3, 1 - 2.5 * apart);
  }
}

/** How far letters that run from A on can be trusted. */
const RUNNING = 0.3;

/** Whether letters are the first of the alphabet, without a gap but for those that look like digits. */
function isRunning(letters: ReadonlySet<string>): boolean {
  const all = [...letters].filter((letter) => letter !== '');
  const alphabet = Array.from('ABCDEFGHJKLMNPQRSTUVWXYZ').slice(0, all.length);
  return all.length >= 4 && alphabet.every((letter) => letters.has(letter));
}

/** The one whole number that a row is printed with; `null` where it has none. */
export function countOf({ value }: SizedRow): number | null {
  const numbers = value.printed.match(/\d+([.,]\d+)?/g) ?? [];
  const counts = new Set(numbers);
  const [only = ''] = numbers;
  return counts.size === 1 && /^\d{1,4}$/.test(only) ? Number(only) : null;
}
