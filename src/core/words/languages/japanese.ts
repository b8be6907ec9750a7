import type { Language } from '../language';

export const JAPANESE: Language = {
  id: 'ja',
  limits: {
    min: ['最小', '最小値', '下限', '以上'],
    nom: ['標準', '標準値', '公称', '公称値', '呼び', '中心', '中心値', '平均'],
    typical: ['代表', '代表値'],
    max: ['最大', '最大値', '上限', '以下'],
    reference: ['参考', '参考値'],
    exact: ['理論', '基準', '理論値'],
    tolerance: ['公差', '許容差', '交差'],
  },
  range: { from: [], to: ['から'] },
  units: {
    mm: ['ミリ', 'ミリメートル'],
    in: ['インチ'],
    mil: ['ミル'],
  },
  note: ['注', '注記'],
};
