import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { describe, expect, it } from 'vitest';

type Import = readonly [file: string, target: string];

/** What the linter says of files that import so, by the file and what it imports. */
function complaints(imports: readonly Import[]): Map<string, string> {
  const folder = mkdtempSync(join(tmpdir(), 'tapis-rooms-'));
  const placed = imports.map(([file, target], i): Import => [file.replace('x.ts', `x${i}.ts`), target]);
  for (const [file, target] of placed) {
    mkdirSync(dirname(join(folder, file)), { recursive: true });
    writeFileSync(join(folder, file), `import type { A } from '${target}';\nexport type B = A;\n`);
  }
  // a config's paths count from where it stands
  const config = join(folder, 'oxlint.config.mjs');
  const house = pathToFileURL(resolve('oxlint.config.js')).href;
  writeFileSync(
    config,
    `import house from '${house}';\nexport default { ...house, options: { typeAware: false } };\n`,
  );
  let printed: string;
  try {
    // floors need no types, which files that stand alone do not have
    const args = [resolve('node_modules/oxlint/bin/oxlint'), '-c', config];
    printed = execFileSync('node', [...args, '-f', 'json', '.'], {
      cwd: folder,
      encoding: 'utf8',
    });
  } catch (error) {
    printed = (error as { stdout: string }).stdout;
  }
  const { diagnostics } = JSON.parse(printed) as {
    diagnostics: { filename: string; message: string; help?: string }[];
  };
  return new Map(
    placed.map(([file, target], i) => [
      imports[i]!.join(' '),
      diagnostics
        .filter(({ filename }) => filename.endsWith(file))
        .map(({ message, help = '' }) => `${message} ${help} ${target}`)
        .join('\n'),
    ]),
  );
}

const UPWARDS: readonly Import[] = [
  ['src/core/units/x.ts', '../geometry/box'],
  ['src/core/package/families/x.ts', '../../land/solver'],
  ['src/core/land/x.ts', '../footprint/compile'],
  ['src/core/check/rules/x.ts', '../../format/format'],
  ['src/core/check/rules/x.ts', '../../package/family'],
  ['src/islands/shelf/x.ts', '../../core/package/families'],
  ['src/islands/sheet/x.ts', '../state/bench'],
  ['src/islands/ledger/x.ts', '../bench/useSheet'],
  ['src/core/format/x.ts', '../../islands/state/bench'],
  ['src/store/x.ts', '../islands/state/bench'],
  ['src/islands/bench/x.ts', '../../pages/index'],
];
const DOWNWARDS: readonly Import[] = [
  ['src/core/check/rules/x.ts', '../../footprint/footprint'],
  ['src/core/footprint/x.ts', '../body/heights'],
  ['src/islands/bench/x.ts', '../../core/footprint/compile'],
  ['src/islands/bench/x.ts', '../../store/shelf'],
  ['src/islands/ledger/x.ts', '../sheet/Balloons'],
  ['src/islands/shelf/x.ts', '../../core/package/catalogue'],
];

describe('imports point downwards', () => {
  const said = complaints([...UPWARDS, ...DOWNWARDS]);
  it.each(UPWARDS)('%s may not import %s', (file, target) => {
    expect(said.get(`${file} ${target}`)).toContain('lower floors only');
  });
  it.each(DOWNWARDS)('%s may import %s', (file, target) => {
    expect(said.get(`${file} ${target}`)).toBe('');
  });
});

it('choices are unions of words: nothing is an enum', () => {
  // git says 1 where it finds none
  const { stdout } = spawnSync('git', ['grep', '-nE', '^(export )?(const |declare )?enum ', '--', 'src']);
  expect(String(stdout)).toBe('');
});
