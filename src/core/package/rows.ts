import type { SpanGroup, TerminalPlace } from './terminal';

/** Offsets of the leads of one row from its middle, first to last, walking towards −. */
export function evenRow(count: number, pitch: number): number[] {
  return Array.from({ length: count }, (_, i) => ((count - 1) / 2 - i) * pitch);
}

/**
 * Numbers two rows counter-clockwise from upper left: down the left one, up the right one.
 * @param left offsets from top to bottom, mm
 * @param right offsets from bottom to top, mm
 */
export function twoRows(left: readonly number[], right: readonly number[]): TerminalPlace[] {
  return [
    ...left.map((along, i): TerminalPlace => ({ position: i + 1, side: -1, along })),
    ...right.map((along, i): TerminalPlace => ({ position: left.length + i + 1, side: 1, along })),
  ];
}

/** A group of two equal rows along y, as chip arrays and flat packages have. */
export function dualGroup(
  count: number,
  pitch: number,
  rest: Pick<SpanGroup, 'form' | 'span' | 'length' | 'width'>,
): SpanGroup {
  const row = evenRow(count / 2, pitch);
  return {
    kind: 'span',
    id: 'rows',
    title: 'Left and right rows',
    axis: 'x',
    pitch,
    body: null,
    places: twoRows(row, [...row].reverse()),
    ...rest,
  };
}

/** Places of a quad package by the axis of their span. */
export interface QuadRows {
  readonly x: readonly TerminalPlace[];
  readonly y: readonly TerminalPlace[];
}

/**
 * Numbers four rows counter-clockwise from upper left: down the left side, along the bottom,
 * up the right side, back along the top.
 * @param upright leads on each of the left and right sides
 * @param level leads on each of the bottom and top sides
 */
export function fourRows(upright: number, level: number, pitch: number): QuadRows {
  const [down, across] = [evenRow(upright, pitch), evenRow(level, pitch)];
  const place = (side: -1 | 1, from: number) => (along: number, i: number) => ({
    position: from + i + 1,
    side,
    along: along + 0,
  });
  const reversed = (row: readonly number[]) => [...row].reverse();
  return {
    x: [...down.map(place(-1, 0)), ...reversed(down).map(place(1, upright + level))],
    y: [...reversed(across).map(place(-1, upright)), ...across.map(place(1, 2 * upright + level))],
  };
}
