import { useEffect, useMemo, useRef, useState } from 'react';
import type { SheetUnit } from '../../core/document/document';
import { entryEdit, entryOf, writtenEntry } from '../../core/document/entries';
import { COMPOSED } from '../../core/document/own-family';
import type { SourceReading } from '../../core/source/reading';
import { runsOfLine } from '../../core/source/layout';
import { isValue } from '../../core/source/words';
import { isNotGiven } from '../../core/units/entry-text';
import { areaRound, wordsIn, type Area, type Word } from '../../core/source/page';
import { printedAt, sourceEdits, takeEdits, type TakenFrom } from '../../core/source/take';
import { applyEdits } from '../../core/document/edit';
import type { TableAsk, TableInput } from '../../workers/jobs/read-table';
import { shelf, habits } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { Pick } from '../common/inputs';
import { counted } from '../common/words';
import { useBench } from '../state/context';
import type { SourceWish } from '../state/bench-view';
import { chosenOf, takenOf, toggled, turned, type Choices } from './chosen';
import { keptMarks, marksOf, tracedOf, within } from './traced';
import { Choose } from './Choose';
import { Drawn } from './Drawn';
import { FamilyLine } from './FamilyLine';
import { HabitLine } from './HabitLine';
import { Newer } from './Newer';
import { Others } from './Others';
import { PageView } from './PageView';
import { ReadList } from './ReadList';
import { useDatasheet, type Datasheet } from './useDatasheet';
import { useKnownLetters } from './useKnownLetters';
import { useBeside, usePage, useUnderstanding, useWaiting } from './useReading';
import { hasInk, useDrawing } from './useDrawing';
import { usePages } from './usePages';

const NOTHING: Choices = new Map();
const NO_WORDS: readonly Word[] = [];

/** The datasheet beside the drawing: its pages, what is understood of them, and one press that takes it. */
export function SourcePanel({ wish }: { wish: SourceWish }) {
  const set = useBench((s) => s.set);
  const state = useDatasheet(wish);
  const panel = useRef<HTMLElement>(null);
  useEffect(() => panel.current?.focus(), []);
  // the plan stays in sight beside it
  useEffect(() => {
    set({ whole: 'plan' });
    return () => set({ whole: null });
  }, [set]);
  const name = state.kind === 'open' ? state.sheet.about.name : state.kind === 'opening' ? state.name : '';
  return (
    <main
      ref={panel}
      tabIndex={-1}
      aria-label="Datasheet"
      className="border-base-300 bg-base-100 flex w-[600px] shrink-0 flex-col border-r"
      onKeyDown={(event) => {
        if (event.key === 'Escape' && !event.defaultPrevented) set({ source: null });
      }}
    >
      <header className="border-base-300 flex items-center gap-2 border-b px-3 py-1.5">
        <h1 className="min-w-0 flex-1 truncate text-[15px] font-semibold">{name || 'Read the datasheet'}</h1>
        <button type="button" className="btn btn-sm" onClick={() => set({ source: null })}>
          Put away
        </button>
      </header>
      {state.kind === 'none' && <Choose />}
      {state.kind === 'opening' && (
        <p role="status" className="text-secondary p-3">
          Opening {name}
        </p>
      )}
      {state.kind === 'failed' && (
        <>
          <p role="alert" className="text-error px-3 pt-3">
            {state.why}
          </p>
          <Choose />
        </>
      )}
      {state.kind === 'open' && (
        <Read key={state.sheet.about.key ?? state.sheet.about.text} sheet={state.sheet} wish={wish} />
      )}
    </main>
  );
}

