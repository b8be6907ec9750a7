import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyEdits } from '../../../src/core/document/edit';
import { newTrial } from '../../../src/core/document/trial';
import { writeTrial } from '../../../src/core/document/write';
import { openTrial, rewritten } from '../../../src/core/footprint/open';
import { area } from '../../../src/core/geometry/polygon';
import { boardOf } from '../../../src/core/trial/board';
import { compileTrial, counted } from '../../../src/core/trial/compile';
import {
  atCorners,
  duplicatePart,
  measureFrom,
  moveTo,
  placeFootprint,
  removePart,
  toOtherSide,
  turnBy,
} from '../../../src/core/trial/edits';
import { chip } from '../../data/documents';
import { part, trialOf } from '../../data/trials';

const placed = (parts: Parameters<typeof trialOf>[0], more: Parameters<typeof trialOf>[1] = {}) =>
  compileTrial(trialOf(parts, more)).parts.map(({ reference, placement }) => [
    reference,
    placement.at.x,
    placement.at.y,
  ]);

describe('the board', () => {
  const board = (intent: Parameters<typeof trialOf>[1]) => compileTrial(trialOf([], intent)).board;
  it('is a rectangle with round corners', () => {
    const { polygon, box, thickness } = board({ board: { width: '80', height: '50', radius: '3' } });
    expect(box).toEqual({ minX: 0, minY: 0, maxX: 80, maxY: 50 });
    expect(area(polygon)).toBeCloseTo(80 * 50 - (4 - Math.PI) * 9, 0);
    expect(thickness).toBe(1.6);
  });
  it('is an outline with arcs, moved to zero, in the unit of the trial', () => {
    // a half disc of radius 10 on a bar of 20 by 10: the bulge of half a circle is 1
    const { polygon, box } = board({ board: { outline: '5,5 25,5 25,15,1 5,15' } });
    expect([box.minX, box.minY, box.maxX]).toEqual([0, 0, 20]);
    expect(box.maxY).toBeCloseTo(20, 2);
    expect(area(polygon)).toBeCloseTo(200 + 50 * Math.PI, 0);
    expect(board({ unit: 'mil', board: { width: '1000', height: '500' } }).box.maxX).toBe(25.4);
  });
  it.each([
    ['0,0 10,10 10,0 0,10', 'crosses itself'],
    ['0,0 10,0', 'three corners'],
    ['0,0 10,0 10,ten', 'Write x,y'],
    ['0,0 10,0 10,10,2', 'bulge'],
  ])('refuses the outline %s', (outline, why) => {
    const { problems } = compileTrial(trialOf([], { board: { outline } }));
    expect(problems.map(({ message }) => message).join()).toContain(why);
  });
  it('draws the largest corner radius there is room for, and says so', () => {
    const { problems } = boardOf({ width: 20, height: 10, radius: 9, outline: null, thickness: null }, 1.6);
    expect(problems[0]?.message).toContain('5 mm is drawn');
  });
});

