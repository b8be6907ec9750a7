import { unzlibSync } from 'fflate';

const HEAD = 44;
const ENTRY = 20;

/**
 * A face as it is embedded: its tables unpacked from the file that it is sent in (WOFF 1.0, W3C, sections 3 to 5). What
 * cuts letters out of a face reads its tables many times.
 */
export function unpackedFace(woff: Uint8Array): Uint8Array {
  const from = new DataView(woff.buffer, woff.byteOffset, woff.byteLength);
  const count = from.getUint16(12);
  const tables = Array.from({ length: count }, (_, i) => {
    const at = HEAD + ENTRY * i;
    const [tag, offset, packed, length, sum] = [0, 4, 8, 12, 16].map((k) => from.getUint32(at + k)) as [
      number,
      number,
      number,
      number,
      number,
    ];
    const bytes = woff.subarray(offset, offset + packed);
    return { tag, sum, length, bytes: packed < length ? unzlibSync(bytes) : bytes };
  });
  const padded = (length: number) => (length + 3) & ~3;
  let place = 12 + 16 * count;
  const face = new Uint8Array(place + tables.reduce((sum, { length }) => sum + padded(length), 0));
  const to = new DataView(face.buffer);
  to.setUint32(0, from.getUint32(4));
  // what a search in the tables starts from (OpenType, table directory)
  const power = 2 ** Math.floor(Math.log2(count));
  [count, 16 * power, Math.log2(power), 16 * (count - power)].forEach((value, i) =>
    to.setUint16(4 + 2 * i, value),
  );
  tables.forEach(({ tag, sum, length, bytes }, i) => {
    [tag, sum, place, length].forEach((value, k) => to.setUint32(12 + 16 * i + 4 * k, value));
    face.set(bytes, place);
    place += padded(length);
  });
  return face;
}
