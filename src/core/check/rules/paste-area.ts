/**
 * Requires paste apertures that release their paste: IPC-7525 area ratio and aspect ratio.
 */
import { areaOf, perimeterOf, sizeOf, type Figure } from '../../geometry/figure';
import type { Padstack } from '../../padstack/padstack';
import { formatNumber } from '../../units/length';
import { fill, type Rule, type RuleFinding } from '../rule';

/** IPC-7525B, clause 3.2.1.1: aperture area over wall area. */
const LEAST_AREA_RATIO = 0.66;
/** The same: aperture width over stencil thickness. */
const LEAST_ASPECT_RATIO = 1.5;

const messages = {
  none: 'The paste opening of padstack {stack} has shrunk to nothing.',
  area: 'Area ratio {ratio} of the paste opening {size} mm in a {foil} mm stencil, needs {limit} (padstack {stack}).',
  aspect:
    'Aspect ratio {ratio} of the paste opening {size} mm in a {foil} mm stencil, needs {limit} (padstack {stack}).',
};

/** Aperture area over the area of its walls; 0 for an aperture that is closed. */
export function areaRatio(aperture: Figure, foil: number): number {
  const area = areaOf(aperture);
  return area > 0 ? area / (perimeterOf(aperture) * foil) : 0;
}

/** Aperture width over stencil thickness. */
export function aspectRatio(aperture: Figure, foil: number): number {
  const { width, height } = sizeOf(aperture);
  return Math.min(width, height) / foil;
}

export const pasteArea: Rule = {
  id: 'paste-area',
  title: 'Paste area and aspect ratio',
  source: 'IPC-7525B, clause 3.2.1.1',
  severity: 'caution',
  stage: 'stack',
  check({ footprint, process }) {
    const foil = process.stencilThickness;
    return footprint.padstacks.flatMap((stack): RuleFinding[] => {
      const [window] = stack.paste;
      // paste does not run through holes
      if (!window) return [];
      const paste = window.figure;
      const size = sizeOf(paste);
      const lands = footprint.lands.filter(({ padstack }) => padstack === stack.name);
      const [first] = lands;
      const place = { ...(first ? { at: first.at } : {}), lands: lands.map(({ number }) => number) };
      const remedies = enlarge(stack);
      if (size.width <= 0 || size.height <= 0) {
        const measured = { value: 0, limit: LEAST_AREA_RATIO, unit: 'ratio' } as const;
        return [
          {
            severity: 'stop',
            message: fill(messages.none, { stack: stack.name }),
            place,
            measured,
            remedies,
          },
        ];
      }
      const shown = `${formatNumber(size.width, 2, 3)} × ${formatNumber(size.height, 2, 3)}`;
      const say = (message: string, ratio: number, limit: number): RuleFinding => ({
        message: fill(message, {
          ratio: formatNumber(ratio, 2, 2),
          size: shown,
          foil,
          limit,
          stack: stack.name,
        }),
        measured: { value: ratio, limit, unit: 'ratio' },
        place,
        remedies,
      });
      const area = areaRatio(paste, foil);
      if (area < LEAST_AREA_RATIO - 1e-9) return [say(messages.area, area, LEAST_AREA_RATIO)];
      const aspect = aspectRatio(paste, foil);
      return aspect < LEAST_ASPECT_RATIO - 1e-9 ? [say(messages.aspect, aspect, LEAST_ASPECT_RATIO)] : [];
    });
  },
};

function enlarge({ margins }: Padstack) {
  return margins.paste > 0
    ? [{ label: 'Paste as large as the land', edits: [{ at: '/overrides/pasteMargin', value: '0' }] }]
    : [];
}
