// What the server is made of beside its pages: its own start, and the threads that work for requests;
// and its files, compressed once when they are built.
import { createHash } from 'node:crypto';
import { readdir, readFile, writeFile } from 'node:fs/promises';
import { extname, join, relative, sep } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import { build } from 'esbuild';

const source = (name) => fileURLToPath(new URL(`../src/server/${name}.ts`, import.meta.url));
const THREAD = 'virtual:work-thread';

/** Builds the entries of the server beside the pages, and tells them where the threads' script is. */
function entries() {
  let building = false;
  let thread = null;
  return {
    name: 'tapis-server-parts',
    configResolved(config) {
      building = config.command === 'build' && Boolean(config.build.ssr);
    },
    buildStart() {
      if (!building) return;
      this.emitFile({
        type: 'chunk',
        id: source('serve'),
        fileName: 'serve.mjs',
        preserveSignature: 'strict',
      });
      thread = this.emitFile({ type: 'chunk', id: source('work'), preserveSignature: 'strict' });
    },
    resolveId: (id) => (id === THREAD ? `\0${THREAD}` : null),
    load(id) {
      if (id !== `\0${THREAD}`) return null;
      const address = thread
        ? `import.meta.ROLLUP_FILE_URL_${thread}`
        : JSON.stringify(pathToFileURL(source('work')).href);
      return `export const address = ${address};`;
    },
  };
}

/**
 * Writes the service worker with the list of the files it keeps. What carries its hash in its name is known
 * by that; the page that all places are drawn from changes with every build.
 */
async function writeOffline(folder) {
  const names = (await readdir(folder, { recursive: true, withFileTypes: true }))
    .filter((entry) => entry.isFile())
    .map((entry) => relative(folder, join(entry.parentPath, entry.name)).split(sep).join('/'))
    // what reads datasheets is large and kept once it was asked for; pictures of the documentation are large
    .filter((name) => !name.startsWith('reading/') && !/^_astro\/.*\.png$/.test(name))
    .sort();
  const whole = createHash('sha256');
  const files = await Promise.all(
    names.map(async (name) => {
      const hash = createHash('sha256')
        .update(await readFile(join(folder, name)))
        .digest('hex')
        .slice(0, 16);
      return { url: `/${name}`, revision: name.startsWith('_astro/') ? null : hash };
    }),
  );
  files.forEach(({ url, revision }) => whole.update(`${url} ${revision}`));
  const revision = whole.digest('hex').slice(0, 16);
  // what is drawn from this build, or written by it
  for (const url of ['/', ...(await documentation())]) files.push({ url, revision });
  await build({
    entryPoints: [fileURLToPath(new URL('../src/workers/offline.ts', import.meta.url))],
    outfile: join(folder, 'offline.js'),
    bundle: true,
    minify: true,
    define: {
      FILES: JSON.stringify(files),
      READING: JSON.stringify(`tapis-reading-${await readingStamp(folder)}`),
      'process.env.NODE_ENV': '"production"',
    },
  });
}

/** Addresses of the documentation. */
async function documentation() {
  const names = await readdir(fileURLToPath(new URL('../docs', import.meta.url)), { recursive: true });
  const pages = names
    .map((name) => name.split(sep).join('/'))
    .filter((name) => /^(packages\/)?[^/]+\.md$/.test(name))
    .map((name) => `/docs/${name.replace(/\.md$/, '').replace('packages/README', 'packages')}`);
  return ['/docs', '/docs/rules', '/docs/search.json', ...pages];
}

/** What tells one edition of the readers of datasheets from the next. */
async function readingStamp(folder) {
  const versions = await readFile(join(folder, 'reading/versions.txt'));
  return createHash('sha256').update(versions).digest('hex').slice(0, 12);
}

const SQUEEZED = new Set(['.js', '.css', '.html', '.svg', '.json', '.wasm', '.webmanifest', '.step']);
/** What is smaller is sent in one packet anyway. */
const LEAST = 1_000;

async function compressAll(folder) {
  const names = await readdir(folder, { recursive: true });
  const wanted = names.filter((name) => SQUEEZED.has(extname(name)));
  await Promise.all(wanted.map((name) => compress(join(folder, name))));
}

async function compress(path) {
  const content = await readFile(path);
  if (content.length < LEAST) return;
  // the last step of quality takes seconds for a file of megabytes and saves little of it
  const quality = content.length > 500_000 ? 9 : 11;
  const options = { params: { [constants.BROTLI_PARAM_QUALITY]: quality } };
  await Promise.all([
    promisify(brotliCompress)(content, options).then((bytes) => writeFile(`${path}.br`, bytes)),
    promisify(gzip)(content, { level: 9 }).then((bytes) => writeFile(`${path}.gz`, bytes)),
  ]);
}

/** @returns {import('astro').AstroIntegration} */
export function serverParts() {
  return {
    name: 'tapis-server-parts',
    hooks: {
      'astro:config:setup': ({ updateConfig }) => updateConfig({ vite: { plugins: [entries()] } }),
      'astro:build:done': async ({ dir }) => {
        await writeOffline(fileURLToPath(dir));
        await compressAll(fileURLToPath(dir));
      },
    },
  };
}
