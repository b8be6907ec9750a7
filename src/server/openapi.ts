import { processSchema } from '../core/document/process-schema';
import { documentSchema } from '../core/document/schema';
import type { Schema } from '../core/document/schema-fields';
import { standardSchema } from '../core/document/standard-schema';
import { FORMATS } from '../core/format';
import { TARGETS } from '../core/format/release/targets';
import type { TapisDocument } from '../core/document/document';

// The endpoints as a contract (OpenAPI 3.1), made from the schemas and lists that they themselves work by.

/** Version of the contract: what is there keeps its meaning within it. */
const VERSION = '1.0.0';

/** A document that every endpoint takes: a dual gull-wing package of the demo's kind. */
export const EXAMPLE: TapisDocument = {
  tapis: 2,
  name: 'U4 tide converter',
  package: {
    family: 'gull-wing-dual',
    dimensions: {
      n: '16',
      e: '0.65',
      E: '6.2..6.6',
      L: '0.45..0.75',
      b: '0.19..0.30',
      D: '4.9..5.1',
      E1: '4.3..4.5',
      A: 'max 1.2',
      A1: '0.05..0.15',
    },
  },
  level: 'B',
  process: 'standard',
};

/** Schemas by the names that they have in the contract, and the addresses that they are published at. */
const PUBLISHED: readonly (readonly [name: string, id: string, schema: () => Schema])[] = [
  ['Document', '/schema/tapis-document-2.json', documentSchema],
  ['Process', '/schema/tapis-process-1.json', processSchema],
  ['Standard', '/schema/tapis-standard-1.json', () => standardSchema(false)],
];

/** Parts of published schemas stand beside them, with references that every generator follows. */
function componentSchemas(): Record<string, unknown> {
  const components: Record<string, unknown> = {};
  for (const [name, , make] of PUBLISHED) {
    const { $schema: _, $id: __, $defs = {}, ...schema } = make() as Schema & { readonly $defs?: Schema };
    components[name] = rewritten(schema, name);
    for (const [part, value] of Object.entries($defs)) components[`${name}-${part}`] = rewritten(value, name);
  }
  return components;
}

function rewritten(value: unknown, own: string): unknown {
  if (Array.isArray(value)) return value.map((one: unknown) => rewritten(one, own));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, one]) => [
      key,
      key === '$ref' && typeof one === 'string' ? reference(one, own) : rewritten(one, own),
    ]),
  );
}

function reference(to: string, own: string): string {
  const [address = '', part] = to.split('#/$defs/');
  const name = address === '' ? own : (PUBLISHED.find(([, id]) => id === address)?.[0] ?? own);
  return `#/components/schemas/${part === undefined ? name : `${name}-${part}`}`;
}

const object = (properties: Schema, required: readonly string[], more: Schema = {}): Schema => ({
  type: 'object',
  required,
  properties,
  ...more,
});
const array = (items: Schema): Schema => ({ type: 'array', items });
const text: Schema = { type: 'string' };
const number: Schema = { type: 'number' };

const FINDING = object(
  {
    rule: text,
    severity: { enum: ['stop', 'caution', 'note'] },
    title: text,
    message: text,
    source: { ...text, description: 'Where the limit comes from.' },
  },
  ['rule', 'severity', 'title', 'message', 'source'],
);

const ANSWERS: Readonly<Record<string, Schema>> = {
  Problem: object(
    {
      type: { ...text, description: 'The page that says more.' },
      title: text,
      status: { type: 'integer' },
      detail: text,
      errors: array(object({ field: text, message: text }, ['field', 'message'])),
    },
    ['type', 'title', 'status', 'detail'],
    { description: 'RFC 9457.' },
  ),
  Finding: FINDING,
  Compiled: object(
    {
      name: text,
      standardName: { type: ['string', 'null'] },
      process: { type: 'object' },
      standard: { type: ['object', 'null'], description: 'The house standard, with version and hash.' },
      dimensions: array({ type: 'object' }),
      footprint: { type: ['object', 'null'], description: 'Lands, padstacks, marks and body; mm.' },
      levels: { type: ['object', 'null'], description: 'Solutions by level, with their derivations.' },
      report: object(
        {
          findings: array({ $ref: '#/components/schemas/Finding' }),
          verdict: { enum: ['stop', 'caution', 'note', 'clear'] },
        },
        ['findings', 'verdict'],
      ),
    },
    ['name', 'standardName', 'report'],
  ),
  Best: object(
    {
      name: text,
      groups: array(
        object(
          {
            group: text,
            title: text,
            limits: array(text),
            front: array({ $ref: '#/components/schemas/LandPoint' }),
            points: array({ $ref: '#/components/schemas/LandPoint' }),
          },
          ['group', 'title', 'limits', 'front', 'points'],
        ),
      ),
      matters: array({ type: 'object' }),
    },
    ['name', 'groups', 'matters'],
  ),
  LandPoint: object(
    {
      id: text,
      title: text,
      sizes: { type: 'object', additionalProperties: number, description: 'mm' },
      bad: object({ share: number, low: number, high: number, exact: { type: 'boolean' } }, [
        'share',
        'low',
        'high',
        'exact',
      ]),
      bySource: array(
        object({ title: text, bad: object({ share: number, low: number, high: number }, ['share']) }, [
          'title',
          'bad',
        ]),
      ),
      area: { ...number, description: 'mm²' },
    },
    ['id', 'title', 'sizes', 'bad', 'area'],
  ),
  BatchLine: {
    type: 'object',
    description: 'What is told of one document, or of all of them at the end.',
    properties: {
      document: { type: 'integer' },
      name: text,
      verdict: text,
      refused: text,
      summary: { type: 'object' },
    },
  },
  Health: object({ status: { const: 'ok' }, documentVersion: { type: 'integer' } }, [
    'status',
    'documentVersion',
  ]),
};

