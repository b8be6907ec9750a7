import { Readable } from 'node:stream';
import { pMapIterable } from 'p-map';
import type { DocumentProblem } from '../core/document/read';
import { checkProcess } from '../core/document/read-process';
import { checkStandard } from '../core/document/read-standard';
import { FORMATS, formatById } from '../core/format';
import { wishFor } from '../core/library/change';
import { processById, PROCESSES } from '../core/process';
import type { Process } from '../core/process/process';
import type { StandardDocument } from '../core/standard/standard';
import { fail, ok, type Result } from '../core/units/result';
import type { BatchAsk, BatchTold } from '../kernel/batch-line';
import { inThreadPatiently, threads } from './pool';
import { problem, response, type Reply } from './reply';
import { LARGEST_BODY, linesIn, otherType } from './request';

/** Documents of one batch that are worked on or wait for a thread; more are not read before. */
const AT_ONCE = threads * 2;

/**
 * Many documents in, one a line, and a line for each out, in their order and as they are done; nothing of them
 * is held longer. The last line counts them.
 * @param drained waits until what was answered so far is on its way
 */
export async function batchEndpoint(
  request: Request,
  query: URLSearchParams,
  drained: () => Promise<void>,
): Promise<Response> {
  const refused = otherType(
    request,
    /^application\/(x-)?ndjson\b/i,
    'Tapis documents as application/x-ndjson, one on each line',
  );
  if (refused) return response(refused);
  const lines = linesIn(request);
  const own: Own = { process: null, standard: null };
  let first = await lines.next();
  // a process and a standard of one's own come before the documents, in either order
  while (!first.done) {
    const read = ownOf(first.value);
    if (!read) break;
    if (!read.ok) return response(read.error);
    Object.assign(own, read.value);
    first = await lines.next();
  }
  const ask = askOf(query, own);
  if (!ask.ok) return response(ask.error);
  const documents = first.done ? lines : after(first.value, lines);
  const told = tellAll(documents, ask.value, request.signal, drained);
  return new Response(Readable.toWeb(Readable.from(encoded(told))) as ReadableStream<Uint8Array>, {
    headers: { 'content-type': 'application/x-ndjson' },
  });
}

/** What came before the documents. */
interface Own {
  readonly process: Process | null;
  readonly standard: StandardDocument | null;
}

/** What the address asks for, with what came before the documents. */
function askOf(query: URLSearchParams, own: Own): Result<BatchAsk, Reply> {
  const wrong = (detail: string) => fail(problem(400, 'Not a batch', detail));
  for (const [key, value] of query) {
    if (!KNOWN.includes(key)) return wrong(`“${key}” is not known; known are ${KNOWN.join(', ')}.`);
    if (query.getAll(key).length > 1) return wrong(`“${key}” is given twice, also as “${value}”.`);
  }
  const [id, level, format, findings] = KNOWN.map((key) => query.get(key));
  if (own.process && typeof id === 'string')
    return wrong(`“process” is “${id}”, and a line before the documents is a process.`);
  const process = own.process ?? (typeof id === 'string' ? processById(id) : null);
  if (typeof id === 'string' && !process) {
    const ids = PROCESSES.map((one) => one.id).join(', ');
    return wrong(`“process” is “${id}”; known are ${ids}; one’s own is sent as the first line.`);
  }
  const wish = wishFor(process, level ?? null, own.standard ?? undefined);
  if (!wish) return wrong(`“level” is “${level}”; it is A, B or C, or D where the standard has it.`);
  if (typeof format === 'string' && !formatById(format))
    return wrong(`“format” is “${format}”; known are ${FORMATS.map((one) => one.id).join(', ')}.`);
  if (typeof findings === 'string' && findings !== 'words')
    return wrong(`“findings” is “${findings}”; it is “words” or left out.`);
  return ok({ wish, format: format ?? null, inWords: findings === 'words' });
}

const KNOWN = ['process', 'level', 'format', 'findings'];

/** The process or the standard on a line; `null` where something else is there. */
function ownOf(line: string | null): Result<Partial<Own>, Reply> | null {
  let value: unknown;
  try {
    value = JSON.parse(line ?? '');
  } catch {
    return null;
  }
  if (typeof value !== 'object' || value === null) return null;
  const refused = (title: string, problems: readonly DocumentProblem[]) =>
    fail(problem(422, title, problems[0]?.message ?? 'It cannot be read.', problems));
  if ('tapisProcess' in value) {
    const read = checkProcess(value);
    return read.ok ? ok({ process: read.value }) : refused('Not a process', read.error);
  }
  if ('tapisStandard' in value) {
    const read = checkStandard(value);
    return read.ok ? ok({ standard: read.value.standard }) : refused('Not a standard', read.error);
  }
  return null;
}

async function* after<T>(first: T, rest: AsyncIterable<T>): AsyncGenerator<T> {
  yield first;
  yield* rest;
}

/** Tells of every document and, at the end, how many there were of each verdict. */
async function* tellAll(
  documents: AsyncIterable<string | null>,
  { wish, inWords, format }: BatchAsk,
  abandoned: AbortSignal,
  drained: () => Promise<void>,
): AsyncGenerator<object> {
  const counts = { stop: 0, caution: 0, note: 0, clear: 0, refused: 0 };
  const one = async (text: string | null): Promise<BatchTold> => {
    if (text === null) return { refused: `The line is longer than the ${LARGEST_BODY} bytes that are read.` };
    const { status, body } = await inThreadPatiently({ text, ask: { wish, inWords, format } }, abandoned);
    const said = JSON.parse(String(body)) as BatchTold & { detail: string };
    // what a thread gave up is told as a problem
    return status === 200 ? said : { refused: said.detail };
  };
  let line = 0;
  for await (const told of pMapIterable(documents, one, { concurrency: AT_ONCE })) {
    await drained();
    line += 1;
    counts['refused' in told ? 'refused' : told.verdict] += 1;
    yield { document: line, ...told };
  }
  yield { summary: { documents: line, ...counts } };
}

async function* encoded(values: AsyncIterable<object>): AsyncGenerator<Uint8Array> {
  const encoder = new TextEncoder();
  for await (const value of values) yield encoder.encode(`${JSON.stringify(value)}\n`);
}
