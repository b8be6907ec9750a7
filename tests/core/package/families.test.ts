import { describe, expect, it } from 'vitest';
import { firstLand } from '../../../src/core/footprint/lands';
import { check } from '../../../src/core/check/check';
import { LEVELS } from '../../../src/core/document/document';
import { compile } from '../../../src/core/footprint/compile';
import { compileWith } from '../../../src/core/footprint/compiling';
import type { Footprint, Land } from '../../../src/core/footprint/footprint';
import { boxOfPoints, boxRound, overhang, type Box } from '../../../src/core/geometry/box';
import { facesOf, placeFace } from '../../../src/core/geometry/faces';
import { narrowOf, sizeOf } from '../../../src/core/geometry/figure';
import { gapToPolygon } from '../../../src/core/geometry/gaps';
import { turn, type Point3 } from '../../../src/core/geometry/point';
import type { Shape } from '../../../src/core/geometry/solid';
import { sizesOf, type SolvedGroup } from '../../../src/core/land/solution';
import { FAMILIES } from '../../../src/core/package/families';
import { loadMakersOf } from '../../../src/core/package/load';
import { bodyAt } from '../../../src/core/package/drawn';
import { AS_PUBLISHED, levelWords } from '../../../src/core/standard/standard';
import { formatName, numbersIn, parseName } from '../../../src/core/package/naming';
import { PROCESSES } from '../../../src/core/process';
import { quantise } from '../../../src/core/units/length';
import { DEEP } from '../../data/depth';
import { footprintOf, USUAL_VARIANTS } from '../../data/families';

/** Every corner of every solid, where it stands. */
function cornersOf({ body }: Footprint): Point3[] {
  const { shapes, parts } = body.assembly;
  return parts.flatMap((part) => {
    const shape = shapes[part.shape];
    if (!shape) throw new Error(`no shape ${part.shape}`);
    return facesOf(shape).flatMap((face) => placeFace(face, part).corners);
  });
}

/** Six times the volume of a shape; positive only where its faces are closed and face outwards. */
function sixfoldVolume(shape: Shape): number {
  let sum = 0;
  for (const { corners } of facesOf(shape)) {
    const [a] = corners as [Point3];
    for (let i = 1; i + 1 < corners.length; i += 1) {
      const [b, c] = [corners[i] as Point3, corners[i + 1] as Point3];
      sum += a.x * (b.y * c.z - b.z * c.y) - a.y * (b.x * c.z - b.z * c.x) + a.z * (b.x * c.y - b.y * c.x);
    }
  }
  return sum;
}

/** Land sizes before rounding and trims, whatever the kind of solution. */
function computedSizes(solution: SolvedGroup): number[] {
  if (solution.kind === 'span') {
    const { Z, X, Y } = solution.computed;
    return [Z, X, Y];
  }
  if (solution.kind === 'spot') {
    const { width, height } = sizeOf(solution.computed);
    return [width, height];
  }
  return [solution.computed.hole, sizeOf(solution.computed.figure).height];
}

function isOfGrid({ body: { extent }, groups }: Footprint): boolean {
  return (
    extent.collapsing !== undefined ||
    groups.some((g) => g.kind === 'spot' && g.terminals.form.includes('ball'))
  );
}

const MARKS = ['legend-over-land', 'legend-hidden', 'courtyard', 'number-sequence', 'name-geometry', 'entry'];
const variants = USUAL_VARIANTS.map((variant, i) => [variant.name, variant, i] as const);

/** Every process at every level; in a usual run each variant is tried in three of them, so that all come up. */
const COMBINATIONS = PROCESSES.flatMap((process) => LEVELS.map((level) => ({ process, level })));

