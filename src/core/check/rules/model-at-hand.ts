/**
 * Says what an imported model is worth: nothing while its file is not here, and no proof of the part where it is.
 */
import { whatIsMissing } from '../../body/model';
import type { LeftOut } from '../../body/subject';
import { fill, mm, type Rule } from '../rule';

const messages = {
  missing:
    'The file “{name}” is not in this browser: the model is neither drawn nor checked. Drop the file onto Rise.',
  proof:
    'The model “{name}” was drawn by somebody; it proves nothing about the real part. Hold its numbers against the datasheet.',
  part: '“{name}” is not whole. {missing}',
  leftOut: 'Of “{name}” was left out of seating and of these checks: {list}.',
};

export const modelAtHand: Rule = {
  id: 'model-at-hand',
  title: 'Imported model',
  fault: 'Model is not at hand',
  source: 'Tapis: what a model is worth',
  severity: 'note',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint: { body } }) {
    const { imported } = body;
    if (!imported) return [];
    const { name } = imported.intent;
    if (!imported.seen) {
      const remedies = [{ label: 'Leave the model out', edits: [{ at: '/body/model', value: undefined }] }];
      return [{ message: fill(messages.missing, { name }), place: {}, severity: 'caution', remedies }];
    }
    const missing = whatIsMissing(imported.seen.loaded.model);
    const list = leftOutWords(imported.seen.subject.leftOut);
    return [
      { message: fill(messages.proof, { name }), place: {} },
      ...(missing
        ? [
            {
              message: fill(messages.part, { name, missing }),
              severity: 'caution' as const,
              place: {},
            },
          ]
        : []),
      ...(list.length > 0
        ? [{ message: fill(messages.leftOut, { name, list: list.join(', ') }), place: {} }]
        : []),
    ];
  },
};

/** What of a file is not the part, in words. */
function leftOutWords({ specks, inside, apart, board }: LeftOut): string[] {
  const many = (count: number, one: string, more: string) =>
    count === 0 ? [] : [count === 1 ? one : fill(more, { count })];
  return [
    ...many(specks, 'a speck too small to be anything', '{count} specks too small to be anything'),
    ...many(inside, 'a piece inside of another', '{count} pieces inside of others'),
    ...many(apart, 'a small piece apart from it', '{count} small pieces apart from it'),
    ...(board
      ? [`a plate under it like a piece of board, ${board.map((side) => `${mm(side)} mm`).join(' by ')}`]
      : []),
  ];
}
