import { useCallback, useContext, useEffect, useRef, useState } from 'react';
import type { PieceIntent } from '../../../core/document/pieces';
import { usePicker } from '../../common/usePicker';
import { useWritten } from '../../fields/useEntry';
import { EntryInput } from '../../fields/EntryInput';
import { BenchContext, useBench } from '../../state/context';
import { pieceUnitOf } from '../../../core/document/own-family';
import { inUnit } from '../../../core/units/in-words';
import { holdPiece, nudgePiece } from '../../state/move-piece';
import { Detail } from './Detail';
import { addPiece, freshPieceId, pieceAt } from './edits';
import { pieceKindsFor, type PieceKind } from './kinds';
import { Family } from './Family';
import { valueAt } from '../../../core/document/edit';
import { sentenceOf } from './fragments';
import { quickPiece, readQuick, type QuickPiece } from './quick';
import { Sentence } from './Sentence';

const NONE: readonly PieceIntent[] = [];

/** What a composed package is made of: sentences with fields, in the datasheet's order. */
export function Pieces() {
  const pieces = useBench((s) => s.document.package.pieces ?? NONE);
  const adding = useBench((s) => s.addingPiece);
  const set = useBench((s) => s.set);
  const selected = useSelectedPiece();
  const store = useContext(BenchContext);
  useEffect(() => {
    if (!store) return;
    set({ mover: { hold: (point) => holdPiece(store, point), nudge: (way) => nudgePiece(store, way) } });
    return () => set({ mover: null, moving: null });
  }, [store, set]);
  const unit = useBench((s) => pieceUnitOf(s.document.package));
  return (
    <section
      aria-label="Pieces"
      className="mt-2"
      onKeyDown={(event) => {
        // from a field too, where a letter would be typed
        if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) set({ addingPiece: true });
      }}
    >
      <NewDimension />
      <p className="text-secondary mt-2 text-[12px]">Lengths as printed, {unit}</p>
      <ol className="mt-2 flex flex-col gap-1">
        {pieces.map((piece) => (
          <PieceItem key={piece.id} piece={piece} isOpen={piece.id === selected} />
        ))}
      </ol>
      <button
        type="button"
        className="btn btn-sm btn-outline btn-primary mt-2"
        onClick={() => set({ addingPiece: true })}
      >
        Add a piece <kbd className="kbd kbd-xs">E</kbd>
      </button>
      <Naming />
      <Family />
      {adding && <AddPiece onClose={() => set({ addingPiece: false })} />}
    </section>
  );
}

/** The piece that is opened: the chosen one, or the one that the selected land is of. */
function useSelectedPiece(): string | null {
  const chosen = useBench((s) => s.piece);
  const land = useBench((s) =>
    s.selectedLand === null ? null : (s.derived.compiled.footprint?.lands[s.selectedLand]?.group ?? null),
  );
  const set = useBench((s) => s.set);
  const pieces = useBench((s) => s.document.package.pieces ?? NONE);
  useEffect(() => {
    if (land === null) return;
    // elements that differ are groups of their own, by the piece's id and a number
    const own = pieces.find(({ id }) => land === id) ?? pieces.find(({ id }) => land.startsWith(`${id}.`));
    if (own) set({ piece: own.id });
    // only when another land is selected
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [land, set]);
  return chosen;
}

function PieceItem({ piece, isOpen }: { piece: PieceIntent; isOpen: boolean }) {
  const set = useBench((s) => s.set);
  const unit = useBench((s) => s.unit);
  const own = pieceAt(piece.id);
  const findings = useBench((s) => s.derived.report.findings);
  const wrong = findings.filter(
    ({ place: { field }, severity }) =>
      severity !== 'note' && (field === own || field?.startsWith(`${own}/`)),
  );
  return (
    <li
      className={`border-l-2 pl-1.5 ${isOpen ? 'border-primary bg-base-200' : 'border-base-300'}`}
      onFocus={() => !isOpen && set({ piece: piece.id })}
      onPointerDown={() => !isOpen && set({ piece: piece.id })}
    >
      {piece.name && <span className="text-secondary text-[12px]">{piece.name}</span>}
      <Sentence piece={piece} />
      {wrong.map(({ message }) => (
        <p key={message} className="text-error text-[12px]">
          {inUnit(message, unit)}
        </p>
      ))}
      {isOpen && <Detail piece={piece} />}
    </li>
  );
}

/** A letter that the drawing uses, so that fields may name it. */
function NewDimension() {
  const document = useBench((s) => s.document);
  const edit = useBench((s) => s.edit);
  const [symbol, setSymbol] = useState('');
  const usable =
    /^[A-Za-z][A-Za-z0-9_]{0,11}$/.test(symbol) && !Object.hasOwn(document.package.dimensions, symbol);
  return (
    <form
      className="mt-1 flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (!usable) return;
        edit([{ at: `/package/dimensions/${symbol}`, value: '' }]);
        setSymbol('');
        requestAnimationFrame(() => globalThis.document.getElementById(`entry-${symbol}`)?.focus());
      }}
    >
      <input
        className="border-base-300 bg-base-100 w-24 border px-1 py-[1px]"
        aria-label="New dimension"
        title="A letter of the drawing, such as e or n1; any field may name it"
        placeholder="new letter"
        value={symbol}
        maxLength={12}
        onChange={({ target }) => setSymbol(target.value.trim())}
      />
      <button type="submit" className="text-primary hover:underline disabled:opacity-60" disabled={!usable}>
        Name a dimension
      </button>
    </form>
  );
}

