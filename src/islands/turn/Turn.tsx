import { OrbitControls } from '@react-three/drei/core/OrbitControls';
import { Canvas, useThree } from '@react-three/fiber';
import { useEffect, useLayoutEffect, useMemo, useRef } from 'react';
import { DoubleSide, Matrix4, Object3D, Vector3, type BufferGeometry, type InstancedMesh } from 'three';
import { USUAL_COLOURS } from '../../core/body/colours';
import type { Model } from '../../core/body/model';
import { rotationOf, type Pose } from '../../core/body/pose';
import type { Hideable } from '../../core/drawing/showing';
import type { Footprint } from '../../core/footprint/footprint';
import { boxRound, centreOf, type Box } from '../../core/geometry/box';
import type { Shape } from '../../core/geometry/solid';
import { bodyAt } from '../../core/package/drawn';
import type { Process } from '../../core/process/process';
import { boardMesh, bufferOf, plateMesh, shapeMesh } from './geometry';
import { landKinds, partKinds, type Copy } from './kinds';
import type { Look, Standpoint } from './looks';

function colour(name: string): string {
  return getComputedStyle(document.documentElement).getPropertyValue(name).trim();
}

/** Directions that the scene is looked at from, and which way is up there. */
const LOOKS: Readonly<Record<Standpoint, readonly [Vector3, Vector3]>> = {
  corner: [new Vector3(-0.85, -1.65, 1.35), new Vector3(0, 0, 1)],
  above: [new Vector3(0, 0, 2.2), new Vector3(0, 1, 0)],
  below: [new Vector3(0, 0, -2.2), new Vector3(0, 1, 0)],
  front: [new Vector3(0, -2.2, 0.02), new Vector3(0, 0, 1)],
  back: [new Vector3(0, 2.2, 0.02), new Vector3(0, 0, 1)],
  right: [new Vector3(2.2, 0, 0.02), new Vector3(0, 0, 1)],
  left: [new Vector3(-2.2, 0, 0.02), new Vector3(0, 0, 1)],
};

interface StandingProps {
  look: Look;
  centre: Vector3;
  reach: number;
}

