// Brings a checkout up to date: installs when the lock file changed, builds when a source changed.
import './node-version.mjs';
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));

const SOURCES = ['src', 'public', 'astro.config.mjs', 'package-lock.json', 'tools/generate-validators.mjs'];

/** Runs a command in the checkout and ends with its status where it fails. */
export function run(command, args, extra = {}) {
  const env = { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', ...extra };
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env });
  if (status !== 0) process.exit(status ?? 1);
}

function digest(paths) {
  const hash = createHash('sha256');
  const add = (path) => {
    const full = join(root, path);
    if (!existsSync(full)) return;
    if (statSync(full).isDirectory()) {
      for (const name of readdirSync(full).sort()) if (name !== 'generated') add(join(path, name));
    } else hash.update(path).update(readFileSync(full));
  };
  paths.forEach(add);
  return hash.digest('hex');
}

/** Runs a step unless its inputs are those of the last time. */
function unlessDone(name, inputs, done, step) {
  const stamp = join(root, '.cache', name);
  const now = digest(inputs);
  if (done() && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  step();
  mkdirSync(join(root, '.cache'), { recursive: true });
  writeFileSync(stamp, now);
}

export function install() {
  unlessDone(
    'installed',
    ['package-lock.json'],
    () => existsSync(join(root, 'node_modules/astro')),
    () => run('npm', ['ci', '--include=dev', '--no-audit', '--no-fund']),
  );
}

export function build() {
  unlessDone(
    'built',
    SOURCES,
    () => existsSync(join(root, 'dist/server/entry.mjs')),
    // whoever starts it: a test's environment would build React for development
    () => run('npm', ['run', '-s', 'build'], { NODE_ENV: 'production' }),
  );
}
