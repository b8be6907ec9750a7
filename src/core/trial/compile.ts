import { pointerKey } from '../document/edit';
import type { Finding } from '../document/finding';
import { readFields } from '../document/read-fields';
import {
  TRIAL,
  type BoardKeepOutRead,
  type CoverRead,
  type PartRead,
  type TrialDocument,
  type TrialFootprint,
} from '../document/trial';
import type { TextsRead } from '../document/text-mark';
import { compile } from '../footprint/compile';
import { processOf, withReference } from '../footprint/compiling';
import { isDrawable, type Compiled, type Drawable, type Footprint } from '../footprint/footprint';
import { noModels, type ModelSource } from '../footprint/imported';
import { moved } from '../footprint/move';
import { atOrigin } from '../footprint/origin';
import { NO_REFERENCE } from '../footprint/texts';
import { circleAt, place, placedBox, rectangle, type Placed } from '../geometry/figure';
import type { Placement } from '../geometry/placement';
import { fullTurn, type Point } from '../geometry/point';
import { quantise } from '../units/length';
import { boardOf, type Board } from './board';
import type { BoardKeepOut, CompiledTrial, PlacedCover, PlacedPart } from './trial';

/**
 * Turns a trial into a board with its parts where they lie. Pure and total, as `compile` is: what cannot be used
 * is named in `problems` and left out. Footprints are compiled once and moved; those that stay where they are,
 * are not moved again.
 * @param models gives imported models by their key, as far as they are at hand
 */
export function compileTrial(trial: TrialDocument, models: ModelSource = noModels): CompiledTrial {
  const shop = processOf(trial);
  const { value: read, problems: unread } = readFields(TRIAL, trial, '', trial.unit ?? 'mm');
  const { board, problems: odd } = boardOf(read.board, shop.process.boardThickness);
  const process = { ...shop.process, boardThickness: board.thickness };
  const problems: Finding[] = [
    ...shop.problems.map((one) => ({ ...one, rule: 'entry' })),
    ...unread.map((one) => named(one, read.parts)),
    ...odd,
  ];
  const unusable = new Set(unread.flatMap(({ place: { field } }) => field ?? []));
  const parts: PlacedPart[] = [];
  for (const part of read.parts) {
    // a text that cannot be read stands as its footprint has it
    const own = [...unusable].filter((field) => field.startsWith(`${partAt(part)}/`));
    if (own.some((field) => !field.startsWith(`${partAt(part)}/texts/`))) continue;
    const found = placedPart(trial, part, board, models);
    if ('parts' in found) parts.push(...found.parts);
    else problems.push(found.problem);
  }
  const covers = read.covers.map((cover) => placedCover(cover, board));
  const keepOuts = read.keepOuts.map(placedArea);
  const usable = <T extends { readonly id: string }>(all: readonly (T | null)[]) =>
    all.filter((one): one is T => one !== null);
  for (const [i, cover] of covers.entries())
    if (!cover) problems.push(unfinished('/covers', read.covers[i]?.id ?? '', 'a height', 'covers nothing'));
  for (const [i, area] of keepOuts.entries())
    if (!area)
      problems.push(unfinished('/keepOuts', read.keepOuts[i]?.id ?? '', 'a diameter, or width and height'));
  return {
    trial,
    process,
    board,
    parts,
    read: read.parts,
    covers: usable(covers),
    keepOuts: usable(keepOuts),
    problems,
  };
}

/** A finding about an entry of a part, with the part's reference in its title. */
function named(finding: Finding, parts: readonly PartRead[]): Finding {
  const part = parts.find((one) => finding.place.field?.startsWith(`${partAt(one)}/`));
  return part?.reference
    ? { ...finding, title: finding.title.replace(/^Part \d+/, part.reference) }
    : finding;
}

