import type { XmlNode } from '../xml-tree';

// Measures of an IPC-2581 file, held before anything is read of it.

/** Attributes that are numbers, of the elements that draw or place. */
const NUMBERS = new Set(
  'x y xOffset yOffset rotation scale width height diameter radius chamfer length base lineWidth lowerLeftX lowerLeftY upperRightX upperRightY centerX centerY startX startY endX endY outerDiameter innerDiameter'.split(
    ' ',
  ),
);
/** Elements whose measures are read elsewhere, or not at all. */
const UNMEASURED = new Set(['Package', 'Component', 'Property', 'Bend']);

/** The first measure of a file that is no number, in words; `null` where all are. It would be read as nothing. */
export function noNumberIn(root: XmlNode): string | null {
  const rest = [root];
  for (let node = rest.pop(); node; node = rest.pop()) {
    if (!UNMEASURED.has(node.name))
      for (const [key, value] of Object.entries(node.attributes))
        if (NUMBERS.has(key) && (value.trim() === '' || !Number.isFinite(Number(value))))
          return `${key} of a ${node.name} is “${value.slice(0, 40)}”, and a number is expected, with a point for its decimals`;
    for (const child of node.children) rest.push(child);
  }
  return null;
}
