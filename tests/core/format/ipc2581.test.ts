import { describe, expect, it } from 'vitest';
import { compile } from '../../../src/core/footprint/compile';
import { isDrawable } from '../../../src/core/footprint/footprint';
import { ipc2581 } from '../../../src/core/format/ipc2581/ipc2581';
import type { TapisDocument } from '../../../src/core/document/document';
import { familyById } from '../../../src/core/package/families';
import type { FamilyDefinition } from '../../../src/core/package/family';
import { allOf as all, faults, readElements, type Element } from '../../data/ipc2581-structure';
import { VARIANTS, variantsOf } from '../../data/families';

function fileOf(document: TapisDocument): Element {
  const compiled = compile(document);
  if (!isDrawable(compiled)) throw new Error(compiled.problems.map(({ message }) => message).join('; '));
  return readElements(ipc2581.write(compiled) as string);
}

const example = (id: string, rest: Partial<TapisDocument> = {}): TapisDocument => {
  const [first] = variantsOf(familyById(id) as FamilyDefinition);
  if (!first) throw new Error(id);
  return { ...first.document, ...rest };
};

describe('the structure that a strict reader wants', () => {
  it('is kept by every family', () => {
    for (const { name, document } of VARIANTS) expect(faults(fileOf(document)), name).toEqual([]);
  });
  it.each<[string, TapisDocument]>([
    [
      'windows, tented vias and a joint opening',
      example('no-lead-quad', {
        stacks: { groups: { pad: { vias: { on: true, cover: 'tented' } } } },
        overrides: { jointMask: true },
      }),
    ],
    [
      'a slot and a keep-out',
      example('pin-header', {
        stacks: { groups: { pins: { hole: { slot: '2' }, shape: 'oblong', width: '3', height: '2' } } },
        keepOuts: [{ id: '1', x: '0', y: '0', what: 'copper', diameter: '2', why: 'a <screw>' }],
      }),
    ],
    ['names that XML minds', example('dip', { name: 'U1 <&"', overrides: { numbers: { 'pins/1': '<1>' } } })],
  ])('is kept with %s', (_, document) => expect(faults(fileOf(document))).toEqual([]));
  it('is missed by what does not keep it', () => {
    const broken = '<IPC-2581 revision="C" xmlns="x"><Ecad name="e"/><Content roleRef="Nobody"/></IPC-2581>';
    expect(faults(readElements(broken))).toEqual(
      expect.arrayContaining([
        '/IPC-2581 lacks LogisticHeader',
        '/IPC-2581/Content@roleRef refers to Nobody',
      ]),
    );
  });
});

describe('what a file says', () => {
  it('conductors in the order of the board, drills with their span', () => {
    const file = fileOf(example('pin-header'));
    const layers = all(file, 'Layer').map(({ attributes: { name } }) => name);
    expect(layers.filter((name) => ['TOP', 'INNER', 'BOTTOM'].includes(name ?? ''))).toEqual([
      'TOP',
      'INNER',
      'BOTTOM',
    ]);
    expect(all(file, 'Span')[0]?.attributes).toEqual({ fromLayer: 'TOP', toLayer: 'BOTTOM' });
    // mask 0.02, copper 0.035 and laminate 1.6 on both sides, copper within
    expect(all(file, 'Stackup')[0]?.attributes['overallThickness']).toBe('1.745');
  });
  it('the hole first, one a padstack; vias as padstacks of their own', () => {
    const file = fileOf(
      example('no-lead-quad', { stacks: { groups: { pad: { vias: { on: true, columns: 2, rows: 2 } } } } }),
    );
    const [via] = all(file, 'PadStackDef').filter(({ attributes: { name = '' } }) => name.startsWith('via_'));
    expect(via?.children.map(({ name }) => name)).toEqual([
      'PadstackHoleDef',
      'PadstackPadDef',
      'PadstackPadDef',
      'PadstackPadDef',
    ]);
    const pads = all(file, 'LandPattern')[0]?.children ?? [];
    const placed = pads.filter(({ attributes }) => attributes['padstackDefRef'] === via?.attributes['name']);
    expect(placed.map(({ children }) => children.at(-1)?.attributes['pin'])).toEqual([
      '33',
      '33',
      '33',
      '33',
    ]);
  });
  it('several windows as one set of contours', () => {
    const file = fileOf(example('no-lead-quad'));
    const paste = all(file, 'PadstackPadDef').find(
      ({ attributes, children }) =>
        attributes['layerRef'] === 'TOP_PASTE' && children.some(({ name }) => name === 'UserPrimitiveRef'),
    );
    const id = paste?.children.at(-1)?.attributes['id'];
    const entry = all(file, 'EntryUser').find(({ attributes }) => attributes['id'] === id);
    const { footprint } = compile(example('no-lead-quad'));
    const pad = footprint?.padstacks.find(({ kind }) => kind === 'thermal');
    expect(entry && all(entry, 'Contour')).toHaveLength(pad?.paste.length ?? NaN);
  });
  it('mask left over tented vias as cut-outs', () => {
    const file = fileOf(
      example('no-lead-quad', {
        stacks: { groups: { pad: { vias: { on: true, cover: 'tented', columns: 2, rows: 2 } } } },
      }),
    );
    expect(all(file, 'Cutout')).toHaveLength(4);
  });
  it('holes without copper in the land pattern', () => {
    const file = fileOf(example('mounting-hole'));
    const [pad] = all(file, 'LandPattern')[0]?.children ?? [];
    expect(pad?.attributes['padstackDefRef']).toBe('bore_2_7_2_8');
    expect(all(file, 'PadstackHoleDef')[0]?.attributes).toMatchObject({
      diameter: '2.7',
      platingStatus: 'NONPLATED',
    });
    expect(all(file, 'LayerFeature').some(({ attributes }) => attributes['layerRef'] === 'KEEP_OUT')).toBe(
      true,
    );
  });
  it('reliefs as outlines that leave the spokes', () => {
    const file = fileOf(example('pin-header'));
    const thermal = all(file, 'PadstackPadDef').find(({ attributes }) => attributes['padUse'] === 'THERMAL');
    const id = thermal?.children.at(-1)?.attributes['id'];
    // four spokes part the gap into four
    expect(
      all(all(file, 'EntryUser').find(({ attributes }) => attributes['id'] === id) as Element, 'Contour'),
    ).toHaveLength(4);
  });
  it('texts as strokes, one pin a number, and where pin 1 stands', () => {
    const file = fileOf(
      example('small-transistor-wide', {
        package: variantsOf(familyById('small-transistor-wide') as FamilyDefinition).find(({ name }) =>
          name.includes('lug, 4.5'),
        )!.document.package,
      }),
    );
    expect(all(file, 'Pin').map(({ attributes }) => attributes['number'])).toEqual(['1', '2', '3']);
    expect(all(file, 'LandPattern')[0]?.children).toHaveLength(4);
    expect(all(file, 'Package')[0]?.attributes).toMatchObject({
      type: 'SOT89',
      pinOne: '1',
      pinOneOrientation: 'UPPER_LEFT',
    });
    const chip = fileOf(example('rectangular-chip'));
    expect(all(chip, 'Package')[0]?.attributes['pinOneOrientation']).toBe('LEFT');
    expect(all(chip, 'UserSpecial').flatMap((set) => all(set, 'Polyline')).length).toBeGreaterThan(10);
    expect(all(chip, 'Text')).toEqual([]);
  });
  it('is the same whenever it is written', () => {
    const [a, b] = [fileOf(example('dip')), fileOf(example('dip'))];
    expect(a).toEqual(b);
  });
});
