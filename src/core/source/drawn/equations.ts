// Lengths of a drawing as a small linear system: what is printed goes in first and stays exact, what the drawing
// shows to be equal after it. What follows is a sum of printed numbers; what does not follow is not guessed.

/** A sum of unknowns, by their numbers. */
export type Sum = ReadonlyMap<number, number>;

/** A sum of what was said, with how often each is in it. */
export type Form<Said> = ReadonlyMap<Said, number>;

/** What an equation says that does not go with those before it. */
export interface Clash<Said> {
  /** What it comes to by the others. */
  readonly by: number;
  readonly from: Form<Said>;
}

interface Row<Said> {
  readonly pivot: number;
  readonly sum: Sum;
  readonly value: number;
  readonly form: Form<Said>;
}

const TINY = 1e-9;

/** Equations in reduced form; an unknown that heads a row stands in no other. */
export class Equations<Said> {
  private rows: Row<Said>[] = [];

  /**
   * Adds an equation.
   * @param said what says it; `null` for what is equal in the drawing
   * @param slack how far it may be off where it follows already, in the unit of the values
   * @returns what it clashes with; `null` where it is new or agrees
   */
  add(sum: Sum, value: number, said: Said | null, slack: number): Clash<Said> | null {
    const left = this.reduce(sum);
    const rest = value - left.value;
    const [pivot] = [...left.sum].sort((a, b) => Math.abs(b[1]) - Math.abs(a[1]))[0] ?? [];
    if (pivot === undefined) return Math.abs(rest) <= slack ? null : { by: left.value, from: left.form };
    const by = left.sum.get(pivot) ?? 1;
    const own: Form<Said> = said === null ? new Map() : new Map([[said, 1]]);
    const row: Row<Said> = {
      pivot,
      sum: times(left.sum, 1 / by),
      value: rest / by,
      form: times(plus(own, left.form, -1), 1 / by),
    };
    this.rows = [...this.rows.map((other) => without(other, row)), row];
    return null;
  }

  /** What a sum comes to, and of what that is the sum; `null` where it does not follow. */
  valueOf(sum: Sum): { readonly value: number; readonly form: Form<Said> } | null {
    const left = this.reduce(sum);
    return left.sum.size === 0 ? { value: left.value, form: left.form } : null;
  }

  /** A sum of unknowns as one of what is known, and what is left of it. */
  private reduce(sum: Sum): { readonly sum: Sum; readonly value: number; readonly form: Form<Said> } {
    let left: Sum = sum;
    let form: Form<Said> = new Map();
    let value = 0;
    for (const row of this.rows) {
      const share = left.get(row.pivot);
      if (share === undefined) continue;
      left = plus(left, row.sum, -share);
      form = plus(form, row.form, share);
      value += share * row.value;
    }
    return { sum: left, value, form };
  }
}

/** A sum with another one, so many times. */
export function plus<K>(a: ReadonlyMap<K, number>, b: ReadonlyMap<K, number>, share: number): Map<K, number> {
  const sum = new Map(a);
  for (const [one, of] of b) {
    const whole = (sum.get(one) ?? 0) + share * of;
    if (Math.abs(whole) < TINY) sum.delete(one);
    else sum.set(one, whole);
  }
  return sum;
}

/** A sum so many times. */
export const times = <K>(a: ReadonlyMap<K, number>, share: number): Map<K, number> =>
  plus(new Map<K, number>(), a, share);

function without<Said>(row: Row<Said>, by: Row<Said>): Row<Said> {
  const share = row.sum.get(by.pivot);
  return share === undefined
    ? row
    : {
        ...row,
        sum: plus(row.sum, by.sum, -share),
        value: row.value - share * by.value,
        form: plus(row.form, by.form, -share),
      };
}
