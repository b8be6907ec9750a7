import { PROCESS_HELP } from '../process/help';
import { allFields } from '../process/fields';
import { MEASURABLE, MEASURABLE_HELP } from '../process/measured';
import { SPREAD_KIND, SPREAD_OFFSETS } from './intent';
import { DRAFT, ID_PATTERN, type Schema } from './schema-fields';

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
      spreads: {
        type: 'object',
        description: 'How what the process holds spreads, where that was measured or is known.',
        additionalProperties: false,
        properties: Object.fromEntries(
          MEASURABLE.map((key) => [key, { $ref: '#/$defs/spread', description: MEASURABLE_HELP[key] }]),
        ),
      },
    },
    $defs: {
      reason: { type: 'string', maxLength: 300 },
      spread: {
        type: 'object',
        description: 'Measured offsets, which go before the kind of a distribution.',
        additionalProperties: false,
        properties: {
          is: {
            type: 'string',
            maxLength: 20,
            pattern: SPREAD_KIND,
            description:
              'Kind: uniform; normal or trimmed, and at how many σ the limits lie; skewed, and its peak.',
          },
          offsets: {
            type: 'string',
            maxLength: 50_000,
            pattern: SPREAD_OFFSETS,
            description: 'Measured offsets from what was wanted, µm, with blanks between them.',
          },
          source: {
            type: 'string',
            maxLength: 200,
            description: 'What was measured, and where that is kept.',
          },
        },
      },
    },
  };
}
