import type { Waiver } from '../document/document';
import { pointerKey, type Edit } from '../document/edit';
import type { Finding } from '../document/finding';
import { landsKey } from '../document/lands-key';

/** A finding that somebody accepted. */
export interface WaivedFinding {
  readonly finding: Finding;
  readonly waiver: Waiver;
}

/** Under which a finding's waiver is kept: its rule and the place it speaks of. */
export function waiverKey({ rule, place }: Finding): string {
  const { alternate = '' } = place;
  const dimensions = (place.dimensions ?? []).join(' ');
  return [rule, landsKey(place.lands ?? []), (place.parts ?? []).join(' '), dimensions, alternate]
    .filter((part) => part !== '')
    .join(': ');
}

/** Where a finding's waiver stands in the document. */
export function waiverAt(finding: Finding): string {
  return `/waivers/${pointerKey(waiverKey(finding))}`;
}

/** An edit that accepts a finding as it stands. @param by who accepts it; empty where nobody says */
export function waive(finding: Finding, reason: string, by = ''): Edit {
  const { measured } = finding;
  const value: Waiver = {
    reason,
    ...(by === '' ? {} : { by }),
    ...(measured ? { value: measured.value, limit: measured.limit } : {}),
  };
  return { at: waiverAt(finding), value };
}

/** Whether a finding is worse than it was when it was accepted. */
function isWorse({ measured }: Finding, { value }: Waiver): boolean {
  if (!measured || value === undefined) return false;
  const hair = 1e-6;
  return measured.value < measured.limit ? measured.value < value - hair : measured.value > value + hair;
}

/** Parts findings into those that are open and those that are waived; a waiver lapses when it got worse. */
export function withWaivers(
  findings: readonly Finding[],
  waivers: Readonly<Record<string, Waiver>>,
): { readonly open: Finding[]; readonly waived: WaivedFinding[] } {
  const open: Finding[] = [];
  const waived: WaivedFinding[] = [];
  for (const finding of findings) {
    const key = waiverKey(finding);
    const waiver = Object.hasOwn(waivers, key) ? waivers[key] : undefined;
    if (!waiver) open.push({ ...finding, key });
    else if (isWorse(finding, waiver)) open.push({ ...finding, key, lapsed: waiver });
    else waived.push({ finding: { ...finding, key }, waiver });
  }
  return { open, waived };
}
