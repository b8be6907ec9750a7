import { documentSchema } from '../../../core/document/schema';
import { SCHEMAS } from '../../../core/document/schemas';
import { only, tells } from '../../../server/endpoint';
import { json } from '../../../server/reply';

export const GET = tells(() =>
  json((SCHEMAS.get('tapis-document-2') ?? documentSchema)(), 'application/schema+json'),
);

export const ALL = only('GET, HEAD');
