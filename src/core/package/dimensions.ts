import { count, length } from './declare';

// Dimensions that many families share, worded once.

/** Number of leads in two equal rows. */
export const leads = (least: number, most: number) =>
  count('n', 'Leads', 'Number of leads on both sides together', [least, most], { multipleOf: 2 });

export const PITCH = length('e', 'Pitch', 'Centre to centre of neighbouring terminals', [0.2, 12], {
  basic: true,
});
export const BODY_ACROSS = length('E', 'Body across', 'Over the body, left to right', [0.4, 80]);
export const BODY_UPRIGHT = length('D', 'Body upright', 'Over the body, bottom to top', [0.4, 100]);
export const HEIGHT = length('A', 'Height', 'Seating plane to top', [0.15, 60], { maximumSuffices: true });
export const STANDOFF = length('A1', 'Standoff', 'Seating plane to underside of body', [0, 5], {
  leastUnderMax: 0,
});

/** The lead of a through-hole part: round, or with a second side where it is not. */
export const ROUND_LEAD = length('b', 'Lead diameter', 'Across the round lead', [0.2, 6]);
export const LEAD_WIDTH = length('b', 'Lead width', 'Larger side of the lead at the board', [0.15, 6]);
export const LEAD_THICKNESS = length('c', 'Lead thickness', 'Other side of the lead at the board', [0.1, 6]);
/** Leads of through-hole parts are cut after soldering; the drawing needs a length all the same. */
export const TAIL = length('L', 'Tail', 'Seating plane to the end of the lead below', [0.5, 40], {
  derived: 'typ 3.2',
});
