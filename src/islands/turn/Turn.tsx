import { OrbitControls } from '@react-three/drei/core/OrbitControls';
import { Canvas } from '@react-three/fiber';
import { useMemo } from 'react';
import type { BufferGeometry } from 'three';
import type { Footprint } from '../../core/footprint/footprint';
import type { Box } from '../../core/geometry/box';
import { centreOf } from '../../core/geometry/box';
import type { Part, Shape } from '../../core/geometry/solid';
import type { Process } from '../../core/process/process';
import { useBench } from '../bench/context';
import { meshOf } from './geometry';

const MATERIAL: Readonly<Record<Part['material'], string>> = {
  moulding: '--body',
  ceramic: '--ceramic',
  metal: '--metal',
};

function colour(name: string): string {
  return getComputedStyle(document.documentElement).getPropertyValue(name).trim();
}

/** The body on its lands, to be turned. */
export function Turn() {
  const drawable = useBench((s) => s.derived.shown?.drawable);
  if (!drawable) return null;
  return <Scene footprint={drawable.footprint} process={drawable.process} />;
}

function Scene({ footprint, process }: { footprint: Footprint; process: Process }) {
  const { box } = footprint.courtyard;
  const reach = Math.hypot(box.maxX - box.minX, box.maxY - box.minY);
  const { shapes, parts } = footprint.body.assembly;
  const meshes = useMemo(() => {
    const made = new Map<string, BufferGeometry>();
    for (const [name, shape] of Object.entries(shapes)) made.set(name, meshOf(shape as Shape));
    return made;
  }, [shapes]);
  return (
    <Canvas
      frameloop="demand"
      // keyed by size: a new part is framed anew, a changed dimension keeps the view
      key={Math.round(reach)}
      camera={{
        position: [-reach * 0.85, -reach * 1.65, reach * 1.35],
        up: [0, 0, 1],
        fov: 35,
        near: 0.05,
        far: 1000,
      }}
      aria-label="3D view of the body on its lands; drag to turn, wheel to zoom"
    >
      <ambientLight intensity={1.3} />
      <directionalLight position={[-4, -6, 9]} intensity={2} />
      <directionalLight position={[6, 4, 3]} intensity={0.7} />
      <Slab box={box} from={-process.boardThickness} to={0} colour={colour('--mask')} />
      {footprint.lands.map(({ copper, number }) => (
        <Slab key={number} box={copper} from={0} to={process.copperThickness} colour={colour('--copper')} />
      ))}
      {parts.map(({ name, shape, material, at, rotation }) => (
        <mesh
          key={name}
          geometry={meshes.get(shape) as BufferGeometry}
          position={[at.x, at.y, at.z]}
          rotation={[0, 0, (rotation * Math.PI) / 180]}
        >
          <meshStandardMaterial
            color={colour(MATERIAL[material])}
            metalness={material === 'metal' ? 0.35 : 0}
            roughness={material === 'metal' ? 0.45 : 0.8}
          />
        </mesh>
      ))}
      <OrbitControls makeDefault enableDamping={false} target={[0, 0, footprint.body.heights.top.nom / 2]} />
    </Canvas>
  );
}

function Slab({ box, from, to, colour: fill }: { box: Box; from: number; to: number; colour: string }) {
  const { x, y } = centreOf(box);
  return (
    <mesh position={[x, y, (from + to) / 2]}>
      <boxGeometry args={[box.maxX - box.minX, box.maxY - box.minY, to - from]} />
      <meshStandardMaterial color={fill} roughness={0.7} />
    </mesh>
  );
}
