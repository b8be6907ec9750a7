/**
 * Requires an imported model upright: its own axes along those of the board.
 */
import { leanOf } from '../../body/lean';
import { fill, type Rule } from '../rule';
import { intentOfPose } from '../../footprint/imported';
import { formatFigure } from '../../units/length';

const messages = {
  lean: 'The model leans by {angle}° from upright.',
};

/** What leans by less is rounding of its file, degrees. */
const LEAN = 0.05;
/** What leans by more is put so on purpose, degrees. */
const MOST = 20;

export const modelLean: Rule = {
  id: 'model-lean',
  title: 'Model upright',
  fault: 'Model leans',
  source: 'Geometry: the model’s own faces against the board',
  severity: 'caution',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint: { body } }) {
    const { imported } = body;
    if (!imported?.seen) return [];
    const { seen, pose, ground, intent } = imported;
    const angle = leanOf(seen.subject.frame, pose.turn);
    if (angle < LEAN || angle > MOST) return [];
    const upright = seen.loaded.upright(seen.subject, pose, ground);
    return [
      {
        message: fill(messages.lean, { angle: formatFigure(angle, 0, 1) }),
        place: {},
        remedies: [
          { label: 'Stand it upright', edits: [{ at: '/body/model', value: intentOfPose(intent, upright) }] },
        ],
      },
    ];
  },
};
