import { execFileSync } from 'node:child_process';
import { chmodSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { zipSync } from 'fflate';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { run } from './run';
import type { TapisDocument } from '../../src/core/document/document';
import { applyEdits, type Edit } from '../../src/core/document/edit';
import { writeDocument } from '../../src/core/document/write';
import { openDocument } from '../../src/core/footprint/open';
import { chip, converter } from '../data/documents';

const folder = mkdtempSync(join(tmpdir(), 'tapis-team-'));
const put = (path: string, document: TapisDocument, edits: readonly Edit[] = []): string => {
  writeFileSync(path, writeDocument(applyEdits(document, edits)));
  return path;
};
const E = (value: string): Edit => ({ at: '/package/dimensions/E', value });

describe('merge', () => {
  const files = (ours: readonly Edit[], theirs: readonly Edit[]) => [
    put(join(folder, 'base.json'), converter()),
    put(join(folder, 'ours.json'), converter(), ours),
    put(join(folder, 'theirs.json'), converter(), theirs),
  ];
  it('brings edits of different fields together', async () => {
    const { out, err, code } = await run([
      'merge',
      ...files([E('6.3..6.5')], [{ at: '/level', value: 'A' }]),
    ]);
    expect([err, code]).toEqual(['', 0]);
    const read = openDocument(out);
    expect(read.ok && [read.value.level, read.value.package.dimensions['E']]).toEqual(['A', '6.3..6.5']);
  });
  it('keeps both values where they clash, and says so', async () => {
    const { out, err, code } = await run(['merge', ...files([E('6.3..6.5')], [E('6.1..6.7')])]);
    expect(code).toBe(1);
    expect(err).toBe('clash: dimension E was 6.2..6.6, ours 6.3..6.5, theirs 6.1..6.7\n');
    expect(out).toContain('<<<<<<< ours');
    expect(out).toContain('6.1..6.7');
  });
  it('joins standards by their clauses', async () => {
    const house = (name: string, clauses: object) => {
      const path = join(folder, `${name}.json`);
      writeFileSync(path, JSON.stringify({ tapisStandard: 1, id: 'hs', name: 'HS', version: '1', clauses }));
      return path;
    };
    const toe = { value: 0.4, clause: '1' };
    const { out, code } = await run([
      'merge',
      house('s0', { 'goals/gull-wing/outer/B': toe }),
      house('s1', { 'goals/gull-wing/outer/B': { ...toe, value: 0.45 } }),
      house('s2', { 'goals/gull-wing/outer/B': toe, 'marks/legend': { value: 'ends', clause: '2' } }),
    ]);
    expect(code).toBe(0);
    expect(JSON.parse(out)).toMatchObject({
      clauses: { 'goals/gull-wing/outer/B': { value: 0.45 }, 'marks/legend': { value: 'ends' } },
    });
  });
});

describe('under version control', () => {
  const root = fileURLToPath(new URL('../..', import.meta.url));
  const repository = mkdtempSync(join(tmpdir(), 'tapis-git-'));
  const git = (...args: string[]): string =>
    execFileSync('git', ['-c', 'user.name=A', '-c', 'user.email=a@b.c', ...args], {
      cwd: repository,
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'pipe'],
    });
  const tapis = `node ${join(root, 'tools/tapis.mjs')}`;
  const part = join(repository, 'u4.json');
  const on = (branch: string, edits: readonly Edit[]) => {
    git('checkout', '-q', '-b', branch, 'base');
    put(part, converter(), edits);
    git('commit', '-qam', branch);
  };
  git('init', '-q');
  put(part, converter());
  writeFileSync(join(repository, '.gitattributes'), '*.json merge=tapis diff=tapis\n');
  git('config', 'merge.tapis.driver', `${tapis} merge %O %A %B --out %A`);
  git('config', 'diff.tapis.textconv', `${tapis} describe`);
  git('add', '.');
  git('commit', '-qm', 'base');
  git('branch', 'base');
  on('span', [E('6.3..6.5')]);
  on('level', [{ at: '/level', value: 'A' }]);
  on('other-span', [E('6.1..6.7')]);

  it('two branches that change different dimensions merge, two that change the same do not', () => {
    git('checkout', '-q', 'span');
    git('merge', '-q', '--no-edit', 'level');
    const merged = openDocument(readFileSync(part, 'utf8'));
    expect(merged.ok && [merged.value.level, merged.value.package.dimensions['E']]).toEqual([
      'A',
      '6.3..6.5',
    ]);
    expect(() => git('merge', '-q', '--no-edit', 'other-span')).toThrow();
    expect(readFileSync(part, 'utf8')).toContain('>>>>>>> theirs');
    git('merge', '--abort');
  });
  it('differences are facts in words', () => {
    expect(git('diff', 'base', 'other-span')).toContain(
      '+dimension E, lead span: 6.1..6.7 = 6.10 to 6.70 mm',
    );
  });
  it('a hook stops a stop, and looks at what changed alone', () => {
    const hook = join(repository, '.git/hooks/pre-commit');
    writeFileSync(hook, `#!/bin/sh\ngit diff --cached --name-only | ${tapis} check --list -\n`);
    chmodSync(hook, 0o755);
    git('checkout', '-q', 'base');
    writeFileSync(join(repository, 'notes.txt'), 'no document');
    put(join(repository, 'bad.json'), converter(), [{ at: '/overrides', value: { land: { X: '0.05' } } }]);
    git('add', 'notes.txt');
    git('commit', '-qm', 'notes');
    git('add', 'bad.json');
    expect(() => git('commit', '-qm', 'bad')).toThrow();
    rmSync(hook);
  });
});

