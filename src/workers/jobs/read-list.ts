import type { ListAsked, ReadList } from '../../core/lists/list';
import { gridsOfHtml } from '../../core/source/html';
import { cellAt, gridOfTexts, type Grid } from '../../core/source/grid';
import { gridsOfText } from '../../core/source/text';
import { fail, ok, type Result } from '../../core/units/result';
import { gridsOfWorkbook, isWorkbook, listOf } from '../../kernel/source/take-list';

/** A list that is to be read: a file, a pasted text, or its cells as they were mended. */
export interface ListRequest {
  readonly input:
    | { readonly kind: 'file'; readonly bytes: Uint8Array; readonly name: string }
    | { readonly kind: 'text'; readonly text: string; readonly html: string }
    | { readonly kind: 'cells'; readonly cells: readonly (readonly string[])[]; readonly context: string };
  readonly asked: ListAsked;
}

/** A list with its cells, which a person may mend. */
export interface ListAnswer {
  readonly list: ReadList;
  readonly cells: readonly (readonly string[])[];
  readonly context: string;
}

/** Reads a list of parts: understands its columns and makes a document of each row. */
export async function readList({ input, asked }: ListRequest): Promise<Result<ListAnswer, string>> {
  const grids = await gridsOf(input);
  if (!grids.ok) return grids;
  const read = grids.value.flatMap((grid) => {
    const list = listOf([grid], asked);
    return list.ok ? [{ list: list.value, grid }] : [];
  });
  const [best] = read.sort((a, b) => b.list.rows.length - a.list.rows.length);
  if (!best) return listOf([], asked) as Result<never, string>;
  const { rows, columns, context } = best.grid;
  const cells = rows.map((row) =>
    Array.from({ length: columns }, (_, i) => {
      const cell = cellAt(row, i);
      return cell && cell.column === i ? cell.text : '';
    }),
  );
  return ok({ list: best.list, cells, context });
}

async function gridsOf(input: ListRequest['input']): Promise<Result<readonly Grid[], string>> {
  switch (input.kind) {
    case 'cells':
      return ok([gridOfTexts(input.cells, input.context)]);
    case 'text': {
      const ofHtml = input.html === '' ? [] : gridsOfHtml(input.html);
      return ok(ofHtml.length > 0 ? ofHtml : gridsOfText(input.text));
    }
    case 'file': {
      const { bytes, name } = input;
      if (isWorkbook(bytes)) return gridsOfWorkbook(bytes, name);
      const text = new TextDecoder().decode(bytes);
      if (text.includes('%PDF-')) return fail(`${name} is a PDF: read it as a datasheet on the Bench.`);
      if (bytes.includes(0)) return fail(`${name} is no text and no workbook.`);
      return ok(/<(!doctype html|html|table)\b/i.test(text) ? gridsOfHtml(text) : gridsOfText(text));
    }
  }
}
