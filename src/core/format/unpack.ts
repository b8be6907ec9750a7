import { strFromU8, unzipSync } from 'fflate';
import { fail, ok, type Result } from '../units/result';

// ZIP files of others: what they hold is held against the checksums that they carry, and against a limit.

/** What is unpacked of a ZIP. */
export interface Unpacking {
  readonly isWanted: (path: string) => boolean;
  /** Most that it may come to, in bytes. */
  readonly most: number;
}

/** What was unpacked. */
export interface Unpacked {
  readonly files: Readonly<Record<string, Uint8Array>>;
  /** Paths of files whose checksum or size does not hold; they are not among the files. */
  readonly damaged: readonly string[];
}

/** What a ZIP says of a file in it. */
interface Entry {
  readonly crc: number;
  readonly size: number;
}

/**
 * Unpacks files of a ZIP.
 * @returns them by their paths, or why they cannot be had: too large, or no whole ZIP
 */
export function unpackZip(bytes: Uint8Array, { isWanted, most }: Unpacking): Result<Unpacked, string> {
  const entries = entriesOf(bytes);
  if (!entries) return fail('it is no whole ZIP file: its list of contents is damaged or missing');
  const wanted = [...entries].filter(([path]) => isWanted(path));
  const size = wanted.reduce((sum, [, entry]) => sum + entry.size, 0);
  if (size > most)
    return fail(
      `unpacked it has ${Math.ceil(size / 1e6)} MB, and at most ${Math.floor(most / 1e6)} are read`,
    );
  let files: Readonly<Record<string, Uint8Array>>;
  try {
    files = unzipSync(bytes, { filter: ({ name }) => entries.has(name) && isWanted(name) });
  } catch (error) {
    return fail(error instanceof Error ? error.message : String(error));
  }
  const isDamaged = ([path, { crc, size: said }]: readonly [string, Entry]) => {
    const file = files[path];
    return !file || file.length !== said || crc32(file) !== crc;
  };
  const damaged = wanted.filter(isDamaged).map(([path]) => path);
  return ok({
    files: Object.fromEntries(Object.entries(files).filter(([path]) => !damaged.includes(path))),
    damaged,
  });
}

const END_OF_CONTENTS = 0x06054b50;
const ENTRY = 0x02014b50;
/** Bytes of the end of the contents without its comment, and of an entry without its name. */
const END_LENGTH = 22;
const ENTRY_LENGTH = 46;

/** The list of contents at the end of a ZIP (APPNOTE 4.3.12); `null` where it is not whole. */
function entriesOf(bytes: Uint8Array): ReadonlyMap<string, Entry> | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let end = bytes.length - END_LENGTH;
  const first = Math.max(0, end - 0xffff);
  while (end >= first && view.getUint32(end, true) !== END_OF_CONTENTS) end -= 1;
  if (end < first) return null;
  const count = view.getUint16(end + 10, true);
  let at = view.getUint32(end + 16, true);
  const entries = new Map<string, Entry>();
  for (let i = 0; i < count; i += 1) {
    if (at + ENTRY_LENGTH > bytes.length || view.getUint32(at, true) !== ENTRY) return null;
    const isUtf8 = (view.getUint16(at + 8, true) & 0x800) !== 0;
    const name = bytes.subarray(at + ENTRY_LENGTH, at + ENTRY_LENGTH + view.getUint16(at + 28, true));
    const path = strFromU8(name, !isUtf8);
    entries.set(path, { crc: view.getUint32(at + 16, true), size: view.getUint32(at + 24, true) });
    at += ENTRY_LENGTH + name.length + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  }
  return entries;
}

const TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k += 1) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c >>> 0;
});

/** The checksum that ZIP files carry (CRC-32, ISO 3309). */
function crc32(bytes: Uint8Array): number {
  let c = 0xffffffff;
  for (const byte of bytes) c = (TABLE[(c ^ byte) & 0xff] as number) ^ (c >>> 8);
  return (c ^ 0xffffffff) >>> 0;
}

/** Says that files of a ZIP are damaged; empty where none are. */
export function damageWords(damaged: readonly string[]): string {
  const [first, ...more] = damaged;
  if (first === undefined) return '';
  const others = more.length > 0 ? `, and ${more.length} more,` : '';
  return `“${first.slice(-80)}”${others} in it is damaged: its checksum or its size does not hold`;
}
