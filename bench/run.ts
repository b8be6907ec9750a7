// npm run bench: rates of the core, and check() as a ratio to a bare index over the same rectangles. It is
// bundled first, as what is served is: a loader that keeps names costs every closure a call.
import Flatbush from 'flatbush';
import { Bench } from 'tinybench';
import { USUAL_COLOURS } from '../src/core/body/colours';
import { turnPositions } from '../src/core/body/pose';
import { seat } from '../src/core/body/seat';
import { piecesOf } from '../src/core/body/subject';
import { mattersOf } from '../src/core/best/answer';
import { bestLandsOf } from '../src/core/best/best';
import { check } from '../src/core/check/check';
import { jointModel, type JointModel } from '../src/core/joint/model';
import { simulate } from '../src/core/joint/simulate';
import type { TapisDocument } from '../src/core/document/document';
import { drawElevation } from '../src/core/drawing/elevation';
import { drawPlan } from '../src/core/drawing/plan';
import { compile } from '../src/core/footprint/compile';
import type { Compiled, Footprint, Land } from '../src/core/footprint/footprint';
import { meshedParts } from '../src/core/format/mesh/solids';
import { writeStep } from '../src/core/format/step/step';
import { groundOf } from '../src/core/footprint/ground';
import { solveSpan } from '../src/core/land/solve-span';
import { NO_CHOICES } from '../src/core/land/solution';
import { checkTrial } from '../src/core/trial/check';
import { compileTrial } from '../src/core/trial/compile';
import type { CompiledTrial } from '../src/core/trial/trial';
import { DEMO_DOCUMENTS } from '../src/demo/documents';
import { boardOf } from './board';
import { curves } from './curves';

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

type Drawable = Compiled & { readonly footprint: Footprint };

function compiled(document: TapisDocument): Drawable {
  const result = compile(document);
  if (!result.footprint) throw new Error(`${document.name} does not compile`);
  return result as Drawable;
}

const converter = DEMO_DOCUMENTS[0] as TapisDocument;
const sixtyFour: TapisDocument = {
  ...converter,
  package: {
    ...converter.package,
    dimensions: { ...converter.package.dimensions, n: 64, D: 'e*(n/2-1)+0.6' },
  },
};
/** The converter with a span that was not read before, as after a keystroke. */
let typed = 0;
function retyped(): TapisDocument {
  typed += 1;
  const E = `6.8..${(7.2 + (typed % 1e6) / 1e7).toFixed(7)}`;
  return {
    ...converter,
    package: { ...converter.package, dimensions: { ...converter.package.dimensions, E } },
  };
}
const grid: TapisDocument = {
  ...converter,
  name: '2025 balls',
  package: {
    family: 'ball-grid',
    dimensions: { nE: 45, e: '1.0', E: '45.8..46.2', b: '0.5..0.7', A: 'max 3', A1: '0.35..0.5' },
  },
};
const [sixteen, many, balls] = [compiled(converter), compiled(sixtyFour), compiled(grid)];
const [group] = sixteen.footprint.groups;
if (group?.kind !== 'span') throw new Error('the demo does not start with a row of leads');
if (balls.footprint.lands.length !== 2025) throw new Error('the grid is not full');

/** A model of a hundred balls that lies on its side, and the lands it belongs to. */
const hundred = compiled({
  ...grid,
  package: {
    family: 'ball-grid',
    dimensions: { ...grid.package.dimensions, nE: 10, e: '1.0', E: '10.8..11.2' },
  },
});
const ground = groundOf(hundred.footprint);
const lying = meshedParts(hundred.footprint.body).map(({ mesh: { positions, indices } }) => ({
  positions: turnPositions(positions, { x: 90, y: 0, z: 0 }, 1),
  indices,
}));

function seatToEnd(): void {
  const pieces = piecesOf(lying);
  if (!pieces) throw new Error('the model has no triangles');
  const run = seat(pieces, ground);
  while (!run.next().done);
}

/** What any look at a mesh needs at the least: every triangle once. */
function bareVolume(): number {
  let volume = 0;
  for (const { positions: p, indices } of lying)
    for (let t = 0; t < indices.length; t += 3) {
      const [a, b, c] = [3 * indices[t]!, 3 * indices[t + 1]!, 3 * indices[t + 2]!];
      volume += p[a]! * (p[b + 1]! * p[c + 2]! - p[b + 2]! * p[c + 1]!);
    }
  return volume;
}

