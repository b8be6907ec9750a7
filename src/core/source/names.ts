// What tables call a dimension, in English and German, by the plain name that Tapis has for it.

interface Naming {
  /** Plain names of the dimensions that are meant. */
  readonly of: RegExp;
  /** What tables call them. */
  readonly says: RegExp;
  /** Only where the package has no dimension with such a name, which would be meant. */
  readonly unless?: RegExp;
  /** A general word, which counts only where no more exact name was found. */
  readonly general?: true;
}

const SPAN = /^(lead span|span across|overall span)$/i;

const NAMINGS: readonly Naming[] = [
  {
    of: SPAN,
    says: /(overall|total|outer|full) (package )?width|lead (tip )?span|tip[ -]to[ -]tip|toe[ -]to[ -]toe|over(all)? (the )?(leads|terminals|pins)|(width|span) (with|incl\w*|over|across|of) (the )?(leads|terminals|pins)|lead to lead|terminal span|gesamtbreite|spannweite|breite (über|mit) (den |die )?(anschl|alles|beine)|über die anschl|außenmaß/i,
  },
  {
    of: /^span upright$/i,
    says: /(overall|total) (package )?length|(length|span) (with|incl\w*|over|of) (the )?(leads|terminals)|gesamtlänge/i,
  },
  {
    of: /^(body width|body across|insulator width|body thickness)$/i,
    says: /(body|package|mou?ld\w*|plastic|case|housing|insulator) width|width of (the )?(body|package|plastic|mou?ld\w*)|width (without|excl\w*) (the )?(leads|pins)|(gehäuse|körper|isolier\w*)breite|breite des (gehäuses|körpers)/i,
  },
  {
    of: /^(body width|body across|across)$/i,
    says: /^(overall |total )?width|^breite|gesamtbreite|package (size|width) [xe]$|^body (size )?(e|x)$/i,
    unless: SPAN,
    general: true,
  },
  {
    of: /^(body length|body upright|insulator length)$/i,
    says: /(body|package|mou?ld\w*|plastic|case|housing|insulator) length|length of (the )?(body|package|plastic|mou?ld\w*)|length (without|excl\w*) (the )?(leads|pins)|(gehäuse|körper|isolier\w*)länge|länge des (gehäuses|körpers)/i,
  },
  {
    of: /^(body length|body upright)$/i,
    says: /^(overall |total )?length|^länge|gesamtlänge/i,
    unless: /^(span upright|length)$/i,
    general: true,
  },
  {
    of: /^(length|overall length)$/i,
    says: /^(overall |total |body |component |chip |part )*length|(gesamt|bauteil|körper)?länge$|^länge|over (both|the) (end )?(caps|terminals|terminations)/i,
    general: true,
  },
  {
    of: /^(width|body width)$/i,
    says: /^(overall |total |body |component |chip |part )*width|^(gesamt|bauteil|körper)?breite/i,
    unless: SPAN,
    general: true,
  },
  {
    of: /^(height|head height|insulator height)$/i,
    says: /(overall|total|seated|package|body|component|maximum|max\.?|mounted|chip|part)? ?height\b|(overall|total|package|body|component|chip|part) thickness|profile height|(gesamt|bau|gehäuse|körper)höhe|^höhe|^thickness$|(gesamt|bauteil)dicke|^dicke$/i,
    general: true,
  },
  {
    of: /^standoff$/i,
    says: /stand-?\s?off|seating (plane )?clearance|(height|gap|distance) (above|over|below|under) (the )?(board|seating|body)|abstand (zur|zu der|über der) (platte|platine|leiterplatte|auflage)|bodenabstand|bodenfreiheit|freiraum/i,
  },
  {
    of: /^(pitch|lead spacing)$/i,
    says: /(lead|terminal|pin|ball|land|contact|bump)? ?pitch\b|(lead|pin|terminal|ball) (spacing|distance|centers|centres)|center to center|centre to centre|rastermaß|^raster\b|anschlussabstand|teilung|beinabstand|kugelabstand/i,
  },
  {
    of: /^row distance$/i,
    says: /row (spacing|distance|pitch|to row)|(lead )?row (centers|centres)|(lead|pin) spacing across|reihenabstand|(terminal|lead) centers across/i,
  },
  {
    of: /^(lead width|terminal width|lead diameter|pin diameter|pin side|wide lead|ball diameter|land|column diameter|ball|land size|land diameter)$/i,
    says: /(lead|foot|terminal|terminat\w*|contact|pin|pad|end cap|electrode|metalli\w*) (width|diameter|dia\.?)|width of (the )?(lead|foot|terminal|pin|contact)|(anschluss|kontakt|bein|pad|stift|elektroden)(breite|durchmesser)|breite (der|des) (anschl|kontakt|bein)|drahtdurchmesser/i,
  },
  {
    of: /^(ball|ball diameter|column diameter|column)$/i,
    says: /ball (size|width|diameter|dia)|bump (size|diameter)|diameter of (the )?(ball|bump)|solder ball|kugeldurchmesser/i,
  },
  {
    of: /^(lead thickness|ribbon thickness)$/i,
    says: /(lead|foot|terminal|frame|lead ?frame|ribbon|pin) thickness|thickness of (the )?(lead|terminal|pin)|(anschluss|bein|band|stift)dicke|dicke (der|des) (anschl|bein)/i,
  },
  {
    of: /^(foot length|terminal length|end cap|cap length|lead length|foot|ribbon length)$/i,
    says: /(foot|terminal|terminat\w*|contact|solder\w*|pad|electrode|end[ -]?cap|cap|metalli\w*|band|ribbon) (length|width of band|bandwidth)|length of (the )?(foot|terminal|contact|pad|termination)|lead foot|(fuß|anschluss|kontakt|kappen|pad|elektroden|löt\w*)länge|länge (der|des) (anschl|fuß|kontakt|kappe)|bandbreite/i,
  },
  {
    of: /^lead length$/i,
    says: /(whole|total|overall|full|entire)? ?lead length|length of (the )?lead|(bein|gesamtanschluss)länge/i,
    general: true,
  },
  {
    of: /^pad across$/i,
    says: /(exposed|thermal|die|heat ?slug|e-?)\s?(pad|paddle|attach)? ?.*width|width of (the )?(exposed|thermal) pad|(exposed|thermal) pad (across|x|e)|breite (der|des) (wärme|thermal|exposed)|(wärme|kühl|thermal)\S* ?(pad)?-?\s?breite|kühlfläche.*breite/i,
  },
  {
    of: /^pad upright$/i,
    says: /(exposed|thermal|die|heat ?slug|e-?)\s?(pad|paddle|attach)? ?.*length|length of (the )?(exposed|thermal) pad|(exposed|thermal) pad (upright|y|d)|länge (der|des) (wärme|thermal|exposed)|(wärme|kühl|thermal)\S* ?(pad)?-?\s?länge|kühlfläche.*länge/i,
  },
  {
    of: /^(leads|terminals|pins|poles|balls|number)/i,
    says: /(number|no\.?|count|quantity) of (the )?(all |total )?(leads|pins|terminals|balls|positions|poles)|(lead|pin|terminal|ball|pole) count|total (leads|pins|terminals)|(anzahl|zahl) (der )?(anschl|pole|kontakt|beine|pins)|^polzahl|^anschlusszahl/i,
  },
  {
    of: /^upright (leads|terminals)$/i,
    says: /(leads|pins|terminals) (on|per) (the )?(d|e|y|left|short|long)[ -]?(side)?|number .* (on|along) .*side|(anzahl|anschlüsse) .*seite/i,
  },
  {
    of: /^(diameter|body diameter|can diameter)$/i,
    says: /(body|can|case|overall|outer|cap|component)? ?diameter|(gehäuse|körper|becher|außen)?durchmesser/i,
    general: true,
  },
  { of: /^base$/i, says: /base (side|width|size|length)?|sockel/i, general: true },
  {
    of: /^tail$/i,
    says: /(lead|pin|tail|solder tail) length|length below|(bein|stift|anschluss)länge|below (the )?(seating|board)/i,
  },
  {
    of: /^contact distance$/i,
    says: /contact (distance|spacing|points)|lead contact|(between|over) contact|kontaktabstand/i,
  },
  { of: /^tab (length|width)$/i, says: /tab (length|width)|(fahnen|laschen)(länge|breite)/i },
  { of: /^tab beyond body$/i, says: /tab (beyond|protru\w*|extension)|lasche über/i },
  { of: /^thickness$/i, says: /^thickness|^dicke/i, general: true },
  { of: /^notch radius$/i, says: /(notch|castellation) radius|kerbradius/i },
  { of: /^mating length$/i, says: /(mating|contact|post|pin) (length|height)|steck\w*länge/i },
  { of: /^row pitch$/i, says: /row (pitch|spacing|distance)|reihenabstand/i },
  { of: /^(columns|columns across|across)$/i, says: /columns|spalten/i },
  { of: /^(rows|rows upright)$/i, says: /\brows\b|zeilen|reihen(zahl)?$/i },
];

