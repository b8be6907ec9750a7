// The ports that this checkout was served on: what a browser keeps belongs to one of them.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './prepare.mjs';

const folder = join(root, '.cache');
const path = join(folder, 'ports.json');
/** Ports that are remembered, last used first. */
const KEPT = 5;

function ports() {
  try {
    const read = JSON.parse(readFileSync(path, 'utf8'));
    return Array.isArray(read) ? read.filter(Number.isInteger) : [];
  } catch {
    return [];
  }
}

/** Ports of earlier times, other than this one. */
export function earlierPorts(port) {
  return ports().filter((each) => each !== port);
}

export function keepPort(port) {
  mkdirSync(folder, { recursive: true });
  writeFileSync(path, JSON.stringify([port, ...earlierPorts(port)].slice(0, KEPT)));
}
