import { billOf, type Bill } from '../../core/lists/bill';
import { listWithoutHeads, type ListAsked, type ReadList } from '../../core/lists/list';
import { listOfSheets, sheetRow } from '../../core/lists/sheets';
import { cellAt, gridOfTexts, type Grid } from '../../core/source/grid';
import { gridsOfHtml } from '../../core/source/html';
import { gridsOfWords } from '../../core/source/layout';
import type { Word } from '../../core/source/page';
import { gridsOfText } from '../../core/source/text';
import { fail, ok, type Result } from '../../core/units/result';
import { documentName } from '../../kernel/source/names';
import { gridsOfWorkbook, isWorkbook, listOf } from '../../kernel/source/take-list';

/** The words of a page of a datasheet. */
export interface SheetPage {
  readonly page: number;
  readonly words: readonly Word[];
  readonly isScan: boolean;
}

/** A datasheet whose pages were read: words of its pages, or its text. */
export interface SheetFile {
  readonly name: string;
  /** Key of the file, where it is kept. */
  readonly key: string;
  readonly count: number;
  readonly pages: readonly SheetPage[];
  readonly text?: string;
  readonly refused?: string;
}

/** A list that is to be read: a file, a pasted text, its cells as they were mended, or several datasheets. */
export interface ListRequest {
  readonly input:
    | { readonly kind: 'file'; readonly bytes: Uint8Array; readonly name: string }
    | { readonly kind: 'text'; readonly text: string; readonly html: string }
    | { readonly kind: 'cells'; readonly cells: readonly (readonly string[])[]; readonly context: string }
    | { readonly kind: 'pages'; readonly name: string; readonly pages: readonly SheetPage[] }
    | { readonly kind: 'sheets'; readonly sheets: readonly SheetFile[] };
  readonly asked: ListAsked;
}

/** A list, or a bill of materials, with its cells, which a person may mend. */
export interface ListAnswer {
  readonly list: ReadList | null;
  readonly bill: Bill | null;
  readonly cells: readonly (readonly string[])[];
  readonly context: string;
}

/** Reads a list of parts: understands its columns and makes a document of each row. */
export async function readList({ input, asked }: ListRequest): Promise<Result<ListAnswer, string>> {
  if (input.kind === 'sheets') return ok(listOfFiles(input.sheets, asked));
  const grids = await gridsOf(input);
  if (!grids.ok) return grids;
  const read = grids.value.flatMap((grid) => {
    const list = listOf([grid], asked);
    return list.ok ? [{ list: list.value, grid }] : [];
  });
  const [best] = read.sort((a, b) => b.list.rows.length - a.list.rows.length);
  if (best) return ok({ list: best.list, bill: null, ...cellsOf(best.grid) });
  const bill = billOf(grids.value, textOf(input), asked.roles);
  if (bill) return ok({ list: null, bill: bill.bill, ...cellsOf(bill.grid) });
  for (const grid of grids.value) {
    const list = listWithoutHeads(grid);
    if (list) return ok({ list, bill: null, ...cellsOf(grid) });
  }
  return listOf([], asked) as Result<never, string>;
}

function listOfFiles(sheets: readonly SheetFile[], { family, unit }: ListAsked): ListAnswer {
  const ask = { ...(family === undefined ? {} : { family }), ...(unit ? { unit } : {}) };
  const rows = sheets.map(({ name, key, count, pages, text, refused }, i) => {
    const candidates =
      text === undefined
        ? pages.map(({ page, words, isScan }) => ({ page, grids: gridsOfWords(words), isScan }))
        : [{ page: 1, grids: /<table/i.test(text) ? gridsOfHtml(text) : gridsOfText(text), isScan: false }];
    const source = { name: name.slice(0, 200), key, pages: count };
    const sheet = { name, candidates, source, ...(refused === undefined ? {} : { refused }) };
    return sheetRow(sheet, i + 1, ask, documentName);
  });
  return { list: listOfSheets(rows), bill: null, cells: [], context: '' };
}

function cellsOf({ rows, columns, context }: Grid): Pick<ListAnswer, 'cells' | 'context'> {
  const cells = rows.map((row) =>
    Array.from({ length: columns }, (_, i) => {
      const cell = cellAt(row, i);
      return cell && cell.column === i ? cell.text : '';
    }),
  );
  return { cells, context };
}

type OneList = Exclude<ListRequest['input'], { readonly kind: 'sheets' }>;

/** The text that an input is, where it is one. */
function textOf(input: OneList): string | null {
  if (input.kind === 'text') return input.text;
  if (input.kind !== 'file' || isWorkbook(input.bytes)) return null;
  const text = new TextDecoder().decode(input.bytes);
  return /<(!doctype html|html|table)\b/i.test(text) ? null : text;
}

async function gridsOf(input: OneList): Promise<Result<readonly Grid[], string>> {
  switch (input.kind) {
    case 'cells':
      return ok([gridOfTexts(input.cells, input.context)]);
    case 'pages':
      return ok(input.pages.flatMap(({ words }) => gridsOfWords(words)));
    case 'text': {
      const ofHtml = input.html === '' ? [] : gridsOfHtml(input.html);
      return ok(ofHtml.length > 0 ? ofHtml : gridsOfText(input.text));
    }
    case 'file': {
      const { bytes, name } = input;
      if (isWorkbook(bytes)) return gridsOfWorkbook(bytes, name);
      const text = new TextDecoder().decode(bytes);
      if (bytes.includes(0)) return fail(`${name} is no text and no workbook.`);
      return ok(/<(!doctype html|html|table)\b/i.test(text) ? gridsOfHtml(text) : gridsOfText(text));
    }
  }
}
