import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { run } from './run';
import { readStandard } from '../../src/core/document/read-standard';
import { converter } from '../data/documents';

const folder = mkdtempSync(join(tmpdir(), 'tapis-standard-'));
const file = (name: string, value: unknown): string => {
  const path = join(folder, name);
  writeFileSync(path, typeof value === 'string' ? value : JSON.stringify(value));
  return path;
};
const house = (version: string, toe: number) => ({
  tapisStandard: 1,
  id: 'hs-std-12',
  name: 'HS-STD-12',
  version,
  clauses: {
    'goals/gull-wing/outer/B': { value: toe, clause: '4.3', reason: 'Fillets seen from above.' },
    'rules/joint-goal': { value: 'off', clause: '7.1' },
  },
});
const [older, newer] = [file('older.json', house('1', 0.4)), file('newer.json', house('2', 0.45))];
const part = file('part.json', converter());

it('tells what a standard wants, and names clauses that cannot be used', async () => {
  const sound = await run(['standard', newer]);
  expect(sound.code).toBe(0);
  expect(sound.out).toContain(
    'toe, level B 0.45 mm over 0.35 mm, HS-STD-12 clause 4.3: Fillets seen from above.',
  );
  expect(sound.out).toContain('Rule joint-goal off, HS-STD-12 clause 7.1');
  const bad = file('bad.json', {
    ...house('1', 0.4),
    clauses: { 'goals/gul/outer/B': { value: 1, clause: '1' } },
  });
  const told = await run(['standard', bad]);
  expect([told.code, told.err]).toEqual([1, expect.stringContaining('no place “goals/gul/outer/B”')]);
  for (const args of [['standard'], ['standard', part], ['standard', newer, '--from', folder]])
    expect((await run(args)).code).toBe(2);
});

it('says in what two differ', async () => {
  const { out, code } = await run(['standard', newer, '--against', older]);
  expect(code).toBe(1);
  expect(out).toContain('toe, level B: 0.40 mm → 0.45 mm');
  expect(out.trim().split('\n')).toHaveLength(2);
  expect((await run(['standard', newer, '--against', newer])).code).toBe(0);
});

it('puts any command’s documents under it, and leaves files as they are', async () => {
  const before = readFileSync(part, 'utf8');
  const compiled = await run(['compile', part, '--standard', newer]);
  const answer = JSON.parse(compiled.out) as {
    standard: { version: string; hash: string };
    levels: Record<string, readonly { goals: { outer: number } }[]>;
    report: { silenced: readonly { id: string; by: string }[] };
  };
  expect(answer.standard).toMatchObject({ version: '2', hash: expect.stringMatching(/^[0-9a-f]{12}$/) });
  expect(answer.levels['B']?.[0]?.goals.outer).toBe(0.45);
  expect(answer.report.silenced).toMatchObject([{ id: 'joint-goal', by: 'HS-STD-12 clause 7.1' }]);
  expect((await run(['check', part, '--standard', newer])).out).toContain(
    'switched off by HS-STD-12 clause 7.1',
  );
  const csv = await run(['export', part, '--standard', newer, '--format', 'json', '--out', folder]);
  const carried = await run(['compile', csv.out.trim()]);
  expect(JSON.parse(carried.out)).toMatchObject({ standard: answer.standard });
  const back = await run(['compile', csv.out.trim(), '--standard', 'published']);
  expect(JSON.parse(back.out)).toMatchObject({ standard: null });
  expect((await run(['check', part, '--standard', part])).err).toContain('tapisStandard');
  expect(readFileSync(part, 'utf8')).toBe(before);
});

it('reads one off a folder of documents', async () => {
  const made = join(folder, 'made');
  mkdirSync(made);
  for (const e of ['1.27', '0.8'])
    writeFileSync(
      join(made, `p${e}.json`),
      JSON.stringify({
        ...converter({ e, n: '8' }),
        name: `p${e}`,
        marks: { style: 'ends' },
        overrides: { land: { Y: '1.75', C: '6.0' } },
      }),
    );
  const { out, err } = await run(['standard', '--from', made, '--name', 'Old line']);
  const read = readStandard(out);
  if (!read.ok) throw new Error(out);
  expect(read.value.standard).toMatchObject({ id: 'old-line', name: 'Old line' });
  // Z 7.75 for Lmin 6.20 and √(0.16 + 0.01 + 0.0025) = 0.4153: (7.75 − 6.6153)/2
  expect(read.value.standard.clauses['goals/gull-wing/outer/B']?.value).toBeCloseTo(0.57, 2);
  expect(read.value.standard.clauses['marks/legend']?.value).toBe('ends');
  expect(err).toContain('in 2 of 2');
});
