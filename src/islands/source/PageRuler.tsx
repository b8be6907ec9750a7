import { useState, type PointerEvent, type RefObject } from 'react';
import { readLength } from '../../core/units/entry';
import { formatLength, formatNumber, type DisplayUnit } from '../../core/units/length';

// A ruler on a page of a datasheet: two places of the drawing are pressed, and what is known of one length says what
// another one is. Places are taken on the ink under the pointer.

interface At {
  readonly x: number;
  readonly y: number;
}

interface Props {
  /** The paper, with the canvas that the page is drawn on. */
  paper: RefObject<HTMLDivElement | null>;
  /** Of the page, in its points. */
  size: { readonly width: number; readonly height: number };
  unit: DisplayUnit;
}

/** Ink is looked for within so many pixels of the pointer, and is darker than this. */
const REACH = 7;
const DARK = 140;
/** What is nearly upright or level is meant to be so, degrees. */
const STRAIGHT = 2.5;

/** Two places on the page, and how far they are apart once a length is known. */
export function PageRuler({ paper, size, unit }: Props) {
  const [points, setPoints] = useState<readonly At[]>([]);
  /** Points of the page for a millimetre; `null` until one length is said. */
  const [scale, setScale] = useState<number | null>(null);
  const [over, setOver] = useState<At | null>(null);
  const at = ({ clientX, clientY }: PointerEvent): At | null => {
    const sheet = paper.current?.querySelector('canvas');
    const rect = paper.current?.getBoundingClientRect();
    if (!sheet || !rect) return null;
    const seen = onInk(sheet, {
      x: ((clientX - rect.left) / rect.width) * sheet.width,
      y: ((clientY - rect.top) / rect.height) * sheet.height,
    });
    return { x: (seen.x / sheet.width) * size.width, y: (seen.y / sheet.height) * size.height };
  };
  const press = (event: PointerEvent) => {
    event.stopPropagation();
    const place = at(event);
    if (!place) return;
    const [from, to] = points;
    setPoints(from && !to ? [from, straightened(from, place)] : [place]);
  };
  const [from, to] = points;
  const mark = (p: At, kind: string) => (
    <circle key={kind} cx={p.x} cy={p.y} r={size.width / 250} className="ruler-picked" />
  );
  return (
    <>
      <svg
        className="absolute inset-0 h-full w-full cursor-crosshair"
        viewBox={`0 0 ${size.width} ${size.height}`}
        preserveAspectRatio="none"
        role="img"
        aria-label="Ruler on the page"
        onPointerDown={press}
        onPointerMove={(event) => {
          event.stopPropagation();
          setOver(at(event));
        }}
        onPointerUp={(event) => event.stopPropagation()}
        onPointerLeave={() => setOver(null)}
      >
        {from && to && (
          <line
            x1={from.x}
            y1={from.y}
            x2={to.x}
            y2={to.y}
            stroke="var(--color-primary)"
            strokeWidth={size.width / 500}
          />
        )}
        {from && mark(from, 'from')}
        {to && mark(to, 'to')}
        {over && <circle cx={over.x} cy={over.y} r={size.width / 350} className="ruler-over" />}
      </svg>
      <div
        className="bg-base-100 border-base-300 sticky bottom-0 left-0 w-[300px] cursor-auto border p-2 text-[12px] shadow"
        role="status"
        aria-label="Ruler on the page"
        onPointerDown={(event) => event.stopPropagation()}
        onPointerUp={(event) => event.stopPropagation()}
      >
        {from && to ? (
          <Said key={`${from.x} ${from.y} ${to.x} ${to.y}`} {...{ from, to, scale, setScale, unit }} />
        ) : (
          <p>
            {from ? 'Press the second place.' : 'Press two places of the drawing.'}
            {scale === null && ' The first length sets the scale.'}
          </p>
        )}
      </div>
    </>
  );
}

interface SaidProps {
  from: At;
  to: At;
  scale: number | null;
  setScale: (scale: number) => void;
  unit: DisplayUnit;
}

