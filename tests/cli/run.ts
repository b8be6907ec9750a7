import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { run as Run } from '../../src/cli/tapis';
import { bundled } from '../../tools/bundle.mjs';

const made = (await import(pathToFileURL(join(await bundled(), 'tapis.mjs')).href)) as { run: typeof Run };

/** Runs one command line as the terminal does: from the bundle, whose threads start at once. */
export const { run } = made;
