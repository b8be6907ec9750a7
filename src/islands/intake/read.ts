import type { ImportAsked } from '../../core/format/import';
import { fail, type Result } from '../../core/units/result';
import type { SeenFiles, TakeInRequest } from '../../workers/jobs/take-in';
import { runJob } from '../common/job';

/** How long reading may take, ms, and how large files may be together, in bytes. */
const TIME = 60_000;
const LARGEST = 150_000_000;

/** Reads files beside the page. @param take indices of the patterns whose documents are wanted */
export async function readFiles(
  files: readonly File[],
  asked: ImportAsked,
  signal: AbortSignal,
  take: readonly number[] = [],
): Promise<Result<SeenFiles, string>> {
  const size = files.reduce((sum, file) => sum + file.size, 0);
  if (size > LARGEST)
    return fail(
      `Together the files have ${Math.ceil(size / 1e6)} MB; at most ${LARGEST / 1e6} are read at a time.`,
    );
  const request: TakeInRequest = {
    files: await Promise.all(
      files.map(async (file) => ({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) })),
    ),
    asked,
    take,
  };
  const read = await runJob({
    job: 'takeIn',
    request,
    signal,
    time: TIME,
    late: `It took longer than ${TIME / 1000} s and was given up; take fewer files, or a part of them.`,
    broken: 'The files are as they were.',
  });
  return read.ok ? read.value : read;
}
