import { DRAFT, type Schema } from './schema-fields';

/** The JSON Schema of the list of contents in a backup of a whole store. */
export function backupSchema(): Schema {
  const path: Schema = { type: 'string', minLength: 1, maxLength: 2000 };
  const id: Schema = { type: 'string', minLength: 1, maxLength: 80 };
  const time: Schema = { type: 'number', minimum: 0 };
  const list = (
    maxItems: number,
    properties: Record<string, Schema>,
    optional: Record<string, Schema> = {},
  ) => ({
    type: 'array',
    maxItems,
    items: {
      type: 'object',
      required: Object.keys(properties),
      properties: { ...properties, ...optional },
    },
  });
  return {
    $schema: DRAFT,
    $id: '/schema/tapis-backup-1.json',
    title: 'Tapis backup, version 1',
    description: 'What the files of a backup are. Times are milliseconds since 1970.',
    type: 'object',
    required: ['tapisBackup', 'made', 'footprints', 'groups', 'models', 'processes', 'families'],
    properties: {
      tapisBackup: { const: 1, description: 'Version of this format.' },
      made: { type: 'string', maxLength: 40 },
      footprints: list(
        100000,
        {
          path,
          id,
          revision: { type: 'integer', minimum: 1 },
          createdAt: time,
          updatedAt: time,
          binnedAt: time,
        },
        {
          group: { type: 'string', maxLength: 80 },
          tags: { type: 'array', maxItems: 100, items: { type: 'string', maxLength: 40 } },
        },
      ),
      revisions: list(200000, {
        path,
        id,
        footprint: id,
        number: { type: 'integer', minimum: 1 },
        state: { enum: ['draft', 'review', 'approved', 'withdrawn'] },
        note: { type: 'string', maxLength: 2000 },
        at: time,
      }),
      trials: list(10000, {
        path,
        id,
        revision: { type: 'integer', minimum: 1 },
        createdAt: time,
        updatedAt: time,
        binnedAt: time,
      }),
      groups: list(10000, {
        id,
        name: { type: 'string', maxLength: 80 },
        parent: { type: 'string', maxLength: 80 },
      }),
      models: list(100000, {
        path,
        key: { type: 'string', pattern: '^[0-9a-f]{64}$' },
        name: { type: 'string', maxLength: 300 },
      }),
      sources: list(100000, {
        path,
        key: { type: 'string', pattern: '^[0-9a-f]{64}$' },
        name: { type: 'string', maxLength: 300 },
      }),
      processes: list(10000, { path, id }),
      families: list(10000, { path, id }),
      // rows are held against their own schemas one by one: a bad one leaves the others
      habits: { type: 'array', maxItems: 10000 },
      targets: { type: 'array', maxItems: 1000 },
      standards: { type: 'array', maxItems: 1000 },
    },
  };
}

/** The JSON Schema of what a maker's letters meant, as a backup holds it. */
export function habitSchema(): Schema {
  const symbol: Schema = { type: 'string', maxLength: 40 };
  return {
    $schema: DRAFT,
    $id: '/schema/tapis-habit-1.json',
    title: 'What a maker’s letters mean, by family',
    type: 'object',
    required: ['id', 'name', 'letters'],
    additionalProperties: false,
    properties: {
      id: { type: 'string', minLength: 1, maxLength: 200 },
      name: { type: 'string', minLength: 1, maxLength: 200 },
      letters: {
        type: 'object',
        additionalProperties: { type: 'object', additionalProperties: symbol },
      },
    },
  };
}

/** The JSON Schema of a release target of one's own, as a backup holds it. */
export function targetSchema(): Schema {
  const text: Schema = { type: 'string', minLength: 1, maxLength: 200 };
  return {
    $schema: DRAFT,
    $id: '/schema/tapis-target-1.json',
    title: 'A release target of one’s own',
    type: 'object',
    required: ['id', 'title', 'formats', 'pattern'],
    additionalProperties: false,
    properties: {
      id: text,
      title: text,
      formats: { type: 'array', maxItems: 100, items: text },
      pattern: text,
    },
  };
}

/** The JSON Schema of a house standard as the browser keeps it, as a backup holds it. */
export function keptStandardSchema(): Schema {
  const time: Schema = { type: 'number', minimum: 0 };
  return {
    $schema: DRAFT,
    $id: '/schema/tapis-kept-standard-1.json',
    title: 'A house standard as it is kept',
    type: 'object',
    required: ['id', 'document', 'revision', 'createdAt', 'updatedAt', 'binnedAt'],
    additionalProperties: false,
    properties: {
      id: { type: 'string', minLength: 1, maxLength: 80 },
      document: { $ref: '/schema/tapis-standard-1.json' },
      revision: { type: 'integer', minimum: 1 },
      createdAt: time,
      updatedAt: time,
      binnedAt: time,
    },
  };
}
