import { check } from '../core/check/check';
import { compile } from '../core/footprint/compile';
import { isDrawable, type Compiled } from '../core/footprint/footprint';
import { openDocument, openShelf } from '../core/footprint/open';
import { formatById } from '../core/format';
import { compiledAnswer } from '../core/format/answer';
import { writeFile, type WrittenFile } from '../core/format/format';
import type { HandOver } from '../core/format/paper/frame';
import { aboutFrom, handOverFrom, type ReleaseAsked } from '../core/format/release/ask';
import { releaseZip, type Released } from '../core/format/release/release';
import { keyOf } from '../kernel/inside';
import { batchLine, type BatchAsk } from '../kernel/batch-line';
import { readInside } from '../kernel/read-inside';
import { json, problem, type Reply } from './reply';

/** What a thread is asked for: a document's text, and the format of the file where one is wanted. */
export interface Work {
  readonly text: string;
  /** `null` for the compiled document itself. */
  readonly format: string | null;
  /** What is said beside the document; read where a file is wanted. */
  readonly about?: ReleaseAsked;
}

/** One document of a batch. */
export interface BatchWork {
  readonly text: string;
  readonly ask: BatchAsk;
}

/** One release: documents, and what of them is wanted. */
export interface ReleaseWork {
  readonly text: string;
  readonly release: ReleaseAsked;
}

/** What a request asks of a datasheet, as its address says it. */
export interface TakeAsked {
  readonly family?: string;
  readonly size?: string;
  readonly page?: string;
  readonly unit?: string;
  readonly name?: string;
  /** `true` where each row is a part of its own. */
  readonly rows?: string;
  /** `true` where the land pattern that a page draws is meant, and where what no number says is measured. */
  readonly pattern?: string;
  readonly measure?: string;
}

/** One footprint whose best lands are looked for. */
export interface BestWork {
  readonly text: string;
  readonly best: { readonly maxZ?: string; readonly spread?: string };
}

/** One datasheet to be read. */
export interface TakeWork {
  readonly take: { readonly bytes: Uint8Array; readonly asked: TakeAsked };
}

/** Does the work of one request. Runs in a thread of its own, so that it can be given up. */
export async function work(asked: Work | BatchWork | ReleaseWork | TakeWork | BestWork): Promise<Reply> {
  if ('take' in asked) return takeReply(asked.take);
  if ('ask' in asked) return lineReply(asked);
  if ('release' in asked) return releaseReply(asked);
  if ('best' in asked) return bestReply(asked);
  const { text, format, about = {} } = asked;
  const said = aboutFrom(about);
  if (!said.ok) return problem(400, 'Not asked for rightly', said.error);
  const read = openDocument(text);
  if (!read.ok) {
    const [first] = read.error;
    return problem(422, 'Not a Tapis document', first?.message ?? 'It cannot be read.', read.error);
  }
  const kernel = async () => (await import('occt-import-js')).default();
  const { loaded, trouble } = await readInside(read.value, kernel);
  const compiled = compile(read.value, () => loaded);
  // what was left out is told beside the answer
  const leftOut = trouble === null ? {} : { leftOut: trouble };
  if (format === null) return json({ ...compiledAnswer(compiled, check(compiled)), ...leftOut });
  const reply = await file(compiled, format, said.value);
  return trouble === null
    ? reply
    : { ...reply, headers: { ...reply.headers, 'x-left-out': encodeURIComponent(trouble) } };
}

/** The best lands of a document, and what matters for those that are there. */
async function bestReply({ text, best: { maxZ, spread } }: BestWork): Promise<Reply> {
  const read = openDocument(text);
  if (!read.ok) return problem(422, 'Not a Tapis document', read.error[0]?.message ?? '', read.error);
  const { bestAnswer } = await import('../core/best/answer');
  const { variablesOf } = await import('../core/best/spreads');
  const { bestAsk } = await import('../core/best/ask');
  const compiled = compile(read.value);
  if (!isDrawable(compiled)) {
    const [first] = check(compiled).findings;
    return problem(422, 'Nothing to choose yet', first?.message ?? 'The document gives no footprint.');
  }
  const names = variablesOf(compiled).map(({ name }) => name);
  const ask = bestAsk({ maxZ, spreads: spread?.split(';').filter(Boolean) }, names);
  if (!ask.ok) return problem(400, 'Not asked for rightly', ask.error);
  const run = bestAnswer(compiled, ask.value);
  let step = run.next();
  while (!step.done) step = run.next();
  return json(step.value);
}

