// What people call packages in lists and bills of material, and which family and size each word stands for. Words of
// the trade only; sizes that follow are typical ones and are marked as such where they are used.

/** What a word of a package says. */
export interface PackageWord {
  readonly family: string;
  /** Entries that the word fixes, such as the number of leads. */
  readonly dimensions: Readonly<Record<string, string>>;
  /** A typical size of the family that is meant, by the start of its name. */
  readonly typical?: string;
}

/** A word of a package where it was found, with what stands behind it. */
export interface FoundWord extends PackageWord {
  readonly rest: string;
}

interface Form {
  readonly form: RegExp;
  readonly says: (found: RegExpExecArray) => PackageWord | null;
}

/** Chip sizes as inches of a hundredth call them, and as tenths of a millimetre do. */
const CHIPS: Readonly<Record<string, string>> = {
  '01005': '0402',
  '0201': '0603',
  '0402': '1005',
  '0603': '1608',
  '0805': '2012',
  '1206': '3216',
  '1210': '3225',
  '1812': '4532',
  '2010': '5025',
  '2512': '6332',
};
const METRIC = new Set(Object.values(CHIPS));

const counted = (family: string, n: string | undefined): PackageWord => ({
  family,
  dimensions: n === undefined ? {} : { n },
});

const FORMS: readonly Form[] = [
  {
    // 0603 alone is inches; “1608 metric”, “1608M” is millimetres, and so is what only exists there
    form: /(?<![\d.])(0\d{3,4}|1\d{3}|2\d{3}|3\d{3}|4\d{3}|5\d{3}|6\d{3})\s*(m(?:etric)?\b)?/i,
    says: ([, code = '', metric]) => {
      const size = metric
        ? METRIC.has(code)
          ? code
          : undefined
        : (CHIPS[code] ?? (METRIC.has(code) ? code : undefined));
      return size === undefined
        ? null
        : { family: 'rectangular-chip', dimensions: {}, typical: `${size} metric` };
    },
  },
  {
    form: /\b(?:mini|micro|quad)?\s?melf\b|\bsod-?80\b/i,
    says: () => ({ family: 'cylindrical', dimensions: {} }),
  },
  {
    form: /\b(?:sot|tsot)-?(?:23|25|26|323|353|363|143|343|523|563|553|723)\s?-?([3568])?\b/i,
    says: ([word, n]) => ({
      family: 'small-transistor',
      dimensions: {
        n:
          n ??
          (/363|26|563/.test(word) ? '6' : /353|25|553/.test(word) ? '5' : /143|343/.test(word) ? '4' : '3'),
      },
    }),
  },
  { form: /\bsot-?223\b/i, says: () => ({ family: 'small-transistor-wide', dimensions: {} }) },
  { form: /\bsc-?70(?:-?(\d))?\b/i, says: ([, n]) => counted('small-transistor', n ?? '3') },
  {
    form: /\b(?:dpak|d2pak|d3pak|to-?25[02]|to-?26[38])\b/i,
    says: () => ({ family: 'tab-package', dimensions: {} }),
  },
  {
    form: /\bsod-?\d+(?:fl?)?\b|\bsm[abc]\b/i,
    says: ([word]) => ({ family: /sm[abc]/i.test(word) ? 'moulded' : 'small-diode', dimensions: {} }),
  },
  {
    form: /\b(?:v|u|w|x|tq|vq|uq|wq|t|h|l)?qfn\s?-?(\d+)?\b/i,
    says: ([, n]) => counted('no-lead-quad', n),
  },
  { form: /\b(?:v|u|w|x|t)?(?:dfn|son)\s?-?(\d+)?\b/i, says: ([, n]) => counted('no-lead-dual', n) },
  { form: /\b(?:l|t|h|v)?qfp\s?-?(\d+)?\b/i, says: ([, n]) => counted('gull-wing-quad', n) },
  {
    form: /\b(?:htssop|tssop|ssop|msop|vssop|qsop|sop|soic|so|mso|tsop)\s?-?(\d+)?\b/i,
    says: ([, n]) => counted('gull-wing-dual', n),
  },
  { form: /\bplcc\s?-?(\d+)?\b/i, says: ([, n]) => counted('j-lead-quad', n) },
  { form: /\bsoj\s?-?(\d+)?\b/i, says: ([, n]) => counted('j-lead-dual', n) },
  { form: /\b(?:[a-z]{0,3})bga\s?-?\d*\b/i, says: () => ({ family: 'ball-grid', dimensions: {} }) },
  { form: /\blga\s?-?\d*\b/i, says: () => ({ family: 'land-grid', dimensions: {} }) },
  { form: /\b(?:c|p|s)?dip\s?-?(\d+)?\b/i, says: ([, n]) => counted('dip', n) },
  { form: /\bsip\s?-?(\d+)?\b/i, says: ([, n]) => counted('sip', n) },
  { form: /\bto-?(?:92|126)\b/i, says: () => ({ family: 'in-line-transistor', dimensions: {} }) },
  { form: /\bto-?(?:220|247|218)\b/i, says: () => ({ family: 'flange-mount', dimensions: {} }) },
  {
    form: /\b(?:case|bauform|taille|caja)\s?-?[abcdexv]\b/i,
    says: () => ({ family: 'moulded', dimensions: {} }),
  },
  { form: /\bradial\b/i, says: () => ({ family: 'radial', dimensions: {} }) },
  { form: /\baxial\b/i, says: () => ({ family: 'axial', dimensions: {} }) },
];

