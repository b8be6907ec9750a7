/**
 * Requires a part at the board's edge to stand out beyond it as far as its drawing says.
 */
import { fill, mm, type Rule } from '../rule';

const messages = {
  least: 'The part stands out {value} mm beyond the {side} edge; needs {limit} mm.',
  most: 'The part stands out {value} mm beyond the {side} edge; at most {limit} mm.',
  short: 'The part ends {inside} mm inside the {side} edge; it must stand out by {limit} mm.',
  lands: 'Land {land} reaches {value} mm from the {side} edge; copper keeps {limit} mm.',
};

export const edgeOverhang: Rule = {
  id: 'edge-overhang',
  title: 'Overhang at the board edge',
  source: 'Document: edge and overhang; process: edge to copper',
  severity: 'stop',
  stage: 'rise',
  check({ footprint, process }) {
    const { edge } = footprint;
    if (!edge) return [];
    const { side, overhang, least, most } = edge;
    const say = (text: string, value: number, limit: number, land = '') => ({
      message: fill(text, { value: mm(value), inside: mm(-value), limit: mm(limit), side, land }),
      measured: { value, limit, unit: 'mm' as const },
      place: land ? { lands: [land] } : {},
    });
    const sign = side === 'right' || side === 'top' ? 1 : -1;
    const upright = side === 'left' || side === 'right';
    const reach = footprint.lands.map(({ copper, number }) => {
      const ends = upright ? [copper.minX, copper.maxX] : [copper.minY, copper.maxY];
      return { number, gap: sign * edge.at - Math.max(...ends.map((end) => sign * end)) };
    });
    const [nearest] = reach.sort((a, b) => a.gap - b.gap);
    return [
      ...(least !== null && overhang.min < least - 1e-9
        ? [say(overhang.min < 0 ? messages.short : messages.least, overhang.min, least)]
        : []),
      ...(most !== null && overhang.max > most + 1e-9 ? [say(messages.most, overhang.max, most)] : []),
      ...(nearest && nearest.gap < process.edgeToCopper - 1e-9
        ? [say(messages.lands, nearest.gap, process.edgeToCopper, nearest.number)]
        : []),
    ];
  },
};
