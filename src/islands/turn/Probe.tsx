import type { ThreeEvent } from '@react-three/fiber';
import { useState, type ReactNode } from 'react';
import { BufferGeometry, InstancedMesh, Matrix4, Vector3, type Mesh } from 'three';
import { formatLength, type DisplayUnit } from '../../core/units/length';

// The ruler in three dimensions: two places are pressed, and their heights and distances are told.

/** A pointer that moves less than this presses, and does not turn the view. Pixels */
const STILL = 4;
/** A corner within so many pixels of the pointer is taken for what is meant. */
const NEAR = 9;

/** Places that were pressed, mm; the third begins anew. */
export function useProbe() {
  const [points, setPoints] = useState<readonly Vector3[]>([]);
  return {
    points,
    press: (event: ThreeEvent<MouseEvent>) => {
      if (event.delta > STILL) return;
      event.stopPropagation();
      const at = cornerAt(event) ?? event.point.clone();
      setPoints((now) => (now.length === 1 ? [...now, at] : [at]));
    },
    clear: () => setPoints([]),
  };
}

/** The corner of the pressed face that lies under the pointer; `null` where none does. */
function cornerAt({
  face,
  object,
  instanceId,
  camera,
  point,
  nativeEvent,
}: ThreeEvent<MouseEvent>): Vector3 | null {
  const mesh = object as Mesh;
  const positions = mesh.geometry.getAttribute('position');
  const { clientWidth = 1, clientHeight = 1 } = (nativeEvent.target as HTMLElement | null) ?? {};
  if (!face || !positions) return null;
  const matrix = mesh.matrixWorld.clone();
  if (mesh instanceof InstancedMesh && instanceId !== undefined) {
    const own = new Matrix4();
    mesh.getMatrixAt(instanceId, own);
    matrix.multiply(own);
  }
  const pixels = (v: Vector3) => {
    const seen = v.clone().project(camera);
    return new Vector3((seen.x * clientWidth) / 2, (seen.y * clientHeight) / 2, 0);
  };
  const pressed = pixels(point);
  const corners = [face.a, face.b, face.c].map((i) =>
    new Vector3().fromBufferAttribute(positions, i).applyMatrix4(matrix),
  );
  const found = corners
    .map((at) => ({ at, apart: pixels(at).distanceTo(pressed) }))
    .sort((a, b) => a.apart - b.apart)[0];
  return found && found.apart <= NEAR ? found.at : null;
}

/** What was pressed, in the scene: its places, and the line between them. */
export function ProbeMarks({ points, size }: { points: readonly Vector3[]; size: number }) {
  const [from, to] = points;
  return (
    <>
      {points.map((at, i) => (
        <mesh key={i} position={at} renderOrder={2}>
          <sphereGeometry args={[size, 12, 8]} />
          <meshBasicMaterial color="#1f6f78" depthTest={false} />
        </mesh>
      ))}
      {from && to && (
        <lineSegments renderOrder={2} geometry={new BufferGeometry().setFromPoints([from, to])}>
          <lineBasicMaterial color="#1f6f78" depthTest={false} />
        </lineSegments>
      )}
    </>
  );
}

/** What is told of the pressed places: height over the laminate, and how far they are apart. */
export function ProbeWords({
  points,
  unit,
  onClear,
}: {
  points: readonly Vector3[];
  unit: DisplayUnit;
  onClear: () => void;
}) {
  const other: DisplayUnit = unit === 'mm' ? 'mil' : 'mm';
  const say = (mm: number) => `${formatLength(mm, unit)} ${unit}`;
  const both = (mm: number): ReactNode => (
    <>
      <b className="font-semibold">{say(mm)}</b>{' '}
      <span className="text-secondary">
        {formatLength(mm, other)} {other}
      </span>
    </>
  );
  const [from, to] = points;
  return (
    <div
      role="status"
      aria-label="Ruler in the 3D view"
      className="bg-base-100 border-base-300 absolute top-7 left-2 z-10 max-w-[96%] border px-2 py-0.5 text-[12px] shadow"
    >
      {!from && <p>Press two places.</p>}
      {from && !to && (
        <p>
          {both(from.z)} over the laminate, at {say(from.x)}, {say(from.y)}
        </p>
      )}
      {from && to && (
        <p>
          height {both(Math.abs(to.z - from.z))}, across {say(Math.hypot(to.x - from.x, to.y - from.y))},
          straight {both(to.distanceTo(from))}; {say(from.z)} and {say(to.z)} over the laminate
        </p>
      )}
      {from && (
        <button type="button" className="link" onClick={onClear}>
          Begin anew
        </button>
      )}
    </div>
  );
}
