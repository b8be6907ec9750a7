import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { carriedProcess } from '../../core/document/process-file';
import { PROCESSES } from '../../core/process';
import { Bar, BarButton } from '../common/Bar';
import { Pick, UnitChoice } from '../common/inputs';
import { later } from '../common/later';
import { PageHead } from '../common/PageHead';
import { SaveNote, UndoButtons } from '../common/saving';
import { processes } from '../common/shelf-store';
import { EntryInput } from '../fields/EntryInput';
import { useField } from '../fields/useEntry';
import { newerFootprints } from './library';
import { useTrial } from './state';

const HandOver = later('What can be written', async () => (await import('./HandOver')).HandOver);

/** Name, process, unit, what can be written, undo and the state of saving. */
export function Head() {
  const unit = useTrial((s) => s.unit);
  const set = useTrial((s) => s.set);
  const past = useTrial((s) => s.past.at(-1) ?? null);
  const future = useTrial((s) => s.future[0] ?? null);
  const undo = useTrial((s) => s.undo);
  const redo = useTrial((s) => s.redo);
  const save = useTrial((s) => s.save);
  const [writing, setWriting] = useState(false);
  return (
    <>
      <PageHead
        title="Trial"
        end={
          <>
            <ProcessPick />
            <UnitChoice unit={unit} onChoose={(next) => set({ unit: next })} />
            <button type="button" className="btn btn-sm" onClick={() => setWriting(true)}>
              Hand over
            </button>
            <UndoButtons past={past} future={future} undo={undo} redo={redo} />
            <SaveNote save={save} />
          </>
        }
      >
        <NameEntry />
      </PageHead>
      {writing && <HandOver onClose={() => setWriting(false)} />}
    </>
  );
}

function NameEntry() {
  const name = useTrial((s) => s.document.name);
  const edit = useTrial((s) => s.edit);
  const field = useField(name, (text, gesture) =>
    edit([{ at: '/name', value: text.slice(0, 120) || 'Unnamed' }], gesture, 'name'),
  );
  return <EntryInput field={field} className="w-64" aria-label="Name of the trial" maxLength={120} />;
}

function ProcessPick() {
  const current = useTrial((s) => s.compiled.process);
  const edit = useTrial((s) => s.edit);
  const own = useLiveQuery(() => processes.list()) ?? [];
  const known = [...PROCESSES, ...own];
  const all = known.some(({ id }) => id === current.id) ? known : [...known, current];
  return (
    <Pick
      className="w-[150px]"
      label="Process of the board"
      value={current.id}
      options={all.map(({ id, name }) => [id, name] as const)}
      onChange={(chosen) => {
        const process = all.find(({ id }) => id === chosen);
        if (!process) return;
        edit(
          [
            { at: '/process', value: process.id },
            { at: '/ownProcess', value: carriedProcess(process) },
          ],
          undefined,
          `process ${process.name}`,
        );
      }}
    />
  );
}

/** Footprints that the Shelf has newer, and taking them in one action. */
export function NewerBar() {
  const trial = useTrial((s) => s.document);
  const edit = useTrial((s) => s.edit);
  const newer = useLiveQuery(() => newerFootprints(trial), [trial.footprints]) ?? [];
  const [first] = newer;
  if (!first) return null;
  const words =
    newer.length === 1
      ? `${first.name} ${first.why}.`
      : `${newer.length} footprints of this board are newer on the Shelf: ${newer.map(({ name, why }) => `${name} ${why}`).join('; ')}.`;
  return (
    <Bar tone="warning" words={words}>
      <BarButton
        onPress={() =>
          edit(
            newer.map(({ key, footprint }) => ({ at: `/footprints/${key}`, value: footprint })),
            undefined,
            'take newer footprints',
          )
        }
      >
        {newer.length === 1 ? 'Take the newer one' : 'Take the newer ones'}
      </BarButton>
    </Bar>
  );
}
