import { boxRound, centreOf, gapBetween, type Box } from '../../geometry/box';
import { flatten } from '../../geometry/contour';
import { areaOf, contourOf, type Placed } from '../../geometry/figure';
import { gapBetweenFigures, roomWithin } from '../../geometry/gaps';
import { neighboursOf } from '../../geometry/neighbours';
import { HOME, OVER, putPlaced, putPoint } from '../../geometry/placement';
import { distance, type Point } from '../../geometry/point';
import type { Polyline } from '../../geometry/polygon';
import { pinsNamed } from '../../given/pins';
import { joined, type DrilledHole } from '../../given/join';
import { undrilled, withOpenings } from '../../given/openings';
import { MOST_LANDS, type GivenFile, type GivenPattern } from '../../given/pattern';
import { placesIn } from '../../given/places';
import { formatNumber } from '../../units/length';
import { fail, ok, type Result } from '../../units/result';
import { copperOf, type Piece } from './copper';
import type { FilmRole, RolesAsked, SortedFilm } from './film-roles';
import { inkOf } from './ink';
import type { DrillFile } from './read-drill';
import { agreed } from '../../words/agreed';
import type { FilmObject } from './read-gerber';

// Films and drill files of one board or footprint, put together into land patterns: one for each component that
// the films name, or one of all that lies in a box.

/** What is asked of films. */
export interface FilmsAsked extends RolesAsked {
  /** Only what lies in it is taken. mm, in the films' own coordinates */
  readonly box?: Box;
}

