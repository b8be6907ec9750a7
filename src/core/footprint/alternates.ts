import type { TapisDocument } from '../document/document';
import type { ChoicesRead } from '../document/intent';
import { sizesOf } from '../land/solution';
import { formatNumber } from '../units/length';
import type { Alternate, Compiled, Footprint } from './footprint';

// Parts of several sources share one footprint. Each second source is a document of its own, with its own dimensions
// and with the lands of the first, so that every rule looks at it as at any other part.

type Read = ChoicesRead['alternates'][number];

/**
 * Parts of second sources, each compiled onto the lands of the first.
 * @param footprint of the first; where it has none, lands are those of the parts themselves
 */
export function alternatesOf(
  document: TapisDocument,
  all: readonly Read[],
  footprint: Footprint | null,
  compile: (document: TapisDocument) => Compiled,
): Alternate[] {
  return all.map((one, i) => ({
    id: one.id,
    title: one.title?.trim() || `second source ${i + 1}`,
    compiled: compile(alternateDocument(document, one, footprint)),
  }));
}

/** The document of a second source's part on the lands of the first. */
function alternateDocument(
  document: TapisDocument,
  { title, where, unit, dimensions }: Read,
  footprint: Footprint | null,
): TapisDocument {
  const {
    alternates: _,
    waivers: __,
    recommended: ___,
    standard,
    overrides,
    body,
    package: own,
    ...rest
  } = document;
  // its datasheet has a unit of its own, whatever that of the first is printed in
  const entered = [...dimensions].flatMap(([symbol, text]) =>
    text?.trim() ? [[symbol, { text, unit: unit ?? 'mm' }] as const] : [],
  );
  const { model: ____, ...bodyOptions } = body ?? {};
  const { land: _____, ...otherOverrides } = overrides ?? {};
  return {
    ...rest,
    package: {
      ...own,
      dimensions: { ...own.dimensions, ...Object.fromEntries(entered) },
      source: [title, where].filter(Boolean).join(', ').slice(0, 300),
    },
    ...(standard ? { standard } : {}),
    ...(Object.keys(bodyOptions).length > 0 ? { body: bodyOptions } : {}),
    overrides: { ...otherOverrides, lands: { ...overrides?.lands, ...landsOf(footprint) } },
  };
}

/** The lands of a footprint as sizes that are set by hand. */
function landsOf(footprint: Footprint | null): NonNullable<NonNullable<TapisDocument['overrides']>['lands']> {
  return Object.fromEntries(
    (footprint?.groups ?? []).map((group) => [
      group.terminals.id,
      Object.fromEntries(
        sizesOf(group)
          .filter(({ settable }) => settable)
          .map(({ symbol, value }) => [symbol, `${formatNumber(value, 2, 6)}mm`]),
      ),
    ]),
  );
}

/** How the terminals of a part do not lie on the lands of another. */
export type Misfit =
  | { readonly kind: 'count'; readonly lands: number; readonly terminals: number }
  | { readonly kind: 'apart'; readonly number: string; readonly by: number };

/** Terminals that lie farther from where their lands are do not belong on them, mm. */
const APART = 0.001;

/** Whether the lands that a part would have lie where those of another are; `null` where they do. */
export function misfitOf(first: Footprint, own: Footprint): Misfit | null {
  const at = new Map(own.lands.map((land) => [land.id, land.at]));
  const [lands, terminals] = [new Set(first.lands.map(({ id }) => id)).size, at.size];
  if (lands !== terminals || first.lands.some(({ id }) => !at.has(id)))
    return { kind: 'count', lands, terminals };
  let [by, number] = [0, ''];
  for (const land of first.lands) {
    const other = at.get(land.id) ?? land.at;
    const apart = Math.hypot(other.x - land.at.x, other.y - land.at.y);
    if (apart > by) [by, number] = [apart, land.number];
  }
  return by > APART ? { kind: 'apart', number, by } : null;
}
