import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import type { TapisDocument } from '../../../src/core/document/document';
import type { PieceIntent } from '../../../src/core/document/pieces';
import { readDocument } from '../../../src/core/document/read';
import { compile } from '../../../src/core/footprint/compile';
import type { Drawable, Footprint, Land } from '../../../src/core/footprint/footprint';
import { FORMATS } from '../../../src/core/format';
import { gripOf, pieceAtPoint, shiftedText } from '../../../src/core/package/composed/move';
import { apartFrom } from '../../../src/core/package/composed/take-apart';
import { quantise } from '../../../src/core/units/length';
import { brokenPieces, composed, soundPieces, STAGGERED } from '../../data/compositions';
import { cases } from '../../data/depth';
import { footprintOf, SOME_VARIANTS } from '../../data/families';

const rounded = (value: unknown): unknown =>
  JSON.parse(JSON.stringify(value, (_, v: unknown) => (typeof v === 'number' ? quantise(v) + 0 : v)));

/** Everything of a land that a file says of it, whatever it is known by. */
const said = ({ number, at, rotation, copper, mask, paste, hole, plated, contact, vias, padstack }: Land) =>
  rounded({ number, at, rotation, copper, mask, paste, hole, plated, contact, vias, stack: padstack.name });

const table = ({ lands }: Footprint) => lands.map(({ number, at }) => [number, at.x, at.y]);
const piece = (id: string, more: Omit<PieceIntent, 'id'>): PieceIntent => ({ id, ...more });
const messages = (document: TapisDocument) => compile(document).problems.map(({ message }) => message);
const ROW = { what: 'land', length: '1', width: '0.5', as: 'row', n: '4', step: '1.27' } as const;

describe('a connector from its drawing', () => {
  const footprint = footprintOf(composed(STAGGERED, { p: '1.9', n: '5' }, { naming: 'CONN{n}P{p}' }));

  it('has its lands where they were worked out by hand', () => {
    // from the left peg: odd pins 9.4, 7.5, 5.6, 3.7, 1.8 right and 5.8 below; even ones half a step further,
    // 2.54 lower; pads with their left edges 2.4 right and their lower ones 3.1 above; tabs 7.1 ± 9
    expect(table(footprint)).toEqual([
      ['1', 9.4, -5.8],
      ['2', 8.45, -8.34],
      ['3', 7.5, -5.8],
      ['4', 6.55, -8.34],
      ['5', 5.6, -5.8],
      ['6', 4.65, -8.34],
      ['7', 3.7, -5.8],
      ['8', 2.75, -8.34],
      ['9', 1.8, -5.8],
      ['10', 0.85, -8.34],
      ['11', 3, 4.1],
      ['12', 4.5, 4.1],
      ['13', 7.7, 4.1],
      ['SH', -1.9, -1.3],
      ['SH', 16.1, -1.3],
    ]);
    expect(footprint.bores.map(({ at }) => at)).toEqual([
      { x: 0, y: 0 },
      { x: 14.2, y: 0 },
    ]);
    expect(footprint.standardName).toBe('CONN5P190N');
  });

  it('reckons with what its chains of dimensions may be off by', () => {
    // ±0.1 right of the left peg and ±0.1 below it: a range of 0.2 either way
    const odd = footprint.groups.find(({ terminals }) => terminals.id === 'odd')!;
    expect(odd.terminals.position).toEqual({ x: 0.2, y: 0.2, worst: 0.2 });
    // lead 0.65 and 0.20: 0.85; pads and body bring no hole
    expect(odd.kind === 'pin' && odd.hole).toBe(0.85);
    // the peg of 1.55 at most, 0.10 of play, and ±0.05: 1.75 up to the next 0.05
    expect(footprint.bores.map(({ diameter }) => diameter)).toEqual([1.65, 1.75]);
  });

  it('follows when the step changes', () => {
    const wider = footprintOf(composed(STAGGERED, { p: '2.0', n: '6' }, { naming: 'CONN{n}P{p}' }));
    expect(table(wider).slice(0, 3)).toEqual([
      ['1', 9.4, -5.8],
      ['2', 8.4, -8.34],
      ['3', 7.4, -5.8],
    ]);
    expect(wider.lands).toHaveLength(17);
    expect(wider.standardName).toBe('CONN6P200N');
  });

  it('is checked with nothing to stop it, and its shield may have one number', () => {
    const { findings } = check(compile(composed(STAGGERED, { p: '1.9', n: '5' })));
    expect(findings.filter(({ severity }) => severity === 'stop')).toEqual([]);
  });

  it('comes back from its file', () => {
    const document = composed(STAGGERED, { p: '1.9', n: '5' }, { naming: 'CONN{n}P{p}' });
    const read = readDocument(JSON.stringify(document), () => []);
    expect(read).toEqual({ ok: true, value: document });
  });
});

