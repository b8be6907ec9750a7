import { problemWords } from '../core/document/read';
import { readStandard } from '../core/document/read-standard';
import { standardNamed } from '../core/document/standard-hash';
import { writeStandard } from '../core/document/write';
import { openDocument } from '../core/footprint/open';
import { proposeStandard, type Observed } from '../core/library/propose';
import { standardDifferences } from '../core/standard/differences';
import { clauseFieldAt } from '../core/standard/fields';
import { fieldIn, standardOf, statedFields } from '../core/standard/resolve';
import { cited, type Standard } from '../core/standard/standard';
import { clauseText } from '../core/standard/words';
import { filesIn, standardFile, textOf } from './files';
import { Refusal, type Outcome } from './outcome';

interface StandardOptions {
  readonly against?: string | undefined;
  readonly from?: string | undefined;
  readonly name?: string | undefined;
  readonly json?: boolean | undefined;
}

/** Tells what a house standard wants, in what two differ, or reads one off footprints. */
export function standard(file: string | undefined, options: StandardOptions): Outcome {
  const { against, from, name, json = false } = options;
  if (from !== undefined) {
    if (file !== undefined || against !== undefined)
      throw new Refusal('--from makes a standard of a folder; it goes with --name and --json alone.');
    return readOff(from, name ?? 'Read off', json);
  }
  if (file === undefined) throw new Refusal('Name the file of a standard, or a folder by --from.');
  const read = readStandard(textOf(file));
  if (!read.ok) throw new Refusal(problemWords(read.error));
  const own = standardOf(read.value.standard);
  if (against !== undefined) return differences(standardOf(standardFile(against) ?? undefined), own, json);
  const code = own.problems.some(({ isLeftOut }) => isLeftOut) ? 1 : 0;
  if (json) return { out: `${JSON.stringify(plainly(own), null, 2)}\n`, err: '', code };
  return {
    out: [standardNamed(own), ...clauseLines(own), ''].join('\n'),
    err: own.problems
      .map(({ by, at, message }) => `${by}${at === '' ? '' : `, ${at}`}: ${message}\n`)
      .join(''),
    code,
  };
}

function clauseLines(own: Standard): string[] {
  return statedFields(own).flatMap((field) => {
    const stated = own.stated(field.at);
    if (!stated) return [];
    const over = field.published === null ? '' : ` over ${clauseText(field, field.published)}`;
    const reason = stated.reason ? `: ${stated.reason}` : '';
    return [`${field.title} ${clauseText(field, stated.value)}${over}, ${cited(stated)}${reason}`];
  });
}

/** A standard as plain JSON: every clause that holds, by its place. */
function plainly(own: Standard) {
  return {
    standard: standardNamed(own),
    levels: own.levels,
    rows: own.rows,
    clauses: own.places.map((at) => ({
      at,
      title: fieldIn(own, at)?.title ?? at,
      published: fieldIn(own, at)?.published ?? null,
      ...own.stated(at),
    })),
    problems: own.problems,
  };
}

function differences(before: Standard, after: Standard, json: boolean): Outcome {
  const found = standardDifferences(before, after);
  const out = json
    ? `${JSON.stringify(found, null, 2)}\n`
    : [
        `${standardNamed(before)} → ${standardNamed(after)}`,
        ...found.map(({ title, from, to }) => `${title}: ${from} → ${to}`),
        found.length === 0 ? 'They want the same.' : '',
      ]
        .filter(Boolean)
        .map((line) => `${line}\n`)
        .join('');
  return { out, err: '', code: found.length > 0 ? 1 : 0 };
}

/** What the documents of a folder have in common, as a standard; what was seen goes to standard error. */
function readOff(folder: string, name: string, json: boolean): Outcome {
  const refused: string[] = [];
  const documents = filesIn(folder).flatMap((path) => {
    const read = openDocument(textOf(`${folder}/${path}`));
    if (read.ok) return [read.value];
    refused.push(`${path} is no document and is left out.\n`);
    return [];
  });
  if (documents.length === 0) throw new Refusal(`There is no document in ${folder}.`);
  const { standard: made, observed, left } = proposeStandard(documents, name);
  const out = json ? `${JSON.stringify({ standard: made, observed, left }, null, 2)}\n` : writeStandard(made);
  return {
    out,
    err: [
      ...refused,
      ...left.map((one) => `${one} cannot be drawn and is left out.\n`),
      ...observed.map((one) => `${observedWords(one)}\n`),
    ].join(''),
    code: 0,
  };
}

/** What was seen at one place of a standard, in words. */
export function observedWords({
  at,
  title,
  footprints,
  agree,
  common,
  spread,
  published,
  isProposed,
}: Observed): string {
  const field = clauseFieldAt(at);
  const shown = (value: Observed['common']) => (field ? clauseText(field, value) : String(value));
  const range = spread ? ` (${shown(spread.least)} to ${shown(spread.most)})` : '';
  const usual = published === null ? '' : `, published ${shown(published)}`;
  return `${title}: ${shown(common)}${range} in ${agree} of ${footprints}${usual}${isProposed ? '' : '; not proposed'}`;
}
