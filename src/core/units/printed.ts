import { askBack, refuse, type NumberToken, type Token } from './entry-tokens';
import type { EntryDoubt, EntryTree, Expression, GivenParts, NumberNode } from './entry-tree';
import { numberNode } from './formula';
import { peel } from './printed-beside';
import { isSign, isWhole, shown, signatureOf } from './printed-tokens';
import { formatNumber, MM_PER } from './length';
import type { Given } from './toleranced';

// How datasheets print lengths. What stands beside the number (a letter, a count of places, the
// sign of a diameter, the same in another unit) is taken off first; what is left is recognised by
// its signature, one letter or sign a token: `6.0 +0.1/-0.05` is `N+N/-N`.

/**
 * Reads an entry as a datasheet prints it.
 * @returns `null` where it is no printed length, such as arithmetic with symbols
 * @throws EntryFailure where it is one that has two readings, or cannot be meant
 */
export function readPrinted(tokens: readonly Token[]): Omit<EntryTree, 'text'> | null {
  const notes = tokens.filter(({ kind }) => kind === 'note');
  const peeled = peel(tokens.slice(0, -1).filter(({ kind }) => kind !== 'note'));
  if (!peeled || peeled.body.length === 0) return null;
  const { body, hints, beside } = peeled;
  const doubts: EntryDoubt[] = notes.map(({ text }) => ({
    severity: 'note',
    message: `“${text}” refers to a note of the datasheet.`,
  }));
  const read = (part: readonly Token[]) => {
    const form = part.length > 0 ? formOf(part, doubts) : null;
    return form && shareUnit(form);
  };
  const main = read(body);
  if (!main) return null;
  const base = { symbols: [], hints, doubts };
  if (!beside) return { ...base, ...inOneSystem(main) };
  const second = read(beside);
  if (!second) return null;
  const limits = aroundNominal(main, second);
  return limits ? { ...base, ...limits, second: null } : { ...base, ...main, second };
}

const GIVEN: Readonly<Record<string, Given>> = {
  M: 'max',
  m: 'min',
  t: 'typical',
  r: 'reference',
  x: 'exact',
};

function formOf(tokens: readonly Token[], doubts: EntryDoubt[]): GivenParts | null {
  const signature = signatureOf(tokens);
  const numbers = tokens.filter((token) => token.kind === 'number');
  const named = namedLimits(signature, numbers, doubts);
  if (named) return named;
  if (signature.includes('|')) return cells(signature, numbers, doubts);
  // what is only said to be typical or for reference keeps its tolerance
  const how = /^[trx]/.exec(signature)?.[0] ?? /[trx]$/.exec(signature)?.[0] ?? '';
  const core = how ? tokens.filter((token) => token.kind !== 'qualifier') : tokens;
  const form = compound(core, doubts);
  if (!form) return null;
  const given = GIVEN[how];
  return form.given === 'bare' && given ? { ...form, given } : form;
}

/** Reads what has no words: a number, a range, a tolerance, a product. */
function compound(tokens: readonly Token[], doubts: EntryDoubt[]): GivenParts | null {
  const signature = signatureOf(tokens);
  const numbers = tokens.filter((token) => token.kind === 'number');
  const [a, b, c] = numbers.map(numberNode) as [NumberNode, NumberNode, NumberNode];
  if (signature === 'N') return { given: 'bare', parts: [a] };
  if (signature === '~N') return { given: 'typical', parts: [a] };
  const bracketed = /^\((.*)\)$/.exec(signature)?.[1];
  if (bracketed !== undefined && /^(N|N±N%?|N[~:/]N|N-N)$/.test(bracketed)) {
    // a difference in brackets is a calculation: (6.2-5.8)
    if (bracketed === 'N-N' && valueOf(a) > valueOf(b)) return null;
    const inner = compound(tokens.slice(1, -1), doubts);
    return inner?.given === 'bare' ? { ...inner, given: 'reference' } : inner;
  }
  if (signature === 'N±N') return { given: 'plus-minus', parts: [a, b] };
  if (signature === 'N±N%') {
    const share: NumberNode = { ...b, value: b.value / 100 };
    const parts = [a, { kind: 'operation', operator: '*', left: a, right: share, at: b.at }] as const;
    return { given: 'plus-minus', parts };
  }
  if (/^N[-~:/,]?N$/.test(signature)) return pair(tokens);
  if (/^N([-~:/,]?)N\1N$/.test(signature)) {
    const triple = inOrder([a, b, c], doubts);
    if (triple) return triple;
    // 6.0 -0 -0.1 is a tolerance
    if (!signature.includes('-') || valueOf(b) !== 0)
      return refuse(b.at, formatNumber(b.value), 'the nominal value between its limits');
  }
  return deviations(tokens) ?? product(signature, numbers, doubts);
}

