import { useEffect, useRef, useState } from 'react';
import type { Model } from '../../core/body/model';
import type { Compiled } from '../../core/footprint/footprint';
import type { Format } from '../../core/format/format';
import { aboutOf } from '../common/about';
import { download } from '../common/download';
import { fileOf } from '../common/write';
import { useBench } from '../state/context';

/** Writes files, several at once where they are asked for; each can be stopped. */
export function useHandOver() {
  const id = useBench((s) => s.id);
  /** Ids of the formats that are being written. */
  const [writing, setWriting] = useState<ReadonlySet<string>>(new Set());
  const [trouble, setTrouble] = useState<string | null>(null);
  const jobs = useRef(new Map<string, AbortController>());
  useEffect(() => {
    const running = jobs.current;
    return () => running.forEach((job) => job.abort());
  }, []);
  return {
    writing,
    trouble,
    setTrouble,
    stop: (format: string) => jobs.current.get(format)?.abort(),
    async handOver(format: Format, compiled: Compiled, model: Model | null) {
      const job = new AbortController();
      jobs.current.set(format.id, job);
      setTrouble(null);
      setWriting(new Set(jobs.current.keys()));
      const about = await aboutOf(id, compiled.document);
      const written = await fileOf(format, compiled, model, about, job.signal);
      jobs.current.delete(format.id);
      setWriting(new Set(jobs.current.keys()));
      if (written.ok) download(written.value);
      else if (!job.signal.aborted) setTrouble(written.error);
    },
  };
}
