/**
 * Tells numbers that go round the part in no order that is common: neither counter-clockwise nor to and fro.
 */
import type { Land } from '../../footprint/footprint';
import { byNumber } from '../../footprint/renumber';
import { fill, idsOf, type Rule } from '../rule';

const messages = {
  clockwise:
    'The numbers go round clockwise, as on a drawing seen from below. Is the drawing’s view from above?',
  neither:
    'The numbers go neither counter-clockwise nor to and fro: land {land} follows {before}. Is that so in the drawing?',
};

/** Fewer lands have no way that would be odd. */
const LEAST = 5;

export const numberWay: Rule = {
  id: 'number-way',
  title: 'Way of the numbers',
  fault: 'Numbers run the other way',
  source: 'Drawings number counter-clockwise from above, connectors to and fro',
  severity: 'note',
  stage: 'mark',
  looksAt: ['several lands'],
  check({ footprint: { lands, far }, compiled: { document } }) {
    // the family's own way is known; what a person chose, or a file gave, is held against the drawing
    const isChosen = document.overrides?.numbers ?? document.numbering?.scheme ?? document.numbering?.corner;
    if (!isChosen && lands.some(({ terminal }) => terminal)) return [];
    const numbered = outer(lands);
    if (numbered.length < LEAST) return [];
    const turns = steps(numbered);
    const [ahead, back] = [
      turns.filter((step) => step === 1).length,
      turns.filter((step) => step === -1).length,
    ];
    const all = numbered.length - 1;
    const [first] = numbered;
    if (ahead >= all || !first) return [];
    if (back >= all && !far)
      return [{ message: messages.clockwise, place: { at: first.at, lands: idsOf(numbered) } }];
    if (isToAndFro(numbered)) return [];
    const at = turns.findIndex((step) => step !== 1);
    const [before, land] = [numbered[at], numbered[at + 1]];
    if (!before || !land) return [];
    return [
      {
        message: fill(messages.neither, { land: land.number, before: before.number }),
        place: { at: land.at, lands: idsOf([before, land]) },
      },
    ];
  },
};

/** Lands with plain numbers round the part, in the order of the numbers; pads in the middle have no place in it. */
function outer(lands: readonly Land[]): Land[] {
  const round = lands.filter(({ number, padstack }) => /^\d+$/.test(number) && padstack.kind !== 'thermal');
  return round.length < lands.length * 0.8 ? [] : [...round].sort(byNumber);
}

/** From each land to the next by number: 1 where it is the next counter-clockwise, −1 clockwise, else 0. */
function steps(numbered: readonly Land[]): number[] {
  const middle = {
    x: numbered.reduce((sum, { at }) => sum + at.x, 0) / numbered.length,
    y: numbered.reduce((sum, { at }) => sum + at.y, 0) / numbered.length,
  };
  const angle = ({ at }: Land) => Math.atan2(at.y - middle.y, at.x - middle.x);
  const round = [...numbered].sort((a, b) => angle(a) - angle(b));
  const place = new Map(round.map((land, i) => [land.id, i]));
  return numbered.slice(1).map((land, i) => {
    const before = place.get(numbered[i]?.id ?? '') ?? 0;
    const step = ((place.get(land.id) ?? 0) - before + round.length) % round.length;
    return step === 1 ? 1 : step === round.length - 1 ? -1 : 0;
  });
}

/** Whether odd and even numbers stand in a row each, both running the same way. */
function isToAndFro(numbered: readonly Land[]): boolean {
  const rows = [0, 1].map((start) => numbered.filter((_, i) => i % 2 === start));
  return (['x', 'y'] as const).some((along) => {
    const across = along === 'x' ? 'y' : 'x';
    return rows.every((row) => {
      const [first, second] = row;
      if (!first || !second) return false;
      const way = Math.sign(second.at[along] - first.at[along]);
      return row.every(
        (land, i) =>
          Math.abs(land.at[across] - first.at[across]) < 0.01 &&
          (i === 0 || Math.sign(land.at[along] - (row[i - 1] as Land).at[along]) === way),
      );
    });
  });
}
