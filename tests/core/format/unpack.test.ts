import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { readPatterns } from '../../../src/core/format/import';
import { damageWords, unpackZip } from '../../../src/core/format/unpack';

const ALL = { isWanted: () => true, most: 1e6 };
const LONG = strToU8('pad,x,y,width,height\n1,-1,0,1,1\n2,1,0,1,1\n'.repeat(1));
const zip = () => zipSync({ 'a.csv': LONG, 'b/é.csv': strToU8('second') }, { level: 6 });

/** Where the list of contents begins. */
const contentsOf = (bytes: Uint8Array) => {
  const view = new DataView(bytes.buffer);
  return view.getUint32(bytes.length - 6, true);
};
const changed = (bytes: Uint8Array, at: number, by = 1) => {
  const copy = bytes.slice();
  copy[at] = (copy[at]! + by) & 0xff;
  return copy;
};

describe('files of a ZIP', () => {
  it('come out as they went in, by the names that they have', () => {
    const read = unpackZip(zip(), ALL);
    expect(read.ok && Object.keys(read.value.files).sort()).toEqual(['a.csv', 'b/é.csv']);
    expect(read.ok && [read.value.files['a.csv'], read.value.damaged]).toEqual([LONG, []]);
  });
  it.each([
    ['checksum', 16],
    ['size', 24],
  ])('whose %s does not hold are told and left out', (_, field) => {
    const bytes = zip();
    const read = unpackZip(changed(bytes, contentsOf(bytes) + field), ALL);
    expect(read.ok && [Object.keys(read.value.files), read.value.damaged]).toEqual([['b/é.csv'], ['a.csv']]);
    expect(read.ok && damageWords(read.value.damaged)).toContain('“a.csv” in it is damaged');
  });
  it('of which a byte was changed are never taken for whole', () => {
    const bytes = zip();
    const end = contentsOf(bytes);
    for (let at = 0; at < end; at += 1) {
      const read = unpackZip(changed(bytes, at, 0x55), ALL);
      if (!read.ok) continue;
      for (const [path, file] of Object.entries(read.value.files))
        expect([path, String(file)]).toEqual([path, String(path === 'a.csv' ? LONG : strToU8('second'))]);
    }
  });
  it('that are too large, or no ZIP, are refused in words', () => {
    const huge = unpackZip(zipSync({ 'a.csv': new Uint8Array(2e6) }), ALL);
    expect(huge.ok ? '' : huge.error).toContain('2 MB, and at most 1 are read');
    for (const bytes of [zip().slice(0, 40), new Uint8Array(5), new Uint8Array(0)]) {
      const none = unpackZip(bytes, ALL);
      expect(none.ok ? '' : none.error).toContain('no whole ZIP file');
    }
  });
  it('are not taken as patterns where one of them is damaged', () => {
    const bytes = zip();
    const whole = readPatterns([{ name: 'lands.zip', bytes }]);
    expect(whole.ok && whole.value.patterns).toHaveLength(1);
    const read = readPatterns([{ name: 'lands.zip', bytes: changed(bytes, contentsOf(bytes) + 16) }]);
    expect(read.ok ? '' : read.error).toContain('lands.zip is not taken: “a.csv” in it is damaged');
  });
});
