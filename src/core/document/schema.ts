import { PROCESS_HELP } from '../process/help';
import { allFields } from '../process/fields';
import type { Field, MapField, RecordField } from './fields';
import { CHOICES } from './intent';
import { COMPOSITION } from './pieces';
import { clauseFields, type ClauseField } from '../standard/fields';
import { LEAD_FORMS } from '../standard/published';
import { TRIAL } from './trial';

/** A JSON Schema, or a part of one. */
export type Schema = Readonly<Record<string, unknown>>;

export const DRAFT = 'https://json-schema.org/draft/2020-12/schema';
const ID_PATTERN = '^[a-z][a-z0-9-]{0,40}$';
const ENTRY: Schema = { $ref: '#/$defs/entryText' };
const ORIGIN: Schema = { type: 'string', maxLength: 120 };

/** The parts of a schema that stand once, by their name, and whether fields are to say what they are called. */
interface Making {
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

function recordSchema({ fields, required }: RecordField, making: Making): Schema {
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

const ENTRY_TEXT: Schema = {
  type: 'string',
  maxLength: 200,
  description:
    'A length as a datasheet prints it: 5.8..6.2, 5.8/6.2, 6.0±0.2, 6.0 +0.2/-0.1, 1.75 MAX, 1.27 [.050], 8× 0.30, 240mil; or arithmetic with a symbol, a bracket or a unit: e*(n/2-1), (17.2)/2. What has two readings is refused with its place.',
};

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

const WAIVERS: Schema = {
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

const hexText = (length: number, description: string): Schema => ({
  type: 'string',
  pattern: `^[0-9a-f]{${length}}$`,
  description,
});

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

/** The JSON Schema of processes, from the table of their numbers. */
export function processSchema(): Schema {
  const fields = allFields();
  const words = {
    id: { type: 'string', pattern: ID_PATTERN },
    basedOn: { type: 'string', pattern: ID_PATTERN },
  };
  const choices = ['drills', 'orientation', 'acceptanceClass', 'levels', 'severities', 'reasons'];
  return {
    $schema: DRAFT,
    $id: '/schema/tapis-process-1.json',
    title: 'Tapis process, version 1',
    description: 'What a board shop, a stencil and an assembly line can hold. Lengths are mm.',
    type: 'object',
    required: [
      'id',
      'name',
      'summary',
      ...fields.flatMap(({ key, later }) => (later ? [] : [key])),
      ...choices,
    ],
    additionalProperties: false,
    properties: {
      $schema: { type: 'string', maxLength: 300 },
      tapisProcess: {
        const: 1,
        description: 'Version of this format; stands in files, not inside documents.',
      },
      ...words,
      name: { type: 'string', minLength: 1, maxLength: 80 },
      summary: { type: 'string', maxLength: 400 },
      ...Object.fromEntries(
        fields.map(({ key, title, unit, limits: [minimum, maximum] }) => [
          key,
          {
            type: unit === 'count' ? 'integer' : 'number',
            minimum,
            maximum,
            description: `${title}. ${PROCESS_HELP[key]}`,
          },
        ]),
      ),
      drills: {
        type: 'array',
        maxItems: 500,
        items: { type: 'number', exclusiveMinimum: 0, maximum: 20 },
        description:
          'Finished holes that can be drilled, ascending; any multiple of the drill step where empty.',
      },
      orientation: {
        enum: ['A', 'B'],
        description: 'Where pin 1 stands at zero rotation: upper left (A) or lower left (B).',
      },
      acceptanceClass: {
        enum: [1, 2, 3],
        description: 'Product class of J-STD-001 and IPC-A-610 that joints are held against.',
      },
      levels: {
        type: 'array',
        minItems: 1,
        uniqueItems: true,
        items: { enum: ['A', 'B', 'C'] },
        description: 'Density levels whose lands the process can solder.',
      },
      severities: {
        type: 'object',
        description: 'Rules that are graver or lighter here than by themselves, by rule id.',
        maxProperties: 200,
        propertyNames: { pattern: ID_PATTERN },
        additionalProperties: { enum: ['stop', 'caution', 'note', 'off'] },
      },
      reasons: {
        type: 'object',
        description: 'Why a number is what it is, by the name of the number.',
        additionalProperties: false,
        properties: Object.fromEntries(fields.map(({ key }) => [key, { $ref: '#/$defs/reason' }])),
      },
    },
    $defs: { reason: { type: 'string', maxLength: 300 } },
  };
}

/**
 * The JSON Schema of house standards, from the table of what they may say.
 * @param told whether it lists every place with what it means; what is checked is the same without
 */
export function standardSchema(told = true): Schema {
  const text = (most: number) => ({ type: 'string', minLength: 1, maxLength: most });
  const band = (what: string): Schema => ({
    type: 'array',
    minItems: 2,
    maxItems: 2,
    items: { anyOf: [{ type: 'number' }, { type: 'null' }] },
    description: `${what}: above the first, up to the second, mm; null where it is open.`,
  });
  const clause = { $ref: '#/$defs/clause' };
  return {
    $schema: DRAFT,
    $id: '/schema/tapis-standard-1.json',
    title: 'Tapis house standard, version 1',
    description:
      'What a house wants of its footprints: only what differs from what is published, or from the standard that it builds on. Lengths are mm unless a unit is given.',
    type: 'object',
    required: ['id', 'name', 'version', 'clauses'],
    additionalProperties: false,
    properties: {
      $schema: { type: 'string', maxLength: 300 },
      tapisStandard: {
        const: 1,
        description: 'Version of this format; stands in files, not inside documents.',
      },
      id: { type: 'string', pattern: ID_PATTERN },
      name: { ...text(80), description: 'As it is cited: HS-STD-12.' },
      version: { ...text(40), description: 'Which edition of it.' },
      summary: { type: 'string', maxLength: 400 },
      over: { $ref: '/schema/tapis-standard-1.json', description: 'The standard that it builds on, whole.' },
      levels: {
        type: 'object',
        additionalProperties: false,
        description: 'What levels are called and for. Level D is one of the house’s own.',
        properties: Object.fromEntries(
          (['A', 'B', 'C', 'D'] as const).map((id) => [
            id,
            {
              type: 'object',
              additionalProperties: false,
              properties: {
                title: text(40),
                purpose: { type: 'string', maxLength: 200 },
                letter: { type: 'string', pattern: '^[A-Z]$', description: 'The letter that ends names.' },
                ...(id === 'D'
                  ? { from: { enum: ['A', 'B', 'C'], description: 'What holds where D says nothing.' } }
                  : {}),
              },
            },
          ]),
        ),
      },
      rows: {
        type: 'array',
        maxItems: 100,
        description: 'Rows of goals of the house’s own; the first that holds for a lead is taken.',
        items: {
          type: 'object',
          required: ['id', 'title'],
          additionalProperties: false,
          properties: {
            id: { type: 'string', pattern: ID_PATTERN },
            title: text(120),
            form: { enum: Object.keys(LEAD_FORMS) },
            families: {
              type: 'array',
              minItems: 1,
              maxItems: 60,
              items: { type: 'string', minLength: 1, maxLength: 80 },
              description: 'Ids of families, those of one’s own too.',
            },
            pitch: band('Pitch'),
            size: band('Span over the terminals'),
            height: band('Height of the body'),
          },
        },
      },
      clauses: {
        type: 'object',
        maxProperties: 2000,
        description: 'By their places, such as goals/gull-wing/outer/B.',
        propertyNames: { pattern: '^[A-Za-z0-9/.-]{1,120}$' },
        ...(told
          ? {
              properties: Object.fromEntries(
                clauseFields().map((field) => [field.at, { ...clause, description: aboutClause(field) }]),
              ),
            }
          : {}),
        additionalProperties: clause,
      },
    },
    $defs: {
      clause: {
        type: 'object',
        required: ['value'],
        additionalProperties: false,
        properties: {
          value: { anyOf: [{ type: 'number' }, { type: 'string', maxLength: 200 }, { type: 'boolean' }] },
          clause: { type: 'string', maxLength: 80, description: 'Where the house says so, such as 4.3.' },
          reason: { type: 'string', maxLength: 400 },
        },
      },
    },
  };
}

/** What a clause says, what it may be, and what is published, in words. */
function aboutClause({ title, limits, of, published, source, kind }: ClauseField): string {
  const may = of
    ? ` One of ${of.join(', ')}.`
    : limits
      ? ` From ${limits[0]} to ${limits[1]}${kind === 'length' ? ' mm' : ''}.`
      : '';
  const usual = published === null ? ` By ${source}.` : ` Published: ${String(published)} (${source}).`;
  return `${title}.${may}${usual}`;
}

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
