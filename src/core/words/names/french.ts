import type { Names } from '../language';

export const FRENCH_NAMES: Names = {
  span: /larg(eur|\.) (hors[- ]tout|totale)|larg\w* (aux|entre|sur|avec) (les )?(broches|pattes|bornes|connexions)|encombrement en largeur|entre extrémités/i,
  spanUpright: /long\w* (hors[- ]tout|totale)|long\w* (aux|sur|avec) (les )?(broches|pattes)/i,
  bodyWidth: /larg\w* (du |de )?(boîtier|boitier|corps|moulage|l.isolant)/i,
  acrossOnly: /^larg(eur)?( totale| hors[- ]tout)?$/i,
  bodyLength: /long\w* (du |de )?(boîtier|boitier|corps|moulage|l.isolant)/i,
  uprightOnly: /^long(ueur)?( totale| hors[- ]tout)?$/i,
  length: /^long(ueur)?( totale| hors[- ]tout| du corps| du composant)?$/i,
  width: /^larg(eur)?( totale| hors[- ]tout| du corps| du composant)?$/i,
  height:
    /^haut(eur)?( totale| hors[- ]tout| maximale| max\.?| du boîtier| du corps)?$|^épaisseur( totale| du boîtier)?$/i,
  standoff:
    /garde (au|de|à)|(hauteur|distance|jeu) (au[- ]dessus|sous|par rapport|au) .*(plan|carte|circuit|pose)|dégagement/i,
  pitch:
    /^pas( (des|entre) (broches|pattes|bornes|billes|plots))?$|entraxe( des broches)?|écartement des (broches|pattes|fils)/i,
  rowDistance: /(entraxe|distance|écartement) (des|entre) (les )?(rangées|rangs)/i,
  terminalWidth:
    /larg\w* (de |des |du |d.une |de la )?(broche|patte|borne|plot|terminaison|connexion|électrode|contact)s?|diamètre (du |des |de )?(fils?|broches?|pattes?)/i,
  ballDiameter: /diamètre (de |des |de la )?billes?/i,
  leadThickness: /épaisseur (de |des |de la |du )?(broche|patte|borne|connexion|ruban)s?/i,
  footLength:
    /long\w* (du |de |de la |des |d.une )?(pied|semelle|terminaison|plage|électrode|contact|borne|métallisation|plot)s?|partie soudable/i,
  leadLength: /long\w* (de |de la |des )?(broche|patte|connexion)s?/i,
  padAcross: /larg\w* .*(plot|pad|plage|semelle|dissipateur).*(thermique|exposé)/i,
  padUpright: /long\w* .*(plot|pad|plage|semelle|dissipateur).*(thermique|exposé)/i,
  count: /nombre (total )?(de |des )(broches|pattes|bornes|billes|plots|contacts|pôles)/i,
  diameter: /^diamètre( (du|de) (corps|boîtier|capot)| extérieur)?$/i,
  thickness: /^épaisseur/i,
  notNeeded: /coplanéité|angle|rayon|planéité|chanfrein|masse|poids/i,
};