/** Two numbers: a range, or a nominal with what it may fall short. */
function pair(tokens: readonly Token[]): GivenParts | null {
  const [first, sign, last] = (tokens.length === 3 ? tokens : [tokens[0], null, tokens[1]]) as [
    NumberToken,
    Extract<Token, { kind: 'sign' }> | null,
    NumberToken,
  ];
  const [a, b] = [numberNode(first), withPoint(first, last, sign)];
  const ask = (expected: string) => askBack(first.at, shown(tokens), expected);
  const [one = 0, other = 0] = sharedValues(a, b);
  const ratio = other / one;
  const range: GivenParts = { given: 'range', parts: ratio >= 1 ? [a, b] : [b, a] };
  const unlike = a.unit !== null && b.unit !== null && isInch(a) !== isInch(b);
  switch (sign?.sign) {
    case '-':
      if (ratio >= 0.5) return range;
      // eight places of 0.3 are printed so too
      if (isWhole(first) && first.value > 1 && last.decimals !== null && !(sign.gap && !last.gap))
        return ask(
          `${first.text}X ${last.text} for ${first.text} places or ${first.text} +0/-${last.text} for a tolerance`,
        );
      if (ratio > 0.1 || b.value === 0) {
        if (sign.gap && !last.gap) return fallingShort(a, b);
        return ask(
          `${last.text}..${first.text} for a range or ${first.text} +0/-${last.text} for a tolerance`,
        );
      }
      return fallingShort(a, b);
    case '/': {
      if (unlike) return range;
      // 240mil/2 is half of it
      if (a.unit !== null && b.unit === null && b.decimals === null) return null;
      // a fraction of an inch that no ruler has
      if (isInch(b) && a.unit === null && a.decimals === null && b.decimals === null)
        return ask(
          `${formatNumber(a.value / b.value, 0, 4)}in for the fraction or ${first.text}in..${last.text}in for a range`,
        );
      const whole = b.decimals === null && b.unit === null;
      if ((whole && (a.decimals === null || ratio < 0.67)) || ratio < 0.5)
        return ask(`${first.text}..${last.text} for a range or (${first.text})/${last.text} for a division`);
      return range;
    }
    case '..':
    case 'to':
    case '~':
    case '÷':
      return range;
    default:
      if (!unlike && ratio < 0.5) return ask(`${last.text}..${first.text} for a range, or one number`);
      return range;
  }
}

/** In `.189..197` the second number has lost its point to the dots. */
function withPoint(first: NumberToken, last: NumberToken, sign: Token | null): NumberNode {
  const node = numberNode(last);
  if (!isSign(sign ?? undefined, '..') || !first.text.startsWith('.') || last.decimals !== null) return node;
  if (last.text.length !== first.text.length - 1 || last.text.length < 2)
    return askBack(
      first.at,
      `${first.text}..${last.text}`,
      `0${first.text}..0.${last.text} or 0${first.text}..${last.text}.0`,
    );
  return { ...node, value: last.value / 10 ** last.text.length, decimals: last.text.length };
}

function fallingShort(a: NumberNode, b: NumberNode): GivenParts {
  return { given: 'asymmetric', parts: [a, { ...b, value: 0 }, { kind: 'negative', of: b, at: b.at }] };
}

/** Three numbers: least, nominal and most; greatest first is said. */
function inOrder(
  nodes: readonly [NumberNode, NumberNode, NumberNode],
  doubts: EntryDoubt[],
): GivenParts | null {
  const [a, b, c] = sharedValues(...nodes) as [number, number, number];
  if (a <= b && b <= c) return { given: 'range', parts: nodes };
  if (a < b || b < c) return null;
  const message = 'Three values with the greatest first: read as maximum, nominal and minimum.';
  doubts.push({ severity: 'note', message });
  return { given: 'range', parts: [...nodes].reverse() };
}

