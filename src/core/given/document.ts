import { newDocument, type TapisDocument } from '../document/document';
import type { StackIntent } from '../document/intent';
import type { PieceIntent } from '../document/pieces';
import { flatten } from '../geometry/contour';
import { contourFigure, contourOf, grown, outlineOf, place, sizeOf, type Figure, type Placed } from '../geometry/figure';
import { fullTurn, turn, type Point } from '../geometry/point';
import { simplified, type Polyline } from '../geometry/polygon';
import { inMm, mm, plain } from '../package/composed/writer';
import { quantise } from '../units/length';
import { MOST_LANDS, type GivenLand, type GivenPattern } from './pattern';
import { recognised } from './recognise';

// A land pattern as a document: lands that are alike are one piece with their places, and what belongs to
// their padstacks is decided for the piece. Nothing is computed; what the file says is what stands there.

/** Chords of a land's arcs lie at most this far off where it is written as corners. mm */
const CHORD = 0.002;
/** Openings longer than this are split where nothing is said of them. mm */
const LONGEST_PIECE = 4;
/** Most corners of an outline that is written. */
const MOST_CORNERS = 400;

/** A document of what a file gives, and what of it a document cannot hold. */
export interface TakenIn {
  readonly document: TapisDocument;
  readonly left: readonly string[];
}

/** Puts a land pattern into a document; the file's origin is kept as the footprint's. */
export function takenIn(pattern: GivenPattern): TakenIn {
  const left = [...pattern.left];
  const lands = pattern.lands.slice(0, MOST_LANDS);
  if (lands.length < pattern.lands.length)
    left.push(`At most ${MOST_LANDS} lands are taken; ${pattern.lands.length - lands.length} are left out.`);
  const kinds = kindsOf(lands);
  const maskMargin = sharedBy(kinds, ({ first }) => marginOf(first.mask, first.copper));
  const stacks: Record<string, StackIntent> = {};
  const numbers: Record<string, string> = {};
  const pieces: PieceIntent[] = kinds.map(({ first, places }, i) => {
    const id = `lands-${i + 1}`;
    const stack = stackOf(first, maskMargin, left);
    if (Object.keys(stack).length > 0) stacks[id] = stack;
    places.forEach(({ number }, k) => {
      // a list of numbers has blanks between them
      if (!isPlainNumber(number)) numbers[`${id}/${k + 1}`] = number.slice(0, 12);
    });
    return { id, ...landPiece(first, places) };
  });
  pieces.push(...holePieces(pattern.holes), ...windowPieces(pattern.windows ?? []));
  for (const [i, area] of (pattern.areas ?? []).entries())
    pieces.push({ id: `free-${i + 1}`, ...areaPiece(area) });
  if (pattern.edge) {
    const { at, side } = pattern.edge;
    pieces.push({ id: 'edge', name: 'edge of the board', what: 'edge', towards: side, x: mm(at.x), y: mm(at.y) });
  }
  if (pattern.body) pieces.push({ id: 'body', ...bodyPiece(pattern) });
  const { courtyard, legend } = pattern;
  const own = {
    ...(courtyard ? { courtyard: cornersText(courtyard) } : {}),
    ...(legend && legend.lines.length > 0
      ? { lines: linesText(legend.lines), width: mm(legend.width) }
      : {}),
    ...(legend?.pin1 ? { pin1: cornersText(legend.pin1) } : {}),
  };
  const overrides = {
    ...(maskMargin === null ? {} : { maskMargin: mm(maskMargin) }),
    ...(Object.keys(numbers).length > 0 ? { numbers } : {}),
    pin1Land: 'same' as const,
  };
  const base = newDocument(pattern.name.trim().slice(0, 120) || 'Pattern', 'composed');
  const document: TapisDocument = {
    ...base,
    package: {
      ...base.package,
      title: 'Pattern as given',
      source: pattern.from.slice(0, 200),
      first: lands.length > 1 ? 'marked' : 'plain',
      pieces,
    },
    // zero rotation is the file's own, whatever the process turns to
    orientation: 'A',
    overrides,
    ...(Object.keys(stacks).length > 0 ? { stacks: { groups: stacks } } : {}),
    marks: {
      ...(legend && legend.lines.length > 0 ? {} : { legend: false }),
      ...(legend?.pin1 ? {} : { pin1: false }),
      ...(legend?.withTexts ? { texts: { reference: { shown: false }, value: { shown: false } } } : {}),
      ...(Object.keys(own).length > 0 ? { own } : {}),
    },
    ...(pattern.pins && pattern.pins.length > 0 ? { pins: pattern.pins } : {}),
  };
  return { document: left.length > 0 ? { ...document, notes: notesOf(pattern.from, left) } : document, left };
}

