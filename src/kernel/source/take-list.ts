import { readPartList, type ListAsked, type ReadList } from '../../core/lists/list';
import { gridOfTexts, type Grid } from '../../core/source/grid';
import { unpackZip } from '../../core/format/unpack';
import { formatNumber } from '../../core/units/length';
import { fail, ok, type Result } from '../../core/units/result';

/** Most that a workbook may unpack to, and sheets, rows and columns of it that are read. */
const MOST_BYTES = 80_000_000;
const MOST_ROWS = 20_000;
const MOST_COLUMNS = 80;

/** Whether bytes are a workbook: a ZIP. */
export const isWorkbook = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** The sheets of a workbook (XLSX) as grids; merged and empty cells are as they are. */
export async function gridsOfWorkbook(bytes: Uint8Array, name: string): Promise<Result<Grid[], string>> {
  // what it unpacks to is known before it is unpacked
  const held = unpackZip(bytes, { isWanted: () => true, most: MOST_BYTES });
  if (!held.ok) return fail(`${name}: ${held.error}.`);
  if (held.value.damaged.length > 0)
    return fail(`${name} is damaged: ${held.value.damaged.slice(0, 3).join(', ')}.`);
  if (!Object.keys(held.value.files).some((path) => path.startsWith('xl/')))
    return fail(`${name} is a ZIP and no workbook.`);
  try {
    const { default: readWorkbook } = await import('read-excel-file/universal');
    const copy = bytes.slice().buffer;
    const sheets = await readWorkbook(copy);
    return ok(
      sheets.map(({ data }) => {
        const texts = data.slice(0, MOST_ROWS).map((row) => row.slice(0, MOST_COLUMNS).map(cellText));
        const single = texts.filter((row) => row.filter((cell) => cell !== '').length === 1);
        return gridOfTexts(
          texts.filter((row) => row.some((cell) => cell !== '')),
          single.flat().join(' '),
        );
      }),
    );
  } catch (error) {
    return fail(`${name} cannot be read as a workbook: ${(error as Error).message.slice(0, 150)}`);
  }
}

/** A cell as a datasheet would print it: numbers without the noise of binary fractions. */
function cellText(cell: unknown): string {
  if (cell === null || cell === undefined) return '';
  if (typeof cell === 'number') return formatNumber(Math.round(cell * 1e6) / 1e6, 0, 6).replace('−', '-');
  if (cell instanceof Date) return cell.toISOString().slice(0, 10);
  return String(cell).replace(/\s+/g, ' ').trim();
}

/** The list that the grids of a file hold: the one with most rows. */
export function listOf(grids: readonly Grid[], asked: ListAsked): Result<ReadList, string> {
  const lists = grids.flatMap((grid) => {
    const list = readPartList(grid, asked);
    return list ? [list] : [];
  });
  const [best] = lists.sort((a, b) => b.rows.length - a.rows.length);
  if (!best)
    return fail(
      `${asked.source} has no list: a row of heads is expected, with letters or names of dimensions, and a row below it for each part.`,
    );
  return ok(best);
}
