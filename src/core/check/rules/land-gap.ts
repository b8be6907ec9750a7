/**
 * Requires the process's smallest gap between the copper of any two lands.
 */
import type { Remedy } from '../../document/finding';
import type { TapisDocument } from '../../document/document';
import { TRIM_TITLES } from '../../land/trims';
import type { Land } from '../../footprint/footprint';
import { byProcess } from '../probes';
import { areOneNode, closerThan, fill, idsOf, mm, shareSide, TAKE_COMPUTED, type Rule } from '../rule';

const messages = {
  overlap: 'Lands {a} and {b} overlap by {over} mm; {count} such in all. They would be one piece of copper.',
  gap: 'Gap {gap} mm between lands {a} and {b}, needs {limit} mm; {count} such in all.',
};

export const landGap: Rule = {
  id: 'land-gap',
  title: 'Land gap',
  fault: 'Lands too near each other',
  source: 'Process: smallest copper gap',
  severity: 'stop',
  stage: 'land',
  looksAt: ['several lands'],
  probes: [byProcess('minGap')],
  check({ footprint: { lands }, closeLands, process, compiled }) {
    const limit = process.minGap;
    const pairs = closeLands()
      .map(([i, j]) => [lands[i] as Land, lands[j] as Land] as const)
      .filter(([a, b]) => shareSide(a, b) && !areOneNode(a, b));
    const close = closerThan(pairs, ({ copper }) => copper, limit);
    const [worst] = close;
    if (!worst) return [];
    const { a, b, gap, at } = worst;
    const values = { a: a.number, b: b.number, gap: mm(gap), over: mm(-gap), limit, count: close.length };
    return [
      {
        message: fill(gap < 0 ? messages.overlap : messages.gap, values),
        measured: { value: gap, limit, unit: 'mm' },
        place: { at, lands: idsOf(close.flatMap((call) => [call.a, call.b])) },
        remedies: remediesFor(compiled.document),
      },
    ];
  },
};

/** Trims that were switched off are offered again, then what was set by hand is. */
function remediesFor({ overrides, recommended }: TapisDocument): Remedy[] {
  const off = TRIM_TITLES.filter(({ id }) => id !== 'body-heel' && overrides?.trims?.[id] === false);
  const byHand = overrides?.land || overrides?.lands || recommended?.adopted;
  return [
    ...off.map(({ id, title }) => ({
      label: `Trim again: ${title.toLowerCase()}`,
      edits: [{ at: `/overrides/trims/${id}`, value: undefined }],
    })),
    ...(off.length === 0 && byHand ? [TAKE_COMPUTED] : []),
  ];
}
