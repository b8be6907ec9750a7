// What approvals are worth, without what reads or signs them.

/** That somebody stands for a text, in a form that shows whether the text was changed since. */
export interface Approval {
  /** Who, as the team calls them. */
  readonly by: string;
  /** Their public key, Ed25519 (RFC 8032), hexadecimal. */
  readonly key: string;
  /** When, ISO 8601 in UTC. */
  readonly at: string;
  readonly note?: string;
  /** SHA-256 of the text, hexadecimal. */
  readonly of: string;
  /** Of the statement that the other fields make, hexadecimal. */
  readonly signature: string;
}

/** What is said by an approval, before it is signed. */
export type Statement = Omit<Approval, 'signature'>;

/** The text that is signed: every field of the statement, in one order. */
export function statementText({ by, key, at, of, note = '' }: Statement): string {
  return JSON.stringify(['tapis-approval-1', by, key, at, of, note]);
}

/** Somebody whose approvals count, and within which days. */
export interface TeamKey {
  readonly name: string;
  /** Public key, hexadecimal. */
  readonly key: string;
  /** First and last day, such as 2026-12-31; open where missing. */
  readonly from?: string;
  readonly until?: string;
}

/** What an approval is worth: it holds, or why it does not. */
export type Standing = 'holds' | 'changed' | 'unknown key' | 'other name' | 'out of time' | 'forged';

/**
 * What an approval of a text is worth. A statement that its key did not sign is forged, whatever it says; one of a
 * text that was changed since says nothing about what is there now.
 * @param isSigned whether the signature is that of the key under the statement
 * @param hash of the text as it is now
 * @param team `null` where nobody said who counts: then no key is known
 */
export function standingOf(
  approval: Approval,
  isSigned: boolean,
  hash: string,
  team: readonly TeamKey[] | null,
): Standing {
  if (!isSigned) return 'forged';
  const own = (team ?? []).filter(({ key }) => key === approval.key);
  // a name that somebody else has in the team is a mask, even over a text that is unchanged
  if (own.length > 0 && !own.some(({ name }) => name === approval.by)) return 'other name';
  if (approval.of !== hash) return 'changed';
  if (own.length === 0) return 'unknown key';
  const day = approval.at.slice(0, 10);
  const isInTime = own.some(({ from = '', until = '9999' }) => from <= day && day <= until);
  return isInTime ? 'holds' : 'out of time';
}

const WORDS: Readonly<Record<Standing, string>> = {
  holds: 'holds',
  changed: 'does not hold: what was approved has been changed since',
  'unknown key': 'is signed by a key that is not among the team’s',
  'other name': 'is signed by the key of somebody else of the team',
  'out of time': 'was signed on a day on which the key does not count',
  forged: 'is forged or damaged: the key did not sign what it says',
};

/** An approval in words: “approved by K. Lund on 2026-12-01: holds”. */
export function approvalWords({ by, at, note }: Approval, standing: Standing): string {
  const day = at.replace('T', ' ').slice(0, 16);
  return `approved by ${by}, ${day} UTC${note ? ` (${note})` : ''}: ${WORDS[standing]}`;
}

/** Approvals of a footprint, and what they are held against. */
export interface Approved {
  /** Of what the document says now. */
  readonly hash: string;
  readonly approvals: readonly { readonly approval: Approval; readonly isSigned: boolean }[];
}
