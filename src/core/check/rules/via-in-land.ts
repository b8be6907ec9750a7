/**
 * Requires vias in soldered lands to be closed, and paste to stay off those that are not filled:
 * solder runs down an open barrel and the joint starves.
 */
import { circleAt } from '../../geometry/figure';
import { gapBetweenFigures } from '../../geometry/gaps';
import { pointerKey } from '../../document/edit';
import type { Remedy } from '../../document/finding';
import { worstOf, type Miss, type Rule } from '../rule';

const remedies = (group: string): Remedy[] =>
  (
    [
      ['filled', 'Fill and cap the vias (IPC-4761 type VII)'],
      ['plugged', 'Plug them (type III)'],
      ['tented', 'Tent them (type I)'],
    ] as const
  ).map(([cover, label]) => ({
    label,
    edits: [{ at: `/stacks/groups/${pointerKey(group)}/vias/cover`, value: cover }],
  }));

export const viaInLand: Rule = {
  id: 'via-in-land',
  title: 'Open vias in a land',
  fault: 'Open vias lie in a land',
  source: 'IPC-4761: via protection; IPC-7093: vias in exposed pads',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['vias'],
  check({ footprint }) {
    const misses = footprint.lands.flatMap((land): Miss[] => {
      const { vias, cover, hole, paste } = land.padstack;
      if (vias.length === 0 || hole || cover !== 'open' || paste.length === 0) return [];
      return [{ value: vias.length, at: land.at, lands: [land] }];
    });
    const [first] = misses;
    const message = 'Land {land} has {vias} open vias: solder runs down their barrels to the far side.';
    return worstOf(misses, 0, 'count', message, 'larger', { vias: first?.value ?? 0 }).map((finding) => ({
      ...finding,
      remedies: remedies(first?.lands[0]?.group ?? ''),
    }));
  },
};

export const viaCount: Rule = {
  id: 'via-count',
  title: 'Vias that were asked for',
  fault: 'Not all vias have room on their land',
  source: 'Geometry: rings lie wholly on the land',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['vias'],
  check({ footprint }) {
    const misses = footprint.lands.flatMap((land): Miss[] => {
      const { viasMissing } = land.padstack;
      return viasMissing > 0 ? [{ value: viasMissing, at: land.at, lands: [land] }] : [];
    });
    const [first] = misses;
    const land = first?.lands[0];
    if (!first || !land) return [];
    const laid = land.padstack.vias.length;
    const message = 'Land {land} has room for {laid} of the {asked} vias that were asked for.';
    const at = `/stacks/groups/${pointerKey(land.group)}/vias`;
    return worstOf(misses, 0, 'count', message, 'larger', { laid, asked: laid + first.value }).map(
      (finding) => ({
        ...finding,
        remedies: [
          {
            label: 'Let their pitch follow from their count',
            edits: [
              { at: `${at}/pitch`, value: undefined },
              { at: `${at}/pitchY`, value: undefined },
            ],
          },
          {
            label: 'Lay as many as there is room for',
            edits: [
              { at: `${at}/columns`, value: undefined },
              { at: `${at}/rows`, value: undefined },
            ],
          },
        ],
      }),
    );
  },
};

export const pasteOverVia: Rule = {
  id: 'paste-over-via',
  title: 'Paste over a via',
  fault: 'Paste lies over a via',
  source: 'Process: paste to via; IPC-7093',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['vias'],
  check({ footprint, process }) {
    const limit = process.viaMargin;
    const misses = footprint.lands.flatMap((land): Miss[] => {
      if (land.padstack.cover === 'filled' || land.hole) return [];
      return land.vias.flatMap((via): Miss[] => {
        const ring = circleAt(via, via.land);
        const value = Math.min(Infinity, ...land.paste.map((window) => gapBetweenFigures(window, ring)));
        return value < limit - 5e-3 ? [{ value, at: via, lands: [land] }] : [];
      });
    });
    const message =
      'Paste lies {value} mm from the ring of a via in land {land}, needs {limit} mm; {count} such in all.';
    return worstOf(misses, limit, 'mm', message).map((finding) => ({
      ...finding,
      remedies: remedies(misses[0]?.lands[0]?.group ?? ''),
    }));
  },
};