/** Names of what tables list and no land or body of ours needs. */
const NOT_NEEDED =
  /coplanar|koplanar|(foot|lead|mou?ld\w*|draft) angle|winkel|radius of (the )?(lead|bend)|(lead|inner|outer|corner|bend) radius|biegeradius|bend radius|positional|tolerance of|profile|flatness|ebenheit|gauge plane|chamfer|fase|mou?ld(ed)? (body )?thickness|body (only )?thickness without|thickness of (the )?mou?ld|plastic thickness|weight|gewicht|area|moisture|mark/i;

/** What a dictionary makes of a printed name: whether a dimension is meant by it, or another one. */
export interface NameSays {
  /** Indexes of the plain names that it is a name of. */
  readonly of: readonly number[];
  readonly isNotNeeded: boolean;
}

/** @param plainNames of the package's dimensions, in their order */
export function nameSays(printed: string, plainNames: readonly string[]): NameSays {
  const name = printed.replace(/\s+/g, ' ').replace(/[()]/g, '').trim();
  if (name === '') return { of: [], isNotNeeded: false };
  const exact = plainNames.flatMap((plain, i) => (plain.toLowerCase() === name.toLowerCase() ? [i] : []));
  if (exact.length > 0) return { of: exact, isNotNeeded: false };
  const of = new Set<number>();
  for (const isGeneral of [false, true]) {
    for (const { of: meant, says, unless, general = false } of NAMINGS) {
      if (general !== isGeneral || (isGeneral && of.size > 0) || !says.test(name)) continue;
      if (unless && plainNames.some((plain) => unless.test(plain) && !meant.test(plain))) continue;
      plainNames.forEach((plain, i) => {
        if (meant.test(plain)) of.add(i);
      });
    }
  }
  return { of: [...of], isNotNeeded: of.size === 0 && NOT_NEEDED.test(name) };
}
