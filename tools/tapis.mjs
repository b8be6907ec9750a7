// The terminal command.
import './node-version.mjs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { bundled } from './bundle.mjs';

await import(pathToFileURL(join(await bundled(), 'main.mjs')).href);
