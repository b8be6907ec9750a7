import type { TapisDocument } from '../document/document';
import type { StackIntent } from '../document/intent';
import type { Footprint, Land } from '../footprint/footprint';
import { place, sizeOf } from '../geometry/figure';
import { add, turn } from '../geometry/point';
import { besideCopper, copperStack } from '../given/stack';
import type { GivenLand } from '../given/pattern';
import { mm } from '../package/composed/writer';
import type { Process } from '../process/process';
import type { Laid } from './pitch';

// Somebody else's lands on the terminals of a package: the package's document with what they have decided about
// its padstacks and numbers, so that every check of Tapis looks at them.

/** What of a pattern is kept. */
export interface Keeping {
  /** Lands whose copper, openings and hole are kept; the others are as computed. */
  readonly lands: ReadonlySet<string>;
  readonly numbers: boolean;
  /** Why, for the record. */
  readonly reason?: string;
}

/** The package's document with lands of the pattern. */
export function keptDocument(
  document: TapisDocument,
  { lands: own }: Pick<Footprint, 'lands'>,
  process: Process,
  laid: readonly Laid[],
  { lands: wanted, numbers, reason }: Keeping,
): TapisDocument {
  const stacks = new Map<string, StackIntent>();
  for (const pair of laid)
    if (wanted.has(pair.own.id)) stacks.set(pair.own.id, stackOf(pair, process, reason));
  const groups: Record<string, StackIntent> = { ...document.stacks?.groups };
  const lands: Record<string, StackIntent> = { ...document.stacks?.lands };
  for (const group of new Set(own.map((land) => land.group))) {
    const ids = own.filter((land) => land.group === group).map(({ id }) => id);
    const texts = new Set(ids.map((id) => JSON.stringify(stacks.get(id) ?? null)));
    const [first] = ids;
    const shared = first === undefined ? undefined : stacks.get(first);
    // lands that are alike are decided for once
    if (texts.size === 1 && shared) {
      groups[group] = shared;
      for (const id of ids) delete lands[id];
    } else for (const id of ids) if (stacks.has(id)) lands[id] = stacks.get(id) as StackIntent;
  }
  const called = numbers
    ? Object.fromEntries(
        laid.flatMap(({ own: { id, number }, given }) =>
          given.number !== '' && given.number !== number ? [[id, given.number.slice(0, 12)]] : [],
        ),
      )
    : {};
  const overrides = {
    ...document.overrides,
    ...(Object.keys(called).length > 0 ? { numbers: { ...document.overrides?.numbers, ...called } } : {}),
  };
  return {
    ...document,
    ...(Object.keys(overrides).length > 0 ? { overrides } : {}),
    ...(Object.keys(groups).length + Object.keys(lands).length > 0
      ? {
          stacks: {
            ...(Object.keys(groups).length > 0 ? { groups } : {}),
            ...(Object.keys(lands).length > 0 ? { lands } : {}),
          },
        }
      : {}),
  };
}

/** What is decided about a padstack where a land of the pattern is kept. */
function stackOf({ own, given }: Laid, process: Process, reason: string | undefined): StackIntent {
  const hole = own.hole && given.hole;
  // a hole stays where the lead is, and its copper and openings about it
  const frame = { at: hole ? hole.at : own.at, rotation: own.rotation };
  const land: GivenLand = {
    number: given.number,
    copper: given.copper,
    mask: given.mask,
    paste: given.paste,
    ...(hole ? { hole: { hole, plated: given.plated } } : {}),
    ...(hole && given.padstack.other
      ? {
          other: place(
            given.padstack.other,
            add(given.at, turn(given.padstack.offset, given.rotation)),
            given.rotation,
          ),
        }
      : {}),
  };
  const { hole: chosen, paste, ...rest } = besideCopper(land, frame, process.maskMargin, []);
  const isUsual = paste?.margin === mm(process.pasteMargin) && !paste.none;
  return {
    ...copperStack(frame, given.copper),
    ...rest,
    ...(paste && !isUsual ? { paste } : {}),
    ...(hole
      ? {
          hole: {
            ...holeSizes(hole.figure),
            ...(given.plated ? {} : { plated: false }),
            ...(chosen?.plus ? { plus: chosen.plus } : {}),
            ...(chosen?.minus ? { minus: chosen.minus } : {}),
          },
        }
      : {}),
    ...(reason ? { reason: reason.slice(0, 400) } : {}),
  };
}

function holeSizes(figure: Parameters<typeof sizeOf>[0]): { diameter: string; slot?: string } {
  const { width, height } = sizeOf(figure);
  const [long, across] = [Math.max(width, height), Math.min(width, height)];
  return { diameter: mm(across), ...(long > across ? { slot: mm(long) } : {}) };
}

/** Whether a land of the pattern can lie on a land of the package: both have a hole, or neither. */
export const isAlike = (own: Land, given: Land): boolean => (own.hole === null) === (given.hole === null);
