import { newDocument, type TapisDocument } from '../document/document';
import type { PackageKind } from '../package/catalogue';
import { soundness } from '../package/draw';
import { ALL_MAKERS } from '../package/makers';
import { countOf, evidenceFor, type Evidence, type Question } from './evidence';
import { padOption } from './kinds';
import { letterScore } from './letters';

// Which row of a table is which dimension of a family. Each bit of evidence has a weight: the letter, the
// name, the size by itself, and what the family's own rules say of all sizes together. The assignment with the
// greatest sum is taken; how far the next best is away says how sure it is.

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
  /** A dimension that no row gives and that this one would go as well for, where only its letter speaks for it. */
  readonly orElse: string | null;
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

/** Assigns the rows of one size to the dimensions of a family. */
export function assignRoles(question: Question): Assignment {
  return new Solver(question).solve();
}

/** The evidence of letters, names and single sizes alone: quick, to tell which families are worth more. */
export function roughEvidence(question: Question): number {
  return new Solver(question).rough();
}

/** Names of what is smaller than something else in every usual package. */
const SMALLER: readonly (readonly [RegExp, RegExp])[] = [
  [/^standoff$/i, /^(height|ball|ball diameter|solder ball)$/i],
  [/^lead thickness$/i, /^lead width$/i],
  [/^foot length$/i, /^lead length$/i],
  [/^width$/i, /^length$/i],
  [/^body width$/i, /^length$/i],
  [/^(terminal|lead) width$/i, /^(body width|width|pitch)$/i],
  [/^pad across$/i, /^body (across|width)$/i],
  [/^pad upright$/i, /^body (upright|length)$/i],
];
const DISORDER = 1.5;
/** A dimension that has to be there and no row gives. */
const MISSING_ROW = -2.5;
/** What the family's rules hold against the sizes, and sizes that can never be meant. */
const STRAIN = { stop: 5, caution: 2, limits: 8 } as const;
/** How much it counts that all sizes together are far from any usual package. */
const STRANGE = 0.8;

type State = readonly (number | null)[];

class Solver {
  private readonly symbols: readonly string[];
  private readonly pair: Evidence['pair'];
  private readonly why: Evidence['why'];
  private readonly limits: Evidence['limits'];
  private readonly usual: Evidence['usual'];
  private readonly trust: number;
  private readonly known = new Map<string, number>();

