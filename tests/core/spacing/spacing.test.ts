import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import type { TapisDocument } from '../../../src/core/document/document';
import { applyEdits } from '../../../src/core/document/edit';
import { voltage } from '../../../src/core/document/voltage';
import { compile } from '../../../src/core/footprint/compile';
import { moved } from '../../../src/core/footprint/move';
import { flatten } from '../../../src/core/geometry/contour';
import { wayRound } from '../../../src/core/geometry/creepage';
import { circleAt, contourOf, place, rectangle } from '../../../src/core/geometry/figure';
import { turn, type Point } from '../../../src/core/geometry/point';
import type { Polygon } from '../../../src/core/geometry/polygon';
import { PROCESSES } from '../../../src/core/process';
import type { Process } from '../../../src/core/process/process';
import { gapBetweenFigures } from '../../../src/core/geometry/gaps';
import { conductorsOf } from '../../../src/core/spacing/conductors';
import { metalOf } from '../../../src/core/spacing/metal';
import { clearanceFor, creepageFor, ipcSpacing } from '../../../src/core/spacing/limits';
import { checkTrial } from '../../../src/core/trial/check';
import { compileTrial } from '../../../src/core/trial/compile';
import { footprintOf, VARIANTS } from '../../data/families';
import { part, trialOf } from '../../data/trials';
import '../../data/depth';

const standard = PROCESSES[0] as Process;
const box = (x: number, y: number, width: number, height: number): Polygon =>
  flatten(contourOf(place(rectangle(width, height), { x, y })));

describe('a voltage', () => {
  it.each([
    ['12', 12, 'dc'],
    ['230 ac', 230, 'rms'],
    ['230V~', 230, 'rms'],
    ['325 V pk', 325, 'peak'],
    ['1,5 kV', 1500, 'dc'],
    ['-48 V dc', 48, 'dc'],
    ['± 15 V', 15, 'dc'],
  ])('is read as it is written: %s', (text, volts, kind) => {
    expect(voltage(text, 'mm')).toEqual({ ok: true, value: { volts, kind } });
  });
  it.each(['high', '230 V 50 Hz', '12..15', '1e9', '', '99 kV'])('is asked back otherwise: “%s”', (text) => {
    expect(voltage(text, 'mm').ok).toBe(false);
  });
});

describe('limits', () => {
  it.each([
    [15, 'A6', 0.13],
    [15.1, 'A6', 0.25],
    [100, 'B3', 1.5],
    [325, 'A6', 1.5],
    [325, 'B2', 2.5],
    [500, 'B1', 0.25],
    // each volt over 500 adds 0.00305
    [800, 'A7', 0.8 + 300 * 0.00305],
    [600, 'B3', 12.5 + 100 * 0.025],
  ] as const)('of IPC-2221B at %d V, %s', (peak, type, least) => {
    expect(ipcSpacing(peak, type)).toBeCloseTo(least, 6);
  });
  it.each([
    [250, {}, 2.5],
    [250, { materialGroup: 1 }, 1.25],
    [250, { pollutionDegree: 3 }, 4],
    [250, { insulation: 2 }, 5],
    [250, { pollutionDegree: 1 }, 0.56],
    // between 200 (2.0) and 250 (2.5) in proportion
    [230, {}, 2.3],
    [5, {}, 0.4],
  ])('of creepage at %d V under %o', (volts, part, least) => {
    expect(creepageFor(volts, { ...standard, ...part })).toBeCloseTo(least, 6);
  });
  it.each([
    // 230 V to earth, category II: 2500 V of impulse
    [230, {}, 1.5],
    [230, { insulation: 2 }, 3],
    [230, { overvoltageCategory: 3 }, 3],
    [230, { altitude: 5000 }, 1.5 * 1.48],
    // no impulses: the peak of 325 V alone, in degree 2
    [230, { overvoltageCategory: 0 }, 0.2],
  ])('of clearance at %d V r.m.s. under %o', (volts, part, least) => {
    expect(clearanceFor({ volts, kind: 'rms' }, { ...standard, ...part })).toBeCloseTo(least, 6);
  });
});

