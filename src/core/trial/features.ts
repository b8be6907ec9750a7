import { boxOfPoints, boxRound, grow, type Box } from '../geometry/box';
import { circleAt, contourFigure, growPlaced, place, placedBox, type Placed } from '../geometry/figure';
import type { Polyline } from '../geometry/polygon';
import { bodyAt, bodyShape } from '../package/drawn';
import type { Footprint, Land } from '../footprint/footprint';
import { isOnOwnSide } from '../footprint/sides';
import type { PlacedPart } from './trial';

/** Copper of a part on one side of the board or, with a hole, on both. */
export interface Copper {
  readonly figure: Placed;
  readonly land: Land;
  readonly top: boolean;
  readonly bottom: boolean;
}

/** A hole, with the land that it belongs to where it has one. */
export interface Hole {
  readonly figure: Placed;
  readonly land: Land | null;
}

/** Something flat on one side of the board. */
export interface OnSide {
  readonly figure: Placed;
  readonly far: boolean;
}

/** The body over its side of the board: how far off the laminate it begins and ends, mm. */
export interface Standing extends OnSide {
  readonly underside: number;
  readonly top: number;
}

/** A lead that comes out on the other side, and how far off the laminate there, mm. */
export interface LeadEnd extends OnSide {
  readonly land: Land;
  readonly length: number;
}

/** A line that is printed, and the box round its ink. */
export interface Line {
  readonly points: Polyline;
  readonly box: Box;
}

/** Something printed on the part's side: lines of a width, or filled areas. */
export interface Print {
  readonly what: 'legend' | 'pin-1 mark' | 'reference' | 'value';
  readonly lines: readonly Line[];
  readonly box: Box;
  readonly width: number;
  readonly filled: boolean;
}

/** Whether a print is a text, which can stand elsewhere. */
export const isText = <P extends Print>(print: P): print is P & { readonly what: 'reference' | 'value' } =>
  print.what === 'reference' || print.what === 'value';

/** What of a placed part other parts can come too near to. */
export interface Features {
  readonly copper: readonly Copper[];
  readonly holes: readonly Hole[];
  readonly openings: readonly OnSide[];
  readonly paste: readonly OnSide[];
  /** The courtyard, and round each lead that comes out on the other side the room that it needs there. */
  readonly courtyards: readonly (OnSide & { readonly through: boolean })[];
  readonly body: Standing;
  readonly leads: readonly LeadEnd[];
  readonly prints: readonly Print[];
  /** Round everything. */
  readonly reach: Box;
}

const known = new WeakMap<Footprint, Features>();

/** What of a placed part other parts can come too near to; found once for each place. */
export function featuresOf({ footprint, compiled }: Pick<PlacedPart, 'footprint' | 'compiled'>): Features {
  const before = known.get(footprint);
  if (before) return before;
  const found = find(footprint, compiled.process.copperThickness);
  known.set(footprint, found);
  return found;
}

function find(footprint: Footprint, copperThickness: number): Features {
  const { lands, bores, maskOpenings, courtyard, far, keepOuts } = footprint;
  const copper = lands.flatMap((land): Copper[] => [
    {
      figure: land.copper,
      land,
      top: land.hole !== null || !land.far,
      bottom: land.hole !== null || land.far,
    },
    // a via brings its ring to both sides
    ...land.vias.map(({ x, y, land: ring }) => ({
      figure: circleAt({ x, y }, ring),
      land,
      top: true,
      bottom: true,
    })),
  ]);
  const holes = [
    ...lands.flatMap((land): Hole[] => [
      ...(land.hole ? [{ figure: land.hole, land }] : []),
      ...land.vias.map(({ x, y, hole }) => ({ figure: circleAt({ x, y }, hole), land })),
    ]),
    ...bores.map(({ hole }): Hole => ({ figure: hole, land: null })),
  ];
  const through = lands.filter(({ hole }) => hole !== null);
  const across = lands.filter((land) => !isOnOwnSide(footprint, land));
  const protrusion = footprint.body.protrusion ?? 0;
  const own = courtyard.contour ? contourFigure(courtyard.contour) : null;
  const courtyards = [
    { figure: own ? place(own.figure, own.at) : placedBox(courtyard.box), far, through: false },
    ...[...through, ...across].map(({ copper: ring }) => ({
      figure: growPlaced(ring, courtyard.excess),
      far: !far,
      through: true,
    })),
    ...bores.map(({ hole }) => ({ figure: growPlaced(hole, courtyard.excess), far: !far, through: true })),
  ];
  const body = standingOf(footprint);
  const prints = printsOf(footprint);
  return {
    copper,
    holes,
    openings: [
      ...maskOpenings.map(({ opening, far: below }) => ({ figure: opening, far: below })),
      // the ring of a lead is free of mask on the other side too
      ...through.map(({ copper: ring, far: below }) => ({ figure: ring, far: !below })),
      ...bores.flatMap(({ opening }) => [false, true].map((below) => ({ figure: opening, far: below }))),
    ],
    paste: lands.flatMap((land) => land.paste.map((figure) => ({ figure, far: land.far }))),
    courtyards,
    body,
    leads:
      protrusion > 0
        ? through.map((land) => ({
            figure: land.hole as Placed,
            far: !far,
            land,
            length: protrusion + copperThickness,
          }))
        : [],
    prints,
    reach: boxRound([
      ...courtyards.map(({ figure }) => figure),
      ...copper.map(({ figure }) => figure),
      ...maskOpenings.map(({ opening }) => opening),
      ...holes.map(({ figure }) => figure),
      body.figure,
      ...prints.map(({ box }) => box),
      ...keepOuts.map(({ area }) => area),
    ]) as Box,
  };
}

function printsOf({ legend, texts }: Footprint): Print[] {
  const print = (what: Print['what'], all: readonly Polyline[], width: number, filled = false): Print[] => {
    const lines = all.flatMap((points): Line[] => {
      const box = boxOfPoints(points);
      return box ? [{ points, box: grow(box, width / 2) }] : [];
    });
    const box = boxRound(lines.map((line) => line.box));
    return box ? [{ what, lines, box, width, filled }] : [];
  };
  return [
    ...print('legend', legend.lines, legend.width),
    ...(legend.pin1 ? print('pin-1 mark', [legend.pin1], 0, true) : []),
    // what only shows where a text would stand is not printed
    ...texts.flatMap(({ role, isPlaceholder, lines, stroke }) =>
      isPlaceholder ? [] : print(role, lines, stroke),
    ),
  ];
}

function standingOf({ body, far }: Footprint): Standing {
  const { extent, heights, imported } = body;
  const shape = extent.outline ? contourFigure(bodyShape(extent, 'max')) : null;
  const model = imported?.seen?.box;
  // heights are measured from the side that the part stands on, what lies in space is not
  const modelTop = model ? (far ? heights.boardBottom - model.min.z : model.max.z) : 0;
  return {
    figure: shape ? place(shape.figure, shape.at) : bodyAt(extent, 'max'),
    far,
    underside: heights.underside.min,
    top: Math.max(heights.top.max, modelTop),
  };
}
