import { boxOfPoints, boxRound, centreOf, gapBetween, type Box } from '../../geometry/box';
import { flatten, flattenOpen, type Contour } from '../../geometry/contour';
import type { Placed } from '../../geometry/figure';
import { distance, type Point } from '../../geometry/point';
import { area, encloses } from '../../geometry/polygon';
import { joined, type CopperPiece } from '../../given/join';
import type { GivenFile, GivenPattern } from '../../given/pattern';
import { placesIn } from '../../given/places';
import { recognised } from '../../given/recognise';
import { fail, ok, type Result } from '../../units/result';
import { layerCalled } from '../layer-words';
import { readOutlines, type Outline, type OutlinesAsked } from './outlines';

// A drawing as a land pattern: what its layers are for follows from their names, or from choice. A drawing
// whose layers say nothing has a body and free contours.

/** What the outlines of a layer are. */
export const DRAWING_ROLES = [
  'lands',
  'far-lands',
  'mask',
  'far-mask',
  'paste',
  'holes',
  'body',
  'courtyard',
  'legend',
  'keep-out',
  'edge',
  'leave',
] as const;
export type DrawingRole = (typeof DRAWING_ROLES)[number];

/** What is asked of a drawing: what layers are for, by their names. */
export interface DrawingAsked extends OutlinesAsked {
  readonly layers?: Readonly<Record<string, DrawingRole>>;
}

/** A layer of a drawing with what it is taken for. */
export interface DrawingLayer {
  readonly name: string;
  readonly role: DrawingRole;
  readonly outlines: number;
}

/** What a layer's outlines are by its name; `null` where that says nothing. */
function roleCalled(name: string): DrawingRole | null {
  const { kind, isFar } = layerCalled(name);
  if (isFar) return kind === 'mask' ? 'far-mask' : kind === 'copper' ? 'far-lands' : 'leave';
  if (kind === 'copper') return 'lands';
  return kind === 'assembly' || kind === 'dimensions' ? 'leave' : kind;
}

