import { crc32, deflateSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { pictureOf } from '../../src/kernel/source/node';

// Pictures written byte by byte, as the standard says (ISO/IEC 15948), in every depth that it has.

function chunk(kind: string, data: Uint8Array): Buffer {
  const head = Buffer.alloc(4);
  head.writeUInt32BE(data.length);
  const body = Buffer.concat([Buffer.from(kind), data]);
  const end = Buffer.alloc(4);
  end.writeUInt32BE(crc32(body));
  return Buffer.concat([head, body, end]);
}

/** A picture of samples, row by row, packed as its depth asks. @param palette grey levels of an indexed one */
function png(
  rows: readonly (readonly number[])[],
  depth: 1 | 2 | 4 | 8 | 16,
  palette?: readonly number[],
): Buffer {
  const width = rows[0]?.length ?? 0;
  const header = Buffer.alloc(13);
  header.writeUInt32BE(width, 0);
  header.writeUInt32BE(rows.length, 4);
  header.set([depth, palette ? 3 : 0, 0, 0, 0], 8);
  const lines = rows.map((row) => {
    const bits = row.map((sample) => sample.toString(2).padStart(depth, '0')).join('');
    const padded = bits.padEnd(Math.ceil(bits.length / 8) * 8, '0');
    return [0, ...(padded.match(/.{8}/g) ?? []).map((byte) => parseInt(byte, 2))];
  });
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', header),
    ...(palette ? [chunk('PLTE', Buffer.from(palette.flatMap((grey) => [grey, grey, grey])))] : []),
    chunk('IDAT', deflateSync(Buffer.from(lines.flat()))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

describe('a picture', () => {
  it.each([1, 2, 4, 8, 16] as const)('with %i bits a sample is read as it was drawn', async (depth) => {
    const most = 2 ** depth - 1;
    // eleven wide: rows end within a byte
    const rows = Array.from({ length: 5 }, (_, y) =>
      Array.from({ length: 11 }, (_, x) => ((x + y) % 3 === 0 ? 0 : most)),
    );
    const read = await pictureOf(png(rows, depth));
    expect(read.ok && [read.value.width, read.value.height]).toEqual([11, 5]);
    expect(read.ok && [...read.value.data]).toEqual(rows.flat().map((sample) => (sample === 0 ? 0 : 255)));
  });
  it.each([1, 2, 4, 8] as const)('of %i bits with a palette has its colours', async (depth) => {
    const palette = depth === 1 ? [255, 0] : [255, 0, 128];
    const rows = [[0, 1, 0, 1, 1, 0, 0, 1, 1], Array.from({ length: 9 }, () => palette.length - 1)];
    const read = await pictureOf(png(rows, depth, palette));
    expect(read.ok && [...read.value.data]).toEqual(rows.flat().map((index) => palette[index]));
  });
  it('that is damaged is refused in words', async () => {
    const bytes = png([[0, 1, 0, 1]], 1);
    bytes[bytes.length - 20] = (bytes[bytes.length - 20]! + 1) & 0xff;
    const read = await pictureOf(bytes);
    expect(read.ok ? '' : read.error).toContain('the picture cannot be read');
  });
});
