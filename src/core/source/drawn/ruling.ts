import { areaRound, type Area } from '../page';
import { runsOf, type Run } from './runs';
import type { Shape, Stroke } from './strokes';

// Tables have lines too: several that run side by side over the same length, and others across them. Nothing in them
// measures.

/** Lines side by side that make a table, and lines across them. */
const LEAST_LINES = 3;
const LEAST_BARS = 2;
/** Boxes that stand together as cells. */
const LEAST_CELLS = 6;

/** The areas of ruled tables: of lines across each other, or of cells that touch. */
export function tablesRuled(strokes: readonly Stroke[], shapes: readonly Shape[]): Area[] {
  const { level, upright } = runsOf(strokes);
  const [lines, bars] = [joined(level), joined(upright)];
  const ruled = abreast(lines).flatMap((group): Area[] => {
    const [x0, x1] = [Math.min(...group.map(({ from }) => from)), Math.max(...group.map(({ to }) => to))];
    const [y0, y1] = [Math.min(...group.map(({ at }) => at)), Math.max(...group.map(({ at }) => at))];
    // the lines across go from the first to the last, or between two of them
    const across = bars.filter(
      ({ at, from, to }) =>
        at > x0 - 1 &&
        at < x1 + 1 &&
        from > y0 - 1.5 &&
        to < y1 + 1.5 &&
        group.some((line) => Math.abs(line.at - from) < 1.5) &&
        group.some((line) => Math.abs(line.at - to) < 1.5),
    );
    // between each line and the next there are lines across: what has gaps are shapes over each other
    const heights = group.map(({ at }) => at).sort((a, b) => a - b);
    const isWhole = heights.slice(1).every((below, i) => {
      const middle = (below + (heights[i] ?? below)) / 2;
      return across.filter(({ from, to }) => from < middle && to > middle).length >= LEAST_BARS;
    });
    return across.length >= LEAST_BARS && isWhole ? [{ x0, x1, y0, y1 }] : [];
  });
  return [...ruled, ...ofCells(shapes)];
}

/** Runs on one line that touch, as one. */
function joined(runs: readonly Run[]): Run[] {
  const out: Run[] = [];
  for (const run of [...runs].sort((a, b) => a.at - b.at || a.from - b.from)) {
    // only what lies on its line can touch it, and that came last
    let i = out.length - 1;
    while (i >= 0 && run.at - (out[i] as Run).at < ON_LINE && !touches(out[i] as Run, run)) i -= 1;
    const last = out[i];
    if (last && run.at - last.at < ON_LINE)
      out[i] = { ...last, from: Math.min(last.from, run.from), to: Math.max(last.to, run.to) };
    else out.push(run);
  }
  return out;
}

const ON_LINE = 0.4;

const touches = (a: Run, b: Run): boolean => b.from <= a.to + 0.6 && b.to >= a.from - 0.6;

/** Lines of one length over each other. */
function abreast(lines: readonly Run[]): Run[][] {
  const groups = new Map<string, Run[]>();
  for (const line of lines) {
    if (line.to - line.from < 20) continue;
    const key = `${Math.round(line.from / 2)} ${Math.round(line.to / 2)}`;
    groups.set(key, [...(groups.get(key) ?? []), line]);
  }
  return [...groups.values()].filter((group) => group.length >= LEAST_LINES);
}

/** Boxes that touch each other in rows and columns. */
function ofCells(shapes: readonly Shape[]): Area[] {
  const boxes = shapes.filter(
    ({ kind, fill, outline }) => kind === 'box' && outline > 0 && (fill === null || fill === 'paper'),
  );
  const rows = new Map<string, Shape[]>();
  for (const box of boxes) {
    const key = `${Math.round(box.area.y0)} ${Math.round(box.area.y1)}`;
    rows.set(key, [...(rows.get(key) ?? []), box]);
  }
  const touching = [...rows.values()].filter((row) => {
    const inOrder = [...row].sort((a, b) => a.area.x0 - b.area.x0);
    return (
      row.length > 1 &&
      inOrder.slice(1).every((box, i) => Math.abs(box.area.x0 - (inOrder[i]?.area.x1 ?? 0)) < 1)
    );
  });
  const cells = touching.flat();
  const area = areaRound(cells.map((cell) => cell.area));
  return cells.length >= LEAST_CELLS && touching.length > 2 && area ? [area] : [];
}

/** Whether something lies in one of some areas. */
export function liesIn({ x0, y0, x1, y1 }: Area, areas: readonly Area[]): boolean {
  const [x, y] = [(x0 + x1) / 2, (y0 + y1) / 2];
  return areas.some((area) => x > area.x0 - 1 && x < area.x1 + 1 && y > area.y0 - 1 && y < area.y1 + 1);
}
