import { type Drawable } from '../footprint/footprint';
import { centreOf } from '../geometry/box';
import { distance, type Point } from '../geometry/point';
import { formatFigure, formatMm, formatNumber } from '../units/length';
import { isUnsaid, type Context } from './context';
import { type Fit } from './fit';
import { isAlike } from './kept';
import { capital, NAMED, landsWord, namesOf, remark, type Remark } from './remark';

// Remarks on where the lands of a pattern lie and how they are called: unit, view, missing ones, numbers, step, origin.

/** A unit that was taken for another. */
const UNITS: readonly (readonly [number, string])[] = [
  [25.4, 'inches were read as millimetres'],
  [1 / 25.4, 'millimetres were read as inches'],
  [1000 / 25.4, 'millimetres were read as mil'],
  [25.4 / 1000, 'mil were read as millimetres'],
];

export function scaleRemarks({ fit: { scale } }: Context): Remark[] {
  if (scale === 1) return [];
  const [, why] = UNITS.find(([factor]) => Math.abs(factor / scale - 1) < 1e-6) ?? [];
  const words =
    scale > 1
      ? `${formatNumber(scale, 0, 3)} times too small`
      : `${formatNumber(1 / scale, 0, 3)} times too large`;
  return [
    remark(
      'scale',
      'stop',
      'Another unit',
      `Everything is ${words}${why ? `: ${why}` : ''}. Its lands cannot be used.`,
    ),
  ];
}

export function placeRemarks({ fit, fromBelow, against, pattern, laid, over }: Context): Remark[] {
  const own = against.footprint.lands;
  const missing = fit.missing.map((i) => own[i]!);
  const extra = fit.extra.map((i) => pattern.footprint.lands[i]!);
  const holes = fit.scale === 1 ? laid.filter((pair) => !isAlike(pair.own, pair.given)) : [];
  const bores = against.footprint.bores.filter(
    ({ at }) =>
      fit.scale === 1 &&
      !over.bores.some((bore) => distance(bore.at, at) < 0.5) &&
      !over.lands.some(({ hole }) => hole && distance(hole.at, at) < 0.5),
  );
  const lone = bores[0];
  const wide = against.footprint.bores.flatMap((bore) => {
    const there = over.bores.find(({ at }) => distance(at, bore.at) < 0.5);
    return there && there.diameter < bore.diameter - 0.005 ? [{ bore, there }] : [];
  });
  return [
    ...(fromBelow
      ? [
          remark(
            'below',
            'stop',
            'Drawn from below',
            'Its lands lie on the terminals only as seen from below: the whole pattern is mirrored.',
          ),
        ]
      : []),
    ...(missing.length > 0
      ? [
          remark(
            'missing',
            'stop',
            `${missing.length} ${landsWord(missing.length)} missing`,
            `Nothing lies on ${missing.length === 1 ? 'terminal' : 'terminals'} ${namesOf(missing.map(({ number }) => number))}.`,
            { lands: missing.map(({ id }) => id) },
          ),
        ]
      : []),
    ...(extra.length > 0
      ? [
          remark(
            'extra',
            'caution',
            `${extra.length} ${landsWord(extra.length)} too many`,
            `The package has no terminal on ${extra.length === 1 ? 'land' : 'lands'} ${namesOf(extra.map(({ number }) => number))}.`,
            { given: fit.extra },
          ),
        ]
      : []),
    ...(holes.length > 0
      ? [
          remark(
            'holes',
            'stop',
            'Holes',
            `${holes[0]?.own.hole ? 'Leads go through the board and there is no hole' : 'There is a hole where the terminal lies on the board'} on ${landsWord(holes.length)} ${namesOf(holes.map(({ own: { number } }) => number))}.`,
            { lands: holes.map(({ own: { id } }) => id) },
          ),
        ]
      : []),
    ...(lone
      ? [
          remark(
            'holes',
            'stop',
            'Hole missing',
            `The package has ${bores.length === 1 ? 'a hole' : `${bores.length} holes`} without copper, ⌀ ${formatMm(lone.diameter)} mm at ${pointWords(lone.at)}, where the pattern has none.`,
          ),
        ]
      : []),
    ...wide.map(({ bore, there }) =>
      remark(
        'holes',
        'caution',
        'Hole too narrow',
        `The hole at ${pointWords(bore.at)} is ⌀ ${formatMm(there.diameter)} mm; the package needs ${formatMm(bore.diameter)} mm.`,
      ),
    ),
  ];
}

