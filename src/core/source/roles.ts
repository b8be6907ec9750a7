import { newDocument, type SheetUnit, type TapisDocument } from '../document/document';
import { CATALOGUE, type PackageKind } from '../package/catalogue';
import { soundness } from '../package/draw';
import { plainScope, readEntry } from '../units/entry';
import type { Toleranced } from '../units/toleranced';
import { isAuxiliary, letterScore } from './letters';
import { nameSays } from './names';
import type { PrintedRow } from './table';
import { limitsOf, type PrintedValue } from './value';

// Which row of a table is which dimension of a family. Each bit of evidence has a weight: the letter, the
// name, the size by itself, and what the family's own rules say of all sizes together. The assignment with the
// greatest sum is taken; how far the next best is away says how sure it is.

/** A row of one size. */
export interface SizedRow {
  readonly row: PrintedRow;
  readonly value: PrintedValue;
}

/** One dimension with the row that it is taken from. */
export interface Role {
  readonly symbol: string;
  /** Index of its row. */
  readonly row: number;
  /** By how much it is better than the next best assignment. */
  readonly margin: number;
  /** Row that it would be taken from in the next best assignment; `null` for none. */
  readonly next: number | null;
  readonly reasons: readonly string[];
}

export interface Assignment {
  readonly roles: readonly Role[];
  readonly score: number;
  /** Sum of the evidence of letters, names and sizes, for comparing families. */
  readonly evidence: number;
  /** Findings of the family's rules about what was taken, by the dimensions that they speak of. */
  readonly findings: readonly { readonly message: string; readonly dimensions: readonly string[] }[];
  /** Dimensions that have to be given and no row gives. */
  readonly missing: readonly string[];
}

/** What a maker's letters meant last time. */
export type LetterHabit = Readonly<Record<string, string>>;

interface Question {
  readonly kind: PackageKind;
  readonly rows: readonly SizedRow[];
  readonly unit: SheetUnit;
  /** Number of leads where the table or its title says one. */
  readonly count: number | null;
  readonly habit: LetterHabit;
}

const WEIGHT = {
  name: 4,
  othersName: -4,
  habit: 6,
  missing: -2.5,
  stop: -5,
  caution: -2,
  limits: -8,
} as const;

/** Assigns the rows of one size to the dimensions of a family. */
export function assignRoles(question: Question): Assignment {
  const solver = new Solver(question);
  return solver.solve();
}

type State = readonly (number | null)[];

class Solver {
  private readonly symbols: readonly string[];
  private readonly pair: readonly (readonly number[])[];
  private readonly why: readonly (readonly string[][])[];
  private readonly limits: readonly (Toleranced | null)[];
  private readonly typical: readonly (readonly number[])[];
  private readonly usual: readonly Readonly<Record<string, number>>[];
  private readonly known = new Map<string, number>();

  constructor(private readonly question: Question) {
    const { kind, rows, unit } = question;
    this.symbols = kind.dimensions.map(({ symbol }) => symbol);
    this.limits = rows.map(({ value }) => limitsOf(value, unit));
    this.usual = usualSizes(kind);
    this.typical = this.symbols.map((symbol) =>
      this.usual.flatMap((sizes) => (sizes[symbol] === undefined ? [] : [sizes[symbol]])),
    );
    const scored = rows.map((_, row) => this.symbols.map((_symbol, i) => this.score(row, i)));
    this.pair = scored.map((row) => row.map(({ score }) => score));
    this.why = scored.map((row) => row.map(({ why }) => why));
  }

