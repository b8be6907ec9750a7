import type { ReactNode } from 'react';
import { Bar, BarButton } from '../common/Bar';
import { download } from '../common/download';
import { attempt } from '../common/trouble';
import type { WrittenFile } from '../../core/format/format';
import type { Workplace } from './workplace';

interface SavingProps {
  work: Pick<Workplace<object>, 'save' | 'resolveConflict' | 'takeBack'>;
  /** What is worked on, as in “this footprint”. */
  noun: string;
  /** Where it is put back to. */
  home: string;
  /** The document as a file, as it stands in this tab. */
  file: () => Promise<WrittenFile>;
}

/** What to do when another tab has saved or deleted the same document, or when saving fails. */
export function SavingBar({ work: { save, resolveConflict, takeBack }, noun, home, file }: SavingProps) {
  const exporting = (
    <BarButton onPress={() => void attempt('Exporting it', async () => download(await file()))}>
      Export it as it is
    </BarButton>
  );
  switch (save.kind) {
    case 'failed':
      return (
        <Bar
          tone="error"
          words={`Not saved: ${save.reason}. It is tried again every few seconds; keep this page open.`}
        >
          {exporting}
        </Bar>
      );
    case 'binned':
      return (
        <Bar
          tone="warning"
          words={`Another tab has put this ${noun} into the bin. What you change is saved there.`}
        >
          <BarButton onPress={() => void attempt('Putting it back', takeBack)}>Put it back {home}</BarButton>
        </Bar>
      );
    case 'gone':
      return (
        <Bar
          tone="warning"
          words={`Another tab has removed this ${noun} for good. It lives in this tab only.`}
        >
          <BarButton onPress={() => void attempt('Keeping it', takeBack)}>Keep it again</BarButton>
          {exporting}
        </Bar>
      );
    case 'conflict':
      return (
        <Bar
          tone="warning"
          words={`Another tab has saved this ${noun}. Nothing of yours is written until you choose.`}
        >
          <BarButton onPress={() => void attempt('Keeping both', () => resolveConflict('both'))}>
            Keep both: mine as a copy
          </BarButton>
          <BarButton onPress={() => void resolveConflict('theirs')}>Take the other tab’s</BarButton>
          <BarButton onPress={() => void resolveConflict('mine')}>Replace it with mine</BarButton>
        </Bar>
      );
    default:
      return null;
  }
}

interface RefusalProps {
  refusal: string | null;
  onClose: () => void;
  /** What helps, as buttons. */
  children?: ReactNode;
}

/** Says over the Sheet why a change was not taken; nothing moves for it. */
export function RefusalBar({ refusal, onClose, children }: RefusalProps) {
  if (refusal === null) return null;
  return (
    <Bar
      tone="error"
      words={`Not taken: ${refusal}`}
      className="absolute bottom-8 left-[372px] z-10 max-w-[560px] rounded"
    >
      {children}
      <BarButton onPress={onClose}>Put away</BarButton>
    </Bar>
  );
}
