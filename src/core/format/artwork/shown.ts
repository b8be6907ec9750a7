import { flatten } from '../../geometry/contour';
import { contourOf } from '../../geometry/figure';
import type { Polygon } from '../../geometry/polygon';
import type { WrittenFile } from '../format';
import { LAYER_TITLES } from './layers';
import { coveredBy } from './read-back';
import { readDrill } from './read-drill';
import { readFilm } from './read-gerber';

// Films as they are seen before they go to a shop: read from the files that were written, and not drawn from
// what they were written from.

/** Drill files beside the layers. */
const DRILL_TITLES = { plated: 'Plated holes', 'non-plated': 'Holes without copper' } as const;
const TITLES = { ...LAYER_TITLES, ...DRILL_TITLES };

/** What films and drill files are of. */
export type ShownLayer = keyof typeof TITLES;

/** One film or drill file, to be shown. */
export interface ShownFilm {
  readonly file: string;
  /** What is on it, such as `top-copper` or `plated`. */
  readonly layer: ShownLayer;
  /** What that is called. */
  readonly title: string;
  /** Areas that it covers, holes in them clockwise; mm. */
  readonly areas: readonly Polygon[];
  /** What of it could not be read, in words. */
  readonly left: readonly string[];
}

/** Outlines may lie so far off their arcs where they are looked at, mm. */
const CHORD = 0.002;

/** The films of some files, as they are read. */
export function shownFilms(files: readonly WrittenFile[]): ShownFilm[] {
  return files.flatMap(({ name, content }): ShownFilm[] => {
    const text = String(content);
    const layer = LAYERS.find((one) => name.endsWith(`-${one}.gbr`) || name.endsWith(`-${one}.xnc`));
    if (!layer) return [];
    const about = { file: name, layer, title: TITLES[layer] };
    if (name.endsWith('.gbr')) {
      const film = readFilm(text);
      return film.ok
        ? [{ ...about, areas: coveredBy(film.value.objects, CHORD), left: film.value.left }]
        : [{ ...about, areas: [], left: [film.error] }];
    }
    if (!name.endsWith('.xnc')) return [];
    const drill = readDrill(text);
    if (!drill.ok) return [{ ...about, areas: [], left: [drill.error] }];
    const { holes, left } = drill.value;
    return [{ ...about, areas: holes.map(({ hole }) => flatten(contourOf(hole), CHORD)), left }];
  });
}

/** The longer names first: what is not plated ends as what is. */
const LAYERS = (Object.keys(TITLES) as ShownLayer[]).sort((a, b) => b.length - a.length);
