import { askBack, refuse, type Sign, type Token } from './entry-tokens';
import type { EntryTree, Expression, NumberNode } from './entry-tree';
import type { Given } from './toleranced';

/**
 * Reads arithmetic: `e*(n/2-1)`, `E-2*L`, `(17.2)/2`, `240mil/2`, alone or as the parts of a range
 * or a tolerance (`L..L+0.2`, `max 2*e`). A sum of plain numbers is no arithmetic, since datasheets
 * print tolerances like that: it needs a symbol, a bracket or a unit.
 * @throws EntryFailure with the place and what was expected
 */
export function readFormula(tokens: readonly Token[]): Omit<EntryTree, 'text'> {
  return new FormulaReader(tokens).entry();
}

/** Recursive descent over the tokens of one entry. */
class FormulaReader {
  private next = 0;
  private readonly symbols = new Set<string>();
  /** Something that no printed length has: a symbol, a bracket round a calculation, an asterisk. */
  private clear = false;
  /** The first operator between two plain numbers. */
  private doubtful: Token | null = null;

  constructor(private readonly tokens: readonly Token[]) {}

  entry(): Omit<EntryTree, 'text'> {
    const [given, parts] = this.qualified() ?? this.general();
    const end = this.peek();
    if (end.kind !== 'end') refuse(end.at, end.text, afterValue(given));
    if (this.doubtful && !this.clear)
      askBack(
        this.doubtful.at,
        this.doubtful.text,
        'a range with “..”, a tolerance with “±” or “+a-b”, or a calculation in brackets such as (17.2)/2',
      );
    return { given, parts, symbols: [...this.symbols], hints: {}, second: null, doubts: [] };
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
      const right = this.product();
      this.doubt(token, left, right);
      left = { kind: 'operation', operator, left, right, at: token.at };
    }
  }

  private product(): Expression {
    let left = this.factor();
    for (;;) {
      const token = this.peek();
      if (token.kind !== 'sign') return left;
      const operator = token.sign === '/' ? '/' : ['*', '·', '×'].includes(token.sign) ? '*' : null;
      if (!operator) return left;
      this.next += 1;
      const right = this.factor();
      // in a fraction of an inch, 1/4", and in 240mil/2 the unit says what is meant
      const byUnit = operator === '/' && left.kind === 'number' && left.unit !== null && isPlain(right);
      if (token.sign !== '*' && !byUnit) this.doubt(token, left, right);
      left = { kind: 'operation', operator, left, right, at: token.at };
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
      this.clear = true;
      return inner;
    }
    if (token.kind === 'symbol') {
      this.next += 1;
      this.symbols.add(token.text);
      this.clear = true;
      return { kind: 'symbol', name: token.text, at: token.at };
    }
    if (token.kind !== 'number') return refuse(token.at, token.text, 'a number or a dimension symbol');
    this.next += 1;
    return numberNode(token);
  }

  private doubt(token: Token, left: Expression, right: Expression): void {
    if (isLiteral(left) || isLiteral(right)) this.doubtful ??= token;
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
}

export function numberNode({ value, unit, decimals, at }: Extract<Token, { kind: 'number' }>): NumberNode {
  return { kind: 'number', value, unit, decimals, at };
}

function isLiteral(node: Expression): boolean {
  return node.kind === 'number' || (node.kind === 'negative' && isLiteral(node.of));
}

/** A whole number without a unit, as one divides by. */
function isPlain(node: Expression): boolean {
  return node.kind === 'number' && node.unit === null && node.decimals === null;
}

function afterValue(given: Given): string {
  return given === 'bare' || given === 'computed'
    ? 'an operator, a unit, “..”, “±” or the end'
    : 'the end of the entry';
}
