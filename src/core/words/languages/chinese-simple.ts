import type { Language } from '../language';

export const CHINESE_SIMPLE: Language = {
  id: 'zh-Hans',
  limits: {
    min: ['最小', '最小值', '下限'],
    nom: ['标称', '标称值', '公称', '公称值', '标准', '标准值', '平均', '平均值', '中值', '额定'],
    typical: ['典型', '典型值'],
    max: ['最大', '最大值', '上限', '以下'],
    reference: ['参考', '参考值'],
    exact: ['理论', '基准'],
    tolerance: ['公差', '容差', '偏差'],
  },
  range: { from: [], to: ['至', '到'] },
  units: {
    mm: ['毫米'],
    in: ['英寸'],
    mil: ['密耳'],
  },
  note: ['注', '注释'],
};
