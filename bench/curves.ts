// The last part of npm run bench: how time grows with size. Each curve is held against a bare index over as many
// boxes, built and asked once for each, whose growth is n log n.
import Flatbush from 'flatbush';
import { check } from '../src/core/check/check';
import type { TapisDocument } from '../src/core/document/document';
import type { PieceIntent } from '../src/core/document/pieces';
import { compile } from '../src/core/footprint/compile';
import { isDrawable } from '../src/core/footprint/footprint';
import { documentOf, readPatterns } from '../src/core/format/import';
import { readSearch } from '../src/core/library/search';
import { opinionOn } from '../src/core/opinion/opinion';
import { checkTrial } from '../src/core/trial/check';
import { compileTrial } from '../src/core/trial/compile';
import { takeFile } from '../src/kernel/source/take-file';
import { pdfOf } from '../tests/data/files';
import { boardOf } from './board';

interface Curve {
  readonly what: string;
  readonly sizes: readonly number[];
  /** Makes what is measured of a size, which is not counted, and gives the work itself. */
  readonly of: (size: number) => () => unknown;
}

const document = (name: string, body: TapisDocument['package']): TapisDocument => ({
  tapis: 2,
  name,
  level: 'B',
  process: 'standard',
  package: body,
});
const grid = (side: number): TapisDocument =>
  document(`${side * side} balls`, {
    family: 'ball-grid',
    dimensions: {
      nE: side,
      e: '0.5',
      E: `${side / 2 + 0.9}..${side / 2 + 1.1}`,
      b: '0.25..0.35',
      A: 'max 2',
      A1: '0.2..0.3',
    },
  });
const rows = (count: number): TapisDocument => {
  const pieces = Array.from({ length: count }, (_, i): PieceIntent => ({
    id: `p${i}`,
    what: 'pin',
    diameter: '0.6±0.05',
    as: 'row',
    n: '10',
    step: '2.54',
    x: String((i % 20) * 30),
    y: String(Math.floor(i / 20) * 4),
  }));
  return document(`${count} rows`, { family: 'composed', dimensions: {}, pieces });
};
const drawable = (of: TapisDocument) => {
  const compiled = compile(of);
  if (!isDrawable(compiled)) throw new Error(`${of.name} cannot be drawn`);
  return compiled;
};
const table = (count: number): Uint8Array =>
  new TextEncoder().encode(
    `pad,x,y,length,width\n${Array.from({ length: count }, (_, i) => `${i + 1},${(i % 70) * 0.8},${Math.floor(i / 70) * 0.8},0.4,0.4`).join('\n')}`,
  );
/** A PDF of pages that tell of something else, the last but ten of which has a table. */
function sheet(pages: number): Uint8Array {
  const lines = [
    'Symbol Min Nom Max',
    'A 1.35 1.55 1.75',
    'b 0.31 0.41 0.51',
    'D 4.80 4.90 5.00',
    'E 5.80 6.00 6.20',
    'L 0.40 0.60 0.80',
  ];
  const text = (all: readonly string[]) =>
    all
      .map(
        (line, i) =>
          `BT /F1 10 Tf 50 ${700 - 20 * i} Td ${line
            .split(' ')
            .map((word) => `(${word}) Tj 70 0 Td`)
            .join(' ')} ET`,
      )
      .join('\n');
  const stream = (content: string) => `<</Length ${content.length}>>\nstream\n${content}\nendstream`;
  const prose = Array.from({ length: 30 }, () => 'This page tells of pleasant things');
  const kids = Array.from({ length: pages }, (_, i) => `${6 + i} 0 R`);
  const objects = [
    '<</Type/Catalog/Pages 2 0 R>>',
    `<</Type/Pages/Kids[${kids.join(' ')}]/Count ${pages}>>`,
    '<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>',
    stream(text(lines)),
    stream(text(prose)),
    ...kids.map(
      (_, i) =>
        `<</Type/Page/Parent 2 0 R/MediaBox[0 0 600 800]/Resources<</Font<</F1 3 0 R>>>>/Contents ${i === Math.max(0, pages - 10) ? 4 : 5} 0 R>>`,
    ),
  ];
  return pdfOf(objects);
}

