import type { Contour } from '../../core/geometry/contour';

/**
 * The outline of a board that a DXF file has: its largest closed one, in the notation of a trial.
 * @returns it, and what of the drawing was left out, in words
 */
export async function outlineOfFile(
  file: File,
): Promise<{ readonly text: string; readonly left: readonly string[] }> {
  const { readOutlines } = await import('../../core/format/dxf/outlines');
  const read = readOutlines(await file.text());
  if (!read.ok) throw new Error(`“${file.name}” cannot be read: ${read.error}`);
  const [largest, ...others] = read.value.outlines;
  if (!largest) throw new Error(`“${file.name}” has no closed outline; draw the board’s edge as one`);
  const more =
    others.length === 0
      ? []
      : [others.length === 1 ? '1 smaller outline' : `${others.length} smaller outlines`];
  return { text: outlineText(largest.contour), left: [...more, ...read.value.left] };
}

const number = (value: number): string => String(Math.round(value * 1e6) / 1e6 + 0);

function outlineText(outline: Contour): string {
  const { x: x0, y: y0 } = {
    x: Math.min(...outline.map(({ x }) => x)),
    y: Math.min(...outline.map(({ y }) => y)),
  };
  return `${outline
    .map(({ x, y, bulge }) => [x - x0, y - y0, ...(bulge ? [bulge] : [])].map(number).join(','))
    .join(' ')} mm`;
}
