import type { DocumentProblem } from '../core/document/read';

/** An error answer as problem+json (RFC 9457); `errors` names the fields. */
export function problem(
  status: number,
  title: string,
  detail: string,
  errors: readonly DocumentProblem[] = [],
): Response {
  const body = { type: 'about:blank', title, status, detail, ...(errors.length > 0 ? { errors } : {}) };
  return new Response(`${JSON.stringify(body)}\n`, {
    status,
    headers: { 'content-type': 'application/problem+json' },
  });
}

/** A JSON answer. */
export function json(body: unknown): Response {
  return new Response(`${JSON.stringify(body)}\n`, { headers: { 'content-type': 'application/json' } });
}
