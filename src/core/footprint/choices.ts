import type { LandOverride, Overrides, TapisDocument, TrimId } from '../document/document';
import type { Finding, Stage } from '../document/finding';
import type { GroupChoices, LandChoices, SettableSize } from '../land/solution';
import { TRIM_TITLES } from '../land/trims';
import type { Orientation } from '../package/orient';
import type { Process } from '../process/process';
import { plainScope, readEntry } from '../units/entry';
import { readPattern, type PatternByGroup } from './recommended';

/** The document's overrides as numbers, and the ones that could not be read. Lengths in mm. */
export interface Choices {
  readonly land: LandChoices;
  readonly maskMargin: number;
  readonly pasteMargin: number;
  readonly solder: number;
  readonly orientation: Orientation;
  /** The datasheet's own lands by group. */
  readonly recommended: PatternByGroup;
  readonly problems: readonly Finding[];
}

const SETTABLE: readonly SettableSize[] = ['X', 'Y', 'C', 'D', 'H'];

/** An override that cannot be read is left out and reported; the computed value stands. */
export function readChoices(document: TapisDocument, process: Process): Choices {
  const overrides: Overrides = document.overrides ?? {};
  const problems: Finding[] = [];
  const unit = document.package.unit ?? 'mm';
  const length = (
    text: string | undefined,
    at: string,
    title: string,
    stage: Stage,
    least: number,
  ): number | null => {
    if (text === undefined || text.trim() === '') return null;
    const read = readEntry(text, plainScope(unit));
    const tooSmall = read.ok && read.value.nom < least;
    if (read.ok && !tooSmall) return read.value.nom;
    const reason = read.ok ? `It must be at least ${least} mm.` : read.error.message;
    problems.push({
      rule: 'entry',
      severity: 'stop',
      title: `${title} cannot be used`,
      message: `“${text}”: ${reason} The computed value stands until it is mended.`,
      source: 'Entry grammar',
      stage,
      place: {},
      remedies: [{ label: 'Take the computed value', edits: [{ at, value: undefined }] }],
    });
    return null;
  };
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
  problems.push(...unreadable);
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
    solder:
      length(document.body?.solderThickness, '/body/solderThickness', 'Solder thickness', 'rise', 0) ??
      process.solderThickness,
    orientation: document.orientation ?? process.orientation,
    recommended,
    problems,
  };
}
