import { deflateSync } from 'node:zlib';

// Files put together by hand for readers to be tried on.

/**
 * A PDF of objects, the first of which is its root.
 * @param off by how much its table says their places wrong
 */
export function pdfOf(objects: readonly string[], off = 0): Uint8Array {
  let text = '%PDF-1.7\n';
  const places = objects.map((object, i) => {
    const place = text.length;
    text += `${i + 1} 0 obj\n${object}\nendobj\n`;
    return place;
  });
  const table = text.length;
  text += `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n`;
  text += places.map((place) => `${String(place + off).padStart(10, '0')} 00000 n \n`).join('');
  text += `trailer<</Size ${objects.length + 1}/Root 1 0 R>>\nstartxref\n${table}\n%%EOF`;
  return Uint8Array.from(text, (letter) => letter.charCodeAt(0) & 255);
}

/** A part of a PNG by its name; its checksum is true, or is not. */
export function pngChunk(name: string, content: Uint8Array, isTrue = true): Buffer {
  const body = Buffer.concat([Buffer.from(name, 'latin1'), content]);
  const [size, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
  size.writeUInt32BE(content.length);
  sum.writeUInt32BE((crc32(body) ^ (isTrue ? 0 : 1)) >>> 0);
  return Buffer.concat([size, body, sum]);
}

/** The head of a PNG: its size, its bits and its kinds of colour and lacing. */
export function pngHead(width: number, height: number, depth = 8, colour = 0, lace = 0): Buffer {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([depth, colour, 0, 0, lace], 8);
  return pngChunk('IHDR', head);
}

/** A PNG of chunks. */
export const pngOf = (chunks: readonly Buffer[]): Uint8Array =>
  Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    ...chunks,
    pngChunk('IEND', Buffer.alloc(0)),
  ]);

/** Data of a PNG, packed. */
export const pngData = (data: Uint8Array, isTrue = true): Buffer =>
  pngChunk('IDAT', deflateSync(data), isTrue);

function crc32(bytes: Uint8Array): number {
  let sum = 0xffffffff;
  for (const byte of bytes) {
    sum ^= byte;
    for (let i = 0; i < 8; i += 1) sum = sum & 1 ? (sum >>> 1) ^ 0xedb88320 : sum >>> 1;
  }
  return (sum ^ 0xffffffff) >>> 0;
}
