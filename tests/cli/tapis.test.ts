import { Ajv2020 } from 'ajv/dist/2020.js';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { run } from './run';
import { FORMATS } from '../../src/core/format';
import type { TapisDocument } from '../../src/core/document/document';
import { processById, standardProcess } from '../../src/core/process';
import type { Process } from '../../src/core/process/process';
import { chip, converter } from '../data/documents';

const folder = mkdtempSync(join(tmpdir(), 'tapis-'));
function file(name: string, content: unknown): string {
  const path = join(folder, name);
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content));
  return path;
}
const good = file('good.json', converter());
const twice = file('number-twice.json', converter({}, { overrides: { numbers: { 'rows/2': '1' } } }));

describe('tapis', () => {
  it('compiles to JSON', async () => {
    const { out, code } = await run(['compile', good]);
    expect(code).toBe(0);
    const answer = JSON.parse(out) as {
      standardName: string;
      levels: Record<string, { derivation: unknown[] }[]>;
    };
    expect(answer.standardName).toBe('SOP65P640X120-16N');
    expect(answer.levels['A']?.[0]?.derivation.length).toBeGreaterThan(8);
  });
  it('checks: 0 when nothing stops it, 1 when something does', async () => {
    expect(await run(['check', good])).toMatchObject({ code: 0, err: '' });
    expect(await run(['check', twice])).toMatchObject({
      code: 1,
      out: expect.stringContaining('stop: Land numbers'),
    });
  });
  it('takes a datasheet’s table into a document, and says what is doubtful', async () => {
    const table =
      'Symbol\tMin\tMax\nA\t1.35\t1.75\nA1\t0.10\t0.25\nb\t0.31\t0.51\nD\t4.80\t5.00\nE\t5.80\t6.20\nE1\t3.80\t4.00\ne\t1.27\t1.27\nL\t1.00\t1.10\nccc\t\t0.10\n';
    const path = file('harrow-8.txt', table);
    const taken = await run(['take', path, '--family', 'gull-wing-dual', '--size', '8']);
    expect(taken.code).toBe(0);
    expect(taken.err).toContain('doubtful: L 1.00..1.10');
    expect(taken.err).toContain('left out: ccc');
    const document = JSON.parse(taken.out) as {
      package: { dimensions: Record<string, { text: string; from: object }> };
    };
    expect(document.package.dimensions['E']).toMatchObject({
      text: '5.80..6.20',
      label: 'E',
      from: { source: 's1', text: '5.80  6.20' },
    });
    const compiled = JSON.parse((await run(['compile', file('taken.json', taken.out)])).out) as {
      standardName: string;
    };
    expect(compiled.standardName).toBe('SOIC127P600X175-8N');
    // without a family the best is taken where it is clearly ahead
    expect((await run(['take', path, '--size', '8'])).err).toContain('family: gull-wing-dual');
    for (const [args, said] of [
      [['--family', 'soup'], 'There is no family “soup”'],
      [['--page', 'x'], '--page is “x”'],
      [['--unit', 'ell'], '--unit is “ell”'],
    ] as const)
      expect(await run(['take', path, ...args])).toMatchObject({
        code: 2,
        err: expect.stringContaining(said),
      });
    expect(await run(['take', file('none.txt', 'no table here')])).toMatchObject({
      code: 2,
      err: expect.stringContaining('No table of dimensions was found in none.txt'),
    });
  });
  it.each(FORMATS.map(({ id }) => id))('exports %s', async (format) => {
    const { out, code } = await run(['export', good, '--format', format, '--out', join(folder, 'out')]);
    expect(code).toBe(0);
    expect(readFileSync(out.trim(), 'utf8').length).toBeGreaterThan(100);
  });
  it('checks several files in the forms that other tools read; one that cannot be read leaves the others', async () => {
    const sarif = await run(['check', good, twice, '--format', 'sarif']);
    expect(sarif.code).toBe(1);
    const { runs } = JSON.parse(sarif.out) as { runs: [{ artifacts: object[] }] };
    expect(runs[0].artifacts).toHaveLength(2);
    const junit = await run(['check', good, join(folder, 'none.json'), '--format', 'junit']);
    expect([junit.code, junit.err]).toEqual([2, expect.stringContaining('none.json: ')]);
    expect(junit.out).toContain(`<testsuite name="${good}"`);
    expect(await run(['check', good, '--format', 'wax'])).toMatchObject({
      code: 2,
      err: expect.stringContaining('sarif, junit'),
    });
  });
  it('does a folder in threads: a line for each file, what is wished for all, and files of them', async () => {
    const [parts, out] = [join(folder, 'parts'), join(folder, 'batched')];
    mkdirSync(join(parts, 'chips'), { recursive: true });
    writeFileSync(join(parts, 'u4.tapis.json'), JSON.stringify(converter()));
    writeFileSync(join(parts, 'chips', 'r1.json'), JSON.stringify(chip()));
    // the same part twice: neither file is written over the other's
    writeFileSync(join(parts, 'chips', 'r2.json'), JSON.stringify(chip()));
    writeFileSync(join(parts, 'torn.json'), '{');
    const lines: string[] = [];
    const args = ['batch', parts, '--process', 'kitchen-table', '--check', '--format', 'csv', '--out', out];
    const { code, err } = await run(args, (text) => lines.push(text));
    expect([code, err]).toEqual([
      2,
      expect.stringMatching(/^4 files in .*refused 1\ncopper differs in 3\n3 written\n$/s),
    ]);
    const told = lines.map(
      (line) => JSON.parse(line) as { path: string; refused?: string; findings?: object[] },
    );
    expect(told.map(({ path }) => path)).toEqual([
      'chips/r1.json',
      'chips/r2.json',
      'torn.json',
      'u4.tapis.json',
    ]);
    expect(told[2]).toEqual({ path: 'torn.json', refused: expect.stringContaining('not JSON') });
    expect(told[3]).toMatchObject({
      standardName: 'SOP65P640X120-16N',
      change: { copperDiffers: true },
      written: join(out, 'u4.csv'),
    });
    expect(told[3]?.findings).toContainEqual(expect.objectContaining({ rule: 'mask-web' }));
    expect(readdirSync(join(out, 'chips'))).toEqual(['r1.csv', 'r2.csv']);
    // what was read stays as it is
    expect(readFileSync(join(parts, 'u4.tapis.json'), 'utf8')).toBe(JSON.stringify(converter()));
    // a process that only bears the id of one that comes with Tapis has its own numbers all the same
    const bearing = file('bearing.json', {
      ...processById('standard'),
      tapisProcess: 1,
      placementTolerance: 0.4,
    });
    const own: string[] = [];
    await run(['batch', join(parts, 'chips'), '--process', bearing], (text) => own.push(text));
    expect(JSON.parse(own[0]!)).toMatchObject({ change: { copperDiffers: true } });
    for (const [wrong, why] of [
      [['batch', parts, '--process', 'wax'], 'neither one of standard'],
      [['batch', parts, '--level', 'Q'], 'it is A, B or C'],
      [['batch', parts, '--format', 'csv'], 'go together'],
      [['batch', join(folder, 'none')], 'cannot be read'],
    ] as const)
      expect(await run(wrong)).toMatchObject({ code: 2, err: expect.stringContaining(why) });
  });
  it('releases files of a target as one ZIP, and says what is wrong with what was asked', async () => {
    const zip = join(folder, 'out', 'release.zip');
    const [a, b] = [file('u4-release.json', converter()), file('r1-release.json', chip())];
    const args = ['release', a, b, '--target', 'stencil', '--out', zip, '--date', '2026-05-04'];
    expect(await run(args)).toEqual({ code: 0, out: `${zip}\n`, err: '' });
    const names = Object.keys(unzipSync(readFileSync(zip)));
    expect(names).toEqual(expect.arrayContaining(['manifest.json', 'R1/RESC1608X55N.stencil.zip']));
    for (const [wrong, why] of [
      [['release', a, '--out', zip], 'target is missing'],
      [['release', a, '--target', 'review'], '--out names the ZIP'],
      [['release', a, '--target', 'review', '--out', zip, '--paper', 'a3'], 'a4 or letter'],
      [
        [
          'release',
          file('empty.json', { ...converter(), package: { family: 'gull-wing-dual', dimensions: {} } }),
          '--target',
          'review',
          '--out',
          zip,
        ],
        'empty.json',
      ],
    ] as const)
      expect(await run(wrong)).toMatchObject({ code: 2, err: expect.stringContaining(why) });
  });
  it('compares two files: 1 where the copper differs', async () => {
    const most = file('most.json', converter({}, { level: 'A' }));
    const noted = file('noted.json', converter({}, { notes: 'seen' }));
    const words = await run(['compare', good, most]);
    expect([words.code, words.out]).toEqual([1, expect.stringContaining('Land across 1.55 → 1.85 mm')]);
    expect(await run(['compare', good, noted])).toEqual({
      code: 0,
      out: 'entry: notes none → seen\nThe copper is the same.\n',
      err: '',
    });
    const { copperDiffers, differences } = JSON.parse((await run(['compare', good, most, '--json'])).out) as {
      copperDiffers: boolean;
      differences: object[];
    };
    expect([copperDiffers, differences.length]).toEqual([true, expect.any(Number)]);
    for (const args of [
      ['compare', good],
      ['compare', good, most, '--least', 'x'],
      ['compare', good, 'none'],
    ])
      expect((await run(args)).code).toBe(2);
  });
  it('writes files anew, one way, and leaves what it cannot read', async () => {
    const [plain, torn] = [file('plain.json', converter()), file('half.json', '{"tapis": 2,')];
    expect(await run(['format', '--check', plain])).toMatchObject({ code: 1, out: `${plain}\n` });
    expect(await run(['format', plain, torn])).toMatchObject({
      code: 2,
      out: `${plain}\n`,
      err: expect.stringContaining(`${torn}: This is not JSON`),
    });
    expect(readFileSync(torn, 'utf8')).toBe('{"tapis": 2,');
    const text = readFileSync(plain, 'utf8');
    expect(JSON.parse(text)).toEqual(converter());
    expect(text).toContain('    "E": "6.2..6.6",');
    expect(await run(['format', '--check', plain])).toEqual({ code: 0, out: '', err: '' });
  });
  it('names the schemas in files for editors, and counts footprints whose names ask for it', async () => {
    const standard = {
      ...{ id: 'hs', name: 'HS', version: '1' },
      clauses: { 'names/footprint': { value: 'HS-{counter:4}_{standard}', clause: '2' } },
    };
    const [one, two] = ['one.json', 'two.json'].map((name) => file(name, { ...converter(), standard })) as [
      string,
      string,
    ];
    const kept = file('house.json', { tapisStandard: 1, ...standard });
    const schemas = join(dirname(one), 'schemas');
    const done = await run(['format', '--number', '--schema', schemas, one, two, kept]);
    expect(done).toEqual({ code: 0, out: [one, two, kept].map((path) => `${path}\n`).join(''), err: '' });
    // what an editor does: it follows the address that stands in the file, and those in what it finds there
    const ajv = new Ajv2020({ strict: false });
    for (const name of readdirSync(schemas))
      ajv.addSchema(
        JSON.parse(readFileSync(join(schemas, name), 'utf8')) as object,
        pathToFileURL(join(schemas, name)).href,
      );
    for (const path of [one, two, kept]) {
      const written = JSON.parse(readFileSync(path, 'utf8')) as { $schema: string; overrides?: object };
      expect(Object.keys(written)[0]).toBe('$schema');
      expect(ajv.validate(pathToFileURL(join(dirname(path), written.$schema)).href, written)).toBe(true);
    }
    expect((await run(['describe', two])).out).toContain('standard name: HS-0002_SOP65P640X120-16N');
    expect((await run(['format', '--check', one, two, kept])).code).toBe(0);
    expect((await run(['check', kept])).code).toBe(2);
  });
  it('moves what a process wants as a house into a standard, and leaves approved documents alone', async () => {
    const own: Process = { ...standardProcess, id: 'line-7', name: 'Line 7', basedOn: standardProcess.id };
    const under = {
      ...converter(),
      process: own.id,
      ownProcess: { ...own, legendWidth: 0.2, acceptanceClass: 3 },
    };
    const path = file('line.json', under);
    const approved = file('line-approved.json', {
      ...under,
      approvals: [
        {
          by: 'K',
          key: 'a'.repeat(64),
          at: '2026-11-02T09:00:00Z',
          of: 'b'.repeat(64),
          signature: 'c'.repeat(128),
        },
      ],
    });
    const before = (await run(['compile', path])).out;
    expect(await run(['format', '--house', path, approved])).toMatchObject({
      code: 2,
      out: `${path}\n`,
      err: expect.stringContaining(`${approved}: It is approved as it is`),
    });
    const written = JSON.parse(readFileSync(path, 'utf8')) as TapisDocument;
    expect(written.ownProcess).toMatchObject({
      legendWidth: standardProcess.legendWidth,
      acceptanceClass: 2,
    });
    expect(Object.keys(written.standard?.clauses ?? {}).sort()).toEqual([
      'marks/legend-width',
      'rules/class',
    ]);
    const lands = (text: string) => (JSON.parse(text) as { lands: unknown }).lands;
    expect(lands((await run(['compile', path])).out)).toEqual(lands(before));
  });
  it('tells of a model inside that is damaged, and goes on without it', async () => {
    const model = { name: 'a.step', key: 'f'.repeat(64), data: 'bm90IGEgZmlsZQ==' };
    const { out, err, code } = await run(['check', file('torn.json', { ...converter(), body: { model } })]);
    expect(code).toBe(0);
    expect(err).toContain('the model “a.step” inside is damaged; the footprint came in without it');
    expect(out).toContain('“a.step”');
  });
  it.each([
    [[], 'compile [options] <FILE>'],
    [['bake', good], "unknown command 'bake'"],
    [['check', join(folder, 'none.json')], 'cannot be read'],
    [['check', file('broken.json', '{')], 'not JSON'],
    [['check', file('newer.json', { tapis: 9 })], 'version 9'],
    [['export', good, '--format', 'wax', '--out', folder], 'known are json'],
    [['export', good, '--format', 'csv'], '--out is missing'],
    [['export', good, '--format', 'csv', '--out', good], 'cannot be written'],
    [
      [
        'export',
        file('empty.json', { ...converter(), package: { family: 'gull-wing-dual', dimensions: {} } }),
        '--format',
        'csv',
        '--out',
        folder,
      ],
      'Lead span E is missing',
    ],
    [['check', good, '--loud'], 'loud'],
  ])('refuses %j with exit 2', async (args, words) => {
    const { out, err, code } = await run(args);
    expect([out, code]).toEqual(['', 2]);
    expect(err).toContain(words);
  });
});
