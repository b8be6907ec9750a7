import type { Toleranced } from '../units/toleranced';

/** The lead forms that the solder joint goals distinguish. */
export type TerminalForm =
  'gull-wing' | 'rectangular-end' | 'cylindrical-end' | 'inward-formed' | 'under-can';

/** One terminal of a group: which end of the span it is at and how far along the row. */
export interface TerminalPlace {
  /** Counter-clockwise from 1 over the whole package; the default land number. */
  readonly position: number;
  /** −1 at the low end of the span's axis, +1 at the high end. */
  readonly side: -1 | 1;
  /** Offset across the span from the body centre, mm. */
  readonly along: number;
}

/**
 * Terminals that share one span and one size, and so one solution of the land formulas:
 * the two ends of a chip, the two rows of a dual package. Lengths in mm.
 */
export interface TerminalGroup {
  readonly id: string;
  /** What the group is called where a package has several. */
  readonly title: string;
  readonly form: TerminalForm;
  /** Direction of the span. */
  readonly axis: 'x' | 'y';
  /** L: outer to outer over the terminals. */
  readonly span: Toleranced;
  /** T: terminal length along the span. */
  readonly length: Toleranced;
  /** W: terminal width across the span. */
  readonly width: Toleranced;
  /** Centre distance of neighbours in a row; `null` for single terminals. */
  readonly pitch: number | null;
  /** The body between the terminals that lands could run under; `null` where they belong under it. */
  readonly body: { readonly size: Toleranced; readonly standoff: Toleranced } | null;
  /** Height of the body, where the goals depend on it. */
  readonly height?: number;
  readonly places: readonly TerminalPlace[];
}
