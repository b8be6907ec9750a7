import { type Severity } from '../document/finding';
import { formatMm, formatNumber } from '../units/length';
import { type Context } from './context';
import { isLost, isUnder, levelMet, type LandOpinion, type OpinionMargin } from './joints';
import { type Laid } from './pitch';
import { landsWord, namesOf, remark, type About, type Remark } from './remark';

// Remarks on the lands themselves: the joints that they would give, their sizes and their openings.

const END_WORDS: Readonly<Record<OpinionMargin['end'], string>> = {
  toe: 'Toe',
  heel: 'Heel',
  side: 'Side',
  edge: 'Edge',
  wall: 'Room in the hole',
  ring: 'Copper round the hole',
};

/** One remark for each end of the terminals that miss what they need, by the worst of them. */
export function jointRemarks({ lands, against }: Context): Remark[] {
  const { level } = against.document;
  return (['toe', 'heel', 'side', 'edge', 'wall', 'ring'] as const).flatMap((end): Remark[] => {
    const own = lands.flatMap((land) => {
      const margin = land.margins.find((one) => one.end === end);
      return margin ? [{ land, margin }] : [];
    });
    const value = ({ inverse, least }: OpinionMargin) => inverse ?? least;
    const about = (some: typeof own): About => ({ lands: some.map(({ land }) => land.id) });
    const sorted = [...own].sort((a, b) => value(a.margin) - value(b.margin));
    const lost = sorted.filter(({ margin }) => isLost(margin));
    const under = sorted.filter(({ margin }) => !isLost(margin) && isUnder(margin));
    const said = (some: typeof own, title: string, severity: Severity): Remark[] => {
      const [worst] = some;
      if (!worst) return [];
      const { margin } = worst;
      const { goal, leastGoal, limit, ppm, inverse, least } = margin;
      const needs =
        inverse !== null && goal !== null
          ? `level ${level} asks for ${formatMm(goal)} mm, level C for ${formatMm(leastGoal ?? goal)} mm`
          : goal !== null
            ? `${formatMm(goal)} mm are asked for`
            : '';
      const off = differenceWords(worst.land);
      const reach = `${formatMm(least)} mm by RSS, ${formatMm(margin.worst)} mm at worst`;
      const share =
        ppm < 10_000
          ? `${formatNumber(ppm, 0, 0)} in a million`
          : `${formatNumber(Math.floor(ppm / 100) / 100, 0, 2)} %`;
      const misses =
        ppm >= 1
          ? ` ${share} ${limit === null || limit === 0 ? 'would have none' : 'would miss what the class demands'}.`
          : '';
      return [
        remark(
          'joint',
          severity,
          title,
          `${END_WORDS[end]} of land ${worst.land.number || 'without a number'} is ${formatMm(inverse ?? margin.mean)} mm${needs === '' ? '' : `, ${needs}`} (${reach}).${misses}${some.length === 1 ? '' : ` ${some.length} lands miss it in all: ${namesOf(some.map(({ land }) => land.number))}.`}${off === '' ? '' : ` Land ${worst.land.number} against the computed one: ${off}.`}`,
          about(some),
        ),
      ];
    };
    const missing =
      end === 'heel'
        ? 'Heel missing'
        : end === 'wall'
          ? 'Lead does not go through'
          : `${END_WORDS[end]} lost`;
    return [...said(lost, missing, 'stop'), ...said(under, `${END_WORDS[end]} under every level`, 'caution')];
  });
}

/** What is longer, wider or elsewhere and hurts nobody, said once. */
export function sizeRemarks({ lands, drift }: Context): Remark[] {
  const drifting = new Set(drift.flatMap((row) => row.lands));
  const other = lands.filter(({ grade, id }) => grade === 'fine' && !drifting.has(id));
  const kinds = new Map<string, LandOpinion[]>();
  for (const land of other) {
    const words = differenceWords(land);
    if (words !== '') kinds.set(words, [...(kinds.get(words) ?? []), land]);
  }
  return [...kinds].slice(0, 8).map(([words, some]) =>
    remark(
      'size',
      'note',
      'Size and place',
      `${some.length === 1 ? 'Land' : 'Lands'} ${namesOf(some.map(({ number }) => number))}: ${words}.`,
      {
        lands: some.map(({ id }) => id),
      },
    ),
  );
}

/** What differs of a land, in words; empty where nothing does. */
export function differenceWords({ longer, wider, outward, across, shape, hole }: LandOpinion): string {
  const by = (value: number, more: string, less: string) =>
    Math.abs(value) < 1.5e-3 ? [] : [`${formatMm(Math.abs(value))} mm ${value > 0 ? more : less}`];
  return [
    ...by(longer, 'longer', 'shorter'),
    ...by(wider, 'wider', 'narrower'),
    ...by(outward, 'further out', 'further in'),
    ...(Math.abs(across) < 1.5e-3 ? [] : [`${formatMm(Math.abs(across))} mm to one side`]),
    ...(hole === null ? [] : by(hole, 'more hole', 'less hole')),
    ...(shape === null ? [] : [shape]),
  ].join(', ');
}

/** Mask and paste that are no mistake of their own, and not what the process says. */
export function openingRemarks({ alike, against: { process } }: Context): Remark[] {
  const margins = alike.flatMap(({ given: { padstack, mask } }) =>
    padstack.definedBy === 'copper' && mask.length === 1 ? [padstack.margins.mask] : [],
  );
  const least = Math.min(...margins);
  const open = alike.filter(({ own, given }) => own.paste.length === 0 && given.paste.length > 0);
  const about = (some: readonly Laid[]): About => ({ lands: some.map(({ own: { id } }) => id) });
  return [
    ...(margins.length > 0 && Math.abs(least - process.maskMargin) > 2e-3
      ? [
          remark(
            'mask',
            'note',
            'Mask',
            `Its mask opens ${formatMm(least)} mm round the lands, the process ${formatMm(process.maskMargin)} mm.`,
          ),
        ]
      : []),
    ...(open.length > 0
      ? [
          remark(
            'paste',
            'note',
            'Paste',
            `The stencil opens over ${landsWord(open.length)} ${namesOf(open.map(({ own: { number } }) => number))}, where Tapis prints none.`,
            about(open),
          ),
        ]
      : []),
  ];
}

/** Which level it is like. */
export function levelWords({ lands, against }: Context): string {
  // joints of balls and pads have no level of their own: their lands are held against the tables
  const isJudged = lands.some(({ margins }) => margins.some(({ inverse }) => inverse !== null));
  if (!isJudged && !lands.every(({ grade }) => grade === 'same')) return '';
  if (lands.length === 0 || lands.every(({ margins }) => margins.length === 0)) return '';
  if (lands.every(({ grade }) => grade === 'same')) return 'its lands are those that Tapis computes';
  const met = levelMet(lands, against.levels, against.process);
  return met === null ? 'its joints meet no level' : `its joints meet level ${met}`;
}
