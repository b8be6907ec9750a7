import { useContext } from 'react';
import { fieldAt } from '../../../core/document/read-fields';
import { COMPOSITION, type PieceIntent } from '../../../core/document/pieces';
import { valueAt } from '../../../core/document/edit';
import { EntryInput } from '../../fields/EntryInput';
import { useFault } from '../../fields/fault';
import { useWritten } from '../../fields/useEntry';
import { BenchContext, useBench } from '../../state/context';
import { fromEdits, mineEdits, pieceAt } from './edits';
import { coordinate, sentenceOf, sided, type Fragment } from './fragments';

/** A piece as a sentence with its fields in the line. */
export function Sentence({ piece }: { piece: PieceIntent }) {
  return (
    <p className="text-[13px] leading-[22px]">
      {sentenceOf(piece).map((fragment, i) => (
        <Part
          key={'words' in fragment ? `${i} ${fragment.words}` : fragment.as + fragment.field}
          fragment={fragment}
          piece={piece}
        />
      ))}
    </p>
  );
}

function Part({ fragment, piece }: { fragment: Fragment; piece: PieceIntent }) {
  if ('words' in fragment)
    // a comma stands close to what it follows
    return <span className={/^[,;]/.test(fragment.words) ? '-ml-[0.45ch]' : ''}>{fragment.words} </span>;
  switch (fragment.as) {
    case 'entry':
      return <InlineEntry id={piece.id} {...fragment} />;
    case 'choice':
      return <InlineChoice piece={piece} {...fragment} />;
    case 'piece':
      return <InlinePiece piece={piece} field={fragment.field} label={fragment.label} />;
    case 'side':
      return <InlineSide piece={piece} field={fragment.field as 'x' | 'y'} label={fragment.label} />;
    case 'point':
      return <InlinePoint piece={piece} field={fragment.field} label={fragment.label} />;
  }
}

function InlineEntry({ id, field, label }: { id: string; field: string; label: string }) {
  const at = `${pieceAt(id)}/${field}`;
  const isSided = field === 'x' || field === 'y';
  const written = useWritten(at, (how, input) => how === 'commit' && goOn(input));
  const { negative, text } = isSided ? sided(written.text) : { negative: false, text: written.text };
  const entry = isSided
    ? {
        ...written,
        text,
        onChange: (typed: string) => written.onChange(coordinate({ negative, text: typed })),
      }
    : written;
  const active = useBench((s) => s.activeDimension === at);
  const set = useBench((s) => s.set);
  // its words stand below the pieces
  const faulty = useFault(at).words !== null;
  const width = Math.max(3, entry.text.length * 0.9 + 1);
  return (
    <>
      <EntryInput
        field={entry}
        tone={faulty ? 'fault' : 'plain'}
        className={`border-x-0! border-t-0! h-[20px] bg-transparent! px-0.5! text-center font-medium ${active ? 'bg-base-200!' : ''}`}
        style={{ width: `${Math.min(width, 34)}ch` }}
        aria-label={label}
        aria-invalid={faulty}
        title={label}
        data-piece-field={at}
        placeholder="–"
        onEnter={() => set({ activeDimension: at })}
      />{' '}
    </>
  );
}

/** Goes to the next field of the pieces. */
function goOn(input: HTMLInputElement): void {
  const all = [...document.querySelectorAll<HTMLElement>('[data-piece-field]')];
  const next = all[all.indexOf(input) + 1];
  if (next) next.focus();
  else input.blur();
}

const LIST =
  'border-base-300 focus:border-primary h-[20px] max-w-full cursor-pointer appearance-none border-0 border-b bg-transparent px-0.5 font-medium';

function InlineList({
  at,
  label,
  value,
  options,
  onChange,
}: {
  at: string;
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  onChange: (value: string) => void;
}) {
  const [, shown = ''] = options.find(([id]) => id === value) ?? [];
  return (
    <>
      <select
        className={LIST}
        // as wide as what is chosen
        style={{ width: `calc(${Math.max(2, shown.length * 0.82)}ch + 8px)` }}
        aria-label={label}
        title={label}
        data-piece-field={at}
        value={value}
        onChange={({ target }) => onChange(target.value)}
      >
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>{' '}
    </>
  );
}

/** What holds where a choice says nothing. */
const USUAL: Readonly<Record<string, string>> = {
  towards: 'right',
  given: 'outer',
  turn: 'counter-clockwise',
  across: 'left-right',
  form: 'gull-wing',
  shape: 'rectangle',
  free: 'components',
  toe: 'right',
  material: 'moulding',
  side: 'component',
};

