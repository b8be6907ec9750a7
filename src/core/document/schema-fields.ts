import type { Field, MapField, RecordField } from './fields';

// What schemas are made of: fields as their tables declare them, and what several kinds of files have in common.

/** A JSON Schema, or a part of one. */
export type Schema = Readonly<Record<string, unknown>>;

export const DRAFT = 'https://json-schema.org/draft/2020-12/schema';
/** What ids look like. */
export const ID_PATTERN = '^[a-z][a-z0-9-]{0,40}$';
/** An entry of a length, as it is printed. */
export const ENTRY: Schema = { $ref: '#/$defs/entryText' };

/** The parts of a schema that stand once, by their name, and whether fields are to say what they are called. */
export interface Making {
  readonly defs: Record<string, Schema>;
  readonly told: boolean;
}

/** What a field is called; nothing where only its key says so. */
function titleOf({ column, label }: Field): { readonly title?: string } {
  const words = column || label;
  return words ? { title: words.charAt(0).toUpperCase() + words.slice(1) } : {};
}

/** The part of a schema that a field asks for; records with a name go into `defs`, where they stand once. */
function schemaOf(field: Field, making: Making): Schema {
  const { defs, told } = making;
  const about = {
    ...(told ? titleOf(field) : {}),
    ...(field.help === undefined ? {} : { description: field.help }),
  };
  switch (field.kind) {
    case 'length':
    case 'toleranced':
    case 'amount':
    case 'series':
      return { ...ENTRY, ...about };
    case 'count':
      return { type: 'integer', minimum: field.least, maximum: field.most, ...about };
    case 'share':
    case 'number':
      return { type: 'number', minimum: field.least, maximum: field.most, ...about };
    case 'flag':
      return { type: 'boolean', ...about };
    case 'choice':
      return { enum: [...field.of], ...about };
    case 'set':
      return {
        type: 'array',
        uniqueItems: true,
        maxItems: field.of.length,
        items: { enum: [...field.of] },
        ...about,
      };
    case 'text':
      return {
        type: 'string',
        ...(field.shortest > 0 ? { minLength: field.shortest } : {}),
        maxLength: field.longest,
        ...(field.pattern === undefined ? {} : { pattern: field.pattern }),
        ...about,
      };
    case 'notation':
      return { type: 'string', maxLength: field.longest, ...about };
    case 'record': {
      if (field.name === undefined) return { ...recordSchema(field, making), ...about };
      defs[field.name] ??= { ...recordSchema(field, making), ...about };
      return { $ref: `#/$defs/${field.name}` };
    }
    case 'map':
      return { ...mapSchema(field, making), ...about };
    case 'list':
      return {
        type: 'array',
        maxItems: field.most,
        items: itemSchema(field.of as RecordField, making),
        ...about,
      };
  }
}

/** The part of a schema that a record of fields asks for. */
export function recordSchema({ fields, required }: RecordField, making: Making): Schema {
  return {
    type: 'object',
    ...(required.length > 0 ? { required } : {}),
    additionalProperties: false,
    properties: Object.fromEntries(
      Object.entries(fields).map(([key, field]) => [key, schemaOf(field, making)]),
    ),
  };
}

function mapSchema({ of, most, keys }: MapField, making: Making): Schema {
  return {
    type: 'object',
    maxProperties: most,
    propertyNames: keys === undefined ? { maxLength: 60 } : { pattern: keys },
    additionalProperties: schemaOf(of as Field, making),
  };
}

/** A record of a list: known by its id. */
function itemSchema(field: RecordField, making: Making): Schema {
  const {
    required = [],
    properties,
    ...rest
  } = recordSchema(field, making) as {
    readonly required?: readonly string[];
    readonly properties: Schema;
  };
  const id = { type: 'string', minLength: 1, maxLength: 20, description: 'What it is known by in the list.' };
  return { ...rest, required: ['id', ...required], properties: { id, ...properties } };
}

/** What such an entry may be. */
export const ENTRY_TEXT: Schema = {
  type: 'string',
  maxLength: 200,
  description:
    'A length as a datasheet prints it: 5.8..6.2, 5.8/6.2, 6.0±0.2, 6.0 +0.2/-0.1, 1.75 MAX, 1.27 [.050], 8× 0.30, 240mil; or arithmetic with a symbol, a bracket or a unit: e*(n/2-1), (17.2)/2. What has two readings is refused with its place.',
};

/** Accepted findings, by what they are accepted of. */
export const WAIVERS: Schema = {
  type: 'object',
  maxProperties: 400,
  description: 'Accepted findings by rule and place.',
  additionalProperties: {
    type: 'object',
    additionalProperties: false,
    required: ['reason'],
    properties: {
      reason: { type: 'string', minLength: 1, maxLength: 400, description: 'Why it is acceptable.' },
      by: { type: 'string', minLength: 1, maxLength: 80, description: 'Who accepted it.' },
      value: { type: 'number', description: 'What was measured when it was accepted.' },
      limit: { type: 'number', description: 'The limit that held then.' },
    },
  },
};

/** Hexadecimal digits, so many. */
export const hexText = (length: number, description: string): Schema => ({
  type: 'string',
  pattern: `^[0-9a-f]{${length}}$`,
  description,
});
