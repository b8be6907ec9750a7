import type { APIRoute } from 'astro';
import { check } from '../../../../core/check/check';
import { compile } from '../../../../core/footprint/compile';
import { FORMATS, formatById } from '../../../../core/format';
import { writeFile } from '../../../../core/format/format';
import { documentIn } from '../../../../server/document-request';
import { problem } from '../../../../server/problem';

/** Document in, file out. A document with missing dimensions has nothing to write and says which. */
export const POST: APIRoute = async ({ params, request }) => {
  const format = formatById(params['format'] ?? '');
  if (!format) {
    return problem(404, 'No such format', `Known are ${FORMATS.map(({ id }) => id).join(', ')}.`);
  }
  const document = await documentIn(request);
  if (!document.ok) return document.error;
  const compiled = compile(document.value);
  const { footprint } = compiled;
  if (!footprint) {
    const errors = check(compiled).findings.map(({ place, title, message }) => ({
      field: place.dimensions?.[0] ? `/package/dimensions/${place.dimensions[0]}` : '/package',
      message: `${title}. ${message}`,
    }));
    return problem(
      422,
      'Nothing to write yet',
      errors[0]?.message ?? 'The document gives no footprint.',
      errors,
    );
  }
  const { name, mediaType, content } = await writeFile(format, { ...compiled, footprint });
  const isText = typeof content === 'string';
  return new Response(isText ? content : content.slice(), {
    headers: {
      'content-type': isText ? `${mediaType}; charset=utf-8` : mediaType,
      'content-disposition': `attachment; filename="${name.replace(/[^\w.+-]/g, '_')}"`,
    },
  });
};
