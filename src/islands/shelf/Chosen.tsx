import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { LEVELS } from '../../core/document/document';
import type { Wish } from '../../core/library/change';
import { asksForCounter, counted } from '../../core/library/counting';
import { TARGETS, type ReleaseTarget } from '../../core/format/release/targets';
import { PROCESSES } from '../../core/process';
import type { ShelfEntry, StoredGroup } from '../../store/database';
import { pathOf } from '../../store/groups';
import { Pick } from '../common/inputs';
import { makeRelease } from '../common/release';
import { processes, shelf, standards, targets as targetStore } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { rewriteMany } from '../changing/rewrite';
import { deleteFootprints } from './deleting';
import { SINCE_WORDS, SINCES, type Since } from './since';

interface Props {
  chosen: readonly ShelfEntry[];
  /** Tags that one of them has. */
  tags: readonly string[];
  groups: readonly StoredGroup[];
  /** All that the search and the group show. */
  onAll: () => void;
  onNone: () => void;
  onExport: () => void;
  /** They are compiled and checked with this version. */
  onCheck: () => void;
  /** They are held against what they were. */
  onReview: (since: Since) => void;
  /** What numbers of their process cost is looked at. */
  onCosts: () => void;
  /** Something is wished for all of them; it is looked at first. */
  onWish: (wish: Wish) => void;
}

