/**
 * Requires lands of different potential to be as far apart as their working voltage asks for: straight through air,
 * and along the board round its slots.
 */
import { freshId, pointerKey } from '../../document/edit';
import { voltageWords } from '../../document/voltage';
import type { Remedy } from '../../document/finding';
import { compile } from '../../footprint/compile';
import { place, sizeOf } from '../../geometry/figure';
import { wayRound } from '../../geometry/creepage';
import { halfway } from '../../geometry/halfway';
import {
  conductorsOf,
  copperOutline,
  cutOf,
  cutsThatPart,
  tooNear,
  type TooNear,
} from '../../spacing/conductors';
import { metalOf } from '../../spacing/metal';
import { SPACING_PLACES } from '../../standard/numbers';
import { grooveFor } from '../../spacing/limits';
import { formatNumber } from '../../units/length';
import type { CheckContext } from '../context';
import type { Nearest } from '../probes';
import { fill, idsOf, mm, type Rule, type RuleFinding } from '../rule';

const messages = {
  air: '{a} and {b} are {value} mm apart through air{over}, needs {limit} mm at {voltage}: {source}.',
  surface: '{a} and {b} are {value} mm apart along the board{over}, needs {limit} mm at {voltage}: {source}.',
};

export const voltageSpacing: Rule = {
  id: 'voltage-spacing',
  title: 'Spacing by voltage',
  fault: 'Lands too near each other for their voltage',
  source: 'IPC-2221B table 6-1 or IEC 60664-1, by the process',
  severity: 'stop',
  stage: 'land',
  looksAt: ['voltages'],
  clauses: Object.keys(SPACING_PLACES),
  nearest: (context) =>
    nearIn(context, LOOKED).map(({ way, limit }): Nearest => ({
      value: way.length,
      limit: limit.least / LOOKED,
      unit: 'mm',
      is: 'least',
    })),
  check: (context) =>
    nearIn(context)
      .slice(0, MOST)
      .map((miss) => findingOf(miss, context)),
};

/** Pairs up to so many times their limit apart are measured where all hold. */
const LOOKED = 4;

/** Conductors nearer than they may be. @param times so many times the limits */
function nearIn({ footprint, process }: CheckContext, times = 1): TooNear[] {
  const cuts = cutsThatPart([footprint], process);
  const copper = conductorsOf(footprint);
  // metal that floats over its own lands is its maker's; what is of a land's potential is held against the others
  const metal = metalOf(footprint, copper).filter(({ floats }) => !floats);
  return tooNear([...copper, ...metal], cuts, process, { times });
}

/** What a land becomes that gives way on one side. */
const NARROWED = { round: 'oblong', oblong: 'oblong', rectangle: 'rectangle' } as const;

/** So many pairs of potentials are told one by one. */
const MOST = 12;

/** What is wrong between two conductors, without remedies. */
export function spacingFault({ a, b, limit, way, voltage, over }: TooNear): RuleFinding {
  const capital = (words: string) => `${words.slice(0, 1).toUpperCase()}${words.slice(1)}`;
  return {
    message: fill(messages[limit.along], {
      a: capital(a.name),
      b: b.name,
      value: mm(way.length),
      limit: mm(limit.least),
      over: over ? ` over ${over.name}, which floats` : '',
      voltage: voltageWords(voltage),
      source: limit.source,
    }),
    measured: { value: way.length, limit: limit.least, unit: 'mm' },
    place: {
      at: halfway(way.points).at,
      lands: idsOf([a.land, b.land].filter((land) => land !== null)),
      way: way.points,
    },
  };
}

function findingOf(miss: TooNear, context: CheckContext): RuleFinding {
  return {
    ...spacingFault(miss),
    remedies: [...lesserLands(miss, context), ...oblongLands(miss, context), ...slotBetween(miss, context)],
  };
}

/** Lands of the least level are smaller, and so farther apart. */
function lesserLands({ a, b, way }: TooNear, { compiled: { document } }: CheckContext): Remedy[] {
  const isSet = [a, b].some(({ land }) => land && document.overrides?.lands?.[land.group]);
  if (document.level === 'C' || isSet || !a.land || !b.land) return [];
  const { footprint } = compile({ ...document, level: 'C' });
  const least = footprint ? conductorsOf(footprint) : [];
  const [p, q] = [a, b].map((live) =>
    least.find(({ land, side, over }) => !over && land?.id === live.land?.id && side === live.side),
  );
  const gap = p && q ? wayRound(copperOutline(p.figure), copperOutline(q.figure), [])?.length : undefined;
  // where the lands of both levels are alike there is nothing to be won
  if (gap === undefined || gap <= way.length + 1e-6) return [];
  return [{ label: `Lands of level C: ${mm(gap)} mm between them`, edits: [{ at: '/level', value: 'C' }] }];
}

