// Finds Chromium, or installs Debian's where the machine has none.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

const PLACES = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];

/** Path of a Chromium to test with. Ends the process with a clear message where none can be had. */
export function chromium() {
  const named = process.env.CHROMIUM;
  if (named) return named;
  const found = () => PLACES.find((path) => existsSync(path));
  if (found()) return found();
  console.log('Installing Chromium for the app tests');
  const apt = (...args) =>
    spawnSync('apt-get', args, {
      stdio: 'inherit',
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  apt('update', '-qq');
  apt('install', '-y', '-qq', 'chromium');
  if (found()) return found();
  console.error('No Chromium found. Install it, or set CHROMIUM to its path.');
  process.exit(1);
}
