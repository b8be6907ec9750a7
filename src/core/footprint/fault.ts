import type { TapisDocument } from '../document/document';
import type { Finding } from '../document/finding';
import { standardProcess } from '../process';
import { AS_PUBLISHED } from '../standard/standard';
import type { Compiled } from './footprint';

/** The rule of findings about the program itself. */
export const FAULT = 'fault';

/** What compiling a document comes to; a fault of the program is a finding of it. */
export function guarded(document: TapisDocument, compile: () => Compiled): Compiled {
  try {
    return compile();
  } catch (error) {
    return faulty(document, error);
  }
}

/** What a document comes to that the program has a fault with. */
export function faulty(document: TapisDocument, error: unknown): Compiled {
  return {
    document,
    process: standardProcess,
    standard: AS_PUBLISHED,
    resolved: null,
    footprint: null,
    levels: null,
    recommended: new Map(),
    measurements: [],
    spreads: new Map(),
    alternates: [],
    problems: [faultOf(error)],
  };
}

function faultOf(error: unknown): Finding {
  return {
    rule: FAULT,
    severity: 'stop',
    title: 'A fault of Tapis',
    message: `This footprint cannot be drawn: ${error instanceof Error ? error.message : String(error)}. Nothing of it is lost: undo the last change, or export it as it is.`,
    source: 'Tapis',
    stage: 'release',
    place: {},
    remedies: [],
  };
}