const ref = (name: string): Schema => ({ $ref: `#/components/schemas/${name}` });
const jsonOf = (schema: Schema, example?: unknown): Schema => ({
  'application/json': { schema, ...(example === undefined ? {} : { example }) },
});

const refused = (status: string, description: string): Schema => ({
  [status]: { description, content: { 'application/problem+json': { schema: ref('Problem') } } },
});

/** What every endpoint that works may answer beside its answer. */
const REFUSALS: Schema = {
  ...refused('400', 'Something in the address is not known.'),
  ...refused('413', 'The body is larger than what is read.'),
  ...refused('422', 'The body is not what it should be; `errors` names the fields.'),
  ...refused('503', 'Too many wait already; Retry-After says when to come again.'),
};

const query = (name: string, description: string, schema: Schema = text): Schema => ({
  name,
  in: 'query',
  required: false,
  description,
  schema,
});

const documentBody: Schema = { required: true, content: jsonOf(ref('Document'), EXAMPLE) };
const ABOUT = [
  query('date', 'The day that is printed.'),
  query('revision', 'The revision that is printed.'),
  query('paper', 'Paper of drawings.', { enum: ['a4', 'letter'] }),
];
/** A datasheet’s table as it is copied. */
const SHEET =
  'Symbol\tMin\tMax\nA\t1.35\t1.75\nA1\t0.10\t0.25\nb\t0.31\t0.51\nD\t4.80\t5.00\nE\t5.80\t6.20\nE1\t3.80\t4.00\ne\t1.27\t1.27\nL\t0.40\t0.90\n';
const bytes: Schema = { type: 'string', contentMediaType: 'application/octet-stream' };

function get(operationId: string, summary: string, schema: Schema): Schema {
  return {
    get: {
      operationId,
      summary,
      tags: ['tells'],
      responses: { '200': { description: summary, content: jsonOf(schema) } },
    },
  };
}

interface Post {
  readonly operationId: string;
  readonly summary: string;
  readonly requestBody: Schema;
  readonly parameters?: readonly Schema[];
  readonly answer: Schema;
}

function post({ operationId, summary, requestBody, parameters = [], answer }: Post): Schema {
  return {
    post: {
      operationId,
      summary,
      description:
        'Idempotent: the same body gives the same answer. The ETag is of the body (a document in its canonical form), address and build.',
      tags: ['works'],
      ...(parameters.length > 0 ? { parameters } : {}),
      requestBody,
      responses: {
        '200': {
          description: summary,
          content: answer,
          headers: {
            ETag: {
              schema: text,
              description: 'Of the body (a document in its canonical form), address and build.',
            },
          },
        },
        '304': { description: 'If-None-Match names what would be answered.' },
        ...REFUSALS,
      },
    },
  };
}

