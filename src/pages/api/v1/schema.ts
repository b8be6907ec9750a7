import { documentSchema } from '../../../core/document/schema';
import { only, tells } from '../../../server/endpoint';
import { json } from '../../../server/reply';

export const GET = tells(() => json(documentSchema(), 'application/schema+json'));

export const ALL = only('GET, HEAD');
