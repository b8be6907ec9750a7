/**
 * Holds measurements that a person keeps against the values that were wished for, and tells those whose things
 * are gone.
 */
import { pointerKey } from '../../document/edit';
import { DISTANCE_WORDS } from '../../ruler/measure';
import type { KeptMeasurement } from '../../ruler/kept';
import { describeLimits } from '../../units/toleranced';
import { fill, mm, type Rule, type RuleFinding } from '../rule';

const messages = {
  gone: 'The measurement from {from} to {to} has nothing to measure: {lost} is not there.',
  outside: 'From {from} to {to}, {what}: {value} mm, wished is {wished} mm{why}.',
  may: 'From {from} to {to}, {what}: {value} mm nominally, {least} to {most} with tolerances; wished is {wished} mm{why}.',
};

export const keptMeasurement: Rule = {
  id: 'kept-measurement',
  title: 'Measurements kept',
  fault: 'Measured distance is not as wished',
  source: 'Document: a measurement with a wished value',
  severity: 'caution',
  stage: 'land',
  looksAt: ['measurements'],
  check({ measurements }) {
    return measurements().flatMap((one) => findingsOf(one));
  },
};

function findingsOf(kept: KeptMeasurement): RuleFinding[] {
  const { id, between, now, wished, why } = kept;
  const field = `/measurements/${pointerKey(id)}`;
  const remove = { label: 'Remove the measurement', edits: [{ at: field, value: undefined }] };
  if (!between || !now) {
    const lost = between ? `a distance “${DISTANCE_WORDS[kept.what]}”` : 'one of the two';
    return [
      {
        severity: 'note',
        title: 'A kept measurement has lost its things',
        message: fill(messages.gone, { from: kept.from, to: kept.to, lost }),
        place: { field },
        remedies: [remove],
      },
    ];
  }
  if (!wished) return [];
  const [least, most] = [wished.min - SLACK, wished.max + SLACK];
  const { min, nom, max } = now.value;
  // a bare wish, or a limit to one side, asks nothing of the other
  const [low, high] = [wished.given === 'max' ? -Infinity : least, wished.given === 'min' ? Infinity : most];
  const isOutside = nom < low || nom > high;
  if (!isOutside && min >= low && max <= high) return [];
  const values = {
    from: between[0].name,
    to: between[1].name,
    what: DISTANCE_WORDS[now.what],
    value: mm(nom),
    least: mm(min),
    most: mm(max),
    wished: describeLimits(wished, 'mm'),
    why: why === '' ? '' : ` (${why})`,
  };
  const limit = nom < low ? wished.min : nom > high ? wished.max : min < low ? wished.min : wished.max;
  return [
    {
      severity: isOutside ? 'caution' : 'note',
      message: fill(isOutside ? messages.outside : messages.may, values),
      measured: { value: nom, limit, unit: 'mm' },
      place: {
        ...(now.what === 'height'
          ? {}
          : {
              at: { x: (now.from.x + now.to.x) / 2, y: (now.from.y + now.to.y) / 2 },
              way: [now.from, now.to],
            }),
        field,
      },
      remedies: [remove],
    },
  ];
}

/** Half a micrometre: what is equal to four decimals is equal. mm */
const SLACK = 0.0005;
