import type { APIRoute } from 'astro';
import { SCHEMAS } from '../../core/document/schemas';
import { only } from '../../server/endpoint';
import { json, problem, response } from '../../server/reply';

/** The published schemas, at the addresses that their `$id`s name. */
export const GET: APIRoute = ({ params }) => {
  const schema = SCHEMAS.get(params['name'] ?? '');
  if (schema) return response(json(schema(), 'application/schema+json'));
  return response(problem(404, 'No such schema', `Known are ${[...SCHEMAS.keys()].join(', ')}.`));
};

export const ALL = only('GET, HEAD');
