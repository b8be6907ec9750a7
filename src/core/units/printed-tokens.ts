import type { NumberToken, Token } from './entry-tokens';

const CODES: Readonly<Record<string, string>> = {
  max: 'M',
  min: 'm',
  typical: 't',
  reference: 'r',
  exact: 'x',
  to: '~',
  '÷': '~',
  '..': ':',
  ':': '?',
};

/** One letter or sign a token: N a number, M max, m min, t typical, r reference, x exact. */
export function signatureOf(tokens: readonly Token[]): string {
  return tokens
    .map((token) => {
      if (token.kind === 'number') return 'N';
      if (token.kind === 'qualifier') return CODES[token.qualifier] ?? '?';
      return token.kind === 'sign' ? (CODES[token.sign] ?? token.sign) : '?';
    })
    .join('');
}

/** A number without decimals and unit, as one counts. */
export function isWhole(token: Token | undefined): token is NumberToken {
  return (
    token?.kind === 'number' &&
    token.decimals === null &&
    token.unit === null &&
    Number.isInteger(token.value)
  );
}

/** Whether a token is one of some signs. */
export function isSign(token: Token | undefined, ...signs: readonly string[]): boolean {
  return token?.kind === 'sign' && signs.includes(token.sign);
}

/** Tokens as they were typed. */
export function shown(tokens: readonly Token[]): string {
  return tokens.map(({ text, gap }, i) => (gap && i > 0 ? ` ${text}` : text)).join('');
}
