import type { TableWords } from '../language';

export const CHINESE_TRADITIONAL_TABLES: TableWords = {
  heads: {
    letter: ['符號', '代號'],
    name: ['名稱', '描述', '說明', '參數', '項目'],
    remark: ['備註', '註釋', '註'],
    unit: ['單位'],
    value: ['數值', '值', '尺寸'],
  },
  fill: ['尺寸', '單位', '所有'],
};
