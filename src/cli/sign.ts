import { existsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { approvedText } from '../core/document/approval';
import type { TeamKey } from '../core/document/standing';
import { parseJson, problemWords } from '../core/document/read';
import { readTeam } from '../core/document/read-team';
import { jsonText, writeDocument } from '../core/document/write';
import { openDocument } from '../core/footprint/open';
import { approve, keyFile, makeKey, openKey, type OwnKey } from '../kernel/sign';
import { signRelease, verifyDocument, verifyRelease, type Verified } from '../kernel/verify';
import { bytesOf, filesIn, isFolder, textOf } from './files';
import { Refusal, type Outcome } from './outcome';

/** Where a passphrase is found when it is not in a file: it is never an argument, which others can see. */
const VARIABLE = 'TAPIS_PASSPHRASE';

interface PassphraseOptions {
  readonly passphrase?: string | undefined;
}

function passphraseOf({ passphrase }: PassphraseOptions): string {
  if (passphrase === undefined) return process.env[VARIABLE] ?? '';
  return textOf(passphrase).replace(/\r?\n$/, '');
}

/** Makes a key, and says its public part as a team’s file has it. */
export async function makeKeyFile(
  name: string,
  { out, ...options }: PassphraseOptions & { readonly out?: string | undefined },
): Promise<Outcome> {
  if (out === undefined) throw new Refusal('--out names the file of the key.');
  if (name.trim() === '' || name.length > 80) throw new Refusal('Say whose key it is, in 1 to 80 letters.');
  if (existsSync(out)) throw new Refusal(`${out} is there already; a key is not written over.`);
  const passphrase = passphraseOf(options);
  const own = await makeKey(name.trim());
  // nobody else is to read it
  writeFileSync(out, jsonText(await keyFile(own, passphrase)), { mode: 0o600, flag: 'wx' });
  return {
    out: jsonText({ tapisTeam: 1, keys: [{ name: own.name, key: own.key }] }),
    err: passphrase === '' ? `${out} is not sealed: whoever has it signs as ${own.name}.\n` : '',
    code: 0,
  };
}

interface SignOptions extends PassphraseOptions {
  readonly key?: string | undefined;
  readonly note?: string | undefined;
}

/** Approves documents, or signs releases, in place. */
export async function sign(
  files: readonly string[],
  { key, note = '', ...options }: SignOptions,
): Promise<Outcome> {
  if (key === undefined) throw new Refusal('--key names the file of your key.');
  if (note.length > 400) throw new Refusal('--note has more than 400 letters.');
  const opened = await openKey(textOf(key), passphraseOf(options));
  if (!opened.ok) throw new Refusal(`${key}: ${opened.error}`);
  const at = new Date().toISOString();
  for (const path of files) writeFileSync(path, await signed(path, opened.value, at, note));
  return {
    out: files.map((path) => `${path}: approved by ${opened.value.name}\n`).join(''),
    err: '',
    code: 0,
  };
}

async function signed(path: string, key: OwnKey, at: string, note: string): Promise<string | Uint8Array> {
  if (/\.zip$/i.test(path)) {
    const zip = await signRelease(bytesOf(path), key, at, note);
    if (!zip.ok) throw new Refusal(`${path}: ${zip.error}.`);
    return zip.value;
  }
  const read = openDocument(textOf(path));
  if (!read.ok) throw new Refusal(`${path}: ${problemWords(read.error)}`);
  // whoever approves again approves what is there now
  const others = (read.value.approvals ?? []).filter((one) => one.key !== key.key);
  const approval = await approve(key, approvedText(read.value), at, note);
  return writeDocument({ ...read.value, approvals: [...others, approval] });
}

/** Says of documents and releases who approved them and whether anything changed since; exit 1 unless all holds. */
export async function verify(
  paths: readonly string[],
  { team, json = false }: { readonly team?: string | undefined; readonly json?: boolean | undefined },
): Promise<Outcome> {
  const keys = team === undefined ? null : teamOf(team);
  const all: Verified[] = [];
  for (const path of paths) all.push(...(await verified(path, keys)));
  const code = all.length > 0 && all.every(({ holds }) => holds) ? 0 : 1;
  const err = all.length === 0 ? 'There is nothing to verify.\n' : '';
  if (json) return { out: `${JSON.stringify(all, null, 2)}\n`, err, code };
  return { out: all.map(({ path, words }) => `${path}: ${words}\n`).join(''), err, code };
}

function teamOf(file: string): readonly TeamKey[] {
  const read = readTeam(textOf(file));
  if (!read.ok) throw new Refusal(`${file}: ${problemWords(read.error)}`);
  return read.value;
}

async function verified(path: string, team: readonly TeamKey[] | null): Promise<Verified[]> {
  if (/\.zip$/i.test(path)) return verifyRelease(path, bytesOf(path), team);
  if (!isFolder(path)) return verifyDocument(path, textOf(path), team);
  const all: Verified[] = [];
  for (const name of filesIn(path)) {
    const file = join(path, name);
    const text = textOf(file);
    // standards, processes and the team’s keys lie beside the footprints
    if (!isSomethingElse(text)) all.push(...(await verifyDocument(file, text, team)));
  }
  return all;
}

/** Whether a text is whole JSON of another kind than a document; what cannot be read is told and not passed over. */
function isSomethingElse(text: string): boolean {
  const parsed = parseJson(text);
  return parsed.ok && !(typeof parsed.value === 'object' && parsed.value !== null && 'tapis' in parsed.value);
}
