import { approvedText } from '../core/document/approval';
import { approvalWords, type Approval, type Standing, type TeamKey } from '../core/document/standing';
import { openDocument } from '../core/footprint/open';
import { packed } from '../core/format/pack';
import { unpackZip } from '../core/format/unpack';
import { jsonText } from '../core/document/write';
import { problemWords } from '../core/document/read';
import { fail, ok, type Result } from '../core/units/result';
import { keyOf } from './inside';
import { approve, standing, type OwnKey } from './sign';

// What is signed as a file: a document, or the ZIP of a release by its manifest, which has the digest of every
// other file.

/** One thing that was verified, in words. */
export interface Verified {
  readonly path: string;
  readonly holds: boolean;
  readonly words: string;
  /** `null` for what is no approval: a file that was changed, or that nobody signed. */
  readonly approval: Approval | null;
  readonly standing: Standing | null;
}

const MANIFEST = 'manifest.json';
const SIGNATURE = 'signature.json';
/** Largest release that is unpacked, bytes. */
const LARGEST_RELEASE = 500_000_000;

/** The approvals of a document; one line says so where nobody has approved it. */
export async function verifyDocument(
  path: string,
  text: string,
  team: readonly TeamKey[] | null,
): Promise<Verified[]> {
  const read = openDocument(text);
  if (!read.ok) return [fault(path, `cannot be read: ${problemWords(read.error)}`)];
  const { approvals = [] } = read.value;
  if (approvals.length === 0) return [fault(path, 'nobody has approved it')];
  const own = approvedText(read.value);
  return Promise.all(approvals.map((approval) => told(path, approval, own, team)));
}

async function told(
  path: string,
  approval: Approval,
  text: string | Uint8Array,
  team: readonly TeamKey[] | null,
): Promise<Verified> {
  const is = await standing(approval, text, team);
  return { path, holds: is === 'holds', words: approvalWords(approval, is), approval, standing: is };
}

const fault = (path: string, words: string): Verified => ({
  path,
  holds: false,
  words,
  approval: null,
  standing: null,
});

/** Signs the ZIP of a release: its manifest, and with it the digests of all files. */
export async function signRelease(
  zip: Uint8Array,
  key: OwnKey,
  at: string,
  note = '',
): Promise<Result<Uint8Array, string>> {
  const files = unpacked(zip);
  if (!files.ok) return files;
  const manifest = files.value[MANIFEST];
  if (!manifest) return fail(`it has no ${MANIFEST}, so it is no release`);
  const wrong = await againstManifest(files.value, manifest);
  if (wrong.length > 0) return fail(wrong.map(({ path, words }) => `${path}: ${words}`).join('; '));
  const before = signaturesIn(files.value[SIGNATURE]) ?? [];
  const signatures = [...before, await approve(key, manifest, at, note)];
  const content = jsonText({ tapisSignatures: 1, of: MANIFEST, signatures });
  const others = Object.entries(files.value)
    .filter(([name]) => name !== SIGNATURE && name !== MANIFEST)
    .map(([name, bytes]) => ({ name, content: bytes }));
  return ok(packed([{ name: MANIFEST, content: manifest }, { name: SIGNATURE, content }, ...others]));
}

/** Who signed a release, whether its files are those of its manifest, and what its documents’ approvals are worth. */
export async function verifyRelease(
  path: string,
  zip: Uint8Array,
  team: readonly TeamKey[] | null,
): Promise<Verified[]> {
  const files = unpacked(zip);
  if (!files.ok) return [fault(path, files.error)];
  const manifest = files.value[MANIFEST];
  if (!manifest) return [fault(path, `it has no ${MANIFEST}, so it is no release`)];
  const signatures = signaturesIn(files.value[SIGNATURE]);
  const own = !files.value[SIGNATURE]
    ? [fault(path, 'nobody has signed it')]
    : signatures
      ? await Promise.all(signatures.map((one) => told(path, one, manifest, team)))
      : [fault(path, `its ${SIGNATURE} cannot be read`)];
  const wrong = (await againstManifest(files.value, manifest)).map((one) =>
    fault(`${path}/${one.path}`, one.words),
  );
  const documents = Object.entries(files.value).filter(([, bytes]) => holdsApprovals(bytes));
  const approved = await Promise.all(
    documents.map(([name, bytes]) =>
      verifyDocument(`${path}/${name}`, new TextDecoder().decode(bytes), team),
    ),
  );
  return [...own, ...wrong, ...approved.flat()];
}

function unpacked(zip: Uint8Array): Result<Readonly<Record<string, Uint8Array>>, string> {
  const read = unpackZip(zip, { isWanted: (name) => !name.endsWith('/'), most: LARGEST_RELEASE });
  if (!read.ok) return fail(read.error);
  const [damaged] = read.value.damaged;
  return damaged === undefined ? ok(read.value.files) : fail(`“${damaged}” in it is damaged`);
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function jsonIn(bytes: Uint8Array | undefined): unknown {
  try {
    return bytes ? (JSON.parse(new TextDecoder().decode(bytes)) as unknown) : null;
  } catch {
    return null;
  }
}

function holdsApprovals(bytes: Uint8Array): boolean {
  if (bytes[0] !== 0x7b) return false;
  const value = jsonIn(bytes);
  return isRecord(value) && 'tapis' in value && 'approvals' in value;
}

const FIELDS = ['by', 'key', 'at', 'of', 'signature'];

/** The signatures that a release carries; `null` where they are none. */
function signaturesIn(bytes: Uint8Array | undefined): Approval[] | null {
  const value = jsonIn(bytes);
  const all = isRecord(value) ? value['signatures'] : null;
  if (!Array.isArray(all) || all.length === 0 || all.length > 100) return null;
  const isApproval = (one: unknown) =>
    isRecord(one) &&
    FIELDS.every((field) => typeof one[field] === 'string') &&
    ['string', 'undefined'].includes(typeof one['note']);
  return all.every(isApproval) ? (all as Approval[]) : null;
}

/** Where the files of a release are not those of its manifest. */
async function againstManifest(
  files: Readonly<Record<string, Uint8Array>>,
  manifest: Uint8Array,
): Promise<{ readonly path: string; readonly words: string }[]> {
  const value = jsonIn(manifest);
  const footprints = isRecord(value) && Array.isArray(value['footprints']) ? value['footprints'] : [];
  const listed = [...footprints, value]
    .filter(isRecord)
    .flatMap((one) => (Array.isArray(one['files']) ? one['files'] : []))
    .filter(isRecord)
    .map(({ path, sha256 }) => [String(path), String(sha256)] as const);
  if (listed.length === 0) return [{ path: MANIFEST, words: 'it lists no files' }];
  const known = new Set([MANIFEST, SIGNATURE, ...listed.map(([path]) => path)]);
  const wrong = Object.keys(files)
    .filter((path) => !known.has(path))
    .map((path) => ({ path, words: 'is not in the manifest, so nobody has signed it' }));
  for (const [path, sha256] of listed) {
    const bytes = Object.hasOwn(files, path) ? files[path] : undefined;
    if (!bytes) wrong.push({ path, words: 'is in the manifest and missing here' });
    else if ((await keyOf(bytes)) !== sha256) wrong.push({ path, words: 'has been changed since' });
  }
  return wrong;
}
