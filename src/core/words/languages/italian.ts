import type { Language } from '../language';

export const ITALIAN: Language = {
  id: 'it',
  limits: {
    min: ['minimo', 'minima', 'almeno'],
    nom: ['nominale', 'medio', 'media'],
    typical: ['tipico', 'tipica', 'tip'],
    max: ['massimo', 'massima', 'mass', 'al massimo', 'fino a'],
    reference: ['riferimento', 'rif'],
    exact: ['teorico'],
    tolerance: ['tolleranza', 'tolleranze'],
  },
  range: { from: ['da', 'tra', 'fra'], to: ['a'] },
  units: {
    mm: ['millimetro', 'millimetri'],
    in: ['pollice', 'pollici'],
  },
  note: ['nota'],
};
