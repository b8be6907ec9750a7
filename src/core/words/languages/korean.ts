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
  heads: {
    letter: ['기호', '심볼'],
    name: ['항목', '명칭', '설명'],
    remark: ['비고', '주'],
    unit: ['단위'],
    value: ['값', '치수', '치수값'],
  },
  units: {
    mm: ['밀리미터'],
    in: ['인치'],
    mil: ['밀'],
  },
  fill: ['치수', '단위'],
  note: ['주'],
};
