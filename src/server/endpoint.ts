import type { APIRoute } from 'astro';
import { inThread } from './pool';
import { problem, response, type Reply } from './reply';
import { textIn } from './request';

/** An endpoint that takes a document and answers with what a thread makes of it. */
export async function documentEndpoint(request: Request, format: string | null): Promise<Response> {
  const text = await textIn(request);
  return response(text.ok ? await inThread({ text: text.value, format }, request.signal) : text.error);
}

/** An endpoint that only tells: its answer is made once. */
export function tells(make: () => Reply): APIRoute {
  let made: Reply | null = null;
  return () => response((made ??= make()));
}

/** What answers every other method of an endpoint. */
export function only(allowed: string): APIRoute {
  return ({ request, url }) => {
    const detail = `${url.pathname} answers ${allowed}, not ${request.method}.`;
    const reply = problem(405, 'Method not allowed', detail);
    return response({ ...reply, headers: { ...reply.headers, allow: allowed } });
  };
}
