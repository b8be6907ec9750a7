import { describe, expect, it } from 'vitest';
import { compile } from '../../../src/core/footprint/compile';
import { isDrawable, type Drawable } from '../../../src/core/footprint/footprint';
import { atOrigin } from '../../../src/core/footprint/origin';
import { artworkFiles } from '../../../src/core/format/artwork/artwork';
import { shownFilms } from '../../../src/core/format/artwork/shown';
import { area } from '../../../src/core/geometry/polygon';
import { readBack } from '../../../src/core/format/artwork/read-back';
import { DEMO_DOCUMENTS } from '../../../src/demo/documents';
import { demo } from '../../data/trials';

const filesOf = (compiled: Drawable) => {
  const footprint = atOrigin(compiled.footprint);
  return { footprint, files: artworkFiles({ ...compiled, footprint }) };
};
const made = (name: string) => {
  const compiled = compile(demo(name));
  if (!isDrawable(compiled)) throw new Error(`${name} is not drawn`);
  return filesOf(compiled);
};
/** What comes of the demo's part once one of its files is changed, by the layer. */
const changed = (name: string, layer: RegExp, change: (text: string) => string) => {
  const { footprint, files } = made(name);
  let count = 0;
  const others = files.map((file) => {
    if (!layer.test(file.name)) return file;
    const content = change(String(file.content));
    if (content !== file.content) count += 1;
    return { ...file, content };
  });
  expect(count).toBe(1);
  return readBack([footprint], others).find(({ file }) => layer.test(file))?.within;
};

describe('films that are read again', () => {
  it('show what the footprint has, to a micrometre', () => {
    for (const document of DEMO_DOCUMENTS) {
      const compiled = compile(document);
      if (!isDrawable(compiled)) continue;
      const { footprint, files } = filesOf(compiled);
      const found = readBack([footprint], files);
      expect(found.length).toBeGreaterThan(2);
      for (const { file, within } of found) expect(within ?? Infinity, file).toBeLessThanOrEqual(0.001);
    }
  });
  it('tell a land that is moved, lost, too much, of another size or taken away', () => {
    const copper = /top-copper/;
    // the first flash, in millionths of a millimetre
    const move = (by: number) => (text: string) =>
      text.replace(/X(-?\d+)(Y-?\d+D03)/, (_, x: string, rest: string) => `X${Number(x) + by}${rest}`);
    expect(changed('U4', copper, move(600))).toBe(0.001);
    expect(changed('U4', copper, move(15_000))).toBe(0.02);
    expect(changed('U4', copper, move(5_000_000))).toBeNull();
    expect(changed('U4', copper, (text) => text.replace(/X-?\d+Y-?\d+D03\*\n/, ''))).toBeNull();
    expect(changed('U4', copper, (text) => text.replace('M02*', 'X0Y0D03*\nM02*'))).toBeNull();
    expect(changed('U4', copper, (text) => text.replace(/(%ADD\d+R,)[\d.]+/, '$11.9'))).toBeNull();
    expect(changed('U4', copper, (text) => text.replace('M02*', '%LPC*%\nX0Y0D03*\nM02*'))).toBe(0.0002);
    // clear over a pad, by paste windows and a legend
    expect(changed('U9', /top-paste/, (text) => text.replace(/X-?\d+Y-?\d+D03\*\n(?=M02)/, ''))).toBeNull();
    expect(changed('U9', /top-legend/, (text) => text.replace(/X-?\d+Y-?\d+D01\*\n/, ''))).toBeNull();
  });
  it('keep the counters of letters free', () => {
    // the ring of U9's nine is 0.76 by 0.5 within its strokes
    const { files } = made('U9');
    const legend = shownFilms(files).find(({ layer }) => layer === 'top-legend');
    expect(legend?.areas.filter((ring) => area(ring) < -0.05).length).toBeGreaterThan(0);
  });
  it('tell a hole that is lost or of another size, and a film that is not there', () => {
    expect(changed('J2', /plated\.xnc/, (text) => text.replace(/\nX[^\n]*Y[^\n]*/, ''))).toBeNull();
    expect(changed('J2', /plated\.xnc/, (text) => text.replace(/(T\d+C)[\d.]+/, '$11.30'))).toBe(0.05);
    const { footprint, files } = made('J2');
    const less = files.filter(({ name }) => !/bottom-mask|xnc/.test(name));
    expect(readBack([footprint], less).filter(({ within }) => within === null)).toMatchObject([
      { file: 'bottom-mask.gbr', things: 10 },
      { file: 'drill files', things: 10 },
    ]);
    // films of the paste alone lack nothing
    const { footprint: own, files: all } = made('U9');
    expect(
      readBack(
        [own],
        all.filter(({ name }) => /paste/.test(name)),
        ['paste'],
      ),
    ).toHaveLength(1);
  });
});
