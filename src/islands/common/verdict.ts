import type { Facts } from '../../core/library/facts';

/** The sign, the words and the colour of what checking came to. */
export const VERDICTS: Readonly<
  Record<Facts['verdict'], { readonly sign: string; readonly words: string; readonly colour: string }>
> = {
  stop: { sign: '●', words: 'stop', colour: 'text-error' },
  caution: { sign: '▲', words: 'caution', colour: 'text-warning' },
  note: { sign: '■', words: 'holds, with notes', colour: 'text-info' },
  clear: { sign: '✓', words: 'holds', colour: 'text-success' },
};
