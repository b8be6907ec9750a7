import { check, type Report } from '../check/check';
import type { TapisDocument } from '../document/document';
import type { Severity } from '../document/finding';
import { compile } from '../footprint/compile';
import type { Drawable, Footprint, Land } from '../footprint/footprint';
import { occupiedBy } from '../footprint/marks';
import { moved } from '../footprint/move';
import { boxOfPoints, boxRound, centreOf, gapBetween, overhang, type Box } from '../geometry/box';
import { gapToPolygon } from '../geometry/gaps';
import { distance, type Point } from '../geometry/point';
import type { Polygon } from '../geometry/polygon';
import { bodyAt } from '../package/drawn';
import { formatFigure, formatMm, formatNumber } from '../units/length';
import { fail, ok, type Result } from '../units/result';
import { waysOf, type Fit } from './fit';
import { isLost, isUnder, landOpinions, levelMet, type LandOpinion, type OpinionMargin } from './joints';
import { isAlike, keptDocument } from './kept';
import { readNumbers, type NumbersVerdict } from './numbers';
import { drifts, type Laid, type PitchDrift } from './pitch';

// A second opinion: somebody else's pattern against the package that it is meant for. What is wrong is named as
// what it is, and said of the lands that it is wrong on; the same rules speak as everywhere.

/** What a remark is about. */
export type RemarkKind =
  | 'scale'
  | 'below'
  | 'missing'
  | 'extra'
  | 'holes'
  | 'numbers'
  | 'pitch'
  | 'joint'
  | 'size'
  | 'mask'
  | 'paste'
  | 'courtyard'
  | 'mark'
  | 'origin'
  | 'turn'
  | 'rule';

/** Something that is to be known of a pattern. */
export interface Remark {
  readonly kind: RemarkKind;
  readonly severity: Severity;
  readonly title: string;
  readonly message: string;
  /** Lands of the package that it is about, by what they are known by. */
  readonly lands: readonly string[];
  /** Indices of the pattern's lands that it is about. */
  readonly given: readonly number[];
}

