import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { run } from './run';
import { chip, converter } from '../data/documents';

const folder = mkdtempSync(join(tmpdir(), 'tapis-library-'));
const [theirs, ours] = [join(folder, 'theirs'), join(folder, 'ours')];
mkdirSync(join(theirs, 'passives'), { recursive: true });
mkdirSync(ours);
writeFileSync(join(ours, 'u4.json'), JSON.stringify(converter()));
writeFileSync(join(ours, 'r1.json'), JSON.stringify(chip()));

/** A pad table of what a document gives. */
async function table(name: string, change: (text: string) => string = (text) => text): Promise<string> {
  const out = mkdtempSync(join(tmpdir(), 'tapis-table-'));
  const { out: path } = await run(['export', join(ours, name), '--format', 'csv', '--out', out]);
  const { readFileSync } = await import('node:fs');
  return change(readFileSync(path.trim(), 'utf8'));
}

it('holds a folder of patterns against a folder of packages, the worst first, and tells what it cannot read', async () => {
  writeFileSync(join(theirs, 'somebody’s converter.csv'), await table('u4.json'));
  // every number once more, one further
  const rotated = (text: string) =>
    text.replace(/^(\d+),/gm, (_, number: string) => `${(Number(number) % 16) + 1},`);
  writeFileSync(join(theirs, 'rotated.csv'), await table('u4.json', rotated));
  writeFileSync(join(theirs, 'passives', 'r1.csv'), await table('r1.json'));
  writeFileSync(
    join(theirs, 'other.csv'),
    'pad,x,y,length,width\n1,0,0,1,1\n2,0,9,1,1\n3,9,9,1,1\n4,5,5,1,1\n5,7,7,1,1\n',
  );
  writeFileSync(join(theirs, 'broken.xml'), '<IPC-2581 revision="C"><Content>');
  const { out, err, code } = await run(['opinion', theirs, '--against', ours]);
  const rows = out
    .trim()
    .split('\n')
    .map((row) => row.split('\t').slice(0, 3));
  expect(rows).toEqual([
    ['wrong', 'rotated', 'U4 converter (by its lands)'],
    ['no package', 'other', '–'],
    ['usable', 'r1', expect.stringContaining('R1')],
    ['usable', 'somebody’s converter', 'U4 converter (by its lands)'],
  ]);
  expect(code).toBe(1);
  expect(err).toContain('not read: broken.xml');
  expect(err).toContain('4 patterns against 2 packages: wrong 1, no package 1');
  const { out: sarif } = await run(['opinion', theirs, '--against', ours, '--sarif']);
  const log = JSON.parse(sarif) as { runs: { results: { ruleId: string; level: string }[] }[] };
  const results = log.runs[0]?.results ?? [];
  expect(results).toContainEqual(expect.objectContaining({ ruleId: 'opinion-numbers', level: 'error' }));
  expect(results).toContainEqual(expect.objectContaining({ ruleId: 'opinion-unmatched', level: 'warning' }));
});

it('refuses a folder without packages to hold it against', async () => {
  expect(await run(['opinion', theirs])).toMatchObject({
    code: 2,
    err: expect.stringContaining('--against is missing'),
  });
});
