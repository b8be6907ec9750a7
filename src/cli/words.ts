import type { Report } from '../core/check/check';

/** A report as the terminal prints it: a line for each finding, and how many rules held. */
export function reportWords({ findings, held, idle, silenced }: Report): string {
  const lines = findings.map(
    ({ severity, title, message, source }) => `${severity}: ${title}. ${message} [${source}]`,
  );
  const off = silenced.map(
    ({ title, count, by, reason }) =>
      `switched off by ${by}: ${title}, ${count} findings${reason ? ` (${reason})` : ''}`,
  );
  return [...lines, ...off, `${held.length} rules held, ${idle.length} had nothing to look at`, ''].join(
    '\n',
  );
}