describe('chains of toleranced lengths', () => {
  it('add up along the way, as the root of the sum of squares, and along the row', () => {
    const pieces = [
      piece('a', { what: 'land', length: '1', width: '1', x: '10±0.3' }),
      piece('b', { ...ROW, n: '3', step: '2±0.1', x: '5±0.4', xFrom: { of: 'a' }, xMine: { at: 'first' } }),
    ];
    const { groups } = footprintOf(composed(pieces));
    // 0.3, 0.4, and two steps of 0.1 each: √(0.09 + 0.16 + 0.02), both ways
    expect(groups[1]!.terminals.position!.x).toBeCloseTo(2 * Math.sqrt(0.27), 6);
  });

  it('count from the middle of a ring, and between two rows', () => {
    const position = (more: Omit<PieceIntent, 'id' | 'what'>) =>
      footprintOf(composed([piece('a', { what: 'pin', diameter: '0.6', ...more })])).groups[0]!.terminals
        .position;
    // ±0.2 of a diameter are ±0.1 of a radius
    expect(position({ as: 'ring', n: '4', ring: '10±0.2' })).toMatchObject({ worst: 0.2 });
    // ±0.2 between two rows are ±0.1 from their middle
    const rows = { as: 'facing', n: '1', apart: '10±0.2', given: 'centre' } as const;
    expect(position(rows)).toMatchObject({ y: 0, worst: 0.2 });
    // ±0.1 a step, two steps from the middle of five
    expect(position({ as: 'row', n: '5', step: '2±0.1' })).toMatchObject({
      x: quantise(2 * Math.sqrt(0.02)),
      worst: 0.4,
    });
  });

  it('enter the land of a terminal that stands alone', () => {
    // flat lead, level B: toe 0.20, heel 0.00, side 0.00; F 0.10, P 0.05; place ±0.10 along
    const lone = { what: 'terminal', form: 'flat-lead', length: '0.7..0.9', width: '0.45..0.55' } as const;
    const [firm] = footprintOf(composed([piece('a', { ...lone, toe: 'right', x: '3' })])).groups;
    const [loose] = footprintOf(composed([piece('a', { ...lone, toe: 'right', x: '3±0.1' })])).groups;
    // outwards 0.35 + 0.20 + √(0.2² + 0.1² + 0.05²)/2, inwards 0.35 + √(…)/2
    expect(firm!.kind === 'span' && firm!.computed.Y).toBeCloseTo(0.9 + Math.hypot(0.2, 0.1, 0.05), 6);
    expect(loose!.kind === 'span' && loose!.computed.Y).toBeCloseTo(0.9 + Math.hypot(0.2, 0.1, 0.05, 0.2), 6);
  });

  it('give a pin the hole that it needs where its place is loose', () => {
    const hole = (x: string) =>
      footprintOf(composed([piece('a', { what: 'pin', diameter: '0.6', x })])).lands[0]!.hole;
    expect(hole('3')!.figure).toEqual({ kind: 'round', diameter: 0.8 });
    expect(hole('3±0.25')!.figure).toEqual({ kind: 'round', diameter: 1.1 });
  });
});

