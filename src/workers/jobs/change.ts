import { loadedModel } from '../../core/body/loaded';
import type { Model } from '../../core/body/model';
import { compileAndCheck } from '../../core/check/guarded';
import type { TapisDocument } from '../../core/document/document';
import type { Finding, Severity } from '../../core/document/finding';
import { editsFor, prospectOf, type Prospect, type Wish } from '../../core/library/change';

/** Footprints that something is wished for; with an empty wish they are checked as they are. */
export interface ChangeRequest {
  readonly wish: Wish;
  readonly footprints: readonly {
    readonly id: string;
    readonly document: TapisDocument;
    /** Its imported model, where it has one that is at hand. */
    readonly model: Model | null;
  }[];
}

/** What is found in a footprint as it is. */
export interface Found {
  readonly verdict: Severity | 'clear';
  readonly findings: readonly Pick<Finding, 'severity' | 'title' | 'message'>[];
}

/** What would become of each, `null` where it is so already; or what was found in each. */
export type ChangeAnswer = readonly {
  readonly id: string;
  readonly prospect: Prospect | null;
  readonly found: Found | null;
}[];

/** Looks at footprints: at what a wish would make of them, or at what is found in them. */
export function change({ wish, footprints }: ChangeRequest): ChangeAnswer {
  const isCheck = editsFor(wish).length === 0;
  return footprints.map(({ id, document, model }) => {
    const loaded = model && loadedModel(model);
    return isCheck
      ? { id, prospect: null, found: foundIn(document, () => loaded) }
      : { id, prospect: prospectOf(document, wish, () => loaded), found: null };
  });
}

function foundIn(...asked: Parameters<typeof compileAndCheck>): Found {
  const { verdict, findings } = compileAndCheck(...asked).report;
  return {
    verdict,
    findings: findings.map(({ severity, title, message }) => ({ severity, title, message })),
  };
}
