import type { SheetUnit } from '../document/document';
import { isNotGiven, plainText } from '../units/entry-text';
import {
  LIMIT_WORDS,
  oneMeaning,
  plainWord,
  RANGE_WORDS,
  UNIT_WORDS,
  type HeadRole,
  type Limit as WordLimit,
} from '../words';
import { HEAD_WORDS, isFill } from '../words/tables';

// The words that tables of dimensions are printed with.

export type { HeadRole };

/** What a column of values holds. */
export type Limit = 'min' | 'nom' | 'max' | 'tolerance';

const LIMITS: readonly (readonly [Limit, RegExp])[] = [
  ['tolerance', /^(tol(erance|eranz)?\.?|\+\/-|±)$/],
  ['min', /^(min(imum|imal|\.)?|least|kleinst(maß)?|mind(estmaß)?\.?|lower)$/],
  ['max', /^(max(imum|imal|\.)?|most|größt(maß)?|höchst(maß)?|upper)$/],
  ['nom', /^(nom(inal|inell|\.)?|typ(ical|isch|\.)?|nennmaß|nenn\.?|bsc\.?|basic|mittel)$/],
];

/**
 * What a word of ranges says where a head is nothing else: “tip to tip” is a name. Those that are letters of
 * dimensions as well, such as “a” and “de”, say nothing.
 */
function rangeLimit(word: string): Limit | null {
  const plain = plainWord(word);
  const [only, ...more] = RANGE_WORDS.get(plain) ?? [];
  if (only === undefined || more.length > 0 || (plain !== 'to' && letterOf(word) !== null)) return null;
  return only === 'from' ? 'min' : 'max';
}

/** What a word of a dictionary says of a column. */
const COLUMN_OF: Readonly<Partial<Record<WordLimit, Limit>>> = {
  min: 'min',
  max: 'max',
  nom: 'nom',
  typical: 'nom',
  exact: 'nom',
  tolerance: 'tolerance',
};

const ROLES: readonly HeadRole[] = ['letter', 'name', 'remark', 'unit', 'value'];
const LETTER_HEAD = /^ref(erence)?\.?$/;

/** What a cell of a table's head says. */
export interface HeadSays {
  readonly limit: Limit | null;
  /** Whether a nominal column is said to be typical. */
  readonly typical: boolean;
  readonly unit: SheetUnit | null;
  readonly role: HeadRole | null;
  /** What is left: the name of a size, mostly. */
  readonly rest: string;
}

/** Whether a word is a unit that says of “in” beside it that it is none. */
const isUnitBeside = (word: string): boolean =>
  word.toLowerCase() !== 'in' && oneMeaning(UNIT_WORDS, word) !== null;

/** Reads a cell of a head, in any language that there is a dictionary of. */
export function headSays(printed: string): HeadSays {
  const found = knownHeads.get(printed);
  if (found) return found;
  if (knownHeads.size >= MOST_HEADS) knownHeads.clear();
  const says = headAnew(printed);
  knownHeads.set(printed, says);
  return says;
}

/** What cells say, which are asked for by every way of laying a table out. */
const knownHeads = new Map<string, HeadSays>();
const MOST_HEADS = 4000;

