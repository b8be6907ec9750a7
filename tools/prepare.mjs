// Brings a checkout up to date: installs what the lock file asks for and is not there, builds when a source changed.
import './node-version.mjs';
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));

const SOURCES = [
  'src',
  'public',
  'astro.config.mjs',
  'package-lock.json',
  'tools/generate-validators.mjs',
  'tools/server-parts.mjs',
];
const cache = join(root, '.cache');
const environment = { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' };

/** Runs a command in the checkout, showing what it prints, and ends with its status where it fails. */
export function run(command, args) {
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: environment });
  if (status !== 0) process.exit(status ?? 1);
}

/** A long step says how long it has been at it so often, ms. */
const STILL = 15_000;

/** Runs a long step, keeping what it prints; where it fails that is said in a sentence with what to do. */
async function step({ doing, command, args, log, mend, extra = {} }) {
  const begun = Date.now();
  const seconds = () => Math.round((Date.now() - begun) / 1000);
  console.log(`${doing} …`);
  const still = setInterval(() => console.log(`${doing}: ${seconds()} s so far …`), STILL);
  const child = spawn(command, args, { cwd: root, env: { ...environment, ...extra } });
  const heard = { stdout: '', stderr: '' };
  for (const name of ['stdout', 'stderr']) child[name].on('data', (data) => (heard[name] += data));
  const { status, signal, error } = await new Promise((resolve) => {
    child.once('error', (reason) => resolve({ error: reason }));
    child.once('close', (code, by) => resolve({ status: code, signal: by }));
  });
  clearInterval(still);
  if (status === 0) return void console.log(`${doing} took ${seconds()} s.`);
  const { stdout, stderr } = heard;
  mkdirSync(cache, { recursive: true });
  writeFileSync(join(cache, log), `${stdout}\n${stderr}`);
  const printed = `${stderr}\n${stdout}`.split('\n');
  const line = printed.find((each) => /error/i.test(each))?.trim() ?? error?.message ?? signal ?? '';
  console.error(
    `${doing} did not succeed: ${line.slice(0, 200)}\n${mend} All that it printed is in .cache/${log}.`,
  );
  process.exit(1);
}

/** Every file below these paths, with its size or its content, as one digest. */
function digest(paths, ofFile) {
  const hash = createHash('sha256');
  const add = (path) => {
    const full = join(root, path);
    if (!existsSync(full)) return;
    if (statSync(full).isDirectory()) {
      for (const name of readdirSync(full).sort()) if (name !== 'generated') add(join(path, name));
    } else hash.update(path).update(ofFile(full));
  };
  paths.forEach(add);
  return hash.digest('hex');
}

function json(path) {
  try {
    return JSON.parse(readFileSync(join(root, path), 'utf8'));
  } catch {
    return null;
  }
}

/** Whether every package that the lock file asks for is there as it says. */
function isInstalled(withDev) {
  return Object.entries(json('package-lock.json')?.packages ?? {}).every(
    ([path, { version, optional, devOptional, dev, link }]) =>
      !path ||
      optional ||
      link ||
      ((dev || devOptional) && !withDev) ||
      json(join(path, 'package.json'))?.version === version,
  );
}

/** Installs what is missing. @param withDev also what builds and tests, which only serving does not need */
export async function install(withDev = true) {
  if (isInstalled(withDev)) return;
  await step({
    doing: withDev ? 'Installing what Tapis is built from' : 'Installing what Tapis runs on',
    command: 'npm',
    args: ['ci', withDev ? '--include=dev' : '--omit=dev', '--no-audit', '--no-fund'],
    log: 'install.log',
    mend: 'See that the package registry can be reached and that the disk has room, then run it again.',
  });
}

const builtState = () => ({
  sources: digest(SOURCES, (path) => readFileSync(path)),
  output: digest(['dist'], (path) => String(statSync(path).size)),
});

/** Whether there is a build, whole as it was left, of these very sources. */
export function isBuilt() {
  const now = builtState();
  const last = json('.cache/built.json');
  return last?.sources === now.sources && last.output === now.output;
}

/** Builds unless that was done. */
export async function build() {
  if (isBuilt()) return;
  const stamp = join(cache, 'built.json');
  // a build that is broken off leaves no stamp
  rmSync(stamp, { force: true });
  await step({
    doing: 'Building',
    command: 'npm',
    args: ['run', '-s', 'build'],
    log: 'build.log',
    mend: 'Take the sources as they were committed (git status tells what differs), then run it again.',
    // whoever starts it: a test's environment would build React for development
    extra: { NODE_ENV: 'production' },
  });
  mkdirSync(cache, { recursive: true });
  writeFileSync(stamp, JSON.stringify(builtState()));
}
