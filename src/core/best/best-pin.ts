import { LEVELS } from '../document/document';
import type { Drawable } from '../footprint/footprint';
import { narrowOf } from '../geometry/figure';
import { diagonal } from '../land/solve-pin';
import type { PinSolution } from '../land/solution';
import { FINISHED_HOLE } from '../joint/model';
import { clearGap } from '../land/trims';
import { drillFor, type Process } from '../process/process';
import { formatNumber, quantise } from '../units/length';
import { adoptEdits, type GroupBest, type LandPoint } from './best';
import { RESOLUTION } from './search';
import { pinRisk, type JointRisk } from './events';
import { badShare, type Spreads } from './share';
import { sharedBad, sourcesOf } from './sources';

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
  if (!land || terminals.stated || terminals.bare) return null;
  const sources = sourcesOf(drawable, group);
  const risks = sources.flatMap(({ drawable: of, group: own }) => {
    const its = of.footprint.lands.find((one) => one.group === terminals.id && one.hole !== null);
    return its ? (pinRisk(own, of.footprint, its, process) ?? []) : [];
  });
  if (risks.length < sources.length) return null;
  const badAt = (all: readonly JointRisk[], hole: number, diameter: number) =>
    all.map((risk) => badShare(sized(risk, hole, diameter, process), spreads));
  const pointOf = (id: string, title: string, hole: number, diameter: number): LandPoint => ({
    id,
    title,
    sizes: { H: quantise(hole), D: quantise(diameter) },
    ...sharedBad(sources, badAt(risks, hole, diameter)),
    area: (Math.PI / 4) * (diameter * diameter - hole * hole),
    gap: pitchOf(group) === Infinity ? null : quantise(pitchOf(group) - diameter),
    margins: [],
  });
  const holes = holesFor(
    sources.map((one) => one.group),
    process,
  );
  const bestOf = (all: readonly JointRisk[]): number => {
    // what lies under the resolution is alike: the smaller hole takes the smaller land
    const told = new Map(
      holes.map((hole) => {
        const shares = badAt(all, hole, hole + 20);
        return [hole, Math.max(RESOLUTION, shares.reduce((sum, { share }) => sum + share, 0) / all.length)];
      }),
    );
    const worth = (hole: number) => told.get(hole) ?? 1;
    return [...holes].sort((a, b) => worth(a) - worth(b) || a - b)[0] ?? 1;
  };
  const best = bestOf(risks);
  // how large a round land may be by the gap to the next
  const room = pitchOf(group) - clearGap(process);
  const ringAt = (hole: number, diameter: number) =>
    ringShare(sized(risks[0] as JointRisk, hole, diameter, process), spreads);
  const smallest = (hole: number): number => {
    let diameter = Math.ceil((hole + 2 * process.minRing) / STEP) * STEP;
    // the ring asks nothing of the lead: it is the same for every source
    while (diameter + STEP <= room && ringAt(hole, diameter) > RESOLUTION / 10) diameter += STEP;
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
  const alone = sources.flatMap(({ title }, i) => {
    if (sources.length === 1) return [];
    const hole = bestOf([risks[i] as JointRisk]);
    return [pointOf(`alone-${i + 1}`, `best of ${title} alone`, hole, smallest(hole))];
  });
  const title = sources.length > 1 ? 'best for all sources' : 'best';
  const chosen = pointOf('best', title, best, smallest(best));
  const words = [
    `holes from ${formatNumber(holes[0] ?? 0, 2, 3)} to ${formatNumber(holes.at(-1) ?? 0, 2, 3)} mm; filled up to ${formatNumber(allowances.most.value, 2, 3)} mm over the smallest lead`,
    ...(room === Infinity ? [] : [`land ${formatNumber(room, 2, 3)} mm by the gap to the next`]),
  ];
  return {
    group: terminals.id,
    title: terminals.title,
    limits: words,
    front,
    points: [...published, ...alone, pointOf('own', 'as it is', own, narrowOf(land.padstack.copper)), chosen],
    adopt: adoptEdits(terminals.id, chosen),
  };
}

/** The same lead in another hole and land. */
function sized(risk: JointRisk, hole: number, diameter: number, process: Process): JointRisk {
  const variables = risk.variables.map((one) =>
    one.name === FINISHED_HOLE ? { ...one, middle: hole } : one,
  );
  const events = risk.events.map((event) =>
    event.end === 'ring' ? { ...event, constant: diameter / 2 - process.minRing } : event,
  );
  return { variables, events };
}

function ringShare(risk: JointRisk, spreads: Spreads): number {
  return badShare({ ...risk, events: risk.events.filter(({ end }) => end === 'ring') }, spreads).share;
}

/** Drills that some lead goes into and that can be filled round some lead. */
function holesFor(groups: readonly PinSolution[], process: Process): number[] {
  const leads = groups.map(({ terminals, allowances }) => {
    const least = diagonal(terminals.lead, 'min');
    return { least, most: least + allowances.most.value + 0.2 };
  });
  const most = Math.max(...leads.map((one) => one.most));
  const holes: number[] = [];
  let hole = drillFor(Math.min(...leads.map(({ least }) => least)), process);
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
