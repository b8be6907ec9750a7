// What layers are called, by those who draw them: one vocabulary for films, drawings and files whose layers do
// not say what they show.

/** What a layer shows, as far as a land pattern goes. */
export type LayerKind =
  | 'copper'
  | 'mask'
  | 'paste'
  | 'holes'
  | 'courtyard'
  | 'legend'
  | 'keep-out'
  | 'edge'
  | 'dimensions'
  | 'assembly'
  | 'body';

/** A layer by its name; `kind` is missing where only its side is said. */
export interface CalledLayer {
  readonly kind: LayerKind | null;
  /** Whether it is said to be of the component side. */
  readonly isNear: boolean;
  readonly isFar: boolean;
  readonly isInner: boolean;
}

const NEAR =
  /\btop\b|layer.?1\b|component.?side|bestuckungsseite|\boben\b|oberseite|cote composants|dessus|superior|arriba|верхн|顶层|表面/;

const FAR =
  /bottom|\bbot\b|\bback\b|\bfar\b|solder.?side|unten|unterseite|ruckseite|rueckseite|lotseite|loetseite|dessous|inferieur|inferior|abajo|\bretro\b|нижн|底层|底面|裏面/;
const INNER = /inner|internal|\binnen|\bin\d|layer.?[2-9]|mid.?layer|\bintern[eao]\b|внутр|内层|内層/;

/** The first that fits counts. */
const WORDS: readonly (readonly [RegExp, LayerKind])[] = [
  [/mask|masque|mascara|maschera|stopplack|lotstopp|loetstopp|vernis|epargne|маск|阻焊|レジスト/, 'mask'],
  [/paste|\bpasta\b|stencil|schablone|pochoir|\bpate\b|паст|锡膏|钢网|メタルマスク/, 'paste'],
  [
    /copper|kupfer|cuivre|cobre|\brame\b|медь|\blands?\b|\bpads?\b|anschlussflache|lotflache|pastille|plages?\b|piazzol\w|\bislas?\b|контактн\S* площадк|铜|銅|焊盘|ランド|パッド/,
    'copper',
  ],
  [
    /hole|drill|bore|cut.?out|bohr|\bloch|\blocher|percage|\btrous?\b|taladro|agujero|\bfor[oi]\b|\bfuros?\b|отверст|钻孔|穴|ホール/,
    'holes',
  ],
  [/courtyard/, 'courtyard'],
  [/legend|silk|bestuckungsdruck|serigra[pf]|шелкограф|丝印|シルク/, 'legend'],
  [/keep|sperr|interdit|prohib|vietat/, 'keep-out'],
  [/board|edge|profile|rand\b|platine\b|\bborde?\b|\bbordo\b|contour|контур платы/, 'edge'],
  [
    /\bnumbers?\b|nummer|numeros?\b|numeri\b|номер|番号|text|\bdims?\b|dimension|bemaßung|bemassung|\bmaße?(?!\p{L})|\bcotes?\b|\bquote\b|размер/u,
    'dimensions',
  ],
  [/assembly|bestuckung|montage|montaggio|montaje|сборка/, 'assembly'],
  [
    /body|outline|package|component|umriss|korper|gehause|bauteilkontur|corps|boitier|cuerpo|\bcorpo\b|корпус/,
    'body',
  ],
];

/** What a layer is by its name. */
export function layerCalled(name: string): CalledLayer {
  // names of files and layers are written with and without their accents
  const words = name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .normalize('NFC')
    .replaceAll('_', ' ');
  return {
    kind: WORDS.find(([pattern]) => pattern.test(words))?.[1] ?? null,
    isNear: NEAR.test(words),
    isFar: FAR.test(words),
    isInner: INNER.test(words),
  };
}

/** Endings that films have where their names say nothing else. */
const ENDINGS: Readonly<Record<string, readonly [LayerKind, 'near' | 'far']>> = {
  gtl: ['copper', 'near'],
  gbl: ['copper', 'far'],
  gts: ['mask', 'near'],
  gbs: ['mask', 'far'],
  gtp: ['paste', 'near'],
  gbp: ['paste', 'far'],
  gto: ['legend', 'near'],
  gbo: ['legend', 'far'],
  cmp: ['copper', 'near'],
  sol: ['copper', 'far'],
  stc: ['mask', 'near'],
  sts: ['mask', 'far'],
  gko: ['edge', 'near'],
};

/** What a film is by the ending of its name. */
export function layerEnding(name: string): CalledLayer | null {
  const ending = /\.([a-z0-9]+)$/i.exec(name)?.[1]?.toLowerCase() ?? '';
  if (/^(g|gp)\d+$/.test(ending)) return { kind: 'copper', isNear: false, isFar: false, isInner: true };
  const known = Object.hasOwn(ENDINGS, ending) ? ENDINGS[ending] : undefined;
  if (!known) return null;
  const isFar = known[1] === 'far';
  return { kind: known[0], isNear: !isFar, isFar, isInner: false };
}
