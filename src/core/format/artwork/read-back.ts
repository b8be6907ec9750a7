import type { Footprint } from '../../footprint/footprint';
import { flatten } from '../../geometry/contour';
import { circleAt, contourOf, sizeOf, type Placed } from '../../geometry/figure';
import { isQuarter } from '../../geometry/point';
import { area, inflate, stroked, subtract, uniteAreas, type Polygon } from '../../geometry/polygon';
import type { WrittenFile } from '../format';
import { ofLand } from './layers';
import { readDrill } from './read-drill';
import { readFilm, type FilmObject } from './read-gerber';

// What goes to the shop, read again and held against the footprint itself, and not against what it was written
// from: area against area for films, hole against hole for drill files.

/** What one film or all drill files have, beside what the footprint has. */
export interface ReadBack {
  readonly file: string;
  /** Openings, lands or holes that the footprint has there. */
  readonly things: number;
  /** No edge lies further from where it should be than this, mm; `null` where something is missing or too much. */
  readonly within: number | null;
}

/** Edges are compared in these steps, mm. Outlines are followed to half of the first. */
const STEPS = [0.0002, 0.0005, 0.001, 0.002, 0.005, 0.01, 0.02, 0.05, 0.1];
const CHORD = 1e-4;
/** Areas that are nothing but rounding, mm². */
const SPECK = 1e-7;

type Side = 'top' | 'bottom';
type Layer = keyof typeof WANTED;
/** What films of a footprint hold. */
const LAYERS: readonly Layer[] = ['copper', 'mask', 'paste', 'legend'];

/**
 * Reads films and drill files again.
 * @param footprints what they show: one, or those of a board where they lie on it
 * @param files as they are written; others than films and drill files are passed over
 * @param layers what they have to hold; a layer of these that a footprint has and no file has is told
 */
export function readBack(
  footprints: readonly Footprint[],
  files: readonly Pick<WrittenFile, 'name' | 'content'>[],
  layers: readonly Layer[] = LAYERS,
): ReadBack[] {
  const texts = files.map(({ name, content }) => ({ name, text: String(content) }));
  const films = texts.flatMap(({ name, text }): ReadBack[] => {
    const [, side, layer] = /-(top|bottom)-(copper|mask|paste|legend)\.gbr$/.exec(name) ?? [];
    if (!side || !layer) return [];
    const wanted = wantedOf(footprints, layer as Layer, side as Side);
    const film = readFilm(text);
    const isWhole = film.ok && film.value.left.length === 0;
    return [
      { file: name, things: wanted.things, within: isWhole ? heldAgainst(film.value.objects, wanted) : null },
    ];
  });
  const absent = layers.flatMap((layer) =>
    (['top', 'bottom'] as const).flatMap((side): ReadBack[] => {
      const file = `${side}-${layer}.gbr`;
      const { things } = wantedOf(footprints, layer, side);
      return things > 0 && !films.some((film) => film.file.endsWith(`-${file}`))
        ? [{ file, things, within: null }]
        : [];
    }),
  );
  const drills = texts.filter(({ name }) => name.endsWith('.xnc'));
  const holes = layers.includes('copper') ? drilled(footprints, drills) : null;
  return [...films, ...absent, ...(holes && (holes.things > 0 || drills.length > 0) ? [holes] : [])];
}

const outlineOf = (placed: Placed, chord = CHORD): Polygon => flatten(contourOf(placed), chord);
const hasArea = ({ figure }: Placed): boolean => {
  const { width, height } = sizeOf(figure);
  return width > 0 && height > 0;
};

/** What a layer of the footprint has: figures and other areas, and what is left free in them. */
interface Wanted {
  readonly things: number;
  readonly figures: readonly Placed[];
  readonly areas: readonly Polygon[];
  readonly less: readonly Placed[];
}

const figures = (all: readonly Placed[], less: readonly Placed[] = []): Wanted => {
  const some = all.filter(hasArea);
  return { things: some.length, figures: some, areas: [], less };
};

