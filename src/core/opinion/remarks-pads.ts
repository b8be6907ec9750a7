import { landUnderBall, hardBall } from '../land/solve-spot';
import { areaOf, narrowOf, sizeOf } from '../geometry/figure';
import { formatMm, formatNumber } from '../units/length';
import { isUnsaid, type Context } from './context';
import { type Laid } from './pitch';
import { landsWord, namesOf, remark, type Remark } from './remark';

// Remarks on lands that no row of leads judges: those under balls, paste on exposed pads, holes without plating.

/** Off the table by this much is rounding. mm */
const ROUNDING = 0.011;

/** Lands under balls against the table of all levels. */
export function ballRemarks({ alike, against: { footprint } }: Context): Remark[] {
  const groups = new Map(footprint.groups.map(({ terminals }) => [terminals.id, terminals]));
  const off = alike.flatMap((pair) => {
    const terminals = groups.get(pair.own.group);
    if (terminals?.kind !== 'spot') return [];
    const { form } = terminals;
    if (form !== 'collapsing-ball' && form !== 'non-collapsing-ball') return [];
    const ball = sizeOf(terminals.contact.nom).width;
    const of = form === 'collapsing-ball' ? landUnderBall : hardBall;
    const [a, c] = [of(ball, 'A'), of(ball, 'C')];
    const [least, most] = [Math.min(a, c), Math.max(a, c)];
    const { width, height } = sizeOf(pair.given.copper.figure);
    const under = least - Math.min(width, height);
    const over = Math.max(width, height) - most;
    return under > ROUNDING || over > ROUNDING ? [{ pair, ball, least, most, under, over }] : [];
  });
  const [first] = [...off].sort((x, y) => Math.max(y.under, y.over) - Math.max(x.under, x.over));
  if (!first) return [];
  const { pair, ball, least, most, under } = first;
  const across = narrowOf(pair.given.copper.figure);
  const isGrave = under > least / 4;
  return [
    remark(
      'joint',
      isGrave ? 'stop' : 'caution',
      under > 0 ? 'Lands too small for their balls' : 'Lands too large for their balls',
      `${off.length === 1 ? 'Land' : 'Lands'} ${namesOf(off.map(({ pair: { own } }) => own.number))}: ${formatMm(across)} mm across under balls of ${formatMm(ball)} mm, which take ${formatMm(least)} to ${formatMm(most)} mm at levels A to C.`,
      { lands: off.map(({ pair: { own } }) => own.id) },
    ),
  ];
}

/** Sides from which a land under a package is a thermal one. mm */
const THERMAL = 1.5;

/** Paste on exposed pads as the file has it. */
export function coverageRemarks({ alike, pattern, against: { process } }: Context): Remark[] {
  if (isUnsaid(pattern, 'paste')) return [];
  const { minCoverage, maxCoverage } = process;
  return alike.flatMap(({ own, given }): Remark[] => {
    if (own.end !== null || own.hole || narrowOf(own.copper.figure) < THERMAL || own.paste.length === 0)
      return [];
    const share =
      given.paste.reduce((sum, { figure }) => sum + areaOf(figure), 0) / areaOf(given.copper.figure);
    if (share > minCoverage - 0.005 && share < maxCoverage + 0.005) return [];
    const percent = (value: number) => formatNumber(value * 100, 0, 0);
    const title =
      share === 0
        ? 'Exposed pad without paste'
        : share < minCoverage
          ? 'Too little paste on a pad'
          : 'Too much paste on a pad';
    return [
      remark(
        'paste',
        share === 0 ? 'stop' : 'caution',
        title,
        `Paste covers ${percent(share)} % of land ${own.number || 'without a number'}; ${percent(minCoverage)} to ${percent(maxCoverage)} % are asked for: ${share < minCoverage ? 'the pad stays without a joint' : 'the part swims on it and its leads lose theirs'}.`,
        { lands: [own.id] },
      ),
    ];
  });
}

/** Leads in holes that are not plated. */
export function platingRemarks({ laid, fit }: Context): Remark[] {
  if (fit.scale !== 1) return [];
  const bare = laid.filter(({ own, given }: Laid) => own.hole && own.plated && given.hole && !given.plated);
  if (bare.length === 0) return [];
  return [
    remark(
      'holes',
      'stop',
      'Holes without plating',
      `The ${bare.length === 1 ? 'hole' : 'holes'} of ${landsWord(bare.length)} ${namesOf(bare.map(({ own: { number } }) => number))} ${bare.length === 1 ? 'is' : 'are'} not plated: solder does not rise in ${bare.length === 1 ? 'it' : 'them'}, and nothing joins the sides.`,
      { lands: bare.map(({ own: { id } }) => id) },
    ),
  ];
}

/** What a file could not say, once and without blame. */
export function unsaidRemarks({ pattern }: Context): Remark[] {
  const { unsaid = [] } = pattern.document.package;
  const WORDS = {
    numbers: 'numbers',
    legend: 'a legend',
    courtyard: 'a courtyard',
    paste: 'paste',
    origin: 'an origin',
  };
  if (unsaid.length === 0) return [];
  return [
    remark(
      'file',
      'note',
      'Not in the file',
      `Its file says nothing of ${unsaid.map((what) => WORDS[what]).join(', ')}: nothing of that is judged.`,
    ),
  ];
}
