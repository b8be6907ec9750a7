import type { TableWords } from '../language';

export const CHINESE_SIMPLE_TABLES: TableWords = {
  heads: {
    letter: ['符号', '代号', '标号', '尺寸代号'],
    name: ['名称', '描述', '说明', '参数', '项目'],
    remark: ['备注', '注释', '注'],
    unit: ['单位'],
    value: ['数值', '值', '尺寸'],
  },
  fill: ['尺寸', '单位', '所有'],
};
