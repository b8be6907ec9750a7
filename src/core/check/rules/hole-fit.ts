/**
 * Requires holes that their leads go into and that solder fills: not tighter than the allowance of
 * the level, not wider than the smallest lead and its largest play.
 */
import { pointerKey } from '../../document/edit';
import type { Remedy } from '../../document/finding';
import type { Footprint, Land } from '../../footprint/footprint';
import { narrowOf, type Figure } from '../../geometry/figure';
import { roundUp } from '../../land/rounding';
import type { PinSolution } from '../../land/solution';
import { diagonal, holeSource, isFlat, landOver, playIn, slotFor } from '../../land/solve-pin';
import { HOLE_SOURCE } from '../../standard/published';
import type { Process } from '../../process/process';
import { formatNumber } from '../../units/length';
import type { CheckContext } from '../context';
import type { Nearest } from '../probes';
import { fill, idsOf, mm, type Rule, type RuleFinding } from '../rule';

const messages = {
  shoulder:
    'Hole {hole} mm of land {land} lets the shoulder of {lead} mm in: the part does not stand on the board; {count} such in all.',
  tight:
    'Hole {hole} mm of land {land} for leads of up to {lead} mm across leaves {left} mm; level {level} needs {limit} mm; {count} such in all.',
  wide: 'Hole {hole} mm of land {land} leaves {left} mm round the smallest lead of {lead} mm{across}; at most {limit} mm are filled reliably; {count} such in all.',
};

/** A land whose hole leaves too little or too much round its lead. */
interface Misfit {
  readonly land: Land;
  readonly hole: number;
  readonly left: number;
}

export const holeFit: Rule = {
  id: 'hole-fit',
  title: 'Hole against lead',
  fault: 'Hole does not suit its lead',
  source: HOLE_SOURCE,
  severity: 'stop',
  stage: 'land',
  looksAt: ['leads through holes'],
  nearest: ({ footprint }) =>
    footprint.groups.flatMap((group) => {
      if (group.kind !== 'pin' || group.terminals.bare) return [];
      const { tight, wide } = playOf(group, footprint);
      const ends = [
        { all: tight.all, limit: tight.needed, is: 'least' },
        { all: wide.all, limit: wide.most, is: 'most' },
      ] as const;
      return ends.flatMap(({ all, limit, is }) =>
        all.map(({ left }): Nearest => ({ value: left, limit, unit: 'mm', is })),
      );
    }),
  check(context) {
    const { footprint } = context;
    return footprint.groups.flatMap((group) => (group.kind === 'pin' ? findings(group, context) : []));
  },
};

function findings(
  group: PinSolution,
  { footprint, process, compiled: { document } }: CheckContext,
): RuleFinding[] {
  const { level } = document;
  const { lead, bare } = group.terminals;
  if (bare) return [];
  const { allowances } = group;
  const play = playOf(group, footprint);
  const { needed } = play.tight;
  const { most, thin } = play.wide;
  const tight = play.tight.all.filter(({ left }) => left < needed - 1e-9).sort((a, b) => a.left - b.left);
  const wide = play.wide.all.filter(({ left }) => left > most + 1e-9).sort((a, b) => b.left - a.left);
  const say = (message: string, all: readonly Misfit[], across: number, limit: number): RuleFinding[] => {
    const [worst] = all;
    if (!worst) return [];
    const { land, hole, left } = worst;
    const values = { hole: mm(hole), land: land.number, lead: mm(across), left: mm(left), limit: mm(limit) };
    return [
      {
        message: fill(message, {
          ...values,
          level,
          count: all.length,
          across: isFlat(lead) ? ' across its thin side' : '',
        }),
        source: holeSource(allowances),
        measured: { value: left, limit, unit: 'mm' },
        place: { at: land.at, lands: idsOf(all.map((misfit) => misfit.land)) },
        remedies: [
          ...slotted(message === messages.wide ? group : null, process),
          ...remediesFor(all, group, document),
        ],
        // a lead that does not go in is a stop
        ...(left <= 0 ? {} : { severity: 'caution' as const }),
      },
    ];
  };
  return [
    ...say(messages.tight, tight, diagonal(lead, 'max'), needed),
    ...say(messages.wide, wide, thin, most),
    ...sunk(group, play.own),
  ];
}

