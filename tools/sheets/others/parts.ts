// What a second author prints: made-up parts by what is measured, named in eleven languages. It shares nothing
// with the reader, nor with the first set of pages: its words and ways of laying a table out are its own.

/** What is measured, by a name of this file's own. */
export type Measure =
  | 'overall'
  | 'caseWide'
  | 'caseLong'
  | 'long'
  | 'wide'
  | 'high'
  | 'gap'
  | 'foot'
  | 'legWide'
  | 'step'
  | 'legThick'
  | 'end'
  | 'across'
  | 'ball'
  | 'padWide'
  | 'padLong'
  | 'tilt';

export interface Item {
  readonly measure: Measure;
  /** The family's symbol; `null` where no land rests on it. */
  readonly symbol: string | null;
  /** A maker's own letter. */
  readonly own: string;
  /** Least, nominal, most in hundredths of a millimetre. */
  readonly at: readonly [number, number, number];
  /** Only the most is printed, or one exact number, or degrees. */
  readonly as?: 'most' | 'exact' | 'angle';
}

export interface Product {
  readonly family: string;
  readonly leads: number | null;
  /** By the name of the size; one without a name where there is one size. */
  readonly sizes: readonly {
    readonly name: string;
    readonly items: readonly Item[];
    readonly leads?: number;
  }[];
}

type Line = readonly [Measure, string | null, string, number, number, number, Item['as']?];
const items = (lines: readonly Line[]): Item[] =>
  lines.map(([measure, symbol, own, min, nom, max, as]) => ({
    measure,
    symbol,
    own,
    at: [min, nom, max],
    ...(as ? { as } : {}),
  }));

const small = (leads: number, family: string, ...lines: Line[]): Product => ({
  family,
  leads,
  sizes: [{ name: '', items: items(lines) }],
});

const chip = (name: string, l: number, w: number, h: number, e: number, dl: number, de: number) => ({
  name,
  items: items([
    ['long', 'L', 'L', l - dl, l, l + dl],
    ['wide', 'W', 'W', w - dl, w, w + dl],
    ['high', 'A', 'H', h - dl / 2, h, h + dl / 2],
    ['end', 'T', 'E', e - de, e, e + de],
  ]),
});

const dual = (leads: number, long: number) => ({
  name: String(leads),
  leads,
  items: items([
    ['high', 'A', 'A', 150, 162, 174],
    ['gap', 'A1', 'A1', 8, 15, 22],
    ['caseLong', 'D', 'D', long - 11, long, long + 11],
    ['overall', 'E', 'H', 583, 601, 619],
    ['caseWide', 'E1', 'E', 378, 390, 402],
    ['step', 'e', 'e', 127, 127, 127, 'exact'],
    ['legWide', 'b', 'B', 34, 41, 49],
    ['foot', 'L', 'L', 44, 66, 88],
    ['tilt', null, 'α', 0, 4, 8, 'angle'],
  ]),
});

