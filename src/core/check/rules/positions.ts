/**
 * Holds where the lands are against where the drawing has its terminals: pitch, drift over the row,
 * lands that miss their terminal, and asymmetry that the drawing does not have.
 */
import { NOISE } from '../noise';
import { centreOf, type Box } from '../../geometry/box';
import { gapBetweenFigures } from '../../geometry/gaps';
import type { Placed } from '../../geometry/figure';
import { putPlaced, undone } from '../../geometry/placement';
import type { Footprint, Land } from '../../footprint/footprint';
import type { Nearest } from '../probes';
import { worstOf, type Miss, type Rule } from '../rule';

/** A land of a row: where it lies along the row, how far its copper is off its terminal there, and how wide that is. mm */
interface InRow {
  readonly land: Land;
  readonly along: number;
  readonly off: number;
  readonly width: number;
}

/** Rows of lands in order, as their own groups see them. */
function rowsOf(footprint: Footprint): InRow[][] {
  const known = rowsKnown.get(footprint) ?? findRows(footprint);
  rowsKnown.set(footprint, known);
  return known;
}

/** Two rules ask for the same rows. */
const rowsKnown = new WeakMap<Footprint, InRow[][]>();

function findRows({ lands, groups }: Footprint): InRow[][] {
  return groups.flatMap(({ kind, terminals }) => {
    if (kind !== 'span' || terminals.pitch === null) return [];
    const inFrame = undone(terminals.frame);
    return [-1, 1].map((end) =>
      lands
        .filter((land) => land.group === terminals.id && land.end === end)
        .map((land): InRow => {
          const [copper, contact] = [land.copper, land.contact.nom].map((placed) =>
            putPlaced(inFrame, placed),
          );
          const along = centreOf(contact as Placed).y;
          return {
            land,
            along,
            off: centreOf(copper as Placed).y - along,
            width: (contact as Placed).maxY - (contact as Placed).minY,
          };
        })
        .sort((a, b) => a.along - b.along),
    );
  });
}

export const pitch: Rule = {
  id: 'pitch',
  title: 'Pitch against the drawing',
  fault: 'Pitch differs from the drawing',
  source: 'The drawing: pitch of the terminals',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['rows'],
  check({ footprint }) {
    const misses = rowsOf(footprint).flatMap((row) =>
      row.slice(1).flatMap(({ land, off }, i): Miss[] => {
        const before = row[i] as InRow;
        const value = Math.abs(off - before.off);
        return value > NOISE ? [{ value, at: centreOf(land.copper), lands: [before.land, land] }] : [];
      }),
    );
    const message =
      'Lands {land} and {other} are {value} mm off the pitch of their terminals; {count} such in all.';
    return worstOf(misses, 0, 'mm', message, 'larger');
  },
};

export const pitchDrift: Rule = {
  id: 'pitch-drift',
  title: 'Drift over the row',
  fault: 'Pitch drifts over the row',
  source: 'Land centres follow their terminals to a tenth of the width',
  severity: 'stop',
  stage: 'stack',
  looksAt: ['rows'],
  nearest: ({ footprint }) =>
    rowsOf(footprint)
      .flat()
      .map(({ off, width }): Nearest => ({
        value: Math.abs(off),
        limit: width / 10,
        unit: 'mm',
        is: 'most',
      })),
  check({ footprint }) {
    const misses = rowsOf(footprint).flatMap((row) =>
      row.flatMap(({ land, off, width }): Miss[] => {
        const value = Math.abs(off);
        return value > width / 10 + NOISE ? [{ value, at: centreOf(land.copper), lands: [land] }] : [];
      }),
    );
    const message = 'Land {land} lies {value} mm off its terminal along the row; {count} such in all.';
    return worstOf(misses, 0, 'mm', message, 'larger');
  },
};

export const landOffTerminal: Rule = {
  id: 'land-off-terminal',
  title: 'Land beside its terminal',
  fault: 'Land lies beside its terminal',
  source: 'The drawing: positions of the terminals',
  severity: 'stop',
  stage: 'land',
  looksAt: ['lands'],
  check({ footprint }) {
    const misses = footprint.lands.flatMap((land): Miss[] => {
      const value = gapBetweenFigures(land.copper, land.contact.nom);
      return value > -1e-9 ? [{ value, at: centreOf(land.contact.nom), lands: [land] }] : [];
    });
    const message = 'Land {land} misses its terminal by {value} mm; {count} such in all.';
    return worstOf(misses, 0, 'mm', message, 'larger');
  },
};

export const asymmetry: Rule = {
  id: 'asymmetry',
  title: 'Asymmetry that the drawing does not have',
  fault: 'Lands are less even than the drawing',
  source: 'Surface tension pulls a part towards the larger land',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['surface lands'],
  check({ footprint }) {
    // a tenth of a micrometre, as one number: no footprint is metres wide
    const key = (x: number, y: number) => Math.round(x * 1e4) * 1e8 + Math.round(y * 1e4);
    const surface = footprint.lands.filter(({ hole }) => !hole);
    const places = surface.map(({ contact }) => centreOf(contact.nom));
    const at = new Map(places.map(({ x, y }, i) => [key(x, y), i]));
    const mirrored = (signX: 1 | -1, signY: 1 | -1): Miss[] => {
      const misses: Miss[] = [];
      for (const [i, { x, y }] of places.entries()) {
        const other = at.get(key(signX * x, signY * y)) ?? i;
        // each pair once
        if (other <= i) continue;
        const [land, twin] = [surface[i] as Land, surface[other] as Land];
        if (!alike(land, twin)) continue;
        const [a, b] = [centreOf(land.copper), centreOf(twin.copper)];
        const [wide, high] = [
          widthOf(land.copper) - widthOf(twin.copper),
          heightOf(land.copper) - heightOf(twin.copper),
        ];
        const value = Math.max(
          Math.abs(signX * a.x - b.x),
          Math.abs(signY * a.y - b.y),
          Math.abs(wide),
          Math.abs(high),
        );
        if (value > NOISE) misses.push({ value, at: centreOf(twin.copper), lands: [land, twin] });
      }
      return misses;
    };
    const across = mirrored(-1, 1);
    const misses = across.length > 0 ? across : mirrored(1, -1);
    const message =
      'Lands {land} and {other} differ by {value} mm though their terminals mirror each other; {count} such in all.';
    return worstOf(misses, 0, 'mm', message, 'larger');
  },
};

const widthOf = ({ minX, maxX }: Box) => maxX - minX;
const heightOf = ({ minY, maxY }: Box) => maxY - minY;

/** Whether the terminals of two lands are equal. */
function alike(a: Land, b: Land): boolean {
  const [p, q] = [a.contact.nom.figure, b.contact.nom.figure];
  return p === q || JSON.stringify(p) === JSON.stringify(q);
}
