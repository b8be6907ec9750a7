import type { SheetUnit } from '../../core/document/document';
import { pointAt } from '../../core/source/drawn/frame';
import type { Dimension } from '../../core/source/drawn/dimensions';
import { drawnPage } from '../../core/source/drawn/page';
import { drawnPatterns, type DrawnPattern } from '../../core/source/drawn/pattern';
import { drawnOutline, type DrawnOutline } from '../../core/source/drawn/table';
import type { Shape } from '../../core/source/drawn/strokes';
import type { Ink } from '../../core/source/ink';
import type { Area, SourcePage } from '../../core/source/page';

/** A page with what is drawn on it. */
export interface DrawingAsk {
  readonly page: SourcePage;
  readonly ink: Ink;
  /** Of plain numbers, where the page says none. */
  readonly unit?: SheetUnit;
  readonly name: string;
}

/** A dimension traced over the page: its line and the lines that lead to the thing, and its number. */
export interface Trace {
  readonly d: string;
  readonly area: Area;
  readonly printed: string;
}

/** What the drawing of a page says. */
export interface DrawingAnswer {
  readonly outline: DrawnOutline;
  readonly patterns: readonly DrawnPattern[];
  readonly traces: readonly Trace[];
  /** Outlines of the lands of each pattern. */
  readonly lands: readonly string[];
  /** What of the page was not read, in a sentence; empty where all was. */
  readonly cut: string;
}

/** Reads the drawing of a page. */
export function readDrawing({ page, ink, unit, name }: DrawingAsk): DrawingAnswer {
  const asked = unit === undefined ? {} : { unit };
  const drawn = drawnPage(page, ink, asked);
  const patterns = drawnPatterns(page, drawn, { name });
  return {
    outline: drawnOutline(page, drawn, patterns),
    patterns,
    traces: drawn.dimensions.map(traceOf),
    lands: patterns.map(({ things }) =>
      things
        .filter(({ role }) => role === 'land')
        .map(({ shape }) => outlineOf(shape))
        .join(''),
    ),
    cut: ink.cut ?? '',
  };
}

function traceOf({ feet, frame, v, label }: Dimension): Trace {
  const at = (u: number, across: number) => {
    const { x, y } = pointAt(frame, u, across);
    return `${x.toFixed(1)} ${y.toFixed(1)}`;
  };
  const [a, b] = feet;
  const leads = feet.map((foot) => `M${at(foot.u, v)}L${at(foot.u, foot.v1)}`).join('');
  return { d: `M${at(a.u, v)}L${at(b.u, v)}${leads}`, area: label.area, printed: label.printed };
}

const outlineOf = ({ corners }: Shape): string =>
  `M${corners.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`;
