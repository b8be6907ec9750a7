import { documentFile } from '../../../common/document-file';
import { download } from '../../../common/download';
import { shelf } from '../../../common/shelf-store';
import { useBench } from '../../../state/context';
import { FileRow } from '../release/FileRow';

/** The imported model for handing over: beside the document, or inside of it. */
export function ModelFiles({ onTrouble }: { onTrouble: (trouble: string | null) => void }) {
  const document = useBench((s) => s.document);
  const name = useBench((s) => s.derived.compiled.footprint?.standardName ?? 'footprint');
  const model = document.body?.model;
  if (!model) return null;
  const missing = `The file “${model.name}” is not in this browser; drop it onto Rise first.`;
  const saveFile = async () => {
    const stored = await shelf.models.get(model.key);
    if (!stored) return onTrouble(missing);
    onTrouble(null);
    download({ name: stored.name, mediaType: 'application/octet-stream', content: stored.bytes });
  };
  const saveInside = async () => {
    const packed = await shelf.models.pack(document);
    if (!packed) {
      const stored = await shelf.models.get(model.key);
      return onTrouble(
        stored ? `“${model.name}” is too large to go inside of the document; save it beside.` : missing,
      );
    }
    onTrouble(null);
    download(documentFile(packed, name));
  };
  const row = (title: string, summary: string, save: () => Promise<void>) => (
    <FileRow
      title={title}
      summary={summary}
      onSave={() =>
        void save().catch((error: unknown) => onTrouble(`The file could not be written: ${String(error)}.`))
      }
    />
  );
  return (
    <ul aria-label="Imported model">
      {row('Imported model', `${model.name} as it came; the document says where it stands.`, saveFile)}
      {row('Document with its model', 'The Tapis document with the model’s file inside.', saveInside)}
    </ul>
  );
}