describe('rules of chains', () => {
  const found = (rule: string, ...pieces: PieceIntent[]) =>
    check(compile(composed(pieces)))
      .findings.filter((finding) => finding.rule === rule)
      .map(({ severity, measured }) => [severity, quantise(measured!.value), quantise(measured!.limit)]);

  it('want a hole for a peg wherever it may be', () => {
    const peg = (hole: string) => piece('a', { what: 'peg', diameter: '1.5±0.05', hole, x: '3±0.1' });
    const land = piece('b', { what: 'land', length: '1', width: '1' });
    expect(found('peg-fit', peg('1.5'), land)).toEqual([['stop', -0.05, 0.2]]);
    expect(found('peg-fit', peg('1.7'), land)).toEqual([['caution', 0.15, 0.2]]);
    expect(found('peg-fit', peg('1.75'), land)).toEqual([]);
  });

  it('tell of a long row whose steps add up to more than its holes leave', () => {
    const row = (step: string) => piece('a', { what: 'pin', diameter: '0.6', as: 'row', n: '11', step });
    // five steps of ±0.05 either way from the middle: 0.5; the hole of 0.85 leaves 0.25
    expect(found('place-drift', row('2±0.05'))).toEqual([['note', 0.25, 0.5]]);
    expect(found('place-drift', row('2'))).toEqual([]);
  });
});

describe('what is said of one piece', () => {
  it('is measured from edge to edge', () => {
    const pieces = [
      piece('a', { what: 'land', length: '2', width: '1' }),
      piece('b', {
        what: 'land',
        length: '3',
        width: '1',
        x: '0.5',
        xFrom: { of: 'a', at: 'first', edge: 'high' },
        xMine: { at: 'first', edge: 'low' },
      }),
    ];
    // 1 to the edge, 0.5 between, 1.5 to the middle
    expect(table(footprintOf(composed(pieces)))[1]).toEqual(['2', 3, 0]);
  });

  it('may differ at single places, and places may be left out without moving others', () => {
    const pieces = [piece('a', { ...ROW, omit: '2', differ: { '1': { length: '2' } } })];
    const { lands } = footprintOf(composed(pieces));
    expect(lands.map(({ id, at }) => [id, at.x])).toEqual([
      ['a/1', -1.905],
      ['a.2/3', 0.635],
      ['a.2/4', 1.905],
    ]);
    expect(lands.map(({ copper }) => quantise(copper.maxX - copper.minX))).toEqual([2, 1, 1]);
  });

  it.each([
    [{ from: '1', by: '2' }, '1 3 5 7'],
    [{ from: 'A1' }, 'A1 A2 A3 A4'],
    [{ from: 'A' }, 'A B C D'],
    [{ backwards: true }, '4 3 2 1'],
    [{ list: '1 3 2 7' }, '1 3 2 7'],
    [{ shared: 'SH' }, 'SH SH SH SH'],
    [{ none: true }, '   '],
  ] as const)('is numbered as %j', (numbers, expected) => {
    const { lands } = footprintOf(composed([piece('a', { ...ROW, numbers })]));
    expect(
      [...lands]
        .sort((a, b) => a.at.x - b.at.x)
        .map(({ number }) => number)
        .join(' '),
    ).toBe(expected);
  });

  it('may be a slot without copper or a cut-out, which are milled and in the files', async () => {
    const pieces = [
      piece('a', { what: 'hole', hole: '1', slot: '3', angle: '90' }),
      piece('b', { what: 'cut-out', shape: 'rounded', radius: '0.5', length: '6', width: '4', x: '8' }),
      piece('c', { what: 'land', length: '1', width: '1', x: '4' }),
    ];
    const compiled = compile(composed(pieces)) as Drawable;
    const boxes = compiled.footprint.bores.map(({ hole: { minX, minY, maxX, maxY } }) => [
      minX,
      minY,
      maxX,
      maxY,
    ]);
    expect(boxes).toEqual([
      [-0.5, -1.5, 0.5, 1.5],
      [5, -2, 11, 2],
    ]);
    const written = async (id: string) =>
      String(await FORMATS.find((format) => format.id === id)!.write(compiled));
    expect((await written('ipc2581')).match(/<SlotCavity/g)).toHaveLength(2);
    expect(await written('csv')).toContain('1.000,3.000,non-plated,oblong,hole');
    // the land's edge is 0.5 from the cut-out's
    const near = check(
      compile(
        composed([...pieces.slice(0, 2), piece('c', { what: 'land', length: '1.8', width: '1', x: '4' })]),
      ),
    );
    expect(near.findings.some(({ rule }) => rule === 'hole-to-land')).toBe(true);
  });

  it('tells of places that it does not have, and of lists that do not fit', () => {
    expect(messages(composed([piece('a', { ...ROW, omit: '2 9' })]))).toEqual([
      'It leaves out 9, which is none of its 4 places.',
    ]);
    expect(messages(composed([piece('a', { ...ROW, differ: { '7': { length: '2' } } })]))).toHaveLength(1);
    const listed = composed([piece('a', { ...ROW, numbers: { list: '1 2 3' } })]);
    expect(messages(listed)).toEqual([
      'Its list has 3 numbers for 4 places; write - for a place without one.',
    ]);
    expect(messages(composed([piece('a', { ...ROW, numbers: { list: '1 2 3 -' } })]))).toEqual([]);
  });

  it('asks terminals with a toe for both sizes, and takes heights of a turned body from its profile', () => {
    const round = { what: 'terminal', form: 'gull-wing', shape: 'round', diameter: '1' } as const;
    expect(messages(composed([piece('a', round)]))).toEqual(['a needs a length and a width.']);
    const turned = piece('b', { what: 'body', shape: 'turned', profile: '0,0.2 3,0.2 3,2 1,4 0,4' });
    const { extent } = footprintOf(composed([piece('a', ROW), turned])).body;
    expect([extent.x.nom, extent.standoff.nom, extent.height.nom]).toEqual([6, 0.2, 4]);
    const cut = piece('b', { what: 'body', shape: 'outline', contour: '0,0 4,0 4,2 0,6', top: '2' });
    const { extent: outlined } = footprintOf(composed([piece('a', ROW), cut])).body;
    expect([outlined.centre, outlined.outline?.length]).toEqual([{ x: 2, y: 3 }, 4]);
  });

  it('names what goes round in a circle, what is not there, and what it needs', () => {
    const land = { what: 'land', length: '1', width: '1' } as const;
    const circle = [
      piece('a', { ...land, name: 'first', xFrom: { of: 'b' } }),
      piece('b', { ...land, name: 'second', xFrom: { of: 'a' } }),
    ];
    expect(messages(composed(circle))).toEqual([
      'It goes round in a circle: first → second → first. Place one of them from the origin.',
    ]);
    expect(messages(composed([piece('a', { ...land, xFrom: { of: 'z' } }), piece('b', land)]))).toEqual([
      'There is no piece “z”; there are b.',
    ]);
    expect(messages(composed([piece('a', { what: 'land', length: '1' })]))).toEqual([
      'a needs a length and a width.',
    ]);
    const unread = messages(composed([piece('a', { ...ROW, step: 'q' })]));
    expect(unread).toHaveLength(1);
    expect(unread[0]).toContain('q');
    expect(messages(composed([]))).toHaveLength(1);
    const many = ['1', '2', '3'].map((id) =>
      piece(id, { ...ROW, as: 'array', n: '60', rows: '60', stepY: '1' }),
    );
    expect(messages(composed(many))).toEqual(['With 3 the part has 10800 places; at most 10000 are drawn.']);
  });
});

