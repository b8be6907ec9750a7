// npm start [-- PORT]: installs and builds where needed, then serves on 127.0.0.1.
import { build, install, isBuilt, root } from './prepare.mjs';
import { freePort } from './free-port.mjs';
import { earlierPorts, keepPort } from './ports.mjs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

const given = process.argv[2] ?? process.env.PORT;
const wished = given === undefined ? 4321 : Number(given);
if (!Number.isInteger(wished) || wished < 0 || wished > 65535) {
  console.error(`“${given}” is not a port; give a number from 0 (any free one) to 65535.`);
  process.exit(1);
}
// what builds is installed only where something is to be built
await install(!isBuilt());
await build();
const port = await freePort(wished);
if (wished !== 0 && port !== wished)
  console.error(
    `Port ${wished} is taken, so Tapis is served on another one. A browser keeps footprints by address: those ` +
      `of http://127.0.0.1:${wished} are not seen here. End what holds that port (another Tapis?) and start ` +
      'again to see them.',
  );
// the empty Shelf tells where footprints may be
process.env.TAPIS_EARLIER_PORTS = earlierPorts(port).join(' ');
const part = (name) => import(pathToFileURL(join(root, 'dist/server', name)).href);
const [{ handler }, { drain, serve }] = await Promise.all([part('entry.mjs'), part('serve.mjs')]);
const server = await serve({
  port,
  host: '127.0.0.1',
  alsoCalled: (process.env.TAPIS_NAMES ?? '').split(/\s+/).filter(Boolean),
  files: join(root, 'dist/client'),
  pages: handler,
});
// a port that was only lent for once is not one that footprints are looked for at
if (wished !== 0) keepPort(port);
console.log(`Tapis is at http://127.0.0.1:${port}/  (the empty Shelf offers the demo board; Ctrl+C ends it)`);
for (const signal of ['SIGINT', 'SIGTERM'])
  process.once(signal, () => void drain(server).then(() => process.exit(0)));
