import type { Report } from '../../core/check/check';
import type { Change } from '../../core/compare/compare';
import { MISSING } from '../../core/document/finding';
import { formatLength, type DisplayUnit } from '../../core/units/length';
import type { Previewed } from './view';

/** One side of a change as it is written. */
export function changedValue(value: Change['from'], kind: Change['kind'], unit: DisplayUnit): string {
  if (value === null) return 'none';
  return kind === 'length' ? formatLength(Number(value), unit) : String(value);
}

/** Sizes that a remedy's line tells. */
const SIZES = 3;

/**
 * What a remedy would change, in a line: land sizes, the standard name, and the open findings.
 * @param open findings that are open now
 */
export function effectWords({ changes, open: after }: Previewed, open: number, unit: DisplayUnit): string {
  // symbols say nothing of their group: one group is told
  const first = changes.find(({ what }) => what === 'size')?.group;
  const sizes = changes
    .filter(({ what, group }) => what === 'size' && group === first)
    .slice(0, SIZES)
    .map(
      ({ symbol, from, to, kind }) =>
        `${symbol} ${changedValue(from, kind, unit)} → ${changedValue(to, kind, unit)}`,
    );
  const names = changes.flatMap(({ what, to }) => (what === 'name' ? [String(to)] : []));
  return [...sizes, ...names, after === open ? `${open} open, as now` : `${open} → ${after} open`].join(
    ' · ',
  );
}

/** Findings that ask for something to be done. */
export function openCount({ findings }: Report): number {
  return findings.filter(({ severity }) => severity !== 'note').length;
}

/** `1 stop · 2 cautions · 14 held`. */
export function summary({ findings, held, waived, silenced }: Report): string {
  const missing = findings.filter(({ rule }) => rule === MISSING).length;
  const count = (severity: string) =>
    findings.filter((f) => f.severity === severity && f.rule !== MISSING).length;
  const word = (n: number, one: string) => (n > 0 ? [`${n} ${one}${n > 1 ? 's' : ''}`] : []);
  const parts = [
    ...(missing > 0 ? [`${missing} still to enter`] : []),
    ...word(count('stop'), 'stop'),
    ...word(count('caution'), 'caution'),
    ...word(count('note'), 'note'),
  ];
  // what is switched off is counted, never silent
  const unsaid = silenced.reduce((sum, { count: one }) => sum + one, 0);
  if (silenced.length > 0)
    parts.push(`${silenced.length} switched off${unsaid > 0 ? ` (${unsaid} findings)` : ''}`);
  if (waived.length > 0) parts.push(`${waived.length} waived`);
  if (held.length > 0) parts.push(`${held.length} held`);
  return parts.length > 0 ? parts.join(' · ') : 'nothing checked yet';
}
