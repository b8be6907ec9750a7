import { expect, it } from 'vitest';
import { compile } from '../../../src/core/footprint/compile';
import { isDrawable } from '../../../src/core/footprint/footprint';
import { svg } from '../../../src/core/format/svg/svg';
import { grow } from '../../../src/core/geometry/box';
import { contourOf } from '../../../src/core/geometry/figure';
import { flatten } from '../../../src/core/geometry/contour';
import { DEMO_DOCUMENTS } from '../../../src/demo/documents';

interface Seen {
  readonly x: number;
  readonly y: number;
}

/** Points of path data, five to an arc, as SVG 1.1 appendix F.6.5 has its centre; y upwards again. */
function pointsOf(d: string): Seen[] {
  const found: Seen[] = [];
  let at: Seen = { x: 0, y: 0 };
  for (const [, command = '', rest = ''] of d.matchAll(/([MLAZ])([^MLAZ]*)/g)) {
    const n = rest
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    if (command === 'Z') continue;
    const end = { x: n.at(-2) ?? 0, y: n.at(-1) ?? 0 };
    if (command === 'A') {
      const [r = 0, , , large, sweep] = n;
      const [hx, hy] = [(at.x - end.x) / 2, (at.y - end.y) / 2];
      const long = Math.max(0, (r * r) / (hx * hx + hy * hy) - 1);
      const k = (large === sweep ? -1 : 1) * Math.sqrt(long);
      const centre = { x: (at.x + end.x) / 2 + k * hy, y: (at.y + end.y) / 2 - k * hx };
      const [from, to] = [at, end].map((p) => Math.atan2(p.y - centre.y, p.x - centre.x)) as [number, number];
      let turn = to - from;
      if (sweep === 1 && turn < 0) turn += 2 * Math.PI;
      if (sweep === 0 && turn > 0) turn -= 2 * Math.PI;
      const radius = Math.hypot(at.x - centre.x, at.y - centre.y);
      for (let i = 1; i < 5; i += 1) {
        const angle = from + (turn * i) / 5;
        found.push({ x: centre.x + radius * Math.cos(angle), y: -(centre.y + radius * Math.sin(angle)) });
      }
    }
    found.push({ x: end.x, y: -end.y });
    at = end;
  }
  return found;
}

it('has its arcs where the copper’s are, within a tenth of a micrometre', async () => {
  let arcs = 0;
  // round and oblong lands, slots
  for (const document of DEMO_DOCUMENTS.filter(({ name }) => /^(J2|J6|H1|S2) /.test(name))) {
    const compiled = compile(document);
    if (!isDrawable(compiled)) continue;
    const text = String(await svg.write(compiled));
    const copper = /<g id="copper"[^>]*>([\s\S]*?)<\/g>/.exec(text)?.[1] ?? '';
    arcs += copper.split('A').length - 1;
    const seen = [...copper.matchAll(/ d="([^"]*)"/g)].flatMap(([, d = '']) => pointsOf(d));
    const lands = compiled.footprint.lands.map(({ copper: own }) => ({
      box: grow(own, 0.01),
      // within a hundredth of a micrometre of the arcs
      outline: flatten(contourOf(own), 1e-5),
    }));
    for (const p of seen) {
      const off = Math.min(
        ...lands.flatMap(({ box, outline }) =>
          (p.x < box.minX || p.x > box.maxX || p.y < box.minY || p.y > box.maxY ? [] : outline).map(
            (a, i) => {
              const b = outline[(i + 1) % outline.length] ?? a;
              const [dx, dy] = [b.x - a.x, b.y - a.y];
              const t = Math.max(
                0,
                Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy || 1)),
              );
              return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
            },
          ),
        ),
      );
      expect(off, document.name).toBeLessThan(1e-4 + 1e-5);
    }
  }
  expect(arcs).toBeGreaterThan(50);
});
