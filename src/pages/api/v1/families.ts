import type { APIRoute } from 'astro';
import { FAMILIES } from '../../../core/package/families';
import { json } from '../../../server/problem';

/** The package families with their dimensions, options, common sizes and example values. */
export const GET: APIRoute = () =>
  json({
    families: FAMILIES.map(({ id, title, summary, keywords, dimensions, options, outlines, example }) => ({
      id,
      title,
      summary,
      keywords,
      dimensions: dimensions.map(({ derived, ...rest }) => ({
        ...rest,
        // a formula that depends on the options is that of the first choices
        ...(derived === undefined ? {} : { derived: typeof derived === 'string' ? derived : derived({}) }),
      })),
      options: options.map(({ id: option, name, choices, help }) => ({ id: option, name, choices, help })),
      outlines: outlines ?? [],
      example,
    })),
  });
