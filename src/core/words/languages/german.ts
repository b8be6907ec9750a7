import type { Language } from '../language';

export const GERMAN: Language = {
  id: 'de',
  limits: {
    min: [
      'kleinst',
      'kleinstmaß',
      'mind',
      'mindest',
      'mindestens',
      'mindestmaß',
      'minimal',
      'minimum',
      'nicht unter',
    ],
    nom: ['nominell', 'nenn', 'nennmaß', 'mittel', 'mittelwert', 'mitte'],
    typical: ['typisch', 'üblich'],
    max: [
      'größt',
      'größtmaß',
      'höchst',
      'höchstens',
      'höchstmaß',
      'maximal',
      'maximum',
      'bis zu',
      'nicht über',
    ],
    reference: ['bezug', 'referenz'],
    exact: ['theoretisch'],
    tolerance: ['toleranz', 'toleranzen', 'abmaß'],
  },
  range: { from: ['von', 'zwischen'], to: ['bis'] },
  units: {
    mm: ['millimeter'],
    in: ['zoll'],
  },
  note: ['anm', 'anmerkung', 'fußnote', 'hinweis'],
};
