import { useState } from 'react';
import { pointerKey } from '../../../core/document/edit';
import { COMPOSITION, SHAPES, type PieceIntent } from '../../../core/document/pieces';
import { fieldAt } from '../../../core/document/read-fields';
import { Pick } from '../../common/inputs';
import { EntryInput } from '../../fields/EntryInput';
import { useFault } from '../../fields/fault';
import { useWritten } from '../../fields/useEntry';
import { useBench } from '../../state/context';
import { pieceAt } from './edits';

/** What may differ at a place, by what the piece is made of. */
const MAY: Readonly<Partial<Record<PieceIntent['what'], readonly string[]>>> = {
  terminal: ['length', 'width', 'diameter', 'turned'],
  pin: ['shape', 'diameter', 'width', 'thickness', 'shoulder'],
  land: ['shape', 'length', 'width', 'diameter', 'radius', 'chamfer', 'turned'],
  hole: ['hole', 'slot', 'land', 'turned'],
  peg: ['diameter', 'hole'],
  'keep-out': ['shape', 'length', 'width', 'diameter'],
  'mask-window': ['shape', 'length', 'width', 'diameter'],
  'cut-out': ['shape', 'length', 'width', 'diameter'],
  body: ['length', 'width', 'diameter', 'bottom', 'top'],
};

const labelOf = (field: string) =>
  (fieldAt(COMPOSITION, `/pieces/x/differ/1/${field}`)?.label ?? field).toLowerCase();

/** Single places of a piece that are not like the others: the first square, the last wider. */
export function Differ({ piece }: { piece: PieceIntent }) {
  const may = MAY[piece.what] ?? [];
  const edit = useBench((s) => s.edit);
  const [place, setPlace] = useState('');
  const [field, setField] = useState(may[0] ?? '');
  const said = Object.entries(piece.differ ?? {}).flatMap(([key, own]) =>
    Object.keys(own).map((name) => ({ key, name })),
  );
  const usable = /^[1-9]\d{0,3}([.][1-9]\d{0,3})?$/.test(place);
  if (may.length === 0) return null;
  const at = (key: string, name: string) => `${pieceAt(piece.id)}/differ/${pointerKey(key)}/${name}`;
  return (
    <div className="col-span-2 flex flex-col gap-1">
      {said.map(({ key, name }) => (
        <Difference key={`${key} ${name}`} at={at(key, name)} title={`Place ${key}: ${labelOf(name)}`} />
      ))}
      <form
        className="flex items-center gap-1"
        onSubmit={(event) => {
          event.preventDefault();
          const own = (piece as unknown as Record<string, unknown>)[field];
          const value = field === 'shape' ? 'square' : typeof own === 'string' ? own : '1';
          if (usable) edit([{ at: at(place, field), value }]);
          setPlace('');
        }}
      >
        <span className="text-secondary shrink-0">At place</span>
        <input
          className="border-base-300 bg-base-100 w-10 border px-1"
          aria-label="Place that differs"
          title="By its number, or by row and column: 3, or 2.3"
          value={place}
          maxLength={9}
          onChange={({ target }) => setPlace(target.value.trim())}
        />
        <Pick
          label="What differs"
          value={field}
          options={may.map((name) => [name, labelOf(name)] as const)}
          onChange={setField}
        />
        <button type="submit" className="text-primary hover:underline disabled:opacity-60" disabled={!usable}>
          differs
        </button>
      </form>
    </div>
  );
}

function Difference({ at, title }: { at: string; title: string }) {
  const edit = useBench((s) => s.edit);
  const written = useWritten(at);
  const faulty = useFault(at).words !== null;
  const isShape = at.endsWith('/shape');
  return (
    <div className="flex items-center gap-1">
      <span className="text-secondary flex-1">{title}</span>
      {isShape ? (
        <Pick
          className="w-28"
          label={title}
          value={written.text}
          options={SHAPES.map((shape) => [shape, shape] as const)}
          onChange={(value) => edit([{ at, value }])}
        />
      ) : (
        <EntryInput
          field={written}
          tone={faulty ? 'fault' : 'plain'}
          className="w-20 py-[1px]"
          aria-label={title}
          aria-invalid={faulty}
          data-piece-field={at}
        />
      )}
      <button
        type="button"
        className="text-primary hover:underline"
        aria-label={`${title} like the others`}
        onClick={() => edit([{ at, value: undefined }])}
      >
        like the others
      </button>
    </div>
  );
}
