import { freshId, pointerKey, type Edit } from '../document/edit';
import {
  trialLength,
  type PartIntent,
  type PartRead,
  type TrialDocument,
  type TrialFootprint,
} from '../document/trial';
import { fullTurn, type Point } from '../geometry/point';
import { formatNumber } from '../units/length';
import type { CompiledTrial } from './trial';

// What a person does on a board, as edits of the document.

const at = (id: string, field: string): string => `/parts/${pointerKey(id)}/${field}`;

/** How far a coordinate lies from the edge that it is measured from, mm: what `fromEdge` takes back. */
function measuredFrom(
  from: PartRead['fromX'] | PartRead['fromY'],
  value: number,
  least: number,
  most: number,
): number {
  if (from === 'right' || from === 'top') return most - value;
  if (from === 'middle') return value - (least + most) / 2;
  return value - least;
}

/** Puts a part, or the first of several, to a place of the board; it stays measured from its edges. */
export function moveTo({ trial, read, board: { box } }: CompiledTrial, id: string, { x, y }: Point): Edit[] {
  const part = read.find((one) => one.id === id);
  if (!part) return [];
  // at all corners the lower left one is meant
  const [fromX, fromY] = part.corners ? [null, null] : [part.fromX, part.fromY];
  return [
    { at: at(id, 'x'), value: trialLength(trial, measuredFrom(fromX, x, box.minX, box.maxX)) },
    { at: at(id, 'y'), value: trialLength(trial, measuredFrom(fromY, y, box.minY, box.maxY)) },
  ];
}

/** Measures a part from another edge; it stays where it is. */
export function measureFrom(
  compiled: CompiledTrial,
  id: string,
  axis: 'x' | 'y',
  from: NonNullable<PartRead['fromX'] | PartRead['fromY']>,
): Edit[] {
  const { trial, board, parts } = compiled;
  const placed = parts.find((one) => one.part === id);
  if (!placed) return [];
  const [least, most] = axis === 'x' ? [board.box.minX, board.box.maxX] : [board.box.minY, board.box.maxY];
  const isUsual = from === 'left' || from === 'bottom';
  return [
    { at: at(id, axis === 'x' ? 'fromX' : 'fromY'), value: isUsual ? undefined : from },
    {
      at: at(id, axis),
      value: trialLength(trial, measuredFrom(from, placed.placement.at[axis], least, most)),
    },
  ];
}

/** Turns a part further, degrees counter-clockwise. */
export function turnBy({ read }: CompiledTrial, id: string, by: number): Edit[] {
  const part = read.find((one) => one.id === id);
  if (!part) return [];
  const angle = fullTurn((part.angle ?? 0) + by);
  return [{ at: at(id, 'angle'), value: angle === 0 ? undefined : formatNumber(angle, 0, 3) }];
}

/** Puts a part onto the other side of the board. */
export function toOtherSide({ read }: CompiledTrial, id: string): Edit[] {
  const part = read.find((one) => one.id === id);
  return part ? [{ at: at(id, 'side'), value: part.side === 'bottom' ? undefined : 'bottom' }] : [];
}

/** The same part at all four corners, measured from each; or at its place alone again. */
export function atCorners(compiled: CompiledTrial, id: string, isOn: boolean): Edit[] {
  const { trial, board, parts } = compiled;
  const placed = parts.find((one) => one.part === id);
  if (!placed || !isOn) return [{ at: at(id, 'corners'), value: isOn || undefined }];
  // the distances from its own corner become those from all
  const { box } = board;
  const { x, y } = placed.placement.at;
  return [
    ...['fromX', 'fromY', 'columns', 'rows', 'stepX', 'stepY'].map((field) => ({
      at: at(id, field),
      value: undefined,
    })),
    { at: at(id, 'x'), value: trialLength(trial, Math.min(x - box.minX, box.maxX - x)) },
    { at: at(id, 'y'), value: trialLength(trial, Math.min(y - box.minY, box.maxY - y)) },
    { at: at(id, 'corners'), value: true },
  ];
}

