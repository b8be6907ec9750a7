import type { Compiled, Footprint } from '../footprint/footprint';
import { sizesOf } from '../land/solution';
import { sizeOf } from '../geometry/figure';
import { coverageOf } from '../padstack/windows';
import type { Report } from './check';

/** One thing in which two compiled documents differ; lengths in mm, `null` where there is none. */
export interface Change {
  readonly title: string;
  readonly from: number | string | null;
  readonly to: number | string | null;
  /** A length that shrank or grew, or words. */
  readonly kind: 'length' | 'text';
}

/**
 * In what two versions of one footprint differ: names, land sizes by group, gaps, openings, courtyard,
 * marks, and the findings that come and go.
 */
export function compareCompiled(
  before: Compiled,
  reportBefore: Report,
  after: Compiled,
  reportAfter: Report,
): Change[] {
  const [a, b] = [before.footprint, after.footprint];
  const changes: Change[] = [];
  const length = (title: string, from: number | null, to: number | null) => {
    if (from === null && to === null) return;
    if (from === null || to === null || Math.abs(from - to) > 1e-6) {
      changes.push({ title, from, to, kind: 'length' });
    }
  };
  const text = (title: string, from: string, to: string) => {
    if (from !== to) changes.push({ title, from, to, kind: 'text' });
  };
  if (a && b) {
    text('Standard name', a.standardName, b.standardName);
    const several = Math.max(a.groups.length, b.groups.length) > 1;
    b.groups.forEach(({ id, title }, i) => {
      const j = a.groups.findIndex((group) => group.id === id);
      const [old, now] = [a.solutions[j], b.solutions[i]];
      if (!old || !now) return;
      const sizes = sizesOf(old);
      for (const { symbol, name, value } of sizesOf(now)) {
        const was = sizes.find((size) => size.symbol === symbol)?.value ?? null;
        length(several ? `${title}: ${name.toLowerCase()}` : name, was, value);
      }
    });
    text('Vias in lands', viaCount(a), viaCount(b));
    text('Paste on exposed pads', coverage(a), coverage(b));
    length('Mask opening beyond the land', maskMargin(a), maskMargin(b));
    length('Courtyard across', across(a), across(b));
    length('Courtyard upright', upright(a), upright(b));
    length('Legend line', a.legend.width, b.legend.width);
    length('Text height', a.texts[0]?.height ?? null, b.texts[0]?.height ?? null);
  }
  const open = ({ findings }: Report) => new Map(findings.map((f) => [`${f.rule} ${f.severity}`, f]));
  const [was, now] = [open(reportBefore), open(reportAfter)];
  for (const [key, { title, severity }] of now) if (!was.has(key)) text(title, 'held', severity);
  for (const [key, { title, severity, rule }] of was) {
    const stays = reportAfter.findings.some((f) => f.rule === rule);
    if (!now.has(key) && !stays) text(title, severity, 'held');
  }
  return changes;
}

function viaCount({ lands }: Footprint): string {
  return String(lands.reduce((sum, { vias }) => sum + vias.length, 0));
}

/** Shares of the pads that are covered, in whole percent. */
function coverage({ padstacks }: Footprint): string {
  const split = padstacks.filter(({ windows }) => windows !== null);
  return split.map(({ copper, paste }) => `${Math.round(coverageOf(copper, paste) * 100)} %`).join(', ');
}

function maskMargin({ padstacks }: Footprint): number | null {
  const [stack] = padstacks;
  const opening = stack?.mask[0];
  return stack && opening ? (sizeOf(opening.figure).width - sizeOf(stack.copper).width) / 2 : null;
}

function across({ courtyard: { box } }: Footprint): number {
  return box.maxX - box.minX;
}

function upright({ courtyard: { box } }: Footprint): number {
  return box.maxY - box.minY;
}
