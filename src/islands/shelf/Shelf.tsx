import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import { newDocument } from '../../core/document/document';
import { readSearch } from '../../core/library/search';
import type { PackageKind } from '../../core/package/catalogue';
import { within } from '../../store/groups';
import { HelpButton } from '../common/HelpButton';
import { later } from '../common/later';
import { NoteBar } from '../common/note';
import { keepLook, keptLook } from '../common/look';
import { shelf } from '../common/shelf-store';
import { goTour } from '../common/tour';
import { handFile } from '../common/handed';
import { attempt, backUp, exportZip, TroubleBar } from '../common/trouble';
import { Gallery } from '../gallery/Gallery';
import { BinList } from './BinList';
import { Card } from './Card';
import type { Wish } from '../../core/library/change';
import { EmptyShelf } from './EmptyShelf';
import { Grid } from './Grid';
import { ImportNote, useFileDrop, useImport } from './import';
import { keptColumns, ListHead } from './ListHead';
import type { Since } from './since';
import { Row, type Column } from './Row';
import { Tree } from './Tree';
import { WorkBar } from '../common/work';
import { Keeping } from './Keeping';
import { News } from './News';
import { useLibrary, type Shelved } from './useLibrary';
import { useSelection } from './useSelection';

// the demo is looked at once: it does not weigh on every visit
const putDemo = async () => (await import('./demo')).addDemo();

// what is used now and then does not weigh on every visit
const Chosen = later('What can be done with them', async () => (await import('./Chosen')).Chosen);
const Changing = later('What would change', async () => (await import('../changing/Changing')).Changing);
const Reviewing = later('What changed', async () => (await import('./Reviewing')).Reviewing);
const Costs = later('What the process costs', async () => (await import('./Costs')).Costs);
const Checking = later('What is found', async () => (await import('./Checking')).Checking);
const TakeIn = later('Taking patterns in', async () => (await import('../intake/TakeIn')).TakeIn);
const FolderNote = later('The folder', async () => (await import('../folder/FolderNote')).FolderNote);
const Restore = later('The backup', async () => (await import('./Restore')).Restore);
const Twins = later('What is here already', async () => (await import('./Twins')).Twins);

/** How the Shelf is looked at, kept for the next visit. */
type Look = 'cards' | 'list';
const LOOK = 'tapis-shelf-look';

