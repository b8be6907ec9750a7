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
  range: { from: ['de'], to: ['à'] },
  heads: {
    letter: ['symbole', 'symboles', 'repère', 'cote', 'cotes'],
    name: ['désignation', 'description', 'paramètre', 'paramètres', 'caractéristique'],
    remark: ['remarque', 'remarques', 'observation', 'observations'],
    unit: ['unité', 'unités'],
    value: ['valeur', 'valeurs'],
  },
  units: {
    mm: ['millimètre', 'millimètres'],
    in: ['pouce', 'pouces', 'po'],
  },
  fill: ['les', 'des', 'toutes', 'en', 'sont', 'et', 'dimensions'],
  note: ['remarque', 'note'],
};
