import type { TapisDocument, TrimId } from '../document/document';
import { pointerKey } from '../document/edit';
import type { Finding } from '../document/finding';
import { CHOICES, type ChoicesIntent, type ChoicesRead } from '../document/intent';
import { readFields } from '../document/read-fields';
import { patternOf, type PatternByGroup } from '../land/pattern';
import type { GroupChoices, LandChoices, SettableSize } from '../land/solution';
import { TRIM_TITLES } from '../land/trims';
import type { PadMargins } from '../padstack/padstack';
import type { Process } from '../process/process';
import { underStandard } from '../standard/numbers';
import { saidAt, type Standard } from '../standard/standard';
import type { Orientation } from './footprint';
import type { Pin1Shape } from './pin1-shapes';
import { isForPackageArea } from './keep-outs';

/** What a document chose, read before anything is drawn. Lengths in mm. */
export interface Choices {
  readonly read: ChoicesRead;
  /** The process with what the document says of its board. */
  readonly process: Process;
  readonly land: LandChoices;
  readonly margins: PadMargins;
  readonly orientation: Orientation;
  readonly standard: Standard;
  /** Shapes of the pin-1 mark that the house prefers, in its order. */
  readonly pin1Shapes: readonly Pin1Shape[];
  /** The datasheet's own lands by group. */
  readonly recommended: PatternByGroup;
  /** Entries that cannot be used; what is computed stands in for them. */
  readonly problems: readonly Finding[];
}

/**
 * Reads a document's choices; lengths are in the package's unit unless they say another.
 * @param standard what the house wants where nothing was chosen
 */
export function readChoices(document: TapisDocument, shop: Process, standard: Standard): Choices {
  const intent: ChoicesIntent = document;
  const { value: own, problems } = readFields(CHOICES, intent, '', document.package.unit ?? 'mm');
  const families = familiesOf(document);
  const read = withHabits(own, standard, families);
  const { overrides, body } = read;
  const wished = underStandard(shop, standard);
  const process = body.boardThickness === null ? wished : { ...wished, boardThickness: body.boardThickness };
  const recommended = patternOf(read.recommended);
  const adopted: PatternByGroup = read.recommended.adopted ? recommended : new Map();
  return {
    read,
    process,
    problems: [...problems, ...unfinishedAreas(read.keepOuts, problems)],
    recommended,
    land: {
      rounding: overrides.rounding,
      untrimmed: new Set<TrimId>(
        TRIM_TITLES.map(({ id }) => id).filter(
          (id) => (overrides.trims[id] ?? saidAt<boolean>(standard, `trims/${id}`)) === false,
        ),
      ),
      of: (group) => groupChoices(group, overrides, adopted),
      house: { standard, families },
    },
    margins: {
      mask: overrides.maskMargin ?? process.maskMargin,
      paste: overrides.pasteMargin ?? process.pasteMargin,
    },
    orientation: read.orientation ?? process.orientation,
    standard,
    pin1Shapes: (saidAt<string>(standard, 'marks/pin-1') ?? '').split(', ').filter(Boolean) as Pin1Shape[],
  };
}

/** What rows of a standard may name a package by: its family, and the person's own family. */
function familiesOf({ package: { family, own } }: TapisDocument): string[] {
  return own ? [family, own.id] : [family];
}

/** What was chosen over what the house is used to. */
function withHabits(own: ChoicesRead, standard: Standard, families: readonly string[]): ChoicesRead {
  if (standard.places.length === 0) return own;
  const said = <T extends string | number | boolean>(at: string) => saidAt<T>(standard, at);
  const ofFamily = <T extends string>(at: string): T | null => {
    for (const family of [...families].reverse()) {
      const value = said<T>(`${at}/${family}`);
      if (value !== null) return value;
    }
    return said<T>(at);
  };
  const { marks, overrides } = own;
  const { reference, value } = marks.texts;
  return {
    ...own,
    orientation: own.orientation ?? ofFamily('marks/orientation'),
    origin: own.origin.at === null ? { ...own.origin, at: ofFamily('marks/origin') } : own.origin,
    overrides: {
      ...overrides,
      pin1Land: overrides.pin1Land ?? said('pads/pin-1'),
      jointMask: overrides.jointMask ?? said('pads/joint-mask'),
    },
    marks: {
      ...marks,
      style: marks.style ?? ofFamily('marks/legend'),
      courtyard: marks.courtyard ?? said('marks/courtyard'),
      texts: {
        reference: { ...reference, shown: reference.shown ?? said('marks/reference') },
        value: { ...value, shown: value.shown ?? said('marks/value') },
      },
    },
  };
}

