import type { Checked } from '../check/guarded';
import { editsBetween } from '../document/difference';
import { valueAt } from '../document/edit';
import { placeWords, stageOfPlace, valueWords } from '../document/edit-words';
import type { Stage } from '../document/stage';
import type { Footprint, Land } from '../footprint/footprint';
import { pinLabel, pinsByLand } from '../footprint/pins';
import type { Placed } from '../geometry/figure';
import { quantise } from '../units/length';
import { compareCompiled, type Change } from './compare';
import { symbolVerdict } from './symbol';

// Two footprints side by side: everything in which they differ, by what it is, each said once for all the
// lands that share it.

/** What kind of thing differs. */
export type DifferenceKind =
  | 'entry'
  | 'name'
  | 'land'
  | 'padstack'
  | 'number'
  | 'pin'
  | 'mark'
  | 'courtyard'
  | 'height'
  | 'body'
  | 'finding';

/** One thing in which two footprints differ. */
export interface Difference {
  readonly what: DifferenceKind;
  readonly title: string;
  readonly from: number | string | null;
  readonly to: number | string | null;
  /** Lengths are in mm. */
  readonly kind: 'length' | 'text';
  /** By how much, mm; `null` where it is no length. */
  readonly by: number | null;
  /** Lands that it is about, by what they are known by. */
  readonly lands: readonly string[];
  /** Place in the document, where it was entered. */
  readonly at?: string;
}

/** The stages where what differs is looked at and mended. */
const STAGES: Readonly<Record<DifferenceKind, Stage>> = {
  entry: 'measure',
  name: 'release',
  land: 'land',
  padstack: 'stack',
  number: 'mark',
  pin: 'mark',
  mark: 'mark',
  courtyard: 'mark',
  height: 'rise',
  body: 'rise',
  finding: 'prove',
};

/** The stage of the Bench where a difference is looked at. */
export const stageOfDifference = ({ what, at }: Difference): Stage =>
  at === undefined ? STAGES[what] : stageOfPlace(at);

/** What two footprints have not in common. */
export interface Comparison {
  readonly differences: readonly Difference[];
  /** Whether a land, a hole or a via is another, or elsewhere. */
  readonly copperDiffers: boolean;
  /** Whether both fit the same symbol; `null` where neither has pins. */
  readonly symbol: { readonly fits: boolean; readonly words: string } | null;
}

/** Shortest length that is a difference, mm: what is computed is rounded to a millionth. */
const LEAST = 1e-6;

/**
 * In what a second footprint differs from a first.
 * @param least shorter differences of lengths are left out, mm
 */
export function compareFootprints(a: Checked, b: Checked, least = 0): Comparison {
  const [first, second] = [a.compiled.footprint, b.compiled.footprint];
  const drawn =
    first && second
      ? [...landDifferences(first, second), ...otherDifferences(first, second)]
      : onlyOne(first, second);
  const others = compareCompiled(a, b)
    .filter(({ what }) => what !== 'size' && what !== 'opening')
    .map(plain);
  return {
    differences: [...entryDifferences(a, b), ...drawn, ...others].filter(
      ({ by }) => by === null || by >= Math.max(least, LEAST),
    ),
    copperDiffers: drawn.some(({ what }) => what === 'land'),
    symbol: first && second && symbolVerdict(first, second),
  };
}

function onlyOne(a: Footprint | null, b: Footprint | null): Difference[] {
  if ((a === null) === (b === null)) return [];
  const said = (footprint: Footprint | null) => (footprint ? 'drawn' : 'cannot be drawn');
  return [text('land', 'The footprint', said(a), said(b))];
}

/** What was entered and chosen, with its own texts. */
function entryDifferences(a: Checked, b: Checked): Difference[] {
  const [from, to] = [a.compiled.document, b.compiled.document];
  return editsBetween(from, to).flatMap(({ at }) => {
    const [was, is] = [valueAt(from, at), valueAt(to, at)].map(valueWords) as [string, string];
    return was === is ? [] : [{ ...text('entry', placeWords(at), was, is), at }];
  });
}

function plain({ what, title, from, to, kind }: Change): Difference {
  const isLength = kind === 'length' && from !== null && to !== null;
  return {
    what: what as DifferenceKind,
    title,
    from,
    to,
    kind,
    by: isLength ? quantise(Math.abs(Number(to) - Number(from))) : null,
    lands: [],
  };
}