describe('review', () => {
  const [old, now] = ['old', 'now'].map((name) => join(folder, name)) as [string, string];
  for (const state of [old, now]) mkdirSync(state);
  put(join(old, 'u4.json'), converter());
  put(join(now, 'u4.json'), converter(), [{ at: '/level', value: 'C' }]);
  put(join(old, 'r1.json'), chip());
  put(join(now, 'chips-r1.json'), chip());
  put(join(now, 'r2.json'), { ...chip(), name: 'R2 <b>' });
  it('tells what is changed, new, gone and only moved, as a page and a summary', async () => {
    const out = join(folder, 'review');
    const { code } = await run(['review', old, now, '--out', out, '--title', 'Autumn']);
    expect(code).toBe(0);
    const [page, summary] = ['review.html', 'review.md'].map((name) =>
      readFileSync(join(out, name), 'utf8'),
    ) as [string, string];
    expect(summary).toContain('1 changed (1 in copper), 1 new, 0 gone, 1 the same.');
    expect(summary).toContain('R2 \\<b\\>');
    expect(page).toContain('id="u4"');
    expect(page).toContain('1.55 mm</td><td>1.25 mm');
    expect(page).not.toContain('<b>R2 <b>');
    // nothing is fetched
    expect(page).not.toMatch(/(?:src|href)="(?!#)/);
    expect((await run(['review', join(folder, 'nowhere'), now, '--out', out])).code).toBe(2);
    expect((await run(['review', old, now])).code).toBe(2);
  });
  it('of ZIPs is that of their folders; a damaged one is refused', async () => {
    const zipOf = (state: string) => {
      const path = `${state}.zip`;
      const names = readdirSync(state);
      writeFileSync(
        path,
        zipSync(Object.fromEntries(names.map((name) => [name, readFileSync(join(state, name))]))),
      );
      return path;
    };
    const zips = [old, now].map(zipOf) as [string, string];
    const out = join(folder, 'review-zip');
    expect((await run(['review', ...zips, '--out', out, '--title', 'Autumn'])).code).toBe(0);
    const lists = [out, join(folder, 'review')].map((at) =>
      readFileSync(join(at, 'review.md'), 'utf8').split('\n').slice(3),
    );
    expect(lists[0]).toEqual(lists[1]);
    const bytes = readFileSync(zips[1]);
    bytes[60] = (bytes[60] ?? 0) ^ 0x55;
    writeFileSync(zips[1], bytes);
    const refused = await run(['review', ...zips, '--out', out]);
    expect([refused.code, refused.err.length < 300]).toEqual([2, true]);
  });
});

describe('shards', () => {
  it('of a folder print together what the whole prints', async () => {
    const library = join(folder, 'library');
    mkdirSync(library);
    for (let i = 0; i < 7; i += 1) put(join(library, `p${i}.json`), { ...chip(), name: `P${i}` });
    writeFileSync(join(library, 'broken.json'), '{');
    const printed = async (...args: string[]) => {
      let out = '';
      const outcome = await run(['batch', ...args], (text) => (out += text));
      return { ...outcome, out: out + outcome.out };
    };
    const whole = await printed(library, '--check');
    const shards: string[] = [];
    for (const part of ['1/2', '2/2']) {
      const file = join(folder, `shard-${part[0] ?? ''}.ndjson`);
      writeFileSync(file, (await printed(library, '--check', '--shard', part)).out);
      shards.push('--join', file);
    }
    const together = await printed(...shards, '--check');
    expect(together.out).toBe(whole.out);
    expect([together.code, whole.code]).toEqual([2, 2]);
    expect(together.err).toContain('8 files of 2 shards');
    expect((await printed(library, '--shard', '4/3')).err).toContain('such as 3/8');
    expect((await printed('--join', shards[1] ?? '', '--join', shards[1] ?? '')).err).toContain(
      'is in two shards',
    );
  });
});