describe('a piece that is moved', () => {
  const land = { what: 'land', length: '1', width: '1' } as const;
  const document = composed([
    piece('a', { ...land, name: 'first' }),
    piece('b', { ...land, x: '3.02±0.1', xFrom: { of: 'a' }, y: '1' }),
    piece('c', { ...land, x: '2', xFrom: { of: 'b' }, y: '1' }),
  ]);

  it('changes its two lengths alone, keeps their tolerance, and says what is near', () => {
    const grip = gripOf(document, 'b')!;
    expect(grip.edits({ x: 0.5, y: -0.25 })).toEqual([
      { at: '/package/pieces/b/x', value: '3.52±0.1' },
      { at: '/package/pieces/b/y', value: '0.75' },
    ]);
    expect(grip.neighbours({ x: 0, y: -0.5 })).toEqual([{ side: 'left', name: 'first', gap: 2.02 }]);
  });

  it('goes by steps, and against what does not hang on it', () => {
    const grip = gripOf(document, 'b')!;
    expect(grip.settle({ x: 0.52, y: 0.52 }, 0.1, 0.01)).toEqual({ x: 0.5, y: 0.5 });
    // its left edge would meet the right one of the first, its middle that of the first
    expect(grip.settle({ x: -2, y: -0.97 }, 0.1, 0.05)).toEqual({ x: -2.02, y: -1 });
  });

  it.each([
    ['9.4±0.1', 'mm', 0.5, '9.9±0.1'],
    ['-5.8', 'mm', -0.2, '-6'],
    ['100', 'mil', 0.254, '110'],
    ['1,27', 'mm', 0.01, '1.28'],
    ['3 mm', 'mil', 1, '4 mm'],
  ] as const)('%s in %s goes on by %d', (text, unit, by, expected) =>
    expect(shiftedText(text, null, by, unit)).toBe(expected),
  );

  it('is found where it lies, blocks of the body last', () => {
    const all = composed([
      ...document.package.pieces!,
      piece('body', { what: 'body', length: '20', width: '20', top: '1' }),
    ]);
    expect(pieceAtPoint(all, { x: 3, y: 1 }, null)).toBe('b');
    expect(pieceAtPoint(all, { x: -8, y: 8 }, null)).toBeNull();
    expect(pieceAtPoint(all, { x: -8, y: 8 }, 'body')).toBe('body');
  });
});