/** Lands with holes give way where they face each other, as far as their rings allow. */
function oblongLands({ a, b, limit, way }: TooNear, { process }: CheckContext): Remedy[] {
  if (!a.land || !b.land) return [];
  const lands = [a.land, b.land];
  if (lands.some(({ copper, hole }) => !hole || !(copper.figure.kind in NARROWED))) return [];
  const need = limit.least - way.length;
  const [dx, dy] = [b.land.at.x - a.land.at.x, b.land.at.y - a.land.at.y];
  const edits = lands.map((land) => {
    // which of the land's own axes points to the other one
    const angle = Math.atan2(dy, dx) - (land.rotation * Math.PI) / 180;
    const isAlong = Math.abs(Math.cos(angle)) > 0.99;
    if (!isAlong && Math.abs(Math.sin(angle)) <= 0.99) return null;
    const { width, height } = sizeOf(land.copper.figure);
    const narrow = (isAlong ? width : height) - need;
    const ring = (narrow - (land.hole ? sizeOf(land.hole.figure).width : 0)) / 2 - process.drillWander;
    if (ring < process.minRing - 1e-9) return null;
    const at = `/stacks/lands/${pointerKey(land.id)}`;
    const size = (v: number) => `${formatNumber(v, 0, 3)}mm`;
    return [
      { at: `${at}/shape`, value: NARROWED[land.copper.figure.kind as keyof typeof NARROWED] },
      { at: `${at}/width`, value: size(isAlong ? narrow : width) },
      { at: `${at}/height`, value: size(isAlong ? height : narrow) },
    ];
  });
  if (edits.some((one) => one === null)) return [];
  return [
    {
      label: `Narrower lands ${a.land.number} and ${b.land.number}: ${mm(limit.least)} mm between them`,
      edits: edits.flatMap((one) => one ?? []),
    },
  ];
}

/** Slots are cut in steps of this length, and no longer than that. mm */
const STEP = 0.5;
const LONGEST = 40;

/** A slot between two lands, as long as the way round it has to be. */
function slotBetween({ a, b, limit, way }: TooNear, context: CheckContext): Remedy[] {
  const {
    footprint,
    process,
    compiled: { document },
  } = context;
  const [p, q] = [way.points[0], way.points.at(-1)];
  if (limit.along !== 'surface' || !p || !q || way.points.length > 2) return [];
  const width = Math.max(1, grooveFor(process));
  if (way.length < width + 2 * process.edgeToCopper - 1e-9) return [];
  const at = { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 };
  const turned = Math.round((Math.atan2(q.y - p.y, q.x - p.x) * 180) / Math.PI + 90) % 180;
  const [from, to] = [copperOutline(a.figure), copperOutline(b.figure)];
  const cuts = cutsThatPart([footprint], process);
  const lengthRound = (length: number) => {
    const slot = cutOf(place({ kind: 'oblong', width: length, height: width }, at, turned));
    return wayRound(from, to, [...cuts, slot])?.length ?? 0;
  };
  // a longer slot never shortens the way: the shortest that is enough is found by halving
  const first = Math.ceil((width + STEP) / STEP);
  let [short, enough] = [first - 1, Math.round(LONGEST / STEP)];
  if (lengthRound(enough * STEP) < limit.least) return [];
  while (enough - short > 1) {
    const middle = Math.floor((short + enough) / 2);
    if (lengthRound(middle * STEP) >= limit.least) enough = middle;
    else short = middle;
  }
  const length = enough * STEP;
  const size = (v: number) => `${formatNumber(v, 0, 3)}mm`;
  const known = document.cuts ?? [];
  const cut = {
    id: freshId(known),
    x: size(at.x),
    y: size(at.y),
    length: size(length),
    width: size(width),
    turned: String(turned),
    why: `Creepage ${a.name} to ${b.name}`.slice(0, 200),
  };
  return [
    {
      label: `Slot ${mm(width)} × ${mm(length)} mm between them: ${mm(lengthRound(length))} mm along the board`,
      edits: [{ at: '/cuts', value: [...known, cut] }],
    },
  ];
}
