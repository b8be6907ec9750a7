import { readdirSync, readFileSync } from 'node:fs';
import { builtinModules } from 'node:module';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

interface Manifest {
  readonly dependencies: Readonly<Record<string, string>>;
  readonly devDependencies: Readonly<Record<string, string>>;
}
const { dependencies, devDependencies } = JSON.parse(readFileSync('package.json', 'utf8')) as Manifest;

/** What runs where Tapis is served, and from a terminal. */
const RUNNING = ['core', 'kernel', 'cli', 'server', 'demo', 'pages', 'docs/pages.ts', 'middleware.ts'];
/** What the served pages need of their maker, and what starts the terminal command; no source names them. */
const BY_NAME = ['@astrojs/node', '@tesseract.js-data/eng', 'astro', 'react', 'react-dom', 'esbuild'];

function filesOf(path: string): string[] {
  if (/\.\w+$/.test(path)) return [path];
  return readdirSync(path, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesOf(join(path, entry.name)) : [join(path, entry.name)],
  );
}

/** Packages that code imports to run, not for its types. */
function importedBy(paths: readonly string[]): Set<string> {
  const found = new Set<string>();
  for (const file of paths.flatMap(filesOf)) {
    if (!/\.(ts|tsx|mjs|astro)$/.test(file) || file.includes('generated')) continue;
    const code = readFileSync(file, 'utf8').replace(/^(import|export) type [^;]*;/gm, '');
    for (const [, name = ''] of code.matchAll(
      /(?:\bfrom|\bimport|\bimport\()\s*'((?:@[\w.-]+\/)?\w[\w.-]*(?:\/[^']*)?)'/g,
    )) {
      const [whole] = /^(@[^/]+\/)?[^/]+/.exec(name) ?? [];
      if (whole && !whole.includes(':') && !builtinModules.includes(whole)) found.add(whole);
    }
  }
  return found;
}

describe('packages', () => {
  const running = importedBy(RUNNING.map((room) => join('src', room)));
  it('that run in production are installed there', () => {
    expect([...running].filter((name) => !(name in dependencies) && !BY_NAME.includes(name))).toEqual([]);
  });
  it('that only build or test are not', () => {
    const idle = Object.keys(dependencies).filter((name) => !running.has(name) && !BY_NAME.includes(name));
    expect(idle).toEqual([]);
  });
  it('are named once', () => {
    expect(Object.keys(dependencies).filter((name) => name in devDependencies)).toEqual([]);
  });
});
