import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bestAnswer, type BestAnswer } from '../core/best/answer';
import { variablesOf } from '../core/best/spreads';
import { bestAsk } from '../core/best/ask';
import { adoptEdits, ppmWords, type GroupBest, type LandPoint } from '../core/best/best';
import { applyEdits } from '../core/document/edit';
import { writeDocument } from '../core/document/write';
import { costsOf, sparedWords } from '../core/best/costs';
import { processFieldTitle } from '../core/document/process-file';
import { isDrawable, type Drawable } from '../core/footprint/footprint';
import { formatFigure } from '../core/units/length';
import { compileFile, filesIn, isFolder, textOf } from './files';
import { Refusal, type Outcome } from './outcome';

interface BestOptions {
  readonly maxZ?: string | undefined;
  readonly spread?: readonly string[] | undefined;
  readonly measured?: readonly string[] | undefined;
  readonly take?: string | undefined;
  readonly out?: string | undefined;
  readonly json?: boolean | undefined;
  readonly standard?: string | undefined;
}

/** Says which lands fail least for what they cost, and which tolerance matters; writes one of them where that is asked. */
export async function best(file: string, options: BestOptions): Promise<Outcome> {
  const { take, out, json = false } = options;
  if (isFolder(file)) return costsOfFolder(file, options);
  const { compiled, err } = await compileFile(file, options.standard);
  if (!isDrawable(compiled)) throw new Refusal(`${file} gives no footprint yet.`);
  const measured = Object.fromEntries(
    (options.measured ?? []).map((one) => {
      const [name = '', path = ''] = one.split('=');
      return [name, textOf(path)];
    }),
  );
  const ask = bestAsk(
    { maxZ: options.maxZ, spreads: options.spread, measured },
    variablesOf(compiled).map(({ name }) => name),
  );
  if (!ask.ok) throw new Refusal(ask.error);
  const run = bestAnswer(compiled, ask.value);
  let step = run.next();
  while (!step.done) step = run.next();
  const answer = step.value;
  if (answer.groups.length === 0) throw new Refusal(`${file} has no joints whose land could be chosen.`);
  if (take !== undefined) {
    if (out === undefined) throw new Refusal('--out is missing: the file to write.');
    const edits = answer.groups.flatMap((group) => {
      const point = group.points.find(({ id }) => id === take);
      if (!point)
        throw new Refusal(`--take is “${take}”; known are ${group.points.map(({ id }) => id).join(', ')}.`);
      return adoptEdits(group.group, point);
    });
    writeFileSync(out, writeDocument(applyEdits(compiled.document, edits)));
  }
  return { out: json ? `${JSON.stringify(answer, null, 2)}\n` : inWords(answer), err, code: 0 };
}

/** Footprints that are named of each number. */
const NAMED = 3;

/** Which number of the process costs most over the documents of a folder. */
async function costsOfFolder(folder: string, { standard, json, ...others }: BestOptions): Promise<Outcome> {
  const [foreign] = Object.entries(others).find(([, value]) => value !== undefined) ?? [];
  if (foreign) throw new Refusal(`--${foreign} is for one document; a folder tells what its process costs.`);
  const all: Drawable[] = [];
  let err = '';
  for (const name of filesIn(folder)) {
    try {
      const { compiled } = await compileFile(join(folder, name), standard);
      if (isDrawable(compiled)) all.push(compiled);
      else err += `${name}: gives no footprint yet.\n`;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      err += `${name}: ${error.message}\n`;
    }
  }
  if (all.length === 0) throw new Refusal(`${folder} has no document with a footprint.`);
  const costs = costsOf(all);
  if (json) return { out: `${JSON.stringify(costs, null, 2)}\n`, err, code: 0 };
  const lines = costs.map(({ number, less, spared, footprints }) => {
    const most = footprints
      .slice(0, NAMED)
      .map((one) => `${one.name} ${sparedWords(one.spared)}`)
      .join(', ');
    const title = processFieldTitle(number);
    return `${title}: ${formatFigure(less, 2, 3)} mm less spares ${sparedWords(spared)} bad joints in a million parts of each of ${all.length} footprints; most: ${most}\n`;
  });
  return {
    out: lines.join('') || 'No number of the process costs a joint in a thousand million.\n',
    err,
    code: 0,
  };
}

function inWords({ groups, matters, capabilities }: BestAnswer): string {
  const lines = groups.flatMap((group) => [
    `${group.title}`,
    ...group.limits.map((words) => `  limit: ${words}`),
    ...group.points.map((point) => `  ${pointWords(point)}`),
    ...mattersWords(group, matters),
  ]);
  const capable = capabilities.map(
    ({ variable, cp, cpk, cpkLow, cpkHigh }) =>
      `${variable}, measured: Cp ${formatFigure(cp, 2, 2)}, Cpk ${formatFigure(cpk, 2, 2)} (${formatFigure(cpkLow, 2, 2)} to ${formatFigure(cpkHigh, 2, 2)})`,
  );
  return `${[...lines, ...capable].join('\n')}\n`;
}

function pointWords({ title, sizes, bad, bySource, area }: LandPoint): string {
  const said = Object.entries(sizes).map(([symbol, value]) => `${symbol} ${formatFigure(value, 2, 3)}`);
  return `${title}: ${said.join(', ')}; ${formatFigure(area, 3, 3)} mm²; ${ppmWords(bad)} bad joints${bySource.length > 0 ? ` (${bySource.map((one) => `${one.title} ${ppmWords(one.bad)}`).join(', ')})` : ''}`;
}

/** Causes that are printed of each group. */
const CAUSES = 4;

function mattersWords({ group }: GroupBest, matters: BestAnswer['matters']): string[] {
  const own = matters.find((one) => one.group === group);
  if (!own) return [];
  return [
    ...own.margins.map(
      ({ end, contributors }) =>
        `  ${end}: ${contributors
          .slice(0, CAUSES)
          .map(({ name, share }) => `${name.toLowerCase()} ${formatFigure(share * 100, 0, 0)} %`)
          .join(', ')}`,
    ),
    ...own.reliefs
      .filter(({ spared }) => spared >= 1e-8)
      .slice(0, CAUSES)
      .map(
        ({ name, less, spared }) =>
          `  ${formatFigure(less, 2, 3)} mm less of ${name.toLowerCase()} spares ${formatFigure(spared * 1e6, 0, 2)} ppm`,
      ),
  ];
}
