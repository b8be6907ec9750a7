import { LEVELS } from '../document/document';
import type { Drawable } from '../footprint/footprint';
import { narrowOf } from '../geometry/figure';
import { diagonal } from '../land/solve-pin';
import type { PinSolution } from '../land/solution';
import { clearGap } from '../land/trims';
import { drillFor, type Process } from '../process/process';
import { formatNumber, quantise } from '../units/length';
import { adoptEdits, type GroupBest, type LandPoint } from './best';
import { RESOLUTION } from './search';
import { pinRisk, type JointRisk } from './events';
import { badShare, type Spreads } from './share';

/** Holes that are tried, from the smallest that a lead goes into. */
const MOST_HOLES = 40;
/** Step of a best land, mm. */
const STEP = 0.05;

/**
 * The best hole and land of leads through the board: the drill at which fewest leads do not go in or are not
 * filled, and the smallest land that keeps its ring where the drill wanders.
 * @returns `null` where the part states its hole itself
 */
export function bestPin(drawable: Drawable, group: PinSolution, spreads: Spreads = {}): GroupBest | null {
  const { footprint, process, levels } = drawable;
  const { terminals, allowances } = group;
  const land = footprint.lands.find((one) => one.group === terminals.id && one.hole !== null);
  const risk = land && !terminals.stated && !terminals.bare ? pinRisk(group, footprint, land, process) : null;
  if (!risk || !land) return null;
  const riskAt = (hole: number, diameter: number) => sized(risk, hole, diameter, process);
  const pointOf = (id: string, title: string, hole: number, diameter: number): LandPoint => ({
    id,
    title,
    sizes: { H: quantise(hole), D: quantise(diameter) },
    bad: badShare(riskAt(hole, diameter), spreads),
    area: (Math.PI / 4) * (diameter * diameter - hole * hole),
    gap: pitchOf(group) === Infinity ? null : quantise(pitchOf(group) - diameter),
    bySource: [],
    margins: [],
  });
  const holes = holesFor(group, process);
  const worth = (hole: number) => badShare(riskAt(hole, hole + 20), spreads).share;
  // what lies under the resolution is alike: the smaller hole takes the smaller land
  const told = (hole: number) => Math.max(RESOLUTION, worth(hole));
  const [best = holes[0] ?? 1] = [...holes].sort((a, b) => told(a) - told(b) || a - b);
  // how large a round land may be by the gap to the next
  const room = pitchOf(group) - clearGap(process);
  const smallest = (hole: number): number => {
    let diameter = Math.ceil((hole + 2 * process.minRing) / STEP) * STEP;
    while (diameter + STEP <= room && ringShare(riskAt(hole, diameter), spreads) > RESOLUTION / 10)
      diameter += STEP;
    return quantise(Math.min(diameter, Math.max(room, hole + 2 * process.minRing)));
  };
  const published = LEVELS.flatMap((level) => {
    const solved = levels?.[level].find((one) => one.terminals.id === terminals.id);
    return solved?.kind === 'pin'
      ? [pointOf(level, `level ${level}`, solved.hole, narrowOf(solved.figure))]
      : [];
  });
  const front = holes
    .map((hole) => pointOf('', '', hole, smallest(hole)))
    .sort((a, b) => a.area - b.area)
    .filter((point, i, all) => all.slice(0, i).every((smaller) => smaller.bad.share > point.bad.share));
  const own = narrowOf(land.padstack.hole?.figure ?? land.padstack.copper);
  const chosen = pointOf('best', 'best', best, smallest(best));
  const words = [
    `holes from ${formatNumber(holes[0] ?? 0, 2, 3)} to ${formatNumber(holes.at(-1) ?? 0, 2, 3)} mm; filled up to ${formatNumber(allowances.most.value, 2, 3)} mm over the smallest lead`,
    ...(drawable.alternates.length > 0 ? ['the first source alone: leads are not looked at together'] : []),
    ...(room === Infinity ? [] : [`land ${formatNumber(room, 2, 3)} mm by the gap to the next`]),
  ];
  return {
    group: terminals.id,
    title: terminals.title,
    limits: words,
    front,
    points: [...published, pointOf('own', 'as it is', own, narrowOf(land.padstack.copper)), chosen],
    adopt: adoptEdits(terminals.id, chosen),
  };
}

/** The same lead in another hole and land. */
function sized(risk: JointRisk, hole: number, diameter: number, process: Process): JointRisk {
  const variables = risk.variables.map((one) =>
    one.name === 'Finished hole' ? { ...one, middle: hole } : one,
  );
  const events = risk.events.map((event) =>
    event.end === 'ring' ? { ...event, constant: diameter / 2 - process.minRing } : event,
  );
  return { variables, events };
}

function ringShare(risk: JointRisk, spreads: Spreads): number {
  return badShare({ ...risk, events: risk.events.filter(({ end }) => end === 'ring') }, spreads).share;
}

/** Drills that a lead goes into and that can be filled. */
function holesFor({ terminals: { lead }, allowances }: PinSolution, process: Process): number[] {
  const most = diagonal(lead, 'min') + allowances.most.value + 0.2;
  const holes: number[] = [];
  let hole = drillFor(diagonal(lead, 'min'), process);
  while (hole <= most && holes.length < MOST_HOLES) {
    holes.push(hole);
    const next = drillFor(hole + Math.max(process.drillStep, 0.01), process);
    if (next <= hole + 1e-9) break;
    hole = next;
  }
  return holes;
}

const pitchOf = ({ terminals: { pitch } }: PinSolution): number =>
  Math.min(pitch.x ?? Infinity, pitch.y ?? Infinity);
