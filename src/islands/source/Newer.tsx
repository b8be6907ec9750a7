import { useState } from 'react';
import type { SheetUnit } from '../../core/document/document';
import { writtenEntry } from '../../core/document/entries';
import { rereadSource, type Reread } from '../../core/source/reread';
import { takeEdits, type TakenFrom } from '../../core/source/take';
import type { SourceReading } from '../../core/source/reading';
import type { TableAsk, TableInput } from '../../workers/jobs/read-table';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';
import { useBench } from '../state/context';
import { readPage } from './sheet-file';
import { understand } from './understand';
import type { Datasheet } from './useDatasheet';
import { hasInk, readDrawing } from './useDrawing';

interface Props {
  readonly sheet: Datasheet;
  readonly from: TakenFrom;
  /** Of plain numbers, where a person said it. */
  readonly unit: SheetUnit | null;
  /** Whether the page is being read: what is asked then moves away under the pointer. */
  readonly isReading: boolean;
  readonly onTaken: () => Promise<void>;
}

/** What a newer edition says at the places that the numbers come from. */
interface Compared {
  readonly before: string;
  readonly differences: readonly Reread[];
  readonly readings: readonly (readonly [number, SourceReading])[];
}

/** A file that the footprint does not know yet may be a newer edition of one that its numbers come from. */
export function Newer({ sheet, from, unit, isReading, onTaken }: Props) {
  const document = useBench((s) => s.document);
  const edit = useBench((s) => s.edit);
  const set = useBench((s) => s.set);
  const [found, setFound] = useState<Compared | null>(null);
  const [busy, setBusy] = useState(false);
  const { open, about } = sheet;
  const tied = Object.entries(document.package.dimensions).flatMap(([symbol, entry]) => {
    const { from: place } = writtenEntry(entry);
    return place?.box ? [{ symbol, place }] : [];
  });
  const olds = (document.sources ?? []).filter(
    ({ id, key }) => key !== undefined && key !== about.key && tied.some(({ place }) => place.source === id),
  );
  const isKnown = (document.sources ?? []).some(({ key }) => key === about.key);
  if (!open || olds.length === 0 || isKnown) return null;
  const compare = async (old: (typeof olds)[number]) => {
    const pages = [
      ...new Set(tied.filter(({ place }) => place.source === old.id).map(({ place }) => place.page)),
    ];
    const readings: (readonly [number, SourceReading])[] = [];
    const read = [];
    const inUnit = unit === null ? {} : { unit };
    for (const number of pages) {
      if (number > open.pages) continue;
      const whole = await readPage(open, number, () => undefined);
      const { page, seen } = whole;
      // places are kept as they are seen on the page
      read.push({ ...page, words: page.words.map((word) => ({ ...word, area: seen(word.area) })) });
      const drawing = hasInk(open, whole) ? await readDrawing({ open, name: about.name }, whole, unit) : null;
      const input: TableInput = {
        kind: 'words',
        words: page.words,
        isScan: page.isScan,
        ...(drawing?.ok ? { drawing: drawing.value.outline } : {}),
      };
      const count = writtenEntry(document.package.dimensions['n']).text;
      const answer = await understand({ input, family: document.package.family, letters: {}, ...inUnit });
      // a page that was not read says nothing of what differs
      if (!answer.ok) throw new Error(answer.error);
      if (!answer.value.reading) continue;
      const sized =
        answer.value.reading.sizes.length > 1
          ? await ofSize(input, document.package.family, count, inUnit)
          : answer.value.reading;
      if (sized) readings.push([number, sized]);
    }
    const of = new Map(readings);
    setFound({
      before: old.name,
      differences: rereadSource(document, old.id, read, (number) => of.get(number) ?? null),
      readings,
    });
  };
  const take = (compared: Compared) =>
    void attempt('Keeping the datasheet', async () => {
      await onTaken();
      const ours = new Set(tied.map(({ symbol }) => symbol));
      edit(
        compared.readings.flatMap(([page, reading]) =>
          takeEdits(
            document,
            { ...reading, options: {} },
            reading.dimensions.filter(({ symbol }) => ours.has(symbol)),
            { ...from, page },
          ),
        ),
      );
      set({ source: null });
    });
  if (!found && isReading && !busy) return null;
  if (!found)
    return (
      <>
        {olds.map((old) => (
          <p key={old.id}>
            Is this a newer edition of “{old.name}”?{' '}
            <button
              type="button"
              className="link"
              disabled={busy}
              onClick={() => {
                setBusy(true);
                void attempt('Reading the newer edition', () => compare(old)).finally(() => setBusy(false));
              }}
            >
              Read the same places again
            </button>
          </p>
        ))}
      </>
    );
  return (
    <div role="group" aria-label="What the newer edition says">
      <p>
        {found.differences.length === 0
          ? `It prints the same numbers as “${found.before}” at their places.`
          : `${counted(found.differences.length, 'number')} ${found.differences.length === 1 ? 'differs' : 'differ'} from “${found.before}”:`}
      </p>
      <ul>
        {found.differences.map(({ symbol, before, printed, now }) => (
          <li key={symbol}>
            <b className="font-semibold">{symbol}</b> {before} → {now ?? '?'}{' '}
            <span className="text-secondary">
              {printed === '' ? 'nothing is printed at its place' : `its place says ${printed}`}
            </span>
          </li>
        ))}
      </ul>
      <button type="button" className="btn btn-sm btn-primary mt-1" onClick={() => take(found)}>
        Take the newer edition’s numbers
      </button>
    </div>
  );
}

async function ofSize(
  input: TableInput,
  family: string,
  size: string,
  inUnit: Pick<TableAsk, 'unit'>,
): Promise<SourceReading | null> {
  const answer = await understand({ input, family, letters: {}, size, ...inUnit });
  return answer.ok ? answer.value.reading : null;
}
