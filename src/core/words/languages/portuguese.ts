import type { Language } from '../language';

export const PORTUGUESE: Language = {
  id: 'pt',
  limits: {
    min: ['mín', 'mínimo', 'mínima', 'pelo menos', 'no mínimo'],
    nom: ['nominal', 'médio', 'média'],
    typical: ['típ', 'típico', 'típica'],
    max: ['máx', 'máximo', 'máxima', 'no máximo'],
    reference: ['referência'],
    exact: ['teórico'],
    tolerance: ['tolerância', 'tolerâncias'],
  },
  range: { from: ['de'], to: ['até'] },
  heads: {
    letter: ['símbolo', 'símbolos', 'cota', 'cotas', 'letra'],
    name: ['descrição', 'parâmetro', 'parâmetros', 'denominação'],
    remark: ['observação', 'observações', 'nota', 'notas'],
    unit: ['unidade', 'unidades'],
    value: ['valor', 'valores', 'medida'],
  },
  units: {
    mm: ['milímetro', 'milímetros'],
    in: ['polegada', 'polegadas', 'pol'],
  },
  fill: ['dimensões', 'em', 'as', 'os', 'todas', 'e'],
  note: ['nota'],
};
