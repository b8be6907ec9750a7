/**
 * Requires paste apertures that release their paste: IPC-7525 area ratio and aspect ratio.
 */
import { boxOfPoints } from '../../geometry/box';
import { openingsOf, sizeOf, type Figure } from '../../geometry/figure';
import { sizesOfPlaced } from '../../padstack/naming';
import type { Padstack } from '../../padstack/padstack';
import {
  formed,
  pasteFigures,
  type PasteForm,
  LEAST_AREA_RATIO,
  LEAST_ASPECT_RATIO,
} from '../../padstack/paste-forms';
import { pointerKey } from '../../document/edit';
import type { Remedy } from '../../document/finding';
import { formatNumber } from '../../units/length';
import type { CheckContext } from '../context';
import { fill, idsOf, mm, type Rule, type RuleFinding } from '../rule';

const messages = {
  none: 'The paste opening of padstack {stack} has shrunk to nothing.',
  area: 'Area ratio {ratio} of the paste opening {size} mm in a {foil} mm stencil, needs {limit} (padstack {stack}).',
  island:
    'The paste opening of padstack {stack} goes round an island of {width} × {height} mm, which no stencil holds: part it by bars.',
  aspect:
    'Aspect ratio {ratio} of the paste opening {size} mm in a {foil} mm stencil, needs {limit} (padstack {stack}).',
};

export const pasteArea: Rule = {
  id: 'paste-area',
  title: 'Paste area and aspect ratio',
  fault: 'Paste will not leave its aperture',
  source: 'IPC-7525B, clause 3.2.1.1',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['paste'],
  nearest({ footprint, process }) {
    const ratios = footprint.padstacks.flatMap((stack) =>
      sizesOfPlaced(stack.paste).map(({ figure }) => pasteFigures(figure, process.stencilThickness, 1)),
    );
    return ratios.flatMap(({ areaRatio, aspectRatio }) => [
      { value: areaRatio, limit: LEAST_AREA_RATIO, unit: 'ratio', is: 'least' },
      { value: aspectRatio, limit: LEAST_ASPECT_RATIO, unit: 'ratio', is: 'least' },
    ]);
  },
  check(context) {
    return context.footprint.padstacks.flatMap((stack): RuleFinding[] => {
      const island = islandFinding(stack, context);
      if (island) return [island];
      const worst = sizesOfPlaced(stack.paste)
        .map(({ figure }) => figureFinding(figure, stack, context))
        .filter((found) => found !== null)
        .sort((a, b) => (a.measured?.value ?? 0) - (b.measured?.value ?? 0))[0];
      return worst ? [worst] : [];
    });
  },
};

/** A stencil holds nothing that its openings go round. */
function islandFinding(stack: Padstack, { footprint: { lands } }: CheckContext): RuleFinding | null {
  const [island] = stack.paste.flatMap(({ figure }) => openingsOf(figure));
  const box = island && boxOfPoints(island);
  if (!box) return null;
  const own = lands.filter(({ padstack }) => padstack === stack);
  const [first] = own;
  return {
    message: fill(messages.island, {
      width: mm(box.maxX - box.minX),
      height: mm(box.maxY - box.minY),
      stack: stack.name,
    }),
    place: { ...(first ? { at: first.at } : {}), lands: idsOf(own) },
  };
}

function figureFinding(paste: Figure, stack: Padstack, context: CheckContext): RuleFinding | null {
  const { footprint, process } = context;
  const foil = process.stencilThickness;
  const size = sizeOf(paste);
  const { areaRatio, aspectRatio } = pasteFigures(paste, foil, 1);
  if (areaRatio >= LEAST_AREA_RATIO - 1e-9 && aspectRatio >= LEAST_ASPECT_RATIO - 1e-9) return null;
  const lands = footprint.lands.filter(({ padstack }) => padstack === stack);
  const [first] = lands;
  const place = { ...(first ? { at: first.at } : {}), lands: idsOf(lands) };
  if (size.width <= 0 || size.height <= 0) {
    const measured = { value: 0, limit: LEAST_AREA_RATIO, unit: 'ratio' } as const;
    const message = fill(messages.none, { stack: stack.name });
    return { severity: 'stop', message, place, measured, remedies: larger(stack) };
  }
  const say = (message: string, ratio: number, limit: number): RuleFinding => ({
    message: fill(message, {
      ratio: formatNumber(ratio, 2, 2),
      size: `${mm(size.width)} × ${mm(size.height)}`,
      foil,
      limit,
      stack: stack.name,
    }),
    measured: { value: ratio, limit, unit: 'ratio' },
    place,
    remedies: [...larger(stack), ...rounder(paste, stack, context, first?.group)],
  });
  return areaRatio < LEAST_AREA_RATIO - 1e-9
    ? say(messages.area, areaRatio, LEAST_AREA_RATIO)
    : say(messages.aspect, aspectRatio, LEAST_ASPECT_RATIO);
}

function larger({ margins }: Padstack): Remedy[] {
  return margins.paste > 0
    ? [{ label: 'Paste as large as the land', edits: [{ at: '/overrides/pasteMargin', value: '0' }] }]
    : [];
}

/** Rounder apertures have less wall for their area; offered where that is enough. */
function rounder(
  paste: Figure,
  { kind }: Padstack,
  { process }: CheckContext,
  group: string | undefined,
): Remedy[] {
  if (kind !== 'surface' || paste.kind !== 'rectangle' || group === undefined) return [];
  const forms: readonly (readonly [PasteForm, string])[] = [
    ['rounded', 'Round the aperture’s corners'],
    ['oblong', 'Oblong aperture'],
  ];
  return forms.flatMap(([form, label]): Remedy[] => {
    const { areaRatio } = pasteFigures(
      formed(paste, form, process.windowRadius),
      process.stencilThickness,
      1,
    );
    if (areaRatio < LEAST_AREA_RATIO) return [];
    return [{ label, edits: [{ at: `/stacks/groups/${pointerKey(group)}/paste/form`, value: form }] }];
  });
}
