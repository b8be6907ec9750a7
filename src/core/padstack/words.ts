import { sizeOf, type Figure } from '../geometry/figure';
import type { Padstack } from './padstack';

// What a padstack is, as a designer would call it; its name is for files.

const COVERS = { open: '', tented: ' tented', plugged: ' plugged', filled: ' filled and capped' } as const;

/** @param length a length in the unit shown, without the unit's name */
export function stackWords(
  stack: Pick<Padstack, 'kind' | 'copper' | 'hole' | 'windows' | 'paste' | 'vias' | 'cover' | 'definedBy'>,
  length: (mm: number) => string,
): string {
  const { kind, copper, hole, windows, paste, vias, cover, definedBy } = stack;
  const counted = (count: number, one: string, many = `${one}s`) => `${count} ${count === 1 ? one : many}`;
  return [
    `${titleOf(stack)}, ${figureSaid(copper, length)}`,
    ...(hole ? [holeSaid(hole.figure, hole.plated, length)] : []),
    ...(windows ? [counted(paste.length, 'window')] : []),
    ...(!windows && paste.length === 0 && !hole && kind !== 'probe' ? ['no paste'] : []),
    ...(vias.length > 0 ? [`${counted(vias.length, 'via')}${COVERS[cover]}`] : []),
    ...(definedBy === 'mask' ? ['mask-defined'] : []),
  ].join(', ');
}

function titleOf({ kind, hole }: Pick<Padstack, 'kind' | 'hole'>): string {
  if (hole) return hole.plated ? 'Land with a hole' : 'Land round an unplated hole';
  if (kind === 'thermal') return 'Exposed pad';
  return kind === 'probe' ? 'Test land' : 'Surface land';
}

/** A figure as it is called in the trade: 1.5 round, 3.475 square, 1.5 × 0.4 rounded. */
function figureSaid(figure: Figure, length: (mm: number) => string): string {
  const { width, height } = sizeOf(figure);
  const size = width === height ? length(width) : `${length(width)} × ${length(height)}`;
  switch (figure.kind) {
    case 'round':
      return `${length(figure.diameter)} round`;
    case 'oblong':
      return `${size} oblong`;
    case 'd-shape':
      return `${size} D-shaped`;
    case 'contour':
      return `${size} by outline`;
    case 'rectangle': {
      const corners = figure.radius ? 'rounded' : figure.chamfer ? 'chamfered' : '';
      if (width === height) return `${size} square${corners === '' ? '' : `, ${corners}`}`;
      return corners === '' ? size : `${size} ${corners}`;
    }
  }
}

function holeSaid(figure: Figure, plated: boolean, length: (mm: number) => string): string {
  const { width, height } = sizeOf(figure);
  const what = width === height ? `hole ${length(width)}` : `slot ${length(width)} × ${length(height)}`;
  return `${plated ? '' : 'unplated '}${what}`;
}
