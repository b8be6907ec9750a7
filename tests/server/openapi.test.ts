import { createConfig, lintFromString } from '@redocly/openapi-core';
import Ajv from 'ajv/dist/2020.js';
import { readdirSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { EXAMPLE, openapi } from '../../src/server/openapi';

const contract = openapi() as {
  readonly paths: Readonly<Record<string, object>>;
  readonly components: { readonly schemas: Readonly<Record<string, object>> };
};

/** A server has its own address; what only tells refuses nothing; of three limits one is required, which stand beside. */
const LEFT = ['no-server-example.com', 'operation-4xx-response', 'no-required-schema-properties-undefined'];

it('holds to the standard of such contracts', async () => {
  const config = await createConfig({ extends: ['recommended-strict'] });
  const problems = await lintFromString({ source: JSON.stringify(contract), config });
  expect(
    problems
      .filter(({ ruleId }) => !LEFT.includes(ruleId))
      .map(({ ruleId, message, location }) => [ruleId, message, location[0]?.pointer]),
  ).toEqual([]);
});

it('names every endpoint that there is, and none that there is not', () => {
  const pages = readdirSync('src/pages/api/v1', { recursive: true, encoding: 'utf8' })
    .filter((path) => path.endsWith('.ts'))
    .map(
      (path) => `/api/v1/${path.replace(/\.ts$/, '').replaceAll('\\', '/').replace('[format]', '{format}')}`,
    );
  expect(Object.keys(contract.paths).sort()).toEqual(pages.sort());
});

it('has a section for every problem that it answers with, and none for others', () => {
  const sources = ['src/server', 'src/pages', 'src'].flatMap((folder) =>
    readdirSync(folder, { recursive: folder !== 'src', encoding: 'utf8' })
      .filter((path) => path.endsWith('.ts'))
      .map((path) => readFileSync(`${folder}/${path}`, 'utf8')),
  );
  const titles = sources.flatMap((text) =>
    [...text.matchAll(/\b(?:(?:problem|refuse)\(\s*\d{3},\s*|refused\()'([A-Z][^']+)'/g)].map(
      ([, title = '']) => title,
    ),
  );
  const sections = [...readFileSync('docs/problems.md', 'utf8').matchAll(/^## (.+)$/gm)].map(
    ([, title = '']) => title,
  );
  expect(sections.sort()).toEqual([...new Set(titles)].sort());
});

it('has schemas that its own example holds to, and that refuse what is none', () => {
  const ajv = new Ajv({ strict: false });
  ajv.addSchema({ $id: 'contract', ...contract });
  const validate = ajv.getSchema('contract#/components/schemas/Document');
  expect([validate?.(EXAMPLE), validate?.errors]).toEqual([true, null]);
  expect(validate?.({ ...EXAMPLE, level: 'Q' })).toBe(false);
  expect(validate?.({ ...EXAMPLE, standard: { id: 'x' } })).toBe(false);
  const strangers = JSON.stringify(contract).match(/"\$ref":"(?!#\/components\/schemas\/)[^"]*"/g);
  expect(strangers).toBeNull();
});