function headAnew(printed: string): HeadSays {
  const plain = plainText(printed).text.toLowerCase().replace(/\s+/g, ' ').trim();
  const bare = plainWord(plain);
  const heads = HEAD_WORDS.get(bare) ?? [];
  const role = LETTER_HEAD.test(bare) ? 'letter' : (ROLES.find((one) => heads.includes(one)) ?? null);
  const original = plainText(printed).text.replace(/\s+/g, ' ').trim();
  const words = original.split(/[\s()[\],/（）]+(?![-+])/u).filter((one) => one !== '');
  let limit: Limit | null = null;
  let unit: SheetUnit | null = null;
  let typical = false;
  const rest: string[] = [];
  for (const said of words) {
    const word = said.toLowerCase().replace(/[:;]+$/, '');
    const ofLimit = LIMITS.find(([, form]) => form.test(word))?.[0];
    const named = oneMeaning(UNIT_WORDS, word);
    // “DIMENSION IN MM”: the word is no unit where a unit follows
    const ofUnit = word === 'in' && words.some((other) => isUnitBeside(other)) ? null : named;
    if (ofLimit && limit === null) {
      limit = ofLimit;
      typical = word.startsWith('typ');
    } else if (ofUnit && unit === null) unit = ofUnit;
    else if (!isFill(plainWord(word))) rest.push(said);
  }
  // words of other languages are words of names too: they say a limit where the cell says nothing else
  // “не менее”: some limits are said in two words
  const whole = rest.length > 1 ? oneMeaning(LIMIT_WORDS, rest.join(' ')) : null;
  if (limit === null && whole && COLUMN_OF[whole])
    return { limit: COLUMN_OF[whole] ?? null, typical: whole === 'typical', unit, role, rest: '' };
  // what has its own place in a head, such as “Nota”, may have come to stand beside it
  const meant = rest
    .filter(
      (word) => rest.length === 1 || !(HEAD_WORDS.has(plainWord(word)) && !LIMIT_WORDS.has(plainWord(word))),
    )
    .map((word) => oneMeaning(LIMIT_WORDS, word));
  const [alone, ...others] = rest;
  const ofRange = limit === null && alone !== undefined && others.length === 0 ? rangeLimit(alone) : null;
  if (ofRange) return { limit: ofRange, typical, unit, role, rest: '' };
  const [first] = meant;
  if (limit === null && first && meant.every((one) => one === first) && COLUMN_OF[first])
    return { limit: COLUMN_OF[first] ?? null, typical: first === 'typical', unit, role, rest: '' };
  return { limit, typical, unit, role, rest: role ? '' : rest.join(' ') };
}