/** A second opinion. */
export interface Opinion {
  /** In one line, with the gravest reasons. */
  readonly line: string;
  readonly verdict: 'usable' | 'look' | 'wrong';
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
    ...openingRemarks(context),
    ...courtyardRemarks(context),
    ...markRemarks(context),
    ...originRemarks(context),
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

/** What the gravest remark makes of a pattern. */
export function verdictOf(remarks: readonly Remark[]): Opinion['verdict'] {
  if (remarks.some(({ severity }) => severity === 'stop')) return 'wrong';
  return remarks.some(({ severity }) => severity === 'caution') ? 'look' : 'usable';
}

/** Worst first. */
export const byGravity = (a: Remark, b: Remark): number => RANK[a.severity] - RANK[b.severity];

const RANK: Readonly<Record<Severity, number>> = { stop: 0, caution: 1, note: 2 };

interface Context {
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

type About = Partial<Pick<Remark, 'lands' | 'given'>>;

export const remark = (
  kind: RemarkKind,
  severity: Severity,
  title: string,
  message: string,
  { lands = [], given = [] }: About = {},
): Remark => ({ kind, severity, title, message, lands, given });

/** Numbers that a sentence names at most. */
const NAMED = 6;

/** The numbers of lands: a run as from to, else one by one. */
export function namesOf(numbers: readonly string[]): string {
  const own = [...new Set(numbers.map((number) => (number === '' ? '(none)' : number)))];
  const plain = own.every((number) => /^\d+$/.test(number)) ? own.map(Number).sort((a, b) => a - b) : [];
  const isRun =
    plain.length > 2 && plain.every((number, i) => i === 0 || number === (plain[i - 1] as number) + 1);
  if (isRun) return `${plain[0]}–${plain.at(-1)}`;
  return own.length > NAMED
    ? `${own.slice(0, NAMED).join(', ')} and ${own.length - NAMED} more`
    : own.join(', ');
}

const landsWord = (count: number): string => (count === 1 ? 'land' : 'lands');

/** A unit that was taken for another. */
const UNITS: readonly (readonly [number, string])[] = [
  [25.4, 'inches were read as millimetres'],
  [1 / 25.4, 'millimetres were read as inches'],
  [1000 / 25.4, 'millimetres were read as mil'],
  [25.4 / 1000, 'mil were read as millimetres'],
];

function scaleRemarks({ fit: { scale } }: Context): Remark[] {
  if (scale === 1) return [];
  const [, why] = UNITS.find(([factor]) => Math.abs(factor / scale - 1) < 1e-6) ?? [];
  const words =
    scale > 1
      ? `${formatNumber(scale, 0, 3)} times too small`
      : `${formatNumber(1 / scale, 0, 3)} times too large`;
  return [
    remark(
      'scale',
      'stop',
      'Another unit',
      `Everything is ${words}${why ? `: ${why}` : ''}. Its lands cannot be used.`,
    ),
  ];
}

function placeRemarks({ fit, fromBelow, against, pattern, laid, over }: Context): Remark[] {
  const own = against.footprint.lands;
  const missing = fit.missing.map((i) => own[i]!);
  const extra = fit.extra.map((i) => pattern.footprint.lands[i]!);
  const holes = fit.scale === 1 ? laid.filter((pair) => !isAlike(pair.own, pair.given)) : [];
  const bores = against.footprint.bores.filter(
    ({ at }) =>
      fit.scale === 1 &&
      !over.bores.some((bore) => distance(bore.at, at) < 0.5) &&
      !over.lands.some(({ hole }) => hole && distance(hole.at, at) < 0.5),
  );
  const lone = bores[0];
  const wide = against.footprint.bores.flatMap((bore) => {
    const there = over.bores.find(({ at }) => distance(at, bore.at) < 0.5);
    return there && there.diameter < bore.diameter - 0.005 ? [{ bore, there }] : [];
  });
  return [
    ...(fromBelow
      ? [
          remark(
            'below',
            'stop',
            'Drawn from below',
            'Its lands lie on the terminals only as seen from below: the whole pattern is mirrored.',
          ),
        ]
      : []),
    ...(missing.length > 0
      ? [
          remark(
            'missing',
            'stop',
            `${missing.length} ${landsWord(missing.length)} missing`,
            `Nothing lies on ${missing.length === 1 ? 'terminal' : 'terminals'} ${namesOf(missing.map(({ number }) => number))}.`,
            { lands: missing.map(({ id }) => id) },
          ),
        ]
      : []),
    ...(extra.length > 0
      ? [
          remark(
            'extra',
            extra.some(({ number }) => number !== '') ? 'caution' : 'note',
            `${extra.length} ${landsWord(extra.length)} too many`,
            `The package has no terminal on ${extra.length === 1 ? 'land' : 'lands'} ${namesOf(extra.map(({ number }) => number))}.`,
            { given: fit.extra },
          ),
        ]
      : []),
    ...(holes.length > 0
      ? [
          remark(
            'holes',
            'stop',
            'Holes',
            `${holes[0]?.own.hole ? 'Leads go through the board and there is no hole' : 'There is a hole where the terminal lies on the board'} on ${landsWord(holes.length)} ${namesOf(holes.map(({ own: { number } }) => number))}.`,
            { lands: holes.map(({ own: { id } }) => id) },
          ),
        ]
      : []),
    ...(lone
      ? [
          remark(
            'holes',
            'stop',
            'Hole missing',
            `The package has ${bores.length === 1 ? 'a hole' : `${bores.length} holes`} without copper, ⌀ ${formatMm(lone.diameter)} mm at ${pointWords(lone.at)}, where the pattern has none.`,
          ),
        ]
      : []),
    ...wide.map(({ bore, there }) =>
      remark(
        'holes',
        'caution',
        'Hole too narrow',
        `The hole at ${pointWords(bore.at)} is ⌀ ${formatMm(there.diameter)} mm; the package needs ${formatMm(bore.diameter)} mm.`,
      ),
    ),
  ];
}

const pointWords = ({ x, y }: Point): string => `${formatFigure(x, 0, 3)} mm, ${formatFigure(y, 0, 3)} mm`;

function numberRemarks({ numbers, fit, pattern, against, fromBelow }: Context): Remark[] {
  const one = against.footprint.lands.find(({ number }) => number === '1');
  const at = fit.pairs.find(({ own }) => against.footprint.lands[own] === one)?.given;
  const there = at === undefined ? undefined : pattern.footprint.lands[at]?.number;
  const first =
    one && there !== undefined && there !== '1' && there !== ''
      ? ` Where terminal 1 is, it has ${there}.`
      : '';
  switch (numbers.kind) {
    case 'same':
      return turnRemarks(fit, against, fromBelow);
    case 'none':
      return [
        remark(
          'numbers',
          'caution',
          'No numbers',
          'Its lands have no numbers: nobody can tell which terminal is which.',
        ),
      ];
    case 'mirrored':
      return [
        remark(
          'numbers',
          'stop',
          'Numbers mirrored',
          `The lands lie where they should, and their numbers run the other way round, as on a drawing seen from below.${first}`,
        ),
      ];
    case 'scheme':
      return [
        remark(
          'numbers',
          'stop',
          'Numbers of another scheme',
          `Its lands are numbered ${numbers.words}; the package counts otherwise.${first}`,
        ),
      ];
    case 'differ': {
      const said = [...numbers.pairs]
        .sort(([, a], [, b]) => a.localeCompare(b, 'en', { numeric: true }))
        .slice(0, NAMED)
        .map(([given, own]) => `terminal ${own} is ${given === '' ? 'not numbered' : `numbered ${given}`}`);
      const known = new Set(against.footprint.lands.map(({ number }) => number));
      const more = numbers.pairs.length > NAMED ? ` and ${numbers.pairs.length - NAMED} more` : '';
      return [
        remark(
          'numbers',
          // a name of its own, such as that of a pad, is no mistaken terminal
          numbers.pairs.some(([given]) => known.has(given)) ? 'stop' : 'caution',
          'Numbers differ',
          `${capital(said.join(', '))}${more}.`,
        ),
        ...turnRemarks(fit, against, fromBelow),
      ];
    }
  }
}

/** A pattern whose zero rotation is another is not wrong, and is placed wrongly where nobody knows. */
function turnRemarks({ angle }: Fit, { footprint }: Drawable, fromBelow: boolean): Remark[] {
  if (angle === 0 || fromBelow) return [];
  const words =
    angle === 90
      ? 'a quarter turn clockwise'
      : angle === 270
        ? 'a quarter turn counter-clockwise'
        : 'half a turn';
  return [
    remark(
      'turn',
      footprint.package.polarised || footprint.lands.length > 2 ? 'caution' : 'note',
      'Another zero rotation',
      `Its numbers fit once it is turned: at zero rotation it stands ${words} from here, and a placement list made for one is wrong for the other.`,
    ),
  ];
}

function pitchRemarks({ drift }: Context): Remark[] {
  return drift.map(({ own, given, off, lands, cause }) =>
    remark(
      'pitch',
      off > 0.05 ? 'stop' : 'caution',
      'Pitch',
      `Its step is ${formatNumber(given, 2, 4)} mm, the package’s is ${formatNumber(own, 2, 4)} mm${cause ? ` (${cause})` : ''}: the lands at the ends lie ${formatMm(off)} mm off.`,
      { lands },
    ),
  );
}

const END_WORDS: Readonly<Record<OpinionMargin['end'], string>> = {
  toe: 'Toe',
  heel: 'Heel',
  side: 'Side',
  edge: 'Edge',
  wall: 'Room in the hole',
  ring: 'Copper round the hole',
};

/** One remark for each end of the terminals that miss what they need, by the worst of them. */
function jointRemarks({ lands, against }: Context): Remark[] {
  const { level } = against.document;
  return (['toe', 'heel', 'side', 'edge', 'wall', 'ring'] as const).flatMap((end): Remark[] => {
    const own = lands.flatMap((land) => {
      const margin = land.margins.find((one) => one.end === end);
      return margin ? [{ land, margin }] : [];
    });
    const value = ({ inverse, least }: OpinionMargin) => inverse ?? least;
    const about = (some: typeof own): About => ({ lands: some.map(({ land }) => land.id) });
    const sorted = [...own].sort((a, b) => value(a.margin) - value(b.margin));
    const lost = sorted.filter(({ margin }) => isLost(margin));
    const under = sorted.filter(({ margin }) => !isLost(margin) && isUnder(margin));
    const said = (some: typeof own, title: string, severity: Severity): Remark[] => {
      const [worst] = some;
      if (!worst) return [];
      const { margin } = worst;
      const { goal, leastGoal, limit, ppm, inverse, least } = margin;
      const needs =
        inverse !== null && goal !== null
          ? `level ${level} asks for ${formatMm(goal)} mm, level C for ${formatMm(leastGoal ?? goal)} mm`
          : goal !== null
            ? `${formatMm(goal)} mm are asked for`
            : '';
      const off = differenceWords(worst.land);
      const reach = `${formatMm(least)} mm by RSS, ${formatMm(margin.worst)} mm at worst`;
      const share =
        ppm < 10_000
          ? `${formatNumber(ppm, 0, 0)} in a million`
          : `${formatNumber(Math.floor(ppm / 100) / 100, 0, 2)} %`;
      const misses =
        ppm >= 1
          ? ` ${share} ${limit === null || limit === 0 ? 'would have none' : 'would miss what the class demands'}.`
          : '';
      return [
        remark(
          'joint',
          severity,
          title,
          `${END_WORDS[end]} of ${some.length === 1 ? 'land' : 'lands'} ${namesOf(some.map(({ land }) => land.number))} is ${formatMm(inverse ?? margin.mean)} mm${needs === '' ? '' : `, ${needs}`} (${reach}).${misses}${off === '' ? '' : ` Land ${worst.land.number} is ${off} than computed.`}`,
          about(some),
        ),
      ];
    };
    const missing =
      end === 'heel'
        ? 'Heel missing'
        : end === 'wall'
          ? 'Lead does not go through'
          : `${END_WORDS[end]} lost`;
    return [...said(lost, missing, 'stop'), ...said(under, `${END_WORDS[end]} under every level`, 'caution')];
  });
}

/** What is longer, wider or elsewhere and hurts nobody, said once. */
function sizeRemarks({ lands, drift }: Context): Remark[] {
  const drifting = new Set(drift.flatMap((row) => row.lands));
  const other = lands.filter(({ grade, id }) => grade === 'fine' && !drifting.has(id));
  const kinds = new Map<string, LandOpinion[]>();
  for (const land of other) {
    const words = differenceWords(land);
    if (words !== '') kinds.set(words, [...(kinds.get(words) ?? []), land]);
  }
  return [...kinds].slice(0, 8).map(([words, some]) =>
    remark(
      'size',
      'note',
      'Size and place',
      `${some.length === 1 ? 'Land' : 'Lands'} ${namesOf(some.map(({ number }) => number))}: ${words}.`,
      {
        lands: some.map(({ id }) => id),
      },
    ),
  );
}

/** What differs of a land, in words; empty where nothing does. */
export function differenceWords({ longer, wider, outward, across, shape, hole }: LandOpinion): string {
  const by = (value: number, more: string, less: string) =>
    Math.abs(value) < 1.5e-3 ? [] : [`${formatMm(Math.abs(value))} mm ${value > 0 ? more : less}`];
  return [
    ...by(longer, 'longer', 'shorter'),
    ...by(wider, 'wider', 'narrower'),
    ...by(outward, 'further out', 'further in'),
    ...(Math.abs(across) < 1.5e-3 ? [] : [`${formatMm(Math.abs(across))} mm to one side`]),
    ...(hole === null ? [] : by(hole, 'more hole', 'less hole')),
    ...(shape === null ? [] : [shape]),
  ].join(', ');
}

/** Mask and paste that are no mistake of their own, and not what the process says. */
function openingRemarks({ alike, against: { process } }: Context): Remark[] {
  const margins = alike.flatMap(({ given: { padstack, mask } }) =>
    padstack.definedBy === 'copper' && mask.length === 1 ? [padstack.margins.mask] : [],
  );
  const least = Math.min(...margins);
  const open = alike.filter(({ own, given }) => own.paste.length === 0 && given.paste.length > 0);
  const about = (some: readonly Laid[]): About => ({ lands: some.map(({ own: { id } }) => id) });
  return [
    ...(margins.length > 0 && Math.abs(least - process.maskMargin) > 2e-3
      ? [
          remark(
            'mask',
            'note',
            'Mask',
            `Its mask opens ${formatMm(least)} mm round the lands, the process ${formatMm(process.maskMargin)} mm.`,
          ),
        ]
      : []),
    ...(open.length > 0
      ? [
          remark(
            'paste',
            'note',
            'Paste',
            `The stencil opens over ${landsWord(open.length)} ${namesOf(open.map(({ own: { number } }) => number))}, where Tapis prints none.`,
            about(open),
          ),
        ]
      : []),
  ];
}

function courtyardRemarks({ over, against, pattern, fit }: Context): Remark[] {
  if (fit.scale !== 1) return [];
  if (!pattern.document.marks?.own?.courtyard && pattern.document.package.title === 'Pattern as given')
    return [remark('courtyard', 'note', 'No courtyard', 'The pattern has no courtyard of its own.')];
  const { body, bores, keepOuts, courtyard } = against.footprint;
  const needed = boxRound(occupiedBy(over.lands, bodyAt(body.extent, 'max'), bores, keepOuts));
  const around = boxRound(against.footprint.lands.map(({ contact }) => contact.max));
  const all = boxRound([needed, around].filter((box) => box !== null));
  if (!all) return [];
  const left = -overhang(all, over.courtyard.box);
  if (left >= courtyard.excess - 0.026) return [];
  return [
    remark(
      'courtyard',
      left < -1e-6 ? 'stop' : 'caution',
      'Courtyard too small',
      left < 0
        ? `Its courtyard ends ${formatMm(-left)} mm inside of what the part takes up; it needs ${formatMm(courtyard.excess)} mm round it.`
        : `Its courtyard leaves ${formatMm(left)} mm round the part; level ${against.document.level} asks for ${formatMm(courtyard.excess)} mm.`,
    ),
  ];
}

function markRemarks({ over, against, fit }: Context): Remark[] {
  const { footprint } = against;
  if (!footprint.package.polarised || fit.scale !== 1) return [];
  const first =
    footprint.lands.find(({ number }) => ['1', 'A1', 'K', '+'].includes(number)) ?? footprint.lands[0];
  const { pin1, lines } = over.legend;
  const box = pin1 && boxOfPoints(pin1);
  const body = bodyAt(footprint.body.extent, 'max');
  const visible = (mark: Box) => gapBetween(mark, body) > -1e-6;
  if (!box)
    return [
      remark(
        'mark',
        'caution',
        'No mark of terminal 1',
        lines.length > 0
          ? 'Its legend has no mark that is known to be that of terminal 1.'
          : 'It has no legend: after assembly nothing tells terminal 1.',
        first ? { lands: [first.id] } : {},
      ),
    ];
  if (!visible(box))
    return [
      remark(
        'mark',
        'caution',
        'Mark of terminal 1 hidden',
        'The body hides the mark of terminal 1 after assembly.',
      ),
    ];
  const beside = (mark: Polygon) => {
    const away = (land: Land) => gapToPolygon(land.copper, mark);
    const nearest = [...footprint.lands].sort((a, b) => away(a) - away(b))[0];
    return first && nearest && away(first) > away(nearest) + 0.02 ? nearest : null;
  };
  const nearest = pin1 && beside(pin1);
  // where there is no better place for it, Tapis' own mark stands no nearer
  if (!first || !nearest || (footprint.legend.pin1 && beside(footprint.legend.pin1))) return [];
  return [
    remark(
      'mark',
      'stop',
      'Mark beside another terminal',
      `The mark of terminal 1 stands nearest to terminal ${nearest.number}.`,
      { lands: [nearest.id, first.id] },
    ),
  ];
}

function originRemarks({ over, against, fit }: Context): Remark[] {
  if (fit.scale !== 1) return [];
  const { footprint } = against;
  const by = { x: over.origin.x - footprint.origin.x, y: over.origin.y - footprint.origin.y };
  const off = Math.hypot(by.x, by.y);
  if (off < 5e-3) return [];
  const land = footprint.lands.find(({ copper, at }) =>
    [centreOf(copper), at].some((place) => distance(place, over.origin) < 0.02),
  );
  return [
    remark(
      'origin',
      'note',
      'Origin',
      `Its origin lies ${land ? `on land ${land.number}` : `${formatMm(off)} mm away`}, at ${pointWords(by)} from here: a placement list made with it puts the part there.`,
    ),
  ];
}

/** Rules that joints and numbers speak for already. */
const SAID_ALREADY = new Set([
  'joint-goal',
  'joint-margin',
  'entry',
  'missing',
  'unconfirmed',
  'number-way',
  'level-process',
]);

/** Rules about the places of lands in a row. */
const OF_PITCH = new Set(['pitch', 'pitch-drift', 'land-off-terminal', 'asymmetry']);

/** What the rules find of the package with the pattern's lands, and not of the package itself. */
function ruleRemarks(kept: Report | null, own: Report, { against, drift }: Context): Remark[] {
  if (!kept) return [];
  const { lands } = against.footprint;
  const before = new Map(own.findings.map(({ rule, severity }) => [rule, severity]));
  const ids = new Set(lands.map(({ id }) => id));
  const seen = new Set<string>();
  return kept.findings.flatMap(({ rule, severity, title, message, place }): Remark[] => {
    const was = before.get(rule);
    if (
      SAID_ALREADY.has(rule) ||
      (drift.length > 0 && OF_PITCH.has(rule)) ||
      severity === 'note' ||
      seen.has(rule)
    )
      return [];
    if (was && RANK[was] <= RANK[severity]) return [];
    seen.add(rule);
    return [
      remark('rule', severity, title, message, { lands: (place.lands ?? []).filter((id) => ids.has(id)) }),
    ];
  });
}

/** Which level it is like. */
function levelWords({ lands, against }: Context): string {
  if (lands.length === 0 || lands.every(({ margins }) => margins.length === 0)) return '';
  if (lands.every(({ grade }) => grade === 'same')) return 'its lands are those that Tapis computes';
  const met = levelMet(lands, against.levels, against.process);
  return met === null ? 'its joints meet no level' : `its joints meet level ${met}`;
}

/** The verdict in one line. */
export function lineOf(remarks: readonly Remark[], level: string): string {
  const of = (severity: Severity) => [
    ...new Set(remarks.filter((one) => one.severity === severity).map(({ title }) => lower(title))),
  ];
  const [stops, cautions] = [of('stop'), of('caution')];
  const more = (all: readonly string[]) =>
    all.length > 4 ? `${all.slice(0, 4).join('; ')}; and ${all.length - 4} more` : all.join('; ');
  if (stops.length > 0) return `Do not use it as it is: ${more(stops)}.`;
  const tail = level === '' ? '' : ` ${capital(level)}.`;
  if (cautions.length > 0) return `Look before you use it: ${more(cautions)}.${tail}`;
  return `It can be used.${tail}`;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
