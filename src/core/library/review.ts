import type { Checked } from '../check/guarded';
import { compareFootprints, type Difference } from '../compare/differences';
import { isDrawable } from '../footprint/footprint';
import { worstShare } from './worst-share';
import { drawingOf, type CardDrawing } from './facts';

// What changed between two states of a library, for a colleague who approves it.

/** A footprint of one state, by its path in the library. */
export interface Entry {
  readonly path: string;
  readonly checked: Checked;
}

/** One footprint that is new, gone or changed. */
export interface Reviewed {
  readonly path: string;
  readonly name: string;
  readonly kind: 'new' | 'gone' | 'changed';
  readonly standardName: string | null;
  readonly was: Side | null;
  readonly is: Side | null;
  /** In what they differ, copper first. */
  readonly differences: readonly Difference[];
  readonly copperDiffers: boolean;
  /** Boards that use it. */
  readonly usedBy: readonly string[];
}

/** One side of a review. */
export interface Side {
  readonly drawing: CardDrawing | null;
  readonly verdict: Checked['report']['verdict'];
  readonly findings: readonly {
    readonly severity: string;
    readonly title: string;
    readonly message: string;
  }[];
  /** Share of bad joints, the worst group of lands; `null` where there is none. */
  readonly badShare: number | null;
}

/** What changed between two states. */
export interface Review {
  readonly entries: readonly Reviewed[];
  /** How many are the same on both sides. */
  readonly unchanged: number;
}

const RANK = { changed: 0, new: 1, gone: 2 } as const;
const ORDER: Readonly<Record<Difference['what'], number>> = {
  land: 0,
  padstack: 1,
  number: 2,
  pin: 3,
  courtyard: 4,
  mark: 5,
  height: 6,
  body: 7,
  name: 8,
  finding: 9,
  entry: 10,
};

/**
 * Holds two states of a library against each other, by their paths.
 * @param usedBy names of boards by the path of a footprint
 */
export function reviewOf(
  before: readonly Entry[],
  after: readonly Entry[],
  usedBy: ReadonlyMap<string, readonly string[]> = new Map(),
): Review {
  const news = new Map(after.map((entry) => [entry.path, entry.checked]));
  const olds = new Map(broughtAlong(before, after).map((entry) => [entry.path, entry.checked]));
  let unchanged = 0;
  const entries = [...new Set([...olds.keys(), ...news.keys()])].sort().flatMap((path): Reviewed[] => {
    const [was, is] = [olds.get(path), news.get(path)];
    const one = is ?? was;
    if (!one) return [];
    const compared = was && is ? compareFootprints(was, is) : null;
    if (compared && compared.differences.length === 0) {
      unchanged += 1;
      return [];
    }
    return [
      {
        path,
        name: one.compiled.document.name,
        kind: was && is ? 'changed' : is ? 'new' : 'gone',
        standardName: one.compiled.footprint?.standardName ?? null,
        was: was ? sideOf(was) : null,
        is: is ? sideOf(is) : null,
        differences: [...(compared?.differences ?? [])].sort((a, b) => ORDER[a.what] - ORDER[b.what]),
        copperDiffers: compared?.copperDiffers ?? true,
        usedBy: usedBy.get(path) ?? [],
      },
    ];
  });
  return joinedReviews([{ entries, unchanged }]);
}

/** Reviews of parts of a library as one: what changed first, in copper before all. */
export function joinedReviews(parts: readonly Review[]): Review {
  const entries = parts.flatMap((part) => part.entries);
  entries.sort(
    (a, b) =>
      RANK[a.kind] - RANK[b.kind] ||
      Number(b.copperDiffers) - Number(a.copperDiffers) ||
      (a.path < b.path ? -1 : 1),
  );
  return { entries, unchanged: parts.reduce((sum, { unchanged }) => sum + unchanged, 0) };
}

/** The footprints before, those that lie under another path now by that: known by a name that none else has. */
function broughtAlong(before: readonly Entry[], after: readonly Entry[]): Entry[] {
  const lonely = (some: readonly Entry[], others: readonly Entry[]) => {
    const there = new Set(others.map(({ path }) => path));
    return some.filter(({ path }) => !there.has(path));
  };
  const nameOf = ({ checked }: Entry) => checked.compiled.document.name;
  const [gone, come] = [lonely(before, after), lonely(after, before)];
  const only = (all: readonly Entry[], name: string) => {
    const found = all.filter((one) => nameOf(one) === name);
    return found.length === 1 ? found[0] : undefined;
  };
  return before.map((entry) => {
    if (!gone.includes(entry) || !only(gone, nameOf(entry))) return entry;
    const moved = only(come, nameOf(entry));
    return moved ? { ...entry, path: moved.path } : entry;
  });
}

function sideOf({ compiled, report }: Checked): Side {
  return {
    drawing: compiled.footprint && drawingOf(compiled.footprint),
    verdict: report.verdict,
    findings: report.findings.map(({ severity, title, message }) => ({ severity, title, message })),
    badShare: isDrawable(compiled) ? worstShare(compiled) : null,
  };
}
