import type { SpanGroup } from './terminal';
import type { Toleranced } from '../units/toleranced';
import { quantise } from '../units/length';

/** A corrected contact area as read; lengths in mm, `null` where the package's own holds. */
export interface ContactCorrection {
  readonly length: Toleranced | null;
  readonly width: Toleranced | null;
  /** Outwards from where the package puts it. */
  readonly offset: number | null;
  readonly kind: 'flat' | 'through' | 'concave' | null;
}

/**
 * The terminals with a corrected contact area, for joints only: lands stay solved for what the
 * datasheet draws. A concave end is wetted from the bottom of its notch, half its width inside
 * the outline; a lead that goes through has a section as long as wide.
 */
export function correctedGroup(group: SpanGroup, correction: ContactCorrection | undefined): SpanGroup {
  if (!correction) return group;
  const { kind } = correction;
  const width = correction.width ?? group.width;
  const length = kind === 'through' ? (correction.length ?? width) : (correction.length ?? group.length);
  const notch = kind === 'concave' ? width.nom / 2 : 0;
  const moved = 2 * ((correction.offset ?? 0) - notch);
  const { span } = group;
  return {
    ...group,
    width,
    length,
    span:
      moved === 0
        ? span
        : {
            ...span,
            min: quantise(span.min + moved),
            nom: quantise(span.nom + moved),
            max: quantise(span.max + moved),
          },
  };
}