/** A nominal with what it may exceed and fall short: `6.0 +0.1/-0.05`, `6.0 0/-0.1`, `6.0 (+0.1)`. */
function deviations(tokens: readonly Token[]): GivenParts | null {
  const signature = signatureOf(tokens);
  if (!/^N\(?([+-]?N)[/,]?([+-]?N)?\)?$/.test(signature)) return null;
  const [first] = tokens;
  const nominal = numberNode(first as NumberToken);
  const signed = tokens.flatMap((token, i): Signed[] => {
    if (i === 0 || token.kind !== 'number') return [];
    const before = tokens[i - 1];
    const sign = isSign(before, '+') ? 1 : isSign(before, '-') ? -1 : 0;
    return [{ sign, node: numberNode(token) }];
  });
  // a deviation without a sign is none, unless it is nothing
  if (signed.length === 0 || signed.some(({ sign, node }) => sign === 0 && node.value !== 0)) return null;
  if (signed.every(({ sign }) => sign === 0)) return null;
  const [one, two] = signed as [Signed, Signed?];
  const zero: NumberNode = { ...one.node, value: 0 };
  if (!two) return asymmetric(nominal, one.sign > 0 ? one.node : zero, one.sign > 0 ? zero : one.node);
  const [plus, minus] = one.sign > 0 || two.sign < 0 ? [one, two] : [two, one];
  const opposite = plus.sign >= 0 && minus.sign <= 0;
  const none = plus.node.value === 0 || minus.node.value === 0;
  if (!opposite && !none)
    return refuse(
      two.node.at,
      shown(tokens.slice(1)),
      'one deviation upwards and one downwards, such as +0.1/-0.05',
    );
  if (opposite) return asymmetric(nominal, plus.node, minus.node);
  // "+0/+0.1" and "-0/-0.1": the one that is nothing has no direction
  const other = plus.node.value === 0 ? minus : plus;
  return asymmetric(nominal, other.sign > 0 ? other.node : zero, other.sign > 0 ? zero : other.node);
}

interface Signed {
  readonly sign: number;
  readonly node: NumberNode;
}

function asymmetric(nominal: NumberNode, plus: NumberNode, minus: NumberNode): GivenParts {
  return { given: 'asymmetric', parts: [nominal, plus, { kind: 'negative', of: minus, at: minus.at }] };
}

/** `2.54 × 9 = 22.86`; a product that does not hold is said. */
function product(
  signature: string,
  numbers: readonly NumberToken[],
  doubts: EntryDoubt[],
): GivenParts | null {
  if (!/^N×N(=N)?$/.test(signature)) return null;
  const [a, b, stated] = numbers as [NumberToken, NumberToken, NumberToken?];
  const counts = [a, b].filter(isWhole).length;
  if (counts === 0)
    return refuse(b.at, `${a.text} × ${b.text}`, 'one length: these are two, such as length and width');
  if (!stated && counts === 2)
    return askBack(
      a.at,
      `${a.text} × ${b.text}`,
      `${b.text} for the length, or ${a.text}*${b.text} for the product`,
    );
  const at = a.at;
  const [left, right] = [numberNode(a), numberNode(b)];
  const made: Expression = { kind: 'operation', operator: '*', left, right, at };
  if (!stated) return { given: 'bare', parts: [made] };
  const value = a.value * b.value;
  if (Math.abs(value - stated.value) > 0.5 * lastDigit(stated) + 1e-9) {
    const text = formatNumber(value, 0, 6);
    const message = `${a.text} × ${b.text} is ${text}, not ${stated.text}.`;
    doubts.push({ severity: 'caution', message, instead: `${text}${a.unit ?? b.unit ?? stated.unit ?? ''}` });
  }
  const unit = stated.unit ?? a.unit ?? b.unit;
  return { given: 'bare', parts: [{ ...numberNode(stated), unit }] };
}

/** `5.8 MIN 6.2 MAX`, `min 5.8 nom 6.0 max 6.2`, `1.2 NOM, 1.4 MAX`, `max 1.75`. */
function namedLimits(
  signature: string,
  numbers: readonly NumberToken[],
  doubts: EntryDoubt[],
): GivenParts | null {
  const before = /^([Mmtrx]N[-~:/,|]?)+$/.test(signature);
  const behind = /^(N[Mmtrx][-~:/,|]?)+$/.test(signature);
  const outside = /^[Mm]N[-~:/,|]?N[Mm]$/.test(signature);
  if (!before && !behind && !outside) return null;
  const words = signature.replace(/[^Mmtrx]/g, '');
  const of = (word: string) => {
    const found = numbers[words.indexOf(word)];
    return found && words.includes(word) ? numberNode(found) : null;
  };
  if (new Set(words).size !== words.length) return null;
  const [only] = numbers;
  if (words.length === 1 && only) return { given: GIVEN[words] ?? 'bare', parts: [numberNode(only)] };
  const [min, nom, max] = [of('m'), of('t'), of('M')];
  if ([min, nom, max].filter((node) => node !== null).length !== words.length) return null;
  if (min && max) {
    const parts = nom ? [min, nom, max] : [min, max];
    const values = sharedValues(...parts);
    if (values.some((value, i) => i > 0 && value < (values[i - 1] ?? value)))
      return refuse(
        min.at,
        formatNumber(min.value),
        'the minimum below the nominal, and that below the maximum',
      );
    return { given: 'range', parts };
  }
  const limit = max ?? min;
  if (!nom || !limit) return null;
  const [low = 0, high = 0] = max ? sharedValues(nom, max) : sharedValues(limit, nom);
  if (low > high)
    return refuse(
      limit.at,
      formatNumber(limit.value),
      max ? 'the maximum above the nominal value' : 'the minimum below the nominal value',
    );
  const missing = max ? 'minimum' : 'maximum';
  doubts.push({ severity: 'note', message: `No ${missing} is printed: the nominal value is taken for it.` });
  const zero: NumberNode = { ...nom, value: 0 };
  const apart: Expression = { kind: 'operation', operator: '-', left: limit, right: nom, at: limit.at };
  return { given: 'asymmetric', parts: max ? [nom, apart, zero] : [nom, zero, apart] };
}

