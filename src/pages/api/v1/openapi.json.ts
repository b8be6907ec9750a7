import { only, tells } from '../../../server/endpoint';
import { openapi } from '../../../server/openapi';
import { json } from '../../../server/reply';

/** The endpoints as a contract, OpenAPI 3.1. */
export const GET = tells(() => json(openapi(), 'application/vnd.oai.openapi+json;version=3.1'));

export const ALL = only('GET, HEAD');