describe('laws of composition', () => {
  const copper = (pieces: readonly PieceIntent[]) =>
    footprintOf(composed(pieces)).lands.map(({ copper: c, at }) => rounded([at, c]));

  it('an array is its rows', () => {
    const array = [piece('a', { ...ROW, as: 'array', rows: '3', stepY: '2' })];
    const rows = ['2', '0', '-2'].map((y, i) => piece(`r${i}`, { ...ROW, y }));
    expect(copper(array)).toEqual(copper(rows));
  });

  it('mirrored twice is as it was', () => {
    const pads = {
      ...ROW,
      shape: 'chamfered',
      chamfer: '0.2',
      corners: ['lower-left'],
      x: '3',
      y: '1',
      angle: '90',
    } as const;
    const pieces = [
      piece('a', pads),
      piece('b', { what: 'land', as: 'mirror', of: 'a', across: 'left-right' }),
      piece('c', { what: 'land', as: 'mirror', of: 'b', across: 'left-right' }),
    ];
    const all = copper(pieces);
    expect(all.slice(8)).toEqual(all.slice(0, 4));
    expect(all.slice(4, 8)).not.toEqual(all.slice(0, 4));
  });

  it('facing rows that are mirrored or repeated have the lands of those that they follow', () => {
    const rows = {
      what: 'terminal',
      form: 'gull-wing',
      length: '0.5..0.7',
      width: '0.25..0.35',
      as: 'facing',
      n: '3',
      step: '0.8',
      apart: '6±0.2',
      between: '3.8..4',
    } as const;
    const pieces = [
      piece('a', { ...rows, x: '10', angle: '30' }),
      piece('b', { what: 'terminal', as: 'mirror', of: 'a' }),
      piece('c', { what: 'terminal', as: 'repeat', of: 'a', x: '-5', y: '30' }),
    ];
    const { lands, groups } = footprintOf(composed(pieces));
    const sizes = groups.map((group) => group.kind === 'span' && group.land);
    expect(sizes[1]).toEqual(sizes[0]);
    expect(sizes[2]).toEqual(sizes[0]);
    const places = (id: string) =>
      lands.filter(({ group }) => group === id).map(({ at }) => [quantise(at.x), at.y]);
    expect(places('b')).toEqual(places('a').map(([x, y]) => [quantise(-x!), y]));
    expect(places('c')).toEqual(places('a').map(([x, y]) => [quantise(x! - 15), quantise(y! + 30)]));
  });

  it('facing rows are placed by their middles, whatever their distance is measured between', () => {
    const at = (apart: string, given: 'outer' | 'centre' | 'gap') => {
      const rows = { what: 'land', length: '2', width: '1', as: 'facing', n: '1', apart, given } as const;
      return table(footprintOf(composed([piece('a', rows)])));
    };
    expect(at('8', 'outer')).toEqual(at('6', 'centre'));
    expect(at('4', 'gap')).toEqual(at('6', 'centre'));
    expect(at('6', 'centre')).toEqual([
      ['1', -3, 0],
      ['2', 3, 0],
    ]);
  });

  it('what is mirrored or repeated is all that the other is: holes, areas and blocks too', () => {
    const all = [
      piece('land', { what: 'land', length: '1', width: '1' }),
      piece('hole', { what: 'hole', hole: '1', x: '4' }),
      piece('area', { what: 'keep-out', length: '2', width: '2', x: '8', free: 'copper', side: 'both' }),
      piece('block', { what: 'body', length: '2', width: '2', top: '3', x: '12' }),
    ];
    const mirrors = all.map(({ id }) => piece(`${id}-m`, { what: 'land', as: 'mirror', of: id }));
    const repeats = all.map(({ id }) => piece(`${id}-r`, { what: 'land', as: 'repeat', of: id, y: '9' }));
    const { lands, bores, keepOuts, body } = footprintOf(composed([...all, ...mirrors, ...repeats]));
    expect([lands.length, bores.length, keepOuts.length, body.assembly.parts.length]).toEqual([3, 3, 3, 3]);
    expect(keepOuts.map(({ area, what, side }) => [area.at.x, area.at.y, what, side])).toEqual([
      [8, 0, 'copper', 'both'],
      [-8, 0, 'copper', 'both'],
      [0, 9, 'copper', 'both'],
    ]);
  });

  it('shifting the first piece shifts all that hang on it', () => {
    fc.assert(
      fc.property(soundPieces, (pieces) => {
        const hung = pieces.map((one, i) =>
          i === 0 ? one : { ...one, xFrom: one.xFrom ?? { of: '1' }, yFrom: one.yFrom ?? { of: '1' } },
        );
        const further = (x = '0') => x.replace(/^[^±]+/, (v) => String(quantise(Number(v) + 1.5)));
        const moved = hung.map((one, i) => (i === 0 ? { ...one, x: further(one.x) } : one));
        const [before, after] = [hung, moved].map((all) => compile(composed(all)).footprint?.lands ?? []);
        expect(after!.map(({ at }) => [quantise(at.x - 1.5), at.y])).toEqual(
          before!.map(({ at }) => [quantise(at.x), at.y]),
        );
      }),
    );
  });

  it('whatever is composed is drawn and checked', () => {
    fc.assert(
      fc.property(soundPieces, (pieces) => {
        const compiled = compile(composed(pieces));
        check(compiled);
        const drawsNothing = pieces.every(({ what }) =>
          ['body', 'keep-out', 'mask-window', 'edge'].includes(what),
        );
        const told = compiled.problems.filter(({ title }) => title !== 'Another edge of the board');
        expect(told.map(({ message }) => message)).toHaveLength(drawsNothing ? 1 : 0);
      }),
      { numRuns: cases(100, 2000), seed: 1 },
    );
  });

  it('whatever is broken is told, and nothing is drawn of it', () => {
    fc.assert(
      fc.property(brokenPieces, (pieces) => {
        const compiled = compile(composed(pieces));
        check(compiled);
        expect(compiled.problems.filter(({ severity }) => severity === 'stop').length).toBeGreaterThan(0);
        expect(compiled.footprint).toBeNull();
      }),
      { numRuns: cases(100, 2000), seed: 2 },
    );
  });
});

