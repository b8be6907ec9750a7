import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { runAt } from '../../core/source/layout';
import type { Area, Word } from '../../core/source/page';
import type { DisplayUnit } from '../../core/units/length';
import { PageRuler } from './PageRuler';
import type { OpenSheet } from './sheet-file';

/** What was read, marked on the page. */
export interface Mark {
  readonly symbol: string;
  readonly area: Area;
  readonly isDoubtful: boolean;
}

/** What was understood of a drawing, in the page's points. */
export interface Traced {
  readonly dimensions: readonly { readonly d: string; readonly area: Area; readonly printed: string }[];
  readonly lands: readonly string[];
  /** What the scale of each view is, at its lower left corner. */
  readonly scales: readonly { readonly x: number; readonly y: number; readonly text: string }[];
}

interface Props {
  readonly open: OpenSheet;
  readonly page: number;
  readonly words: readonly Word[];
  readonly marks: readonly Mark[];
  /** Symbol of the mark that stands out and is brought into sight. */
  readonly focus: string | null;
  readonly box: Area | null;
  readonly zoom: number;
  /** Dimensions and lands of the drawing as they were understood. */
  readonly traced: Traced | null;
  /** The unit that a ruler on the page tells in; `null` while none is laid. */
  readonly ruler: DisplayUnit | null;
  readonly onBox: (box: Area | null) => void;
  readonly onPress: (text: string, area: Area) => void;
  readonly onFocus: (symbol: string) => void;
}

interface Drawn {
  readonly width: number;
  readonly height: number;
}

/** A pointer that moves less than this presses, and does not draw a box. Pixels */
const STILL = 5;

