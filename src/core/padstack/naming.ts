import { grown, narrowOf, sizeOf, type Figure, type Placed } from '../geometry/figure';
import type { Process } from '../process/process';
import { formatNumber, quantise } from '../units/length';
import type { Padstack } from './padstack';

/**
 * Hundredths of a millimetre without decimal point; finer sizes follow after `q`
 * (`42q5` is 0.425 mm), so that two different sizes never share a name.
 */
export function sizeDigits(mm: number): string {
  return formatNumber(mm * 100, 0, 4)
    .replace('-', 'neg')
    .replace('.', 'q');
}

/**
 * The computed name (IPC-7351B, padstack naming): shape letter and size, `h` or `n` and the hole,
 * then what differs from the process's defaults: corner radius (`r`), chamfer (`f`), mask (`m`),
 * paste (`p`), relief (`t`), plane clearance (`y`), inner land (`z`), offset (`o`), far side (`x`),
 * and the vias in the land (`v`).
 * @example r155_40, r155_40m2q5, c150h90, b120_180h90, s350f30ulp9w60v14h30
 */
export function nameOf(stack: Omit<Padstack, 'name'>, process: Process): string {
  const { copper, hole, offset } = stack;
  return [
    shapeName(copper),
    hole ? `${hole.plated ? 'h' : 'n'}${plainSize(hole.figure)}` : '',
    cornerName(copper),
    maskName(stack, process),
    pasteName(stack, process),
    reliefName(stack, process),
    clearanceName(stack, process),
    innerName(stack),
    offset.x !== 0 || offset.y !== 0 ? `o${sizeDigits(offset.x)}_${sizeDigits(offset.y)}` : '',
    stack.other && !same(stack.other, copper) ? `x${plainSize(stack.other)}` : '',
    viaName(stack),
  ].join('');
}

/** The name of the padstack of a hole without copper: `n270` is 2.70 mm wide. */
export function holeName({ hole }: { readonly hole: Pick<Placed, 'figure'> }): string {
  return `n${plainSize(hole.figure)}`;
}

function shapeName(figure: Figure): string {
  const { width, height } = sizeOf(figure);
  const pair = `${sizeDigits(width)}_${sizeDigits(height)}`;
  switch (figure.kind) {
    case 'round':
      return `c${sizeDigits(width)}`;
    case 'oblong':
      return `b${pair}`;
    case 'd-shape':
      return `d${pair}`;
    case 'contour':
      return `u${pair}`;
    case 'rectangle':
      return width === height ? `s${sizeDigits(width)}` : `r${pair}`;
  }
}

const CORNER_INITIALS = { 'lower-left': 'll', 'lower-right': 'lr', 'upper-right': 'ur', 'upper-left': 'ul' };

function cornerName(figure: Figure): string {
  if (figure.kind !== 'rectangle') return '';
  const { radius, chamfer } = figure;
  if (chamfer) {
    const corners = chamfer.corners.map((corner) => CORNER_INITIALS[corner]).join('');
    return `f${sizeDigits(chamfer.size)}${corners}`;
  }
  return radius ? `r${sizeDigits(radius)}` : '';
}

function plainSize(figure: Figure): string {
  const { width, height } = sizeOf(figure);
  return figure.kind === 'round' || width === height
    ? sizeDigits(width)
    : `${sizeDigits(width)}_${sizeDigits(height)}`;
}

/** A margin where the opening follows the land, else its size; nothing where it is the process's. */
function openingName(letter: string, land: Figure, opening: Figure | null, usual: number): string {
  if (!opening) return `${letter}0`;
  if (same(opening, grown(land, usual))) return '';
  const [a, b] = [sizeOf(land), sizeOf(opening)];
  const margins = [quantise((b.width - a.width) / 2), quantise((b.height - a.height) / 2)] as const;
  const kind = opening.kind === land.kind ? '' : CONTOUR_LETTERS[opening.kind];
  if (margins[0] !== margins[1]) return `${letter}${kind}${sizeDigits(b.width)}_${sizeDigits(b.height)}`;
  return `${letter}${kind}${sizeDigits(margins[0])}`;
}

