import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, it } from 'vitest';
import { run } from './run';
import { writeDocument } from '../../src/core/document/write';
import { chip, converter } from '../data/documents';

const folder = mkdtempSync(join(tmpdir(), 'tapis-watch-'));
writeFileSync(join(folder, 'u4.json'), writeDocument(converter()));
const tapis = fileURLToPath(new URL('../../tools/tapis.mjs', import.meta.url));

it('looks once at all documents of a folder', async () => {
  let told = '';
  const out = join(folder, 'out');
  const { code } = await run(
    ['watch', folder, '--once', '--format', 'csv', '--out', out],
    (text) => (told += text),
  );
  expect(code).toBe(0);
  expect(told).toContain('u4.json: clear, SOP65P640X120-16N → ');
  expect(readFileSync(join(out, 'SOP65P640X120-16N.csv'), 'utf8')).toContain('16');
  for (const args of [['/nowhere'], [folder, '--format', 'csv'], [folder, '--format', 'wax', '--out', out]])
    expect((await run(['watch', ...args])).code).toBe(2);
});

it('looks again at what changes, also where it is half written first', async () => {
  const child = spawn('node', [tapis, 'watch', folder], { stdio: ['ignore', 'pipe', 'inherit'] });
  let told = '';
  const heard = (words: string) =>
    new Promise<void>((resolve) => {
      const look = () => {
        if (told.includes(words)) resolve();
      };
      child.stdout.on('data', (data: Buffer) => {
        told += data.toString();
        look();
      });
      look();
    });
  try {
    await heard('watching');
    writeFileSync(join(folder, 'r1.json'), '{ "tapis": 2, ');
    await heard('r1.json: This is not JSON');
    writeFileSync(join(folder, 'r1.json'), writeDocument(chip()));
    await heard('r1.json: clear, RESC');
  } finally {
    child.kill();
  }
});
