import type { APIRoute } from 'astro';
import { only, releaseEndpoint } from '../../../server/endpoint';

/** A document or a Shelf file in, the ZIP of a release target out. */
export const POST: APIRoute = ({ request, url }) => releaseEndpoint(request, url.searchParams);

export const ALL = only('POST');
