import { continued } from '../../core/source/continued';
import { guessFamilies } from '../../core/source/family';
import type { Grid } from '../../core/source/grid';
import { gridsOfHtml } from '../../core/source/html';
import { gridsOfWords } from '../../core/source/layout';
import type { Word } from '../../core/source/page';
import { readPattern, type ReadPattern } from '../../core/source/pattern';
import { pinTexts } from '../../core/source/pins';
import { readDimensions, tablesOf, type Asked, type SourceReading } from '../../core/source/reading';
import { tablesOn } from '../../core/source/best-page';
import type { DrawnOutline } from '../../core/source/drawn/table';
import { kindById } from '../../core/source/kinds';
import { gridsOfText } from '../../core/source/text';

/** What is to be read. */
export type TableInput =
  | { readonly kind: 'pasted'; readonly text: string; readonly html: string }
  | {
      readonly kind: 'words';
      readonly words: readonly Word[];
      readonly isScan: boolean;
      /** The page that they stand on, and what stands on the one behind it, where a table may go on. */
      readonly page?: number;
      readonly following?: readonly Word[];
      /** What is drawn on the page beside them. */
      readonly drawing?: DrawnOutline;
    };

export interface TableAsk extends Omit<Asked, 'kind' | 'isScan' | 'habit'> {
  readonly input: TableInput;
  /** Id of the family; guessed where it is `null`. */
  readonly family: string | null;
  /** What letters meant last time, by family. */
  readonly letters: Readonly<Record<string, Asked['habit'] & object>>;
}

/** A family that the table may be of. */
export interface Guess {
  readonly id: string;
  readonly title: string;
  readonly score: number;
  readonly reasons: readonly string[];
}

/** All that was found in a table or on a page. */
export interface TableAnswer {
  /** `null` where nothing of the family was found. */
  readonly reading: SourceReading | null;
  /** The best few families; empty where one was asked for. */
  readonly guesses: readonly Guess[];
  readonly pattern: ReadPattern | null;
  /** Lists of pins, as text. */
  readonly pins: readonly string[];
  /** Tables of dimensions that were found. */
  readonly tables: number;
}

function gridsOf(input: TableInput): Grid[] {
  if (input.kind === 'words') return gridsOfWords(input.words);
  const ofHtml = /<table/i.test(input.html) ? gridsOfHtml(input.html) : [];
  return tablesOf(ofHtml).length > 0 || pinTexts(ofHtml).length > 0 ? ofHtml : gridsOfText(input.text);
}

/** The table that goes on from one page to the next. */
function goingOn(input: TableInput, grids: readonly Grid[]): Grid | null {
  if (input.kind !== 'words' || input.page === undefined || !input.following) return null;
  const { page, following } = input;
  return continued({ page, grids }, { page: page + 1, grids: gridsOfWords(following) });
}

/** Reads a table or the words of a page. */
export function readTable({ input, family, letters, ...asked }: TableAsk): TableAnswer {
  const isScan = input.kind === 'words' && input.isScan;
  const grids = gridsOf(input);
  const whole = goingOn(input, grids);
  const drawing = input.kind === 'words' ? input.drawing : undefined;
  const tables = tablesOn({ grids: whole ? [whole] : grids, isScan, ...(drawing ? { drawing } : {}) });
  const guessed = family === null && tables.length > 0 ? guessFamilies(tables, { ...asked, isScan }) : [];
  const kind = kindById(family ?? guessed[0]?.kind.id ?? '');
  const habit = kind ? letters[kind.id] : undefined;
  return {
    reading: kind ? readDimensions(tables, { ...asked, kind, isScan, ...(habit ? { habit } : {}) }) : null,
    guesses: guessed.map(({ kind: { id, title }, score, reasons }) => ({ id, title, score, reasons })),
    pattern: readPattern(tables, asked.size),
    pins: pinTexts(grids),
    tables: tables.length,
  };
}
