// Finds Chromium, or installs Debian's where the machine has none.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';

const PLACES = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];
/** The same engine without the browser round it, which takes three quarters of the time. */
const BARE = '/usr/bin/chromium-headless-shell';

/**
 * Paths of what to test with: Chromium, and its bare engine where there is one. Both are Debian's, installed beside
 * other work where the machine has none. Fails where no Chromium can be had.
 */
export async function chromium() {
  const named = process.env.CHROMIUM;
  if (named) return { whole: named, bare: process.env.CHROMIUM_BARE ?? '' };
  const found = () => PLACES.find((path) => existsSync(path)) ?? '';
  const bare = () => (existsSync(BARE) ? BARE : '');
  if (found() && bare()) return { whole: found(), bare: bare() };
  console.log('Installing Chromium for the app tests …');
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (...args) =>
    new Promise((resolve) => {
      spawn('apt-get', args, { stdio: ['ignore', 'ignore', 'inherit'], env })
        .once('close', resolve)
        .once('error', resolve);
    });
  await apt('update', '-qq');
  // one after the other: where a release has no bare one, the whole one serves for both
  for (const name of [...(found() ? [] : ['chromium']), 'chromium-headless-shell'])
    await apt('install', '-y', '-qq', '--no-install-recommends', name);
  if (found()) return { whole: found(), bare: bare() };
  throw new Error('No Chromium found. Install it, or set CHROMIUM to its path.');
}
