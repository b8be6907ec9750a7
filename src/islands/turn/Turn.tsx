import { OrbitControls } from '@react-three/drei/core/OrbitControls';
import { Canvas } from '@react-three/fiber';
import { useLayoutEffect, useMemo, useRef } from 'react';
import { Matrix4, Object3D, type BufferGeometry, type InstancedMesh } from 'three';
import type { Footprint } from '../../core/footprint/footprint';
import { boxAt, boxRound, centreOf, type Box } from '../../core/geometry/box';
import type { Part, Shape } from '../../core/geometry/solid';
import type { Process } from '../../core/process/process';
import { useBench } from '../bench/context';
import { boardMesh, meshOf, plateMesh } from './geometry';
import { landKinds, partKinds, type Copy } from './kinds';

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
  const { shapes, parts } = footprint.body.assembly;
  const { top } = footprint.body.heights;
  const reach = Math.hypot(box.maxX - box.minX, box.maxY - box.minY, top.nom);
  const meshes = useMemo(() => {
    const made = new Map<string, BufferGeometry>();
    for (const [name, shape] of Object.entries(shapes)) made.set(name, meshOf(shape as Shape));
    return made;
  }, [shapes]);
  const board = useMemo(() => boardMesh(footprint, process.boardThickness), [footprint, process]);
  const lands = useMemo(
    () =>
      landKinds(footprint).map((kind) => ({
        ...kind,
        geometry: plateMesh(kind.figure, kind.hole, process.copperThickness),
      })),
    [footprint, process],
  );
  const centre = centreOf(sceneBox(footprint));
  return (
    <Canvas
      frameloop="demand"
      // keyed by size: a new part is framed anew, a changed dimension keeps the view
      key={Math.round(reach)}
      camera={{
        position: [centre.x - reach * 0.85, centre.y - reach * 1.65, reach * 1.35],
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
      <mesh geometry={board}>
        <meshStandardMaterial color={colour('--mask')} roughness={0.7} />
      </mesh>
      {lands.map(({ key, geometry, copies, hole }) => (
        <group key={key}>
          <Copies geometry={geometry} copies={copies} z={0} colour={colour('--copper')} />
          {hole !== null && (
            <Copies
              geometry={geometry}
              copies={copies}
              z={-process.boardThickness - process.copperThickness}
              colour={colour('--copper')}
            />
          )}
        </group>
      ))}
      {partKinds(parts).map(({ key, shape, material, copies }) => (
        <Copies
          key={key}
          geometry={meshes.get(shape) as BufferGeometry}
          copies={copies}
          z={0}
          colour={colour(MATERIAL[material])}
          metal={material === 'metal'}
        />
      ))}
      <OrbitControls makeDefault enableDamping={false} target={[centre.x, centre.y, top.nom / 2]} />
    </Canvas>
  );
}

/** What the scene is centred on: the courtyard and the body. */
function sceneBox({ courtyard, body: { extent } }: Footprint): Box {
  const body = boxAt(extent.centre ?? { x: 0, y: 0 }, extent.x.nom, extent.y.nom);
  return boxRound([courtyard.box, body]) as Box;
}

interface CopiesProps {
  geometry: BufferGeometry;
  copies: readonly Copy[];
  z: number;
  colour: string;
  metal?: boolean;
}

const helper = new Object3D();

/** Many copies of one mesh in one draw, so that a grid of thousands turns smoothly. */
function Copies({ geometry, copies, z, colour: fill, metal = false }: CopiesProps) {
  const ref = useRef<InstancedMesh>(null);
  useLayoutEffect(() => {
    const mesh = ref.current;
    if (!mesh) return;
    copies.forEach(({ at, rotation }, i) => {
      helper.position.set(at.x, at.y, at.z + z);
      helper.rotation.set(0, 0, (rotation * Math.PI) / 180);
      helper.updateMatrix();
      mesh.setMatrixAt(i, new Matrix4().copy(helper.matrix));
    });
    mesh.instanceMatrix.needsUpdate = true;
    mesh.computeBoundingSphere();
  }, [copies, z]);
  return (
    <instancedMesh ref={ref} args={[geometry, undefined, copies.length]} key={copies.length}>
      <meshStandardMaterial color={fill} metalness={metal ? 0.35 : 0} roughness={metal ? 0.45 : 0.8} />
    </instancedMesh>
  );
}
