import { useEffect, useState } from 'react';
import { tinykeys } from 'tinykeys';
import { useStore } from 'zustand';
import { writeProcess } from '../../core/document/write';
import type { Process } from '../../core/process/process';
import type { WrittenFile } from '../../core/format/format';
import { whyRefused } from '../../store/storage';
import { SaveNote, UndoButtons } from '../common/saving';
import { processes } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { removedDocument } from '../state/workplace';
import { RefusalBar, SavingBar } from '../state/WorkplaceBars';
import { HouseOffer } from './HouseOffer';
import { ProcessSheet } from './ProcessSheet';
import { createProcess, type ProcessWork } from './state';

/** A process as its file. */
export function processFile(process: Process): WrittenFile {
  return {
    name: `${process.id}.tapis-process.json`,
    mediaType: 'application/json',
    content: writeProcess(process),
  };
}

interface Props {
  id: string;
  /** Finds the process that another one was copied from. */
  originalOf: (process: Process) => Process | null;
  onRemoved: () => void;
}

/** A process of the person's own: every change is saved at once, and can be undone. */
export function OwnProcess({ id, originalOf, onRemoved }: Props) {
  const [work, setWork] = useState<ProcessWork | { readonly fault: string } | null>(null);
  useEffect(() => {
    let left = false;
    const open = async () => {
      const stored = (await processes.get(id)) ?? removedDocument<Process>(id);
      const history = stored && (await processes.historyOf(stored));
      if (!left && stored) setWork(createProcess(stored, history));
    };
    open().catch((error: unknown) => {
      if (!left) setWork({ fault: whyRefused(error) });
    });
    return () => {
      left = true;
    };
  }, [id]);
  if (work === null) return <p className="text-secondary p-10">Opening the process</p>;
  if ('fault' in work) return <p className="p-10">This browser’s storage cannot be read: {work.fault}.</p>;
  return <Opened work={work} originalOf={originalOf} onRemoved={onRemoved} />;
}

function Opened({ work, originalOf, onRemoved }: Omit<Props, 'id'> & { work: ProcessWork }) {
  const state = useStore(work);
  const { document: process, past, future, undo, redo, save, edit, refusal } = state;
  useEffect(() => work.getState().watch(), [work]);
  useEffect(() => {
    const act = (run: () => void) => (event: KeyboardEvent) => {
      if (document.querySelector('dialog[open]')) return;
      event.preventDefault();
      run();
    };
    return tinykeys(window, {
      '$mod+z': act(() => work.getState().undo()),
      '$mod+y': act(() => work.getState().redo()),
      '$mod+Shift+z': act(() => work.getState().redo()),
    });
  }, [work]);
  const remove = async () => {
    // what still waits must not come after it
    await work.getState().flush();
    await processes.remove(process.id);
  };
  return (
    <div className="relative flex min-w-0 flex-1 flex-col">
      <SavingBar
        work={state}
        noun="process"
        home="among your own"
        file={() => Promise.resolve(processFile(process))}
      />
      <HouseOffer process={process} original={originalOf(process)} work={work} />
      <ProcessSheet
        process={process}
        original={originalOf(process)}
        put={(part) => {
          edit(Object.entries(part).map(([key, value]) => ({ at: `/${key}`, value: value as unknown })));
          // fields commit at once: nothing more is waited for
          void work.getState().flush();
        }}
      >
        <UndoButtons past={past.at(-1) ?? null} future={future[0] ?? null} undo={undo} redo={redo} />
        <SaveNote save={save} />
        <button
          type="button"
          className="text-error underline"
          onClick={() => {
            if (confirm(`Remove the process “${process.name}”? Footprints that use it keep their own copy.`))
              void attempt(`Removing ${process.name}`, remove).then((removed) => removed && onRemoved());
          }}
        >
          Remove
        </button>
      </ProcessSheet>
      <RefusalBar refusal={refusal} onClose={() => work.setState({ refusal: null })} />
    </div>
  );
}