/** What two places say: a length by the scale, or the scale by a length. */
function Said({ from, to, scale, setScale, unit }: SaidProps) {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const points = Math.hypot(dx, dy);
  const [text, setText] = useState('');
  const read = text.trim() === '' ? null : readLength(text, unit);
  const wrong =
    read && (!read.ok || read.value <= 0) ? (read.ok ? 'It is longer than nothing.' : read.error) : null;
  const other: DisplayUnit = unit === 'mm' ? 'mil' : 'mm';
  const say = (length: number) => {
    const mm = scale === null ? 0 : length / scale;
    return `${formatLength(mm, unit)} ${unit}`;
  };
  return (
    <>
      {scale !== null && (
        <p>
          straight <b className="font-semibold">{say(points)}</b>{' '}
          <span className="text-secondary">
            {formatLength(points / scale, other)} {other},{' '}
            {formatNumber((Math.atan2(-dy, dx) * 180) / Math.PI, 0, 1)}°
          </span>
          <br />
          across {say(Math.abs(dx))}, upright {say(Math.abs(dy))}
        </p>
      )}
      <label className="mt-1 flex items-center gap-2">
        {scale === null ? 'This length is' : 'or this length is'}
        <input
          className={`bg-base-100 w-20 border px-1 ${wrong ? 'border-error' : 'border-base-300'}`}
          aria-invalid={wrong !== null || undefined}
          value={text}
          placeholder={`4.90 ${unit}`}
          onChange={({ target }) => setText(target.value)}
          onKeyDown={({ key }) => {
            if (key === 'Enter' && read?.ok && read.value > 0) {
              setScale(points / read.value);
              setText('');
            }
          }}
          onBlur={() => {
            if (read?.ok && read.value > 0) setScale(points / read.value);
          }}
        />
        {unit}
      </label>
      {wrong !== null && <p className="text-error">{wrong}</p>}
      <p className="text-secondary mt-1">
        Measured off the drawing: it is as true as the drawing is to scale.
      </p>
    </>
  );
}

/** The middle of the line under the pointer; the pointer where there is no ink near it. Pixels of the canvas */
function onInk(canvas: HTMLCanvasElement, { x, y }: At): At {
  const [left, top] = [Math.round(x) - REACH, Math.round(y) - REACH];
  const side = 2 * REACH + 1;
  const pixels = canvas.getContext('2d')?.getImageData(left, top, side, side).data;
  if (!pixels) return { x, y };
  const isDark = (i: number, j: number) => {
    const k = 4 * (j * side + i);
    return (
      (pixels[k + 3] ?? 0) > 0 &&
      ((pixels[k] ?? 255) + (pixels[k + 1] ?? 255) + (pixels[k + 2] ?? 255)) / 3 < DARK
    );
  };
  let [best, least] = [null as readonly [number, number] | null, Infinity];
  for (let j = 0; j < side; j += 1)
    for (let i = 0; i < side; i += 1) {
      const apart = Math.hypot(i - REACH, j - REACH);
      if (apart < least && isDark(i, j)) [best, least] = [[i, j], apart];
    }
  if (!best) return { x, y };
  const [i, j] = best;
  const run = (di: number, dj: number) => {
    let n = 0;
    while (
      i + di * (n + 1) >= 0 &&
      i + di * (n + 1) < side &&
      j + dj * (n + 1) >= 0 &&
      j + dj * (n + 1) < side
    ) {
      if (!isDark(i + di * (n + 1), j + dj * (n + 1))) break;
      n += 1;
    }
    return n;
  };
  const [west, east, north, south] = [run(-1, 0), run(1, 0), run(0, -1), run(0, 1)];
  // across the line, not along it
  return west + east < north + south
    ? { x: left + i + (east - west) / 2 + 0.5, y }
    : { x, y: top + j + (south - north) / 2 + 0.5 };
}

/** A place level with or upright over another one, where it is nearly so. */
function straightened(from: At, to: At): At {
  const angle = (Math.atan2(Math.abs(to.y - from.y), Math.abs(to.x - from.x)) * 180) / Math.PI;
  if (angle < STRAIGHT) return { x: to.x, y: from.y };
  return angle > 90 - STRAIGHT ? { x: from.x, y: to.y } : to;
}