/** The library: all footprints of this browser. */
export function Shelf({ earlierPorts }: { earlierPorts: readonly number[] }) {
  const { all, groups, unread, see } = useLibrary();
  const binned = useLiveQuery(() => shelf.binned(), []);
  const [query, setQuery] = useState('');
  const [group, setGroup] = useState('');
  const [look, setLook] = useState<Look>(() => (keptLook(LOOK) === 'list' ? 'list' : 'cards'));
  const [columns, setColumns] = useState<readonly Column[]>(keptColumns);
  const [hasFolder] = useState(() => keptLook('tapis-folder') === 'yes');
  const [binOpen, setBinOpen] = useState(false);
  const [choosing, setChoosing] = useState<string | null>(null);
  const [wish, setWish] = useState<Wish | null>(null);
  const [review, setReview] = useState<{ readonly ids: readonly string[]; readonly since: Since } | null>(
    null,
  );
  const [costing, setCosting] = useState<readonly string[] | null>(null);
  const [checked, setChecked] = useState<readonly string[] | null>(null);
  const files = useRef<HTMLInputElement>(null);
  const search = useRef<HTMLInputElement>(null);
  const dragged = useRef<string | null>(null);

  // typing does not wait for what it finds
  const searched = useDeferredValue(query);
  const [openedAt] = useState(() => Date.now());
  const terms = useMemo(() => readSearch(searched, openedAt), [searched, openedAt]);
  const found = useMemo(() => {
    const inside = groups.some(({ id }) => id === group) ? within(groups, group) : null;
    return (all ?? []).filter((one) => {
      const own = one.entry.group ?? '';
      if (inside ? !inside.has(own) : group === '-' && own !== '') return false;
      const { entry, facts, path, approvals } = one;
      const isApproved = approvals.some(({ holds }) => holds);
      const { name, tags = [], createdAt, updatedAt } = entry;
      return terms.every(({ holds }) =>
        holds({ name, tags, group: path, createdAt, updatedAt, isApproved, facts }),
      );
    });
  }, [all, groups, group, terms]);
  const counts = useMemo(() => {
    const counted = new Map<string, number>();
    for (const { entry } of all ?? []) {
      const own = entry.group ?? '';
      counted.set(own, (counted.get(own) ?? 0) + 1);
    }
    return counted;
  }, [all]);
  const { selected, select, setSelected } = useSelection(found);
  const chosen = useMemo(() => (all ?? []).filter(({ entry }) => selected.has(entry.id)), [all, selected]);

  const [intake, setIntake] = useState<readonly File[] | null>(null);
  const { take, brought, asked, twins, putAway } = useImport({
    onPatterns: setIntake,
    onSheet: startFromSheet,
  });
  useFileDrop(take);
  useEffect(() => {
    document.title = 'Shelf · Tapis';
  }, []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== '/' || event.target instanceof HTMLInputElement) return;
      event.preventDefault();
      search.current?.focus();
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, []);
  const onSeen = useCallback((seen: readonly Shelved[]) => see(seen.map(({ entry }) => entry.id)), [see]);
  const onDrag = useCallback((id: string) => {
    dragged.current = id;
  }, []);
  const dropOnGroup = (id: string) => {
    const one = dragged.current;
    dragged.current = null;
    if (one === null) return;
    const ids = selected.has(one) ? [...selected] : [one];
    void attempt('Moving footprints', () => shelf.move(ids, id));
  };
  const chooseLook = (next: Look) => {
    setLook(next);
    keepLook(LOOK, next);
  };
  const count = all?.length ?? 0;

  return (
    <div className="mx-auto flex min-h-screen max-w-[1480px] flex-col">
      <header className="border-base-300 bg-base-100 flex min-h-11 flex-wrap items-center gap-3 border-b px-4 py-1">
        <span className="text-[20px] font-semibold">Tapis</span>
        <h1 className="text-secondary">Shelf</h1>
        <input
          ref={search}
          type="search"
          className="input input-sm ml-4 w-72"
          placeholder="Words and figures: pitch 0.5, 5x5, pins > 40"
          title="Words; pitch 0.5, height < 1.2, 5x5, pins > 40, 0.65; level A; stop, holds, no waiver; tag:rf; made this week"
          aria-label="Search the Shelf"
          value={query}
          onChange={(event) => setQuery(event.target.value)}
        />
        <span className="text-secondary tabular-nums">
          {count > 0 ? `${found.length} of ${count} footprint${count === 1 ? '' : 's'}` : ''}
        </span>
        <div className="ml-auto flex items-center gap-2">
          <a className="btn btn-sm btn-ghost" href="/list">
            A list
          </a>
          <a className="btn btn-sm btn-ghost" href="/folder">
            Folder
          </a>
          <a className="btn btn-sm btn-ghost" href="/trials">
            Trials
          </a>
          <a className="btn btn-sm btn-ghost" href="/standards">
            Standards
          </a>
          <a className="btn btn-sm btn-ghost" href="/processes">
            Processes
          </a>
          <button type="button" className="btn btn-sm btn-primary" onClick={() => setChoosing('')}>
            New footprint
          </button>
          <button type="button" className="btn btn-sm" onClick={() => files.current?.click()}>
            Import
          </button>
          <input
            ref={files}
            type="file"
            multiple
            hidden
            aria-label="Files to import"
            onChange={({ currentTarget }) =>
              void take(currentTarget.files).then(() => {
                currentTarget.value = '';
              })
            }
          />
          <button type="button" className="btn btn-sm" disabled={count === 0} onClick={() => void backUp()}>
            Back up
          </button>
          <button
            type="button"
            className="btn btn-sm"
            aria-pressed={binOpen}
            onClick={() => setBinOpen(!binOpen)}
          >
            Bin {binned && binned.length > 0 ? binned.length : ''}
          </button>
          <HelpButton />
        </div>
      </header>
      <TroubleBar />
      {choosing !== null && (
        <Gallery
          begins={choosing}
          onChoose={(family, isEntered) => void startNew(family, isEntered)}
          onClose={() => setChoosing(null)}
        />
      )}
      <WorkBar />
      {asked && <Restore asked={asked} />}
      {twins && <Twins {...twins} />}
      {intake && <TakeIn files={intake} onClose={() => setIntake(null)} />}
      {all && count > 0 && <Keeping onBin={() => setBinOpen(true)} />}
      {brought && <ImportNote {...brought} onClose={putAway} />}
      {binOpen && <BinList binned={binned ?? []} />}
      {wish && <Changing wish={wish} ids={[...selected]} onClose={() => setWish(null)} />}
      {review && <Reviewing {...review} onClose={() => setReview(null)} />}
      {costing && <Costs ids={costing} onClose={() => setCosting(null)} />}
      {checked && <Checking ids={checked} onClose={() => setChecked(null)} />}
      {hasFolder && <FolderNote />}
      {all && count > 0 && <News onLook={setChecked} />}
      <NoteBar />
      {selected.size > 0 && (
        <Chosen
          chosen={chosen.map(({ entry }) => entry)}
          tags={[...new Set(chosen.flatMap(({ entry }) => entry.tags ?? []))]}
          groups={groups}
          onAll={() => setSelected(new Set(found.map(({ entry }) => entry.id)))}
          onNone={() => setSelected(new Set())}
          onExport={() => void exportZip([...selected])}
          onCheck={() => setChecked([...selected])}
          onCosts={() => setCosting([...selected])}
          onReview={(since) => setReview({ ids: [...selected], since })}
          onWish={setWish}
        />
      )}
      <div className="flex flex-1">
        {count > 0 && (
          <Tree
            groups={groups}
            counts={counts}
            total={count}
            shown={group}
            onShow={setGroup}
            onDrop={dropOnGroup}
          />
        )}
        <main className="min-w-0 flex-1 p-4 pb-16">
          {all && count === 0 && (
            <EmptyShelf
              earlierPorts={earlierPorts}
              onFiles={() => files.current?.click()}
              onNew={() => setChoosing('')}
              onComposed={() => setChoosing('composed')}
              onPattern={() => setChoosing('maker pattern')}
              onDemo={() => void attempt('Putting the demo on the Shelf', putDemo)}
              onTour={() => {
                goTour(0);
                void attempt('Putting the demo on the Shelf', putDemo);
              }}
            />
          )}
          {count > 0 && (
            <div className="mb-3 flex min-h-[22px] flex-wrap items-center gap-2 text-[12px]">
              {terms.map(({ text, words, isWord }, i) => (
                <button
                  key={`${i} ${text}`}
                  type="button"
                  className={`border-base-300 bg-base-100 border px-1.5 ${isWord ? 'text-secondary' : ''}`}
                  title={`“${text}”: press to take it out of the search`}
                  onClick={() =>
                    setQuery(
                      terms
                        .filter((_, k) => k !== i)
                        .map((term) => term.text)
                        .join(' '),
                    )
                  }
                >
                  {words} ×
                </button>
              ))}
              {unread > 0 && (
                <span role="status" className="text-secondary">
                  {unread} still to be read; what is searched by figures may miss them
                </span>
              )}
              <span className="ml-auto flex gap-1" role="group" aria-label="How the Shelf is shown">
                {(['cards', 'list'] as const).map((one) => (
                  <button
                    key={one}
                    type="button"
                    className={`btn btn-xs ${look === one ? 'btn-primary' : ''}`}
                    aria-pressed={look === one}
                    onClick={() => chooseLook(one)}
                  >
                    {one}
                  </button>
                ))}
              </span>
            </div>
          )}
          {count > 0 && found.length === 0 && (
            <p className="text-secondary p-6">
              {terms.length === 0
                ? 'There is no footprint in this group yet: drag some onto it, or select some and move them.'
                : `No footprint has ${terms.map(({ words }) => `“${words}”`).join(' and ')}. Figures take units and signs: pitch 0.5, height < 1.2, 5x5, pins > 40.`}
            </p>
          )}
          {look === 'list' && found.length > 0 && <ListHead columns={columns} onColumns={setColumns} />}
          {found.length > 0 && (
            <Grid
              key={look}
              items={found}
              label="Footprints"
              {...(look === 'list' ? {} : { least: 236 })}
              height={look === 'list' ? 36 : 290}
              gap={look === 'list' ? 0 : 12}
              onSeen={onSeen}
              render={(shelved: Shelved) => {
                const { id } = shelved.entry;
                const about = { shelved, selected: selected.has(id), onSelect: select, onDrag };
                return look === 'list' ? (
                  <Row key={id} {...about} columns={columns} />
                ) : (
                  <Card key={id} {...about} />
                );
              }}
            />
          )}
          {count > 0 && (
            <p className="text-secondary mt-4">
              <button
                type="button"
                className="link"
                onClick={() => void attempt('Putting the demo on the Shelf', putDemo)}
              >
                Add the parts of the demo board
              </button>
            </p>
          )}
        </main>
      </div>
    </div>
  );
}