/** What the words of a package say, the first that is known; `null` where none is. */
export function packageSaid(printed: string): FoundWord | null {
  const text = printed.replaceAll('_', ' ');
  for (const { form, says } of FORMS) {
    const found = form.exec(text);
    const word = found && says(found);
    if (word) {
      // “QFN-32 5x5 0.5”: body and pitch behind the word
      const rest = text.slice((found.index ?? 0) + found[0].length);
      return { ...word, rest, dimensions: { ...word.dimensions, ...bodyAndPitch(word.family, rest) } };
    }
  }
  return null;
}

const SQUARE = new Set(['no-lead-quad', 'no-lead-dual', 'ball-grid', 'land-grid']);

function bodyAndPitch(family: string, rest: string): Record<string, string> {
  const [, e = '', d = '', pitch] =
    /(\d+(?:\.\d+)?)\s*(?:mm)?\s*[x×]\s*(\d+(?:\.\d+)?)(?:[^\d.]+(0?\.\d+|1(?:\.\d+)?)(?![\d.]))?/i.exec(
      rest,
    ) ?? [];
  if (e === '' || !SQUARE.has(family)) return {};
  return { E: e, D: d, ...(pitch ? { e: pitch } : {}) };
}

/** Kinds of chips by what a list says of them: words, prefixes of names, units of values. */
const COMPONENTS: readonly (readonly [component: string, words: RegExp])[] = [
  ['ferrite', /ferrite|bead|ferrit|ビーズ|磁珠|феррит/i],
  [
    'capacitor',
    /capacit|kondensator|condens|コンデンサ|电容|電容|커패시터|콘덴서|конденсатор|mlcc|\bcap\b|\d\s?[pnuµ]f\b|^c-?\d/i,
  ],
  [
    'inductor',
    /induct|induttor|drossel|spule|インダクタ|コイル|电感|電感|인덕터|дроссел|катушк|\bind\b|\d\s?[nuµm]h\b|^l-?\d/i,
  ],
  ['led', /\bled\b|leuchtdiode|发光二极管|светодиод/i],
  ['diode', /diode|diodo|ダイオード|二极管|다이오드|диод/i],
  ['fuse', /fuse|sicherung|ヒューズ|保险丝|предохранител|fusible|fusibile/i],
  [
    'resistor',
    /resist|widerstand|weerstand|抵抗|电阻|電阻|저항|резистор|résist|resistenz|resistor|\bres\b|\d\s?(?:ohm|Ω|kΩ|mω)|^r-?\d/i,
  ],
];

/** Which kind of chip a text speaks of; `null` where it says none, or two. */
export function componentSaid(text: string): string | null {
  const found = COMPONENTS.filter(([, words]) => words.test(text)).map(([component]) => component);
  // a ferrite is an inductor too, a light-emitting diode a diode
  const [first] = found;
  const isOne = found.length === 1 || first === 'ferrite' || (found.includes('led') && found.length === 2);
  return isOne ? (found.includes('led') ? 'led' : (first ?? null)) : null;
}
