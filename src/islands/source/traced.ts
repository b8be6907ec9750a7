import type { TapisDocument } from '../../core/document/document';
import { writtenEntry } from '../../core/document/entries';
import type { DrawnOutline } from '../../core/source/drawn/table';
import { wordsIn, type Area } from '../../core/source/page';
import { formatNumber } from '../../core/units/length';
import type { DrawingAnswer } from '../../workers/jobs/read-drawing';
import type { SourceWish } from '../state/bench-view';
import type { Chosen } from './chosen';
import type { Mark, Traced } from './PageView';

// What is marked and traced over a page of the datasheet.

/** The numbers of a drawing that stand in a box. */
export function within(outline: DrawnOutline, box: Area): DrawnOutline {
  const { table } = outline;
  if (!table) return outline;
  const rows = table.rows.filter(
    ({ area }) => area !== null && wordsIn([{ text: '', sure: 1, area }], box).length > 0,
  );
  return { ...outline, table: rows.length > 0 ? { ...table, rows } : null };
}

/** What is traced over the page. */
export function tracedOf({ traces, lands, patterns }: DrawingAnswer): Traced {
  return {
    dimensions: traces,
    lands,
    scales: patterns.flatMap(({ area, scale }) =>
      scale === null
        ? []
        : [{ x: area.x0, y: area.y1 + 9, text: `${formatNumber((scale * 25.4) / 72, 0, 1)} : 1` }],
    ),
  };
}

/** Where the chosen readings stand on the page. */
export function marksOf(chosen: readonly Chosen[], seen: ((area: Area) => Area) | undefined): Mark[] {
  return chosen.flatMap(({ read, options, option, isTaken }) => {
    const area = options[option]?.area;
    if (!area || !isTaken || area.page !== undefined) return [];
    return [
      {
        symbol: read.symbol,
        area: seen ? seen(area) : area,
        isDoubtful: option === 0 && read.standing === 'doubtful',
      },
    ];
  });
}

/** Where the document's own dimensions were read on a page. */
export function keptMarks(document: TapisDocument, wish: SourceWish, page: number): Mark[] {
  if (wish.kind !== 'kept') return [];
  return Object.entries(document.package.dimensions).flatMap(([symbol, entry]): Mark[] => {
    const { from } = writtenEntry(entry);
    if (!from?.box || from.source !== wish.id || from.page !== page) return [];
    const [x0, y0, x1, y1] = from.box;
    return [{ symbol, area: { x0, y0, x1, y1 }, isDoubtful: from.unconfirmed ?? false }];
  });
}
