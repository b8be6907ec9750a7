import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { check } from '../../../src/core/check/check';
import type { TapisDocument } from '../../../src/core/document/document';
import type { Drawable } from '../../../src/core/footprint/footprint';
import { documentOf } from '../../../src/core/format/import';
import { place, sizeOf, type Figure, type Placed } from '../../../src/core/geometry/figure';
import { HOME, putPlaced, type Placement } from '../../../src/core/geometry/placement';
import type { GivenLand, GivenPattern } from '../../../src/core/given/pattern';
import { opinionAlone } from '../../../src/core/opinion/alone';
import { keptTheirs, opinionOn, type Opinion } from '../../../src/core/opinion/opinion';
import { causeOf } from '../../../src/core/opinion/pitch';
import { DEMO_DOCUMENTS } from '../../../src/demo/documents';
import { demoPatterns, EXPANSION_HEADER } from '../../../src/demo/patterns';
import { chip, converter } from '../../data/documents';
import { drawn, given } from '../../data/patterns';

const each = (pattern: GivenPattern, change: (land: GivenLand) => GivenLand): GivenPattern => ({
  ...pattern,
  lands: pattern.lands.map(change),
});

/** Everything of a land put elsewhere. */
const all = (land: GivenLand, put: (placed: Placed) => Placed): GivenLand => ({
  ...land,
  copper: put(land.copper),
  ...(land.mask ? { mask: land.mask.map(put) } : {}),
  ...(land.paste ? { paste: land.paste.map(put) } : {}),
  ...(land.hole ? { hole: { ...land.hole, hole: put(land.hole.hole) } } : {}),
});

const stretched = (pattern: GivenPattern, kx: number, ky: number) =>
  each(pattern, (land) =>
    all(land, ({ figure, at, rotation }) => place(figure, { x: at.x * kx, y: at.y * ky }, rotation)),
  );

function opinion(pattern: GivenPattern, against: Drawable): Opinion {
  const read = opinionOn(drawn(documentOf(pattern).document), against);
  if (!read.ok) throw new Error(read.error);
  return read.value;
}

const titles = ({ remarks }: Opinion) => remarks.map(({ severity, title }) => `${severity}: ${title}`);

const U4 = drawn(converter());
/** Sixteen leads at 0.65: down the left and up the right. */
const theirs = given(U4);

describe('what is as computed has nothing against it', () => {
  test.each(
    DEMO_DOCUMENTS.filter(({ name }) => !name.startsWith('H')).map((one) => [one.name, one] as const),
  )('%s', (_, document) => {
    const own = drawn(document);
    const found = opinion(given(own), own);
    expect(titles(found).filter((title) => !title.startsWith('note'))).toEqual([]);
    expect(found.line).toContain('It can be used');
    expect(found.wrong).toBe(0);
  });
});

describe('numbers', () => {
  test('mirrored ones are named as such, not turned or listed', () => {
    const mirrored = each(theirs, (land) => ({ ...land, number: String(17 - Number(land.number)) }));
    const found = opinion(mirrored, U4);
    expect(titles(found)).toEqual(
      ['stop: Numbers mirrored', 'stop: Mark beside another terminal'].slice(0, titles(found).length),
    );
    expect(found.remarks[0]?.message).toContain('Where terminal 1 is, it has 16');
    expect(found.wrong).toBe(0);
    // the package's own numbers come back, its lands stay
    const mended = drawn(found.mended);
    expect(mended.footprint.lands.map(({ number }) => number)).toEqual(
      U4.footprint.lands.map(({ number }) => number),
    );
  });

  test('two that are swapped are told with both', () => {
    const swapped = each(theirs, (land) =>
      land.number === '11'
        ? { ...land, number: '12' }
        : land.number === '12'
          ? { ...land, number: '11' }
          : land,
    );
    expect(opinion(swapped, U4).remarks[0]).toMatchObject({
      severity: 'stop',
      title: 'Numbers differ',
      message: 'Terminal 11 is numbered 12, terminal 12 is numbered 11.',
    });
  });

  test('another scheme is told in its words', () => {
    const rows = each(theirs, (land) => {
      const number = Number(land.number);
      return { ...land, number: String(number <= 8 ? 2 * number - 1 : 2 * (17 - number)) };
    });
    expect(opinion(rows, U4).remarks[0]?.message).toContain('row after row');
  });

  test('the same way round from another terminal is told with that terminal', () => {
    const shifted = each(theirs, (land) => ({
      ...land,
      number: String(((Number(land.number) + 2) % 16) + 1),
    }));
    // terminal 14 carries number 1
    expect(opinion(shifted, U4).remarks[0]?.message).toContain('start at terminal 14');
  });

  test('a name of its own for one terminal is asked about', () => {
    const named = each(theirs, (land) => (land.number === '16' ? { ...land, number: 'EN' } : land));
    expect(titles(opinion(named, U4))).toEqual(['caution: Numbers differ']);
  });

  test('none at all is a stop', () => {
    expect(
      titles(
        opinion(
          each(theirs, (land) => ({ ...land, number: '' })),
          U4,
        ),
      ),
    ).toContain('stop: No numbers');
  });
});

