import { useEffect, useState } from 'react';
import type { SheetUnit } from '../../core/document/document';
import type { Result } from '../../core/units/result';
import type { DrawingAnswer } from '../../workers/jobs/read-drawing';
import { runJob } from '../common/job';
import type { ReadPage } from './sheet-file';
import type { Datasheet } from './useDatasheet';

/** How long a drawing may take to be read, ms. */
const TIME = 20_000;

interface Seen {
  readonly read: ReadPage;
  readonly unit: SheetUnit | null;
  readonly result: Result<DrawingAnswer, string>;
}

/** Has a worker read the drawing of a page; `null` while it is, and where the page is a picture. */
export function useDrawing(
  sheet: Datasheet,
  read: ReadPage | null,
  unit: SheetUnit | null,
): Result<DrawingAnswer, string> | null {
  const [seen, setSeen] = useState<Seen | null>(null);
  useEffect(() => {
    const { open, about } = sheet;
    if (!open || !read || read.page.isScan) return;
    const stop = new AbortController();
    const look = async (): Promise<Result<DrawingAnswer, string>> => {
      const ink = await open.ink(read.page.number);
      return runJob({
        job: 'readDrawing',
        request: { page: read.page, ink, name: about.name, ...(unit === null ? {} : { unit }) },
        signal: stop.signal,
        time: TIME,
        late: `The drawing takes longer than ${TIME / 1000} s to be read; the numbers of the page can be pressed.`,
        broken: 'The numbers of the page can be pressed.',
      });
    };
    void look()
      .catch((error: unknown) => ({
        ok: false as const,
        error: `The drawing cannot be read: ${String(error)}`,
      }))
      .then((result) => {
        if (!stop.signal.aborted) setSeen({ read, unit, result });
      });
    return () => stop.abort();
  }, [sheet, read, unit]);
  return seen && seen.read === read && seen.unit === unit ? seen.result : null;
}
