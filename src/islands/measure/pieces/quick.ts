import type { PieceIntent } from '../../../core/document/pieces';
import { elementOf } from './fragments';

// A piece in one line, as it is read off a drawing: “row pins 5x 0.6 1.9 left at 9.4 -5.8 from 1 by 2”. The words
// before the first number say which kind; then a count (5x, of an array 5x 3x), the sizes in the order of its
// sentence, a step with its way, how far apart two rows are, where it or its first is (first at 9.4 -5.8), and
// how it is numbered.

/** A line split where its numbers begin. */
export interface Quick {
  readonly words: string;
  readonly tokens: readonly string[];
}

const WAYS = { left: 'left', right: 'right', up: 'up', down: 'down' } as const;
const isWay = (word: string | undefined): word is keyof typeof WAYS =>
  word !== undefined && Object.hasOwn(WAYS, word);
const COUNT = /^(\d{1,4})[x×]$/i;
const NUMBER = /^[-−+]?[.,]?\d/;
/** Words that numbers follow. */
const MARKS = new Set(['at', 'from', 'apart', 'step']);

/** Splits a line into the words that name a kind and what is said of it. */
export function readQuick(line: string): Quick {
  const all = line
    .trim()
    // 1.2x0.6 and 1.2 x 0.6 are two sizes, 5x 0.6 is a count and a size
    .replaceAll(/(\d)(?:[x×]|\s+[x×]\s+)(?=[.,]?\d)/gi, '$1 × ')
    .split(/\s+/)
    .filter(Boolean);
  const at = all.findIndex(
    (token, i) => NUMBER.test(token) || (MARKS.has(token) && i > 0 && NUMBER.test(all[i + 1] ?? '')),
  );
  return at < 0
    ? { words: all.join(' '), tokens: [] }
    : { words: all.slice(0, at).join(' '), tokens: all.slice(at) };
}

/** What a line makes of a kind of piece. */
export interface QuickPiece {
  readonly piece: Omit<PieceIntent, 'id'>;
  /** What of the line belongs nowhere in this kind, as it was typed. */
  readonly left: readonly string[];
}

/** Fills a kind of piece with what a line says of it; nothing is guessed: what has no place is left. */
export function quickPiece(kind: Omit<PieceIntent, 'id'>, tokens: readonly string[]): QuickPiece {
  const piece: Record<string, unknown> = { ...kind };
  const left: string[] = [];
  const sizes = sizesOf(kind);
  const many = kind.as !== undefined && kind.as !== 'single';
  let counts = 0;
  let size = 0;
  for (let i = 0; i < tokens.length; i += 1) {
    const token = tokens[i] as string;
    const next = tokens[i + 1];
    const counted = COUNT.exec(token)?.[1];
    if (token === '×') continue;
    if (counted !== undefined) {
      const field = ['n', ...(kind.as === 'array' ? ['rows'] : [])][counts];
      counts += 1;
      if (many && field) piece[field] = counted;
      else left.push(token);
    } else if ((token === 'first' || token === 'last') && next === 'at' && many) {
      piece['xMine'] = { at: token };
      piece['yMine'] = { at: token };
    } else if (token === 'at' && isNumber(next) && isNumber(tokens[i + 2])) {
      piece['x'] = next;
      piece['y'] = tokens[i + 2];
      i += 2;
    } else if (token === 'from' && next !== undefined) {
      const by = tokens[i + 2] === 'by' && isNumber(tokens[i + 3]) ? tokens[i + 3] : undefined;
      piece['numbers'] = { from: next, ...(by === undefined ? {} : { by }) };
      i += by === undefined ? 1 : 3;
    } else if (token === 'apart' && kind.as === 'facing' && isNumber(next)) {
      piece['apart'] = next;
      i += 1;
    } else if ((isNumber(token) && isWay(next)) || (token === 'step' && isNumber(next))) {
      const [step, way] = token === 'step' ? [next, tokens[i + 2]] : [token, next];
      const said = isWay(way) ? way : undefined;
      if (kind.as === 'row' || (said === undefined && kind.step !== undefined)) {
        piece['step'] = step;
        if (said) piece['towards'] = said;
      } else left.push(...tokens.slice(i, i + (said ? 2 : 1)));
      i += token === 'step' && said ? 2 : 1;
    } else if (isNumber(token) && sizes[size] !== undefined) {
      piece[sizes[size] as string] = token;
      size += 1;
    } else left.push(token);
  }
  return { piece: piece as Omit<PieceIntent, 'id'>, left };
}

const isNumber = (token: string | undefined): token is string => token !== undefined && NUMBER.test(token);

/** The fields of a kind that are its sizes, in the order of its sentence. */
function sizesOf(kind: Omit<PieceIntent, 'id'>): string[] {
  return elementOf(kind).flatMap((part) => ('field' in part && part.as === 'entry' ? [part.field] : []));
}