const text = (
  what: DifferenceKind,
  title: string,
  from: string | null,
  to: string | null,
  lands: readonly string[] = [],
): Difference => ({ what, title, from, to, kind: 'text', by: null, lands });

const length = (
  what: DifferenceKind,
  title: string,
  from: number,
  to: number,
  lands: readonly string[] = [],
): Difference => ({
  what,
  title,
  from: quantise(from),
  to: quantise(to),
  kind: 'length',
  by: quantise(Math.abs(to - from)),
  lands,
});

/** Lands by what they are known by; what several share is said once. */
function landDifferences(a: Footprint, b: Footprint): Difference[] {
  const [before, after] = [a, b].map(({ lands }) => new Map(lands.map((land) => [land.id, land]))) as [
    Map<string, Land>,
    Map<string, Land>,
  ];
  const gone = a.lands.filter(({ id }) => !after.has(id)).map(({ id }) => id);
  const come = b.lands.filter(({ id }) => !before.has(id)).map(({ id }) => id);
  const both = b.lands.flatMap((land) => {
    const was = before.get(land.id);
    return was ? betweenLands(was, land) : [];
  });
  const shared = new Map<string, Difference>();
  for (const one of both) {
    const key = JSON.stringify([one.what, one.title, one.from, one.to]);
    const known = shared.get(key);
    shared.set(key, known ? { ...known, lands: [...known.lands, ...one.lands] } : one);
  }
  return [
    ...(gone.length > 0 ? [text('land', 'Lands that are gone', String(gone.length), 'none', gone)] : []),
    ...(come.length > 0 ? [text('land', 'Lands that are new', 'none', String(come.length), come)] : []),
    ...shared.values(),
  ];
}

const widthOf = ({ minX, maxX }: Placed) => maxX - minX;
const heightOf = ({ minY, maxY }: Placed) => maxY - minY;
const middleOf = ({ minX, maxX, minY, maxY }: Placed) => ({ x: (minX + maxX) / 2, y: (minY + maxY) / 2 });

function betweenLands(a: Land, b: Land): Difference[] {
  const lands = [b.id];
  const found: Difference[] = [];
  const lengths = (what: DifferenceKind, title: string, from: number, to: number) => {
    if (Math.abs(from - to) > LEAST) found.push(length(what, title, from, to, lands));
  };
  const texts = (what: DifferenceKind, title: string, from: string, to: string) => {
    if (from !== to) found.push(text(what, title, from, to, lands));
  };
  lengths('land', 'Land across', widthOf(a.copper), widthOf(b.copper));
  lengths('land', 'Land upright', heightOf(a.copper), heightOf(b.copper));
  const [from, to] = [middleOf(a.copper), middleOf(b.copper)];
  const by = { x: quantise(to.x - from.x), y: quantise(to.y - from.y) };
  const moved = Math.hypot(by.x, by.y);
  if (moved > LEAST)
    found.push({
      ...text('land', 'Land moved by', '0, 0', `${by.x}, ${by.y} mm`, lands),
      by: quantise(moved),
    });
  // another outline of the same size
  if (found.length === 0 && JSON.stringify(a.copper.figure) !== JSON.stringify(b.copper.figure))
    found.push(text('land', 'Shape of the land', a.copper.figure.kind, shapeWords(a, b), lands));
  texts('land', 'Side of the land', a.far ? 'far' : 'component', b.far ? 'far' : 'component');
  lengths('land', 'Hole across', a.hole ? widthOf(a.hole) : 0, b.hole ? widthOf(b.hole) : 0);
  lengths('land', 'Hole upright', a.hole ? heightOf(a.hole) : 0, b.hole ? heightOf(b.hole) : 0);
  texts('land', 'Plating', String(a.plated), String(b.plated));
  const vias = viasOf(b);
  const isSame = JSON.stringify(a.vias) === JSON.stringify(b.vias);
  texts('land', 'Vias in the land', viasOf(a), !isSame && vias === viasOf(a) ? `${vias}, elsewhere` : vias);
  texts('number', 'Number', a.number, b.number);
  texts('padstack', 'Padstack', a.padstack.name, b.padstack.name);
  for (const part of ['mask', 'paste'] as const) {
    const title = part === 'mask' ? 'Mask opening' : 'Paste opening';
    const [own, other] = [a[part], b[part]];
    if (own.length !== other.length) {
      texts('padstack', `${title}s`, String(own.length), String(other.length));
      continue;
    }
    const [one, two] = [own[0], other[0]];
    if (own.length === 1 && one && two) {
      lengths('padstack', `${title} across`, widthOf(one), widthOf(two));
      lengths('padstack', `${title} upright`, heightOf(one), heightOf(two));
    } else if (JSON.stringify(own) !== JSON.stringify(other))
      texts('padstack', `${title}s`, `${own.length}`, `${other.length}, drawn otherwise`);
  }
  const stackParts = ['other', 'inner', 'relief', 'clearance', 'cover'] as const;
  const changed = stackParts.filter(
    (part) => JSON.stringify(a.padstack[part]) !== JSON.stringify(b.padstack[part]),
  );
  const NAMES = {
    other: 'far land',
    inner: 'inner land',
    relief: 'thermal relief',
    clearance: 'plane clearance',
    cover: 'cover of vias',
  } as const;
  for (const part of changed)
    found.push(text('padstack', `Its ${NAMES[part]}`, 'as first', 'otherwise', lands));
  return found;
}

