import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import type { TapisDocument } from '../../../src/core/document/document';
import { applyEdits, valueAt } from '../../../src/core/document/edit';
import { CHOICES, type StackIntent } from '../../../src/core/document/intent';
import { isRequired } from '../../../src/core/document/read-fields';
import { compile } from '../../../src/core/footprint/compile';
import type { Land } from '../../../src/core/footprint/footprint';
import { openDocument } from '../../../src/core/footprint/open';
import { sizeOf } from '../../../src/core/geometry/figure';
import { FORMATS } from '../../../src/core/format';
import { writeFile } from '../../../src/core/format/format';
import { chip, converter } from '../../data/documents';
import { footprintOf, VARIANTS } from '../../data/families';

const example = (name: string) => VARIANTS.find((variant) => variant.name === name)!.document;
const dip = example('dip');
const withDimensions = (document: TapisDocument, dimensions: Record<string, string>): TapisDocument => ({
  ...document,
  package: { ...document.package, dimensions: { ...document.package.dimensions, ...dimensions } },
});
const forked = (document: TapisDocument, land: string, intent: StackIntent): TapisDocument => ({
  ...document,
  stacks: { ...document.stacks, lands: { [land]: intent } },
});
const found = (document: TapisDocument, rule: string) =>
  check(compile(document)).findings.filter((finding) => finding.rule === rule);
const land = (document: TapisDocument, number: string): Land => {
  const one = footprintOf(document).lands.find((l) => l.number === number);
  if (!one) throw new Error(`no land ${number}`);
  return one;
};
const ipc2581 = async (document: TapisDocument) => {
  const compiled = compile(document);
  if (!compiled.footprint) throw new Error('no footprint');
  const format = FORMATS.find(({ id }) => id === 'ipc2581')!;
  const { content } = await writeFile(format, { ...compiled, footprint: compiled.footprint });
  return String(content);
};

describe('a choice for a single land', () => {
  const quad = (n: string) => withDimensions(example('no-lead-quad'), { n });
  const chosen = (document: TapisDocument) =>
    footprintOf(document)
      .lands.filter(({ copper }) => copper.figure.kind === 'oblong')
      .map(({ group }) => group);
  it('stays with its land when the count of terminals changes', () => {
    const of = (n: string) => forked(quad(n), 'pad/1', { shape: 'oblong', width: '3', height: '2' });
    expect(land(of('32'), '33').group).toBe('pad');
    // the pad is land 33 of 32 terminals and land 37 of 36
    expect(chosen(of('32'))).toEqual(['pad']);
    expect(chosen(of('36'))).toEqual(['pad']);
    expect(land(of('36'), '37').copper.figure.kind).toBe('oblong');
  });
  it('is told where the part has no such land, and kept', () => {
    const document = forked(quad('32'), 'rows/99', { shape: 'oblong' });
    expect(
      check(compile(document))
        .findings.map(({ message }) => message)
        .join(),
    ).toContain('rows/99');
    expect(openDocument(JSON.stringify(document)).ok).toBe(true);
  });
  it('of every land is known by a name of its own, in every variant of every family', () => {
    for (const { name, document } of VARIANTS) {
      const ids = footprintOf(document).lands.map(({ id }) => id);
      expect(new Set(ids).size, name).toBe(ids.length);
    }
  });
});

describe('rules look at every land', () => {
  it('a lead against its own hole', () => {
    expect(found(dip, 'hole-fit')).toEqual([]);
    const [finding] = found(forked(dip, 'pins/5', { hole: { diameter: '0.3' } }), 'hole-fit');
    expect(finding).toMatchObject({ severity: 'stop', place: { lands: ['pins/5'] } });
  });
  it('a joint against its own land', () => {
    expect(found(converter(), 'joint-margin')).toEqual([]);
    const [finding] = found(forked(converter(), 'rows/5', { height: '0.1' }), 'joint-margin');
    expect(finding?.place.lands).toEqual(['rows/5']);
  });
  it('the ring by its true distance, wherever the land lies about its hole', () => {
    const first = land(dip, '2');
    const moved = (by: string) => forked(dip, 'pins/3', { shape: 'round', offsetX: by, offsetY: by });
    expect(found(moved('0.02'), 'annular-ring')).toEqual([]);
    const [finding] = found(moved('0.2'), 'annular-ring');
    // what a round land leaves of its ring when it lies 0.2/0.2 off its hole
    const ring = (sizeOf(first.copper.figure).width - sizeOf(first.hole!.figure).width) / 2;
    expect(finding?.measured?.value).toBeCloseTo(ring - Math.hypot(0.2, 0.2), 3);
  });
});

