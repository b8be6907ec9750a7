import { compileAndCheck } from '../../core/check/guarded';
import { compareCompiled, type Change } from '../../core/compare/compare';
import type { Severity } from '../../core/document/finding';
import type { TapisDocument } from '../../core/document/document';

/** Footprints as they are and as they would be. */
export interface DifferencesRequest {
  readonly pairs: readonly {
    readonly id: string;
    readonly before: TapisDocument;
    readonly after: TapisDocument;
  }[];
}

/** In what each would differ, and the gravest finding now and then. */
export type DifferencesAnswer = readonly {
  readonly id: string;
  readonly changes: readonly Change[];
  readonly before: Severity | 'clear';
  readonly after: Severity | 'clear';
}[];

/** Holds footprints against what would become of them. */
export function differences({ pairs }: DifferencesRequest): DifferencesAnswer {
  return pairs.map(({ id, before, after }) => {
    const [now, then] = [compileAndCheck(before), compileAndCheck(after)];
    return {
      id,
      changes: compareCompiled(now, then),
      before: now.report.verdict,
      after: then.report.verdict,
    };
  });
}
