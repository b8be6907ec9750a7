import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { run } from './run';
import { VARIANTS } from '../data/families';

const folder = mkdtempSync(join(tmpdir(), 'tapis-best-'));
const sot = VARIANTS.find(({ name }) => name === 'small-transistor')?.document;
const part = join(folder, 'sot.json');
writeFileSync(part, JSON.stringify({ ...sot, level: 'C' }));

interface Answer {
  readonly groups: readonly {
    readonly group: string;
    readonly points: readonly {
      readonly id: string;
      readonly bad: { readonly share: number };
      readonly area: number;
    }[];
  }[];
  readonly capabilities: readonly { readonly variable: string; readonly cpk: number }[];
}

it('says which land fails least, beside the levels, and which tolerance matters', async () => {
  const { out, code } = await run(['best', part]);
  expect(code).toBe(0);
  expect(out).toMatch(/level C: Z 3\.30.*; \d+ ppm/);
  expect(out).toContain('best: Z');
  expect(out).toContain('toe: span over the terminals');
  expect(out).toMatch(/0\.05 mm less of terminal length spares \d+/);
});

it('takes how a tolerance spreads, and what was measured of one', async () => {
  const offsets = join(folder, 'placed.csv');
  writeFileSync(offsets, Array.from({ length: 60 }, (_, i) => ((i % 7) - 3) * 0.004 - 0.02).join('\n'));
  const json = async (...more: string[]) =>
    JSON.parse((await run(['best', part, '--json', ...more])).out) as Answer;
  const shareOf = ({ groups }: Answer, id: string) =>
    groups[0]?.points.find((point) => point.id === id)?.bad.share ?? NaN;
  const usual = await json();
  expect(await json()).toEqual(usual);
  const uniform = await json('--spread', 'Terminal length=uniform');
  expect(shareOf(uniform, 'C')).toBeGreaterThan(shareOf(usual, 'C') * 2);
  const measured = await json('--measured', `placement along=${offsets}`);
  expect(measured.capabilities[0]).toMatchObject({ variable: 'Placement along', cpk: expect.any(Number) });
  expect(shareOf(measured, 'C')).not.toBe(shareOf(usual, 'C'));
});

it('writes the land that is taken, and refuses what it does not know', async () => {
  const out = join(folder, 'best.json');
  expect((await run(['best', part, '--take', 'best', '--out', out])).code).toBe(0);
  const taken = JSON.parse(readFileSync(out, 'utf8')) as {
    overrides: { lands: Record<string, { reason: string }> };
  };
  expect(Object.values(taken.overrides.lands)[0]?.reason).toContain('ppm bad joints expected');
  expect((await run(['check', out])).code).toBe(0);
  for (const [args, words] of [
    [['--spread', 'Weather=uniform'], 'does not vary here'],
    [['--spread', 'Placement along=wide'], 'is no spread'],
    [['--take', 'best'], '--out is missing'],
    [['--take', 'largest', '--out', out], 'known are'],
    [['--measured', 'Placement along=/nowhere.csv'], 'cannot be read'],
    [['--max-z', 'far'], 'outer distance'],
  ] as const)
    expect(await run(['best', part, ...args])).toMatchObject({
      code: 2,
      err: expect.stringContaining(words),
    });
});

it('says of a folder which number of the process costs most, and in what', async () => {
  const library = join(folder, 'library');
  mkdirSync(library);
  writeFileSync(join(library, 'a.json'), JSON.stringify({ ...sot, name: 'Q1', level: 'C' }));
  writeFileSync(join(library, 'b.json'), JSON.stringify({ ...sot, name: 'Q2', level: 'A' }));
  writeFileSync(join(library, 'c.json'), '{');
  const { out, err, code } = await run(['best', library]);
  expect(code).toBe(0);
  expect(err).toContain('c.json: ');
  const [first = ''] = out.split('\n');
  expect(first).toMatch(
    /: 0\.05 mm less spares \d+ bad joints in a million parts of each of 2 footprints; most: Q1 /,
  );
  interface Cost {
    readonly number: string;
    readonly spared: number;
    readonly footprints: readonly { readonly name: string; readonly spared: number }[];
  }
  const costs = JSON.parse((await run(['best', library, '--json'])).out) as Cost[];
  // most first, each the sum of its footprints; less tolerance never costs
  expect(costs.map(({ spared }) => spared)).toEqual(costs.map(({ spared }) => spared).sort((a, b) => b - a));
  for (const { spared, footprints } of costs)
    expect(footprints.reduce((sum, one) => sum + one.spared, 0)).toBeCloseTo(spared, 9);
  expect(costs.map(({ number }) => number)).toContain('fabricationTolerance');
  expect((await run(['best', library, '--take', 'best', '--out', join(folder, 'x.json')])).code).toBe(2);
});
