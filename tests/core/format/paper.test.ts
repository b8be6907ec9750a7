import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { unzipSync, strFromU8 } from 'fflate';
import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { compileAndCheck } from '../../../src/core/check/guarded';
import { waive } from '../../../src/core/check/waivers';
import type { TapisDocument } from '../../../src/core/document/document';
import { applyEdits } from '../../../src/core/document/edit';
import { compile } from '../../../src/core/footprint/compile';
import { formatById } from '../../../src/core/format';
import { writeFile, type Writable } from '../../../src/core/format/format';
import type { HandOver } from '../../../src/core/format/paper/frame';
import type { Page } from '../../../src/core/format/paper/page';
import { checkPages } from '../../../src/core/format/paper-check/paper-check';
import { drawingSheets } from '../../../src/core/format/paper/sheet';
import { brokenInto, widthOf, written } from '../../../src/core/format/paper/type';
import { reportPages } from '../../../src/core/format/report/report';
import { releaseZip } from '../../../src/core/format/release/release';
import { filled, patternTrouble, TARGETS } from '../../../src/core/format/release/targets';
import { keyOf } from '../../../src/kernel/inside';
import { chip, converter } from '../../data/documents';
import { STRATA } from '../../data/families';

function writable(document: TapisDocument): Writable {
  const compiled = compile(document);
  if (!compiled.footprint) throw new Error(compiled.problems.map(({ message }) => message).join('; '));
  return { ...compiled, footprint: compiled.footprint };
}

/** A PDF as another program reads it: the texts of its pages, and the boxes of its paths in mm. */
async function readPdf(bytes: Uint8Array) {
  const pdf = await getDocument({ data: bytes.slice(), verbosity: 0 }).promise;
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, i) => {
      const page = await pdf.getPage(i + 1);
      const { items } = await page.getTextContent();
      const { fnArray, argsArray } = await page.getOperatorList();
      const boxes = fnArray.flatMap((fn, k) => {
        const box =
          fn === OPS.constructPath ? (argsArray[k] as [unknown, unknown, Float32Array | null])[2] : null;
        return box ? [[...box].map((value) => (value * 25.4) / 72)] : [];
      });
      const [, , width = 0, height = 0] = page.view;
      return {
        size: [(width * 25.4) / 72, (height * 25.4) / 72] as const,
        text: items.map((item) => ('str' in item ? item.str : '')).join(' '),
        boxes,
      };
    }),
  );
  return { pages, about: (await pdf.getMetadata()).info as Record<string, unknown> };
}
const write = async (id: string, compiled: Writable, about: HandOver = {}) =>
  (await writeFile(formatById(id)!, compiled, about)).content as Uint8Array;

/** Everything on a page lies on it, and inside of a frame where it has one. */
function expectInside({ width, height, items }: Page, edge = 0): void {
  const isInside = (x = NaN, y = NaN) =>
    x >= edge - 1e-6 && x <= width - edge + 1e-6 && y >= edge - 1e-6 && y <= height - edge + 1e-6;
  const outside = items.filter((item) =>
    item.kind === 'text'
      ? !isInside(item.x, item.y)
      : item.steps.some(([, ...values]) =>
          values.some((_, i) => i % 2 === 0 && !isInside(values[i], values[i + 1])),
        ),
  );
  expect(outside).toEqual([]);
}

