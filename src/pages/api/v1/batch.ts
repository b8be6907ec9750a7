import type { APIRoute } from 'astro';
import { batchEndpoint } from '../../../server/batch';
import { only } from '../../../server/endpoint';

/** Documents in, one a line; what is found in each, and its file, out, one a line. */
export const POST: APIRoute = ({ request, url, locals }) =>
  batchEndpoint(request, url.searchParams, locals.drained ?? (() => Promise.resolve()));

export const ALL = only('POST');
