/**
 * Requires the pins and pegs of an imported model inside of their holes.
 */
import type { Contact } from '../../body/contacts';
import { boxAt, overhang } from '../../geometry/box';
import { type Placed } from '../../geometry/figure';
import { fill, mm, worstOf, type Miss, type Rule, type RuleFinding } from '../rule';
import { matchesOf } from './model-fit';

const messages = {
  pin: 'The pin of the model at land {land} leaves {value} mm to the wall of its hole; {count} such in all.',
  peg: 'A peg of the model leaves {value} mm to the wall of its hole of {hole} mm.',
};

export const modelPinInHole: Rule = {
  id: 'model-pin-in-hole',
  title: 'Model’s pins in their holes',
  fault: 'Model’s pins miss their holes',
  source: 'Geometry: pin section against hole',
  severity: 'stop',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint }) {
    const misses = matchesOf(footprint, 'pin').flatMap(({ land, contact }): Miss[] => {
      const left = land.hole ? clearance(contact, land.hole) : Infinity;
      return left < -1e-6 ? [{ value: left, at: land.at, lands: [land] }] : [];
    });
    return [...worstOf(misses, 0, 'mm', messages.pin), ...pegFindings(footprint)];
  },
};

function pegFindings({
  bores,
  body: { imported },
}: Parameters<Rule['check']>[0]['footprint']): RuleFinding[] {
  return (imported?.seen?.fit?.matches ?? []).flatMap(({ target, contact }): RuleFinding[] => {
    const meant = imported?.ground.targets[target];
    const bore = meant?.kind === 'peg' ? bores[meant.index] : undefined;
    if (!bore) return [];
    const left = clearance(contact, bore.hole);
    if (left >= -1e-6) return [];
    const message = fill(messages.peg, { value: mm(left), hole: mm(bore.diameter) });
    return [{ message, measured: { value: left, limit: 0, unit: 'mm' }, place: { at: bore.at } }];
  });
}

/** Least distance of a section to the wall of a hole, less than nothing where it is cut. mm */
function clearance({ x, y, width, height, area }: Contact, hole: Placed): number {
  if (hole.figure.kind !== 'round') return -overhang(boxAt({ x, y }, width, height), hole);
  const away = Math.hypot(x - hole.at.x, y - hole.at.y);
  const radius = hole.figure.diameter / 2;
  // a section that fills its box less than a square would is round
  if (area < 0.9 * width * height) return radius - away - Math.max(width, height) / 2;
  const corners = [-1, 1].flatMap((i) =>
    [-1, 1].map((j) => Math.hypot(x + (i * width) / 2 - hole.at.x, y + (j * height) / 2 - hole.at.y)),
  );
  return radius - Math.max(...corners);
}
