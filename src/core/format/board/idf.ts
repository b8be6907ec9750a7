import { atOrigin } from '../../footprint/origin';
import { backwards } from '../../geometry/contour';
import { contourOf, narrowOf, type Placed } from '../../geometry/figure';
import type { BoardKeepOut, CompiledTrial, PlacedPart } from '../../trial/trial';
import { asciiNote, asciiOf } from '../idf/ascii';
import { idfLibrary, IDF_DATE, loop, number, quoted, type LibraryPart } from '../idf/idf';
import type { WrittenFile } from '../format';
import { packed } from '../pack';
import { fileStem, type BoardFormat } from './board-format';

// A board with its parts for mechanics (IDF 3.0): the board file, and the library that it refers to.

/** The parts of a library by what is placed: equal footprints with equal values are one. */
function libraryOf(parts: readonly PlacedPart[]): ReadonlyMap<string, LibraryPart> {
  const found = new Map<string, LibraryPart>();
  const taken = new Set<string>();
  for (const part of parts) {
    const key = keyOf(part);
    if (found.has(key)) continue;
    const { compiled } = part;
    const standardName = asciiOf(compiled.footprint.standardName);
    const own = asciiOf(compiled.document.marks?.value ?? standardName);
    let name = standardName;
    // two footprints of one name are two geometries
    for (let i = 2; taken.has(`${name}\n${own}`); i += 1) name = `${standardName}-${i}`;
    taken.add(`${name}\n${own}`);
    found.set(key, { name, part: own, footprint: atOrigin(compiled.footprint) });
  }
  return found;
}

const keyOf = ({ key }: PlacedPart): string => key;

const isRound = ({ figure }: Placed): boolean => figure.kind === 'round';

/** The board file: outline with cut-outs, thickness, areas, holes, and where each part lies. */
export function idfBoard({ trial, board, parts, keepOuts, covers }: CompiledTrial): string {
  const library = libraryOf(parts);
  const milled = parts.flatMap(({ footprint: { lands, bores } }) =>
    [...lands, ...bores].flatMap(({ hole }) => (hole && !isRound(hole) ? [hole] : [])),
  );
  return [
    '.HEADER',
    `BOARD_FILE 3.0 "Tapis" ${IDF_DATE} 1`,
    `${quoted(trial.name)} MM`,
    '.END_HEADER',
    ...asciiNote([
      trial.name,
      ...parts.flatMap(({ reference, compiled }) => [reference, compiled.document.marks?.value ?? '']),
    ]),
    '.BOARD_OUTLINE UNOWNED',
    number(board.thickness),
    ...loop(board.outline),
    ...milled.flatMap((hole, i) => loop(backwards(contourOf(hole)), i + 1)),
    '.END_BOARD_OUTLINE',
    ...keepOuts.flatMap(keepOut),
    ...covers.flatMap(({ area, under, far }) => placeKeepOut(area, far ? 'BOTTOM' : 'TOP', under)),
    '.DRILLED_HOLES',
    ...parts.flatMap(holesOf),
    '.END_DRILLED_HOLES',
    '.PLACEMENT',
    ...parts.flatMap((part) => {
      const { name = '', part: own = '' } = library.get(keyOf(part)) ?? {};
      const { at, angle, far } = part.placement;
      return [
        `${quoted(name)} ${quoted(own)} ${quoted(part.reference)}`,
        `${number(at.x)} ${number(at.y)} 0.0 ${number(angle)} ${far ? 'BOTTOM' : 'TOP'} PLACED`,
      ];
    }),
    '.END_PLACEMENT',
    '',
  ].join('\n');
}

/** Parts that are higher than so many mm stay out. */
function placeKeepOut(area: Placed, side: string, height: number): string[] {
  return [
    '.PLACE_KEEPOUT UNOWNED',
    `${side} ${number(height)}`,
    ...loop(contourOf(area)),
    '.END_PLACE_KEEPOUT',
  ];
}

function keepOut({ area, what, side }: BoardKeepOut): string[] {
  const where = { top: 'TOP', bottom: 'BOTTOM', both: 'BOTH' }[side];
  const every = what === 'everything';
  return [
    ...(every || what === 'components' ? placeKeepOut(area, where, 0) : []),
    ...(every || what === 'copper'
      ? [
          '.ROUTE_KEEPOUT UNOWNED',
          where === 'BOTH' ? 'ALL' : where,
          ...loop(contourOf(area)),
          '.END_ROUTE_KEEPOUT',
        ]
      : []),
    ...(every || what === 'vias'
      ? ['.VIA_KEEPOUT UNOWNED', ...loop(contourOf(area)), '.END_VIA_KEEPOUT']
      : []),
  ];
}

function holesOf({ reference, footprint: { lands, bores } }: PlacedPart): string[] {
  const hole = (diameter: number, at: { x: number; y: number }, plated: boolean, kind: string) =>
    `${number(diameter)} ${number(at.x)} ${number(at.y)} ${plated ? 'PTH' : 'NPTH'} ${quoted(reference)} ${kind} UNOWNED`;
  return [
    ...lands.flatMap((land) => [
      ...(land.hole && isRound(land.hole)
        ? [hole(narrowOf(land.hole.figure), land.hole.at, land.plated, 'PIN')]
        : []),
      ...land.vias.map((via) => hole(via.hole, via, true, 'VIA')),
    ]),
    ...bores.filter((bore) => isRound(bore.hole)).map((bore) => hole(bore.diameter, bore.at, false, 'MTG')),
  ];
}

export const boardIdf: BoardFormat = {
  id: 'idf',
  title: 'IDF board and library',
  summary:
    'Outline, holes, areas and placement, with the outlines and heights of the parts (IDF 3.0, in one ZIP).',
  mediaType: 'application/zip',
  extension: '.idf.zip',
  write(trial) {
    const stem = fileStem(trial.trial.name);
    const file = (extension: string, content: string): WrittenFile => ({
      name: `${stem}${extension}`,
      mediaType: 'text/plain',
      content,
    });
    const library = idfLibrary([...libraryOf(trial.parts).values()]);
    return Promise.resolve(packed([file('.emn', idfBoard(trial)), file('.emp', library)]));
  },
};
