import type { TapisDocument } from '../document/document';
import type { Finding } from '../document/finding';
import { compile } from '../footprint/compile';
import type { Compiled } from '../footprint/footprint';
import { noModels, type ModelSource } from '../footprint/imported';
import { standardProcess } from '../process';
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

/** Compiles a document; a fault of the program is a finding of it. */
export function compileGuarded(document: TapisDocument, models: ModelSource = noModels): Compiled {
  try {
    return compile(document, models);
  } catch (error) {
    return faulty(document, error);
  }
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

function faulty(document: TapisDocument, error: unknown): Compiled {
  return {
    document,
    process: standardProcess,
    resolved: null,
    footprint: null,
    levels: null,
    recommended: new Map(),
    problems: [faultOf(error)],
  };
}

function faultOf(error: unknown): Finding {
  return {
    rule: 'fault',
    severity: 'stop',
    title: 'A fault of Tapis',
    message: `This footprint cannot be drawn: ${error instanceof Error ? error.message : String(error)}. Nothing of it is lost: undo the last change, or export it as it is.`,
    source: 'Tapis',
    stage: 'release',
    place: {},
    remedies: [],
  };
}
