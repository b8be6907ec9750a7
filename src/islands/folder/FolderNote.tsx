import { useEffect } from 'react';
import { useStore } from 'zustand';
import { Bar, BarButton } from '../common/Bar';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';
import { folderState, keepInStep, permitAgain } from './keeper';

/** Says on the Shelf what waits in the folder; nothing while both are in step. */
export function FolderNote() {
  const { folder, mayWrite, look, trouble } = useStore(folderState);
  useEffect(() => void keepInStep(), []);
  if (!folder) return null;
  if (!mayWrite)
    return (
      <Bar
        tone="warning"
        words={`The folder “${folder.name}” is closed: what changes here is not written there.`}
      >
        <BarButton onPress={() => void attempt('Opening the folder', permitAgain)}>Let Tapis in</BarButton>
      </Bar>
    );
  const waiting = (look?.asks.length ?? 0) + (look?.told.length ?? 0);
  const words =
    trouble ??
    look?.doubt ??
    (waiting > 0 ? `${counted(waiting, 'thing')} in the folder “${folder.name}” to look at.` : null);
  if (words === null) return null;
  return (
    <p role="note" className="border-base-300 flex gap-3 border-b px-4 py-1.5 text-[12px]">
      <span aria-hidden className="text-warning">
        ▲
      </span>
      {words}
      <a className="link" href="/folder">
        Look
      </a>
    </p>
  );
}
