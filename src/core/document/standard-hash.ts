import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { Standard, StandardDocument } from '../standard/standard';
import { canonicalStandard } from './canonical';

/** Digits of a hash that papers print; enough to tell editions of a standard apart. */
const SHOWN = 12;

/** The first digits of the SHA-256 of a standard's canonical text: equal standards have equal ones. */
export function standardHash(standard: StandardDocument): string {
  return bytesToHex(sha256(utf8ToBytes(JSON.stringify(canonicalStandard(standard))))).slice(0, SHOWN);
}

/** A standard by name, version and hash, as papers and lists of findings name it. */
export function standardNamed({ document }: Standard): string {
  return document
    ? `${document.name}, version ${document.version} (${standardHash(document)})`
    : 'as published (IPC-7351B)';
}

/** Whether two standards want the same and are called alike. */
export function isSameStandard(a: StandardDocument, b: StandardDocument): boolean {
  return JSON.stringify(canonicalStandard(a)) === JSON.stringify(canonicalStandard(b));
}
