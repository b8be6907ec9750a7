import type { Measure } from '../words';
import { NAMES } from '../words/names';

// Which dimensions of a package a printed name speaks of: the words are those of the languages, what they mean
// for a package follows from the plain names of its dimensions.

interface Meaning {
  readonly measure: Measure;
  /** Plain names of the dimensions that are meant. */
  readonly of: RegExp;
  /** Only where the package has no dimension with such a name, which would be meant. */
  readonly unless?: RegExp;
  /** A general word, which counts only where no more exact name was found. */
  readonly general?: true;
}

const SPAN = /^(lead span|span across|overall span)$/i;

const MEANINGS: readonly Meaning[] = [
  { measure: 'span', of: SPAN },
  { measure: 'spanUpright', of: /^span upright$/i },
  { measure: 'bodyWidth', of: /^(body width|body across|insulator width|body thickness)$/i },
  { measure: 'acrossOnly', of: /^(body width|body across|across)$/i, unless: SPAN, general: true },
  { measure: 'bodyLength', of: /^(body length|body upright|insulator length)$/i },
  {
    measure: 'uprightOnly',
    of: /^(body length|body upright)$/i,
    unless: /^(span upright|length)$/i,
    general: true,
  },
  { measure: 'length', of: /^(length|overall length)$/i, general: true },
  { measure: 'width', of: /^(width|body width)$/i, unless: SPAN, general: true },
  { measure: 'height', of: /^(height|head height|insulator height)$/i, general: true },
  { measure: 'standoff', of: /^standoff$/i },
  { measure: 'pitch', of: /^(pitch|lead spacing)$/i },
  { measure: 'rowDistance', of: /^row distance$/i },
  {
    measure: 'terminalWidth',
    of: /^(lead width|terminal width|lead diameter|pin diameter|pin side|wide lead|ball diameter|land|column diameter|ball|land size|land diameter)$/i,
  },
  { measure: 'ballDiameter', of: /^(ball|ball diameter|column diameter|column)$/i },
  { measure: 'leadThickness', of: /^(lead thickness|ribbon thickness)$/i },
  {
    measure: 'footLength',
    of: /^(foot length|terminal length|end cap|cap length|contact length|lead length|foot|ribbon length)$/i,
  },
  { measure: 'leadLength', of: /^lead length$/i, general: true },
  { measure: 'padAcross', of: /^pad across$/i },
  { measure: 'padUpright', of: /^pad upright$/i },
  { measure: 'count', of: /^(leads|terminals|pins|poles|balls|number)/i },
  { measure: 'countUpright', of: /^upright (leads|terminals)$/i },
  { measure: 'diameter', of: /^(diameter|body diameter|can diameter)$/i, general: true },
  { measure: 'base', of: /^base$/i, general: true },
  { measure: 'tail', of: /^tail$/i },
  { measure: 'contactDistance', of: /^contact distance$/i },
  { measure: 'tabSize', of: /^tab (length|width)$/i },
  { measure: 'tabBeyond', of: /^tab beyond body$/i },
  { measure: 'thickness', of: /^thickness$/i, general: true },
  { measure: 'notchRadius', of: /^notch radius$/i },
  { measure: 'matingLength', of: /^mating length$/i },
  { measure: 'rowPitch', of: /^row pitch$/i },
  { measure: 'columns', of: /^(columns|columns across|across)$/i },
  { measure: 'rows', of: /^(rows|rows upright)$/i },
];

/** Whether a name, in any language that there is a dictionary of, has a form of a measure in it. */
const says = (name: string, measure: Measure): boolean => NAMES.some((names) => names[measure]?.test(name));

/** Whether a printed name is one of a dimension, or of one that is asked for, whatever the package. */
export function isMeasureName(printed: string, wanted?: Measure): boolean {
  const name = plainName(printed);
  return (
    name !== '' && MEANINGS.some(({ measure }) => (wanted ?? measure) === measure && says(name, measure))
  );
}

const plainName = (printed: string): string =>
  printed
    .normalize('NFC')
    .replace(/\s+/g, ' ')
    .replace(/[()（）]/gu, '')
    .trim();

/** What a dictionary makes of a printed name: whether a dimension is meant by it, or another one. */
export interface NameSays {
  /** Indexes of the plain names that it is a name of. */
  readonly of: readonly number[];
  readonly isNotNeeded: boolean;
}

/** @param plainNames of the package's dimensions, in their order */
export function nameSays(printed: string, plainNames: readonly string[]): NameSays {
  const name = plainName(printed);
  if (name === '') return { of: [], isNotNeeded: false };
  const exact = plainNames.flatMap((plain, i) => (plain.toLowerCase() === name.toLowerCase() ? [i] : []));
  if (exact.length > 0) return { of: exact, isNotNeeded: false };
  const of = new Set<number>();
  for (const isGeneral of [false, true]) {
    for (const { measure, of: meant, unless, general = false } of MEANINGS) {
      if (general !== isGeneral || (isGeneral && of.size > 0) || !says(name, measure)) continue;
      if (unless && plainNames.some((plain) => unless.test(plain) && !meant.test(plain))) continue;
      plainNames.forEach((plain, i) => {
        if (meant.test(plain)) of.add(i);
      });
    }
  }
  return { of: [...of], isNotNeeded: of.size === 0 && says(name, 'notNeeded') };
}
