import { useEffect, useState } from 'react';
import type { SheetUnit } from '../../core/document/document';
import { fail, type Result } from '../../core/units/result';
import type { DrawingAnswer } from '../../workers/jobs/read-drawing';
import { runJob } from '../common/job';
import type { OpenSheet, ReadPage } from './sheet-file';
import type { Datasheet } from './useDatasheet';

/** How long a drawing may take to be read, ms. */
const TIME = 20_000;

interface Seen {
  readonly read: ReadPage;
  readonly unit: SheetUnit | null;
  readonly result: Result<DrawingAnswer, string>;
}

/** Whether a page may have a drawing: a picture has none yet. */
export const hasInk = (open: OpenSheet | null, read: ReadPage | null): open is OpenSheet =>
  open !== null && read !== null && !read.page.isScan;

/** Has a worker read the drawing of a page. */
export async function readDrawing(
  { open, name }: { readonly open: OpenSheet; readonly name: string },
  { page }: ReadPage,
  unit: SheetUnit | null,
  signal = new AbortController().signal,
): Promise<Result<DrawingAnswer, string>> {
  try {
    const ink = await open.ink(page.number);
    return await runJob({
      job: 'readDrawing',
      request: { page, ink, name, ...(unit === null ? {} : { unit }) },
      signal,
      time: TIME,
      late: `The drawing takes longer than ${TIME / 1000} s to be read; the numbers of the page can be pressed.`,
      broken: 'The numbers of the page can be pressed.',
    });
  } catch (error) {
    return fail(`The drawing cannot be read: ${String(error)}`);
  }
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
    if (!hasInk(open, read) || !read) return;
    const stop = new AbortController();
    void readDrawing({ open, name: about.name }, read, unit, stop.signal).then((result) => {
      if (!stop.signal.aborted) setSeen({ read, unit, result });
    });
    return () => stop.abort();
  }, [sheet, read, unit]);
  return seen && seen.read === read && seen.unit === unit ? seen.result : null;
}
