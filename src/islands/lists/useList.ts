import { useEffect, useRef, useState } from 'react';
import type { Facts, Kept } from '../../core/library/facts';
import type { Bill } from '../../core/lists/bill';
import { sameRows } from '../../core/lists/prepare';
import type { ListAsked, ListRow, ReadList } from '../../core/lists/list';
import { differenceOf, type Copper } from '../../core/library/likeness';
import { byCrew } from '../common/crew';
import { runJob, type JobRequest } from '../common/job';
import { facts, shelf } from '../common/shelf-store';
import { keptRoles } from './roles';

export type ListInput = JobRequest<'readList'>['input'];

/** One row as it is shown: what it comes to, once a worker has got to it. */
export interface ShownRow {
  readonly row: ListRow;
  readonly kept: Kept | null;
  readonly sameAs: number | null;
  /** A footprint of the Shelf with the same lands. */
  readonly known: { readonly id: string; readonly name: string } | null;
}

export interface ListState {
  readonly list: ReadList | null;
  /** Where the file holds no dimensions, and the parts of a bill of materials. */
  readonly bill: Bill | null;
  readonly rows: readonly ShownRow[];
  readonly cells: readonly (readonly string[])[];
  readonly context: string;
  /** Rows that were worked out so far, of how many; `null` while nothing is under way. */
  readonly progress: { readonly done: number; readonly of: number } | null;
  readonly refused: string | null;
  /** What was settled about its columns, now or for a list with the same heads before. */
  readonly roles: Readonly<Record<string, string>>;
}

const EMPTY: ListState = {
  list: null,
  bill: null,
  rows: [],
  cells: [],
  context: '',
  progress: null,
  refused: null,
  roles: {},
};

/** Rows that a worker is given at once. */
const BATCH = 12;
/** How long a list may take to be read, ms. */
const TIME = 60_000;

/** Reads a list beside the page, then works its rows out by several workers; a new wish stops the one before. */
export function useList(
  input: ListInput | null,
  asked: ListAsked,
): ListState & { readonly stop: () => void } {
  const [state, setState] = useState<ListState>(EMPTY);
  const running = useRef<AbortController | null>(null);
  const key = JSON.stringify(asked);
  useEffect(() => {
    running.current?.abort();
    if (!input) return;
    const control = new AbortController();
    running.current = control;
    void work(input, JSON.parse(key) as ListAsked, control.signal, (next) => {
      if (!control.signal.aborted) setState(next);
    });
    return () => control.abort();
  }, [input, key]);
  const stop = () => {
    running.current?.abort();
    setState((now) => ({ ...now, progress: null }));
  };
  return { ...(input ? state : EMPTY), stop };
}

async function work(
  input: ListInput,
  asked: ListAsked,
  signal: AbortSignal,
  tell: (next: (now: ListState) => ListState) => void,
): Promise<void> {
  tell((now) => ({ ...now, progress: { done: 0, of: 0 }, refused: null }));
  const ask = (roles: Readonly<Record<string, string>>) =>
    runJob({
      job: 'readList',
      request: { input, asked: { ...asked, roles } },
      signal,
      time: TIME,
      late: 'The list took too long; give a part of it.',
      broken: 'The file is as it was.',
    });
  const refuse = (refused: string) => tell((now) => ({ ...now, progress: null, refused }));
  let roles = asked.roles ?? {};
  let read = await ask(roles);
  if (!read.ok) return refuse(read.error);
  if (!read.value.ok) return refuse(read.value.error);
  const before = keptRoles(headsOf(read.value.value));
  if (asked.roles === undefined && Object.keys(before).length > 0) {
    roles = before;
    read = await ask(roles);
    if (!read.ok) return refuse(read.error);
    if (!read.value.ok) return refuse(read.value.error);
  }
  const { list, bill, cells, context } = read.value.value;
  if (!list) return tell(() => ({ ...EMPTY, bill, cells, context, roles }));
  const same = sameRows(list.rows);
  const rows = list.rows.map((row, i): ShownRow => ({
    row,
    kept: null,
    sameAs: same[i] ?? null,
    known: null,
  }));
  const wanted = rows.filter(({ row, sameAs }) => row.document !== null && sameAs === null);
  tell(() => ({
    list,
    bill: null,
    rows,
    cells,
    context,
    progress: { done: 0, of: wanted.length },
    refused: null,
    roles,
  }));
  const known = await coppers();
  const batches = Array.from({ length: Math.ceil(wanted.length / BATCH) }, (_, i) =>
    wanted.slice(BATCH * i, BATCH * (i + 1)),
  );
  await byCrew(
    'facts',
    batches,
    (batch) =>
      Promise.resolve({
        footprints: batch.flatMap(({ row }) =>
          row.document ? [{ id: String(row.number), revision: 0, document: row.document, model: null }] : [],
        ),
      }),
    (answer, batch) => {
      const found = new Map((answer ?? []).map((one) => [Number(one.id), one]));
      const broken = answer === null ? new Set(batch.map(({ row }) => row.number)) : new Set<number>();
      tell((now) => ({
        ...now,
        progress: now.progress && { ...now.progress, done: now.progress.done + batch.length },
        rows: now.rows.map((one): ShownRow => {
          if (broken.has(one.row.number))
            return {
              ...one,
              row: { ...one.row, doubts: [...one.row.doubts, 'It cannot be worked out as it stands.'] },
            };
          const kept = found.get(one.row.number);
          return kept ? { ...one, kept, known: alike(kept.copper, known) } : one;
        }),
      }));
    },
    signal,
  );
  tell((now) => ({ ...now, progress: null }));
}

/** The heads of a list or a bill, by which what was settled is remembered. */
export const headsOf = ({ list, bill }: Pick<ListState, 'list' | 'bill'>): string =>
  (list ?? bill)?.columns.map(({ head }) => head).join('\n') ?? '';

type Known = readonly { readonly id: string; readonly name: string; readonly copper: Copper }[];

async function coppers(): Promise<Known> {
  const entries = await shelf.entries();
  const of = await facts.coppers(entries);
  return entries.flatMap(({ id, name }) => {
    const copper = of.get(id);
    return copper ? [{ id, name, copper }] : [];
  });
}

const alike = (copper: Copper | null, known: Known) => {
  const same = copper && known.find((one) => differenceOf(one.copper, copper) === 0);
  return same ? { id: same.id, name: same.name } : null;
};

/** How much a row asks to be looked at: doubtful ones first. */
export function worthALook({ row, kept, sameAs }: ShownRow): number {
  // what is the same as another is looked at with that one
  if (sameAs !== null) return -1;
  if (row.document === null) return 5;
  const grave: Readonly<Record<Facts['verdict'], number>> = { stop: 4, caution: 2, note: 0, clear: 0 };
  return Math.max(row.doubts.length > 0 ? 3 : 0, kept ? grave[kept.facts.verdict] : 0);
}
