import type { Report } from '../core/check/check';

/** A report as the terminal prints it: a line for each finding, and how many rules held. */
export function reportWords({ findings, held, idle }: Report): string {
  const lines = findings.map(
    ({ severity, title, message, source }) => `${severity}: ${title}. ${message} [${source}]`,
  );
  return [...lines, `${held.length} rules held, ${idle.length} had nothing to look at`, ''].join('\n');
}