const shapeWords = (a: Land, b: Land): string =>
  a.copper.figure.kind === b.copper.figure.kind
    ? `${b.copper.figure.kind}, cut otherwise`
    : b.copper.figure.kind;

const viasOf = ({ vias }: Land): string => {
  const [first] = vias;
  return first ? `${vias.length} × ⌀ ${first.hole} in ⌀ ${first.land} mm` : 'none';
};

/** Pins by the numbers that they come out at. */
function pinDifferences(a: Footprint, b: Footprint): Difference[] {
  const said = ({ lands, pins }: Footprint) => {
    const byLand = pinsByLand(pins);
    return new Map(
      lands.map(({ id, number }) => {
        const pin = byLand.get(id);
        const words = pin ? [pinLabel(pin), pin.direction].filter(Boolean).join(', ') : '';
        return [number, { id, words: words === '' ? 'none' : words }] as const;
      }),
    );
  };
  const [was, is] = [said(a), said(b)];
  return [...is].flatMap(([number, { id, words }]) => {
    const before = was.get(number)?.words;
    return before === undefined || before === words
      ? []
      : [text('pin', `Pin at ${number}`, before, words, [id])];
  });
}

/** Heights, body, legend and assembly. */
function otherDifferences(a: Footprint, b: Footprint): Difference[] {
  const found: Difference[] = [];
  const lengths = (what: DifferenceKind, title: string, from: number, to: number) => {
    if (Math.abs(from - to) > LEAST) found.push(length(what, title, from, to));
  };
  const [low, high] = [a.body.heights, b.body.heights];
  lengths('height', 'Height, at most', low.top.max, high.top.max);
  lengths('height', 'Height, nominal', low.top.nom, high.top.nom);
  const [was, is] = [a.body.extent, b.body.extent];
  for (const [axis, words] of [
    ['x', 'across'],
    ['y', 'upright'],
  ] as const) {
    lengths('body', `Body ${words}, nominal`, was[axis].nom, is[axis].nom);
    lengths('body', `Body ${words}, at most`, was[axis].max, is[axis].max);
  }
  const [one, other] = [a.body.imported?.seen?.box, b.body.imported?.seen?.box];
  if (one && other) lengths('height', 'Imported body, top', one.max.z, other.max.z);
  const drawn = (what: DifferenceKind, title: string, from: unknown, to: unknown) => {
    if (JSON.stringify(from) !== JSON.stringify(to))
      found.push(text(what, title, 'as first', 'drawn otherwise'));
  };
  drawn('mark', 'Legend lines', a.legend.lines, b.legend.lines);
  drawn('mark', 'Mark of terminal 1', a.legend.pin1, b.legend.pin1);
  drawn('mark', 'Assembly drawing', a.assembly, b.assembly);
  found.push(...pinDifferences(a, b));
  drawn('land', 'Holes without copper', a.bores, b.bores);
  drawn('mark', 'Keep-outs', a.keepOuts, b.keepOuts);
  return found;
}
