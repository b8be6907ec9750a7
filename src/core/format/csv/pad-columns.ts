import { WORDS_OF_LENGTHS } from './pad-words';

// What the columns of a pad table hold, by their heads.

/** What a column of a pad table holds. */
export const PAD_COLUMNS = [
  'number',
  'x',
  'y',
  'x1',
  'y1',
  'x2',
  'y2',
  'rotation',
  'length',
  'width',
  'diameter',
  'radius',
  'shape',
  'hole',
  'hole-x',
  'hole-y',
  'slot',
  'plating',
  'mask-length',
  'mask-width',
  'paste-length',
  'paste-width',
  'what',
  'pin',
  'direction',
  'side',
  'leave',
] as const;
export type PadColumn = (typeof PAD_COLUMNS)[number];

const { place, corner, start, end, pad, length, width, height, size, diameter, hole } = WORDS_OF_LENGTHS;
const axis = (words: string, letter: 'x' | 'y', more = '') =>
  new RegExp(`^((${words})[ .-]*${letter}${more}|${letter}${more}[ .-]*(${words}))$`);

/** Words that heads have, without their unit. Those that say more come first. */
const HEADS: readonly (readonly [RegExp, PadColumn])[] = [
  [/^mask.*(length|x|breite|width x)$/, 'mask-length'],
  [/^mask.*(width|height|y)$/, 'mask-width'],
  [/^paste.*(length|x)$/, 'paste-length'],
  [/^paste.*(width|height|y)$/, 'paste-width'],
  [axis(`(${hole}|slot)( (${size}))?`, 'x'), 'hole-x'],
  [axis(`(${hole}|slot)( (${size}))?`, 'y'), 'hole-y'],
  [/^(slot.*)$/, 'slot'],
  [new RegExp(`^(finished )?(${hole})( ?(${diameter}|${size}))?$|^(${diameter}) (${hole})$`), 'hole'],
  [/^(x[ .-]?(1|min|start|left|from)|left|links|gauche|izquierda|sinistra|esquerda|слева)$/, 'x1'],
  [/^(x[ .-]?(2|max|end|right|to)|right|rechts|droite|derecha|destra|direita|справа)$/, 'x2'],
  [/^(y[ .-]?(1|min|start|bottom|lower|from)|bottom|unten|bas|abajo|basso|baixo|снизу)$/, 'y1'],
  [/^(y[ .-]?(2|max|end|top|upper|to)|top|oben|haut|arriba|сверху)$/, 'y2'],
  [axis(`${corner}[ ]?1|${start}|lower left|ll|bl|${corner}`, 'x'), 'x1'],
  [axis(`${corner}[ ]?1|${start}|lower left|ll|bl|${corner}`, 'y'), 'y1'],
  [axis(`${corner}[ ]?2|${end}|upper right|ur|tr`, 'x'), 'x2'],
  [axis(`${corner}[ ]?2|${end}|upper right|ur|tr`, 'y'), 'y2'],
  [/^x$/, 'x'],
  [/^y$/, 'y'],
  [axis(place, 'x'), 'x'],
  [axis(place, 'y'), 'y'],
  [
    /^(rot(ation)?|angle|turn(ed)?|drehung|winkel|rotación|rotazione|rotação|ángulo|angolo|ângulo|vinkel|vridning|hoek|kulma|kąt|obrót|úhel|szög|açı|поворот|угол|角度|回転|旋转|각도|회전)( deg(rees)?)?$/,
    'rotation',
  ],
  [axis(`${size}|${length}|${width}|d`, 'x'), 'length'],
  [axis(`${size}|${length}|${height}|${width}|d`, 'y'), 'width'],
  [new RegExp(`^((${pad}) )?(${length}|l)( ?(${pad}))?$`), 'length'],
  [new RegExp(`^((${pad}) )?(${height}|h)( ?(${pad}))?$`), 'width'],
  [new RegExp(`^((${pad}) )?(${width}|w)( ?(${pad}))?$`), 'width'],
  [new RegExp(`^((${pad}) )?(${diameter})( ?(${pad}))?$`), 'diameter'],
  [/^(radius|rayon|radio|raggio|raio|радиус|半径)$/, 'radius'],
  [
    /^((land|pad) )?(shape|form|forme|forma|vorm|muoto|kształt|tvar|alak|şekil|форма|形状|形狀|모양|형상)$/,
    'shape',
  ],
  [/^(plating|plated|pth|metallisiert|métallisé|metalizado|metallizzato|металлизация)$/, 'plating'],
  [/^(what|kind|type)$/, 'what'],
  [/^(direction|dir)$/, 'direction'],
  [/^((board )?side|layer|seite|ebene|lage|côté|couche|lado|capa|lato|strato|camada|сторона|слой)$/, 'side'],
  [
    new RegExp(
      `^(number|no|nr|num|n°|nº|№|#|numéro|número|numero|nummer|номер|(${pad})([ .-]*(no|nr|number|nummer|num|n°|nº|№|#|name|id))?|designator)$`,
    ),
    'number',
  ],
  [/^(pin|signal|net|name|pin name|function|nom|nombre|nome|имя|сигнал)$/, 'pin'],
];

/** Units that a head or a cell may say. */
export const UNIT =
  /(?:[\s_([]+(?:(?:in|en|em)\s+)?|(?<=[\d.]))(mm|µm|um|μm|microns?|mils?|thou|inch(es)?|in|deg|°|мм|мкм)[\])]?\.?$/i;

/** The words of a head: lower case, without its unit. */
export const headWords = (head: string): string =>
  head
    .toLowerCase()
    .replaceAll('_', ' ')
    .replace(UNIT, '')
    .replace(/[.:,;]$/, '')
    .trim();

/** What a column holds by its head; `null` where that says nothing. */
export const columnOf = (head: string): PadColumn | null =>
  HEADS.find(([words]) => words.test(headWords(head)))?.[1] ?? null;

/** Whether columns say where a land lies: by its middle, or by two corners, or by one and its size. */
export const sayPlace = (columns: readonly (PadColumn | null)[]): boolean =>
  (columns.includes('x') && columns.includes('y')) || (columns.includes('x1') && columns.includes('y1'));