const notesOf = (from: string, left: readonly string[]): string =>
  `Taken in from ${from}.\nNot understood or not kept:\n${left.map((one) => `- ${one}`).join('\n')}`.slice(0, 4000);

const isPlainNumber = (number: string): boolean => number === '' || /^[^\s,;–—-][^\s,;]{0,11}$/.test(number);

/** Lands that are alike but for place, turn and number. */
interface Kind {
  readonly first: GivenLand;
  readonly places: readonly { readonly at: Point; readonly rotation: number; readonly number: string }[];
}

/** The place of a land: its hole's, along its slot; or the middle that its figure lies about. */
function placeOf({ copper, hole }: GivenLand): { readonly at: Point; readonly rotation: number } {
  if (!hole) return copper;
  const { at, figure, rotation } = hole.hole;
  if (figure.kind === 'round') return { at, rotation: copper.rotation };
  const { width, height } = sizeOf(figure);
  const along = quantise(fullTurn(rotation + (height > width ? 90 : 0)));
  // a slot has no front: where it may, it points as the land does
  const isSame = Math.abs(((along - copper.rotation) % 180) - 0) < 1e-6;
  return { at, rotation: isSame ? copper.rotation : along };
}

/** A figure about a land's place as it is seen there, with no turn of its own. */
function unturned({ figure, rotation }: Placed): Figure {
  const by = fullTurn(rotation);
  const { width, height } = sizeOf(figure);
  if (by === 0 || figure.kind === 'round') return figure;
  const isPlain = figure.kind === 'oblong' || (figure.kind === 'rectangle' && !figure.chamfer);
  if (isPlain && by === 180) return figure;
  if (isPlain && by % 90 === 0) return { ...figure, width: height, height: width };
  return contourFigure(contourOf(place(figure, { x: 0, y: 0 }, by))).figure;
}

/** A figure as it lies about a land. */
function local(land: GivenLand, placed: Placed): Placed {
  const { at, rotation } = placeOf(land);
  const by = turn({ x: placed.at.x - at.x, y: placed.at.y - at.y }, -rotation);
  return place(
    placed.figure,
    { x: quantise(by.x), y: quantise(by.y) },
    fullTurn(quantise(placed.rotation - rotation)),
  );
}

function kindsOf(lands: readonly GivenLand[]): Kind[] {
  const kinds = new Map<string, { first: GivenLand; places: Kind['places'][number][] }>();
  for (const land of lands) {
    const own = (all: readonly Placed[] | undefined) => all?.map((one) => keyOf(local(land, one)));
    const { hole, other, inner, vias, maskOther, clearance } = land;
    const { at, rotation } = placeOf(land);
    const key = JSON.stringify([
      keyOf(local(land, land.copper)),
      own(land.mask),
      own(land.paste),
      hole && [keyOf(local(land, hole.hole)), hole.plated, hole.plus, hole.minus],
      other && keyOf(local(land, other)),
      inner && keyOf(local(land, inner)),
      own(maskOther),
      clearance && keyOf(local(land, clearance)),
      vias?.map((via) => {
        const by = turn({ x: via.x - at.x, y: via.y - at.y }, -rotation);
        return [quantise(by.x), quantise(by.y), via.hole, via.land];
      }),
    ]);
    const known = kinds.get(key) ?? { first: land, places: [] };
    known.places.push({ at, rotation, number: land.number });
    kinds.set(key, known);
  }
  return [...kinds.values()];
}

