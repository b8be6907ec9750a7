import { CHOICES } from './intent';
import { COMPOSITION } from './pieces';
import {
  DRAFT,
  ENTRY,
  ENTRY_TEXT,
  hexText,
  ID_PATTERN,
  recordSchema,
  WAIVERS,
  type Schema,
} from './schema-fields';
import { TRIAL } from './trial';

/**
 * The JSON Schema of documents, from the tables that they are read by.
 * @param told whether fields say what they are called; what is checked is the same without
 */
export function documentSchema(told = true): Schema {
  const defs: Record<string, Schema> = {
    entryText: ENTRY_TEXT,
    sheetUnit: { enum: ['mm', 'mil', 'in'] },
    dimension: DIMENSION,
  };
  const { properties } = recordSchema(CHOICES, { defs, told }) as { readonly properties: Schema };
  const composition = recordSchema(COMPOSITION, { defs, told }) as { readonly properties: Schema };
  defs['package'] = { ...PACKAGE, properties: { ...PACKAGE.properties, ...composition.properties } };
  return {
    $schema: DRAFT,
    $id: '/schema/tapis-document-2.json',
    title: 'Tapis document, version 2',
    description:
      'What a person means by one footprint: the package as its datasheet draws it, and the choices made about it. Lengths are mm unless a unit is given.',
    type: 'object',
    required: ['tapis', 'name', 'package', 'level', 'process'],
    additionalProperties: false,
    properties: {
      $schema: { type: 'string', maxLength: 300 },
      tapis: { const: 2, description: 'Version of this format.' },
      name: { type: 'string', minLength: 1, maxLength: 120, description: 'What the footprint is called.' },
      package: { $ref: '#/$defs/package', description: 'The package as its datasheet draws it.' },
      level: {
        enum: ['A', 'B', 'C', 'D'],
        description: 'Land density level: A most, B nominal, C least; D is one that the house standard adds.',
      },
      process: { type: 'string', pattern: ID_PATTERN, description: 'Id of the process.' },
      ownProcess: {
        $ref: '/schema/tapis-process-1.json',
        description: 'The process itself where it is not one that comes with Tapis.',
      },
      standard: {
        $ref: '/schema/tapis-standard-1.json',
        description: 'What the house wants in place of what is published.',
      },
      ...properties,
      waivers: WAIVERS,
      notes: { type: 'string', maxLength: 20000, description: 'Free words.' },
      approvals: {
        type: 'array',
        maxItems: 20,
        description: 'Who stands for what the document says, signed (Ed25519).',
        items: APPROVAL,
      },
    },
    $defs: defs,
  };
}

const PACKAGE = {
  type: 'object',
  required: ['family', 'dimensions'],
  additionalProperties: false,
  properties: {
    family: {
      type: 'string',
      pattern: ID_PATTERN,
      description: 'Id of the package family; composed for one that is made of pieces.',
    },
    unit: {
      $ref: '#/$defs/sheetUnit',
      description: 'Unit of the numbers in the datasheet’s table; mm where missing.',
    },
    options: {
      type: 'object',
      description: 'Choices of the family, by their ids.',
      maxProperties: 20,
      additionalProperties: { type: 'string', maxLength: 4000 },
    },
    dimensions: {
      type: 'object',
      description: 'Dimensions by their symbols, such as E, L and b, as the datasheet prints them.',
      maxProperties: 60,
      propertyNames: { pattern: '^[A-Za-z][A-Za-z0-9_]{0,11}$' },
      additionalProperties: { $ref: '#/$defs/dimension' },
    },
    source: { type: 'string', maxLength: 300, description: 'The datasheet, in words.' },
  },
};

const ORIGIN: Schema = { type: 'string', maxLength: 120 };

