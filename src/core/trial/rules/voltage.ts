/**
 * Requires copper of different parts to be as far apart, and as far from screws and the board's edge, as its working
 * voltage asks for.
 */
import { spacingFault } from '../../check/rules/voltage-spacing';
import { fill, mm, type RuleFinding } from '../../check/rule';
import { voltageWords } from '../../document/voltage';
import { circleAt } from '../../geometry/figure';
import { roomWithin } from '../../geometry/gaps';
import { conductorsOf, cutsThatPart, tooNear, type Live } from '../../spacing/conductors';
import { metalOf } from '../../spacing/metal';
import { limitsFor, type Conductor } from '../../spacing/limits';
import { partWith, placeOf, type TrialRule } from '../rule';
import type { CompiledTrial, PlacedPart } from '../trial';

const messages = {
  edge: '{a} is {value} mm from the edge of the board, needs {limit} mm at {voltage}: {source}.',
};

/** So many are told one by one. */
const MOST = 60;
const EDGE: Conductor = { layer: 'outer', covered: false };

export const voltageBetween: TrialRule = {
  id: 'trial-voltage',
  title: 'Spacing by voltage, between parts',
  fault: 'Parts too near each other for their voltage',
  source: 'IPC-2221B table 6-1 or IEC 60664-1, by the process',
  severity: 'stop',
  looksAt: partWith('with a voltage', ({ part }) => hasVoltage(part)),
  whole(trial) {
    if (!trial.parts.some(hasVoltage)) return [];
    const owner = new Map<Live, PlacedPart>();
    const all = trial.parts.flatMap((part) => {
      const prefix = `${part.reference}.`;
      const copper = conductorsOf(part.footprint, prefix);
      const own = [...copper, ...metalOf(part.footprint, copper, prefix), ...screwOf(part)];
      for (const one of own) owner.set(one, part);
      return own;
    });
    const cuts = cutsThatPart(
      trial.parts.map(({ footprint }) => footprint),
      trial.process,
    );
    const near = tooNear(all, cuts, trial.process, { meant: (a, b) => owner.get(a) !== owner.get(b) });
    return [
      ...near.slice(0, MOST).map((miss): RuleFinding => {
        const told = spacingFault(miss);
        const parts = [owner.get(miss.a), owner.get(miss.b)].filter((part) => part !== undefined);
        const { at, way } = told.place;
        return { ...told, place: { ...placeOf(at ?? miss.a.figure.at, ...parts), ...(way ? { way } : {}) } };
      }),
      // a land with a hole has its copper on both sides: the edge is as near to either
      ...onceEach(all).flatMap((live) => atEdge(live, owner.get(live), trial)),
    ];
  },
};

const onceEach = (all: readonly Live[]): Live[] => [
  ...new Map(all.filter(({ over }) => !over).map((live) => [live.land ?? live, live] as const)).values(),
];

const hasVoltage = ({ footprint }: PlacedPart): boolean =>
  footprint.pins.some(({ voltage }) => voltage !== null);

/** The head of a mounting hole's screw, which is metal of a potential of its own. */
function screwOf({ compiled, footprint, reference }: PlacedPart): Live[] {
  const { resolved, document } = compiled;
  if (document.package.family !== 'mounting-hole') return [];
  const head = resolved?.dimensions.find(({ definition }) => definition.symbol === 'D')?.value;
  const at = footprint.bores[0]?.at ?? footprint.lands[0]?.at;
  if (!head || !at) return [];
  return [
    {
      land: null,
      figure: circleAt(at, head.max),
      side: footprint.far ? 'far' : 'component',
      potential: `screw of ${reference}`,
      name: `the screw of ${reference}`,
      voltage: null,
      floats: false,
      layer: 'outer',
      covered: false,
    },
  ];
}

/** Live copper too near the edge, which a hand or a case may touch. */
function atEdge(live: Live, part: PlacedPart | undefined, { board, process }: CompiledTrial): RuleFinding[] {
  const { voltage, figure, name } = live;
  if (!voltage || live.floats || !part) return [];
  const limits = limitsFor(voltage, [live, EDGE], process);
  const [worst] = [...limits].sort((a, b) => b.least - a.least);
  if (!worst || board.edges.near(grown(figure, worst.least)).length === 0) return [];
  const room = roomWithin(board.figure, figure);
  if (room >= worst.least - 1e-6) return [];
  return [
    {
      message: fill(messages.edge, {
        a: name,
        value: mm(room),
        limit: mm(worst.least),
        voltage: voltageWords(voltage),
        source: worst.source,
      }),
      measured: { value: room, limit: worst.least, unit: 'mm' },
      place: placeOf(figure.at, part),
    },
  ];
}

const grown = ({ minX, minY, maxX, maxY }: Live['figure'], by: number) => ({
  minX: minX - by,
  minY: minY - by,
  maxX: maxX + by,
  maxY: maxY + by,
});
