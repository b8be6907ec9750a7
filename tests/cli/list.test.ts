import { mkdirSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strToU8, zipSync } from 'fflate';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { run } from './run';

const folder = mkdtempSync(join(tmpdir(), 'tapis-lists-'));
const CSV = `Part No.;Description;L (mm);W (mm);T (mm);a (mm)
HS-C0603-104;MLCC 100nF;1,60 ±0,10;0,80 ±0,10;0,80 ±0,10;0,35 ±0,15
HS-C0805-105;MLCC 1µF;2,00 ±0,20;1,25 ±0,20;0,85 ±0,15;0,50 ±0,20
HS-C0805-475;MLCC 4,7µF;2,00 ±0,20;1,25 ±0,20;0,85 ±0,15;0,50 ±0,20`;

/** A workbook as a spreadsheet keeps it: shared strings, numbers as they are. */
function workbook(rows: readonly (readonly (string | number)[])[]): Uint8Array {
  const texts = [...new Set(rows.flat().filter((cell) => typeof cell === 'string'))];
  const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
  const related = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
  const head = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
  const cell = (value: string | number, column: number, row: number) => {
    const at = `${String.fromCharCode(65 + column)}${row + 1}`;
    return typeof value === 'number'
      ? `<c r="${at}"><v>${value}</v></c>`
      : `<c r="${at}" t="s"><v>${texts.indexOf(value)}</v></c>`;
  };
  const files = {
    '[Content_Types].xml': `${head}<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/><Override PartName="/xl/sharedStrings.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sharedStrings+xml"/></Types>`,
    '_rels/.rels': `${head}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="${related}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/workbook.xml': `${head}<workbook xmlns="${main}" xmlns:r="${related}"><sheets><sheet name="Passives" sheetId="1" r:id="rId1"/></sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `${head}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="${related}/worksheet" Target="worksheets/sheet1.xml"/><Relationship Id="rId2" Type="${related}/sharedStrings" Target="sharedStrings.xml"/></Relationships>`,
    'xl/sharedStrings.xml': `${head}<sst xmlns="${main}">${texts.map((text) => `<si><t>${text}</t></si>`).join('')}</sst>`,
    'xl/worksheets/sheet1.xml': `${head}<worksheet xmlns="${main}"><sheetData>${rows.map((row, r) => `<row r="${r + 1}">${row.map((value, c) => cell(value, c, r)).join('')}</row>`).join('')}</sheetData></worksheet>`,
  };
  return zipSync(Object.fromEntries(Object.entries(files).map(([path, text]) => [path, strToU8(text)])));
}

const put = (name: string, content: string | Uint8Array): string => {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
};