describe('an oblong shape for the pins of a DIP', () => {
  const oblong: TapisDocument = {
    ...dip,
    stacks: { groups: { pins: { shape: 'oblong', width: '2.3', height: '1.5' } } },
  };
  it('is the same for all but land 1, which stays square', () => {
    const { lands } = footprintOf(oblong);
    const sizes = lands.map(({ copper }) => sizeOf(copper.figure));
    expect(new Set(sizes.map(({ width, height }) => `${width} × ${height}`))).toEqual(new Set(['2.3 × 1.5']));
    expect(lands.map(({ copper }) => copper.figure.kind)).toEqual([
      'rectangle',
      ...lands.slice(1).map(() => 'oblong'),
    ]);
  });
  it('leaves land 1 as it is told', () => {
    const same = footprintOf({ ...oblong, overrides: { pin1Land: 'same' } });
    expect(new Set(same.lands.map(({ copper }) => copper.figure.kind))).toEqual(new Set(['oblong']));
  });
  it('of equal sides is round', () => {
    const round = {
      ...dip,
      stacks: { groups: { pins: { shape: 'oblong' as const, width: '1.5', height: '1.5' } } },
    };
    expect(
      footprintOf(round)
        .padstacks.map(({ name }) => name)
        .find((name) => name.startsWith('b')),
    ).toBeUndefined();
    expect(land(round, '2').copper.figure).toEqual({ kind: 'round', diameter: 1.5 });
  });
});

describe('number 1', () => {
  const reversed = converter({}, { numbering: { corner: 'lower-right' } });
  it('is looked for by number in IPC-2581, whichever land comes first', async () => {
    const [first, one] = [footprintOf(reversed).lands[0]!, land(reversed, '1')];
    expect(first.number).not.toBe('1');
    const text = await ipc2581(reversed);
    expect(/pinOne="1"/.test(text)).toBe(true);
    expect(one.at).toMatchObject({ x: expect.closeTo(2.9, 6), y: expect.closeTo(-2.275, 6) });
    expect(/pinOneOrientation="([A-Z_]+)"/.exec(text)?.[1]).toBe('LOWER_RIGHT');
  });
  it('is what the pin-1 mark has to lie beside', () => {
    const { legend } = footprintOf(reversed);
    const [apex] = legend.pin1 ?? [];
    expect(apex?.x).toBeGreaterThan(2);
    expect(found(reversed, 'pin1-mark')).toEqual([]);
  });
  it('is where it was when the part’s pick-up place moves with the origin', async () => {
    const place = async (document: TapisDocument) =>
      /<PickupPoint x="(\S+)" y="(\S+)"/
        .exec(await ipc2581(document))
        ?.slice(1)
        .map(Number);
    expect(await place(converter())).toEqual([0, 0]);
    // the body’s middle as land 1 sees it
    expect(await place(converter({}, { origin: { at: 'pin-1' } }))).toEqual([2.9, -2.275]);
  });
});