/** Puts another footprint in the place of a part's, as a variant for the standard one. */
export function swapFootprint(id: string, key: string): Edit[] {
  return [{ at: at(id, 'footprint'), value: key }];
}

/** The first reference with a stem that no part has yet: R1, R2. */
export function freeReference({ parts = [] }: TrialDocument, wished: string): string {
  const taken = new Set(parts.map(({ reference }) => reference));
  if (!taken.has(wished)) return wished;
  const stem = wished.replace(/\d+$/, '') || 'X';
  for (let i = 1; ; i += 1) if (!taken.has(`${stem}${i}`)) return `${stem}${i}`;
}

/** The key under which a trial holds a footprint, and the edit that makes it hold one that it does not have. */
export function holdFootprint(
  { footprints = {} }: TrialDocument,
  footprint: TrialFootprint,
): { readonly key: string; readonly edits: readonly Edit[] } {
  const known = Object.entries(footprints).find(
    ([, one]) =>
      footprint.from !== undefined &&
      one.from === footprint.from &&
      one.revision === footprint.revision &&
      JSON.stringify(one.document) === JSON.stringify(footprint.document),
  );
  if (known) return { key: known[0], edits: [] };
  const stem = (footprint.document.name.split(/[\s,]/)[0] ?? '').slice(0, 40) || 'footprint';
  let key = stem;
  for (let i = 2; Object.hasOwn(footprints, key); i += 1) key = `${stem}-${i}`;
  return { key, edits: [{ at: `/footprints/${pointerKey(key)}`, value: footprint }] };
}

/** Places a footprint on the board. @returns the edits and the id of the new part */
export function placeFootprint(
  { trial, board: { box } }: CompiledTrial,
  footprint: TrialFootprint,
  place: Point = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 },
): { readonly id: string; readonly edits: readonly Edit[] } {
  const { key, edits } = holdFootprint(trial, footprint);
  const id = freshId(trial.parts ?? []);
  const reference = freeReference(trial, footprint.document.marks?.reference ?? `${key}`.slice(0, 16));
  const part: PartIntent = {
    id,
    reference,
    footprint: key,
    x: trialLength(trial, place.x - box.minX),
    y: trialLength(trial, place.y - box.minY),
  };
  return { id, edits: [...edits, ...added(trial, part)] };
}

function added({ parts }: TrialDocument, part: PartIntent): Edit[] {
  return [parts ? { at: `/parts/${pointerKey(part.id)}`, value: part } : { at: '/parts', value: [part] }];
}

/** Places a part once more, beside itself. */
export function duplicatePart(
  compiled: CompiledTrial,
  id: string,
): { readonly id: string; readonly edits: readonly Edit[] } | null {
  const { trial, parts } = compiled;
  const part = trial.parts?.find((one) => one.id === id);
  const placed = parts.find((one) => one.part === id);
  if (!part || !placed) return null;
  const copy: PartIntent = {
    ...part,
    id: freshId(trial.parts ?? []),
    reference: freeReference(trial, part.reference),
  };
  const { box } = placed.footprint.courtyard;
  const { x, y } = placed.placement.at;
  const there = { x: x + (box.maxX - box.minX), y };
  const next = { ...compiled, trial: { ...trial, parts: [...(trial.parts ?? []), copy] } };
  const moves = moveTo(
    {
      ...next,
      read: [...compiled.read, { ...(compiled.read.find((one) => one.id === id) as PartRead), id: copy.id }],
    },
    copy.id,
    there,
  );
  return { id: copy.id, edits: [...added(trial, copy), ...moves] };
}

/** Takes a part off the board, and its footprint where nothing else is of it. */
export function removePart({ parts = [] }: TrialDocument, id: string): Edit[] {
  const part = parts.find((one) => one.id === id);
  if (!part) return [];
  const alone = !parts.some((one) => one.id !== id && one.footprint === part.footprint);
  return [
    { at: `/parts/${pointerKey(id)}`, value: undefined },
    ...(alone ? [{ at: `/footprints/${pointerKey(part.footprint)}`, value: undefined }] : []),
  ];
}
