import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';
import { run } from './run';
import { converter } from '../data/documents';

const folder = mkdtempSync(join(tmpdir(), 'tapis-import-'));
const file = (name: string, content: string): string => {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
};
const given = (name: string): string => fileURLToPath(new URL(`../data/given/${name}`, import.meta.url));
const good = file('good.json', JSON.stringify(converter()));
/** Two rows of eight at 0.65, each land as long and wide as it is computed, numbered by what is given. */
const pads = (name: string, called: (number: number) => number, length = 1.55) =>
  file(
    name,
    [
      'number,x_mm,y_mm,length_mm,width_mm',
      ...Array.from({ length: 16 }, (_, i) => {
        const left = i < 8;
        return [called(i + 1), left ? -2.9 : 2.9, (3.5 - (left ? i : 15 - i)) * 0.65, length, 0.4].join(',');
      }),
    ].join('\n'),
  );

test('import writes each pattern as a document, and what was not understood to standard error', async () => {
  const out = join(folder, 'taken');
  const taken = await run([
    'import',
    given('two-packages-inch-c.xml'),
    given('board-top-copper.gbr'),
    '--out',
    out,
  ]);
  expect(taken.code).toBe(0);
  expect(readdirSync(out).sort()).toEqual([
    'D1.tapis.json',
    'DIODE.tapis.json',
    'TERM 2.tapis.json',
    'U2.tapis.json',
  ]);
  expect(taken.err).toContain('Thermal reliefs are left out');
  // every one of them is a document like any other
  for (const name of readdirSync(out)) expect((await run(['compile', join(out, name)])).code).toBe(0);
  // and nothing is written over
  const again = await run(['import', given('two-packages-inch-c.xml'), '--out', out]);
  expect(again).toMatchObject({ code: 2 });
  expect(again.err).toContain('is there already');
});

test('import takes one of several, other columns, other layers and a box', async () => {
  const out = join(folder, 'some');
  const only = await run(['import', given('two-packages-inch-c.xml'), '--out', out, '--only', 'TERM 2']);
  expect(only.out.trim()).toBe(join(out, 'TERM 2.tapis.json'));
  const boxed = await run(['import', given('board-top-copper.gbr'), '--out', out, '--box', '70,20,85,30']);
  expect(boxed.out).toContain('board-top-copper.tapis.json');
  const odd = file('odd.csv', 'who,right,up,long,wide\n1,0,0,40,20\n2,100,0,40,20\n');
  const unsaid = await run(['import', odd, '--out', out]);
  expect(unsaid.code).toBe(2);
  const columns = ['--columns', 'number,x,y,length,width', '--unit', 'mil'];
  const chosen = await run(['import', odd, '--out', out, ...columns]);
  expect(chosen.err).toBe('');
  const document = JSON.parse(readFileSync(chosen.out.trim(), 'utf8')) as {
    package: { pieces: { points: string }[] };
  };
  expect(document.package.pieces[0]?.points).toBe('0,0 2.54,0 mm');
});

test('import refuses a table of which no row can be read, with the rows', async () => {
  const table = file('odd-numbers.csv', 'pad,x,y,length,width\n1,"1.234.5",0,40,20\n');
  const refused = await run(['import', table, '--out', join(folder, 'odd')]);
  expect(refused.code).toBe(2);
  expect(refused.err).toContain('x is “1.234.5”');
});

test.each([
  [['--unit', 'furlong'], 'known are mm, in, mil'],
  [['--columns', 'number,somewhere'], '“somewhere”'],
  [['--as', 'TOP=sky'], '“TOP=sky”'],
  [['--box', '1,2,3'], 'two corners in mm'],
  [['--only', 'Z9'], 'There is no “Z9”'],
])('import refuses %s', async (args, why) => {
  const refused = await run([
    'import',
    given('two-packages-inch-c.xml'),
    '--out',
    join(folder, 'no'),
    ...args,
  ]);
  expect(refused.code).toBe(2);
  expect(refused.err).toContain(why);
});

test('opinion: 1 for a wrong pattern, 0 for one that can be used, with its lands', async () => {
  const wrong = await run(['opinion', pads('mirrored.csv', (number) => 17 - number), '--against', good]);
  expect(wrong.code).toBe(1);
  expect(wrong.out.split('\n')[0]).toBe('Do not use it as it is: numbers mirrored.');
  const right = await run(['opinion', pads('right.csv', (number) => number, 1.5), '--against', good]);
  expect(right.code).toBe(0);
  expect(right.out).toContain('0.05 mm shorter; toe');
  const told = JSON.parse(
    (await run(['opinion', pads('short.csv', (number) => number, 0.3), '--against', good, '--json'])).out,
  ) as { verdict: string; wrong: number; lands: { grade: string }[] };
  expect(told).toMatchObject({ verdict: 'wrong', wrong: 16 });
  expect(told.lands).toHaveLength(16);
  const alone = await run(['opinion', good]);
  expect(alone).toMatchObject({ code: 0, out: 'Nothing in the pattern itself speaks against it.\n' });
});

test('opinion writes what is taken: computed, mended, or theirs with a reason', async () => {
  const pattern = pads('mend.csv', (number) => 17 - number);
  const path = (name: string) => join(folder, name);
  const ask = (...args: string[]) => run(['opinion', pattern, '--against', good, ...args]);
  expect((await ask('--take', 'mended', '--out', path('mended.json'))).code).toBe(1);
  expect((await run(['check', path('mended.json')])).code).toBe(0);
  expect((await ask('--take', 'theirs', '--out', path('theirs.json'))).err).toContain('--reason is missing');
  await ask('--take', 'theirs', '--reason', 'agreed', '--out', path('theirs.json'));
  const kept = JSON.parse(readFileSync(path('theirs.json'), 'utf8')) as {
    overrides: { numbers: Record<string, string> };
  };
  expect(kept.overrides.numbers['rows/1']).toBe('16');
  expect((await ask('--take', 'mended', '--out', path('mended.json'))).err).toContain('is there already');
  expect((await run(['opinion', given('two-packages-inch-c.xml'), '--against', good])).err).toContain(
    '--only: TERM 2, DIODE',
  );
});
