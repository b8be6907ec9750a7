// What the benches in a browser share.
import { spawn } from 'node:child_process';
import puppeteer, { type Browser } from 'puppeteer-core';

/** Serves Tapis at a free port. */
export async function serve(): Promise<{ readonly url: string; readonly end: () => void }> {
  const child = spawn('node', ['tools/start.mjs', '0'], { stdio: ['ignore', 'pipe', 'inherit'] });
  const url = await new Promise<string>((resolve, reject) => {
    child.stdout.on('data', (data: Buffer) => {
      const [address] = /http:\/\/127\.0\.0\.1:\d+/.exec(data.toString()) ?? [];
      if (address) resolve(address);
    });
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  return { url, end: () => child.kill('SIGTERM') };
}

/** Starts the browser with a profile of its own. */
export function launch(): Promise<Browser> {
  return puppeteer.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    protocolTimeout: 600_000,
    args: ['--no-sandbox', '--enable-unsafe-swiftshader'],
    defaultViewport: { width: 1280, height: 800 },
  });
}