describe('places', () => {
  test('a pattern that is turned and measured from elsewhere is no wrong one', () => {
    const put: Placement = { ...HOME, at: { x: 7, y: -2 }, angle: 90 };
    const turnedOver = each(theirs, (land) => all(land, (placed) => putPlaced(put, placed)));
    const { courtyard: _c, legend: _l, ...rest } = turnedOver;
    const found = opinion(rest, U4);
    expect(titles(found).filter((title) => title.startsWith('stop'))).toEqual([]);
    expect(titles(found)).toContain('caution: Another zero rotation');
    expect(found.fit.angle).toBe(270);
    expect(found.lands.every(({ grade }) => grade === 'same')).toBe(true);
    expect(found.remarks.find(({ kind }) => kind === 'origin')?.message).toContain('7.28 mm away');
  });

  test('one that is drawn from below lies on the terminals only so', () => {
    // three lands on one side, two on the other: no turn makes a mirror of it
    const own = drawn(DEMO_DOCUMENTS.find(({ name }) => name.startsWith('J6'))!);
    const below = each(given(own), (land) =>
      all(land, (placed) => putPlaced({ ...HOME, far: true }, placed)),
    );
    expect(titles(opinion({ ...below, holes: [] }, own))).toContain('stop: Drawn from below');
  });

  test('missing lands and those too many are named', () => {
    const [first] = theirs.lands;
    const some = {
      ...theirs,
      lands: [
        ...theirs.lands.slice(0, 14),
        { ...first!, number: 'EP', copper: place(first!.copper.figure, { x: 0, y: 0 }) },
      ],
    };
    const found = opinion(some, U4);
    expect(found.remarks.find(({ kind }) => kind === 'missing')?.message).toContain('15, 16');
    expect(found.remarks.find(({ kind }) => kind === 'extra')?.message).toContain('EP');
    expect(found.fits).toBe(false);
    const pattern = drawn(documentOf(some).document);
    expect(keptTheirs(pattern, U4, found, 'the maker says so').notes).toContain('the maker says so');
  });

  test('inches for millimetres, and mil', () => {
    const scaled = (k: number) => {
      const size = (figure: Figure): Figure =>
        ({
          ...(figure as { width: number; height: number } & Figure),
          width: sizeOf(figure).width * k,
          height: sizeOf(figure).height * k,
        }) as Figure;
      return {
        ...each(theirs, (land) =>
          all(land, ({ figure, at, rotation }) =>
            place(size(figure), { x: at.x * k, y: at.y * k }, rotation),
          ),
        ),
        mask: undefined,
      };
    };
    const { courtyard: _c, legend: _l, ...small } = scaled(1 / 25.4);
    expect(opinion(small, U4).remarks[0]?.message).toContain('inches were read as millimetres');
  });

  test('a pattern for something else is refused', () => {
    const read = opinionOn(
      drawn(
        documentOf({
          ...given(drawn(chip())),
          lands: [
            { number: '1', copper: place({ kind: 'round', diameter: 1 }, { x: 500, y: 0 }) },
            { number: '2', copper: place({ kind: 'round', diameter: 1 }, { x: 700, y: 90 }) },
          ],
        }).document,
      ),
      U4,
    );
    expect(!read.ok || read.value.verdict === 'wrong').toBe(true);
  });
});