describe('the way along the board', () => {
  const [a, b] = [box(0, 0, 2, 2), box(6, 0, 2, 2)];
  it('is straight where nothing is cut', () => {
    expect(wayRound(a, b, [])?.length).toBeCloseTo(4, 9);
    expect(wayRound(a, box(6, 5, 2, 2), [])?.length).toBeCloseTo(5, 9);
    expect(wayRound(a, box(1.5, 0, 2, 2), [])?.length).toBe(0);
  });
  it('leads round the nearer end of a slot', () => {
    // slot 1 wide, 6 long, its middle 1 higher: its lower corners stand at x 2.5 and 3.5, y -2
    const round = wayRound(a, b, [box(3, 1, 1, 6)]);
    expect(round?.length).toBeCloseTo(2 * Math.hypot(1.5, 1) + 1, 9);
    expect(round?.points.slice(1, -1)).toEqual([
      { x: 2.5, y: -2 },
      { x: 3.5, y: -2 },
    ]);
  });
  it('leads past two slots that overlap from two sides', () => {
    const way = wayRound(a, b, [box(2.25, 4, 0.5, 10), box(3.75, -4, 0.5, 10)]);
    // under the first at y -1, then over the second at y 1
    expect(way?.length).toBeCloseTo(1 + 0.5 + Math.hypot(1, 2) + 0.5 + 1, 6);
  });
  it('passes between a slot and the copper that it touches', () => {
    expect(wayRound(a, b, [box(3, 1.5, 1, 1)])?.length).toBeCloseTo(4, 9);
  });
  it('is none where the second lies in a ring', () => {
    const ring = [
      { x: 4, y: -3 },
      { x: 9, y: -3 },
      { x: 9, y: 3 },
      { x: 4, y: 3 },
      { x: 4, y: 2.9 },
      { x: 8.9, y: 2.9 },
      { x: 8.9, y: -2.9 },
      { x: 4, y: -2.9 },
    ];
    // open to the left it is reached straight; closed by another cut it is not
    expect(wayRound(a, b, [ring])?.length).toBeCloseTo(4, 9);
    expect(wayRound(a, b, [ring, box(3.95, 0, 0.3, 6.2)])).toBeNull();
  });

  const slots = fc.array(
    fc.record({
      x: fc.double({ min: 1.6, max: 4.4, noNaN: true }),
      y: fc.double({ min: -4, max: 4, noNaN: true }),
      width: fc.double({ min: 0.2, max: 0.5, noNaN: true }),
      height: fc.double({ min: 0.5, max: 5, noNaN: true }),
    }),
    { maxLength: 4 },
  );
  const cutsOf = (some: readonly { x: number; y: number; width: number; height: number }[]) =>
    some.map(({ x, y, width, height }) => box(x, y, width, height));
  it('is never shorter than through air, and no slot shortens it', () => {
    fc.assert(
      fc.property(slots, (some) => {
        const lengths = some.map((_, i) => wayRound(a, b, cutsOf(some.slice(0, i + 1)))?.length ?? Infinity);
        [4, ...lengths].reduce((before, length) => {
          expect(length).toBeGreaterThanOrEqual(before - 1e-6);
          return length;
        });
      }),
    );
  });
  it('is the same turned, mirrored and the other way', () => {
    fc.assert(
      fc.property(slots, fc.double({ min: 0, max: 360, noNaN: true }), (some, angle) => {
        const cuts = cutsOf(some);
        const length = wayRound(a, b, cuts)?.length ?? Infinity;
        const back = wayRound(b, a, cuts)?.length ?? Infinity;
        const turned = (polygon: Polygon) => polygon.map((p: Point) => turn(p, angle));
        const mirrored = (polygon: Polygon) => polygon.map(({ x, y }) => ({ x, y: -y })).toReversed();
        expect(back).toBeCloseTo(length, 6);
        for (const put of [turned, mirrored])
          expect(wayRound(put(a), put(b), cuts.map(put))?.length ?? Infinity).toBeCloseTo(length, 5);
      }),
    );
  });
  it('round a hole is its tangents and an arc', () => {
    // points 5 to either side of a circle of radius 2
    const hole = flatten(contourOf(circleAt({ x: 0, y: 0 }, 4)), 0.0005);
    const way = wayRound(box(-5, 0, 1e-6, 1e-6), box(5, 0, 1e-6, 1e-6), [hole]);
    const tangent = Math.sqrt(25 - 4);
    const arc = 2 * (Math.PI - 2 * Math.acos(2 / 5));
    expect(way?.length).toBeCloseTo(2 * tangent + arc, 2);
    expect(way?.length).toBeLessThanOrEqual(2 * tangent + arc + 1e-6);
  });
});

