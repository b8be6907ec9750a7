import type { TableWords } from '../language';

export const SPANISH_TABLES: TableWords = {
  heads: {
    letter: ['símbolo', 'símbolos', 'cota', 'cotas', 'letra'],
    name: ['descripción', 'parámetro', 'parámetros', 'denominación', 'característica'],
    remark: ['nota', 'notas', 'observación', 'observaciones'],
    unit: ['unidad', 'unidades'],
    value: ['valor', 'valores', 'medida', 'medidas'],
  },
  fill: ['dimensiones', 'en', 'las', 'los', 'todas', 'y', 'medidas'],
};
