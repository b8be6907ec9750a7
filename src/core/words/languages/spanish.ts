import type { Language } from '../language';

export const SPANISH: Language = {
  id: 'es',
  limits: {
    min: ['mín', 'mínimo', 'mínima', 'al menos', 'como mínimo'],
    nom: ['nominal', 'medio', 'media'],
    typical: ['típ', 'típico', 'típica', 'tip'],
    max: ['máx', 'máximo', 'máxima', 'como máximo'],
    reference: ['referencia'],
    exact: ['teórico'],
    tolerance: ['tolerancia', 'tolerancias'],
  },
  range: { from: ['desde', 'de', 'entre'], to: ['a', 'hasta'] },
  units: {
    mm: ['milímetro', 'milímetros'],
    in: ['pulgada', 'pulgadas', 'pulg'],
  },
  note: ['nota'],
};
