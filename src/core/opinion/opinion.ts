import { check } from '../check/check';
import { type TapisDocument } from '../document/document';
import { compile } from '../footprint/compile';
import { type Drawable, type Footprint } from '../footprint/footprint';
import { moved } from '../footprint/move';
import { boxRound, centreOf, type Box } from '../geometry/box';
import { distance } from '../geometry/point';
import { fail, ok, type Result } from '../units/result';
import { type Context } from './context';
import { type Fit, waysOf } from './fit';
import { landOpinions, type LandOpinion } from './joints';
import { isAlike, keptDocument } from './kept';
import { readNumbers } from './numbers';
import { drifts, type Laid } from './pitch';
import { byGravity, lineOf, type Remark, type Verdict, verdictOf } from './remark';
import { jointRemarks, levelWords, openingRemarks, sizeRemarks } from './remarks-lands';
import { ballRemarks, coverageRemarks, platingRemarks, unsaidRemarks } from './remarks-pads';
import { courtyardRemarks, legendRemarks, markRemarks, ruleRemarks } from './remarks-marks';
import { numberRemarks, originRemarks, pitchRemarks, placeRemarks, scaleRemarks } from './remarks-places';

// A second opinion: somebody else's pattern against the package that it is meant for. What is wrong is named as
// what it is, and said of the lands that it is wrong on; the same rules speak as everywhere.

/** A second opinion. */
export interface Opinion {
  /** In one line, with the gravest reasons. */
  readonly line: string;
  readonly verdict: Verdict;
  /** Worst first. */
  readonly remarks: readonly Remark[];
  readonly lands: readonly LandOpinion[];
  /** How the pattern lies over the package. */
  readonly fit: Fit;
  /** The package with the pattern's lands where they are right, and its own numbers. */
  readonly mended: TapisDocument;
  /** How many lands are mended so. */
  readonly wrong: number;
  /** Whether the package can have the pattern's lands: all lie on its terminals, holes where its leads are. */
  readonly fits: boolean;
}

/** The pattern where the package is drawn, for one drawing of both; as it is where its unit is another. */
export function laidOver(pattern: Footprint, { scale, mirrored, angle, by }: Fit): Footprint {
  return scale === 1 ? moved(pattern, { at: by, angle, far: mirrored }) : pattern;
}

/** Lands of the package with those of the pattern that lie on them, in the package's order. */
function laidLands(over: Footprint, own: Footprint, { pairs }: Fit): Laid[] {
  return [...pairs]
    .sort((a, b) => a.own - b.own)
    .map(({ given, own: i }): Laid => ({ own: own.lands[i]!, given: over.lands[given]! }));
}

/**
 * A pattern as it was given, with the reason why it is kept: the package with its lands and numbers where it can
 * have them, else the pattern itself.
 */
export function keptTheirs(
  pattern: Drawable,
  against: Drawable,
  { fit, fits }: Pick<Opinion, 'fit' | 'fits'>,
  reason: string,
): TapisDocument {
  const { footprint, document, process } = against;
  if (!fits) return withNote(pattern.document, `Kept as given: ${reason}`);
  const laid = laidLands(laidOver(pattern.footprint, fit), footprint, fit);
  const lands = new Set(laid.map(({ own: { id } }) => id));
  return keptDocument(document, footprint, process, laid, { lands, numbers: true, reason });
}

/** Holds a pattern against a package. @returns or why it cannot be held */
export function opinionOn(pattern: Drawable, against: Drawable): Result<Opinion, string> {
  const [theirs, own] = [pattern.footprint, against.footprint];
  if (own.lands.length > 0 && theirs.lands.length === 0) return fail('The pattern has no lands.');
  const {
    fit,
    verdict: numbers,
    fromBelow,
  } = own.lands.length > 0
    ? readNumbers(waysOf(theirs.lands, own.lands), theirs.lands, own)
    : { fit: byHoles(theirs, own), verdict: { kind: 'same' } as const, fromBelow: false };
  if (own.lands.length > 0 && fit.pairs.length === 0)
    return fail('None of its lands lies where the package has one: it is a pattern for something else.');
  const over = laidOver(theirs, fit);
  const laid = laidLands(over, own, fit);
  const alike = fit.scale === 1 ? laid.filter(({ own: a, given: b }) => isAlike(a, b)) : [];
  const every = new Set(alike.map(({ own: { id } }) => id));
  const kept = keptDocument(against.document, own, against.process, alike, { lands: every, numbers: false });
  const tried = compile(kept);
  const lands = tried.footprint ? landOpinions(alike, tried.footprint, against) : [];
  const drift = fit.scale === 1 ? drifts(laid, own) : [];
  const context: Context = { pattern, against, fit, numbers, fromBelow, over, laid, lands, drift, alike };
  const remarks = [
    ...scaleRemarks(context),
    ...placeRemarks(context),
    ...numberRemarks(context),
    ...pitchRemarks(context),
    ...jointRemarks(context),
    ...sizeRemarks(context),
    ...ballRemarks(context),
    ...openingRemarks(context),
    ...coverageRemarks(context),
    ...platingRemarks(context),
    ...courtyardRemarks(context),
    ...markRemarks(context),
    ...legendRemarks(context),
    ...originRemarks(context),
    ...unsaidRemarks(context),
    ...ruleRemarks(tried.footprint ? check(tried) : null, check(against), context),
  ].sort(byGravity);
  const wrong = new Set([
    ...lands.filter(({ grade }) => grade === 'wrong' || grade === 'less').map(({ id }) => id),
    ...drift.flatMap((row) => row.lands),
  ]);
  const right = new Set([...every].filter((id) => !wrong.has(id)));
  const fits =
    fit.missing.length + fit.extra.length === 0 &&
    alike.length === laid.length &&
    alike.every(
      (pair) => !pair.own.hole || !pair.given.hole || distance(pair.own.hole.at, pair.given.hole.at) < 1e-3,
    );
  return ok({
    line: lineOf(remarks, levelWords(context)),
    verdict: verdictOf(remarks),
    remarks,
    lands,
    fit,
    mended: keptDocument(against.document, own, against.process, alike, { lands: right, numbers: false }),
    wrong: own.lands.length - right.size,
    fits,
  });
}

const withNote = (document: TapisDocument, note: string): TapisDocument => ({
  ...document,
  notes: [document.notes, note].filter(Boolean).join('\n').slice(0, 4000),
});

/** A package of holes alone: its middle lies on the middle of the pattern's. */
function byHoles({ bores, lands }: Footprint, own: Footprint): Fit {
  const middle = (boxes: readonly Box[]) =>
    centreOf(boxRound(boxes) ?? { minX: 0, minY: 0, maxX: 0, maxY: 0 });
  const [from, to] = [middle(bores.map(({ hole }) => hole)), middle(own.bores.map(({ hole }) => hole))];
  return {
    scale: 1,
    mirrored: false,
    angle: 0,
    by: { x: to.x - from.x, y: to.y - from.y },
    pairs: [],
    missing: [],
    extra: lands.map((_, i) => i),
    agreeing: 0,
  };
}
