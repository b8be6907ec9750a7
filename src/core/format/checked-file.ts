import type { Report } from '../check/check';
import type { Compiled } from '../footprint/footprint';

/** A document that was checked, with the file that it came from. */
export interface CheckedFile {
  /** Path as it was given, with slashes. */
  readonly path: string;
  /** What the file says. */
  readonly text: string;
  readonly compiled: Compiled;
  readonly report: Report;
}
