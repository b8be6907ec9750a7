import type { Footprint } from '../../footprint/footprint';
import type { Contour } from '../../geometry/contour';
import { bodyShape } from '../../package/drawn';
import { formatNumber } from '../../units/length';
import type { Format, Writable } from '../format';
import { asciiNote, asciiOf } from './ascii';

/** When a file was made; a fixed one, so that one document always gives one file. */
export const IDF_DATE = '1970/01/01.00:00:00';

/**
 * The part's outline and height for a mechanical design (IDF 3.0, component library): the body at maximum
 * material, seen from above, and how high it stands over the board.
 */
export const idf: Format = {
  id: 'idf',
  title: 'IDF outline',
  summary: 'Outline of the largest body and its height over the board, for mechanics (IDF 3.0 library).',
  mediaType: 'text/plain',
  extension: '.emp',
  write: ({ document, footprint }: Writable) =>
    idfLibrary([
      { footprint, name: footprint.standardName, part: document.marks?.value ?? footprint.standardName },
    ]),
};

/** A part of a library: its geometry's name, its own, and its body at the origin. */
export interface LibraryPart {
  readonly name: string;
  readonly part: string;
  readonly footprint: Footprint;
}

/** A component library with its parts. */
export function idfLibrary(parts: readonly LibraryPart[]): string {
  return [
    '.HEADER',
    `LIBRARY_FILE 3.0 "Tapis" ${IDF_DATE} 1`,
    '.END_HEADER',
    ...asciiNote(parts.flatMap(({ name, part }) => [name, part])),
    ...parts.flatMap(({ name, part, footprint: { body, lands } }) => {
      // a part without lands is mechanical for the board that carries it
      const section = lands.length === 0 ? 'MECHANICAL' : 'ELECTRICAL';
      return [
        `.${section}`,
        `${quoted(name)} ${quoted(part)} MM ${number(body.heights.top.max)}`,
        ...loop(bodyShape(body.extent, 'max')),
        `.END_${section}`,
      ];
    }),
    '',
  ].join('\n');
}

/**
 * A closed loop: each point with the angle of the arc that leads to it.
 * @param label 0 for an outline, counter-clockwise; from 1 for cut-outs, clockwise
 */
export function loop(contour: Contour, label = 0): string[] {
  const [first] = contour;
  if (!first) return [];
  return [...contour, first].map(({ x, y }, i) => {
    const bulge = i === 0 ? 0 : (contour[i - 1]?.bulge ?? 0);
    return `${label} ${number(x)} ${number(y)} ${number((4 * Math.atan(bulge) * 180) / Math.PI)}`;
  });
}

export const number = (value: number): string => formatNumber(value, 1, 6);
/** Texts have no quotes in them, and no more than a line. */
export const quoted = (text: string): string => `"${asciiOf(text.replace(/["\r\n]/g, "'"))}"`;