  /** Evidence that speaks of one row and one dimension. */
  private score(row: number, index: number): { readonly score: number; readonly why: string[] } {
    const { kind, rows, habit } = this.question;
    const dimension = kind.dimensions[index];
    const sized = rows[row];
    const limits = this.limits[row];
    if (!dimension || !sized || !limits) return { score: -Infinity, why: [] };
    const { row: printed } = sized;
    const [least, most] = dimension.limits;
    const isCount = dimension.kind === 'count';
    const whole = Number.isInteger(limits.nom) && limits.min === limits.max && sized.value.unit === null;
    const says = nameSays(
      printed.name,
      kind.dimensions.map(({ name }) => name),
    );
    const isNamed = says.of.includes(index);
    const letter = letterScore(printed.letter, dimension, this.symbols);
    if (printed.isAngle || says.isNotNeeded) return { score: -Infinity, why: [] };
    if (isCount !== (isCount && /^\d+$/.test(sized.value.text.trim()))) return { score: -Infinity, why: [] };
    if (isCount && !isNamed && letter < 1) return { score: -Infinity, why: [] };
    if (!isCount && whole && says.of.some((i) => kind.dimensions[i]?.kind === 'count'))
      return { score: -Infinity, why: [] };
    const mm = isCount ? Number(sized.value.text) : limits.nom;
    // the whole table may be in another unit; what can never be meant is no candidate
    if (mm < least - 1e-9 || mm > most + 1e-9) return { score: -Infinity, why: [] };
    const why: string[] = [];
    let score = 0;
    const meant = habit[printed.letter];
    if (meant !== undefined && printed.letter !== '') {
      score += meant === dimension.symbol ? WEIGHT.habit : -WEIGHT.habit / 2;
      if (meant === dimension.symbol) why.push('as this maker’s letters meant last time');
    }
    score += letter;
    if (letter >= 3) why.push(`${printed.letter} is the standard’s letter`);
    else if (letter >= 1) why.push(`${printed.letter} is a usual letter for it`);
    if (isNamed) {
      score += says.of.length > 1 ? WEIGHT.name - 1 : WEIGHT.name;
      why.push(`named “${printed.name}”`);
    } else if (says.of.length > 0) score += WEIGHT.othersName;
    if (isAuxiliary(printed.letter) && !isNamed && letter < 3) score -= 2;
    if (!isCount) score += this.sizeScore(mm, index);
    return { score, why };
  }

  /** How usual a size is for a dimension, from 1 down to −3. */
  private sizeScore(mm: number, index: number): number {
    const typical = this.typical[index] ?? [];
    if (typical.length === 0 || mm <= 0) return 0;
    const apart = Math.min(...typical.map((v) => (v > 0 ? Math.abs(Math.log(mm / v)) : 3)));
    return Math.max(-3, 1 - 2.5 * apart);
  }

  solve(): Assignment {
    const starts = [this.greedy(this.pair), this.greedy(this.byName()), this.empty()];
    let best = this.climb(starts[0] ?? this.empty());
    for (const start of starts.slice(1)) {
      const other = this.climb(start);
      if (this.total(other) > this.total(best) + 1e-9) best = other;
    }
    return this.answer(best);
  }

  private empty(): State {
    return this.symbols.map(() => null);
  }

  private byName(): readonly (readonly number[])[] {
    return this.pair.map((row, r) =>
      row.map((score, d) => (this.why[r]?.[d]?.some((why) => why.startsWith('named')) ? score + 10 : score)),
    );
  }

  private greedy(pair: readonly (readonly number[])[]): State {
    const state: (number | null)[] = this.symbols.map(() => null);
    const all = pair
      .flatMap((row, r) => row.map((score, d) => ({ r, d, score })))
      .filter(({ score }) => score > 0)
      .sort((a, b) => b.score - a.score);
    const used = new Set<number>();
    for (const { r, d } of all) {
      if (state[d] !== null || used.has(r)) continue;
      state[d] = r;
      used.add(r);
    }
    return state;
  }

