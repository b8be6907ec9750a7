import type { Language } from '../language';

export const CHINESE_TRADITIONAL: Language = {
  id: 'zh-Hant',
  limits: {
    min: ['最小', '最小值', '下限'],
    nom: ['標稱', '標稱值', '公稱', '公稱值', '標準', '標準值', '平均', '平均值'],
    typical: ['典型', '典型值'],
    max: ['最大', '最大值', '上限', '以下'],
    reference: ['參考', '參考值'],
    exact: ['理論', '基準'],
    tolerance: ['公差', '容差', '偏差'],
  },
  range: { from: [], to: ['至', '到'] },
  units: {
    mm: ['毫米', '公釐'],
    in: ['英吋', '英寸'],
    mil: ['密耳'],
  },
  note: ['註'],
};
