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
  range: { from: ['de', 'entre'], to: ['até'] },
  units: {
    mm: ['milímetro', 'milímetros'],
    in: ['polegada', 'polegadas', 'pol'],
  },
  note: ['nota'],
};
