import { cellAt, type GridRow } from './grid';
import type { Column } from './columns';
import { isAngle, type Limit } from './words';

// Columns whose heads are no word that is known are told by their numbers: what rises from column to column in
// nearly every row are least, nominal and most. Whatever rests on that is said; a column that fits nowhere is
// not used, and that is said too.

const LIMIT_NAMES: Readonly<Record<Limit, string>> = {
  min: 'least',
  nom: 'nominal',
  max: 'most',
  tolerance: 'tolerance',
};

/** Rows in which columns rise, of all that have a number in each. */
const NEARLY_ALL = 0.8;

/** Patterns of limits from left to right, the likelier first. */
const PATTERNS: readonly (readonly Limit[])[] = [
  ['min', 'nom', 'max'],
  ['min', 'max'],
  ['nom', 'max'],
  ['min', 'nom'],
];

/** A tolerance is this much smaller than what it is of, in the middle of all rows. */
const SMALL = 0.34;

/** What names a size without a number: “Case B”, “Taille B”, “N”; in small letters it may be a word. */
const SIZE = /^(\p{L}{2,}\.?\s+)?\p{Lu}{1,2}$/u;

/** Gives value columns without a known head what their numbers say. */
export function limitsByNumbers(body: readonly GridRow[], columns: readonly Column[]): Column[] {
  const isUnknown = ({ role, limit, size }: Column) =>
    role === 'value' && limit === null && size !== '' && !/\d/.test(size) && !SIZE.test(size);
  const next = [...columns];
  for (const run of runsOf(columns)) {
    const of = run.map((i) => columns[i] as Column);
    const unknown = of.filter(isUnknown);
    if (unknown.length === 0 || of.some((column) => column.limit === null && !isUnknown(column))) continue;
    const isAlone = unknown.length === of.length;
    // several names without a limit may be sizes: only numbers that rise in all of several rows say otherwise
    const rows = rowsWith(body, run);
    const words = unknown.map(({ size }) => `“${size}”`).join(', ');
    if (isAlone && of.length < 2) {
      // apart from columns that say their limits it is none of theirs, and may be one
      const doubt = leftOut(words);
      const others = next.flatMap(({ role, limit }, i) => (role === 'value' && limit !== null ? [i] : []));
      for (const i of others) next[i] = { ...(next[i] as Column), doubt };
      for (const i of others.length > 0 ? run : [])
        next[i] = { ...(next[i] as Column), role: 'none', size: '' };
      continue;
    }
    const limits =
      isAlone && rows.length < 3
        ? null
        : limitsOf(
            of.map(({ limit }) => limit),
            rows,
            isAlone,
          );
    if (!limits && isAlone) {
      const doubt = `No head that is known: ${words}. The columns are taken for sizes; they may be limits.`;
      for (const i of run) next[i] = { ...(columns[i] as Column), doubt };
      continue;
    }
    run.forEach((i, k) => {
      const column = of[k] as Column;
      const limit = limits?.[k] ?? null;
      const doubt = limits
        ? `No head that is known: ${words}. By the numbers the columns are ${limits.map((one) => LIMIT_NAMES[one]).join(', ')}.`
        : leftOut(words);
      if (limits) next[i] = { ...column, limit, size: '', doubt };
      else if (isUnknown(column)) next[i] = { ...column, role: 'none', size: '' };
      else next[i] = { ...column, doubt };
    });
  }
  return next;
}

const leftOut = (words: string): string => `The column ${words} is not understood and was left out.`;

/** Value columns that stand side by side in one unit and for one size. */
function runsOf(columns: readonly Column[]): number[][] {
  const runs: number[][] = [];
  columns.forEach((column, i) => {
    if (column.role !== 'value') return;
    const run = runs.at(-1);
    const last = run?.at(-1);
    const before = last === undefined ? undefined : columns[last];
    const again = run?.some((k) => column.limit !== null && columns[k]?.limit === column.limit);
    if (run && before && before.unit === column.unit && !again && last === i - 1) run.push(i);
    else runs.push([i]);
  });
  return runs;
}

function rowsWith(body: readonly GridRow[], run: readonly number[]): number[][] {
  return body.flatMap((row) => {
    const numbers = run.map((i) => {
      const cell = cellAt(row, i);
      const text = cell && cell.column === i && cell.span === 1 && !isAngle(cell.text) ? cell.text : '';
      const [, number] = /^\s*[±+]?\s*(\d*[.,]?\d+)[^\d]*$/.exec(text) ?? [];
      return number === undefined ? NaN : Number(number.replace(',', '.'));
    });
    return numbers.every(Number.isFinite) ? [numbers] : [];
  });
}

/** What columns are, where numbers and known words leave one pattern that is the likeliest; `null` where none fits. */
function limitsOf(
  known: readonly (Limit | null)[],
  rows: readonly (readonly number[])[],
  isAlone: boolean,
): readonly Limit[] | null {
  if (rows.length === 0) return null;
  const rising = rows.filter((row) => row.every((value, i) => i === 0 || value >= (row[i - 1] ?? 0)));
  const share = rising.length / rows.length;
  const fits = (pattern: readonly Limit[]) =>
    pattern.length === known.length && known.every((limit, i) => limit === null || limit === pattern[i]);
  // names of sizes whose numbers grow are common: of them all rows have to rise, and little
  const near = rows.every((row) => (row.at(-1) ?? 0) <= 3 * (row[0] ?? 0) || (row[0] ?? 0) < 0.3);
  if (share >= (isAlone ? 1 : NEARLY_ALL) && (!isAlone || (near && known.length === 3)))
    return PATTERNS.find(fits) ?? null;
  const ratios = rows.map(([first = NaN, second = NaN]) => second / first).sort((a, b) => a - b);
  const middle = ratios[Math.floor(ratios.length / 2)] ?? NaN;
  const isTolerance = !isAlone && known.length === 2 && middle < SMALL && (known[0] ?? 'nom') === 'nom';
  return isTolerance && (known[1] ?? 'tolerance') === 'tolerance' ? ['nom', 'tolerance'] : null;
}
