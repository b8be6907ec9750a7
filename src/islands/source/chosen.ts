import type { Alternative, ReadDimension } from '../../core/source/reading';

/** A dimension with the reading of it that is chosen. */
export interface Chosen {
  readonly read: ReadDimension;
  /** Its readings: what is most likely meant, then the others. */
  readonly options: readonly Alternative[];
  readonly option: number;
  readonly isTaken: boolean;
}

/** What a person chose, by symbol: another reading, or to leave it out. */
export type Choices = ReadonlyMap<string, { readonly option: number; readonly isTaken: boolean }>;

/** The dimensions of a reading with what was chosen of them. */
export function chosenOf(dimensions: readonly ReadDimension[], choices: Choices): Chosen[] {
  return dimensions.map((read) => {
    const main: Alternative = {
      text: read.text,
      unit: read.unit,
      reason: read.reasons[0] ?? '',
      label: read.label,
      printed: read.printed,
      area: read.area,
    };
    const options = [main, ...read.alternatives];
    const { option = 0, isTaken = !read.isBroken } = choices.get(read.symbol) ?? {};
    return { read, options, option: Math.min(option, options.length - 1), isTaken };
  });
}

/** What is taken, each as it was chosen. */
export function takenOf(chosen: readonly Chosen[]): ReadDimension[] {
  return chosen.flatMap(({ read, options, option, isTaken }) => {
    const meant = options[option];
    if (!isTaken || !meant) return [];
    const { text, unit, label, printed, area } = meant;
    return [{ ...read, text, unit, label, printed, area }];
  });
}

/** Choices with the next reading of a dimension, or the one before. */
export function turned(choices: Choices, chosen: readonly Chosen[], symbol: string, by: number): Choices {
  const one = chosen.find(({ read }) => read.symbol === symbol);
  if (!one) return choices;
  const count = one.options.length;
  return new Map(choices).set(symbol, { option: (one.option + by + count) % count, isTaken: one.isTaken });
}

/** Choices with a dimension taken or left out. */
export function toggled(choices: Choices, chosen: readonly Chosen[], symbol: string): Choices {
  const one = chosen.find(({ read }) => read.symbol === symbol);
  return one ? new Map(choices).set(symbol, { option: one.option, isTaken: !one.isTaken }) : choices;
}
