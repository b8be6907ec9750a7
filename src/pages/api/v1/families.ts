import type { APIRoute } from 'astro';
import { FAMILIES } from '../../../core/package/families';
import { json } from '../../../server/problem';

/** The package families with their dimensions, options and example values. */
export const GET: APIRoute = () =>
  json({
    families: FAMILIES.map(({ id, title, summary, keywords, dimensions, options, example }) => ({
      id,
      title,
      summary,
      keywords,
      dimensions,
      options,
      example,
    })),
  });
