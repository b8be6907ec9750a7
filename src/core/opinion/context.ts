import { type Drawable, type Footprint } from '../footprint/footprint';
import { type Fit } from './fit';
import { type LandOpinion } from './joints';
import { type NumbersVerdict } from './numbers';
import { type Laid, type PitchDrift } from './pitch';

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