/** A part wherever its row, array or corners put it; or why it is left out. */
function placedPart(
  trial: TrialDocument,
  part: PartRead,
  board: Board,
  models: ModelSource,
): { readonly parts: readonly PlacedPart[] } | { readonly problem: Finding } {
  const { id, reference: name, footprint: key } = part;
  const reference = name || NO_REFERENCE;
  const held = trial.footprints?.[key ?? ''];
  if (part.x === null || part.y === null) return { problem: noPlace(part) };
  if (!isHeld(held) || !key) return { problem: noFootprint(part) };
  const compiled = compiledFor(held, board.thickness, models);
  if (!isDrawable(compiled)) return { problem: notDrawn(part, compiled) };
  const placements = placementsOf(part, board);
  const parts = placements.map((placement, i): PlacedPart => {
    const own = placements.length === 1 ? reference : counted(reference, i);
    return {
      id: placements.length === 1 ? id : `${id}.${i + 1}`,
      part: id,
      reference: own,
      key,
      placement,
      compiled,
      footprint: placedFootprint(compiled, own, placement, part.texts),
    };
  });
  return { parts };
}

/** Whether a trial holds a document under a key: what a change took away it does not. */
const isHeld = (held: TrialFootprint | undefined): held is TrialFootprint =>
  typeof held?.document?.package === 'object';

/** The reference of one of several: R3 goes on with R4, and H with H1, H2. */
export function counted(reference: string, index: number): string {
  const [, stem = '', digits = ''] = /^(.*?)(\d{0,6})$/.exec(reference) ?? [];
  return `${stem}${digits === '' ? index + 1 : String(Number(digits) + index).padStart(digits.length, '0')}`;
}

/** Where a part and what is made of it lie: its row or array from its place, or the four corners. */
export function placementsOf(part: PartRead, board: Pick<Board, 'box'>): Placement[] {
  const { x, y, angle, side, corners, columns, rows, stepX, stepY } = part;
  const turned = { angle: fullTurn(angle ?? 0), far: side === 'bottom' };
  const [dx, dy] = [x ?? 0, y ?? 0];
  if (corners) {
    // round the board, from its lower left corner
    const { minX, minY, maxX, maxY } = board.box;
    return [
      { x: minX + dx, y: minY + dy },
      { x: maxX - dx, y: minY + dy },
      { x: maxX - dx, y: maxY - dy },
      { x: minX + dx, y: maxY - dy },
    ].map((at) => ({ at: rounded(at), ...turned }));
  }
  const first = {
    x: fromEdge(part.fromX, dx, board.box.minX, board.box.maxX),
    y: fromEdge(part.fromY, dy, board.box.minY, board.box.maxY),
  };
  return Array.from({ length: (columns ?? 1) * (rows ?? 1) }, (_, i) => {
    const [column, row] = [i % (columns ?? 1), Math.floor(i / (columns ?? 1))];
    return {
      at: rounded({ x: first.x + column * (stepX ?? 0), y: first.y + row * (stepY ?? 0) }),
      ...turned,
    };
  });
}

/** A coordinate that is measured inwards from an edge of the board, or to the right or upwards from its middle. */
export function fromEdge(
  from: PartRead['fromX'] | PartRead['fromY'],
  by: number,
  least: number,
  most: number,
): number {
  if (from === 'right' || from === 'top') return most - by;
  if (from === 'middle') return (least + most) / 2 + by;
  return least + by;
}

const rounded = ({ x, y }: Point): Point => ({ x: quantise(x), y: quantise(y) });

/** What was compiled for a footprint that a trial holds, by the board's thickness and whether its model is there. */
const compiledFootprints = new WeakMap<TrialFootprint['document'], Map<string, Compiled>>();

function compiledFor({ document }: TrialFootprint, thickness: number, models: ModelSource): Compiled {
  const known = compiledFootprints.get(document) ?? new Map<string, Compiled>();
  compiledFootprints.set(document, known);
  const model = document.body?.model;
  const key = `${thickness} ${model && models(model.key) ? 'seen' : ''}`;
  const found =
    known.get(key) ??
    compile({ ...document, body: { ...document.body, boardThickness: `${thickness} mm` } }, models);
  known.set(key, found);
  return found;
}

