import { composer } from './composed/composer';
import type { Makers } from './draw';
import { standardOf } from '../standard/resolve';
import { FAMILIES } from './families';

/** Everybody who draws packages. */
export const ALL_MAKERS: Makers = { families: FAMILIES, composer, standards: standardOf };
