import type { APIRoute } from 'astro';
import { CATALOGUE } from '../../../core/package/catalogue';
import { json } from '../../../server/problem';

/** The kinds of package with their dimensions, options, common sizes and example values. */
export const GET: APIRoute = () => json({ families: CATALOGUE });