/** Reads a drawing as a land pattern. @returns it with its layers, or why it is none */
export function readDrawing(
  text: string,
  fileName: string,
  { layers: chosen = {}, ...outlinesAsked }: DrawingAsked = {},
): Result<GivenFile & { readonly layers: readonly DrawingLayer[] }, string> {
  const read = readOutlines(text, outlinesAsked);
  if (!read.ok) return read;
  const { outlines, lines, texts } = read.value;
  if (outlines.length === 0)
    return fail(`There is no closed outline in the drawing. ${read.value.left.join(' ')}`.trim());
  // open lines are told unless the legend takes them
  const left = read.value.left.filter((words) => !/do not close/.test(words));
  const names = [...new Set([...outlines, ...lines].map(({ layer }) => layer))];
  const said = (name: string): DrawingRole | null =>
    (Object.hasOwn(chosen, name) ? chosen[name] : undefined) ?? roleCalled(name);
  const hasLands = names.some((name) => said(name) === 'lands');
  const roleOf = (name: string): DrawingRole => said(name) ?? (hasLands ? 'leave' : 'lands');
  const of = (role: DrawingRole) => outlines.filter(({ layer }) => roleOf(layer) === role);
  const unsaid = names.filter((name) => said(name) === null);
  const [largest] = outlines;
  // without a word the outline round all others is the body, or one that lies over others, as no land does
  const isRound =
    largest &&
    unsaid.includes(largest.layer) &&
    of('body').length === 0 &&
    !hasLands &&
    outlines.length > 1 &&
    (outlines.every((one) => one === largest || liesIn(one, largest)) || liesOver(largest, outlines));
  const isOnly = largest && outlines.length === 1 && unsaid.includes(largest.layer);
  const body = of('body')[0] ?? (isRound || isOnly ? largest : undefined);
  const isTaken = (one: Outline) => one !== body;
  if (unsaid.length > 0)
    left.push(
      hasLands
        ? `Layers whose names say nothing are left out: ${unsaid.join(', ')}.`
        : `The layers do not say what they show: ${body && unsaid.includes(body.layer) ? 'the largest outline was taken for the body, ' : ''}the others for free contours of copper.`,
    );
  for (const name of names) if (said(name) === 'leave') left.push(`The layer “${name}” is left out.`);
  const numbers = texts.filter(({ text: words }) => /^[A-Za-z]{0,3}\d{0,4}$|^[-+]$/.test(words));
  const drawn = once(of('lands').filter(isTaken), left).map((outline) => ({
    placed: recognised(outline.contour),
    polygon: flatten(outline.contour),
  }));
  const within = drawn.map(({ placed, polygon }) =>
    numbers.find(({ at }) => isIn(at, placed) && encloses(polygon, at)),
  );
  const called = within.some((number) => number) ? within : numbersBeside(drawn, numbers, left);
  const used = new Set(called.flatMap((number) => (number ? [`${number.at.x} ${number.at.y}`] : [])));
  const copper = drawn.map(({ placed }, i): CopperPiece => ({ placed, number: called[i]?.text ?? '' }));
  const others = texts.filter(({ at }) => !used.has(`${at.x} ${at.y}`)).length;
  if (others > 0) left.push(`${others} texts are left out.`);
  const figures = (role: DrawingRole): Placed[] =>
    once(of(role), left).map(({ contour }) => recognised(contour));
  const has = (role: DrawingRole) => of(role).length > 0;
  const made = joined({
    copper,
    holes: figures('holes').map((hole) => ({ hole, plated: null })),
    far: figures('far-lands').map((placed) => ({ placed, number: '' })),
    ...(has('mask') ? { mask: figures('mask') } : {}),
    ...(has('far-mask') ? { maskOther: figures('far-mask') } : {}),
    ...(has('paste') ? { paste: figures('paste') } : {}),
  });
  if (has('holes')) left.push('A drawing does not say which holes are plated: those in lands are.');
  const legendLines = [
    ...lines
      .filter(({ layer }) => roleOf(layer) === 'legend')
      .map(({ points }) => flattenOpen(points, 0.005)),
    ...of('legend').map(({ contour }) => closed(flatten(contour, 0.005))),
  ];
  const openElsewhere = lines.filter(({ layer }) => roleOf(layer) !== 'legend').length;
  if (openElsewhere > 0) left.push(`${openElsewhere} lines that do not close are left out.`);
  const [courtyard] = of('courtyard');
  const name = fileName.replace(/\.[^.]*$/, '');
  const edge = has('edge')
    ? edgeNear(of('edge')[0] as Outline, [
        ...copper.map(({ placed }) => placed),
        ...(body ? [boxOfPoints(flatten(body.contour)) as Box] : []),
      ])
    : null;
  const pattern: GivenPattern = {
    name,
    from: fileName,
    lands: made.lands,
    holes: made.holes,
    windows: made.windows,
    ...(body ? { body: body.contour } : {}),
    ...(courtyard ? { courtyard: flatten(courtyard.contour, 0.005) } : {}),
    ...(legendLines.length > 0 ? { legend: { lines: legendLines, width: 0.12, withTexts: true } } : {}),
    ...(has('keep-out')
      ? { areas: figures('keep-out').map((area) => ({ area, why: 'drawn as a keep-out' })) }
      : {}),
    ...(edge ? { edge } : {}),
    unsaid: [
      ...(legendLines.length > 0 ? [] : (['legend'] as const)),
      ...(courtyard ? [] : (['courtyard'] as const)),
      ...(copper.some(({ number }) => number !== '') ? [] : (['numbers'] as const)),
      ...(has('paste') ? [] : (['paste'] as const)),
    ],
    left: [...left, ...made.left],
  };
  return ok({
    patterns: [pattern],
    left: [],
    layers: names.map((layer) => ({
      name: layer,
      role: roleOf(layer),
      outlines: outlines.filter((one) => one.layer === layer).length,
    })),
  });
}

const isIn = ({ x, y }: Point, { minX, minY, maxX, maxY }: Box): boolean =>
  x >= minX && x <= maxX && y >= minY && y <= maxY;
const inside = (at: Point, contour: Contour): boolean => encloses(flatten(contour), at);
const liesIn = (inner: Outline, outer: Outline): boolean =>
  inner.contour.every(
    (corner) =>
      inside(corner, outer.contour) || outer.contour.some((other) => distance(other, corner) < 1e-6),
  );

/** Whether an outline lies over at least two others, and is the only one that does. */
function liesOver(largest: Outline, outlines: readonly Outline[]): boolean {
  const boxes = new Map(outlines.map((one) => [one, boxOfPoints(flatten(one.contour)) as Box]));
  const over = (a: Outline, b: Outline) => gapBetween(boxes.get(a) as Box, boxes.get(b) as Box) < -OVER_BY;
  const under = outlines.filter((one) => one !== largest && over(largest, one));
  return (
    under.length >= 2 &&
    outlines.length <= MOST_HELD &&
    outlines.every(
      (one, i) =>
        one === largest || !outlines.slice(i + 1).some((other) => other !== largest && over(one, other)),
    )
  );
}

