/**
 * Requires the contacts of an imported model in one plane, and that plane on the lands.
 */
import type { Remedy } from '../../document/finding';
import type { Footprint } from '../../footprint/footprint';
import { intentOfPose } from '../../footprint/imported';
import { quantise } from '../../units/length';
import { mm, worstOf, fill, type Miss, type Rule } from '../rule';
import { matchesOf } from './model-fit';

const messages = {
  float:
    'A contact of the model floats {value} mm above where land {land} carries it; at most {limit} mm; {count} such in all.',
  sunk: 'A contact of the model lies {value} mm below where land {land} carries it; {count} such in all.',
  coplanar: 'The model’s contacts differ by {value} mm in height, at most {limit} mm.',
};

/** Coplanarity that terminals of surface-mount parts are held to (JEDEC publication 95), mm. */
const COPLANAR = 0.1;
/** Heights nearer than this are one by rounding, mm. */
const SLACK = 1e-3;

export const modelFloating: Rule = {
  id: 'model-floating',
  title: 'Model’s feet on their lands',
  fault: 'Model’s feet do not stand on their lands',
  source: 'JEDEC publication 95: coplanarity 0.10 mm',
  severity: 'caution',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint }) {
    const found = matchesOf(footprint, 'land').map(({ land, lift }): Miss => ({
      value: lift,
      at: land.at,
      lands: [land],
    }));
    const remedies = anew(footprint);
    const sunk = found.filter(({ value }) => value < -SLACK).map((miss) => ({ ...miss, value: -miss.value }));
    return [
      ...worstOf(
        found.filter(({ value }) => value > COPLANAR + SLACK),
        COPLANAR,
        'mm',
        messages.float,
        'larger',
      ),
      ...worstOf(sunk, 0, 'mm', messages.sunk, 'larger'),
    ].map((finding) => ({ ...finding, remedies }));
  },
};

/** Raising or lowering the model until its lowest contact stands, where its contacts lie in one plane. */
function anew(footprint: Footprint): Remedy[] {
  const { imported } = footprint.body;
  const lifts = matchesOf(footprint, 'land').map(({ lift }) => lift);
  const least = lifts.reduce((a, b) => Math.min(a, b), Infinity);
  const most = lifts.reduce((a, b) => Math.max(a, b), -Infinity);
  if (!imported || most - least > COPLANAR + SLACK) return [];
  const { intent, pose } = imported;
  const at = { ...pose.at, z: quantise(pose.at.z - least) };
  return [
    {
      label: `Seat it anew: ${mm(Math.abs(least))} mm ${least > 0 ? 'lower' : 'higher'}`,
      edits: [{ at: '/body/model', value: intentOfPose(intent, { ...pose, at }) }],
    },
  ];
}

export const modelCoplanar: Rule = {
  id: 'model-coplanar',
  title: 'Model’s contacts in one plane',
  fault: 'Model’s contacts lie in no one plane',
  source: 'JEDEC publication 95: coplanarity 0.10 mm',
  severity: 'caution',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint }) {
    const lifts = matchesOf(footprint, 'land').map(({ lift }) => lift);
    if (lifts.length < 2) return [];
    const spread = lifts.reduce((a, b) => Math.max(a, b)) - lifts.reduce((a, b) => Math.min(a, b));
    if (spread <= COPLANAR + SLACK) return [];
    const message = fill(messages.coplanar, { value: mm(spread), limit: mm(COPLANAR) });
    return [{ message, measured: { value: spread, limit: COPLANAR, unit: 'mm' }, place: {} }];
  },
};
