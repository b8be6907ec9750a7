import type { Checked } from '../check/guarded';
import { newDocument } from '../document/document';
import { editsBetween } from '../document/difference';
import { placeWords } from '../document/edit-words';
import { sizesOf } from '../land/solution';
import { standardTitle } from '../standard/standard';
import { formatFigure } from '../units/length';

const mm = (value: number): string => formatFigure(value, 2, 4);

/**
 * A document in words, one fact a line, for textual differences: what was entered and chosen, then what follows
 * from it. The same document gives the same lines.
 */
export function describe({ compiled, report }: Checked): string[] {
  const { document, footprint, resolved, standard } = compiled;
  const chosen = editsBetween(newDocument(document.name, document.package.family), document).filter(
    ({ at }) => !/^\/(package\/dimensions|standard|ownProcess|sources|body\/model|approvals)/.test(at),
  );
  const dimensions = (resolved?.dimensions ?? []).flatMap(({ definition, text, value, asked }) => {
    if (!asked) return [];
    const read = value
      ? definition.kind === 'count'
        ? String(value.nom)
        : value.min === value.max
          ? `${mm(value.nom)} mm`
          : `${mm(value.min)} to ${mm(value.max)} mm`
      : 'not read';
    return [`dimension ${definition.symbol}, ${definition.name.toLowerCase()}: ${text} = ${read}`];
  });
  return [
    `name: ${document.name}`,
    `package: ${resolved?.title ?? document.package.family}`,
    `level: ${document.level}`,
    `process: ${compiled.process.name}`,
    `standard: ${standardTitle(standard)}`,
    ...dimensions,
    ...chosen
      .filter(({ at }) => at !== '/level' && at !== '/process')
      .map(({ at, value }) => `${placeWords(at)}: ${wordsOf(value)}`),
    ...(footprint
      ? [
          `standard name: ${footprint.standardName}`,
          ...footprint.groups.flatMap((group) =>
            sizesOf(group).map(
              ({ symbol, value }) =>
                `${group.terminals.title}, ${symbol}: ${mm(value)} mm, ${group.terminals.places.length} places`,
            ),
          ),
          ...footprint.padstacks.map(
            ({ name, copper, hole }) => `padstack ${name}: ${copper.kind}${hole ? ', with a hole' : ''}`,
          ),
          `courtyard: ${mm(footprint.courtyard.box.maxX - footprint.courtyard.box.minX)} by ${mm(footprint.courtyard.box.maxY - footprint.courtyard.box.minY)} mm`,
          `height: ${mm(footprint.body.heights.top.max)} mm`,
        ]
      : ['no footprint yet']),
    ...report.findings.map(({ severity, title, message }) => `${severity}: ${title}. ${message}`),
    ...(document.approvals ?? []).map(({ by, at, of }) => `approved by ${by}, ${at}, of ${of.slice(0, 12)}`),
    ...report.waived.map(({ finding, waiver }) => `accepted: ${finding.title}: ${waiver.reason}`),
  ];
}

/** A value on one line, whole. */
function wordsOf(value: unknown): string {
  if (value === undefined) return 'none';
  return typeof value === 'string' ? value.replaceAll(/\s+/g, ' ') : JSON.stringify(value);
}
