// Compiles the JSON Schemas to plain functions: the content policy allows no code made at run time.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import Ajv from 'ajv/dist/2020.js';
import standalone from 'ajv/dist/standalone/index.js';
import { build } from 'esbuild';

/** Writes a file that is not so already: what is read beside is not torn. */
function put(path, text) {
  if (existsSync(path) && readFileSync(path, 'utf8') === text) return;
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, text);
}

const room = fileURLToPath(new URL('../src/core/document/', import.meta.url));

// the schemas are made from the tables of fields, which are TypeScript
const { outputFiles: made } = await build({
  stdin: {
    contents: ['schema', 'process-schema', 'standard-schema', 'shelf-schema', 'backup-schema']
      .map((name) => `export * from './${name}';`)
      .join(''),
    resolveDir: room,
    loader: 'ts',
  },
  bundle: true,
  write: false,
  format: 'esm',
  platform: 'node',
});
const schemaOf = await import(`data:text/javascript;base64,${Buffer.from(made[0].text).toString('base64')}`);
// the process comes first: documents refer to it
const schemas = {
  process: schemaOf.processSchema(),
  standard: schemaOf.standardSchema(false),
  document: schemaOf.documentSchema(false),
  family: schemaOf.familySchema(),
  shelf: schemaOf.shelfSchema(),
  backup: schemaOf.backupSchema(),
  trial: schemaOf.trialSchema(false),
  habit: schemaOf.habitSchema(),
  target: schemaOf.targetSchema(),
  team: schemaOf.teamSchema(),
  keptStandard: schemaOf.keptStandardSchema(),
};

const ajv = new Ajv({
  allErrors: true,
  // what is referred to often is a function once, not a copy in every place
  inlineRefs: false,
  strict: true,
  strictRequired: false,
  code: { source: true, esm: true },
});
// one module for all: the document's function holds the process's
ajv.addSchema(Object.values(schemas));
const source = standalone(
  ajv,
  Object.fromEntries(Object.entries(schemas).map(([name, { $id }]) => [name, $id])),
);
const { outputFiles } = await build({
  // where in the schema an error arose is never read: pages load lighter without
  stdin: { contents: source.replaceAll(/schemaPath:"[^"]*",/g, ''), resolveDir: room, loader: 'js' },
  bundle: true,
  write: false,
  format: 'esm',
  platform: 'neutral',
  mainFields: ['module', 'main'],
});
const target = `${room}generated/validators.js`;
put(target, outputFiles[0].text);
put(
  target.replace(/\.js$/, '.d.ts'),
  `interface SchemaError {
  readonly instancePath: string;
  readonly keyword: string;
  readonly message?: string;
  readonly params: Record<string, unknown>;
}
interface Validator {
  (value: unknown): boolean;
  errors?: SchemaError[] | null;
}
${Object.keys(schemas)
  .map((name) => `export declare const ${name}: Validator;`)
  .join('\n')}
`,
);