/** Words of choices that are not their ids with blanks. */
const WORDS: Readonly<Record<string, string>> = {
  outer: 'outer to outer',
  centre: 'centre to centre',
  gap: 'edge to edge',
  'left-right': 'left to right',
  'top-bottom': 'top to bottom',
  castellated: 'half hole',
};

/** Shapes of lands as one says them. */
const SHAPE_WORDS: Readonly<Record<string, string>> = {
  rectangle: 'rectangular',
  'd-shape': 'D-shaped',
  contour: 'free-form',
};

const BODY_SHAPES = ['rectangle', 'cylinder', 'outline', 'turned'];
const LAND_SHAPES = ['rectangle', 'rounded', 'chamfered', 'oblong', 'round', 'd-shape', 'square', 'contour'];

export function InlineChoice({ piece, field, label }: { piece: PieceIntent; field: string; label: string }) {
  const edit = useBench((s) => s.edit);
  const at = `${pieceAt(piece.id)}/${field}`;
  const known = fieldAt(COMPOSITION, `/pieces/x/${field}`);
  const all = known?.kind === 'choice' ? known.of.map(String) : [];
  const shapes = piece.what === 'land' ? LAND_SHAPES : piece.what === 'body' ? BODY_SHAPES : all;
  // a land lies on one side; a hole brings its own to both
  const sides = piece.what === 'land' ? all.filter((id) => id !== 'both') : all;
  const fitting = field === 'shape' ? shapes : field === 'side' ? sides : all;
  const down = piece.as === 'facing' || piece.what === 'edge';
  const rows = field === 'towards' && down ? 'down' : USUAL[field];
  const value = valueAt(piece, `/${field}`);
  const words = field === 'shape' && piece.what === 'land' ? SHAPE_WORDS : WORDS;
  return (
    <InlineList
      at={at}
      label={label}
      value={typeof value === 'string' ? value : (rows ?? '')}
      options={fitting.map((id) => [id, words[id] ?? id.replaceAll('-', ' ')] as const)}
      onChange={(next) => edit([{ at, value: next }])}
    />
  );
}

/** Whether a length points to the right or left, up or down. */
function InlineSide({ piece, field, label }: { piece: PieceIntent; field: 'x' | 'y'; label: string }) {
  const edit = useBench((s) => s.edit);
  const at = `${pieceAt(piece.id)}/${field}`;
  const { negative, text } = sided(piece[field] ?? '');
  if (text === '') return <span>{field === 'x' ? 'right of' : 'above'} </span>;
  return (
    <InlineList
      at={`${at}-side`}
      label={label}
      value={negative ? 'negative' : 'positive'}
      options={
        field === 'x'
          ? [
              ['positive', 'right of'],
              ['negative', 'left of'],
            ]
          : [
              ['positive', 'above'],
              ['negative', 'below'],
            ]
      }
      onChange={(way) => edit([{ at, value: coordinate({ negative: way === 'negative', text }) }])}
    />
  );
}

/** Another piece, or the origin. */
function InlinePiece({ piece, field, label }: { piece: PieceIntent; field: string; label: string }) {
  const edit = useBench((s) => s.edit);
  const pieces = useBench((s) => s.document.package.pieces ?? []);
  const others = pieces.filter(({ id }) => id !== piece.id).map(({ id, name }) => [id, name ?? id] as const);
  const isOf = field === 'of';
  const value = (isOf ? piece.of : piece.xFrom?.of) ?? '';
  return (
    <InlineList
      at={`${pieceAt(piece.id)}/${field}`}
      label={label}
      value={value}
      options={[['', isOf ? 'which piece?' : 'the origin'], ...others]}
      onChange={(of) =>
        edit(isOf ? [{ at: `${pieceAt(piece.id)}/of`, value: of || undefined }] : fromEdits(piece, { of }))
      }
    />
  );
}

const POINTS = ['centre', 'first', 'last', 'middle'] as const;

/** A point of this piece or of the one that it is placed from. */
function InlinePoint({ piece, field, label }: { piece: PieceIntent; field: string; label: string }) {
  const store = useContext(BenchContext);
  const isMine = field === 'mine';
  if (!isMine && !piece.xFrom?.of) return null;
  const value = (isMine ? piece.xMine?.at : piece.xFrom?.at) || 'centre';
  const own = (POINTS as readonly string[]).includes(value) ? [] : [[value, `place ${value}`] as const];
  return (
    <InlineList
      at={`${pieceAt(piece.id)}/${field}-point`}
      label={label}
      value={value}
      options={[...POINTS.map((id) => [id, id] as const), ...own]}
      onChange={(at) => store?.getState().edit(isMine ? mineEdits(piece, at) : fromEdits(piece, { at }))}
    />
  );
}
