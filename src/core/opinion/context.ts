import { type UNSAID } from '../document/pieces';
import { type Drawable, type Footprint } from '../footprint/footprint';
import { type Fit } from './fit';
import { type LandOpinion } from './joints';
import { type NumbersVerdict } from './numbers';
import { type Laid, type PitchDrift } from './pitch';

/** Whether the file of a pattern has no place for something, so that its lack is nobody's fault. */
export const isUnsaid = ({ document }: Drawable, what: (typeof UNSAID)[number]): boolean =>
  document.package.unsaid?.includes(what) ?? false;

export interface Context {
  readonly pattern: Drawable;
  readonly against: Drawable;
  readonly fit: Fit;
  readonly numbers: NumbersVerdict;
  readonly fromBelow: boolean;
  readonly over: Footprint;
  readonly laid: readonly Laid[];
  readonly alike: readonly Laid[];
  readonly lands: readonly LandOpinion[];
  readonly drift: readonly PitchDrift[];
}
