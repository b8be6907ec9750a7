import { formatNumber, quantise } from '../../units/length';
import { exactly, printEntry, type Toleranced } from '../../units/toleranced';
import type { ResolvedDimension } from '../resolve';

/** Writes sizes as entries: by the name of a dimension where one alone has them, else as numbers. */
export class Writer {
  private readonly symbols = new Map<string, string | null>();

  constructor(dimensions: readonly ResolvedDimension[]) {
    for (const { definition, value } of dimensions) {
      if (!value || value.nom === 0) continue;
      const key = this.key(value, definition.kind);
      // two dimensions of one size could be told apart by luck only
      this.symbols.set(key, this.symbols.has(key) ? null : definition.symbol);
    }
  }

  length(value: Toleranced): string {
    return this.symbols.get(this.key(value, 'length')) ?? this.number(value);
  }

  count(value: number): string {
    return this.symbols.get(this.key(exactly(value), 'count')) ?? String(value);
  }

  /** A coordinate: no dimension is meant by it. */
  place(value: number): string | undefined {
    return quantise(value) === 0 ? undefined : mm(value);
  }

  private number(value: Toleranced): string {
    return value.min === value.max ? mm(value.nom) : printEntry(value, 'mm');
  }

  private key({ min, nom, max }: Toleranced, kind: 'length' | 'count'): string {
    return [kind, min, nom, max].join(' ');
  }
}

/** A number of mm that reads back as it is, whatever unit the datasheet has. */
export const mm = (value: number): string => `${formatNumber(quantise(value), 0, 9)}mm`;
export const plain = (value: number): string => formatNumber(quantise(value), 0, 9);
/** Points of mm that read back as they are. */
export const inMm = (points: readonly string[]): string => `${points.join(' ')} mm`;