export const PRODUCTS: readonly Product[] = [
  { family: 'gull-wing-dual', leads: 8, sizes: [{ ...dual(8, 487), name: '' }] },
  { family: 'gull-wing-dual', leads: null, sizes: [dual(8, 487), dual(14, 863), dual(16, 992)] },
  small(
    48,
    'gull-wing-quad',
    ['high', 'A', 'A', 140, 148, 157, 'most'],
    ['gap', 'A1', 'A1', 5, 9, 14],
    ['overall', 'E', 'HE', 882, 901, 918],
    ['caseWide', 'E1', 'E', 692, 700, 708],
    ['step', 'e', 'e', 50, 50, 50, 'exact'],
    ['legWide', 'b', 'b', 18, 22, 26],
    ['foot', 'L', 'L', 47, 61, 73],
  ),
  small(
    20,
    'no-lead-quad',
    ['high', 'A', 'A', 81, 85, 89],
    ['caseWide', 'E', 'D', 392, 400, 408],
    ['step', 'e', 'e', 50, 50, 50, 'exact'],
    ['legWide', 'b', 'b', 19, 24, 29],
    ['end', 'L', 'L', 33, 41, 47],
    ['padWide', 'E2', 'E2', 258, 268, 276],
    ['padLong', 'D2', 'D2', 262, 271, 281],
  ),
  small(
    5,
    'small-transistor',
    ['high', 'A', 'A', 98, 114, 137],
    ['gap', 'A1', 'A1', 2, 7, 12],
    ['caseLong', 'D', 'D', 281, 291, 302],
    ['overall', 'E', 'E', 262, 279, 296],
    ['caseWide', 'E1', 'E1', 151, 161, 172],
    ['step', 'e', 'e', 95, 95, 95, 'exact'],
    ['legWide', 'b', 'b', 31, 39, 48],
    ['foot', 'L', 'L', 32, 44, 57],
  ),
  {
    family: 'rectangular-chip',
    leads: null,
    sizes: [
      chip('1005', 100, 50, 33, 24, 5, 8),
      chip('1608', 160, 81, 44, 31, 11, 17),
      chip('2012', 203, 124, 52, 42, 14, 19),
      chip('3216', 321, 163, 58, 49, 18, 23),
    ],
  },
  { family: 'rectangular-chip', leads: null, sizes: [{ ...chip('', 322, 253, 112, 52, 22, 24) }] },
  {
    family: 'moulded',
    leads: null,
    sizes: (
      [
        ['A', 322, 162, 161, 121, 79],
        ['B', 351, 281, 192, 221, 81],
        ['C', 602, 321, 249, 222, 129],
      ] as const
    ).map(([name, l, w, h, t, e]) => ({
      name,
      items: items([
        ['long', 'L', 'L', l - 21, l, l + 21],
        ['wide', 'W', 'W', w - 19, w, w + 19],
        ['high', 'A', 'H', h - 18, h, h + 18],
        ['legWide', 'W1', 'F', t - 11, t, t + 11],
        ['end', 'T', 'S', e - 28, e, e + 28],
      ]),
    })),
  },
  small(
    2,
    'cylindrical',
    ['long', 'L', 'L', 331, 351, 368],
    ['across', 'D', 'D', 138, 146, 157],
    ['end', 'T', 'C', 28, 38, 51],
  ),
  small(
    2,
    'small-diode',
    ['overall', 'E', 'HE', 347, 366, 384],
    ['caseLong', 'E1', 'D', 256, 269, 284],
    ['caseWide', 'D', 'E', 142, 159, 178],
    ['foot', 'L', 'L', 27, 38, 47],
    ['legWide', 'b', 'b', 51, 59, 68],
    ['high', 'A', 'A', 91, 108, 123],
    ['gap', 'A1', 'A1', 1, 5, 9],
  ),
  small(
    null as unknown as number,
    'radial',
    ['step', 'e', 'F', 348, 350, 352, 'exact'],
    ['legWide', 'b', 'd', 54, 60, 66],
    ['across', 'D', 'D', 793, 803, 847],
    ['high', 'A', 'L', 1151, 1202, 1348, 'most'],
  ),
  {
    family: 'electrolytic-can',
    leads: null,
    sizes: (
      [
        ['D8', 830, 800, 1020, 830, 89, 341],
        ['E6', 660, 630, 770, 660, 72, 271],
      ] as const
    ).map(([name, b, d, h]) => ({
      name,
      items: items([
        ['wide', 'B', 'A', b - 20, b, b + 20],
        ['across', 'D', 'D', d - 50, d, d + 50],
        ['high', 'A', 'L', h - 30, h, h + 30],
      ]),
    })),
  },
];

