import type { Result } from '../../core/units/result';
import type { TableAnswer, TableAsk } from '../../workers/jobs/read-table';
import { runJob } from '../common/job';

/** Longest that a table may take to be understood, ms. */
const LONGEST = 30_000;

/** Has a worker understand a table. */
export function understand(
  request: TableAsk,
  signal = new AbortController().signal,
): Promise<Result<TableAnswer, string>> {
  return runJob({
    job: 'readTable',
    request,
    signal,
    time: LONGEST,
    late: 'The table took too long to be understood. Draw a box round the part that is meant.',
    broken: 'Draw a box round the part that is meant.',
  });
}
