import type { PieceIntent } from '../../../core/document/pieces';
import { isNumbered } from '../../../core/package/composed/numbers';

/** A part of a piece's sentence: words, or a field of the piece by its place in it. */
export type Fragment =
  | { readonly words: string }
  | {
      readonly field: string;
      readonly as: 'entry' | 'choice' | 'piece' | 'point' | 'side';
      readonly label: string;
    };

const words = (text: string): Fragment => ({ words: text });
const entry = (field: string, label: string): Fragment => ({ field, as: 'entry', label });
const choice = (field: string, label: string): Fragment => ({ field, as: 'choice', label });

/** What a piece says, as words with fields between them, in the order of a datasheet's drawing. */
export function sentenceOf(piece: PieceIntent): Fragment[] {
  return [...arrangementOf(piece), ...placeOf(piece), ...numbersOf(piece)];
}

function arrangementOf(piece: PieceIntent): Fragment[] {
  const what = elementOf(piece);
  const step =
    piece.steps !== undefined
      ? [words('at steps of'), entry('steps', 'Steps')]
      : [words(', pitch'), entry('step', 'Step')];
  switch (piece.as ?? 'single') {
    case 'single':
      return [words('One'), ...what];
    case 'row':
      return [
        words('Row of'),
        ...(piece.steps === undefined ? [entry('n', 'Count')] : []),
        ...what,
        ...step,
        words(', running'),
        choice('towards', 'Towards'),
      ];
    case 'facing':
      return [
        words('Two rows of'),
        entry('n', 'Count'),
        ...what,
        ...step,
        words(', '),
        entry('apart', 'Apart'),
        words('apart,'),
        choice('given', 'Given'),
      ];
    case 'array':
      return [
        words('Array of'),
        entry('n', 'Columns'),
        words('×'),
        entry('rows', 'Rows'),
        ...what,
        words(', pitch'),
        entry('step', 'Step across'),
        words('across and'),
        entry('stepY', 'Step down'),
        words('down'),
      ];
    case 'ring':
      return [
        words('Ring of'),
        entry('n', 'Count'),
        ...what,
        words('on a circle of ⌀'),
        entry('ring', 'Diameter of the ring'),
        words('from'),
        entry('first', 'First at'),
        words('°'),
        choice('turn', 'Turn'),
      ];
    case 'places':
      return [words('Each at its place:'), ...what];
    case 'mirror':
      return [words('Mirror of'), { field: 'of', as: 'piece', label: 'Piece' }, choice('across', 'Mirrored')];
    case 'repeat':
      return [{ field: 'of', as: 'piece', label: 'Piece' }, words('once more')];
  }
}

/** What a piece is made of: its element with the sizes of that. */
export function elementOf(piece: Omit<PieceIntent, 'id'>): Fragment[] {
  const { as, what, shape, thickness, form, edgesX, edgesY } = piece;
  const isMany = as !== undefined && as !== 'single' && as !== 'mirror' && as !== 'repeat';
  const noun = (one: string): Fragment => words(isMany ? `${one}s` : one);
  const box = [
    ...(edgesX === undefined
      ? [entry('length', 'Length')]
      : [words('over'), entry('edgesX', 'Left and right edge')]),
    words('×'),
    ...(edgesY === undefined ? [entry('width', 'Width')] : [entry('edgesY', 'Lower and upper edge')]),
  ];
  const across = [words('⌀'), entry('diameter', 'Diameter')];
  const isRound = shape === 'round' || shape === 'cylinder';
  switch (what) {
    case 'pin':
      if (shape === 'square') return [noun('square pin'), entry('width', 'Width')];
      return shape === 'rectangle' || thickness !== undefined
        ? [noun('flat pin'), entry('width', 'Width'), words('×'), entry('thickness', 'Thickness')]
        : [noun('round pin'), ...across];
    case 'terminal':
      return [
        choice('form', 'Form'),
        ...(form === 'collapsing-ball' || form === 'non-collapsing-ball' || form === 'column'
          ? across
          : [noun('terminal'), ...(isRound ? across : box)]),
      ];
    case 'land':
      return [choice('shape', 'Shape'), noun('land'), ...(shape === 'round' ? across : box)];
    case 'hole':
      return [
        noun('hole'),
        words('⌀'),
        entry('hole', 'Hole'),
        words(', slotted to'),
        entry('slot', 'Slot length'),
        words(', in a land of'),
        entry('land', 'Land'),
      ];
    case 'peg':
      return [noun('peg'), ...across];
    case 'mask-window':
      return [words('window in the mask'), ...(isRound ? across : box)];
    case 'edge':
      return [words('edge of the board, which ends to the'), choice('towards', 'Board ends to the')];
    case 'cut-out':
      return [words('cut-out of the board'), ...(isRound ? across : box)];
    case 'keep-out':
      return [words('area'), ...(isRound ? across : box), words('free of'), choice('free', 'Free of')];
    case 'body':
      return [
        words(shape === 'outline' ? 'body with an outline' : shape === 'turned' ? 'turned body' : 'body'),
        ...(shape === 'outline' || shape === 'turned' ? [] : isRound ? across : box),
        // a profile says its heights itself
        ...(shape === 'turned'
          ? []
          : [words('from'), entry('bottom', 'Underside'), words('up to'), entry('top', 'Top')]),
      ];
  }
}

