import type { Names } from '../language';

export const ITALIAN_NAMES: Names = {
  span: /larghezza (totale|esterna|massima)|larghezza (con|sui|tra|incl\w*|su) .*(terminal|piedin|reofor|pin)|tra le estremità|ingombro in larghezza/i,
  spanUpright: /lunghezza (totale|esterna)|lunghezza (con|sui|incl\w*) .*(terminal|piedin|reofor|pin)/i,
  bodyWidth: /larghezza (del|della|di) (corpo|contenitore|involucro|package|custodia|stampo)/i,
  acrossOnly: /^larghezza( totale)?$/i,
  bodyLength: /lunghezza (del|della|di) (corpo|contenitore|involucro|package|custodia|stampo)/i,
  uprightOnly: /^lunghezza( totale)?$/i,
  length: /^lunghezza( totale| del corpo| del componente)?$/i,
  width: /^larghezza( totale| del corpo| del componente)?$/i,
  height: /^altezza( totale| massima| del corpo| del contenitore)?$|^spessore( totale| del corpo)?$/i,
  standoff:
    /(distanza|altezza|distacco|luce) (dal|sul|dalla|sopra il) (piano|scheda|appoggio|pcb)|piano di (appoggio|seduta)/i,
  pitch:
    /^passo( (tra|dei|delle) (i )?(terminali|piedini|pin|sfere))?$|(distanza|interasse) (tra|fra|dei) (i )?(terminali|piedini|pin|centri)/i,
  rowDistance: /(distanza|interasse) (tra|fra|delle) (le )?file/i,
  terminalWidth:
    /(larghezza|diametro) (del|dei|della|delle|di) (terminal|piedin|pin|contatt|elettrod|reofor|filo|pad)\w*/i,
  ballDiameter: /diametro (della|delle|di) (sfer|pallin)\w*/i,
  leadThickness: /spessore (del|dei|della|di) (terminal|piedin|pin|reofor)\w*/i,
  footLength:
    /lunghezza (del|dei|della|di) (piede|terminal|contatt|elettrod|metallizzazion|parte saldabile)\w*/i,
  leadLength: /lunghezza (del|dei|di) (piedin|reofor|pin)\w*/i,
  padAcross: /larghezza .*(pad|piazzola|paletta|area).*(espost|termic)/i,
  padUpright: /lunghezza .*(pad|piazzola|paletta|area).*(espost|termic)/i,
  count: /numero (totale )?(di|dei|delle) (terminali|piedini|pin|sfere|contatti|poli)/i,
  diameter: /^diametro( del corpo| esterno)?$/i,
  thickness: /^spessore/i,
  notNeeded: /complanarità|angolo|raggio|planarità|smusso|peso|massa/i,
};
