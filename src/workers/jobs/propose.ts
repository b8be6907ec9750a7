import type { TapisDocument } from '../../core/document/document';
import { proposeStandard, type Proposal } from '../../core/library/propose';

/** Footprints that a standard is read off, and what it is called. */
export interface ProposeRequest {
  readonly documents: readonly TapisDocument[];
  readonly name: string;
}

/** Reads a standard off footprints. */
export function propose({ documents, name }: ProposeRequest): Proposal {
  return proposeStandard(documents, name);
}