describe('a keep-out', () => {
  const document = chip(
    {},
    {
      keepOuts: [
        { id: '1', x: '0', y: '0', diameter: '0.1', what: 'vias' },
        { id: '2', x: 'here', y: '0', diameter: '1', what: 'copper' },
      ],
    },
  );
  const finding = check(compile(document)).findings.find(({ rule }) => rule === 'entry');
  it('that cannot be read says which it is and is mended by its remedy, the list stays one', () => {
    expect(finding).toMatchObject({ place: { field: '/keepOuts/2/x' } });
    const mended = applyEdits(document, finding?.remedies[0]?.edits ?? []);
    expect(Array.isArray(mended.keepOuts)).toBe(true);
    expect(check(compile(mended)).findings.filter(({ rule }) => rule === 'entry')).toEqual([]);
    expect(openDocument(JSON.stringify(mended)).ok).toBe(true);
  });
  it('without a size or place keeps nothing free and says so', () => {
    const areas = [
      { id: '1', x: '', y: '0', diameter: '1', what: 'copper' as const },
      { id: '2', x: '0', y: '0', width: '1', what: 'copper' as const },
      { id: '3', x: '9', y: '0', width: '40mil', height: '1', what: 'copper' as const },
    ];
    const unfinished = chip({}, { keepOuts: areas });
    expect(openDocument(JSON.stringify(unfinished)).ok).toBe(true);
    expect(found(unfinished, 'entry').map(({ title, message }) => `${title}: ${message}`)).toEqual([
      'Keep-out 1 is not finished: It needs x; until then it keeps nothing free.',
      'Keep-out 2 is not finished: It needs a diameter, or width and height; until then it keeps nothing free.',
    ]);
    expect(footprintOf(unfinished).keepOuts.map(({ id, area }) => [id, area.figure])).toEqual([
      ['3', { kind: 'rectangle', width: 1.016, height: 1 }],
    ]);
  });
  it('of other parts does not stop its own part, one of everything does', () => {
    const round = (what: 'components' | 'everything') =>
      chip({}, { keepOuts: [{ id: '1', x: '0', y: '0', diameter: '6', what }] });
    expect(found(round('components'), 'keep-out')).toEqual([]);
    expect(
      found(round('everything'), 'keep-out').map(({ message }) => message.split(' ').slice(0, 2)),
    ).toEqual([
      ['Land', '1'],
      ['The', 'body'],
    ]);
  });
  it('of the package can be changed, given back and taken away', () => {
    const hole = (keepOuts: NonNullable<TapisDocument['keepOuts']>) =>
      footprintOf({ ...example('mounting-hole'), keepOuts }).keepOuts;
    const [own] = hole([]);
    expect(own).toMatchObject({ what: 'components', side: 'component', why: 'screw head and its clearance' });
    const change = { id: 'package-1', x: '0', y: '0' };
    const wider = hole([{ ...change, diameter: '300mil', what: 'everything', side: 'both' }]);
    expect(wider).toMatchObject([
      {
        area: { figure: { kind: 'round', diameter: 7.62 } },
        what: 'everything',
        side: 'both',
        why: own?.why,
      },
    ]);
    // its size stays the package's where none is given
    expect(hole([{ ...change, what: 'copper' }])[0]?.area).toEqual(own?.area);
    expect(hole([{ ...change, what: 'nothing' }])).toEqual([]);
    // a change of an area that the package does not have changes nothing, and is told
    const stray = { ...change, id: 'package-9', what: 'nothing' as const };
    expect(hole([stray])).toEqual([own]);
    const document = { ...example('mounting-hole'), keepOuts: [stray] };
    const [told] = found(document, 'entry');
    expect(told).toMatchObject({ severity: 'note', place: { field: '/keepOuts/package-9' } });
    expect(applyEdits(document, told?.remedies[0]?.edits ?? []).keepOuts ?? []).toEqual([]);
  });
  it('has a place that can be emptied and not removed, so that its file can be read', () => {
    expect(isRequired(CHOICES, '/keepOuts/1/x')).toBe(true);
    expect(isRequired(CHOICES, '/keepOuts/1/diameter')).toBe(false);
    expect(isRequired(CHOICES, '/marks/excess')).toBe(false);
    const removed = applyEdits(document, [{ at: '/keepOuts/1/x', value: undefined }]);
    expect(openDocument(JSON.stringify(removed)).ok).toBe(false);
  });
  it('is edited by its id, and is gone with its last field', () => {
    const at = (edits: Parameters<typeof applyEdits>[1]) => applyEdits(document, edits).keepOuts;
    expect(at([{ at: '/keepOuts/1/x', value: '3' }])?.[0]).toMatchObject({ id: '1', x: '3' });
    expect(at([{ at: '/keepOuts/1', value: undefined }])?.map(({ id }) => id)).toEqual(['2']);
    expect(valueAt(document, '/keepOuts/2/what')).toBe('copper');
  });
});

describe('leads below the board', () => {
  it('are measured at the leads, not at the lowest solid', () => {
    const { body } = footprintOf(example('screw-terminal'));
    const lowest = (name: RegExp) => body.assembly.parts.filter((part) => name.test(part.name)).length;
    expect(lowest(/pin/)).toBeGreaterThan(0);
    expect(body.protrusion).not.toBeNull();
    // a screw’s shank reaches 4 mm below its head and is no lead
    expect(footprintOf(example('mounting-hole')).body.protrusion).toBeNull();
  });
});
