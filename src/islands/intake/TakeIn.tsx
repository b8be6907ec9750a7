import { useEffect, useRef, useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import type { FilmRole } from '../../core/format/artwork/film-roles';
import type { PadColumn } from '../../core/format/csv/pad-columns';
import type { DrawingRole } from '../../core/format/dxf/read';
import type { ImportAsked } from '../../core/format/import';
import type { Box } from '../../core/geometry/box';
import type { SeenFiles, SeenPattern } from '../../workers/jobs/take-in';
import { Tick } from '../common/inputs';
import { shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';
import { BoardView } from './BoardView';
import { Reading } from './Reading';
import { readFiles } from './read';

interface Props {
  files: readonly File[];
  /** The footprint on the Bench that a pattern may be held against. */
  against?: { readonly id: string; readonly name: string };
  onClose: () => void;
}

/** Land patterns of files that others made: what was read, how, and what of it is taken. */
export function TakeIn({ files, against, onClose }: Props) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  const [asked, setAsked] = useState<ImportAsked>({});
  const { seen, wrong, reading } = useSeen(files, asked);
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const chosen = seen?.patterns.map((_, i) => i).filter((i) => !left.has(i)) ?? [];
  const [trouble, setTrouble] = useState<string | null>(null);
  const ask = (more: ImportAsked) => {
    setLeft(new Set());
    setAsked({ ...asked, ...more });
  };

  const take = async (indices: readonly number[], then: 'open' | 'opinion' | 'stay') => {
    setTrouble(null);
    const read = await readFiles(files, asked, new AbortController().signal, indices);
    if (!read.ok) return setTrouble(read.error);
    await attempt('Taking it in', async () => {
      const rows = await shelf.add(read.value.documents.map(({ document }) => document));
      const [first] = rows;
      onClose();
      if (!first || then === 'stay') return;
      if (then === 'opinion' && against) {
        await shelf.holdAgainst(first.id, against.id);
        navigate(`/opinion/${first.id}/${against.id}`);
      } else navigate(then === 'opinion' ? `/opinion/${first.id}` : `/bench/${first.id}`);
    });
  };
  const [only] = chosen;

  return (
    <dialog ref={dialog} className="modal" aria-label="Taking patterns in" onClose={onClose}>
      <div className="modal-box border-base-300 flex max-h-[92vh] w-[1080px] max-w-[94vw] flex-col border p-4">
        <div className="flex items-baseline gap-3">
          <h2 className="text-[15px] font-semibold">Taking patterns in</h2>
          <p className="text-secondary min-w-0 truncate">{files.map(({ name }) => name).join(', ')}</p>
          <button type="button" className="btn btn-xs ml-auto" onClick={onClose}>
            Close
          </button>
        </div>
        {wrong !== null && (
          <p role="alert" className="border-error mt-2 border-l-4 pl-3 whitespace-pre-line">
            {wrong}
          </p>
        )}
        {trouble !== null && (
          <p role="alert" className="text-error mt-2">
            {trouble}
          </p>
        )}
        {seen && (
          <div className="mt-3 flex min-h-0 flex-1 gap-4">
            <HowRead seen={seen} asked={asked} onAsk={ask} />
            <section className="min-w-0 flex-1 overflow-y-auto" aria-label="What was read" tabIndex={0}>
              {seen.board && seen.films.length > 0 && (
                <BoardView
                  picture={seen.board}
                  box={asked.box ?? null}
                  onBox={(box: Box | null) => {
                    const { box: _was, ...rest } = asked;
                    setLeft(new Set());
                    setAsked(box ? { ...rest, box } : rest);
                  }}
                />
              )}
              <PatternList patterns={seen.patterns} left={left} onLeft={setLeft} />
              {seen.left.length > 0 && <Left title="Of the files was not understood" words={seen.left} />}
            </section>
          </div>
        )}
        <div className="mt-3 flex flex-wrap items-center gap-2">
          <span role="status" className="text-secondary">
            {reading
              ? 'Reading'
              : seen
                ? `${counted(seen.patterns.length, 'pattern')}, ${chosen.length} to be taken`
                : ''}
          </span>
          <button
            type="button"
            className="btn btn-sm btn-primary ml-auto"
            disabled={chosen.length === 0 || reading}
            onClick={() => void take(chosen, chosen.length === 1 && !against ? 'open' : 'stay')}
          >
            {chosen.length > 1 ? `Take ${chosen.length} in` : 'Take it in'}
          </button>
          <button
            type="button"
            className="btn btn-sm"
            disabled={only === undefined || chosen.length > 1 || reading}
            title="Holds it against the package that it is meant for"
            onClick={() => only !== undefined && void take([only], 'opinion')}
          >
            {against ? `Hold it against ${against.name}` : 'Take it in for a second opinion'}
          </button>
        </div>
      </div>
    </dialog>
  );
}

/** Reads the files again with everything that is asked. */
function useSeen(files: readonly File[], asked: ImportAsked) {
  const [answer, setAnswer] = useState<{
    readonly asked: ImportAsked | null;
    readonly seen: SeenFiles | null;
    readonly wrong: string | null;
  }>({ asked: null, seen: null, wrong: null });
  useEffect(() => {
    const stop = new AbortController();
    void readFiles(files, asked, stop.signal).then((read) => {
      if (stop.signal.aborted) return;
      // what was read before stays, so that another choice can be made
      setAnswer((before) => ({
        asked,
        seen: read.ok ? read.value : before.seen,
        wrong: read.ok ? null : read.error,
      }));
    });
    return () => stop.abort();
  }, [files, asked]);
  return { seen: answer.seen, wrong: answer.wrong, reading: answer.asked !== asked };
}

/** How the files were read, so that they can be read otherwise. */
function HowRead({
  seen: { films, table, layers },
  asked,
  onAsk,
}: {
  seen: SeenFiles;
  asked: ImportAsked;
  onAsk: (asked: ImportAsked) => void;
}) {
  if (films.length === 0 && !table && layers.length === 0) return null;
  return (
    <section className="w-[300px] shrink-0 overflow-y-auto pr-1" aria-label="How it was read" tabIndex={0}>
      <Reading
        films={films}
        table={table}
        layers={layers}
        onFilm={(name, role: FilmRole) => onAsk({ roles: { ...asked.roles, [name]: role } })}
        onLayer={(name, role: DrawingRole) => onAsk({ layers: { ...asked.layers, [name]: role } })}
        onColumns={(columns: readonly PadColumn[]) => onAsk({ columns })}
        onUnit={(unit) => onAsk({ unit })}
      />
    </section>
  );
}

interface ListProps {
  patterns: readonly SeenPattern[];
  left: ReadonlySet<number>;
  onLeft: (left: ReadonlySet<number>) => void;
}

/** Patterns that a list shows at most; all of them are taken all the same. */
const MOST_LISTED = 200;

function PatternList({ patterns, left, onLeft }: ListProps) {
  const toggle = (i: number) => {
    const next = new Set(left);
    if (!next.delete(i)) next.add(i);
    onLeft(next);
  };
  return (
    <>
      {patterns.length > 1 && (
        <p className="mb-1 flex gap-2 text-[12px]">
          <button type="button" className="link" onClick={() => onLeft(new Set())}>
            all
          </button>
          <button type="button" className="link" onClick={() => onLeft(new Set(patterns.map((_, i) => i)))}>
            none
          </button>
        </p>
      )}
      <ul>
        {patterns.slice(0, MOST_LISTED).map((pattern, i) => (
          <li key={i} className="border-base-300 flex gap-3 border-t py-2">
            <Thumbnail pattern={pattern} />
            <div className="min-w-0 flex-1">
              <Tick checked={!left.has(i)} onChange={() => toggle(i)}>
                <b className="font-semibold">{pattern.name}</b>
              </Tick>
              <p className="text-secondary">
                {counted(pattern.lands, 'land')}
                {pattern.drilled > 0 && `, ${pattern.drilled} drilled`}
                {pattern.holes > 0 && `, ${counted(pattern.holes, 'hole')} without copper`}
              </p>
              {pattern.left.length > 0 && <Left title="Not understood or not kept" words={pattern.left} />}
            </div>
          </li>
        ))}
      </ul>
      {patterns.length > MOST_LISTED && <p>and {patterns.length - MOST_LISTED} more, which are taken too.</p>}
    </>
  );
}

function Left({ title, words }: { title: string; words: readonly string[] }) {
  return (
    <details className="text-[12px]" open={words.length <= 3}>
      <summary className="cursor-pointer">
        {title}: {words.length}
      </summary>
      <ul className="text-secondary list-disc pl-4">
        {words.map((one, i) => (
          <li key={i}>{one}</li>
        ))}
      </ul>
    </details>
  );
}

const SIDE = 76;

function Thumbnail({ pattern: { name, picture } }: { pattern: SeenPattern }) {
  if (!picture) return <div className="h-[76px] w-[76px] shrink-0" />;
  const { minX, minY, maxX, maxY } = picture.box;
  const size = Math.max(maxX - minX, maxY - minY) * 1.1;
  const [x, y] = [(minX + maxX) / 2 - size / 2, -(minY + maxY) / 2 - size / 2];
  return (
    <svg
      width={SIDE}
      height={SIDE}
      viewBox={`${x} ${y} ${size} ${size}`}
      className="border-base-300 shrink-0 border"
      role="img"
      aria-label={`Lands of ${name}`}
    >
      <g className="drawing">
        <path className="layer-copper" d={picture.d} />
        <path className="layer-plated-hole" d={picture.drilled} />
        <path className="layer-hole" d={picture.holes} />
      </g>
    </svg>
  );
}