const SETTABLE: readonly SettableSize[] = ['X', 'Y', 'C', 'D', 'H'];

/** Sizes of a group's lands: set by hand for it, else for all, else as the datasheet's pattern has them. */
function groupChoices(
  group: string,
  { land, lands }: ChoicesRead['overrides'],
  adopted: PatternByGroup,
): GroupChoices {
  const own = lands.get(group);
  const given: Partial<Record<SettableSize, number | null>> = {
    ...chosen(land),
    ...(own ? chosen(own) : {}),
  };
  const byHand = given as Partial<Record<SettableSize, number>>;
  const hold = own?.hold ?? 'centre';
  const taken = adopted.get(group);
  if (!taken) return { sizes: byHand, hold };
  if (!taken.land) return { sizes: { ...taken.sizes, ...byHand }, hold };
  // a length set by hand on a recommended land moves that land's centre
  const { G, Z } = taken.land;
  const Y = byHand.Y ?? taken.land.Y;
  const C = hold === 'gap' ? G + Y : hold === 'outer' ? Z - Y : taken.land.C;
  return { sizes: { X: taken.land.X, Y, C, ...byHand }, hold };
}

/** The sizes that are there. */
function chosen(sizes: Readonly<Partial<Record<SettableSize, number | null>>>) {
  return Object.fromEntries(
    SETTABLE.flatMap((symbol) => {
      const value = sizes[symbol] ?? null;
      return value === null ? [] : [[symbol, value]];
    }),
  );
}

/** Areas without a place or a size: they keep nothing free, and say so. */
function unfinishedAreas(areas: ChoicesRead['keepOuts'], told: readonly Finding[]): Finding[] {
  // what the package draws has a place and a size
  const own = areas.filter((area) => !isForPackageArea(area));
  return own.flatMap(({ id, x, y, diameter, width, height }, i): Finding[] => {
    const at = `/keepOuts/${pointerKey(id)}`;
    const missing = [
      ...(x === null ? ['x'] : []),
      ...(y === null ? ['y'] : []),
      ...(diameter === null && (width === null || height === null)
        ? ['a diameter, or width and height']
        : []),
    ];
    if (missing.length === 0 || told.some(({ place }) => place.field?.startsWith(`${at}/`))) return [];
    return [
      {
        rule: 'entry',
        severity: 'stop',
        title: `Keep-out ${i + 1} is not finished`,
        message: `It needs ${missing.join(', ')}; until then it keeps nothing free.`,
        source: 'Document',
        stage: 'stack',
        place: { field: at },
        remedies: [{ label: 'Remove the area', edits: [{ at, value: undefined }] }],
      },
    ];
  });
}

/** Choices for groups and lands that the package does not have: they are kept, and told. */
export function strayChoices(
  { overrides, stacks, recommended, contacts }: ChoicesRead,
  groups: ReadonlySet<string>,
  lands: () => ReadonlySet<string>,
): Finding[] {
  const stray = (
    at: string,
    what: string,
    keys: ReadonlyMap<string, unknown>,
    known: ReadonlySet<string> | (() => ReadonlySet<string>),
  ): Finding[] => {
    if (keys.size === 0) return [];
    const all = typeof known === 'function' ? known() : known;
    return [...keys.keys()]
      .filter((key) => !all.has(key))
      .map((key) => {
        const field = `${at}/${pointerKey(key)}`;
        return {
          rule: 'entry',
          severity: 'note',
          title: `${what} for ${key} is not used`,
          message: `The package has no ${known === lands ? 'land' : 'group of lands'} ${key}; what was chosen for it is kept in the document and not used.`,
          source: 'Document',
          stage: 'stack',
          place: { field },
          remedies: [{ label: 'Remove it', edits: [{ at: field, value: undefined }] }],
        };
      });
  };
  return [
    ...stray('/overrides/lands', 'A land size', overrides.lands, groups),
    ...stray('/overrides/numbers', 'A land number', overrides.numbers, lands),
    ...stray('/stacks/groups', 'A padstack', stacks.groups, groups),
    ...stray('/stacks/lands', 'A padstack', stacks.lands, lands),
    ...stray('/recommended/groups', 'A recommended land', recommended.groups, groups),
    ...stray('/contacts', 'A contact area', contacts, groups),
  ];
}