/** Names of what is measured, by language; the first of several is used, then the next. */
export const NAMES: Readonly<Record<string, Readonly<Record<Measure, string>>>> = {
  en: {
    overall: 'Toe to toe width',
    caseWide: 'Mold body width',
    caseLong: 'Mold body length',
    long: 'Length',
    wide: 'Width',
    high: 'Overall height',
    gap: 'Stand-off',
    foot: 'Foot length',
    legWide: 'Lead width',
    step: 'Lead pitch',
    legThick: 'Lead thickness',
    end: 'Terminal length',
    across: 'Diameter',
    ball: 'Ball diameter',
    padWide: 'Exposed pad width',
    padLong: 'Exposed pad length',
    tilt: 'Foot angle',
  },
  de: {
    overall: 'Breite über Anschlüsse',
    caseWide: 'Gehäusebreite',
    caseLong: 'Gehäuselänge',
    long: 'Länge',
    wide: 'Breite',
    high: 'Bauhöhe',
    gap: 'Bodenabstand',
    foot: 'Fußlänge',
    legWide: 'Anschlussbreite',
    step: 'Rastermaß',
    legThick: 'Anschlussdicke',
    end: 'Anschlusslänge',
    across: 'Durchmesser',
    ball: 'Kugeldurchmesser',
    padWide: 'Breite der Wärmefläche',
    padLong: 'Länge der Wärmefläche',
    tilt: 'Winkel',
  },
  fr: {
    overall: 'Largeur hors tout',
    caseWide: 'Largeur du boîtier',
    caseLong: 'Longueur du boîtier',
    long: 'Longueur',
    wide: 'Largeur',
    high: 'Hauteur totale',
    gap: 'Garde au plan de pose',
    foot: 'Longueur du pied',
    legWide: 'Largeur de broche',
    step: 'Pas',
    legThick: 'Épaisseur de broche',
    end: 'Longueur de terminaison',
    across: 'Diamètre',
    ball: 'Diamètre de bille',
    padWide: 'Largeur du plot thermique',
    padLong: 'Longueur du plot thermique',
    tilt: 'Angle du pied',
  },
  es: {
    overall: 'Ancho total con terminales',
    caseWide: 'Ancho del cuerpo',
    caseLong: 'Largo del cuerpo',
    long: 'Longitud',
    wide: 'Ancho',
    high: 'Altura total',
    gap: 'Separación de la placa',
    foot: 'Longitud del pie',
    legWide: 'Ancho del terminal',
    step: 'Paso',
    legThick: 'Espesor del terminal',
    end: 'Longitud del terminal',
    across: 'Diámetro',
    ball: 'Diámetro de la bola',
    padWide: 'Ancho del pad expuesto',
    padLong: 'Largo del pad expuesto',
    tilt: 'Ángulo del pie',
  },
  it: {
    overall: 'Larghezza totale con i terminali',
    caseWide: 'Larghezza del corpo',
    caseLong: 'Lunghezza del corpo',
    long: 'Lunghezza',
    wide: 'Larghezza',
    high: 'Altezza totale',
    gap: 'Distanza dal piano di appoggio',
    foot: 'Lunghezza del piede',
    legWide: 'Larghezza del terminale',
    step: 'Passo',
    legThick: 'Spessore del terminale',
    end: 'Lunghezza del terminale',
    across: 'Diametro',
    ball: 'Diametro della sfera',
    padWide: 'Larghezza del pad esposto',
    padLong: 'Lunghezza del pad esposto',
    tilt: 'Angolo del piede',
  },
  pt: {
    overall: 'Largura total com terminais',
    caseWide: 'Largura do corpo',
    caseLong: 'Comprimento do corpo',
    long: 'Comprimento',
    wide: 'Largura',
    high: 'Altura total',
    gap: 'Afastamento da placa',
    foot: 'Comprimento do pé',
    legWide: 'Largura do terminal',
    step: 'Passo',
    legThick: 'Espessura do terminal',
    end: 'Comprimento do terminal',
    across: 'Diâmetro',
    ball: 'Diâmetro da esfera',
    padWide: 'Largura do pad exposto',
    padLong: 'Comprimento do pad exposto',
    tilt: 'Ângulo do pé',
  },
  zh: {
    overall: '总宽度（含引脚）',
    caseWide: '塑封体宽度',
    caseLong: '塑封体长度',
    long: '长度',
    wide: '宽度',
    high: '总高度',
    gap: '离板高度',
    foot: '焊脚长度',
    legWide: '引脚宽度',
    step: '引脚间距',
    legThick: '引脚厚度',
    end: '端电极长度',
    across: '直径',
    ball: '锡球直径',
    padWide: '散热焊盘宽度',
    padLong: '散热焊盘长度',
    tilt: '引脚角度',
  },
  tw: {
    overall: '總寬度（含引腳）',
    caseWide: '本體寬度',
    caseLong: '本體長度',
    long: '長度',
    wide: '寬度',
    high: '總高度',
    gap: '離板高度',
    foot: '焊腳長度',
    legWide: '引腳寬度',
    step: '引腳間距',
    legThick: '引腳厚度',
    end: '端電極長度',
    across: '直徑',
    ball: '錫球直徑',
    padWide: '散熱墊寬度',
    padLong: '散熱墊長度',
    tilt: '引腳角度',
  },
  ja: {
    overall: '全幅（リード含む）',
    caseWide: 'パッケージ幅',
    caseLong: 'パッケージ長さ',
    long: '長さ',
    wide: '幅',
    high: '取付高さ',
    gap: 'スタンドオフ',
    foot: 'リード平坦部長さ',
    legWide: '端子幅',
    step: '端子ピッチ',
    legThick: '端子厚さ',
    end: '電極長さ',
    across: '直径',
    ball: 'ボール径',
    padWide: '放熱パッド幅',
    padLong: '放熱パッド長さ',
    tilt: '端子角度',
  },
  ko: {
    overall: '전체 폭 (리드 포함)',
    caseWide: '몸체 폭',
    caseLong: '몸체 길이',
    long: '길이',
    wide: '폭',
    high: '전체 높이',
    gap: '스탠드오프',
    foot: '리드 발 길이',
    legWide: '리드 폭',
    step: '리드 피치',
    legThick: '리드 두께',
    end: '단자 길이',
    across: '직경',
    ball: '볼 직경',
    padWide: '방열 패드 폭',
    padLong: '방열 패드 길이',
    tilt: '리드 각도',
  },
  ru: {
    overall: 'Ширина по выводам',
    caseWide: 'Ширина корпуса',
    caseLong: 'Длина корпуса',
    long: 'Длина',
    wide: 'Ширина',
    high: 'Высота',
    gap: 'Зазор до платы',
    foot: 'Длина опорной части вывода',
    legWide: 'Ширина вывода',
    step: 'Шаг выводов',
    legThick: 'Толщина вывода',
    end: 'Длина контакта',
    across: 'Диаметр',
    ball: 'Диаметр шарика',
    padWide: 'Ширина теплоотвода',
    padLong: 'Длина теплоотвода',
    tilt: 'Угол вывода',
  },
};

