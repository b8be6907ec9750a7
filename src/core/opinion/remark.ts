import { type Severity } from '../document/finding';

// What an opinion says: remarks with their gravity, the lands that they are about, and a verdict in one line.

/** What a remark is about. */
export type RemarkKind =
  | 'scale'
  | 'below'
  | 'missing'
  | 'extra'
  | 'holes'
  | 'numbers'
  | 'pitch'
  | 'joint'
  | 'size'
  | 'mask'
  | 'paste'
  | 'courtyard'
  | 'mark'
  | 'origin'
  | 'turn'
  | 'file'
  | 'rule';

/** Something that is to be known of a pattern. */
export interface Remark {
  readonly kind: RemarkKind;
  readonly severity: Severity;
  readonly title: string;
  readonly message: string;
  /** Lands of the package that it is about, by what they are known by. */
  readonly lands: readonly string[];
  /** Indices of the pattern's lands that it is about. */
  readonly given: readonly number[];
}

/** Usable, to be looked at, or wrong. */
export type Verdict = 'usable' | 'look' | 'wrong';

export type About = Partial<Pick<Remark, 'lands' | 'given'>>;

export const remark = (
  kind: RemarkKind,
  severity: Severity,
  title: string,
  message: string,
  { lands = [], given = [] }: About = {},
): Remark => ({ kind, severity, title, message, lands, given });

/** Numbers that a sentence names at most. */
export const NAMED = 6;

/** The numbers of lands: a run as from to, else one by one. */
export function namesOf(numbers: readonly string[]): string {
  const own = [...new Set(numbers.map((number) => (number === '' ? '(none)' : number)))];
  const plain = own.every((number) => /^\d+$/.test(number)) ? own.map(Number).sort((a, b) => a - b) : [];
  const isRun =
    plain.length > 2 && plain.every((number, i) => i === 0 || number === (plain[i - 1] as number) + 1);
  if (isRun) return `${plain[0]}–${plain.at(-1)}`;
  return own.length > NAMED
    ? `${own.slice(0, NAMED).join(', ')} and ${own.length - NAMED} more`
    : own.join(', ');
}

export const landsWord = (count: number): string => (count === 1 ? 'land' : 'lands');

export const RANK: Readonly<Record<Severity, number>> = { stop: 0, caution: 1, note: 2 };

/** Worst first. */
export const byGravity = (a: Remark, b: Remark): number => RANK[a.severity] - RANK[b.severity];

/** What the gravest remark makes of a pattern. */
export function verdictOf(remarks: readonly Remark[]): Verdict {
  if (remarks.some(({ severity }) => severity === 'stop')) return 'wrong';
  return remarks.some(({ severity }) => severity === 'caution') ? 'look' : 'usable';
}

/** The verdict in one line. */
export function lineOf(remarks: readonly Remark[], level: string): string {
  const of = (severity: Severity) => [
    ...new Set(remarks.filter((one) => one.severity === severity).map(({ title }) => lower(title))),
  ];
  const [stops, cautions] = [of('stop'), of('caution')];
  const more = (all: readonly string[]) =>
    all.length > 4 ? `${all.slice(0, 4).join('; ')}; and ${all.length - 4} more` : all.join('; ');
  if (stops.length > 0) return `Do not use it as it is: ${more(stops)}.`;
  const tail = level === '' ? '' : ` ${capital(level)}.`;
  if (cautions.length > 0) return `Look before you use it: ${more(cautions)}.${tail}`;
  return `It can be used.${tail}`;
}

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
