import type { TapisDocument } from '../document/document';
import { applyEdits } from '../document/edit';
import { drawPackage } from '../package/draw';
import { ALL_MAKERS } from '../package/makers';
import { fail, ok, type Result } from '../units/result';
import { withPlaces, type DrawnOutline } from './drawn/table';
import { continued } from './continued';
import { guessFamilies, type FamilyGuess } from './family';
import type { Grid } from './grid';
import { kindById } from './kinds';
import type { LaidOut } from './layouts';
import { readPattern } from './pattern';
import { readDimensions, tablesOf, type SourceReading } from './reading';
import { nearestSize } from './sizes';
import { patternEdits, takenDocument, type TakenFrom } from './take';

/** What is asked of a datasheet. */
export interface SheetAsk {
  /** Id of the family; guessed where it is missing. */
  readonly family?: string | undefined;
  /** Name of a size, or the number of its leads. */
  readonly size?: string | undefined;
  readonly unit?: 'mm' | 'in' | 'mil' | undefined;
}

/** By how much one family has to be ahead of the next to be taken without being asked for. */
const AHEAD = 1;

/** One page, or a whole text, with what it has of tables. */
export interface Candidate {
  readonly page: number;
  readonly grids: readonly Grid[];
  readonly isScan: boolean;
  readonly seenAt?: TakenFrom['seenAt'];
  /** What is drawn on it beside its words. */
  readonly drawing?: DrawnOutline;
}

/** All tables of a page: those that are printed, their letters where the drawing shows them, and the drawing itself. */
export function tablesOn({
  grids,
  isScan,
  drawing,
}: Pick<Candidate, 'grids' | 'isScan' | 'drawing'>): LaidOut[] {
  const printed = tablesOf(grids, isScan);
  if (!drawing) return printed;
  return [...printed.map((table) => withPlaces(table, drawing)), ...(drawing.table ? [drawing.table] : [])];
}

/** The pages of a datasheet, and each with the table that the next page goes on with. */
function withContinued(candidates: readonly Candidate[]): readonly Candidate[] {
  return candidates.flatMap((candidate) => {
    const next = candidates.find(({ page, isScan }) => page === candidate.page + 1 && !isScan);
    const grids = next && !candidate.isScan ? continued(candidate, next) : null;
    return grids ? [candidate, { ...candidate, grids }] : [candidate];
  });
}

/** The page of a datasheet that was taken, and what was read of it. */
export interface BestPage {
  readonly candidate: Candidate;
  readonly reading: SourceReading;
  /** Families that the table may be of, the best first; empty where one was asked for. */
  readonly guesses: readonly FamilyGuess[];
}

/**
 * The page that fits best.
 * @returns why none is taken, in words, with what there is to choose from
 */
export function bestPage(
  candidates: readonly Candidate[],
  name: string,
  ask: SheetAsk,
): Result<BestPage, string> {
  const found = withContinued(candidates).flatMap((candidate) => {
    const one = readCandidate(candidate, ask);
    return one ? [one] : [];
  });
  const best = found.sort((a, b) => b.reading.score - a.reading.score)[0];
  if (!best) return fail(nothingFound(candidates, name, ask));
  const [first, second] = best.guesses;
  if (first && second && first.score - second.score < AHEAD)
    return fail(
      `It may be of several families; name one: ${best.guesses
        .slice(0, 4)
        .map(({ kind: { id }, reasons }) => `${id} (${reasons.join('; ')})`)
        .join(', ')}.`,
    );
  return ok(best);
}

/** The document of what was read of a page, with the land pattern that the datasheet recommends where it has one. */
export function documentOfPage(
  name: string,
  { candidate, reading }: BestPage,
  candidates: readonly Candidate[],
  source: TakenFrom['source'],
): TapisDocument {
  const from: TakenFrom = {
    source,
    page: candidate.page,
    isScan: candidate.isScan,
    ...(candidate.seenAt ? { seenAt: candidate.seenAt } : {}),
  };
  return withPattern(takenDocument(name, reading, from), candidates, from);
}

/** A document with the land pattern that the datasheet recommends, where a page has one. */
function withPattern(
  document: TapisDocument,
  candidates: readonly Candidate[],
  from: TakenFrom,
): TapisDocument {
  const groups = (drawPackage(document, ALL_MAKERS).drawn?.groups ?? [])
    .filter(({ kind }) => kind === 'span')
    .map(({ id }) => id);
  if (groups.length === 0) return document;
  for (const { page, grids, isScan } of candidates) {
    const pattern = readPattern(tablesOf(grids, isScan));
    if (pattern) return applyEdits(document, patternEdits(document, pattern, groups, { ...from, page }));
  }
  return document;
}

function readCandidate(candidate: Candidate, { family, size, unit }: SheetAsk): BestPage | null {
  const tables = tablesOn(candidate);
  const asked = {
    ...(size === undefined ? {} : { size }),
    ...(unit ? { unit } : {}),
    isScan: candidate.isScan,
  };
  const kind = family === undefined ? null : kindById(family);
  if (kind) {
    const reading = readDimensions(tables, { ...asked, kind });
    return reading && reading.dimensions.length > 0 ? { candidate, reading, guesses: [] } : null;
  }
  const guesses = tables.length > 0 ? guessFamilies(tables, asked) : [];
  const [first] = guesses;
  return first && first.reading.dimensions.length > 1 ? { candidate, reading: first.reading, guesses } : null;
}

/** Sizes that a refusal names. */
const MOST_NAMED = 12;

function nothingFound(candidates: readonly Candidate[], name: string, { size }: SheetAsk): string {
  const tables = candidates.flatMap(tablesOn);
  const sizes = [...new Set(tables.flatMap((table) => table.sizes))].filter((one) => one !== '');
  if (size !== undefined && sizes.length > 0) {
    const near = nearestSize(sizes, size);
    const all =
      sizes.length > MOST_NAMED
        ? `${sizes.slice(0, MOST_NAMED).join(', ')} and ${sizes.length - MOST_NAMED} more`
        : sizes.join(', ');
    return `There is no size “${size.slice(0, 40)}” in ${name}${near === null ? '' : `; the nearest is “${near}”`}. It has ${all}.`;
  }
  const isDrawn = candidates.some(({ drawing }) => drawing !== undefined);
  return `No table of dimensions was found in ${name}${isDrawn ? ', and no drawing of a package with numbers at its lines' : ''}.`;
}
