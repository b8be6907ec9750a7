/**
 * Requires lands, vias and the body to stay out of areas that are kept free of them.
 */
import type { Footprint, Land, PlacedKeepOut } from '../../footprint/footprint';
import { circleAt, type Placed } from '../../geometry/figure';
import { gapBetweenFigures } from '../../geometry/gaps';
import { bodyAt } from '../../package/drawn';
import type { Nearest } from '../probes';
import { worstOf, type Miss, type Rule } from '../rule';

const messages = {
  copper: 'Land {land} lies in an area that is kept free of copper{why}, by {over} mm; {count} such in all.',
  vias: 'A hole of land {land} lies in an area that is kept free of vias{why}; {count} such in all.',
  body: 'The body lies in an area that is kept free of everything{why}, by {over} mm.',
};

/** Areas that this footprint stays out of: the package's own hold others off, not itself. */
const ownAreas = ({ keepOuts }: Footprint) => keepOuts.filter(({ id }) => id !== null);

const isOnSide = (land: Land, side: PlacedKeepOut['side']): boolean =>
  side === 'both' || land.hole !== null || land.far === (side === 'far');

const holesIn = ({ hole, vias }: Land): Placed[] => [
  ...(hole ? [hole] : []),
  ...vias.map((via) => circleAt(via, via.hole)),
];

export const keepOut: Rule = {
  id: 'keep-out',
  title: 'Keep-out',
  fault: 'Something lies where nothing may',
  source: 'The area is kept free by the document',
  severity: 'stop',
  stage: 'stack',
  looksAt: ['keep-outs'],
  nearest({ footprint }) {
    const { lands } = footprint;
    return ownAreas(footprint).flatMap(({ area, what, side }) =>
      what === 'copper' || what === 'everything'
        ? lands.flatMap((land): Nearest[] => {
            if (!isOnSide(land, side)) return [];
            return [{ value: gapBetweenFigures(land.copper, area), limit: 0, unit: 'mm', is: 'least' }];
          })
        : what === 'vias'
          ? lands.flatMap((land) =>
              holesIn(land).map((hole): Nearest => ({
                value: gapBetweenFigures(hole, area),
                limit: 0,
                unit: 'mm',
                is: 'least',
              })),
            )
          : [],
    );
  },
  check({ footprint }) {
    const { lands, body } = footprint;
    const own = ownAreas(footprint);
    const solid = bodyAt(body.extent, 'max');
    return own.flatMap(({ area, what, side, why }) => {
      const told = why ? ` (${why})` : '';
      const inside = (value: number) => value < -1e-9;
      const found = (misses: Miss[], message: string) =>
        worstOf(misses, 0, 'mm', message, 'smaller', {
          why: told,
          over: Math.round(-Math.min(0, ...misses.map(({ value }) => value)) * 1e3) / 1e3,
        });
      const copper = lands.flatMap((land): Miss[] => {
        if (!isOnSide(land, side)) return [];
        const value = gapBetweenFigures(land.copper, area);
        return inside(value) ? [{ value, at: land.at, lands: [land] }] : [];
      });
      const vias = lands.flatMap((land): Miss[] =>
        holesIn(land)
          .map((hole) => ({ value: gapBetweenFigures(hole, area), at: land.at, lands: [land] }))
          .filter(({ value }) => inside(value)),
      );
      const overlap = gapBetweenFigures(solid, area);
      const under: Miss[] =
        side !== 'far' && inside(overlap) ? [{ value: overlap, at: area.at, lands: [] }] : [];
      const every = what === 'everything';
      return [
        ...(what === 'copper' || every ? found(copper, messages.copper) : []),
        ...(what === 'vias' || every ? found(vias, messages.vias) : []),
        // other parts stay out of what is free of components; this one may be what it is kept free for
        ...(every ? found(under, messages.body) : []),
      ];
    });
  },
};
