import type { Names } from '../language';

export const GERMAN_NAMES: Names = {
  span: /gesamtbreite|spannweite|breite (über|mit) (den |die |alle )?(anschl|alles|beine|pins)|über die anschl|außenmaß/i,
  spanUpright: /gesamtlänge|länge (über|mit) (den |die |alle )?(anschl|beine|pins)/i,
  bodyWidth:
    /(gehäuse|körper|isolier\w*)breite|breite (des|vom) (gehäuses?|körpers?)|breite ohne (anschl|beine)/i,
  acrossOnly: /^breite|gesamtbreite/i,
  bodyLength:
    /(gehäuse|körper|isolier\w*)länge|länge (des|vom) (gehäuses?|körpers?)|länge ohne (anschl|beine)/i,
  uprightOnly: /^länge|gesamtlänge/i,
  length: /(gesamt|bauteil|körper)?länge$|^länge/i,
  width: /^(gesamt|bauteil|körper)?breite/i,
  height: /(gesamt|bau|gehäuse|körper)höhe|^höhe|(gesamt|bauteil)dicke|^dicke$/i,
  standoff:
    /abstand (zur|zu der|über der) (platte|platine|leiterplatte|auflage)|bodenabstand|bodenfreiheit|freiraum/i,
  pitch: /rastermaß|^raster\b|anschlussabstand|teilung|beinabstand|kugelabstand/i,
  rowDistance: /reihenabstand/i,
  terminalWidth:
    /(anschluss|kontakt|bein|pad|stift|elektroden)(breite|durchmesser)|breite (der|des) (anschl|kontakt|bein)|drahtdurchmesser/i,
  ballDiameter: /kugeldurchmesser/i,
  leadThickness: /(anschluss|bein|band|stift)dicke|dicke (der|des) (anschl|bein)/i,
  footLength:
    /(fuß|anschluss|kontakt|kappen|pad|elektroden|löt\w*)länge|länge (der|des) (anschl|fuß|kontakt|kappe)|bandbreite/i,
  leadLength: /(bein|gesamtanschluss)länge/i,
  padAcross:
    /breite (der|des) (wärme|thermal|exposed|kühl)|(wärme|kühl|thermal)\S* ?(pad)?-?\s?breite|kühlfläche.*breite/i,
  padUpright:
    /länge (der|des) (wärme|thermal|exposed|kühl)|(wärme|kühl|thermal)\S* ?(pad)?-?\s?länge|kühlfläche.*länge/i,
  count: /(anzahl|zahl) (der )?(anschl|pole|kontakt|beine|pins)|^polzahl|^anschlusszahl/i,
  countUpright: /(anzahl|anschlüsse) .*seite/i,
  diameter: /(gehäuse|körper|becher|außen)?durchmesser/i,
  base: /sockel/i,
  tail: /(bein|stift|anschluss)länge/i,
  contactDistance: /kontaktabstand/i,
  tabSize: /(fahnen|laschen)(länge|breite)/i,
  tabBeyond: /lasche über/i,
  thickness: /^dicke/i,
  notchRadius: /kerbradius/i,
  matingLength: /steck\w*länge/i,
  rowPitch: /reihenabstand/i,
  columns: /spalten/i,
  rows: /zeilen|reihen(zahl)?$/i,
  notNeeded: /koplanar|winkel|biegeradius|^radius|ebenheit|fase|gewicht/i,
};
