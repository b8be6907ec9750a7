import type { APIRoute } from 'astro';
import { documentSchema, processSchema, shelfSchema } from '../../core/document/schema';
import { problem } from '../../server/problem';

const SCHEMAS = new Map([
  ['tapis-document-2', documentSchema],
  ['tapis-process-1', processSchema],
  ['tapis-shelf-1', shelfSchema],
]);

/** The published schemas, at the addresses that their `$id`s name. */
export const GET: APIRoute = ({ params }) => {
  const schema = SCHEMAS.get(params['name'] ?? '');
  if (!schema) return problem(404, 'No such schema', `Known are ${[...SCHEMAS.keys()].join(', ')}.`);
  return new Response(`${JSON.stringify(schema(), null, 2)}\n`, {
    headers: { 'content-type': 'application/schema+json' },
  });
};
