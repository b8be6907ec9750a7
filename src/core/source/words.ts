import type { SheetUnit } from '../document/document';
import { isNotGiven, plainText } from '../units/entry-text';

// The words that tables of dimensions are printed with, in English and German.

/** What a column of values holds. */
export type Limit = 'min' | 'nom' | 'max' | 'tolerance';

const LIMITS: readonly (readonly [Limit, RegExp])[] = [
  ['tolerance', /^(tol(erance|eranz)?\.?|\+\/-|±)$/],
  ['min', /^(min(imum|imal|\.)?|least|kleinst(maß)?|mind(estmaß)?\.?|lower)$/],
  ['max', /^(max(imum|imal|\.)?|most|größt(maß)?|höchst(maß)?|upper)$/],
  ['nom', /^(nom(inal|inell|\.)?|typ(ical|isch|\.)?|nennmaß|nenn\.?|bsc\.?|basic|mittel)$/],
];

const UNITS: readonly (readonly [SheetUnit, RegExp])[] = [
  ['mm', /^(mm|millimet(er|re)s?|millim\.?)$/],
  ['mil', /^(mils?|thou)$/],
  ['in', /^(in|inch(es)?|zoll|")$/],
];

const LETTER_HEAD =
  /^(sym(bol|b|\.)?s?|dim(ension)?s?\.?|letter|ref(erence)?\.?|item|code|kennbuchstabe|maß|zeichen|buchstabe|key)$/;
const NAME_HEAD =
  /^(parameters?|descriptions?|names?|dimensions?|features?|characteristics?|benennung|bezeichnung|beschreibung|kenngröße|merkmal)$/;
const REMARK_HEAD = /^(remarks?|notes?|comments?|bemerkung(en)?|hinweise?|anmerkung(en)?)$/;
const UNIT_HEAD = /^(units?|einheit(en)?)$/;
const VALUE_HEAD = /^(values?|wert(e)?|measure(ment)?|maße|size|limits?|data)$/;

export type HeadRole = 'letter' | 'name' | 'remark' | 'unit' | 'value';

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

const NOISE =
  /^(dimensions?|all|are|in|the|abmessungen|maße|alle|und|and|of|unit:?|units:?|values?|einheit:?|der|die)$/;

/** Reads a cell of a head. */
export function headSays(printed: string): HeadSays {
  const plain = plainText(printed).text.toLowerCase().replace(/\s+/g, ' ').trim();
  const bare = plain.replace(/[:.]+$/, '');
  const role: HeadRole | null = LETTER_HEAD.test(bare)
    ? 'letter'
    : NAME_HEAD.test(bare)
      ? 'name'
      : REMARK_HEAD.test(bare)
        ? 'remark'
        : UNIT_HEAD.test(bare)
          ? 'unit'
          : VALUE_HEAD.test(bare)
            ? 'value'
            : null;
  let limit: Limit | null = null;
  let unit: SheetUnit | null = null;
  let typical = false;
  const rest: string[] = [];
  const original = plainText(printed).text.replace(/\s+/g, ' ').trim();
  for (const said of original.split(/[\s()[\],]+/).filter((one) => one !== '')) {
    const word = said.toLowerCase();
    const stripped = word.replace(/[:;]+$/, '');
    const ofLimit = LIMITS.find(([, words]) => words.test(stripped))?.[0];
    const ofUnit = UNITS.find(([, words]) => words.test(stripped))?.[0];
    if (ofLimit && limit === null) {
      limit = ofLimit;
      typical = stripped.startsWith('typ');
    } else if (ofUnit && unit === null) unit = ofUnit;
    else if (!NOISE.test(stripped)) rest.push(said);
  }
  return { limit, typical, unit, role, rest: role ? '' : rest.join(' ') };
}

/** The unit that a text says of all the numbers near it; `null` where it says none, or two. */
export function unitSaid(text: string): SheetUnit | null {
  const words = plainText(text)
    .text.toLowerCase()
    .split(/[^a-z"]+/);
  // "in" alone is a word of the language
  const said = UNITS.filter(([, form]) =>
    words.some((word) => word !== 'in' && word !== '"' && form.test(word)),
  );
  const [only] = said;
  if (said.length === 1 && only) return only[0];
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

/** Whether a cell is a number with what belongs to it, or says that there is none. */
export function isValue(printed: string): boolean {
  const { text } = plainText(printed);
  if (isNotGiven(printed)) return true;
  return (
    /\d/.test(text) && !/[a-z]{4,}/i.test(text.replace(/nominal|typical|basic|inches|millimet\w+/gi, ''))
  );
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
