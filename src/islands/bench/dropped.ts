import { navigate } from 'wouter/use-browser-location';
import { kindOfFile } from '../intake/kind';
import type { BenchState } from '../state/bench';

interface Places {
  readonly set: BenchState['set'];
  readonly onPatterns: (files: readonly File[]) => void;
  readonly onDocuments: (file: File) => void;
}

/** Each file goes where it belongs: beside the drawing, onto the body, into a pattern, onto the Shelf, or among the trials. */
export async function placeDropped(
  files: readonly File[],
  { set, onPatterns, onDocuments }: Places,
): Promise<void> {
  const kinds = await Promise.all(files.map(kindOfFile));
  const patterns = files.filter((_, i) => kinds[i] === 'pattern');
  if (patterns.length > 0) return onPatterns(patterns);
  const [file] = files;
  if (!file) return;
  switch (kinds[0]) {
    case 'sheet':
      return set({ stage: 'measure', source: { kind: 'file', file } });
    case 'shelf':
      return onDocuments(file);
    case 'trial': {
      const { takeTrial } = await import('../common/trial-file');
      const taken = await takeTrial(file);
      if ('stored' in taken) return navigate(`/trial/${taken.stored.id}`);
      return set({ refusal: taken.refused.map(({ message }) => message).join(' ') });
    }
    case 'model':
      return set({ stage: 'rise', dropped: file });
    default:
      set({
        refusal: `${file.name} is no file that Tapis reads: models, datasheets, land patterns and documents are read.`,
      });
  }
}
