import { gzipSync } from 'node:zlib';
import { readFileSync } from 'node:fs';
import { writeFileSync } from 'node:fs';
import { writeShelf } from '../src/core/document/write';
import { DEMO_DOCUMENTS } from '../src/demo/documents';
import { launch, serve } from './browser';
const { url, end } = await serve();
try {
  const file = '/tmp/scratch/part.json'; writeFileSync(file, writeShelf([DEMO_DOCUMENTS[1] as any]));
  const browser = await launch();
  const page = await browser.newPage(); await page.setViewport({ width: 1280, height: 800 });
  await page.goto(url, { waitUntil: 'networkidle0' });
  const input: any = await page.$('input[aria-label="Files to import"]'); await input.uploadFile(file);
  await page.waitForSelector('a[title^="Open"]'); await page.click('a[title^="Open"]');
  await page.waitForSelector('section[aria-label=Sheet] svg');
  await page.evaluateOnNewDocument(`new MutationObserver((_, o) => { if (!document.querySelector('section[aria-label="Sheet"] svg')) return; o.disconnect(); globalThis.drawnAt = performance.now(); }).observe(document, { subtree: true, childList: true })`);
  await page.setCacheEnabled(false);
  await page.reload({ waitUntil: 'networkidle0' });
  const asked = (await page.evaluate("performance.getEntriesByType('resource').filter(({ startTime, name }) => startTime < drawnAt && /js$/.test(name)).map(({ name }) => name)")) as string[];
  const rows = [...new Set(asked)].map((u) => { const p = new URL(u).pathname; return [gzipSync(readFileSync('/work/main/dist/client' + p)).length / 1000, p] as const; }).sort((a, b) => b[0] - a[0]);
  let t = 0; for (const [k, p] of rows) { t += k; if (k > 0.8) console.log(k.toFixed(1), p); }
  writeFileSync('/tmp/scratch/first.json', JSON.stringify(rows.map(r=>r[1]))); console.log('all', t.toFixed(1), rows.length, 'small', rows.filter(([k]) => k <= 0.8).length);
  await browser.close();
} finally { end(); }
process.exit(0);
