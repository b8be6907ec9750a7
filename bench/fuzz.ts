// npm run fuzz [-- SECONDS [KIND]]: wild files of every kind, each judged in a process of its own that is ended
// where it does not end: faults, refusals that nobody can read, over 2 s of processor time, over 500 MB.
import { fork } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { WILD } from '../tests/data/judge';

const CPU = 2;
const MEMORY = 500;
/** After which a process is ended, ms. */
const PATIENCE = 30_000;
/** Files that a process judges before another takes over. */
const BATCH = 100;
const FOLDER = 'node_modules/.cache/fuzz';

interface Judged {
  readonly at: number;
  readonly cpu: number;
  readonly memory: number;
  readonly end: string;
  readonly isFault: boolean;
}

const filesOf = (kind: string, seed: number) => {
  const found = WILD.find((one) => one.kind === kind);
  if (!found) throw new Error(`no kind “${kind}”; known are ${WILD.map((one) => one.kind).join(', ')}`);
  return { files: fc.sample(found.wild, { seed, numRuns: BATCH }), judge: found.judge };
};

/** In a process of its own: judges the files of a seed from one on, and tells of each. */
async function judgeAll(kind: string, seed: number, from: number): Promise<void> {
  const { files, judge } = filesOf(kind, seed);
  // what is loaded at the first file counts for none
  await judge(files[from]!).catch(() => undefined);
  const held = process.memoryUsage().rss;
  for (let at = from; at < files.length; at += 1) {
    const start = process.cpuUsage();
    let [end, isFault] = ['', false];
    try {
      end = await judge(files[at]!);
    } catch (error) {
      [end, isFault] = [error instanceof Error ? (error.stack ?? error.message) : String(error), true];
    }
    const { user, system } = process.cpuUsage(start);
    const told: Judged = {
      at,
      cpu: (user + system) / 1e6,
      memory: (process.memoryUsage().rss - held) / 1e6,
      end,
      isFault,
    };
    await new Promise((done) => process.send?.(told, done));
  }
  process.exit(0);
}

/** Judges a batch, and takes over after what did not end. */
async function batch(kind: string, seed: number, tell: (judged: Judged) => void): Promise<void> {
  for (let from = 0; from < BATCH;) {
    let last = from - 1;
    await new Promise<void>((done) => {
      const child = fork(fileURLToPath(import.meta.url), ['--judge', kind, String(seed), String(from)], {
        execArgv: [...process.execArgv, '--max-old-space-size=600'],
        stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      });
      const end = () => child.kill('SIGKILL');
      let timer = setTimeout(end, 2 * PATIENCE);
      child.on('message', (judged: Judged) => {
        clearTimeout(timer);
        timer = setTimeout(end, PATIENCE);
        last = judged.at;
        tell(judged);
      });
      child.once('exit', (code) => {
        clearTimeout(timer);
        if (last < BATCH - 1 && code !== 0) {
          last += 1;
          tell({ at: last, cpu: PATIENCE / 1000, memory: 0, end: 'it did not end', isFault: true });
        }
        done();
      });
    });
    from = last + 1;
  }
}

const [first, ...rest] = process.argv.slice(2);
if (first === '--judge') await judgeAll(rest[0]!, Number(rest[1]), Number(rest[2]));
const until = Date.now() + Number(first ?? 120) * 1000;
const kinds = WILD.map(({ kind }) => kind).filter((kind) => rest[0] === undefined || kind === rest[0]);
const counts = new Map(kinds.map((kind) => [kind, { files: 0, read: 0, bad: 0, cpu: 0, memory: 0 }]));
mkdirSync(FOLDER, { recursive: true });
for (let seed = Number(process.env['SEED'] ?? Date.now() % 1e6); Date.now() < until; seed += 1)
  for (const kind of kinds) {
    const { files } = filesOf(kind, seed);
    await batch(kind, seed, (judged) => {
      const sum = counts.get(kind)!;
      sum.files += 1;
      if (judged.end === 'read') sum.read += 1;
      sum.cpu = Math.max(sum.cpu, judged.cpu);
      sum.memory = Math.max(sum.memory, judged.memory);
      if (!judged.isFault && judged.cpu <= CPU && judged.memory <= MEMORY) return;
      sum.bad += 1;
      const path = `${FOLDER}/${kind.replace(/ /g, '-')}-${seed}-${judged.at}-${files[judged.at]!.name}`;
      writeFileSync(path, files[judged.at]!.bytes);
      console.log(
        `${kind} ${seed}/${judged.at}: ${judged.cpu.toFixed(1)} s, ${judged.memory.toFixed(0)} MB, ${judged.end.slice(0, 300)}\n  ${path}`,
      );
    });
    if (Date.now() > until) break;
  }
console.log('kind            files   read    bad  most s  most MB');
for (const [kind, { files, read, bad, cpu, memory }] of counts)
  console.log(
    [
      kind.padEnd(14),
      ...[files, read, bad].map((n) => String(n).padStart(6)),
      cpu.toFixed(1).padStart(7),
      memory.toFixed(0).padStart(8),
    ].join(' '),
  );
