import { useMemo } from 'react';
import { Vector3, type BufferGeometry } from 'three';
import { paintOf } from '../../core/body/colours';
import type { Drawable, Footprint } from '../../core/footprint/footprint';
import type { Shape } from '../../core/geometry/solid';
import { trialRise } from '../../core/trial/drawing';
import type { CompiledTrial } from '../../core/trial/trial';
import { laminateMesh, plateMesh, shapeMesh } from './geometry';
import { landKinds, partKinds, type Copy, type LandKind } from './kinds';
import type { Look } from './looks';
import { colour, Copies, ImportedModel, Scene } from './Scene';

interface Props {
  trial: CompiledTrial;
  look: Look;
}

/** A board with its parts, to be turned. Equal parts are drawn together. */
export function BoardTurn({ trial, look }: Props) {
  const { board, parts, process } = trial;
  const laminate = useMemo(
    () =>
      laminateMesh(
        board.polygon,
        parts.map(({ footprint }) => footprint),
        board.thickness,
      ),
    [board, parts],
  );
  const kinds = useMemo(() => kindsOf(trial), [trial]);
  const { maxX, maxY } = board.box;
  const { high, low } = trialRise(trial);
  const centre = useMemo(() => new Vector3(maxX / 2, maxY / 2, 0), [maxX, maxY]);
  const reach = Math.hypot(maxX, maxY, high - low);
  return (
    <Scene
      label={`3D view of ${trial.trial.name}; drag to turn, wheel to zoom`}
      look={look}
      centre={centre}
      reach={reach}
    >
      <mesh geometry={laminate}>
        <meshStandardMaterial color={colour('--mask')} roughness={0.7} />
      </mesh>
      {kinds.lands.map(({ key, geometry, hole, copies, far }) => (
        <Plates
          key={key}
          geometry={geometry}
          copies={copies}
          top={!far || hole !== null}
          bottom={far || hole !== null}
          thickness={board.thickness + process.copperThickness}
        />
      ))}
      {kinds.bodies.map(({ key, geometry, paint, metal, copies }) => (
        <Copies key={key} geometry={geometry} copies={copies} z={0} colour={paint} metal={metal} />
      ))}
      {parts.map(({ id, footprint: { body } }) => {
        const { imported } = body;
        return (
          imported?.seen && (
            <ImportedModel
              key={id}
              model={imported.seen.loaded.model}
              parts={imported.seen.subject.parts}
              pose={imported.pose}
            />
          )
        );
      })}
    </Scene>
  );
}

interface PlatesProps {
  geometry: BufferGeometry;
  copies: readonly Copy[];
  top: boolean;
  bottom: boolean;
  thickness: number;
}

function Plates({ geometry, copies, top, bottom, thickness }: PlatesProps) {
  const fill = colour('--copper');
  return (
    <>
      {top && <Copies geometry={geometry} copies={copies} z={0} colour={fill} />}
      {bottom && <Copies geometry={geometry} copies={copies} z={-thickness} colour={fill} />}
    </>
  );
}

interface BodyKind {
  readonly key: string;
  readonly geometry: BufferGeometry;
  readonly paint: string;
  readonly metal: boolean;
  readonly copies: Copy[];
}

type Land = LandKind & { readonly geometry: BufferGeometry; readonly copies: Copy[] };

/** Lands and solids of all parts, by what they are and look like. */
function kindsOf({ parts, process }: CompiledTrial): { readonly lands: Land[]; readonly bodies: BodyKind[] } {
  const lands = new Map<string, Land>();
  const bodies = new Map<string, BodyKind>();
  const names = new Map<Drawable, number>();
  for (const { compiled, footprint } of parts) {
    const name = names.get(compiled) ?? names.size;
    names.set(compiled, name);
    for (const kind of landKinds(footprint)) {
      const key = `${name} ${kind.key}`;
      const known = lands.get(key);
      if (known) known.copies.push(...kind.copies);
      else
        lands.set(key, {
          ...kind,
          key,
          geometry: plateMesh(kind.figure, kind.hole, process.copperThickness),
          copies: [...kind.copies],
        });
    }
    if (!footprint.body.imported?.seen) addBodies(bodies, footprint, name);
  }
  return { lands: [...lands.values()], bodies: [...bodies.values()] };
}

function addBodies(bodies: Map<string, BodyKind>, { body }: Footprint, name: number): void {
  const { shapes, parts } = body.assembly;
  for (const kind of partKinds(parts)) {
    const key = `${name} ${kind.key}`;
    const known = bodies.get(key);
    if (known) known.copies.push(...kind.copies);
    else
      bodies.set(key, {
        key,
        geometry: shapeMesh(shapes[kind.shape] as Shape),
        paint: paintOf(kind, body.colours),
        metal: kind.material === 'metal',
        copies: [...kind.copies],
      });
  }
}
