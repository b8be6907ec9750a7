import { plainWord } from '../words';

/** What a column of a list holds beside dimensions. */
export const TEXT_ROLES = [
  'part',
  'name',
  'package',
  'family',
  'level',
  'standard',
  'group',
  'tags',
  'pins',
  'value',
  'quantity',
  'references',
] as const;
export type TextRole = (typeof TEXT_ROLES)[number];

/** Roles in words. */
export const ROLE_WORDS: Readonly<Record<TextRole, string>> = {
  part: 'part number',
  name: 'name',
  package: 'package',
  family: 'family of Tapis',
  level: 'density level',
  standard: 'standard name',
  group: 'group',
  tags: 'tags',
  pins: 'number of pins',
  value: 'value or description',
  quantity: 'how many',
  references: 'references',
};

const HEADS: readonly (readonly [TextRole, RegExp])[] = [
  [
    'part',
    /^(manufacturer |mfr\.? |maker.?s? )?(part|p\/n|pn|mpn|order|article|artikel|bestell|code|référence|referencia|codice|型号|型番|品番|품번|артикул)[\s-]*(no|nr|number|nummer|num|n°|code|#)?\.?$|^(bestell|artikel|teile)(nummer|nr)\.?$|^(型号|型番|品番|品名|料号)$/iu,
  ],
  [
    'name',
    /^(name|designation|bezeichnung|benennung|nom|nombre|denominación|denominazione|nome|title|footprint|名称|이름|наименование)$/iu,
  ],
  [
    'package',
    /^(package|pkg|case|housing|gehäuse|bauform|boîtier|encapsulado|contenitore|size|case size|baugröße|taille|tamaño|formato|封装|外形|サイズ|패키지|корпус|chip size|type)( (type|code|size))?$/iu,
  ],
  ['family', /^(family|familie|famille|familia|famiglia)$/iu],
  ['level', /^(density )?(level|dichte|niveau)$/iu],
  ['standard', /^(ipc|standard)[\s-]*(7351)?[\s-]*name$/iu],
  ['group', /^(group|gruppe|category|kategorie|series|serie|série)$/iu],
  ['tags', /^(tags?|labels?|keywords?|stichworte?)$/iu],
  [
    'pins',
    /^(pins?|leads?|pin count|lead count|no\.? of (pins|leads)|terminals|ways|poles|positions|polzahl|anzahl (pins|anschlüsse)|broches|patillas|引脚数|端子数|핀 수)$/iu,
  ],
  [
    'quantity',
    /^(qty\.?|quantity|menge|anzahl|stück(zahl)?|stk\.?|quantité|qté|cantidad|quantità|q\.?tà|数量|個数|수량|количество|кол-?во)( ?\/ ?(board|pcb|unit))?$/iu,
  ],
  [
    'references',
    /^(ref\.?(s|des|erences?)?|reference designators?|ref\.? des\.?|designators?|position(en)?|bauteil(e)?|referenz(en)?|repères?|références?|referencias?|riferiment[oi]|位号|部品番号|リファレンス|참조|обозначение)$/iu,
  ],
  [
    'value',
    /^(value|desc\.?|désignation|omschrijving|wert|valeur|valor|valore|description|beschreibung|descripción|descrizione|comment|remark|bemerkung|rating|值|描述|値|설명|описание)s?$/iu,
  ],
];

/** What the head of a column says that it holds, beside dimensions; `null` where it says nothing known. */
export function textRole(head: string): TextRole | null {
  const word = plainWord(head.replace(/\s+/g, ' ').trim());
  return HEADS.find(([, form]) => form.test(word))?.[0] ?? null;
}
