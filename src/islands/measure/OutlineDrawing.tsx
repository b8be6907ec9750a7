import { useMemo } from 'react';
import { heightOf, widthOf, type Drawing } from '../../core/drawing/drawing';
import type { TapisDocument } from '../../core/document/document';
import { valueAt } from '../../core/document/edit';
import { parseEntry } from '../../core/units/entry-tree';
import { describeLimits } from '../../core/units/toleranced';
import type { Point } from '../../core/geometry/point';
import { useBench } from '../state/context';
import type { Drawable } from '../../core/footprint/footprint';
import { Dimension } from '../sheet/Dimension';
import { glyphsFor, type Labelled } from '../sheet/dimension-glyphs';
import type { Area } from '../sheet/layout';
import { Strokes } from '../sheet/Strokes';
import { packageViews } from '../../core/drawing/package-views';

const WIDTH = 274;
/** Room on each side for dimension lines, px. */
const ROOM = 50;

/** The package alone, top, front and, where something is measured there, side view, its dimensions lettered; pressing a letter goes to its field. */
export function OutlineDrawing({ active }: { active: string | null }) {
  const drawable = useBench((s) => s.derived.shown?.drawable);
  const views = useMemo(() => drawable && packageViews(drawable.footprint), [drawable]);
  if (!drawable || !views) return null;
  // one scale for both views, so that they line up
  const { plan, front, side } = views;
  const scale = Math.min((WIDTH - 2 * ROOM) / widthOf(plan), 112 / heightOf(plan), 62 / heightOf(front));
  return (
    <figure className="mt-4" aria-label="Outline drawing with the dimensions’ letters">
      <OutlineView drawable={drawable} drawing={plan} view="plan" scale={scale} active={active} />
      <OutlineView drawable={drawable} drawing={front} view="front" scale={scale} active={active} />
      {side && <OutlineView drawable={drawable} drawing={side} view="side" scale={scale} active={active} />}
      <figcaption className="text-secondary min-h-[34px] text-[12px]">
        <DimensionHelp symbol={active} drawable={drawable} />
      </figcaption>
    </figure>
  );
}

function DimensionHelp({ symbol, drawable }: { symbol: string | null; drawable: Drawable }) {
  const definition = drawable.resolved?.dimensions.find((d) => d.definition.symbol === symbol)?.definition;
  if (!definition) return 'Press a letter to go to its field.';
  return `${definition.name} ${definition.symbol}: ${definition.help}.`;
}

interface ViewProps {
  drawable: Drawable;
  drawing: Drawing;
  view: 'plan' | 'front' | 'side';
  scale: number;
  active: string | null;
}

/** The entry at a place of the document, without its sign, where it is arithmetic with dimensions. */
function formulaAt(document: TapisDocument, at: string): string | null {
  const text = valueAt(document, at);
  if (typeof text !== 'string') return null;
  const tree = parseEntry(text);
  return tree.ok && tree.value.symbols.length > 0 ? text.trim().replace(/^-\s*/, '') : null;
}

/** The first letter symbol of a text. */
const symbolIn = (text: string): string => /[A-Za-z][A-Za-z0-9_]*/.exec(text)?.[0] ?? '';

/** Room above and below a view for dimension lines and letters, px. */
const MARGINS = { plan: [56, 42], front: [12, 36], side: [12, 36] } as const;

function OutlineView({ drawable, drawing, view, scale, active }: ViewProps) {
  const { footprint } = drawable;
  const set = useBench((s) => s.set);
  const intent = useBench((s) => s.document);
  const unit = useBench((s) => s.unit);
  const { extent } = drawing;
  const [above, below] = MARGINS[view];
  const [width, height] = [widthOf(drawing), heightOf(drawing)];
  const total = height * scale + above + below;
  const origin = {
    x: WIDTH / 2 - ((extent.minX + extent.maxX) / 2) * scale,
    y: above + extent.maxY * scale,
  };
  const place = (p: Point): Point => ({ x: origin.x + p.x * scale, y: origin.y - p.y * scale });
  const topLeft = place({ x: extent.minX, y: extent.maxY });
  const drawn: Area = { ...topLeft, width: width * scale, height: height * scale };
  const lift = view === 'plan' ? 0 : footprint.body.heights.seating;
  const lines = footprint.package.lines.filter((line) => line.view === view);
  const labelled = lines.map((line): Labelled => ({
    line: {
      ...line,
      // upright like the front here; only the Sheet lays it on its side
      view: view === 'plan' ? 'plan' : 'front',
      from: { x: line.from.x, y: line.from.y + lift },
      to: { x: line.to.x, y: line.to.y + lift },
    },
    text: line.states ? (formulaAt(intent, line.symbol) ?? describeLimits(line.states, unit)) : line.symbol,
  }));
  return (
    <svg width={WIDTH} height={total} className="outline-drawing block overflow-visible">
      <g className="drawing elevation" transform={`translate(${origin.x} ${origin.y}) scale(${scale})`}>
        <Strokes strokes={drawing.strokes} />
      </g>
      {glyphsFor(labelled, view === 'plan' ? 'plan' : 'front', place, drawn).map((glyph) => (
        <Dimension
          key={glyph.symbol}
          glyph={glyph}
          active={active === glyph.symbol}
          fault={false}
          onPress={() => document.getElementById(`entry-${symbolIn(glyph.text)}`)?.focus()}
          onPoint={(over) => over && set({ activeDimension: glyph.symbol })}
        />
      ))}
    </svg>
  );
}