/** What a footprint has on each layer of a side. */
const WANTED = {
  copper: ({ lands }: Footprint, side: Side) =>
    figures(
      lands.flatMap((land): Placed[] => {
        const rings = land.vias.map((via) => circleAt(via, via.land));
        if (land.far === (side === 'bottom')) return [land.copper, ...rings];
        const { other, offset } = land.padstack;
        return land.hole && other
          ? [ofLand(land, { figure: other, at: offset, rotation: 0 }), ...rings]
          : rings;
      }),
    ),
  mask: ({ maskOpenings, lands, bores }: Footprint, side: Side) => {
    const own = maskOpenings.filter(({ far }) => far === (side === 'bottom'));
    return figures(
      [
        ...own.map(({ opening }) => opening),
        ...lands.flatMap((land) =>
          land.far === (side === 'bottom') ? [] : land.padstack.maskOther.map((one) => ofLand(land, one)),
        ),
        ...bores.map(({ opening }) => opening),
      ],
      own.flatMap(({ islands }) => islands),
    );
  },
  paste: ({ lands }: Footprint, side: Side) =>
    figures(lands.flatMap(({ far, paste }) => (far === (side === 'bottom') ? paste : []))),
  legend: ({ legend, texts, far }: Footprint, side: Side): Wanted => {
    // it is on the part's own side
    if (far !== (side === 'bottom')) return figures([]);
    const lines = [
      ...legend.lines.map((line) => ({ line, width: legend.width })),
      ...texts.flatMap(({ isPlaceholder, lines: all, stroke }) =>
        isPlaceholder ? [] : all.map((line) => ({ line, width: stroke })),
      ),
    ].filter(({ line }) => line.length > 1);
    const pin1 = legend.pin1 ? flatten(legend.pin1, CHORD) : null;
    const mark = pin1 ? [area(pin1) < 0 ? [...pin1].reverse() : pin1] : [];
    return {
      things: lines.length + mark.length,
      figures: [],
      areas: [...lines.flatMap(({ line, width }) => stroked(line, width)), ...mark],
      less: [],
    };
  },
} as const;

/** What footprints have on a layer together. */
function wantedOf(footprints: readonly Footprint[], layer: Layer, side: Side): Wanted {
  const all = footprints.map((footprint) => WANTED[layer](footprint, side));
  return {
    things: all.reduce((sum, { things }) => sum + things, 0),
    figures: all.flatMap((one) => one.figures),
    areas: all.flatMap(({ areas }) => areas),
    less: all.flatMap(({ less }) => less),
  };
}

/** How far a film is from what is wanted, mm: figure by figure where all of both are plain, else area by area. */
function heldAgainst(objects: readonly FilmObject[], wanted: Wanted): number | null {
  const plain = objects.flatMap(({ placed, openings, clear }) =>
    placed && !openings?.length && !clear && isPlain(placed) ? [placed] : [],
  );
  const isPlainFilm =
    plain.length === objects.length &&
    wanted.areas.length + wanted.less.length === 0 &&
    wanted.figures.length === plain.length &&
    wanted.figures.every(isPlain);
  const most = isPlainFilm ? mostOff(wanted.figures, plain) : null;
  return most === null ? apart(coveredBy(objects), wantedArea(wanted)) : most;
}

/** Figures that their box and corners say all of. */
const isPlain = ({ figure, rotation }: Placed): boolean =>
  figure.kind === 'round' ||
  (isQuarter(rotation) &&
    (figure.kind === 'oblong' || (figure.kind === 'rectangle' && !figure.chamfer && !figure.radius)));

/** How far figures are off one another at most, each against its own; `null` where that says nothing. */
function mostOff(some: readonly Placed[], others: readonly Placed[]): number | null {
  const [a, b] = [inOrder(some), inOrder(others)];
  let most = 0;
  for (const [i, one] of a.entries()) {
    const other = b[i] as Placed;
    if (one.figure.kind !== other.figure.kind) return null;
    most = Math.max(most, offBy(one, other));
  }
  return STEPS.find((step) => most <= step + 1e-9) ?? null;
}

