import type { Overrides, TapisDocument, TrimId } from '../document/document';
import type { Finding, Stage } from '../document/finding';
import type { LandChoices } from '../land/solve-group';
import { readEntry, plainScope } from '../units/entry';
import { TRIMS } from '../land/trims';
import type { Process } from '../process/process';

/** The document's overrides as numbers, and the ones that could not be read. Lengths in mm. */
export interface Choices {
  readonly land: LandChoices;
  readonly maskMargin: number;
  readonly pasteMargin: number;
  readonly solder: number;
  readonly problems: readonly Finding[];
}

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
  const land = (symbol: 'X' | 'Y' | 'C') =>
    length(overrides.land?.[symbol], `/overrides/land/${symbol}`, `Land ${symbol}`, 'land', 0.01);
  const untrimmed = new Set<TrimId>(
    TRIMS.map(({ id }) => id).filter((id) => overrides.trims?.[id] === false),
  );
  return {
    land: {
      rounding: overrides.rounding ?? null,
      untrimmed,
      land: { X: land('X'), Y: land('Y'), C: land('C') },
    },
    maskMargin:
      length(overrides.maskMargin, '/overrides/maskMargin', 'Mask margin', 'stack', -1) ?? process.maskMargin,
    pasteMargin:
      length(overrides.pasteMargin, '/overrides/pasteMargin', 'Paste margin', 'stack', -1) ??
      process.pasteMargin,
    solder:
      length(document.body?.solderThickness, '/body/solderThickness', 'Solder thickness', 'rise', 0) ??
      process.solderThickness,
    problems,
  };
}