describe('pitch', () => {
  test.each([
    [2.54, 2.5, '100 mil rounded to 2.50 millimetres'],
    [1.27, 1.25, '50 mil rounded to 1.25 millimetres'],
    [0.65, 0.635, 'as a whole number of mil, 25'],
    [0.635, 0.65, null],
    [0.5, 0.508, 'as a whole number of mil, 20'],
  ])('%d as %d', (own, theirStep, cause) => {
    const said = causeOf(own, theirStep);
    if (cause === null) expect(said === null || said.includes('rounded')).toBe(true);
    else expect(said).toContain(cause);
  });

  test('a step of the wrong unit drifts away, and every land of the row is mended', () => {
    const found = opinion(stretched(theirs, 1, 0.635 / 0.65), U4);
    const drift = found.remarks.find(({ kind }) => kind === 'pitch');
    // seven steps of 0.015, halved
    expect(drift?.message).toContain('0.052 mm off');
    expect(drift?.lands).toHaveLength(16);
    expect(found.wrong).toBe(16);
    expect(found.mended.stacks).toBeUndefined();
  });

  test('the right pitch at another place is none', () => {
    const moved = each(theirs, (land) =>
      all(land, ({ figure, at, rotation }) => place(figure, { x: at.x + 3, y: at.y + 0.4 }, rotation)),
    );
    expect(opinion(moved, U4).remarks.some(({ kind }) => kind === 'pitch')).toBe(false);
  });
});

describe('joints', () => {
  /** Lands of other rows than the first made shorter from inside, by as much on both. */
  const shortened = (by: number, numbers: (number: number) => boolean) =>
    each(theirs, (land) => {
      if (!numbers(Number(land.number))) return land;
      return all(land, ({ figure, at, rotation }) => {
        const { width, height } = sizeOf(figure);
        return place(
          { kind: 'rectangle', width: width - by, height },
          { x: at.x + (Math.sign(at.x) * by) / 2, y: at.y },
          rotation,
        );
      });
    });

  test('lands without a heel are wrong, those beside them are kept', () => {
    const found = opinion(
      shortened(0.7, (number) => number > 12),
      U4,
    );
    const heel = found.remarks.find(({ title }) => title === 'Heel missing');
    expect(heel?.lands).toHaveLength(4);
    expect(heel?.message).toContain('13–16');
    expect(found.wrong).toBe(4);
    const land = found.lands.find(({ number }) => number === '14');
    expect(land?.longer).toBeCloseTo(-0.7, 6);
    expect(land?.outward).toBeCloseTo(0.35, 6);
    // by hand: the formulas give back the computed margin less what was cut off
    const own = found.lands.find(({ number }) => number === '4')?.margins.find(({ end }) => end === 'heel');
    const cut = land?.margins.find(({ end }) => end === 'heel');
    expect(cut?.inverse).toBeCloseTo((own?.inverse ?? 0) - 0.7, 6);
    const mended = drawn(found.mended);
    expect(check(mended).findings.filter(({ severity }) => severity !== 'note')).toEqual([]);
    // the others are decided by hand as they were given
    expect(Object.keys(found.mended.stacks?.lands ?? {})).toHaveLength(12);
  });

  test('a land that is a little shorter is of another size, and good', () => {
    const found = opinion(
      shortened(0.05, () => true),
      U4,
    );
    expect(found.verdict).toBe('usable');
    expect(titles(found)).toContain('note: Size and place');
  });

  test('a land beside its terminal has the side of its narrower half', () => {
    const aside = each(theirs, (land) =>
      land.number === '7'
        ? all(land, ({ figure, at, rotation }) => place(figure, { x: at.x, y: at.y + 0.12 }, rotation))
        : land,
    );
    const found = opinion(aside, U4);
    const side = (number: string) =>
      found.lands.find((land) => land.number === number)?.margins.find(({ end }) => end === 'side')
        ?.inverse ?? NaN;
    expect(side('7')).toBeCloseTo(side('6') - 0.12, 6);
    expect(found.remarks.some(({ title, lands }) => /Side/.test(title) && lands.length === 1)).toBe(true);
  });

  test('a hole that is too narrow for its lead', () => {
    const own = drawn(EXPANSION_HEADER);
    const narrow = each(given(own), (land) => ({
      ...land,
      hole: { plated: true, hole: place({ kind: 'round', diameter: 0.9 }, land.hole!.hole.at) },
    }));
    const found = opinion(narrow, own);
    expect(found.verdict).toBe('wrong');
    expect(titles(found)).toContain('stop: Lead does not go through');
  });

  test('parts in a million follow the normal distribution at three sigma', () => {
    const found = opinion(
      shortened(0.5, () => true),
      U4,
    );
    const heel = found.lands[0]?.margins.find(({ end }) => end === 'heel');
    const sigma = ((heel?.mean ?? 0) - (heel?.least ?? 0)) / 3;
    // the share beyond one sigma is 15.9 %, beyond two 2.3 %, beyond three 0.135 %
    const z = (heel?.mean ?? 0) / sigma;
    const bounds = z > 3 ? [0, 1350] : z > 2 ? [1350, 22_751] : z > 1 ? [22_750, 158_656] : [158_655, 1e6];
    expect(heel?.ppm).toBeGreaterThanOrEqual(bounds[0]!);
    expect(heel?.ppm).toBeLessThanOrEqual(bounds[1]!);
  });

  test('numbers of a million do not hang on where a pattern is measured from', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 40, noNaN: true }),
        fc.double({ min: -40, max: 40, noNaN: true }),
        fc.constantFrom(0, 90, 180, 270),
        (x, y, angle) => {
          const { courtyard: _c, legend: _l, ...bare } = shortened(0.3, (number) => number % 3 === 0);
          const put: Placement = { ...HOME, at: { x, y }, angle };
          const here = opinion(bare, U4);
          const there = opinion(
            each(bare, (land) => all(land, (placed) => putPlaced(put, placed))),
            U4,
          );
          expect(
            there.lands.map(({ grade, margins }) => [grade, margins.map(({ ppm }) => Math.round(ppm))]),
          ).toEqual(
            here.lands.map(({ grade, margins }) => [grade, margins.map(({ ppm }) => Math.round(ppm))]),
          );
        },
      ),
      { numRuns: 8 },
    );
  });
});