/** Shapes lie over each other where they do so by more than this, mm. */
const OVER_BY = 0.01;
/** Outlines that are held against each other at most. */
const MOST_HELD = 2000;
/** Outlines whose edges are nearer than this are drawn twice, mm. */
const SAME = 0.002;

/** Outlines of which those that are drawn twice, as by an outline and its hatching, are taken once: the finer one. */
function once(outlines: readonly Outline[], left: string[]): Outline[] {
  const known = outlines
    .map((outline, i) => {
      const polygon = flatten(outline.contour, 0.0005);
      return { outline, i, box: boxOfPoints(polygon) as Box, area: Math.abs(area(polygon)) };
    })
    .sort((a, b) => a.box.minX - b.box.minX);
  const isFiner = (a: Outline, b: Outline) =>
    a.contour.some(({ bulge }) => bulge) && !b.contour.some(({ bulge }) => bulge);
  const dropped = new Set<Outline>();
  for (const [k, one] of known.entries()) {
    if (dropped.has(one.outline)) continue;
    for (let n = k + 1; n < known.length; n += 1) {
      const other = known[n] as typeof one;
      if (other.box.minX - one.box.minX > SAME) break;
      const isSame =
        Math.abs(other.box.maxX - one.box.maxX) < SAME &&
        Math.abs(other.box.minY - one.box.minY) < SAME &&
        Math.abs(other.box.maxY - one.box.maxY) < SAME &&
        Math.abs(other.area - one.area) < 0.01 * one.area;
      if (!isSame || dropped.has(other.outline)) continue;
      dropped.add(isFiner(other.outline, one.outline) ? one.outline : other.outline);
    }
  }
  if (dropped.size > 0)
    left.push(
      `${dropped.size} outlines are drawn twice at one place; they are taken once: ${placesIn([...dropped].map(({ contour }) => centreOf(boxOfPoints(contour) as Box)))}.`,
    );
  return outlines.filter((one) => !dropped.has(one));
}

interface Text {
  readonly text: string;
  readonly at: Point;
}

/** Numbers that stand beside their lands: each is the nearest of its land and its land the nearest of it, or none is taken. */
function numbersBeside(
  drawn: readonly { readonly placed: Placed }[],
  numbers: readonly Text[],
  left: string[],
): readonly (Text | undefined)[] {
  const none = drawn.map(() => undefined);
  if (numbers.length < drawn.length || drawn.length * numbers.length > MOST_HELD * 50) return none;
  const away = ({ x, y }: Point, { minX, minY, maxX, maxY }: Box) =>
    Math.hypot(Math.max(minX - x, x - maxX, 0), Math.max(minY - y, y - maxY, 0));
  const nearest = <T>(all: readonly T[], of: (one: T) => number): T | undefined =>
    all.reduce<T | undefined>(
      (best, one) => (best === undefined || of(one) < of(best) ? one : best),
      undefined,
    );
  const found = drawn.map(({ placed }) => {
    const number = nearest(numbers, ({ at }) => away(at, placed));
    const back = number && nearest(drawn, (one) => away(number.at, one.placed));
    const reach = 1.5 * Math.max(placed.maxX - placed.minX, placed.maxY - placed.minY);
    return number && back?.placed === placed && away(number.at, placed) < reach ? number : undefined;
  });
  if (found.some((number) => number === undefined)) return none;
  left.push('Numbers stand beside the lands: each was given to the land that it lies nearest to.');
  return found;
}

const closed = (polygon: readonly Point[]): Point[] => [...polygon, polygon[0] as Point];

/** The side of a board's outline that a part lies nearest to. */
function edgeNear({ contour }: Outline, part: readonly Box[]): GivenPattern['edge'] | null {
  const [board, own] = [boxOfPoints(flatten(contour)), boxRound(part)];
  if (!board || !own) return null;
  const middle = centreOf(own);
  const sides = [
    { side: 'down', at: { x: middle.x, y: board.minY }, away: Math.abs(own.minY - board.minY) },
    { side: 'up', at: { x: middle.x, y: board.maxY }, away: Math.abs(board.maxY - own.maxY) },
    { side: 'left', at: { x: board.minX, y: middle.y }, away: Math.abs(own.minX - board.minX) },
    { side: 'right', at: { x: board.maxX, y: middle.y }, away: Math.abs(board.maxX - own.maxX) },
  ] as const;
  return [...sides].sort((a, b) => a.away - b.away)[0] ?? null;
}
