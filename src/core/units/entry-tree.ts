import { EntryFailure, refuse, tokenise, type EntryError, type Sign, type Token } from './entry-tokens';
import type { LengthUnit } from './length';
import { fail, ok, type Result } from './result';
import type { Given } from './toleranced';

/** An arithmetic expression as typed. `at` is the character it starts at. */
export type Expression =
  | { kind: 'number'; value: number; unit: LengthUnit | null; at: number }
  | { kind: 'symbol'; name: string; at: number }
  | { kind: 'negative'; of: Expression; at: number }
  | { kind: 'operation'; operator: '+' | '-' | '*' | '/'; left: Expression; right: Expression; at: number };

/**
 * An entry as typed: the way it was given and its one to three parts
 * (range: min, [nominal,] max; plus-minus: nominal, tolerance;
 * asymmetric: nominal, plus, minus; everything else: the value).
 */
export interface EntryTree {
  readonly text: string;
  readonly given: Given;
  readonly parts: readonly Expression[];
  /** Names of the other dimensions it refers to. */
  readonly symbols: readonly string[];
}

/** Longest entry that is read; a datasheet's cell is far shorter. */
export const LONGEST_ENTRY = 200;

/**
 * Reads the form of an entry without knowing any other dimension.
 *
 * Forms: `5.8..6.2`, `5.8..6.0..6.2`, `5.8-6.2`, `6.0±0.2`, `6.0+0.2-0.1`, `max 1.75`,
 * `typ 1.04`, `ref 1.04`, `exact 0.65`, a number, or arithmetic such as `e*(n/2-1)`;
 * each number may carry mm, um, mil, in or ". A unit at one number of a range or
 * tolerance holds for its other numbers too.
 * @returns the tree, or the place in the text and what was expected there
 */
export function parseEntry(text: string): Result<EntryTree, EntryError> {
  try {
    if (text.length > LONGEST_ENTRY) {
      refuse(LONGEST_ENTRY, text.slice(LONGEST_ENTRY, LONGEST_ENTRY + 8), 'a shorter entry');
    }
    return ok({ text, ...new Reader(tokenise(text)).entry() });
  } catch (error) {
    if (error instanceof EntryFailure) return fail(error.detail);
    throw error;
  }
}

type NumberNode = Extract<Expression, { kind: 'number' }>;

/** Recursive descent over the tokens of one entry. */
class Reader {
  private next = 0;
  private readonly symbols = new Set<string>();

  constructor(private readonly tokens: readonly Token[]) {}

  entry(): Omit<EntryTree, 'text'> {
    if (this.peek().kind === 'end') refuse(0, '', 'a value such as 5.8..6.2, 6.0±0.2 or max 1.75');
    const [given, parts] = this.literalForm() ?? this.qualified() ?? this.general();
    const end = this.peek();
    if (end.kind !== 'end') refuse(end.at, end.text, this.afterValue(given));
    shareUnit(given, parts);
    return { given, parts, symbols: [...this.symbols] };
  }

  /** `a-b` is a range and `a+b-c` a tolerance only where all of them are plain numbers. */
  private literalForm(): [Given, Expression[]] | null {
    const start = this.next;
    const first = this.literal();
    if (first) {
      const up = this.signed('+');
      if (up) {
        this.take('/');
        const down = this.signed('-');
        if (down && this.peek().kind === 'end') return ['asymmetric', [first, up, down]];
      } else {
        const second = this.signed('-');
        if (second && this.peek().kind === 'end') return ['range', [first, second]];
        const plus = second && (this.take('/'), this.signed('+'));
        if (plus && this.peek().kind === 'end') return ['asymmetric', [first, plus, second]];
      }
    }
    this.next = start;
    return null;
  }

  private qualified(): [Given, Expression[]] | null {
    const token = this.peek();
    if (token.kind !== 'qualifier') return null;
    this.next += 1;
    return [token.qualifier, [this.sum()]];
  }

  private general(): [Given, Expression[]] {
    const first = this.sum();
    if (this.take('..')) {
      const second = this.sum();
      return this.take('..') ? ['range', [first, second, this.sum()]] : ['range', [first, second]];
    }
    if (this.take('±')) return ['plus-minus', [first, this.sum()]];
    const after = this.peek();
    if (after.kind === 'qualifier') {
      this.next += 1;
      return [after.qualifier, [first]];
    }
    return [this.symbols.size > 0 ? 'computed' : 'bare', [first]];
  }

  private sum(): Expression {
    let left = this.product();
    for (;;) {
      const token = this.peek();
      const operator = token.kind === 'sign' && (token.sign === '+' || token.sign === '-') && token.sign;
      if (!operator) return left;
      this.next += 1;
      left = { kind: 'operation', operator, left, right: this.product(), at: token.at };
    }
  }

  private product(): Expression {
    let left = this.factor();
    for (;;) {
      const token = this.peek();
      const operator = token.kind === 'sign' && (token.sign === '*' || token.sign === '/') && token.sign;
      if (!operator) return left;
      this.next += 1;
      left = { kind: 'operation', operator, left, right: this.factor(), at: token.at };
    }
  }

  private factor(): Expression {
    const token = this.peek();
    if (this.take('-')) return { kind: 'negative', of: this.factor(), at: token.at };
    if (this.take('+')) return this.factor();
    if (this.take('(')) {
      const inner = this.sum();
      const close = this.peek();
      if (!this.take(')')) refuse(close.at, close.text, 'a closing bracket');
      return inner;
    }
    if (token.kind === 'symbol') {
      this.next += 1;
      this.symbols.add(token.text);
      return { kind: 'symbol', name: token.text, at: token.at };
    }
    return this.literal() ?? refuse(token.at, token.text, 'a number or a dimension symbol');
  }

  private literal(): NumberNode | null {
    const token = this.peek();
    if (token.kind !== 'number') return null;
    this.next += 1;
    const after = this.peek();
    if (after.kind !== 'unit') return { kind: 'number', value: token.value, unit: null, at: token.at };
    this.next += 1;
    return { kind: 'number', value: token.value, unit: after.unit, at: token.at };
  }

  private signed(sign: '+' | '-'): NumberNode | null {
    const start = this.next;
    if (this.take(sign)) {
      const literal = this.literal();
      if (literal) return literal;
    }
    this.next = start;
    return null;
  }

  private take(sign: Sign): boolean {
    const token = this.peek();
    if (token.kind !== 'sign' || token.sign !== sign) return false;
    this.next += 1;
    return true;
  }

  private peek(): Token {
    return this.tokens[this.next] as Token; // the last token is always "end" and never passed
  }

  private afterValue(given: Given): string {
    return given === 'bare' || given === 'computed'
      ? 'an operator, a unit, “..”, “±” or the end'
      : 'the end of the entry';
  }
}

/** In `5.8..6.2mm` and `0.244±0.008 in` the one unit printed holds for every plain number. */
function shareUnit(given: Given, parts: readonly Expression[]): void {
  if (parts.length < 2) return;
  const numbers = parts.filter((part): part is NumberNode => part.kind === 'number');
  const units = new Set(numbers.map((n) => n.unit).filter((unit) => unit !== null));
  const [unit] = units;
  if (units.size !== 1 || !unit || given === 'computed') return;
  for (const number of numbers) number.unit ??= unit;
}
