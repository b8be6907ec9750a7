import { describe, expect, it } from 'vitest';
import { converter } from '../data/documents';
import { server } from './harness';

function post(path: string, body: string, type = 'application/json'): Promise<Response> {
  return fetch(`${server.url}${path}`, { method: 'POST', body, headers: { 'content-type': type } });
}
const document = JSON.stringify(converter());

describe('endpoints', () => {
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
    ['/api/v1/compile', ' '.repeat(1_100_000), 'application/json', 413, /1000000 bytes/],
    ['/api/v1/export/wax', document, 'application/json', 404, /json, svg, csv, ipc2581/],
    ['/api/v1/none', document, 'application/json', 404, /not an endpoint/],
  ])('answer %s with problem+json where they cannot', async (path, body, type, status, words) => {
    const answer = await post(path, body, type);
    expect([answer.status, answer.headers.get('content-type')]).toEqual([status, 'application/problem+json']);
    expect(((await answer.json()) as { detail: string }).detail).toMatch(words);
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
  it('tell families, schema and health', async () => {
    const get = async (path: string) =>
      (await (await fetch(`${server.url}${path}`)).json()) as Record<string, never>;
    expect((await get('/api/v1/families'))['families']).toHaveLength(35);
    expect((await get('/api/v1/schema'))['$id']).toBe('/schema/tapis-document-2.json');
    expect(await get('/schema/tapis-document-2.json')).toEqual(await get('/api/v1/schema'));
    expect(await get('/api/v1/health')).toEqual({ status: 'ok', documentVersion: 2 });
  });
  it('send strict headers', async () => {
    for (const path of ['/', '/api/v1/health', '/bench/none']) {
      const { headers } = await fetch(`${server.url}${path}`);
      const policy = headers.get('content-security-policy') ?? '';
      expect(policy).toMatch(/default-src '(self|none)'/);
      expect(policy).not.toMatch(/unsafe-(inline|eval)|\*/);
      expect(headers.get('x-content-type-options')).toBe('nosniff');
      expect(headers.get('referrer-policy')).toBe('no-referrer');
    }
  });
});
