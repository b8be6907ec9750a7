import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { run } from './run';
import { writeTrial } from '../../src/core/document/write';
import { DEMO_DOCUMENTS } from '../../src/demo/documents';
import { demoTrial } from '../../src/demo/trial';
import { part, trialOf } from '../data/trials';

const folder = mkdtempSync(join(tmpdir(), 'tapis-trial-'));
function file(name: string, text: string): string {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
}
const board = file('board.json', writeTrial(demoTrial(DEMO_DOCUMENTS)));

it('tells what is found on a board, and ends with 1 where one is a stop', async () => {
  const told = await run(['trial', board]);
  expect(told.code).toBe(1);
  expect(told.out).toContain('Lead 9 of J2 comes out 1.40 mm under U2');
  expect(told.out).toMatch(/\n12 rules held, 1 had nothing to look at/);
  const json = JSON.parse((await run(['trial', board, '--json'])).out) as {
    verdict: string;
    findings: { rule: string; place: { parts: string[] } }[];
  };
  expect(json.verdict).toBe('stop');
  expect(json.findings.map(({ rule }) => rule)).toEqual(['trial-leads', 'trial-courtyards']);
  const clear = file('clear.json', writeTrial(trialOf([part('R1', 'R', 10, 10)])));
  expect(await run(['trial', clear])).toMatchObject({ code: 0, err: '' });
});

it('writes a board in a format, and tells what is not in it', async () => {
  const out = join(folder, 'out');
  const written = await run(['trial', board, '--format', 'placement', '--out', out]);
  expect(written).toMatchObject({ code: 0, err: '' });
  const list = readFileSync(written.out.trim(), 'utf8').split('\r\n');
  expect(list[0]).toMatch(/^reference,value,footprint,side/);
  expect(list).toHaveLength(1 + 24 + 1);
  const lacking = file(
    'lacking.json',
    writeTrial(trialOf([part('R1', 'R', 10, 10), part('X1', 'none', 1, 1)])),
  );
  const without = await run(['trial', lacking, '--format', 'idf', '--out', out]);
  expect(without.code).toBe(0);
  expect(without.err).toContain('X1 names the footprint “none”');
  expect(existsSync(without.out.trim())).toBe(true);
});

it.each([
  [['--format', 'tape', '--out', folder], 'known are drawing'],
  [['--format', 'step'], '--out is missing'],
])('refuses %j', async (more, why) => {
  const refused = await run(['trial', board, ...more]);
  expect(refused.code).toBe(2);
  expect(refused.err).toContain(why);
});

it('refuses a file that is no trial, with what is wrong in it', async () => {
  expect((await run(['trial', file('none.json', '{"tapis":2}')])).err).toContain('“tapisTrial” is missing');
  expect((await run(['trial', file('odd.json', '{"tapisTrial":1,"name":"x"}')])).err).toContain(
    '“process” is missing',
  );
});
