// What the server is made of beside its pages: its own start, and the threads that work for requests;
// and its files, compressed once when they are built.
import { readdir, readFile, writeFile } from 'node:fs/promises';
import { extname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

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
      'astro:build:done': ({ dir }) => compressAll(fileURLToPath(dir)),
    },
  };
}
