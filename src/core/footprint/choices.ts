import type { ContactIntent, LandOverride, Overrides, TapisDocument, TrimId } from '../document/document';
import type { Finding } from '../document/finding';
import type { GroupChoices, LandChoices, SettableSize } from '../land/solution';
import { TRIM_TITLES } from '../land/trims';
import type { ContactCorrection } from '../package/contact';
import type { Orientation } from '../package/orient';
import type { Process } from '../process/process';
import { entryReader, pointerKey, type EntryReader } from './entry-reader';
import { readPattern, type PatternByGroup } from './recommended';
import { readStacks, type StacksChosen } from './stack-choices';

/** The document's overrides as numbers, and the ones that could not be read. Lengths in mm. */
export interface Choices {
  readonly land: LandChoices;
  readonly maskMargin: number;
  readonly pasteMargin: number;
  /** Solder thickness; `null` where it comes from the paste. */
  readonly solder: number | null;
  readonly lift: number;
  readonly orientation: Orientation;
  /** The datasheet's own lands by group. */
  readonly recommended: PatternByGroup;
  readonly stacks: StacksChosen;
  /** Corrected contact areas by group. */
  readonly contacts: ReadonlyMap<string, ContactCorrection>;
  readonly problems: () => readonly Finding[];
  readonly reader: EntryReader;
}

const SETTABLE: readonly SettableSize[] = ['X', 'Y', 'C', 'D', 'H'];

/** An override that cannot be read is left out and reported; the computed value stands. */
export function readChoices(document: TapisDocument, process: Process): Choices {
  const overrides: Overrides = document.overrides ?? {};
  const reader = entryReader(document.package.unit ?? 'mm');
  const { length } = reader;
  const sizes = (given: LandOverride, at: string): GroupChoices['sizes'] =>
    Object.fromEntries(
      SETTABLE.flatMap((symbol) => {
        const value = length(given[symbol], `${at}/${symbol}`, `Land ${symbol}`, 'land', 0.01);
        return value === null ? [] : [[symbol, value]];
      }),
    );
  const every = sizes(overrides.land ?? {}, '/overrides/land');
  const single = new Map(
    Object.entries(overrides.lands ?? {}).map(([group, given]) => [
      group,
      { sizes: sizes(given, `/overrides/lands/${group}`), hold: given.hold ?? 'centre' } as const,
    ]),
  );
  const { lands: recommended, problems: unreadable } = readPattern(document);
  const adopted: PatternByGroup = document.recommended?.adopted ? recommended : {};
  const of = (group: string): GroupChoices => {
    const taken = Object.hasOwn(adopted, group) ? adopted[group] : undefined;
    const own = single.get(group);
    const hold = own?.hold ?? 'centre';
    const byHand = { ...every, ...own?.sizes };
    if (!taken) return { sizes: byHand, hold };
    if (!taken.land) return { sizes: { ...taken.sizes, ...byHand }, hold };
    // a length set by hand on a recommended land moves that land's centre
    const { G, Z } = taken.land;
    const Y = byHand.Y ?? taken.land.Y;
    const C = hold === 'gap' ? G + Y : hold === 'outer' ? Z - Y : taken.land.C;
    return { sizes: { X: taken.land.X, Y, C, ...byHand }, hold };
  };
  const untrimmed = new Set<TrimId>(
    TRIM_TITLES.map(({ id }) => id).filter((id) => overrides.trims?.[id] === false),
  );
  return {
    land: { rounding: overrides.rounding ?? null, untrimmed, of },
    maskMargin:
      length(overrides.maskMargin, '/overrides/maskMargin', 'Mask margin', 'stack', -1) ?? process.maskMargin,
    pasteMargin:
      length(overrides.pasteMargin, '/overrides/pasteMargin', 'Paste margin', 'stack', -1) ??
      process.pasteMargin,
    solder: document.body?.solderFrom
      ? null
      : (length(document.body?.solderThickness, '/body/solderThickness', 'Solder thickness', 'rise', 0) ??
        process.solderThickness),
    lift: length(document.body?.lift, '/body/lift', 'Lift', 'rise', 0) ?? 0,
    orientation: document.orientation ?? process.orientation,
    recommended,
    stacks: readStacks(document.stacks ?? {}, reader),
    contacts: readContacts(document.contacts ?? {}, reader),
    // what is read later reports here as well
    problems: () => [...unreadable, ...reader.problems],
    reader,
  };
}

function readContacts(
  intents: Readonly<Record<string, ContactIntent>>,
  reader: EntryReader,
): ReadonlyMap<string, ContactCorrection> {
  return new Map(
    Object.entries(intents).map(([group, { length, width, offset, kind = 'flat' }]) => {
      const at = `/contacts/${pointerKey(group)}`;
      return [
        group,
        {
          kind,
          length: reader.toleranced(length, `${at}/length`, 'Contact length', 'prove', 0.01),
          width: reader.toleranced(width, `${at}/width`, 'Contact width', 'prove', 0.01),
          offset: reader.length(offset, `${at}/offset`, 'Contact offset', 'prove', -50) ?? 0,
        },
      ];
    }),
  );
}
