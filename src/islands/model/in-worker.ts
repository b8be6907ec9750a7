import type { Model } from '../../core/body/model';
import type { Ground } from '../../core/body/ground';
import type { SeatResult } from '../../core/body/seat';
import type { Mesh } from '../../core/geometry/mesh';
import type { Result } from '../../core/units/result';
import { giveJob, newModelWorker, runJob } from '../common/job';

/** A file that takes longer than this is given up, ms. */
export const READ_TIME = 90_000;

/** A reader that loads its kernel while a file is still being chosen. */
let spare: Worker | null = null;

/** Begins to load what reading a model needs; called where a person reaches for a file. */
export function warmReader(): void {
  if (spare) return;
  spare = newModelWorker();
  giveJob(spare, 'warm', null);
}

function takeReader(): Worker {
  const reader = spare ?? newModelWorker();
  spare = null;
  return reader;
}

/** Reads a model's file. @param onDoing told in words what is going on */
export function readInWorker(
  bytes: Uint8Array,
  name: string,
  signal: AbortSignal,
  onDoing: (doing: string) => void,
): Promise<Result<Model, string>> {
  return runJob({
    job: 'read',
    worker: takeReader(),
    request: { bytes, name },
    signal,
    time: READ_TIME,
    late: `“${name}” took longer than ${READ_TIME / 1000} s to read and was given up; nothing was changed. Export it without threads, lettering and inner parts.`,
    broken: 'Export the model again, or simpler.',
    onProgress: onDoing,
  });
}

/** Seats a model. @param onDone told the share that is done */
export function seatInWorker(
  meshes: readonly Mesh[],
  ground: Ground,
  signal: AbortSignal,
  onDone: (share: number) => void,
): Promise<Result<SeatResult | null, string>> {
  return runJob({
    job: 'seat',
    request: { meshes, ground },
    signal,
    time: READ_TIME,
    late: `No seat was found within ${READ_TIME / 1000} s. Place the model by hand, or import a simpler one.`,
    broken: 'Place the model by hand, or import a simpler one.',
    onProgress: onDone,
  });
}
