import type { Language } from '../language';

export const KOREAN: Language = {
  id: 'ko',
  limits: {
    min: ['최소', '최소값', '최솟값', '이상'],
    nom: ['공칭', '공칭값', '표준', '표준값', '평균'],
    typical: ['대표', '대표값', '전형'],
    max: ['최대', '최대값', '최댓값', '이하'],
    reference: ['참고', '참고값', '참조'],
    exact: ['이론'],
    tolerance: ['공차', '허용차'],
  },
  range: { from: [], to: ['부터'] },
  units: {
    mm: ['밀리미터'],
    in: ['인치'],
    mil: ['밀'],
  },
  note: ['주'],
};
