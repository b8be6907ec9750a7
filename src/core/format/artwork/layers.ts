import type { Footprint, Land } from '../../footprint/footprint';
import { pinLabel, pinsByLand } from '../../footprint/pins';
import { cornersOf } from '../../geometry/box';
import type { Contour, Vertex } from '../../geometry/contour';
import { circleAt, mirrored, place, sizeOf, type Figure, type Placed } from '../../geometry/figure';
import { add, turn, type Point } from '../../geometry/point';

// What lies on each layer of the board, seen from the component side: the one description that films,
// drills and drawings are written from.

/** One thing on a layer. */
export type ArtObject = {
  /** What it is for, in the words of the trade's films; plain where it is missing. */
  readonly use?: ArtUse;
  /** The pin that it belongs to. */
  readonly pin?: { readonly number: string; readonly name: string };
  /** Reference of the component that it belongs to, where the films are those of a board. */
  readonly of?: string;
  /** Taken away from what lies under it. */
  readonly clear?: true;
} & (
  | { readonly kind: 'flash'; readonly placed: Placed }
  | { readonly kind: 'line'; readonly points: readonly Vertex[]; readonly width: number }
  | { readonly kind: 'region'; readonly contour: Contour }
);

export type ArtUse = 'smd' | 'smd-mask-defined' | 'component' | 'via' | 'heatsink' | 'washer' | 'test';

export type LayerId =
  | 'top-copper'
  | 'bottom-copper'
  | 'top-mask'
  | 'bottom-mask'
  | 'top-paste'
  | 'bottom-paste'
  | 'top-legend'
  | 'bottom-legend'
  | 'courtyard'
  | 'assembly'
  | 'bottom-assembly'
  | 'cut-outs'
  | 'profile';

/** What the layers are called. */
export const LAYER_TITLES: Readonly<Record<LayerId, string>> = {
  'top-copper': 'Copper, top',
  'bottom-copper': 'Copper, bottom',
  'top-mask': 'Solder mask, top',
  'bottom-mask': 'Solder mask, bottom',
  'top-paste': 'Paste, top',
  'bottom-paste': 'Paste, bottom',
  'top-legend': 'Legend, top',
  'bottom-legend': 'Legend, bottom',
  courtyard: 'Courtyard',
  assembly: 'Assembly drawing',
  'bottom-assembly': 'Assembly drawing, bottom',
  'cut-outs': 'Cut-outs',
  profile: 'Profile',
};

export interface ArtLayer {
  readonly id: LayerId;
  readonly title: string;
  readonly objects: readonly ArtObject[];
}

/** A round or milled hole through the board. */
export interface Drilled {
  readonly hole: Placed;
  readonly plated: boolean;
  readonly use: 'component' | 'via' | 'mechanical';
}

export interface Artwork {
  /** Layers that have something on them, in the order of the board. */
  readonly layers: readonly ArtLayer[];
  readonly holes: readonly Drilled[];
}

/** A figure of a land's padstack where it lies on the board. */
export function ofLand(
  { at, rotation, far }: Land,
  { figure, at: by, rotation: own }: Pick<Placed, 'figure' | 'at' | 'rotation'>,
): Placed {
  return far
    ? place(mirrored(figure), add(at, turn({ x: by.x, y: 0 - by.y }, rotation)), rotation - own)
    : place(figure, add(at, turn(by, rotation)), rotation + own);
}

/** Everything that a footprint has on its layers. */
export function artworkOf(footprint: Footprint): Artwork {
  const { lands, bores, far } = footprint;
  const copper = (bottom: boolean) => lands.flatMap((land) => copperOf(land, bottom, pinOf(footprint, land)));
  const objects: Partial<Record<LayerId, ArtObject[]>> = {
    'top-copper': copper(false),
    'bottom-copper': copper(true),
    'top-mask': maskOf(footprint, false),
    'bottom-mask': maskOf(footprint, true),
    'top-paste': pasteOf(footprint, false),
    'bottom-paste': pasteOf(footprint, true),
    [far ? 'bottom-legend' : 'top-legend']: legendOf(footprint),
    courtyard: courtyardOf(footprint),
    assembly: assemblyOf(footprint),
    'cut-outs': bores.flatMap(({ hole }): ArtObject[] =>
      isDrilled(hole.figure) ? [] : [{ kind: 'flash', placed: hole }],
    ),
  };
  const layers = (Object.keys(LAYER_TITLES) as LayerId[]).flatMap((id): ArtLayer[] => {
    const own = objects[id] ?? [];
    return own.length > 0 ? [{ id, title: LAYER_TITLES[id], objects: own }] : [];
  });
  return { layers, holes: holesOf(footprint) };
}

/** Whether a hole is drilled or milled as a slot; every other one is cut out along its outline. */
function isDrilled({ kind }: Figure): boolean {
  return kind === 'round' || kind === 'oblong';
}

