import { useEffect } from 'react';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import { whyRefused } from '../../store/storage';
import { Bar, BarButton } from './Bar';
import { keptInPageOnly, shelf, wakeStorage } from './shelf-store';
import { download, offer } from './download';
import { keepLook, keptLook } from './look';
import { working } from './work';

/** What storage refused last, in words; `null` once something was written. */
const trouble = createStore<{ readonly words: string | null }>(() => ({ words: null }));

/**
 * Writes to storage; a refusal is told in the bar of the page and changes nothing.
 * @param doing what was wished, as “Adding the demo”
 * @returns whether it was done
 */
export async function attempt(doing: string, act: () => Promise<unknown>): Promise<boolean> {
  try {
    await wakeStorage();
    await act();
    tellTrouble(null);
    return true;
  } catch (error) {
    tellTrouble(`${doing} was not possible: ${whyRefused(error)}. Nothing was changed.`);
    return false;
  }
}

/** Says in the bar of the page what is wrong with keeping; `null` once it is over. */
function tellTrouble(words: string | null): void {
  trouble.setState({ words });
}

/** When everything was saved as a file last, ms since 1970. */
const BACKED_UP = 'tapis-backed-up';

/** When this browser's store was backed up last; 0 where it never was. */
export const backedUpAt = (): number => Number(keptLook(BACKED_UP) ?? 0);

/** Saves everything that is kept as one file. @returns whether it was done */
export async function backUp(): Promise<boolean> {
  const done = await attempt('Backing up', async () => {
    const parts = await working('Backing up', (onDone) => shelf.backup(onDone));
    if (!parts) return;
    const day = new Date().toISOString().slice(0, 10);
    offer(`tapis-backup-${day}.zip`, new Blob([...parts] as BlobPart[], { type: 'application/zip' }));
    keepLook(BACKED_UP, String(Date.now()));
  });
  return done;
}

/** Saves some footprints as a ZIP of documents in folders. */
export async function exportZip(ids: readonly string[]): Promise<void> {
  let left: readonly string[] = [];
  const done = await attempt('Exporting footprints', async () => {
    const zip = await shelf.exportZip(ids);
    download({ name: 'footprints.zip', mediaType: 'application/zip', content: zip.bytes });
    left = zip.left;
  });
  if (done) tellLeft(left);
}

/** Says which models did not go along. */
function tellLeft(left: readonly string[]): void {
  if (left.length > 0)
    tellTrouble(
      `Exported without the models ${left.join(', ')}: too large for one file, or not here. Keep their files too.`,
    );
}

/** Tells what storage refuses, for as long as it does. */
export function TroubleBar() {
  const words = useStore(trouble, (state) => state.words);
  useEffect(() => {
    if (keptInPageOnly === null) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    addEventListener('beforeunload', warn);
    return () => removeEventListener('beforeunload', warn);
  }, []);
  return (
    <>
      {keptInPageOnly !== null && (
        <Bar
          tone="warning"
          words={`Nothing is kept when this page is closed: ${keptInPageOnly}. Everything works; back it up to keep it.`}
        >
          <BarButton onPress={() => void backUp()}>Back up</BarButton>
        </Bar>
      )}
      {words !== null && (
        <Bar tone="error" words={words}>
          <BarButton onPress={() => tellTrouble(null)}>Put away</BarButton>
        </Bar>
      )}
    </>
  );
}
