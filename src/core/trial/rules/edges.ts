/**
 * Requires copper and holes to keep the process's distance from the edge of the board, bodies to stay on it, and
 * parts that belong to an edge to reach it as they should.
 */
import { fill, mm, type RuleFinding } from '../../check/rule';
import { grow } from '../../geometry/box';
import { circleAt, type Placed } from '../../geometry/figure';
import { roomWithin } from '../../geometry/gaps';
import { turn, type Point } from '../../geometry/point';
import { encloses, type Polygon } from '../../geometry/polygon';
import { formatNumber, quantise } from '../../units/length';
import type { Board } from '../board';
import { isText } from '../features';
import { moveBy, placeOf, partWith, type Neighbour, type TrialFinding, type TrialRule } from '../rule';
import { textRemedies } from '../texts';
import type { CompiledTrial, PlacedPart } from '../trial';

const messages = {
  copper: 'Copper of {a} is {room} mm from the edge of the board, needs {limit} mm.',
  copperOut: 'Copper of {a} reaches {over} mm beyond the edge of the board.',
  hole: 'A hole of {a} is {room} mm from the edge of the board, needs {limit} mm.',
  holeOut: 'A hole of {a} breaks out of the board.',
  body: 'The body of {a} stands {over} mm out beyond the edge of the board.',
  print: 'The legend of {a} is printed {over} mm beyond the edge of the board.',
  text: 'The {role} of {a} is printed {over} mm beyond the edge of the board.',
  away: '{a} belongs at the edge of the board and faces none.',
  askew: 'The edge of the board does not run along {a}: it is turned by {angle}°.',
  inside: '{a} stands {by} mm inside the edge that it belongs at.',
  outside: '{a} stands {by} mm out beyond the edge that it belongs at.',
  overhang: '{a} stands out beyond the edge by {least} to {most} mm, asked for is {asked}.',
};

/** Whether a part lies so near an edge, or so far out, that its things have to be looked at. */
function isNearEdge({ has: { reach } }: Neighbour, { edges, polygon }: Board, limit: number): boolean {
  return edges.near(grow(reach, limit)).length > 0 || !encloses(polygon, { x: reach.minX, y: reach.minY });
}

/** The one of some figures with the least room to the edge, mm. */
function tightest(board: Board, figures: readonly Placed[]): { figure: Placed; room: number } | null {
  let worst: { figure: Placed; room: number } | null = null;
  for (const figure of figures) {
    const room = roomWithin(board.figure, figure);
    if (!worst || room < worst.room - 1e-9) worst = { figure, room };
  }
  return worst;
}

/** Moving a part inwards from the nearest edge, where the board's box has one. */
function inwards(trial: CompiledTrial, part: PlacedPart, figure: Placed, limit: number) {
  const { minX, minY, maxX, maxY } = trial.board.box;
  const short = (room: number) => Math.max(0, limit - room);
  const dx = short(figure.minX - minX) - short(maxX - figure.maxX);
  const dy = short(figure.minY - minY) - short(maxY - figure.maxY);
  return part.id === part.part ? moveBy(trial, part, quantise(dx), quantise(dy)) : [];
}

function fromEdgeRule(
  about: Pick<TrialRule, 'id' | 'title' | 'fault' | 'source' | 'severity'> & { readonly what: string },
  figuresOf: (one: Neighbour) => readonly Placed[],
  limitOf: (trial: CompiledTrial) => number,
  say: (room: number, limit: number) => string,
): TrialRule {
  const { what, ...rule } = about;
  return {
    ...rule,
    looksAt: partWith(what, (one) => figuresOf(one).length > 0),
    part(one, trial) {
      const limit = limitOf(trial);
      if (!isNearEdge(one, trial.board, limit)) return [];
      const worst = tightest(trial.board, figuresOf(one));
      if (!worst || worst.room >= limit - 1e-6) return [];
      const { room, figure } = worst;
      return [
        {
          message: fill(say(room, limit), {
            a: one.part.reference,
            room: mm(room),
            over: mm(-room),
            limit: mm(limit),
          }),
          measured: { value: room, limit, unit: 'mm' },
          place: placeOf(figure.at, one.part),
          remedies: inwards(trial, one.part, figure, limit),
        },
      ];
    },
  };
}

export const copperToEdge = fromEdgeRule(
  {
    id: 'trial-edge-copper',
    what: 'with copper',
    title: 'Copper to the edge',
    fault: 'Copper too near the edge',
    source: 'Process: edge to copper',
    severity: 'stop',
  },
  ({ has }) => has.copper.map(({ figure }) => figure),
  ({ process }) => process.edgeToCopper,
  (room) => (room < 0 ? messages.copperOut : messages.copper),
);

export const holeToEdge = fromEdgeRule(
  {
    id: 'trial-edge-hole',
    what: 'with holes',
    title: 'Holes to the edge',
    fault: 'Hole too near the edge',
    source: 'Process: edge to hole',
    severity: 'stop',
  },
  ({ has }) => has.holes.map(({ figure }) => figure),
  ({ process }) => process.edgeToHole,
  (room) => (room < 0 ? messages.holeOut : messages.hole),
);

export const legendOverEdge = fromEdgeRule(
  {
    id: 'trial-edge-legend',
    what: 'with legend',
    title: 'Legend on the board',
    fault: 'Legend is printed beyond the board',
    source: 'Geometry: nothing can be printed beyond the edge',
    severity: 'caution',
  },
  ({ has }) =>
    has.prints
      .filter(({ what }) => what === 'legend' || what === 'pin-1 mark')
      .flatMap(({ lines, width, filled }) =>
        lines.flatMap(({ points }) => points.map((at) => circleAt(at, filled ? 0.001 : width))),
      ),
  () => 0,
  () => messages.print,
);

