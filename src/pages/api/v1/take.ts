import type { APIRoute } from 'astro';
import { only, takeEndpoint } from '../../../server/endpoint';

/** A datasheet's page in; a document of its dimensions out, with what is doubtful. */
export const POST: APIRoute = ({ request, url }) => takeEndpoint(request, url.searchParams);

export const ALL = only('POST');
