import { DRAFT, hexText, type Schema } from './schema-fields';

/** The JSON Schema of files with a family of one's own. */
export function familySchema(): Schema {
  return {
    $schema: DRAFT,
    $id: '/schema/tapis-family-1.json',
    title: 'Tapis family, version 1',
    description: 'A family of one’s own: a composed package without the numbers of a part.',
    type: 'object',
    required: ['tapisFamily', 'package'],
    additionalProperties: false,
    properties: {
      $schema: { type: 'string', maxLength: 300 },
      tapisFamily: { const: 1, description: 'Version of this format.' },
      package: {
        allOf: [
          { $ref: '/schema/tapis-document-2.json#/$defs/package' },
          {
            type: 'object',
            required: ['own', 'pieces'],
            properties: { family: { const: 'composed' }, dimensions: { type: 'object', maxProperties: 0 } },
          },
        ],
      },
    },
  };
}

/** The JSON Schema of files with a whole Shelf. */
export function shelfSchema(): Schema {
  return {
    $schema: DRAFT,
    $id: '/schema/tapis-shelf-1.json',
    title: 'Tapis shelf, version 1',
    description: 'A whole Shelf in one file: documents of any version, each checked on its own.',
    type: 'object',
    required: ['tapisShelf', 'documents'],
    additionalProperties: false,
    properties: {
      $schema: { type: 'string', maxLength: 300 },
      tapisShelf: { const: 1 },
      documents: { type: 'array', maxItems: 20000, items: { type: 'object' } },
      standing: {
        type: 'array',
        maxItems: 20000,
        description: 'Where each document stands, in their order.',
        items: {
          type: 'object',
          additionalProperties: false,
          properties: {
            group: {
              type: 'array',
              maxItems: 50,
              items: { type: 'string', minLength: 1, maxLength: 80 },
              description: 'Names of its groups, outermost first.',
            },
            tags: { type: 'array', maxItems: 100, items: { type: 'string', minLength: 1, maxLength: 40 } },
          },
        },
      },
      processes: {
        type: 'array',
        maxItems: 200,
        items: { type: 'object' },
        description: 'Processes of one’s own, each as in a file of its own.',
      },
      families: {
        type: 'array',
        maxItems: 500,
        items: { type: 'object' },
        description: 'Families of one’s own, each as in a file of its own.',
      },
    },
  };
}

/** The JSON Schema of the keys of a team, whose approvals count. */
export function teamSchema(): Schema {
  const day: Schema = { type: 'string', pattern: '^\\d{4}-\\d\\d-\\d\\d$' };
  return {
    $schema: DRAFT,
    $id: '/schema/tapis-team-1.json',
    title: 'Keys of a team, version 1',
    type: 'object',
    required: ['tapisTeam', 'keys'],
    additionalProperties: false,
    properties: {
      $schema: { type: 'string', maxLength: 300 },
      tapisTeam: { const: 1, description: 'Version of this format.' },
      keys: {
        type: 'array',
        maxItems: 1000,
        items: {
          type: 'object',
          required: ['name', 'key'],
          additionalProperties: false,
          properties: {
            name: { type: 'string', minLength: 1, maxLength: 80 },
            key: hexText(64, 'Public key, Ed25519.'),
            from: { ...day, description: 'First day on which it counts.' },
            until: { ...day, description: 'Last day on which it counts.' },
          },
        },
      },
    },
  };
}
