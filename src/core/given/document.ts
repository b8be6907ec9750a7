import { newDocument, type TapisDocument } from '../document/document';
import type { StackIntent } from '../document/intent';
import type { PieceIntent } from '../document/pieces';
import { flatten } from '../geometry/contour';
import { outlineOf, sizeOf, type Placed } from '../geometry/figure';
import { OVER, putAngle, putPlaced, putPoint } from '../geometry/placement';
import { fullTurn, turn } from '../geometry/point';
import { inMm, mm, plain } from '../package/composed/writer';
import { quantise } from '../units/length';
import { MOST_LANDS, type GivenLand, type GivenPattern, type GivenVia } from './pattern';
import { recognised } from './recognise';
import { about, besideCopper, copperStack, frameOf, marginOf, type LandFrame } from './stack';
import { cornersText, linesText, shapeOf } from './words';

// A land pattern as a document: lands that are alike are one piece with their places, and what belongs to
// their padstacks is decided for the piece. Nothing is computed; what the file says is what stands there.

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
  if (lands.length > 0 && lands.every(({ far }) => far))
    left.push(
      'All its lands lie on the far side of the board, and stay there: look whether it was drawn from below.',
    );
  // lands of the far side are decided about as they are seen from there
  const kinds = kindsOf(lands.map((land) => (land.far ? overOf(land) : land)));
  const maskMargin = sharedBy(kinds, ({ first }) => marginOf(first.mask, first.copper));
  const stacks: Record<string, StackIntent> = {};
  const numbers: Record<string, string> = {};
  const pieces: PieceIntent[] = kinds.map(({ first, places }, i) => {
    const id = `lands-${i + 1}`;
    const frame = frameOf(first);
    const stack: StackIntent = {
      ...(first.hole ? copperStack(frame, first.copper) : {}),
      ...besideCopper(first, frame, maskMargin, left),
    };
    if (Object.keys(stack).length > 0) stacks[id] = stack;
    places.forEach(({ number }, k) => {
      // a list of numbers has blanks between them
      if (!isPlainNumber(number)) numbers[`${id}/${k + 1}`] = number.slice(0, 12);
    });
    const seen = first.far ? places.map(({ number, ...frame }) => ({ number, ...frameOver(frame) })) : places;
    return { id, ...landPiece(first, seen) };
  });
  pieces.push(...holePieces(pattern.holes), ...windowPieces(pattern.windows ?? []));
  for (const [i, area] of (pattern.areas ?? []).entries())
    pieces.push({ id: `free-${i + 1}`, ...areaPiece(area) });
  if (pattern.edge) {
    const { at, side } = pattern.edge;
    pieces.push({
      id: 'edge',
      name: 'edge of the board',
      what: 'edge',
      towards: side,
      x: mm(at.x),
      y: mm(at.y),
    });
  }
  if (pattern.body) pieces.push({ id: 'body', ...bodyPiece(pattern) });
  const { courtyard, legend } = pattern;
  const own = {
    ...(courtyard ? { courtyard: cornersText(courtyard) } : {}),
    ...(legend && legend.lines.length > 0 ? { lines: linesText(legend.lines), width: mm(legend.width) } : {}),
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
      ...(pattern.unsaid && pattern.unsaid.length > 0 ? { unsaid: pattern.unsaid } : {}),
      // two lands without a mark may lie either way
      first: lands.length > 2 || legend?.pin1 ? 'marked' : 'plain',
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
  `Taken in from ${from}.\nNot understood or not kept:\n${left.map((one) => `- ${one}`).join('\n')}`.slice(
    0,
    4000,
  );

const isPlainNumber = (number: string): boolean => number === '' || /^[^\s,;–—-][^\s,;]{0,11}$/.test(number);

/** A land of the far side as it is seen from there. */
function overOf(land: GivenLand): GivenLand {
  const put = (one: Placed) => putPlaced(OVER, one);
  const { mask, paste, vias } = land;
  return {
    ...land,
    copper: put(land.copper),
    ...(mask ? { mask: mask.map(put) } : {}),
    ...(paste ? { paste: paste.map(put) } : {}),
    ...(vias ? { vias: vias.map((via) => putPoint(OVER, via)) } : {}),
  };
}

/** The same place and way as they are seen from the other side. */
function frameOver({ at, rotation }: LandFrame): LandFrame {
  return { at: putPoint(OVER, at), rotation: putAngle(OVER, rotation) };
}

/** Lands that are alike but for place, turn and number. */
interface Kind {
  readonly first: GivenLand;
  readonly places: readonly (LandFrame & { readonly number: string })[];
}

function kindsOf(lands: readonly GivenLand[]): Kind[] {
  const kinds = new Map<string, { first: GivenLand; places: Kind['places'][number][] }>();
  for (const land of lands) {
    const frame = frameOf(land);
    const own = (all: readonly Placed[] | undefined) => all?.map((one) => keyOf(about(frame, one)));
    const { hole, other, inner, vias, maskOther, clearance, far = false } = land;
    const key = JSON.stringify([
      far,
      keyOf(about(frame, land.copper)),
      own(land.mask),
      own(land.paste),
      hole && [keyOf(about(frame, hole.hole)), hole.plated, hole.plus, hole.minus],
      other && keyOf(about(frame, other)),
      inner && keyOf(about(frame, inner)),
      own(maskOther),
      clearance && keyOf(about(frame, clearance)),
      vias && viaTexts(frame, vias),
    ]);
    const known = kinds.get(key) ?? { first: land, places: [] };
    known.places.push({ ...frame, number: land.number });
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

/** Vias as a piece says them, about the place of their land. */
const viaTexts = ({ at, rotation }: LandFrame, vias: readonly GivenVia[]): string[] =>
  vias.map((via) => {
    const by = turn({ x: via.x - at.x, y: via.y - at.y }, -rotation);
    return [quantise(by.x), quantise(by.y), via.hole, via.land].map(plain).join(',');
  });

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
  const rest = {
    ...(vias && vias.length > 0 ? { vias: inMm(viaTexts(frameOf(land), vias)) } : {}),
    ...placesOf(places),
    numbers: numbersOf(places),
  };
  const side = land.far ? { side: 'far' as const } : {};
  if (!hole) return { name: 'lands', what: 'land', ...shapeOf(copper.figure), ...side, ...rest };
  const { width: long, height: across } = holeSizes(hole.hole);
  return {
    name: 'holes',
    what: 'hole',
    plated: true,
    hole: mm(across),
    ...(long > across ? { slot: mm(long) } : {}),
    land: mm(Math.max(width, height)),
    ...rest,
  };
}

const holeSizes = ({ figure }: Placed) => {
  const { width, height } = sizeOf(figure);
  return { width: Math.max(width, height), height: Math.min(width, height) };
};

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

function areaPiece({
  area,
  what,
  side,
  why,
}: NonNullable<GivenPattern['areas']>[number]): Omit<PieceIntent, 'id'> {
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
