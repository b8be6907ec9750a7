import { describe, expect, it } from 'vitest';
import { drawn, given } from '../../data/patterns';
import type { TapisDocument } from '../../../src/core/document/document';
import type { Drawable } from '../../../src/core/footprint/footprint';
import { atOrigin } from '../../../src/core/footprint/origin';
import { documentOf, readPatterns } from '../../../src/core/format/import';
import { formatById } from '../../../src/core/format';
import { place, sizeOf, type Placed } from '../../../src/core/geometry/figure';
import type { GivenLand, GivenPattern } from '../../../src/core/given/pattern';
import { opinionOn } from '../../../src/core/opinion/opinion';
import { DEMO_DOCUMENTS } from '../../../src/demo/documents';

// Faults that spoil a board, planted in patterns that are right: each has to be named, as a stop or a caution.

const demo = (name: string): TapisDocument => {
  const found = DEMO_DOCUMENTS.find((one) => one.name === name);
  if (!found) throw new Error(name);
  return found;
};

type Fault = (pattern: GivenPattern) => GivenPattern;

const at = (x: number, y: number, { figure, rotation }: Placed) => place(figure, { x, y }, rotation);
const moved = (dx: number, dy: number) => (one: Placed) => at(one.at.x + dx, one.at.y + dy, one);
const sized =
  (kx: number, ky = kx) =>
  (one: Placed) => {
    const { width, height } = sizeOf(one.figure);
    return place({ kind: 'rectangle', width: width * kx, height: height * ky }, one.at, one.rotation);
  };
const put =
  (move: (one: Placed) => Placed) =>
  (land: GivenLand): GivenLand => ({
    ...land,
    copper: move(land.copper),
    ...(land.mask ? { mask: land.mask.map(move) } : {}),
    ...(land.paste ? { paste: land.paste.map(move) } : {}),
    ...(land.hole ? { hole: { ...land.hole, hole: move(land.hole.hole) } } : {}),
  });
const every =
  (change: (land: GivenLand, i: number) => GivenLand): Fault =>
  (pattern) => ({ ...pattern, lands: pattern.lands.map(change) });
const only = (number: string, change: (land: GivenLand) => GivenLand): Fault =>
  every((land) => (land.number === number ? change(land) : land));
const scaled = (kx: number, ky = kx): Fault =>
  every((land) => put((one) => at(one.at.x * kx, one.at.y * ky, one))(land));
const side = (value: number) => Math.sign(value) || 1;

/** Faults of any pattern of at least two lands. */
const COMMON: Readonly<Record<string, Fault>> = {
  'a land missing': (pattern) => ({ ...pattern, lands: pattern.lands.slice(0, -1) }),
  'inches for millimetres': every((land) =>
    put((one) => sized(25.4)(at(one.at.x * 25.4, one.at.y * 25.4, one)))(land),
  ),
  'no numbers': every((land) => ({ ...land, number: '' })),
  'a number twice': only('2', (land) => ({ ...land, number: '1' })),
  'lands of half the size': every((land) => ({ ...land, copper: sized(0.5)(land.copper) })),
  'mask over the lands': every((land) => ({ ...land, mask: [] })),
  'mask openings smaller than the lands': every((land) => ({ ...land, mask: [sized(0.7)(land.copper)] })),
  'a land aside': only('1', put(moved(0.35, 0.35))),
  'a courtyard within the lands': (pattern) => ({
    ...pattern,
    courtyard: (pattern.courtyard ?? []).map(({ x, y }) => ({ x: x * 0.5, y: y * 0.5 })),
  }),
};

/** Faults of parts with many leads, or with a way round. */
const WAYS: Readonly<Record<string, Fault>> = {
  'spread by 6 %': scaled(1.06),
  'two numbers swapped': every((land) =>
    land.number === '1' ? { ...land, number: '2' } : land.number === '2' ? { ...land, number: '1' } : land,
  ),
};

