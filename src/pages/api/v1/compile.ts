import type { APIRoute } from 'astro';
import { documentEndpoint, only } from '../../../server/endpoint';

/** Document in; footprint, solution with derivations, and findings out. */
export const POST: APIRoute = ({ request }) => documentEndpoint(request, null);

export const ALL = only('POST');
