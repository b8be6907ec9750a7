import { boxRound, centreOf, gapBetween, type Box } from '../../geometry/box';
import { flatten } from '../../geometry/contour';
import { areaOf, circleAt, contourOf, type Placed } from '../../geometry/figure';
import { gapBetweenFigures } from '../../geometry/gaps';
import { neighboursOf } from '../../geometry/neighbours';
import { HOME, putPlaced, putPoint } from '../../geometry/placement';
import { distance, type Point } from '../../geometry/point';
import { unite, type Polyline } from '../../geometry/polygon';
import { pinsNamed } from '../../given/pins';
import { joined, type CopperPiece, type DrilledHole } from '../../given/join';
import type { GivenFile, GivenPattern } from '../../given/pattern';
import { recognised } from '../../given/recognise';
import { fail, ok, type Result } from '../../units/result';
import { isDrill, readDrill, type DrillFile } from './read-drill';
import { isFilm, readFilm, type Film, type FilmObject } from './read-gerber';

// Films and drill files of one board or footprint, put together into land patterns: one for each component that
// the films name, or one of all that lies in a box.

/** What a film shows. */
export const FILM_ROLES = [
  'copper',
  'far-copper',
  'mask',
  'far-mask',
  'paste',
  'legend',
  'courtyard',
  'body',
  'plated',
  'non-plated',
  'drill',
  'cut-outs',
  'leave',
] as const;
export type FilmRole = (typeof FILM_ROLES)[number];

/** A file with its text. */
export interface TextFile {
  readonly name: string;
  readonly text: string;
}

/** A film or drill file with what it shows. */
export interface SortedFilm {
  readonly name: string;
  readonly role: FilmRole;
  /** What it is taken for it by. */
  readonly by: 'attribute' | 'name' | 'choice' | 'nothing';
  readonly film: Film | null;
  /** Of a drill file whose numbers can be read in two ways: both. */
  readonly drills: readonly DrillFile[];
}

/** What is asked of films. */
export interface FilmsAsked {
  /** What films show, by their names, where it is not as they say. */
  readonly roles?: Readonly<Record<string, FilmRole>>;
  /** Only what lies in it is taken. mm, in the films' own coordinates */
  readonly box?: Box;
}

/** Reads films and tells what each shows. @returns or which cannot be read, and why */
export function sortFilms(
  files: readonly TextFile[],
  { roles = {} }: FilmsAsked = {},
): Result<readonly SortedFilm[], string> {
  const sorted: SortedFilm[] = [];
  for (const { name, text } of files) {
    const own = Object.hasOwn(roles, name) ? roles[name] : undefined;
    if (isDrill(text)) {
      const drill = readDrill(text);
      if (!drill.ok) return fail(`${name}: ${drill.error}`);
      const { plated, uncertain } = drill.value;
      const said = plated === null ? null : plated ? 'plated' : 'non-plated';
      const other = uncertain ? readDrill(text, 'trailing') : null;
      sorted.push({
        name,
        role: own ?? said ?? 'drill',
        by: own ? 'choice' : said ? 'attribute' : 'nothing',
        film: null,
        drills: [drill.value, ...(other?.ok ? [other.value] : [])],
      });
    } else if (isFilm(text)) {
      const film = readFilm(text);
      if (!film.ok) return fail(`${name}: ${film.error}`);
      const said = roleSaid(film.value.attributes.get('.FileFunction'));
      const called = roleCalled(name);
      sorted.push({
        name,
        role: own ?? said ?? called ?? 'leave',
        by: own ? 'choice' : said ? 'attribute' : called ? 'name' : 'nothing',
        film: film.value,
        drills: [],
      });
    } else return fail(`${name} is neither a film (Gerber) nor a drill file (XNC).`);
  }
  return ok(only(sorted));
}

/** One film alone that does not say what it shows is taken for copper. */
function only(sorted: readonly SortedFilm[]): readonly SortedFilm[] {
  const films = sorted.filter(({ film }) => film);
  const [first] = films;
  if (films.length !== 1 || first?.by !== 'nothing') return sorted;
  return sorted.map((one) => (one === first ? { ...one, role: 'copper' } : one));
}

/** The layer that a file function names (X2). */
function roleSaid(said: string | undefined): FilmRole | null {
  if (said === undefined) return null;
  const isFar = /,Bot\b/i.test(said);
  if (/^Copper,/i.test(said)) return isFar ? 'far-copper' : /,Top\b/i.test(said) ? 'copper' : 'leave';
  if (/^Soldermask/i.test(said)) return isFar ? 'far-mask' : 'mask';
  if (/^Paste/i.test(said)) return isFar ? 'leave' : 'paste';
  if (/^Legend/i.test(said)) return isFar ? 'leave' : 'legend';
  if (/courtyard/i.test(said)) return isFar ? 'leave' : 'courtyard';
  if (/^Profile,NP/i.test(said)) return 'cut-outs';
  if (/^AssemblyDrawing/i.test(said)) return isFar ? 'leave' : 'body';
  return 'leave';
}

