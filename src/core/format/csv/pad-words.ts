// Words in heads of pad tables, in English, German, French, Spanish, Italian, Portuguese, Dutch, Swedish, Polish,
// Danish, Finnish, Czech, Hungarian, Turkish, Russian, Chinese, Japanese and Korean.

/** Alternatives of a pattern, one a meaning. */
export const WORDS_OF_LENGTHS = {
  place:
    'pos(?:ition)?|cent(?:er|re)|mid|coord(?:inate)?|loc(?:ation)?|mitte|lage|koordinate|coordonn[ée]e|milieu|centro|posici[óo]n|coordenada|posizione|coordinata|posi[çc][ãa]o|координата|центр',
  corner: 'corner|ecke|coin|esquina|angolo|spigolo|canto|угол',
  start: 'start|from|von|d[ée]but|inicio|inizio|in[íi]cio|начало',
  end: 'end|to|bis|fin|fine|fim|конец',
  pad: 'pad|pin|ball|land|terminal|anschluss|pastille|plage|borne|patilla|isla|piazzola|piedino|ilha|lödyta|loddeø|pinne|nasta|juotosalue|pole|ploška|vývod|forrszem|ped|bacak|вывод|площадка|контакт|焊盘|引脚|ランド|パッド|패드|핀|단자',
  length:
    'length|länge|longueur|longitud|largo|lunghezza|comprimento|lengte|længde|lengde|längd|pituus|długość|délka|hossz(?:úság)?|uzunluk|длина|长度?|長さ|길이',
  width:
    'width|breite|largeur|ancho|anchura|larghezza|largura|breedte|bredde?|leveys|szerokość|šířka|szélesség|genişlik|ширина|宽度?|幅|너비|폭',
  height:
    'height|höhe|hauteur|alto|altura|altezza|hoogte|højde|høyde|höjd|korkeus|wysokość|výška|magasság|yükseklik|высота|高度?|高さ|높이',
  size: 'size|dim(?:ension)?|größe|maß|taille|tama[ñn]o|medida|dimensione|dimensi[óo]n|dimensão|tamanho|размер|ø|⌀',
  diameter:
    'dia(?:meter)?|ø|⌀|durchmesser|diam[èe]tre|di[áa]metro|diametro|halkaisija|średnica|průměr|átmérő|çap|диаметр|直径|지름|직경',
  hole: 'hole|drill|bore|bohrung|bohrloch|perçage|trou|taladro|agujero|foro|furo|gat|hull?|hål|reikä|otwór|otvor|furat|delik|отверстие|孔径?|穴|구멍',
} as const;

/** Shapes that lands have in pad tables. */
export type CalledShape = 'rectangle' | 'round' | 'oblong' | 'd-shape';

/** Words of shapes in cells, without blanks and dashes. */
const SHAPES: readonly (readonly [RegExp, CalledShape])[] = [
  [
    /^(|r|s|rect(angle|angular|angulaire)?|square|rechteck(ig)?|quadrat(isch)?|carr[ée]e?|rect[áa]ngul(ar|o)|cuadrad[ao]|rettangol(o|are)|quadrat[ao]|retangul(ar|o)|ret[âa]ngulo|quadrad[ao]|прямоугольн(ая|ый|ик)|квадрат(ная|ный)?|矩形|长方形|長方形|正方形|方形|角)$/,
    'rectangle',
  ],
  [
    /^(c|round|circ(le|ular)|circulaire|cercle|kreis(förmig)?|rund|ronde?|redond[ao]|c[íi]rcul(o|ar)|tond[ao]|circolare|cerchio|кругл(ая|ый)|круг|圆形?|円形?|丸)$/,
    'round',
  ],
  [
    /^(o|ob(long|round)|oblongue?|oblung[ao]|oblong[ao]|ovale?|ovalad[ao]|ova(l|le|is)|stadium|langrund|langloch|овал(ьная|ьный)?|椭圆形?|長円形?|长圆形?|腰形)$/,
    'oblong',
  ],
  [/^(d|dshape)$/, 'd-shape'],
];

/** What a cell says of a land's shape: a rectangle where it is empty, `null` where its word is not known. */
export const shapeCalled = (cell: string): CalledShape | null => {
  const word = cell
    .trim()
    .toLowerCase()
    .replace(/[\s_-]/g, '');
  return SHAPES.find(([words]) => words.test(word))?.[1] ?? null;
};