describe('taking a footprint of a family apart', () => {
  it.each(SOME_VARIANTS.map(({ name, document }) => [name, document] as const))(
    'leaves the lands of %s as they are',
    (_, document) => {
      const apart = apartFrom(document)!;
      expect(readDocument(JSON.stringify(apart), () => []).ok).toBe(true);
      const [before, after] = [footprintOf(document), footprintOf(apart)];
      const sorted = ({ lands }: Footprint) => lands.map((land) => JSON.stringify(said(land))).sort();
      expect(sorted(after)).toEqual(sorted(before));
      expect(after.standardName).toBe(before.standardName);
      expect(after.bores.map(({ at, diameter }) => [at, diameter])).toEqual(
        before.bores.map(({ at, diameter }) => [at, diameter]),
      );
    },
  );

  it('takes what was chosen for single lands along', () => {
    const [{ document } = { document: composed([]) }] = SOME_VARIANTS.filter(
      ({ name }) => name === 'gull-wing-quad',
    );
    const chosen: TapisDocument = {
      ...document,
      stacks: { lands: { 'upright/1': { shape: 'round' } } },
      overrides: { numbers: { 'upright/2': 'X' } },
    };
    const apart = footprintOf(apartFrom(chosen)!);
    const sorted = ({ lands }: Footprint) => lands.map((land) => JSON.stringify(said(land))).sort();
    expect(sorted(apart)).toEqual(sorted(footprintOf(chosen)));
  });
});
