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
  range: { from: ['desde', 'de'], to: ['a', 'hasta'] },
  heads: {
    letter: ['símbolo', 'símbolos', 'cota', 'cotas', 'letra'],
    name: ['descripción', 'parámetro', 'parámetros', 'denominación', 'característica'],
    remark: ['nota', 'notas', 'observación', 'observaciones'],
    unit: ['unidad', 'unidades'],
    value: ['valor', 'valores', 'medida', 'medidas'],
  },
  units: {
    mm: ['milímetro', 'milímetros'],
    in: ['pulgada', 'pulgadas', 'pulg'],
  },
  fill: ['dimensiones', 'en', 'las', 'los', 'todas', 'y', 'medidas'],
  note: ['nota'],
};