/** Contacts of a relay: four pins at 5.08, lands 2.0 round. */
const relay = (more: Partial<TapisDocument> = {}): TapisDocument => ({
  tapis: 2,
  name: 'Charger relay',
  package: {
    family: 'sip',
    dimensions: { n: '4', e: '5.08', D: '20', E: '7', b: '0.9', c: '0.5', A: '15' },
  },
  level: 'B',
  process: 'standard',
  pins: [
    { id: '1', lands: '1', name: 'L', voltage: '230 ac' },
    { id: '2', lands: '2', name: 'N' },
    { id: '3', lands: '3', name: 'A1', voltage: '12' },
    { id: '4', lands: '4', name: 'A2' },
  ],
  ...more,
});
const under = (part: Partial<Process>, document: TapisDocument): TapisDocument => ({
  ...document,
  process: 'own',
  ownProcess: { ...standard, id: 'own', name: 'Own', ...part },
});
const found = (document: TapisDocument) =>
  check(compile(document)).findings.filter(({ rule }) => rule === 'voltage-spacing');

describe('lands of different potential', () => {
  it('hold at 230 V under IPC-2221B, and are asked for more where the air is thin', () => {
    expect(found(relay())).toEqual([]);
    const [high] = found(under({ altitude: 4000 }, relay()));
    expect(high?.measured?.limit).toBe(12.5);
    expect(high?.message).toContain('B3');
  });
  it('are told with way, limit and source, and mended by what is offered', () => {
    const document = under({ spacingBy: 2, insulation: 2, pollutionDegree: 3 }, relay());
    const [first] = found(document);
    const gap = first?.measured?.value ?? 0;
    const [p, q] = first?.place.way ?? [];
    expect(p && q && Math.hypot(p.x - q.x, p.y - q.y)).toBeCloseTo(gap, 6);
    // 230 V, degree 3, group III: between 200 (3.2) and 250 (4.0), doubled
    const surface = found(document).find(({ message }) => message.includes('along the board'));
    expect(surface?.measured?.limit).toBeCloseTo(2 * (3.2 + 0.6 * 0.8), 6);
    const slot = surface?.remedies.find(({ label }) => label.startsWith('Slot'));
    const mended = applyEdits(document, slot?.edits ?? []);
    expect(compile(mended).footprint?.bores).toHaveLength(1);
    const after = found(mended).filter(
      ({ message, place }) =>
        message.includes('along the board') && place.lands?.join() === surface?.place.lands?.join(),
    );
    expect(after).toEqual([]);
  });
  it('are one potential by name, and nothing is asked without a voltage', () => {
    const close = (pins: TapisDocument['pins']) =>
      found(under({ spacingBy: 2, insulation: 2, pollutionDegree: 3 }, relay(pins ? { pins } : {})));
    expect(close([])).toEqual([]);
    expect(
      close([
        { id: '1', lands: '1-2', name: 'L', voltage: '230 ac' },
        { id: '2', lands: '3-4', name: 'L', voltage: '230 ac' },
      ]),
    ).toEqual([]);
    // the group's voltage holds for its pins
    const grouped = close([
      { id: '1', lands: '1', name: 'L', group: 'mains', voltage: '230 ac' },
      { id: '2', lands: '2', name: 'N', group: 'mains' },
      { id: '3', lands: '3-4', name: 'coil' },
    ]);
    expect(grouped.some(({ message }) => message.includes('(N)') && message.includes('(coil)'))).toBe(true);
  });
  it('are nearer over copper that floats between them', () => {
    const pins: TapisDocument['pins'] = [
      { id: '1', lands: '1', name: 'L', voltage: '1000 ac' },
      { id: '2', lands: '2', name: 'NC', direction: 'not-connected' },
      { id: '3', lands: '3', name: 'N' },
    ];
    const gap = (document: TapisDocument) =>
      found(document).find(({ message }) => message.includes('(N)'))?.measured?.value ?? Infinity;
    const over = gap(under({ spacingBy: 2, insulation: 2 }, relay({ pins })));
    const open = gap(
      under({ spacingBy: 2, insulation: 2 }, relay({ pins: pins.slice(0, 1).concat(pins.slice(2)) })),
    );
    expect(over).toBeLessThan(open - 1.5);
  });
});

describe('parts on a board', () => {
  const relayPart = (reference: string, x: number) => part(reference, 'K', x, 20);
  const trial = (apart: number) => ({
    ...trialOf([relayPart('K1', 25), relayPart('K2', 25 + apart)]),
    footprints: {
      K: {
        document: relay({
          pins: [
            { id: '1', lands: '1', voltage: '400 pk' },
            { id: '4', lands: '4', voltage: '400 pk' },
          ],
        }),
      },
    },
  });
  it('are held against each other and against the edge', () => {
    const told = (apart: number) =>
      checkTrial(compileTrial(trial(apart) as never)).findings.filter(({ rule }) => rule === 'trial-voltage');
    expect(told(30)).toEqual([]);
    // lands 4 of K1 and 1 of K2 are 1 mm apart, asked for is 1.5
    const [near] = told(15.24 + 3);
    expect(near?.message).toMatch(/K1\.4|K2\.1/);
    expect(near?.place.parts).toHaveLength(2);
  });
});