/** What a film is by the words of its name. */
function roleCalled(name: string): FilmRole | null {
  const words = name.toLowerCase();
  const isFar = /bottom|bot\b|back|far|solder.?side|unten/.test(words);
  const near = (role: FilmRole): FilmRole => (isFar ? 'leave' : role);
  if (/mask/.test(words)) return isFar ? 'far-mask' : 'mask';
  if (/paste|stencil/.test(words)) return near('paste');
  if (/legend|silk/.test(words)) return near('legend');
  if (/courtyard/.test(words)) return near('courtyard');
  if (/assembly/.test(words)) return near('body');
  if (/copper|\btop\b|layer.?1|kupfer|component.?side|oben/.test(words))
    return isFar ? 'far-copper' : 'copper';
  return null;
}

/** Puts films together. @returns a pattern for each component, or one of all that there is */
export function patternsOfFilms(
  sorted: readonly SortedFilm[],
  name: string,
  { box }: FilmsAsked = {},
): Result<GivenFile & { readonly copper: readonly Placed[] }, string> {
  const left = sorted.flatMap(({ name: file, film, drills, role }) => [
    ...((film ?? drills[0])?.left ?? []).map((words) => `${file}: ${words}`),
    ...(role === 'leave' && (film?.objects.length ?? 0) > 0
      ? [`${file} shows nothing that a pattern has, and is left out.`]
      : []),
  ]);
  for (const { name: file, role, by } of sorted)
    if (by === 'name') left.push(`${file} does not say what it shows; by its name it was taken for ${role}.`);
    else if (by === 'nothing' && role === 'copper')
      left.push(`${file} does not say what it shows; it was taken for copper.`);
  const of = (role: FilmRole) =>
    sorted.filter((one) => one.role === role).flatMap(({ film }) => film?.objects ?? []);
  const has = (role: FilmRole) => sorted.some((one) => one.role === role && one.film);
  const isDrilled = sorted.some(({ drills }) => drills.length > 0);
  if (!has('copper') && !isDrilled)
    return fail('None of the films shows the copper of the component side; say which one does.');
  const near = copperOf(of('copper'), left);
  const far = copperOf(of('far-copper'), []);
  const cut = of('cut-outs').flatMap(({ placed, clear }): DrilledHole[] =>
    placed && !clear ? [{ hole: placed, plated: false }] : [],
  );
  const holes = [...holesOf(sorted, near, left), ...cut];
  const all: Board = {
    copper: near,
    far,
    holes,
    mask: has('mask') ? openings(of('mask'), 'mask', left) : null,
    maskOther: has('far-mask') ? openings(of('far-mask'), 'far mask', left) : null,
    paste: has('paste') ? openings(of('paste'), 'paste', left) : null,
    legend: has('legend') ? of('legend').filter(({ clear }) => !clear) : null,
    courtyard: of('courtyard'),
    body: of('body'),
    names: new Map(of('copper').map(({ component, number, pinName }) => [`${component} ${number}`, pinName])),
  };
  const inBox = (placed: Box) =>
    !box ||
    (placed.minX >= box.minX &&
      placed.maxX <= box.maxX &&
      placed.minY >= box.minY &&
      placed.maxY <= box.maxY);
  const boxed = { ...all, copper: all.copper.filter(({ placed }) => inBox(placed)) };
  if (boxed.copper.length === 0 && !holes.some(({ hole }) => inBox(hole)))
    return fail(
      box
        ? 'No land lies wholly in the box.'
        : 'There is no land on the copper: nothing is flashed or filled there.',
    );
  const components = [...new Set(boxed.copper.map(({ component }) => component))].filter((one) => one !== '');
  const isBoard = components.length > 1;
  const parts = isBoard
    ? components.map((component) => ({
        component,
        copper: boxed.copper.filter((piece) => piece.component === component),
      }))
    : [
        {
          component: components[0] ?? '',
          copper: boxed.copper.filter(({ use, number }) => use !== 'via' || number !== ''),
        },
      ];
  const vias = boxed.copper.filter(({ use, component }) => use === 'via' && component === '').length;
  if (vias > 0 && isBoard) left.push(`${vias} vias beside the components are left out.`);
  const loose = isBoard
    ? boxed.copper.filter(({ use, component }) => use !== 'via' && component === '').length
    : 0;
  if (loose > 0) left.push(`${loose} pieces of copper that belong to no component are left out.`);
  const patterns = parts.map(({ component, copper }) =>
    patternOf(component === '' ? name : isBoard ? component : name, copper, all, !isBoard && !box),
  );
  return ok({ patterns, left, copper: all.copper.map(({ placed }) => placed) });
}

interface Piece extends CopperPiece {
  readonly component: string;
}

interface Board {
  readonly copper: readonly Piece[];
  readonly far: readonly Piece[];
  readonly holes: readonly DrilledHole[];
  readonly mask: readonly Placed[] | null;
  readonly maskOther: readonly Placed[] | null;
  readonly paste: readonly Placed[] | null;
  readonly legend: readonly FilmObject[] | null;
  readonly courtyard: readonly FilmObject[];
  readonly body: readonly FilmObject[];
  /** What pins are called, by component and number. */
  readonly names: ReadonlyMap<string, string>;
}

