import { expect, it } from 'vitest';
import { documentSchema, trialSchema } from '../../../src/core/document/schema';
import type { Schema } from '../../../src/core/document/schema-fields';
import { standardSchema } from '../../../src/core/document/standard-schema';
import { SCHEMAS, schemaFiles } from '../../../src/core/document/schemas';

const isSchema = (value: unknown): value is Schema => typeof value === 'object' && value !== null;

/** Fields of a schema and of its parts, by their place. */
function fieldsOf(schema: Schema, at = ''): [string, Schema][] {
  return Object.entries(schema).flatMap(([key, part]): [string, Schema][] => {
    if (!isSchema(part)) return [];
    const own = key === 'properties' ? (Object.entries(part) as [string, Schema][]) : [];
    return [
      ...own.map(([name, field]): [string, Schema] => [`${at}/${name}`, field]),
      ...fieldsOf(part, `${at}/${key}`),
    ];
  });
}

/** A schema without its words. */
const bare = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(bare)
    : isSchema(value)
      ? Object.fromEntries(
          Object.entries(value).flatMap(([key, part]) =>
            (key === 'title' || key === 'description') && typeof part === 'string' ? [] : [[key, bare(part)]],
          ),
        )
      : value;

it.each([...SCHEMAS])('%s says of every field what it is', (_, make) => {
  const fields = fieldsOf(make());
  expect(fields.length).toBeGreaterThan(2);
  expect(fields.filter(([, { title, description }]) => !title && !description).map(([at]) => at)).toEqual([]);
});

it('checks the same with words and without', () => {
  expect(bare(documentSchema())).toEqual(bare(documentSchema(false)));
  expect(bare(trialSchema())).toEqual(bare(trialSchema(false)));
  expect(JSON.stringify(documentSchema(false)).length).toBeLessThan(JSON.stringify(documentSchema()).length);
  expect(standardSchema().title).toBe(standardSchema(false).title);
});

it('names the others by their files, and no address', () => {
  const files = schemaFiles();
  for (const text of files.values())
    for (const [, to = ''] of text.matchAll(/"\$ref":\s*"([^"#]+)/g))
      expect([...files.keys()].map((name) => `./${name}`)).toContain(to);
});