  /** Every state that differs in one dimension, or in two that are exchanged. */
  private *neighbours(state: State): Generator<{ readonly next: State; readonly gain: number }> {
    for (let d = 0; d < state.length; d += 1) {
      for (let r = -1; r < this.pair.length; r += 1) {
        const row = r < 0 ? null : r;
        const before = state[d] ?? null;
        if (row === before || (row !== null && this.pairOf(row, d) === -Infinity)) continue;
        const holder = row === null ? -1 : state.indexOf(row);
        const moves: (number | null)[] = holder < 0 ? [null] : [null, before];
        for (const given of new Set(moves)) {
          if (holder >= 0 && given !== null && this.pairOf(given, holder) === -Infinity) continue;
          const next = [...state];
          next[d] = row;
          if (holder >= 0) next[holder] = given;
          yield { next, gain: this.evidenceOf(next) - this.evidenceOf(state) };
        }
      }
    }
  }

  private pairOf(row: number | null, d: number): number {
    return row === null ? 0 : (this.pair[row]?.[d] ?? -Infinity);
  }

  private climb(start: State): State {
    let state = start;
    let total = this.total(state);
    for (let step = 0; step < 40; step += 1) {
      // what geometry can give back at most is what it takes now
      const room = this.evidenceOf(state) - total;
      let best: { readonly next: State; readonly total: number } | null = null;
      for (const { next, gain } of this.neighbours(state)) {
        if (gain + room <= 1e-9) continue;
        const reached = this.total(next);
        if (reached > (best?.total ?? total) + 1e-9) best = { next, total: reached };
      }
      if (!best) return state;
      state = best.next;
      total = best.total;
    }
    return state;
  }

  private evidenceOf(state: State): number {
    let sum = 0;
    state.forEach((row, d) => {
      const dimension = this.question.kind.dimensions[d];
      if (row !== null) sum += this.pairOf(row, d);
      else if (dimension && !dimension.derived && !(dimension.kind === 'count')) sum += WEIGHT.missing;
    });
    return sum;
  }

  private total(state: State): number {
    const key = state.join();
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const total = this.evidenceOf(state) - this.strain(state) - this.strangeness(state);
    this.known.set(key, total);
    return total;
  }

  /** How far all sizes together are from the nearest usual package. */
  private strangeness(state: State): number {
    const sizes = state.flatMap((row, d) => {
      const dimension = this.question.kind.dimensions[d];
      const nom = row === null ? undefined : this.limits[row]?.nom;
      return nom === undefined || nom <= 0 || dimension?.kind === 'count'
        ? []
        : [[this.symbols[d] ?? '', nom] as const];
    });
    const apart = this.usual.map((usual) =>
      sizes.reduce((sum, [symbol, nom]) => {
        const typical = usual[symbol];
        return sum + (typical ? Math.min(1, Math.abs(Math.log(nom / typical))) : 0);
      }, 0),
    );
    return apart.length === 0 ? 0 : 0.8 * Math.min(...apart);
  }

  /** What the family's own rules hold against the sizes, as a number. */
  private strain(state: State): number {
    const found = this.findings(state);
    return found.reduce((sum, { weight }) => sum + weight, 0);
  }

  private findings(state: State) {
    const document = this.documentOf(state);
    const { filled, checked } = held(document, this.question.kind);
    if (!checked) return [];
    return checked.findings.flatMap(({ severity, rule, message, place }) => {
      const dimensions = place.dimensions ?? [];
      if (severity === 'note' || dimensions.some((symbol) => filled.has(symbol))) return [];
      const weight = rule === 'entry' ? -WEIGHT.limits : severity === 'stop' ? -WEIGHT.stop : -WEIGHT.caution;
      return [{ weight, message, dimensions }];
    });
  }

  private documentOf(state: State): TapisDocument {
    const { kind, rows, unit, count } = this.question;
    const dimensions = Object.fromEntries(
      state.flatMap((row, d) => {
        const value = row === null ? undefined : rows[row]?.value;
        const symbol = this.symbols[d] ?? '';
        return value ? [[symbol, { text: value.text, unit: value.unit ?? unit }] as const] : [];
      }),
    );
    const counted = count !== null && this.symbols.includes('n') && !('n' in dimensions);
    const all = counted ? { ...dimensions, n: String(count) } : dimensions;
    const options = padOption(kind, all);
    const base = newDocument('', kind.id, all);
    return options ? { ...base, package: { ...base.package, options } } : base;
  }

