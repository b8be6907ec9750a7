import { basename, join } from 'node:path';
import { compileAndCheck } from '../core/check/guarded';
import { compareCompiled, type Change } from '../core/compare/compare';
import type { TapisDocument } from '../core/document/document';
import { writeDocument } from '../core/document/write';
import { openDocument } from '../core/footprint/open';
import { broughtAgain, type BroughtAgain } from '../core/lists/again';
import type { ListAsked } from '../core/lists/list';
import { takeListFile, takeSheets, type TakenList, type WorkedRow } from '../kernel/source/take-rows';
import { bytesOf, filesIn, isFolder, sheetsIn, textOf, underStandard, unitOf } from './files';
import { Refusal, type Outcome } from './outcome';
import { replace } from './replace';
import type { TakeOptions } from './take';
import { writeDocuments } from './write-documents';

/** Rows whose doubts are printed; the rest is counted. */
const MOST_TOLD = 200;

/** Reads a list of parts, a row each, or a folder of datasheets, and writes a document of each into a folder. */
export async function takeRows(file: string, options: TakeOptions): Promise<Outcome> {
  const { family, columns } = options;
  const unit = unitOf(options.unit);
  const source = file === '-' ? 'standard input' : basename(file);
  const asked: ListAsked = {
    source,
    ...(family === undefined ? {} : { family }),
    ...(unit ? { unit } : {}),
    roles: rolesOf(columns),
  };
  if (isFolder(file)) {
    const files = sheetsIn(file).map((path) => ({ name: path, bytes: () => bytesOf(join(file, path)) }));
    if (files.length === 0)
      throw new Refusal(`${file} has no datasheets: PDF, PNG, JPEG, HTML and text are read.`);
    return writeRows(source, await takeSheets(files, asked), options);
  }
  const found = await takeListFile(bytesOf(file), source, asked);
  if (!found.ok) throw new Refusal(found.error);
  if ('bill' in found.value) return (await import('./take-bill')).takeBill(found.value.bill, options);
  return writeRows(source, found.value, options);
}

/** Writes what was taken: new documents, and those of the list that are there already with what their rows say now. */
function writeRows(
  source: string,
  { list, rows, taken }: TakenList,
  { out, standard }: TakeOptions,
): Outcome {
  if (out === undefined)
    throw new Refusal('--out is missing: the folder to write the footprints of the list into.');
  const there = isFolder(out) ? documentsIn(out) : new Map<string, TapisDocument>();
  const again = broughtAgain(
    source,
    taken,
    [...there].map(([id, document]) => ({
      id,
      document,
      fixed: document.approvals?.length ? 'it is approved' : null,
    })),
    list.rows.filter(({ document }) => document === null),
  );
  const isNew = (number: number) => (again?.rows.get(number)?.is ?? 'new') === 'new';
  const written = writeDocuments(
    out,
    taken.filter(({ number }) => isNew(number)).map(({ document }) => underStandard(document, standard)),
    again ? 'another name' : 'refuse',
  );
  const words = [
    ...list.columns.map(
      ({ head, role, reason, doubt }) =>
        `column “${head}”: ${role} (${reason})${doubt ? `; look: ${doubt}` : ''}`,
    ),
    ...list.doubts,
    ...rows.flatMap(rowWords).slice(0, MOST_TOLD),
    ...(again ? changedRows(out, again, written) : []),
    `${rows.length} rows, ${taken.length} footprints, ${rows.filter(({ sameAs }) => sameAs !== null).length} the same as another, ${rows.filter(({ row }) => row.document === null).length} not understood.`,
  ];
  const isClean = rows.every(({ row, facts }) => row.document !== null && facts?.verdict !== 'stop');
  return {
    out: written.map((path) => `${path}\n`).join(''),
    err: words.map((line) => `${line}\n`).join(''),
    code: isClean ? 0 : 1,
  };
}

/** Writes what rows have changed. @param written gets the paths @returns what was done and what was left, a line each */
function changedRows(out: string, { rows, gone, byHand }: BroughtAgain, written: string[]): string[] {
  const words = [...rows].flatMap(([number, one]): string[] => {
    if (one.is !== 'changed') return [];
    const path = join(out, one.id);
    const entries = one.changes.map(
      ({ what, was, is }) => `${what} ${was || 'not said'} → ${is || 'no longer said'}`,
    );
    const [before, after] = [compileAndCheck(one.before), compileAndCheck(one.document)];
    const all = [...entries, ...compareCompiled(before, after).map(changeWords)].join('; ');
    if (one.fixed !== null)
      return [`row ${number}, ${one.id}: proposed, and not written, for ${one.fixed}: ${all}`];
    replace(path, writeDocument(one.document));
    written.push(path);
    return [`row ${number}, ${one.id}: changed: ${all}`];
  });
  const count = (is: string) => [...rows.values()].filter((one) => one.is === is).length;
  return [
    ...words,
    ...byHand,
    ...gone.map(({ id }) => `${id}: no longer in the list; it stays as it is`),
    `Of this list were there already: ${count('same')} the same, ${count('changed')} changed, ${gone.length} gone; ${count('new')} are new.`,
  ];
}

const changeWords = ({ title, from, to }: Change): string => `${title} ${from ?? 'none'} → ${to ?? 'none'}`;

/** The documents of a folder by their paths; others are left out. */
function documentsIn(folder: string): Map<string, TapisDocument> {
  return new Map(
    filesIn(folder).flatMap((path) => {
      const read = openDocument(textOf(join(folder, path)));
      return read.ok ? [[path, read.value] as const] : [];
    }),
  );
}

function rowWords({ row: { number, name, doubts }, sameAs, facts }: WorkedRow): string[] {
  const start = `row ${number}, ${name}:`;
  const { verdict, finding } = facts ?? {};
  return [
    ...doubts.map((doubt) => `${start} ${doubt}`),
    ...(sameAs === null ? [] : [`${start} the same footprint as row ${sameAs}`]),
    ...(verdict === 'stop' && finding ? [`${start} ${finding.title}: ${finding.message}`] : []),
  ];
}

/** Roles of columns as they are said: `T=A,a=T,Remark=left`. */
function rolesOf(columns: string | undefined): Record<string, string> {
  const roles: Record<string, string> = {};
  for (const said of columns?.split(',') ?? []) {
    const [, head, role] = /^\s*(.+?)\s*=\s*([^=]+?)\s*$/.exec(said) ?? [];
    if (head === undefined || role === undefined)
      throw new Refusal(
        `--columns has “${said}”; it is the head of a column and what it holds: a symbol of the family, name, part, package, left …, such as T=A,a=T.`,
      );
    roles[head] = role;
  }
  return roles;
}
