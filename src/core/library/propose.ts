import { compileAndCheck } from '../check/guarded';
import type { TapisDocument } from '../document/document';
import type { Compiled, Footprint } from '../footprint/footprint';
import { noModels, type ModelSource } from '../footprint/imported';
import { sizeOf } from '../geometry/figure';
import { marginsOf } from '../joint/margins';
import { landOf } from '../joint/model';
import { clauseFieldAt, type ClauseValue } from '../standard/fields';
import { GOAL_SIZES } from '../standard/published';
import type { Clause, StandardDocument } from '../standard/standard';
import { clauseText } from '../standard/words';
import { quantise } from '../units/length';

// A standard read off footprints: what a group of them has in common that is not as published.

/** What was seen at one place of a standard, over all footprints that show it. */
export interface Observed {
  readonly at: string;
  readonly title: string;
  /** How many footprints show it. */
  readonly footprints: number;
  /** Of lengths, mm; `null` for choices. */
  readonly spread: { readonly least: number; readonly middle: number; readonly most: number } | null;
  /** What most of them have, and how many. */
  readonly common: ClauseValue;
  readonly agree: number;
  readonly published: ClauseValue | null;
  /** Whether it is proposed as a clause: enough agree, and it is not what is published. */
  readonly isProposed: boolean;
}

/** A standard that was read off footprints, with everything that was seen. */
export interface Proposal {
  readonly standard: StandardDocument;
  readonly observed: readonly Observed[];
  /** Footprints that could not be drawn, by name. */
  readonly left: readonly string[];
}

/** Values that lie so close are one. mm */
const ALIKE = 0.03;
/** What lies farther than rounding to 0.05 mm may take from what is published is meant otherwise: three quarters of a step. mm */
const MEANT = 0.0375;
/** Stands for a choice that a footprint leaves to the standard. */
const UNSAID = '';
/** Share of footprints that have to agree, and the least number of them. */
const MOST = 0.6;
const LEAST = 2;

/**
 * Reads a standard off footprints.
 * @param name what the standard is called
 */
export function proposeStandard(
  documents: readonly TapisDocument[],
  name: string,
  models: ModelSource = noModels,
): Proposal {
  const seen = new Map<string, ClauseValue[]>();
  const left: string[] = [];
  for (const document of documents) {
    const { compiled } = compileAndCheck(document, models);
    const { footprint } = compiled;
    if (!footprint) {
      left.push(document.name);
      continue;
    }
    for (const [at, value] of observedIn(compiled, footprint)) seen.set(at, [...(seen.get(at) ?? []), value]);
  }
  const observed = [...seen]
    .filter(([, values]) => values.some((value) => value !== UNSAID))
    .map(([at, values]) => summed(at, values))
    .sort((a, b) => (a.at < b.at ? -1 : 1));
  const clauses = Object.fromEntries(
    observed.flatMap((one): [string, Clause][] =>
      one.isProposed ? [[one.at, { value: one.common, reason: reasonFor(one) }]] : [],
    ),
  );
  const id = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 40);
  const standard: StandardDocument = {
    id: id || 'read-off',
    name,
    version: '1',
    summary: `Read off ${documents.length - left.length} footprints.`,
    clauses,
  };
  return { standard, observed, left };
}

function reasonFor({ agree, footprints, spread, at }: Observed): string {
  const field = clauseFieldAt(at);
  const range =
    spread && field ? `, ${clauseText(field, spread.least)} to ${clauseText(field, spread.most)}` : '';
  return `As ${agree} of ${footprints} footprints have it${range}.`;
}

function summed(at: string, values: readonly ClauseValue[]): Observed {
  const field = clauseFieldAt(at);
  const published = field?.published ?? null;
  const numbers = values.filter((value) => typeof value === 'number');
  const isLength = numbers.length === values.length;
  const sorted = [...numbers].sort((a, b) => a - b);
  const middle = sorted[Math.floor(sorted.length / 2)] ?? 0;
  const [common, agree] = isLength
    ? ([Math.round(middle * 100) / 100, sorted.filter((v) => Math.abs(v - middle) <= ALIKE).length] as const)
    : mostOf(values);
  const differs =
    published === null ||
    (isLength && typeof published === 'number' ? Math.abs(middle - published) > MEANT : common !== published);
  return {
    at,
    title: field?.title ?? at,
    footprints: values.length,
    spread: isLength ? { least: sorted[0] ?? 0, middle, most: sorted.at(-1) ?? 0 } : null,
    common,
    agree,
    published,
    isProposed: differs && common !== UNSAID && agree >= LEAST && agree / values.length >= MOST,
  };
}

function mostOf(values: readonly ClauseValue[]): readonly [ClauseValue, number] {
  const counts = new Map<ClauseValue, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0] ?? ['', 0];
}

/** What one footprint shows of what a standard may say. Places that the process alone decides are left out. */
function observedIn(compiled: Compiled, footprint: Footprint): Map<string, ClauseValue> {
  const { process, document } = compiled;
  const { level } = document;
  const found = new Map<string, ClauseValue>();
  for (const group of footprint.groups) {
    if (group.kind !== 'span' || group.terminals.lone) continue;
    const land = footprint.lands.find((one) => one.group === group.terminals.id && one.terminal);
    if (!land) continue;
    const margins = marginsOf(group, landOf(land, group.terminals), footprint.contacts, process);
    const published = group.goalRow.id;
    for (const [i, size] of GOAL_SIZES.slice(0, 3).entries()) {
      const inverse = margins[i]?.inverse;
      if (inverse !== undefined && clauseFieldAt(`goals/${published}/${size}/${level}`))
        found.set(`goals/${published}/${size}/${level}`, quantise(inverse));
    }
    if (clauseFieldAt(`goals/${published}/courtyard/${level}`))
      found.set(`goals/${published}/courtyard/${level}`, footprint.courtyard.excess);
  }
  const [stack] = footprint.padstacks;
  if (stack && stack.kind === 'surface' && stack.copper.kind === 'rectangle' && stack.copper.radius) {
    const { width, height } = sizeOf(stack.copper);
    found.set('pads/surface/corner-share', quantise(stack.copper.radius / Math.min(width, height)));
  }
  const margin = stack?.margins.mask;
  if (stack && margin !== undefined && margin !== process.maskMargin)
    found.set(stack.kind === 'pin' ? 'pads/pin/mask-margin' : 'pads/surface/mask-margin', margin);
  const { marks, origin } = document;
  if (footprint.legend.lines.length > 0 && footprint.legend.width !== process.legendWidth)
    found.set('marks/legend-width', footprint.legend.width);
  // what is left to the standard counts too: two of thirty are no habit
  found.set('marks/pin-1', marks?.pin1Shape ?? UNSAID);
  found.set('marks/legend', marks?.style ?? UNSAID);
  found.set('marks/courtyard', marks?.courtyard ?? UNSAID);
  const printed = footprint.texts.find(({ role }) => role === 'reference');
  if (printed && printed.height !== process.textHeight) found.set('marks/text-height', printed.height);
  found.set('marks/origin', origin && origin.at !== 'point' ? origin.at : UNSAID);
  if (footprint.orientation !== process.orientation) found.set('marks/orientation', footprint.orientation);
  return found;
}
