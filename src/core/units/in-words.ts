import { formatNumber, fromMm, type DisplayUnit } from './length';

// Sentences are written in mm, every length with its unit behind it; they are shown in the unit of the
// display.

/** A length in mm, or several that share their unit, as “0.95 × 0.30 mm” and “0.25..0.45 mm”. */
const LENGTHS = /(?<![\w.])([-−]?\d+(?:\.\d+)?(?:(?: × |\.\.|–| ± |±)\d+(?:\.\d+)?)*) mm(?![\w²³])/g;
const NUMBER = /\d+(?:\.\d+)?/g;
/** What was typed or printed stays as it is. */
const QUOTED = /(“[^”]*”)/;

/**
 * A sentence with its lengths in the unit of the display. What is quoted is left alone.
 * @param text with lengths in mm
 */
export function inUnit(text: string, unit: DisplayUnit): string {
  if (unit === 'mm') return text;
  return text
    .split(QUOTED)
    .map((part) =>
      part.startsWith('“')
        ? part
        : part.replace(
            LENGTHS,
            (_, lengths: string) =>
              `${lengths.replace(NUMBER, (mm) => formatNumber(fromMm(Number(mm), unit), 0, 2))} ${unit}`,
          ),
    )
    .join('');
}
