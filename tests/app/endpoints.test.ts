import { Ajv2020 } from 'ajv/dist/2020.js';
import { build } from 'esbuild';
import { once } from 'node:events';
import { mkdtempSync, readFileSync } from 'node:fs';
import { request, type IncomingMessage } from 'node:http';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { pathToFileURL } from 'node:url';
import { generate } from 'openapi-typescript-codegen';
import { describe, expect, it } from 'vitest';
import { writeTrial } from '../../src/core/document/write';
import { processById } from '../../src/core/process';
import { DEMO_DOCUMENTS } from '../../src/demo/documents';
import { demoTrial } from '../../src/demo/trial';
import { converter } from '../data/documents';
import { server } from './harness';

function post(path: string, body: string, type = 'application/json'): Promise<Response> {
  return fetch(`${server.url}${path}`, { method: 'POST', body, headers: { 'content-type': type } });
}
const document = JSON.stringify(converter());

/** A request with any Host, which fetch does not let one choose. */
function raw(path: string, headers: Record<string, string>): Promise<string> {
  const { hostname, port } = new URL(server.url);
  const lines = Object.entries({ ...headers, connection: 'close' }).map(
    ([name, value]) => `${name}: ${value}`,
  );
  return new Promise((resolve, reject) => {
    let got = '';
    const socket = connect(Number(port), hostname, () =>
      socket.write(`GET ${path} HTTP/1.1\r\n${lines.join('\r\n')}\r\n\r\n`),
    );
    socket.on('data', (data) => (got += data.toString()));
    socket.once('end', () => resolve(got));
    socket.once('error', reject);
  });
}

/** The document that README shows. */
const [, SHOWN = ''] = /^```json\n(\{\n {2}"tapis"[^]*?)^```/m.exec(readFileSync('README.md', 'utf8')) ?? [];

interface Client {
  readonly OpenAPI: { BASE: string };
  readonly WorksService: {
    compile(document: unknown): Promise<{ standardName: string; report: { verdict: string } }>;
  };
  readonly ApiError: new () => Error & {
    readonly status: number;
    readonly body: { readonly errors: { field: string }[] };
  };
}