/** Faults of rows of leads. */
const ROWS: Readonly<Record<string, Fault>> = {
  'numbers mirrored': (pattern) =>
    every((land) => ({ ...land, number: String(pattern.lands.length + 1 - Number(land.number)) }))(pattern),
  'a pitch of 0.635 for 0.65': scaled(1, 0.635 / 0.65),
  'rows too close for their heels': every((land) => put(moved(-0.5 * side(land.copper.at.x), 0))(land)),
  'rows too far for their toes': every((land) => put(moved(0.6 * side(land.copper.at.x), 0))(land)),
  'lands that touch their neighbours': every((land) => ({ ...land, copper: sized(1, 1.7)(land.copper) })),
  'no paste': every((land) => ({ ...land, paste: [] })),
  'no paste on one': only('3', (land) => ({ ...land, paste: [] })),
  'paste half as large again': every((land) => ({ ...land, paste: [sized(1.5, 1.5)(land.copper)] })),
  'the mark at another terminal': (pattern) => ({
    ...pattern,
    legend: {
      width: 0.12,
      lines: pattern.legend?.lines ?? [],
      pin1: (pattern.legend?.pin1 ?? []).map(({ x, y }) => ({ x: -x, y: -y })),
    },
  }),
  'the mark under the body': (pattern) => ({
    ...pattern,
    legend: {
      width: 0.12,
      lines: [],
      pin1: [
        { x: -0.2, y: 0.2 },
        { x: 0.2, y: 0.2 },
        { x: 0, y: 0.5 },
      ],
    },
  }),
  'legend over lands': (pattern) => ({
    ...pattern,
    legend: {
      width: 0.15,
      lines: [pattern.lands.slice(0, 4).map(({ copper }) => copper.at)],
      ...(pattern.legend?.pin1 ? { pin1: pattern.legend.pin1 } : {}),
    },
  }),
  'one land too many': (pattern) => ({
    ...pattern,
    lands: [
      ...pattern.lands,
      { number: '99', copper: place({ kind: 'rectangle', width: 0.5, height: 0.3 }, { x: 0, y: 0 }, 0) },
    ],
  }),
};

const PADDED: Readonly<Record<string, Fault>> = {
  'no exposed pad': (pattern) => ({
    ...pattern,
    lands: pattern.lands.filter(({ copper }) => Math.hypot(copper.at.x, copper.at.y) > 0.01),
  }),
  'an exposed pad of half the size': every((land) =>
    Math.hypot(land.copper.at.x, land.copper.at.y) < 0.01
      ? { ...land, copper: sized(0.5)(land.copper) }
      : land,
  ),
  'an exposed pad over the rows': every((land) =>
    Math.hypot(land.copper.at.x, land.copper.at.y) < 0.01
      ? { ...land, copper: sized(2.2)(land.copper) }
      : land,
  ),
  'an exposed pad that is all paste': every((land) =>
    Math.hypot(land.copper.at.x, land.copper.at.y) < 0.01 ? { ...land, paste: [land.copper] } : land,
  ),
  'an exposed pad without paste': every((land) =>
    Math.hypot(land.copper.at.x, land.copper.at.y) < 0.01 ? { ...land, paste: [] } : land,
  ),
  'an exposed pad of 15 % paste': every((land) =>
    Math.hypot(land.copper.at.x, land.copper.at.y) < 0.01
      ? { ...land, paste: [sized(0.39)(land.copper)] }
      : land,
  ),
};

const DRILLED: Readonly<Record<string, Fault>> = {
  'holes narrower than their leads': every((land) =>
    land.hole ? { ...land, hole: { ...land.hole, hole: sized(0.55)(land.hole.hole) } } : land,
  ),
  'holes without plating': every((land) =>
    land.hole ? { ...land, hole: { ...land.hole, plated: false } } : land,
  ),
  'holes that leave no ring': every((land) =>
    land.hole ? { ...land, hole: { ...land.hole, hole: land.copper } } : land,
  ),
  'no holes': every(({ hole: _, ...land }) => land),
  'holes off their lands': every((land) =>
    land.hole ? { ...land, hole: { ...land.hole, hole: moved(0.35, 0)(land.hole.hole) } } : land,
  ),
};

