import { useMemo } from 'react';
import { cornersOf } from '../../core/geometry/box';
import { flatten } from '../../core/geometry/contour';
import { contourOf } from '../../core/geometry/figure';
import type { Point } from '../../core/geometry/point';
import { roomAbout, type Guide, type Room } from '../../core/trial/snap';
import type { CompiledTrial } from '../../core/trial/trial';
import { formatLength, type DisplayUnit } from '../../core/units/length';
import type { Area } from '../sheet/layout';

// What is marked on the plan of a board beside its drawing.

const courtyardPath = (trial: CompiledTrial, id: string): string =>
  trial.parts
    .filter(({ part }) => part === id)
    .map(({ footprint: { courtyard } }) => {
      const [first, ...rest] = courtyard.contour ?? cornersOf(courtyard.box);
      return first ? `M${first.x} ${-first.y}${rest.map(({ x, y }) => `L${x} ${-y}`).join('')}Z` : '';
    })
    .join('');

/** Parts that a remedy would move, where it would put them. */
export function Ghost({
  before,
  after,
  transform,
}: {
  before: CompiledTrial;
  after: CompiledTrial;
  transform: string;
}) {
  const there = new Map(before.parts.map(({ id, footprint }) => [id, footprint]));
  const rings = after.parts
    .filter(({ id, footprint }) => there.get(id) !== footprint)
    .flatMap(({ footprint: { lands, courtyard } }) => [
      courtyard.contour ?? cornersOf(courtyard.box),
      ...lands.map(({ copper }) => flatten(contourOf(copper), 0.02)),
    ]);
  const d = rings.map((ring) => `M${ring.map(({ x, y }) => `${x} ${-y}`).join('L')}Z`).join('');
  return (
    <g className="drawing" transform={transform}>
      <path className="preview" d={d} />
    </g>
  );
}

interface SelectedProps {
  trial: CompiledTrial;
  id: string;
  place: (p: Point) => Point;
  unit: DisplayUnit;
  transform: string;
}

/** The selected part, and how far it is to what lies about it. */
export function Selected({ trial, id, place, unit, transform }: SelectedProps) {
  const rooms = useMemo(() => roomAbout(trial, id), [trial, id]);
  return (
    <>
      <g className="drawing" transform={transform}>
        <path className="selected" d={courtyardPath(trial, id)} />
      </g>
      {rooms.map((room, i) => (
        <RoomLine key={i} room={room} place={place} unit={unit} />
      ))}
    </>
  );
}

/** Shorter distances have their figure beside the line, px. */
const ROOM_FOR_TEXT = 34;

function RoomLine({
  room: { by, from, until },
  place,
  unit,
}: {
  room: Room;
  place: (p: Point) => Point;
  unit: DisplayUnit;
}) {
  const [a, b] = [place(from), place(until)];
  const level = Math.abs(a.y - b.y) < 0.01;
  const length = Math.hypot(a.x - b.x, a.y - b.y);
  const [x, y] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
  const text = formatLength(by, unit);
  const at = level
    ? { x, y: y - 4, anchor: 'middle' as const }
    : { x: x + 4, y: y + 4, anchor: 'start' as const };
  if (Math.abs(by) < 1e-9) return null;
  return (
    <g className="room">
      <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} />
      <circle cx={a.x} cy={a.y} r={1.6} />
      <circle cx={b.x} cy={b.y} r={1.6} />
      <text x={at.x} y={level && length < ROOM_FOR_TEXT ? at.y - 6 : at.y} textAnchor={at.anchor}>
        {text}
      </text>
    </g>
  );
}

export function Guides({
  guides,
  area,
  place,
}: {
  guides: readonly Guide[];
  area: Area;
  place: (p: Point) => Point;
}) {
  return guides.map(({ axis, at, words }) => {
    const p = place({ x: at, y: at });
    const d =
      axis === 'x' ? `M${p.x} ${area.y}V${area.y + area.height}` : `M${area.x} ${p.y}H${area.x + area.width}`;
    return <path key={`${axis} ${words}`} className="guide" d={d} />;
  });
}

/** Room that a letter takes, px. */
const LETTER = 6.2;

/** References in the middle of their parts, where they have room. */
export function References({
  trial,
  place,
  scale,
}: {
  trial: CompiledTrial;
  place: (p: Point) => Point;
  scale: number;
}) {
  return trial.parts.map(({ id, reference, footprint }) => {
    const { box } = footprint.courtyard;
    const [w, h] = [(box.maxX - box.minX) * scale, (box.maxY - box.minY) * scale];
    const length = reference.length * LETTER;
    const upright = w < length && h > w;
    if ((upright ? h : w) < length || (upright ? w : h) < 10) return null;
    const { x, y } = place({ x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 });
    return (
      <text
        key={id}
        className={`board-reference ${footprint.far ? 'far' : ''}`}
        x={x}
        y={y + 4}
        textAnchor="middle"
        {...(upright ? { transform: `rotate(-90 ${x} ${y})` } : {})}
      >
        {reference}
      </text>
    );
  });
}
