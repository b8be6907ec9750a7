import { contourOf } from '../../geometry/figure';
import type { Vertex } from '../../geometry/contour';
import type { CompiledTrial } from '../../trial/trial';
import { writeDrill } from '../artwork/drill';
import { writeGerber, type FilmOf } from '../artwork/gerber';
import { artworkOf, type ArtLayer, type ArtObject, type Drilled, type LayerId } from '../artwork/layers';
import { readBack, type ReadBack } from '../artwork/read-back';
import type { WrittenFile } from '../format';
import { packed } from '../pack';
import { fileStem, type BoardFormat } from './board-format';

/** The layers of a board, in its order. */
const ORDER: readonly LayerId[] = [
  'top-copper',
  'bottom-copper',
  'top-mask',
  'bottom-mask',
  'top-paste',
  'bottom-paste',
  'top-legend',
  'bottom-legend',
  'courtyard',
  'assembly',
  'bottom-assembly',
];
/** Width of the line that a board's edge is drawn with, mm; its middle is the edge. */
const EDGE = 0.05;

/** Everything that a board has on its layers: what its parts have, and its profile with cut-outs. */
export function boardArtwork({ board, parts }: CompiledTrial): {
  readonly layers: readonly ArtLayer[];
  readonly holes: readonly Drilled[];
} {
  const objects = new Map<LayerId, { title: string; objects: ArtObject[] }>();
  const holes: Drilled[] = [];
  const cutOuts: (readonly Vertex[])[] = [];
  for (const { reference, footprint } of parts) {
    const own = artworkOf(footprint);
    holes.push(...own.holes);
    for (const { id, title, objects: some } of own.layers) {
      if (id === 'cut-outs') {
        cutOuts.push(...some.flatMap((one) => (one.kind === 'flash' ? [contourOf(one.placed)] : [])));
        continue;
      }
      const layer = id === 'assembly' && footprint.far ? 'bottom-assembly' : id;
      const known = objects.get(layer) ?? { title, objects: [] };
      known.objects.push(...some.map((one): ArtObject => ({ ...one, of: reference })));
      objects.set(layer, known);
    }
  }
  // spots of mask that cover what was opened come last, whoever opened it
  for (const layer of objects.values())
    layer.objects.sort((a, b) => Number(a.clear ?? false) - Number(b.clear ?? false));
  const profile = [board.outline, ...cutOuts].map((outline): ArtObject => ({
    kind: 'line',
    points: [...outline, ...outline.slice(0, 1)],
    width: EDGE,
  }));
  return {
    layers: [
      ...ORDER.flatMap((id): ArtLayer[] => {
        const found = objects.get(id);
        return found ? [{ id, ...found }] : [];
      }),
      { id: 'profile', title: 'Profile', objects: profile },
    ],
    holes,
  };
}

/** Films and drill files of a board; names begin with its name. */
export function boardFilms(trial: CompiledTrial): WrittenFile[] {
  const { layers, holes } = boardArtwork(trial);
  const stem = fileStem(trial.trial.name);
  const about: FilmOf = { part: ['Single'], coordinates: 'Board', reference: '' };
  const file = (id: string, content: string, extension: string): WrittenFile => ({
    name: `${stem}-${id}${extension}`,
    mediaType: 'application/vnd.gerber',
    content,
  });
  return [
    ...layers.map((layer) => file(layer.id, writeGerber(layer, about, false), '.gbr')),
    ...([true, false] as const).flatMap((plated) => {
      const drill = writeDrill(holes, plated, 'Board');
      return drill === null ? [] : [file(plated ? 'plated' : 'non-plated', drill, '.xnc')];
    }),
  ];
}

/** Films and drill files of a board, read again and held against its parts where they lie. */
export const boardReadBack = ({ parts }: CompiledTrial, files: readonly WrittenFile[]): ReadBack[] =>
  readBack(
    parts.map(({ footprint }) => footprint),
    files,
  );

export const boardArtworkFormat: BoardFormat = {
  id: 'artwork',
  title: 'Artwork',
  summary:
    'A film for each layer with the references of the parts (Gerber X2), and drill files (XNC), in one ZIP.',
  mediaType: 'application/zip',
  extension: '.artwork.zip',
  write: (trial) => {
    const files = boardFilms(trial);
    const wrong = boardReadBack(trial, files).find(({ within }) => within === null);
    if (wrong) throw new Error(`${wrong.file} does not show what its parts have: nothing is handed over.`);
    return packed(files);
  },
};
