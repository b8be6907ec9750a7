/**
 * Requires lands that go with what stands on them: no larger than the ball, as large as the exposed
 * pad, and near to what the datasheet recommends.
 */
import { sizeOf } from '../../geometry/figure';
import type { Level } from '../../document/document';
import type { SpanSolution } from '../../land/solution';
import type { CheckContext } from '../context';
import { fill, idsOf, mm, TAKE_COMPUTED, worstOf, type Miss, type Rule, type RuleFinding } from '../rule';

/** Land over ball at most: a ball that melts wets its land and has to stand on it; a hard one sits in a larger fillet. */
const MOST_OF_BALL = { 'collapsing-ball': 1, 'non-collapsing-ball': 1.25 } as const;

export const ballLand: Rule = {
  id: 'ball-land',
  title: 'Land against its ball',
  fault: 'Land does not suit its ball',
  source: 'IPC-7351B, tables 14-2 to 14-4: lands are smaller than balls that melt',
  severity: 'caution',
  stage: 'land',
  looksAt: ['balls'],
  check({ footprint, groupOf }) {
    const misses = footprint.lands.flatMap((land): Miss[] => {
      const { terminals } = groupOf(land);
      if (terminals.kind !== 'spot') return [];
      const { form } = terminals;
      if (form !== 'collapsing-ball' && form !== 'non-collapsing-ball') return [];
      const ball = sizeOf(terminals.contact.nom).width;
      const { width, height } = sizeOf(land.copper.figure);
      const value = Math.max(width, height) / ball;
      return value > MOST_OF_BALL[form] + 1e-9 ? [{ value, at: land.at, lands: [land] }] : [];
    });
    const hard = misses.some(({ lands }) =>
      lands.some((land) => {
        const { terminals } = groupOf(land);
        return terminals.kind === 'spot' && terminals.form === 'non-collapsing-ball';
      }),
    );
    const limit = MOST_OF_BALL[hard ? 'non-collapsing-ball' : 'collapsing-ball'];
    const message = 'Land {land} is {value} of its ball, at most {limit}; {count} such in all.';
    return worstOf(misses, limit, 'share', message, 'larger').map((finding) => ({
      ...finding,
      remedies: [TAKE_COMPUTED],
    }));
  },
};

/** A land under an exposed pad differs from it by this much at most, or by this share of it. mm */
const PAD_SLACK = { mm: 0.2, share: 0.1 } as const;

export const padLand: Rule = {
  id: 'pad-land',
  title: 'Land against the exposed pad',
  fault: 'Land differs from the exposed pad',
  source: 'IPC-7351B, clause 3.1.5: the land is as large as the pad',
  severity: 'caution',
  stage: 'land',
  looksAt: ['exposed pads'],
  check({ footprint, groupOf }) {
    const misses = footprint.lands.flatMap((land): Miss[] => {
      const { terminals } = groupOf(land);
      if (terminals.kind !== 'spot' || terminals.form !== 'thermal') return [];
      const [least, most] = [sizeOf(terminals.contact.min), sizeOf(terminals.contact.max)];
      const size = sizeOf(
        land.padstack.definedBy === 'mask'
          ? (land.mask[0]?.figure ?? land.copper.figure)
          : land.copper.figure,
      );
      const off = (key: 'width' | 'height') => {
        const slack = Math.max(PAD_SLACK.mm, PAD_SLACK.share * most[key]);
        return Math.max(least[key] - slack - size[key], size[key] - most[key] - slack);
      };
      const value = Math.max(off('width'), off('height'));
      return value > 1e-9 ? [{ value, at: land.at, lands: [land] }] : [];
    });
    const message =
      'Land {land} differs from the exposed pad by {value} mm more than its limits and {limit} mm; {count} such in all.';
    return worstOf(misses, PAD_SLACK.mm, 'mm', message, 'larger').map((finding) => ({
      ...finding,
      remedies: [TAKE_COMPUTED],
    }));
  },
};

/** A recommended pattern may lie this far outside of what levels A to C span, mm. */
const PATTERN_SLACK = 0.25;

export const patternFar: Rule = {
  id: 'pattern-far',
  title: 'Recommended pattern against the computed one',
  fault: 'Recommended pattern is far from the computed one',
  source: 'IPC-7351B: patterns of levels A to C',
  severity: 'caution',
  stage: 'land',
  looksAt: ['a recommended pattern'],
  check({ compiled, footprint }: CheckContext) {
    const { recommended, levels } = compiled;
    return footprint.groups.flatMap((group): RuleFinding[] => {
      const given = recommended.get(group.terminals.id)?.land;
      if (group.kind !== 'span' || !given || !levels) return [];
      const spans = (['A', 'B', 'C'] as const satisfies readonly Level[]).flatMap((level) =>
        levels[level].filter(
          (s): s is SpanSolution => s.kind === 'span' && s.terminals.id === group.terminals.id,
        ),
      );
      const words = { Z: 'outer distance', G: 'inner distance', X: 'land width' } as const;
      const far = (['Z', 'G', 'X'] as const).map((key) => {
        const values = spans.map(({ computed }) => computed[key]);
        const [least, most] = [Math.min(...values), Math.max(...values)];
        return { key, least, most, off: Math.max(least - given[key], given[key] - most) };
      });
      const [worst] = far.sort((a, b) => b.off - a.off);
      if (!worst || worst.off <= PATTERN_SLACK + 1e-9) return [];
      const { key, least, most } = worst;
      const message =
        'The recommended pattern has {what} {key} {value} mm; levels A to C make {least} mm to {most} mm. One of the two is read from another column, or in another unit.';
      return [
        {
          message: fill(message, {
            what: words[key],
            key,
            value: mm(given[key]),
            least: mm(least),
            most: mm(most),
          }),
          measured: { value: given[key], limit: given[key] > most ? most : least, unit: 'mm' },
          place: { lands: idsOf(footprint.lands.filter((land) => land.group === group.terminals.id)) },
          remedies: compiled.document.recommended?.adopted ? [TAKE_COMPUTED] : [],
        },
      ];
    });
  },
};
