import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { launch, takeDemo } from './browser';

declare module 'vitest' {
  export interface ProvidedContext {
    /** Address of the served Tapis. */
    readonly url: string;
    /** Folder of a browser's profile with the demo board on its Shelf. */
    readonly demo: string;
  }
}

/** A Tapis that is served until it is ended. */
export async function serve(): Promise<{ readonly url: string; readonly end: () => void }> {
  const child = spawn('node', ['tools/start.mjs', '0'], { stdio: ['ignore', 'pipe', 'inherit'] });
  const url = await new Promise<string>((resolve, reject) => {
    child.stdout.on('data', (data: Buffer) => {
      const address = /http:\/\/127\.0\.0\.1:\d+/.exec(data.toString());
      if (address) resolve(address[0]);
    });
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  return { url, end: () => void child.kill() };
}

/** Serves one Tapis for all files; every page and profile is its own, so that they do not meet. */
export async function setup({ provide }: TestProject): Promise<() => void> {
  const { url, end } = await serve();
  provide('url', url);
  const demo = mkdtempSync(join(tmpdir(), 'tapis-demo-'));
  const browser = await launch(demo);
  const page = await browser.newPage();
  // what keeps all files offline is for those who ask for it
  await page.evaluateOnNewDocument(() => Reflect.deleteProperty(Navigator.prototype, 'serviceWorker'));
  await page.goto(url, { waitUntil: 'networkidle0' });
  await takeDemo(page);
  await browser.close();
  provide('demo', demo);
  return end;
}
