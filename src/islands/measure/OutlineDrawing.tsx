import { memo, useMemo } from 'react';
import { heightOf, widthOf, type Drawing } from '../../core/drawing/drawing';
import type { TapisDocument } from '../../core/document/document';
import { valueAt } from '../../core/document/edit';
import { parseEntry } from '../../core/units/entry-tree';
import type { DimensionLine, View } from '../../core/package/lines';
import type { Point } from '../../core/geometry/point';
import { letterOf } from '../../core/package/letters';
import { useFollowing } from '../common/useFollowing';
import { useBench } from '../state/context';
import { lettersOf } from '../state/letters';
import type { Drawable } from '../../core/footprint/footprint';
import { Dimension } from '../sheet/Dimension';
import type { Labelled } from '../../core/drawing/dimension-lines';
import { glyphsFor } from '../sheet/dimension-glyphs';
import { TIER, type Area } from '../sheet/layout';
import { Strokes } from '../sheet/Strokes';
import { packageViews } from '../../core/drawing/package-views';

const WIDTH = 274;
/** Room on each side for dimension lines, px. */
const ROOM = 50;

/** The package alone, top, front and, where something is measured there, side view, its dimensions lettered; pressing a letter goes to its field. */
export function OutlineDrawing({ active }: { active: string | null }) {
  // it follows the Sheet
  const drawable = useFollowing(useBench((s) => s.derived.shown?.drawable));
  return drawable && <Outline drawable={drawable} active={active} />;
}

const Outline = memo(function Outline({ drawable, active }: { drawable: Drawable; active: string | null }) {
  const views = useMemo(() => packageViews(drawable.footprint), [drawable]);
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
});

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

/** Dimension lines with the letters that they carry; those that state a number alone have none. */
function lettered(lines: readonly DimensionLine[], document: TapisDocument): Labelled[] {
  return lines.flatMap((line): Labelled[] => {
    const text = line.states ? formulaAt(document, line.symbol) : line.symbol;
    return text === null ? [] : [{ line, text }];
  });
}

/** Room above and below a view for dimension lines and letters, px. */
function roomFor(view: View, labelled: readonly Labelled[]): readonly [number, number] {
  if (view !== 'plan') return [12, 36];
  const tiers = (side: 'top' | 'bottom') =>
    Math.max(1, ...labelled.map(({ line }) => (line.side === side ? line.tier + 1 : 0)));
  return [34 + TIER * tiers('top'), 20 + TIER * tiers('bottom')];
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

function OutlineView({ drawable, drawing, view, scale, active }: ViewProps) {
  const { document, footprint } = drawable;
  const letters = useBench(lettersOf);
  const set = useBench((s) => s.set);
  const { extent } = drawing;
  const lift = view === 'plan' ? 0 : footprint.body.heights.seating;
  const labelled = lettered(footprint.package.lines, document).flatMap(({ line, text }): Labelled[] => {
    if (line.view !== view) return [];
    return [
      {
        line: {
          ...line,
          // upright like the front here; only the Sheet lays it on its side
          view: view === 'plan' ? 'plan' : 'front',
          from: { x: line.from.x, y: line.from.y + lift },
          to: { x: line.to.x, y: line.to.y + lift },
        },
        text: line.states ? text : letterOf(text, letters),
      },
    ];
  });
  // a line that states a number carries the formula that it comes from
  const symbolOf = (symbol: string) =>
    footprint.package.lines.some((line) => line.symbol === symbol && line.states)
      ? symbolIn(formulaAt(document, symbol) ?? '')
      : symbol;
  const [above, below] = roomFor(view, labelled);
  const [width, height] = [widthOf(drawing), heightOf(drawing)];
  const total = height * scale + above + below;
  const origin = {
    x: WIDTH / 2 - ((extent.minX + extent.maxX) / 2) * scale,
    y: above + extent.maxY * scale,
  };
  const place = (p: Point): Point => ({ x: origin.x + p.x * scale, y: origin.y - p.y * scale });
  const topLeft = place({ x: extent.minX, y: extent.maxY });
  const drawn: Area = { ...topLeft, width: width * scale, height: height * scale };
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
          onPress={() => globalThis.document.getElementById(`entry-${symbolOf(glyph.symbol)}`)?.focus()}
          onPoint={(over) => over && set({ activeDimension: glyph.symbol })}
        />
      ))}
    </svg>
  );
}
