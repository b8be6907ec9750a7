import { docSections } from '../../docs/pages';
import { only, tells } from '../../server/endpoint';
import { json } from '../../server/reply';

/** All sections of the documentation, for the search in the browser. */
export const GET = tells(() => json(docSections()));

export const ALL = only('GET, HEAD');
