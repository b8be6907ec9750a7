// Finds Chromium, or installs Debian's where the machine has none.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';

const PLACES = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];

/** Path of a Chromium to test with; installed beside other work where there is none. Fails where none can be had. */
export async function chromium() {
  const named = process.env.CHROMIUM;
  if (named) return named;
  const found = () => PLACES.find((path) => existsSync(path));
  if (found()) return found();
  console.log('Installing Chromium for the app tests …');
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (...args) =>
    new Promise((resolve) => {
      spawn('apt-get', args, { stdio: ['ignore', 'ignore', 'inherit'], env })
        .once('close', resolve)
        .once('error', resolve);
    });
  await apt('update', '-qq');
  await apt('install', '-y', '-qq', '--no-install-recommends', 'chromium');
  if (found()) return found();
  throw new Error('No Chromium found. Install it, or set CHROMIUM to its path.');
}
