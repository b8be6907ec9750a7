import type { ReleaseTarget } from '../../core/format/release/targets';
import type { OwnKey } from '../../kernel/sign';
import type { ReleaseRequest } from '../../workers/jobs/release';
import { aboutOf } from './about';
import { download } from './download';
import { runJob } from './job';
import { shelf } from './shelf-store';
import { working } from './work';

/** A release that takes longer is given up, ms. */
const RELEASE_TIME = 600_000;

/**
 * Makes a release of footprints beside the page and saves it as one ZIP: how far it is stands in the page, and it
 * can be stopped.
 * @param date the day that is printed; empty for none, today where it is missing
 * @param signer whose key signs the manifest; nobody's where it is missing
 * @returns why it was not made; `null` where it was, or was stopped
 */
export async function makeRelease(
  ids: readonly string[],
  target: ReleaseTarget,
  date?: string,
  signer: OwnKey | null = null,
): Promise<string | null> {
  const rows = await shelf.getAll(ids);
  const footprints = await Promise.all(
    rows.map(async ({ id, document }): Promise<ReleaseRequest['footprints'][number]> => {
      const key = document.body?.model?.key;
      const stored = key === undefined ? null : await shelf.models.get(key);
      return { document, model: stored?.model ?? null, ...(await aboutOf(id, document, date)) };
    }),
  );
  const control = new AbortController();
  const made = await working(`Releasing for ${target.title}`, (onDone) =>
    runJob({
      job: 'release',
      request: { footprints, target },
      signal: control.signal,
      time: RELEASE_TIME,
      late: `it took longer than ${RELEASE_TIME / 60_000} minutes and was given up`,
      broken: 'Load the page again and try once more.',
      onProgress: ({ done, all }) => {
        if (!onDone(done, all)) control.abort();
      },
    }),
  );
  if (!made.ok) {
    const why = made.error.replace(/\.$/, '');
    return control.signal.aborted ? null : `The release could not be made: ${why}.`;
  }
  const zip = signer
    ? await (await import('../../kernel/verify')).signRelease(made.value, signer, new Date().toISOString())
    : made;
  if (!zip.ok) return `The release could not be signed: ${zip.error}.`;
  const [only] = rows;
  const name = rows.length === 1 && only ? only.document.name : `${rows.length} footprints`;
  const plain = `${name}, ${target.title}`.replace(/[\\/:*?"<>|]+/g, '-');
  download({ name: `${plain}.zip`, mediaType: 'application/zip', content: zip.value });
  return null;
}
