import { Piscina } from 'piscina';
import PQueue from 'p-queue';
import { address } from 'virtual:work-thread';
import { availableParallelism } from 'node:os';
import { fault, problem, type Reply } from './reply';
import type { BatchWork, BestWork, ReleaseWork, TakeWork, Work } from './work';

/** Longest that the work of a request may take, ms: the slowest that the limits of documents let in takes a third. */
const TIME_LIMIT = 10_000;
/** Requests that wait at most; with bodies of at most 2 MB they stay far below what a small server has. */
const QUEUE_LIMIT = 250;
/** What one thread may hold, MB: a document that needs more is given up, not the server. */
const MEMORY_LIMIT = 400;
/** Seconds after which somebody turned away may ask again. */
const RETRY_AFTER = 5;

/** What tells this build from others: the thread's script carries the hash of all that it works by. */
export const BUILD = address.slice(address.lastIndexOf('/') + 1);

/** One processor stays with the server itself, which answers what needs no work. */
export const threads = Math.max(1, availableParallelism() - 1);

const pool = new Piscina<Work | BatchWork | ReleaseWork | TakeWork | BestWork, Reply>({
  filename: address,
  name: 'work',
  minThreads: threads,
  maxThreads: threads,
  resourceLimits: { maxOldGenerationSizeMb: MEMORY_LIMIT },
  // while developing, the thread is the source itself
  ...(import.meta.env.DEV ? { execArgv: ['--import', 'tsx'] } : {}),
});

// waiting is done here, first come first served: the pool's own queue lets newcomers pass under load
const line = new PQueue({ concurrency: threads });

/**
 * Has a thread do the work of a request; never throws. Where too many wait already, it says so.
 * @param abandoned fires when nobody waits for the answer any more: its place is given up
 */
export async function inThread(
  work: Work | ReleaseWork | TakeWork | BestWork,
  abandoned: AbortSignal,
): Promise<Reply> {
  return line.size < QUEUE_LIMIT
    ? inLine(work, abandoned)
    : later(`${QUEUE_LIMIT} requests are waiting already.`);
}

/** As {@link inThread}, for one of many that whoever sent them waits for: it is not turned away. */
export async function inThreadPatiently(work: BatchWork, abandoned: AbortSignal): Promise<Reply> {
  while (line.size >= QUEUE_LIMIT) await line.onSizeLessThan(QUEUE_LIMIT);
  return inLine(work, abandoned);
}

async function inLine(
  work: Work | BatchWork | ReleaseWork | TakeWork | BestWork,
  abandoned: AbortSignal,
): Promise<Reply> {
  let late: AbortSignal | null = null;
  try {
    return await line.add(
      () => {
        late = AbortSignal.timeout(TIME_LIMIT);
        return pool.run(work, { signal: AbortSignal.any([abandoned, late]) });
      },
      { signal: abandoned },
    );
  } catch (error) {
    if (abandoned.aborted) return problem(499, 'Abandoned', 'The connection was closed before the answer.');
    if ((late as AbortSignal | null)?.aborted)
      return later(`The work was not done within ${TIME_LIMIT / 1000} s and was given up.`);
    return whyNot(error);
  }
}

function whyNot(error: unknown): Reply {
  if ((error as { code?: string }).code !== 'ERR_WORKER_OUT_OF_MEMORY') return fault();
  const detail = `This document needs more than the ${MEMORY_LIMIT} MB that one request is given.`;
  return problem(422, 'Too large to work on', detail);
}

function later(detail: string): Reply {
  const reply = problem(503, 'Busy', `${detail} Ask again in ${RETRY_AFTER} s.`);
  return { ...reply, headers: { ...reply.headers, 'retry-after': String(RETRY_AFTER) } };
}

/** Lets the work that has begun end, and ends the threads. */
export async function closePool(): Promise<void> {
  await line.onIdle();
  await pool.close();
}
