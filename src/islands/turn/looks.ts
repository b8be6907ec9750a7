/** Where the 3D view can be looked at from. */
export type Standpoint = 'corner' | 'above' | 'front' | 'right' | 'back' | 'left' | 'below';

/** A wish to look from somewhere; the count tells one wish from the next. */
export interface Look {
  readonly from: Standpoint;
  readonly count: number;
}
