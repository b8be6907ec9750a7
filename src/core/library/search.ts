import type { Level } from '../document/document';
import { formatNumber } from '../units/length';
import type { Facts } from './facts';

// Searching the Shelf as one thinks: words, and figures with units and names. What is understood of a
// search is shown as chips, so that nobody has to guess what was looked for.

/** One footprint as it is searched. */
export interface Searched {
  readonly name: string;
  readonly tags: readonly string[];
  /** Path of its group, from the outermost. */
  readonly group: string;
  readonly createdAt: number;
  readonly updatedAt: number;
  /** Whether somebody whose key is known here stands for it as it is. */
  readonly isApproved: boolean;
  /** `null` while nothing is known of it yet. */
  readonly facts: Facts | null;
}

/** A part of a search that was understood. */
export interface Term {
  /** As it was typed. */
  readonly text: string;
  /** What it is taken for, in words; a plain word stands for itself. */
  readonly words: string;
  readonly isWord: boolean;
  readonly holds: (one: Searched) => boolean;
}

type Comparison = '<' | '<=' | '>' | '>=' | '=';
type Figure = 'pitch' | 'height' | 'length' | 'width' | 'pins';

const FIGURES: Readonly<Record<string, Figure>> = {
  pitch: 'pitch',
  e: 'pitch',
  height: 'height',
  high: 'height',
  tall: 'height',
  length: 'length',
  long: 'length',
  width: 'width',
  wide: 'width',
  pins: 'pins',
  pin: 'pins',
  leads: 'pins',
  terminals: 'pins',
  balls: 'pins',
};

const UNIT = { mm: 1, mil: 0.0254, in: 25.4, '"': 25.4, um: 0.001, µm: 0.001 } as const;
const NUMBER = String.raw`(\d+(?:[.,]\d+)?|[.,]\d+)\s*(mm|mil|in|"|um|µm)?`;
const SIGN = String.raw`(<=|>=|≤|≥|<|>|=)`;
const SIGNS: Readonly<Record<string, Comparison>> = { '≤': '<=', '≥': '>=' };

/** Figures that were typed are met by what rounds to them: half of the last digit, in mm. */
function nearness(typed: string, unit: number): number {
  const [, digits = ''] = /[.,](\d+)/.exec(typed) ?? [];
  return (0.5 * unit) / 10 ** digits.length + 1e-9;
}

const valueOf = (typed: string): number => Number(typed.replace(',', '.'));
const unitOf = (name: string | undefined): number => UNIT[(name ?? 'mm') as keyof typeof UNIT];

function figuresOf(facts: Facts, figure: Figure): readonly number[] {
  switch (figure) {
    case 'length':
      return facts.body ? [facts.body[0]] : [];
    case 'width':
      return facts.body ? [facts.body[1]] : [];
    default:
      return facts[figure] === null ? [] : [facts[figure]];
  }
}

function compare(value: number, comparison: Comparison, limit: number, near: number): boolean {
  switch (comparison) {
    case '<':
      return value < limit - 1e-9;
    case '<=':
      return value <= limit + 1e-9;
    case '>':
      return value > limit + 1e-9;
    case '>=':
      return value >= limit - 1e-9;
    case '=':
      return Math.abs(value - limit) <= near;
  }
}

const DAY = 86_400_000;
const AGES: Readonly<Record<string, number>> = { today: 1, week: 7, month: 31, year: 366 };

