import type { APIRoute } from 'astro';
import document from '../../core/document/tapis-document-1.schema.json';
import process from '../../core/document/tapis-process-1.schema.json';
import shelf from '../../core/document/tapis-shelf-1.schema.json';
import { problem } from '../../server/problem';

const SCHEMAS = new Map<string, unknown>([
  ['tapis-document-1', document],
  ['tapis-process-1', process],
  ['tapis-shelf-1', shelf],
]);

/** The published schemas, at the addresses that their `$id`s name. */
export const GET: APIRoute = ({ params }) => {
  const schema = SCHEMAS.get(params['name'] ?? '');
  if (!schema) return problem(404, 'No such schema', `Known are ${[...SCHEMAS.keys()].join(', ')}.`);
  return new Response(`${JSON.stringify(schema, null, 2)}\n`, {
    headers: { 'content-type': 'application/schema+json' },
  });
};
