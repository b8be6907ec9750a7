import { useState } from 'react';
import { documentFile } from '../../../common/document-file';
import { download } from '../../../common/download';
import { shelf } from '../../../common/shelf-store';
import { attempt } from '../../../common/trouble';
import { useBench } from '../../../state/context';
import { FileRow } from './FileRow';

/** The datasheets for handing over: beside the document, or inside of it. */
export function SourceFiles() {
  const document = useBench((s) => s.document);
  const name = useBench((s) => s.derived.compiled.footprint?.standardName ?? 'footprint');
  const [trouble, setTrouble] = useState<string | null>(null);
  const files = (document.sources ?? []).filter(({ key }) => key !== undefined);
  if (files.length === 0) return null;
  const saveFile = async (key: string, file: string) => {
    const stored = await shelf.sources.get(key);
    setTrouble(stored ? null : `The file “${file}” is not in this browser; drop it onto the Bench first.`);
    if (stored) download({ name: stored.name, mediaType: 'application/octet-stream', content: stored.bytes });
  };
  const saveInside = async () => {
    // with its model too, where it has one that is small enough
    const { document: packed, left } = await shelf.sources.pack(
      (await shelf.models.pack(document)) ?? document,
    );
    setTrouble(
      left.length > 0
        ? `“${left.join('”, “')}” ${left.length === 1 ? 'is' : 'are'} too large to go inside, or not in this browser; save beside.`
        : null,
    );
    if (left.length < files.length) download(documentFile(packed, name));
  };
  const row = (title: string, summary: string, save: () => Promise<void>) => (
    <FileRow
      key={title}
      title={title}
      summary={summary}
      onSave={() => void attempt(`Saving ${title}`, save)}
    />
  );
  return (
    <>
      <ul aria-label="Datasheets">
        {files.map(({ id, key = '', name: file }) =>
          row(`Datasheet ${id}`, `${file} as it came; the document says what was read where.`, () =>
            saveFile(key, file),
          ),
        )}
        {row('Document with its datasheets', 'The Tapis document with these files inside.', saveInside)}
      </ul>
      {trouble && (
        <p role="alert" className="text-error">
          {trouble}
        </p>
      )}
    </>
  );
}