const PLANTED: readonly (readonly [part: string, faults: Readonly<Record<string, Fault>>])[] = [
  ['U4 tide converter', { ...COMMON, ...WAYS, ...ROWS }],
  ['U9 radio front end', { ...COMMON, ...WAYS, ...PADDED }],
  ['C12 supply bypass', COMMON],
  ['J2 debug header', { ...COMMON, ...WAYS, ...DRILLED }],
];

describe('faults planted in right patterns', () => {
  const cases = PLANTED.flatMap(([part, faults]) =>
    Object.entries(faults).map(([name, fault]) => [part, name, fault] as const),
  );

  it('are more than there were in the first set', () => expect(cases.length).toBeGreaterThan(46));

  it.each(cases)('%s: %s', (part, _name, fault) => {
    const own = drawn(demo(part));
    const read = opinionOn(drawn(documentOf(fault(given(own))).document), own);
    // what cannot be held against the package at all is refused in words
    if (!read.ok) return expect(read.error.length).toBeGreaterThan(20);
    const named = read.value.remarks.filter(({ severity }) => severity !== 'note');
    expect(named.map(({ title }) => title)).not.toEqual([]);
  });
});

it('a land that no more than touches its terminal is no noise', () => {
  const own = drawn(demo('U4 tide converter'));
  const pattern = given(own);
  const [first] = atOrigin(own.footprint).lands;
  if (!first) throw new Error('no land');
  // beside its terminal by three micrometres
  const aside = first.contact.nom.minX - first.copper.maxX - 0.003;
  const found = opinionOn(drawn(documentOf(only('1', put(moved(aside, 0)))(pattern)).document), own);
  if (!found.ok) throw new Error(found.error);
  expect(
    found.value.remarks.some(({ severity, lands }) => severity === 'stop' && lands.includes(first.id)),
  ).toBe(true);
});

describe('sound patterns', () => {
  // rounded to micrometres by whoever wrote them, never by the same amount
  const noisy: Fault = every((land, i) => {
    const by = (k: number) => 0.002 * Math.sin(12.9898 * (i + 1) * k);
    return put(moved(by(1), by(2)))({ ...land, copper: noisyFigure(land.copper, by(3)) });
  });
  const read = (file: { name: string; bytes: Uint8Array }): GivenPattern => {
    const found = readPatterns([file]);
    const [pattern] = found.ok ? found.value.patterns : [];
    if (!pattern) throw new Error(found.ok ? 'nothing was read' : found.error);
    return pattern;
  };
  const parts = DEMO_DOCUMENTS.filter(({ name }) => !name.startsWith('H'));
  const alarms = (pattern: GivenPattern, own: Drawable): readonly string[] => {
    const found = opinionOn(drawn(documentOf(pattern).document), own);
    if (!found.ok) return [found.error];
    return found.value.remarks.flatMap(({ severity, title }) => (severity === 'note' ? [] : [title]));
  };

  it.each(parts.map((one) => [one.name, one] as const))('%s: noise of 2 µm is no fault', (_, document) => {
    const own = drawn(document);
    expect(alarms(noisy(given(own)), own)).toEqual([]);
  });

  it.each(parts.map((one) => [one.name, one] as const))(
    '%s: nothing is wrong with it as a file',
    async (_, document) => {
      const own = drawn(document);
      const content = await formatById('ipc2581')?.write({ ...own, footprint: atOrigin(own.footprint) });
      if (content === undefined) throw new Error('no such format');
      const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content;
      expect(alarms(read({ name: 'theirs.xml', bytes }), own)).toEqual([]);
    },
  );
});

/** A shape a little larger or smaller; what is no rectangle stays. */
function noisyFigure(placed: Placed, by: number): Placed {
  const { figure, at: middle, rotation } = placed;
  if (figure.kind !== 'rectangle') return placed;
  return place({ ...figure, width: figure.width + by, height: figure.height - by }, middle, rotation);
}
