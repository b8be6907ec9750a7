import { useEffect, useState } from 'react';
import type { TapisDocument } from '../../core/document/document';
import type { Result } from '../../core/units/result';
import type { OpinionRequest, OpinionSaid } from '../../workers/jobs/opinion';
import { runJob } from '../common/job';

/** How long an opinion may take, ms. */
const TIME = 60_000;

interface Said {
  readonly request: OpinionRequest;
  readonly result: Result<OpinionSaid, string>;
}

/** Has an opinion formed beside the page; `null` while it is. Documents must be the same between renders. */
export function useOpinion(
  pattern: TapisDocument | null,
  against: TapisDocument | null,
): Result<OpinionSaid, string> | null {
  const [said, setSaid] = useState<Said | null>(null);
  useEffect(() => {
    if (!pattern) return;
    const stop = new AbortController();
    const request: OpinionRequest = { pattern, against };
    void runJob({
      job: 'opinion',
      request,
      signal: stop.signal,
      time: TIME,
      late: `It took longer than ${TIME / 1000} s and was given up.`,
      broken: 'Open it on the Bench, where its findings are.',
    }).then((result) => {
      if (!stop.signal.aborted) setSaid({ request, result });
    });
    return () => stop.abort();
  }, [pattern, against]);
  return said?.request.pattern === pattern && said.request.against === against ? said.result : null;
}