describe('parts', () => {
  it('lie where they are measured from, in rows and at all corners', () => {
    expect(placed([part('R1', 'R', 4.2, 6)])).toEqual([['R1', 4.2, 6]]);
    expect(placed([part('R1', 'R', 4.2, 6, { fromX: 'right', fromY: 'top' })])).toEqual([['R1', 35.8, 24]]);
    expect(placed([part('R1', 'R', -1, '100mil', { fromX: 'middle', fromY: 'middle' })])).toEqual([
      ['R1', 19, 17.54],
    ]);
    expect(placed([part('H1', 'hole', 4, 5, { corners: true })])).toEqual([
      ['H1', 4, 5],
      ['H2', 36, 5],
      ['H3', 36, 25],
      ['H4', 4, 25],
    ]);
    expect(placed([part('C9', 'R', 5, 5, { columns: 2, rows: 2, stepX: '4', stepY: '-2' })])).toEqual([
      ['C9', 5, 5],
      ['C10', 9, 5],
      ['C11', 5, 3],
      ['C12', 9, 3],
    ]);
    expect(['R7', 'R07', 'H', 'J1A'].map((one) => counted(one, 3))).toEqual(['R10', 'R10', 'H4', 'J1A4']);
  });
  it('carry their own reference, and stand on a board of this thickness', () => {
    const { parts } = compileTrial(
      trialOf([part('R7', 'named', 10, 10), part('R8', 'named', 20, 10, { side: 'bottom' })], {
        board: { width: '40', height: '30', thickness: '0.8' },
      }),
    );
    const text = parts[0]?.footprint.texts.find(({ role }) => role === 'reference');
    expect(text?.text).toBe('R7');
    expect(parts[0]?.footprint.body.heights.boardBottom).toBe(-0.8);
    // land 1 of a chip is its left one; turned over it is the right one, seen from above
    expect(parts[0]?.footprint.lands[0]?.at.x).toBeLessThan(10);
    expect(parts[1]?.footprint.lands[0]?.at.x).toBeGreaterThan(20);
    expect(parts[1]?.footprint.lands[0]?.far).toBe(true);
  });
  it('are left out where they cannot be used, and say why', () => {
    const unfinished = { document: chip({ L: '' }) };
    const { parts, problems } = compileTrial(
      trialOf(
        [part('R1', 'R', 'ten', 5), part('R2', 'none', 1, 1), part('R3', 'bad', 5, 5), part('R4', 'R', 9, 9)],
        {
          footprints: { R: { document: chip() }, bad: unfinished },
        },
      ),
    );
    expect(parts.map(({ reference }) => reference)).toEqual(['R4']);
    const told = problems.map(({ message }) => message);
    expect(told.some((one) => one.includes('ten'))).toBe(true);
    expect(problems[0]?.title).toBe('R1 x cannot be used');
    expect(told.some((one) => one.includes('“none”'))).toBe(true);
    expect(told.some((one) => one.includes('R3 is left out'))).toBe(true);
    const empty = compileTrial(trialOf([part('R1', 'R', '', 5)], { covers: [{ id: '1', under: '' }] }));
    expect([empty.parts.length, empty.covers.length]).toEqual([0, 0]);
    expect(empty.problems.map(({ message }) => message)).toEqual([
      'R1 has no x; it is left out.',
      'It needs a height; until then it covers nothing.',
    ]);
  });
});

it.each([{}, { document: null }, { document: [] }, null, 5])(
  'a footprint that is none (%j) leaves its part out',
  (footprint) => {
    const trial = { ...trialOf([part('R1', 'R', 3, 3)]), footprints: { R: footprint } } as never;
    const { parts, problems } = compileTrial(trial);
    expect(parts).toEqual([]);
    expect(problems.map(({ message }) => message)).toEqual([
      'R1 names the footprint “R”, which the trial does not hold; it is left out.',
    ]);
  },
);

