import { boxOfPositions, type Box3 } from '../geometry/mesh';
import type { Point3 } from '../geometry/point';
import { inspect } from './fit';
import type { Ground } from './ground';
import { axesOn } from './lean';
import { after, anglesOf, posed, rotationOf, type Matrix, type Pose } from './pose';
import type { Subject } from './subject';
import { lookUnder } from './underside';

/**
 * A pose with the lean taken out: turned the least that puts its own axes upright, about the middle of
 * its box, and lowered until its lowest contact meets its land.
 */
export function uprightPose(subject: Subject, pose: Pose, ground: Ground): Pose {
  const m = axesOn(subject.frame, pose.turn);
  const k =
    [6, 7, 8].reduce((best, at) => (Math.abs(m[at] as number) > Math.abs(m[best] as number) ? at : best), 6) -
    6;
  const sign = Math.sign(m[6 + k] as number);
  const up: Point3 = {
    x: sign * (m[k] as number),
    y: sign * (m[3 + k] as number),
    z: sign * (m[6 + k] as number),
  };
  const turn = anglesOf(after(onto(up), rotationOf(pose.turn)));
  const [before, now] = [middleOf(subject, pose), middleOf(subject, { ...pose, turn })];
  const at = {
    x: pose.at.x + before.x - now.x,
    y: pose.at.y + before.y - now.y,
    z: pose.at.z + before.z - now.z,
  };
  const straight: Pose = { ...pose, turn, at };
  const hasPins = ground.targets.some(({ kind }) => kind !== 'land');
  const look = lookUnder(subject, turn, pose.scale, hasPins);
  const fit = inspect(look, straight, ground);
  const lifts = (fit?.matches ?? [])
    .filter(({ target }) => ground.targets[target]?.kind === 'land')
    .map(({ off }) => off.z);
  return lifts.length === 0 ? straight : { ...straight, at: { ...at, z: at.z - Math.min(...lifts) } };
}

/** The least turn that takes a direction upright (Rodrigues). */
function onto({ x, y, z }: Point3): Matrix {
  const k = 1 / (1 + z);
  return [1 - x * x * k, -x * y * k, -x, -x * y * k, 1 - y * y * k, -y, x, y, z];
}

function middleOf({ mesh }: Subject, pose: Pose): Point3 {
  const { min, max } = boxOfPositions(mesh.positions) as Box3;
  return posed({ x: (min.x + max.x) / 2, y: (min.y + max.y) / 2, z: (min.z + max.z) / 2 }, pose);
}
