import { area, type Polygon } from '../geometry/polygon';
import { outlineThing, type Thing } from './things';

/** A flat layer of a board as the areas that it covers; what is free in one runs clockwise. mm */
interface FlatLayer {
  readonly layer: string;
  readonly title: string;
  readonly areas: readonly Polygon[];
}

/** Every area on flat layers that can be measured from, by the layer's name and a number. */
export function layerThings(layers: readonly FlatLayer[]): Thing[] {
  return layers.flatMap(({ layer, title, areas }) =>
    areas
      // what is left free in an area is no thing of its own
      .filter((ring) => area(ring) > 0)
      .map((ring, i) => outlineThing(`${layer}:${i + 1}`, `${title} ${i + 1}`, ring)),
  );
}