  constructor(private readonly question: Question) {
    const { symbols, pair, why, limits, usual, trust } = evidenceFor(question);
    [this.symbols, this.pair, this.why] = [symbols, pair, why];
    [this.limits, this.usual, this.trust] = [limits, usual, trust];
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

  rough(): number {
    return this.evidenceOf(this.greedy(this.pair));
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
          // who lost its row takes the best that is free, and a row that lost its place the best that is empty
          const again =
            holder >= 0 && given === null ? this.refilled(next, holder) : this.replaced(next, before);
          if (again) yield { next: again, gain: this.evidenceOf(again) - this.evidenceOf(state) };
        }
      }
    }
  }

  private refilled(state: State, d: number): State | null {
    const free = this.pair.flatMap((row, r) =>
      state.includes(r) ? [] : [{ r, score: row[d] ?? -Infinity }],
    );
    const best = free.sort((a, b) => b.score - a.score)[0];
    return best && best.score > 0 ? state.with(d, best.r) : null;
  }

  private replaced(state: State, row: number | null): State | null {
    if (row === null || state.includes(row)) return null;
    const empty = state.flatMap((held, d) => (held === null ? [{ d, score: this.pairOf(row, d) }] : []));
    const best = empty.sort((a, b) => b.score - a.score)[0];
    return best && best.score > 0 ? state.with(best.d, row) : null;
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
      else if (dimension && !dimension.derived && !(dimension.kind === 'count')) sum += MISSING_ROW;
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
    return apart.length === 0 ? 0 : STRANGE * Math.min(...apart);
  }

  /** What the family's own rules hold against the sizes, as a number. */
  private strain(state: State): number {
    const found = this.findings(state);
    return found.reduce((sum, { weight }) => sum + weight, 0) + this.disorder(state);
  }

  /** What is always smaller than something else, and is not. */
  private disorder(state: State): number {
    const names = this.question.kind.dimensions.map(({ name }) => name);
    const sizeOf = (name: RegExp) => {
      const row = state[names.findIndex((one) => name.test(one))] ?? null;
      return row === null ? null : (this.limits[row]?.nom ?? null);
    };
    return SMALLER.reduce((sum, [small, great]) => {
      const [a, b] = [sizeOf(small), sizeOf(great)];
      return a !== null && b !== null && a > b + 1e-9 ? sum + DISORDER : sum;
    }, 0);
  }

  private findings(state: State) {
    const document = this.documentOf(state);
    const { filled, checked } = held(document, this.question.kind);
    if (!checked) return [];
    return checked.findings.flatMap(({ severity, rule, message, place }) => {
      const dimensions = place.dimensions ?? [];
      if (severity === 'note' || dimensions.some((symbol) => filled.has(symbol))) return [];
      const weight = rule === 'entry' ? STRAIN.limits : severity === 'stop' ? STRAIN.stop : STRAIN.caution;
      return [{ weight, message, dimensions }];
    });
  }

  private documentOf(state: State): TapisDocument {
    const { kind, rows, unit, counts } = this.question;
    const dimensions = Object.fromEntries(
      state.flatMap((row, d) => {
        const value = row === null ? undefined : rows[row]?.value;
        const symbol = this.symbols[d] ?? '';
        if (!value || row === null) return [];
        const sized = rows[row];
        const count = this.question.kind.dimensions[d]?.kind === 'count' && sized ? countOf(sized) : null;
        const entry = count === null ? { text: value.text, unit: value.unit ?? unit } : String(count);
        return [[symbol, entry] as const];
      }),
    );
    const counted = Object.entries(counts).filter(([symbol]) => this.symbols.includes(symbol));
    const all = {
      ...Object.fromEntries(counted.map(([symbol, count]) => [symbol, String(count)])),
      ...dimensions,
    };
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
      const beside = why.length === 0 ? this.besides(best, row, d) : null;
      const reasons = beside ? [beside] : why.length > 0 ? why : ['by its size alone'];
      return [{ symbol, row, margin, next, reasons, orElse: this.orElse(best, row, why) }];
    });
    const missing = this.question.kind.dimensions.flatMap(({ symbol, derived, kind }, d) =>
      best[d] === null && !derived && !(kind === 'count' && symbol in this.question.counts) ? [symbol] : [],
    );
    return { roles, score: total, evidence: this.evidenceOf(best), findings, missing };
  }

  /** A dimension that has to be there and is not, where a row that only its letter speaks for would fit. */
  private orElse(best: State, row: number, why: readonly string[]): string | null {
    if (why.some((one) => one.startsWith('named'))) return null;
    const mm = this.limits[row]?.nom ?? 0;
    const found = this.question.kind.dimensions.find((dimension, d) => {
      if (best[d] !== null || dimension.derived || dimension.kind === 'count') return false;
      if (this.pairOf(row, d) === -Infinity) return false;
      // of a size that the missing one usually has
      return this.usual.some((usual) => {
        const typical = usual[dimension.symbol];
        return typical !== undefined && mm > 0 && Math.abs(Math.log(mm / typical)) < 0.12;
      });
    });
    return found?.name ?? null;
  }

  /** E is the body where HE is the span: a usual letter, whose own dimension has another usual letter. */
  private besides(best: State, row: number, d: number): string | null {
    const { rows, kind } = this.question;
    const letter = rows[row]?.row.letter ?? '';
    const dimension = kind.dimensions[d];
    const own = this.symbols.indexOf(letter);
    const holder = own < 0 ? null : (best[own] ?? null);
    const other = holder === null ? '' : (rows[holder]?.row.letter ?? '');
    const owner = kind.dimensions[own];
    if (!dimension || !owner || other === '' || this.trust < 0.3) return null;
    const isUsual =
      letterScore(letter, dimension, this.symbols) > 0 && letterScore(other, owner, this.symbols) >= 1.5;
    return isUsual ? `${letter} is a usual letter for it beside ${other}` : null;
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
  // what follows from an example says as little as the example
  for (const { symbol, derived } of kind.dimensions)
    if (!(symbol in dimensions) && derived !== undefined && filled.has(derived)) filled.add(symbol);
  const whole = { ...document, package: { ...document.package, dimensions } };
  return { filled, checked: soundness(whole, ALL_MAKERS) };
}
