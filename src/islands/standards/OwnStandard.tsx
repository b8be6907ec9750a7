import { useEffect, useState } from 'react';
import { tinykeys } from 'tinykeys';
import { useStore } from 'zustand';
import { writeStandard } from '../../core/document/write';
import type { WrittenFile } from '../../core/format/format';
import { standardOf } from '../../core/standard/resolve';
import type { StandardDocument } from '../../core/standard/standard';
import { whyRefused } from '../../store/storage';
import { SaveNote, UndoButtons } from '../common/saving';
import { standards } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { removedDocument } from '../state/workplace';
import { RefusalBar, SavingBar } from '../state/WorkplaceBars';
import { StandardSheet } from './StandardSheet';
import { createStandard, putsOf, type StandardWork } from './state';
import { WhatItDoes } from './WhatItDoes';

/** A standard as its file. */
export function standardFile(standard: StandardDocument): WrittenFile {
  return {
    name: `${standard.id}.tapis-standard.json`,
    mediaType: 'application/json',
    content: writeStandard(standard),
  };
}

interface Props {
  id: string;
  onRemoved: () => void;
}

/** A house standard: every change is saved at once, can be undone, and is shown with what it does. */
export function OwnStandard({ id, onRemoved }: Props) {
  const [work, setWork] = useState<StandardWork | { readonly fault: string } | null>(null);
  useEffect(() => {
    let left = false;
    const open = async () => {
      const stored = (await standards.get(id)) ?? removedDocument<StandardDocument>(id);
      const history = stored && (await standards.historyOf(stored));
      if (!left && stored) setWork(createStandard(stored, history));
    };
    open().catch((error: unknown) => {
      if (!left) setWork({ fault: whyRefused(error) });
    });
    return () => {
      left = true;
    };
  }, [id]);
  if (work === null) return <p className="text-secondary p-10">Opening the standard</p>;
  if ('fault' in work) return <p className="p-10">This browser’s storage cannot be read: {work.fault}.</p>;
  return <Opened work={work} onRemoved={onRemoved} />;
}

function Opened({ work, onRemoved }: Omit<Props, 'id'> & { work: StandardWork }) {
  const state = useStore(work);
  const { document: standard, past, future, undo, redo, save, refusal } = state;
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
    await standards.remove(standard.id);
  };
  return (
    <div className="relative flex min-w-0 flex-1 flex-col">
      <SavingBar
        work={state}
        noun="standard"
        home="among your own"
        file={() => Promise.resolve(standardFile(standard))}
      />
      <div className="flex min-h-0 flex-1">
        <StandardSheet standard={standardOf(standard)} put={putsOf(work)}>
          <UndoButtons past={past.at(-1) ?? null} future={future[0] ?? null} undo={undo} redo={redo} />
          <SaveNote save={save} />
          <button
            type="button"
            className="text-error underline"
            onClick={() => {
              if (
                confirm(
                  `Remove the standard “${standard.name}”? Footprints that follow it keep their own copy.`,
                )
              )
                void attempt(`Removing ${standard.name}`, remove).then((removed) => removed && onRemoved());
            }}
          >
            Remove
          </button>
        </StandardSheet>
        <WhatItDoes standard={standard} />
      </div>
      <RefusalBar refusal={refusal} onClose={() => work.setState({ refusal: null })} />
    </div>
  );
}
