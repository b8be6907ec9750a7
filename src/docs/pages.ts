import { Marked, type Tokens } from 'marked';
import { RULES } from '../core/check/rules';
import type { Stage } from '../core/document/finding';
import { anchorOf } from './anchor';
import { TRIAL_RULES } from '../core/trial/rules';

// The documentation as pages of the product, from the same Markdown that stands in `docs`.

const TEXTS = import.meta.glob<string>('../../docs/{*,packages/*,package/reference}.md', {
  query: '?raw',
  import: 'default',
  eager: true,
});
const PICTURES = import.meta.glob<string>('../../docs/{screenshots/*.png,packages/*.svg,figures/*.svg}', {
  query: '?url',
  import: 'default',
  eager: true,
});

/** A page of the documentation. */
export interface DocPage {
  /** As the address has it, such as `team` or `packages/chip-1608`. */
  readonly id: string;
  readonly title: string;
  readonly html: string;
  readonly sections: readonly DocSection[];
}

/** A part of a page under its heading, as plain words, for who searches. */
export interface DocSection {
  readonly anchor: string;
  readonly title: string;
  readonly text: string;
}

/** Pages in the order in which they are listed; packages follow on a page of their own. */
const ORDER = [
  ...['lands', 'rules', 'source', 'drawings', 'lists', 'composed', 'shelf', 'house-standard', 'best-land'],
  ...[
    'ruler-and-voltage',
    'second-opinion',
    'trial',
    'hand-over',
    'team',
    'server',
    'package',
    'package/reference',
    'problems',
    'keys',
    'glossary',
    'packages',
  ],
];

const folderOf = (id: string): string =>
  id === 'packages' ? 'packages/' : id.slice(0, id.lastIndexOf('/') + 1);
const idOf = (path: string): string =>
  path.replace('../../docs/', '').replace(/\.md$/, '').replace('packages/README', 'packages');

/** Where a link of a page leads, seen from the product; `null` where it leads out of the documentation. */
function placeOf(href: string, id: string): string | null {
  const [path = '', anchor] = href.split('#');
  if (/^[a-z]+:/i.test(path)) return href;
  const part = anchor ? `#${anchor}` : '';
  if (path === '') return part;
  const whole = path.startsWith('../') ? path.slice(3) : `${folderOf(id)}${path}`;
  const known = idOf(`../../docs/${whole}`);
  return whole.endsWith('.md') && Object.hasOwn(TEXTS, `../../docs/${whole}`)
    ? `/docs/${known}${part}`
    : null;
}

function rendered(id: string, text: string): DocPage {
  let title = id;
  const sections: { anchor: string; title: string; words: string[] }[] = [];
  const marked = new Marked({
    renderer: {
      heading({ tokens, depth, text: words }: Tokens.Heading) {
        const anchor = anchorOf(words);
        return `<h${depth} id="${anchor}">${this.parser.parseInline(tokens)}</h${depth}>\n`;
      },
      link({ href, tokens }: Tokens.Link) {
        const words = this.parser.parseInline(tokens);
        const place = placeOf(href, id);
        return place === null ? words : `<a href="${place}">${words}</a>`;
      },
      // what runs wide is scrolled by keys too
      code({ text: words }: Tokens.Code) {
        const escaped = words.replaceAll('&', '&amp;').replaceAll('<', '&lt;');
        return `<pre tabindex="0"><code>${escaped}\n</code></pre>\n`;
      },
      image({ href, text: words }: Tokens.Image) {
        const url = PICTURES[`../../docs/${folderOf(id)}${href}`];
        return url ? `<img src="${url}" alt="${words.replaceAll('"', '&quot;')}" loading="lazy">` : words;
      },
    },
  });
  for (const token of marked.lexer(text)) {
    if (token.type === 'heading') {
      const { text: words, depth } = token as Tokens.Heading;
      if (depth === 1) title = words;
      sections.push({ anchor: depth === 1 ? '' : anchorOf(words), title: words, words: [] });
    } else sections.at(-1)?.words.push(token.raw);
  }
  return {
    id,
    title,
    html: marked.parse(text, { async: false }),
    sections: sections.map(({ words, ...about }) => ({
      ...about,
      text: words
        .join(' ')
        .replaceAll(/!?\[([^\]]*)\]\([^)]*\)/g, '$1')
        .replaceAll(/[`*|_#>-]+/g, ' ')
        .replaceAll(/\s+/g, ' ')
        .trim(),
    })),
  };
}

/** What rules of each stage are about, drawn. */
const STAGE_FIGURES: readonly (readonly [stage: Stage, title: string, figure: string])[] = [
  ['measure', 'Of dimensions', ''],
  ['land', 'Of lands', '![Toe, heel and side of a joint; gap, width and length of lands](figures/land.svg)'],
  [
    'stack',
    'Of padstacks',
    '![Ring, hole and lead; webs of mask; paste through a stencil](figures/stack.svg)',
  ],
  ['mark', 'Of marks', '![Legend, pin-1 mark and courtyard round a part](figures/mark.svg)'],
  ['rise', 'Of heights', '![Laminate, copper, solder, seating plane, standoff and height](figures/rise.svg)'],
  ['prove', 'Of joints', '![Toe, heel and side of a joint](figures/land.svg)'],
  ['release', 'Of what is handed over', ''],
];

/** Every rule with its source, from the rules themselves. */
function rulesText(): string {
  type Told = { id: string; title: string; fault: string; source: string; severity: string };
  const list = (rules: readonly Told[]) =>
    rules
      .map(
        ({ id, title, fault, source, severity }) =>
          `<h3 id="${id}">${title}</h3>\n\nWhere it does not hold: ${fault.toLowerCase()}, a ${severity} by itself. Source: ${source}.\n`,
      )
      .join('\n');
  return [
    '# Rules',
    'Every footprint is held against these, as far as it has what they look at. A process or a house standard may take each as graver or lighter, or leave it out; what is left out is counted in the Ledger. A finding is accepted with a reason, which lapses where its value gets worse.',
    'Beside them, each package family holds its own dimensions against one another (foot against lead, span against body, row against pitch and count), and says which two disagree.',
    ...STAGE_FIGURES.flatMap(([stage, title, figure]) => {
      const own = RULES.filter((rule) => rule.stage === stage);
      return own.length === 0 ? [] : [`## ${title}`, figure, list(own)];
    }),
    '## Of second sources',
    '<h3 id="alternate-fit">Terminals on the lands of the first</h3>\n\nWhere it does not hold: its terminals do not lie on these lands, a stop by itself. Source: one land for each terminal. Every other rule is held against the part of a second source too, once its terminals lie on the lands.',
    '## Of a board',
    list(TRIAL_RULES),
  ].join('\n\n');
}

const pages: ReadonlyMap<string, DocPage> = new Map(
  [
    ...Object.entries(TEXTS).map(([path, text]) => [idOf(path), text] as const),
    ['rules', rulesText()] as const,
  ].map(([id, text]) => [id, rendered(id, text)]),
);

/** A page; `null` where there is none of that name. */
export function docPage(id: string): DocPage | null {
  return pages.get(id) ?? null;
}

/** The pages that are listed, in their order. */
export function docPages(): readonly DocPage[] {
  return ORDER.flatMap((id) => pages.get(id) ?? []);
}

/** Every section of every page, for the search. */
export function docSections() {
  return [...pages.values()].flatMap(({ id, title, sections }) =>
    sections.map(({ anchor, title: heading, text }, i) => ({
      id: `${id}#${i}`,
      address: `/docs/${id}${anchor ? `#${anchor}` : ''}`,
      page: title,
      title: heading,
      text,
    })),
  );
}
