import type { Footprint } from '../../core/footprint/footprint';
import type { Figure } from '../../core/geometry/figure';
import type { Point3, Quarter } from '../../core/geometry/point';
import type { Part } from '../../core/geometry/solid';

/** Where one copy of a mesh stands. */
export interface Copy {
  readonly at: Point3;
  readonly rotation: Quarter;
}

/** Lands that share a padstack. */
export interface LandKind {
  readonly key: string;
  readonly figure: Figure;
  readonly hole: Figure | null;
  readonly copies: readonly Copy[];
}

/** Lands by padstack, so that equal ones are drawn together. */
export function landKinds({ lands }: Footprint): LandKind[] {
  const kinds = new Map<string, LandKind & { copies: Copy[] }>();
  for (const { padstack, copper, hole, rotation } of lands) {
    const figure = hole?.figure ?? null;
    const kind = kinds.get(padstack) ?? { key: padstack, figure: copper.figure, hole: figure, copies: [] };
    kind.copies.push({ at: { ...copper.at, z: 0 }, rotation });
    kinds.set(padstack, kind);
  }
  return [...kinds.values()];
}

/** Parts that share shape and material. */
export interface PartKind {
  readonly key: string;
  readonly shape: string;
  readonly material: Part['material'];
  readonly copies: readonly Copy[];
}

/** Parts by shape and material. */
export function partKinds(parts: readonly Part[]): PartKind[] {
  const kinds = new Map<string, PartKind & { copies: Copy[] }>();
  for (const { shape, material, at, rotation } of parts) {
    const key = `${shape} ${material}`;
    const kind = kinds.get(key) ?? { key, shape, material, copies: [] };
    kind.copies.push({ at, rotation });
    kinds.set(key, kind);
  }
  return [...kinds.values()];
}