describe('a drawing sheet', () => {
  it('says what it is, in the words and numbers of the footprint', async () => {
    const compiled = writable({ ...converter(), marks: { reference: 'U4', value: 'HS-ADC' } });
    const { pages, about } = await readPdf(
      await write('drawing', compiled, { date: '2026-05-04', revision: '2, approved' }),
    );
    expect(pages.length).toBeGreaterThan(2);
    const [first] = pages;
    // Z, G and C of the worked example, its courtyard, its scale
    for (const words of [
      'Z 7.35',
      'G 4.25',
      'C 5.80',
      'X 0.40',
      'Y 1.55',
      '8.00',
      '5.60',
      'SOP65P640X120-16N',
      'U4, HS-ADC',
      '2, approved',
      '2026-05-04',
      '10 : 1',
    ])
      expect(first?.text).toContain(words);
    expect(pages[1]?.text).toContain('E 6.20–6.60');
    expect(pages.map(({ text }) => text).join(' ')).toMatch(/Lands, mm from the origin.*r155_40/);
    expect(String(about['CreationDate'])).toContain('20260504');
  });
  it('has its lands at the scale that it says', async () => {
    const [sheet] = drawingSheets(writable(chip()));
    const copper = sheet?.items.find((item) => item.kind === 'path' && item.fill === 0.86);
    if (copper?.kind !== 'path') throw new Error('no copper');
    const xs = copper.steps.flatMap((step) => (step[0] === 'Z' ? [] : [step[1]]));
    const texts = sheet!.items.map((item) => (item.kind === 'text' ? item.text : ''));
    const scale = Number(texts[texts.indexOf('scale, lengths in mm') + 1]?.split(' ')[0]);
    const { lands } = compile(chip()).footprint!;
    const outer =
      Math.max(...lands.map(({ copper: { maxX } }) => maxX)) -
      Math.min(...lands.map(({ copper: { minX } }) => minX));
    expect((Math.max(...xs) - Math.min(...xs)) / scale).toBeCloseTo(outer, 4);
  });
  it('is the same, byte for byte, whenever it is written', async () => {
    expect(await write('drawing', writable(converter()))).toEqual(
      await write('drawing', writable(converter())),
    );
  });
  it.each(STRATA.map(({ name, document }, i) => [name, document, i] as const))(
    'of %s lies on its paper, A4 or letter',
    (_, document, i) => {
      const compiled = writable(document);
      const paper = i % 2 === 0 ? 'a4' : 'letter';
      drawingSheets(compiled, { paper }).forEach((page) => expectInside(page, 8));
      // joints are simulated for a report: some stand for all
      if (i % 3 === 0) reportPages(compiled, { paper }).forEach((page) => expectInside(page));
    },
  );
});

