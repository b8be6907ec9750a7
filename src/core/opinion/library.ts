import type { Drawable } from '../footprint/footprint';
import { boxRound } from '../geometry/box';
import { opinionOn, type Opinion } from './opinion';
import type { Verdict } from './remark';

// A library of foreign patterns against packages: which belongs to which, by name or else by lands, and what is
// thought of each.

/** Something that can be drawn, by its name. */
export interface Named {
  readonly name: string;
  readonly drawn: Drawable;
}

/** What is thought of one pattern of a library. */
export interface LibraryOpinion {
  readonly pattern: string;
  /** The package that it was held against; `null` where none has its lands. */
  readonly against: string | null;
  /** How the package was found. */
  readonly by: 'name' | 'lands' | null;
  readonly verdict: Verdict | 'unmatched';
  readonly line: string;
  readonly remarks: Opinion['remarks'];
}

/** Packages that are tried by their lands, the nearest in size first. */
const TRIED = 8;
const RANK: Readonly<Record<LibraryOpinion['verdict'], number>> = {
  wrong: 0,
  unmatched: 1,
  look: 2,
  usable: 3,
};

/** Holds each pattern against the package that it is meant for. @returns the worst first, then by name */
export function opinionsOn(patterns: readonly Named[], packages: readonly Named[]): LibraryOpinion[] {
  return patterns
    .map((pattern) => opinionOf(pattern, packages))
    .sort((a, b) => RANK[a.verdict] - RANK[b.verdict] || a.pattern.localeCompare(b.pattern, 'en'));
}

function opinionOf(pattern: Named, packages: readonly Named[]): LibraryOpinion {
  const named = packages.filter((one) => callsIt(one, pattern));
  const found = named.length > 0 ? named : nearest(pattern, packages);
  const [best] = found
    .flatMap((one) => {
      const read = opinionOn(pattern.drawn, one.drawn);
      return read.ok ? [{ one, opinion: read.value }] : [];
    })
    .sort((a, b) => misfit(a.opinion) - misfit(b.opinion));
  const isFound = best && (named.length > 0 || best.opinion.fit.missing.length === 0);
  if (!isFound)
    return {
      pattern: pattern.name,
      against: null,
      by: null,
      verdict: 'unmatched',
      line: 'No package that it was held against has its name or its lands.',
      remarks: [],
    };
  const { line, verdict, remarks } = best.opinion;
  const by = named.length > 0 ? 'name' : 'lands';
  return { pattern: pattern.name, against: best.one.name, by, verdict, line, remarks };
}

const plain = (name: string): string => name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/** Whether a package has a pattern's name: its own, or that of the standard with or without the level. */
function callsIt({ name, drawn }: Named, pattern: Named): boolean {
  const { standardName } = drawn.footprint;
  const names = [name, standardName, standardName.replace(/[LMN]$/, '')].map(plain);
  return names.includes(plain(pattern.name));
}

/** Packages with as many lands or one more or less, as a pad may be, the nearest in size first. */
function nearest({ drawn }: Named, packages: readonly Named[]): readonly Named[] {
  const sizeOf = ({ footprint: { lands } }: Drawable) => {
    const box = boxRound(lands.map(({ copper }) => copper));
    return box ? Math.hypot(box.maxX - box.minX, box.maxY - box.minY) : 0;
  };
  const own = sizeOf(drawn);
  const count = drawn.footprint.lands.length;
  return packages
    .filter((one) => Math.abs(one.drawn.footprint.lands.length - count) <= 1)
    .map((one) => ({ one, off: Math.abs(sizeOf(one.drawn) - own) }))
    .sort((a, b) => a.off - b.off)
    .slice(0, TRIED)
    .map(({ one }) => one);
}

/** How ill a pattern goes with a package, to choose between packages. */
function misfit({ fit, lands, remarks }: Opinion): number {
  const off = lands.reduce(
    (sum, { longer, wider, outward, across }) =>
      sum + Math.abs(longer) + Math.abs(wider) + Math.abs(outward) + Math.abs(across),
    0,
  );
  const stops = remarks.filter(({ severity }) => severity === 'stop').length;
  return 1000 * (fit.missing.length + fit.extra.length) + 10 * stops + off / Math.max(1, lands.length);
}
