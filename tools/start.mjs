// npm start [-- PORT]: installs and builds where needed, then serves on 127.0.0.1.
import { build, install, root } from './prepare.mjs';
import { freePort } from './free-port.mjs';
import { workerPolicy } from './worker-policy.mjs';
import { createServer } from 'node:http';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

const given = process.argv[2] ?? process.env.PORT;
const wished = given === undefined ? 4321 : Number(given);
if (!Number.isInteger(wished) || wished < 0 || wished > 65535) {
  console.error(`“${given}” is not a port; give a number from 0 (any free one) to 65535.`);
  process.exit(1);
}
install();
build();
const port = await freePort(wished);
if (given !== undefined && wished !== 0 && port !== wished) {
  console.error(`Port ${wished} is taken; serving on another one.`);
}
process.env.HOST = '127.0.0.1';
process.env.PORT = String(port);
process.env.ASTRO_NODE_LOGGING = 'disabled';
process.env.ASTRO_NODE_AUTOSTART = 'disabled';
const { handler } = await import(pathToFileURL(join(root, 'dist/server/entry.mjs')).href);
createServer((request, response) => {
  const policy = workerPolicy(request.url ?? '');
  if (policy) response.setHeader('content-security-policy', policy);
  void handler(request, response);
}).listen(port, process.env.HOST);
console.log(`Tapis is at http://127.0.0.1:${port}/  (the empty Shelf offers the demo board; Ctrl+C ends it)`);