describe('tapis take --rows', () => {
  it('writes a document for each part, one for rows that are the same', async () => {
    const out = join(folder, 'csv');
    const done = await run(['take', put('series.csv', CSV), '--rows', '--out', out]);
    expect(done).toMatchObject({ code: 0 });
    expect(readdirSync(out).sort()).toEqual(['HS-C0603-104.tapis.json', 'HS-C0805-105.tapis.json']);
    expect(done.err).toContain('column “T (mm)”: A');
    expect(done.err).toContain('row 3, HS-C0805-475: the same footprint as row 2');
    const written = readFileSync(join(out, 'HS-C0805-105.tapis.json'), 'utf8');
    expect(written).toContain('Used by HS-C0805-475');
  });
  it('brought again changes what the list says otherwise, and leaves what was approved or set by hand', async () => {
    const out = join(folder, 'again');
    const path = put('series.csv', CSV);
    await run(['take', path, '--rows', '--out', out]);
    const at = (name: string) => join(out, `${name}.tapis.json`);
    const text = (name: string) => readFileSync(at(name), 'utf8');
    const before = [text('HS-C0603-104'), text('HS-C0805-105')];
    const same = await run(['take', path, '--rows', '--out', out]);
    expect(same).toMatchObject({ code: 0, out: '' });
    expect(same.err).toContain('2 the same, 0 changed, 0 gone; 0 are new.');
    expect([text('HS-C0603-104'), text('HS-C0805-105')]).toEqual(before);

    put(
      'series.csv',
      `${CSV.replace('0,80 ±0,10;0,35', '0,90 ±0,10;0,35')}\nHS-C1206-106;MLCC 10µF;3,20 ±0,20;1,60 ±0,20;1,60 ±0,20;0,50 ±0,25`,
    );
    const next = await run(['take', path, '--rows', '--out', out]);
    expect(next.out.split('\n').sort()).toEqual(['', at('HS-C0603-104'), at('HS-C1206-106')].sort());
    expect(next.err).toMatch(
      /row 1, HS-C0603-104.tapis.json: changed: A 0.80 ±0.10 → 0.90 ±0.10; Standard name/,
    );
    expect(text('HS-C0603-104')).toContain('0.90 ±0.10');
    // approved: proposed only
    const approval = {
      by: 'K',
      key: 'a'.repeat(64),
      at: '2026-11-02T09:00:00Z',
      of: 'b'.repeat(64),
      signature: 'c'.repeat(128),
    };
    const approved = { ...(JSON.parse(text('HS-C0805-105')) as object), approvals: [approval] };
    writeFileSync(at('HS-C0805-105'), JSON.stringify(approved));
    put('series.csv', CSV.replaceAll('2,00 ±0,20', '2,05 ±0,20'));
    const proposed = await run(['take', path, '--rows', '--out', out]);
    expect(proposed.err).toContain(
      'HS-C0805-105.tapis.json: proposed, and not written, for it is approved: L 2.00',
    );
    expect(proposed.err).toContain('HS-C1206-106.tapis.json: no longer in the list; it stays as it is');
    expect(JSON.parse(text('HS-C0805-105'))).toEqual(approved);
  });
  it('finds the footprints of a bill of materials, and writes typical sizes of others', async () => {
    const library = join(folder, 'csv');
    const bill = put(
      'bill.csv',
      'Ref,Qty,Value,Package,MPN\n"C1,C2",2,100nF,0603,HS-C0603-104\nC3,1,1uF,0805,\nQ1,1,,SOT-23,HS-Q7\nJ1,1,,buoy plug,HS-J1',
    );
    const out = join(folder, 'typical');
    const done = await run(['take', bill, '--rows', '--against', library, '--out', out]);
    expect(done.code).toBe(1);
    expect(done.err).toContain('4 lines: 2 there, 1 of a typical size, 1 missing.');
    const { data } = Papa.parse<{ is: string; footprint: string }>(done.out, {
      header: true,
      skipEmptyLines: true,
    });
    expect(data.map(({ is, footprint }) => `${is} ${footprint}`)).toEqual([
      'there HS-C0603-104',
      'there HS-C0805-105',
      'typical HS-Q7',
      'missing ',
    ]);
    expect(readdirSync(out)).toEqual(['HS-Q7.tapis.json']);
    expect(readFileSync(join(out, 'HS-Q7.tapis.json'), 'utf8')).toContain(
      'typical size, not from the datasheet',
    );
  });
  it('reads a folder of datasheets, a row each; a bad one harms no other', async () => {
    const sheets = join(folder, 'sheets');
    mkdirSync(join(sheets, 'more'), { recursive: true });
    writeFileSync(
      join(sheets, 'more', 'HS-SO8.txt'),
      'SOIC package outline (mm)\nSymbol\tMin\tMax\nA\t-\t1.75\nb\t0.31\t0.51\nD\t4.80\t5.00\nE\t5.80\t6.20\nE1\t3.80\t4.00\ne\t1.27 BSC\t\nL\t0.40\t1.27\nn\t8\t8',
    );
    writeFileSync(join(sheets, 'bad.pdf'), '%PDF-1.7 and nothing more');
    writeFileSync(join(sheets, 'letter.txt'), 'Dear buyer,\nthe parts are in the drawer.');
    const out = join(folder, 'from-sheets');
    const done = await run(['take', sheets, '--rows', '--out', out]);
    expect(done.code).toBe(1);
    expect(readdirSync(out)).toEqual(['HS-SO8.tapis.json']);
    expect(done.err).toMatch(/row 1, bad.pdf: bad.pdf .*\nrow 2, letter.txt: /);
    expect(done.err).toContain('3 rows, 1 footprints, 0 the same as another, 2 not understood.');
  });
  it('reads a workbook', async () => {
    const rows = [
      ['Chip resistors of the buoy'],
      ['Name', 'L', 'W', 'H', 'Terminal length', 'Description'],
      ['R-1001', 1.6, 0.8, 0.45, 0.3, 'Resistor 10k'],
      ['R-1002', 2, 1.25, 0.5, 0.4, 'Resistor 100k'],
    ];
    const out = join(folder, 'xlsx');
    const done = await run(['take', put('passives.xlsx', workbook(rows)), '--rows', '--out', out]);
    expect(done.err).not.toContain('not understood.\n1');
    expect(readdirSync(out).sort()).toEqual(['R-1001.tapis.json', 'R-1002.tapis.json']);
    expect(JSON.parse(readFileSync(join(out, 'R-1002.tapis.json'), 'utf8'))).toMatchObject({
      package: {
        options: { component: 'resistor' },
        dimensions: { W: { text: '1.25' }, T: { text: '0.4' } },
      },
    });
  });
  it('settles columns, and refuses what it does not know', async () => {
    const path = put('own.csv', CSV);
    const out = join(folder, 'own');
    const done = await run(['take', path, '--rows', '--out', out, '--columns', 'T (mm)=left']);
    expect(done.code).toBe(1);
    expect(done.err).toContain('column “T (mm)”: left (as you said)');
    expect((await run(['take', path, '--rows'])).err).toContain('--out is missing');
    expect((await run(['take', path, '--out', out])).err).toContain('go with --rows');
    expect((await run(['take', path, '--rows', '--out', out, '--columns', 'T'])).err).toContain(
      '--columns has “T”',
    );
  });
  it.each([
    ['a workbook that unpacks to far more', zipSync({ 'xl/workbook.xml': new Uint8Array(90_000_000) })],
    ['a ZIP that is no workbook', zipSync({ 'readme.txt': strToU8('hello') })],
    [
      'a damaged workbook',
      workbook([['Name', 'L']]).map((byte, i) => (i > 80 && i < 120 ? 255 - byte : byte)),
    ],
    ['a text without a list', strToU8('Dear buyer,\nthe parts are in the drawer.')],
  ])('refuses %s in a sentence', async (_, bytes) => {
    const done = await run(['take', put('bad.xlsx', bytes), '--rows', '--out', join(folder, 'bad')]);
    expect(done.code).toBe(2);
    expect(done.err.length).toBeLessThan(320);
  });
});