/** Figures that differ by less than a hundredth of a micrometre are one. */
function keyOf({ figure, at, rotation }: Placed): string {
  const round = (value: unknown): unknown =>
    typeof value === 'number' ? Math.round(value * 1e5) / 1e5 + 0 : value;
  return JSON.stringify([figure, at, rotation], (_, value: unknown) => round(value));
}

/** By how much an opening is larger than its land all round; `null` where it is no such opening. */
function marginOf(openings: readonly Placed[] | undefined, copper: Placed): number | null {
  const [only] = openings ?? [];
  if (!only || openings?.length !== 1) return null;
  const [a, b] = [sizeOf(only.figure), sizeOf(copper.figure)];
  const quarter = fullTurn(quantise(only.rotation - copper.rotation));
  const isAcross = Math.abs(quarter - 90) < 1e-4 || Math.abs(quarter - 270) < 1e-4;
  const [w, h] = isAcross ? [a.height, a.width] : [a.width, a.height];
  const margin = (w - b.width) / 2;
  const isEven =
    Math.abs(h - b.height - 2 * margin) < 2e-4 &&
    Math.hypot(only.at.x - copper.at.x, only.at.y - copper.at.y) < 2e-4 &&
    (quarter % 90 === 0 || copper.figure.kind === 'round');
  if (!isEven) return null;
  const rounded = quantise(Math.round(margin * 1e5) / 1e5);
  // one of another shape is no margin
  return sameOutline(grown(copper.figure, rounded), only.figure, isAcross) ? rounded : null;
}

function sameOutline(a: Figure, b: Figure, isAcross: boolean): boolean {
  if (a.kind !== b.kind) return false;
  if (a.kind === 'rectangle' && b.kind === 'rectangle')
    return (
      Math.abs((a.radius ?? 0) - (b.radius ?? 0)) < 5e-3 &&
      Math.abs((a.chamfer?.size ?? 0) - (b.chamfer?.size ?? 0)) < 5e-3
    );
  return a.kind !== 'd-shape' || !isAcross;
}

/** What all kinds have in common; `null` where they differ, or where none says anything. */
function sharedBy(kinds: readonly Kind[], of: (kind: Kind) => number | null): number | null {
  const saying = kinds.filter(({ first }) => first.mask !== undefined && first.mask.length > 0);
  const values = new Set(saying.map(of));
  const [only] = values;
  return values.size === 1 ? (only ?? null) : null;
}

/** Where elements stand. */
function placesOf(places: readonly Pick<Placed, 'at' | 'rotation'>[]) {
  const points = places.map(({ at: { x, y }, rotation }) =>
    [x, y, ...(quantise(rotation) === 0 ? [] : [quantise(rotation)])].map(plain).join(','),
  );
  return { as: 'places' as const, points: inMm(points) };
}

/** The numbers of places one by one. */
function numbersOf(places: Kind['places']): NonNullable<PieceIntent['numbers']> {
  const names = places.map(({ number }) => (number === '' || !isPlainNumber(number) ? '-' : number));
  return names.every((name) => name === '-') ? { none: true } : { list: names.join(' ') };
}

function landPiece(land: GivenLand, places: Kind['places']): Omit<PieceIntent, 'id'> {
  const { hole, copper, vias } = land;
  const { width, height } = sizeOf(copper.figure);
  const { at, rotation } = placeOf(land);
  const about = {
    ...(vias && vias.length > 0
      ? {
          vias: inMm(
            vias.map((via) => {
              const by = turn({ x: via.x - at.x, y: via.y - at.y }, -rotation);
              return [quantise(by.x), quantise(by.y), via.hole, via.land].map(plain).join(',');
            }),
          ),
        }
      : {}),
    ...placesOf(places),
    numbers: numbersOf(places),
  };
  if (!hole) return { name: 'lands', what: 'land', ...shapeOf(copper.figure), ...about };
  const { width: long, height: across } = holeSizes(hole.hole);
  return {
    name: 'holes',
    what: 'hole',
    plated: true,
    hole: mm(across),
    ...(long > across ? { slot: mm(long) } : {}),
    land: mm(Math.max(width, height)),
    ...about,
  };
}

