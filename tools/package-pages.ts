// npm run pages: writes docs/packages from the product: the ten packages that are asked for most, with
// their lands at three levels, how they come about, and what the checks say.
import { mkdirSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { check, type Report } from '../src/core/check/check';
import { LEVELS, newDocument, type TapisDocument } from '../src/core/document/document';
import { applyEdits } from '../src/core/document/edit';
import { outlineEdits } from '../src/core/document/entries';
import { compile } from '../src/core/footprint/compile';
import { isDrawable, type Drawable } from '../src/core/footprint/footprint';
import { svg } from '../src/core/format/svg/svg';
import { derivationOf, sizesOf, type SolvedGroup } from '../src/core/land/solution';
import { substituted } from '../src/core/land/derivation';
import { familyById } from '../src/core/package/families';
import { formatFigure, formatMm } from '../src/core/units/length';

export const PAGES_FOLDER = 'docs/packages';

/** File name, family and typical size of each page. */
const PACKAGES = [
  ['chip-1608', 'rectangular-chip', '1608 metric'],
  ['chip-2012', 'rectangular-chip', '2012 metric'],
  ['gull-wing-8', 'gull-wing-dual', '8 leads, 3.9 mm body, pitch 1.27'],
  ['gull-wing-20', 'gull-wing-dual', '20 leads, 4.4 mm body, pitch 0.65'],
  ['gull-wing-quad-48', 'gull-wing-quad', '48 leads, 7 × 7, pitch 0.5'],
  ['no-lead-32', 'no-lead-quad', '32 terminals, 5 × 5, pitch 0.5'],
  ['small-transistor-3', 'small-transistor', '3 leads, 2.9 × 1.3 body'],
  ['small-transistor-5', 'small-transistor', '5 leads, 2.9 × 1.6 body'],
  ['tab-package', 'tab-package', 'Small tab package, 6.6 mm body'],
  ['dip-8', 'dip', '8 leads, rows 7.62'],
] as const;

interface Page {
  readonly name: string;
  readonly drawable: Drawable;
  readonly report: Report;
  readonly outline: { readonly name: string; readonly source: string };
}

function pageOf([name, id, size]: (typeof PACKAGES)[number]): Page {
  const family = familyById(id);
  const outline = family?.outlines?.find((one) => one.name === size);
  if (!outline) throw new Error(`no typical size “${size}” of ${id}`);
  const empty = newDocument(size, id, {});
  const document: TapisDocument = applyEdits(empty, outlineEdits(empty, outline));
  const drawable = compile(document);
  if (!isDrawable(drawable)) throw new Error(drawable.problems.map(({ message }) => message).join('; '));
  return { name, drawable, report: check(drawable), outline };
}

const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  [head, head.map(() => '---'), ...rows].map((row) => `| ${row.join(' | ')} |`).join('\n');

/** The dimensions as they were entered, and what they were read as. */
function dimensions({ resolved }: Drawable): string {
  const rows = (resolved?.dimensions ?? [])
    .filter(({ asked, value }) => asked && value)
    .map(({ definition, text, source, value }) => [
      definition.name,
      definition.symbol,
      source === 'entered' ? text : `${text} (usual or computed)`,
      definition.kind === 'count' || !value
        ? formatFigure(value?.nom ?? NaN)
        : `${formatMm(value.min)} to ${formatMm(value.max)}`,
    ]);
  return table(['dimension', 'symbol', 'entered', 'read, mm'], rows);
}

/** Sizes of a group's lands at the three levels. */
function lands({ levels }: Drawable, group: SolvedGroup, index: number): string {
  const at = LEVELS.map((level) => sizesOf(levels?.[level][index] ?? group));
  const rows = sizesOf(group).map(({ symbol, name }) => [
    name,
    symbol,
    ...at.map((sizes) => {
      const size = sizes.find((one) => one.symbol === symbol);
      return size ? formatMm(size.value) : '–';
    }),
  ]);
  return table(['size, mm', 'symbol', ...LEVELS.map((level) => `level ${level}`)], rows);
}

function derivation(group: SolvedGroup): string {
  const symbols =
    group.kind === 'span' ? ['X', 'Y', 'C', 'Z', 'G'] : group.kind === 'pin' ? ['H', 'D'] : ['D', 'Y', 'X'];
  const steps = new Set(symbols.flatMap((symbol) => derivationOf(group, symbol)));
  return [...steps]
    .map((step) => {
      const note = step.note ? `, ${step.note}` : '';
      return `- ${step.symbol} = ${step.formula} = ${substituted(step, 'mm')} = **${formatMm(step.result)}**${note}`;
    })
    .join('\n');
}

function markdown({ name, drawable, report, outline }: Page): string {
  const { footprint } = drawable;
  const groups = footprint.groups.map((group, i) => {
    const several = footprint.groups.length > 1;
    return [
      `## ${several ? group.terminals.title : 'Lands'}`,
      `${group.title} (${group.source}).`,
      lands(drawable, group, i),
      `### How level ${drawable.document.level} comes about`,
      derivation(group),
    ].join('\n\n');
  });
  const findings = report.findings.map(
    ({ severity, title, message, source }) => `- **${severity}**, ${title}: ${message} (${source})`,
  );
  return (
    [
      `# ${footprint.package.title}: ${outline.name}`,
      `Standard name ${footprint.standardName}. Typical limits of ${outline.source}: a start, not a datasheet. Written by \`npm run pages\`.`,
      `![Plan at 1:1 of ${footprint.standardName}](${name}.svg)`,
      dimensions(drawable),
      ...groups,
      '## Findings',
      [...findings, `- ${report.held.length} rules held, ${report.idle.length} had nothing to look at.`].join(
        '\n',
      ),
    ].join('\n\n') + '\n'
  );
}

/** Every file of the pages by its name. */
export function packagePages(): ReadonlyMap<string, string> {
  const pages = PACKAGES.map(pageOf);
  const index = table(
    ['package', 'standard name', 'lands at level B, mm'],
    pages.map(({ name, drawable: { footprint }, outline }) => [
      `[${footprint.package.title}: ${outline.name}](${name}.md)`,
      footprint.standardName,
      footprint.groups
        .map((group) =>
          sizesOf(group)
            .map(({ symbol, value }) => `${symbol} ${formatMm(value)}`)
            .join(', '),
        )
        .join('; '),
    ]),
  );
  return new Map([
    ['README.md', `# Packages that are asked for most\n\n${index}\n`],
    ...pages.flatMap((page): [string, string][] => [
      [`${page.name}.md`, markdown(page)],
      [`${page.name}.svg`, svg.write(page.drawable) as string],
    ]),
  ]);
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  mkdirSync(PAGES_FOLDER, { recursive: true });
  for (const [name, text] of packagePages()) writeFileSync(`${PAGES_FOLDER}/${name}`, text);
}
