import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { COMMANDS } from '../../src/cli/commands';
import { run } from './run';
import { converter } from '../data/documents';

const part = join(mkdtempSync(join(tmpdir(), 'tapis-commands-')), 'part.json');
writeFileSync(part, JSON.stringify(converter()));

describe('the terminal', () => {
  it('tells all commands, and the options of each alone', async () => {
    const all = await run(['--help']);
    expect(all.code).toBe(0);
    for (const { name, options } of COMMANDS) {
      expect(all.out).toContain(name);
      const own = await run([name, '--help']);
      expect([own.code, own.err]).toEqual([0, '']);
      for (const [flags] of options) expect(own.out).toContain(flags);
    }
    expect((await run(['check', '--help'])).out).not.toContain('--target');
  });
  it.each([
    [['check', part, '--target', 'review', '--level', 'Q'], "unknown option '--target'"],
    [['compile', part, '--format', 'csv'], "unknown option '--format'"],
    [['compile', part, part], 'too many arguments'],
    [['compile'], "missing required argument 'FILE'"],
    [['compare', part], "missing required argument 'B'"],
    [['export', part, '--format'], "option '--format <format>' argument missing"],
    [['chek', part], "unknown command 'chek'"],
    [[], 'COMMAND'],
  ])('%j is refused: %s', async (args, words) => {
    const { code, out, err } = await run(args);
    expect([code, out]).toEqual([2, '']);
    expect(err).toContain(words);
    // the same words in the help that follows help nobody
    expect(err.length).toBeLessThan(args.length === 0 ? 6000 : 300);
  });
  it('takes an option that may come several times each time', async () => {
    const drawing = part.replace('part.json', 'lands.dxf');
    writeFileSync(drawing, '0\nSECTION\n2\nENTITIES\n0\nENDSEC\n0\nEOF\n');
    const { err } = await run(['import', drawing, '--out', '/tmp', '--as', 'A=lands', '--as', 'B=nonsense']);
    expect(err).toContain('nonsense');
  });
});
