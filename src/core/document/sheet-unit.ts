import { sayingUnit } from '../units/saying-unit';
import type { SheetUnit, TapisDocument } from './document';
import { pointerKey, type Edit } from './edit';
import { CHOICES } from './intent';
import { fieldAt } from './read-fields';

/**
 * Says in which unit the datasheet prints its plain numbers. Its dimensions are read anew; choices that a
 * person made as plain numbers keep what they mean: they get the unit that they were read in.
 */
export function sheetUnitEdits(document: TapisDocument, unit: SheetUnit): Edit[] {
  const before = document.package.unit ?? 'mm';
  if (before === unit) return [];
  const { recommended } = document;
  return [
    ...lengthsOf(document, '').flatMap(({ at, value }) => {
      const said = sayingUnit(value, before) ?? value;
      return said === value ? [] : [{ at, value: said }];
    }),
    ...(recommended && recommended.unit === undefined ? [{ at: '/recommended/unit', value: before }] : []),
    { at: '/package/unit', value: unit === 'mm' ? undefined : unit },
  ];
}

interface Entry {
  readonly at: string;
  readonly value: string;
}

/** Choices that are lengths, outside of the datasheet's own tables. */
function lengthsOf(value: unknown, at: string): Entry[] {
  if (at === '/package' || at === '/recommended') return [];
  if (typeof value === 'string') {
    const kind = fieldAt(CHOICES, at)?.kind;
    return kind === 'length' || kind === 'toleranced' ? [{ at, value }] : [];
  }
  if (typeof value !== 'object' || value === null) return [];
  const items: [string, unknown][] = Array.isArray(value)
    ? value.map((item: { id?: unknown }) => [String(item?.id), item])
    : Object.entries(value);
  return items.flatMap(([key, inner]) => lengthsOf(inner, `${at}/${pointerKey(key)}`));
}
