import type { TapisDocument } from '../document/document';
import type { Edit } from '../document/edit';
import { carriedProcess, processDifferences } from '../document/process-file';
import type { Process } from '../process/process';
import { HOUSE_NUMBERS } from '../standard/numbers';
import type { Clause, StandardDocument } from '../standard/standard';

// A process keeps what makers hold. What it says beside that is what a house wants, and moves into a standard of its
// own; both together say what the process said, so that no land changes.

/** A process without what a house wants, and a standard with it. */
export interface MovedToHouse {
  readonly process: Process;
  readonly standard: StandardDocument;
}

/**
 * Moves what a process wants as a house would into a standard.
 * @param original the process that it is a copy of: what it says as that one does stays where it is
 * @returns `null` where there is nothing of a house in it
 */
export function movedToHouse(process: Process, original: Process): MovedToHouse | null {
  const clauses: Record<string, Clause> = {};
  const reason = `Moved from the process “${process.name}”.`;
  const reasons: Record<string, string> = { ...process.reasons };
  let kept: Process = process;
  for (const [at, key] of Object.entries(HOUSE_NUMBERS)) {
    if (process[key] === original[key]) continue;
    clauses[at] = { value: process[key], reason: process.reasons[key] ?? reason };
    kept = { ...kept, [key]: original[key] };
    delete reasons[key];
  }
  if (process.orientation !== original.orientation) {
    clauses['marks/orientation'] = { value: process.orientation, reason };
    kept = { ...kept, orientation: original.orientation };
  }
  if (process.acceptanceClass !== original.acceptanceClass) {
    clauses['rules/class'] = { value: process.acceptanceClass, reason };
    kept = { ...kept, acceptanceClass: original.acceptanceClass };
  }
  const severities = { ...process.severities };
  for (const [rule, severity] of Object.entries(process.severities)) {
    if (original.severities[rule] === severity) continue;
    clauses[`rules/${rule}`] = { value: severity, reason };
    const { [rule]: own } = original.severities;
    if (own === undefined) delete severities[rule];
    else severities[rule] = own;
  }
  if (Object.keys(clauses).length === 0) return null;
  return {
    process: { ...kept, severities, reasons },
    standard: {
      id: `${process.id.slice(0, 34)}-house`,
      name: `House standard of ${process.name}`.slice(0, 80),
      version: '1',
      summary: `What the process “${process.name}” wanted beside what its makers hold.`.slice(0, 400),
      clauses,
    },
  };
}

/**
 * The edits that put a document from the process as it was onto both; `null` where it is under another one. What its
 * own standard says already went before the process, and does so still.
 */
export function movedDocument(
  document: TapisDocument,
  before: Process,
  { process, standard }: MovedToHouse,
): Edit[] | null {
  const { ownProcess, standard: own } = document;
  if (ownProcess?.id !== before.id || processDifferences(ownProcess, before).length > 0) return null;
  const said = (at: string): boolean => {
    for (let one = own; one; one = one.over) if (at in one.clauses) return true;
    return false;
  };
  const clauses = Object.fromEntries(Object.entries(standard.clauses).filter(([at]) => !said(at)));
  const next = own ? { ...standard, over: own, clauses } : standard;
  return [
    { at: '/ownProcess', value: carriedProcess(process) },
    ...(Object.keys(clauses).length > 0 ? [{ at: '/standard', value: next }] : []),
  ];
}
