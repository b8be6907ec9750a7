import type { Finding, Stage } from '../document/finding';
import { plainScope, readEntry } from '../units/entry';
import type { LengthUnit } from '../units/length';
import type { Toleranced } from '../units/toleranced';

/** Reads the entry texts of a document's choices; one that cannot be used is reported and left out. */
export interface EntryReader {
  /**
   * @param at JSON pointer of the text
   * @param least smallest value that can be used, mm
   * @returns mm; `null` where there is nothing or nothing usable
   */
  readonly length: (
    text: string | undefined,
    at: string,
    title: string,
    stage: Stage,
    least?: number,
  ) => number | null;
  /** The same with its limits. */
  readonly toleranced: (
    text: string | undefined,
    at: string,
    title: string,
    stage: Stage,
    least?: number,
  ) => Toleranced | null;
  readonly report: (at: string, title: string, text: string, reason: string, stage: Stage) => void;
  /** A reader of the same unit that keeps its reports to itself. */
  readonly quiet: () => EntryReader;
  readonly problems: readonly Finding[];
}

/** @param unit of plain numbers */
export function entryReader(unit: LengthUnit): EntryReader {
  const problems: Finding[] = [];
  const scope = plainScope(unit);
  const report: EntryReader['report'] = (at, title, text, reason, stage) => {
    problems.push({
      rule: 'entry',
      severity: 'stop',
      title: `${title} cannot be used`,
      message: `“${text}”: ${reason} The computed value stands until it is mended.`,
      source: 'Entry grammar',
      stage,
      place: {},
      remedies: [{ label: 'Take the computed value', edits: [{ at, value: undefined }] }],
    });
  };
  const toleranced: EntryReader['toleranced'] = (text, at, title, stage, least = -Infinity) => {
    if (text === undefined || text.trim() === '') return null;
    const read = readEntry(text, scope);
    if (read.ok && read.value.nom >= least) return read.value;
    report(at, title, text, read.ok ? `It must be at least ${least} mm.` : read.error.message, stage);
    return null;
  };
  return {
    quiet: () => entryReader(unit),
    problems,
    report,
    toleranced,
    length: (...asked) => toleranced(...asked)?.nom ?? null,
  };
}

/** A key as a part of a JSON pointer (RFC 6901). */
export function pointerKey(key: string): string {
  return key.replaceAll('~', '~0').replaceAll('/', '~1');
}
