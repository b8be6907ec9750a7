import { NEWEST_VERSION } from '../../../core/document/migrations';
import { only, tells } from '../../../server/endpoint';
import { json } from '../../../server/reply';

export const GET = tells(() => json({ status: 'ok', documentVersion: NEWEST_VERSION }));

export const ALL = only('GET, HEAD');
