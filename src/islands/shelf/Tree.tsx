import { useState } from 'react';
import type { StoredGroup } from '../../store/database';
import { pathOf, within } from '../../store/groups';
import { Pick } from '../common/inputs';
import { groups as store } from '../common/shelf-store';
import { NameInput } from '../common/naming';
import { attempt } from '../common/trouble';

interface Props {
  groups: readonly StoredGroup[];
  /** Footprints by the group that they stand in. */
  counts: ReadonlyMap<string, number>;
  total: number;
  /** Id of the group that is shown; empty for all, `-` for those in none. */
  shown: string;
  onShow: (id: string) => void;
  /** Something was dropped onto a group. */
  onDrop: (id: string) => void;
}

/** Groups as a quiet tree; footprints are dropped onto them. */
export function Tree({ groups, counts, total, shown, onShow, onDrop }: Props) {
  const [dragged, setDragged] = useState<string | null>(null);
  /** The group that was made last. */
  const [made, setMade] = useState<string | null>(null);
  const add = () => {
    const parent = groups.some(({ id }) => id === shown) ? shown : '';
    void attempt('Making a group', async () => {
      const { id } = await store.add('New group', parent);
      setMade(id);
      onShow(id);
    });
  };
  const rows = ordered(groups, '', 0);
  return (
    <nav aria-label="Groups" className="border-base-300 w-[200px] shrink-0 border-r py-3 pr-2">
      <ul className="flex flex-col">
        <TreeItem
          name="Everything"
          count={total}
          depth={0}
          isShown={shown === ''}
          onShow={() => onShow('')}
          onDrop={() => undefined}
        />
        {groups.length > 0 && (
          <TreeItem
            name="In no group"
            count={counts.get('') ?? 0}
            depth={0}
            isShown={shown === '-'}
            onShow={() => onShow('-')}
            onDrop={() => onDrop('')}
          />
        )}
        {rows.map(({ group, depth }) => (
          <TreeItem
            key={group.id}
            name={group.name}
            count={counts.get(group.id) ?? 0}
            depth={depth}
            isShown={shown === group.id}
            onShow={() => onShow(group.id)}
            onDragStart={() => setDragged(group.id)}
            onDrop={() => {
              if (dragged === null) return onDrop(group.id);
              setDragged(null);
              if (dragged !== group.id) void attempt('Moving a group', () => store.move(dragged, group.id));
            }}
          />
        ))}
      </ul>
      <button type="button" className="text-primary mt-2 px-2 text-[12px] hover:underline" onClick={add}>
        New group{groups.some(({ id }) => id === shown) ? ' in this one' : ''}
      </button>
      <ShownGroup
        key={`${shown} ${groups.some(({ id }) => id === shown)}`}
        group={groups.find(({ id }) => id === shown) ?? null}
        groups={groups}
        isNew={made !== null && made === shown}
        onShow={onShow}
      />
    </nav>
  );
}

/** Groups in the order of a tree. */
function ordered(
  groups: readonly StoredGroup[],
  parent: string,
  depth: number,
): { readonly group: StoredGroup; readonly depth: number }[] {
  if (depth > 20) return [];
  return groups
    .filter((group) => group.parent === parent)
    .flatMap((group) => [{ group, depth }, ...ordered(groups, group.id, depth + 1)]);
}

interface ItemProps {
  name: string;
  count: number;
  depth: number;
  isShown: boolean;
  onShow: () => void;
  onDrop: () => void;
  onDragStart?: () => void;
}

function TreeItem({ name, count, depth, isShown, onShow, onDrop, onDragStart }: ItemProps) {
  const [over, setOver] = useState(false);
  return (
    <li>
      <button
        type="button"
        aria-current={isShown ? 'true' : undefined}
        className={`flex w-full items-baseline gap-2 py-0.5 pr-1 text-left ${isShown ? 'bg-base-200 font-semibold' : ''} ${over ? 'outline-primary outline' : ''}`}
        style={{ paddingLeft: 8 + 12 * depth }}
        draggable={onDragStart !== undefined}
        onDragStart={onDragStart}
        onClick={onShow}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          event.stopPropagation();
          setOver(false);
          onDrop();
        }}
      >
        <span className="min-w-0 flex-1 truncate" title={name}>
          {name}
        </span>
        <span className="text-secondary text-[12px] tabular-nums">{count}</span>
      </button>
    </li>
  );
}

interface ShownProps {
  group: StoredGroup | null;
  groups: readonly StoredGroup[];
  isNew: boolean;
  onShow: (id: string) => void;
}

/** What can be done with the group that is shown. */
function ShownGroup({ group, groups, isNew, onShow }: ShownProps) {
  if (!group) return null;
  const inside = within(groups, group.id);
  return (
    <div className="border-base-300 mt-3 flex flex-col gap-1 border-t px-2 pt-2 text-[12px]">
      <NameInput
        className="border-base-300 bg-base-100 w-full border px-1 py-0.5"
        aria-label="Name of the group"
        name={group.name}
        maxLength={80}
        onName={(name) => void attempt('Renaming a group', () => store.rename(group.id, name))}
        // a group that was just made waits for its name
        autoFocus={isNew}
        onFocus={({ target }) => target.select()}
      />
      <Pick
        className="w-full"
        label="Group that it is in"
        value={group.parent}
        options={[
          ['', 'outermost'],
          ...groups.flatMap(({ id }) => (inside.has(id) ? [] : [[id, `in ${pathOf(groups, id)}`] as const])),
        ]}
        onChange={(parent) => void attempt('Moving a group', () => store.move(group.id, parent))}
      />
      <p className="flex gap-3">
        <button
          type="button"
          className="text-primary hover:underline"
          title="What is in it stays, and goes to where the group is"
          onClick={() =>
            void attempt('Removing a group', async () => {
              await store.remove(group.id);
              onShow(group.parent);
            })
          }
        >
          Remove the group
        </button>
      </p>
    </div>
  );
}
