import { cellAt, type Grid } from './grid';

const HEADS =
  /^(pin|ball|terminal|land|pad)?[\s#.]*(no|nr|num|number|nummer|name|symbol|signal|mnemonic|function|description|type|i\/?o|dir(ection)?)?\.?$/i;

/** Tables among some grids that look like lists of pins, as text that pins are read from. */
export function pinTexts(grids: readonly Grid[]): string[] {
  return grids.flatMap((grid) => {
    const isHead = (cells: readonly string[]) => {
      const known = cells.filter((cell) => cell !== '' && HEADS.test(cell));
      return known.length >= 2 && known.some((cell) => /pin|ball|terminal|signal|name/i.test(cell));
    };
    const rows = grid.rows.map((row) =>
      Array.from({ length: grid.columns }, (_, column) => {
        const cell = cellAt(row, column);
        return cell && cell.column === column ? cell.text.replaceAll('\t', ' ') : '';
      }),
    );
    const head = rows.findIndex(isHead);
    if (head < 0 || rows.length - head < 3) return [];
    return [
      rows
        .slice(head)
        .map((row) => row.join('\t'))
        .join('\n'),
    ];
  });
}
