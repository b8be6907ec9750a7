/**
 * Says what an imported model is worth: nothing while its file is not here, and no proof of the part where it is.
 */
import { whatIsMissing } from '../../body/model';
import { fill, type Rule } from '../rule';

const messages = {
  missing:
    'The file “{name}” is not in this browser: the model is neither drawn nor checked. Drop the file onto Rise.',
  proof:
    'The model “{name}” was drawn by somebody; it proves nothing about the real part. Hold its numbers against the datasheet.',
  part: '“{name}” is not whole. {missing}',
};

export const modelAtHand: Rule = {
  id: 'model-at-hand',
  title: 'Imported model',
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
    ];
  },
};
