import { verticesOf } from '../../../src/core/drawing/drawing';
import { describe, expect, it } from 'vitest';
import { compileTrial } from '../../../src/core/trial/compile';
import { drawBoard, drawBoardFrom, trialRise, turnedOver } from '../../../src/core/trial/drawing';
import { roomAbout, snapPart } from '../../../src/core/trial/snap';
import { boxOfPoints } from '../../../src/core/geometry/box';
import { part, trialOf } from '../../data/trials';

// a chip's courtyard is 3.0 by 1.6
const two = compileTrial(trialOf([part('R1', 'R', 10, 10), part('R2', 'R', 20, 20)]));
const snap = (x: number, y: number, step = 0.5) => snapPart(two, '2', { x, y }, { reach: 0.4, step });

describe('a part that is dragged', () => {
  it('comes against its neighbour, into line with it, to the edge, or to the step', () => {
    expect(snap(13.2, 10.3)).toEqual({
      at: { x: 13, y: 10 },
      guides: [
        { axis: 'x', at: 11.5, words: 'against R1' },
        { axis: 'y', at: 10, words: 'in line with R1' },
      ],
    });
    expect(snap(10.1, 11.7).at).toEqual({ x: 10, y: 11.6 });
    expect(snap(1.3, 20.2)).toMatchObject({ at: { x: 1.5, y: 20 }, guides: [{ words: 'at the edge' }] });
    expect(snap(20.2, 22.3)).toMatchObject({
      at: { x: 20 },
      guides: [{ words: 'in the middle of the board' }],
    });
    expect(snap(25.3, 22.3)).toEqual({ at: { x: 25.5, y: 22.5 }, guides: [] });
    expect(snap(25.3, 22.3, 0.25).at).toEqual({ x: 25.25, y: 22.25 });
  });
  it('does not come against what it does not stand beside', () => {
    // well above R1, its left side at R1’s right one says nothing: only lines do
    expect(snap(13.1, 22.3).guides).toEqual([]);
  });
});

describe('the room about a part', () => {
  const rooms = (trial: typeof two, id: string) => roomAbout(trial, id).map(({ to, by }) => `${by} ${to}`);
  it('goes to the next part beside it, else to the edge', () => {
    expect(rooms(two, '1')).toEqual(['8.5 edge', '28.5 edge', '9.2 edge', '19.2 edge']);
    const beside = compileTrial(trialOf([part('R1', 'R', 10, 10), part('R2', 'R', 16, 10.5)]));
    expect(rooms(beside, '1')[1]).toBe('3 R2');
    expect(rooms(beside, '2')[0]).toBe('3 R1');
  });
  it('is less than nothing along the shorter way out of an overlap, and does not see the other side', () => {
    const over = compileTrial(trialOf([part('R1', 'R', 10, 10), part('R2', 'R', 12.9, 10.2)]));
    expect(rooms(over, '1')).toEqual(['8.5 edge', '-0.1 R2', '9.2 edge', '19.2 edge']);
    const below = compileTrial(
      trialOf([part('R1', 'R', 10, 10), part('R2', 'R', 14, 10, { side: 'bottom' })]),
    );
    expect(rooms(below, '1')[1]).toBe('28.5 edge');
  });
});

describe('the drawing', () => {
  const trial = compileTrial(
    trialOf([part('C1', 'capacitor', 12, 12), part('R1', 'R', 30, 10, { side: 'bottom' })], {
      covers: [{ id: '1', under: '15' }],
    }),
  );
  const layers = (of: typeof trial) => new Set(drawBoard(of).strokes.map(({ layer }) => layer));
  it('shows this side whole and the other in dashes, from above and from below', () => {
    expect(layers(trial)).toContain('other-side');
    const over = turnedOver(trial);
    expect(over.parts.map(({ placement, footprint }) => [placement.at.x, footprint.far])).toEqual([
      [28, true],
      [10, false],
    ]);
    expect(turnedOver(over).parts.map(({ placement }) => placement)).toEqual(
      trial.parts.map(({ placement }) => placement),
    );
    // the chip's paste is drawn where it is looked at
    expect(layers(over)).toContain('paste');
    expect(layers(trial)).not.toContain('paste');
  });
  it('has elevations of the height of parts, leads and covers', () => {
    // the capacitor is 13.5 high and comes out 1.6 below a board of 1.6
    expect(trialRise(trial)).toEqual({ low: -3.2, high: 15 });
    const solids = drawBoardFrom(trial, 'front').strokes.filter(({ layer }) => layer !== 'cover');
    const box = boxOfPoints(solids.flatMap(({ rings }) => rings.flatMap(verticesOf)));
    expect(box?.maxY).toBeCloseTo(13.5, 6);
    expect(box?.minX).toBe(0);
    const over = drawBoardFrom(turnedOver(trial), 'front').strokes;
    const lowest = boxOfPoints(
      over.filter(({ layer }) => layer !== 'cover').flatMap(({ rings }) => rings.flatMap(verticesOf)),
    );
    expect(lowest?.minY).toBeCloseTo(-1.6 - 13.5, 6);
  });
});
