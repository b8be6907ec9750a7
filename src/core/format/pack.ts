import { strToU8, zipSync, type Zippable } from 'fflate';
import type { WrittenFile } from './format';

/** Packs files into a ZIP, byte for byte the same for the same files. */
export function packed(files: readonly Pick<WrittenFile, 'name' | 'content'>[]): Uint8Array {
  const entries: Zippable = {};
  for (const { name, content } of files)
    entries[name] = typeof content === 'string' ? strToU8(content) : content;
  // the earliest time that a ZIP can hold: when it was packed does not show
  return zipSync(entries, { level: 6, mtime: new Date(1980, 0, 1) });
}
