// To whom a release goes, and which files belong to it.

/** A choice of files, kept under a name. */
export interface ReleaseTarget {
  readonly id: string;
  readonly title: string;
  /** Ids of formats, in their order. */
  readonly formats: readonly string[];
  /** How files are called, without their ending: words in braces are filled in. */
  readonly pattern: string;
}

/** What a pattern can name. */
export const PATTERN_WORDS = [
  'name',
  'standard',
  'reference',
  'value',
  'level',
  'revision',
  'process',
] as const;
export type PatternWord = (typeof PATTERN_WORDS)[number];

const USUAL = '{standard}';

/** Targets that come with Tapis; copies of them can be changed. */
export const TARGETS: readonly ReleaseTarget[] = [
  {
    id: 'board-shop',
    title: 'Board shop',
    formats: ['artwork', 'ipc2581', 'drawing', 'csv'],
    pattern: USUAL,
  },
  { id: 'stencil', title: 'Stencil', formats: ['stencil', 'drawing'], pattern: USUAL },
  { id: 'mechanics', title: 'Mechanics', formats: ['step', 'idf', 'dxf', 'drawing'], pattern: USUAL },
  {
    id: 'review',
    title: 'Review',
    formats: ['json', 'report', 'drawing', 'paper-check', 'pins-csv'],
    pattern: USUAL,
  },
  {
    id: 'everything',
    title: 'Everything',
    formats: [
      'json',
      'drawing',
      'drawing-svg',
      'report',
      'report-html',
      'paper-check',
      'csv',
      'pins-csv',
      'pins-json',
      'artwork',
      'stencil',
      'ipc2581',
      'dxf',
      'idf',
      'step',
      'gltf',
      '3mf',
      'stl',
      'placement',
      'svg',
    ],
    pattern: USUAL,
  },
];

/** What is wrong with a pattern, in words; `null` where it can be used. */
export function patternTrouble(pattern: string): string | null {
  const unknown = [...pattern.matchAll(/\{([^{}]*)\}/g)]
    .map(([, word = '']) => word)
    .find((word) => !PATTERN_WORDS.includes(word as PatternWord));
  if (unknown !== undefined)
    return `“{${unknown}}” is not known; known are ${PATTERN_WORDS.map((word) => `{${word}}`).join(', ')}.`;
  if (/[{}]/.test(pattern.replace(/\{[^{}]*\}/g, ''))) return 'A brace has no partner.';
  if (pattern.trim() === '') return 'It is empty: every file needs a name.';
  return pattern.length > 120 ? 'It is longer than 120 letters.' : null;
}

/** A file's name after a pattern: nothing that parts paths, or that a system reserves. */
export function filled(pattern: string, values: Readonly<Record<PatternWord, string>>): string {
  const name = pattern
    .replace(/\{([^{}]*)\}/g, (_, word: string) => values[word as PatternWord] ?? '')
    .replace(/[\\/:*?"<>|\u0000-\u001f]+/g, '-')
    .replace(/^[. ]+|[. ]+$/g, '')
    .slice(0, 120);
  return name === '' ? 'footprint' : name;
}
