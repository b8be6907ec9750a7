import type { Contour } from '../../geometry/contour';
import { bodyShape } from '../../package/drawn';
import { formatNumber } from '../../units/length';
import type { Format, Writable } from '../format';

/** When a library was made; a fixed one, so that one document always gives one file. */
const DATE = '1970/01/01.00:00:00';

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
  write({ document, footprint }: Writable) {
    const { body, lands } = footprint;
    const part = document.marks?.value ?? footprint.standardName;
    // a part without lands is mechanical for the board that carries it
    const section = lands.length === 0 ? 'MECHANICAL' : 'ELECTRICAL';
    return [
      '.HEADER',
      `LIBRARY_FILE 3.0 "Tapis" ${DATE} 1`,
      '.END_HEADER',
      `.${section}`,
      `${quoted(footprint.standardName)} ${quoted(part)} MM ${number(body.heights.top.max)}`,
      ...loop(outlineOf(footprint)),
      `.END_${section}`,
      '',
    ].join('\n');
  },
};

function outlineOf({ body: { extent } }: Writable['footprint']): Contour {
  return bodyShape(extent, 'max');
}

/** A closed loop, counter-clockwise: each point with the angle of the arc that leads to it. */
function loop(contour: Contour): string[] {
  const [first] = contour;
  if (!first) return [];
  return [...contour, first].map(({ x, y }, i) => {
    const bulge = i === 0 ? 0 : (contour[i - 1]?.bulge ?? 0);
    return `0 ${number(x)} ${number(y)} ${number((4 * Math.atan(bulge) * 180) / Math.PI)}`;
  });
}

const number = (value: number): string => formatNumber(value, 1, 6);
/** Texts have no quotes in them, and no more than a line. */
const quoted = (text: string): string => `"${text.replace(/["\r\n]/g, "'")}"`;
