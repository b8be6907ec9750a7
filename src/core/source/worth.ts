import type { Word } from './page';
import { headSays } from './words';

/** What a page of a datasheet seems to hold. */
export interface PageWorth {
  readonly score: number;
  readonly what: 'dimensions' | 'land pattern' | 'pins' | 'drawing' | '';
}

const HEADINGS: readonly (readonly [PageWorth['what'], RegExp])[] = [
  [
    'land pattern',
    /(recommended|suggested|typical)?\s*(land pattern|footprint|solder(ing)? (pad|land)|pcb layout|pad layout|lötflächen|lötpads)/i,
  ],
  [
    'dimensions',
    /package (outline|dimensions|drawing|information|mechanical)|mechanical (data|drawing|dimensions)|outline (dimensions|drawing)|abmessungen|maßbild|maßzeichnung|gehäusemaße/i,
  ],
  [
    'pins',
    /pin (description|configuration|assignment|function|list|table|out)|terminal functions|anschlussbelegung|pinbelegung/i,
  ],
];

/** How likely a page has a drawing or a table that a footprint is read from. */
export function pageWorth(words: readonly Word[]): PageWorth {
  const text = words.map((word) => word.text).join(' ');
  const heading = HEADINGS.find(([, form]) => form.test(text))?.[0] ?? '';
  const limits = words.filter((word) => headSays(word.text).limit !== null).length;
  const numbers = words.filter((word) => /^\d*[.,]\d+$/.test(word.text)).length;
  const isTable = limits >= 2 && numbers >= 6;
  const score =
    (heading === '' ? 0 : heading === 'pins' ? 4 : 8) + Math.min(6, limits) + Math.min(10, numbers / 4);
  const what =
    heading !== ''
      ? heading
      : isTable
        ? 'dimensions'
        : numbers >= 12 && words.length < 4 * numbers
          ? 'drawing'
          : '';
  return { score: what === '' ? Math.min(score, 3) : score, what };
}
