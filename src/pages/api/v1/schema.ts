import type { APIRoute } from 'astro';
import { documentSchema } from '../../../core/document/schema';

export const GET: APIRoute = () =>
  new Response(`${JSON.stringify(documentSchema(), null, 2)}\n`, {
    headers: { 'content-type': 'application/schema+json' },
  });
