import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import type { TapisDocument } from '../../../src/core/document/document';
import type { PieceIntent } from '../../../src/core/document/pieces';
import { compile } from '../../../src/core/footprint/compile';
import { FORMATS } from '../../../src/core/format';
import { PIECE_KINDS } from '../../../src/islands/measure/pieces/kinds';
import { composed } from '../../data/compositions';
import { footprintOf } from '../../data/families';

const piece = (id: string, more: Omit<PieceIntent, 'id'>): PieceIntent => ({ id, ...more });
const LAND = piece('land', { what: 'land', length: '1', width: '1', y: '4' });
const findingsOf = (document: TapisDocument) => check(compile(document)).findings;
const problemsOf = (pieces: readonly PieceIntent[]) =>
  compile(composed(pieces)).problems.map(({ severity, message }) => [severity, message]);
const written = async (document: TapisDocument, id: string): Promise<string> => {
  const compiled = compile(document);
  const format = FORMATS.find((one) => one.id === id);
  if (!compiled.footprint || !format) throw new Error('nothing to write');
  const content = await format.write({ ...compiled, footprint: compiled.footprint });
  return typeof content === 'string' ? content : new TextDecoder().decode(content);
};

describe('a window in the mask', () => {
  const window = piece('w', { what: 'mask-window', length: '3', width: '2', x: '5' });

  it('opens the mask on its side and nothing else', () => {
    const { maskOpenings, lands } = footprintOf(composed([LAND, window]));
    expect(lands).toHaveLength(1);
    expect(maskOpenings[1]).toMatchObject({
      opening: { minX: 3.5, maxX: 6.5, minY: -1, maxY: 1 },
      lands: [],
      far: false,
    });
    const both = footprintOf(composed([LAND, { ...window, side: 'both' }]));
    expect(both.maskOpenings.map(({ far }) => far)).toEqual([false, false, true]);
  });

  it('is in the file that holds mask openings beside those of lands', async () => {
    const far = composed([LAND, { ...window, side: 'far' }]);
    expect(await written(composed([LAND]), 'ipc2581')).not.toContain('LayerFeature layerRef="TOP_MASK"');
    expect(await written(composed([LAND, window]), 'ipc2581')).toContain('LayerFeature layerRef="TOP_MASK"');
    expect(await written(far, 'ipc2581')).toContain('LayerFeature layerRef="BOTTOM_MASK"');
  });

  it('may lie over a land, and keeps a web from others', () => {
    const web = (x: string) =>
      findingsOf(composed([LAND, { ...window, x, y: '4' }])).find(({ rule }) => rule === 'mask-web')?.message;
    expect(web('1')).toBeUndefined();
    expect(web('3')).toBeUndefined();
    // opening of the land to 0.55, window from 0.58
    expect(web('2.08')).toContain('Mask web 0.03 mm between a window in the mask and the opening of land 1');
  });
});

describe('the board’s edge as a piece', () => {
  const body = piece('body', { what: 'body', length: '6', width: '8', top: '3' });
  const edge = piece('edge', { what: 'edge', towards: 'down', y: '-3' });

  it('is where it is placed; the body stands out beyond it', () => {
    expect(footprintOf(composed([LAND, body, edge])).edge).toMatchObject({
      side: 'bottom',
      at: { x: 0, y: -3 },
      overhang: { min: 1, max: 1 },
    });
  });

  it('turns with the part, and gives way to what was chosen', () => {
    const turned = { ...composed([LAND, body, edge]), process: 'fine' };
    const chosen: TapisDocument = { ...turned, edge: { side: 'bottom', at: '2' } };
    expect(footprintOf(chosen).edge).toMatchObject({ side: 'bottom', at: { y: -2 }, overhang: { max: 2 } });
  });

  it('is one: a second is told', () => {
    const second = piece('side', { what: 'edge', towards: 'left', x: '-4' });
    expect(problemsOf([LAND, body, edge, second])).toEqual([
      ['caution', 'Piece side is a second edge of the board; the first one alone is held.'],
    ]);
    expect(footprintOf(composed([LAND, body, edge, second])).edge?.side).toBe('bottom');
  });

  it('is something that others are placed from', () => {
    const peg = piece('peg', {
      what: 'peg',
      diameter: '1',
      y: '2.5',
      yFrom: { of: 'edge' },
    });
    expect(footprintOf(composed([LAND, body, edge, peg])).bores[0]?.at).toEqual({ x: 0, y: -0.5 });
  });
});

