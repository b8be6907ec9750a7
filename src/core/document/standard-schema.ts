import { clauseFields, type ClauseField } from '../standard/fields';
import { LEAD_FORMS } from '../standard/published';
import { DRAFT, ID_PATTERN, type Schema } from './schema-fields';

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
