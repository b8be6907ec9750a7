import { compileAndCheck } from '../check/guarded';
import { compareCompiled, type Change } from '../compare/compare';
import type { Level, TapisDocument } from '../document/document';
import type { StandardDocument } from '../standard/standard';
import { applyEdits, type Edit } from '../document/edit';
import type { Severity } from '../document/finding';
import { carriedProcess } from '../document/process-file';
import { noModels, type ModelSource } from '../footprint/imported';
import type { Process } from '../process/process';

// A change of many footprints at once is looked at before it is made: what would become of each.

/** What is wished for many footprints; what is left out stays as it is in each. */
export interface Wish {
  readonly process?: Process;
  readonly level?: Level;
  /** A house standard; `null` for what is published. */
  readonly standard?: StandardDocument | null;
}

const LEVEL_NAMES: readonly Level[] = ['A', 'B', 'C', 'D'];

/** The wish for a process, a level given as text and a standard; `null` where it is no level. */
export function wishFor(
  process: Process | null,
  level: string | null,
  standard?: StandardDocument | null,
): Wish | null {
  const wanted = LEVEL_NAMES.find((one) => one === level);
  if (level !== null && !wanted) return null;
  return {
    ...(process ? { process } : {}),
    ...(wanted ? { level: wanted } : {}),
    ...(standard === undefined ? {} : { standard }),
  };
}

/** Edits that fulfil a wish. */
export function editsFor({ process, level, standard }: Wish): Edit[] {
  return [
    ...(process
      ? [
          { at: '/process', value: process.id },
          { at: '/ownProcess', value: carriedProcess(process) },
        ]
      : []),
    ...(level ? [{ at: '/level', value: level }] : []),
    ...(standard === undefined ? [] : [{ at: '/standard', value: standard ?? undefined }]),
  ];
}

/** What a wish would do to one footprint. */
export interface Prospect {
  readonly document: TapisDocument;
  /** In what the footprint would differ. */
  readonly changes: readonly Change[];
  /** The gravest finding now and then. */
  readonly before: Severity | 'clear';
  readonly after: Severity | 'clear';
}

/** Looks at what a wish would do; `null` where the document has it already. */
export function prospectOf(
  document: TapisDocument,
  wish: Wish,
  models: ModelSource = noModels,
): Prospect | null {
  const next = applyEdits(document, editsFor(wish));
  if (JSON.stringify(next) === JSON.stringify(document)) return null;
  const [now, then] = [compileAndCheck(document, models), compileAndCheck(next, models)];
  return {
    document: next,
    changes: compareCompiled(now, then),
    before: now.report.verdict,
    after: then.report.verdict,
  };
}
