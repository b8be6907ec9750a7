import { atOrigin } from '../../footprint/origin';
import type { Footprint } from '../../footprint/footprint';
import { HOME } from '../../geometry/placement';
import { moved } from '../../footprint/move';
import { bodyOutline } from '../../package/drawn';
import { circleAt, contourOf } from '../../geometry/figure';
import type { Point } from '../../geometry/point';
import type { Format, Writable } from '../format';
import type { HandOver } from '../paper/frame';
import { LINE, line, PAPERS, stepsOf, type Item, type Page } from '../paper/page';
import { pdfOf } from '../paper/pdf';

// Lands, holes, body and pins at their true size, for the real part to be laid on; with rulers both ways, and
// corrected for a printer that does not keep its measure.

/** Length of the rulers, mm. */
export const RULER = 100;
const EDGE = 14;

export const paperCheck: Format = {
  id: 'paper-check',
  title: 'Paper check',
  summary: 'Lands, holes and body at 1:1, as seen from above and from below, with rulers (PDF).',
  mediaType: 'application/pdf',
  extension: '.paper-check.pdf',
  write: (compiled, about = {}) =>
    pdfOf(checkPages([compiled], about), {
      title: `Paper check of ${compiled.document.name}`,
      subject: 'To be printed at 100 %',
    }),
};

/** Pages with footprints at their true size, from above and, where they have something there, mirrored from below. */
export function checkPages(all: readonly Writable[], about: HandOver): Page[] {
  const { width, height } = PAPERS[about.paper ?? 'a4'];
  const { across = RULER, upright = RULER } = about.calibration ?? {};
  // what came out too long is drawn shorter
  const stretch = { x: RULER / across, y: RULER / upright };
  const pages: Item[][] = [[]];
  let [x, y, rowHeight] = [EDGE + 10, EDGE + 22, 0];
  for (const { document, footprint } of all) {
    const own = atOrigin(footprint);
    const views: readonly (readonly [string, Footprint])[] = [
      ['from above', own],
      ['from below, mirrored', moved(own, { ...HOME, far: true })],
    ];
    for (const [words, shown] of views) {
      const { box } = shown.courtyard;
      const [w, h] = [(box.maxX - box.minX) * stretch.x, (box.maxY - box.minY) * stretch.y];
      const taken = Math.max(w, 46) + 8;
      if (x + taken > width - EDGE && x > EDGE + 10) [x, y, rowHeight] = [EDGE + 10, y + rowHeight, 0];
      if (y + h + 12 > height - EDGE && (pages.at(-1)?.length ?? 0) > 0) {
        pages.push([]);
        [x, y, rowHeight] = [EDGE + 10, EDGE + 22, 0];
      }
      pages.at(-1)?.push(...trueSize(shown, { x, y: y + 6 }, stretch, `${document.name}, ${words}`));
      x += taken;
      rowHeight = Math.max(rowHeight, h + 14);
    }
  }
  return pages.map((items) => ({ width, height, items: [...rulers(width, height, stretch), ...items] }));
}

function trueSize(
  { courtyard, lands, bores, body }: Footprint,
  at: Point,
  stretch: Point,
  title: string,
): Item[] {
  const { minX, maxY } = courtyard.box;
  const put = (p: Point): Point => ({
    x: at.x + (p.x - minX) * stretch.x,
    y: at.y + (maxY - p.y) * stretch.y,
  });
  const rings = (figures: readonly Parameters<typeof contourOf>[0][]) =>
    figures.flatMap((figure) => stepsOf(contourOf(figure), true, put));
  const path = (steps: ReturnType<typeof rings>, more: Partial<Extract<Item, { kind: 'path' }>>): Item[] =>
    steps.length > 0 ? [{ kind: 'path', steps, ...more }] : [];
  const holes = [
    ...lands.flatMap(({ hole, vias }) => [
      ...(hole ? [hole] : []),
      ...vias.map((via) => circleAt(via, via.hole)),
    ]),
    ...bores.map(({ hole }) => hole),
  ];
  const middle = put({ x: 0, y: 0 });
  return [
    { kind: 'text', text: title, x: at.x, y: at.y - 2, size: 2.4, bold: true },
    ...path(rings(lands.map(({ copper }) => copper).filter((one) => one.maxX > one.minX)), {
      fill: 0.8,
      stroke: 0.05,
    }),
    ...path(rings(holes), { fill: 1, stroke: 0.1 }),
    ...path(stepsOf(bodyOutline(body.extent), true, put), { stroke: 0.1 }),
    ...path(rings(lands.filter(({ terminal }) => terminal).map(({ contact }) => contact.nom)), {
      stroke: 0.05,
      dash: [0.4, 0.3],
    }),
    line({ x: middle.x - 1, y: middle.y }, { x: middle.x + 1, y: middle.y }, 0.08),
    line({ x: middle.x, y: middle.y - 1 }, { x: middle.x, y: middle.y + 1 }, 0.08),
  ];
}

/** Rulers of 100 mm and 4 in, across and upright, from one corner. */
function rulers(width: number, height: number, stretch: Point): Item[] {
  const [x, y] = [EDGE + 6, EDGE + 6];
  const items: Item[] = [
    {
      kind: 'text',
      text: 'To be printed at 100 %. Measure both rulers: they are 100 mm long; what they measure corrects the next print.',
      x: EDGE,
      y: height - EDGE + 4,
      size: 2.4,
    },
    line({ x, y }, { x: x + RULER * stretch.x, y }, LINE.thin),
    line({ x, y }, { x, y: y + RULER * stretch.y }, LINE.thin),
  ];
  const tick = (at: number, length: number) => {
    const [dx, dy] = [at * stretch.x, at * stretch.y];
    items.push(
      line({ x: x + dx, y }, { x: x + dx, y: y - length }, 0.1),
      line({ x, y: y + dy }, { x: x - length, y: y + dy }, 0.1),
    );
  };
  for (let at = 0; at <= RULER; at += 1) tick(at, at % 10 === 0 ? 4 : at % 5 === 0 ? 3 : 2);
  for (let at = 10; at <= RULER; at += 10)
    items.push(
      { kind: 'text', text: String(at), x: x + at * stretch.x, y: y - 4.6, size: 2, anchor: 'middle' },
      {
        kind: 'text',
        text: String(at),
        x: x - 4.6,
        y: y + at * stretch.y,
        size: 2,
        anchor: 'middle',
        upright: true,
      },
    );
  // inches stand inside
  for (let sixteenth = 0; sixteenth <= 48; sixteenth += 1) {
    const at = (sixteenth * 25.4) / 16;
    const length = sixteenth % 16 === 0 ? 3.4 : sixteenth % 4 === 0 ? 2.2 : 1.2;
    items.push(
      line({ x: x + at * stretch.x, y }, { x: x + at * stretch.x, y: y + length }, 0.1),
      line({ x, y: y + at * stretch.y }, { x: x + length, y: y + at * stretch.y }, 0.1),
    );
    if (sixteenth > 0 && sixteenth % 16 === 0)
      items.push({
        kind: 'text',
        text: `${sixteenth / 16} in`,
        x: x + at * stretch.x + 0.6,
        y: y + 4,
        size: 1.8,
      });
  }
  return [
    ...items,
    { kind: 'text', text: 'mm', x: Math.min(width - EDGE, x + RULER * stretch.x + 2), y: y - 1, size: 2 },
  ];
}