/** The document of what was read of a datasheet, with all that is to be looked at. */
async function takeReply({ bytes, asked }: TakeWork['take']): Promise<Reply> {
  const { page, unit, rows, pattern, measure, name = 'datasheet', ...ask } = asked;
  const number = page === undefined ? undefined : Number(page);
  if (number !== undefined && !(Number.isInteger(number) && number > 0))
    return problem(400, 'Not asked for rightly', `page is “${page ?? ''}”; it is a number from 1.`);
  if (unit !== undefined && unit !== 'mm' && unit !== 'in' && unit !== 'mil')
    return problem(400, 'Not asked for rightly', `unit is “${unit}”; known are mm, in, mil.`);
  for (const [word, said] of Object.entries({ rows, pattern, measure }))
    if (said !== undefined && said !== 'true')
      return problem(400, 'Not asked for rightly', `${word} is “${said}”; it is true, or left out.`);
  if (measure === 'true' && pattern !== 'true')
    return problem(400, 'Not asked for rightly', 'measure goes with pattern.');
  if (pattern === 'true') {
    if (rows !== undefined || ask.family !== undefined || ask.size !== undefined)
      return problem(400, 'Not asked for rightly', 'pattern goes without rows, family and size.');
    const { patternAnswer, takePattern } = await import('../kernel/source/take-drawing');
    const drawn = await takePattern(bytes, name, { page: number, unit, isMeasured: measure === 'true' });
    return drawn.ok ? json(patternAnswer(drawn.value)) : problem(422, 'Not read', drawn.error);
  }
  if (rows === 'true') {
    const { takeListFile } = await import('../kernel/source/take-rows');
    const { family } = ask;
    const list = await takeListFile(bytes, name, {
      source: name,
      ...(family === undefined ? {} : { family }),
      ...(unit ? { unit } : {}),
    });
    if (!list.ok) return problem(422, 'Not read', list.error);
    if (!('bill' in list.value)) return json(list.value);
    // there are no footprints here to hold its lines against: typical sizes are found
    const { matchLine } = await import('../core/lists/bill-match');
    const { bill } = list.value;
    return json({ bill, matches: bill.lines.map((line) => matchLine(line, [])) });
  }
  const { takeFile } = await import('../kernel/source/take-file');
  const taken = await takeFile(bytes, name, { ...ask, page: number, unit });
  if (!taken.ok) return problem(422, 'Not read', taken.error);
  return json(taken.value);
}

/** What is told of one document of a batch, with its file where one is wanted. */
async function lineReply({ text, ask }: BatchWork): Promise<Reply> {
  const { told, file } = await batchLine(text, ask);
  return json({ ...told, ...(file ? { file: fileInside(file) } : {}) });
}

/** A file as a value of JSON: its text, or its bytes in base64. */
function fileInside({ name, mediaType, content }: WrittenFile) {
  return typeof content === 'string'
    ? { name, mediaType, text: content }
    : { name, mediaType, base64: Buffer.from(content).toString('base64') };
}

/** The ZIP of a release of one document, or of all documents of a Shelf file. */
async function releaseReply({ text, release }: ReleaseWork): Promise<Reply> {
  const asked = handOverFrom(release);
  if (!asked.ok) return problem(400, 'Not a release', asked.error);
  const read = openShelf(text);
  if (!read.ok || read.value.documents.length === 0) {
    const errors = read.ok ? read.value.refused : read.error;
    return problem(422, 'Not a Tapis document', errors[0]?.message ?? 'It cannot be read.', errors);
  }
  const [refused] = read.value.refused;
  if (refused) return problem(422, 'Not a Tapis document', refused.message, read.value.refused);
  const kernel = async () => (await import('occt-import-js')).default();
  const all: Released[] = [];
  for (const document of read.value.documents) {
    const { loaded } = await readInside(document, kernel);
    const compiled = compile(document, () => loaded);
    const { footprint } = compiled;
    if (!footprint) {
      const [first] = check(compiled).findings;
      return problem(
        422,
        'Nothing to write yet',
        `${document.name}: ${first?.message ?? 'it gives no footprint.'}`,
      );
    }
    all.push({ compiled: { ...compiled, footprint }, about: asked.value.about });
  }
  const zip = await releaseZip(all, asked.value.target, keyOf);
  return {
    status: 200,
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="${asked.value.target.id}.zip"`,
    },
    body: zip ?? '',
  };
}

/** The file of a format. A document with missing dimensions has nothing to write and says which. */
async function file(compiled: Compiled, id: string, about: HandOver): Promise<Reply> {
  const format = formatById(id);
  if (!format) throw new RangeError(`There is no format “${id}”.`);
  const { footprint } = compiled;
  if (!footprint) {
    const errors = check(compiled).findings.map(({ place, title, message }) => ({
      field: place.dimensions?.[0] ? `/package/dimensions/${place.dimensions[0]}` : '/package',
      message: `${title}. ${message}`,
    }));
    const detail = errors[0]?.message ?? 'The document gives no footprint.';
    return problem(422, 'Nothing to write yet', detail, errors);
  }
  const { name, mediaType, content } = await writeFile(format, { ...compiled, footprint }, about);
  return {
    status: 200,
    headers: {
      'content-type': typeof content === 'string' ? `${mediaType}; charset=utf-8` : mediaType,
      'content-disposition': `attachment; filename="${name.replace(/[^\w.+-]/g, '_')}"`,
    },
    body: content,
  };
}
