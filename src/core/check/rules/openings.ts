/**
 * Requires openings that let a land be soldered: mask open over it, paste on it and not beyond it,
 * and apertures that are not so large that the squeegee scoops them out.
 */
import { NOISE } from '../noise';
import { pointerKey } from '../../document/edit';
import type { Remedy } from '../../document/finding';
import type { Land } from '../../footprint/footprint';
import { overhang } from '../../geometry/box';
import { place, sizeOf, type Placed } from '../../geometry/figure';
import { isQuarter } from '../../geometry/point';
import { roomWithin } from '../../geometry/gaps';
import { LONGEST_APERTURE } from '../../padstack/build';
import type { CheckContext } from '../context';
import { missesByStack, worstOf, type Miss, type Rule } from '../rule';

/** Takes back a choice about an opening wherever it was made for lands. */
function takeBack(
  label: string,
  lands: readonly Land[],
  paths: readonly string[],
  { compiled: { document } }: CheckContext,
): Remedy[] {
  const { groups, lands: single } = document.stacks ?? {};
  const edits = lands.flatMap((land) => [
    ...(single?.[land.id] ? [`/stacks/lands/${pointerKey(land.id)}`] : []),
    ...(groups?.[land.group] ? [`/stacks/groups/${pointerKey(land.group)}`] : []),
  ]);
  const places = [...new Set(edits)].flatMap((at) =>
    paths.map((path) => ({ at: `${at}/${path}`, value: undefined })),
  );
  return places.length > 0 ? [{ label, edits: places }] : [];
}

/** How far an opening reaches beyond a land. mm */
function beyond(paste: Placed, copper: Placed): number {
  const box = overhang(paste, copper);
  const plain = paste.figure.kind === 'rectangle' && copper.figure.kind === 'rectangle';
  return plain && isQuarter(paste.rotation) ? box : Math.max(box, -roomWithin(copper, paste));
}

const missed = (lands: readonly Land[], value: number): Miss[] =>
  lands.map((land) => ({ value, at: land.copper.at, lands: [land] }));

export const maskClosed: Rule = {
  id: 'mask-closed',
  title: 'Mask over a land that is soldered',
  fault: 'Mask covers a land that is soldered',
  source: 'IPC-7351B, clause 3.1.6: the mask is open over a land',
  severity: 'stop',
  stage: 'stack',
  looksAt: ['lands'],
  check(context) {
    const closed = context.footprint.lands.filter(({ mask }) => mask.length === 0);
    const message =
      'The mask is closed over land {land}; {count} such in all. It can be neither soldered nor probed.';
    return worstOf(missed(closed, 0), 1, 'count', message).map((finding) => ({
      ...finding,
      remedies: takeBack('Open the mask', closed, ['mask/none'], context),
    }));
  },
};

export const pasteMissing: Rule = {
  id: 'paste-missing',
  title: 'Paste on every surface land',
  fault: 'Surface land has no paste',
  source: 'IPC-7525B: lands that are soldered by reflow are printed',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['surface lands', 'soldered lands'],
  check(context) {
    const bare = context.footprint.lands.filter(
      ({ hole, paste, padstack }) => !hole && padstack.kind !== 'probe' && paste.length === 0,
    );
    const message = 'No paste is printed on land {land}; {count} such in all. Its joint gets no solder.';
    return worstOf(missed(bare, 0), 1, 'count', message).map((finding) => ({
      ...finding,
      remedies: takeBack('Print paste', bare, ['paste/none'], context),
    }));
  },
};

export const pasteBeyond: Rule = {
  id: 'paste-beyond',
  title: 'Paste within its land',
  fault: 'Paste reaches beyond its land',
  source: 'IPC-7525B, clause 3.2.2: apertures are as large as their land or smaller',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['paste'],
  check(context) {
    const misses = missesByStack(context.footprint, ({ hole, paste, copper, offset }) => {
      // paste beside a hole is meant to run into it
      if (hole) return null;
      const land = place(copper, offset);
      const value = Math.max(0, ...paste.map((aperture) => beyond(aperture, land)));
      return value > NOISE ? value : null;
    });
    const message =
      'Paste reaches {value} mm beyond land {land}; {count} such in all. It balls up on the mask.';
    return worstOf(misses, 0, 'mm', message, 'larger').map((finding) => ({
      ...finding,
      remedies: [
        ...(context.compiled.document.overrides?.pasteMargin === undefined
          ? []
          : [
              {
                label: 'Paste margin of the process',
                edits: [{ at: '/overrides/pasteMargin', value: undefined }],
              },
            ]),
        ...takeBack(
          'Paste as large as the land',
          misses.flatMap(({ lands }) => lands),
          ['paste/margin', 'paste/width', 'paste/height'],
          context,
        ),
      ],
    }));
  },
};

export const pasteLarge: Rule = {
  id: 'paste-large',
  title: 'Apertures in one piece',
  fault: 'Aperture is too large for one piece',
  source: 'IPC-7525B, clause 3.2.2: large apertures are split into windows',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['paste'],
  check(context) {
    const misses = missesByStack(context.footprint, ({ paste }) => {
      const sides = paste.map(({ figure }) => Math.max(sizeOf(figure).width, sizeOf(figure).height));
      const value = Math.max(0, ...sides);
      return value > LONGEST_APERTURE + 1e-6 ? value : null;
    });
    const message =
      'The aperture of land {land} is {value} mm long in one piece, at most {limit} mm; {count} such in all. The squeegee scoops it out.';
    return worstOf(misses, LONGEST_APERTURE, 'mm', message, 'larger').map((finding) => ({
      ...finding,
      remedies: takeBack(
        'Split it into windows',
        misses.flatMap(({ lands }) => lands),
        ['paste/width', 'paste/height', 'paste/form', 'windows/columns', 'windows/rows'],
        context,
      ),
    }));
  },
};
