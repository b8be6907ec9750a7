import type { Report } from '../check/check';
import type { Checked } from '../check/guarded';
import type { Footprint } from '../footprint/footprint';
import { sizeOf } from '../geometry/figure';
import { sizesOf } from '../land/solution';
import { coverageOf } from '../padstack/windows';

/** One thing in which two compiled documents differ; lengths in mm, `null` where there is none. */
export interface Change {
  /** What kind of thing it is. */
  readonly what: 'name' | 'size' | 'opening' | 'courtyard' | 'mark' | 'finding';
  readonly title: string;
  /** The symbol of a land size, and the group of lands it is of. */
  readonly symbol?: string;
  readonly group?: string;
  readonly from: number | string | null;
  readonly to: number | string | null;
  /** A length that shrank or grew, or words. */
  readonly kind: 'length' | 'text';
}

/**
 * In what two versions of one footprint differ: names, land sizes by group, openings, courtyard,
 * marks, and the findings that come and go.
 */
export function compareCompiled(before: Checked, after: Checked): Change[] {
  const [a, b] = [before.compiled.footprint, after.compiled.footprint];
  return [...(a && b ? footprintChanges(a, b) : []), ...findingChanges(before.report, after.report)];
}

function footprintChanges(a: Footprint, b: Footprint): Change[] {
  return [
    ...text('name', 'Standard name', a.standardName, b.standardName),
    ...sizeChanges(a, b),
    ...text('opening', 'Vias in lands', viaCount(a), viaCount(b)),
    ...text('opening', 'Paste on exposed pads', coverage(a), coverage(b)),
    ...length('opening', 'Mask opening beyond the land', maskMargin(a), maskMargin(b)),
    ...length('courtyard', 'Courtyard across', across(a), across(b)),
    ...length('courtyard', 'Courtyard upright', upright(a), upright(b)),
    ...length('mark', 'Legend line', a.legend.width, b.legend.width),
    ...length('mark', 'Text height', a.texts[0]?.height ?? null, b.texts[0]?.height ?? null),
  ];
}

/** Sizes of the groups that both have. */
function sizeChanges(a: Footprint, b: Footprint): Change[] {
  const several = Math.max(a.groups.length, b.groups.length) > 1;
  return b.groups.flatMap((now): Change[] => {
    const { id, title } = now.terminals;
    const old = a.groups.find(({ terminals }) => terminals.id === id);
    if (!old) return [];
    const sizes = sizesOf(old);
    return sizesOf(now).flatMap(({ symbol, name, value }) => {
      const was = sizes.find((size) => size.symbol === symbol)?.value ?? null;
      const words = several ? `${title}: ${name.toLowerCase()}` : name;
      return length('size', words, was, value).map((change) => ({ ...change, symbol, group: id }));
    });
  });
}

function findingChanges(before: Report, after: Report): Change[] {
  const open = ({ findings }: Report) => new Map(findings.map((f) => [`${f.rule} ${f.severity}`, f]));
  const [was, now] = [open(before), open(after)];
  const come = [...now].filter(([key]) => !was.has(key));
  const gone = [...was].filter(
    ([key, { rule }]) => !now.has(key) && !after.findings.some((finding) => finding.rule === rule),
  );
  return [
    ...come.flatMap(([, { title, severity }]) => text('finding', title, 'held', severity)),
    ...gone.flatMap(([, { title, severity }]) => text('finding', title, severity, 'held')),
  ];
}

function length(what: Change['what'], title: string, from: number | null, to: number | null): Change[] {
  const same = from === to || (from !== null && to !== null && Math.abs(from - to) <= 1e-6);
  return same ? [] : [{ what, title, from, to, kind: 'length' }];
}

function text(what: Change['what'], title: string, from: string, to: string): Change[] {
  return from === to ? [] : [{ what, title, from, to, kind: 'text' }];
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
