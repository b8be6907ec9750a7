import { useMemo } from 'react';
import { Vector3, type BufferGeometry } from 'three';
import type { Hideable } from '../../core/drawing/showing';
import type { Footprint } from '../../core/footprint/footprint';
import { boxRound, centreOf, type Box } from '../../core/geometry/box';
import type { Shape } from '../../core/geometry/solid';
import { bodyAt } from '../../core/package/drawn';
import type { DisplayUnit } from '../../core/units/length';
import type { Process } from '../../core/process/process';
import { boardMesh, plateMesh, shapeMesh } from './geometry';
import { landKinds, partKinds, type Copy } from './kinds';
import type { Look } from './looks';
import { ProbeMarks, ProbeWords, useProbe } from './Probe';
import { colour, Copies, ImportedModel, Scene } from './Scene';

interface Props {
  footprint: Footprint;
  process: Process;
  hidden: ReadonlySet<Hideable>;
  look: Look;
  /** The unit that a ruler tells in; `null` while none is laid. */
  ruler: DisplayUnit | null;
}

/** The body on its lands, to be turned. */
export function Turn({ footprint, process, hidden, look, ruler }: Props) {
  const { points, press, clear } = useProbe();
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
  const kinds = partKinds(parts);
  const meshes = useMemo(() => {
    const made = new Map<string, BufferGeometry>();
    for (const [name, shape] of Object.entries(shapes))
      made.set(name, shapeMesh(shape as Shape, every.filter((part) => part.shape === name).length));
    return made;
  }, [shapes, every]);
  const board = useMemo(() => boardMesh(footprint, process.boardThickness), [footprint, process]);
  const lands = useMemo(
    () =>
      landKinds(footprint).map((kind) => ({
        ...kind,
        geometry: plateMesh(kind.figure, kind.hole, process.copperThickness, kind.copies.length),
      })),
    [footprint, process],
  );
  const solder = useMemo(() => solderKinds(footprint), [footprint]);
  const middle = centreOf(sceneBox(footprint));
  const centre = useMemo(() => new Vector3(middle.x, middle.y, top.nom / 2), [middle.x, middle.y, top.nom]);
  return (
    <>
      {ruler !== null && <ProbeWords points={points} unit={ruler} onClear={clear} />}
      <Scene
        label="3D view of the body on its lands; drag to turn, wheel to zoom"
        look={look}
        centre={centre}
        reach={reach}
      >
        {ruler !== null && <ProbeMarks points={points} size={reach / 150} />}
        <group {...(ruler === null ? {} : { onClick: press })}>
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
          {kinds.map(({ key, shape, material, colour: own, copies }) => (
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
        </group>
      </Scene>
    </>
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
      geometry: plateMesh(contact.nom.figure, null, thickness, lands.length),
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
