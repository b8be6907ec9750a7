import { pointerKey, type Edit } from '../document/edit';
import type { Remedy } from '../document/finding';
import { trialLength } from '../document/trial';
import type { TextMark } from '../footprint/footprint';
import { boxOfPoints, boxRound, centreOf, gapBetween, grow, type Box } from '../geometry/box';
import { placedBox, type Placed } from '../geometry/figure';
import { gapBetweenFigures, roomWithin } from '../geometry/gaps';
import { neighboursOf, type Neighbours } from '../geometry/neighbours';
import { putPoint, undone } from '../geometry/placement';
import { fullTurn, turn, type Point } from '../geometry/point';
import { featuresOf } from './features';
import type { CompiledTrial, PlacedPart } from './trial';

// Finds texts of placed parts a place where they can be read: on the board, off everything that is soldered or
// drilled, out from under bodies, and not over one another.

type Role = TextMark['role'];

/** Rings about a part in which a text is looked for a place, mm beyond the nearest one: further off it names another. */
const RINGS = [0, 0.4, 0.8, 1.2, 1.8, 2.5];

/** Something that a text keeps off, by how much, mm. */
interface Obstacle {
  readonly figure: Placed;
  readonly far: boolean;
  readonly gap: number;
}

/** The texts of a board as they come to lie while they are put in order. */
interface Room {
  readonly trial: CompiledTrial;
  readonly obstacles: readonly Obstacle[];
  readonly index: Neighbours;
  /** Boxes round the ink of the printed texts, by part and role. */
  readonly texts: Map<string, { readonly box: Box; readonly far: boolean }>;
}

const printed = ({ footprint }: PlacedPart): TextMark[] =>
  footprint.texts.filter(({ isPlaceholder, lines }) => !isPlaceholder && lines.length > 0);

const inkOf = ({ lines, stroke }: TextMark): Box =>
  grow(boxOfPoints(lines.flat()) ?? { minX: 0, minY: 0, maxX: 0, maxY: 0 }, stroke / 2);

const nameOf = (part: PlacedPart, role: Role): string => `${part.id} ${role}`;

const rooms = new WeakMap<CompiledTrial, Room>();

function roomOf(trial: CompiledTrial): Room {
  const known = rooms.get(trial);
  if (known) return known;
  const { legendGap } = trial.process;
  const obstacles = trial.parts.flatMap((part): Obstacle[] => {
    const { openings, holes, body, prints } = featuresOf(part);
    const { far } = part.footprint;
    return [
      ...openings.map(({ figure, far: below }) => ({ figure, far: below, gap: legendGap })),
      ...holes.flatMap(({ figure }) =>
        [false, true].map((below) => ({ figure, far: below, gap: legendGap })),
      ),
      { figure: body.figure, far, gap: 0 },
      ...prints
        .filter(({ what }) => what === 'legend' || what === 'pin-1 mark')
        .flatMap(({ lines }) => lines.map(({ box }) => ({ figure: placedBox(box), far, gap: 0 }))),
    ];
  });
  const room: Room = {
    trial,
    obstacles,
    index: neighboursOf(obstacles.map(({ figure, gap }) => grow(figure, gap))),
    texts: new Map(
      trial.parts.flatMap((part) =>
        printed(part).map((text) => [nameOf(part, text.role), { box: inkOf(text), far: part.footprint.far }]),
      ),
    ),
  };
  rooms.set(trial, room);
  return room;
}

/** So little a text that stays may reach into what it keeps off, mm: places are kept to a micrometre. */
const SLACK = 0.002;

/**
 * Whether a text can be read where its ink would be.
 * @param isNew whether it is to be put there: then it keeps its distances as well
 */
function isFree(room: Room, own: string, box: Box, far: boolean, isNew: boolean): boolean {
  const { trial, obstacles, index, texts } = room;
  const ink = placedBox(box);
  const least = isNew ? 0 : -SLACK;
  if (roomWithin(trial.board.figure, ink) < least) return false;
  const isHit = index.near(box).some((i) => {
    const one = obstacles[i];
    return one?.far === far && gapBetweenFigures(one.figure, ink) < (isNew ? one.gap - 1e-6 : least);
  });
  if (isHit) return false;
  for (const [name, other] of texts)
    if (name !== own && other.far === far && gapBetween(other.box, box) < least) return false;
  return true;
}

