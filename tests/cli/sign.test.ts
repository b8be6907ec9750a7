import { mkdirSync, mkdtempSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { beforeAll, describe, expect, it } from 'vitest';
import { run } from './run';
import { hashOf } from '../../src/core/document/approval';
import { standingOf, statementText, type Approval } from '../../src/core/document/standing';
import { applyEdits, type Edit } from '../../src/core/document/edit';
import { writeDocument } from '../../src/core/document/write';
import { openDocument } from '../../src/core/footprint/open';
import { openKey, standing } from '../../src/kernel/sign';
import { chip, converter } from '../data/documents';

const folder = mkdtempSync(join(tmpdir(), 'tapis-sign-'));
const at = (name: string) => join(folder, name);
const put = (name: string, text: string | Uint8Array) => (writeFileSync(at(name), text), at(name));
const words = at('words.txt');
const [lund, team] = [at('lund.json'), at('team.json')];

beforeAll(async () => {
  writeFileSync(words, 'two tides a day\n');
  const made = await run(['key', 'K. Lund', '--out', lund, '--passphrase', words]);
  expect([made.err, made.code]).toEqual(['', 0]);
  writeFileSync(team, made.out);
  await run(['key', 'R. Haug', '--out', at('haug.json')]);
});

const approved = async (name: string, key = lund): Promise<string> => {
  const path = put(name, writeDocument(converter()));
  const { code, err } = await run(['sign', path, '--key', key, '--passphrase', words, '--note', 'as drawn']);
  expect([err, code]).toEqual(['', 0]);
  return path;
};
const change = (path: string, ...edits: Edit[]) => {
  const read = openDocument(readFileSync(path, 'utf8'));
  if (!read.ok) throw new Error('not read');
  writeFileSync(path, writeDocument(applyEdits(read.value, edits)));
};
const verified = async (...args: string[]) => {
  const { out, code } = await run(['verify', ...args, '--team', team]);
  return [out.replaceAll(`${folder}/`, '').replaceAll(/\d{4}-\d\d-\d\d \d\d:\d\d/g, 'then'), code];
};

describe('an approved document', () => {
  it('is verified by the team’s keys, however it is laid out', async () => {
    const path = await approved('a.json');
    const holds = 'a.json: approved by K. Lund, then UTC (as drawn): holds\n';
    expect(await verified(path)).toEqual([holds, 0]);
    writeFileSync(path, JSON.stringify(JSON.parse(readFileSync(path, 'utf8'))));
    expect(await verified(path)).toEqual([holds, 0]);
    const alone = await run(['verify', path]);
    expect(alone.out).toContain('is signed by a key that is not among the team’s');
    expect(alone.code).toBe(1);
  });
  it('is stale once anything changes, and approved again as it is then', async () => {
    const path = await approved('b.json');
    change(path, { at: '/notes', value: 'a word' });
    expect(await verified(path)).toEqual([
      'b.json: approved by K. Lund, then UTC (as drawn): does not hold: what was approved has been changed since\n',
      1,
    ]);
    await run(['sign', path, '--key', lund, '--passphrase', words]);
    expect(await verified(path)).toEqual(['b.json: approved by K. Lund, then UTC: holds\n', 0]);
  });
  it.each<[keyof Approval, string]>([
    ['by', 'R. Haug'],
    ['at', '2020-01-01T00:00:00Z'],
    ['note', 'and wider'],
    ['of', 'ab'.repeat(32)],
    ['signature', '00'.repeat(64)],
    ['key', '00'.repeat(32)],
  ])('is forged with another “%s”', async (field, value) => {
    const path = await approved('c.json');
    const document = JSON.parse(readFileSync(path, 'utf8')) as { approvals: [Approval] };
    const [one] = document.approvals;
    writeFileSync(path, JSON.stringify({ ...document, approvals: [{ ...one, [field]: value }] }));
    expect((await verified(path))[0]).toContain('is forged or damaged');
  });
  it('is nobody’s by a stranger who takes a name of the team, nor by one who only copies an approval', async () => {
    const path = await approved('d.json', at('haug.json'));
    expect((await verified(path))[0]).toContain('not among the team’s');
    const good = JSON.parse(readFileSync(await approved('e.json'), 'utf8')) as { approvals: Approval[] };
    const copied = put('f.json', writeDocument({ ...chip(), approvals: good.approvals }));
    expect((await verified(copied))[0]).toContain('changed since');
    const [one] = good.approvals as [Approval];
    const named = [{ name: 'R. Haug', key: one.key }];
    expect(standingOf(one, true, one.of, named)).toBe('other name');
    const late = [{ name: 'K. Lund', key: one.key, until: '2020-01-01' }];
    expect(standingOf(one, true, one.of, late)).toBe('out of time');
  });
  it('stands in a folder beside what is not approved and what is no footprint', async () => {
    mkdirSync(at('library'));
    await approved('library/a.json');
    put('library/b.json', writeDocument(chip()));
    put('library/c.json', '{ "tapis": 2, ');
    put('library/team.json', readFileSync(team));
    const [out, code] = await verified(at('library'));
    expect(code).toBe(1);
    expect((out as string).split('\n').map((line) => line.slice(0, 60))).toEqual([
      'library/a.json: approved by K. Lund, then UTC (as drawn): ho',
      'library/b.json: nobody has approved it',
      expect.stringContaining('library/c.json: cannot be read'),
      '',
    ]);
  });
});

describe('a signed release', () => {
  const made = async (name: string): Promise<string> => {
    const path = await approved('part.json');
    const zip = at(name);
    await run(['release', path, '--target', 'review', '--out', zip]);
    const { err, code } = await run(['sign', zip, '--key', lund, '--passphrase', words]);
    expect([err, code]).toEqual(['', 0]);
    return zip;
  };
  const repacked = (zip: string, to: string, edit: (files: Record<string, Uint8Array>) => void) => {
    const files = unzipSync(readFileSync(zip));
    edit(files);
    return put(to, zipSync(files));
  };
  it('is verified with all of its files; one that was changed, added or taken out is named', async () => {
    const zip = await made('r.zip');
    const [out, code] = await verified(zip);
    expect(out).toContain('r.zip: approved by K. Lund, then UTC: holds');
    expect(code).toBe(0);
    const other = Object.keys(unzipSync(readFileSync(zip))).find((name) => name.endsWith('.csv')) ?? '';
    const changed = repacked(zip, 'x.zip', (files) => (files[other] = strToU8('number,x,y\n')));
    expect((await verified(changed))[0]).toContain(`x.zip/${other}: has been changed since`);
    const more = repacked(zip, 'y.zip', (files) => (files['more.txt'] = strToU8('and this')));
    expect((await verified(more))[0]).toContain('y.zip/more.txt: is not in the manifest');
    const less = repacked(zip, 'z.zip', (files) => delete files[other]);
    expect((await verified(less))[0]).toContain(`z.zip/${other}: is in the manifest and missing here`);
    for (const half of [changed, more, less]) {
      expect((await verified(half))[1]).toBe(1);
      expect((await run(['sign', half, '--key', lund, '--passphrase', words])).code).toBe(2);
    }
    const remade = repacked(zip, 'w.zip', (files) => {
      const manifest = new TextDecoder().decode(files['manifest.json']);
      files['manifest.json'] = strToU8(manifest.replace('Review', 'Board shop'));
    });
    expect((await verified(remade))[0]).toContain('changed since');
    const bare = repacked(zip, 'v.zip', (files) => delete files['signature.json']);
    expect((await verified(bare))[0]).toContain('v.zip: nobody has signed it');
  });
});

describe('keys', () => {
  it('are for nobody else to read, and open by their passphrase alone', async () => {
    expect(statSync(lund).mode & 0o077).toBe(0);
    const text = readFileSync(lund, 'utf8');
    expect(text).not.toContain('"secret"');
    const wrong = await openKey(text, 'three tides a day');
    expect(wrong.ok || wrong.error).toBe('The passphrase does not open the key of K. Lund.');
    const none = await openKey(text, '');
    expect(none.ok || none.error).toContain('is sealed');
    const damaged = await openKey(text.replace(/"key": "../, '"key": "00'), 'two tides a day');
    expect(damaged.ok || damaged.error).toContain('differ');
    expect((await run(['key', 'K. Lund', '--out', lund])).code).toBe(2);
  });
  it('sign as RFC 8032 has it (7.1, test 3), and as the statement says', async () => {
    const [key, message, signature] = [
      'fc51cd8e6218a1a38da47ed00230f0580816ed13ba3303ac5deb911548908025',
      'af82',
      '6291d657deec24024827e69c3abe01a30ce548a284743a445e3680d7db5ac3ac18ff9b538d16f290ae67f760984dc6594a7c15e9716ed28dc027beceea1ec40a',
    ];
    const raw = await crypto.subtle.importKey('raw', Buffer.from(key, 'hex'), 'Ed25519', false, ['verify']);
    const [sign, said] = [Buffer.from(signature, 'hex'), Buffer.from(message, 'hex')];
    expect(await crypto.subtle.verify('Ed25519', raw, sign, said)).toBe(true);
    const statement = { by: 'K. Lund', key, at: '2026-12-01T00:00:00Z', of: hashOf('abc') };
    expect(statementText(statement)).toBe(
      `["tapis-approval-1","K. Lund","${key}","2026-12-01T00:00:00Z","ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad",""]`,
    );
    // a signature of something else is none of the statement
    expect(await standing({ ...statement, signature }, 'abc', [{ name: 'K. Lund', key }])).toBe('forged');
  });
});
