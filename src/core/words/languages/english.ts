import type { Language } from '../language';

export const ENGLISH: Language = {
  id: 'en',
  limits: {
    min: [
      'min',
      'minimum',
      'minimal',
      'least',
      'lower',
      'at least',
      'not less than',
      'or more',
      'or greater',
    ],
    nom: ['nom', 'nominal', 'mean', 'average', 'avg', 'mid', 'std', 'standard', 'target'],
    typical: ['typ', 'typical', 'approx', 'ca'],
    max: [
      'max',
      'maximum',
      'maximal',
      'most',
      'upper',
      'up to',
      'at most',
      'not more than',
      'no more than',
      'or less',
    ],
    reference: ['ref', 'reference'],
    exact: ['bsc', 'basic', 'exact', 'theoretical'],
    tolerance: ['tol', 'tolerance', 'tolerances', '±', '+/-'],
  },
  range: { from: ['from'], to: ['to'] },
  units: {
    mm: ['mm', 'millimeter', 'millimeters', 'millimetre', 'millimetres', 'millim'],
    in: ['in', 'inch', 'inches', '"'],
    mil: ['mil', 'mils', 'thou'],
  },
  note: ['note', 'notes', 'fn', 'footnote'],
};