/** A text moved and turned: degrees on the board, seen from above. */
interface Wish {
  readonly at: Point;
  readonly by: number;
}

const wished = (text: TextMark, { at, by }: Wish): TextMark => ({
  ...text,
  at,
  rotation: fullTurn(text.rotation + by),
  lines: text.lines.map((line) =>
    line.map((p) => {
      const { x, y } = turn({ x: p.x - text.at.x, y: p.y - text.at.y }, by);
      return { x: x + at.x, y: y + at.y };
    }),
  ),
});

/** Whether a text reads from the bottom or from the right, seen from its side of the board. */
function readsUpright({ rotation }: TextMark, far: boolean): boolean {
  return fullTurn((far ? -rotation : rotation) + 45) < 180 - 1e-9;
}

/** Places round what a part has on the board, the nearest first: level before upright, above and below before beside. */
function* wishesOf(part: PlacedPart, text: TextMark, gap: number): Generator<Wish> {
  const { openings, body, prints } = featuresOf(part);
  const about = boxRound([
    body.figure,
    ...openings.filter(({ far }) => far === part.footprint.far).map(({ figure }) => figure),
    ...prints.filter(({ what }) => what === 'legend' || what === 'pin-1 mark').map(({ box }) => box),
  ]) as Box;
  const middle = centreOf(about);
  const turns = [0, 90, 180, 270]
    .map((by) => wished(text, { at: text.at, by }))
    .filter((one) => readsUpright(one, part.footprint.far))
    .map((one) => ({ by: fullTurn(one.rotation - text.rotation), box: inkOf(one) }))
    .sort((a, b) => b.box.maxX - b.box.minX - (a.box.maxX - a.box.minX));
  for (const ring of RINGS)
    for (const { by, box } of turns) {
      const [w, h] = [(box.maxX - box.minX) / 2, (box.maxY - box.minY) / 2];
      // the ink need not lie about the middle of its text
      const [ox, oy] = [text.at.x - (box.minX + box.maxX) / 2, text.at.y - (box.minY + box.maxY) / 2];
      const put = (x: number, y: number): Wish => ({ at: { x: x + ox, y: y + oy }, by });
      const off = gap + ring;
      for (const y of [about.maxY + off + h, about.minY - off - h])
        for (const x of [middle.x, about.minX + w, about.maxX - w]) yield put(x, y);
      for (const x of [about.maxX + off + w, about.minX - off - w])
        for (const y of [middle.y, about.maxY - h, about.minY + h]) yield put(x, y);
    }
}

/** The edits that put a text to a place of the board. @param by degrees that it is turned further */
function putEdits(trial: CompiledTrial, part: PlacedPart, text: TextMark, { at, by }: Wish): Edit[] {
  const { placement, compiled } = part;
  const { origin } = compiled.footprint;
  const own = putPoint(undone(placement), at);
  const rotation = text.rotation + by;
  const turned = fullTurn(placement.far ? placement.angle - rotation : rotation - placement.angle);
  const root = `/parts/${pointerKey(part.part)}/texts/${text.role}`;
  const length = (mm: number) => trialLength(trial.trial, Math.round(mm * 1000) / 1000);
  return [
    { at: `${root}/place`, value: 'point' },
    { at: `${root}/x`, value: length(own.x + origin.x) },
    { at: `${root}/y`, value: length(own.y + origin.y) },
    { at: `${root}/rotation`, value: (Math.round(turned / 90) * 90) % 360 },
  ];
}

/** Everything that one part of the document makes, and the same text of each. */
function allOf(trial: CompiledTrial, part: PlacedPart, role: Role) {
  return trial.parts
    .filter((one) => one.part === part.part)
    .flatMap((one) => {
      const text = printed(one).find((other) => other.role === role);
      return text ? [{ part: one, text }] : [];
    });
}

