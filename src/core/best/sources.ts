import { misfitOf } from '../footprint/alternates';
import { isDrawable, type Drawable } from '../footprint/footprint';
import type { PinSolution, SpanSolution } from '../land/solution';
import type { BadShare } from './share';

// Parts of several sources on the same lands: which there are, and what a land is for all of them.

/** The terminals of one source's part. */
export interface Source<G> {
  readonly title: string;
  readonly drawable: Drawable;
  readonly group: G;
}

/** How bad a land is: for all sources, each taken as often as the others, and for each by itself where there are several. */
export interface SharedBad {
  readonly bad: BadShare;
  /** Each source by itself; none where there is one. */
  readonly bySource: readonly { readonly title: string; readonly bad: BadShare }[];
}

/** A footprint's terminals, and the same of the second sources that lie on its lands. The first comes first. */
export function sourcesOf<G extends SpanSolution | PinSolution>(
  drawable: Drawable,
  group: G,
): readonly [Source<G>, ...Source<G>[]] {
  const others = drawable.alternates.flatMap(({ title, compiled }): Source<G>[] => {
    if (!isDrawable(compiled) || misfitOf(drawable.footprint, compiled.footprint)) return [];
    const own = compiled.footprint.groups.find(({ terminals }) => terminals.id === group.terminals.id);
    return own?.kind === group.kind ? [{ title, drawable: compiled, group: own as G }] : [];
  });
  return [{ title: 'the first source', drawable, group }, ...others];
}

/** What a land is for its sources. */
export function sharedBad(sources: readonly Source<unknown>[], shares: readonly BadShare[]): SharedBad {
  const [first] = shares as [BadShare];
  if (shares.length === 1) return { bad: first, bySource: [] };
  const titled = shares.map((bad, i) => ({ title: sources[i]?.title ?? '', bad }));
  const mean = (of: (one: BadShare) => number) =>
    shares.reduce((sum, one) => sum + of(one), 0) / shares.length;
  return {
    bySource: titled,
    bad: {
      share: mean(({ share }) => share),
      low: mean(({ low }) => low),
      high: mean(({ high }) => high),
      exact: shares.every(({ exact }) => exact),
      byEvent: titled
        .flatMap(({ title, bad }) =>
          bad.byEvent.map((event) => ({
            ...event,
            what: `${title}: ${event.what}`,
            share: event.share / shares.length,
          })),
        )
        .sort((a, b) => b.share - a.share),
    },
  };
}
