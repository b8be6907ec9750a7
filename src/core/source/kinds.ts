import type { SheetUnit } from '../document/document';
import { CATALOGUE, type PackageKind } from '../package/catalogue';
import { plainScope, readEntry } from '../units/entry';

/** The kind of package with an id; `null` where there is none that is measured from a table. */
export function kindById(id: string): PackageKind | null {
  return CATALOGUE.find((kind) => kind.id === id) ?? null;
}

/** An exposed pad that is measured is there. */
export function padOption(
  kind: PackageKind,
  dimensions: Readonly<Record<string, unknown>>,
): Readonly<Record<string, string>> | null {
  const pad = kind.options.find(({ id }) => id === 'pad');
  if (!pad) return null;
  const [first] = pad.choices;
  const has = 'E2' in dimensions || 'D2' in dimensions;
  if (has) return first?.id === 'none' ? { pad: 'rectangle' } : null;
  return first?.id === 'none' ? null : { pad: 'none' };
}

/** An exposed pad takes about this share of its body; common sizes list none. */
const PAD_SHARE = 0.62;
const PADS = [
  ['E2', 'E'],
  ['D2', 'D'],
] as const;

const sizesOf = new Map<string, readonly Readonly<Record<string, number>>[]>();

/** Nominal sizes of a family's common packages and of its example, mm, by symbol. */
export function usualSizes(kind: PackageKind): readonly Readonly<Record<string, number>>[] {
  const known = sizesOf.get(kind.id);
  if (known) return known;
  const symbols = new Set(kind.dimensions.map(({ symbol }) => symbol));
  const same = kind.dimensions.filter(({ derived }) => derived && symbols.has(derived));
  const all = [{ dimensions: kind.example, unit: 'mm' as SheetUnit }, ...kind.outlines].map(
    ({ dimensions, unit = 'mm' }) => {
      const sizes = Object.fromEntries(
        Object.entries(dimensions).flatMap(([symbol, text = '']) => {
          const read = readEntry(text, plainScope(unit));
          return read.ok ? [[symbol, read.value.value.nom] as const] : [];
        }),
      );
      // a square part's other side is as usual as its one side
      const others = same.map(
        ({ symbol, derived = '' }) => [symbol, sizes[symbol] ?? sizes[derived]] as const,
      );
      const pads = PADS.flatMap(([pad, body]) => {
        const size = sizes[pad] ?? PAD_SHARE * (sizes[body] ?? sizes['E'] ?? NaN);
        return symbols.has(pad) && Number.isFinite(size) ? [[pad, size] as const] : [];
      });
      return {
        ...sizes,
        ...Object.fromEntries(pads),
        ...Object.fromEntries(others.filter(([, size]) => size !== undefined)),
      } as Record<string, number>;
    },
  );
  sizesOf.set(kind.id, all);
  return all;
}
