import type { TableWords } from '../language';

export const PORTUGUESE_TABLES: TableWords = {
  heads: {
    letter: ['símbolo', 'símbolos', 'cota', 'cotas', 'letra'],
    name: ['descrição', 'parâmetro', 'parâmetros', 'denominação'],
    remark: ['observação', 'observações', 'nota', 'notas'],
    unit: ['unidade', 'unidades'],
    value: ['valor', 'valores', 'medida'],
  },
  fill: ['dimensões', 'em', 'as', 'os', 'todas', 'e'],
};