function placeOf({ as, xFrom, yFrom, xMine, yMine, edgesX, edgesY }: PieceIntent): Fragment[] {
  const single = as === undefined || as === 'single' || as === 'mirror';
  const edge = (side: 'x' | 'y', point: { readonly edge?: 'low' | 'centre' | 'high' } | undefined) =>
    point?.edge && point.edge !== 'centre' ? ` (${EDGE_WORDS[side][point.edge]})` : '';
  const from = (side: 'x' | 'y') => edge(side, side === 'x' ? xFrom : yFrom);
  const mine = (side: 'x' | 'y') => edge(side, side === 'x' ? xMine : yMine);
  return [
    words(as === 'mirror' ? '; the line' : single ? ';' : '; its'),
    ...(single ? [] : [{ field: 'mine', as: 'point', label: 'Point of it' } as const]),
    // edges say where it is already
    ...(edgesX === undefined
      ? [
          entry('x', 'To the side'),
          { field: 'x', as: 'side', label: 'Right or left' } as const,
          ...(mine('x') ? [words(mine('x').trim())] : []),
          ...(edgesY === undefined ? [words('and')] : []),
        ]
      : []),
    ...(edgesY === undefined
      ? [
          entry('y', 'Up or below'),
          { field: 'y', as: 'side', label: 'Up or below' } as const,
          ...(mine('y') ? [words(mine('y').trim())] : []),
        ]
      : edgesX === undefined
        ? []
        : [words('from')]),
    { field: 'from', as: 'piece', label: 'Placed from' },
    { field: 'from', as: 'point', label: 'Point of that' },
    ...(from('x') || from('y') ? [words(`${from('x')}${from('y')}`.trim())] : []),
  ];
}

const EDGE_WORDS = {
  x: { low: 'left edge', high: 'right edge' },
  y: { low: 'lower edge', high: 'upper edge' },
} as const;

/** An entry that points to the left or below, as what is read there: its length, and the way. */
export interface Sided {
  readonly negative: boolean;
  readonly text: string;
}

/** A coordinate as a length and a way; what is no plain negative length stays as it is. */
export function sided(text: string): Sided {
  const bare = text.trim();
  const negative = /^[-−][^-−+]+$/.test(bare) && !bare.includes('..');
  return negative ? { negative, text: bare.slice(1) } : { negative: false, text };
}

/** The coordinate of a length and a way; what says its own sign keeps it. */
export function coordinate({ negative, text }: Sided): string {
  const bare = text.trim();
  const plain = /^[^-−+]+$/.test(bare) && !bare.includes('..');
  return negative && plain ? `-${bare}` : text;
}

function numbersOf(piece: PieceIntent): Fragment[] {
  const { numbers } = piece;
  if (!isNumbered(piece)) return [];
  if (numbers?.shared !== undefined) return [words('; all'), entry('numbers/shared', 'Number of all')];
  if (numbers?.list !== undefined) return [words('; numbered'), entry('numbers/list', 'Numbers one by one')];
  if (numbers?.none) return [];
  return [
    words('; numbered from'),
    entry('numbers/from', 'First number'),
    words('in steps of'),
    entry('numbers/by', 'Steps of numbers'),
  ];
}
