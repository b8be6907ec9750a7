import type { PieceIntent } from '../../../core/document/pieces';

/** A piece that can be added, with sizes to be typed over. */
export interface PieceKind {
  readonly title: string;
  readonly keywords: string;
  readonly piece: Omit<PieceIntent, 'id'>;
}

const PIN = { what: 'pin', diameter: '0.6±0.05' } as const;
const ROW = { as: 'row', n: '4', step: '2.54' } as const;
const LAND = { what: 'land', shape: 'rectangle', length: '2', width: '1' } as const;

/** Everything that can be added. To add one, list it here. */
export const PIECE_KINDS: readonly PieceKind[] = [
  { title: 'Row of pins', keywords: 'through-hole leads', piece: { ...PIN, ...ROW } },
  { title: 'One pin', keywords: 'lead through-hole single', piece: PIN },
  {
    title: 'One pin with a shoulder',
    keywords: 'step stop lead through-hole',
    piece: { ...PIN, shoulder: '1.1±0.05' },
  },
  {
    title: 'Row of flat pins',
    keywords: 'tabs blades leads',
    piece: { what: 'pin', shape: 'rectangle', width: '0.8±0.05', thickness: '0.4±0.05', ...ROW },
  },
  {
    title: 'Two rows of pins',
    keywords: 'facing dual',
    piece: { ...PIN, as: 'facing', n: '4', step: '2.54', apart: '7.62', given: 'centre' },
  },
  {
    title: 'Array of pins',
    keywords: 'matrix grid',
    piece: { ...PIN, as: 'array', n: '4', rows: '3', step: '2.54', stepY: '2.54' },
  },
  { title: 'Ring of pins', keywords: 'circle round', piece: { ...PIN, as: 'ring', n: '8', ring: '12' } },
  {
    title: 'Two rows of terminals',
    keywords: 'facing gull wing surface leads dual',
    piece: {
      what: 'terminal',
      form: 'gull-wing',
      length: '0.5..0.7',
      width: '0.25..0.35',
      as: 'facing',
      n: '4',
      step: '0.8',
      apart: '6±0.2',
    },
  },
  {
    title: 'Row of terminals',
    keywords: 'surface lone leads feet',
    piece: {
      what: 'terminal',
      form: 'flat-lead',
      length: '0.8±0.1',
      width: '0.4±0.05',
      toe: 'down',
      as: 'row',
      n: '4',
      step: '1.27',
    },
  },
  {
    title: 'One terminal',
    keywords: 'surface lone tab',
    piece: { what: 'terminal', form: 'flat-lead', length: '2±0.1', width: '1.5±0.1', toe: 'down' },
  },
  {
    title: 'Array of balls',
    keywords: 'grid bga',
    piece: {
      what: 'terminal',
      form: 'collapsing-ball',
      diameter: '0.5',
      as: 'array',
      n: '6',
      rows: '6',
      step: '0.8',
      stepY: '0.8',
    },
  },
  {
    title: 'Exposed pad',
    keywords: 'thermal ground',
    piece: { what: 'terminal', form: 'thermal', length: '3±0.1', width: '3±0.1' },
  },
  { title: 'One land as given', keywords: 'pad recommended maker', piece: LAND },
  {
    title: 'One land by its edges',
    keywords: 'pad recommended maker corners from to',
    piece: { what: 'land', shape: 'rectangle', edgesX: '-1 1', edgesY: '-0.5 0.5' },
  },
  { title: 'Row of lands as given', keywords: 'pads recommended maker', piece: { ...LAND, ...ROW } },
  {
    title: 'Two rows of lands as given',
    keywords: 'pads recommended maker facing',
    piece: { ...LAND, as: 'facing', n: '4', step: '1.27', apart: '4', given: 'gap' },
  },
  { title: 'Peg with its hole', keywords: 'locating post', piece: { what: 'peg', diameter: '1±0.05' } },
  {
    title: 'Row of pegs',
    keywords: 'locating posts',
    piece: { what: 'peg', diameter: '1±0.05', as: 'row', n: '2', step: '10±0.05' },
  },
  { title: 'Hole without copper', keywords: 'mounting screw unplated', piece: { what: 'hole', hole: '2.7' } },
  {
    title: 'Plated hole or slot',
    keywords: 'shield tab',
    piece: { what: 'hole', plated: true, hole: '0.9', slot: '2.2', land: '1.6', numbers: { shared: 'SH' } },
  },
  {
    title: 'Row of plated slots',
    keywords: 'shield tabs holes',
    piece: {
      what: 'hole',
      plated: true,
      hole: '0.9',
      slot: '2.2',
      land: '1.6',
      as: 'row',
      n: '2',
      step: '18',
      turned: '90',
      numbers: { shared: 'SH' },
    },
  },
  {
    title: 'Cut-out of the board',
    keywords: 'opening window notch mill',
    piece: { what: 'cut-out', length: '6', width: '4' },
  },
  {
    title: 'Keep-out',
    keywords: 'area free',
    piece: { what: 'keep-out', length: '5', width: '5', free: 'components', side: 'component' },
  },
  {
    title: 'Window in the mask',
    keywords: 'opening solder resist bare',
    piece: { what: 'mask-window', length: '3', width: '2', side: 'component' },
  },
  {
    title: 'Edge of the board',
    keywords: 'border overhang end',
    piece: { what: 'edge', towards: 'down', y: '-5' },
  },
  {
    title: 'Body, a block',
    keywords: 'box housing',
    piece: { what: 'body', length: '10±0.1', width: '6±0.1', bottom: '0.1', top: '3±0.1' },
  },
  {
    title: 'Body with an outline',
    keywords: 'housing contour dxf free shape',
    piece: { what: 'body', shape: 'outline', contour: '-5,-3 5,-3 5,3 -5,3', bottom: '0.1', top: '3±0.1' },
  },
  {
    title: 'Body, turned',
    keywords: 'housing knob profile revolved',
    piece: { what: 'body', shape: 'turned', profile: '0,0 4,0 4,5 2,6 0,6' },
  },
  {
    title: 'Body, round',
    keywords: 'cylinder housing',
    piece: { what: 'body', shape: 'cylinder', diameter: '10±0.1', bottom: '0', top: '8±0.2' },
  },
  { title: 'Mirror of a piece', keywords: 'symmetric', piece: { what: 'land', as: 'mirror' } },
  { title: 'A piece once more', keywords: 'repeat copy again', piece: { what: 'land', as: 'repeat' } },
];

/** The kinds that fit a search, by the beginnings of its words. */
export function pieceKindsFor(query: string): readonly PieceKind[] {
  const wanted = query.toLowerCase().split(/\s+/).filter(Boolean);
  return PIECE_KINDS.filter(({ title, keywords }) => {
    const own = `${title} ${keywords}`.toLowerCase().split(/[\s,]+/);
    return wanted.every((word) => own.some((one) => one.startsWith(word)));
  });
}