/** Heads: least, nominal, most, letter, name, value, tolerance, size, “all in millimetres”. */
export const HEADS: Readonly<Record<string, readonly (readonly string[])[]>> = {
  en: [
    ['Min.', 'Avg.', 'Max.'],
    ['MIN', 'TYP', 'MAX'],
    ['Lower limit', 'Nominal value', 'Upper limit'],
    ['Least', 'Mean', 'Most'],
    ['Minimum', 'Std', 'Maximum'],
  ],
  de: [
    ['Min', 'Nenn', 'Max'],
    ['kleinst', 'Nennmaß', 'größt'],
    ['min.', 'typ.', 'max.'],
    ['Mindestmaß', 'Nennmaß', 'Höchstmaß'],
  ],
  fr: [
    ['Min.', 'Nom.', 'Max.'],
    ['Mini', 'Typ', 'Maxi'],
    ['Minimum', 'Nominal', 'Maximum'],
  ],
  es: [
    ['Mín.', 'Tip.', 'Máx.'],
    ['Mínimo', 'Nominal', 'Máximo'],
    ['mín', 'típ', 'máx'],
  ],
  it: [
    ['Min.', 'Tip.', 'Max.'],
    ['Minimo', 'Nominale', 'Massimo'],
  ],
  pt: [
    ['Mín.', 'Nom.', 'Máx.'],
    ['Mínimo', 'Típico', 'Máximo'],
  ],
  zh: [
    ['最小', '典型', '最大'],
    ['最小值', '标称值', '最大值'],
    ['下限', '中值', '上限'],
  ],
  tw: [
    ['最小', '標準', '最大'],
    ['最小值', '公稱值', '最大值'],
  ],
  ja: [
    ['最小', '標準', '最大'],
    ['MIN.', 'TYP.', 'MAX.'],
    ['下限', '中心', '上限'],
  ],
  ko: [
    ['최소', '표준', '최대'],
    ['최솟값', '공칭', '최댓값'],
  ],
  ru: [
    ['Мин.', 'Ном.', 'Макс.'],
    ['не менее', 'номинал', 'не более'],
    ['мин', 'тип', 'макс'],
  ],
};

/** Letter, name, value, tolerance, size, remark. */
export const WORDS: Readonly<Record<string, readonly string[]>> = {
  en: ['Ref.', 'Feature', 'Value', 'Tolerance', 'Size', 'Remark'],
  de: ['Maß', 'Benennung', 'Maß', 'Toleranz', 'Baugröße', 'Bemerkung'],
  fr: ['Repère', 'Désignation', 'Cote', 'Tolérance', 'Taille', 'Remarque'],
  es: ['Símbolo', 'Descripción', 'Valor', 'Tolerancia', 'Tamaño', 'Nota'],
  it: ['Simbolo', 'Descrizione', 'Valore', 'Tolleranza', 'Formato', 'Nota'],
  pt: ['Símbolo', 'Descrição', 'Valor', 'Tolerância', 'Tamanho', 'Nota'],
  zh: ['符号', '名称', '尺寸', '公差', '规格', '备注'],
  tw: ['符號', '名稱', '尺寸', '公差', '規格', '備註'],
  ja: ['記号', '名称', '寸法', '公差', 'サイズ', '備考'],
  ko: ['기호', '명칭', '치수', '공차', '크기', '비고'],
  ru: ['Обозначение', 'Наименование', 'Размер', 'Допуск', 'Типоразмер', 'Примечание'],
};

export const ALL_MM: Readonly<Record<string, string>> = {
  en: 'All dimensions in mm',
  de: 'Alle Angaben in mm',
  fr: 'Cotes en millimètres',
  es: 'Medidas en mm',
  it: 'Quote in mm',
  pt: 'Dimensões em mm',
  zh: '单位：毫米',
  tw: '單位：mm',
  ja: '単位：mm',
  ko: '단위: mm',
  ru: 'Размеры в мм',
};