describe('a pin with a shoulder', () => {
  const pin = piece('pin', { what: 'pin', diameter: '1±0.05', shoulder: '1.3±0.05' });

  it('has its hole from the pin and stands on the shoulder', () => {
    const { lands, body } = footprintOf(composed([pin]));
    expect(lands[0]?.hole?.figure).toEqual({ kind: 'round', diameter: 1.25 });
    expect(body.assembly.parts).toHaveLength(2);
  });

  it('must not fall into its hole', () => {
    const sunk = (shoulder: string) =>
      findingsOf(composed([{ ...pin, shoulder }])).filter(({ message }) => message.includes('shoulder'));
    expect(sunk('1.3±0.04')).toEqual([]);
    expect(sunk('1.2±0.05')).toMatchObject([
      { severity: 'stop', measured: { value: 1.25, limit: 1.15, unit: 'mm' } },
    ]);
  });
});

describe('what is given by its edges', () => {
  it('lies between them, from wherever they are measured', () => {
    const pieces = [
      piece('peg', { what: 'peg', diameter: '1', x: '10' }),
      piece('pad', {
        what: 'land',
        edgesX: '1.2±0.1 3.4',
        edgesY: '-0.5 0.7',
        xFrom: { of: 'peg' },
        yFrom: { of: 'peg' },
      }),
    ];
    const [land] = footprintOf(composed(pieces)).lands;
    expect(land?.copper).toMatchObject({ minX: 11.2, maxX: 13.4, minY: -0.5, maxY: 0.7 });
  });

  it('is nothing that a terminal has: it is told and not used', () => {
    const terminal = piece('t', { what: 'terminal', form: 'flat-lead', length: '1', width: '0.5' });
    const [plain, edged] = [terminal, { ...terminal, edgesX: '3 9' }].map((one) =>
      footprintOf(composed([one])).lands.map(({ at, copper }) => [at, copper.minX, copper.maxX]),
    );
    expect(edged).toEqual(plain);
    expect(JSON.stringify(problemsOf([{ ...terminal, edgesX: '3 9' }]))).toContain('has no effect');
  });

  it.each([
    ['1', 'Two edges are expected'],
    ['1 2 3', 'Two edges are expected'],
    ['1 1', 'less than 0.01 mm apart'],
  ])('%s is refused', (edgesX, words) => {
    const found = problemsOf([piece('pad', { what: 'land', edgesX, width: '1' })]);
    expect(JSON.stringify(found)).toContain(words);
  });
});

describe('a body', () => {
  it('has a colour of its own in what is handed over', async () => {
    const body = piece('b', { what: 'body', length: '4', width: '4', top: '2', colour: '#ff8000' });
    const step = await written(composed([LAND, body]), 'step');
    // ff, 80, 00 as shares
    expect(step).toContain("COLOUR_RGB('',1.,0.50196078431,0.)");
  });
});

describe('corners and places', () => {
  it('are in the unit of the datasheet, or in the one behind them', () => {
    const square = (contour: string, unit?: 'mil') => {
      const document = composed([piece('pad', { what: 'land', shape: 'contour', contour })]);
      const [land] = footprintOf({
        ...document,
        package: { ...document.package, ...(unit ? { unit } : {}) },
      }).lands;
      return land && [land.copper.minX, land.copper.maxY];
    };
    expect(square('-1,-1 1,-1 1,1 -1,1')).toEqual([-1, 1]);
    expect(square('-100,-100 100,-100 100,100 -100,100', 'mil')).toEqual([-2.54, 2.54]);
    expect(square('-1,-1 1,-1 1,1 -1,1 mm', 'mil')).toEqual([-1, 1]);
    expect(square('-.1,-.1 .1,-.1 .1,.1 -.1,.1 in')).toEqual([-2.54, 2.54]);
  });
});

describe('what a piece says without effect', () => {
  it('is told with its fields, and kept', () => {
    const found = compile(
      composed([LAND, piece('peg', { what: 'peg', diameter: '1', toe: 'up', rows: '3' })]),
    );
    expect(found.footprint).not.toBeNull();
    expect(found.problems).toMatchObject([
      {
        severity: 'note',
        message: 'What it says of toe, rows has no effect on a peg; it is kept.',
        remedies: [{ edits: [{ at: '/package/pieces/peg/toe' }, { at: '/package/pieces/peg/rows' }] }],
      },
    ]);
  });

  it('is nothing in all that can be added', () => {
    for (const { title, piece: kind } of PIECE_KINDS) {
      if (kind.as === 'mirror' || kind.as === 'repeat') continue;
      const { footprint, problems } = compile(composed([LAND, piece('x', kind)]));
      expect([title, footprint === null, problems.map(({ message }) => message)]).toEqual([title, false, []]);
    }
  });
});