const pointWords = ({ x, y }: Point): string => `${formatFigure(x, 0, 3)} mm, ${formatFigure(y, 0, 3)} mm`;

export function numberRemarks({ numbers, fit, pattern, against, fromBelow }: Context): Remark[] {
  const own = against.footprint;
  const one = own.lands.find(({ number }) => number === '1');
  const at = fit.pairs.find(({ own }) => against.footprint.lands[own] === one)?.given;
  const there = at === undefined ? undefined : pattern.footprint.lands[at]?.number;
  const first =
    one && there !== undefined && there !== '1' && there !== ''
      ? ` Where terminal 1 is, it has ${there}.`
      : '';
  switch (numbers.kind) {
    case 'same':
      return turnRemarks(fit, against, fromBelow);
    case 'none':
      if (isUnsaid(pattern, 'numbers')) return [];
      return [
        remark(
          'numbers',
          own.package.polarised || own.lands.length > 2 ? 'stop' : 'caution',
          'No numbers',
          'Its lands have no numbers: nobody can tell which terminal is which.',
        ),
      ];
    case 'mirrored':
      return [
        remark(
          'numbers',
          'stop',
          'Numbers mirrored',
          `The lands lie where they should, and their numbers run the other way round, as on a drawing seen from below.${first}`,
        ),
      ];
    case 'scheme':
      return [
        remark(
          'numbers',
          'stop',
          'Numbers of another scheme',
          `Its lands are numbered ${numbers.words}; the package counts otherwise.${first}`,
        ),
      ];
    case 'differ': {
      const said = [...numbers.pairs]
        .sort(([, a], [, b]) => a.localeCompare(b, 'en', { numeric: true }))
        .slice(0, NAMED)
        .map(([given, own]) => `terminal ${own} is ${given === '' ? 'not numbered' : `numbered ${given}`}`);
      const known = new Set(against.footprint.lands.map(({ number }) => number));
      const more = numbers.pairs.length > NAMED ? ` and ${numbers.pairs.length - NAMED} more` : '';
      return [
        remark(
          'numbers',
          // a name of its own, such as that of a pad, is no mistaken terminal; one without a number gets no net
          numbers.pairs.some(([given]) => given === '' || known.has(given)) ? 'stop' : 'caution',
          'Numbers differ',
          `${capital(said.join(', '))}${more}.`,
        ),
        ...turnRemarks(fit, against, fromBelow),
      ];
    }
  }
}

/** A pattern whose zero rotation is another is not wrong, and is placed wrongly where nobody knows. */
function turnRemarks({ angle }: Fit, { footprint }: Drawable, fromBelow: boolean): Remark[] {
  if (angle === 0 || fromBelow) return [];
  const words =
    angle === 90
      ? 'a quarter turn clockwise'
      : angle === 270
        ? 'a quarter turn counter-clockwise'
        : 'half a turn';
  return [
    remark(
      'turn',
      footprint.package.polarised || footprint.lands.length > 2 ? 'caution' : 'note',
      'Another zero rotation',
      `Its numbers fit once it is turned: at zero rotation it stands ${words} from here, and a placement list made for one is wrong for the other.`,
    ),
  ];
}

export function pitchRemarks({ drift }: Context): Remark[] {
  return drift.map(({ own, given, off, lands, cause }) =>
    remark(
      'pitch',
      off > 0.05 ? 'stop' : 'caution',
      'Pitch',
      `Its step is ${formatNumber(given, 2, 4)} mm, the package’s is ${formatNumber(own, 2, 4)} mm${cause ? ` (${cause})` : ''}: the lands at the ends lie ${formatMm(off)} mm off.`,
      { lands },
    ),
  );
}

export function originRemarks({ over, against, fit, pattern }: Context): Remark[] {
  if (fit.scale !== 1 || isUnsaid(pattern, 'origin')) return [];
  const { footprint } = against;
  const by = { x: over.origin.x - footprint.origin.x, y: over.origin.y - footprint.origin.y };
  const off = Math.hypot(by.x, by.y);
  if (off < 5e-3) return [];
  const land = footprint.lands.find(({ copper, at }) =>
    [centreOf(copper), at].some((place) => distance(place, over.origin) < 0.02),
  );
  return [
    remark(
      'origin',
      // a placement machine puts the part beside its lands by as much
      off > 0.05 ? 'caution' : 'note',
      'Origin elsewhere',
      `Its origin lies ${land ? `on land ${land.number}` : `${formatMm(off)} mm away`}, at ${pointWords(by)} from here: a placement list made with it puts the part there.`,
    ),
  ];
}
