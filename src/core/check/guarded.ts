import type { TapisDocument } from '../document/document';
import type { Compiled } from '../footprint/footprint';
import { faulty } from '../footprint/fault';
import { compileGuarded } from '../footprint/guarded';
import { noModels, type ModelSource } from '../footprint/imported';
import { check, type Report } from './check';

/** A document with all that follows from it. */
export interface Checked {
  readonly compiled: Compiled;
  readonly report: Report;
}

/**
 * Compiles and checks a document for people who look at many: a fault of the program in one of them
 * is a finding of that one, and takes nothing else along.
 */
export function compileAndCheck(document: TapisDocument, models: ModelSource = noModels): Checked {
  return checkGuarded(compileGuarded(document, models));
}

/** Checks what was compiled; one that a rule has a fault with is not drawn. */
export function checkGuarded(compiled: Compiled): Checked {
  try {
    return { compiled, report: check(compiled) };
  } catch (error) {
    const without = faulty(compiled.document, error);
    return { compiled: without, report: check(without) };
  }
}
