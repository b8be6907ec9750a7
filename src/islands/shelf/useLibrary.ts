import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { approvalWords, standingOf, type Approved } from '../../core/document/standing';
import type { Facts } from '../../core/library/facts';
import type { ShelfEntry, StoredGroup, StoredKey } from '../../store/database';
import { pathOf } from '../../store/groups';
import { facts as factsStore, groups as groupStore, keys, shelf } from '../common/shelf-store';
import { Reader } from './reader';

/** One footprint as the Shelf shows it. */
export interface Shelved {
  readonly entry: ShelfEntry;
  /** Names of its groups, outermost first. */
  readonly path: string;
  /** `null` until it was read. */
  readonly facts: Facts | null;
  /** Who stands for it, in words, and whether that holds; the best first. */
  readonly approvals: readonly { readonly short: string; readonly words: string; readonly holds: boolean }[];
}

export interface Library {
  /** `null` until the store was read. */
  readonly all: readonly Shelved[] | null;
  readonly groups: readonly StoredGroup[];
  /** Footprints that are not read yet. */
  readonly unread: number;
  /** Says which footprints are seen: they are read first. */
  readonly see: (ids: readonly string[]) => void;
}

const NO_GROUPS: readonly StoredGroup[] = [];
const NO_KEYS: readonly StoredKey[] = [];
const NO_APPROVALS: Shelved['approvals'] = [];

function approvalsOf({ hash, approvals }: Approved, team: readonly StoredKey[]): Shelved['approvals'] {
  return approvals
    .map(({ approval, isSigned }) => {
      const is = standingOf(approval, isSigned, hash, team);
      const short = `approved by ${approval.by}, ${approval.at.slice(0, 10)}`;
      return { short, words: approvalWords(approval, is), holds: is === 'holds' };
    })
    .sort((a, b) => Number(b.holds) - Number(a.holds));
}

/** Everything on the Shelf, and what is known of it so far; what is not known yet is read beside the page. */
export function useLibrary(): Library {
  const entries = useLiveQuery(() => shelf.entries(), []);
  const groups = useLiveQuery(() => groupStore.list(), []) ?? NO_GROUPS;
  const team = useLiveQuery(() => keys.list(), []) ?? NO_KEYS;
  const [known, setKnown] = useState<ReadonlyMap<
    string,
    { readonly revision: number; readonly facts: Facts }
  > | null>(null);
  const seen = useRef<readonly string[]>([]);
  const reader = useRef<Reader | null>(null);
  const missing = useRef<readonly ShelfEntry[]>([]);

  useEffect(() => {
    const made = new Reader((answer) => {
      setKnown((before) => {
        const next = new Map(before);
        for (const { id, revision, facts } of answer) next.set(id, { revision, facts });
        return next;
      });
    });
    reader.current = made;
    return () => {
      made.end();
      reader.current = null;
    };
  }, []);

  // what was kept before is read once; later it comes from the reader
  const isListed = entries !== undefined;
  useEffect(() => {
    if (!isListed || !entries) return;
    let left = false;
    void factsStore.of(entries).then((kept) => {
      if (left) return;
      const revisions = new Map(entries.map(({ id, revision }) => [id, revision]));
      setKnown(new Map([...kept].map(([id, facts]) => [id, { revision: revisions.get(id) ?? 0, facts }])));
    });
    return () => {
      left = true;
    };
    // only when the list is there for the first time
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isListed]);

  const paths = useMemo(() => new Map(groups.map(({ id }) => [id, pathOf(groups, id)])), [groups]);
  const all = useMemo(
    () =>
      entries?.map((entry): Shelved => {
        const own = known?.get(entry.id);
        const facts = own && own.revision === entry.revision ? own.facts : null;
        return {
          entry,
          path: paths.get(entry.group ?? '') ?? '',
          facts,
          approvals: facts?.approved ? approvalsOf(facts.approved, team) : NO_APPROVALS,
        };
      }) ?? null,
    [entries, known, paths, team],
  );

  const ask = useCallback(() => {
    const first = new Set(seen.current);
    const [now, later] = [true, false].map((isSeen) =>
      missing.current.filter(({ id }) => first.has(id) === isSeen),
    ) as [ShelfEntry[], ShelfEntry[]];
    reader.current?.ask([...now, ...later]);
  }, []);
  useEffect(() => {
    if (!all || !known) return;
    missing.current = all.flatMap(({ entry, facts }) => (facts ? [] : [entry]));
    ask();
  }, [all, known, ask]);

  const see = useCallback(
    (ids: readonly string[]) => {
      if (ids.join() === seen.current.join()) return;
      seen.current = ids;
      ask();
    },
    [ask],
  );
  const unread = known && all ? all.filter(({ facts }) => !facts).length : 0;
  return { all, groups, unread, see };
}
