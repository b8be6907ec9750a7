/**
 * Holds land centres against the process's grid, and the origin against the middle of the part.
 */
import { centroid } from '../../footprint/origin';
import { worstOf, fill, mm, type Miss, type Rule } from '../rule';

export const centreGrid: Rule = {
  id: 'centre-grid',
  title: 'Centres off the grid',
  fault: 'Land centres lie off the grid',
  source: 'Process: grid of centres',
  severity: 'note',
  stage: 'mark',
  looksAt: ['lands'],
  check({ footprint, process }) {
    const grid = process.centreGrid;
    if (grid <= 0) return [];
    const away = (v: number) => Math.abs(v - Math.round(v / grid) * grid);
    const misses = footprint.lands.flatMap((land): Miss[] => {
      const { x, y } = footprint.origin;
      const value = Math.max(away(land.at.x - x), away(land.at.y - y));
      return value > 1e-6 ? [{ value, at: land.at, lands: [land] }] : [];
    });
    const message =
      'The centre of land {land} lies {value} mm off the grid of {grid} mm; {count} such in all.';
    return worstOf(misses, 0, 'mm', message, 'larger', { grid });
  },
};

export const originCentre: Rule = {
  id: 'origin-centre',
  title: 'Origin off the middle',
  fault: 'Origin lies off the middle',
  source: 'Placement machines pick a part at its origin',
  severity: 'note',
  stage: 'mark',
  looksAt: ['lands'],
  check({ footprint, compiled: { document } }) {
    const { origin, body, lands } = footprint;
    const middle = body.extent.centre ?? { x: 0, y: 0 };
    const [toBody, toLands] = [middle, centroid(lands)].map(({ x, y }) =>
      Math.hypot(origin.x - x, origin.y - y),
    );
    const value = Math.min(toBody ?? 0, lands.length > 0 ? (toLands ?? 0) : Infinity);
    if (value <= 0.01) return [];
    const chosen = document.origin?.at;
    const message = fill('The origin lies {value} mm off the middle of the body and of the lands{how}.', {
      value: mm(value),
      how: chosen === 'pin-1' ? ', on land 1 as chosen' : chosen === 'point' ? ', as chosen' : '',
    });
    return [
      {
        message,
        measured: { value, limit: 0.01, unit: 'mm' },
        place: { at: origin },
        remedies: [
          {
            label: 'Origin at the centroid of the lands',
            edits: [{ at: '/origin', value: { at: 'lands' } }],
          },
        ],
      },
    ];
  },
};
