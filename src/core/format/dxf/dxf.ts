import type { Vertex } from '../../geometry/contour';
import { contourOf, type Placed } from '../../geometry/figure';
import { bodyOutline } from '../../package/drawn';
import type { Point } from '../../geometry/point';
import { formatNumber } from '../../units/length';
import { artworkOf, type ArtObject } from '../artwork/layers';
import type { Format, Writable } from '../format';

/** Layers of the drawing beside those of the artwork, and the numbers of their colours. */
const COLOURS = { BODY: 8, HOLES: 7, NUMBERS: 7, KEEP_OUTS: 1, OTHER: 5 } as const;
/** Height of land numbers, mm. */
const NUMBER_HEIGHT = 0.4;

/**
 * The footprint as a drawing (DXF R12, ASCII): one layer for each thing, closed outlines with true arcs, mm.
 */
export const dxf: Format = {
  id: 'dxf',
  title: 'DXF drawing',
  summary: 'Every layer as closed outlines with true arcs, body, holes and numbers (DXF R12).',
  mediaType: 'image/vnd.dxf',
  extension: '.dxf',
  write({ footprint }: Writable) {
    const { layers, holes } = artworkOf(footprint);
    const { extent } = footprint.body;
    const entities = [
      ...layers.flatMap(({ id, objects }) => objects.flatMap((object) => entity(nameOf(id), object))),
      ...holes.flatMap(({ hole }) => figure('HOLES', hole)),
      ...polyline('BODY', bodyOutline(extent), true),
      ...footprint.keepOuts.flatMap(({ area }) => figure('KEEP_OUTS', area)),
      ...footprint.lands.flatMap(({ number, at }) => (number === '' ? [] : text(number, at))),
    ];
    const names = [
      ...layers.map(({ id }) => nameOf(id)),
      ...Object.keys(COLOURS).filter((name) => name !== 'OTHER'),
    ];
    return pairs([
      ...[999, 'lengths in mm'],
      ...[0, 'SECTION', 2, 'HEADER', 9, '$ACADVER', 1, 'AC1009', 0, 'ENDSEC'],
      ...[0, 'SECTION', 2, 'TABLES', 0, 'TABLE', 2, 'LAYER', 70, names.length],
      ...names.flatMap((name) => [0, 'LAYER', 2, name, 70, 0, 62, colourOf(name), 6, 'CONTINUOUS']),
      ...[0, 'ENDTAB', 0, 'ENDSEC'],
      ...[0, 'SECTION', 2, 'ENTITIES', ...entities, 0, 'ENDSEC', 0, 'EOF'],
    ]);
  },
};

type Codes = (number | string)[];

const nameOf = (id: string): string => id.toUpperCase().replaceAll('-', '_');
const colourOf = (name: string): number =>
  name in COLOURS ? COLOURS[name as keyof typeof COLOURS] : COLOURS.OTHER;

/** Codes and values, a line each. */
function pairs(codes: Codes): string {
  return `${codes.map(String).join('\r\n')}\r\n`;
}

function entity(layer: string, object: ArtObject): Codes {
  if (object.kind === 'flash') return figure(layer, object.placed);
  if (object.kind === 'region') return polyline(layer, object.contour, true);
  const { points, width } = object;
  const [first, last] = [points[0], points.at(-1)];
  const isClosed = points.length > 2 && first?.x === last?.x && first?.y === last?.y;
  return polyline(layer, isClosed ? points.slice(0, -1) : points, isClosed, width);
}

function figure(layer: string, placed: Placed): Codes {
  if (placed.figure.kind === 'round')
    return [0, 'CIRCLE', 8, layer, ...point(placed.at), 40, mm(placed.figure.diameter / 2)];
  return polyline(layer, contourOf(placed), true);
}

function polyline(layer: string, vertices: readonly Vertex[], closed: boolean, width = 0): Codes {
  if (vertices.length < 2) return [];
  return [
    ...[0, 'POLYLINE', 8, layer, 66, 1, 70, closed ? 1 : 0, 10, '0.0', 20, '0.0', 30, '0.0'],
    ...(width > 0 ? [40, mm(width), 41, mm(width)] : []),
    ...vertices.flatMap((vertex) => [
      ...[0, 'VERTEX', 8, layer, ...point(vertex)],
      ...(vertex.bulge ? [42, formatNumber(vertex.bulge, 1, 12)] : []),
    ]),
    ...[0, 'SEQEND', 8, layer],
  ];
}

function text(number: string, at: Point): Codes {
  // centred on its land, both ways
  return [
    0,
    'TEXT',
    8,
    'NUMBERS',
    ...point(at),
    40,
    mm(NUMBER_HEIGHT),
    1,
    number.replace(/[\r\n]/g, ' '),
    72,
    1,
    73,
    2,
    11,
    mm(at.x),
    21,
    mm(at.y),
    31,
    '0.0',
  ];
}

const mm = (length: number): string => formatNumber(length, 1, 6);
const point = ({ x, y }: Point): Codes => [10, mm(x), 20, mm(y), 30, '0.0'];