/** The first place where a text, and that of every other part of its row or array, can be read; `null` where there is none. */
function freePlace(room: Room, part: PlacedPart, text: TextMark): Wish | null {
  const all = allOf(room.trial, part, text.role);
  for (const wish of wishesOf(part, text, room.trial.process.legendGap)) {
    const by = { x: wish.at.x - text.at.x, y: wish.at.y - text.at.y };
    // parts of one row are turned alike, so that their texts move alike
    const moved = all.map((one) => ({
      ...one,
      box: inkOf(wished(one.text, { at: { x: one.text.at.x + by.x, y: one.text.at.y + by.y }, by: wish.by })),
    }));
    if (
      moved.every(({ part: own, box }) => isFree(room, nameOf(own, text.role), box, own.footprint.far, true))
    ) {
      for (const { part: own, box } of moved)
        room.texts.set(nameOf(own, text.role), { box, far: own.footprint.far });
      return wish;
    }
  }
  return null;
}

/** Moves a text by a way on the board; it goes on standing at that place of its part. */
export function moveText(trial: CompiledTrial, id: string, role: Role, to: Point): Edit[] {
  const part = trial.parts.find((one) => one.id === id);
  const text = part && printed(part).find((one) => one.role === role);
  return part && text ? putEdits(trial, part, text, { at: to, by: 0 }) : [];
}

/** The printed text of a part under a point of the board. */
export function textAt(part: PlacedPart, { x, y }: Point): TextMark | null {
  return (
    printed(part).find((text) => {
      const { minX, minY, maxX, maxY } = inkOf(text);
      return x >= minX && x <= maxX && y >= minY && y <= maxY;
    }) ?? null
  );
}

const hide = (part: PlacedPart, role: Role): Edit[] => [
  { at: `/parts/${pointerKey(part.part)}/texts/${role}/shown`, value: false },
];

/** What can be done about one text: another place for it, or not to print it. */
export function textRemedies(trial: CompiledTrial, part: PlacedPart, role: Role): Remedy[] {
  const text = printed(part).find((one) => one.role === role);
  if (!text) return [];
  const known = roomOf(trial);
  const wish = freePlace({ ...known, texts: new Map(known.texts) }, part, text);
  return [
    ...(wish
      ? [
          {
            label: `Put the ${role} of ${part.reference} where it is free`,
            edits: putEdits(trial, part, text, wish),
          },
        ]
      : []),
    { label: `Leave the ${role} of ${part.reference} unprinted`, edits: hide(part, role) },
  ];
}

/** What clearing all texts came to. */
export interface ClearedTexts {
  readonly edits: readonly Edit[];
  /** Texts that were put elsewhere. */
  readonly moved: readonly string[];
  /** Texts that found no place and are no longer printed, as “reference of R3”. */
  readonly hidden: readonly string[];
}

/**
 * Puts every text that cannot be read where it is to the nearest free place about its part; one that finds none is
 * not printed. Texts that can be read stay.
 */
export function clearTexts(trial: CompiledTrial): ClearedTexts {
  const known = roomOf(trial);
  const room: Room = { ...known, texts: new Map(known.texts) };
  const edits: Edit[] = [];
  const moved: string[] = [];
  const hidden: string[] = [];
  const seen = new Set<string>();
  for (const part of trial.parts)
    for (const text of printed(part)) {
      const name = `${part.part} ${text.role}`;
      if (seen.has(name)) continue;
      seen.add(name);
      const all = allOf(trial, part, text.role);
      const canStay = all.every(({ part: own, text: ink }) =>
        isFree(room, nameOf(own, ink.role), inkOf(ink), own.footprint.far, false),
      );
      if (canStay) continue;
      const wish = freePlace(room, part, text);
      const words = `${text.role} of ${part.reference}`;
      if (wish) {
        edits.push(...putEdits(trial, part, text, wish));
        moved.push(words);
      } else {
        for (const one of all) room.texts.delete(nameOf(one.part, text.role));
        edits.push(...hide(part, text.role));
        hidden.push(words);
      }
    }
  return { edits, moved, hidden };
}
