import { defineMiddleware } from 'astro:middleware';
import { fault, problem, response } from './server/reply';

/** Endpoints answer every failure as problem+json, without inner details. */
export const onRequest = defineMiddleware(async ({ url, request }, next) => {
  if (!url.pathname.startsWith('/api/')) return next();
  try {
    const answer = await next();
    if (answer.status !== 404 || answer.headers.get('content-type')?.includes('json')) return answer;
    const detail = `${request.method} ${url.pathname} is not an endpoint of version 1.`;
    return response(problem(404, 'No such endpoint', detail));
  } catch {
    return response(fault());
  }
});
