import type { Names } from '../language';

export const ENGLISH_NAMES: Names = {
  span: /(overall|total|outer|full) (package )?width|lead (tip )?span(?!,? \(?length)|tip[ -]to[ -]tip|toe[ -]to[ -]toe|over(all)? (the )?(leads|terminals|pins)|(width|span) (with|incl\w*|over|across|of) (the )?(leads|terminals|pins)|lead to lead|terminal span/i,
  spanUpright:
    /(overall|total) (package )?length|lead (tip )?span,? \(?length|(length|span) (with|incl\w*|over|of) (the )?(leads|terminals)/i,
  bodyWidth:
    /(body|package|mou?ld\w*|plastic|case|housing|insulator) width|width of (the )?(body|package|plastic|mou?ld\w*)|width (without|excl\w*) (the )?(leads|pins)/i,
  acrossOnly: /^(overall |total )?width|package (size|width) [xe]$|^body (size )?(e|x)$/i,
  bodyLength:
    /(body|package|mou?ld\w*|plastic|case|housing|insulator) length|length of (the )?(body|package|plastic|mou?ld\w*)|length (without|excl\w*) (the )?(leads|pins)/i,
  uprightOnly: /^(overall |total )?length/i,
  length:
    /^(overall |total |body |component |chip |part )*length|over (both|the) (end )?(caps|terminals|terminations)/i,
  width: /^(overall |total |body |component |chip |part )*width/i,
  height:
    /(overall|total|seated|package|body|component|maximum|max\.?|mounted|chip|part)? ?height\b|(overall|total|package|body|component|chip|part) thickness|profile height|^thickness$/i,
  standoff:
    /stand-?\s?off|(ball|bump) height|seating (plane )?clearance|(height|gap|distance) (above|over|below|under) (the )?(board|seating|body)/i,
  pitch:
    /(lead|terminal|pin|ball|land|contact|bump)? ?pitch\b|(lead|pin|terminal|ball) (spacing|distance|centers|centres)|center to center|centre to centre/i,
  rowDistance:
    /row (spacing|distance|pitch|to row)|(lead )?row (centers|centres)|(lead|pin) spacing across|(terminal|lead) centers across/i,
  terminalWidth:
    /(lead|foot|terminal|terminat\w*|contact|pin|pad|end cap|electrode|metalli\w*) (width|diameter|dia\.?)|width of (the )?(lead|foot|terminal|pin|contact)/i,
  ballDiameter:
    /ball (size|width|diameter|dia)|bump (size|diameter)|diameter of (the )?(ball|bump)|solder ball/i,
  leadThickness:
    /(lead|foot|terminal|frame|lead ?frame|ribbon|pin) thickness|thickness of (the )?(lead|terminal|pin)/i,
  footLength:
    /(foot|terminal|terminat\w*|contact|solder\w*|pad|electrode|end[ -]?cap|cap|metalli\w*|band|ribbon) (length|width of band|bandwidth)|length of (the )?(foot|terminal|contact|pad|termination)|lead foot/i,
  leadLength: /(whole|total|overall|full|entire)? ?lead length|length of (the )?lead/i,
  padAcross:
    /\b((exposed|thermal|die|heat ?slug)\b|e-?\s?pad\b).*width|width of (the )?(exposed|thermal) pad|(exposed|thermal) pad (across|x|e)/i,
  padUpright:
    /\b((exposed|thermal|die|heat ?slug)\b|e-?\s?pad\b).*length|length of (the )?(exposed|thermal) pad|(exposed|thermal) pad (upright|y|d)/i,
  count:
    /(number|no\.?|count|quantity) of (the )?(all |total )?(leads|pins|terminals|balls|positions|poles)|(lead|pin|terminal|ball|pole) count|total (leads|pins|terminals)/i,
  countUpright:
    /(leads|pins|terminals) (on|per) (the )?(d|e|y|left|short|long)[ -]?(side)?|number .* (on|along) .*side/i,
  diameter: /(body|can|case|overall|outer|cap|component)? ?diameter/i,
  base: /base (side|width|size|length)?/i,
  tail: /(lead|pin|tail|solder tail) length|length below|below the (seating|board)/i,
  contactDistance: /contact (distance|spacing|points)|lead contact|(between|over) contact/i,
  tabSize: /tab (length|width)/i,
  tabBeyond: /tab (beyond|protru\w*|extension)/i,
  thickness: /^thickness/i,
  notchRadius: /(notch|castellation) radius/i,
  matingLength: /(mating|contact|post|pin) (length|height)/i,
  rowPitch: /row (pitch|spacing|distance)/i,
  columns: /columns/i,
  rows: /\brows\b/i,
  notNeeded:
    /coplanar|(foot|lead|mou?ld\w*|draft) angle|radius of (the )?(lead|bend)|(lead|inner|outer|corner|bend) radius|bend radius|positional|tolerance of|profile|flatness|gauge plane|chamfer|mou?ld(ed)? (body )?thickness|body (only )?thickness without|thickness of (the )?mou?ld|plastic thickness|weight|area|moisture|mark/i,
};