/** What can be done with several footprints at once. */
export function Chosen({
  chosen,
  tags,
  groups,
  onAll,
  onNone,
  onExport,
  onCheck,
  onReview,
  onCosts,
  onWish,
}: Props) {
  const [tag, setTag] = useState('');
  const own = useLiveQuery(() => processes.list(), []) ?? [];
  const houses = useLiveQuery(() => standards.list(), []) ?? [];
  const known = [...PROCESSES, ...own];
  const ids = chosen.map(({ id }) => id);
  const targets = useLiveQuery(() => targetStore.list(), []) ?? [];
  const many = `${ids.length} footprint${ids.length === 1 ? '' : 's'}`;
  return (
    <div
      role="toolbar"
      aria-label="Selected footprints"
      // over the lower edge of the page: the next tick is where it was
      className="border-base-300 bg-base-200 fixed inset-x-0 bottom-0 z-20 flex flex-wrap items-center gap-1.5 border-t px-3 py-1.5"
    >
      <span className="font-semibold">{many} selected</span>
      <button type="button" className="link" onClick={onAll}>
        all shown
      </button>
      <button type="button" className="link" onClick={onNone}>
        none
      </button>
      <Pick
        className="w-24"
        label="Move to group"
        value=""
        options={[
          ['', 'move to …'],
          ['-', 'no group'],
          ...groups.map(({ id }) => [id, pathOf(groups, id)] as const),
        ]}
        onChange={(group) => {
          if (group !== '') void attempt(`Moving ${many}`, () => shelf.move(ids, group === '-' ? '' : group));
        }}
      />
      <Pick
        className="w-24"
        label="Process for the selected"
        value=""
        options={[['', 'process …'], ...known.map(({ id, name }) => [id, name] as const)]}
        onChange={(id) => {
          const process = known.find((one) => one.id === id);
          if (process) onWish({ process });
        }}
      />
      <Pick
        className="w-20"
        label="Level for the selected"
        value=""
        options={[['', 'level …'], ...LEVELS.map((level) => [level, `level ${level}`] as const)]}
        onChange={(chosen) => {
          const level = LEVELS.find((one) => one === chosen);
          if (level) onWish({ level });
        }}
      />
      <Pick
        className="w-24"
        label="Standard for the selected"
        value=""
        options={[
          ['', 'standard …'],
          ['-', 'as published'],
          ...houses.map(({ id, name }) => [id, name] as const),
        ]}
        onChange={(id) => {
          const standard = houses.find((one) => one.id === id);
          if (standard || id === '-') onWish({ standard: standard ?? null });
        }}
      />
      <form
        className="flex gap-1"
        onSubmit={(event) => {
          event.preventDefault();
          const wanted = tag.trim().toLowerCase().replace(/\s+/g, '-');
          if (wanted !== '') void attempt(`Tagging ${many}`, () => shelf.tag(ids, wanted, true));
          setTag('');
        }}
      >
        <input
          className="input input-sm w-16"
          aria-label="Tag for the selected"
          placeholder="tag"
          value={tag}
          maxLength={40}
          onChange={({ target }) => setTag(target.value)}
        />
        <button type="submit" className="btn btn-sm" disabled={tag.trim() === ''}>
          Tag
        </button>
      </form>
      {tags.map((one) => (
        <button
          key={one}
          type="button"
          className="border-base-300 bg-base-100 border px-1.5 text-[12px]"
          title={`Take the tag ${one} from the selected`}
          onClick={() => void attempt(`Untagging ${many}`, () => shelf.tag(ids, one, false))}
        >
          {one} ×
        </button>
      ))}
      <button type="button" className="btn btn-sm" onClick={onCheck}>
        Check
      </button>
      <Pick
        className="w-24"
        label="Review the selected"
        value=""
        options={[
          ['', 'review …'],
          ...SINCES.map((since) => [since, SINCE_WORDS[since]] as const),
          ['costs', 'what the process costs'],
        ]}
        onChange={(chosen) => {
          if (chosen === 'costs') onCosts();
          const since = SINCES.find((one) => one === chosen);
          if (since) onReview(since);
        }}
      />
      {houses.some((standard) => asksForCounter({ standard })) && (
        <button
          type="button"
          className="btn btn-sm"
          title="Their names ask for running numbers: those that have none get the next that are free"
          onClick={() => void attempt(`Numbering ${many}`, () => numberThem(ids))}
        >
          Number
        </button>
      )}
      {chosen.length === 2 && (
        <a className="btn btn-sm" href={`/side-by-side/${chosen[0]?.id}/${chosen[1]?.id}`}>
          Side by side
        </a>
      )}
      {chosen.length === 1 && (
        <a className="btn btn-sm" href={`/opinion/${chosen[0]?.id}`}>
          Second opinion
        </a>
      )}
      <Pick
        className="ml-auto w-26"
        label="Release the selected for"
        value=""
        options={[
          ['', 'release for …'],
          ...[...TARGETS, ...targets].map(({ id, title }) => [id, title] as const),
        ]}
        onChange={(id) => {
          const target = [...TARGETS, ...targets].find((one) => one.id === id);
          if (target) void releaseMany(ids, target);
        }}
      />
      <button type="button" className="btn btn-sm" onClick={onExport}>
        Export as ZIP
      </button>
      <button type="button" className="btn btn-sm" onClick={() => void deleteFootprints(chosen).then(onNone)}>
        Delete
      </button>
    </div>
  );
}

/** Gives footprints whose names ask for running numbers, and have none, the next that are free on the Shelf. */
async function numberThem(ids: readonly string[]): Promise<void> {
  const rows = (await shelf.getAll(ids)).sort((a, b) => (a.document.name < b.document.name ? -1 : 1));
  const kept = await shelf.list();
  const given = counted(
    rows.map(({ document }) => document),
    kept.map(({ document }) => document),
  );
  await rewriteMany(
    [...given].flatMap(([i, document]) => {
      const row = rows[i];
      return row ? [{ id: row.id, revision: row.revision, document }] : [];
    }),
    'numbered',
  );
}

/** Makes a release of several; why it was not made stands in the bar of the page. */
async function releaseMany(ids: readonly string[], target: ReleaseTarget): Promise<void> {
  await attempt(`Releasing for ${target.title}`, async () => {
    const trouble = await makeRelease(ids, target);
    if (trouble !== null) throw new Error(trouble);
  });
}
