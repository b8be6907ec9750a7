import { defineMiddleware } from 'astro:middleware';
import { problem } from './server/problem';

/** Sent with every answer; the content policy of pages is made by the build, with their hashes. */
const HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'no-referrer',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), geolocation=(), microphone=(), payment=(), usb=()',
};

export const onRequest = defineMiddleware(async ({ url, request }, next) => {
  const response = await answer(url, request, next);
  for (const [name, value] of Object.entries(HEADERS)) response.headers.set(name, value);
  if (!response.headers.has('content-security-policy') && !isPage(response)) {
    response.headers.set('content-security-policy', "default-src 'none'; frame-ancestors 'none'");
  }
  return response;
});

/** Endpoints answer every failure as problem+json, without inner details. */
async function answer(url: URL, request: Request, next: () => Promise<Response>): Promise<Response> {
  if (!url.pathname.startsWith('/api/')) return next();
  try {
    const response = await next();
    if (response.status === 404 && !response.headers.get('content-type')?.includes('json')) {
      return problem(
        404,
        'No such endpoint',
        `${request.method} ${url.pathname} is not an endpoint of version 1.`,
      );
    }
    return response;
  } catch {
    return problem(
      500,
      'Fault in Tapis',
      'The request could not be answered; this is a fault of the program.',
    );
  }
}

function isPage(response: Response): boolean {
  return response.headers.get('content-type')?.startsWith('text/html') ?? false;
}