describe('endpoints', () => {
  it('serve a client that a common generator makes of their contract', async () => {
    const made = mkdtempSync(join(tmpdir(), 'tapis-client-'));
    const contract = (await (await fetch(`${server.url}/api/v1/openapi.json`)).json()) as Record<
      string,
      unknown
    >;
    await generate({ input: contract, output: join(made, 'client'), httpClient: 'fetch' });
    const outfile = join(made, 'client.mjs');
    await build({
      entryPoints: [join(made, 'client/index.ts')],
      outfile,
      bundle: true,
      format: 'esm',
      logLevel: 'error',
    });
    const { OpenAPI, WorksService, ApiError } = (await import(
      /* @vite-ignore */ pathToFileURL(outfile).href
    )) as Client;
    OpenAPI.BASE = server.url;
    const { standardName, report } = await WorksService.compile(JSON.parse(SHOWN));
    expect([standardName, report.verdict]).toEqual(['SOP65P640X120-16N', 'clear']);
    const refused = await WorksService.compile({ ...JSON.parse(SHOWN), level: 'Q' }).catch(
      (error: unknown) => error,
    );
    expect(refused).toBeInstanceOf(ApiError);
    expect(refused).toMatchObject({ status: 422, body: { errors: [{ field: '/level' }] } });
  });
  it('compile a document into footprint, derivations and findings', async () => {
    const answer = await post('/api/v1/compile', JSON.stringify(converter({ L: '0.95..1.05' })));
    expect(answer.status).toBe(200);
    const body = (await answer.json()) as Record<string, unknown>;
    expect(body['standardName']).toBe('SOP65P640X120-16N');
    expect((body['footprint'] as { lands: unknown[] }).lands).toHaveLength(16);
    expect((body['levels'] as { C: { derivation: unknown[] }[] }).C[0]?.derivation.length).toBeGreaterThan(8);
    expect(
      (body['report'] as { findings: { rule: string; remedies: unknown[] }[] }).findings[0],
    ).toMatchObject({ rule: 'foot-overhang', severity: 'caution' });
  });
  it('answer every example of their contract as it says', async () => {
    interface Parameter {
      readonly name: string;
      readonly in: string;
      readonly required?: boolean;
      readonly schema: { readonly enum?: readonly string[] };
    }
    interface Content {
      readonly content: Readonly<Record<string, { readonly schema: object; readonly example?: unknown }>>;
    }
    const contract = (await (await fetch(`${server.url}/api/v1/openapi.json`)).json()) as {
      readonly paths: Readonly<
        Record<
          string,
          {
            readonly post?: {
              readonly requestBody: Content;
              readonly parameters?: readonly Parameter[];
              readonly responses: { readonly 200: Content };
            };
          }
        >
      >;
    };
    const ajv = new Ajv2020({ strict: false });
    ajv.addSchema({ $id: 'contract', ...contract });
    const posts = Object.entries(contract.paths).flatMap(([path, { post: one }]) =>
      one ? [{ path, ...one }] : [],
    );
    expect(posts.length).toBeGreaterThan(4);
    for (const { path, requestBody, responses, parameters = [] } of posts) {
      const [sent] = Object.entries(requestBody.content).filter(([, { example }]) => example !== undefined);
      expect([path, sent?.[0]]).toEqual([path, expect.any(String)]);
      const [type = '', { example } = {}] = sent ?? [];
      const body = typeof example === 'string' ? example : JSON.stringify(example);
      const asked = parameters
        .filter((one) => one.in === 'query' && one.required)
        .map(({ name, schema }) => `${name}=${schema.enum?.[0] ?? ''}`)
        .join('&');
      const answer = await post(`${path.replace('{format}', 'csv')}?${asked}`, body, type);
      expect([path, answer.status]).toEqual([path, 200]);
      const kind = answer.headers.get('content-type')?.split(';')[0] ?? '';
      expect(Object.keys(responses[200].content)).toContain(kind);
      if (kind !== 'application/json') continue;
      const at = `contract#/paths/${path.replaceAll('/', '~1').replaceAll('{', '%7B').replaceAll('}', '%7D')}/post/responses/200/content/application~1json/schema`;
      const holds = ajv.compile({ $ref: at });
      expect([path, holds(await answer.json()), holds.errors]).toEqual([path, true, null]);
    }
  });
  it('know what whoever asks has already', async () => {
    const ask = (path: string, body: string, etag = '') =>
      fetch(`${server.url}${path}`, {
        method: 'POST',
        body,
        headers: { 'content-type': 'application/json', 'if-none-match': etag },
      });
    const first = await ask('/api/v1/export/csv', document);
    const etag = first.headers.get('etag') ?? '';
    expect(etag).toMatch(/^"[\w-]{43}"$/);
    const again = await ask('/api/v1/export/csv', document, `"other", W/${etag}`);
    expect([again.status, again.headers.get('etag'), await again.text()]).toEqual([304, etag, '']);
    for (const [path, body] of [
      ['/api/v1/export/csv?paper=letter', document],
      ['/api/v1/export/svg', document],
      ['/api/v1/export/csv', JSON.stringify(converter({ L: '0.5..0.75' }))],
      ['/api/v1/export/csv', `${document} {`],
    ] as const)
      expect((await ask(path, body, etag)).status).not.toBe(304);
    // the same intent in other words is the same
    const turned = JSON.stringify(Object.fromEntries(Object.entries(converter()).reverse()), null, 4);
    expect((await ask('/api/v1/export/csv', turned, etag)).status).toBe(304);
    expect((await ask('/api/v1/compile', '{')).headers.has('etag')).toBe(false);
  });
  it.each([
    ['json', 'application/json', '"tapis": 2'],
    ['svg', 'image/svg+xml', '<svg'],
    ['csv', 'text/csv', 'number,padstack'],
    ['ipc2581', 'application/xml', '<IPC-2581'],
  ])('export %s', async (format, type, words) => {
    const answer = await post(`/api/v1/export/${format}`, document);
    expect(answer.status).toBe(200);
    expect(answer.headers.get('content-type')).toContain(type);
    expect(answer.headers.get('content-disposition')).toContain('SOP65P640X120-16N');
    expect(await answer.text()).toContain(words);
  });
  it.each([
    ['/api/v1/compile', '{', 'application/json', 422, /not JSON/],
    ['/api/v1/compile', '{"tapis": 3}', 'application/json', 422, /version 3/],
    ['/api/v1/compile', document, 'text/plain', 415, /application\/json/],
    ['/api/v1/compile', ' '.repeat(2_100_000), 'application/json', 413, /2000000 bytes/],
    ['/api/v1/export/wax', document, 'application/json', 404, /json, drawing, .*ipc2581/],
    ['/api/v1/none', document, 'application/json', 404, /not an endpoint/],
  ])('answer %s with problem+json where they cannot', async (path, body, type, status, words) => {
    const answer = await post(path, body, type);
    expect([answer.status, answer.headers.get('content-type')]).toEqual([status, 'application/problem+json']);
    expect(((await answer.json()) as { detail: string }).detail).toMatch(words);
  });
  it('take a datasheet’s table, and refuse what is none', async () => {
    const table =
      'Symbol\tMin\tMax\nA\t1.35\t1.75\nA1\t0.10\t0.25\nb\t0.31\t0.51\nD\t4.80\t5.00\nE\t5.80\t6.20\nE1\t3.80\t4.00\ne\t1.27\t1.27\nL\t0.40\t1.27';
    const answer = await post('/api/v1/take?family=gull-wing-dual&size=8', table, 'text/plain');
    expect(answer.status).toBe(200);
    const { document, reading } = (await answer.json()) as {
      document: { package: { dimensions: Record<string, { text: string }> } };
      reading: { missing: string[] };
    };
    expect(document.package.dimensions['E']?.text).toBe('5.80..6.20');
    expect(reading.missing).toEqual([]);
    expect((await post('/api/v1/take', 'words', 'text/plain')).status).toBe(422);
    expect((await post('/api/v1/take', '{}', 'application/zip')).status).toBe(415);
    expect((await post('/api/v1/take?leads=8', table, 'text/plain')).status).toBe(400);
    expect((await post('/api/v1/take?page=0', '%PDF-1.4', 'application/pdf')).status).toBe(400);
    expect((await post('/api/v1/take', '%PDF-1.4 broken', 'application/pdf')).status).toBe(422);
  });
  it('name the fields that are wrong', async () => {
    const broken = {
      ...converter(),
      level: 'Z',
      package: { family: 'gull-wing-dual', dimensions: { E: [] } },
    };
    const { errors } = (await (await post('/api/v1/compile', JSON.stringify(broken))).json()) as {
      errors: { field: string }[];
    };
    expect(errors.map(({ field }) => field)).toEqual(
      expect.arrayContaining(['/level', '/package/dimensions/E']),
    );
    const empty = { ...converter(), package: { family: 'gull-wing-dual', dimensions: { n: 16 } } };
    const unwritten = (await (await post('/api/v1/export/csv', JSON.stringify(empty))).json()) as {
      errors: { field: string }[];
    };
    expect(unwritten.errors.map(({ field }) => field)).toContain('/package/dimensions/E');
  });
  it('tell of a model inside that is damaged, and answer without it', async () => {
    const model = { name: 'a.step', key: 'f'.repeat(64), data: 'bm90IGEgZmlsZQ==' };
    const torn = JSON.stringify({ ...converter(), body: { model } });
    const answer = (await (await post('/api/v1/compile', torn)).json()) as Record<string, unknown>;
    expect(answer['leftOut']).toContain('“a.step” inside is damaged');
    const file = await post('/api/v1/export/csv', torn);
    expect(decodeURIComponent(file.headers.get('x-left-out') ?? '')).toContain('inside is damaged');
  });
  it('tell families, schema and health', async () => {
    const get = async (path: string) =>
      (await (await fetch(`${server.url}${path}`)).json()) as Record<string, never>;
    expect((await get('/api/v1/families'))['families']).toHaveLength(35);
    expect((await get('/api/v1/schema'))['$id']).toBe('/schema/tapis-document-2.json');
    expect(await get('/schema/tapis-document-2.json')).toEqual(await get('/api/v1/schema'));
    // a board is what the published schema says, with the process that it refers to
    const ajv = new Ajv2020({ strict: false });
    ajv.addSchema(await get('/schema/tapis-process-1.json'));
    const holds = ajv.compile(await get('/schema/tapis-trial-1.json'));
    expect(holds(JSON.parse(writeTrial(demoTrial(DEMO_DOCUMENTS))))).toBe(true);
    expect(holds({ tapisTrial: 1, name: 'x' })).toBe(false);
    expect(await get('/api/v1/health')).toEqual({ status: 'ok', documentVersion: 2 });
  });
  it('do a batch as it comes in: a line for each document, then how many there were', async () => {
    const query = 'process=kitchen-table&format=csv&findings=words';
    const batch = request(`${server.url}/api/v1/batch?${query}`, {
      method: 'POST',
      headers: { 'content-type': 'application/x-ndjson' },
    });
    batch.write(`${document}\n`);
    const [answer] = (await once(batch, 'response')) as [IncomingMessage];
    const lines = createInterface(answer)[Symbol.asyncIterator]();
    const next = async () => JSON.parse(String((await lines.next()).value)) as Record<string, unknown>;
    // the first is answered while the second has not been sent
    expect(await next()).toMatchObject({
      document: 1,
      standardName: 'SOP65P640X120-16N',
      change: { copperDiffers: true },
      findings: expect.arrayContaining([expect.objectContaining({ rule: 'mask-web' })]),
      file: { name: 'SOP65P640X120-16N.csv', text: expect.stringContaining('number,padstack') },
    });
    batch.end(`{\n\n${' '.repeat(2_100_000)}\n${document}`);
    expect(await next()).toEqual({ document: 2, refused: expect.stringContaining('not JSON') });
    expect(await next()).toEqual({ document: 3, refused: expect.stringContaining('2000000 bytes') });
    expect(await next()).toMatchObject({ document: 4, verdict: expect.any(String) });
    expect(await next()).toEqual({ summary: expect.objectContaining({ documents: 4, refused: 2 }) });
    expect((await lines.next()).done).toBe(true);
  });
  it('find the best lands of a document, and say what is asked wrongly', async () => {
    const asked = (query: string) => post(`/api/v1/best${query}`, document, 'application/json');
    const answer = (await (await asked('?maxZ=7.5')).json()) as {
      groups: { points: { id: string; sizes: { Z: number } }[] }[];
    };
    const best = answer.groups[0]?.points.find(({ id }) => id === 'best');
    expect(best?.sizes.Z).toBeLessThanOrEqual(7.5);
    for (const query of ['?colour=red', '?maxZ=far', '?spread=Weather=uniform'])
      expect((await asked(query)).status).toBe(400);
    expect((await post('/api/v1/best', '{}', 'application/json')).status).toBe(422);
  });
  it('put a batch to a process of one’s own, and say what is asked wrongly', async () => {
    const own = {
      ...processById('standard'),
      tapisProcess: 1,
      id: 'own',
      name: 'Own',
      placementTolerance: 0.4,
    };
    const asked = (query: string, body: string, type = 'application/x-ndjson') =>
      post(`/api/v1/batch${query}`, body, type);
    const answer = await (await asked('', `${JSON.stringify(own)}\n${document}\n`)).text();
    const [first, last] = answer
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as object);
    expect(first).toMatchObject({ document: 1, change: { copperDiffers: true } });
    expect(last).toMatchObject({ summary: { documents: 1 } });
    const house = {
      tapisStandard: 1,
      id: 'hs',
      name: 'HS',
      version: '1',
      clauses: { 'goals/gull-wing/outer/B': { value: 0.45, clause: '4.3' } },
    };
    const under = await (await asked('', `${JSON.stringify(house)}\n${document}\n`)).text();
    expect(JSON.parse(under.split('\n')[0] ?? '')).toMatchObject({
      document: 1,
      change: { copperDiffers: true },
    });
    for (const [query, body, status, words] of [
      ['?process=wax', document, 400, /known are standard/],
      ['?level=Q', document, 400, /it is A, B or C/],
      ['?format=wax', document, 400, /known are json/],
      ['?findings=all', document, 400, /“words” or left out/],
      ['?colour=red', document, 400, /known are process, level, format, findings/],
      ['?process=standard', JSON.stringify(own), 400, /a line before the documents is a process/],
      ['', JSON.stringify({ ...own, minGap: 'wide' }), 422, /minGap/],
      ['', JSON.stringify({ tapisStandard: 1, id: 'hs' }), 422, /name/],
    ] as const) {
      const refused = await asked(query, body);
      expect([query, refused.status]).toEqual([query, status]);
      expect(((await refused.json()) as { detail: string }).detail).toMatch(words);
    }
    expect((await asked('', document, 'text/plain')).status).toBe(415);
    expect(await (await asked('', '')).text()).toContain('"documents":0');
  });
  it('answer other methods with 405, and say which are answered', async () => {
    for (const [method, path, allowed] of [
      ['PUT', '/api/v1/compile', 'POST'],
      ['GET', '/api/v1/export/svg', 'POST'],
      ['DELETE', '/api/v1/health', 'GET, HEAD'],
      ['POST', '/schema/tapis-document-2.json', 'GET, HEAD'],
      ['POST', '/', 'GET, HEAD'],
    ] as const) {
      const answer = await fetch(`${server.url}${path}`, { method });
      expect([path, answer.status, answer.headers.get('allow')]).toEqual([path, 405, allowed]);
    }
  });
  it('answer to their own name, and work only for their own pages', async () => {
    expect(await raw('/', { host: 'tapis.example' })).toMatch(/^HTTP\/1.1 421 .*It answers to 127.0.0.1/s);
    expect(await raw('/', { host: new URL(server.url).host })).toMatch(/^HTTP\/1.1 200 /);
    const from = (origin: string) =>
      fetch(`${server.url}/api/v1/compile`, {
        method: 'POST',
        body: document,
        headers: { 'content-type': 'application/json', origin },
      });
    expect((await from('http://tapis.example')).status).toBe(403);
    expect((await from(server.url)).status).toBe(200);
  });
  it('send strict headers with pages, files, and what is not there', async () => {
    const [, script = ''] =
      /src="(\/_astro\/[^"]+\.js)"/.exec(await (await fetch(`${server.url}/`)).text()) ?? [];
    for (const [path, status] of [
      ['/', 200],
      ['/api/v1/health', 200],
      ['/bench/none', 200],
      [script, 200],
      ['/favicon.svg', 200],
      ['/none', 404],
      ['/%E0%A4%A', 400],
    ] as const) {
      const { status: got, headers } = await fetch(`${server.url}${path}`);
      expect([path, got]).toEqual([path, status]);
      const policy = headers.get('content-security-policy') ?? '';
      expect(policy).toMatch(/default-src '(self|none)'/);
      expect(policy).not.toMatch(/unsafe-(inline|eval)|\*/);
      expect(headers.get('x-content-type-options')).toBe('nosniff');
      expect(headers.get('cross-origin-resource-policy')).toBe('same-origin');
      expect(headers.get('cross-origin-opener-policy')).toBe('same-origin');
      expect(headers.get('referrer-policy')).toBe('no-referrer');
      expect(headers.get('cache-control')).toBe(
        path === script ? 'public, max-age=31536000, immutable' : 'no-cache',
      );
    }
  });
  it('stay answerable while all threads work, and turn away whom they cannot serve soon', async () => {
    const wide = { nE: '30', e: '1.0', E: '30.8..31.2', b: '0.5..0.7', A: 'max 3', A1: '0.35..0.5' };
    const slow = { ...converter(), package: { family: 'ball-grid', dimensions: wide } };
    const stop = new AbortController();
    const never = new Promise<Response>(() => {});
    const ask = () =>
      fetch(`${server.url}/api/v1/compile`, {
        method: 'POST',
        body: JSON.stringify(slow),
        headers: { 'content-type': 'application/json' },
        signal: stop.signal,
      }).then(
        (answer) => (answer.status === 503 ? answer : never),
        () => never,
      );
    const away = await Promise.race(Array.from({ length: 280 }, ask));
    expect(away.headers.get('retry-after')).toBe('5');
    expect((await fetch(`${server.url}/api/v1/health`)).status).toBe(200);
    // a request that nobody waits for gives up its place
    stop.abort();
    expect((await post('/api/v1/compile', document)).status).toBe(200);
  });
});
