import { CATALOGUE } from '../../../core/package/catalogue';
import { only, tells } from '../../../server/endpoint';
import { json } from '../../../server/reply';

/** The kinds of package with their dimensions, options, common sizes and example values. */
export const GET = tells(() => json({ families: CATALOGUE }));

export const ALL = only('GET, HEAD');
