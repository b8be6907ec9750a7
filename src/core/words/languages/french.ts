import type { Language } from '../language';

export const FRENCH: Language = {
  id: 'fr',
  limits: {
    min: ['mini', 'minimal', 'minimale', 'minimum', 'au moins'],
    nom: ['nominale', 'nominal', 'moyen', 'moyenne'],
    typical: ['typique'],
    max: ['maxi', 'maximal', 'maximale', 'maximum', 'au plus'],
    reference: ['référence', 'réf'],
    exact: ['théorique'],
    tolerance: ['tolérance', 'tolérances', 'tolér'],
  },
  range: { from: ['de', 'entre'], to: ['à'] },
  units: {
    mm: ['millimètre', 'millimètres'],
    in: ['pouce', 'pouces', 'po'],
  },
  note: ['remarque', 'note'],
};