/** What a search may begin with, tried in this order. The first that fits takes its part of the text. */
const READERS: readonly {
  readonly at: RegExp;
  readonly read: (parts: readonly string[], now: number) => Omit<Term, 'text' | 'isWord'> | null;
}[] = [
  {
    // tag:rf, group:power
    at: /^(tag|group):("[^"]+"|\S+)/i,
    read: ([, kind = '', typed = '']) => {
      const wanted = typed.replaceAll('"', '').toLowerCase();
      return kind.toLowerCase() === 'tag'
        ? {
            words: `tag ${wanted}`,
            holds: ({ tags }) => tags.some((tag) => tag.toLowerCase() === wanted),
          }
        : { words: `group ${wanted}`, holds: ({ group }) => group.toLowerCase().includes(wanted) };
    },
  },
  {
    // pins > 40, height<1.2 mm, pitch 0.5
    at: new RegExp(String.raw`^(${Object.keys(FIGURES).join('|')})\s*${SIGN}?\s*${NUMBER}(?![\w.])`, 'i'),
    read: ([, name = '', sign = '=', typed = '', unit]) => {
      const figure = FIGURES[name.toLowerCase()] as Figure;
      const comparison = SIGNS[sign] ?? (sign as Comparison);
      const factor = figure === 'pins' ? 1 : unitOf(unit);
      const limit = valueOf(typed) * factor;
      const near = figure === 'pins' ? 0 : nearness(typed, factor);
      return {
        words: `${figure} ${comparison} ${shown(limit)}${figure === 'pins' ? '' : ' mm'}`,
        holds: ({ facts }) =>
          facts !== null && figuresOf(facts, figure).some((value) => compare(value, comparison, limit, near)),
      };
    },
  },
  {
    // 40 pins
    at: /^(\d+)\s*(pins?|leads|terminals|balls)\b/i,
    read: ([, typed = '']) => ({
      words: `pins = ${typed}`,
      holds: ({ facts }) => facts?.pins === Number(typed),
    }),
  },
  {
    // 5x5, 3,2 × 1.6
    at: new RegExp(String.raw`^${NUMBER}\s*[x×]\s*${NUMBER}(?![\w.])`, 'i'),
    read: ([, a = '', unitA, b = '', unitB]) => {
      const [fa, fb] = [unitOf(unitA ?? unitB), unitOf(unitB ?? unitA)];
      const [one, other] = [valueOf(a) * fa, valueOf(b) * fb];
      const near = [nearness(a, fa), nearness(b, fb)] as const;
      const fits = (x: number, y: number) => Math.abs(x - one) <= near[0] && Math.abs(y - other) <= near[1];
      return {
        words: `body ${shown(one)} × ${shown(other)} mm`,
        holds: ({ facts }) =>
          facts?.body !== undefined &&
          facts.body !== null &&
          (fits(facts.body[0], facts.body[1]) || fits(facts.body[1], facts.body[0])),
      };
    },
  },
  {
    at: /^level\s*([abc])\b/i,
    read: ([, letter = '']) => ({
      words: `level ${letter.toUpperCase()}`,
      holds: ({ facts }) => facts?.level === (letter.toUpperCase() as Level),
    }),
  },
  {
    at: /^(no\s+waivers?|waived|waivers?)\b/i,
    read: ([, said = '']) => {
      const none = /^no/i.test(said);
      return {
        words: none ? 'nothing waived' : 'something waived',
        holds: ({ facts }) => facts !== null && facts.waived > 0 !== none,
      };
    },
  },
  {
    at: /^(un|not\s+)?approved\b/i,
    read: ([, none]) => ({
      words: none ? 'nobody stands for it as it is' : 'approved, and unchanged since',
      holds: ({ isApproved }) => isApproved === !none,
    }),
  },
  {
    at: /^(stops?|cautions?|notes?|holds|clear)\b/i,
    read: ([, said = '']) => {
      const word = said.toLowerCase().replace(/s$/, '');
      const verdict = word === 'hold' ? 'clear' : word;
      return {
        words: verdict === 'clear' ? 'everything holds' : `worst finding: ${verdict}`,
        holds: ({ facts }) => facts?.verdict === verdict,
      };
    },
  },
  {
    at: /^(through[- ]hole|surface(?:[- ]mount(?:ed)?)?|smd|smt|tht)\b/i,
    read: ([, said = '']) => {
      const mount = /^(t)/i.test(said) ? 'through' : 'surface';
      return {
        words: mount === 'through' ? 'through the board' : 'surface mount',
        holds: ({ facts }) => facts?.mount === mount,
      };
    },
  },
  {
    at: /^(made|changed)\s+(today|this\s+(week|month|year))\b/i,
    read: ([, what = '', said = '', span], now) => {
      const made = what.toLowerCase() === 'made';
      const days = AGES[(span ?? said).toLowerCase()] ?? 1;
      return {
        words: `${made ? 'made' : 'changed'} in the last ${days === 1 ? 'day' : `${days} days`}`,
        holds: ({ createdAt, updatedAt }) => now - (made ? createdAt : updatedAt) <= days * DAY,
      };
    },
  },
  {
    // 0.65, 50mil: any figure that is so large
    at: new RegExp(String.raw`^${NUMBER}(?![\w.×-])`, 'i'),
    read: ([, typed = '', unit]) => {
      // a number without a point or unit may be a part of a name
      if (!/[.,]/.test(typed) && unit === undefined) return null;
      const factor = unitOf(unit);
      const [limit, near] = [valueOf(typed) * factor, nearness(typed, factor)];
      const word = typed.toLowerCase();
      return {
        words: `a figure of ${shown(limit)} mm`,
        holds: ({ facts, name }) =>
          name.includes(word) ||
          (facts !== null &&
            (['pitch', 'length', 'width', 'height'] as const).some((figure) =>
              figuresOf(facts, figure).some((value) => Math.abs(value - limit) <= near),
            )),
      };
    },
  },
];

const shown = (value: number): string => formatNumber(value, 0, 4);

/**
 * Reads a search into its terms; every one of them has to hold.
 * @param now milliseconds since 1970, for what was made lately
 */
export function readSearch(query: string, now: number): readonly Term[] {
  const terms: Term[] = [];
  let rest = query.trim();
  while (rest !== '') {
    const found = READERS.flatMap(({ at, read }) => {
      const parts = at.exec(rest);
      const term = parts && read(parts, now);
      return parts && term ? [{ ...term, text: parts[0], isWord: false }] : [];
    })[0];
    const term = found ?? word(/^("[^"]*"?|\S+)/.exec(rest)?.[0] ?? rest);
    terms.push(term);
    rest = rest.slice(term.text.length).replace(/^[\s,;]+/, '');
  }
  return terms;
}

function word(text: string): Term {
  const wanted = text.replaceAll('"', '').toLowerCase();
  return {
    text,
    words: wanted,
    isWord: true,
    holds: ({ name, tags, group, facts }) =>
      name.toLowerCase().includes(wanted) ||
      (facts?.words.includes(wanted) ?? false) ||
      (facts?.process.toLowerCase().includes(wanted) ?? false) ||
      tags.some((tag) => tag.toLowerCase().includes(wanted)) ||
      group.toLowerCase().includes(wanted),
  };
}