/** Copper that may be a land: what is flashed, and what is filled and no conductor. */
function copperOf(objects: readonly FilmObject[], left: string[]): Piece[] {
  const solid = objects.filter(
    ({ kind, clear, use }) =>
      kind !== 'line' && !clear && !/^(Conductor|NonConductor|CopperBalancing)/.test(use),
  );
  const strokes = objects.filter(({ kind }) => kind === 'line').length;
  if (strokes > 0)
    left.push(
      `${strokes} strokes of the copper are left out: they are conductors, or lands that are painted.`,
    );
  const cleared = objects.filter(({ clear }) => clear).length;
  if (cleared > 0) left.push(`${cleared} things that are taken away from the copper are left out.`);
  return overlapping(
    withoutPours(solid, left).flatMap(({ placed, number, component, use }): Piece[] => {
      if (!placed) return [];
      const kind = /Via/.test(use)
        ? 'via'
        : /SMD|Heatsink/.test(use)
          ? 'pad'
          : use === ''
            ? undefined
            : 'land';
      return [{ placed, number, component, ...(kind ? { use: kind } : {}) }];
    }),
  );
}

/** Corners of an area from which it is no plain land, and lands that it runs over then. */
const POUR = { corners: 12, lands: 3 } as const;

/** Films that say nothing of their areas may have poured copper: a winding outline that runs over several lands. */
function withoutPours(objects: readonly FilmObject[], left: string[]): readonly FilmObject[] {
  const isWinding = ({ placed, kind, use, number }: FilmObject) =>
    kind === 'region' &&
    use === '' &&
    number === '' &&
    placed?.figure.kind === 'contour' &&
    placed.figure.outline.length > POUR.corners;
  if (!objects.some(isWinding)) return objects;
  const figures = objects.flatMap(({ placed }) => placed ?? []);
  const index = neighboursOf(figures);
  const kept = objects.filter((object) => {
    const { placed } = object;
    if (!placed || !isWinding(object)) return true;
    const under = index.near(placed).filter((i) => {
      const other = figures[i] as Placed;
      return other !== placed && gapBetweenFigures(placed, circleAt(other.at, 0.001)) < 0;
    });
    return under.length < POUR.lands;
  });
  const poured = objects.length - kept.length;
  if (poured > 0)
    left.push(`${poured} areas of copper run over several lands (poured copper) and are left out.`);
  return kept;
}

/** Pieces of one number that overlap are one land. */
function overlapping(pieces: readonly Piece[]): Piece[] {
  const made: Piece[] = [];
  const byPin = new Map<string, Piece[]>();
  for (const piece of pieces) {
    const key = piece.number === '' || piece.use === 'via' ? '' : `${piece.component} ${piece.number}`;
    byPin.set(key, [...(byPin.get(key) ?? []), piece]);
  }
  for (const [key, own] of byPin) {
    if (key === '' || own.length === 1 || own.length > 60) made.push(...own);
    else made.push(...unitedPieces(own));
  }
  // in the order in which they were drawn
  const order = new Map(pieces.map((piece, i) => [piece, i]));
  return made.sort((a, b) => (order.get(a) ?? 0) - (order.get(b) ?? 0));
}

function unitedPieces(own: readonly Piece[]): Piece[] {
  const rest = [...own];
  const made: Piece[] = [];
  for (let first = rest.shift(); first; first = rest.shift()) {
    let whole = first;
    for (let i = 0; i < rest.length; i += 1) {
      const other = rest[i] as Piece;
      if (gapBetweenFigures(whole.placed, other.placed) > 1e-6) continue;
      const [outline] = unite([flatten(contourOf(whole.placed)), flatten(contourOf(other.placed))]);
      rest.splice(i, 1);
      i = -1;
      if (outline) whole = { ...first, placed: recognised(outline) };
    }
    made.push(whole);
  }
  return made;
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

/** Openings of a mask or a stencil; strokes of them are told. */
function openings(objects: readonly FilmObject[], what: string, left: string[]): Placed[] {
  const strokes = objects.filter(({ kind }) => kind === 'line').length;
  if (strokes > 0) left.push(`${strokes} strokes of the ${what} are left out.`);
  const cleared = objects.filter(({ clear, kind }) => clear && kind !== 'line').length;
  if (cleared > 0) left.push(`${cleared} spots that are taken away from the ${what} are left out.`);
  return objects.flatMap(({ placed, clear }) => (placed && !clear ? [placed] : []));
}

/** One pattern of the copper that belongs to it; @param whole everything of the films is its own */
function patternOf(name: string, copper: readonly Piece[], board: Board, whole: boolean): GivenPattern {
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
  const far = board.far.filter(
    ({ placed }) =>
      whole ||
      (gapBetween(around, placed) < 0 && copper.some((piece) => distance(piece.placed.at, placed.at) < 0.01)),
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