describe('metal of bodies', () => {
  const live = (id: string, name?: string) => {
    const { document } = VARIANTS.find(
      (one) => one.document.package.family === id && (name === undefined || one.name.includes(name)),
    )!;
    const footprint = footprintOf(document);
    const copper = conductorsOf(footprint);
    return { copper, metal: metalOf(footprint, copper), footprint };
  };
  it('is of the potential of the land that it stands on, and floats where it stands on none', () => {
    const leads = live('gull-wing-dual');
    expect(leads.metal).toHaveLength(leads.copper.length);
    for (const one of leads.metal) {
      expect(one.floats).toBe(false);
      const land = leads.copper.find(({ potential }) => potential === one.potential);
      expect(land && gapBetweenFigures(land.figure, one.figure)).toBeLessThan(1e-9);
      expect(one.over?.low).toBeGreaterThanOrEqual(0);
      expect(one.over?.high).toBeGreaterThan(0.3);
    }
    const tab = live('tab-package').metal.find(({ name }) => /tab/.test(name));
    expect(tab?.floats).toBe(false);
    const can = live('electrolytic-can').metal.find(({ name }) => name.startsWith('the can'));
    expect([can?.floats, can?.figure.figure.kind]).toEqual([true, 'round']);
  });
  it('is the same on the far side as on the near one', () => {
    const { footprint, metal } = live('gull-wing-dual');
    const below = moved(footprint, { at: { x: 3, y: 4 }, angle: 90, far: true });
    const there = metalOf(below, conductorsOf(below));
    expect(
      there.map(({ over, floats, potential, side }) => [
        over?.low.toFixed(6),
        over?.high.toFixed(6),
        floats,
        potential,
        side,
      ]),
    ).toEqual(
      metal.map(({ over, floats, potential }) => [
        over?.low.toFixed(6),
        over?.high.toFixed(6),
        floats,
        potential,
        'far',
      ]),
    );
  });
  it('shortens the way between parts on a board, by its height too', () => {
    const { document } = VARIANTS.find((one) => one.document.package.family === 'electrolytic-can')!;
    const told = (x: number, y: number) => {
      const trial = {
        ...trialOf([part('C1', 'C', 25, 20), part('K1', 'K', x, y)]),
        footprints: {
          C: {
            document: {
              ...document,
              pins: [
                { id: '1', lands: '1' },
                { id: '2', lands: '2' },
              ],
            },
          },
          K: {
            document: relay({ pins: [{ id: '1', lands: '1', name: 'L', voltage: '1000 pk' }] }),
          },
        },
      };
      return checkTrial(compileTrial(trial as never)).findings.filter(({ rule }) => rule === 'trial-voltage');
    };
    const can = live('electrolytic-can').metal.find(({ floats }) => floats);
    const [land] = footprintOf(relay()).lands;
    if (!can || !land) throw new Error('no can or land');
    // land 1 of the relay stands beside the can, 0.5 mm from it, and farther than that from the can's lands
    const x = 25 - land.at.x;
    const y = 20 + can.figure.maxY + 0.5 - land.copper.minY;
    const [first] = told(x, y);
    expect(first?.message).toMatch(/over C1\.can, which floats/);
    // the can stands 1.185 over the lands: up to it, and down from it to the terminal, which is 0.285 high
    expect(first?.measured?.value).toBeCloseTo(Math.hypot(0.5, 1.185) + 0.9, 2);
    expect(told(x, y + 2).filter(({ message }) => message.includes('floats'))).toEqual([]);
  });
});

describe('planes round holes', () => {
  it('keep what inner conductors of the voltage need, and are mended', () => {
    const planes = (document: TapisDocument) =>
      check(compile(document)).findings.filter(({ rule }) => rule === 'voltage-planes');
    const pins: TapisDocument['pins'] = [{ id: '1', lands: '1', name: 'L', voltage: '1000 pk' }];
    const [first, ...others] = planes(relay({ pins }));
    expect(others).toEqual([]);
    // B1 above 500 V: 0.25 mm, and 0.0025 for each volt more
    expect(first?.measured?.limit).toBeCloseTo(1.5, 9);
    expect(planes(applyEdits(relay({ pins }), first?.remedies[0]?.edits ?? []))).toEqual([]);
    expect(planes(relay({ pins: [{ id: '1', lands: '1', voltage: '12' }] }))).toEqual([]);
    expect(planes(under({ spacingBy: 2 }, relay({ pins })))).toEqual([]);
  });
});
