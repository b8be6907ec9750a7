import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join, relative, sep } from 'node:path';
import { applyEdits } from '../core/document/edit';
import { problemWords } from '../core/document/read';
import { schemaFiles, schemaOf } from '../core/document/schemas';
import { writeDocument } from '../core/document/write';
import { openDocument, rewritten } from '../core/footprint/open';
import { counted } from '../core/library/counting';
import { movedDocument, movedToHouse } from '../core/library/from-process';
import { processById } from '../core/process';
import { textOf } from './files';
import { Refusal, type Outcome } from './outcome';
import { replace } from './replace';

interface RewriteOptions {
  readonly check?: boolean | undefined;
  /** Folder that the schemas are written into, and that the files name. */
  readonly schema?: string | undefined;
  /** Footprints whose names ask for a running number get the next that is free among the files. */
  readonly number?: boolean | undefined;
  /** What processes of documents want as a house would moves into standards; no land changes. */
  readonly house?: boolean | undefined;
}

/** Writes files in the one way in which Tapis writes them; one that cannot be read stays as it is. */
export function rewriteFiles(files: readonly string[], options: RewriteOptions): Outcome {
  const { check: isCheck = false, schema, number = false, house = false } = options;
  if (schema !== undefined && !isCheck) writeSchemas(schema);
  const texts = new Map(files.map((file) => [file, attempted(() => textOf(file))]));
  const numbers = number ? numbered(texts) : new Map<string, string>();
  const out: string[] = [];
  const err: string[] = [];
  for (const [file, text] of texts) {
    try {
      if (text instanceof Refusal) throw text;
      if (number && kindOf(text) === 'tapis-shelf-1')
        throw new Refusal('--number gives numbers to files of one footprint; this one holds a Shelf.');
      const own = numbers.get(file) ?? text;
      const read = rewritten(
        house ? withHouse(own) : own,
        schema === undefined ? undefined : addressOf(schema, file, text),
      );
      if (!read.ok) throw new Refusal(problemWords(read.error, '; '));
      if (file === '-') out.push(read.value);
      else if (read.value !== text) {
        if (!isCheck) replace(file, read.value);
        out.push(`${file}\n`);
      }
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      err.push(`${file}: ${error.message}\n`);
    }
  }
  const code = err.length > 0 ? 2 : isCheck && out.length > 0 ? 1 : 0;
  return { out: out.join(''), err: err.join(''), code };
}

function attempted<T>(make: () => T): T | Refusal {
  try {
    return make();
  } catch (error) {
    if (error instanceof Refusal) return error;
    throw error;
  }
}

/** The schemas as files beside each other, for editors that explain and complete fields. */
function writeSchemas(folder: string): void {
  try {
    mkdirSync(folder, { recursive: true });
    for (const [name, text] of schemaFiles()) writeFileSync(join(folder, name), text);
  } catch (error) {
    throw new Refusal(`${folder} cannot be written: ${(error as Error).message}`);
  }
}

/** Which schema a text is of; `null` where it is of none. */
function kindOf(text: string): string | null {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' && value !== null ? schemaOf(value) : null;
  } catch {
    return null;
  }
}

/** Where a file finds its schema, seen from the folder that it lies in. */
function addressOf(folder: string, file: string, text: string): string | undefined {
  const name = kindOf(text);
  if (name === null) return undefined;
  const way = relative(file === '-' ? '.' : dirname(file), join(folder, `${name}.json`)).replaceAll(sep, '/');
  return way.startsWith('.') ? way : `./${way}`;
}

/** Documents with running numbers, by their file. */
function numbered(texts: ReadonlyMap<string, string | Refusal>): Map<string, string> {
  const read = [...texts].flatMap(([file, text]) => {
    const opened = text instanceof Refusal ? null : openDocument(text);
    return opened?.ok ? [{ file, document: opened.value }] : [];
  });
  const given = counted(read.map(({ document }) => document));
  return new Map([...given].map(([i, document]) => [read[i]?.file ?? '', writeDocument(document)]));
}

/**
 * A document with a standard that says what its process wanted as a house would. Others, and what cannot be read, come
 * back as they are.
 * @throws Refusal for an approved document, whose approvals are of its text
 */
function withHouse(text: string): string {
  const opened = openDocument(text);
  if (!opened.ok) return text;
  const { ownProcess, approvals = [] } = opened.value;
  const original = ownProcess?.basedOn === undefined ? null : processById(ownProcess.basedOn);
  const moved = ownProcess && original && movedToHouse(ownProcess, original);
  const edits = moved && movedDocument(opened.value, ownProcess, moved);
  if (!edits) return text;
  if (approvals.length > 0)
    throw new Refusal('It is approved as it is: what its process says for the house stays in it.');
  return writeDocument(applyEdits(opened.value, edits));
}
