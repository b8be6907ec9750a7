import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { Pick } from '../common/inputs';
import { runJob } from '../common/job';
import { tellNote } from '../common/note';
import { groups as groupStore, shelf, standards } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';

/** A standard read off the footprints of a group, or of the whole Shelf: what they have in common. */
export function ReadOff({ onMade }: { onMade: (id: string) => void }) {
  const entries = useLiveQuery(() => shelf.entries()) ?? [];
  const groups = useLiveQuery(() => groupStore.list()) ?? [];
  const [control, setControl] = useState<AbortController | null>(null);
  const read = async (where: string, title: string) => {
    const own = new AbortController();
    setControl(own);
    await attempt('Reading a standard off', async () => {
      const ids = entries.filter(({ group }) => where === 'all' || group === where).map(({ id }) => id);
      const documents = (await shelf.getAll(ids)).map(({ document }) => document);
      const done = await runJob({
        job: 'propose',
        request: { documents, name: `Read off ${title}`.slice(0, 80) },
        signal: own.signal,
        time: 600_000,
        late: 'It took longer than ten minutes; take a smaller group.',
        broken: 'Take a smaller group.',
      });
      if (!done.ok) {
        if (!own.signal.aborted) throw new Error(done.error);
        return;
      }
      const { standard, observed } = done.value;
      const { id } = await standards.add(standard);
      const clauses = Object.keys(standard.clauses).length;
      tellNote({
        words: `${counted(documents.length, 'footprint')} looked at, ${counted(observed.length, 'place')} seen, ${counted(clauses, 'clause')} proposed: what at least six in ten share and is not as published.`,
        takeBack: {
          words: 'Take it back',
          act: async () => {
            await standards.remove(id);
            return `${standard.name} is gone again.`;
          },
        },
      });
      onMade(id);
    });
    setControl(null);
  };
  if (entries.length === 0) return null;
  return (
    <div className="mt-3 px-3">
      {control ? (
        <p className="text-secondary text-[12px]">
          Reading footprints{' '}
          <button type="button" className="link" onClick={() => control.abort()}>
            Stop
          </button>
        </p>
      ) : (
        <Pick
          className="w-full"
          label="Read a standard off"
          value=""
          options={[
            ['', 'read one off …'],
            ['all', 'the whole Shelf'],
            ...groups.map(({ id, name }) => [id, name] as const),
          ]}
          onChange={(where) => {
            if (where !== '')
              void read(
                where,
                where === 'all' ? 'the Shelf' : (groups.find(({ id }) => id === where)?.name ?? 'a group'),
              );
          }}
        />
      )}
    </div>
  );
}
