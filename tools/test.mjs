// npm test: installs what the tests need, then lint, types, unit tests and app tests.
import { spawn } from 'node:child_process';
import { build, install, root, run } from './prepare.mjs';

install();
const { chromium } = await import('./chromium.mjs');
process.env.CHROMIUM = chromium();
run('npm', ['run', '-s', 'generate']);

/** Runs scripts one after the other beside other work; what they print is shown once they are through. */
async function beside(...scripts) {
  for (const script of scripts) {
    const child = spawn('npm', ['run', '-s', script], { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    const printed = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => printed.push(data));
    const status = await new Promise((resolve) => child.once('close', resolve));
    process.stdout.write(`${script}${status === 0 ? ' holds' : ''}\n${Buffer.concat(printed).toString()}`);
    if (status !== 0) return false;
  }
  return true;
}

// a machine has at least two processors: what reads the code runs beside what runs it
const [read, ran] = await Promise.all([beside('lint', 'types'), beside('unit')]);
if (!read || !ran) process.exit(1);
build();
run('npm', ['run', '-s', 'app']);
