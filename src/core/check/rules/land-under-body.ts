/**
 * Requires room between a land that runs under the body and the body's underside:
 * a heel under a low body is soldered against the moulding.
 */
import { gapBetween } from '../../geometry/box';
import { bodyAt } from '../../package/drawn';
import { formatNumber } from '../../units/length';
import { fill, idsOf, TAKE_COMPUTED, type Rule } from '../rule';

const messages = {
  meant:
    'Lands run under the body, whose standoff A1 is {standoff} mm at least, below {limit} mm: its feet reach there, and the heel needs its land.',
  low: 'Lands run under the body, whose standoff A1 is {standoff} mm at least; needs {limit} mm.',
};

export const landUnderBody: Rule = {
  id: 'land-under-body',
  title: 'Land under a low body',
  fault: 'Land runs under a low body',
  source: 'Process: smallest standoff over a land',
  severity: 'caution',
  stage: 'land',
  looksAt: ['outward leads'],
  check({ footprint, process, compiled }) {
    const { extent } = footprint.body;
    const limit = process.minStandoff;
    // lands that belong under the body, or lie on the other side of the board, are not meant
    const outside = new Set(
      footprint.groups.flatMap(({ kind, terminals }) =>
        kind === 'span' && terminals.body && !terminals.frame.far ? [terminals.id] : [],
      ),
    );
    if (extent.standoff.min >= limit - 1e-9 || outside.size === 0) return [];
    const body = bodyAt(extent, 'max');
    const under = footprint.lands.filter(
      ({ copper, group }) => outside.has(group) && gapBetween(copper, body) < -1e-9,
    );
    const [first] = under;
    if (!first) return [];
    const standoff = formatNumber(extent.standoff.min, 2, 3);
    const off = compiled.document.overrides?.trims?.['body-heel'] === false;
    const { land, lands } = compiled.document.overrides ?? {};
    const byHand = land !== undefined || lands !== undefined;
    // a heel that its own goal asks for is no fault; what somebody lengthened is
    const meant = !off && !byHand && compiled.document.recommended?.adopted !== true;
    return [
      {
        ...(meant ? { severity: 'note' as const } : {}),
        message: fill(meant ? messages.meant : messages.low, { standoff, limit }),
        measured: { value: extent.standoff.min, limit, unit: 'mm' },
        place: { at: first.at, lands: idsOf(under), dimensions: ['A1'] },
        remedies: [
          ...(off
            ? [
                {
                  label: 'Trim the heels to the body',
                  edits: [{ at: '/overrides/trims/body-heel', value: undefined }],
                },
              ]
            : []),
          ...(byHand ? [TAKE_COMPUTED] : []),
        ],
      },
    ];
  },
};
