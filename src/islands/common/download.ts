import type { TapisDocument } from '../../core/document/document';
import type { WrittenFile } from '../../core/format/format';
import { json } from '../../core/format/json/json';

/** Offers a text or bytes as a file to save; it never leaves the machine otherwise. */
export function download({ name, mediaType, content }: WrittenFile): void {
  const data = typeof content === 'string' ? content : content.slice();
  const url = URL.createObjectURL(new Blob([data], { type: mediaType }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // the browser has taken its own hold of the data by then
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/** A document as its file, as it is: also one that gives no footprint yet. */
export function documentFile(document: TapisDocument, name = document.name): WrittenFile {
  return {
    name: `${name.replace(/[^\w.+-]+/g, '-')}${json.extension}`,
    mediaType: json.mediaType,
    content: `${JSON.stringify(document, null, 2)}\n`,
  };
}