describe('openings and marks', () => {
  test('a stencil without openings, a courtyard that is too small, a mark under the body', () => {
    expect(
      titles(
        opinion(
          each(theirs, (land) => ({ ...land, paste: [] })),
          U4,
        ),
      ).join(),
    ).toContain('Surface land has no paste');
    const small = {
      ...theirs,
      courtyard: [
        { x: -3, y: -2.6 },
        { x: 3, y: -2.6 },
        { x: 3, y: 2.6 },
        { x: -3, y: 2.6 },
      ],
    };
    expect(titles(opinion(small, U4))).toContain('stop: Courtyard too small');
    const hidden = {
      ...theirs,
      legend: {
        lines: [],
        width: 0.12,
        pin1: [
          { x: -1.5, y: 1.5 },
          { x: -1, y: 1.5 },
          { x: -1, y: 2 },
          { x: -1.5, y: 2 },
        ],
      },
    };
    expect(titles(opinion(hidden, U4))).toContain('caution: Mark of terminal 1 hidden');
    const { legend: _none, ...bare } = theirs;
    expect(titles(opinion(bare, U4))).toContain('caution: No mark of terminal 1');
  });
});

test('theirs are kept with a reason that stands at every padstack', () => {
  const wide = each(theirs, (land) =>
    all(land, ({ figure, at, rotation }) =>
      place({ ...figure, height: sizeOf(figure).height - 0.02 } as Figure, at, rotation),
    ),
  );
  const kept = keptTheirs(
    drawn(documentOf(wide).document),
    U4,
    opinion(wide, U4),
    'agreed with the assembly house',
  );
  expect(kept.stacks?.groups?.['rows']?.reason).toBe('agreed with the assembly house');
  const [land] = drawn(kept).footprint.lands;
  expect(sizeOf(land!.copper.figure).height).toBeCloseTo(
    sizeOf(U4.footprint.lands[0]!.copper.figure).height - 0.02,
    6,
  );
});

describe('the demo’s patterns', () => {
  test.each([
    ['U4', 'numbers mirrored'],
    ['J5', 'pitch'],
    ['U2', 'heel missing'],
  ])('%s: %s', (name, why) => {
    const { document, against } = demoPatterns().find((one) => one.document.name.startsWith(name))!;
    const own = [...DEMO_DOCUMENTS, EXPANSION_HEADER].find((one) => one.name === against)!;
    const read = opinionOn(drawn(document), drawn(own));
    expect(read.ok && read.value.line).toContain(`Do not use it as it is: ${why}`);
  });
});

describe('a pattern by itself', () => {
  const alone = (pattern: GivenPattern) => opinionAlone(drawn(documentOf(pattern).document));

  test('a sound one has nothing against it', () => {
    expect(alone(theirs).verdict).toBe('usable');
  });

  test('a step beside a common one is asked about, an uneven one is told', () => {
    const row = (steps: readonly number[]): GivenPattern => {
      let x = 0;
      const lands = [0, ...steps].map((step, i) => {
        x += step;
        return { number: String(i + 1), copper: place({ kind: 'round', diameter: 1 }, { x, y: 0 }) };
      });
      return { name: 'row', from: 'x', lands, holes: [], left: [] };
    };
    const of = (steps: readonly number[]) => alone(row(steps)).remarks.map(({ title }) => title);
    expect(of(Array.from({ length: 19 }, () => 2.5))).toContain('Step that may be rounded');
    expect(of(Array.from({ length: 19 }, () => 2.54))).not.toContain('Step that may be rounded');
    expect(of([2.54, 2.54, 2.5, 2.54, 2.54])).toContain('Uneven step');
  });

  test('numbers that go round clockwise are told', () => {
    const clockwise = each(theirs, (land) => ({
      ...land,
      number: String(((17 - Number(land.number)) % 16) + 1),
    }));
    expect(
      alone(clockwise)
        .remarks.map(({ message }) => message)
        .join(),
    ).toContain('clockwise');
  });
});

