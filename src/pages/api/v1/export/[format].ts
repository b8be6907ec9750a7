import type { APIRoute } from 'astro';
import { FORMATS, formatById } from '../../../../core/format';
import { documentEndpoint, only } from '../../../../server/endpoint';
import { problem, response } from '../../../../server/reply';

/** Document in, file out. */
export const POST: APIRoute = ({ params, request, url }) => {
  const format = formatById(params['format'] ?? '');
  if (format) return documentEndpoint(request, format.id, url.searchParams);
  return response(problem(404, 'No such format', `Known are ${FORMATS.map(({ id }) => id).join(', ')}.`));
};

export const ALL = only('POST');
