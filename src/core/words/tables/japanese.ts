import type { TableWords } from '../language';

export const JAPANESE_TABLES: TableWords = {
  heads: {
    letter: ['記号', '符号', '寸法記号'],
    name: ['項目', '名称', '部位', '説明'],
    remark: ['備考', '注記', '注'],
    unit: ['単位'],
    value: ['寸法', '値', '寸法値'],
  },
  fill: ['寸法', '単位'],
};
