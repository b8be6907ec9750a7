import { Canvas, useThree } from '@react-three/fiber';
import { useEffect, useLayoutEffect, useMemo, useRef, type ReactNode } from 'react';
import { DoubleSide, Matrix4, Object3D, Vector3, type BufferGeometry, type InstancedMesh } from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import { USUAL_COLOURS } from '../../core/body/colours';
import type { Model } from '../../core/body/model';
import { rotationOf, type Pose } from '../../core/body/pose';
import { bufferOf } from './geometry';
import type { Copy } from './kinds';
import type { Look, Standpoint } from './looks';

// What every 3D view is made of: the light and the way of turning it, copies of a mesh, an imported model.

/** A colour of the theme. */
export function colour(name: string): string {
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

/** Turns what is shown about a point by dragging, and zooms by the wheel. */
function Turning({ about }: { about: Vector3 }) {
  const camera = useThree((s) => s.camera);
  const canvas = useThree((s) => s.gl.domElement);
  const invalidate = useThree((s) => s.invalidate);
  const set = useThree((s) => s.set);
  const controls = useThree((s) => s.controls) as OrbitControls | null;
  useEffect(() => {
    const made = new OrbitControls(camera, canvas);
    const draw = () => invalidate();
    made.addEventListener('change', draw);
    set({ controls: made });
    return () => {
      made.dispose();
      set({ controls: null });
    };
  }, [camera, canvas, invalidate, set]);
  useEffect(() => {
    controls?.target.copy(about);
    controls?.update();
  }, [controls, about]);
  return null;
}

interface StandingProps {
  look: Look;
  centre: Vector3;
  reach: number;
}

/** Takes the camera to where the person wants to look from. */
function Standing({ look: { from, count }, centre, reach }: StandingProps) {
  const camera = useThree((s) => s.camera);
  const controls = useThree((s) => s.controls) as OrbitControls | null;
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

interface SceneProps {
  /** What it shows, for who cannot see it. */
  label: string;
  look: Look;
  /** What it turns about, mm. */
  centre: Vector3;
  /** How large what it shows is, mm. */
  reach: number;
  children: ReactNode;
}

/** Things under light, to be turned; framed anew where another size is shown. */
export function Scene({ label, look, centre, reach, children }: SceneProps) {
  return (
    <Canvas
      frameloop="demand"
      // keyed by size: a new part is framed anew, a changed dimension keeps the view
      key={Math.round(reach)}
      camera={{
        up: [0, 0, 1],
        fov: 35,
        near: 0.05,
        far: 5000,
      }}
      aria-label={label}
    >
      <ambientLight intensity={1.3} />
      <directionalLight position={[-4, -6, 9]} intensity={2} />
      <directionalLight position={[6, 4, 3]} intensity={0.7} />
      {look.from === 'below' && <directionalLight position={[3, -4, -9]} intensity={1.6} />}
      {children}
      <Turning about={centre} />
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
export function ImportedModel({ model, parts, pose }: ImportedProps) {
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

interface CopiesProps {
  geometry: BufferGeometry;
  copies: readonly Copy[];
  z: number;
  colour: string;
  metal?: boolean;
}

const helper = new Object3D();

/** Many copies of one mesh in one draw, so that a grid of thousands turns smoothly. */
export function Copies({ geometry, copies, z, colour: fill, metal = false }: CopiesProps) {
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