/** Puts films together. @returns a pattern for each component, or one of all that there is */
export function patternsOfFilms(
  sorted: readonly SortedFilm[],
  name: string,
  { box }: FilmsAsked = {},
): Result<GivenFile & { readonly copper: readonly Placed[] }, string> {
  const left = sorted.flatMap(({ name: file, film, drills, role, by }) => [
    ...((film ?? drills[0])?.left ?? []).map((words) => `${file}: ${words}`),
    ...(role === 'leave' && by !== 'side' && (film?.objects.length ?? drills[0]?.holes.length ?? 0) > 0
      ? [`${file} shows nothing that a pattern has, and is left out.`]
      : []),
  ]);
  for (const { name: file, role, by, film } of sorted) {
    if (by === 'side' && role === 'leave')
      left.push(
        `${file} says no more than its side, and so do others, or another shows the copper of it: it is left out. Say what it shows.`,
      );
    else if (by === 'name' || by === 'side')
      left.push(`${file} does not say what it shows; by its name it was taken for ${role}.`);
    else if (by === 'nothing' && role === 'copper')
      left.push(`${file} does not say what it shows; it was taken for copper.`);
    if (/copper$/.test(role) && /^Negative/i.test(film?.attributes.get('.FilePolarity') ?? ''))
      left.push(
        `${file} says that it is negative: what is drawn would be free of copper. It was read as it is drawn; look whether it is.`,
      );
  }
  const hasCopper = sorted.some(({ role, film }) => film && /copper$/.test(role));
  if (!hasCopper && !sorted.some(({ drills }) => drills.length > 0))
    return fail('None of the films shows copper of the component side or the far side; say which one does.');
  const board = boardOf(sorted, left);
  if (!board.ok) return board;
  const seen = board.value;
  const isIn = (placed: Box) =>
    !box ||
    (placed.minX >= box.minX &&
      placed.maxX <= box.maxX &&
      placed.minY >= box.minY &&
      placed.maxY <= box.maxY);
  const near = seen.copper.filter(({ placed }) => isIn(placed));
  const far = seen.far.filter(({ placed }) => isIn(placed));
  if (near.length + far.length === 0 && !seen.holes.some(({ hole }) => isIn(hole)))
    return fail(
      box
        ? 'No land lies wholly in the box.'
        : 'There is no land on the copper: nothing is flashed or filled there.',
    );
  const named = (pieces: readonly Piece[]) =>
    [...new Set(pieces.map(({ component }) => component))].filter((one) => one !== '');
  const onNear = named(near);
  const onFar = named(far).filter((component) => !onNear.includes(component));
  const isBoard = onNear.length + onFar.length > 1;
  const most = Math.max(near.length, far.length, seen.holes.filter(({ hole }) => isIn(hole)).length);
  // what they show is given all the same, so that a part of it can be boxed
  if (!isBoard && most > MOST_LANDS)
    return ok({
      patterns: [],
      copper: seen.copper.map(({ placed }) => placed),
      left: [
        ...left,
        `The films have ${formatNumber(most)} areas or holes and name no components; at most ${formatNumber(MOST_LANDS)} are taken as one pattern. Take a part of them by a box.`,
      ],
    });
  const patterns: GivenPattern[] = [];
  if (isBoard) {
    const under = onFar.length > 0 ? fromBelow(seen) : seen;
    const parts = [
      ...onNear.map((component) => ({ component, from: seen })),
      ...onFar.map((component) => ({ component, from: under })),
    ];
    for (const { component, from } of parts) {
      const isFar = from !== seen;
      const own = (pieces: readonly Piece[]) => pieces.filter((piece) => piece.component === component);
      const pattern = patternOf(component, own(from.copper), from, { whole: false, far: own(from.far) });
      patterns.push(isFar ? withWords(pattern, SEEN_FROM_BELOW) : pattern);
    }
    left.push(...notTaken(seen, new Set([...named(seen.copper), ...named(seen.far)]), isIn));
  } else {
    const isBelow = near.length === 0 && far.length > 0;
    const from = isBelow ? fromBelow(seen) : seen;
    const copper = from.copper.filter(({ placed }) => isIn(isBelow ? putPlaced(OVER, placed) : placed));
    const { kept, dropped, holes } = withoutVias(copper, from.holes);
    if (dropped.length > 0)
      left.push(
        `${agreed(dropped.length, '# [via beside the lands is|vias beside the lands are] left out')}: ${placesIn(dropped.map(({ placed }) => placed.at))}.`,
      );
    const pattern = patternOf(name, kept, { ...from, holes }, { whole: !box, far: from.far });
    patterns.push(isBelow ? withWords(pattern, SEEN_FROM_BELOW) : pattern);
  }
  return ok({ patterns, left, copper: seen.copper.map(({ placed }) => placed) });
}

const SEEN_FROM_BELOW =
  'It lies on the far side of the films and is taken as seen from its own side: left and right are exchanged.';

const withWords = (pattern: GivenPattern, words: string): GivenPattern => ({
  ...pattern,
  left: [words, ...pattern.left],
});

/** What lies on the films of a board, seen from the component side. */
interface Board {
  readonly copper: readonly Piece[];
  readonly far: readonly Piece[];
  readonly holes: readonly DrilledHole[];
  readonly mask: readonly Placed[] | null;
  readonly maskOther: readonly Placed[] | null;
  readonly paste: readonly Placed[] | null;
  readonly pasteOther: readonly Placed[] | null;
  readonly legend: readonly FilmObject[] | null;
  readonly legendOther: readonly FilmObject[] | null;
  readonly courtyard: readonly FilmObject[];
  readonly body: readonly FilmObject[];
  /** What pins are called, by component and number. */
  readonly names: ReadonlyMap<string, string>;
}

