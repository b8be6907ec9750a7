// npm test: installs what the tests need, then lint, types, unit tests and app tests.
import { spawn } from 'node:child_process';
import { chromium } from './chromium.mjs';
import { build, install, root, run } from './prepare.mjs';

const begun = Date.now();
const say = (words) =>
  console.log(`${String(Math.round((Date.now() - begun) / 1000)).padStart(4)} s  ${words}`);

const browser = chromium().catch((error) => {
  console.error(error.message);
  process.exit(1);
});
await install();
say('installed');
run('npm', ['run', '-s', 'generate']);

/** Runs scripts one after the other beside other work; what they print is shown once they are through. */
async function beside(...scripts) {
  for (const script of scripts) {
    const child = spawn('npm', ['run', '-s', script], { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    const printed = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => printed.push(data));
    const status = await new Promise((resolve) => child.once('close', resolve));
    process.stdout.write(Buffer.concat(printed));
    say(`${script} ${status === 0 ? 'holds' : 'does not hold'}`);
    if (status !== 0) return false;
  }
  return true;
}

/** Reads the code, then makes what the app tests drive. */
async function readAndBuild() {
  if (!(await beside('lint', 'types'))) return false;
  await build();
  say('built');
  return true;
}

// a machine has at least two processors: what reads and builds the code runs beside what runs it
const [read, ran] = await Promise.all([readAndBuild(), beside('unit')]);
if (!read || !ran) process.exit(1);
const { whole, bare } = await browser;
process.env.CHROMIUM = whole;
process.env.CHROMIUM_BARE = bare;
run('npm', ['run', '-s', 'app']);
say('all hold');
