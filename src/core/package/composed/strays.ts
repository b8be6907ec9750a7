import { pointerKey } from '../../document/edit';
import type { Finding } from '../../document/finding';
import { COMPOSITION, type PieceIntent } from '../../document/pieces';
import { fieldAt } from '../../document/read-fields';

// What a piece says that its kind has no use for. It is kept, as it may be meant for later, and told.

type What = PieceIntent['what'];
type As = NonNullable<PieceIntent['as']>;

const ALWAYS = 'id name what as x y xFrom yFrom xMine yMine angle turned differ numbers towards'.split(' ');
const FIGURE = 'shape length width diameter radius chamfer corners contour';
const AREA = `${FIGURE} edgesX edgesY`;

/** Fields that say what an element is. */
const OF_ELEMENT: Readonly<Record<What, string>> = {
  terminal: `${FIGURE} form toe inside end between under tall`,
  pin: 'shape length width diameter thickness shoulder bottom top',
  land: `${AREA} vias side`,
  hole: 'hole slot plated land diameter vias',
  peg: 'diameter hole slot bottom',
  'keep-out': `${AREA} free side why`,
  'mask-window': `${AREA} side`,
  'cut-out': AREA,
  edge: '',
  body: `${AREA} bottom top draft profile material colour`,
};

/** Fields that say how the elements lie. */
const OF_ARRANGEMENT: Readonly<Record<As, string>> = {
  single: '',
  row: 'n step steps stagger omit',
  facing: 'n step steps apart given omit',
  array: 'n rows step stepY omit',
  ring: 'n ring first turn omit',
  places: 'points omit',
  mirror: 'of across',
  repeat: 'of',
};

/** Notes on what the pieces say without effect. */
export function unusedFields(pieces: readonly PieceIntent[]): Finding[] {
  return [...pieces.flatMap(onBothSides), ...pieces.flatMap(unusedOf)];
}

/** A land that is to lie on both sides: it lies on the component side. */
function onBothSides(piece: PieceIntent): Finding[] {
  if (piece.what !== 'land' || piece.side !== 'both') return [];
  const at = `/package/pieces/${pointerKey(piece.id)}/side`;
  return [
    {
      rule: 'entry',
      severity: 'caution',
      title: `${piece.name ?? `Piece ${piece.id}`} lies on one side`,
      message:
        'A land lies on the component or on the far side; on both it is taken as on the component side. For a land on either side repeat the piece on the far side, or give it a hole.',
      source: 'Composed packages',
      stage: 'measure',
      place: { field: at },
      remedies: [
        { label: 'On the component side', edits: [{ at, value: undefined }] },
        { label: 'On the far side', edits: [{ at, value: 'far' }] },
      ],
    },
  ];
}

function unusedOf(piece: PieceIntent): Finding[] {
  const as = piece.as ?? 'single';
  // what follows another piece is what that is
  const element = as === 'mirror' || as === 'repeat' ? '' : OF_ELEMENT[piece.what];
  const used = new Set([...ALWAYS, ...element.split(' '), ...OF_ARRANGEMENT[as].split(' ')]);
  // edges say the size and the place
  for (const [edges, own] of [
    [piece.edgesX, ['length', 'x']],
    [piece.edgesY, ['width', 'y']],
  ] as const)
    if (edges?.trim()) own.forEach((field) => used.delete(field));
  const stray = Object.entries(piece).filter(
    ([field, value]) => !used.has(field) && value !== undefined && value !== '',
  );
  if (stray.length === 0) return [];
  const at = `/package/pieces/${pointerKey(piece.id)}`;
  const labels = stray.map(([field]) => {
    const label = fieldAt(COMPOSITION, `/pieces/x/${field}`)?.label ?? field;
    return label.toLowerCase();
  });
  const kind = as === 'mirror' || as === 'repeat' ? `the ${as} of a piece` : ARTICLE[piece.what];
  const finding: Finding = {
    rule: 'entry',
    severity: 'note',
    title: `${piece.name ?? `Piece ${piece.id}`} says more than is used`,
    message: `What it says of ${labels.join(', ')} has no effect on ${kind}${as === 'single' ? '' : ', arranged so'}; it is kept.`,
    source: 'Composed packages',
    stage: 'measure',
    place: { field: `${at}/${stray[0]?.[0] ?? ''}` },
    remedies: [
      { label: 'Clear it', edits: stray.map(([field]) => ({ at: `${at}/${field}`, value: undefined })) },
    ],
  };
  return [finding];
}

const ARTICLE: Readonly<Record<What, string>> = {
  terminal: 'a terminal',
  pin: 'a pin',
  land: 'a land',
  hole: 'a hole',
  peg: 'a peg',
  'keep-out': 'a keep-out',
  'mask-window': 'a window in the mask',
  'cut-out': 'a cut-out',
  edge: 'the board’s edge',
  body: 'a body',
};
