// Makes the package that others install: node tools/pack.mjs [FOLDER]. The core as one entry without Node and DOM, its
// types, and the terminal command.
import { cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Extractor, ExtractorConfig } from '@microsoft/api-extractor';
import { build } from 'esbuild';
import { faceReference } from './face-reference.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const folder = resolve(process.argv[2] ?? join(root, 'dist/package'));
const own = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'));
/** What starts threads by files of its own: it cannot be in a bundle. */
const APART = ['piscina'];
/** What the terminal command needs for files of datasheets and models alone: it works without for everything else. */
const HEAVY = [
  ...['@napi-rs/canvas', '@tesseract.js-data/eng', 'occt-import-js', 'pdfjs-dist', 'read-excel-file'],
  ...['sharp', 'tesseract.js'],
];

rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });

/** Libraries ask for these in branches that only Node takes: here nobody takes them. */
const withoutNode = {
  name: 'without-node',
  setup({ onResolve, onLoad }) {
    onResolve({ filter: /^(node:)?(fs|path|url)$/ }, ({ path }) => ({ path, namespace: 'without-node' }));
    onLoad({ filter: /.*/, namespace: 'without-node' }, () => ({ contents: 'export {};' }));
  },
};

await build({
  absWorkingDir: root,
  plugins: [withoutNode],
  entryPoints: { index: 'src/package/index.ts' },
  outdir: folder,
  bundle: true,
  splitting: true,
  minify: true,
  format: 'esm',
  platform: 'neutral',
  mainFields: ['browser', 'module', 'main'],
  conditions: ['browser', 'import'],
  target: 'es2022',
  logLevel: 'error',
});
const { metafile } = await build({
  absWorkingDir: root,
  entryPoints: ['main', 'thread', 'batch-work'].map((name) => `src/cli/${name}.ts`),
  outdir: join(folder, 'bin'),
  outExtension: { '.js': '.mjs' },
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  external: [...HEAVY, ...APART].flatMap((name) => [name, `${name}/*`]),
  // what is written for the older modules of Node asks for them by name
  banner: {
    js: "import { createRequire as makeRequire } from 'node:module';const require = makeRequire(import.meta.url);",
  },
  metafile: true,
  logLevel: 'error',
});
writeFileSync(join(folder, 'bin/tapis.mjs'), "#!/usr/bin/env node\nimport './main.mjs';\n", { mode: 0o755 });

// the types of the face in one file, and a report of it that shows every change
const types = join(root, '.cache/package-types');
rmSync(types, { recursive: true, force: true });
const tsc = spawnSync(
  process.execPath,
  [join(root, 'node_modules/typescript/bin/tsc'), '-p', 'tsconfig.package.json', '--outDir', types],
  { cwd: root, encoding: 'utf8' },
);
if (tsc.status !== 0) throw new Error(tsc.stdout + tsc.stderr);
cpSync(
  join(root, 'src/core/document/generated/validators.d.ts'),
  join(types, 'core/document/generated/validators.d.ts'),
);
const renews = process.env.TAPIS_FACE === 'write';
const result = Extractor.invoke(
  ExtractorConfig.prepare({
    configObjectFullPath: join(root, 'tsconfig.package.json'),
    packageJsonFullPath: join(root, 'package.json'),
    configObject: {
      projectFolder: root,
      mainEntryPointFilePath: join(types, 'package/index.d.ts'),
      compiler: {
        overrideTsconfig: {
          compilerOptions: {
            module: 'esnext',
            moduleResolution: 'bundler',
            lib: ['es2023', 'dom'],
            skipLibCheck: true,
            types: [],
          },
          files: [join(types, 'package/index.d.ts')],
        },
      },
      apiReport: {
        enabled: true,
        reportFolder: join(root, 'docs/package'),
        reportTempFolder: join(types, 'report'),
        reportFileName: 'face',
      },
      dtsRollup: { enabled: true, untrimmedFilePath: join(folder, 'index.d.ts') },
      docModel: { enabled: true, apiJsonFilePath: join(types, 'model/tapis.api.json') },
      tsdocMetadata: { enabled: false },
      messages: {
        extractorMessageReporting: {
          default: { logLevel: 'none' },
          'ae-forgotten-export': { logLevel: 'none' },
        },
        tsdocMessageReporting: { default: { logLevel: 'none' } },
        compilerMessageReporting: { default: { logLevel: 'none' } },
      },
    },
  }),
  {
    localBuild: renews,
    showVerboseMessages: false,
    messageCallback: (message) => {
      message.handled = true;
    },
  },
);
const page = join(root, 'docs/package/reference.md');
const reference = faceReference(root, join(types, 'model'));
if (renews) {
  writeFileSync(page, reference);
  const report = join(root, 'docs/package/face.api.md');
  writeFileSync(report, readFileSync(report, 'utf8').replaceAll('\r\n', '\n'));
}
if ((result.apiReportChanged || reference !== readFileSync(page, 'utf8')) && !renews) {
  console.error(
    'The face of the package is another than docs/package/face.api.md and reference.md say. Where that is meant: TAPIS_FACE=write node tools/pack.mjs',
  );
  process.exit(1);
}

const imported = new Set(
  Object.values(metafile.outputs)
    .flatMap(({ imports }) => imports)
    .filter(({ external }) => external)
    .map(({ path }) =>
      path
        .split('/')
        .slice(0, path.startsWith('@') ? 2 : 1)
        .join('/'),
    ),
);
writeFileSync(
  join(folder, 'package.json'),
  `${JSON.stringify(
    {
      name: own.name,
      version: own.version,
      description: own.description,
      license: own.license,
      type: 'module',
      sideEffects: false,
      exports: { '.': { types: './index.d.ts', default: './index.js' } },
      types: './index.d.ts',
      bin: { tapis: './bin/tapis.mjs' },
      engines: own.engines,
      dependencies: Object.fromEntries(APART.map((name) => [name, own.dependencies[name]])),
      optionalDependencies: Object.fromEntries(
        HEAVY.filter((name) => imported.has(name) || name.endsWith('-data/eng')).map((name) => [
          name,
          own.dependencies[name],
        ]),
      ),
    },
    null,
    2,
  )}\n`,
);
cpSync(join(root, 'docs/package.md'), join(folder, 'README.md'));
cpSync(page, join(folder, 'package/reference.md'));
