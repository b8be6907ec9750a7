import { problemWords } from '../core/document/read';
import { readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { readProcess } from '../core/document/read-process';
import { FORMATS, formatById } from '../core/format';
import { wishFor, type Wish } from '../core/library/change';
import { processById, PROCESSES } from '../core/process';
import type { BatchAsk } from '../kernel/batch-line';
import type { BatchLine, BatchTask } from './batch-work';
import { filesIn, standardFile, textOf } from './files';
import { Refusal, type Outcome } from './outcome';

/** What a batch is told on the command line. */
export interface BatchOptions {
  readonly process?: string | undefined;
  readonly level?: string | undefined;
  readonly standard?: string | undefined;
  readonly check?: boolean | undefined;
  readonly format?: string | undefined;
  readonly out?: string | undefined;
  /** `3/8`: the third of eight parts of the folder. */
  readonly shard?: string | undefined;
  /** Files that shards printed, to be put together. */
  readonly join?: readonly string[] | undefined;
}

const isSource = import.meta.url.endsWith('.ts');

/** Files that a thread takes at a time. */
const BATCH = 16;
/** Names that come twice are listed up to here. */
const MOST_CLASHES = 20;

/**
 * Checks all documents of a folder, with what is wished for them, and writes files of them: a line of JSON for
 * each on standard output, in the order of their paths, and a summary on standard error.
 * @param print takes what is told while it goes on
 */
export async function batch(
  folder: string,
  options: BatchOptions,
  print: (text: string) => void,
): Promise<Outcome> {
  const { check = false, format, out, shard, join } = options;
  if (join !== undefined) return joinedShards(join, check);
  if (folder === '') throw new Refusal('Name the folder, or what shards printed by --join.');
  const wish = wishOf(options);
  if ((format === undefined) !== (out === undefined))
    throw new Refusal('--format and --out go together: what to write, and the folder to write it into.');
  if (format !== undefined && !formatById(format))
    throw new Refusal(`--format is “${format}”; known are ${FORMATS.map(({ id }) => id).join(', ')}.`);
  const ask: BatchAsk = { wish, inWords: check, format: format ?? null };
  const paths = shardOf(filesIn(folder), shard);
  const began = performance.now();
  const pool = new Piscina<BatchTask, BatchLine[]>({
    filename: new URL(isSource ? './batch-work.ts' : './batch-work.mjs', import.meta.url).href,
    name: 'batchWork',
    // a small folder does not wait for threads that it has no work for
    minThreads: 1,
    maxThreads: availableParallelism(),
    // where this is the source, the threads read the source too
    ...(isSource ? { execArgv: ['--import', 'tsx'] } : {}),
  });
  const counts = { stop: 0, caution: 0, note: 0, clear: 0, refused: 0, changed: 0, written: 0 };
  const named = new Map<string, string[]>();
  try {
    const tasks = Array.from({ length: Math.ceil(paths.length / BATCH) }, (_, i) =>
      pool.run({ folder, paths: paths.slice(i * BATCH, (i + 1) * BATCH), ask, out: out ?? null }),
    );
    for (const task of tasks)
      for (const line of await task) {
        print(`${JSON.stringify(line)}\n`);
        if ('refused' in line) counts.refused += 1;
        else {
          counts[line.verdict] += 1;
          const { standardName } = line;
          if (standardName !== null) named.set(standardName, [...(named.get(standardName) ?? []), line.path]);
          if (line.change?.copperDiffers) counts.changed += 1;
          if (line.written !== undefined) counts.written += 1;
        }
      }
  } finally {
    await pool.destroy();
  }
  const seconds = (performance.now() - began) / 1000;
  const { stop, caution, note, clear, refused, changed, written } = counts;
  const err = [
    `${paths.length} files in ${seconds.toFixed(1)} s, ${Math.round(paths.length / seconds)} a second on ${availableParallelism()} processors`,
    ...clashesIn(named),
    `stop ${stop}, caution ${caution}, note ${note}, clear ${clear}, refused ${refused}`,
    ...(wish.process || wish.level || wish.standard !== undefined ? [`copper differs in ${changed}`] : []),
    ...(format === undefined ? [] : [`${written} written`]),
    '',
  ].join('\n');
  return { out: '', err, code: refused > 0 ? 2 : check && stop > 0 ? 1 : 0 };
}

/** Every so many-th file, so that parts are alike in size and stay the same from machine to machine. */
function shardOf(paths: readonly string[], shard: string | undefined): readonly string[] {
  if (shard === undefined) return paths;
  const [, part = '', of = ''] = /^(\d+)\/(\d+)$/.exec(shard) ?? [];
  const [i, n] = [Number(part), Number(of)];
  if (!(i >= 1 && i <= n && n <= 10_000))
    throw new Refusal(`--shard is “${shard}”; it is a part of how many, such as 3/8.`);
  return paths.filter((_, k) => k % n === i - 1);
}

/** Lines that shards printed, as the whole would have printed them: by their paths, each once, counted again. */
function joinedShards(files: readonly string[], check: boolean): Outcome {
  const lines = new Map<string, BatchLine>();
  for (const file of files)
    for (const [i, text] of textOf(file).split('\n').entries()) {
      if (text.trim() === '') continue;
      let line: BatchLine;
      try {
        line = JSON.parse(text) as BatchLine;
      } catch {
        throw new Refusal(`${file}, line ${i + 1}: this is no line of a batch.`);
      }
      if (typeof line.path !== 'string') throw new Refusal(`${file}, line ${i + 1}: it names no path.`);
      if (lines.has(line.path))
        throw new Refusal(`${line.path} is in two shards: they are of different folders or parts.`);
      lines.set(line.path, line);
    }
  const all = [...lines.values()].sort((a, b) => (a.path < b.path ? -1 : 1));
  const count = (of: (line: BatchLine) => boolean) => all.filter(of).length;
  const is = (verdict: string) => count((line) => !('refused' in line) && line.verdict === verdict);
  const refused = count((line) => 'refused' in line);
  return {
    out: all.map((line) => `${JSON.stringify(line)}\n`).join(''),
    err: `${all.length} files of ${files.length} shards\nstop ${is('stop')}, caution ${is('caution')}, note ${is('note')}, clear ${is('clear')}, refused ${refused}\n`,
    code: refused > 0 ? 2 : check && is('stop') > 0 ? 1 : 0,
  };
}

/** Names that several files have, which only a person can tell whether they may. */
function clashesIn(named: ReadonlyMap<string, readonly string[]>): string[] {
  const twice = [...named].filter(([, paths]) => paths.length > 1);
  const shown = twice
    .slice(0, MOST_CLASHES)
    .map(
      ([name, paths]) =>
        `called alike: ${name} in ${paths.slice(0, 5).join(', ')}${paths.length > 5 ? ` and ${paths.length - 5} more` : ''}`,
    );
  return twice.length > MOST_CLASHES
    ? [...shown, `and ${twice.length - MOST_CLASHES} more names that come twice`]
    : shown;
}

/** What is wished for all: a process by its id or its file, a level. */
function wishOf({ process, level, standard }: BatchOptions): Wish {
  const wish = wishFor(
    process === undefined ? null : processOf(process),
    level ?? null,
    standard === undefined ? undefined : standardFile(standard),
  );
  if (!wish) throw new Refusal(`--level is “${level}”; it is A, B or C, or D where the standard has it.`);
  return wish;
}

function processOf(named: string) {
  const known = processById(named);
  if (known) return known;
  let text: string;
  try {
    text = readFileSync(named, 'utf8');
  } catch {
    const ids = PROCESSES.map(({ id }) => id).join(', ');
    throw new Refusal(`--process is “${named}”: neither one of ${ids} nor a file that can be read.`);
  }
  const read = readProcess(text);
  if (!read.ok) throw new Refusal(problemWords(read.error));
  return read.value;
}
