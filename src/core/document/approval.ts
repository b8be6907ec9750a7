import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { TapisDocument } from './document';
import { canonical } from './canonical';
import { jsonText } from './write';

/**
 * The text of a document that an approval is of: what it means, in its canonical form. Approvals themselves are
 * not in it, nor files that only travel inside (their keys are), nor the address of the schema.
 */
export function approvedText(document: TapisDocument): string {
  const { approvals: _, $schema: __, ...rest } = canonical(document) as TapisDocument & { $schema?: string };
  const { body, sources } = rest;
  const model = body?.model;
  const bare = {
    ...rest,
    ...(model ? { body: { ...body, model: without(model, 'data') } } : {}),
    ...(sources ? { sources: sources.map((one) => without(one, 'data')) } : {}),
  };
  return jsonText(bare);
}

function without<T extends object>(value: T, key: string): object {
  return Object.fromEntries(Object.entries(value).filter(([name]) => name !== key));
}

/** SHA-256 of a text or of bytes, hexadecimal. */
export function hashOf(content: string | Uint8Array): string {
  return bytesToHex(sha256(typeof content === 'string' ? utf8ToBytes(content) : content));
}