/** The unit that a text says of all the numbers near it; `null` where it says none, or two. */
export function unitSaid(text: string): SheetUnit | null {
  const words = plainText(text)
    .text.toLowerCase()
    .split(/[^\p{L}\p{M}"]+/u);
  // "in" alone is a word of the language, and so are the shorts of inches in others
  const said = new Set(
    words.flatMap((word) =>
      word.length < 3 && word !== 'mm' && word !== 'мм' ? [] : (oneMeaning(UNIT_WORDS, word) ?? []),
    ),
  );
  const [only] = said;
  if (said.size === 1 && only) return only;
  const meant = /\b(controlling|basic)\s+(dimension|unit)s?\b[^.]*?\b(millimet|inch|mm)/i.exec(text)?.[3];
  return meant ? (meant.toLowerCase() === 'inch' ? 'in' : 'mm') : null;
}

const SUBSCRIPT: Readonly<Record<string, string>> = Object.fromEntries(
  [...'₀₁₂₃₄₅₆₇₈₉'].map((sign, digit) => [sign, String(digit)]),
);
const SUPERSCRIPT = /[¹²³⁴⁵⁶⁷⁸⁹⁰]+$/;

/** Letters that mean angles, diameters or flatness and no length of ours by themselves. */
const GREEK = /^[\u0370-\u03ff]\d?$/;

/**
 * The letter that a cell holds, in its plain form: `D₁`, `D_1` and `D 1` are `D1`, `⌀b` is `b`.
 * @returns `null` where the cell is no letter
 */
export function letterOf(printed: string): string | null {
  const plain = [...printed.normalize('NFC').trim()]
    .map((sign) => SUBSCRIPT[sign] ?? sign)
    .join('')
    .replace(SUPERSCRIPT, '')
    .replace(/\s+(max|min|typ|nom|ref|bsc)\.?$/i, '')
    .replace(/\s*(\(\d\)|\*+|†|‡)$/, '')
    .replace(/^(⌀|∅|Ø|ø)\s*(?=[A-Za-z])/, '')
    .replace(/[\s_{}]+(?=[0-9A-Za-z]{1,2}}?$)/, '')
    .replace(/[{}]/g, '');
  if (/^[ΑΒΕΗΚΜΝΟΡΤΧ]\d?$/.test(plain)) return plain;
  if (GREEK.test(plain)) return plain;
  return /^([A-Za-z]\d{0,2}[a-z]?|[A-Za-z][A-Za-z]\d?|([a-z])\2\2)$/.test(plain) ? plain : null;
}

/** What stands behind a letter and says how its one number is given: `A max`. */
export function limitBehind(printed: string): string {
  return /^\S+\s+(max|min|typ|nom|ref|bsc)\.?$/i.exec(printed.trim())?.[1]?.toLowerCase() ?? '';
}

/** Words that stand beside numbers, those of phrases such as “not over” too. */
const BESIDE_NUMBERS: ReadonlySet<string> = new Set(
  [LIMIT_WORDS, RANGE_WORDS, UNIT_WORDS]
    .flatMap((words) => [...words.keys()])
    .flatMap((word) => word.split(' ')),
);
const isBesideNumbers = (word: string): boolean => BESIDE_NUMBERS.has(plainWord(word));

/** Whether a cell is a number with what belongs to it, or says that there is none. */
export function isValue(printed: string): boolean {
  const { text } = plainText(printed);
  if (isNotGiven(printed)) return true;
  return /\d/.test(text) && (text.match(/\p{Script=Latin}{4,}/gu) ?? []).every(isBesideNumbers);
}

/** Whether a text begins as a value does: with a number, a sign of one, or a word of limits or ranges. */
export function beginsValue(printed: string): boolean {
  const text = plainText(printed).text.trim();
  if (/^[(<>≤≥±~⌀□]*\s*\.?\d/.test(text)) return true;
  const [word = ''] = /^\p{L}[\p{L}.]*/u.exec(text) ?? [];
  // a letter by itself names a dimension
  return word.length > 1 && isBesideNumbers(word);
}

/** Three letters, or two signs of a script that has words in fewer. */
export const NAME = /\p{L}{3,}|[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}]{2,}/u;

/** Whether a cell begins with a number: W1 is a letter, “L ±0.20” a head, and a dash says that there is none. */
export function hasNumber(printed: string): boolean {
  if (!/\d/.test(printed) || !isValue(printed) || letterOf(printed) !== null) return false;
  const [word = ''] = /^\p{L}[\p{L}.]*/u.exec(plainText(printed).text.trim()) ?? [];
  return word === '' || oneMeaning(LIMIT_WORDS, word) !== null || RANGE_WORDS.has(plainWord(word));
}

/** Whether a cell holds an angle. */
export function isAngle(printed: string): boolean {
  return /\d\s*(°|º|˚|deg(rees?)?\b|grad\b)/i.test(printed);
}

const LEADS =
  /\b(\d{1,4})\s*-?\s*(leads?|pins?|terminals?|balls?|polig|poles?|positions?|anschl\w*|beine?|pads?|lands?|ld|l|p)\b/i;
const TYPE = /\b[A-Z]{2,6}-?\s?(\d{1,3})\b/;

/** The number of leads that a text names, such as `14 leads`, `16-pin`, `SO-8` or `20L`; `null` where it names none. */
export function countSaid(text: string): number | null {
  const plain = plainText(text).text;
  const found = LEADS.exec(plain) ?? TYPE.exec(plain);
  return found?.[1] === undefined ? null : Number(found[1]);
}

/** A text without the part that names a number of leads, and that part: a name, and the size it holds for. */
export function sizeSaid(text: string): { readonly size: string; readonly rest: string } {
  const found = LEADS.exec(text) ?? TYPE.exec(text);
  if (!found) return { size: '', rest: text };
  const rest = `${text.slice(0, found.index)} ${text.slice(found.index + found[0].length)}`;
  return {
    size: found[0],
    rest: rest.replace(/[\s,;:()[\]–-]+$|^[\s,;:()[\]–-]+/g, '').replace(/\s+/g, ' '),
  };
}