/** What the holes of a group leave round their largest leads, and round the smallest. */
function playOf(
  { terminals: { lead, stated, position, id }, allowances }: PinSolution,
  { lands }: Pick<Footprint, 'lands'>,
) {
  const own = lands.flatMap((land) =>
    land.group === id && land.padstack.hole ? [{ land, figure: land.padstack.hole.figure }] : [],
  );
  const misfits = (left: (hole: Figure) => number): Misfit[] =>
    own.map(({ land, figure }) => ({ land, hole: narrowOf(figure), left: left(figure) }));
  // a pin that may lie off its place needs as much more
  const off = Math.max(position?.x ?? 0, position?.y ?? 0);
  // a flat lead stands loose across its thin side, whatever its corners touch
  const thin = isFlat(lead) ? lead.thickness.min : diagonal(lead, 'min');
  return {
    own,
    // a hole that the part's drawing states is its maker's business, unless the lead cannot enter
    tight: {
      all: misfits((hole) => playIn(hole, lead, 'max')),
      needed: Math.max(off, stated ? 0 : allowances.hole.value),
    },
    wide: { all: stated ? [] : misfits((hole) => narrowOf(hole) - thin), most: allowances.most.value, thin },
  };
}

/** Shoulders that the hole is too large for. */
function sunk(
  { terminals: { shoulder } }: PinSolution,
  own: readonly { readonly land: Land; readonly figure: Figure }[],
): RuleFinding[] {
  if (!shoulder) return [];
  const through = own.filter(({ figure }) => narrowOf(figure) >= shoulder.min - 1e-9);
  const [first] = through;
  if (!first) return [];
  const hole = narrowOf(first.figure);
  const { number: land, at } = first.land;
  return [
    {
      message: fill(messages.shoulder, {
        hole: mm(hole),
        land,
        lead: mm(shoulder.min),
        count: through.length,
      }),
      measured: { value: hole, limit: shoulder.min, unit: 'mm' },
      place: { at, lands: idsOf(through.map((one) => one.land)) },
      remedies: [],
    },
  ];
}

/** A slot with its land, for a flat lead that a round hole holds loosely. */
function slotted(group: PinSolution | null, process: Process): Remedy[] {
  if (!group || !isFlat(group.terminals.lead)) return [];
  const { across, length } = slotFor(group.terminals.lead, group.allowances, process);
  const land = (size: number) =>
    `${formatNumber(roundUp(size + landOver(group.allowances, process), group.allowances.step.value))}mm`;
  const at = `/stacks/groups/${pointerKey(group.terminals.id)}`;
  return [
    {
      label: `Slot ${mm(length)} × ${mm(across)} mm`,
      edits: [
        { at: `${at}/hole/diameter`, value: `${formatNumber(across)}mm` },
        { at: `${at}/hole/slot`, value: `${formatNumber(length)}mm` },
        { at: `${at}/shape`, value: 'oblong' },
        { at: `${at}/width`, value: land(length) },
        { at: `${at}/height`, value: land(across) },
      ],
    },
  ];
}

/** What was set by hand is taken back: the hole of the group, or that of single lands. */
function remediesFor(
  misfits: readonly Misfit[],
  { terminals: { id }, computed }: PinSolution,
  { overrides, recommended, stacks }: CheckContext['compiled']['document'],
): Remedy[] {
  const label = `Take the computed hole ${mm(computed.hole)} mm`;
  const single = misfits.filter(({ land }) => stacks?.lands?.[land.id]?.hole?.diameter !== undefined);
  const edits = [
    ...(overrides?.lands?.[id]?.H === undefined
      ? []
      : [{ at: `/overrides/lands/${pointerKey(id)}/H`, value: undefined }]),
    ...(recommended?.adopted ? [{ at: '/recommended/adopted', value: undefined }] : []),
    ...(stacks?.groups?.[id]?.hole?.diameter === undefined
      ? []
      : [{ at: `/stacks/groups/${pointerKey(id)}/hole/diameter`, value: undefined }]),
    ...single.map(({ land }) => ({
      at: `/stacks/lands/${pointerKey(land.id)}/hole/diameter`,
      value: undefined,
    })),
  ];
  return edits.length > 0 ? [{ label, edits }] : [];
}
