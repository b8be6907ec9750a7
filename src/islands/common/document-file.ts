import type { TapisDocument } from '../../core/document/document';
import { writeDocument } from '../../core/document/write';
import type { WrittenFile } from '../../core/format/format';
import { json } from '../../core/format/json/json';

/** A document as its file, as it is: also one that gives no footprint yet. */
export function documentFile(document: TapisDocument, name = document.name): WrittenFile {
  return {
    name: `${name.replace(/[^\w.+-]+/g, '-')}${json.extension}`,
    mediaType: json.mediaType,
    content: writeDocument(document),
  };
}
