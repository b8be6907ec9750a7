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

/** The words of the page before one and of the page behind it; none where there is no such page. */
export interface Beside {
  readonly before: readonly Word[];
  readonly after: readonly Word[];
}

/** What is to be read. */
export type TableInput =
  | { readonly kind: 'pasted'; readonly text: string; readonly html: string }
  | {
      readonly kind: 'words';
      readonly words: readonly Word[];
      readonly isScan: boolean;
      /** The page that they stand on, and what stands on those beside it, which its table may go over. */
      readonly page?: number;
      readonly beside?: Beside;
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

/** The tables of a page as they stand, and with what they go on with on the page before or behind it. */
function waysOf(input: TableInput, grids: readonly Grid[]): (readonly Grid[])[] {
  if (input.kind !== 'words' || input.page === undefined || !input.beside) return [grids];
  const { page, beside } = input;
  const own = { page, grids };
  const [before, after] = [
    { page: page - 1, grids: gridsOfWords(beside.before) },
    { page: page + 1, grids: gridsOfWords(beside.after) },
  ];
  return [grids, continued(own, after), continued(before, own, page)].filter((one) => one !== null);
}

/** Reads a table or the words of a page; with what it goes on with on the page beside it where that reads better. */
export function readTable(ask: TableAsk): TableAnswer {
  const [first, ...others] = waysOf(ask.input, gridsOf(ask.input)).map((grids) => readGrids(ask, grids));
  const score = ({ reading }: TableAnswer) => reading?.score ?? -Infinity;
  return others.reduce((best, one) => (score(one) > score(best) ? one : best), first as TableAnswer);
}

function readGrids({ input, family, letters, ...asked }: TableAsk, grids: readonly Grid[]): TableAnswer {
  const isScan = input.kind === 'words' && input.isScan;
  const drawing = input.kind === 'words' ? input.drawing : undefined;
  const tables = tablesOn({ grids, isScan, ...(drawing ? { drawing } : {}) });
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
