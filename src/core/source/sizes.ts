import { countSaid } from './words';

// Sizes of a table as people say them: “0805”, “2012 (0805)”, “8 ways”, “case B”.

/** Words beside the name of a size that say nothing of which it is. */
const BESIDE = new Set(
  'case size code type style series way ways pin pins lead leads pole poles pos position positions contact contacts terminal terminals circuit circuits no nr baugröße größe bauform polig taille boîtier tamaño caso formato'.split(
    ' ',
  ),
);

/** The parts of a size's name that tell it: without signs, case and words that say nothing. */
function partsOf(name: string): readonly string[] {
  const parts = name
    .normalize('NFKC')
    .toLowerCase()
    // 8-way is 8 and way, DR-08 is one name
    .replace(/(\d)-(?=[a-z])/g, '$1 ')
    .split(/[^\p{L}\p{N}.-]+/u)
    .map((part) => part.replaceAll('-', ''))
    .filter((part) => part !== '');
  const telling = parts.filter((part) => !BESIDE.has(part));
  return telling.length > 0 ? telling : parts;
}

/**
 * The size that is meant: by its name or parts of it, or by the number of its leads.
 * @returns `null` where none is, or more than one may be
 */
export function sizeMeant(sizes: readonly string[], wanted: string | undefined): string | null {
  if (wanted === undefined || wanted === '') return sizes[0] ?? null;
  // where there is one size, what is named is its number of leads
  if (sizes.length === 1 && sizes[0] === '') return '';
  const only = (fits: (size: string) => boolean): string | null => {
    const found = sizes.filter(fits);
    return found.length === 1 ? (found[0] ?? null) : null;
  };
  const asked = partsOf(wanted);
  const count = /^\d+$/.test(wanted.trim()) ? Number(wanted) : countSaid(wanted);
  const within = (some: readonly string[], all: readonly string[]) =>
    some.every((part) => all.includes(part));
  return (
    sizes.find((size) => size.trim().toLowerCase() === wanted.trim().toLowerCase()) ??
    only((size) => {
      const own = partsOf(size);
      return own.length === asked.length && within(asked, own);
    }) ??
    only((size) => count !== null && countSaid(size) === count) ??
    only((size) => within(asked, partsOf(size))) ??
    only((size) => partsOf(size).length > 0 && within(partsOf(size), asked)) ??
    only((size) => size.toLowerCase().includes(wanted.trim().toLowerCase()))
  );
}

/** The size whose name is nearest to what was asked for; `null` where none is near. */
export function nearestSize(sizes: readonly string[], wanted: string): string | null {
  const numberIn = (text: string) => Number(/\d+(\.\d+)?/.exec(text)?.[0] ?? NaN);
  const asked = numberIn(wanted);
  if (Number.isFinite(asked)) {
    const numbered = sizes.filter((size) => Number.isFinite(numberIn(size)));
    const [first] = numbered.sort((a, b) => Math.abs(numberIn(a) - asked) - Math.abs(numberIn(b) - asked));
    return first ?? null;
  }
  const shared = (size: string) => {
    const [a, b] = [size.toLowerCase(), wanted.toLowerCase()];
    let i = 0;
    while (i < a.length && a[i] === b[i]) i += 1;
    return i;
  };
  const [first] = [...sizes].sort((a, b) => shared(b) - shared(a));
  return first !== undefined && shared(first) > 0 ? first : null;
}
