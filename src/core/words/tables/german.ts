import type { TableWords } from '../language';

export const GERMAN_TABLES: TableWords = {
  heads: {
    letter: ['kennbuchstabe', 'maß', 'zeichen', 'buchstabe', 'kurzzeichen'],
    name: ['benennung', 'bezeichnung', 'beschreibung', 'kenngröße', 'merkmal'],
    remark: ['bemerkung', 'bemerkungen', 'hinweis', 'hinweise', 'anmerkung', 'anmerkungen'],
    unit: ['einheit', 'einheiten'],
    value: ['wert', 'werte', 'maße'],
  },
  fill: ['abmessungen', 'maße', 'alle', 'und', 'einheit', 'der', 'die', 'das', 'sind'],
};