function Naming() {
  const title = useWritten('/package/title');
  const naming = useWritten('/package/naming');
  const name = useBench((s) => s.derived.compiled.footprint?.standardName ?? '');
  return (
    <div className="mt-2 flex flex-col gap-1 text-[12px]">
      <label className="flex items-center gap-2">
        <span className="text-secondary w-24">Kind in words</span>
        <EntryInput field={title} className="flex-1 py-[1px]" placeholder="Composed package" />
      </label>
      <label className="flex items-center gap-2">
        <span className="text-secondary w-24">Name by</span>
        <EntryInput
          field={naming}
          className="flex-1 py-[1px]"
          placeholder="such as CONN{n}P{e}"
          title={name}
        />
      </label>
    </div>
  );
}

/** A kind that fits what is typed, with what is said of it filled in. */
interface FoundPiece extends QuickPiece {
  readonly title: string;
  readonly isFilled: boolean;
}

/** The last piece once more, to be put elsewhere: what is typed behind “again” changes it. */
function againOf({ id: _, name: _name, ...piece }: PieceIntent): PieceKind {
  return { title: 'The last piece again', keywords: '', piece };
}

/** A piece as its sentence reads. */
const saidOf = (piece: Omit<PieceIntent, 'id'>): string =>
  sentenceOf({ id: '', ...piece })
    .map((part) => {
      if ('words' in part) return part.words;
      const value = valueAt(piece, `/${part.field}`);
      return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
    })
    .join(' ')
    .replaceAll(/\s+([,;])/g, '$1');

/** All kinds of pieces, to be searched by name. */
function AddPiece({ onClose }: { onClose: () => void }) {
  const store = useContext(BenchContext);
  const list = useRef<HTMLUListElement>(null);
  const last = useBench((s) => s.document.package.pieces?.at(-1));
  const find = useCallback(
    (line: string): readonly FoundPiece[] => {
      const { words, tokens } = readQuick(line);
      const again = last && words.toLowerCase() === 'again' ? [againOf(last)] : [];
      return [...again, ...pieceKindsFor(words)].map((kind) => ({
        title: kind.title,
        isFilled: tokens.length > 0,
        ...quickPiece(kind.piece, tokens),
      }));
    },
    [last],
  );
  const choose = ({ piece, left }: FoundPiece) => {
    const state = store?.getState();
    // what is not understood stays to be mended
    if (!state || left.length > 0) return;
    const id = freshPieceId(state.document);
    state.edit(addPiece(state.document, { id, ...piece }, state.piece));
    state.set({ piece: id, addingPiece: false });
    const first = `[data-piece-field^="${pieceAt(id)}/"]`;
    requestAnimationFrame(() => document.querySelector<HTMLElement>(first)?.focus());
  };
  const { dialog, query, search, found, at, point, onKeyDown } = usePicker(find, choose);
  const made = found[at]?.isFilled ? found[at] : null;
  return (
    <dialog ref={dialog} className="modal" onClose={onClose} aria-label="Add a piece">
      <div className="modal-box border-base-300 flex max-h-[80vh] max-w-md flex-col overflow-hidden border p-3">
        <input
          className="input input-sm w-full shrink-0"
          placeholder="Row of pins, peg, land … or all of it: row pins 5x 0.6 1.9 left at 9.4 -5.8"
          aria-describedby="quick-piece"
          aria-label="Search pieces"
          value={query}
          onChange={({ target }) => search(target.value)}
          onKeyDown={onKeyDown}
        />
        <p id="quick-piece" className="text-secondary mt-1 min-h-[18px] text-[12px]">
          {made && made.left.length === 0 && saidOf(made.piece)}
          {made && made.left.length > 0 && (
            <span className="text-error">
              “{made.left.join(' ')}” has no place in {made.title.toLowerCase()}. A count is 5x, then come its
              sizes, a step as 1.9 left, at x y, from a number by a step.
            </span>
          )}
        </p>
        <ul
          ref={list}
          className="mt-2 min-h-0 overflow-y-auto"
          role="listbox"
          tabIndex={0}
          aria-label="Pieces"
        >
          {found.map((kind, i) => (
            <li
              key={kind.title}
              role="option"
              aria-selected={i === at}
              className={`cursor-pointer px-2 py-0.5 ${i === at ? 'bg-primary text-primary-content' : ''}`}
              onClick={() => choose(kind)}
              onPointerMove={() => point(i)}
            >
              {kind.title}
            </li>
          ))}
        </ul>
        {found.length === 0 && <p className="text-secondary p-2">No piece is called that.</p>}
      </div>
      <form method="dialog" className="modal-backdrop">
        <button>Close</button>
      </form>
    </dialog>
  );
}
