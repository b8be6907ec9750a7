// Compiles the JSON Schemas to plain functions: the content policy allows no code made at run time.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import Ajv from 'ajv/dist/2020.js';
import standalone from 'ajv/dist/standalone/index.js';
import { build } from 'esbuild';

const room = fileURLToPath(new URL('../src/core/document/', import.meta.url));
// the process comes first: documents refer to it
const schemas = {
  process: 'tapis-process-1.schema.json',
  document: 'tapis-document-1.schema.json',
  shelf: 'tapis-shelf-1.schema.json',
};

const ajv = new Ajv({
  allErrors: true,
  strict: true,
  strictRequired: false,
  code: { source: true, esm: true },
});
for (const [name, file] of Object.entries(schemas)) {
  const schema = JSON.parse(readFileSync(`${room}${file}`, 'utf8'));
  const source = standalone(ajv, ajv.compile(schema));
  const { outputFiles } = await build({
    stdin: { contents: source, resolveDir: room, loader: 'js' },
    bundle: true,
    write: false,
    format: 'esm',
    platform: 'neutral',
    mainFields: ['module', 'main'],
  });
  const target = `${room}generated/validate-${name}.js`;
  mkdirSync(dirname(target), { recursive: true });
  writeFileSync(target, outputFiles[0].text);
  writeFileSync(
    target.replace(/\.js$/, '.d.ts'),
    `interface SchemaError {
  readonly instancePath: string;
  readonly keyword: string;
  readonly message?: string;
  readonly params: Record<string, unknown>;
}
declare const validate: { (value: unknown): boolean; errors?: SchemaError[] | null };
export default validate;
`,
  );
}