/** An open datasheet. */
function Read({ sheet, wish }: { sheet: Datasheet; wish: SourceWish }) {
  const bench = useBench((s) => s);
  const { document, edit, set, activeDimension } = bench;
  const pages = usePages(sheet.open);
  const [asked, setPage] = useState<number | null>(wish.kind === 'kept' ? wish.page : null);
  const page = asked ?? pages.best ?? 1;
  const [zoom, setZoom] = useState(1);
  const [box, setBox] = useState<Area | null>(null);
  const [family, setFamily] = useState<string | null>(null);
  const [size, setSize] = useState<string | null>(null);
  const [unit, setUnit] = useState<SheetUnit | null>(null);
  const [isRuled, setRuled] = useState(false);
  const shownUnit = useBench((s) => s.unit);
  const [habit, setHabit] = useState<string | null>(null);
  const [choices, setChoices] = useState<Choices>(NOTHING);
  const [focus, setFocus] = useState<string | null>(wish.kind === 'kept' ? wish.symbol : null);
  const waiting = useWaiting();
  const letters = useKnownLetters(habit);
  const isKnown = document.package.family !== COMPOSED;
  const state = usePage(asked === null && pages.isLooking ? null : sheet, page);
  const read = state?.kind === 'read' ? state.read : null;

  const words = useMemo(
    () => read?.page.words.map((word) => ({ ...word, area: read.seen(word.area) })) ?? NO_WORDS,
    [read],
  );
  const drawing = useDrawing(sheet, read, unit);
  const drawn = drawing?.ok ? drawing.value : null;
  const isDrawn = hasInk(sheet.open, read);
  const beside = useBeside(read && sheet, { number: page, isScan: read?.page.isScan ?? false });
  const input = useMemo((): TableInput | null => {
    if (sheet.pasted) return { kind: 'pasted', ...sheet.pasted };
    // a table and the drawing beside it are understood together
    if (!read || (isDrawn && drawing === null) || beside === undefined) return null;
    const all = read.page.words;
    // a box is drawn on the page as it is seen
    const meant = box ? all.filter((_, i) => wordsIn(words.slice(i, i + 1), box).length > 0) : all;
    const outline = drawn ? (box ? within(drawn.outline, box) : drawn.outline) : null;
    return {
      kind: 'words',
      words: meant,
      isScan: read.page.isScan,
      ...(beside && !box ? { page, beside } : {}),
      ...(outline ? { drawing: outline } : {}),
    };
  }, [sheet, page, read, beside, box, words, isDrawn, drawing, drawn]);
  const isScan = input?.kind === 'words' && input.isScan;
  const common = useMemo(
    () => ({ letters, ...(size === null ? {} : { size }), ...(unit === null ? {} : { unit }) }),
    [letters, size, unit],
  );
  const ask = useMemo((): TableAsk | null => {
    if (!input) return null;
    return { input, family: family ?? (isKnown ? document.package.family : null), ...common };
  }, [input, family, isKnown, document.package.family, common]);
  const understood = useUnderstanding(ask);
  const answer = understood?.answer ?? null;
  const reading = answer?.reading ?? null;
  const isThin = reading === null || reading.missing.length > 2 || reading.dimensions.length < 3;
  const guessing = useMemo(
    (): TableAsk | null =>
      input && answer && answer.tables > 0 && isThin && isKnown && family === null
        ? { input, family: null, ...common }
        : null,
    [input, answer, isThin, isKnown, family, common],
  );
  const guessed = useUnderstanding(guessing);
  const isReading =
    state?.kind === 'reading' ||
    (isDrawn && drawing === null) ||
    beside === undefined ||
    (ask !== null && !understood) ||
    (asked === null && pages.isLooking);
  const guesses = answer && answer.guesses.length > 0 ? answer.guesses : (guessed?.answer?.guesses ?? []);

  const from = useMemo(
    (): TakenFrom => ({
      source: withoutData(sheet.about),
      page,
      isScan,
      ...(read ? { seenAt: read.seen } : {}),
    }),
    [sheet, page, isScan, read],
  );
  const chosen = useMemo(() => chosenOf(reading?.dimensions ?? [], choices), [reading, choices]);
  const taken = takenOf(chosen);
  const doubtful = chosen.filter(
    ({ read: { standing }, option, isTaken }) => isTaken && option === 0 && standing === 'doubtful',
  );
  const traced = useMemo(() => (drawn ? tracedOf(drawn) : null), [drawn]);
  const marks = reading ? marksOf(chosen, read?.seen) : keptMarks(document, wish, page);
  const now = (symbol: string) => writtenEntry(entryOf(document, symbol)).text;

  const keepFile = async () => {
    if (sheet.file) await shelf.sources.put(sheet.file.name, sheet.file.bytes);
  };
  const take = (of: SourceReading) =>
    void attempt('Keeping the datasheet', async () => {
      await keepFile();
      edit(takeEdits(document, of, taken, from));
      if (habit !== null && habit.trim() !== '') await habits.keep(habit, of.family, lettersOf(taken));
      set({ source: null, activeDimension: null });
    });
  /** Puts one printed text into the field that waits. */
  const put = (text: string, area: Area) => {
    if (!waiting) return;
    const { symbol } = waiting.definition;
    void attempt('Keeping the datasheet', keepFile);
    const { id, edits } = sourceEdits(document, from.source);
    const base = applyEdits(document, edits);
    const entry = text.trim();
    // a number of an inch table stays one
    const packageUnit = document.package.unit ?? 'mm';
    const isLength = waiting.definition.kind === 'length';
    const unit = isLength && reading && reading.unit !== packageUnit ? reading.unit : null;
    const place = printedAt({ area, printed: text, text: entry }, id, { source: from.source, page, isScan });
    const where = `${sheet.about.name}, page ${page}`.slice(0, 120);
    edit([...edits, entryEdit(base, symbol, { text: entry, unit, where, from: place })]);
    const next = bench.derived.compiled.resolved?.dimensions.find(
      (one) => one.asked && one.source === 'missing' && one.definition.symbol !== symbol,
    );
    set({ activeDimension: next?.definition.symbol ?? null });
  };
  const drawBox = (drawn: Area | null) => {
    const inside = drawn ? wordsIn(words, drawn) : [];
    const line = drawn ? runsOfLine(inside) : null;
    const around = areaRound(inside.map(({ area }) => area));
    // a box round one row fills the field that waits, round more, it is the table; a letter that it takes in
    // is no value, and a dash says which of the limits is not given
    const values = line?.filter((text) => isValue(text)) ?? [];
    if (values.length > 0 && around && waiting)
      put(values.join(values.some(isNotGiven) ? '\t' : '..'), around);
    else setBox(drawn);
  };
  return (
    <>
      {read?.page.cut && (
        <p role="note" className="border-warning border-l-4 px-3 py-1 text-[12px]">
          {read.page.cut}
        </p>
      )}
      <div className="border-base-300 flex items-center gap-2 border-b px-3 py-1">
        <p className="min-w-0 flex-1 truncate" role="status" aria-label="Waiting field">
          {waiting ? (
            <>
              Waits for a number: <b className="font-semibold">{waiting.definition.name}</b>{' '}
              <span className="text-secondary">{waiting.definition.symbol}</span>
            </>
          ) : Object.keys(document.package.dimensions ?? {}).length === 0 ? (
            'Nothing was taken yet.'
          ) : (
            'Every dimension has its number.'
          )}
        </p>
        {sheet.open && (
          <>
            {sheet.open.pages > 1 && (
              <Pick
                className="w-44"
                label="Page"
                value={page}
                options={pages.options}
                onChange={(next) => {
                  setPage(next);
                  setBox(null);
                  setChoices(NOTHING);
                }}
              />
            )}
            <button
              type="button"
              className="btn btn-sm"
              aria-pressed={isRuled}
              title="Measures on the page, once one length is said"
              onClick={() => setRuled(!isRuled)}
            >
              Ruler
            </button>
            <button
              type="button"
              className="btn btn-sm"
              aria-label="Smaller page"
              disabled={zoom <= 1}
              onClick={() => setZoom(Math.max(1, zoom / 1.4))}
            >
              −
            </button>
            <button
              type="button"
              className="btn btn-sm"
              aria-label="Larger page"
              disabled={zoom > 3}
              onClick={() => setZoom(zoom * 1.4)}
            >
              +
            </button>
          </>
        )}
      </div>
      {sheet.open ? (
        <PageView
          open={sheet.open}
          page={page}
          words={words}
          marks={marks}
          focus={focus ?? activeDimension}
          box={box}
          zoom={zoom}
          traced={traced}
          ruler={isRuled ? shownUnit : null}
          onBox={drawBox}
          onPress={put}
          onFocus={setFocus}
        />
      ) : (
        <pre
          className="bg-base-200 max-h-[34%] overflow-auto px-3 py-2 text-[12px]"
          tabIndex={0}
          aria-label="Pasted table"
        >
          {sheet.pasted?.text}
        </pre>
      )}
      <div
        className="border-base-300 flex max-h-[56%] min-h-[180px] flex-col gap-1.5 overflow-y-auto border-t px-3 py-2"
        aria-label="What was understood"
        role="group"
      >
        {state?.kind === 'failed' && (
          <p role="alert" className="text-error">
            {state.why}
          </p>
        )}
        {isReading && (
          <p role="status" className="text-secondary">
            {state?.kind === 'reading' && state.isPicture
              ? 'Reading the picture; this takes a few seconds'
              : 'Reading'}
          </p>
        )}
        {understood?.trouble && (
          <p role="alert" className="text-error">
            {understood.trouble}
          </p>
        )}
        {box && (
          <button type="button" className="link self-start" onClick={() => setBox(null)}>
            Read the whole page again
          </button>
        )}
        <Newer sheet={sheet} from={from} unit={unit} isReading={isReading} onTaken={keepFile} />
        {answer && (
          <FamilyLine
            reading={reading}
            isDrawn={drawn !== null && drawn.patterns.length > 0}
            guesses={guesses}
            unit={unit}
            onFamily={(next) => {
              setFamily(next);
              setChoices(NOTHING);
            }}
            onSize={(next) => {
              setSize(next);
              setChoices(NOTHING);
            }}
            onUnit={setUnit}
          />
        )}
        {reading && <HabitLine habit={habit} onHabit={setHabit} />}
        {reading && reading.dimensions.length > 0 && (
          <>
            {reading.doubts.map((doubt) => (
              <p key={doubt} className="text-warning">
                ▲ {doubt}
              </p>
            ))}
            <ReadList
              reading={reading}
              chosen={chosen}
              now={now}
              focus={focus}
              onFocus={(symbol) => {
                setFocus(symbol);
                set({ activeDimension: symbol });
              }}
              onTurn={(symbol, by) => setChoices(turned(choices, chosen, symbol, by))}
              onToggle={(symbol) => setChoices(toggled(choices, chosen, symbol))}
            />
          </>
        )}
        {drawing && !drawing.ok && <p className="text-warning">▲ {drawing.error}</p>}
        {drawn && drawn.cut !== '' && <p className="text-warning">▲ {drawn.cut}</p>}
        {drawn && drawn.patterns.length > 0 && (
          <Drawn patterns={drawn.patterns} from={from} onTaken={keepFile} />
        )}
        {answer && <Others answer={answer} reading={reading} from={from} ask={ask} onTaken={keepFile} />}
        {reading && reading.dimensions.length > 0 && (
          <div className="bg-base-100 border-base-300 sticky bottom-0 flex items-center gap-3 border-t pt-2">
            <button
              type="button"
              className="btn btn-sm btn-primary"
              disabled={taken.length === 0}
              onClick={() => take(reading)}
            >
              Take these {counted(taken.length, 'number')}
            </button>
            {doubtful.length > 0 && (
              <span className="text-warning">▲ {counted(doubtful.length, 'line')} to be looked at</span>
            )}
          </div>
        )}
      </div>
    </>
  );
}

/** A source as it is listed, without the file that a document may carry. */
function withoutData({ data: _data, ...about }: Datasheet['about']): Datasheet['about'] {
  const { id: _id, ...rest } = about as Datasheet['about'] & { readonly id?: string };
  return rest;
}

const lettersOf = (taken: readonly { readonly label: string; readonly symbol: string }[]) =>
  Object.fromEntries(taken.flatMap(({ label, symbol }) => (label === '' ? [] : [[label, symbol] as const])));
