import type { Names } from '../language';

export const SPANISH_NAMES: Names = {
  span: /(ancho|anchura) (total|exterior|máxim[oa])|(ancho|anchura) (con|sobre|entre|incl\w*) .*(terminal|patill|pin|pata)|entre extremos/i,
  spanUpright:
    /(largo|longitud) (total|exterior)|(largo|longitud) (con|sobre|incl\w*) .*(terminal|patill|pin|pata)/i,
  bodyWidth: /(ancho|anchura) (de la|del|de) (cuerpo|cápsula|encapsulado|moldeado|carcasa)/i,
  acrossOnly: /^(ancho|anchura)( total)?$/i,
  bodyLength: /(largo|longitud) (de la|del|de) (cuerpo|cápsula|encapsulado|moldeado|carcasa)/i,
  uprightOnly: /^(largo|longitud)( total)?$/i,
  length: /^(largo|longitud)( total| del cuerpo| del componente)?$/i,
  width: /^(ancho|anchura)( total| del cuerpo| del componente)?$/i,
  height:
    /^(altura|alto)( total| máxim[oa]| del cuerpo| del encapsulado)?$|^(espesor|grosor)( total| del cuerpo)?$/i,
  standoff:
    /(separación|distancia|altura|holgura) (de la|a la|sobre la|hasta la|al) (placa|plano|apoyo|asiento|pcb)|plano de (asiento|apoyo)/i,
  pitch:
    /^paso( (entre|de) (los )?(terminales|pines|patillas|bolas))?$|(distancia|separación) entre (terminales|pines|patillas|centros|bolas)/i,
  rowDistance: /(distancia|separación) entre (las )?(filas|hileras)/i,
  terminalWidth:
    /(ancho|anchura|diámetro) (de la|del|de los|de las|de) (terminal|patill|pin|pata|contacto|electrodo|hilo|alambre)\w*/i,
  ballDiameter: /diámetro (de la|de las|de) (bola|esfera)s?/i,
  leadThickness: /(espesor|grosor) (de la|del|de los|de) (terminal|patill|pin|pata)\w*/i,
  footLength:
    /(largo|longitud) (de la|del|de los|de) (pie|terminal|contacto|electrodo|metalización|zona soldable)\w*/i,
  leadLength: /(largo|longitud) (de la|del|de los|de) (patill|pata|pin)\w*/i,
  padAcross: /(ancho|anchura) .*(pad|almohadilla|área|zona|paleta).*(expuest|térmic)/i,
  padUpright: /(largo|longitud) .*(pad|almohadilla|área|zona|paleta).*(expuest|térmic)/i,
  count: /(número|cantidad|n\.?º) (total )?de (terminales|pines|patillas|bolas|contactos|polos)/i,
  diameter: /^diámetro( del cuerpo| exterior| de la cápsula)?$/i,
  thickness: /^(espesor|grosor)/i,
  notNeeded: /coplanaridad|ángulo|radio|planitud|chaflán|peso|masa/i,
};