export const textOverEdge: TrialRule = {
  id: 'trial-edge-text',
  title: 'Texts on the board',
  fault: 'Text is printed beyond the board',
  source: 'Geometry: nothing can be printed beyond the edge',
  severity: 'caution',
  looksAt: partWith('with texts', ({ has }) => has.prints.some(isText)),
  part(one, trial) {
    if (!isNearEdge(one, trial.board, 0)) return [];
    return one.has.prints.filter(isText).flatMap((print): TrialFinding[] => {
      const dots = print.lines.flatMap(({ points }) => points.map((at) => circleAt(at, print.width)));
      const worst = tightest(trial.board, dots);
      if (!worst || worst.room >= -1e-6) return [];
      const role = print.what;
      return [
        {
          message: fill(messages.text, { role, a: one.part.reference, over: mm(-worst.room) }),
          measured: { value: worst.room, limit: 0, unit: 'mm' },
          place: placeOf(worst.figure.at, one.part),
          mend: () => textRemedies(trial, one.part, role),
        },
      ];
    });
  },
};

export const bodyOverEdge = fromEdgeRule(
  {
    id: 'trial-edge-body',
    what: 'with a body on the board',
    title: 'Bodies on the board',
    fault: 'Body stands out beyond the board',
    source: 'Geometry',
    severity: 'caution',
  },
  // one that belongs at an edge is held against it by a rule of its own
  ({ part, has }) => (part.footprint.edge ? [] : [has.body.figure]),
  () => 0,
  () => messages.body,
);

/**
 * How far along a direction a board goes on from a point until its edge, mm, and which edge that is; less than
 * nothing where the point lies beyond it. `null` where the direction leads off no edge.
 */
export function edgeAlong(
  polygon: Polygon,
  from: Point,
  outward: Point,
): { readonly by: number; readonly edge: number } | null {
  let nearest: { by: number; edge: number } | null = null;
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length] as Point;
    const along = { x: b.x - a.x, y: b.y - a.y };
    // a board lies to the left of its edges: only those that the direction leaves it by
    const leaves = outward.x * along.y - outward.y * along.x;
    if (leaves <= 1e-12) return;
    const to = { x: a.x - from.x, y: a.y - from.y };
    const by = (to.x * along.y - to.y * along.x) / leaves;
    const share = (to.x * outward.y - to.y * outward.x) / leaves;
    if (share < -1e-9 || share > 1 + 1e-9) return;
    if (!nearest || Math.abs(by) < Math.abs(nearest.by)) nearest = { by, edge: i };
  });
  return nearest;
}

/** A part may lie this far off the edge that it belongs at, mm, where nothing else is asked. */
const ON_EDGE = 0.01;
/** So little an edge may be turned, degrees. */
const SQUARE = 0.2;

export const reachesEdge: TrialRule = {
  id: 'trial-edge-reach',
  title: 'Edge parts at their edge',
  fault: 'Part misses its edge',
  source: 'The footprint’s board edge',
  looksAt: partWith('that belongs at an edge', ({ part }) => part.footprint.edge !== null),
  severity: 'stop',
  part({ part }, trial): RuleFinding[] {
    const { edge } = part.footprint;
    if (!edge) return [];
    const a = part.reference;
    const outward = turn({ x: 1, y: 0 }, edge.outward);
    const { polygon } = trial.board;
    const met = edgeAlong(polygon, edge.at, outward);
    const place = placeOf(edge.at, part);
    if (!met) return [{ message: fill(messages.away, { a }), place }];
    const [from, to] = [polygon[met.edge] as Point, polygon[(met.edge + 1) % polygon.length] as Point];
    const along = turn({ x: to.x - from.x, y: to.y - from.y }, -edge.outward);
    const askew = Math.abs((Math.atan2(along.x, Math.abs(along.y)) * 180) / Math.PI);
    if (askew > SQUARE)
      return [{ message: fill(messages.askew, { a, angle: formatNumber(askew, 0, 1) }), place }];
    const by = quantise(met.by);
    const { least, most } = edge;
    const remedies =
      part.id === part.part
        ? moveBy(trial, part, quantise(outward.x * by), quantise(outward.y * by), true)
        : [];
    if (least === null && most === null) {
      if (Math.abs(by) <= ON_EDGE) return [];
      const message = fill(by > 0 ? messages.inside : messages.outside, { a, by: mm(Math.abs(by)) });
      return [{ message, measured: { value: by, limit: 0, unit: 'mm' }, place, remedies }];
    }
    const reach = { min: edge.overhang.min - by, max: edge.overhang.max - by };
    const short = least !== null && reach.min < least - 1e-6;
    const long = most !== null && reach.max > most + 1e-6;
    if (!short && !long) return [];
    const asked = [
      ...(least === null ? [] : [`at least ${mm(least)} mm`]),
      ...(most === null ? [] : [`at most ${mm(most)} mm`]),
    ];
    return [
      {
        message: fill(messages.overhang, {
          a,
          least: mm(reach.min),
          most: mm(reach.max),
          asked: asked.join(', '),
        }),
        measured: { value: short ? reach.min : reach.max, limit: (short ? least : most) ?? 0, unit: 'mm' },
        place,
        remedies,
      },
    ];
  },
};