describe('every family', () => {
  it.each(STRATA.map(({ name, document }, i) => [name, document, i] as const))(
    '%s is written in every format of papers and tables',
    async (_, document, i) => {
      const compiled = writable(document);
      for (const id of [
        'drawing-svg',
        'idf',
        'pins-csv',
        'pins-json',
        ...(i % 6 === 0 ? ['report-html'] : []),
      ])
        expect([id, /NaN|undefined|\[object/.exec(String(await write(id, compiled)))?.[0]]).toEqual([
          id,
          undefined,
        ]);
      // what is drawn is swept above; setting it as a PDF is the same for all
      if (i % 6 > 0) return;
      for (const id of ['drawing', 'report', 'paper-check']) {
        const { pages } = await readPdf(await write(id, compiled));
        expect(pages.every(({ text }) => text.length > 40)).toBe(true);
      }
    },
  );
});

describe('a paper check', () => {
  it('is true to size, from above and from below, and corrected by what the rulers measured', async () => {
    const compiled = writable(converter());
    const { lands } = compiled.footprint;
    const outer =
      Math.max(...lands.map(({ copper: { maxX } }) => maxX)) -
      Math.min(...lands.map(({ copper: { minX } }) => minX));
    const read = async (about: HandOver) => {
      const [page] = (await readPdf(await write('paper-check', compiled, about))).pages;
      return page!;
    };
    const page = await read({});
    expect(page.size[0]).toBeCloseTo(210, 3);
    const widths = (boxes: readonly (readonly number[])[]) => boxes.map(([x0 = 0, , x1 = 0]) => x1 - x0);
    // both views have all lands in one path
    expect(widths(page.boxes).filter((width) => Math.abs(width - outer) < 0.001)).toHaveLength(2);
    expect(widths(page.boxes).some((width) => Math.abs(width - 100) < 0.001)).toBe(true);
    expect(page.text).toMatch(/from above.*from below, mirrored/);
    // a printer that made 98 of 100 mm is given more
    const more = await read({ calibration: { across: 98, upright: 100 } });
    expect(widths(more.boxes).filter((width) => Math.abs(width - (outer * 100) / 98) < 0.001)).toHaveLength(
      2,
    );
  });
  it('puts several footprints on a page, and the next on another', () => {
    const some = Array.from({ length: 40 }, (_, i) => writable({ ...converter(), name: `U${i}` }));
    const pages = checkPages(some, {});
    expect(pages.length).toBeGreaterThan(1);
    pages.forEach((page) => expectInside(page));
    const said = pages.flatMap(({ items }) =>
      items.flatMap((item) => (item.kind === 'text' ? [item.text] : [])),
    );
    for (let i = 0; i < 40; i += 1) expect(said).toContain(`U${i}, from above`);
  });
});

describe('a review report', () => {
  const faulty: TapisDocument = {
    ...converter({ L: '0.95..1.05' }),
    name: 'U4 <b>',
    waivers: {},
  };
  it('tells findings, derivations, joints and what changed since the approved one', async () => {
    const previous = compileAndCheck(converter());
    const pdf = await readPdf(await write('report', writable(faulty), { previous }));
    const text = pdf.pages.map((page) => page.text).join(' ');
    const [finding] = check(compile(faulty)).findings;
    const accepted = applyEdits(faulty, [waive(finding!, 'seen on the part', 'K. Lund')]);
    const said = await readPdf(await write('report', writable(accepted)));
    expect(said.pages.map((page) => page.text).join(' ')).toMatch(/seen on the part\s+K\. Lund/);
    for (const words of [
      'Caution',
      'Foot does not suit the overhang of its lead',
      'Joints',
      'below goal, ppm',
      'area ratio',
      'dimension L',
    ])
      expect(text).toContain(words);
  });
  it('is one page for a browser, in which nothing is run and nothing is loaded', async () => {
    const html = String(await write('report-html', writable(faulty)));
    expect(html).toContain('U4 &#60;b&#62;');
    expect(html).not.toMatch(/<script|<link|src=|href=/);
    expect(html).toContain("default-src 'none'");
    expect(html).toContain('No approved revision was given to hold it against.');
  });
});

describe('a release', () => {
  it('has every file of its target and their digests, and is the same whenever it is made', async () => {
    const all = [chip(), { ...chip(), name: 'R2', marks: { reference: 'R1' } }].map((document) => ({
      compiled: writable(document),
      about: { revision: '1' },
    }));
    const target = {
      ...TARGETS.find(({ id }) => id === 'everything')!,
      pattern: '{reference}{standard}-r{revision}',
    };
    const told: number[] = [];
    const zip = (await releaseZip(all, target, keyOf, (done) => told.push(done) > 0))!;
    const files = unzipSync(zip);
    const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as {
      files: { path: string; bytes: number; sha256: string }[];
      footprints: {
        name: string;
        verdict: string;
        files: { path: string; bytes: number; sha256: string }[];
      }[];
    };
    // all on as few pages as there may be, beside the pages of each
    expect(manifest.files.map(({ path }) => path)).toEqual(['paper-check.pdf']);
    const listed = [...manifest.footprints.flatMap((one) => one.files), ...manifest.files];
    expect(listed.map(({ path }) => path).sort()).toEqual(
      Object.keys(files)
        .filter((path) => path !== 'manifest.json')
        .sort(),
    );
    for (const { path, bytes, sha256 } of listed) {
      expect(files[path]).toHaveLength(bytes);
      expect(createHash('sha256').update(files[path]!).digest('hex')).toBe(sha256);
    }
    expect(listed.map(({ path }) => path)).toContain('R2/R1RESC1608X55N-r1.dxf');
    expect(told.at(-1)).toBe(listed.length - 1);
    expect(await releaseZip(all, target, keyOf)).toEqual(zip);
    expect(await releaseZip(all, target, keyOf, (done) => done < 3)).toBeNull();
  });
  it('says what is wrong with a pattern, and keeps paths out of names', () => {
    expect(patternTrouble('{standard}-{level}')).toBeNull();
    expect(patternTrouble('{colour}')).toContain('known are {name}');
    expect(patternTrouble('{name')).toContain('no partner');
    expect(patternTrouble(' ')).toContain('empty');
    const values = {
      name: '../a/b',
      standard: 'S',
      reference: '',
      value: '',
      level: 'B',
      revision: '',
      process: 'p',
    } as const;
    expect(filled('{name}', values)).toBe('-a-b');
    expect(filled('{reference}', values)).toBe('footprint');
  });
});

describe('the type of papers', () => {
  it('breaks lines where they are full, and shows a letter that it has not', () => {
    const lines = brokenInto('one two three four', 3, widthOf('one two', 3) + 0.01);
    expect(lines).toEqual(['one two', 'three', 'four']);
    expect(brokenInto('abcdefgh', 3, widthOf('abc', 3) + 0.01).join('')).toBe('abcdefgh');
    expect(written('⌀ 0.30 ≥ 0.25 Ж ½ ⌊ 電')).toBe('dia.  0.30 ≥ 0.25 Ж ½ ⌊ ¤');
    // what the type has not is as wide as in the face that has it
    expect(widthOf('Ж', 3)).toBeGreaterThan(1);
  });
});
