import type { APIRoute } from 'astro';
import { NEWEST_VERSION } from '../../../core/document/migrations';
import { json } from '../../../server/problem';

export const GET: APIRoute = () => json({ status: 'ok', documentVersion: NEWEST_VERSION });