/** A page of the datasheet: a number is pressed, or a box is drawn round a table. */
export function PageView(props: Props) {
  const { open, page, words, marks, focus, box, zoom, traced, ruler, onBox, onPress, onFocus } = props;
  const room = useRef<HTMLDivElement>(null);
  const paper = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<Drawn | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [drag, setDrag] = useState<Area | null>(null);
  const start = useRef<{ readonly x: number; readonly y: number } | null>(null);
  useEffect(() => {
    let left = false;
    const draw = async () => {
      const whole = await open.size(page);
      const width = ((room.current?.clientWidth ?? 600) - 12) * zoom;
      const scale = (width / whole.width) * Math.min(2, devicePixelRatio || 1);
      const canvas = await open.draw(page, scale);
      if (left) return;
      canvas.style.width = `${width}px`;
      canvas.setAttribute('aria-hidden', 'true');
      paper.current?.querySelector('canvas')?.remove();
      paper.current?.prepend(canvas);
      setTrouble(null);
      setSize(whole);
    };
    draw().catch((error: Error) => left || setTrouble(`The page cannot be drawn: ${error.message}`));
    return () => {
      left = true;
    };
  }, [open, page, zoom]);
  const marked = marks.find(({ symbol }) => symbol === focus);
  useEffect(() => {
    if (marked) document.getElementById(`mark-${marked.symbol}`)?.scrollIntoView({ block: 'nearest' });
  }, [marked]);

  const at = ({ clientX, clientY }: PointerEvent) => {
    const rect = paper.current?.getBoundingClientRect();
    if (!rect || !size) return null;
    return {
      x: ((clientX - rect.left) / rect.width) * size.width,
      y: ((clientY - rect.top) / rect.height) * size.height,
    };
  };
  const between = (a: { x: number; y: number }, b: { x: number; y: number }): Area => ({
    x0: Math.min(a.x, b.x),
    x1: Math.max(a.x, b.x),
    y0: Math.min(a.y, b.y),
    y1: Math.max(a.y, b.y),
  });
  const place = ({ x0, y0, x1, y1 }: Area, slack = 0) =>
    size && {
      left: `${(100 * (x0 - slack)) / size.width}%`,
      top: `${(100 * (y0 - slack)) / size.height}%`,
      width: `${(100 * (x1 - x0 + 2 * slack)) / size.width}%`,
      height: `${(100 * (y1 - y0 + 2 * slack)) / size.height}%`,
    };
  return (
    <div
      ref={room}
      className="bg-base-200 min-h-0 flex-1 overflow-auto p-1.5"
      tabIndex={0}
      aria-label="Page of the datasheet"
    >
      {trouble && (
        <p role="alert" className="text-error">
          {trouble}
        </p>
      )}
      <div
        ref={paper}
        className="relative inline-block cursor-crosshair touch-none select-none"
        onPointerDown={(event) => {
          start.current = at(event);
          event.currentTarget.setPointerCapture(event.pointerId);
        }}
        onPointerMove={(event) => {
          const now = at(event);
          if (start.current && now) setDrag(between(start.current, now));
        }}
        onPointerCancel={() => {
          start.current = null;
          setDrag(null);
        }}
        onPointerUp={(event) => {
          const [from, now] = [start.current, at(event)];
          start.current = null;
          setDrag(null);
          if (!from || !now || !size) return;
          const rect = event.currentTarget.getBoundingClientRect();
          const still = (STILL * size.width) / rect.width;
          const drawn = between(from, now);
          if (drawn.x1 - drawn.x0 > still && drawn.y1 - drawn.y0 > still) return onBox(drawn);
          const run = runAt(words, now);
          if (run) onPress(run.text, run.area);
          else if (box) onBox(null);
        }}
      >
        {traced && size && <Tracing traced={traced} size={size} />}
        {marks.map(({ symbol, area, isDoubtful }) => (
          <button
            key={symbol}
            id={`mark-${symbol}`}
            type="button"
            tabIndex={-1}
            aria-label={`${symbol} on the page${isDoubtful ? ', to be looked at' : ''}`}
            className={`absolute border text-left ${isDoubtful ? 'border-warning' : 'border-primary'} ${
              symbol === focus ? 'bg-primary/15 border-2' : ''
            }`}
            style={place(area, 2) ?? undefined}
            onPointerDown={(event) => event.stopPropagation()}
            onClick={() => onFocus(symbol)}
          >
            <span
              className={`bg-base-100 absolute right-full top-1/2 mr-0.5 -translate-y-1/2 whitespace-nowrap px-0.5 text-[11px] leading-none ${
                isDoubtful ? 'text-warning' : 'text-primary'
              }`}
            >
              {isDoubtful && '▲ '}
              {symbol}
            </span>
          </button>
        ))}
        {[box, drag].map(
          (area, i) =>
            area && (
              <div
                key={i}
                className="border-primary pointer-events-none absolute border border-dashed"
                style={place(area) ?? undefined}
              />
            ),
        )}
        {ruler !== null && size && <PageRuler key={page} paper={paper} size={size} unit={ruler} />}
      </div>
    </div>
  );
}

/** The drawing as it was understood, over the page; what was not stays bare. */
function Tracing({ traced: { dimensions, lands, scales }, size }: { traced: Traced; size: Drawn }) {
  return (
    <svg
      className="pointer-events-none absolute inset-0 h-full w-full"
      viewBox={`0 0 ${size.width} ${size.height}`}
      preserveAspectRatio="none"
      role="img"
      aria-label={`${dimensions.length} dimensions of the drawing were understood`}
    >
      {lands.map((d, i) => (
        <path key={`land ${i}`} d={d} className="traced-land" />
      ))}
      {dimensions.map(({ d, area, printed }, i) => (
        <g key={`${printed} ${i}`} className="traced">
          <path d={d} />
          <rect
            x={area.x0 - 1}
            y={area.y0 - 1}
            width={area.x1 - area.x0 + 2}
            height={area.y1 - area.y0 + 2}
          />
        </g>
      ))}
      {scales.map(({ x, y, text }, i) => (
        <text key={`scale ${i}`} x={x} y={y} className="traced-scale" fontSize={7}>
          {text}
        </text>
      ))}
    </svg>
  );
}
