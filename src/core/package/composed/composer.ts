import type { Composer } from '../draw';
import { drawComposed } from './draw';
import { askedOf, exampleValues } from './own';

/** What draws packages that are composed of pieces. */
export const composer: Composer = { drawComposed, askedOf, exampleValues };