/** Footprints where they were put, by reference and place; a part that is dragged leaves some behind. */
const placedFootprints = new WeakMap<Drawable, Map<string, Footprint>>();
/** So many places of one footprint are remembered. */
const REMEMBERED = 4000;

function placedFootprint(
  compiled: Drawable,
  reference: string,
  placement: Placement,
  texts: TextsRead,
): Footprint {
  const known = placedFootprints.get(compiled) ?? new Map<string, Footprint>();
  placedFootprints.set(compiled, known);
  const { at, angle, far } = placement;
  const key = `${reference} ${at.x} ${at.y} ${angle} ${far} ${JSON.stringify(texts)}`;
  const there = known.get(key);
  if (there) return there;
  if (known.size >= REMEMBERED) known.clear();
  const found = moved(atOrigin(withReference(compiled, reference, texts)), placement);
  known.set(key, found);
  return found;
}

function placedCover(
  { id, x, y, width, height, under, side, why }: CoverRead,
  board: Board,
): PlacedCover | null {
  if (under === null) return null;
  const area = areaOf({ x, y, width, height }) ?? placedBox(board.box);
  return { id, why, area, under, far: side === 'bottom' };
}

function placedArea({
  id,
  x,
  y,
  width,
  height,
  diameter,
  what,
  side,
  why,
}: BoardKeepOutRead): BoardKeepOut | null {
  const area =
    diameter === null ? areaOf({ x, y, width, height }) : circleAt({ x: x ?? 0, y: y ?? 0 }, diameter);
  return area && { id, why, area, what: what ?? 'everything', side: side ?? 'both' };
}

/** A rectangle from its lower left corner; `null` where a size is missing. */
function areaOf({ x, y, width, height }: Pick<CoverRead, 'x' | 'y' | 'width' | 'height'>): Placed | null {
  if (width === null || height === null) return null;
  return place(rectangle(width, height), { x: (x ?? 0) + width / 2, y: (y ?? 0) + height / 2 });
}

function problem(at: string, title: string, message: string, remedy: string): Finding {
  return {
    rule: 'entry',
    severity: 'stop',
    title,
    message,
    source: 'Document',
    stage: 'measure',
    place: { field: at },
    remedies: [{ label: remedy, edits: [{ at, value: undefined }] }],
  };
}

const partAt = ({ id }: PartRead): string => `/parts/${pointerKey(id)}`;

function noPlace(part: PartRead): Finding {
  const missing = [...(part.x === null ? ['x'] : []), ...(part.y === null ? ['y'] : [])].join(' and ');
  const name = part.reference || 'A part';
  return problem(partAt(part), 'No place', `${name} has no ${missing}; it is left out.`, `Remove ${name}`);
}

function noFootprint(part: PartRead): Finding {
  const message = `${part.reference ?? 'A part'} names the footprint “${part.footprint ?? ''}”, which the trial does not hold; it is left out.`;
  return problem(partAt(part), 'No such footprint', message, `Remove ${part.reference ?? 'the part'}`);
}

function notDrawn(part: PartRead, { document, problems }: Compiled): Finding {
  const [first] = problems;
  const why = first ? ` (${first.message.replace(/\.$/, '')})` : '';
  const message = `${part.reference ?? 'A part'} is left out: its footprint ${document.name} cannot be drawn${why}. Mend it on its Bench and take it anew.`;
  return problem(
    partAt(part),
    'Footprint is not finished',
    message,
    `Remove ${part.reference ?? 'the part'}`,
  );
}

function unfinished(list: string, id: string, needs: string, until = 'keeps nothing free'): Finding {
  const at = `${list}/${pointerKey(id)}`;
  return problem(at, 'Area is not finished', `It needs ${needs}; until then it ${until}.`, 'Remove the area');
}
