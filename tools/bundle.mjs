// The terminal command in one bundle, made anew where a source has changed since (under a second).
import { existsSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const cache = join(root, 'node_modules/.cache/tapis');

/** When the last source changed, ms. */
function lastChange(folder) {
  let last = 0;
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true }))
    if (entry.isFile() && /\.(ts|js|mjs)$/.test(entry.name))
      last = Math.max(last, statSync(join(entry.parentPath, entry.name)).mtimeMs);
  return Math.round(last);
}

/** Makes the bundle of what is there now; commands that run beside each other do not see half of one. */
async function make(bundle) {
  if (!existsSync(join(root, 'src/core/document/generated'))) {
    const { spawnSync } = await import('node:child_process');
    spawnSync('npm', ['run', '-s', 'generate'], { cwd: root, stdio: ['ignore', 'ignore', 'inherit'] });
  }
  const { build } = await import('esbuild');
  const own = `${bundle}.${process.pid}`;
  await build({
    absWorkingDir: root,
    entryPoints: ['main', 'thread', 'batch-work', 'tapis'].map((name) => `src/cli/${name}.ts`),
    outdir: own,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    packages: 'external',
    logLevel: 'error',
  });
  try {
    renameSync(own, bundle);
  } catch {
    // another command has made it meanwhile
    rmSync(own, { recursive: true });
  }
  const DAY = 86_400_000;
  for (const name of readdirSync(cache))
    if (!bundle.endsWith(name) && Date.now() - statSync(join(cache, name)).mtimeMs > DAY)
      rmSync(join(cache, name), { recursive: true, force: true });
}

/** The folder of the bundle of the sources as they are. @returns {Promise<string>} */
export async function bundled() {
  const last = Math.max(
    lastChange(join(root, 'src')),
    Math.round(statSync(fileURLToPath(import.meta.url)).mtimeMs),
  );
  const bundle = join(cache, String(last));
  if (!existsSync(bundle)) await make(bundle);
  return bundle;
}