function boardOf(sorted: readonly SortedFilm[], left: string[]): Result<Board, string> {
  const of = (role: FilmRole) =>
    sorted.filter((one) => one.role === role).flatMap(({ film }) => film?.objects ?? []);
  const has = (role: FilmRole) => sorted.some((one) => one.role === role && one.film);
  let wrong: string | null = null;
  const drilled = sorted.flatMap(({ drills }) => drills[0]?.holes.map(({ hole }) => hole) ?? []);
  const areasOf = (role: FilmRole, what: string): readonly Placed[] | null => {
    if (!has(role)) return null;
    const found = openings(of(role), what, drilled, left);
    if (!found.ok) wrong ??= `The film of ${what}: ${found.error}`;
    return found.ok ? found.value : [];
  };
  const mask = areasOf('mask', 'the mask');
  const maskOther = areasOf('far-mask', 'the mask of the far side');
  const near = copperOf(of('copper'), mask, drilled, left);
  const far = copperOf(of('far-copper'), maskOther, drilled, left);
  if (!near.ok) return fail(`The film of the copper: ${near.error}`);
  if (!far.ok) return fail(`The film of the copper of the far side: ${far.error}`);
  const cut = of('cut-outs').flatMap(({ placed, clear }): DrilledHole[] =>
    placed && !clear ? [{ hole: placed, plated: false }] : [],
  );
  const paste = areasOf('paste', 'the paste');
  const pasteOther = areasOf('far-paste', 'the paste of the far side');
  if (wrong !== null) return fail(wrong);
  const dark = (role: FilmRole) => (has(role) ? of(role).filter(({ clear }) => !clear) : null);
  const holes = holesOf(sorted, near.value.length > 0 ? near.value : far.value, left);
  return ok({
    copper: near.value,
    far: far.value,
    holes: [...holes, ...cut],
    mask,
    maskOther,
    paste,
    pasteOther,
    legend: dark('legend'),
    legendOther: dark('far-legend'),
    courtyard: of('courtyard'),
    body: of('body'),
    names: new Map(
      [...of('copper'), ...of('far-copper')].map(({ component, number, pinName }) => [
        `${component} ${number}`,
        pinName,
      ]),
    ),
  });
}

/** A board seen from its far side. */
function fromBelow(board: Board): Board {
  const put = <T extends readonly Placed[] | null>(all: T) =>
    (all?.map((placed) => putPlaced(OVER, placed)) ?? null) as T;
  const pieces = (all: readonly Piece[]) =>
    all.map((piece) => ({
      ...piece,
      placed: putPlaced(OVER, piece.placed),
      ...(piece.openings ? { openings: piece.openings.map((one) => one.map((p) => putPoint(OVER, p))) } : {}),
    }));
  const drawn = (all: readonly FilmObject[] | null) =>
    all?.map((object) => ({
      ...object,
      ...(object.placed ? { placed: putPlaced(OVER, object.placed) } : {}),
      ...(object.points ? { points: object.points.map((p) => putPoint(OVER, p)) } : {}),
    })) ?? null;
  return {
    copper: pieces(board.far),
    far: pieces(board.copper),
    holes: board.holes.map((hole) => ({ ...hole, hole: putPlaced(OVER, hole.hole) })),
    mask: put(board.maskOther),
    maskOther: put(board.mask),
    paste: put(board.pasteOther),
    pasteOther: put(board.paste),
    legend: drawn(board.legendOther),
    legendOther: drawn(board.legend),
    courtyard: [],
    body: [],
    names: board.names,
  };
}

/** Vias that lie in no land, and their holes, belong to conductors. */
function withoutVias(copper: readonly Piece[], holes: readonly DrilledHole[]) {
  const others = copper.filter(({ use }) => use !== 'via');
  const index = neighboursOf(others.map(({ placed }) => placed));
  const dropped = copper.filter(
    ({ use, number, placed }) =>
      use === 'via' &&
      number === '' &&
      !index.near(placed).some((i) => roomWithin((others[i] as Piece).placed, placed) > -1e-3),
  );
  const gone = new Set(dropped);
  return {
    kept: copper.filter((piece) => !gone.has(piece)),
    dropped,
    holes: holes.filter(({ hole }) => !dropped.some(({ placed }) => distance(placed.at, hole.at) < 1e-3)),
  };
}

