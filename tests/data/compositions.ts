import fc from 'fast-check';
import type { TapisDocument } from '../../src/core/document/document';
import type { PieceIntent } from '../../src/core/document/pieces';

/** A composed document of pieces, with what its dimensions and its name are. */
export function composed(
  pieces: readonly PieceIntent[],
  dimensions: Readonly<Record<string, string>> = {},
  more: Partial<TapisDocument['package']> = {},
): TapisDocument {
  return {
    tapis: 2,
    name: 'Composed',
    level: 'B',
    process: 'standard',
    package: { family: 'composed', dimensions, pieces, ...more },
  };
}

/**
 * A connector as its datasheet draws it: two pegs 14.2 apart, two staggered rows of five pins, three odd
 * pads and two tabs of its shield in slots.
 */
export const STAGGERED: readonly PieceIntent[] = [
  { id: 'left', name: 'left peg', what: 'peg', diameter: '1.5±0.05' },
  {
    id: 'right',
    name: 'right peg',
    what: 'peg',
    diameter: '1.5±0.05',
    x: '14.2±0.05',
    xFrom: { of: 'left' },
  },
  {
    id: 'odd',
    name: 'odd pins',
    what: 'pin',
    diameter: '0.6±0.05',
    as: 'row',
    n: 'n',
    step: 'p',
    towards: 'left',
    x: '9.4±0.1',
    xFrom: { of: 'left' },
    xMine: { at: 'first' },
    y: '-5.8±0.1',
    yFrom: { of: 'left' },
    numbers: { from: '1', by: '2' },
  },
  {
    id: 'even',
    name: 'even pins',
    what: 'pin',
    diameter: '0.6±0.05',
    as: 'row',
    n: 'n',
    step: 'p',
    towards: 'left',
    x: '-p/2',
    xFrom: { of: 'odd', at: 'first' },
    xMine: { at: 'first' },
    y: '-2.54',
    yFrom: { of: 'odd' },
    numbers: { from: '2', by: '2' },
  },
  {
    id: 'pads',
    name: 'odd pads',
    what: 'land',
    shape: 'rectangle',
    length: '1.2',
    width: '2',
    as: 'row',
    steps: '1.5 3.2',
    x: '2.4',
    xFrom: { of: 'left', at: 'first' },
    xMine: { at: 'first', edge: 'low' },
    y: '3.1',
    yFrom: { of: 'left' },
    yMine: { at: 'centre', edge: 'low' },
    numbers: { from: '11' },
  },
  {
    id: 'tabs',
    name: 'shield tabs',
    what: 'hole',
    plated: true,
    hole: '0.9',
    slot: '2.2',
    land: '1.6',
    as: 'row',
    n: '2',
    step: '18',
    turned: '90',
    x: '7.1',
    xFrom: { of: 'left' },
    y: '-1.3',
    yFrom: { of: 'left' },
    numbers: { shared: 'SH' },
  },
  {
    id: 'body',
    name: 'body',
    what: 'body',
    length: '16.5±0.2',
    width: '9±0.2',
    bottom: '0.1..0.2',
    top: 'max 7.2',
    x: '7.1',
    xFrom: { of: 'left' },
    y: '-4.2',
    yFrom: { of: 'left' },
  },
];

const size = (least: number, most: number) =>
  fc.integer({ min: least * 100, max: most * 100 }).map((v) => String(v / 100));
const toleranced = (least: number, most: number) =>
  fc.tuple(size(least, most), fc.constantFrom('', '±0.05')).map(([v, more]) => v + more);

const element: fc.Arbitrary<Omit<PieceIntent, 'id'>> = fc.oneof(
  fc.record({
    what: fc.constant('terminal' as const),
    form: fc.constantFrom('gull-wing', 'flat-lead', 'no-lead', 'castellated', 'rectangular-end'),
    length: toleranced(0.4, 2),
    width: toleranced(0.2, 1),
    toe: fc.constantFrom('left', 'right', 'up', 'down'),
  }),
  fc.record({
    what: fc.constant('terminal' as const),
    form: fc.constantFrom('collapsing-ball', 'column', 'land-grid', 'thermal'),
    diameter: toleranced(0.2, 1),
  }),
  fc.record({ what: fc.constant('pin' as const), diameter: toleranced(0.3, 1.2) }),
  fc.record({
    what: fc.constant('pin' as const),
    diameter: toleranced(0.3, 0.9),
    shoulder: toleranced(1, 2),
  }),
  fc.record({ what: fc.constant('edge' as const), towards: fc.constantFrom('left', 'right', 'up', 'down') }),
  fc.record({
    what: fc.constant('pin' as const),
    width: toleranced(0.3, 1.5),
    thickness: toleranced(0.2, 0.6),
  }),
  fc.record({
    what: fc.constant('land' as const),
    shape: fc.constantFrom('rectangle', 'rounded', 'oblong', 'd-shape', 'chamfered', 'square'),
    length: size(0.4, 3),
    width: size(0.3, 3),
  }),
  fc.record({
    what: fc.constant('hole' as const),
    hole: size(0.4, 3),
    land: size(3.2, 5),
    plated: fc.boolean(),
  }),
  fc.record({ what: fc.constant('peg' as const), diameter: toleranced(0.8, 3) }),
  fc.record({
    what: fc.constantFrom('keep-out' as const, 'cut-out' as const, 'mask-window' as const),
    length: size(1, 6),
    width: size(1, 6),
  }),
  fc.record({
    what: fc.constant('body' as const),
    length: toleranced(2, 9),
    width: toleranced(2, 9),
    bottom: size(0, 1),
    top: size(1.5, 6),
  }),
) as fc.Arbitrary<Omit<PieceIntent, 'id'>>;