/** A datasheet that is dropped on the Shelf begins a footprint, and is read on its Bench. */
function startFromSheet(file: File): void {
  void attempt('Beginning a footprint', async () => {
    const name = file.name.replace(/\.[^.]*$/, '').slice(0, 120) || 'New part';
    // of no family yet: the table says of which it may be
    const { COMPOSED } = await import('../../core/document/own-family');
    const stored = await shelf.begin(newDocument(name, COMPOSED));
    handFile(stored.id, file);
    navigate(`/bench/${stored.id}`);
  });
}

/**
 * Begins a footprint of a family, or of what a composed package starts from, and opens it on the Bench. It
 * stands on the Shelf once something was entered; one of a size at once.
 */
async function startNew(kind: PackageKind, isEntered: boolean): Promise<void> {
  const { id, title, package: start } = kind;
  await attempt('Keeping a new footprint', async () => {
    const names = new Set((await shelf.entries()).map(({ name }) => name));
    const named = (count: number): string => {
      const name = count === 1 ? title : `${title} ${count}`;
      return names.has(name) ? named(count + 1) : name;
    };
    const document = { ...newDocument(named(1), id), package: start ?? { family: id, dimensions: {} } };
    const [stored] = isEntered ? await shelf.add([document]) : [await shelf.begin(document)];
    if (stored) navigate(`/bench/${stored.id}`);
  });
}
