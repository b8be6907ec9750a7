import { Bar, BarButton } from '../common/Bar';
import type { TapisDocument } from '../../core/document/document';
import { download } from '../common/download';
import { attempt } from '../common/trouble';
import { useBench } from '../state/context';

/** What to do when another tab has saved or deleted the same footprint, or when saving fails. */
export function ConflictBar() {
  const save = useBench((s) => s.save);
  const document = useBench((s) => s.document);
  const resolve = useBench((s) => s.resolveConflict);
  const takeBack = useBench((s) => s.takeBack);
  const exporting = <BarButton onPress={() => void exportAsIs(document)}>Export it as it is</BarButton>;
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
          words="Another tab has put this footprint into the bin. What you change is saved there."
        >
          <BarButton onPress={() => void attempt('Putting it back', takeBack)}>
            Put it back on the Shelf
          </BarButton>
        </Bar>
      );
    case 'gone':
      return (
        <Bar
          tone="warning"
          words="Another tab has removed this footprint for good. It lives in this tab only."
        >
          <BarButton onPress={() => void attempt('Keeping it', takeBack)}>Keep it again</BarButton>
          {exporting}
        </Bar>
      );
    case 'conflict':
      return (
        <Bar
          tone="warning"
          words={`Another tab has saved this footprint. Nothing of yours is written until you choose.`}
        >
          <BarButton onPress={() => void attempt('Keeping both', () => resolve('both'))}>
            Keep both: mine as a copy
          </BarButton>
          <BarButton onPress={() => void resolve('theirs')}>Take the other tab’s</BarButton>
          <BarButton onPress={() => void resolve('mine')}>Replace it with mine</BarButton>
        </Bar>
      );
    default:
      return null;
  }
}

async function exportAsIs(document: TapisDocument): Promise<void> {
  await attempt('Exporting it', async () => {
    const { documentFile } = await import('../common/document-file');
    download(documentFile(document));
  });
}