/** Takes the camera to where the person wants to look from. */
function Standing({ look: { from, count }, centre, reach }: StandingProps) {
  const camera = useThree((s) => s.camera);
  const controls = useThree((s) => s.controls) as { target: Vector3; update: () => void } | null;
  const invalidate = useThree((s) => s.invalidate);
  useEffect(() => {
    const [away, up] = LOOKS[from];
    camera.up.copy(up);
    camera.position.copy(away).multiplyScalar(reach).add(centre);
    camera.lookAt(centre);
    controls?.target.copy(centre);
    controls?.update();
    invalidate();
    // a new wish moves the camera, a changed dimension does not
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [from, count, camera, controls]);
  return null;
}

interface Props {
  footprint: Footprint;
  process: Process;
  hidden: ReadonlySet<Hideable>;
  look: Look;
}

/** The body on its lands, to be turned. */
export function Turn({ footprint, process, hidden, look }: Props) {
  const { box } = footprint.courtyard;
  const { colours, imported } = footprint.body;
  const { shapes, parts: every } = footprint.body.assembly;
  const glass = look.from === 'below';
  const model = hidden.has('model') ? null : (imported?.seen?.loaded.model ?? null);
  const parts = every.filter(
    ({ material }) => !model && !hidden.has(material === 'metal' ? 'leads' : 'body'),
  );
  const { top } = footprint.body.heights;
  const reach = Math.hypot(box.maxX - box.minX, box.maxY - box.minY, top.nom);
  const meshes = useMemo(() => {
    const made = new Map<string, BufferGeometry>();
    for (const [name, shape] of Object.entries(shapes)) made.set(name, shapeMesh(shape as Shape));
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
  const solder = useMemo(() => solderKinds(footprint), [footprint]);
  const middle = centreOf(sceneBox(footprint));
  const centre = useMemo(() => new Vector3(middle.x, middle.y, top.nom / 2), [middle.x, middle.y, top.nom]);
  return (
    <Canvas
      frameloop="demand"
      // keyed by size: a new part is framed anew, a changed dimension keeps the view
      key={Math.round(reach)}
      camera={{
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
      {glass && <directionalLight position={[3, -4, -9]} intensity={1.6} />}
      {!hidden.has('board') && (
        <mesh geometry={board}>
          <meshStandardMaterial
            key={glass ? 'glass' : 'mask'}
            color={colour('--mask')}
            roughness={0.7}
            transparent={glass}
            opacity={glass ? 0.18 : 1}
            depthWrite={!glass}
          />
        </mesh>
      )}
      {!hidden.has('paste') &&
        solder.map(({ key, geometry, copies }) => (
          <Copies key={key} geometry={geometry} copies={copies} z={0} colour={colour('--solder')} metal />
        ))}
      {lands.map(({ key, geometry, copies, hole, far }) => (
        <group key={key}>
          {!far && <Copies geometry={geometry} copies={copies} z={0} colour={colour('--copper')} />}
          {(far || hole !== null) && (
            <Copies
              geometry={geometry}
              copies={copies}
              z={-process.boardThickness - process.copperThickness}
              colour={colour('--copper')}
            />
          )}
        </group>
      ))}
      {partKinds(parts).map(({ key, shape, material, colour: own, copies }) => (
        <Copies
          key={key}
          geometry={meshes.get(shape) as BufferGeometry}
          copies={copies}
          z={0}
          colour={own ?? colours[material]}
          metal={material === 'metal'}
        />
      ))}
      {model && imported?.seen && (
        <ImportedModel model={model} parts={imported.seen.subject.parts} pose={imported.pose} />
      )}
      <OrbitControls makeDefault enableDamping={false} target={centre} />
      <Standing look={look} centre={centre} reach={reach} />
    </Canvas>
  );
}

interface ImportedProps {
  model: Model;
  /** Which of its parts are the part, by index. */
  parts: ReadonlySet<number>;
  pose: Pose;
}

/** An imported model where it is seated, in its own colours, without what else its file holds. */
function ImportedModel({ model, parts, pose }: ImportedProps) {
  const solids = useMemo(
    () =>
      model.parts
        .filter((_, i) => parts.has(i))
        .map(({ mesh, colour: own }) => ({ geometry: bufferOf(mesh), own })),
    [model, parts],
  );
  const matrix = useMemo(() => {
    const m = rotationOf(pose.turn).map((value) => value * pose.scale);
    const { x, y, z } = pose.at;
    return new Matrix4().set(
      m[0]!,
      m[1]!,
      m[2]!,
      x,
      m[3]!,
      m[4]!,
      m[5]!,
      y,
      m[6]!,
      m[7]!,
      m[8]!,
      z,
      0,
      0,
      0,
      1,
    );
  }, [pose]);
  return (
    <group matrix={matrix} matrixAutoUpdate={false}>
      {solids.map(({ geometry, own }, i) => (
        <mesh key={i} geometry={geometry}>
          <meshStandardMaterial color={own ?? USUAL_COLOURS.moulding} roughness={0.7} side={DoubleSide} />
        </mesh>
      ))}
    </group>
  );
}

/** Solder under the terminals as plates between land and terminal. */
function solderKinds({ lands, body: { heights } }: Footprint) {
  const thickness = heights.seating - heights.landTop;
  if (thickness <= 1e-6) return [];
  const kinds = new Map<string, { key: string; geometry: BufferGeometry; copies: Copy[] }>();
  for (const { hole, far, terminal, contact, padstack, rotation } of lands) {
    if (hole || far || !terminal) continue;
    const key = `${padstack.name} ${contact.nom.figure.kind}`;
    const kind = kinds.get(key) ?? {
      key,
      geometry: plateMesh(contact.nom.figure, null, thickness),
      copies: [],
    };
    kind.copies.push({ at: { ...contact.nom.at, z: heights.landTop }, rotation });
    kinds.set(key, kind);
  }
  return [...kinds.values()];
}

/** What the scene is centred on: the courtyard and the body. */
function sceneBox({ courtyard, body: { extent } }: Footprint): Box {
  return boxRound([courtyard.box, bodyAt(extent, 'nom')]) as Box;
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
    copies.forEach(({ at, rotation, flipped }, i) => {
      helper.position.set(at.x, at.y, at.z + z);
      // turned over first, then about the upright axis
      helper.rotation.set(0, flipped ? Math.PI : 0, (rotation * Math.PI) / 180, 'ZYX');
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
