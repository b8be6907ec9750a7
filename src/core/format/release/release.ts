import { standardHash } from '../../document/standard-hash';
import { strFromU8, strToU8, unzipSync } from 'fflate';
import { check, type Report } from '../../check/check';
import { jsonText } from '../../document/write';
import { atOrigin } from '../../footprint/origin';
import { readBack, type ReadBack } from '../artwork/read-back';
import { writeFile, type Writable } from '../format';
import { formatById } from '../index';
import { packed } from '../pack';
import { checkPages } from '../paper-check/paper-check';
import { pdfOf } from '../paper/pdf';
import type { HandOver } from '../paper/frame';
import { filled, type ReleaseTarget } from './targets';

/** One footprint of a release. */
export interface Released {
  readonly compiled: Writable;
  readonly about: HandOver;
}

interface ManifestFile {
  readonly path: string;
  readonly format: string;
  readonly bytes: number;
  readonly sha256: string;
  /** Of films: what came of reading them again and holding them against the footprint. */
  readonly readBack?: readonly ReadBack[];
}

/** Formats whose films are read again, with the layers that they have. */
const FILMS: Readonly<Record<string, Parameters<typeof readBack>[2]>> = {
  artwork: undefined,
  stencil: ['paste'],
};

/**
 * The films of a format, as they were written, read again.
 * @throws where one does not show what the footprint has: it must not be made from
 */
function readAgain(format: string, bytes: Uint8Array, compiled: Writable): Pick<ManifestFile, 'readBack'> {
  if (!Object.hasOwn(FILMS, format)) return {};
  const files = Object.entries(unzipSync(bytes)).map(([name, content]) => ({
    name,
    content: strFromU8(content),
  }));
  const found = readBack([atOrigin(compiled.footprint)], files, FILMS[format]);
  const wrong = found.find(({ within }) => within === null);
  if (wrong)
    throw new Error(
      `${wrong.file} does not show what ${compiled.document.name} has: nothing is handed over.`,
    );
  return { readBack: found };
}

/** What can be told while a release is made: how many files are done, of how many; `false` stops it. */
export type ReleaseProgress = (done: number, all: number) => boolean | Promise<boolean>;

/**
 * Writes every file of a target for every footprint, with a manifest of their digests, as one ZIP: byte for byte
 * the same for the same documents.
 * @param digest SHA-256 of bytes, hexadecimal
 * @returns `null` where it was stopped
 */
export async function releaseZip(
  all: readonly Released[],
  target: ReleaseTarget,
  digest: (bytes: Uint8Array) => Promise<string>,
  onDone: ReleaseProgress = () => true,
): Promise<Uint8Array | null> {
  const formats = target.formats.map((id) => {
    const format = formatById(id);
    if (!format) throw new RangeError(`There is no format “${id}”.`);
    return format;
  });
  const taken = new Set<string>();
  const files: { name: string; content: Uint8Array }[] = [];
  const footprints: object[] = [];
  let done = 0;
  for (const { compiled, about } of all) {
    const folder = all.length > 1 ? `${unique(nameOf('{name}', compiled, about), taken)}/` : '';
    const own: ManifestFile[] = [];
    for (const format of formats) {
      const { content } = await writeFile(format, compiled, about);
      const bytes = typeof content === 'string' ? strToU8(content) : content;
      const path = unique(`${folder}${nameOf(target.pattern, compiled, about)}${format.extension}`, taken);
      files.push({ name: path, content: bytes });
      own.push({
        path,
        format: format.id,
        bytes: bytes.length,
        sha256: await digest(bytes),
        ...readAgain(format.id, bytes, compiled),
      });
      done += 1;
      if (!(await onDone(done, all.length * formats.length))) return null;
    }
    footprints.push(described(compiled, about, check(compiled), own));
  }
  const together =
    all.length > 1 && formats.some(({ id }) => id === PAPER_CHECK) ? await checkedTogether(all) : null;
  if (together) files.push({ name: 'paper-check.pdf', content: together });
  const shared = together
    ? {
        files: [
          {
            path: 'paper-check.pdf',
            format: PAPER_CHECK,
            bytes: together.length,
            sha256: await digest(together),
          },
        ],
      }
    : {};
  const manifest = jsonText({ tapisRelease: 1, target: target.title, footprints, ...shared });
  return packed([{ name: 'manifest.json', content: manifest }, ...files]);
}

const PAPER_CHECK = 'paper-check';

/** Several footprints on as few pages as there may be, beside the pages of each. */
function checkedTogether(all: readonly Released[]): Promise<Uint8Array> {
  return pdfOf(
    checkPages(
      all.map(({ compiled }) => compiled),
      all[0]?.about ?? {},
    ),
    {
      title: 'Paper check',
      subject: 'To be printed at 100 %',
    },
  );
}

function described(
  { document, footprint, standard }: Writable,
  about: HandOver,
  report: Report,
  files: readonly ManifestFile[],
): object {
  return {
    name: document.name,
    standardName: footprint.standardName,
    ...(standard.document
      ? {
          standard: {
            name: standard.document.name,
            version: standard.document.version,
            hash: standardHash(standard.document),
          },
        }
      : {}),
    ...(about.revision === undefined ? {} : { revision: about.revision }),
    ...(about.date === undefined ? {} : { date: about.date }),
    verdict: report.verdict,
    waived: report.waived.length,
    ...(report.silenced.length > 0
      ? { switchedOff: report.silenced.map(({ id, count, by }) => ({ rule: id, findings: count, by })) }
      : {}),
    files,
  };
}

function nameOf(pattern: string, { document, footprint, process }: Writable, about: HandOver): string {
  const { reference = '', value = '' } = document.marks ?? {};
  return filled(pattern, {
    name: document.name,
    standard: footprint.standardName,
    reference,
    value,
    level: document.level,
    revision: about.revision ?? '',
    process: process.id,
  });
}

/** A path that no other file has: some systems do not tell large from small letters. */
function unique(path: string, taken: Set<string>): string {
  const [, base = path, ending = ''] = /^(.*?)(\.[^/]*)?$/.exec(path) ?? [];
  let name = path;
  for (let i = 2; taken.has(name.toLowerCase()); i += 1) name = `${base} (${i})${ending}`;
  taken.add(name.toLowerCase());
  return name;
}
