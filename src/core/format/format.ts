import type { Compiled, Footprint } from '../footprint/footprint';
import { atOrigin } from '../footprint/origin';
import type { HandOver } from './paper/frame';

/** A compiled document that has a footprint: what a format writes. */
export type Writable = Compiled & { readonly footprint: Footprint };

/** A file that a format wrote. */
export interface WrittenFile {
  readonly name: string;
  readonly mediaType: string;
  readonly content: string | Uint8Array;
}

/** One open format that footprints are handed over in. */
export interface Format {
  readonly id: string;
  readonly title: string;
  readonly summary: string;
  readonly mediaType: string;
  /** With its dot. */
  readonly extension: string;
  /** Text, or bytes once the libraries that write them are loaded. */
  readonly write: (compiled: Writable, about?: HandOver) => string | Promise<string | Uint8Array>;
}

/** Writes a file in a format, measured from the chosen origin and named after the standard name. */
export async function writeFile(
  format: Format,
  compiled: Writable,
  about: HandOver = {},
): Promise<WrittenFile> {
  return {
    name: `${compiled.footprint.fileName}${format.extension}`,
    mediaType: format.mediaType,
    content: await format.write({ ...compiled, footprint: atOrigin(compiled.footprint) }, about),
  };
}
