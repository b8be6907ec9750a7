import { HOME, type SpanGroup, type TerminalPlace } from './terminal';

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
    ...left.map((along, i): TerminalPlace => ({ order: i + 1, end: -1, along })),
    ...right.map((along, i): TerminalPlace => ({ order: left.length + i + 1, end: 1, along })),
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
    frame: HOME,
    pitch,
    body: null,
    places: twoRows(row, [...row].reverse()),
    ...rest,
  };
}

/** Places of a quad package: those at left and right, and those at bottom and top, in the frame of an upright span. */
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
  const place = (end: -1 | 1, from: number) => (along: number, i: number) => ({
    order: from + i + 1,
    end,
    along: along + 0,
  });
  const reversed = (row: readonly number[]) => [...row].reverse();
  return {
    x: [...down.map(place(-1, 0)), ...reversed(down).map(place(1, upright + level))],
    // an upright frame's y axis points to the left
    y: [...across.map(place(-1, upright)), ...reversed(across).map(place(1, 2 * upright + level))],
  };
}