const holeSizes = ({ figure }: Placed) => {
  const { width, height } = sizeOf(figure);
  return { width: Math.max(width, height), height: Math.min(width, height) };
};

function shapeOf(figure: Figure): Pick<PieceIntent, 'shape' | 'length' | 'width' | 'diameter' | 'contour'> {
  const { width, height } = sizeOf(figure);
  const size = { length: mm(width), width: mm(height) };
  switch (figure.kind) {
    case 'round':
      return { shape: 'round', diameter: mm(figure.diameter) };
    case 'oblong':
    case 'd-shape':
      return { shape: figure.kind, ...size };
    case 'contour':
      return { shape: 'contour', contour: cornersText(flatten(outlineOf(figure), CHORD)) };
    case 'rectangle': {
      const { radius, chamfer } = figure;
      if (chamfer)
        return {
          shape: 'chamfered',
          ...size,
          ...{ chamfer: mm(chamfer.size), corners: [...chamfer.corners] },
        };
      return radius
        ? { shape: 'rounded', ...size, ...{ radius: mm(radius) } }
        : { shape: 'rectangle', ...size };
    }
  }
}

/** What is decided about the padstack of a kind of land, as the file has it. */
function stackOf(land: GivenLand, maskMargin: number | null, left: string[]): StackIntent {
  const { copper, mask, paste, hole, other, inner } = land;
  const stack: { -readonly [K in keyof StackIntent]: StackIntent[K] } = {};
  if (hole) {
    const own = local(land, copper);
    const seen = unturned(own);
    const { shape, length, width, diameter, contour, ...corners } = shapeOf(seen) as Record<string, never>;
    if (shape !== 'round' && shape !== 'contour')
      Object.assign(stack, { shape, width: length, height: width, ...corners });
    if (shape === 'round') Object.assign(stack, { shape, width: diameter });
    // a contour of a stack is in mm without a word for it
    if (shape === 'contour') Object.assign(stack, { shape, contour: String(contour).replace(/ mm$/, '') });
    const { x, y } = own.at;
    if (x !== 0) stack.offsetX = mm(x);
    if (y !== 0) stack.offsetY = mm(y);
    const { plated, plus, minus } = hole;
    if (!plated || plus || minus)
      stack.hole = {
        ...(plated ? {} : { plated: false }),
        ...(plus ? { plus: mm(plus) } : {}),
        ...(minus ? { minus: mm(minus) } : {}),
      };
    if (other) {
      const [far, near] = [sizeOf(unturned(local(land, other))), sizeOf(seen)];
      if (far.width !== near.width || far.height !== near.height)
        stack.other = { width: mm(far.width), height: mm(far.height) };
      if (other.figure.kind !== copper.figure.kind)
        left.push(`The land of ${nameOf(land)} has another shape on the far side; it is kept by its sides.`);
    }
    const margin = land.clearance && marginOf([land.clearance], copper);
    if (typeof margin === 'number' && margin >= 0) stack.clearance = mm(margin);
    else if (land.clearance) left.push(`The plane clearance of ${nameOf(land)} follows from the process.`);
    const far = land.maskOther && marginOf(land.maskOther, other ?? copper);
    if (land.maskOther?.length === 0) stack.maskOther = { none: true };
    else if (land.maskOther && typeof far !== 'number') stack.maskOther = { as: asGiven(land, land.maskOther) };
    else if (typeof far === 'number' && far !== marginOf(mask, copper)) stack.maskOther = { margin: mm(far) };
    if (inner) {
      const { width, height } = sizeOf(inner.figure);
      stack.inner = mm(Math.min(width, height));
    }
  }
  if (!hole && land.maskOther?.length === 0) stack.maskOther = { none: true };
  if (mask) {
    const margin = marginOf(mask, copper);
    if (mask.length === 0) stack.mask = { none: true };
    else if (margin === null) stack.mask = { as: asGiven(land, mask) };
    else if (margin !== maskMargin) stack.mask = { margin: mm(margin) };
  }
  if (paste) Object.assign(stack, pasteOf(land, paste));
  return stack;
}

const nameOf = ({ number }: GivenLand): string => (number === '' ? 'a land without a number' : `land ${number}`);

