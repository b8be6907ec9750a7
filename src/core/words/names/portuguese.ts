import type { Names } from '../language';

export const PORTUGUESE_NAMES: Names = {
  span: /largura (total|externa|máxima)|largura (com|sobre|entre|incl\w*) .*(terminai|pino|perna)|entre extremidades/i,
  spanUpright: /comprimento (total|externo)|comprimento (com|sobre|incl\w*) .*(terminai|pino|perna)/i,
  bodyWidth: /largura (do|da|de) (corpo|encapsulamento|invólucro|molde|caixa)/i,
  acrossOnly: /^largura( total)?$/i,
  bodyLength: /comprimento (do|da|de) (corpo|encapsulamento|invólucro|molde|caixa)/i,
  uprightOnly: /^comprimento( total)?$/i,
  length: /^comprimento( total| do corpo| do componente)?$/i,
  width: /^largura( total| do corpo| do componente)?$/i,
  height: /^altura( total| máxima| do corpo| do encapsulamento)?$|^espessura( total| do corpo)?$/i,
  standoff:
    /(afastamento|distância|altura|folga) (da|do|até a|sobre a|ao|à) (placa|plano|assento|pci)|plano de assento/i,
  pitch:
    /^passo( (entre|dos|das) (os )?(terminais|pinos|esferas))?$|(distância|espaçamento) entre (terminais|pinos|centros|esferas)/i,
  rowDistance: /(distância|espaçamento) entre (as )?(filas|fileiras|linhas)/i,
  terminalWidth:
    /(largura|diâmetro) (do|dos|da|das|de) (termina|pino|perna|contat|contact|eletrod|elétrod|fio)\w*/i,
  ballDiameter: /diâmetro (da|das|de) (esfera|bola)s?/i,
  leadThickness: /espessura (do|dos|da|de) (termina|pino|perna)\w*/i,
  footLength:
    /comprimento (do|dos|da|de) (pé|termina|contat|contact|eletrod|elétrod|metalização|parte soldável)\w*/i,
  leadLength: /comprimento (do|dos|da|de) (pino|perna)\w*/i,
  padAcross: /largura .*(pad|área|almofada|ilha).*(expost|térmic)/i,
  padUpright: /comprimento .*(pad|área|almofada|ilha).*(expost|térmic)/i,
  count: /(número|quantidade) (total )?de (terminais|pinos|esferas|contatos|contactos|polos)/i,
  diameter: /^diâmetro( do corpo| externo)?$/i,
  thickness: /^espessura/i,
  notNeeded: /coplanaridade|ângulo|raio|planicidade|chanfro|peso|massa/i,
};