function wantedArea({ figures: some, areas, less }: Wanted): Polygon[] {
  const whole = uniteAreas([...some.map((one) => outlineOf(one)), ...areas]);
  return less.length > 0
    ? subtract(
        whole,
        less.map((one) => outlineOf(one)),
      )
    : whole;
}

/**
 * What the objects of a film cover: dark, without what is taken away after it.
 * @param chord how far outlines may lie off their arcs, mm
 */
export function coveredBy(objects: readonly FilmObject[], chord = CHORD): Polygon[] {
  let whole: Polygon[] = [];
  for (let from = 0; from < objects.length;) {
    const { clear } = objects[from] as FilmObject;
    let to = from;
    while (to < objects.length && objects[to]?.clear === clear) to += 1;
    const some = objects.slice(from, to).flatMap((one) => areaOf(one, chord));
    whole = clear ? subtract(whole, some) : uniteAreas([...whole, ...some]);
    from = to;
  }
  return whole;
}

function areaOf({ placed, openings = [], points, width = 0, swept }: FilmObject, chord: number): Polygon[] {
  if (placed) {
    const outline = outlineOf(placed, chord);
    return openings.length > 0 ? subtract([outline], openings) : [outline];
  }
  if (swept) return [swept];
  return points && width > 0 ? stroked(points, width) : [];
}

/** How far the edges of two areas lie apart at most, by the steps that are looked at; `null` beyond them. */
function apart(a: readonly Polygon[], b: readonly Polygon[]): number | null {
  const isIn = (inner: readonly Polygon[], outer: readonly Polygon[], by: number) =>
    subtract(inner, inflate(outer, by)).reduce((sum, one) => sum + Math.abs(area(one)), 0) < SPECK;
  return STEPS.find((by) => isIn(a, b, by) && isIn(b, a, by)) ?? null;
}

/** Holes of drill files against those of the footprint, each once. */
function drilled(
  footprints: readonly Footprint[],
  files: readonly { readonly name: string; readonly text: string }[],
): ReadBack {
  const wanted = footprints.flatMap(({ lands, bores }) => [
    ...lands.flatMap(({ hole, vias }) => [
      ...(hole ? [hole] : []),
      ...vias.map((via) => circleAt(via, via.hole)),
    ]),
    // every other one is cut out along its outline
    ...bores
      .map(({ hole }) => hole)
      .filter(({ figure }) => figure.kind === 'round' || figure.kind === 'oblong'),
  ]);
  const read = files.map(({ text }) => readDrill(text));
  const there = read.flatMap((one) => (one.ok ? one.value.holes.map(({ hole }) => hole) : []));
  const file = files.map(({ name }) => name).join(', ') || 'drill files';
  const isWhole = read.every((one) => one.ok && one.value.left.length === 0);
  if (!isWhole || there.length !== wanted.length) return { file, things: wanted.length, within: null };
  return { file, things: wanted.length, within: mostOff(wanted, there) };
}

/** By place and size, to a micrometre. */
const inOrder = (all: readonly Placed[]): Placed[] => {
  const key = ({ minX, minY, maxX, maxY }: Placed) => [minX + maxX, minY + maxY, maxX - minX];
  return all
    .map((one) => ({ one, key: key(one).map((v) => Math.round(v * 1e3)) }))
    .sort((a, b) => a.key.reduce((found, v, i) => found || v - (b.key[i] ?? 0), 0))
    .map(({ one }) => one);
};

const offBy = (a: Placed, b: Placed): number =>
  Math.max(
    Math.abs(a.minX - b.minX),
    Math.abs(a.minY - b.minY),
    Math.abs(a.maxX - b.maxX),
    Math.abs(a.maxY - b.maxY),
  );
