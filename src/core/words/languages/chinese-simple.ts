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
  heads: {
    letter: ['符号', '代号', '标号', '尺寸代号'],
    name: ['名称', '描述', '说明', '参数', '项目'],
    remark: ['备注', '注释', '注'],
    unit: ['单位'],
    value: ['数值', '值', '尺寸'],
  },
  units: {
    mm: ['毫米'],
    in: ['英寸'],
    mil: ['密耳'],
  },
  fill: ['尺寸', '单位', '所有'],
  note: ['注', '注释'],
};
