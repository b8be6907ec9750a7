import { expect, it } from 'vitest';
import { compile } from '../../../../src/core/footprint/compile';
import { atOrigin } from '../../../../src/core/footprint/origin';
import { circleAt, place, rectangle, type Placed } from '../../../../src/core/geometry/figure';
import { takenIn } from '../../../../src/core/given/document';
import { differences } from '../../../../src/core/format/differences';
import type { GivenLand, GivenPattern } from '../../../../src/core/given/pattern';

const chamfered = (corner: 'upper-left' | 'upper-right'): Placed =>
  place({ ...rectangle(2, 1), chamfer: { size: 0.3, corners: [corner] } }, { x: -3, y: 1 });
const land: GivenLand = {
  number: '1',
  copper: chamfered('upper-left'),
  mask: [place(rectangle(2.1, 1.1), { x: -3, y: 1 })],
  paste: [circleAt({ x: -3.4, y: 1 }, 0.6), circleAt({ x: -2.6, y: 1 }, 0.6)],
};
const pin: GivenLand = {
  number: '2',
  copper: circleAt({ x: 3, y: -1 }, 1.8),
  mask: [circleAt({ x: 3, y: -1 }, 1.9)],
  paste: [],
  hole: { hole: circleAt({ x: 3, y: -1 }, 1), plated: true },
};
const below: GivenLand = {
  number: '3',
  copper: place(rectangle(1, 1), { x: 0, y: 4 }),
  far: true,
  mask: [],
  paste: [],
};
const { far: _, ...above } = below;
const pattern: GivenPattern = {
  name: 'all sorts',
  from: 'a file',
  lands: [land, pin, below],
  holes: [circleAt({ x: 5, y: 5 }, 0.7)],
  windows: [place(rectangle(1, 2), { x: 0, y: 0 })],
  left: [],
};
const { footprint } = compile(takenIn(pattern).document);
const changed = (more: Partial<GivenPattern>) =>
  footprint ? differences({ ...pattern, ...more }, atOrigin(footprint)).join(' ') : 'not drawn';
const withLand = (more: Partial<GivenLand>) => changed({ lands: [{ ...land, ...more }, pin, below] });

it('finds nothing where all is drawn as it was given', () => expect(changed({})).toBe(''));

it.each([
  [
    'a corner on the other side, of the same box and area',
    withLand({ copper: chamfered('upper-right') }),
    /copper at 2 places.*-3\.\d/,
  ],
  [
    'a larger opening',
    withLand({ mask: [place(rectangle(2.2, 1.1), { x: -3, y: 1 })] }),
    /mask openings at 2 places/,
  ],
  [
    'a lost paste window',
    withLand({ paste: [circleAt({ x: -3.4, y: 1 }, 0.6)] }),
    /paste openings at 1 place.*-2\.6, 1 mm/,
  ],
  ['a window over no land', changed({ windows: [] }), /mask openings at 1 place.*at 0, 0 mm/],
  ['a hole that is nowhere', changed({ holes: [] }), /holes at 1 place.*at 5, 5 mm/],
  ['a hole of another size', changed({ holes: [circleAt({ x: 5, y: 5 }, 0.8)] }), /holes at 2 places/],
  [
    'a land of the other side',
    changed({ lands: [land, pin, above] }),
    /copper at 1 place.*copper of the far side at 1 place/,
  ],
  [
    'a land that is not there',
    changed({ lands: [land, pin, below, { ...below, copper: circleAt({ x: 9, y: 9 }, 1) }] }),
    /1 land is not drawn\..*at 9, 9 mm/,
  ],
])('tells %s', (_, words, wanted) => expect(words).toMatch(wanted));
