import { compileGuarded } from '../../core/footprint/guarded';
import type { TapisDocument } from '../../core/document/document';
import { isDrawable } from '../../core/footprint/footprint';
import { opinionAlone } from '../../core/opinion/alone';
import { opinionOn, type Opinion } from '../../core/opinion/opinion';
import type { Result } from '../../core/units/result';

/** A pattern, and the package that it is held against where that is said. */
export interface OpinionRequest {
  readonly pattern: TapisDocument;
  readonly against: TapisDocument | null;
}

/** What is thought of it; `null` where one of both cannot be drawn, or there is nothing to hold it against. */
export interface OpinionSaid {
  readonly alone: Pick<Opinion, 'line' | 'verdict' | 'remarks'> | null;
  readonly opinion: Result<Opinion, string> | null;
}

/** Holds a pattern against its package. */
export function opinion({ pattern, against }: OpinionRequest): OpinionSaid {
  const [theirs, own] = [pattern, against].map((document) => document && compileGuarded(document));
  const drawn = theirs && isDrawable(theirs) ? theirs : null;
  return {
    alone: drawn && opinionAlone(drawn),
    opinion: drawn && own && isDrawable(own) ? opinionOn(drawn, own) : null,
  };
}
