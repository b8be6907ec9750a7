import type { APIRoute } from 'astro';
import { bestEndpoint, only } from '../../../server/endpoint';

/** Document in; the lands whose joints fail least, and which tolerance matters, out. */
export const POST: APIRoute = ({ request, url }) => bestEndpoint(request, url.searchParams);

export const ALL = only('POST');
