/**
 * Requires an imported model to stay clear of the board where it is not meant to touch it.
 */
import { movedBy, type Contact } from '../../body/contacts';
import type { Footprint } from '../../footprint/footprint';
import { boxAt, boxOfPoints, gapBetween, grow, type Box } from '../../geometry/box';
import { circleAt } from '../../geometry/figure';
import { fill, mm, type Rule, type RuleFinding } from '../rule';

const messages = {
  board: 'The underside of the model reaches {value} mm into the board beside its holes.',
  legend:
    'The underside of the model lies on the legend: {value} mm above the laminate, the print is {limit} mm high.',
  via: 'The underside of the model lies {value} mm above open vias, whose plating is {limit} mm high: they may touch.',
};

/** Heights nearer than this are one by rounding, mm. */
const SLACK = 1e-3;

export const modelUnderside: Rule = {
  id: 'model-underside',
  title: 'Underside of the model clear of the board',
  fault: 'Model reaches into the board',
  source: 'Geometry: underside against laminate, legend and vias',
  severity: 'caution',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint, process }) {
    const { imported, extent } = footprint.body;
    if (!imported?.seen) return [];
    const { at } = imported.pose;
    const used = imported.seen.fit?.matches.map(({ contact }) => contact) ?? [];
    const free = imported.seen.loaded
      .look(imported.seen.subject, imported.pose)
      .contacts.map((contact) => movedBy(contact, at))
      .filter((contact) => !used.some((other) => same(contact, other)) && !isInHole(contact, footprint));
    const into = free.filter(({ z }) => z < -SLACK).sort((a, b) => a.z - b.z)[0];
    if (into) return [find(messages.board, -into.z, 0, into, 'stop')];
    // a part that rests on the laminate rests on its mask
    const [legend, via] = [footprint.body.heights.legendTop, process.copperThickness + process.maskThickness];
    const touching = (limit: number, areas: readonly Box[]) =>
      free.find(
        (contact) =>
          contact.z < limit - SLACK &&
          contact.area > 0 &&
          areas.some((area) => gapBetween(boxAt(contact, contact.width, contact.height), area) < 0),
      );
    const vias = footprint.lands.flatMap((land) => land.vias.map((spot) => circleAt(spot, spot.land)));
    const overVia = touching(via, vias);
    const onLegend = extent.mount === 'through' ? undefined : touching(legend, legendBoxes(footprint));
    return [
      ...(overVia ? [find(messages.via, overVia.z, via, overVia)] : []),
      ...(onLegend ? [find(messages.legend, onLegend.z, legend, onLegend)] : []),
    ];
  },
};

function find(text: string, value: number, limit: number, { x, y }: Contact, severity?: 'stop'): RuleFinding {
  return {
    message: fill(text, { value: mm(value), limit: mm(limit) }),
    measured: { value, limit, unit: 'mm' },
    place: { at: { x, y } },
    ...(severity ? { severity } : {}),
  };
}

function same(a: Contact, b: Contact): boolean {
  return Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z) < 1e-6;
}

/** Whether something goes down inside a hole. */
function isInHole({ x, y }: Contact, { lands, bores }: Footprint): boolean {
  const holes = [
    ...lands.flatMap(({ hole }) => (hole ? [hole as Box] : [])),
    ...bores.map(({ hole }): Box => hole),
  ];
  return holes.some(({ minX, minY, maxX, maxY }) => x > minX && x < maxX && y > minY && y < maxY);
}

function legendBoxes({ legend: { lines, width } }: Footprint): Box[] {
  return lines.flatMap((line) => {
    const box = boxOfPoints(line);
    return box ? [grow(box, width / 2)] : [];
  });
}
