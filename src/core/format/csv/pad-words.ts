// Words in heads of pad tables, in English, German, French, Spanish, Italian, Portuguese and Russian.

/** Alternatives of a pattern, one a meaning. */
export const WORDS_OF_LENGTHS = {
  place:
    'pos(?:ition)?|cent(?:er|re)|mid|coord(?:inate)?|loc(?:ation)?|mitte|lage|koordinate|coordonn[ée]e|milieu|centro|posici[óo]n|coordenada|posizione|coordinata|posi[çc][ãa]o|координата|центр',
  corner: 'corner|ecke|coin|esquina|angolo|spigolo|canto|угол',
  start: 'start|from|von|d[ée]but|inicio|inizio|in[íi]cio|начало',
  end: 'end|to|bis|fin|fine|fim|конец',
  pad: 'pad|pin|land|terminal|anschluss|pastille|plage|borne|patilla|isla|piazzola|piedino|ilha|вывод|площадка|контакт',
  length: 'length|länge|longueur|longitud|largo|lunghezza|comprimento|длина',
  width: 'width|breite|largeur|ancho|anchura|larghezza|largura|ширина',
  height: 'height|höhe|hauteur|alto|altura|altezza|высота',
  size: 'size|dim(?:ension)?|größe|maß|taille|tama[ñn]o|medida|dimensione|dimensi[óo]n|dimensão|tamanho|размер|ø|⌀',
  diameter: 'dia(?:meter)?|ø|⌀|durchmesser|diam[èe]tre|di[áa]metro|diametro|диаметр',
  hole: 'hole|drill|bore|bohrung|bohrloch|perçage|trou|taladro|agujero|foro|furo|отверстие',
} as const;