const pins = new WeakMap<Footprint, ReturnType<typeof pinsByLand>>();

function pinOf(footprint: Footprint, { id, number }: Land): Pick<ArtObject, 'pin'> {
  if (number === '') return {};
  const byLand = pins.get(footprint) ?? pinsByLand(footprint.pins);
  pins.set(footprint, byLand);
  const pin = byLand.get(id);
  return { pin: { number, name: pin ? pinLabel(pin) : '' } };
}

/** Copper of a land on one side of the board: its own side, and what its hole and vias bring to the other. */
function copperOf(land: Land, bottom: boolean, pin: Pick<ArtObject, 'pin'>): ArtObject[] {
  const { padstack, copper, hole, vias, far } = land;
  const use = useOf(land);
  const ring: ArtObject[] = vias.map(({ x, y, land: diameter }) => ({
    kind: 'flash',
    placed: circleAt({ x, y }, diameter),
    use: 'via',
    ...pin,
  }));
  if (bottom === far)
    return isNothing(copper.figure) ? ring : [{ kind: 'flash', placed: copper, use, ...pin }, ...ring];
  const { other, offset } = padstack;
  if (!hole || !other || isNothing(other)) return ring;
  const placed = ofLand(land, { figure: other, at: offset, rotation: 0 });
  return [{ kind: 'flash', placed, use, ...pin }, ...ring];
}

function useOf({ padstack: { kind, definedBy, hole } }: Land): ArtUse {
  if (hole) return kind === 'pin' ? 'component' : 'washer';
  if (kind === 'thermal') return 'heatsink';
  if (kind === 'probe') return 'test';
  return definedBy === 'mask' ? 'smd-mask-defined' : 'smd';
}

const isNothing = (figure: Figure): boolean => {
  const { width, height } = sizeOf(figure);
  return width <= 0 || height <= 0;
};

const flash = (placed: Placed): ArtObject => ({ kind: 'flash', placed });

/** Openings in the mask of one side: those of lands, of the far ends of holes, and of holes without copper. */
function maskOf({ maskOpenings, lands, bores }: Footprint, bottom: boolean): ArtObject[] {
  const own = maskOpenings.filter(({ far, opening }) => far === bottom && !isNothing(opening.figure));
  const away = lands.flatMap((land) =>
    land.far === bottom
      ? []
      : land.padstack.maskOther
          .filter(({ figure }) => !isNothing(figure))
          .map((placed) => ofLand(land, placed)),
  );
  return [
    ...own.map(({ opening }) => flash(opening)),
    ...away.map(flash),
    ...bores.map(({ opening }) => flash(opening)),
    // spots of mask inside openings come last: they cover what was opened
    ...own.flatMap(({ islands }) => islands.map((placed): ArtObject => ({ ...flash(placed), clear: true }))),
  ];
}

function pasteOf({ lands }: Footprint, bottom: boolean): ArtObject[] {
  return lands
    .filter(({ far }) => far === bottom)
    .flatMap(({ paste }) => paste.filter(({ figure }) => !isNothing(figure)).map(flash));
}

function legendOf({ legend, texts }: Footprint): ArtObject[] {
  const lines = (all: readonly (readonly Point[])[], width: number) =>
    all.filter((points) => points.length > 1).map((points): ArtObject => ({ kind: 'line', points, width }));
  return [
    ...lines(legend.lines, legend.width),
    ...(legend.pin1 ? [{ kind: 'region', contour: legend.pin1 } as const] : []),
    // what only shows where a text would stand is not printed
    ...texts.flatMap(({ isPlaceholder, lines: strokes, stroke }) =>
      isPlaceholder ? [] : lines(strokes, stroke),
    ),
  ];
}

function courtyardOf({ courtyard: { contour, box, width } }: Footprint): ArtObject[] {
  return [{ kind: 'line', points: closed(contour ?? cornersOf(box)), width }];
}

function assemblyOf({ assembly: { outline, terminals, width } }: Footprint): ArtObject[] {
  const line = (contour: readonly Vertex[]): ArtObject => ({ kind: 'line', points: closed(contour), width });
  return [line(outline), ...terminals.map(line)];
}

const closed = <P>(points: readonly P[]): P[] => [...points, ...points.slice(0, 1)];

function holesOf({ lands, bores }: Footprint): Drilled[] {
  return [
    ...lands.flatMap(({ hole, plated, vias }): Drilled[] => [
      ...(hole ? [{ hole, plated, use: 'component' } as const] : []),
      ...vias.map(({ x, y, hole: diameter }): Drilled => ({
        hole: circleAt({ x, y }, diameter),
        plated: true,
        use: 'via',
      })),
    ]),
    ...bores
      .filter(({ hole }) => isDrilled(hole.figure))
      .map(({ hole }): Drilled => ({ hole, plated: false, use: 'mechanical' })),
  ];
}
