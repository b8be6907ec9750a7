import { allFields } from '../process/fields';
import { processById, PROCESSES } from '../process';
import type { KeptSpread } from '../process/measured';
import type { Process } from '../process/process';

/** A copy of a process under a name of its own, so that the original is never overwritten. */
export function copyProcess(
  original: Process,
  taken: readonly { readonly id: string; readonly name: string }[],
): Process {
  const isTaken = (key: 'id' | 'name', value: string) =>
    [...PROCESSES, ...taken].some((other) => other[key] === value);
  for (let i = 1; ; i += 1) {
    const tail = i === 1 ? '' : ` ${i}`;
    const id = `${original.id.replace(/-copy(-\d+)?$/, '').slice(0, 30)}-copy${tail.replace(' ', '-')}`;
    const name = `${original.name.replace(/ \(copy( \d+)?\)$/, '').slice(0, 60)} (copy${tail})`;
    if (!isTaken('id', id) && !isTaken('name', name)) return { ...original, id, name, basedOn: original.id };
  }
}

/**
 * What a document carries of its process: nothing where it is one that comes with Tapis, which is known by its
 * id. One that only bears such an id and differs is carried, so that its numbers hold.
 */
export function carriedProcess(process: Process): Process | undefined {
  const known = processById(process.id);
  return known && processDifferences(known, process).length === 0 ? undefined : process;
}

/** One number or choice in which two processes differ. */
export interface ProcessDifference {
  readonly title: string;
  readonly from: string;
  readonly to: string;
}

/** In what two processes differ, in the order of their fields. */
export function processDifferences(a: Process, b: Process): ProcessDifference[] {
  const found = allFields().flatMap(({ key, title, words }): ProcessDifference[] => {
    const said = (value: number) => words?.find(([one]) => one === value)?.[1] ?? String(value);
    return a[key] === b[key] ? [] : [{ title, from: said(a[key]), to: said(b[key]) }];
  });
  const say = (title: string, from: unknown, to: unknown) => {
    const [x, y] = [JSON.stringify(from), JSON.stringify(to)];
    if (x !== y) found.push({ title, from: plain(from), to: plain(to) });
  };
  for (const [key, title] of Object.entries(OTHER_TITLES) as [OtherKey, string][]) say(title, a[key], b[key]);
  return found;
}

/** What of a process is no number, and what it is called. */
const OTHER_TITLES = {
  drills: 'Drills',
  orientation: 'Zero rotation',
  acceptanceClass: 'Acceptance class',
  levels: 'Density levels',
  severities: 'Severities',
  spreads: 'Measured spreads',
} as const;
type OtherKey = keyof typeof OTHER_TITLES;

/** What a field of a process is called. */
export function processFieldTitle(key: string): string {
  const number = allFields().find((field) => field.key === key);
  return number?.title ?? (OTHER_TITLES as Readonly<Record<string, string>>)[key] ?? key;
}

/** Offsets are counted, not listed. */
function spreadWords({ is, offsets, source }: KeptSpread): string {
  const said = offsets ? `${offsets.split(' ').length} measured` : (is ?? '');
  return source ? `${said} (${source})` : said;
}

function plain(value: unknown): string {
  if (value === undefined) return 'nothing said';
  if (Array.isArray(value)) return value.length > 0 ? value.join(', ') : 'none listed';
  if (typeof value === 'object' && value !== null) {
    const parts = Object.entries(value as Record<string, string | KeptSpread>).map(
      ([key, said]) => `${key} ${typeof said === 'string' ? said : spreadWords(said)}`,
    );
    return parts.length > 0 ? parts.join(', ') : 'as the rules say';
  }
  return String(value);
}
