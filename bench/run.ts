// npm run bench: rates of the core, and check() as a ratio to a bare index over the same rectangles.
import Flatbush from 'flatbush';
import { Bench } from 'tinybench';
import { check } from '../src/core/check/check';
import type { TapisDocument } from '../src/core/document/document';
import { compile } from '../src/core/footprint/compile';
import type { Compiled, Footprint, Land } from '../src/core/footprint/footprint';
import { solveGroup } from '../src/core/land/solve-group';
import { DEMO_DOCUMENTS } from '../src/demo/documents';

const LIMIT = 0.15;

/** Builds the index that any neighbour check needs and asks it once for every rectangle. */
function bareNeighbours(lands: readonly Land[]): number {
  const index = new Flatbush(lands.length);
  for (const { copper } of lands) index.add(copper.minX, copper.minY, copper.maxX, copper.maxY);
  index.finish();
  let found = 0;
  for (const { copper: c } of lands) {
    found += index.search(c.minX - LIMIT, c.minY - LIMIT, c.maxX + LIMIT, c.maxY + LIMIT).length;
  }
  return found;
}

/** The same footprint with its lands laid out as a square grid of many, to load the rules. */
function grid(compiled: Compiled, side: number): Compiled & { footprint: Footprint } {
  const { footprint } = compiled;
  const first = footprint?.lands[0];
  if (!footprint || !first) throw new Error('nothing to lay out');
  const pitch = 1;
  const lands = Array.from({ length: side * side }, (_, i): Land => {
    const [dx, dy] = [((i % side) - side / 2) * pitch, (Math.floor(i / side) - side / 2) * pitch];
    const centre = { minX: dx - 0.2, maxX: dx + 0.2, minY: dy - 0.2, maxY: dy + 0.2 };
    const contact = { min: centre, nom: centre, max: centre };
    return {
      ...first,
      number: String(i + 1),
      position: i + 1,
      at: { x: dx, y: dy },
      copper: centre,
      paste: centre,
      contact,
    };
  });
  const maskOpenings = lands.map(({ copper: c }, i) => ({
    box: { minX: c.minX - 0.05, minY: c.minY - 0.05, maxX: c.maxX + 0.05, maxY: c.maxY + 0.05 },
    lands: [i],
  }));
  return { ...compiled, footprint: { ...footprint, lands, maskOpenings } };
}

const converter = DEMO_DOCUMENTS[0] as TapisDocument;
const sixtyFour: TapisDocument = {
  ...converter,
  package: {
    ...converter.package,
    dimensions: { ...converter.package.dimensions, n: 64, D: 'e*(n/2-1)+0.6' },
  },
};
const [sixteen, many] = [compile(converter), compile(sixtyFour)];
const group = sixteen.footprint?.groups[0];
if (!group || !many.footprint) throw new Error('the demo does not compile');
const wide = grid(sixteen, 45);

const bench = new Bench({ time: 1000 });
bench
  .add('solve one group at one level', () => void solveGroup(group, 'B', sixteen.process))
  .add('compile 16 leads', () => void compile(converter))
  .add('compile 64 leads', () => void compile(sixtyFour))
  .add('check 16 leads', () => void check(sixteen))
  .add('check 64 leads', () => void check(many))
  .add('bare index, 64 lands', () => void bareNeighbours(many.footprint?.lands ?? []))
  .add('check 2025 lands', () => void check(wide))
  .add('bare index, 2025 lands', () => void bareNeighbours(wide.footprint.lands));
await bench.run();

const medians = new Map<string, number>();
for (const { name, result } of bench.tasks) {
  if (!result || !('latency' in result)) throw new Error(`${name} gave no result`);
  medians.set(name, result.latency.p50 ?? NaN);
}
console.table(
  Object.fromEntries(
    [...medians].map(([name, ms]) => [
      name,
      { 'median, ms': ms.toFixed(4), 'per second': Math.round(1000 / ms) },
    ]),
  ),
);
const ratio = (a: string, b: string) => ((medians.get(a) ?? NaN) / (medians.get(b) ?? NaN)).toFixed(1);
console.log(
  `check() to a bare index build and neighbour search, 64 lands: ${ratio('check 64 leads', 'bare index, 64 lands')}`,
);
console.log(`the same over 2025 lands: ${ratio('check 2025 lands', 'bare index, 2025 lands')}`);
