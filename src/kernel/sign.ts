import { hashOf } from '../core/document/approval';
import {
  standingOf,
  statementText,
  type Approval,
  type Standing,
  type TeamKey,
} from '../core/document/standing';
import { fail, ok, type Result } from '../core/units/result';

// Keys and signatures by the platform's own cryptography (Web Crypto: Ed25519, PBKDF2, AES-GCM).

/** A key of one's own. */
export interface OwnKey {
  readonly name: string;
  /** Public part, hexadecimal. */
  readonly key: string;
  readonly secret: CryptoKey;
}

/** A key in a file: the secret part as it is, or sealed by a passphrase. */
export interface KeyFile {
  readonly tapisKey: 1;
  readonly name: string;
  readonly key: string;
  /** PKCS #8, hexadecimal. */
  readonly secret?: string;
  readonly sealed?: {
    readonly salt: string;
    readonly iv: string;
    readonly rounds: number;
    readonly data: string;
  };
}

/** Rounds of PBKDF2 with SHA-256, as OWASP asks for since 2023. */
const ROUNDS = 600_000;
/** A file that asks for more is not a key of ours, and would hold the page up. */
const MOST_ROUNDS = 10_000_000;

const hex = (bytes: ArrayBuffer | Uint8Array): string =>
  [...new Uint8Array(bytes)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
const bytesOf = (text: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(text.match(/../g) ?? [], (pair) => parseInt(pair, 16));
const utf8 = (text: string): Uint8Array<ArrayBuffer> => new TextEncoder().encode(text);

/** Makes a key under a name. */
export async function makeKey(name: string): Promise<OwnKey> {
  const pair = (await crypto.subtle.generateKey('Ed25519', true, ['sign', 'verify'])) as CryptoKeyPair;
  return {
    name,
    key: hex(await crypto.subtle.exportKey('raw', pair.publicKey)),
    secret: pair.privateKey,
  };
}

/** Signs a text. @param at ISO 8601 in UTC */
export async function approve(
  { name, key, secret }: OwnKey,
  text: string | Uint8Array,
  at: string,
  note = '',
): Promise<Approval> {
  const statement = { by: name, key, at, ...(note === '' ? {} : { note }), of: hashOf(text) };
  const signature = await crypto.subtle.sign('Ed25519', secret, utf8(statementText(statement)));
  return { ...statement, signature: hex(signature) };
}

/** What an approval of a text is worth. */
export async function standing(
  approval: Approval,
  text: string | Uint8Array,
  team: readonly TeamKey[] | null,
): Promise<Standing> {
  return standingOf(approval, await isSigned(approval), hashOf(text), team);
}

/** Whether the key that an approval names signed what it says. */
export async function isSigned(approval: Approval): Promise<boolean> {
  try {
    const key = await crypto.subtle.importKey('raw', bytesOf(approval.key), 'Ed25519', false, ['verify']);
    const said = utf8(statementText(approval));
    return await crypto.subtle.verify('Ed25519', key, bytesOf(approval.signature), said);
  } catch {
    // what is no key has signed nothing
    return false;
  }
}

/** A key as a file, sealed where there is a passphrase. */
export async function keyFile({ name, key, secret }: OwnKey, passphrase: string): Promise<KeyFile> {
  const plain = new Uint8Array(await crypto.subtle.exportKey('pkcs8', secret));
  const about = { tapisKey: 1, name, key } as const;
  if (passphrase === '') return { ...about, secret: hex(plain) };
  const salt = crypto.getRandomValues(new Uint8Array(16));
  const iv = crypto.getRandomValues(new Uint8Array(12));
  const lock = await lockOf(passphrase, salt, ROUNDS);
  const data = await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, lock, plain);
  return { ...about, sealed: { salt: hex(salt), iv: hex(iv), rounds: ROUNDS, data: hex(data) } };
}

async function lockOf(passphrase: string, salt: Uint8Array<ArrayBuffer>, iterations: number) {
  const raw = await crypto.subtle.importKey('raw', utf8(passphrase.normalize('NFKC')), 'PBKDF2', false, [
    'deriveKey',
  ]);
  return crypto.subtle.deriveKey(
    { name: 'PBKDF2', hash: 'SHA-256', salt, iterations },
    raw,
    { name: 'AES-GCM', length: 256 },
    false,
    ['encrypt', 'decrypt'],
  );
}

/**
 * Opens the file of a key.
 * @param passphrase empty where there is none
 * @returns the key, or why there is none
 */
export async function openKey(text: string, passphrase: string): Promise<Result<OwnKey, string>> {
  const file = parsed(text);
  if (!file) return fail('This is not the file of a key.');
  const { name, key, secret, sealed } = file;
  try {
    if (sealed && passphrase === '')
      return fail(`The key of ${name} is sealed; it opens with its passphrase.`);
    const plain = sealed ? await unsealed(sealed, passphrase) : bytesOf(secret ?? '');
    if (!plain) return fail(`The passphrase does not open the key of ${name}.`);
    const own = await crypto.subtle.importKey('pkcs8', plain, 'Ed25519', true, ['sign']);
    const opened = { name, key, secret: own };
    // both parts belong together, or nobody could verify what it signs
    const trial = await approve(opened, 'trial', '1970-01-01T00:00:00Z');
    return (await isSigned(trial)) ? ok(opened) : fail(`The two parts of the key of ${name} differ.`);
  } catch {
    return fail(`The key of ${name} is damaged.`);
  }
}

async function unsealed({ salt, iv, rounds, data }: NonNullable<KeyFile['sealed']>, passphrase: string) {
  const lock = await lockOf(passphrase, bytesOf(salt), rounds);
  return crypto.subtle
    .decrypt({ name: 'AES-GCM', iv: bytesOf(iv) }, lock, bytesOf(data))
    .then((plain) => new Uint8Array(plain))
    .catch(() => null);
}

const isHex = (value: unknown, length?: number): value is string =>
  typeof value === 'string' &&
  value.length < 4000 &&
  /^([0-9a-f]{2})+$/.test(value) &&
  (length === undefined || value.length === length);

function parsed(text: string): KeyFile | null {
  let file: Partial<KeyFile> | null;
  try {
    file = JSON.parse(text) as Partial<KeyFile> | null;
  } catch {
    return null;
  }
  const { tapisKey, name, key, secret, sealed } = file ?? {};
  if (tapisKey !== 1 || typeof name !== 'string' || name === '' || name.length > 80 || !isHex(key, 64))
    return null;
  const isSealed =
    sealed !== undefined &&
    isHex(sealed.salt) &&
    isHex(sealed.iv, 24) &&
    isHex(sealed.data) &&
    Number.isInteger(sealed.rounds) &&
    sealed.rounds > 0 &&
    sealed.rounds <= MOST_ROUNDS;
  if (isSealed) return { tapisKey, name, key, sealed };
  return isHex(secret) ? { tapisKey, name, key, secret } : null;
}
