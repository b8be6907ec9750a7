import type { Drawable } from '../footprint/footprint';
import { jointModel, landOf, type JointModel, type LinearMargin } from '../joint/model';
import { bestLands, type BestAsk, type GroupBest } from './best';
import { spanRisk, pinRisk, type JointRisk } from './events';
import { contributorsOf, reliefsOf, type Contribution, type Relief } from './matters';
import { capabilityOf, measuredOf, type Capability } from './measured';
import { spreadsOf, variablesOf } from './spreads';

/** What spreads one margin of a group's joints. */
export interface MarginMatters {
  readonly end: LinearMargin['end'];
  readonly contributors: readonly Contribution[];
}

/** What matters for the joints of one group of lands as they are. */
export interface Matters {
  readonly group: string;
  readonly title: string;
  readonly margins: readonly MarginMatters[];
  /** What a narrower tolerance would spare, the most first. */
  readonly reliefs: readonly Relief[];
}

/** The best lands, and what matters for those that are there. */
export interface BestAnswer {
  readonly name: string;
  readonly groups: readonly GroupBest[];
  readonly matters: readonly Matters[];
  /** How well measured processes hold the limits that the process states. */
  readonly capabilities: readonly (Capability & { readonly variable: string; readonly range: number })[];
}

/** The joints of a group of lands as they are: what varies in them and what makes them bad. */
export interface GroupRisk {
  readonly group: string;
  readonly title: string;
  readonly risk: JointRisk;
  readonly model: JointModel;
}

/** The joints of every group that can be bad. */
export function risksOf({ footprint, process }: Drawable): GroupRisk[] {
  return footprint.groups.flatMap((group): GroupRisk[] => {
    const { id, title } = group.terminals;
    const land = footprint.lands.find((one) => one.group === id && one.terminal);
    const risk =
      land &&
      (group.kind === 'span'
        ? spanRisk(group, landOf(land, group.terminals), process)
        : group.kind === 'pin'
          ? pinRisk(group, footprint, land, process)
          : null);
    const model = land && jointModel(footprint, land, process);
    return land && risk && model ? [{ group: id, title, risk, model }] : [];
  });
}

/** What matters for the joints of every group: closed forms, at once. */
export function mattersOf(drawable: Drawable, ask: BestAsk = {}): Matters[] {
  const spreads = spreadsOf(drawable, ask.spreads);
  return risksOf(drawable).map(({ group, title, risk, model }) => ({
    group,
    title,
    margins: model.margins.map((margin) => ({
      end: margin.end,
      contributors: contributorsOf(model, margin, spreads).map((one) =>
        one.number ? one : { ...one, ...symbolOf(drawable, model.variables, one.name) },
      ),
    })),
    reliefs: reliefsOf(risk, spreads).filter(({ spared }) => spared > 0),
  }));
}

/** The dimension that has the limits of a variable, where there is one alone. */
function symbolOf(
  { resolved }: Drawable,
  variables: JointRisk['variables'],
  name: string,
): Pick<Contribution, 'symbol'> {
  const variable = variables.find((one) => one.name === name);
  if (!variable) return {};
  const { middle, range } = variable;
  const alike = (resolved?.dimensions ?? []).filter(
    ({ value }) =>
      value &&
      Math.abs(value.max - value.min - range) < 1e-9 &&
      Math.abs((value.max + value.min) / 2 - middle) < 1e-9,
  );
  const [only, ...others] = alike;
  return only && others.length === 0 ? { symbol: only.definition.symbol } : {};
}

/** The best lands of a footprint and what matters. Yields the share that is done. */
export function* bestAnswer(drawable: Drawable, asked: BestAsk = {}): Generator<number, BestAnswer> {
  const ask = { ...asked, spreads: spreadsOf(drawable, asked.spreads) };
  const run = bestLands(drawable, ask);
  let step = run.next();
  while (!step.done) {
    yield step.value;
    step = run.next();
  }
  const ranges = new Map(variablesOf(drawable).map(({ name, range }) => [name, range]));
  const capabilities = Object.entries(ask.spreads).flatMap(([variable, spread]) => {
    const range = ranges.get(variable);
    return spread.kind === 'measured' && range
      ? [{ variable, range, ...capabilityOf(measuredOf(spread.values), range) }]
      : [];
  });
  return {
    name: drawable.document.name,
    groups: step.value,
    matters: mattersOf(drawable, ask),
    capabilities,
  };
}
