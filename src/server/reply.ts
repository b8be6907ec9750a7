import { anchorOf } from '../docs/anchor';
import type { DocumentProblem } from '../core/document/read';

/** An answer before it goes out: what crosses from a thread that worked for it. */
export interface Reply {
  readonly status: number;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string | Uint8Array;
}

/**
 * An error answer as problem+json (RFC 9457); `errors` names the fields.
 * @param title has its section in docs/problems.md, which the type leads to
 */
export function problem(
  status: number,
  title: string,
  detail: string,
  errors: readonly DocumentProblem[] = [],
): Reply {
  const type = `/docs/problems#${anchorOf(title)}`;
  const body = { type, title, status, detail, ...(errors.length > 0 ? { errors } : {}) };
  return {
    status,
    headers: { 'content-type': 'application/problem+json' },
    body: `${JSON.stringify(body)}\n`,
  };
}

/** What is answered where the program itself failed: nothing of its insides. */
export function fault(): Reply {
  const detail = 'The request could not be answered; this is a fault of the program.';
  return problem(500, 'Fault in Tapis', detail);
}

/** A JSON answer. */
export function json(body: unknown, type = 'application/json'): Reply {
  return { status: 200, headers: { 'content-type': type }, body: `${JSON.stringify(body)}\n` };
}

/** A reply as the page server sends it. */
export function response({ status, headers, body }: Reply): Response {
  const content = status === 304 ? null : typeof body === 'string' ? body : body.slice();
  return new Response(content, { status, headers });
}
