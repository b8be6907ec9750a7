import type { Report } from '../../core/check/check';
import type { Change } from '../../core/compare/compare';
import type { Edit } from '../../core/document/edit';
import type { Remedy } from '../../core/document/finding';
import type { Drawable } from '../../core/footprint/footprint';
import type { Letters } from '../../core/package/letters';
import type { DisplayUnit } from '../../core/units/length';

/** What a change of the process did. */
export interface ProcessChange {
  readonly from: string;
  readonly to: string;
  readonly changes: readonly Change[];
}

/** What a remedy would change, and how many findings are open then. */
export interface Previewed {
  readonly remedy: Remedy;
  readonly changes: readonly Change[];
  readonly open: number;
}

/** What a Ledger lists. It knows nothing of where that comes from. */
export interface LedgerView {
  readonly report: Report;
  /** The report is still that of a moment ago. */
  readonly checking: boolean;
  /** The footprint whose joints and sizes are told. */
  readonly drawable: Drawable | null;
  readonly unit: DisplayUnit;
  /** What dimensions are called where that is not their standard symbol. */
  readonly letters: Letters;
  readonly selectedFinding: number | null;
  readonly selectedLand: number | null;
  /** Whether it says where a land size comes from. */
  readonly explains: boolean;
  readonly change: ProcessChange | null;
  /** A remedy that is looked at, and what it would change. */
  readonly previewed: Previewed | null;
}

/** What a person can do in a Ledger. */
export interface LedgerActions {
  readonly open: (index: number) => void;
  readonly preview: (remedy: Remedy | null) => void;
  readonly edit: (edits: readonly Edit[]) => void;
  /** Goes to the field of a dimension. */
  readonly goTo: (symbol: string) => void;
  /** Points at a dimension: its line is lit, and its place in the datasheet shown. */
  readonly point: (symbol: string) => void;
  /** Puts the card of a process change away. */
  readonly putAway: () => void;
}