describe('what a person does', () => {
  const from = fc.record({
    fromX: fc.constantFrom('left', 'right', 'middle'),
    fromY: fc.constantFrom('bottom', 'top', 'middle'),
    unit: fc.constantFrom('mm', 'mil'),
  });
  const place = fc.record({ x: fc.integer({ min: 0, max: 4000 }), y: fc.integer({ min: 0, max: 3000 }) });
  it('moves a part to a place, whatever it is measured from, and measures it anew in place', () => {
    fc.assert(
      fc.property(from, place, ({ unit, ...edges }, { x, y }) => {
        const trial = trialOf([part('R1', 'R', 5, 5, edges)], { unit });
        const to = { x: x / 100, y: y / 100 };
        const there = applyEdits(trial, moveTo(compileTrial(trial), '1', to));
        const at = compileTrial(there).parts[0]?.placement.at;
        // a ten-thousandth of a mil is kept
        expect(Math.hypot((at?.x ?? 0) - to.x, (at?.y ?? 0) - to.y)).toBeLessThan(4e-6);
        const anew = applyEdits(there, measureFrom(compileTrial(there), '1', 'x', 'right'));
        expect(compileTrial(anew).parts[0]?.placement.at.x).toBeCloseTo(to.x, 5);
      }),
      { numRuns: 60 },
    );
  });
  it('turns, turns over, duplicates, removes, and puts to all corners', () => {
    const trial = trialOf([part('R1', 'R', 8, 9, { fromX: 'right' })]);
    const compiled = compileTrial(trial);
    const after = (edits: ReturnType<typeof turnBy>) => compileTrial(applyEdits(trial, edits)).parts;
    expect(after(turnBy(compiled, '1', 270))[0]?.placement.angle).toBe(270);
    expect(after(toOtherSide(compiled, '1'))[0]?.placement.far).toBe(true);
    const copy = duplicatePart(compiled, '1');
    expect(
      after([...(copy?.edits ?? [])]).map(({ reference, placement }) => [reference, placement.at.x]),
    ).toEqual([
      ['R1', 32],
      ['R2', 35],
    ]);
    expect(applyEdits(trial, removePart(trial, '1'))).toMatchObject({ name: 'Board' });
    expect(applyEdits(trial, removePart(trial, '1')).footprints).toBeUndefined();
    expect(after(atCorners(compiled, '1', true)).map(({ placement }) => placement.at)).toEqual([
      { x: 8, y: 9 },
      { x: 32, y: 9 },
      { x: 32, y: 21 },
      { x: 8, y: 21 },
    ]);
  });
  it('places footprints on an empty board, each under a key and a reference of its own', () => {
    let trial = newTrial('New');
    for (const reference of ['R1', 'R1', 'R5']) {
      const document = chip({}, { name: 'R chip', marks: { reference } });
      const { edits } = placeFootprint(compileTrial(trial), { document, from: 'shelf-id' });
      trial = applyEdits(trial, edits);
    }
    expect(trial.parts?.map(({ reference, footprint }) => `${reference} ${footprint}`)).toEqual([
      'R1 R',
      'R2 R',
      'R5 R-2',
    ]);
    expect(compileTrial(trial).parts[0]?.placement.at).toEqual({ x: 40, y: 25 });
  });
});

describe('the file', () => {
  it('gives back what was written, and is the same text for the same trial', () => {
    const trial = trialOf([part('R1', 'R', '4.2', '6', { angle: '12.5' })], {
      covers: [{ id: '1', under: '9', why: 'lid' }],
      keepOuts: [{ id: '1', x: '1', y: '1', diameter: '3', what: 'copper' }],
    });
    const text = writeTrial(trial);
    const read = openTrial(text);
    expect(read.ok && writeTrial(read.value)).toBe(text);
    expect(read.ok && compileTrial(read.value).parts[0]?.placement.angle).toBe(12.5);
    const anew = rewritten(JSON.stringify(trial));
    expect(anew.ok && anew.value).toBe(text);
  });
  it.each([
    [{ parts: [{ id: '1', reference: 'R1', footprint: 'R', x: '1' }] }, 'The field “y” is missing'],
    [{ parts: [{ id: '1', reference: 'R1', footprint: 'R', x: '1', y: '1', side: 'up' }] }, 'top, bottom'],
    [{ footprints: { R: { document: { tapis: 2 } } } }, 'Footprint R'],
    [{ colour: 'red' }, '“colour” is not known'],
  ])('refuses what it cannot read: %j', (more, why) => {
    const read = openTrial(JSON.stringify({ ...newTrial('x'), ...more }));
    expect(read.ok ? '' : read.error.map(({ message }) => message).join()).toContain(why);
  });
  it('refuses two parts with one id', () => {
    const one = { id: '1', reference: 'R1', footprint: 'R', x: '1', y: '1' };
    const read = openTrial(JSON.stringify({ ...newTrial('x'), parts: [one, one] }));
    expect(read.ok ? '' : read.error[0]?.message).toContain('Two parts have the id “1”');
  });
});
