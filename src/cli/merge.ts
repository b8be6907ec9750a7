import { writeFileSync } from 'node:fs';
import { placeWords, valueWords } from '../core/document/edit-words';
import { parseJson, problemWords } from '../core/document/read';
import { checkStandard } from '../core/document/read-standard';
import { writeDocument, writeStandard } from '../core/document/write';
import { openDocument } from '../core/footprint/open';
import { joined, type Join } from '../core/library/join';
import { markedText } from '../core/library/marked';
import { textOf } from './files';
import { Refusal, type Outcome } from './outcome';

/** One kind of file that is joined by its fields: how it is read and written. */
interface Kind<D extends object> {
  readonly read: (text: string, path: string) => D;
  readonly write: (document: D) => string;
}

const DOCUMENTS: Kind<object> = {
  read: (text, path) => {
    const read = openDocument(text);
    if (!read.ok) throw new Refusal(`${path}: ${problemWords(read.error)}`);
    return read.value;
  },
  write: (document) => writeDocument(document as Parameters<typeof writeDocument>[0]),
};

const STANDARDS: Kind<object> = {
  read: (text, path) => {
    const parsed = parseJson(text);
    const read = parsed.ok ? checkStandard(parsed.value as object) : parsed;
    if (!read.ok) throw new Refusal(`${path}: ${problemWords(read.error)}`);
    return read.value.standard;
  },
  write: (standard) => writeStandard(standard as Parameters<typeof writeStandard>[0]),
};

/**
 * Joins two files that come from one, by their fields, as a merge driver does. Where they clash both values are
 * kept between marks, and the exit code is 1.
 */
export function merge(
  [base = '', ours = '', theirs = '']: readonly string[],
  { out }: { readonly out?: string | undefined },
): Outcome {
  const texts = [base, ours, theirs].map(textOf) as [string, string, string];
  const kind = /"tapisStandard"\s*:/.test(texts[1]) ? STANDARDS : DOCUMENTS;
  const [a, b, c] = [base, ours, theirs].map((path, i) => kind.read(texts[i] ?? '', path)) as [
    object,
    object,
    object,
  ];
  const join = joined(a, b, c);
  const text = join.clashes.length === 0 ? kind.write(join.ours) : marked(join, kind);
  if (out !== undefined) writeFileSync(out, text);
  return {
    out: out === undefined ? text : '',
    err: join.clashes
      .map(
        ({ at, base: was, ours: own, theirs: other }) =>
          `clash: ${placeWords(at)} was ${valueWords(was)}, ours ${valueWords(own)}, theirs ${valueWords(other)}\n`,
      )
      .join(''),
    code: join.clashes.length === 0 ? 0 : 1,
  };
}

function marked<D extends object>({ ours, theirs }: Join<D>, kind: Kind<D>): string {
  return markedText(kind.write(ours), kind.write(theirs), ['ours', 'theirs']);
}
