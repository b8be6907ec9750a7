import { PARTS } from './parts';
import { STYLES, type PrintTable, type StyleName } from './styles';

/** One made-up page: a part in a maker's style. */
export interface MadeSheet {
  readonly name: string;
  readonly family: string;
  readonly style: StyleName;
  readonly table: PrintTable;
  /** Held apart from what the reader is tuned on. */
  readonly isApart: boolean;
}

/** Every part in three or four of the ten styles, every style with several parts. */
export const SHEETS: readonly MadeSheet[] = PARTS.flatMap((part, i) => {
  const styles = Object.keys(STYLES) as StyleName[];
  return [0, 3, 7, 8].map((step, k): MadeSheet => {
    const style = styles[(i + step) % styles.length] as StyleName;
    return {
      name: `${part.family}-${style}`,
      family: part.family,
      style,
      table: STYLES[style](part),
      isApart: (i + k) % 2 === 1,
    };
  });
});
