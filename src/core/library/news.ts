import type { Change } from '../compare/compare';
import { formatMm } from '../units/length';
import type { Kept } from './facts';
import { differenceOf, type Copper } from './likeness';

/**
 * In what a footprint came out otherwise than before from the same document: where another version of Tapis
 * compiled it.
 */
export function newsOf(before: Omit<Kept, 'drawing'>, now: Omit<Kept, 'drawing'>): Change[] {
  const [was, is] = [before.facts, now.facts];
  const text = (what: Change['what'], title: string, from: string | null, to: string | null): Change[] =>
    from === to ? [] : [{ what, title, from: from ?? 'none', to: to ?? 'none', kind: 'text' }];
  return [
    ...text('name', 'Standard name', was.standardName, is.standardName),
    ...copperNews(before.copper, now.copper),
    ...text('finding', 'Gravest finding', was.finding?.title ?? null, is.finding?.title ?? null),
    ...(was.height === is.height
      ? []
      : [{ what: 'size', title: 'Height', from: was.height, to: is.height, kind: 'length' } as const]),
  ];
}

function copperNews(before: Copper | null, now: Copper | null): Change[] {
  if (JSON.stringify(before) === JSON.stringify(now)) return [];
  const by = before && now && differenceOf(before, now);
  const words = by === null ? 'otherwise' : `otherwise, by up to ${formatMm(by)} mm`;
  return [{ what: 'size', title: 'Copper', from: 'as before', to: words, kind: 'text' }];
}
