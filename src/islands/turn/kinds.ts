import type { Footprint } from '../../core/footprint/footprint';
import type { Figure } from '../../core/geometry/figure';
import type { Point3 } from '../../core/geometry/point';
import type { Part } from '../../core/geometry/solid';

/** Where one copy of a mesh stands. */
export interface Copy {
  readonly at: Point3;
  /** Degrees counter-clockwise. */
  readonly rotation: number;
  /** Turned over about Y first. */
  readonly flipped?: true | undefined;
}

/** Lands that share a padstack and a side of the board. */
export interface LandKind {
  readonly key: string;
  readonly far: boolean;
  readonly figure: Figure;
  readonly hole: Figure | null;
  readonly copies: readonly Copy[];
}

/** Lands by padstack and side, so that equal ones are drawn together. */
export function landKinds({ lands }: Footprint): LandKind[] {
  const kinds = new Map<string, LandKind & { copies: Copy[] }>();
  for (const { padstack, far, copper, hole, rotation } of lands) {
    const key = `${padstack.name} ${far ? 'far' : 'near'}`;
    const kind = kinds.get(key) ?? {
      key,
      far,
      figure: copper.figure,
      hole: hole?.figure ?? null,
      copies: [],
    };
    kind.copies.push({ at: { ...copper.at, z: 0 }, rotation });
    kinds.set(key, kind);
  }
  return [...kinds.values()];
}

/** Parts that share shape, material and colour. */
export interface PartKind {
  readonly key: string;
  readonly shape: string;
  readonly material: Part['material'];
  readonly colour?: string;
  readonly copies: readonly Copy[];
}

/** Parts by shape, material and colour. */
export function partKinds(parts: readonly Part[]): PartKind[] {
  const kinds = new Map<string, PartKind & { copies: Copy[] }>();
  for (const { shape, material, colour, at, rotation, flipped } of parts) {
    const key = `${shape} ${material} ${colour ?? ''}`;
    const kind = kinds.get(key) ?? { key, shape, material, ...(colour ? { colour } : {}), copies: [] };
    kind.copies.push({ at, rotation, flipped });
    kinds.set(key, kind);
  }
  return [...kinds.values()];
}
