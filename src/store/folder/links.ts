import { whyRefused } from '../storage';
import type { KindId } from './kinds';

// How things and files are known to each other, and why a file could not be had.

/** The row of a link about one thing. @param link id of the link */
export const linkId = (link: string, key: string): string => `${link}\n${key}`;

/** A key in its parts: `footprint:4f2…`. */
export function splitKey(key: string): [kind: KindId, id: string] {
  const at = key.indexOf(':');
  return [key.slice(0, at) as KindId, key.slice(at + 1)];
}

/** A text as a file holds it. */
export const fileBytes = (text: string): Uint8Array => new TextEncoder().encode(text);

/** Why a file could not be read or written, in words. */
export function whyNot(error: unknown): string {
  const name = error instanceof DOMException ? error.name : '';
  switch (name) {
    case 'NotAllowedError':
      return 'The browser may not read or write there any more: open the folder again.';
    case 'NotFoundError':
      return 'It is not there any more.';
    case 'NoModificationAllowedError':
      return 'It is locked: another program has it open.';
    case 'QuotaExceededError':
      return 'There is no room left on the disk.';
    default:
      return error instanceof Error ? error.message : whyRefused(error);
  }
}
