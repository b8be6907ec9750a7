import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { LEVELS, type TapisDocument } from '../../../src/core/document/document';
import { compile } from '../../../src/core/footprint/compile';
import { withExamples } from '../../../src/core/package/draw';
import { ALL_MAKERS } from '../../../src/core/package/makers';
import type { Footprint } from '../../../src/core/footprint/footprint';
import { boxOfPoints, centreOf, gapBetween } from '../../../src/core/geometry/box';
import type { Point } from '../../../src/core/geometry/point';
import { FAMILIES } from '../../../src/core/package/families';
import { PROCESSES } from '../../../src/core/process';
import { converter } from '../../data/documents';
import { cases } from '../../data/depth';

function footprintOf(document: TapisDocument): Footprint {
  const { footprint, problems } = compile(document);
  if (!footprint) throw new Error(problems.map(({ message }) => message).join('; '));
  return footprint;
}

describe('the sixteen-lead converter', () => {
  const footprint = footprintOf(converter());

  it('has its standard name and one padstack', () => {
    expect(footprint.standardName).toBe('SOP65P640X120-16N');
    expect(footprint.padstacks).toHaveLength(1);
    expect(footprint.padstacks[0]).toMatchObject({
      name: 'r155_40',
      copper: { width: 1.55, height: 0.4 },
      mask: [{ figure: { width: 1.65, height: 0.5 } }],
      paste: [{ figure: { width: 1.55, height: 0.4 } }],
    });
  });
  it('numbers its lands counter-clockwise from upper left', () => {
    const at = (number: string) => footprint.lands.find((land) => land.number === number);
    expect(at('1')).toMatchObject({ at: { x: -2.9, y: 2.275 }, rotation: 180 });
    expect(at('8')?.at).toEqual({ x: -2.9, y: -2.275 });
    expect(at('9')).toMatchObject({ at: { x: 2.9, y: -2.275 }, rotation: 0 });
    expect(at('16')?.at).toEqual({ x: 2.9, y: 2.275 });
  });
  it('puts the courtyard 0.25 round the lands, outward to 0.1', () => {
    // 7.35/2 + 0.25 = 3.925 → 4.0; body 5.1/2 + 0.25 = 2.80
    const box = { minX: -4, minY: -2.8, maxX: 4, maxY: 2.8 };
    expect(footprint.courtyard).toEqual({ excess: 0.25, box, contour: null, grownFor: null, width: 0.05 });
  });
  it('stacks its heights: copper 0.035, solder 0.05, standoff, height', () => {
    expect(footprint.body.heights).toEqual({
      boardBottom: -1.6,
      landTop: 0.035,
      legendTop: 0.03,
      lift: 0,
      seating: 0.085,
      underside: { min: 0.135, nom: 0.185, max: 0.235 },
      // of the height only the most is known: it lies above the highest underside
      top: { min: 0.235, nom: 1.285, max: 1.285 },
    });
  });
  it('draws the ends of the body, not its sides between the lands', () => {
    expect(footprint.legend.lines).toHaveLength(2);
    for (const line of footprint.legend.lines)
      expect(new Set(line.map(({ y }) => Math.abs(y)))).toEqual(new Set([2.61])); // 5.1/2 and half of a line
  });
  it('cuts the pin-1 corner of the assembly outline', () => {
    expect(footprint.assembly.outline).toHaveLength(5);
    expect(footprint.assembly.outline.at(-1)).toEqual({ x: -2.2, y: 1.5 });
  });
});

describe('overrides', () => {
  it('set land sizes, margins, numbers and solder', () => {
    const overrides = {
      land: { X: '0.35' },
      maskMargin: '0',
      pasteMargin: '0.02',
      numbers: { 'rows/1': 'A' },
    };
    const footprint = footprintOf(converter({}, { overrides, body: { solderThickness: '0.1' } }));
    expect(footprint.padstacks[0]).toMatchObject({
      name: 'r155_35m0p2',
      mask: [{ figure: { width: 1.55, height: 0.35 } }],
      paste: [{ figure: { width: 1.51, height: 0.31 } }],
    });
    expect(footprint.lands[0]?.number).toBe('A');
    expect(footprint.body.heights.seating).toBe(0.135);
  });
  it('open the mask once for each row', () => {
    const { maskOpenings } = footprintOf(converter({}, { overrides: { jointMask: true } }));
    expect(maskOpenings.map(({ lands }) => lands.length)).toEqual([8, 8]);
    expect(maskOpenings[0]?.opening).toMatchObject({ minX: -3.725, maxX: -2.075, minY: -2.525, maxY: 2.525 });
  });
  it('that cannot be read are reported and left out', () => {
    const { footprint, problems } = compile(
      converter({}, { overrides: { land: { X: 'wide' }, maskMargin: '-5' } }),
    );
    expect(footprint?.groups[0]).toMatchObject({ land: { X: 0.4 } });
    expect(problems.map(({ title }) => title)).toEqual([
      'Land X cannot be used',
      'Mask margin cannot be used',
    ]);
  });
});

