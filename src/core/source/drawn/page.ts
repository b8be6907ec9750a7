import type { SheetUnit } from '../../document/document';
import type { Ink } from '../ink';
import type { Point } from '../../geometry/point';
import type { Area, SourcePage } from '../page';
import { boxesOf } from './boxes';
import { dimensionsOf, type Dimension } from './dimensions';
import { endsOf, type End } from './ends';
import { withoutHatching } from './hatching';
import { labelsOf, stacked, unitOfPairs, type Label } from './labels';
import { liesIn, tablesRuled } from './ruling';
import { strokesOf, type Shape, type Stroke } from './strokes';
import { oneMeaning, UNIT_WORDS } from '../../words';
import { unitSaid } from '../words';
import { textsOf, type DrawnText } from './texts';

// A page of a drawing, looked at: what its texts say, and what its lines and shapes are.

/** A page as it was understood. */
export interface DrawnPage {
  readonly texts: readonly DrawnText[];
  readonly labels: readonly Label[];
  readonly strokes: readonly Stroke[];
  readonly shapes: readonly Shape[];
  readonly ends: readonly End[];
  readonly dimensions: readonly Dimension[];
  /** Labels that stand at no dimension line. */
  readonly loose: readonly Label[];
  readonly unit: SheetUnit;
  readonly doubts: readonly string[];
}

/** Looks at a page: its texts, lines, shapes and dimensions. */
export function drawnPage(
  page: SourcePage,
  ink: Ink,
  asked: { readonly unit?: SheetUnit | undefined } = {},
): DrawnPage {
  const texts = textsOf(page.words);
  const whole = stacked(texts);
  // what numbers say of their unit goes before what words do
  const said = unitOfPairs(whole) ?? unitNamed(texts);
  const unit = asked.unit ?? said ?? 'mm';
  const labels = labelsOf(whole, unit);
  const found = strokesOf(ink);
  const outlined = [...found.shapes, ...boxesOf(found.strokes)];
  const hatched = withoutHatching(outlined, found.strokes);
  // what stands in a ruled table measures nothing
  const tables = tablesRuled(hatched.strokes, hatched.shapes);
  const strokes = hatched.strokes.filter(({ a, b }) => !liesIn(areaBetween(a, b), tables));
  const shapes = hatched.shapes.filter(({ area, fill }) => isFilled(fill) || !liesIn(area, tables));
  const ends = endsOf(shapes, strokes);
  const { dimensions, loose } = dimensionsOf(
    strokes,
    ends,
    labels.filter(({ area }) => !liesIn(area, tables)),
  );
  const isSaid =
    asked.unit !== undefined || said !== null || labels.some(({ printed }) => /mm|\[|"/.test(printed));
  return {
    texts,
    labels,
    strokes,
    shapes,
    ends,
    dimensions,
    loose,
    unit,
    doubts: isSaid ? [] : [`The page names no unit: ${unit} is taken.`],
  };
}

const isFilled = (fill: Shape['fill']) => fill !== null && fill !== 'paper';

const areaBetween = (a: Point, b: Point): Area => ({
  x0: Math.min(a.x, b.x),
  x1: Math.max(a.x, b.x),
  y0: Math.min(a.y, b.y),
  y1: Math.max(a.y, b.y),
});

/** Two words, the second in brackets or behind a stroke, and what stands before them. */
const PAIRED = /(?:(\p{L}+)[ \t]+)?(\p{L}+)\.?\s*[[(/]\s*(\p{L}+)/gu;

/** The unit that a note of the page names for its numbers; `null` where none or both are named. */
function unitNamed(texts: readonly DrawnText[]): SheetUnit | null {
  const all = texts.map(({ text }) => text).join('\n');
  for (const [, before, one = '', other = ''] of all.matchAll(PAIRED)) {
    // “dimensions in (mm)”: “in” is a word of the language there
    const first = before !== undefined && one.toLowerCase() === 'in' ? null : oneMeaning(UNIT_WORDS, one);
    const second = oneMeaning(UNIT_WORDS, other);
    if (first && second && first !== second) return first;
  }
  return unitSaid(all);
}
