import { useEffect, useRef, useState } from 'react';
import type { Model } from '../../core/body/model';
import type { TapisDocument } from '../../core/document/document';
import type { Format, WrittenFile } from '../../core/format/format';
import { fail, ok } from '../../core/units/result';
import type { WriteAnswer, WriteRequest } from '../../workers/write';
import { download } from '../common/download';
import { runJob } from '../common/job';

/** A file that takes longer than this is given up, ms. */
const WRITE_TIME = 120_000;

/** Writes files in a worker, one at a time; the page stays live and the work can be stopped. */
export function useHandOver() {
  const [writing, setWriting] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);
  useEffect(() => () => stop.current?.abort(), []);
  return {
    /** Id of the format that is being written. */
    writing,
    trouble,
    setTrouble,
    stop: () => stop.current?.abort(),
    async handOver({ id, title }: Format, document: TapisDocument, model: Model | null) {
      stop.current?.abort();
      const mine = new AbortController();
      stop.current = mine;
      setTrouble(null);
      setWriting(id);
      const written = await runJob<WrittenFile, WriteAnswer>({
        worker: new Worker(new URL('../../workers/write.ts', import.meta.url), { type: 'module' }),
        request: { document, model, format: id } satisfies WriteRequest,
        signal: mine.signal,
        time: WRITE_TIME,
        late: `${title} was not written within ${WRITE_TIME / 1000} s and was given up.`,
        broken: 'Load the page again and try once more.',
        take: (answer) =>
          'file' in answer
            ? ok(answer.file)
            : fail(`${title} could not be written: ${answer.error}. Nothing was lost.`),
      });
      if (stop.current !== mine) return;
      setWriting(null);
      if (written.ok) download(written.value);
      else if (!mine.signal.aborted) setTrouble(written.error);
    },
  };
}
