import { STACK_FIELDS, type StackChoices } from '../document/intent';
import { readFields } from '../document/read-fields';

export type { StackChoices };

/** An opening as it was chosen: a margin, or a size, or closed. mm; `null` where nothing was chosen. */
export type OpeningChoice = StackChoices['mask'];

export type LandShape = NonNullable<StackChoices['shape']>;

/** Nothing chosen: everything as computed. */
export const NO_STACK_CHOICES: StackChoices = readFields(STACK_FIELDS, undefined, '', 'mm').value;