/** Parts on the board whose check is measured. */
const PARTS = 1000;
let placed: CompiledTrial;
/** What any check of neighbours needs at the least: an index over all their lands, asked once for each. */
const bareBoard = () => bareNeighbours(placed.parts.flatMap(({ footprint }) => footprint.lands));

const jointOfFirst = jointModel(
  sixteen.footprint,
  sixteen.footprint.lands[0] as Land,
  sixteen.process,
) as JointModel;
/** As many normal numbers, added. */
function bareDraws(samples: number, variables: number): number {
  let sum = 0;
  for (let i = 0; i < samples * variables; i += 1)
    sum += Math.sqrt(-2 * Math.log(1 - Math.random())) * Math.cos(2 * Math.PI * Math.random());
  return sum;
}

const bench = new Bench({ time: 1000 });
bench
  .add(
    'solve one group at one level',
    () => void solveSpan(group.terminals, 'B', sixteen.process, NO_CHOICES),
  )
  .add('compile 16 leads', () => void compile(converter))
  .add('compile 16 leads, one entry typed anew', () => void compile(retyped()))
  .add('compile 64 leads', () => void compile(sixtyFour))
  .add('compile 2025 balls', () => void compile(grid))
  .add('check 16 leads', () => void check(sixteen))
  .add('check 64 leads', () => void check(many))
  .add('check 2025 balls', () => void check(balls))
  .add('bare index, 64 lands', () => void bareNeighbours(many.footprint.lands))
  .add('bare index, 2025 lands', () => void bareNeighbours(balls.footprint.lands))
  .add('draw the plan, 2025 balls', () => void drawPlan(balls.footprint))
  .add('draw the front, 2025 balls', () => {
    drawElevation(balls.footprint, balls.process, 'front', { low: -1, cut: null });
  })
  .add('draw the front cut, 2025 balls', () => {
    drawElevation(balls.footprint, balls.process, 'front', { low: -1, cut: 1012 });
  })
  .add('write STEP, 64 leads', () => {
    writeStep(many.footprint.body.assembly, 'body', USUAL_COLOURS);
  })
  .add('what matters, 16 leads', () => void mattersOf(sixteen))
  .add('best lands of 16 leads', () => void bestLandsOf(sixteen))
  .add('simulate 100 000 joints of a land', () => {
    const run = simulate(jointOfFirst, { samples: 100_000, seed: 1, distribution: 'normal' });
    while (!run.next().done);
  })
  .add('bare loop over as many draws', () => void bareDraws(100_000, jointOfFirst.variables.length))
  .add('seat a model of 100 balls, on its side', () => void seatToEnd())
  .add('bare pass over its triangles', () => void bareVolume());
await bench.run();
// placing a thousand parts anew takes longer than checking them: few rounds are enough
const boards = new Bench({ time: 0, iterations: 6, warmupTime: 0, warmupIterations: 1 });
boards
  .add('check a trial of 1000 parts', () => void checkTrial(placed), {
    beforeEach: () => {
      placed = compileTrial(boardOf(PARTS));
    },
  })
  .add('bare index over their lands', () => void bareBoard());
await boards.run();

const medians = new Map<string, number>();
for (const { name, result } of [...bench.tasks, ...boards.tasks]) {
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
const index = 'bare index, 2025 lands';
console.log(
  `check() to a bare index build and neighbour search, 64 lands: ${ratio('check 64 leads', 'bare index, 64 lands')}`,
);
console.log(
  `simulating a joint to a bare loop of the same draws: ${ratio('simulate 100 000 joints of a land', 'bare loop over as many draws')}`,
);
console.log(`the same over 2025 balls: ${ratio('check 2025 balls', index)}`);
console.log(`compile() of 2025 balls to that index: ${ratio('compile 2025 balls', index)}`);
console.log(
  `seating 100 balls to one pass over their triangles: ${ratio('seat a model of 100 balls, on its side', 'bare pass over its triangles')}`,
);
console.log(
  `checking 1000 placed parts to a bare index and search over their lands: ${ratio('check a trial of 1000 parts', 'bare index over their lands')}`,
);
await curves();
