import type { CompiledTrial } from '../../trial/trial';
import type { WrittenFile } from '../format';

/** One open format that boards are handed over in. */
export interface BoardFormat {
  readonly id: string;
  readonly title: string;
  readonly summary: string;
  readonly mediaType: string;
  /** With its dot. */
  readonly extension: string;
  /** Text, or bytes once the libraries that write them are loaded. Measured from the board’s lower left corner. */
  readonly write: (trial: CompiledTrial) => string | Uint8Array | Promise<string | Uint8Array>;
}

/** A name as a file can have it. */
export const fileStem = (name: string): string =>
  name.replace(/[^\p{L}\p{N}._-]+/gu, '-').replace(/^[-.]+|-+$/g, '') || 'board';

/** Writes a board in a format, named after it. */
export async function writeBoard(format: BoardFormat, trial: CompiledTrial): Promise<WrittenFile> {
  return {
    name: `${fileStem(trial.trial.name)}${format.extension}`,
    mediaType: format.mediaType,
    content: await format.write(trial),
  };
}