/** The contract of the endpoints. */
export function openapi(): Schema {
  const zip: Schema = { 'application/zip': { schema: bytes } };
  return {
    openapi: '3.1.0',
    info: {
      title: 'Tapis',
      version: VERSION,
      summary: 'Land patterns, padstacks and seated bodies from datasheet dimensions.',
      description:
        'A document says what a person means by one footprint; everything else is derived. Bodies of documents are read up to 2 MB, datasheets up to 8 MB. Errors are problem+json (RFC 9457) and name the field.',
      license: { name: 'MIT', identifier: 'MIT' },
    },
    servers: [{ url: '/' }],
    security: [],
    tags: [
      { name: 'works', description: 'What makes something of a body.' },
      { name: 'tells', description: 'What is the same for everybody.' },
    ],
    paths: {
      '/api/v1/health': get(
        'health',
        'Whether the server answers, and the newest version of documents',
        ref('Health'),
      ),
      '/api/v1/families': get(
        'families',
        'Kinds of package with their dimensions, options and common sizes',
        { type: 'object' },
      ),
      '/api/v1/schema': {
        get: {
          operationId: 'schema',
          summary: 'The JSON Schema of documents',
          tags: ['tells'],
          responses: {
            '200': {
              description: 'JSON Schema, draft 2020-12',
              content: { 'application/schema+json': { schema: { type: 'object' } } },
            },
          },
        },
      },
      '/api/v1/openapi.json': get('contract', 'This contract', { type: 'object' }),
      '/api/v1/compile': post({
        operationId: 'compile',
        summary: 'Footprint, derivations and findings of a document',
        requestBody: documentBody,
        answer: jsonOf(ref('Compiled')),
      }),
      '/api/v1/best': post({
        operationId: 'best',
        summary: 'The lands whose joints fail least, and which tolerance matters',
        requestBody: documentBody,
        parameters: [
          query('maxZ', 'The outer distance at most, such as 7.2mm.'),
          query('spread', 'How tolerances spread, between semicolons: Placement along=uniform.'),
        ],
        answer: jsonOf(ref('Best')),
      }),
      '/api/v1/export/{format}': post({
        operationId: 'export',
        summary: 'A file of a document',
        requestBody: documentBody,
        parameters: [
          {
            name: 'format',
            in: 'path',
            required: true,
            schema: { enum: FORMATS.map(({ id }) => id) },
            description: 'Id of the format.',
          },
          ...ABOUT,
        ],
        answer: Object.fromEntries(
          [...new Set(FORMATS.map(({ mediaType }) => mediaType))].map((type) => [type, { schema: bytes }]),
        ),
      }),
      '/api/v1/release': post({
        operationId: 'release',
        summary: 'The ZIP of a release target, with its manifest',
        requestBody: documentBody,
        parameters: [
          { ...query('target', 'Id of the target.', { enum: TARGETS.map(({ id }) => id) }), required: true },
          query('pattern', 'How files are called, such as {reference}-{standard}.'),
          ...ABOUT,
        ],
        answer: zip,
      }),
      '/api/v1/batch': {
        post: {
          operationId: 'batch',
          summary: 'Many documents, one a line; a line is told of each',
          tags: ['works'],
          parameters: [
            query(
              'process',
              'Id of a process that all are put to; one’s own comes as a line before the documents.',
            ),
            query('level', 'Level that all are put to.', { enum: ['A', 'B', 'C', 'D'] }),
            query('format', 'Id of the format of the files that are wanted.', {
              enum: FORMATS.map(({ id }) => id),
            }),
            query('findings', 'Findings in words.', { const: 'words' }),
          ],
          requestBody: {
            required: true,
            content: { 'application/x-ndjson': { schema: ref('Document'), example: EXAMPLE } },
          },
          responses: {
            '200': {
              description: 'A line of JSON for each',
              content: { 'application/x-ndjson': { schema: ref('BatchLine') } },
            },
            ...REFUSALS,
            ...refused('415', 'The body is of another type.'),
          },
        },
      },
      '/api/v1/take': {
        post: {
          operationId: 'take',
          summary: 'A datasheet’s page, or a list of parts, read into documents',
          tags: ['works'],
          parameters: [
            query('family', 'Id of the package family; guessed where it is missing.'),
            query('size', 'The size that is meant, where a table has several.'),
            query('page', 'The page of a PDF.', { type: 'integer', minimum: 1 }),
            query('unit', 'Unit of the page.', { enum: ['mm', 'mil', 'in'] }),
            query('name', 'What the file is called.'),
            query('rows', 'Each row is a part of its own.', { const: true }),
            query('pattern', 'The land pattern that a PDF draws, as a footprint of its own.', {
              const: true,
            }),
            query('measure', 'With pattern: what no number says is measured off the drawing.', {
              const: true,
            }),
          ],
          requestBody: {
            required: true,
            content: Object.fromEntries(
              ['application/pdf', 'image/png', 'image/jpeg', 'text/plain', 'text/html', 'text/csv'].map(
                (type) => [
                  type,
                  type === 'text/plain' ? { schema: bytes, example: SHEET } : { schema: bytes },
                ],
              ),
            ),
          },
          responses: {
            '200': {
              description: 'What was read, with all that is to be looked at',
              content: jsonOf({ type: 'object' }),
            },
            ...REFUSALS,
            ...refused('415', 'The body is of another type.'),
          },
        },
      },
    },
    components: { schemas: { ...ANSWERS, ...componentSchemas() } },
  };
}
