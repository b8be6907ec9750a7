import type { APIRoute } from 'astro';
import schema from '../../../core/document/tapis-document-1.schema.json';

export const GET: APIRoute = () =>
  new Response(`${JSON.stringify(schema, null, 2)}\n`, {
    headers: { 'content-type': 'application/schema+json' },
  });
