import type { TableWords } from '../language';

export const FRENCH_TABLES: TableWords = {
  heads: {
    letter: ['symbole', 'symboles', 'repère', 'cote', 'cotes'],
    name: ['désignation', 'description', 'paramètre', 'paramètres', 'caractéristique'],
    remark: ['remarque', 'remarques', 'observation', 'observations'],
    unit: ['unité', 'unités'],
    value: ['valeur', 'valeurs'],
  },
  fill: ['les', 'des', 'toutes', 'en', 'sont', 'et', 'dimensions'],
};