/** Cells of a table: least and most, or least, nominal and most; a dash is a cell without a value. */
function cells(signature: string, numbers: readonly NumberToken[], doubts: EntryDoubt[]): GivenParts | null {
  const columns = signature.split('|');
  if (columns.length > 3 || columns.some((cell) => !/^(N|-*)$/.test(cell))) return null;
  let next = 0;
  const nodes = columns.map((cell) => {
    const token = cell === 'N' ? numbers[next++] : undefined;
    return token ? numberNode(token) : null;
  });
  const [min, max] = [nodes[0] ?? null, nodes.at(-1) ?? null];
  const nom = nodes.length === 3 ? (nodes[1] ?? null) : null;
  const given = [min, nom, max].filter((node) => node !== null);
  if (given.length === 0) return null;
  if (given.length === 1) {
    const [only] = given as [NumberNode];
    return { given: only === max ? 'max' : only === min ? 'min' : 'bare', parts: given };
  }
  const words = [min ? 'mN' : '', nom ? 'tN' : '', max ? 'MN' : ''].join('');
  const [a, b, c] = given;
  if (a && b && c) {
    const triple = inOrder([a, b, c], doubts);
    return triple ?? refuse(b.at, formatNumber(b.value), 'the nominal value between its limits');
  }
  return namedLimits(words, numbers, doubts);
}

/** `6.0 (5.8-6.2)`: a nominal with its own limits beside it, in the same unit. */
function aroundNominal(main: GivenParts, { given, parts }: GivenParts): GivenParts | null {
  const [nominal] = main.parts;
  const [low, high] = [parts[0], parts.at(-1)];
  if (given !== 'range' || main.parts.length !== 1) return null;
  if (nominal?.kind !== 'number' || low?.kind !== 'number' || high?.kind !== 'number') return null;
  if (low.unit !== null && nominal.unit !== low.unit) return null;
  if (!(low.value <= nominal.value && nominal.value <= high.value)) return null;
  return shareUnit({ given: 'range', parts: [low, nominal, high] });
}

/** `5.80 mm/.228 in` says one length twice. */
function inOneSystem(form: GivenParts): GivenParts & Pick<EntryTree, 'second'> {
  const [a, b, ...more] = form.parts;
  const twice =
    form.given === 'range' &&
    more.length === 0 &&
    a?.kind === 'number' &&
    b?.kind === 'number' &&
    a.unit !== null &&
    b.unit !== null &&
    isInch(a) !== isInch(b);
  if (!twice) return { ...form, second: null };
  const [first, second] = a.at < b.at ? [a, b] : [b, a];
  return { given: 'bare', parts: [first], second: { given: 'bare', parts: [second] } };
}

/** In `5.8..6.2mm` and `0.244±0.008 in` the one unit printed holds for every plain number. */
function shareUnit({ given, parts }: GivenParts): GivenParts {
  const units = new Set<NumberNode['unit']>();
  const look = (node: Expression): void => {
    if (node.kind === 'number' && node.unit) units.add(node.unit);
    if (node.kind === 'negative') look(node.of);
    if (node.kind === 'operation' && node.operator !== '*') [node.left, node.right].forEach(look);
  };
  parts.forEach(look);
  const [unit] = units;
  if (units.size !== 1 || !unit) return { given, parts };
  const put = (node: Expression): Expression => {
    if (node.kind === 'number') return node.unit ? node : { ...node, unit };
    if (node.kind === 'negative') return { ...node, of: put(node.of) };
    // a share of the nominal has no unit of its own
    if (node.kind === 'operation')
      return { ...node, left: put(node.left), right: node.operator === '*' ? node.right : put(node.right) };
    return node;
  };
  return { given, parts: parts.map(put) };
}

/** Values that can be compared: where only some numbers have a unit, it holds for all. */
function sharedValues(...nodes: readonly NumberNode[]): number[] {
  const unit = nodes.find((node) => node.unit !== null)?.unit ?? 'mm';
  return nodes.map((node) => node.value * MM_PER[node.unit ?? unit]);
}

function valueOf(node: NumberNode): number {
  return sharedValues(node)[0] ?? 0;
}

function isInch({ unit }: NumberNode): boolean {
  return unit === 'in' || unit === 'mil';
}

/** What one step of a number's last digit is worth, in its own unit. */
export function lastDigit({ decimals }: { readonly decimals: number | null }): number {
  return 10 ** -(decimals ?? 0);
}