const PRINTED_AT: Schema = {
  type: 'object',
  description: 'The place on a page that it was read from.',
  required: ['source', 'page', 'text', 'entry'],
  additionalProperties: false,
  properties: {
    source: { type: 'string', minLength: 1, maxLength: 20, description: 'Id of one of the sources.' },
    page: { type: 'integer', minimum: 1, maximum: 100000 },
    box: {
      type: 'array',
      minItems: 4,
      maxItems: 4,
      items: { type: 'number' },
      description: 'Left, top, right and bottom in the page’s own points, pixels or letters.',
    },
    text: { type: 'string', maxLength: 400, description: 'As it is printed there.' },
    entry: { type: 'string', maxLength: 200, description: 'What was entered for it.' },
    unconfirmed: { const: true, description: 'Read from a picture, and not confirmed.' },
  },
};

const PRINTED = { unit: { $ref: '#/$defs/sheetUnit' }, label: ORIGIN, where: ORIGIN, from: PRINTED_AT };

const DIMENSION: Schema = {
  oneOf: [
    { type: 'number' },
    ENTRY,
    {
      type: 'object',
      required: ['text'],
      additionalProperties: false,
      properties: { text: ENTRY, ...PRINTED },
    },
    {
      type: 'object',
      anyOf: [{ required: ['min'] }, { required: ['nom'] }, { required: ['max'] }],
      additionalProperties: false,
      properties: {
        min: { type: 'number', description: 'Least.' },
        nom: { type: 'number', description: 'Nominal, or typical.' },
        max: { type: 'number', description: 'Greatest.' },
        ...PRINTED,
      },
    },
  ],
};

const APPROVAL: Schema = {
  type: 'object',
  additionalProperties: false,
  required: ['by', 'key', 'at', 'of', 'signature'],
  properties: {
    by: { type: 'string', minLength: 1, maxLength: 80, description: 'Who stands for it.' },
    key: hexText(64, 'Public key, Ed25519.'),
    at: {
      type: 'string',
      pattern: '^\\d{4}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d(\\.\\d+)?Z$',
      description: 'When, in UTC.',
    },
    note: { type: 'string', minLength: 1, maxLength: 400 },
    of: hexText(64, 'SHA-256 of the canonical text without approvals and without files inside.'),
    signature: hexText(128, 'Of the statement, as docs/team.md says.'),
  },
};

/** The JSON Schema of trials, from the table that they are read by. @param told as of {@link documentSchema} */
export function trialSchema(told = true): Schema {
  const defs: Record<string, Schema> = { entryText: ENTRY_TEXT };
  const { properties } = recordSchema(TRIAL, { defs, told }) as { readonly properties: Schema };
  return {
    $schema: DRAFT,
    $id: '/schema/tapis-trial-1.json',
    title: 'Tapis trial, version 1',
    description:
      'A small board and the footprints placed on it. Lengths are mm unless a unit is given; x and y run from the lower left corner of the box round the board.',
    type: 'object',
    required: ['tapisTrial', 'name', 'process'],
    additionalProperties: false,
    properties: {
      $schema: { type: 'string', maxLength: 300 },
      tapisTrial: { const: 1, description: 'Version of this format.' },
      name: { type: 'string', minLength: 1, maxLength: 120 },
      unit: { enum: ['mm', 'mil'], description: 'Unit of plain numbers; mm where it is missing.' },
      process: { type: 'string', pattern: ID_PATTERN, description: 'Id of the process.' },
      ownProcess: { $ref: '/schema/tapis-process-1.json' },
      ...properties,
      footprints: {
        type: 'object',
        maxProperties: 500,
        propertyNames: { pattern: '^.{1,60}$' },
        description: 'The footprints that are placed, by the keys that parts name them by.',
        additionalProperties: {
          type: 'object',
          required: ['document'],
          additionalProperties: false,
          properties: {
            document: { type: 'object', description: 'A Tapis document of any version.' },
            from: {
              type: 'string',
              maxLength: 80,
              description: 'Id of the footprint that it was taken from.',
            },
            revision: { type: 'integer', minimum: 1, description: 'The approved revision that it is.' },
          },
        },
      },
      waivers: WAIVERS,
      notes: { type: 'string', maxLength: 20000 },
    },
    $defs: defs,
  };
}
