import type { APIRoute } from 'astro';
import type { ReleaseAsked } from '../core/format/release/ask';
import { byContent } from './cached';
import { inThread } from './pool';
import type { BestWork, ReleaseWork, TakeAsked, Work } from './work';
import { problem, response, type Reply } from './reply';
import { bytesIn, otherType, textIn } from './request';

/** An endpoint that takes a document and answers with what a thread makes of it. */
export async function documentEndpoint(
  request: Request,
  format: string | null,
  query = new URLSearchParams(),
): Promise<Response> {
  const unknown = unknownIn(query, ABOUT_WORDS);
  if (unknown) return unknown;
  const about = Object.fromEntries(query) as ReleaseAsked;
  return ofText(request, (text) => ({ text, format, about }));
}

/** Works for the document in a request's body, or answers why it is not read. */
async function ofText(
  request: Request,
  work: (text: string) => Work | ReleaseWork | BestWork,
): Promise<Response> {
  const text = await textIn(request);
  if (!text.ok) return response(text.error);
  return byContent(request, text.value, () => inThread(work(text.value), request.signal));
}

/** The answer to an address that asks for what is not known; `null` where it does not. */
function unknownIn(query: URLSearchParams, known: readonly string[]): Response | null {
  const unknown = [...query.keys()].find((key) => !known.includes(key));
  if (unknown === undefined) return null;
  return response(
    problem(400, 'Not asked for rightly', `“${unknown}” is not known; known are ${known.join(', ')}.`),
  );
}

const ABOUT_WORDS = ['date', 'revision', 'paper'];

/** An endpoint that takes one document or a Shelf file and answers with the ZIP of a release. */
export async function releaseEndpoint(request: Request, query: URLSearchParams): Promise<Response> {
  const unknown = unknownIn(query, RELEASE_WORDS);
  if (unknown) return unknown;
  const release = Object.fromEntries(query) as ReleaseAsked;
  return ofText(request, (text) => ({ text, release }));
}

const RELEASE_WORDS = ['target', 'pattern', ...ABOUT_WORDS];

/** An endpoint that takes a document and answers with its best lands. */
export async function bestEndpoint(request: Request, query: URLSearchParams): Promise<Response> {
  const unknown = unknownIn(query, BEST_WORDS);
  if (unknown) return unknown;
  const best = Object.fromEntries(query) as BestWork['best'];
  return ofText(request, (text) => ({ text, best }));
}

const BEST_WORDS = ['maxZ', 'spread'];

/** An endpoint that takes a datasheet's page as a file and answers with what was read of it. */
export async function takeEndpoint(request: Request, query: URLSearchParams): Promise<Response> {
  const unknown = unknownIn(query, TAKE_WORDS);
  if (unknown) return unknown;
  const isOther = otherType(
    request,
    SHEET_TYPES,
    'a PDF, a PNG or JPEG picture, HTML, plain text, CSV or a workbook (XLSX), with its type',
  );
  if (isOther) return response(isOther);
  const bytes = await bytesIn(request, LARGEST_UPLOAD);
  if (!bytes.ok) return response(bytes.error);
  const take = { bytes: bytes.value, asked: Object.fromEntries(query) as TakeAsked };
  return byContent(request, bytes.value, () => inThread({ take }, request.signal));
}

const TAKE_WORDS = ['family', 'size', 'page', 'unit', 'name', 'rows', 'pattern', 'measure'];
const SHEET_TYPES =
  /^(application\/(pdf|vnd\.openxmlformats-officedocument\.spreadsheetml\.sheet)|image\/(png|jpeg)|text\/(plain|html|tab-separated-values|csv))\b/i;
/** Largest datasheet that is read for a request, bytes. */
const LARGEST_UPLOAD = 8_000_000;

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
