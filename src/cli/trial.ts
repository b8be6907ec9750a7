import { problemWords } from '../core/document/read';
import type { LoadedModel } from '../core/body/loaded';
import type { TrialDocument } from '../core/document/trial';
import { openTrial } from '../core/footprint/open';
import { BOARD_FORMATS } from '../core/format/board';
import { writeBoard } from '../core/format/board/board-format';
import { checkTrial } from '../core/trial/check';
import { compileTrial } from '../core/trial/compile';
import { readInside } from '../kernel/read-inside';
import { textOf, underStandard, writeInto } from './files';
import { Refusal, type Outcome } from './outcome';
import { reportWords } from './words';

interface TrialOptions {
  readonly json?: boolean | undefined;
  readonly format?: string | undefined;
  readonly out?: string | undefined;
  readonly standard?: string | undefined;
}

/** Checks a trial, or writes its board in a format. */
export async function trial(
  file: string,
  { json, format: formatId, out, standard }: TrialOptions,
): Promise<Outcome> {
  const read = openTrial(textOf(file));
  if (!read.ok) throw new Refusal(problemWords(read.error));
  const board = standard === undefined ? read.value : boardUnder(read.value, standard);
  const models = new Map<string, LoadedModel>();
  const err: string[] = [];
  const kernel = async () => (await import('occt-import-js')).default();
  for (const { document } of Object.values(board.footprints ?? {})) {
    const key = document.body?.model?.key;
    if (key === undefined || models.has(key)) continue;
    const { loaded, trouble } = await readInside(document, kernel);
    if (loaded) models.set(key, loaded);
    if (trouble !== null) err.push(`${document.name}: ${trouble}\n`);
  }
  const compiled = compileTrial(board, (key) => models.get(key) ?? null);
  if (formatId !== undefined) {
    const format = BOARD_FORMATS.find(({ id }) => id === formatId);
    if (!format)
      throw new Refusal(
        `--format is “${formatId}”; known are ${BOARD_FORMATS.map(({ id }) => id).join(', ')}.`,
      );
    if (out === undefined) throw new Refusal('--out is missing: the folder to write into.');
    const written = await writeBoard(format, compiled);
    const path = writeInto(out, written);
    // what was left out of the board is not in the file either
    const left = compiled.problems.map(({ message }) => `${message}\n`);
    return { out: `${path}\n`, err: [...err, ...left].join(''), code: 0 };
  }
  const report = checkTrial(compiled);
  const code = report.verdict === 'stop' ? 1 : 0;
  const told = json
    ? `${JSON.stringify({ verdict: report.verdict, findings: report.findings, held: report.held }, null, 2)}\n`
    : reportWords(report);
  return { out: told, err: err.join(''), code };
}

/** A board whose footprints are all under one standard. */
function boardUnder(trial: TrialDocument, standard: string): TrialDocument {
  const footprints = Object.entries(trial.footprints ?? {}).map(([key, one]) => [
    key,
    { ...one, document: underStandard(one.document, standard) },
  ]);
  return { ...trial, footprints: Object.fromEntries(footprints) };
}
