import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import vm from 'node:vm';
import { build } from 'esbuild';
import { beforeAll, expect, it } from 'vitest';
import { writeDocument } from '../../src/core/document/write';
import { converter } from '../data/documents';

// what others install: packed, put into an empty project, used there as the page on it says

const project = mkdtempSync(join(tmpdir(), 'tapis-package-'));
const installed = join(project, 'node_modules/tapis');
const node = (...args: string[]) =>
  execFileSync(process.execPath, args, { cwd: project, encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });

beforeAll(() => {
  const made = join(project, 'made');
  // fails where the face is another than the report of it
  execFileSync(process.execPath, ['tools/pack.mjs', made], { stdio: 'pipe' });
  const npm = (...args: string[]) =>
    execFileSync('npm', args, { cwd: project, encoding: 'utf8', stdio: 'pipe' });
  const packed = npm('pack', made, '--silent').trim().split('\n').at(-1) ?? '';
  writeFileSync(join(project, 'package.json'), '{ "name": "empty", "private": true, "type": "module" }');
  npm('install', '--omit=optional', '--prefer-offline', '--no-audit', '--no-fund', `./${packed}`);
});

const examples = [...readFileSync('docs/package.md', 'utf8').matchAll(/^```js\n([^]*?)^```/gm)].map(
  ([, code = '']) => code,
);
const PRINTED = [
  'SOP65P640X120-16N clear\n',
  /\/package The field “package” is missing.*\n.*\/level .*must be one of A, B, C, D/s,
  "5.80..6.20 [ 'A1' ]\n",
  /^RESC1608X55N\S* true\n(RESC1608X55N\S* true\n){2}$/,
  'true true\n',
];

it.each(PRINTED.map((printed, i) => [i, printed] as const))(
  'example %i of its page runs in Node',
  (i, printed) => {
    const path = join(project, `example-${i}.mjs`);
    writeFileSync(path, examples[i] ?? '');
    if (typeof printed === 'string') expect(node(path)).toBe(printed);
    else expect(node(path)).toMatch(printed);
  },
);

it('has five examples, and no others', () => expect(examples).toHaveLength(PRINTED.length));

it('runs where there is neither Node nor DOM', async () => {
  const entry = join(project, 'browser.mjs');
  writeFileSync(
    entry,
    `import { check, compile, read, writeAs } from 'tapis';
     const compiled = compile(read(DOCUMENT).value);
     globalThis.told = [compiled.footprint.standardName, check(compiled).verdict];
     globalThis.written = writeAs(compiled, 'csv');`,
  );
  const { outputFiles } = await build({
    entryPoints: [entry],
    bundle: true,
    write: false,
    format: 'iife',
    platform: 'browser',
    logLevel: 'error',
  });
  const place = vm.createContext({
    DOCUMENT: writeDocument(converter()),
    ...{ TextDecoder, TextEncoder, structuredClone, console, URL, setTimeout, performance },
  });
  vm.runInContext(outputFiles[0]?.text ?? '', place);
  expect(place['told']).toEqual(['SOP65P640X120-16N', 'clear']);
  const file = (await place['written']) as { value: { content: string } };
  expect(file.value.content).toContain('number,padstack');
});

it('has types that hold, and that find what is wrong', () => {
  const check = (code: string) => {
    writeFileSync(join(project, 'use.ts'), code);
    const tsc = join(process.cwd(), 'node_modules/typescript/bin/tsc');
    const flags = [
      '--noEmit',
      '--strict',
      '--module',
      'nodenext',
      '--target',
      'es2022',
      '--skipLibCheck',
      'false',
    ];
    try {
      return node(tsc, ...flags, '--types', '', 'use.ts');
    } catch (error) {
      return (error as { stdout: string }).stdout;
    }
  };
  const use = (name: string) => `import { compile, read, type TapisDocument } from 'tapis';
    const r = read('');
    if (r.ok) { const d: TapisDocument = r.value; const n: string | undefined = compile(d).footprint?.${name}; void n; }`;
  expect(check(use('standardName'))).toBe('');
  expect(check(use('standardNames'))).toContain('TS2551');
});

it('brings the terminal command, and stays light', () => {
  const part = join(project, 'part.json');
  writeFileSync(part, writeDocument(converter()));
  const bin = join(installed, 'bin/tapis.mjs');
  expect(node(bin, 'describe', part)).toContain('standard name: SOP65P640X120-16N');
  expect(node(bin, 'export', part, '--format', 'csv', '--out', project)).toContain('.csv');
  mkdirSync(join(project, 'library'));
  writeFileSync(join(project, 'library/part.json'), writeDocument(converter()));
  expect(node(bin, 'batch', 'library')).toContain('"standardName":"SOP65P640X120-16N"');
  expect(readdirSync(join(project, 'node_modules')).filter((name) => !name.startsWith('.'))).toEqual([
    'piscina',
    'tapis',
  ]);
  const weight = gzipSync(readFileSync(join(installed, 'index.js'))).length / 1000;
  expect(weight).toBeGreaterThan(200);
  expect(weight).toBeLessThan(600);
});
