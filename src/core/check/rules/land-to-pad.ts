/**
 * Requires lands to keep a gap and a web of mask to the exposed pad beside them: solder that
 * bridges there cannot be seen.
 */
import { gapBetweenFigures } from '../../geometry/gaps';
import { grow } from '../../geometry/box';
import { clearGap } from '../../land/trims';
import { byProcess } from '../probes';
import { between, shareSide, TAKE_COMPUTED, worstOf, type Miss, type Rule } from '../rule';

const message =
  'Land {land} lies {value} mm from the exposed pad {other}; gap and mask web need {limit} mm; {count} such in all.';

export const landToPad: Rule = {
  id: 'land-to-pad',
  title: 'Land to exposed pad',
  fault: 'Land too near the exposed pad',
  source: 'Process: smallest gap, mask web and mask margin',
  severity: 'caution',
  stage: 'land',
  looksAt: ['exposed pads'],
  probes: [{ ...byProcess('minMaskWeb'), limit: (_, { process }) => clearGap(process) }],
  check({ footprint, process, lands, compiled: { document } }) {
    const limit = clearGap(process);
    const misses = footprint.lands.flatMap((pad): Miss[] => {
      if (pad.padstack.kind !== 'thermal') return [];
      return lands.near(grow(pad.copper, limit)).flatMap((i): Miss[] => {
        const land = footprint.lands[i];
        if (!land || land === pad || land.padstack.kind === 'thermal' || !shareSide(land, pad)) return [];
        const value = gapBetweenFigures(land.copper, pad.copper);
        // what is too near for copper is a land gap
        if (value >= limit - 1e-9 || value < process.minGap - 1e-9) return [];
        return [{ value, at: between(land.copper, pad.copper), lands: [land, pad] }];
      });
    });
    const off = document.overrides?.trims?.['thermal-gap'] === false;
    const byHand = document.overrides?.land || document.overrides?.lands;
    return worstOf(misses, limit, 'mm', message).map((finding) => ({
      ...finding,
      remedies: [
        ...(off
          ? [
              {
                label: 'Trim the heels clear of the pad',
                edits: [{ at: '/overrides/trims/thermal-gap', value: undefined }],
              },
            ]
          : []),
        ...(byHand ? [TAKE_COMPUTED] : []),
      ],
    }));
  },
};