describe('padstacks of single lands', () => {
  const forked = converter(
    {},
    {
      stacks: {
        groups: { leads: { mask: { margin: 'wide' } } },
        lands: { 'rows/1': { paste: { margin: 'thin' } } },
      },
    },
  );
  const group = footprintOf(converter()).groups[0]?.terminals.id ?? '';
  it('report what cannot be read once, where it stands', () => {
    const stacks = {
      groups: { [group]: forked.stacks?.groups?.['leads'] ?? {} },
      lands: forked.stacks?.lands ?? {},
    };
    const { problems } = compile({ ...forked, stacks });
    expect(problems.map(({ remedies }) => remedies[0]?.edits[0]?.at).sort()).toEqual([
      `/stacks/groups/${group}/mask/margin`,
      '/stacks/lands/rows~11/paste/margin',
    ]);
  });
  it('stand beside those of their group, and are one where they are equal', () => {
    const own = (intent: object) =>
      footprintOf(converter({}, { stacks: { lands: { 'rows/1': intent } } })).padstacks;
    expect(own({ shape: 'rectangle' })).toHaveLength(1);
    expect(own({ shape: 'oblong' }).map(({ name }) => name)).toEqual(['b155_40', 'r155_40']);
  });
});

describe('what cannot be compiled', () => {
  it('names every missing dimension', () => {
    const { footprint, problems } = compile({
      ...converter(),
      package: { family: 'gull-wing-dual', dimensions: { n: 16 } },
    });
    expect(footprint).toBeNull();
    expect(problems.map(({ title }) => title)).toContain('Lead span E is missing');
    expect(problems).toHaveLength(8);
  });
  it('names unknown families and processes with the known ones', () => {
    const strange = { ...converter(), process: 'moon', package: { family: 'constructor', dimensions: {} } };
    const { problems } = compile(strange);
    expect(problems.map(({ message }) => message).join()).toMatch(
      /moon.*standard.*constructor.*rectangular-chip/,
    );
  });
  it('is drawn with example values while a datasheet is typed in', () => {
    const started = {
      ...converter(),
      package: { family: 'gull-wing-dual', unit: 'in' as const, dimensions: { n: '20', e: '0.05' } },
    };
    const example = withExamples(started, ALL_MAKERS);
    if (!example) throw new Error('no example');
    expect(example.filled).toEqual(['E', 'E1', 'D', 'L', 'b', 'A', 'A1']);
    expect(footprintOf(example.document).lands).toHaveLength(20);
  });
});

describe('laws over all families', () => {
  it.each(FAMILIES.map(({ id, example }) => [id, example] as const))(
    '%s is symmetric to a nanometre',
    (family, example) => {
      const { lands } = footprintOf({
        ...converter(),
        package: { family, dimensions: example as Record<string, string> },
      });
      const spot = ({ x, y }: Point) => `${x + 0} ${y + 0}`;
      const terminals = new Set(lands.map(({ contact }) => spot(centreOf(contact.nom))));
      const places = new Set(lands.map(({ at }) => spot(at)));
      for (const { at, contact } of lands) {
        const { x, y } = centreOf(contact.nom);
        if (terminals.has(spot({ x: 0 - x, y: 0 - y })))
          expect(places).toContain(spot({ x: 0 - at.x, y: 0 - at.y }));
        if (terminals.has(spot({ x: 0 - x, y }))) expect(places).toContain(spot({ x: 0 - at.x, y: at.y }));
      }
    },
  );

  const entry = (low: number, high: number) =>
    fc
      .tuple(fc.integer({ min: low * 1000, max: high * 1000 }), fc.integer({ min: 0, max: 150 }))
      .map(([a, t]) => `${a / 1000}..${(a + t) / 1000}`);
  const plausible = fc
    .record({
      n: fc.integer({ min: 4, max: 32 }).map((half) => 2 * half),
      e: fc.constantFrom(0.4, 0.5, 0.635, 0.65, 0.8, 1.27),
      E1: entry(3, 12),
      over: fc.integer({ min: 700, max: 2000 }),
      b: fc.integer({ min: 30, max: 55 }),
      A: entry(0.8, 2.6),
      A1: entry(0, 0.3),
    })
    .map(({ n, e, E1, over, b, A, A1 }) =>
      converter({
        n,
        e,
        E1,
        E: `E1+${(2 * over) / 1000}`,
        D: `e*(n/2-1)+2*e`,
        L: `${(over * 0.45) / 1000}..${(over * 0.7) / 1000}`,
        b: `e*${b / 100}`,
        A,
        A1,
      }),
    );
  const anyProcess = fc.constantFrom(...PROCESSES.map(({ id }) => id));
  const anyLevel = fc.constantFrom(...LEVELS);

  it('plausible packages compile, their courtyard encloses them and their legend keeps its gap', () => {
    fc.assert(
      fc.property(plausible, anyProcess, anyLevel, (document, process, level) => {
        const compiled = compile({ ...document, process, level });
        const { footprint } = compiled;
        if (!footprint) throw new Error(compiled.problems[0]?.message);
        const { findings } = check(compiled);
        const broken = findings.filter(
          ({ rule, severity }) =>
            severity !== 'note' &&
            ['courtyard', 'legend-over-land', 'legend-hidden', 'number-sequence'].includes(rule),
        );
        expect(broken).toEqual([]);
        const mark = footprint.legend.pin1;
        const body = footprint.body.extent;
        if (mark) {
          const box = {
            minX: -body.x.max / 2,
            maxX: body.x.max / 2,
            minY: -body.y.max / 2,
            maxY: body.y.max / 2,
          };
          expect(gapBetween(boxOfPoints(mark) ?? box, box)).toBeGreaterThanOrEqual(0);
        }
      }),
      { numRuns: cases(60, 1000) },
    );
  }, 30_000);
});