/** Openings as their corners about the land. */
const asGiven = (land: GivenLand, openings: readonly Placed[]): string =>
  openings
    .map((one) => cornersText(flatten(contourOf(local(land, one)), CHORD)).replace(/ mm$/, ''))
    .join(' | ');

/** Paste as one opening by its margin, else as it is given. */
function pasteOf(land: GivenLand, paste: readonly Placed[]): Partial<StackIntent> {
  if (paste.length === 0) return land.hole ? {} : { paste: { none: true } };
  const margin = marginOf(paste, land.copper);
  const { width, height } = sizeOf(land.copper.figure);
  // corners that are given keep a large opening in one piece
  const isLarge = Math.max(width, height) > LONGEST_PIECE;
  return { paste: margin !== null && !isLarge ? { margin: mm(0 - margin) } : { as: asGiven(land, paste) } };
}

function holePieces(holes: readonly Placed[]): PieceIntent[] {
  const kinds = new Map<string, Placed[]>();
  for (const hole of holes) {
    const key = keyOf({ ...hole, at: { x: 0, y: 0 }, rotation: 0 });
    kinds.set(key, [...(kinds.get(key) ?? []), hole]);
  }
  return [...kinds.values()].map((alike, i): PieceIntent => {
    const [{ figure }] = alike as [Placed];
    const { width, height } = sizeOf(figure);
    const isUpright = figure.kind === 'oblong' && height > width;
    const places = alike.map(({ at, rotation }) => ({
      at,
      rotation: fullTurn(rotation + (isUpright ? 90 : 0)),
    }));
    const base = { id: `hole-${i + 1}`, name: 'holes', ...placesOf(places) };
    if (figure.kind === 'round' || figure.kind === 'oblong') {
      const [long, across] = [Math.max(width, height), Math.min(width, height)];
      return { ...base, what: 'hole', hole: mm(across), ...(long > across ? { slot: mm(long) } : {}) };
    }
    return { ...base, name: 'cut-out', what: 'cut-out', ...shapeOf(figure) };
  });
}

function windowPieces(windows: readonly Placed[]): PieceIntent[] {
  return windows.map((window, i) => ({
    id: `window-${i + 1}`,
    name: 'mask window',
    what: 'mask-window',
    ...shapeOf(window.figure),
    ...placesOf([window]),
  }));
}

function areaPiece({ area, what, side, why }: NonNullable<GivenPattern['areas']>[number]): Omit<PieceIntent, 'id'> {
  return {
    name: 'keep-out',
    what: 'keep-out',
    ...shapeOf(area.figure),
    ...placesOf([area]),
    ...(what ? { free: what } : {}),
    ...(side ? { side } : {}),
    ...(why ? { why: why.slice(0, 200) } : {}),
  };
}

/** The body as a block as high as the file says. */
function bodyPiece({ body, height }: GivenPattern): Omit<PieceIntent, 'id'> {
  const outline = recognised(body ?? []);
  const { figure } = outline;
  const { shape, diameter, ...size } = shapeOf(figure);
  return {
    name: 'body',
    what: 'body',
    ...(shape === 'round'
      ? { shape: 'cylinder' as const, diameter }
      : shape === 'rectangle'
        ? size
        : { shape: 'outline' as const, contour: cornersText(flatten(outlineOf(figure), 0.01)) }),
    ...placesOf([outline]),
    bottom: '0mm',
    top: mm(height ?? 0.01),
  } as Omit<PieceIntent, 'id'>;
}

/** Corners, in mm, no more of them than a document holds. */
function cornersText(points: readonly Point[]): string {
  let corners = points;
  for (let within = CHORD; corners.length > MOST_CORNERS; within *= 2)
    corners = simplified([points], within)[0] ?? points.slice(0, MOST_CORNERS);
  return inMm(corners.map(cornerText));
}

/** Lines of corners, parted by bars. */
const linesText = (lines: readonly Polyline[]): string =>
  inMm([lines.map((line) => line.map(cornerText).join(' ')).join(' | ')]);

const cornerText = ({ x, y }: Point): string => `${plain(x)},${plain(y)}`;
