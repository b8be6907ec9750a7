import type { SheetUnit } from '../document/document';
import type { PrintedTable } from './table';

/** A recommended land pattern as a table gives it, as entry texts. */
export interface ReadPattern {
  readonly unit: SheetUnit;
  readonly Y?: string;
  readonly X?: string;
  readonly distance?: string;
  readonly given?: 'gap' | 'centre' | 'outer';
  /** The rows that were understood: letter, what they are taken for, and as printed. */
  readonly rows: readonly { readonly label: string; readonly meant: string; readonly printed: string }[];
  readonly doubts: readonly string[];
}

/** Names of lands, and of what they are printed under; dimensions of packages have lengths and widths too. */
const OF_LANDS = /\b(pads?|lands?|solder|lötfläche\w*|lötpads?|padabstand|pad\w*)\b/i;
/** An exposed pad is the part’s own. */
const OF_PART = /exposed|thermal|die|heat|e-?pad|wärme|kühl/i;
const OF_PATTERN = /land pattern|footprint|solder(ing)? (pad|land)|recommended|pcb layout|lötfläch|lötpad/i;

type Part = 'Y' | 'X' | 'gap' | 'centre' | 'outer';

const NAMES: readonly (readonly [Part, RegExp])[] = [
  ['gap', /\b(gap|inner|inside|clear(ance)?|between|innen|abstand zwischen|lichter)\b/i],
  ['outer', /\b(outer|outside|overall|total|extent|over (the )?(pads|lands)|außen|gesamt)\b/i],
  [
    'centre',
    /\b(cent(er|re)s?( to cent(er|re))?|pad (pitch|spacing) across|row (spacing|distance)|mitten?abstand|mittenabstand)\b/i,
  ],
  ['Y', /\b(pad|land|solder)? ?(length|länge)\b|(pad|land|lötflächen)länge/i],
  ['X', /\b(pad|land|solder)? ?(width|breite)\b|(pad|land|lötflächen)breite/i],
];
const LETTERS: Readonly<Record<string, Part>> = {
  Y: 'Y',
  Y1: 'Y',
  X: 'X',
  X1: 'X',
  G: 'gap',
  Z: 'outer',
  C: 'centre',
  C1: 'centre',
};

/**
 * Reads a recommended pattern: lands of one group by their length, width and the distance as it is given.
 * @returns `null` where a table has no two of them
 */
export function readPattern(tables: readonly PrintedTable[], size?: string): ReadPattern | null {
  for (const table of tables) {
    const named = table.rows.filter(({ name }) => OF_LANDS.test(name) && !OF_PART.test(name)).length;
    if (named < 2 && !(OF_PATTERN.test(table.context) && table.rows.every(({ letter }) => letter in LETTERS)))
      continue;
    const found = new Map<Part, { label: string; text: string; printed: string; unit: SheetUnit | null }>();
    const doubts: string[] = [];
    for (const { letter, name, values } of table.rows) {
      const value = values.get(size ?? table.sizes[0] ?? '') ?? [...values.values()][0];
      const part =
        NAMES.find(([, words]) => words.test(name))?.[0] ?? (name === '' ? LETTERS[letter] : undefined);
      if (!part || !value) continue;
      if (found.has(part)) {
        doubts.push(
          `${letter || name} “${value.text}” could be the same as another row; the first is taken.`,
        );
        continue;
      }
      found.set(part, { label: letter || name, text: value.text, printed: value.printed, unit: value.unit });
    }
    const distance = (['gap', 'centre', 'outer'] as const).find((part) => found.has(part));
    if ((found.has('Y') ? 1 : 0) + (found.has('X') ? 1 : 0) + (distance ? 1 : 0) < 2) continue;
    const [first] = found.values();
    const entry = (part: Part) =>
      found
        .get(part)
        ?.text.replace(/^(typ|nom|ref|max|min)\s+/i, '')
        .replace(/\s*(bsc|ref|typ)\.?$/i, '');
    const [Y, X] = [entry('Y'), entry('X')];
    return {
      unit: first?.unit ?? 'mm',
      ...(Y === undefined ? {} : { Y }),
      ...(X === undefined ? {} : { X }),
      ...(distance ? { distance: entry(distance) ?? '', given: distance } : {}),
      rows: [...found].map(([meant, { label, printed }]) => ({ label, meant, printed })),
      doubts,
    };
  }
  return null;
}
