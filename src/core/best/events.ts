import { endJointLimit, endStaysOn, sideOverhangLimit, type ProductClass } from '../joint/acceptance';
import { jointModel, spanModel, type JointModel } from '../joint/model';
import type { Footprint, Land } from '../footprint/footprint';
import type { PinSolution, SpanSolution } from '../land/solution';
import type { LandSize } from '../land/solver';
import type { Process } from '../process/process';

/**
 * One way in which a joint is bad: a sum of its variables falls under nothing. mm
 *
 *     constant + Σ factors[i]·variables[i] < 0
 */
export interface BadEvent {
  readonly what: string;
  /** Which side of the land it comes from, for what would mend it. */
  readonly end: 'outer' | 'inner' | 'side' | 'hole' | 'ring' | 'length';
  readonly constant: number;
  readonly factors: readonly number[];
}

/** A joint with everything that varies in it and everything that makes it bad. */
export interface JointRisk {
  readonly variables: JointModel['variables'];
  readonly events: readonly BadEvent[];
}

/** Places of variables in the model of a span. */
const [T, W] = [1, 2];

/**
 * How a joint of a span can miss its class (IPC-A-610, 8.3; J-STD-001): an end that hangs over where none may,
 * a joint along the terminal that is too short, a side that hangs over too far, a joint too narrow at its end.
 * @param size of the land, mm
 */
export function spanRisk(group: SpanSolution, size: LandSize, process: Process): JointRisk {
  const { terminals, goals, goalRow } = group;
  const model = spanModel(terminals, size, goals, goalRow.ends, process);
  const [outer, inner, side] = model.margins as [
    JointModel['margins'][number],
    JointModel['margins'][number],
    JointModel['margins'][number],
  ];
  const n = model.variables.length;
  const { acceptanceClass } = process;
  const unit = (i: number, by = 1) => Array.from({ length: n }, (_, j) => (i === j ? by : 0));
  const sum = (...all: readonly (readonly number[])[]) =>
    Array.from({ length: n }, (_, j) => all.reduce((total, one) => total + (one[j] ?? 0), 0));
  const { form } = terminals;
  const events: BadEvent[] = [];
  const put = (what: string, end: BadEvent['end'], constant: number, factors: readonly number[]) =>
    events.push({ what, end, constant, factors });
  if (endStaysOn(form)) put(`${outer.end} hangs over`, 'outer', outer.constant, outer.factors);
  const least = leastLength(group, acceptanceClass);
  if (least) {
    const length = sum(
      unit(T),
      least.factors(unit).map((f) => -f),
    );
    put(
      `joint too short at the ${outer.end}`,
      'outer',
      outer.constant - least.constant,
      sum(length, outer.factors),
    );
    put(
      `joint too short at the ${inner.end}`,
      'inner',
      inner.constant - least.constant,
      sum(length, inner.factors),
    );
    put(
      'joint too short at both ends',
      'length',
      outer.constant + inner.constant - least.constant,
      sum(length, outer.factors, inner.factors),
    );
  }
  const over = sideOverhangLimit(acceptanceClass, form);
  put('side hangs over', 'side', side.constant, sum(side.factors, unit(W, over)));
  const narrow = endJointLimit(acceptanceClass);
  if (1 - narrow < over)
    put('end joint too narrow', 'side', side.constant, sum(side.factors, unit(W, 1 - narrow)));
  // the land itself may be narrower than the joint has to be wide: both of its edges move
  put('land too narrow', 'side', 2 * side.constant, sum(unit(6, 2), unit(W, -narrow)));
  return { variables: model.variables, events };
}

/** What the joint has to be long, as a constant and factors of T and W; `null` where the form has no such demand. */
function leastLength(
  { terminals: { form, length, width } }: SpanSolution,
  productClass: ProductClass,
): {
  readonly constant: number;
  readonly factors: (unit: (i: number, by?: number) => number[]) => number[];
} | null {
  const [L, w] = [(length.min + length.max) / 2, (width.min + width.max) / 2];
  if (form === 'gull-wing') {
    if (productClass === 1) {
      if (L <= Math.min(w, 0.5)) return { constant: 0, factors: (unit) => unit(T) };
      return w <= 0.5
        ? { constant: 0, factors: (unit) => unit(W) }
        : { constant: 0.5, factors: (unit) => unit(T, 0) };
    }
    if (L < 3 * w) return { constant: 0, factors: (unit) => unit(T) };
    return 3 * w >= 0.75 * L
      ? { constant: 0, factors: (unit) => unit(W, 3) }
      : { constant: 0, factors: (unit) => unit(T, 0.75) };
  }
  if (form === 'cylindrical-end' && productClass > 1)
    return { constant: 0, factors: (unit) => unit(T, productClass === 3 ? 0.75 : 0.5) };
  return null;
}

/**
 * How a lead through the board can be bad: it does not go in, its hole is too wide to fill, or the ring is
 * under the process's least where the drill has wandered.
 */
export function pinRisk(
  group: PinSolution,
  footprint: Footprint,
  land: Land,
  process: Process,
): JointRisk | null {
  const model = jointModel(footprint, land, process);
  const [wall, ring] = model?.margins ?? [];
  if (!model || !wall || !ring) return null;
  const most = group.allowances.most.value;
  return {
    variables: model.variables,
    events: [
      { what: 'lead does not go in', end: 'hole', constant: wall.constant, factors: wall.factors },
      // half of what is left all round, against half of the most that fills
      { what: 'hole too wide to fill', end: 'hole', constant: most / 2, factors: [0.5, -0.5, 0, 0, 0] },
      {
        what: 'ring too thin',
        end: 'ring',
        constant: ring.constant - process.minRing,
        factors: ring.factors,
      },
    ],
  };
}
