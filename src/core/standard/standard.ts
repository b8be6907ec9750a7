import type { ClauseValue } from './fields';
import { PUBLISHED_LEVELS, type Level, type LevelWords, type PublishedLevel } from './levels';
import { GOAL_ROWS, type GoalRow, type LeadForm } from './published';

/** One difference from what is published, and why. */
export interface Clause {
  readonly value: ClauseValue;
  /** Where the house says so, such as 4.3. */
  readonly clause?: string;
  readonly reason?: string;
}

/** From above the first up to the second, mm; `null` where it is open. */
export type Band = readonly [above: number | null, upTo: number | null];

/** A row of goals of the house's own: which leads it holds for. At least one of form and families is said. */
export interface OwnRow {
  readonly id: string;
  readonly title: string;
  readonly form?: LeadForm;
  /** Ids of families, those of one's own too. */
  readonly families?: readonly string[];
  readonly pitch?: Band;
  /** Of the span over the terminals, nominal. */
  readonly size?: Band;
  /** Of the body, nominal. */
  readonly height?: Band;
}

/** What a house calls a level, and what it is for. Level D is one of its own and says which it comes from. */
export interface LevelIntent {
  readonly title?: string;
  readonly purpose?: string;
  readonly letter?: string;
  readonly from?: PublishedLevel;
}

/**
 * What a house wants of its footprints: only what differs from what is published, or from the standard
 * that it builds on. Its JSON form is checked by the schema made from the table in `fields.ts`.
 */
export interface StandardDocument {
  readonly id: string;
  readonly name: string;
  readonly version: string;
  readonly summary?: string;
  /** The standard that it builds on, whole. */
  readonly over?: StandardDocument;
  readonly levels?: Readonly<Partial<Record<Level, LevelIntent>>>;
  readonly rows?: readonly OwnRow[];
  /** By their places. */
  readonly clauses: Readonly<Record<string, Clause>>;
}

/** What is said at a place, and by whom. Lengths in mm. */
export interface Stated extends Clause {
  /** The standard that says it: the nearest that says anything. */
  readonly by: Pick<StandardDocument, 'id' | 'name' | 'version'>;
}

/** A clause that cannot be used, or that needs a word. */
export interface ClauseProblem {
  /** The standard that it is of. */
  readonly by: string;
  /** Its place; empty for the standard itself. */
  readonly at: string;
  readonly message: string;
  /** Whether the clause is left out. */
  readonly isLeftOut: boolean;
}

/** What is wanted of footprints: what is published, with what a house says in its place. */
export interface Standard {
  /** As it is written; `null` for what is published. */
  readonly document: StandardDocument | null;
  readonly levels: readonly LevelWords[];
  /** Rows of goals of the house's own, nearest first. */
  readonly rows: readonly OwnRow[];
  readonly problems: readonly ClauseProblem[];
  /** What is said at a place; `null` where what is published holds. */
  readonly stated: (at: string) => Stated | null;
  /** Every place at which something is said. */
  readonly places: readonly string[];
}

/** IPC-7351B and its companions, without a word of a house. */
export const AS_PUBLISHED: Standard = {
  document: null,
  levels: PUBLISHED_LEVELS,
  rows: [],
  problems: [],
  stated: () => null,
  places: [],
};

/** A level in words; the published one that stands for it where the standard has none of that name. */
export function levelWords({ levels }: Standard, level: Level): LevelWords {
  return levels.find(({ id }) => id === level) ?? (levels.find(({ id }) => id === 'B') as LevelWords);
}

/** A value with whoever says it, and what is published in its place. */
export interface Wanted<T extends ClauseValue> {
  readonly value: T;
  readonly stated: Stated | null;
  readonly published: T;
}

/**
 * What is wanted at a place that has a number for each level. A level of the house's own that says nothing
 * there takes that of the level it comes from.
 * @param at without the level, such as `holes/allowance`
 */
export function wantedAt(
  standard: Standard,
  at: string,
  level: Level,
  published: Readonly<Record<PublishedLevel, number>>,
): Wanted<number> {
  const { from } = levelWords(standard, level);
  const stated =
    (level === 'D' ? standard.stated(`${at}/D`) : null) ??
    standard.stated(`${at}/${level === 'D' ? from : level}`);
  const usual = published[level === 'D' ? from : level];
  return { value: stated ? (stated.value as number) : usual, stated, published: usual };
}

/** What is wanted at a place, or what holds without a word about it. */
export function wanted<T extends ClauseValue>(standard: Standard, at: string, usual: T): Wanted<T> {
  const stated = standard.stated(at);
  return { value: stated ? (stated.value as T) : usual, stated, published: usual };
}

/** What a standard says at a place, without a substitute: `null` where it says nothing. */
export function saidAt<T extends ClauseValue>(standard: Standard, at: string): T | null {
  return (standard.stated(at)?.value as T | undefined) ?? null;
}

/** Who says so and where, as derivations and findings cite it: “HS-STD-12 clause 4.3”. */
export function cited({ by: { name }, clause }: Stated): string {
  return clause?.trim() ? `${name} clause ${clause.trim()}` : name;
}

/** A standard by name and version, as papers cite it. */
export function standardTitle({ document }: Standard): string {
  return document ? `${document.name}, version ${document.version}` : 'as published (IPC-7351B)';
}

/** A row of one's own as rows of goals are listed; its numbers are those of the row that would hold otherwise. */
export function asGoalRow(row: OwnRow): GoalRow {
  const like = Object.values(GOAL_ROWS).find(({ id }) => id === row.form) ?? GOAL_ROWS.gullWing;
  return { ...like, id: row.id, title: row.title };
}