  private answer(best: State): Assignment {
    const total = this.total(best);
    const margins = best.map((row, d) => (row === null ? null : this.marginOf(best, d, total)));
    const findings = this.findings(best);
    const roles = best.flatMap((row, d): Role[] => {
      const symbol = this.symbols[d];
      if (row === null || symbol === undefined) return [];
      const { margin, next } = margins[d] ?? { margin: 0, next: null };
      const why = this.why[row]?.[d] ?? [];
      return [{ symbol, row, margin, next, reasons: why.length > 0 ? why : ['by its size alone'] }];
    });
    const missing = this.question.kind.dimensions.flatMap(({ symbol, derived, kind }, d) =>
      best[d] === null && !derived && !(kind === 'count' && this.question.count !== null && symbol === 'n')
        ? [symbol]
        : [],
    );
    return { roles, score: total, evidence: this.evidenceOf(best), findings, missing };
  }

  /** The best assignment in which a dimension has another row, and how much worse it is. */
  private marginOf(best: State, d: number, total: number) {
    let margin = Infinity;
    let next: number | null = null;
    for (const { next: state } of this.neighbours(best)) {
      if (state[d] === best[d]) continue;
      const worse = total - this.total(state);
      if (worse < margin) [margin, next] = [worse, state[d] ?? null];
    }
    return { margin, next };
  }
}

/** A document held against its family's rules, with what is missing filled in so that they can be asked. */
function held(document: TapisDocument, kind: PackageKind) {
  const filled = new Set<string>();
  const dimensions: Record<string, TapisDocument['package']['dimensions'][string]> = {
    ...document.package.dimensions,
  };
  for (const { symbol, derived } of kind.dimensions) {
    const example = kind.example[symbol];
    if (symbol in dimensions || derived !== undefined || example === undefined) continue;
    dimensions[symbol] = { text: example, unit: 'mm' };
    filled.add(symbol);
  }
  const whole = { ...document, package: { ...document.package, dimensions } };
  return { filled, checked: soundness(whole) };
}

/** An exposed pad that is measured is there. */
export function padOption(
  kind: PackageKind,
  dimensions: Readonly<Record<string, unknown>>,
): Readonly<Record<string, string>> | null {
  const pad = kind.options.find(({ id }) => id === 'pad');
  if (!pad) return null;
  const [first] = pad.choices;
  const has = 'E2' in dimensions || 'D2' in dimensions;
  if (has) return first?.id === 'none' ? { pad: 'rectangle' } : null;
  return first?.id === 'none' ? null : { pad: 'none' };
}

const sizesOf = new Map<string, readonly Readonly<Record<string, number>>[]>();

/** Nominal sizes of a family's common packages and of its example, mm, by symbol. */
function usualSizes(kind: PackageKind): readonly Readonly<Record<string, number>>[] {
  const known = sizesOf.get(kind.id);
  if (known) return known;
  const all = [{ dimensions: kind.example, unit: 'mm' as SheetUnit }, ...kind.outlines].map(
    ({ dimensions, unit = 'mm' }) =>
      Object.fromEntries(
        Object.entries(dimensions).flatMap(([symbol, text = '']) => {
          const read = readEntry(text, plainScope(unit));
          return read.ok ? [[symbol, read.value.value.nom] as const] : [];
        }),
      ),
  );
  sizesOf.set(kind.id, all);
  return all;
}

/** The kind of package with an id; `null` where there is none that is measured from a table. */
export function kindById(id: string): PackageKind | null {
  return CATALOGUE.find((kind) => kind.id === id) ?? null;
}
