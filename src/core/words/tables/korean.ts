import type { TableWords } from '../language';

export const KOREAN_TABLES: TableWords = {
  heads: {
    letter: ['기호', '심볼'],
    name: ['항목', '명칭', '설명'],
    remark: ['비고', '주'],
    unit: ['단위'],
    value: ['값', '치수', '치수값'],
  },
  fill: ['치수', '단위'],
};
