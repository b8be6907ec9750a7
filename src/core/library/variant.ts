import type { TapisDocument } from '../document/document';
import type { Edit } from '../document/edit';
import { processById } from '../process';
import { editsFor } from './change';

/** What a variant is made for: its name's ending, and what it has of its own. */
export interface VariantPlan {
  readonly title: string;
  readonly ending: string;
  readonly edits: readonly Edit[];
}

const KITCHEN = processById('kitchen-table');

/** For a board that is etched and soldered by hand: the process with its rings and gaps, and the most land. */
export const FOR_HAND_ETCHING: VariantPlan = {
  title: 'For hand etching',
  ending: 'hand etching',
  edits: editsFor({ ...(KITCHEN ? { process: KITCHEN } : {}), level: 'A' }),
};

/** A variant that differs in its name alone until something is changed in it. */
export const PLAIN_VARIANT: VariantPlan = { title: 'Variant', ending: 'variant', edits: [] };

/** A name for a variant that none of its kin has. */
export function variantName(
  { name }: Pick<TapisDocument, 'name'>,
  { ending }: VariantPlan,
  taken: readonly string[],
): string {
  for (let i = 1; ; i += 1) {
    const tail = `, ${ending}${i === 1 ? '' : ` ${i}`}`;
    const own = name.slice(0, 120 - tail.length) + tail;
    if (!taken.includes(own)) return own;
  }
}
