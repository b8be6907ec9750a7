import { arcCentre, flatten, rounded, type Vertex } from '../../src/core/geometry/contour';
import type { Point } from '../../src/core/geometry/point';
import type { Shape } from '../../src/core/geometry/solid';

/** Volume of a shape by the closed formulas of its kind, mm³. */
export function volumeOf(shape: Shape): number {
  switch (shape.kind) {
    case 'extrusion':
      return contourArea(shape.contour) * shape.depth;
    case 'loft':
      return shape.sections.slice(1).reduce((sum, high, k) => {
        const low = shape.sections[k]!;
        // sections change linearly, their area quadratically: Simpson's rule is exact
        const middle = low.corners.map((p, i) => ({
          x: (p.x + high.corners[i]!.x) / 2,
          y: (p.y + high.corners[i]!.y) / 2,
        }));
        const areas = [low.corners, middle, high.corners].map(contourArea) as [number, number, number];
        const hole = (Math.PI / 4) * (shape.bore?.diameter ?? 0) ** 2;
        return sum + (high.z - low.z) * ((areas[0] + 4 * areas[1] + areas[2]) / 6 - hole);
      }, 0);
    case 'wire': {
      // Pappus: the section's area times the way of its middle
      const line = rounded(shape.line, shape.bend);
      const way = line.slice(1).reduce((sum, b, i) => sum + edgeLength(line[i]!, b), 0);
      return (Math.PI / 4) * shape.diameter ** 2 * way;
    }
    case 'revolution': {
      // 2π·∫r·dA over the profile, closed along the axis
      const fine = flatten(shape.profile, 1e-7);
      const moment = fine.reduce((sum, a, i) => {
        const b = fine[(i + 1) % fine.length]!;
        return sum + ((a.x * b.y - b.x * a.y) * (a.x + b.x)) / 6;
      }, 0);
      return 2 * Math.PI * moment;
    }
  }
}

/** Area inside straight and circular edges, mm². */
function contourArea(contour: readonly Vertex[]): number {
  return contour.reduce((sum, a, i) => {
    const b = contour[(i + 1) % contour.length]!;
    const triangle = (a.x * b.y - b.x * a.y) / 2;
    if (!a.bulge) return sum + triangle;
    const centre = arcCentre(a, b);
    const angle = 4 * Math.atan(a.bulge);
    return sum + triangle + ((a.x - centre.x) ** 2 + (a.y - centre.y) ** 2) * ((angle - Math.sin(angle)) / 2);
  }, 0);
}

function edgeLength(a: Vertex, b: Point): number {
  const chord = Math.hypot(a.x - b.x, a.y - b.y);
  if (!a.bulge) return chord;
  const angle = Math.abs(4 * Math.atan(a.bulge));
  return (chord / (2 * Math.sin(angle / 2))) * angle;
}
