import type { Token } from './entry-tokens';
import type { EntryTree } from './entry-tree';
import { isSign, isWhole, signatureOf } from './printed-tokens';

export interface Peeled {
  /** What says the length. */
  readonly body: readonly Token[];
  readonly hints: EntryTree['hints'];
  /** What stands in brackets beside it. */
  readonly beside: readonly Token[] | null;
}

/** Takes off what stands beside the number; `null` for what no datasheet prints. */
export function peel(tokens: readonly Token[]): Peeled | null {
  let body = [...tokens];
  const [first, second] = body;
  const letter = first?.kind === 'symbol' && isSign(second, '=', ':') ? first.text : undefined;
  if (letter !== undefined) body = body.slice(2);
  while (isSign(body[0], '|')) body.shift();
  while (isSign(body.at(-1), '|')) body.pop();
  if (body.some((token) => token.kind === 'symbol' || isSign(token, '*', '·'))) return null;
  const counted = withoutCount(body);
  const mark = counted.body.find((token) => token.kind === 'mark')?.mark;
  const plain = withoutBrackets(counted.body.filter((token) => token.kind !== 'mark'));
  return {
    ...withoutBeside(plain),
    hints: {
      ...(letter === undefined ? {} : { letter }),
      ...(counted.count === null ? {} : { count: counted.count }),
      ...(mark === undefined ? {} : { mark }),
    },
  };
}

/** A count of places before or behind the length: `8× 0.30`, `2 PL 0.5`, `4-R0.2`, `0.5 (8X)`. */
function withoutCount(body: readonly Token[]): { body: readonly Token[]; count: number | null } {
  const [first, second, third] = body;
  const end = body.length;
  const product = body.some((token) => isSign(token, '='));
  // (4X) 1.50
  if (isSign(first, '(', '[') && isWhole(second) && isSign(body[3], ')', ']') && end > 4)
    if (isSign(third, '×') || third?.kind === 'places') return { body: body.slice(4), count: second.value };
  if (isWhole(first) && !product) {
    const places = second?.kind === 'places' || (isSign(second, '-') && third?.kind === 'mark');
    const next = third?.kind === 'mark' ? body[3] : third;
    const times = isSign(second, '×') && (third?.kind === 'mark' || !isWhole(next));
    if (places || times) return { body: body.slice(2), count: first.value };
  }
  for (const brackets of [1, 0]) {
    const [number, sign] = [body[end - 2 - brackets], body[end - 1 - brackets]];
    const inside = brackets === 0 || (isSign(body[end - 4], '(', '[') && isSign(body[end - 1], ')', ']'));
    const counts = isSign(sign, '×') || sign?.kind === 'places';
    if (inside && counts && isWhole(number) && end > 2 + 2 * brackets)
      return { body: body.slice(0, end - 2 - 2 * brackets), count: number.value };
  }
  return { body, count: null };
}

/** A word in brackets is the word: `1.75 (max)`. */
function withoutBrackets(body: readonly Token[]): Token[] {
  return body.filter(
    (token, i) =>
      !(isSign(token, '(', '[') && body[i + 1]?.kind === 'qualifier' && isSign(body[i + 2], ')', ']')) &&
      !(isSign(token, ')', ']') && body[i - 1]?.kind === 'qualifier' && isSign(body[i - 2], '(', '[')),
  );
}

/** Numbers in brackets behind the length, which are no tolerance. */
function withoutBeside(body: readonly Token[]): Pick<Peeled, 'body' | 'beside'> {
  const open = body.findIndex((token, i) => i > 0 && isSign(token, '(', '['));
  const close = body.findIndex((token, i) => i > open && isSign(token, ')', ']'));
  const inside = body.slice(open + 1, close);
  if (open < 0 || close < 0 || inside.length === 0) return { body, beside: null };
  if (/^([+±-]|N[/,]?[+-])/.test(signatureOf(inside)) && !/^N-N$/.test(signatureOf(inside)))
    return { body, beside: null };
  // NOM 1.0 (MAX 1.2): another limit of the same length
  const outside = [...body.slice(0, open), ...body.slice(close + 1)];
  const [own, other] = [outside, inside].map((tokens) =>
    tokens.flatMap((token) => (token.kind === 'qualifier' ? [token.qualifier] : [])),
  ) as [string[], string[]];
  if (own.length > 0 && other.length > 0 && !other.some((word) => own.includes(word)))
    return { body: [...body.slice(0, open), ...inside, ...body.slice(close + 1)], beside: null };
  return { body: [...body.slice(0, open), ...body.slice(close + 1)], beside: inside };
}
