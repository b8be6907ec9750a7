declare module 'occt-import-js' {
  export interface OcctMesh {
    readonly name: string;
    /** Linear red, green, blue from 0 to 1. */
    readonly color?: readonly [number, number, number];
    readonly attributes: { readonly position: { readonly array: readonly number[] } };
    readonly index: { readonly array: readonly number[] };
    /** First and last triangle of each face, and its own colour. */
    readonly brep_faces: readonly {
      readonly first: number;
      readonly last: number;
      readonly color: readonly [number, number, number] | null;
    }[];
  }

  export interface OcctNode {
    readonly name: string;
    readonly meshes: readonly number[];
    readonly children: readonly OcctNode[];
  }

  export interface OcctResult {
    readonly success: boolean;
    readonly root: OcctNode;
    readonly meshes: readonly OcctMesh[];
  }

  export interface OcctOptions {
    readonly linearUnit: 'millimeter';
    readonly linearDeflectionType: 'absolute_value' | 'bounding_box_ratio';
    readonly linearDeflection: number;
    /** Radians. */
    readonly angularDeflection: number;
  }

  export interface Occt {
    readonly ReadStepFile: (content: Uint8Array, options: OcctOptions | null) => OcctResult;
  }

  const load: (overrides?: { readonly locateFile?: (path: string) => string }) => Promise<Occt>;
  // the library has a default export only
  // eslint-disable-next-line no-restricted-syntax
  export default load;
}
