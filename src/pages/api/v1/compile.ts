import type { APIRoute } from 'astro';
import { check } from '../../../core/check/check';
import { compile } from '../../../core/footprint/compile';
import { compiledAnswer } from '../../../core/format/answer';
import { documentIn } from '../../../server/document-request';
import { json } from '../../../server/problem';

/** Document in; footprint, solution with derivations, and findings out. */
export const POST: APIRoute = async ({ request }) => {
  const document = await documentIn(request);
  if (!document.ok) return document.error;
  const compiled = compile(document.value);
  return json(compiledAnswer(compiled, check(compiled)));
};