const arrangement = fc.oneof(
  fc.constant({}),
  fc.record({
    as: fc.constant('row' as const),
    n: fc.integer({ min: 1, max: 6 }).map(String),
    step: toleranced(0.5, 4),
    towards: fc.constantFrom('left', 'right', 'up', 'down'),
  }),
  fc.record({
    as: fc.constant('row' as const),
    steps: fc.array(size(0.5, 3), { minLength: 1, maxLength: 4 }).map((all) => all.join(' ')),
  }),
  fc.record({
    as: fc.constant('facing' as const),
    n: fc.integer({ min: 1, max: 5 }).map(String),
    step: toleranced(0.5, 3),
    apart: toleranced(6, 12),
    given: fc.constantFrom('outer', 'centre', 'gap'),
  }),
  fc.record({
    as: fc.constant('array' as const),
    n: fc.integer({ min: 1, max: 4 }).map(String),
    rows: fc.integer({ min: 1, max: 4 }).map(String),
    step: toleranced(0.5, 3),
    stepY: toleranced(0.5, 3),
  }),
  fc.record({
    as: fc.constant('ring' as const),
    n: fc.integer({ min: 1, max: 8 }).map(String),
    ring: toleranced(4, 12),
  }),
);

const point = fc.record({
  at: fc.constantFrom('centre', 'first', 'last', 'middle', '1'),
  edge: fc.constantFrom('low', 'centre', 'high'),
});

/** Pieces that can all be drawn, each placed from one before it or from the origin. */
export const soundPieces: fc.Arbitrary<readonly PieceIntent[]> = fc
  .array(
    fc.record({
      element,
      arrangement,
      x: toleranced(-20, 20),
      y: toleranced(-20, 20),
      angle: fc.constantFrom('0', '90', '180', '270', '37'),
      from: fc.nat(),
      theirs: point,
      mine: point,
      isPlaced: fc.boolean(),
    }),
    { minLength: 1, maxLength: 6 },
  )
  .map((all) =>
    all.map(
      ({ element: what, arrangement: as, x, y, angle, from, theirs, mine, isPlaced }, i): PieceIntent => {
        // an array or a ring counts its places by other names
        const named = ({ at, edge }: { at: string; edge: string }) => ({
          at: at === '1' ? 'first' : at,
          edge,
        });
        const of = i > 0 && isPlaced ? { of: String((from % i) + 1), ...named(theirs) } : {};
        return {
          id: String(i + 1),
          ...what,
          ...as,
          x,
          y,
          angle,
          ...(i > 0 && isPlaced ? { xFrom: of, yFrom: of } : {}),
          xMine: named(mine),
          yMine: named(mine),
        } as PieceIntent;
      },
    ),
  );

/** The same with one thing wrong. */
export const brokenPieces: fc.Arbitrary<readonly PieceIntent[]> = fc
  .tuple(soundPieces, fc.nat(), fc.integer({ min: 0, max: 5 }))
  .map(([pieces, at, how]) => {
    const k = at % pieces.length;
    const wrong = (piece: PieceIntent): PieceIntent => {
      switch (how) {
        case 0:
          return { ...piece, xFrom: { of: 'nobody' } };
        case 1:
          return { ...piece, yFrom: { of: piece.id } };
        case 2:
          return { ...piece, x: '1..' };
        case 3:
          return { ...piece, y: 'q*2' };
        case 4:
          return { ...piece, as: 'row', n: '0', step: '1' };
        default:
          return { ...piece, as: 'mirror' };
      }
    };
    return pieces.map((piece, i) => (i === k ? wrong(piece) : piece));
  });
