import type { TapisDocument } from '../core/document/document';
import { problemWords } from '../core/document/read';
import { writeDocument } from '../core/document/write';
import { openDocument } from '../core/footprint/open';
import { fail, ok, type Result } from '../core/units/result';
import { unpackedFile } from './inside';

// A document as the part of an address that browsers keep to themselves: nothing of it is sent to a server.

/** Longest part of an address that carries a document; what is longer gets lost in mails and chats. Letters */
export const LONGEST_LINK = 16_000;
/** Longest text that is unpacked of one, bytes. */
const LARGEST_TEXT = 2_000_000;
/** What the part begins with: the version of this form. */
const HEAD = 'd1.';

/** A document as a part of an address; `null` where it does not fit. */
export async function linkOf(document: TapisDocument): Promise<string | null> {
  const { gzipSync, strToU8 } = await import('fflate');
  const packed = gzipSync(strToU8(writeDocument(document)), { level: 9, mtime: 0 });
  if (packed.length > LONGEST_LINK) return null;
  const text = btoa(String.fromCharCode(...packed))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '');
  return text.length + HEAD.length > LONGEST_LINK ? null : `${HEAD}${text}`;
}

/** The document that a part of an address carries. */
export async function documentOf(part: string): Promise<Result<TapisDocument, string>> {
  if (!part.startsWith(HEAD))
    return fail('The address carries no footprint, or one of a newer Tapis: copy the whole link.');
  const text = part.slice(HEAD.length).replaceAll('-', '+').replaceAll('_', '/');
  const bytes = text.length > LONGEST_LINK ? 'too large' : await unpackedFile(text, LARGEST_TEXT);
  if (bytes === 'too large') return fail('The address carries more than a footprint can be.');
  if (!bytes) return fail('The link is damaged: a part of it was cut off or changed. Ask for it again.');
  const read = openDocument(new TextDecoder().decode(bytes));
  return read.ok ? ok(read.value) : fail(problemWords(read.error));
}