describe.each(variants)('%s', (_, { document }, index) => {
  it('keeps legend, courtyard, numbers and names at every level in every process', () => {
    for (const [i, { process, level }] of COMBINATIONS.entries()) {
      if (DEEP || (i + index) % Math.ceil(COMBINATIONS.length / 3) === 0) {
        const compiled = compile({ ...document, level, process: process.id });
        const rules = check(compiled)
          .findings.filter(({ severity }) => severity !== 'note')
          .map(({ rule }) => rule);
        expect(
          rules.filter((rule) => MARKS.includes(rule)),
          `${process.id} ${level}`,
        ).toEqual([]);
        // a mark that points at the wrong land is worse than none
        const { legend, lands } = compiled.footprint as Footprint;
        if (!legend.pin1) continue;
        const away = (land: Land) => gapToPolygon(land.copper, legend.pin1 ?? []);
        const nearest = lands.reduce((a, b) => (away(b) < away(a) - 1e-6 ? b : a));
        expect(nearest.number, `${process.id} ${level}`).toBe(firstLand(lands)?.number);
      }
    }
  });

  it('asks for no less at A than at B, and at B than at C', () => {
    const { levels } = compile(document);
    if (!levels) throw new Error('no levels');
    levels.B.forEach((_solution, group) => {
      const [a, b, c] = LEVELS.map((level) => computedSizes(levels[level][group] as SolvedGroup));
      a?.forEach((size, i) => {
        expect(size).toBeGreaterThanOrEqual(b?.[i] ?? NaN);
        expect(b?.[i]).toBeGreaterThanOrEqual(c?.[i] ?? NaN);
      });
    });
  });

  it('has lands that are no smaller at A than at B, and at B than at C, as used', () => {
    const { levels } = compile(document);
    levels?.B.forEach((_solution, group) => {
      const [a, b, c] = LEVELS.map((level) => sizesOf(levels[level][group] as SolvedGroup));
      const compared = ['Z', 'X', 'Y', 'D', 'H'];
      a?.forEach(({ symbol, value }) => {
        if (!compared.includes(symbol)) return;
        const at = (sizes: typeof a) => sizes?.find((size) => size.symbol === symbol)?.value ?? value;
        expect(value, symbol).toBeGreaterThanOrEqual(at(b as typeof a) - 1e-9);
        expect(at(b as typeof a), symbol).toBeGreaterThanOrEqual(at(c as typeof a) - 1e-9);
      });
    });
  });

  it('has closed solids of the stated height, as wide as body and terminals', () => {
    const footprint = footprintOf(document);
    const { assembly, heights, extent } = footprint.body;
    for (const [name, shape] of Object.entries(assembly.shapes))
      expect(sixfoldVolume(shape), name).toBeGreaterThan(0);
    const corners = cornersOf(footprint);
    const rise = boxOfPoints(corners.map(({ z }) => ({ x: 0, y: z }))) as Box;
    expect(rise.maxY).toBeCloseTo(heights.top.nom, 2);
    if (extent.mount === 'through') expect(rise.minY).toBeLessThan(heights.boardBottom);
    else if (footprint.bores.length === 0) expect(rise.minY).toBeCloseTo(heights.seating, 2);
    const drawn = boxRound([
      bodyAt(extent, 'nom'),
      ...footprint.lands.map(({ contact }) => contact.nom),
    ]) as Box;
    const solid = boxOfPoints(corners) as Box;
    expect(overhang(solid, drawn), 'solids beyond the drawing').toBeLessThan(0.06);
    expect(overhang(drawn, solid), 'drawing beyond the solids').toBeLessThan(0.06);
  });

  it('has its terminals on its lands and its leads in their holes', () => {
    const footprint = footprintOf(document);
    for (const { contact, copper, hole, number } of footprint.lands) {
      if (hole !== null) {
        const { width, height } = sizeOf(contact.max.figure);
        const across = contact.max.figure.kind === 'round' ? width : Math.hypot(width, height);
        expect(across, number).toBeLessThan(narrowOf(hole.figure));
        expect(overhang(contact.nom, copper), number).toBeLessThan(0);
      } else if (!isOfGrid(footprint))
        expect(overhang(contact.nom, copper), number).toBeLessThanOrEqual(1e-9);
    }
  });

  it('turns as a whole: orientation B is A a quarter further', () => {
    const [a, b] = [
      footprintOf({ ...document, orientation: 'A' }),
      footprintOf({ ...document, orientation: 'B' }),
    ];
    const spots = (footprint: Footprint, by: 0 | 90) =>
      footprint.lands.map(({ number, at, rotation, padstack }) => {
        const { x, y } = turn(at, by);
        return `${number} ${quantise(x) + 0} ${quantise(y) + 0} ${(rotation + by) % 360} ${padstack.name}`;
      });
    expect(spots(b, 0)).toEqual(spots(a, 90));
    const size = ({ courtyard: { box } }: Footprint) =>
      [box.maxX - box.minX, box.maxY - box.minY].map(quantise);
    expect(size(b)).toEqual(size(a).reverse());
    const solids = (footprint: Footprint, by: 0 | 90) => {
      const turned = cornersOf(footprint).map((corner) => turn(corner, by));
      const { minX, minY, maxX, maxY } = boxOfPoints(turned) as Box;
      return [minX, minY, maxX, maxY].map((v) => Math.round(v * 1e6) + 0);
    };
    expect(solids(b, 0)).toEqual(solids(a, 90));
  });

  it('has a name that reads back to its numbers', () => {
    const nameTemplate = footprintOf(document).package.name;
    for (const level of LEVELS) {
      const stated = parseName(
        nameTemplate,
        formatName(nameTemplate, levelWords(AS_PUBLISHED, level).letter),
      );
      expect([level, null]).toContain(stated?.level);
      for (const { symbol, value, decimals } of numbersIn(nameTemplate)) {
        const unit = 10 ** -decimals;
        // size codes of one decimal are cut off
        const most = decimals === 1 ? 1 : 0.501;
        expect(Math.abs((stated?.values[symbol] ?? NaN) - value), symbol).toBeLessThan(unit * most);
      }
    }
  });

  it('finds nothing implausible in its own numbers', () => {
    const { findings } = footprintOf(document).package.plausibility;
    // leads in line at 1.27 are as they are, and get their way out offered
    expect(findings.filter(({ rule }) => rule !== 'lead-ring-e')).toEqual([]);
  });

  it('draws a dimension line for dimensions that it has, inside the views', () => {
    const { resolved, footprint } = compile(document);
    if (!footprint || !resolved?.values) throw new Error('no footprint');
    const { values } = resolved;
    const { body } = footprint;
    const { lines } = footprint.package;
    expect(new Set(lines.map(({ symbol }) => symbol)).size).toBe(lines.length);
    for (const { symbol, from, to } of lines) {
      expect(Object.keys(values)).toContain(symbol);
      const length = Math.hypot(to.x - from.x, to.y - from.y);
      expect(length, symbol).toBeGreaterThanOrEqual(0);
      expect(length, symbol).toBeLessThan(2 * Math.max(body.extent.x.nom, body.extent.y.nom) + 60);
    }
  });
});