const CURVES: readonly Curve[] = [
  {
    what: 'compile a grid of balls',
    sizes: [100, 400, 1600, 2916],
    of: (n) => () => compile(grid(Math.sqrt(n))),
  },
  {
    what: 'check a grid of balls',
    sizes: [100, 400, 1600, 2916],
    of: (n) => {
      const compiled = drawable(grid(Math.sqrt(n)));
      return () => check(compiled);
    },
  },
  { what: 'compile rows of ten pins', sizes: [10, 40, 160, 400], of: (n) => () => compile(rows(n)) },
  {
    what: 'compile and check a trial',
    sizes: [100, 400, 1600, 3000],
    of: (n) => () => checkTrial(compileTrial(boardOf(n))),
  },
  {
    what: 'take a pad table in',
    sizes: [100, 400, 1600, 5000],
    of: (n) => () => readPatterns([{ name: 'pads.csv', bytes: table(n) }]),
  },
  {
    what: 'opinion on a pattern',
    sizes: [100, 400, 1600, 2916],
    of: (n) => {
      const own = drawable(grid(Math.sqrt(n)));
      const lines = own.footprint.lands.map(({ number, copper: { minX, minY, maxX, maxY } }) =>
        [number, (minX + maxX) / 2, (minY + maxY) / 2, maxX - minX, maxY - minY].join(),
      );
      const text = new TextEncoder().encode(`pad,x,y,length,width\n${lines.join('\n')}`);
      const read = readPatterns([{ name: 'pads.csv', bytes: text }]);
      if (!read.ok) throw new Error(read.error);
      const pattern = drawable(documentOf(read.value.patterns[0]!).document);
      return () => opinionOn(pattern, own);
    },
  },
  {
    what: 'search the Shelf',
    sizes: [1000, 5000, 20_000],
    of: (n) => {
      const entries = Array.from({ length: n }, (_, i) => ({
        name: `part ${i}`,
        tags: ['tide', `t${i % 50}`],
        group: `group ${i % 20}`,
        facts: undefined,
      }));
      return () => {
        const terms = readSearch('tide t4 part 12', 0);
        return entries.filter((entry) => terms.every((term) => term.holds(entry as never)));
      };
    },
  },
  {
    what: 'read a datasheet by its page',
    sizes: [10, 40, 160, 300],
    of: (n) => {
      const bytes = sheet(n);
      return () => takeFile(bytes, 'sheet.pdf', {});
    },
  },
];

/** An index over as many boxes, asked once for each. */
function bare(count: number): number {
  const index = new Flatbush(count);
  const at = (i: number) => [(i % 70) * 0.8, Math.floor(i / 70) * 0.8] as const;
  for (let i = 0; i < count; i += 1) {
    const [x, y] = at(i);
    index.add(x, y, x + 0.4, y + 0.4);
  }
  index.finish();
  let found = 0;
  for (let i = 0; i < count; i += 1) {
    const [x, y] = at(i);
    found += index.search(x - 0.15, y - 0.15, x + 0.55, y + 0.55).length;
  }
  return found;
}

/** The least time of some rounds, ms: what else the machine does only adds to it. */
async function timeOf(work: () => unknown): Promise<number> {
  let least = Infinity;
  for (let round = 0, spent = 0; round < 3 || (spent < 300 && round < 30); round += 1) {
    const began = performance.now();
    await work();
    const took = performance.now() - began;
    spent += took;
    least = Math.min(least, took);
  }
  return least;
}

/** Prints for each curve its times, their ratios to the bare index, and the power of the size that they grow with. */
export async function curves(): Promise<void> {
  const lines: Record<string, Record<string, string>> = {};
  for (const { what, sizes, of } of CURVES) {
    const times: number[] = [];
    for (const size of sizes) times.push(await timeOf(of(size)));
    const floor = await timeOf(() => bare(sizes.at(-1)!));
    const [first, last] = [sizes.at(-2)!, sizes.at(-1)!];
    const power = Math.log(times.at(-1)! / times.at(-2)!) / Math.log(last / first);
    lines[what] = {
      sizes: sizes.join(', '),
      ms: times.map((ms) => ms.toFixed(ms < 10 ? 2 : 0)).join(', '),
      'to a bare index': (times.at(-1)! / floor).toFixed(1),
      'grows with n to the': power.toFixed(2),
    };
  }
  console.table(lines);
}
