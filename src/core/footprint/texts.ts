import type { ChoicesRead } from '../document/intent';
import { boxAt, boxOfPoints, boxRound, centreOf, type Box } from '../geometry/box';
import { turn, type Point } from '../geometry/point';
import type { Process } from '../process/process';
import { quantise } from '../units/length';
import type { TextMark } from './footprint';
import { strokeText } from './stroke-font';

/** What stands for a reference that nobody gave. */
export const NO_REFERENCE = 'REF';

const USUAL = {
  reference: { text: NO_REFERENCE, place: 'above' },
  value: { text: 'VALUE', place: 'below' },
} as const;

/** Reference and value of the legend where the document wants them; above and below the courtyard by themselves. */
export function placeTexts(
  courtyard: Box,
  body: Box,
  process: Process,
  marks: ChoicesRead['marks'],
): TextMark[] {
  return (['reference', 'value'] as const).flatMap((role): TextMark[] => {
    const usual = USUAL[role];
    const chosen = marks.texts[role];
    if (chosen.shown === false) return [];
    const text = marks[role] ?? usual.text;
    const isPlaceholder = (marks[role] ?? '') === '';
    const height = chosen.height ?? process.textHeight;
    const rotation = chosen.rotation ?? 0;
    const drawn = strokeText(text, height);
    const size = rotation % 180 === 0 ? drawn : { width: drawn.height, height: drawn.width };
    const place = chosen.place ?? usual.place;
    const point: Point =
      place === 'point'
        ? { x: chosen.x ?? 0, y: chosen.y ?? 0 }
        : beside(place, courtyard, body, size, height / 2);
    const middle = { x: quantise(point.x), y: quantise(point.y) };
    const lines = drawn.lines.map((line) =>
      line.map((p) => {
        const { x, y } = rotation === 0 ? p : turn(p, rotation);
        return { x: quantise(middle.x + x), y: quantise(middle.y + y) };
      }),
    );
    const box =
      boxRound(lines.flatMap((line) => boxOfPoints(line) ?? [])) ?? boxAt(middle, size.width, size.height);
    return [
      { role, text, isPlaceholder, at: middle, height, rotation, lines, stroke: process.textStroke, box },
    ];
  });
}

function beside(
  place: 'above' | 'below' | 'left' | 'right' | 'centre',
  courtyard: Box,
  body: Box,
  { width, height }: { readonly width: number; readonly height: number },
  gap: number,
): Point {
  const { x, y } = centreOf(courtyard);
  switch (place) {
    case 'above':
      return { x, y: courtyard.maxY + gap + height / 2 };
    case 'below':
      return { x, y: courtyard.minY - gap - height / 2 };
    case 'left':
      return { x: courtyard.minX - gap - width / 2, y };
    case 'right':
      return { x: courtyard.maxX + gap + width / 2, y };
    case 'centre':
      return centreOf(body);
  }
}
