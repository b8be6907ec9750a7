import { basename } from 'node:path';
import type { ListAsked } from '../core/lists/list';
import { takeListFile, type WorkedRow } from '../kernel/source/take-rows';
import { bytesOf, underStandard, unitOf } from './files';
import { Refusal, type Outcome } from './outcome';
import type { TakeOptions } from './take';
import { writeDocuments } from './write-documents';

/** Rows whose doubts are printed; the rest is counted. */
const MOST_TOLD = 200;

/** Reads a list of parts, a row each, and writes a document of each into a folder. */
export async function takeRows(file: string, options: TakeOptions): Promise<Outcome> {
  const { out, family, columns } = options;
  if (out === undefined)
    throw new Refusal('--out is missing: the folder to write the footprints of the list into.');
  const unit = unitOf(options.unit);
  const bytes = bytesOf(file);
  const source = file === '-' ? 'standard input' : basename(file);
  const asked: ListAsked = {
    source,
    ...(family === undefined ? {} : { family }),
    ...(unit ? { unit } : {}),
    roles: rolesOf(columns),
  };
  const found = await takeListFile(bytes, source, asked);
  if (!found.ok) throw new Refusal(found.error);
  const { list, rows, taken } = found.value;
  const written = writeDocuments(
    out,
    taken.map(({ document }) => underStandard(document, options.standard)),
  );
  const words = [
    ...list.columns.map(
      ({ head, role, reason, doubt }) =>
        `column “${head}”: ${role} (${reason})${doubt ? `; look: ${doubt}` : ''}`,
    ),
    ...list.doubts,
    ...rows.flatMap(rowWords).slice(0, MOST_TOLD),
    `${rows.length} rows, ${taken.length} footprints, ${rows.filter(({ sameAs }) => sameAs !== null).length} the same as another, ${rows.filter(({ row }) => row.document === null).length} not understood.`,
  ];
  const isClean = rows.every(({ row, facts }) => row.document !== null && facts?.verdict !== 'stop');
  return {
    out: written.map((path) => `${path}\n`).join(''),
    err: words.map((line) => `${line}\n`).join(''),
    code: isClean ? 0 : 1,
  };
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
