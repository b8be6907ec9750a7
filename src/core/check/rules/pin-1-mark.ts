/**
 * Requires a part with a direction to carry a mark that shows it after assembly.
 */
import { firstLand } from '../../footprint/lands';
import { boxOfPoints, gapBetween, type Box } from '../../geometry/box';
import { bodyAt } from '../../package/drawn';
import { fill, mm, type Rule } from '../rule';

export const pin1Mark: Rule = {
  id: 'pin-1-mark',
  title: 'Pin-1 mark',
  fault: 'Pin-1 mark is missing or hidden',
  source: 'IPC-7351B, clause 3.1.6: polarity stays visible after assembly',
  severity: 'caution',
  stage: 'mark',
  looksAt: ['a direction'],
  check({ footprint, compiled }) {
    if (!footprint.package.polarised) return [];
    const { pin1 } = footprint.legend;
    const first = firstLand(footprint.lands);
    const place = first ? { at: first.at, lands: [first.id] } : {};
    if (!pin1) {
      const switchedOff = compiled.document.marks?.pin1 === false;
      return [
        {
          message: switchedOff
            ? 'The part has a direction, and its pin-1 mark is switched off.'
            : `There is no clear place for a pin-1 mark beside land ${first?.number ?? '1'}.`,
          measured: { value: 0, limit: 1, unit: 'count' },
          place,
          remedies: switchedOff
            ? [{ label: 'Draw the pin-1 mark', edits: [{ at: '/marks/pin1', value: undefined }] }]
            : [],
        },
      ];
    }
    const body = bodyAt(footprint.body.extent, 'max');
    const gap = gapBetween(boxOfPoints(pin1) as Box, body);
    if (gap >= -1e-9) return [];
    const message = fill('The body hides the pin-1 mark after assembly by {over} mm.', { over: mm(-gap) });
    return [{ message, measured: { value: gap, limit: 0, unit: 'mm' }, place }];
  },
};