describe('what no row of leads judges', () => {
  const balls = drawn({
    tapis: 2,
    name: 'grid',
    package: {
      family: 'ball-grid',
      dimensions: { nE: '4', nD: '4', e: '0.8', b: '0.40..0.50', D: '4', E: '4', A: '1.2', A1: '0.30' },
    },
    level: 'B',
    process: 'standard',
  });
  const sized = (diameter: number) =>
    each(given(balls), (land) => ({ ...land, copper: place({ kind: 'round', diameter }, land.copper.at) }));

  test('lands under balls are held against the table', () => {
    // a ball of 0.45 takes 0.30 to 0.40
    const lands = (diameter: number) =>
      titles(opinion(sized(diameter), balls)).filter((title) => title.includes('balls'));
    expect(lands(0.35)).toEqual([]);
    expect(lands(0.27)).toEqual(['caution: Lands too small for their balls']);
    expect(lands(0.2)).toEqual(['stop: Lands too small for their balls']);
    expect(lands(0.48)).toEqual(['caution: Lands too large for their balls']);
    expect(opinion(sized(0.27), balls).line).not.toContain('level A');
  });

  test('paste on an exposed pad', () => {
    // the radio of the demo stands on an exposed pad
    const pad = drawn(
      DEMO_DOCUMENTS.find(({ package: { family } }) => family === 'no-lead-quad') as TapisDocument,
    );
    const thermal = pad.footprint.lands.find(({ end, hole }) => end === null && !hole);
    if (!thermal) throw new Error('the converter has no pad');
    const { width, height } = sizeOf(thermal.copper.figure);
    const covered = (share: number) =>
      titles(
        opinion(
          each(given(pad), (land) =>
            land.number === thermal.number
              ? {
                  ...land,
                  paste:
                    share === 0
                      ? []
                      : [
                          place(
                            {
                              kind: 'rectangle',
                              width: width * Math.sqrt(share),
                              height: height * Math.sqrt(share),
                            },
                            land.copper.at,
                          ),
                        ],
                }
              : land,
          ),
          pad,
        ),
      ).filter((title) => title.endsWith('on a pad') || title.endsWith('without paste'));
    expect(covered(0.6)).toEqual([]);
    expect(covered(0.15)).toEqual(['caution: Too little paste on a pad']);
    expect(covered(0.96)).toEqual(['caution: Too much paste on a pad']);
    expect(covered(1)).toEqual(['caution: Too much paste on a pad']);
    expect(covered(0)).toEqual(['stop: Exposed pad without paste']);
  });

  test('holes without plating, a third land, and an origin elsewhere', () => {
    const header = drawn(
      DEMO_DOCUMENTS.find(({ package: { family } }) => family === 'pin-header') as TapisDocument,
    );
    const bare = each(given(header), (land) =>
      land.hole ? { ...land, hole: { ...land.hole, plated: false } } : land,
    );
    expect(titles(opinion(bare, header))).toContain('stop: Holes without plating');
    const r1 = drawn(chip());
    const third = given(r1);
    const [first] = third.lands;
    const more = {
      ...third,
      lands: [
        ...third.lands,
        { number: '', copper: place({ kind: 'round', diameter: 0.4 }, { x: 0, y: 2 }), mask: [], paste: [] },
      ],
    };
    expect(first && titles(opinion(more, r1))).toContain('caution: 1 land too many');
    const beside = each(given(r1), (land) =>
      all(land, (placed) => putPlaced({ ...HOME, at: { x: 0.3, y: 0 } }, placed)),
    );
    expect(titles(opinion(beside, r1))).toContain('caution: Origin elsewhere');
  });

  test('what a file has no place for is said once and blamed on nobody', () => {
    const { legend: _none, courtyard: _neither, ...plain } = given(drawn(converter()));
    const table = { ...plain, unsaid: ['legend', 'courtyard'] as const };
    const said = titles(opinion(table, drawn(converter())));
    expect(said).toContain('note: Not in the file');
    expect(said.filter((title) => /mark|ourtyard/.test(title))).toEqual([]);
  });
});
