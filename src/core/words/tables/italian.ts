import type { TableWords } from '../language';

export const ITALIAN_TABLES: TableWords = {
  heads: {
    letter: ['simbolo', 'simboli', 'quota', 'quote', 'lettera'],
    name: ['descrizione', 'parametro', 'parametri', 'denominazione'],
    remark: ['nota', 'note', 'osservazioni'],
    unit: ['unità'],
    value: ['valore', 'valori'],
  },
  fill: ['dimensioni', 'in', 'le', 'tutte', 'e'],
};
