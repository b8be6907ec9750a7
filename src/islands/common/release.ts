import type { HandOver } from '../../core/format/paper/frame';
import type { ReleaseTarget } from '../../core/format/release/targets';
import { fail, ok, type Result } from '../../core/units/result';
import type { ReleaseAnswer, ReleaseRequest } from '../../workers/release';
import { download } from './download';
import { runJob } from './job';
import { revisions, shelf } from './shelf-store';
import { working } from './work';

/** A release that takes longer is given up, ms. */
const RELEASE_TIME = 600_000;

/**
 * Makes a release of footprints beside the page and saves it as one ZIP: how far it is stands in the page, and it
 * can be stopped.
 * @returns why it was not made; `null` where it was, or was stopped
 */
export async function makeRelease(
  ids: readonly string[],
  target: ReleaseTarget,
  about: Omit<HandOver, 'previous' | 'revision'>,
): Promise<string | null> {
  const rows = await shelf.getAll(ids);
  const footprints = await Promise.all(
    rows.map(async ({ id, document, locked }): Promise<ReleaseRequest['footprints'][number]> => {
      const key = document.body?.model?.key;
      const stored = key === undefined ? null : await shelf.models.get(key);
      const kept = await revisions.list(id);
      const approved = kept.filter(({ state }) => state === 'approved').at(-1) ?? null;
      const same =
        kept.find(({ number }) => number === locked) ??
        kept.find((one) => JSON.stringify(one.document) === JSON.stringify(document));
      return {
        document,
        model: stored?.model ?? null,
        about: { ...about, ...(same ? { revision: `${same.number}, ${same.state}` } : {}) },
        // what stands is told apart from what was approved; the approved one itself from the one before it
        approved:
          (same?.number === approved?.number
            ? kept.filter(({ state, number }) => state === 'approved' && number !== same?.number).at(-1)
            : approved
          )?.document ?? null,
      };
    }),
  );
  const control = new AbortController();
  const made = await working(`Releasing for ${target.title}`, (onDone) =>
    runJob<Uint8Array, ReleaseAnswer>({
      worker: new Worker(new URL('../../workers/release.ts', import.meta.url), { type: 'module' }),
      request: { footprints, target } satisfies ReleaseRequest,
      signal: control.signal,
      time: RELEASE_TIME,
      late: `The release was not made within ${RELEASE_TIME / 60_000} minutes and was given up.`,
      broken: 'Load the page again and try once more.',
      take(answer): Result<Uint8Array, string> | null {
        if ('done' in answer) {
          if (!onDone(answer.done, answer.all)) control.abort();
          return null;
        }
        return 'zip' in answer ? ok(answer.zip) : fail(`The release could not be made: ${answer.error}.`);
      },
    }),
  );
  if (!made.ok) return control.signal.aborted ? null : made.error;
  const [only] = rows;
  const name = rows.length === 1 && only ? only.document.name : `${rows.length} footprints`;
  const plain = `${name}, ${target.title}`.replace(/[\\/:*?"<>|]+/g, '-');
  download({ name: `${plain}.zip`, mediaType: 'application/zip', content: made.value });
  return null;
}