/**
 * What of a board belongs to none of its components, with its places: nothing leaves without a word.
 * @param isIn whether something lies where things are taken
 */
function notTaken(board: Board, components: ReadonlySet<string>, isIn: (placed: Box) => boolean): string[] {
  const pieces = [...board.copper, ...board.far];
  const own = pieces.filter(({ component }) => components.has(component));
  const loose = pieces.filter(({ component }) => !components.has(component));
  const vias = loose.filter(({ use }) => use === 'via');
  const areas = loose.filter(({ use }) => use !== 'via');
  const index = neighboursOf(own.map(({ placed }) => placed));
  const isOver = (placed: Placed) =>
    index.near(placed).some((i) => gapBetweenFigures((own[i] as Piece).placed, placed) < -1e-4);
  const looseIndex = neighboursOf(loose.map(({ placed }) => placed));
  const isInLoose = ({ hole }: DrilledHole) =>
    looseIndex.near(hole).some((i) => gapBetweenFigures((loose[i] as Piece).placed, hole) < 0);
  const holes = board.holes.filter((hole) => !isOver(hole.hole) && !isInLoose(hole));
  const stray = (all: readonly Placed[] | null) => (all ?? []).filter((opening) => !isOver(opening));
  const said: readonly (readonly [readonly Placed[], string])[] = [
    [vias.map(({ placed }) => placed), '[via|vias] beside the components'],
    [
      areas.map(({ placed }) => placed),
      '[piece of copper that belongs|pieces of copper that belong] to no component',
    ],
    [holes.map(({ hole }) => hole), '[hole that lies|holes that lie] in no land of a component'],
    [
      [...stray(board.mask), ...stray(board.maskOther)],
      '[opening|openings] of the mask over no land of a component',
    ],
    [
      [...stray(board.paste), ...stray(board.pasteOther)],
      'paste [opening|openings] over no land of a component',
    ],
  ];
  return said.flatMap(([every, what]) => {
    const all = every.filter(isIn);
    return all.length > 0
      ? [`${agreed(all.length, `# ${what} [is|are] left out`)}: ${placesIn(all.map(({ at }) => at))}.`]
      : [];
  });
}

/** Holes of all drill files; where two readings of a file are possible, the one that meets the copper. */
function holesOf(sorted: readonly SortedFilm[], copper: readonly Piece[], left: string[]): DrilledHole[] {
  const index = neighboursOf(copper.map(({ placed }) => placed));
  /** Whether a piece of copper shares its middle with a hole. */
  const isMet = ({ hole }: { readonly hole: Placed }) =>
    index.near(hole).some((i) => distance((copper[i] as Piece).placed.at, hole.at) < 0.02);
  const meets = ({ holes }: DrillFile) => holes.filter(isMet).length;
  return sorted.flatMap(({ name, role, drills }): DrilledHole[] => {
    const [first, second] = drills;
    if (!first || role === 'leave') return [];
    const isSecond = second !== undefined && meets(second) > meets(first);
    const drill = isSecond ? second : first;
    if (drill.uncertain)
      left.push(
        `${name} has no decimal points and does not say which zeros it leaves out; ${isSecond ? 'trailing' : 'leading'} ones were taken as left out, as ${meets(drill)} of its ${drill.holes.length} holes meet the copper so.`,
      );
    const plated = role === 'plated' ? true : role === 'non-plated' ? false : drill.plated;
    if (plated === null) left.push(`${name} does not say whether its holes are plated; those in copper are.`);
    return drill.holes.map(({ hole, use }) => ({
      hole,
      plated: plated ?? (isMet({ hole }) ? null : false),
      ...(/Via/.test(use)
        ? { use: 'via' as const }
        : /Component/.test(use)
          ? { use: 'component' as const }
          : {}),
    }));
  });
}

/** Openings of a mask or a stencil, painted ones as what their strokes fill; what is none is told. */
function openings(
  objects: readonly FilmObject[],
  what: string,
  drilled: readonly Placed[],
  left: string[],
): Result<readonly Placed[], string> {
  const inked = inkOf(objects);
  if (!inked.ok) return inked;
  const { areas, lone, strokes } = inked.value;
  const found = [...areas, ...lone];
  const lines = strokes.length - lone.length;
  if (lines > 0)
    left.push(
      agreed(
        lines,
        `# [stroke of ${what} fills nothing and is|strokes of ${what} fill nothing and are] left out.`,
      ),
    );
  const solid: Point[] = [];
  const made = found.map(({ placed, openings: closed }) => {
    // a spot that is drilled away is none
    const spots = undrilled(closed, drilled);
    const cut = spots.length > 0 ? withOpenings(placed, spots) : placed;
    if (!cut) solid.push(placed.at);
    return cut ?? placed;
  });
  if (solid.length > 0)
    left.push(
      `${agreed(solid.length, `# [opening of ${what} has|openings of ${what} have] more closed spots within than an outline holds; they are not kept`)}: ${placesIn(solid)}.`,
    );
  return ok(made);
}

/**
 * One pattern of the copper that belongs to it.
 * @param whole everything of the films is its own
 * @param ownFar copper of the far side that is its own
 */
function patternOf(
  name: string,
  copper: readonly Piece[],
  board: Board,
  { whole, far: ownFar }: { readonly whole: boolean; readonly far: readonly Piece[] },
): GivenPattern {
  const around = boxRound([
    ...copper.map(({ placed }) => placed),
    ...(copper.length > 0 ? [] : board.holes.map(({ hole }) => hole)),
  ]) as Box;
  const reach = whole ? null : growBy(around, 1);
  const near = <T>(all: readonly T[], at: (one: T) => Point): T[] =>
    all.filter((one) => {
      if (!reach) return true;
      const { x, y } = at(one);
      return x >= reach.minX && x <= reach.maxX && y >= reach.minY && y <= reach.maxY;
    });
  // openings of other parts lie over other lands
  const over = (all: readonly Placed[]) =>
    whole
      ? all
      : all.filter(
          (opening) =>
            gapBetween(around, opening) < 0 &&
            copper.some(({ placed }) => gapBetweenFigures(placed, opening) < -1e-4),
        );
  const isOwn = new Set(ownFar);
  const far = board.far.filter(
    (piece) =>
      whole ||
      (isOwn.has(piece) && piece.component !== '') ||
      (gapBetween(around, piece.placed) < 0 &&
        copper.some(({ placed }) => distance(placed.at, piece.placed.at) < 0.01)),
  );
  const holes = board.holes.filter(
    ({ hole }) =>
      whole ||
      (gapBetween(around, hole) < 0 && copper.some(({ placed }) => gapBetweenFigures(placed, hole) < 0)) ||
      (hole.minX > around.minX &&
        hole.maxX < around.maxX &&
        hole.minY > around.minY &&
        hole.maxY < around.maxY &&
        !board.copper.some(({ placed }) => gapBetweenFigures(placed, hole) < 0)),
  );
  const made = joined({
    copper,
    far,
    holes,
    ...(board.mask ? { mask: over(board.mask) } : {}),
    ...(board.maskOther ? { maskOther: board.maskOther } : {}),
    ...(board.paste ? { paste: over(board.paste) } : {}),
    ...(board.pasteOther ? { pasteOther: board.pasteOther } : {}),
  });
  const left = [...made.left];
  const origin = isOrigin(around) ? { x: 0, y: 0 } : centreOf(around);
  const move = { ...HOME, at: { x: -origin.x, y: -origin.y } };
  if (origin.x !== 0 || origin.y !== 0)
    left.push(
      `Its origin was put into the middle of its lands, which lie about ${origin.x.toFixed(3)}, ${origin.y.toFixed(3)} mm of the films.`,
    );
  if (made.lands.every(({ number }) => number === ''))
    left.push('The films do not say which land has which number: they have none.');
  const put = (placed: Placed) => putPlaced(move, placed);
  const strokes = (board.legend ?? []).filter(({ kind }) => kind === 'line');
  const lines = near(strokes, ({ points }) => (points as Polyline)[0] as Point);
  const width = Math.max(0, ...lines.map((line) => line.width ?? 0));
  const mark = whole ? (board.legend ?? []).find(({ placed }) => placed)?.placed : undefined;
  const legend =
    lines.length > 0 || mark
      ? {
          lines: lines.map(({ points }) => (points as Polyline).map((p) => putPoint(move, p))),
          width: width > 0 ? width : 0.12,
          withTexts: true,
          ...(mark ? { pin1: flatten(contourOf(put(mark))) } : {}),
        }
      : null;
  const courtyard = whole ? closedLine(board.courtyard) : null;
  const body = whole ? closedLine(board.body) : null;
  const component = copper[0]?.component ?? '';
  const named = pinsNamed(
    [...new Set(copper.map(({ number }) => number))].map((number) => ({
      number,
      name: board.names.get(`${component} ${number}`) ?? '',
    })),
  );
  return {
    name,
    from: component === '' || component === name ? name : `${name}, component ${component}`,
    lands: made.lands.map((land) => ({
      ...land,
      copper: put(land.copper),
      ...(land.mask ? { mask: land.mask.map(put) } : {}),
      ...(land.paste ? { paste: land.paste.map(put) } : {}),
      ...(land.hole ? { hole: { ...land.hole, hole: put(land.hole.hole) } } : {}),
      ...(land.other ? { other: put(land.other) } : {}),
      ...(land.vias ? { vias: land.vias.map((via) => putPoint(move, via)) } : {}),
    })),
    holes: made.holes.map(put),
    windows: made.windows.map(put),
    ...(legend ? { legend } : {}),
    ...(courtyard ? { courtyard: courtyard.map((p) => putPoint(move, p)) } : {}),
    ...(body ? { body: body.map((p) => putPoint(move, p)) } : {}),
    ...(named.length > 0 ? { pins: named } : {}),
    unsaid: [
      ...(made.lands.some(({ number }) => number !== '') ? [] : (['numbers'] as const)),
      ...(board.legend ? [] : (['legend'] as const)),
      ...(courtyard ? [] : (['courtyard'] as const)),
      ...(board.paste ? [] : (['paste'] as const)),
      ...(origin.x !== 0 || origin.y !== 0 ? (['origin'] as const) : []),
    ],
    left,
  };
}

const growBy = ({ minX, minY, maxX, maxY }: Box, by: number): Box => ({
  minX: minX - by,
  minY: minY - by,
  maxX: maxX + by,
  maxY: maxY + by,
});

/** Whether the origin of the films is one that a footprint may have: within its lands. */
const isOrigin = ({ minX, minY, maxX, maxY }: Box): boolean =>
  minX <= 1e-6 && maxX >= -1e-6 && minY <= 1e-6 && maxY >= -1e-6;

/** The largest closed line of a layer as a polygon. */
function closedLine(objects: readonly FilmObject[]): readonly Point[] | null {
  const closed = objects.flatMap(({ points, placed }) => {
    if (placed) return [{ corners: flatten(contourOf(placed)), size: areaOf(placed.figure) }];
    if (!points || points.length < 4 || distance(points[0] as Point, points.at(-1) as Point) > 1e-6)
      return [];
    const corners = points.slice(0, -1);
    const { minX, minY, maxX, maxY } = boxRound(
      corners.map(({ x, y }) => ({ minX: x, maxX: x, minY: y, maxY: y })),
    ) as Box;
    return [{ corners, size: (maxX - minX) * (maxY - minY) }];
  });
  return closed.sort((a, b) => b.size - a.size)[0]?.corners ?? null;
}