describe('loading who draws one package', () => {
  it.each(FAMILIES.map(({ id }) => id))(
    '%s comes with its kind and draws what it draws among all',
    async (id) => {
      const makers = await loadMakersOf(id);
      const document = variants.find(([, one]) => one.document.package.family === id)?.[1].document;
      if (!makers || !document) throw new Error(`${id} is not loaded alone, or has no example`);
      expect(makers.families.length).toBeLessThan(FAMILIES.length / 2);
      expect(compileWith({ ...makers, ground: null }, document).footprint).toEqual(
        compile(document).footprint,
      );
    },
  );
  it('composed packages come without families, and what is nobody’s is not found alone', async () => {
    const makers = await loadMakersOf('composed');
    expect(makers?.families).toEqual([]);
    expect(makers?.composer).not.toBeNull();
    expect(await loadMakersOf('gull-wing-triple')).toBeNull();
  });
});

describe('the families', () => {
  it('are known by ids of their own and searched by words', () => {
    expect(new Set(FAMILIES.map(({ id }) => id)).size).toBe(FAMILIES.length);
    for (const { keywords, title, summary } of FAMILIES) {
      expect(keywords.length).toBeGreaterThan(2);
      expect(title.length).toBeLessThan(40);
      expect(summary).toMatch(/\.$/);
    }
  });
});