const CONTOUR_LETTERS: Readonly<Record<Figure['kind'], string>> = {
  round: 'c',
  oblong: 'b',
  'd-shape': 'd',
  rectangle: 'r',
  contour: 'u',
};

function maskName(
  { copper, mask, islands, windows }: Omit<Padstack, 'name'>,
  { maskMargin }: Process,
): string {
  if (windows && mask.length > 1) return `m${mask.length}w`;
  const own = openingName('m', copper, mask[0]?.figure ?? null, maskMargin);
  return islands.length > 0 ? `${own || 'm'}i${islands.length}` : own;
}

function pasteName(
  { kind, copper, paste, windows, hole }: Omit<Padstack, 'name'>,
  { pasteMargin }: Process,
): string {
  if (windows) {
    return paste.length > 0 ? `p${paste.length}w${Math.round(windows.coverage * 100)}` : 'p0';
  }
  const [only] = paste;
  // lands for probes and pins take no paste by themselves
  if (kind === 'probe' || hole) return only ? `p${plainSize(only.figure)}` : '';
  if (!only) return 'p0';
  const own = openingName('p', copper, only.figure, -pasteMargin);
  return own.startsWith('pneg') ? own.replace('pneg', 'p') : own.replace(/^p(?=\d)/, 'pneg');
}

function reliefName({ relief, hole, copper }: Omit<Padstack, 'name'>, process: Process): string {
  if (!relief) return hole?.plated ? 't0' : '';
  const usual =
    hole?.plated &&
    relief.spokes === process.reliefSpokes &&
    relief.width === process.reliefWidth &&
    same(relief.outer, grown(copper, process.reliefGap));
  return usual ? '' : `t${plainSize(relief.outer)}_${sizeDigits(relief.width)}_${relief.spokes}`;
}

function clearanceName({ clearance, copper, hole }: Omit<Padstack, 'name'>, process: Process): string {
  if (!clearance) return '';
  const usual = hole && [grown(copper, process.planeClearance), grown(hole.figure, process.holeClearance)];
  return usual?.some((figure) => same(figure, clearance)) ? '' : `y${plainSize(clearance)}`;
}

function innerName({ inner, copper }: Omit<Padstack, 'name'>): string {
  if (!inner) return '';
  const usual = narrowOf(copper);
  return narrowOf(inner) === usual ? '' : `z${plainSize(inner)}`;
}

function viaName({ vias, cover }: Omit<Padstack, 'name'>): string {
  const [via] = vias;
  if (!via) return '';
  return `v${vias.length}h${sizeDigits(via.hole)}${cover === 'open' ? '' : cover.charAt(0)}`;
}

function same(a: Figure, b: Figure): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

/** Figures and places of a padstack: equal for padstacks that are one. */
export function stackKey(stack: Padstack): string {
  return JSON.stringify({ ...stack, name: '', sources: {}, windows: null });
}

/** Gives padstacks that differ but share a computed name different names. */
export function uniqueName(name: string, taken: ReadonlySet<string>): string {
  for (let i = 2, unique = name; ; i += 1) {
    if (!taken.has(unique)) return unique;
    unique = `${name}_${i}`;
  }
}

/** Windows or openings by their figures, for listing: each size with how often it occurs. */
export function sizesOfPlaced(
  placed: readonly Placed[],
): { readonly figure: Figure; readonly count: number }[] {
  const found = new Map<string, { figure: Figure; count: number }>();
  for (const { figure } of placed) {
    const key = `${figure.kind} ${plainSize(figure)}`;
    const known = found.get(key);
    if (known) known.count += 1;
    else found.set(key, { figure, count: 1 });
  }
  return [...found.values()];
}
