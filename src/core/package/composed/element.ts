import type { ElementRead, PieceRead } from '../../document/pieces';
import { freeContour, rectangle, type Figure } from '../../geometry/figure';
import { fail, ok, type Result } from '../../units/result';
import type { Toleranced } from '../../units/toleranced';
import { flatPin, roundPin } from '../pins';
import type { PinSection, SpotForm, TerminalForm } from '../terminal';

/** What an element is, with what differs at its place. */
export interface Element extends ElementRead {
  readonly what: PieceRead['what'];
}

type Limit = 'min' | 'nom' | 'max';

/** Forms that take a land by a table, or one as large as they are. */
const SPOT_FORMS = [
  'collapsing-ball',
  'non-collapsing-ball',
  'column',
  'land-grid',
  'thermal',
  'probe',
] as const;

/** Whether terminals of a form have a toe and a heel; balls, grids and exposed pads have none. */
export function hasToe(form: ElementRead['form'] | undefined): boolean {
  return !(SPOT_FORMS as readonly string[]).includes(form ?? '');
}

/** The form of a terminal with a toe and a heel; `null` for balls, grids and exposed pads. */
export function spanFormOf({ form }: Element): TerminalForm | null {
  return hasToe(form) ? ((form ?? 'gull-wing') as TerminalForm) : null;
}

/** The form of what has no toe. */
export function spotFormOf({ form }: Element): SpotForm {
  return form as SpotForm;
}

/**
 * What an element takes up on the board, about its own place: its contact, its section, its copper, its
 * hole, its area or its outline.
 * @returns or the sizes that it needs
 */
export function figureOf(element: Element, limit: Limit): Result<Figure, string> {
  const { what, shape, length, width, diameter, hole, slot } = element;
  // a line has no size of its own
  if (what === 'edge') return ok({ kind: 'round', diameter: 0 });
  if (what === 'hole' || what === 'peg') {
    const across = hole ?? (what === 'peg' ? diameter : null);
    if (!across) return fail(what === 'peg' ? 'needs a diameter' : 'needs a hole');
    return ok(
      slot && slot[limit] > across[limit]
        ? { kind: 'oblong', width: slot[limit], height: across[limit] }
        : { kind: 'round', diameter: across[limit] },
    );
  }
  if (what === 'pin') {
    const lead = sectionOf(element);
    if (!lead.ok) return lead;
    const { width: w, thickness } = lead.value;
    return ok(
      lead.value.shape === 'round'
        ? { kind: 'round', diameter: w[limit] }
        : rectangle(w[limit], thickness[limit]),
    );
  }
  if (what === 'terminal' && spanFormOf(element))
    return length && width ? ok(rectangle(length[limit], width[limit])) : fail('needs a length and a width');
  const { profile } = element;
  if (shape === 'turned')
    return profile
      ? ok({ kind: 'round', diameter: 2 * Math.max(...profile.map(({ x }) => x)) })
      : fail('needs a profile');
  const round = shape === 'round' || shape === 'cylinder' || (shape === null && !length && diameter !== null);
  if (round) return diameter ? ok({ kind: 'round', diameter: diameter[limit] }) : fail('needs a diameter');
  return sidesOf(element, limit, length ?? (shape === 'square' ? width : null), width);
}

function sidesOf(
  { shape, radius, chamfer, corners, contour }: Element,
  limit: Limit,
  length: Toleranced | null,
  width: Toleranced | null,
): Result<Figure, string> {
  if (shape === 'contour' || shape === 'outline')
    return contour ? ok(freeContour(contour)) : fail('needs a contour');
  const side = shape === 'square' ? (length ?? width) : null;
  const [x, y] = [side ?? length, side ?? width];
  if (!x || !y) return fail('needs a length and a width');
  const [w, h] = [x[limit], y[limit]];
  switch (shape) {
    case 'oblong':
      return ok({ kind: 'oblong', width: w, height: h });
    case 'd-shape':
      return ok({ kind: 'd-shape', width: w, height: h });
    case 'rounded':
      return ok({ kind: 'rectangle', width: w, height: h, radius: radius ?? Math.min(w, h) / 4 });
    case 'chamfered':
      return ok({
        kind: 'rectangle',
        width: w,
        height: h,
        chamfer: { size: chamfer ?? Math.min(w, h) / 4, corners: corners ?? ['upper-left'] },
      });
    default:
      return ok(rectangle(w, h));
  }
}

/** The section of a pin. */
export function sectionOf({
  shape,
  diameter,
  width,
  thickness,
  length,
}: Element): Result<PinSection, string> {
  const kind = shape ?? (diameter ? 'round' : thickness ? 'rectangle' : 'square');
  switch (kind) {
    case 'round':
      return diameter ? ok(roundPin(diameter)) : fail('needs a diameter');
    case 'square': {
      const side = width ?? length;
      return side ? ok(flatPin(side, side)) : fail('needs a width');
    }
    default:
      return width && thickness ? ok(flatPin(width, thickness)) : fail('needs a width and a thickness');
  }
}
