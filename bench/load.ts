// npm run load: the server under many connections, beside a bare handler that answers as much at once.
import autocannon from 'autocannon';
import { execFile, spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { promisify } from 'node:util';
import fc from 'fast-check';
import { hostile } from '../tests/data/hostile';
import { DEMO_DOCUMENTS } from '../src/demo/documents';

/** What the server may hold, MB, as on a small machine. */
const MEMORY = 1_600;
const CONNECTIONS = 200;
const SECONDS = 10;
const converter = JSON.stringify(DEMO_DOCUMENTS[0]);

interface Served {
  readonly url: string;
  readonly pid: number;
  readonly end: () => Promise<number | null>;
}

async function tapis(): Promise<Served> {
  const child = spawn('node', [`--max-old-space-size=${MEMORY}`, 'tools/start.mjs', '0'], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const url = await new Promise<string>((resolve, reject) => {
    child.stdout.on('data', (data: Buffer) => {
      const [address] = /http:\/\/127\.0\.0\.1:\d+/.exec(data.toString()) ?? [];
      if (address) resolve(address);
    });
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  const end = () =>
    new Promise<number | null>((resolve) => {
      child.once('exit', resolve);
      child.kill('SIGTERM');
    });
  return { url, pid: child.pid ?? 0, end };
}

/** Reads the body and answers a text of the given length. */
async function bare(length: number): Promise<Served> {
  const text = 'x'.repeat(length);
  const server = createServer((request, response) => {
    request.resume().once('end', () => response.end(text));
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  const end = () => new Promise<null>((resolve) => server.close(() => resolve(null)));
  return { url: `http://127.0.0.1:${port}`, pid: process.pid, end };
}

async function load(url: string, bodies: readonly string[]) {
  const requests = bodies.map((body) => ({ body }));
  const headers = { 'content-type': 'application/json' };
  const settings = {
    url,
    method: 'POST',
    headers,
    requests,
    connections: CONNECTIONS,
    duration: SECONDS,
  } as const;
  const result = await autocannon({ ...settings, timeout: 60 });
  const { latency, requests: rate, non2xx, errors } = result;
  return { p50: latency.p50, p99: latency.p99, rate: rate.average, non2xx, errors };
}

/** The times in ms, sorted, that the server took to tell its health while it was loaded. */
async function healthOf(url: string): Promise<number[]> {
  const watching = await promisify(execFile)('node', ['bench/watch-health.mjs', url, String(SECONDS)]);
  return (JSON.parse(watching.stdout) as number[]).sort((a, b) => a - b);
}

/** Most memory that a process has held, MB. */
function peakOf(pid: number): number {
  const [, kilobytes] = /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8')) ?? [];
  return Number(kilobytes) / 1024;
}

function at(sorted: readonly number[], share: number): number {
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN;
}

const served = await tapis();
const compile = `${served.url}/api/v1/compile`;
const answer = await (
  await fetch(compile, { method: 'POST', body: converter, headers: { 'content-type': 'application/json' } })
).text();
const plain = await bare(answer.length);
const baseline = await load(plain.url, [converter]);
await plain.end();
await load(compile, [converter]);
const rows: Record<string, Record<string, string>> = {};
const slips = fc.sample(hostile, { numRuns: 200, seed: 7 }).map((document) => JSON.stringify(document));
for (const [name, bodies] of [
  ['converter', [converter]],
  ['hostile documents', slips],
] as const) {
  const [times, { p50, p99, rate, non2xx, errors }] = await Promise.all([
    healthOf(served.url),
    load(compile, bodies),
  ]);
  rows[name] = {
    'p99 / p50': (p99 / p50).toFixed(2),
    'bare rate / rate': (baseline.rate / rate).toFixed(1),
    'rate 1/s': rate.toFixed(0),
    'health p99 ms': at(times, 0.99).toFixed(0),
    'health max ms': at(times, 1).toFixed(0),
    'not 2xx': String(non2xx),
    errors: String(errors),
    'peak MB': peakOf(served.pid).toFixed(0),
  };
}
console.log(
  `${CONNECTIONS} connections for ${SECONDS} s, heap of ${MEMORY} MB; bare handler ${baseline.rate.toFixed(0)}/s`,
);
console.table(rows);
console.log(`ended with ${await served.end()} on SIGTERM`);
