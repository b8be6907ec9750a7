import { boxOfPoints, boxRound, centreOf, type Box } from '../../geometry/box';
import { flatten, flattenOpen, type Contour } from '../../geometry/contour';
import type { Placed } from '../../geometry/figure';
import { distance, type Point } from '../../geometry/point';
import { encloses } from '../../geometry/polygon';
import { joined, type CopperPiece } from '../../given/join';
import type { GivenFile, GivenPattern } from '../../given/pattern';
import { placesIn } from '../../given/places';
import { recognised } from '../../given/recognise';
import { fail, ok, type Result } from '../../units/result';
import { layerCalled } from '../layer-words';
import { liesOver, liesWithin, numbered, once, shapesOf } from './lands';
import { agreed } from '../../words/agreed';
import { readOutlines, type DrawnText, type Outline, type OutlinesAsked } from './outlines';

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

/**
 * What a layer's outlines are by its name; `null` where that says nothing.
 * @param isCopperNamed whether a layer is called the copper: then a side alone says nothing
 */
function roleCalled(name: string, isCopperNamed: boolean): DrawingRole | null {
  const { kind, isFar, isNear, isInner } = layerCalled(name);
  if (kind === null && !isCopperNamed && !isInner && (isFar || isNear)) return isFar ? 'far-lands' : 'lands';
  if (isFar) return kind === 'mask' ? 'far-mask' : kind === 'copper' ? 'far-lands' : 'leave';
  if (kind === 'copper') return 'lands';
  return kind === 'assembly' || kind === 'dimensions' ? 'leave' : kind;
}

/** Texts that may number lands: of answers that blocks ask for, those to a question for it. */
function numbersOf(texts: readonly DrawnText[]): readonly DrawnText[] {
  const fit = texts.filter(({ text }) => /^[A-Za-z]{0,3}\d{0,4}$|^[-+]$/.test(text));
  const tags = new Set(fit.flatMap(({ tag }) => tag ?? []));
  const asked = fit.filter(({ tag }) => tag !== undefined && (tags.size === 1 || NUMBER.test(tag)));
  return [...asked, ...fit.filter(({ tag }) => tag === undefined)];
}
const NUMBER =
  /^(pin|pad|land|ball|terminal|no|nr|num|number|nummer|numero)([ _-]?(no|nr|num|number|name|id))?\.?$/i;

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
  const isCopperNamed = names.some((name) => layerCalled(name).kind === 'copper');
  const said = (name: string): DrawingRole | null =>
    (Object.hasOwn(chosen, name) ? chosen[name] : undefined) ?? roleCalled(name, isCopperNamed);
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
  for (const name of names)
    if (layerCalled(name).kind === null && /lands$/.test(said(name) ?? '') && !Object.hasOwn(chosen, name))
      left.push(`The layer “${name}” says its side only; it was taken for its lands.`);
  for (const name of names) if (said(name) === 'leave') left.push(`The layer “${name}” is left out.`);
  const numbers = numbersOf(texts);
  // what stands on a layer of the far side is said of its lands
  const isFar = ({ layer }: { readonly layer: string }) => layerCalled(layer).isFar;
  const farDrawn = shapesOf(of('far-lands'), left);
  const drawn = shapesOf(of('lands').filter(isTaken), left);
  const nested = [farDrawn, drawn].flatMap(liesWithin);
  if (nested.length > 0)
    left.push(
      `${agreed(nested.length, '# [outline lies|outlines lie] within another of the same layers and [is kept as a land|are kept as lands] of [its|their] own, where [it may be an opening or a hole|they may be openings or holes]')}: ${placesIn(nested)}. Draw such on a layer of their own, or hatch the copper.`,
    );
  const farCalled = numbered(farDrawn, numbers.filter(drawn.length > 0 ? isFar : () => true), left);
  const called = numbered(
    drawn,
    numbers.filter((one) => farDrawn.length === 0 || !isFar(one)),
    left,
  );
  const used = new Set(
    [...called, ...farCalled].flatMap((number) =>
      number ? [`${number.layer} ${number.at.x} ${number.at.y}`] : [],
    ),
  );
  const piecesOf = (shapes: typeof drawn, names: typeof called) =>
    shapes.map(({ placed }, i): CopperPiece => ({ placed, number: names[i]?.text ?? '' }));
  const copper = piecesOf(drawn, called);
  const others = texts.filter(({ layer, at }) => !used.has(`${layer} ${at.x} ${at.y}`)).length;
  if (others > 0) left.push(agreed(others, '# [text is|texts are] left out.'));
  const figures = (role: DrawingRole): Placed[] =>
    once(of(role), left).map(({ contour }) => recognised(contour));
  const has = (role: DrawingRole) => of(role).length > 0;
  const made = joined({
    copper,
    holes: figures('holes').map((hole) => ({ hole, plated: null })),
    far: piecesOf(farDrawn, farCalled),
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
  if (openElsewhere > 0)
    left.push(agreed(openElsewhere, '# [line that does not close is|lines that do not close are] left out.'));
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

const inside = (at: Point, contour: Contour): boolean => encloses(flatten(contour), at);
const liesIn = (inner: Outline, outer: Outline): boolean =>
  inner.contour.every(
    (corner) =>
      inside(corner, outer.contour) || outer.contour.some((other) => distance(other, corner) < 1e-6),
  );

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
